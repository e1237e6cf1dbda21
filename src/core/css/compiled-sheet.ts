import type { Span } from "../document/node.ts";
import type { Declared } from "./declared.ts";
import { parseSheet } from "./parse-sheet.ts";
import type { Remark, Sheet, SheetItem, StyleRule } from "./sheet.ts";

/** A stylesheet that was made from others by a compiler: what it says, and where each part was written. */
export interface CompiledStyle {
  readonly css: string;
  /** Places of the source map, by their offsets in `css`, ascending. */
  readonly marks: readonly Mark[];
  /** The text that was compiled, then what that takes in. */
  readonly sources: readonly WrittenSource[];
  /** What it names and is not known here, so that rules are missing: a clause; null or absent for nothing. */
  readonly lacks?: string | null;
}

export interface Mark {
  readonly offset: number;
  /** Which of the sources, and where in its text; -1 for what a compiler wrote by itself. */
  readonly source: number;
  readonly written: number;
}

/** A text that styles are compiled from. */
export interface WrittenSource {
  readonly file: string;
  readonly text: string;
  /** Where the text begins in its file. */
  readonly start: number;
  /** Whether blocks are marked by indentation alone. */
  readonly isIndented: boolean;
  /** Whether it belongs to a package: nobody changes it. */
  readonly isForeign: boolean;
}

interface Place {
  readonly source: WrittenSource;
  readonly offset: number;
}

/**
 * A compiled stylesheet as parsed, with every span where its author wrote it. A value counts as replaceable only where
 * the very same text stands in a source: itself, or what a variable of the style language is set to.
 */
export function compiledSheet(style: CompiledStyle, file: string, isOfComponent = false): Sheet {
  const sheet = parseSheet({ file, text: style.css, start: 0, isOfComponent });
  const places = new Places(style);
  return {
    file,
    items: sheet.items.map((item) => itemAsWritten(item, places)),
    remarks: sheet.remarks.map((remark) => remarkAsWritten(remark, places)),
  };
}

function itemAsWritten(item: SheetItem, places: Places): SheetItem {
  if (item.kind === "rule") return { ...item, rule: ruleAsWritten(item.rule, places) };
  if (item.kind === "keyframes")
    return {
      ...item,
      frames: item.frames.map((frame) => ({
        ...frame,
        declarations: declaredAsWritten(frame.declarations, places),
      })),
    };
  return item;
}

const ruleAsWritten = (rule: StyleRule, places: Places): StyleRule => ({
  ...rule,
  normal: declaredAsWritten(rule.normal, places),
  important: rule.important === null ? null : declaredAsWritten(rule.important, places),
  source: places.statementAt(rule.source.start),
});

const declaredAsWritten = (
  block: ReadonlyMap<string, Declared>,
  places: Places,
): ReadonlyMap<string, Declared> =>
  new Map([...block].map(([name, declared]) => [name, places.declared(declared)] as const));

const remarkAsWritten = (remark: Remark, places: Places): Remark => ({
  ...remark,
  source: places.wordsBefore(remark.text, remark.covers.start),
  covers: places.statementAt(remark.covers.start),
});

/** Finds for places of a compiled text where they were written. */
class Places {
  readonly #style: CompiledStyle;
  /** Places that were looked for in all sources; null for one that is not there, or not once. */
  readonly #once = new Map<string, Place | null>();

  constructor(style: CompiledStyle) {
    this.#style = style;
  }

