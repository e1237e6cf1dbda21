import { type ElementNode, writtenTag } from "../document/node.ts";
import type { Edit } from "./edit.ts";

const escapeValue = (value: string): string => value.replace(/&/g, "&amp;").replace(/"/g, "&quot;");

/** Sets an attribute: replaces it where it stands, else adds it after the tag name. Null where no source is known. */
export function setAttribute(element: ElementNode, name: string, value: string): Edit | null {
  const written = `${name}="${escapeValue(value)}"`;
  const { source } = element;
  if (source === null) return null;
  const attribute = element.attributes.get(name);
  if (attribute !== undefined)
    return attribute.source === null ? null : { ...attribute.source, text: written };
  const at = source.start + 1 + writtenTag(element).length;
  return { file: source.file, start: at, end: at, text: ` ${written}` };
}

/** Takes an attribute away, with the white space before it. Null where no source is known. */
export function removeAttribute(element: ElementNode, name: string): Edit | null {
  const source = element.attributes.get(name)?.source ?? null;
  return source === null ? null : { file: source.file, start: source.start - 1, end: source.end, text: "" };
}

/** Gives an attribute another name and keeps its value as written. Null where no source is known. */
export function renameAttribute(element: ElementNode, from: string, to: string): Edit | null {
  const source = element.attributes.get(from)?.source ?? null;
  return source === null
    ? null
    : { file: source.file, start: source.start, end: source.start + from.length, text: to };
}
