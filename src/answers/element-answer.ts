import type { DocumentIndex } from "../core/document/document-index.ts";
import { elementPath } from "../core/document/element-path.ts";
import { type LineMap, lineMap } from "../core/document/line-map.ts";
import type { ElementNode, Span } from "../core/document/node.ts";
import { shortened } from "../core/document/shortened.ts";
import { writtenText } from "../core/document/written.ts";
import type { Semantics } from "../core/semantics/semantics.ts";

/** An element as other programs are told of it. */
export interface ElementAnswer {
  readonly path: string;
  readonly tag: string;
  readonly role: string;
  readonly name: string;
  readonly snippet: string;
}

/** A place in source: 1-based, columns in UTF-16 units, the end after the last character. */
export interface SourceAnswer {
  readonly file: string;
  readonly line: number;
  readonly column: number;
  readonly endLine: number;
  readonly endColumn: number;
}

export const LONGEST_SNIPPET = 160;

/** The texts of files with their lines, found out when asked. */
export class SourceTexts {
  readonly #texts = new Map<string, string>();
  readonly #maps = new Map<string, LineMap>();

  /** Those of a unit and what it was found to come from besides. */
  static of(...all: readonly ReadonlyMap<string, string>[]): SourceTexts {
    const texts = new SourceTexts();
    for (const one of all) texts.add(one);
    return texts;
  }

  add(texts: ReadonlyMap<string, string>): void {
    for (const [file, text] of texts) this.#texts.set(file, text);
  }

  text(file: string): string | null {
    return this.#texts.get(file) ?? null;
  }

  lines(file: string): LineMap | null {
    const known = this.#maps.get(file);
    if (known !== undefined) return known;
    const text = this.#texts.get(file);
    if (text === undefined) return null;
    const map = lineMap(text);
    this.#maps.set(file, map);
    return map;
  }

  place(span: Span | null): SourceAnswer | null {
    const lines = span === null ? null : this.lines(span.file);
    if (span === null || lines === null) return null;
    const start = lines.position(span.start);
    const end = lines.position(span.end);
    return {
      file: span.file,
      line: start.line,
      column: start.column,
      endLine: end.line,
      endColumn: end.column,
    };
  }

  /** The start tag as written, cut; made up for an element that the parser implied or a script made. */
  snippet(element: ElementNode): string {
    const text = element.source === null ? null : this.text(element.source.file);
    const written =
      text === null || element.source === null
        ? tagOf(element)
        : text.slice(element.source.start, element.source.end);
    return shortened(written, LONGEST_SNIPPET);
  }
}

/** A start tag as it would be written. HTML §13.3, "escaping a string". */
const tagOf = ({ tag, attributes }: ElementNode): string => {
  // What a script listens for is not written on it.
  const written = [...attributes.values()].filter(({ name }) => !name.startsWith("on"));
  const parts = written.map(({ name, value }) => {
    const text = writtenText(value);
    return text === "" ? name : `${name}="${text.replaceAll("&", "&amp;").replaceAll('"', "&quot;")}"`;
  });
  return `<${[tag, ...parts].join(" ")}>`;
};

export function elementAnswer(
  index: DocumentIndex,
  semantics: Semantics,
  element: ElementNode,
  texts: SourceTexts,
): ElementAnswer {
  return {
    path: elementPath(index, element),
    tag: element.tag,
    role: semantics.role(element).role ?? "generic",
    name: semantics.name(element).text,
    snippet: texts.snippet(element),
  };
}
