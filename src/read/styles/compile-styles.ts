import type { CompiledStyle } from "../../core/css/compiled-sheet.ts";
import { once } from "../../core/document/once.ts";
import {
  type Problem,
  styleLacks,
  styleLanguageUnread,
  styleNotCompiled,
} from "../../core/findings/problems.ts";
import { thrownWords } from "../../core/findings/thrown-words.ts";
import type { Files, Host } from "../../host/host.ts";
import { projectRoot } from "../../host/project-root.ts";
import type { Workspace } from "../../host/workspace.ts";
import { stylesOf } from "../../readers/composition/component-styles.ts";
import type { SourceModule, StylePart } from "../../readers/composition/source-module.ts";
import type { SourceOf, StyleCompiler, StyleToCompile } from "./style-compiler.ts";
import { type Aliases, StyleFiles } from "./style-files.ts";
import { compileUtilities, usesUtilityClasses, wordsLikeClasses } from "./utility-classes.ts";
import { utilityEntry } from "./utility-entry.ts";

/** Each compiler is loaded when its first style is met. */
const compilers: Readonly<Record<string, () => Promise<StyleCompiler>>> = {
  scss: async () => (await import("./sass.ts")).compileSass,
  sass: async () => (await import("./sass.ts")).compileSass,
  less: async () => (await import("./less.ts")).compileLess,
};

export interface StylesRequest {
  readonly files: Files;
  readonly packageText: Host["packageText"];
  readonly workspace: Workspace;
  /** How a file is shown. */
  readonly shownName: (path: string) => string;
  readonly aliases: Aliases;
}

export interface CompiledStyles {
  readonly modules: ReadonlyMap<string, SourceModule>;
  /** A stylesheet whose rules hold for every component, whether it imports it or not; null for none. */
  readonly everywhere: SourceModule | null;
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
  readonly read: ReadonlyMap<string, string>;
  readonly missing: readonly string[];
  /** What it was compiled from beside the files: its own text, and words of the project. */
  readonly from: string;
}

/** Compiles the styles of modules that are not CSS as browsers take it. */
export async function compileStyles(
  given: ReadonlyMap<string, SourceModule>,
  request: StylesRequest,
): Promise<CompiledStyles> {
  const entry = await utilityEntry(given.keys(), request.files);
  const modules = new Map(given);
  if (entry !== null && !modules.has(entry.path))
    modules.set(entry.path, sheetModule(entry.path, entry.text, request));
  const words = once(() => projectWords(modules, request.workspace));
  const read = new Map<string, string>();
  const missing: string[] = [];
  const problems: Problem[] = [];
  for (const module of modules.values()) {
    const compiled = new Map<number, CompiledStyle>();
    for (const part of stylesOf(module)) {
      const outcome = await compiledPart(module, part, words, request);
      if (outcome === null) continue;
      for (const [path, text] of outcome.read) read.set(path, text);
      missing.push(...outcome.missing);
      if (outcome.problem !== null) problems.push(outcome.problem);
      if (outcome.style !== null) compiled.set(part.start, outcome.style);
    }
    if (compiled.size > 0) modules.set(module.path, { ...module, compiled });
  }
  return {
    modules,
    everywhere: entry === null ? null : (modules.get(entry.path) ?? null),
    read: [...read.keys()],
    texts: new Map([...read].map(([path, text]) => [request.shownName(path), text])),
    missing,
    problems,
  };
}

const sheetModule = (path: string, text: string, { shownName }: StylesRequest): SourceModule => ({
  path,
  file: shownName(path),
  text,
  content: { kind: "style" },
  errors: [],
  imports: new Map(),
});

/** Null for a style that is CSS. */
async function compiledPart(
  module: SourceModule,
  part: StylePart,
  words: () => readonly string[],
  request: StylesRequest,
): Promise<Outcome | null> {
  const { text, language } = part;
  const hasUtilities = /^(?:css|postcss|pcss)$/.test(language) && usesUtilityClasses(text);
  const load = hasUtilities ? utilityCompiler(words(), request) : compilers[language];
  if (load === undefined) {
    if (language === "css") return null;
    const problem = styleLanguageUnread(module.file, language);
    return { style: null, problem, read: new Map(), missing: [], from: text };
  }
  const from = hasUtilities ? `${text}\n${words().join(" ")}` : text;
  return request.workspace.ifHolds(
    "compiled",
    `${module.path} ${part.start}`,
    (known: Outcome) => holds(known, from, request.files),
    () => compileOne(module, part, load, from, request),
  );
}

const utilityCompiler =
  (words: readonly string[], { packageText }: StylesRequest) =>
  async (): Promise<StyleCompiler> =>
  (style, files, sourceOf) =>
    compileUtilities({ style, files, sourceOf, words, packageText });

async function compileOne(
  module: SourceModule,
  part: StylePart,
  load: () => Promise<StyleCompiler>,
  from: string,
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
  const style: StyleToCompile = { path: module.path, source, language };
  try {
    const compile = await load();
    const compiled = await compile(style, found, sourceOf);
    const problem = compiled.lacks == null ? null : styleLacks(module.file, compiled.lacks);
    return {
      style: compiled,
      problem,
      read: found.read,
      missing: problem === null ? [] : found.missing,
      from,
    };
  } catch (error) {
    // It may lack what only the project's build knows.
    const [reason = ""] = thrownWords(error).split("\n");
    const problem = styleNotCompiled(module.file, reason);
    return { style: null, problem, read: found.read, missing: found.missing, from };
  }
}

/** Whether nothing has changed that a style was compiled from. */
async function holds({ from, read, missing }: Outcome, now: string, files: Files): Promise<boolean> {
  if (from !== now) return false;
  const fresh = new StyleFiles(files, "", async () => []);
  for (const [path, known] of read) if ((await fresh.text(path)) !== known) return false;
  for (const path of missing) if ((await files.info(path)) !== null) return false;
  return true;
}

/** Words of all source that may be names of utility classes, sorted. */
function projectWords(modules: ReadonlyMap<string, SourceModule>, workspace: Workspace): readonly string[] {
  const all = new Set<string>();
  for (const { file, text, content } of modules.values()) {
    if (content.kind === "style" || content.kind === "asset") continue;
    for (const word of workspace.of("words", file, text, () => wordsLikeClasses(text))) all.add(word);
  }
  return [...all].sort();
}
