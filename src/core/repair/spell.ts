import type { ElementNode, Span } from "../document/node.ts";
import { writtenTag } from "../document/node.ts";
import { isVoid } from "../document/void-elements.ts";
import type { Change, Markup } from "./change.ts";
import type { Edit } from "./edit.ts";
import { BLANK } from "./repair.ts";
import { escapeWords, type Syntax, syntaxOf, writtenName, writtenValue } from "./syntax.ts";

/** The text of a file; null for one that was not read. */
export type TextOf = (file: string) => string | null;

/**
 * Changes as edits of the source, in the style of the text around each. Null where one of them cannot be written: the
 * place is not in source, or what stands there is worked out by a program.
 */
export function spelled(changes: readonly Change[], textOf: TextOf): readonly Edit[] | null {
  const edits: Edit[] = [];
  for (const change of changes) {
    const made = spelledOne(change, textOf);
    if (made === null) return null;
    edits.push(...made);
  }
  return edits;
}

/** Edits with the words of a person where `BLANK` stands. */
export const filledIn = (edits: readonly Edit[], words: string): readonly Edit[] =>
  edits.map((edit) => {
    const at = edit.text.indexOf(BLANK);
    if (at < 0) return edit;
    const before = edit.text[at - 1];
    const quote = before === '"' || before === "'" ? before : null;
    return {
      ...edit,
      text: edit.text.replaceAll(BLANK, () => escapeWords(words, syntaxOf(edit.file), quote)),
    };
  });

function spelledOne(change: Change, textOf: TextOf): readonly Edit[] | null {
  if (change.kind === "replace text") {
    const { file, start, end } = change.source;
    return textOf(file) === null ? null : [{ file, start, end, text: change.text }];
  }
  if (change.kind === "remove declaration") return one(declarationRemoved(change.source, textOf));
  if (change.kind === "wrap") return wrapped(change, textOf);
  const tag = startTag(change.element, textOf);
  if (tag === null) return null;
  switch (change.kind) {
    case "set attribute":
      return one(attributeSet(tag, change.element, change.name, change.value));
    case "remove attribute":
      return one(attributeRemoved(tag, change.element, change.name));
    case "rename attribute":
      return one(attributeRenamed(tag, change.element, change.name, change.to));
    case "copy attribute":
      return one(attributeCopied(tag, change.element, change.name, change.to));
    case "rename element":
      return elementRenamed(tag, change.element, change.to);
    case "insert":
      return one(inserted(tag, change.element, change.where, change.markup));
    case "set words":
      return one(wordsSet(tag, change.element, change.text));
    case "remove element":
      return one(elementRemoved(tag, change.element));
    case "add declarations":
      return one(declarationsAdded(tag, change.element, change.declarations));
  }
}

const one = (edit: Edit | null): readonly Edit[] | null => (edit === null ? null : [edit]);

/** A start tag with the text it stands in. */
interface StartTag {
  readonly file: string;
  readonly text: string;
  readonly syntax: Syntax;
  readonly start: number;
  readonly end: number;
  /** Where the name ends. */
  readonly nameEnd: number;
}

function startTag({ source }: ElementNode, textOf: TextOf): StartTag | null {
  const text = source === null ? null : textOf(source.file);
  if (source === null || text === null) return null;
  const name = /^<[A-Za-z][^\s/><]*(?=[\s/>])/.exec(text.slice(source.start, source.end));
  if (name === null) return null;
  return {
    file: source.file,
    text,
    syntax: syntaxOf(source.file),
    start: source.start,
    end: source.end,
    nameEnd: source.start + name[0].length,
  };
}

/** An attribute as it stands in the start tag. */
interface WrittenAttribute {
  readonly start: number;
  readonly end: number;
  readonly name: string;
  /** With its quotes; null where there is only a name. */
  readonly value: string | null;
}

/** An attribute that is written in this start tag; null for one that comes from elsewhere. */
function writtenIn(tag: StartTag, element: ElementNode, name: string): WrittenAttribute | null {
  const source: Span | null = element.attributes.get(name)?.source ?? null;
  if (source === null || source.file !== tag.file || source.start < tag.nameEnd || source.end > tag.end)
    return null;
  const match = /^([^\s=]+)(?:\s*=\s*([\s\S]+))?$/.exec(tag.text.slice(source.start, source.end));
  return match === null
    ? null
    : { start: source.start, end: source.end, name: match[1] ?? "", value: match[2] ?? null };
}

