import type * as Ast from "@babel/types";
import { type ComponentFormatName, componentFormatOf } from "../../core/document/component-formats.ts";
import {
  emptyFile,
  generated,
  type Problem,
  tooDeep,
  tooLarge,
  unreadable,
} from "../../core/findings/problems.ts";
import type { Files } from "../../host/host.ts";
import { Workspace } from "../../host/workspace.ts";
import { decodeText } from "../html/decode.ts";
import { isMachineMade } from "../script/machine-made.ts";
import { everyNode, parseScript, type ScriptError } from "../script/parse-script.ts";
import { addressFrom } from "./component-name.ts";
import { ImportResolver } from "./resolve-import.ts";
import type { ModuleContent, SourceModule, TemplateNode } from "./source-module.ts";
import type { ReadParts } from "./template-parts.ts";

export interface ModuleRequest {
  /** Absolute paths of the files that are asked for. */
  readonly entries: readonly string[];
  /** How a file is shown. */
  readonly shownName: (path: string) => string;
  /** Largest file, in megabytes. */
  readonly maxSize: number;
  /** Folders that imports may lead into, absolute, beside the project of who imports. */
  readonly roots: readonly string[];
}

export interface LoadedModules {
  /** By absolute path, in the order in which they were met. */
  readonly modules: ReadonlyMap<string, SourceModule>;
  readonly problems: readonly Problem[];
  /** Entries that could not be read at all. */
  readonly unread: ReadonlySet<string>;
  /** Files that said where imports lead. */
  readonly consulted: ReadonlySet<string>;
  /** Where files were looked for that are not there. */
  readonly missing: readonly string[];
  /** Where the project maps a name to that is no relative one, for what a folder holds. */
  readonly aliases: (specifier: string, folder: string) => Promise<readonly string[]>;
}

const MEGABYTE = 1024 * 1024;

const styleEnding = /\.(?:css|scss|sass|less|styl|pcss|postcss)$/i;

/** Reads files and all that they import within the project, each once. What cannot be read is told and left out. */
export async function loadModules(
  request: ModuleRequest,
  files: Files,
  workspace: Workspace = new Workspace(),
): Promise<LoadedModules> {
  const resolver = new ImportResolver(files, new Set(request.entries), request.roots);
  const modules = new Map<string, SourceModule>();
  const problems: Problem[] = [];
  const unread = new Set<string>();
  const entries = new Set(request.entries);
  const met = new Set(request.entries);
  for (let wave = [...met]; wave.length > 0; ) {
    const read = await Promise.all(
      wave.map((path) => readShallow(path, entries.has(path), request, files, workspace)),
    );
    const next: string[] = [];
    for (const [i, result] of read.entries()) {
      const path = wave[i] as string;
      if ("note" in result) {
        problems.push(result.note);
        continue;
      }
      if ("problem" in result) {
        problems.push(result.problem);
        unread.add(path);
        continue;
      }
      const imports = new Map<string, string | null>();
      for (const specifier of result.imports) {
        const target = resolver.known(specifier, path) ?? (await resolver.resolve(specifier, path));
        imports.set(specifier, target);
        if (target !== null && !met.has(target)) {
          met.add(target);
          next.push(target);
        }
      }
      modules.set(path, { ...result.module, imports });
    }
    wave = next;
  }
  return {
    modules,
    problems,
    unread,
    consulted: resolver.consulted,
    missing: resolver.missing,
    aliases: (specifier, folder) => resolver.mapped(specifier, folder),
  };
}

type Read =
  | { readonly problem: Problem }
  /** Passed over on purpose. */
  | { readonly note: Problem }
  | { readonly module: Omit<SourceModule, "imports">; readonly imports: readonly string[] };

/** Parsers go down as deep as markup does, and have no more room than we. */
async function readShallow(...request: Parameters<typeof readModule>): Promise<Read> {
  try {
    return await readModule(...request);
  } catch (error) {
    if (error instanceof RangeError) return { problem: tooDeep(request[2].shownName(request[0])) };
    throw error;
  }
}

async function readModule(
  path: string,
  isEntry: boolean,
  request: ModuleRequest,
  files: Files,
  workspace: Workspace,
): Promise<Read> {
  const file = request.shownName(path);
  const isText =
    componentFormatOf(path) !== null || styleEnding.test(path) || /\.(?:html?|json)$/i.test(path);
  const bare = (content: ModuleContent, text = ""): Read => ({
    module: { path, file, text, content, errors: [] },
    imports: [],
  });
  if (!isText) return bare({ kind: "asset" });
  const read = await files.read(path);
  if (!read.ok) return { problem: unreadable(file, read.reason) };
  if (read.bytes.length > request.maxSize * MEGABYTE)
    return { problem: tooLarge(file, read.bytes.length / MEGABYTE, request.maxSize) };
  const decoded = decodeText(read.bytes, file, "css");
  if (!decoded.ok) return { problem: decoded.problem };
  const { text } = decoded.value;
  if (isEntry && text.trim() === "") return { problem: emptyFile(file) };
  if (styleEnding.test(path))
    return {
      module: { path, file, text, content: { kind: "style" }, errors: [] },
      imports: path.endsWith(".css") ? sheetsImported(text) : [],
    };
  if (/\.json$/i.test(path)) return bare({ kind: "data", value: jsonOf(text) }, text);
  const isMarkup = /\.html?$/i.test(path);
  if (!isMarkup && isMachineMade(text)) return isEntry ? { note: generated(file) } : bare({ kind: "asset" });
  const { content, errors, imports } = await workspace.of("module", file, text, () =>
    parsedSource(path, file, text),
  );
  return { module: { path, file, text, content, errors }, imports };
}

