import { STAMP } from "../../engine/stamp.ts";
import type { SourceFile } from "./source-file.ts";

/** What is used of a compiler of Angular, in whatever version the project has it. */
export interface TemplateParser {
  readonly VERSION: { readonly major: string };
  parseTemplate(text: string, file: string, options: object): { readonly nodes: readonly unknown[] | null };
}

/** The piece of a file that a template is. */
export interface TemplateSpan {
  readonly start: number;
  readonly end: number;
  /** What values of attributes are put between. */
  readonly quote: '"' | "'";
  /** Whether it stands in a literal of a script. */
  readonly isEscaped: boolean;
}

/** What of a syntax tree holds more of it: children of elements, and of blocks of every kind. */
const inner = ["children", "branches", "cases", "groups", "empty", "placeholder", "loading", "error"];

interface ParsedNode {
  readonly name?: unknown;
  readonly tagName?: unknown;
  readonly references?: unknown;
  readonly startSourceSpan?: { readonly start: { readonly offset: number } };
}

/** The text of a template with every tag stamped with its place. What does not parse stays as it is. */
export function stampedTemplate(
  parser: TemplateParser,
  { text, name }: SourceFile,
  { start, end, quote, isEscaped }: TemplateSpan,
  placeOf: (offset: number) => string,
): string {
  const range = { startPos: start, endPos: end, startLine: 0, startCol: 0 };
  const { nodes } = parser.parseTemplate(text, name, {
    preserveWhitespaces: true,
    range,
    escapedString: isEscaped,
  });
  const tags: number[] = [];
  const waiting: unknown[] = [...(nodes ?? [])];
  for (let node = waiting.pop(); node !== undefined; node = waiting.pop()) {
    if (typeof node !== "object" || node === null) continue;
    const { name: tag, tagName, references, startSourceSpan } = node as ParsedNode;
    // Templates (ng-template, structural directives) render nothing of their own.
    const isElement = typeof tag === "string" && references !== undefined && tagName === undefined;
    if (isElement && !/^ng-/.test(tag) && startSourceSpan !== undefined)
      tags.push(startSourceSpan.start.offset);
    for (const key of inner) waiting.push(...[(node as Record<string, unknown>)[key] ?? []].flat());
  }
  let out = "";
  let from = start;
  for (const tag of tags.toSorted((a, b) => a - b)) {
    const after = tag + (/^<[^\s/>]+/.exec(text.slice(tag, tag + 200))?.[0].length ?? 0);
    if (after === tag || after < from) continue;
    const place = placeOf(tag).replace(/[&"'`$\\]/g, (c) => `&#${c.charCodeAt(0)};`);
    out += `${text.slice(from, after)} ${STAMP}=${quote}${place}${quote}`;
    from = after;
  }
  return out + text.slice(from, end);
}
