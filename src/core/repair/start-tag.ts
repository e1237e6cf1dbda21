import type { ElementNode, Span } from "../document/node.ts";
import { type Syntax, syntaxOf } from "./syntax.ts";

/** The text of a file; null for one that was not read. */
export type TextOf = (file: string) => string | null;

/** A start tag with the text it stands in. */
export interface StartTag {
  readonly file: string;
  readonly text: string;
  readonly syntax: Syntax;
  readonly start: number;
  readonly end: number;
  /** Where the name ends. */
  readonly nameEnd: number;
}

export function startTag({ source, components }: ElementNode, textOf: TextOf): StartTag | null {
  const text = source === null ? null : textOf(source.file);
  if (source === null || text === null) return null;
  const name = /^<[A-Za-z][^\s/><]*(?=[\s/>])/.exec(text.slice(source.start, source.end));
  if (name === null) return null;
  return {
    file: source.file,
    text,
    // Whatever its file is called, what a component renders stands in a template.
    syntax: components.length > 0 && syntaxOf(source.file) === "html" ? "template" : syntaxOf(source.file),
    start: source.start,
    end: source.end,
    nameEnd: source.start + name[0].length,
  };
}

/** An attribute as it stands in the start tag. */
export interface WrittenAttribute {
  readonly start: number;
  readonly end: number;
  readonly name: string;
  /** With its quotes; null where there is only a name. */
  readonly value: string | null;
}

/** An attribute that is written in this start tag; null for one that comes from elsewhere. */
export function writtenIn(tag: StartTag, element: ElementNode, name: string): WrittenAttribute | null {
  const source: Span | null = element.attributes.get(name)?.source ?? null;
  if (source === null || source.file !== tag.file || source.start < tag.nameEnd || source.end > tag.end)
    return null;
  const match = /^([^\s=]+)(?:\s*=\s*([\s\S]+))?$/.exec(tag.text.slice(source.start, source.end));
  return match === null
    ? null
    : { start: source.start, end: source.end, name: match[1] ?? "", value: match[2] ?? null };
}

/** Whether a value stands there as it is, and no expression makes it. */
export function isConstant({ name, value }: WrittenAttribute, syntax: Syntax): boolean {
  if (!/^[A-Za-z][\w:-]*$/.test(name)) return false;
  if (syntax === "template" && /^(?:v-|bind:|on:)/.test(name)) return false;
  if (value === null || syntax === "html") return true;
  return (
    /^\{\s*(?:"[^"\\]*"|'[^'\\]*'|`[^`$\\]*`|-?[\d.]+|true|false)\s*\}$/.test(value) ||
    (!value.startsWith("{") && !(syntax === "template" && /[{}]/.test(value)))
  );
}
