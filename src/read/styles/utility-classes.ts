import { compile } from "tailwindcss";
import type { CompiledStyle } from "../../core/css/compiled-sheet.ts";
import { type Mapping, marksOf } from "./marks.ts";
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
 * JavaScript are not run: what they would add is not known, and `lacks` says so.
 */
export async function compileUtilities({
  style,
  files,
  sourceOf,
  words,
  packageText,
}: UtilityRequest): Promise<CompiledStyle> {
  const { text } = style.source;
  // The directives of the version before: its settings lie in JavaScript.
  const isEarlier = /@tailwind\s+base\b/.test(text);
  let lacks = isEarlier ? "its settings are JavaScript, which is not run" : null;
  const whole = isEarlier ? `${text}\n${await packageText("tailwindcss/theme.css")}` : text;
  const compiled = await compile(whole, {
    from: style.path,
    base: folderOf(style.path),
    loadStylesheet: async (id, base) => {
      const found = await files.find(id, `${base}/importing.css`, sheetNames);
      const known = found === null ? null : await files.text(found);
      if (found !== null && known !== null) return { path: found, base: folderOf(found), content: known };
      const content = /^tailwindcss(?:\/|$)/.test(id) ? await packageText(ownFile(id)) : "";
      if (content === "") lacks ??= `the stylesheet "${id}" is not here`;
      return { path: id, base, content };
    },
    loadModule: async (id, base) => {
      lacks ??= `"${id}" is JavaScript, which is not run`;
      return { path: id, base, module: () => {} };
    },
  });
  const css = compiled.build(withScales(words));
  const mappings = mappingsOf(compiled.buildSourceMap());
  // What the package brings is made of the names of classes, wherever its files lie.
  const written = (path: string) => {
    const source = path === style.path ? style.source : sourceOf(path);
    return source?.isForeign === true ? null : source;
  };
  return { css, ...marksOf(css, mappings, style.source, written), lacks };
}

const folderOf = (path: string): string => path.slice(0, Math.max(1, path.lastIndexOf("/")));

const ownFile = (id: string): string =>
  id === "tailwindcss" ? "tailwindcss/index.css" : id.endsWith(".css") ? id : `${id}.css`;

/** A path, and what a folder or package gives for itself. */
const sheetNames = (path: string): readonly string[] =>
  path.endsWith(".css") ? [path] : [`${path}.css`, `${path}/index.css`, path];

type SourceMap = ReturnType<Awaited<ReturnType<typeof compile>>["buildSourceMap"]>;

const mappingsOf = ({ mappings }: SourceMap): readonly Mapping[] =>
  mappings.map(({ originalPosition: from, generatedPosition: at }) => ({
    at,
    from:
      from === null || from.source.url === null
        ? null
        : { source: from.source.url, line: from.line, column: from.column },
  }));

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
