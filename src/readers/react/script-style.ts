import type * as Ast from "@babel/types";
import type { Mark, WrittenSource } from "../../core/css/compiled-sheet.ts";
import type { Span } from "../../core/document/node.ts";
import type { Composition } from "../composition/composition.ts";
import type { SourceModule } from "../composition/source-module.ts";
import { concat } from "../script/concat.ts";
import { digest } from "../script/digest.ts";
import { lift, unknownAt } from "../script/machine.ts";
import { isNullish, known, type ObjectValue, type Scope, type Value } from "../script/value.ts";
import { hyphenated, withUnit } from "./style-object.ts";

/** A stretch of a style; `written` is its offset in the file, null for what an expression gives. */
export interface StylePart {
  readonly value: Value;
  readonly written: number | null;
}

/** A style that a script writes: its parts, and the place where it begins. */
export interface ScriptStyle {
  readonly parts: readonly StylePart[];
  readonly source: Span;
}

/** The template of a tag. What its expressions give is asked for now. */
export function templateStyle(
  { machine }: Composition,
  node: Ast.TaggedTemplateExpression,
  scope: Scope,
  source: Span,
): ScriptStyle {
  const { quasis, expressions } = node.quasi;
  const parts = quasis.flatMap((quasi, i): readonly StylePart[] => {
    const texts = withoutLineComments(quasi.value.raw, quasi.start ?? 0);
    const expression = expressions[i];
    return expression === undefined
      ? texts
      : [...texts, { value: machine.evaluate(expression, scope), written: null }];
  });
  return { parts, source };
}

/** The stretches of a text between comments that last a line, which CSS has not. */
function withoutLineComments(text: string, start: number): readonly StylePart[] {
  const parts: StylePart[] = [];
  let from = 0;
  const add = (until: number) => parts.push({ value: known(text.slice(from, until)), written: start + from });
  for (const { index, 0: comment } of text.matchAll(/(?<=^|[\s;{}])\/\/[^\n]*/g)) {
    add(index);
    from = index + comment.length;
  }
  add(text.length);
  return parts;
}

/** A style as an object: declarations, and objects for what is nested. Null where some of it is not known. */
export function objectStyle(composition: Composition, value: Value, source: Span): ScriptStyle | null {
  const parts = value.kind === "object" ? objectParts(composition, value) : null;
  return parts === null ? null : { parts, source };
}

function objectParts(composition: Composition, value: ObjectValue): readonly StylePart[] | null {
  if (value.rest !== null || value.lazy !== undefined) return null;
  const parts: StylePart[] = [];
  const add = (one: Value) => parts.push({ value: one, written: null });
  for (const [name, given] of value.properties) {
    if (isNullish(given)) continue;
    if (given.kind === "object") {
      const inner = objectParts(composition, given);
      if (inner === null) return null;
      add(known(`${name} {`));
      parts.push(...inner);
      add(known("} "));
      continue;
    }
    add(known(`${hyphenated(name)}: `));
    add(lift(composition.machine, given, (one) => withUnit(name, one)));
    add(known("; "));
  }
  return parts;
}

/** A style as text, for what it is put into; unknown where a part of it is. */
export const styleText = ({ machine }: Composition, { parts, source }: ScriptStyle): Value =>
  concat(
    machine,
    parts.map(({ value }) => value),
    () => openStyle(source),
  );

/**
 * The class that gives an element a style, in each world its own; its rules are kept with the composition. Unknown where
 * a part of the style is.
 */
export function styleClass(composition: Composition, { parts, source }: ScriptStyle): Value {
  const step = (index: number, texts: readonly string[]): Value => {
    const part = parts[index];
    if (part === undefined) return known(keepRules(composition, parts, texts, source));
    return lift(composition.machine, part.value, (one) => {
      if (one.kind !== "known") return openStyle(source);
      const isNothing = one.value === undefined || one.value === null || one.value === false;
      return step(index + 1, [...texts, isNothing ? "" : String(one.value)]);
    });
  };
  return step(0, []);
}

const openStyle = (source: Span): Value =>
  unknownAt(source, "style", `styled ${source.file}:${source.start}`, "string");

function keepRules(
  composition: Composition,
  parts: readonly StylePart[],
  texts: readonly string[],
  source: Span,
): string {
  // No class that anybody writes: reports pass over such.
  const name = `_${digest(`${source.file} ${source.start} ${texts.join("")}`)}`;
  const before = `.${name} {`;
  const marks: Mark[] = [{ offset: 0, source: 0, written: source.start }];
  let offset = before.length;
  for (const [i, text] of texts.entries()) {
    const { written } = parts[i] as StylePart;
    if (written !== null) marks.push({ offset, source: 0, written });
    offset += text.length;
  }
  const css = `${before}${texts.join("")}}`;
  composition.keepStyle(name, { css, marks, sources: sourcesOf(composition, source.file) });
  return name;
}

/** The file itself, then those that it imports: a colour may be set there. */
function sourcesOf(composition: Composition, file: string): readonly WrittenSource[] {
  const module = composition.moduleNamed(file);
  if (module === null) return [];
  const imported = [...module.imports.values()].flatMap((path) =>
    path === null ? [] : (composition.moduleAt(path) ?? []),
  );
  return [module, ...imported].map(asSource);
}

const asSource = ({ file, text }: SourceModule): WrittenSource => ({
  file,
  text,
  start: 0,
  isIndented: false,
  isForeign: false,
});
