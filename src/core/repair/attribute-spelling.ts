import type { ElementNode } from "../document/node.ts";
import type { Edit } from "./edit.ts";
import { isConstant, type StartTag, writtenIn } from "./start-tag.ts";
import { writtenName, writtenValue } from "./syntax.ts";

export function attributeSet(
  tag: StartTag,
  element: ElementNode,
  name: string,
  value: string | null,
): Edit | null {
  const { file, text, syntax } = tag;
  const known = element.attributes.get(name);
  const written = writtenIn(tag, element, name);
  if (known !== undefined && (written === null || !isConstant(written, syntax))) return null;
  const quote = quoteIn(tag);
  if (written !== null) {
    if (written.value === null || value === null)
      return { file, start: written.start, end: written.end, text: attributeAs(tag, name, value, quote) };
    const ownQuote = written.value[0] === "'" ? "'" : written.value[0] === '"' ? '"' : quote;
    return {
      file,
      start: written.end - written.value.length,
      end: written.end,
      text: writtenValue(name, value, syntax, ownQuote),
    };
  }
  const place = attributePlace(tag, element);
  const space = /^\s+/.exec(text.slice(place.after, tag.end))?.[0] ?? " ";
  return {
    file,
    start: place.place,
    end: place.place,
    text: `${space}${attributeAs(tag, name, value, quote)}`,
  };
}

/** An attribute as a start tag has it. */
export const attributeAs = (
  { syntax, text }: StartTag,
  name: string,
  value: string | null,
  quote: '"' | "'",
) => {
  const writtenAs = writtenName(name, syntax, text);
  return value === null ? writtenAs : `${writtenAs}=${writtenValue(name, value, syntax, quote)}`;
};

/** The quotes that the start tag uses, else those of the file. */
function quoteIn({ text, start, end }: StartTag): '"' | "'" {
  const ownQuote = /=\s*(["'])/.exec(text.slice(start, end))?.[1];
  if (ownQuote !== undefined) return ownQuote as '"' | "'";
  const double = text.match(/=\s*"/g)?.length ?? 0;
  return (text.match(/=\s*'/g)?.length ?? 0) > double ? "'" : '"';
}

/**
 * Where a further attribute goes: after the last one, where nothing else follows it, else after the name; and after what
 * the white space stands that sets attributes apart here.
 */
export function attributePlace(
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

export function attributeRemoved(tag: StartTag, element: ElementNode, name: string): Edit | null {
  const written = writtenIn(tag, element, name);
  if (written === null) return null;
  const space = /\s*$/.exec(tag.text.slice(tag.nameEnd, written.start))?.[0].length ?? 0;
  return { file: tag.file, start: written.start - space, end: written.end, text: "" };
}

export function attributeRenamed(tag: StartTag, element: ElementNode, name: string, to: string): Edit | null {
  const written = writtenIn(tag, element, name);
  const index = written?.name.toLowerCase().indexOf(name) ?? -1;
  if (written === null || index < 0) return null;
  const start = written.start + index;
  const writtenAs = written.name === name ? writtenName(to, tag.syntax, tag.text) : to;
  return { file: tag.file, start, end: start + name.length, text: writtenAs };
}

/** Beside the attribute whose expression it has. */
export function attributeCopied(tag: StartTag, element: ElementNode, name: string, to: string): Edit | null {
  const written = writtenIn(tag, element, name);
  if (written === null || isConstant(written, tag.syntax) || element.attributes.has(to)) return null;
  const text = tag.text.slice(written.start, written.end);
  return text.includes(name)
    ? { file: tag.file, start: written.end, end: written.end, text: ` ${text.replace(name, to)}` }
    : null;
}

/** Where the name of a class stands once in the start tag, else once in the whole file: a program may choose it. */
export function classRenamed({ file, text, start, end }: StartTag, name: string, to: string): Edit | null {
  for (const [from, until] of [
    [start, end],
    [0, text.length],
  ] as const) {
    const places = placesOfWord(text.slice(from, until), name);
    const [place] = places;
    if (place !== undefined && places.length === 1)
      return { file, start: from + place, end: from + place + name.length, text: to };
  }
  return null;
}

/** Offsets at which a word stands by itself among others, between quotes or white space. */
function placesOfWord(text: string, word: string): readonly number[] {
  const places: number[] = [];
  for (let i = text.indexOf(word); i >= 0; i = text.indexOf(word, i + 1))
    if (/["'`\s]/.test(text[i - 1] ?? "") && /["'`\s]/.test(text[i + word.length] ?? "")) places.push(i);
  return places;
}
