import type { Device } from "./device.ts";
import { type RuleContext, type SheetOfTree, type TreeRules, treeRules } from "./rule-index.ts";
import type { Sheet } from "./sheet.ts";

interface Known {
  readonly sheets: readonly SheetOfTree[];
  readonly device: Device;
  readonly context: RuleContext;
  readonly rules: TreeRules;
}

/** How many lists that begin with one sheet are remembered: devices, schemes, and what differs further on. */
const MOST_KEPT = 8;

/** By the first sheet of a list; forgotten with it. */
const knownByFirst = new WeakMap<Sheet, readonly Known[]>();

/**
 * The author's rules of one tree. They hang on the sheets and the device and on nothing in the page, so the many pages that
 * share sheets, as the worlds of a component do, have them read and indexed once.
 */
export function authorRules(sheets: readonly SheetOfTree[], device: Device, context: RuleContext): TreeRules {
  const [first] = sheets;
  if (first === undefined) return treeRules([], "author", device, context);
  const known = knownByFirst.get(first.sheet) ?? [];
  const same = known.find(
    (one) =>
      one.context.taken === context.taken &&
      one.context.fold === context.fold &&
      isSameDevice(one.device, device) &&
      areSame(one.sheets, sheets),
  );
  if (same !== undefined) return same.rules;
  const rules = treeRules(sheets, "author", device, context);
  knownByFirst.set(first.sheet, [
    { sheets: sheets.map(withoutTree), device, context, rules },
    ...known.slice(0, MOST_KEPT - 1),
  ]);
  return rules;
}

/** A sheet without the tree that it styled: what is remembered must not keep that. */
const withoutTree = ({ sheet, media, imports }: SheetOfTree): SheetOfTree => ({ sheet, media, imports });

const isSameDevice = (one: Device, other: Device): boolean =>
  one.width === other.width &&
  one.height === other.height &&
  one.colourScheme === other.colourScheme &&
  one.reducedMotion === other.reducedMotion &&
  one.finePointer === other.finePointer;

const areSame = (some: readonly SheetOfTree[], others: readonly SheetOfTree[]): boolean =>
  some.length === others.length && some.every((one, index) => isSame(one, others[index]));

const isSame = (one: SheetOfTree, other: SheetOfTree | undefined): boolean =>
  other !== undefined &&
  one.sheet === other.sheet &&
  one.media === other.media &&
  (one.imports === other.imports ||
    (one.imports.size === other.imports.size &&
      [...one.imports].every(([rule, sheet]) => isSame(sheet, other.imports.get(rule)))));
