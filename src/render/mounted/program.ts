import { readFileSync } from "node:fs";
import { SourceMap, type SourceMapPayload } from "node:module";
import path from "node:path";
import { Script } from "node:vm";
import { asWritten } from "../../core/css/as-written.ts";
import { classScopedSheet, renamedClasses, scopedSheet } from "../../core/css/narrowed-sheet.ts";
import { parseSheet } from "../../core/css/parse-sheet.ts";
import type { Sheet } from "../../core/css/sheet.ts";
import { type LineMap, lineMap } from "../../core/document/line-map.ts";
import type { CommentNode, Span } from "../../core/document/node.ts";
import { startTagEnd } from "../../readers/composition/start-tag-end.ts";
import type { Bundle, SourceRemark } from "../protocol.ts";
import { shownPath } from "./shown-path.ts";
import { markedStyle } from "./style-mark.ts";

/** What the program is called in the stacks of errors. */
export const PROGRAM = "keel-specimens";

/** How far before a tag a comment is looked for. */
const LONGEST_REMARK = 600;

interface SourceText {
  readonly text: string;
  readonly lines: LineMap;
}

/** A bundle made ready to be run, window after window, with the way from it back to source. */
export class Program {
  readonly #bundle: Bundle;
  readonly #sheets = new Map<string, Sheet>();
  readonly #texts = new Map<string, SourceText | null>();
  readonly #spans = new Map<string, Span | null>();
  #map: SourceMap | null = null;
  #script: Script | null = null;

  constructor(bundle: Bundle) {
    this.#bundle = bundle;
  }

  /** What simulated windows run. */
  get script(): Script {
    this.#script ??= new Script(textOf(this.#bundle.code), { filename: PROGRAM });
    return this.#script;
  }

  get stylesKnown(): boolean {
    return this.#bundle.stylesKnown;
  }

  /** A stylesheet that a module brings along. */
  sheet(id: string): Sheet | null {
    const known = this.#sheets.get(id);
    if (known !== undefined) return known;
    const style = this.#bundle.styles.get(id);
    if (style === undefined) return null;
    const isOfComponent = style.scope !== null || style.suffix !== "";
    let sheet = parseSheet({ file: style.file, text: style.text, start: style.start, isOfComponent });
    if (style.suffix !== "") sheet = renamedClasses(sheet, style.suffix);
    if (style.scope !== null)
      sheet =
        style.scope.kind === "class"
          ? classScopedSheet(sheet, style.scope.name)
          : scopedSheet(sheet, style.scope.name);
    this.#sheets.set(id, sheet);
    return sheet;
  }