/** What a file of component source is made of. */
export interface ParsedSource {
  readonly content: ModuleContent;
  readonly errors: readonly ScriptError[];
  readonly imports: readonly string[];
}

/** Parses markup or script by the format of its file; each compiler is loaded when its first file is met. */
export async function parsedSource(path: string, file: string, text: string): Promise<ParsedSource> {
  if (/\.html?$/i.test(path)) {
    const { readAngular } = await import("../angular/read-angular.ts");
    const { template, errors } = readAngular(text, file);
    return { content: { kind: "markup", template }, errors, imports: [] };
  }
  const format = componentFormatOf(path);
  return parsers[format ?? "jsx"](path, file, text);
}

/** How a file of each format is parsed. */
const parsers: Readonly<
  Record<ComponentFormatName, (path: string, file: string, text: string) => Promise<ParsedSource>>
> = {
  jsx: parsedScript,
  angular: parsedScript,
  vue: async (_, file, text) =>
    parsedParts("vue", (await import("../vue/read-vue.ts")).readVue(text, file), text),
  svelte: async (_, __, text) =>
    parsedParts("svelte", (await import("../svelte/read-svelte.ts")).readSvelte(text), text),
};

/** A component in one file, as it is taken apart. */
function parsedParts(
  language: "vue" | "svelte",
  { parts, errors, imports }: ReadParts,
  text: string,
): ParsedSource {
  const scripts = [parts.moduleScript, parts.script].filter((one) => one !== null);
  return {
    content: { kind: "template", language, parts },
    errors,
    imports: [...scripts.flatMap((script) => importsOf(script, text)), ...imports],
  };
}

async function parsedScript(path: string, file: string, text: string): Promise<ParsedSource> {
  const { program, errors } = parseScript(text, {
    start: 0,
    typescript: /\.[cm]?tsx?$/i.test(path),
    jsx: !/\.[cm]?ts$/i.test(path),
  });
  const inline = /@Component\b/.test(text)
    ? (await import("../angular/read-angular.ts")).inlineTemplates(program, text, file)
    : { templates: noTemplates, errors: [] };
  return {
    content: { kind: "script", program, templates: inline.templates },
    errors: [...errors, ...inline.errors],
    imports: importsOf(program, text),
  };
}

const noTemplates: ReadonlyMap<number, readonly TemplateNode[]> = new Map();

function jsonOf(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return null;
  }
}

/** Stylesheets that a stylesheet imports, as scripts would: an address that is no path is one beside it. */
const sheetsImported = (text: string): readonly string[] =>
  [...text.matchAll(/@import\s+(?:url\(\s*)?["']?([^"')\s;]+\.css)\b/g)].flatMap(([, address = ""]) =>
    /^(?:[a-z][a-z0-9+.-]*:|\/\/)/i.test(address) ? [] : [/^[./]/.test(address) ? address : `./${address}`],
  );

/** What a program imports, also what it names for a component: an outer template, its styles. */
function importsOf(program: Ast.Program, text: string): readonly string[] {
  const found = new Set<string>();
  for (const statement of program.body) {
    if (statement.type === "ImportDeclaration" || statement.type === "ExportAllDeclaration")
      found.add(statement.source.value);
    if (statement.type === "ExportNamedDeclaration" && statement.source != null)
      found.add(statement.source.value);
  }
  // Only a file that has one of these words names files inside its statements.
  if (!/\b(?:import|require)\s*\(|\b(?:templateUrl|styleUrls?)\b/.test(text)) return [...found];
  everyNode(program, (node) => {
    const isImport =
      (node.type === "CallExpression" &&
        (node.callee.type === "Import" ||
          (node.callee.type === "Identifier" && node.callee.name === "require"))) ||
      node.type === "ImportExpression";
    if (isImport) {
      const source =
        node.type === "ImportExpression" ? node.source : (node as Ast.CallExpression).arguments[0];
      if (source?.type === "StringLiteral") found.add(source.value);
    }
    if (node.type === "Decorator") for (const file of filesOfDecorator(node)) found.add(file);
    return true;
  });
  return [...found];
}

/** `templateUrl`, `styleUrl` and `styleUrls` of a component. */
function filesOfDecorator(node: Ast.Decorator): readonly string[] {
  const [argument] = node.expression.type === "CallExpression" ? node.expression.arguments : [];
  if (argument?.type !== "ObjectExpression") return [];
  return argument.properties.flatMap((property) => {
    if (property.type !== "ObjectProperty" || property.key.type !== "Identifier") return [];
    if (!/^(?:templateUrl|styleUrls?)$/.test(property.key.name)) return [];
    const values = property.value.type === "ArrayExpression" ? property.value.elements : [property.value];
    return values.flatMap((value) => (value?.type === "StringLiteral" ? [addressFrom(value.value)] : []));
  });
}
