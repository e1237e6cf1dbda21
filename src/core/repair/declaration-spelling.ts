import type { Declared, DeclaredInAttribute } from "../css/declared.ts";
import type { ElementNode } from "../document/node.ts";
import { attributePlace, attributeSet } from "./attribute-spelling.ts";
import type { Edit } from "./edit.ts";
import { indentBefore } from "./indentation.ts";
import { type StartTag, type TextOf, writtenIn } from "./start-tag.ts";

/** Another value where the old one stands. */
export function declarationSet(declared: Declared, to: string, textOf: TextOf): Edit | null {
  const { inAttribute, valueSource } = declared;
  if (inAttribute !== undefined)
    return editIn(inAttribute, valueIn(inAttribute.name, declared.text), to, textOf);
  return textOf(valueSource.file) === null ? null : { ...valueSource, text: to };
}

/** With the semicolon after it, and the line it stands on where nothing else is there. */
export function declarationRemoved(declared: Declared, textOf: TextOf): Edit | null {
  const { inAttribute, source } = declared;
  if (inAttribute !== undefined)
    return editIn(inAttribute, declarationIn(inAttribute.name, declared.text), "", textOf);
  const { file, start, end } = source;
  const text = textOf(file);
  if (text === null) return null;
  const to = end + (/^\s*;/.exec(text.slice(end, end + 40))?.[0].length ?? 0);
  const indent = indentBefore(text, start);
  const rest = /^[ \t]*\r?\n/.exec(text.slice(to, to + 200));
  if (indent !== null && rest !== null)
    return { file, start: start - indent.length, end: to + rest[0].length, text: "" };
  const space = /[ \t]*$/.exec(text.slice(Math.max(0, start - 40), start))?.[0].length ?? 0;
  return { file, start: start - space, end: to, text: "" };
}

/** What ends a match in an attribute, written otherwise; null where it is not there just once. */
function editIn(
  { attribute: { file, start, end } }: DeclaredInAttribute,
  pattern: RegExp,
  text: string,
  textOf: TextOf,
): Edit | null {
  const [match, ...more] = [...(textOf(file)?.slice(start, end) ?? "").matchAll(pattern)];
  const found = match?.groups?.found;
  if (match === undefined || found === undefined || more.length > 0) return null;
  const from = start + match.index + match[0].length - found.length;
  return { file, start: from, end: from + found.length, text };
}

/** A property by its name in CSS, or as a script writes it: in quotes or in camel case. */
const named = (name: string): string =>
  `(?<![-\\w])(?<quote>["'\`]?)(?:${escaped(name)}|${escaped(camelCase(name))})\\k<quote>\\s*:\\s*`;

/** Any part of a value that ends neither the declaration nor the property of an object. */
const part = "(?:[^;},(]|\\([^()]*\\))*?";

const whole = (value: string): string => `(?<![-\\w#.])${escaped(value)}(?![-\\w.%(])`;

const valueIn = (name: string, value: string): RegExp =>
  new RegExp(`${named(name)}${part}(?<found>${whole(value)})`, "gi");

const declarationIn = (name: string, value: string): RegExp =>
  new RegExp(
    `(?<found>${named(name)}(?<mark>["'\`]?)${part}${whole(value)}[^;,"'\`}]*\\k<mark>\\s*[;,]?[ \\t]*)`,
    "gi",
  );

const escaped = (text: string): string => text.replace(/[.*+?^${}()|[\]\\]/g, "\\$&");

export function declarationsAdded(
  tag: StartTag,
  element: ElementNode,
  declarations: Readonly<Record<string, string>>,
): Edit | null {
  const entries = Object.entries(declarations);
  const css = entries.map(([property, value]) => `${property}: ${value}`).join("; ");
  const known = element.attributes.get("style");
  if (known === undefined) {
    if (tag.syntax !== "jsx") return attributeSet(tag, element, "style", css);
    const { place } = attributePlace(tag, element);
    return { file: tag.file, start: place, end: place, text: ` style={{ ${styleObject(entries)} }}` };
  }
  const { value } = known;
  if (tag.syntax === "jsx") {
    const written = writtenIn(tag, element, "style");
    const object = /^\{\{\s*/.exec(written?.value ?? "");
    if (written === null || written.value === null || object === null) return null;
    const place = written.end - written.value.length + object[0].length;
    return { file: tag.file, start: place, end: place, text: `${styleObject(entries)}, ` };
  }
  if (typeof value !== "string") return null;
  return attributeSet(tag, element, "style", `${value.trim().replace(/;?$/, ";")} ${css}`);
}

const styleObject = (entries: readonly (readonly [string, string])[]): string =>
  entries.map(([property, value]) => `${camelCase(property)}: "${value}"`).join(", ");

const camelCase = (property: string): string =>
  property.replace(/-([a-z])/g, (_, letter: string) => letter.toUpperCase());
