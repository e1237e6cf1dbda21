import type { CompiledStyle, WrittenSource } from "../../core/css/compiled-sheet.ts";
import type { StyleFiles } from "./style-files.ts";

/** A text in a language that is compiled to CSS. */
export interface StyleToCompile {
  /** Absolute path of the file it stands in. */
  readonly path: string;
  readonly source: WrittenSource;
  readonly language: string;
}

/** How a written text of another file is called, by its absolute path. */
export type SourceOf = (path: string) => WrittenSource | null;

/**
 * Compiles a style with nothing but what `files` gives it, and runs no code that it names.
 * @throws what the compiler says of a text that it does not take
 */
export type StyleCompiler = (
  style: StyleToCompile,
  files: StyleFiles,
  sourceOf: SourceOf,
) => Promise<CompiledStyle>;

/** Words to the audit in comments that last a line: compilers keep only those between marks. */
export const keptRemarks = (text: string): string =>
  text.replace(
    /\/\/[ \t]*(keel[ \t]*:[^\r\n]*)/gi,
    (_, words: string) => `/* ${words.replaceAll("*/", "")} */`,
  );