/** Whether a value stands there as it is, and no expression makes it. */
function isConstant({ name, value }: WrittenAttribute, syntax: Syntax): boolean {
  if (!/^[A-Za-z][\w:-]*$/.test(name)) return false;
  if (syntax === "template" && /^(?:v-|bind:|on:)/.test(name)) return false;
  if (value === null || syntax === "html") return true;
  return (
    /^\{\s*(?:"[^"\\]*"|'[^'\\]*'|`[^`$\\]*`|-?[\d.]+|true|false)\s*\}$/.test(value) ||
    (!value.startsWith("{") && !(syntax === "template" && /[{}]/.test(value)))
  );
}

function attributeSet(tag: StartTag, element: ElementNode, name: string, value: string | null): Edit | null {
  const { file, text, syntax } = tag;
  const known = element.attributes.get(name);
  const written = writtenIn(tag, element, name);
  if (known !== undefined && (written === null || !isConstant(written, syntax))) return null;
  const quote = quoteIn(tag);
  if (written !== null) {
    if (written.value === null || value === null)
      return { file, start: written.start, end: written.end, text: attribute(tag, name, value, quote) };
    const own = written.value[0] === "'" ? "'" : written.value[0] === '"' ? '"' : quote;
    return {
      file,
      start: written.end - written.value.length,
      end: written.end,
      text: writtenValue(name, value, syntax, own),
    };
  }
  const at = attributePlace(tag, element);
  const space = /^\s+/.exec(text.slice(at.after, tag.end))?.[0] ?? " ";
  return {
    file,
    start: at.place,
    end: at.place,
    text: `${space.trim() === "" ? space : " "}${attribute(tag, name, value, quote)}`,
  };
}

const attribute = ({ syntax, text }: StartTag, name: string, value: string | null, quote: '"' | "'") => {
  const own = writtenName(name, syntax, text);
  return value === null ? own : `${own}=${writtenValue(name, value, syntax, quote)}`;
};

/** The quotes that the start tag uses, else those of the file. */
function quoteIn({ text, start, end }: StartTag): '"' | "'" {
  const own = /=\s*(["'])/.exec(text.slice(start, end))?.[1];
  if (own !== undefined) return own as '"' | "'";
  const double = text.match(/=\s*"/g)?.length ?? 0;
  return (text.match(/=\s*'/g)?.length ?? 0) > double ? "'" : '"';
}

/**
 * Where a further attribute goes: after the last one, where nothing else follows it, else after the name; and after what
 * the white space stands that sets attributes apart here.
 */
function attributePlace(
  { file, text, nameEnd, end }: StartTag,
  element: ElementNode,
): { readonly place: number; readonly after: number } {
  const spans = [...element.attributes.values()]
    .flatMap(({ source }) =>
      source !== null && source.file === file && source.start >= nameEnd && source.end <= end ? [source] : [],
    )
    .sort((a, b) => a.start - b.start);
  const last = spans.at(-1);
  if (last === undefined || !/^\s*\/?>$/.test(text.slice(last.end, end)))
    return { place: nameEnd, after: nameEnd };
  const before = /\s+$/.exec(text.slice(nameEnd, last.start));
  return { place: last.end, after: last.start - (before?.[0].length ?? 0) };
}

function attributeRemoved(tag: StartTag, element: ElementNode, name: string): Edit | null {
  const written = writtenIn(tag, element, name);
  if (written === null) return null;
  const space = /\s*$/.exec(tag.text.slice(tag.nameEnd, written.start))?.[0].length ?? 0;
  return { file: tag.file, start: written.start - space, end: written.end, text: "" };
}

function attributeRenamed(tag: StartTag, element: ElementNode, name: string, to: string): Edit | null {
  const written = writtenIn(tag, element, name);
  const at = written?.name.toLowerCase().indexOf(name) ?? -1;
  if (written === null || at < 0) return null;
  const start = written.start + at;
  const own = written.name === name ? writtenName(to, tag.syntax, tag.text) : to;
  return { file: tag.file, start, end: start + name.length, text: own };
}

/** Beside the attribute whose expression it has. */
function attributeCopied(tag: StartTag, element: ElementNode, name: string, to: string): Edit | null {
  const written = writtenIn(tag, element, name);
  if (written === null || isConstant(written, tag.syntax) || element.attributes.has(to)) return null;
  const text = tag.text.slice(written.start, written.end);
  return text.includes(name)
    ? { file: tag.file, start: written.end, end: written.end, text: ` ${text.replace(name, to)}` }
    : null;
}

/** The end tag of an element, where it has one in the same file. */
function endTagOf(tag: StartTag, { endTag }: ElementNode): Span | null {
  const written = endTag === null ? "" : tag.text.slice(endTag.start, endTag.end);
  return endTag !== null && endTag.file === tag.file && written.startsWith("</") ? endTag : null;
}

const isSelfClosed = ({ text, end }: StartTag): boolean => text.slice(end - 2, end) === "/>";

function elementRenamed(tag: StartTag, element: ElementNode, to: string): readonly Edit[] | null {
  const name = writtenTag(element);
  const first = { file: tag.file, start: tag.start + 1, end: tag.nameEnd, text: to };
  if (tag.text.slice(first.start, first.end).toLowerCase() !== name.toLowerCase()) return null;
  const end = endTagOf(tag, element);
  if (end === null) return tag.syntax !== "html" && isSelfClosed(tag) ? [first] : null;
  const start = end.start + "</".length;
  return [first, { file: tag.file, start, end: start + name.length, text: to }];
}

const lineBreakIn = (text: string, near: number): string => {
  const at = text.lastIndexOf("\n", near);
  const found = at >= 0 ? at : text.indexOf("\n", near);
  return found > 0 && text[found - 1] === "\r" ? "\r\n" : "\n";
};

/** The white space that a line begins with, where nothing else stands before an offset; null where something does. */
const indentBefore = (text: string, at: number): string | null =>
  /(?:^|\n)([ \t]*)$/.exec(text.slice(Math.max(0, at - 200), at))?.[1] ?? null;

function inserted(
  tag: StartTag,
  element: ElementNode,
  where: "before" | "first" | "last" | "after",
  markup: Markup,
): Edit | null {
  const { file, text } = tag;
  const written = markupText(markup, tag);
  const put = (at: number, made: string): Edit => ({ file, start: at, end: at, text: made });
  if (where === "before") {
    const indent = indentBefore(text, tag.start);
    return put(tag.start, indent === null ? written : `${written}${lineBreakIn(text, tag.start)}${indent}`);
  }
  const end = endTagOf(tag, element);
  const isWhole = end !== null || (isVoid(element.tag) && element.namespace === "html") || isSelfClosed(tag);
  if (where === "after") {
    if (!isWhole) return null;
    const at = end?.end ?? tag.end;
    const indent = indentBefore(text, tag.start);
    return put(at, indent === null ? written : `${lineBreakIn(text, tag.start)}${indent}${written}`);
  }
  if (isSelfClosed(tag) && tag.syntax !== "html") return null;
  if (where === "first") {
    // What follows on a line of its own shows how far things stand in here.
    const lead = /^[ \t]*\r?\n[ \t]*(?=[^\s])/.exec(text.slice(tag.end, tag.end + 400))?.[0] ?? "";
    return put(tag.end, lead.replace(/^[ \t]+/, "") + written);
  }
  if (end === null) return null;
  const indent = indentBefore(text, end.start);
  return indent === null
    ? put(end.start, written)
    : put(end.start - indent.length, `${indent}  ${written}${lineBreakIn(text, end.start)}`);
}

function markupText({ tag: name, attributes = {}, text: words }: Markup, tag: StartTag): string {
  return `${opening(name, attributes, tag)}${words === undefined ? "" : escapeWords(words, tag.syntax, null)}</${name}>`;
}

const opening = (name: string, attributes: Readonly<Record<string, string | null>>, tag: StartTag): string =>
  `<${[name, ...Object.entries(attributes).map(([key, value]) => attribute(tag, key, value, '"'))].join(" ")}>`;

function wrapped(
  { first, last, around, lead }: Change & { readonly kind: "wrap" },
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
  const inside = lead === null ? "" : `${markupText(lead, place)}${line}`;
  return [
    {
      file,
      start,
      end: start,
      text: `${opening(around.tag, around.attributes ?? {}, place)}${line}${inside}`,
    },
    { file, start: end, end, text: `${line}</${around.tag}>` },
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

function wordsSet(tag: StartTag, element: ElementNode, words: string): Edit | null {
  const end = endTagOf(tag, element);
  return end === null
    ? null
    : { file: tag.file, start: tag.end, end: end.start, text: escapeWords(words, tag.syntax, null) };
}

/** With the line it stands on, where nothing else is there. */
function elementRemoved(tag: StartTag, element: ElementNode): Edit | null {
  const { file, text } = tag;
  const end = endOf(element, text);
  if (end === null) return null;
  const indent = indentBefore(text, tag.start);
  const rest = /^[ \t]*\r?\n/.exec(text.slice(end, end + 200));
  return indent !== null && rest !== null
    ? { file, start: tag.start - indent.length, end: end + rest[0].length, text: "" }
    : { file, start: tag.start, end, text: "" };
}

/** With the semicolon after it, and the line it stands on where nothing else is there. */
function declarationRemoved({ file, start, end }: Span, textOf: TextOf): Edit | null {
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

function declarationsAdded(
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
