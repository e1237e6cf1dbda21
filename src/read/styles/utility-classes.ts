import { compile } from "tailwindcss";
import type { CompiledStyle, Mark, WrittenSource } from "../../core/css/compiled-sheet.ts";
import { lineMap } from "../../core/document/line-map.ts";
import type { SourceOf, StyleToCompile } from "./style-compiler.ts";
import type { StyleFiles } from "./style-files.ts";

/** Whether a stylesheet has rules that are made of the names of classes, or takes such rules in. */
export const usesUtilityClasses = (text: string): boolean =>
  isUtilityEntry(text) || /@(?:theme|utility|apply|reference|custom-variant|variant)\b/.test(text);

/** Whether the rules themselves go into a stylesheet: its classes hold everywhere in the project. */
export const isUtilityEntry = (text: string): boolean =>
  /@import\s+(?:url\(\s*)?["']tailwindcss(?:\/utilities(?:\.css)?)?["']|@tailwind\s+utilities\b/.test(text);

export interface UtilityRequest {
  readonly style: StyleToCompile;
  readonly files: StyleFiles;
  readonly sourceOf: SourceOf;
  /** Words of the project's source: those that are names of utility classes get their rules. */
  readonly words: readonly string[];
  /** The text of a file of a package that comes with this program. */
  readonly packageText: (name: string) => Promise<string>;
}

/**
 * Compiles a stylesheet with utility classes through the package's own interface. Its configuration and plugins in
 * JavaScript are not run: what they would add is not known, and `isPartial` says so.
 */
export async function compileUtilities({
  style,
  files,
  sourceOf,
  words,
  packageText,
}: UtilityRequest): Promise<CompiledStyle & { readonly isPartial: boolean }> {
  const { text } = style.source;
  // The directives of the version before: its settings lie in JavaScript.
  let isPartial = /@tailwind\s+base\b/.test(text);
  const written = isPartial ? `${text}\n${await packageText("tailwindcss/theme.css")}` : text;
  const own = new Map<string, string>();
  const compiled = await compile(written, {
    from: style.path,
    base: folderOf(style.path),
    loadStylesheet: async (id, base) => {
      const found = await files.find(id, `${base}/importing.css`, sheetNames);
      const known = found === null ? null : await files.text(found);
      if (found !== null && known !== null) return { path: found, base: folderOf(found), content: known };
      const content = /^tailwindcss(?:\/|$)/.test(id) ? await packageText(ownFile(id)) : "";
      if (content === "") isPartial = true;
      own.set(id, content);
      return { path: id, base, content };
    },
    loadModule: async (id, base) => {
      isPartial = true;
      return { path: id, base, module: () => {} };
    },
  });
  const css = compiled.build(withScales(words));
  const { marks, sources } = placesIn(css, compiled.buildSourceMap(), style, sourceOf);
  return { css, marks, sources, isPartial };
}

const folderOf = (path: string): string => path.slice(0, Math.max(1, path.lastIndexOf("/")));

const ownFile = (id: string): string =>
  id === "tailwindcss" ? "tailwindcss/index.css" : id.endsWith(".css") ? id : `${id}.css`;

/** A path, and what a folder or package gives for itself. */
const sheetNames = (path: string): readonly string[] =>
  path.endsWith(".css") ? [path] : [`${path}.css`, `${path}/index.css`, path];

type SourceMap = ReturnType<Awaited<ReturnType<typeof compile>>["buildSourceMap"]>;

function placesIn(
  css: string,
  map: SourceMap,
  style: StyleToCompile,
  sourceOf: SourceOf,
): Pick<CompiledStyle, "marks" | "sources"> {
  const generated = lineMap(css);
  const sources: WrittenSource[] = [style.source];
  const known = new Map<string, number>([[style.path, 0]]);
  const lines = [lineMap(style.source.text)];
  const sourceIndex = (path: string): number => {
    const index = known.get(path);
    if (index !== undefined) return index;
    const found = sourceOf(path);
    const added = found === null ? -1 : sources.push(found) - 1;
    if (found !== null) lines.push(lineMap(found.text));
    known.set(path, added);
    return added;
  };
  const marks = map.mappings.map(({ originalPosition: from, generatedPosition: to }): Mark => {
    const source = from === null || from.source.url === null ? -1 : sourceIndex(from.source.url);
    return {
      offset: generated.offset(to.line, to.column + 1) ?? 0,
      source,
      written: from === null ? 0 : (lines[source]?.offset(from.line, from.column + 1) ?? 0),
    };
  });
  return { marks: marks.sort((a, b) => a.offset - b.offset), sources };
}

const steps = ["50", "100", "200", "300", "400", "500", "600", "700", "800", "900", "950"];

/** Colours of text with the other steps of their scales: one of them may be the nearest that can be read. */
function withScales(words: readonly string[]): string[] {
  const all = new Set(words);
  for (const word of words) {
    const scale = /^(?:.*:)?(?:text|border|outline)-([a-z]+)-\d{2,3}$/.exec(word)?.[1];
    if (scale !== undefined) for (const step of steps) all.add(`text-${scale}-${step}`);
  }
  return [...all].sort();
}

/** Words that may be names of utility classes, wherever they stand in a text. */
export function wordsLikeClasses(text: string): readonly string[] {
  const found = new Set<string>();
  for (const word of text.split(/[\s"'`<>]+/)) if (isLikeClass(word)) found.add(word);
  for (const word of text.split(/[\s"'`<>{}()=;,|]+/)) if (isLikeClass(word)) found.add(word);
  return [...found];
}

const isLikeClass = (word: string): boolean =>
  word.length > 1 && word.length < 120 && /^[-!@*a-z[][^\s;{}\\]*$/.test(word) && !/[,.:=]$/.test(word);
