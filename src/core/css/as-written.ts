import type { Declared } from "./declared.ts";
import type { Sheet, StyleRule } from "./sheet.ts";

/**
 * A sheet that a tool made of another by changing selectors: its rules as they were written, with the selectors that hold.
 * Rules that cannot be found in the other stay as they are.
 */
export function asWritten(sheet: Sheet, written: Sheet): Sheet {
  const rules = written.items.flatMap((item) => (item.kind === "rule" ? [item.rule] : []));
  let next = 0;
  return {
    ...sheet,
    file: written.file,
    remarks: written.remarks,
    items: sheet.items.map((item) => {
      if (item.kind !== "rule") return item;
      const found = rules.findIndex((rule, index) => index >= next && declareTheSame(rule, item.rule));
      const rule = rules[found];
      if (rule === undefined) return item;
      next = found + 1;
      return { ...item, rule: { ...rule, selectors: item.rule.selectors } };
    }),
  };
}

const declareTheSame = (one: StyleRule, other: StyleRule): boolean =>
  sameDeclarations(one.normal, other.normal) &&
  sameDeclarations(one.important ?? new Map(), other.important ?? new Map());

const sameDeclarations = (
  one: ReadonlyMap<string, Declared>,
  other: ReadonlyMap<string, Declared>,
): boolean => one.size === other.size && [...one].every(([name, { text }]) => other.get(name)?.text === text);
