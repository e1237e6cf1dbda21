import { eachMapping, type SourceMapInput, TraceMap } from "@jridgewell/trace-mapping";
import type { Mark, WrittenSource } from "../../core/css/compiled-sheet.ts";
import { type LineMap, lineMap } from "../../core/document/line-map.ts";

/** A place of a text, as source maps count: lines from 1, columns from 0. */
export interface MappedPlace {
  readonly line: number;
  readonly column: number;
}

/** Where a stretch of a compiled text comes from; `from` is null for what a compiler wrote by itself. */
export interface Mapping {
  readonly at: MappedPlace;
  readonly from: (MappedPlace & { readonly source: string }) | null;
}

export interface Marks {
  readonly marks: readonly Mark[];
  readonly sources: readonly WrittenSource[];
}

/**
 * Mappings with lines and columns made into offsets.
 * @param entry the text that was compiled, which is the first source
 * @param sourceOf the written text that a mapping calls by a name; null for one that is none of ours
 */
export function marksOf(
  css: string,
  mappings: Iterable<Mapping>,
  entry: WrittenSource,
  sourceOf: (name: string) => WrittenSource | null,
): Marks {
  const sources: WrittenSource[] = [entry];
  const lines: LineMap[] = [lineMap(entry.text)];
  const indexes = new Map<string, number>();
  const indexOf = (name: string): number => {
    const known = indexes.get(name);
    if (known !== undefined) return known;
    const found = sourceOf(name);
    const index = found === null ? -1 : found === entry ? 0 : sources.push(found) - 1;
    if (index > 0 && found !== null) lines.push(lineMap(found.text));
    indexes.set(name, index);
    return index;
  };
  const generated = lineMap(css);
  const marks = [...mappings].map(({ at, from }): Mark => {
    const source = from === null ? -1 : indexOf(from.source);
    return {
      offset: generated.offset(at.line, at.column + 1) ?? 0,
      source,
      written: from === null ? 0 : (lines[source]?.offset(from.line, from.column + 1) ?? 0),
    };
  });
  return { marks: marks.sort((a, b) => a.offset - b.offset), sources };
}

/** What a source map says, as compilers write one. Source Map v3. */
export function mappingsIn(map: unknown): readonly Mapping[] {
  const mappings: Mapping[] = [];
  eachMapping(new TraceMap(map as SourceMapInput), (one) => {
    if (one.source !== null)
      mappings.push({
        at: { line: one.generatedLine, column: one.generatedColumn },
        from: { source: one.source, line: one.originalLine, column: one.originalColumn },
      });
  });
  return mappings;
}
