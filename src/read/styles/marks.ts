import { eachMapping, type SourceMapInput, TraceMap } from "@jridgewell/trace-mapping";
import type { Mark, WrittenSource } from "../../core/css/compiled-sheet.ts";
import { type LineMap, lineMap } from "../../core/document/line-map.ts";

/**
 * The marks of a source map: lines and columns made into offsets.
 * @param sourceOf the written text that the map calls by a name; null for one that is none of ours
 */
export function marksOf(
  css: string,
  map: unknown,
  sourceOf: (name: string) => WrittenSource | null,
): { readonly marks: readonly Mark[]; readonly sources: readonly WrittenSource[] } {
  const marks: Mark[] = [];
  const sources: WrittenSource[] = [];
  const indexOf = new Map<string, number | null>();
  const generated = lineMap(css);
  const written: LineMap[] = [];
  eachMapping(new TraceMap(map as SourceMapInput), (mapping) => {
    if (mapping.source === null) return;
    let source = indexOf.get(mapping.source);
    if (source === undefined) {
      const found = sourceOf(mapping.source);
      source = found === null ? null : sources.push(found) - 1;
      if (found !== null) written.push(lineMap(found.text));
      indexOf.set(mapping.source, source);
    }
    marks.push({
      offset: generated.offset(mapping.generatedLine, mapping.generatedColumn + 1) ?? 0,
      source: source ?? -1,
      written: written[source ?? -1]?.offset(mapping.originalLine, mapping.originalColumn + 1) ?? 0,
    });
  });
  return { marks: marks.sort((a, b) => a.offset - b.offset), sources };
}
