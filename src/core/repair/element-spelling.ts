import { type ElementNode, type Span, writtenTag } from "../document/node.ts";
import { isVoid } from "../document/void-elements.ts";
import { attributeAs } from "./attribute-spelling.ts";
import type { Change, Markup } from "./change.ts";
import type { Edit } from "./edit.ts";
import { indentBefore, lineBreakIn } from "./indentation.ts";
import type { StartTag, TextOf } from "./start-tag.ts";
import { escapeWords, syntaxOf } from "./syntax.ts";

/** The end tag of an element, where it has one in the same file. */
function endTagOf(tag: StartTag, { endTag }: ElementNode): Span | null {
  const written = endTag === null ? "" : tag.text.slice(endTag.start, endTag.end);
  return endTag !== null && endTag.file === tag.file && written.startsWith("</") ? endTag : null;
}

const isSelfClosed = ({ text, end }: StartTag): boolean => text.slice(end - 2, end) === "/>";

export function elementRenamed(tag: StartTag, element: ElementNode, to: string): readonly Edit[] | null {
  const name = writtenTag(element);
  const first = { file: tag.file, start: tag.start + 1, end: tag.nameEnd, text: to };
  if (tag.text.slice(first.start, first.end).toLowerCase() !== name.toLowerCase()) return null;
  const end = endTagOf(tag, element);
  if (end === null) return tag.syntax !== "html" && isSelfClosed(tag) ? [first] : null;
  const start = end.start + "</".length;
  return [first, { file: tag.file, start, end: start + name.length, text: to }];
}

const phrases = new Set(["input", "label", "span"]);

export function inserted(
  tag: StartTag,
  element: ElementNode,
  where: "before" | "first" | "last",
  markup: Markup,
): Edit | null {
  const { file, text } = tag;
  const written = markupText(markup, tag);
  // A control and its words stand apart as words do.
  const inLine = phrases.has(markup.tag) ? `${written} ` : written;
  const put = (offset: number, inserted: string): Edit => ({
    file,
    start: offset,
    end: offset,
    text: inserted,
  });
  if (where === "before") {
    const indent = indentBefore(text, tag.start);
    return put(tag.start, indent === null ? inLine : `${written}${lineBreakIn(text, tag.start)}${indent}`);
  }
  if (isSelfClosed(tag) && tag.syntax !== "html") return null;
  if (where === "first") {
    // What follows on a line of its own shows how far things stand in here.
    const lead = /^[ \t]*\r?\n[ \t]*(?=[^\s])/.exec(text.slice(tag.end, tag.end + 400))?.[0] ?? "";
    return put(tag.end, lead === "" ? inLine : lead.replace(/^[ \t]+/, "") + written);
  }
  const end = endTagOf(tag, element);
  if (end === null) return null;
  const indent = indentBefore(text, end.start);
  return indent === null
    ? put(end.start, written)
    : put(end.start - indent.length, `${indent}  ${written}${lineBreakIn(text, end.start)}`);
}

function markupText({ tag: name, attributes = {}, text: words = "" }: Markup, tag: StartTag): string {
  const start = opening(name, attributes, tag);
  if (isVoid(name)) return tag.syntax === "html" ? start : start.replace(/>$/, " />");
  return `${start}${escapeWords(words, tag.syntax, null)}</${name}>`;
}

const opening = (name: string, attributes: Readonly<Record<string, string | null>>, tag: StartTag): string =>
  `<${[name, ...Object.entries(attributes).map(([key, value]) => attributeAs(tag, key, value, '"'))].join(" ")}>`;

export function wrapped(
  { first, last, around }: Change & { readonly kind: "wrap" },
  textOf: TextOf,
): readonly Edit[] | null {
  const text = first.source === null ? null : textOf(first.source.file);
  if (first.source === null || last.source === null || text === null) return null;
  const { file } = first.source;
  if (last.source.file !== file) return null;
  const start =
    first.kind === "text" ? first.source.start + spaceBefore(text, first.source) : first.source.start;
  const end = endOf(last, text);
  if (end === null || end <= start) return null;
  const place: StartTag = { file, text, syntax: syntaxOf(file), start, end: start, nameEnd: start };
  const indent = first.kind === "text" ? null : indentBefore(text, start);
  const line = indent === null ? "" : `${lineBreakIn(text, start)}${indent}`;
  return [
    {
      file,
      start,
      end: start,
      text: `${opening(around.tag, around.attributes ?? {}, place)}${line}${wordsBefore(around, place, line)}`,
    },
    { file, start: end, end, text: `${line}</${around.tag}>` },
  ];
}

const wordsBefore = ({ text }: Markup, { syntax }: StartTag, line: string): string =>
  text === undefined ? "" : `${escapeWords(text, syntax, null)}${line === "" ? " " : line}`;

/** What follows an element is written before its end tag: nothing but space may stand between the two. */
export function takenIn(tag: StartTag, element: ElementNode, next: ElementNode): readonly Edit[] | null {
  const endTag = endTagOf(tag, element);
  const { file, text } = tag;
  const end = next.source?.file === file ? endOf(next, text) : null;
  if (endTag === null || next.source === null || end === null) return null;
  if (!/^\s*$/.test(text.slice(endTag.end, next.source.start))) return null;
  return [
    { file, start: endTag.start, end: endTag.start, text: text.slice(endTag.end, end) },
    { file, start: endTag.end, end, text: "" },
  ];
}

const spaceBefore = (text: string, { start, end }: Span): number =>
  /^\s*/.exec(text.slice(start, end))?.[0].length ?? 0;

/** Where a node ends in source; null where that is not in source. */
function endOf(
  node: ElementNode | { readonly kind: "text"; readonly source: Span | null },
  text: string,
): number | null {
  if (node.source === null) return null;
  if (node.kind === "text")
    return node.source.start + text.slice(node.source.start, node.source.end).trimEnd().length;
  if (node.endTag !== null) return node.endTag.file === node.source.file ? node.endTag.end : null;
  const isWhole = isVoid(node.tag) || text.slice(node.source.end - 2, node.source.end) === "/>";
  return isWhole ? node.source.end : null;
}

export function wordsSet(tag: StartTag, element: ElementNode, words: string): Edit | null {
  const end = endTagOf(tag, element);
  return end === null
    ? null
    : { file: tag.file, start: tag.end, end: end.start, text: escapeWords(words, tag.syntax, null) };
}

/** With the line it stands on, where nothing else is there. */
export function elementRemoved(tag: StartTag, element: ElementNode): Edit | null {
  const { file, text } = tag;
  const end = endOf(element, text);
  if (end === null) return null;
  const indent = indentBefore(text, tag.start);
  const rest = /^[ \t]*\r?\n/.exec(text.slice(end, end + 200));
  return indent !== null && rest !== null
    ? { file, start: tag.start - indent.length, end: end + rest[0].length, text: "" }
    : { file, start: tag.start, end, text: "" };
}
