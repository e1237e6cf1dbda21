import type { ElementNode, Span } from "../document/node.ts";
import { attributePlace, attributeSet } from "./attribute-spelling.ts";
import type { Edit } from "./edit.ts";
import { indentBefore } from "./indentation.ts";
import { type StartTag, type TextOf, writtenIn } from "./start-tag.ts";

/** With the semicolon after it, and the line it stands on where nothing else is there. */
export function declarationRemoved({ file, start, end }: Span, textOf: TextOf): Edit | null {
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