  /** The last mark at or before an offset. */
  #markAt(offset: number): Mark | null {
    const { marks } = this.#style;
    let low = 0;
    let high = marks.length;
    while (low < high) {
      const middle = (low + high) >> 1;
      if ((marks[middle] as Mark).offset <= offset) low = middle + 1;
      else high = middle;
    }
    return marks[low - 1] ?? marks[0] ?? null;
  }

  #placeAt(offset: number): Place | null {
    const mark = this.#markAt(offset);
    const source = mark === null ? undefined : this.#style.sources[mark.source];
    if (mark === null || source === undefined) return null;
    // Compilers mark each beginning; what is taken over whole is marked once.
    const run = this.#style.css.slice(mark.offset, offset);
    return { source, offset: mark.written + (source.text.startsWith(run, mark.written) ? run.length : 0) };
  }

  /** The statement or rule that an offset comes from, as a whole. */
  statementAt(offset: number): Span {
    const place = this.#placeAt(offset);
    return place === null ? this.#nowhere() : spanAt(place, statementEnd(place.source, place.offset));
  }

  /** The nearest place of words before what an offset comes from: compilers keep no places of comments. */
  wordsBefore(words: string, offset: number): Span {
    const place = this.#placeAt(offset);
    const index = place === null ? -1 : place.source.text.lastIndexOf(words, place.offset);
    return place === null || index < 0
      ? this.#nowhere()
      : spanAt({ ...place, offset: index }, index + words.length);
  }

  declared(declared: Declared): Declared {
    const place = this.#placeAt(declared.source.start);
    if (place === null) {
      const nowhere = this.#nowhere();
      return { ...declared, source: nowhere, valueSource: nowhere, replaceable: false, isMade: true };
    }
    const end = statementEnd(place.source, place.offset);
    const source = spanAt(place, end);
    const value = this.#valuePlace(declared, place, end);
    if (value === null || value.source.isForeign || !declared.replaceable)
      return { ...declared, source, valueSource: source, replaceable: false };
    const isOutside = value.source !== place.source || value.offset < place.offset || value.offset >= end;
    return {
      ...declared,
      source,
      valueSource: spanAt(value, value.offset + declared.text.length),
      variable: isOutside && !isSetAs(value, this.#headOf(declared)) ? variableBefore(value) : null,
    };
  }

  /** Where the very text of a value stands in a source. */
  #valuePlace(declared: Declared, statement: Place, end: number): Place | null {
    const { text, valueSource } = declared;
    const mark = this.#markAt(valueSource.start);
    const source = mark === null ? undefined : this.#style.sources[mark.source];
    if (mark !== null && source !== undefined) {
      const offset = mark.written + (valueSource.start - mark.offset);
      const before = this.#style.css.slice(mark.offset, valueSource.start);
      if (source.text.startsWith(before + text, mark.written)) return { source, offset };
    }
    const written = statement.source.text.slice(statement.offset, end);
    const colon = written.indexOf(":") + 1;
    const index = colon === 0 ? -1 : written.indexOf(text, colon);
    if (index >= 0 && written.indexOf(text, index + 1) < 0)
      return { source: statement.source, offset: statement.offset + index };
    const variables = written.slice(colon).match(/[$@][\w-]+/g) ?? [];
    for (const name of new Set(variables)) {
      const definition = this.#onlyDefinition(name);
      if (definition?.source.text.startsWith(text, definition.offset) === true) return definition;
    }
    // Such as out of a map of colours.
    return /^#[0-9a-f]{3,8}$/i.test(text) ? this.#onlyPlace(text, this.#headOf(declared)) : null;
  }

  /** What stands before the value of a declaration in the compiled text: its name and a colon. */
  #headOf({ source, valueSource }: Declared): string {
    return this.#style.css.slice(source.start, valueSource.start).trimEnd();
  }

  /**
   * Where a text stands that stands once in all sources: as a string of a script, as an entry of a map, or in the same
   * declaration elsewhere, out of which it was taken over.
   */
  #onlyPlace(text: string, head: string): Place | null {
    const only = this.#onlyMatch(`(?=${text}(?![\\w-]))`);
    if (only === null) return null;
    const { source, offset } = only;
    const isString = /["'`]$/.test(source.text.slice(0, offset));
    const isEntry = variableBefore(only) !== null && /^\s*[,)]/.test(source.text.slice(offset + text.length));
    return isString || isEntry || isSetAs(only, head) ? only : null;
  }

  /** Where the value of a variable stands that is set once in all sources. */
  #onlyDefinition(name: string): Place | null {
    return this.#onlyMatch(`(?<![\\w-])${name.replace("$", "\\$")}\\s*:\\s*`);
  }

  /** Where the only match of a pattern in all sources ends. */
  #onlyMatch(pattern: string): Place | null {
    const known = this.#once.get(pattern);
    if (known !== undefined) return known;
    const found = this.#style.sources.flatMap((source) =>
      [...source.text.matchAll(new RegExp(pattern, "g"))].map((match) => ({
        source,
        offset: match.index + match[0].length,
      })),
    );
    const only = found.length === 1 ? (found[0] ?? null) : null;
    this.#once.set(pattern, only);
    return only;
  }

  /** For what a compiler wrote by itself: the beginning of the file. */
  #nowhere(): Span {
    const [source] = this.#style.sources;
    return { file: source?.file ?? "", start: source?.start ?? 0, end: source?.start ?? 0 };
  }
}

const spanAt = ({ source, offset }: Place, end: number): Span => ({
  file: source.file,
  start: source.start + offset,
  end: source.start + end,
});

/** Whether what stands at a place is the value of a declaration of the same name. */
function isSetAs({ source, offset }: Place, head: string): boolean {
  const before = source.text.slice(Math.max(0, offset - 120), offset).trimEnd();
  return before.endsWith(head) && !/[\w$@-]$/.test(before.slice(0, -head.length));
}

/** The variable, entry of a map or name of a script that is set to what stands at a place. */
function variableBefore({ source, offset }: Place): string | null {
  const before = source.text.slice(Math.max(0, offset - 120), offset);
  return /([$@]?[\w-]+)\s*[:=]\s*["'`]?$/.exec(before)?.[1] ?? null;
}

/** Where the statement or block ends that begins at an offset: its semicolon is not part of it, its block is. */
function statementEnd({ text, isIndented }: WrittenSource, from: number): number {
  if (isIndented) {
    const end = text.indexOf("\n", from);
    return end < 0 ? text.length : end;
  }
  const token =
    /\/\*[\s\S]*?\*\/|\/\/[^\n]*|"(?:\\.|[^"\\\n])*"|'(?:\\.|[^'\\\n])*'|url\([^)]*\)|[#@$]\{|[{};]/g;
  token.lastIndex = from;
  // A comment that stands here is the statement itself.
  const first = token.exec(text);
  if (first !== null && first.index === from && first[0].startsWith("/")) return from + first[0].length;
  const open: string[] = [];
  for (let match = first; match !== null; match = token.exec(text)) {
    const [found] = match;
    if (found.endsWith("{")) open.push(found);
    else if (found === "}") {
      const opened = open.pop();
      if (opened === undefined) return trimmedEnd(text, from, match.index);
      if (opened === "{" && open.length === 0) return match.index + 1;
    } else if (found === ";" && open.length === 0) return trimmedEnd(text, from, match.index);
  }
  return trimmedEnd(text, from, text.length);
}

const trimmedEnd = (text: string, from: number, end: number): number =>
  from + text.slice(from, end).trimEnd().length;