  /** What was made of a stylesheet that a component brings along, with the places of what was written. */
  writtenSheet(text: string): Sheet | null {
    const mark = markedStyle(text);
    const written = mark === null ? null : this.sheet(mark.key);
    if (mark === null || written === null) return null;
    // What we give a browser names its pictures by other addresses.
    const made = mark.by === "stage" ? (this.#bundle.styles.get(mark.key)?.compiled ?? null) : text;
    return made === null
      ? written
      : asWritten(parseSheet({ file: written.file, text: made, start: 0 }), written);
  }

  /** The texts of the source files that were looked at so far, by the names they are shown with. */
  *sourceTexts(): Iterable<readonly [string, string]> {
    for (const [file, source] of this.#texts) if (source !== null) yield [file, source.text];
  }

  #text(file: string): SourceText | null {
    const known = this.#texts.get(file);
    if (known !== undefined) return known;
    const full = path.resolve(this.#bundle.workingDirectory, file);
    let read: SourceText | null = null;
    try {
      const text = readFileSync(full, "utf8");
      read = { text, lines: lineMap(text) };
    } catch {
      // A name that a tool made up.
    }
    this.#texts.set(file, read);
    return read;
  }

  /** A file as it is shown: tools name some by their whole path. */
  #shownName(file: string): string {
    const { workingDirectory } = this.#bundle;
    return path.isAbsolute(file) ? shownPath(workingDirectory, file) : file;
  }

  /** The start tag that stands at a place, written `file:line:column`; null where none does. */
  tagAt(place: string): Span | null {
    const known = this.#spans.get(place);
    if (known !== undefined) return known;
    const { file: named, line, column } = partsOf(place);
    const file = this.#shownName(named);
    const source = this.#text(file);
    const start = source?.lines.offset(line, column) ?? null;
    const span =
      source === null || start === null || source.text[start] !== "<"
        ? null
        : { file, start, end: startTagEnd(source.text, start) };
    this.#spans.set(place, span);
    return span;
  }

  /** What stands at a place. */
  textOf({ file, start, end }: Span): string {
    return this.#text(file)?.text.slice(start, end) ?? "";
  }

  /** The line at a place, from there on, where no tag stands; null where there is no such place. */
  lineAt(place: string): Span | null {
    const { file, line, column } = partsOf(place);
    return this.spanAt({ file: this.#shownName(file), line, column, message: "" });
  }

  /** What stands at a place up to the end of its line; null where there is no such place. */
  spanAt({ file, line, column }: SourceRemark): Span | null {
    const source = file === null ? null : this.#text(file);
    if (source == null || file === null || line === null) return null;
    const start = source.lines.offset(line, column ?? 1);
    const end = source.lines.offset(line, 1 + (source.lines.line(line)?.length ?? 0));
    return start === null || end === null || end < start ? null : { file, start, end };
  }

  /** A comment that stands before a start tag, if it speaks to the audit. */
  remarksBefore({ file, start }: Span): readonly CommentNode[] {
    const before = this.#text(file)?.text.slice(Math.max(0, start - LONGEST_REMARK), start) ?? "";
    const match =
      /(?:\{\s*)?(?:\/\*((?:(?!\*\/)[\s\S])*)\*\/|<!--((?:(?!-->)[\s\S])*)-->)(?:\s*\})?[\s(]*$/.exec(before);
    const value = match?.[1] ?? match?.[2] ?? "";
    if (match === null || !/^\s*keel\s*:/i.test(value)) return [];
    const offset = start - before.length + match.index;
    return [
      { kind: "comment", value, source: { file, start: offset, end: offset + match[0].trimEnd().length } },
    ];
  }

  /** Where the frames of an error stand in the project's own source, the innermost first. */
  framesOf(stack: string): readonly { readonly name: string | null; readonly at: SourceRemark }[] {
    this.#map ??= new SourceMap(JSON.parse(textOf(this.#bundle.map)) as SourceMapPayload);
    const frames: { readonly name: string | null; readonly at: SourceRemark }[] = [];
    for (const [, name, line, column] of stack.matchAll(
      new RegExp(`^\\s*(?:at |in )?(?:(.*?) \\(?)?${PROGRAM}:(\\d+):(\\d+)\\)?$`, "gm"),
    )) {
      const entry = this.#map.findEntry(Number(line) - 1, Number(column) - 1);
      if (!("originalSource" in entry) || entry.originalSource === undefined) continue;
      const file = this.#shownName(entry.originalSource.replace(/^file:\/\//, ""));
      // Packages tell where they were built, elsewhere.
      if (/(?:^|\/)(?:keel(?:-jsx)?:|node_modules\/)/.test(file) || this.#text(file) === null) continue;
      frames.push({
        // A module is called by its path, a function by its name.
        name:
          name === undefined || /^$|[/\\<]/.test(name) ? null : name.replace(/^(?:new|async|Object\.) ?/, ""),
        at: { file, line: entry.originalLine + 1, column: entry.originalColumn + 1, message: "" },
      });
    }
    return frames;
  }
}

/** The parts of a place that is written `file:line:column`. */
function partsOf(place: string): { readonly file: string; readonly line: number; readonly column: number } {
  const [, file = "", line = "1", column = "1"] = /^(.*):(\d+):(\d+)$/.exec(place) ?? [];
  return { file, line: Number(line), column: Number(column) };
}

const textOf = (bytes: Uint8Array): string =>
  Buffer.from(bytes.buffer, bytes.byteOffset, bytes.byteLength).toString("utf8");
