import type { CompiledStyle } from "../../core/css/compiled-sheet.ts";
import { type Problem, styleLanguageUnread, styleNotCompiled } from "../../core/findings/problems.ts";
import type { Files } from "../../host/host.ts";
import type { Workspace } from "../../host/workspace.ts";
import { stylesOf } from "../../readers/composition/component-styles.ts";
import type { SourceModule, StylePart } from "../../readers/composition/source-module.ts";
import type { SourceOf, StyleCompiler } from "./style-compiler.ts";
import { type Aliases, projectRoot, StyleFiles } from "./style-files.ts";

/** Each compiler is loaded when its first style is met. */
const compilers: Readonly<Record<string, () => Promise<StyleCompiler>>> = {
  scss: async () => (await import("./sass.ts")).compileSass,
  sass: async () => (await import("./sass.ts")).compileSass,
  less: async () => (await import("./less.ts")).compileLess,
};

export interface StylesRequest {
  readonly files: Files;
  readonly workspace: Workspace;
  /** How a file is shown. */
  readonly shownName: (path: string) => string;
  readonly aliases: Aliases;
}

export interface CompiledStyles {
  readonly modules: ReadonlyMap<string, SourceModule>;
  /** Absolute paths of files that were read beside the modules, and their texts by what they are called. */
  readonly read: readonly string[];
  readonly texts: ReadonlyMap<string, string>;
  readonly missing: readonly string[];
  readonly problems: readonly Problem[];
}

/** What came of one style; `style` is null where its compiler did not take it. */
interface Outcome {
  readonly style: CompiledStyle | null;
  readonly problem: Problem | null;
  readonly text: string;
  readonly read: ReadonlyMap<string, string>;
  readonly missing: readonly string[];
}

/** Compiles the styles of modules that are in another language than CSS. */
export async function compileStyles(
  modules: ReadonlyMap<string, SourceModule>,
  request: StylesRequest,
): Promise<CompiledStyles> {
  const result = new Map(modules);
  const read = new Map<string, string>();
  const missing: string[] = [];
  const problems: Problem[] = [];
  for (const module of modules.values()) {
    const compiled = new Map<number, CompiledStyle>();
    for (const part of stylesOf(module)) {
      const load = compilers[part.language];
      if (load === undefined) {
        if (part.language !== "css") problems.push(styleLanguageUnread(module.file, part.language));
        continue;
      }
      const outcome = await request.workspace.ifHolds(
        "compiled",
        `${module.path} ${part.start}`,
        (known: Outcome) => holds(known, part.text, request.files),
        () => compileOne(module, part, load, request),
      );
      for (const [path, text] of outcome.read) read.set(path, text);
      missing.push(...outcome.missing);
      if (outcome.problem !== null) problems.push(outcome.problem);
      if (outcome.style !== null) compiled.set(part.start, outcome.style);
    }
    if (compiled.size > 0) result.set(module.path, { ...module, compiled });
  }
  return {
    modules: result,
    read: [...read.keys()],
    texts: new Map([...read].map(([path, text]) => [request.shownName(path), text])),
    missing,
    problems,
  };
}

async function compileOne(
  module: SourceModule,
  part: StylePart,
  load: () => Promise<StyleCompiler>,
  { files, shownName, aliases }: StylesRequest,
): Promise<Outcome> {
  const { text, start, language } = part;
  const found = new StyleFiles(files, await projectRoot(module.path, files), aliases);
  const sourceOf: SourceOf = (path) => {
    const written = found.read.get(path);
    if (written === undefined) return null;
    return {
      file: shownName(path),
      text: written,
      start: 0,
      isIndented: path.endsWith(".sass"),
      isForeign: path.includes("/node_modules/"),
    };
  };
  const source = { file: module.file, text, start, isIndented: language === "sass", isForeign: false };
  const compile = await load();
  try {
    const style = await compile({ path: module.path, source, language }, found, sourceOf);
    return { style, problem: null, text, read: found.read, missing: [] };
  } catch (error) {
    // It may lack what only the project's build knows.
    const [reason = ""] = (error instanceof Error ? error.message : String(error)).split("\n");
    const problem = styleNotCompiled(module.file, reason);
    return { style: null, problem, text, read: found.read, missing: found.missing };
  }
}

/** Whether nothing has changed that a style was compiled from. */
async function holds({ text, read, missing }: Outcome, now: string, files: Files): Promise<boolean> {
  if (text !== now) return false;
  const fresh = new StyleFiles(files, "", async () => []);
  for (const [path, known] of read) if ((await fresh.text(path)) !== known) return false;
  for (const path of missing) if ((await files.info(path)) !== null) return false;
  return true;
}
