import type * as Ast from "@babel/types";
import { parse as parseJsonc } from "jsonc-parser";
import { componentFormatOf } from "../../core/document/component-formats.ts";
import type { Files } from "../../host/host.ts";
import type { Workspace } from "../../host/workspace.ts";
import { declarationOf, definitionOf, exportedWhole } from "./exported-names.ts";
import { parsedSource } from "./load-modules.ts";
import { programsOf } from "./module-scopes.ts";
import { bundledFirst, candidates, entryOf, join, packageName, parent } from "./package-files.ts";
import type { InstalledName, SourceModule } from "./source-module.ts";

/** Longer scripts are not read whole: only what declares the name that is wanted. */
const LONGEST_SCRIPT = 40_000;

/** A component that needs more than this is more than a picture. */
const MOST_IMPORTS = 16;
const MOST_SCRIPTS = 24;

/** How often a name may be handed on. */
const DEEPEST_EXPORT = 8;

/** How many scripts of which all is exported are looked into for one name. */
const MOST_EXPORTED_WHOLE = 40;

/** What packages of frameworks export is known without a look. */
const frameworks = /^(?:react|react-dom|preact|vue|svelte|@angular\/\w+|prop-types)(?:\/|$)/;

/** What these give reaches every component of their package: what one shows alone says nothing then. */
const givesToAll = /(?:Context|Provider|Config)$/;

/** Components that a project takes from installed packages, as far as a picture needs: found in their source, nothing executed. */
export class InstalledPackages {
  readonly #files: Files;
  readonly #workspace: Workspace;
  /** The modules that define what was found, by their paths. */
  readonly modules = new Map<string, SourceModule>();
  /** Files that were read. */
  readonly consulted = new Set<string>();
  readonly #texts = new Map<string, Promise<string | null>>();
  readonly #folders = new Map<string, Promise<string | null>>();
  readonly #parsed = new Map<string, Promise<SourceModule | null>>();
  readonly #defined = new Map<string, Promise<Definition | null>>();

  constructor(files: Files, workspace: Workspace) {
    this.#files = files;
    this.#workspace = workspace;
  }

  /** The modules of a project, each with what it takes from packages. */
  async linked(modules: ReadonlyMap<string, SourceModule>): Promise<Map<string, SourceModule>> {
    const wanted = [...modules.values()].map((module) => ({ module, names: wantedIn(module) }));
    const shared = new Set(
      [...modules.values()].flatMap((module) =>
        namesImported(module).flatMap(({ specifier, name }) =>
          givesToAll.test(name) ? [packageName(specifier)] : [],
        ),
      ),
    );
    const linked = new Map(modules);
    for (const { module, names } of wanted) {
      const found = new Map<string, InstalledName>();
      for (const { specifier, name } of names) {
        if (shared.has(packageName(specifier))) continue;
        const definition = await this.#definition(specifier, name, module.path);
        if (definition !== null && (await this.#takeWhole(definition)))
          found.set(`${specifier}#${name}`, { path: definition.module, name: definition.name });
      }
      if (found.size > 0) linked.set(module.path, { ...module, installed: found });
    }
    return linked;
  }

  /** Reads a definition with all that it needs; false, and nothing of it, where that is too much. */
  async #takeWhole(definition: Definition): Promise<boolean> {
    if (this.modules.has(definition.module)) return true;
    const taken = new Map<string, SourceModule>();
    const waiting = [definition];
    for (let next = waiting.pop(); next !== undefined; next = waiting.pop()) {
      if (taken.has(next.module) || this.modules.has(next.module)) continue;
      const module = await this.#module(next);
      if (module === null) return false;
      const names = namesImported(module).filter(({ specifier }) => !frameworks.test(specifier));
      if (names.length > MOST_IMPORTS || taken.size >= MOST_SCRIPTS) return false;
      const installed = new Map<string, InstalledName>();
      for (const { specifier, name } of names) {
        const found = await this.#definition(specifier, name, next.file);
        if (found === null) continue;
        installed.set(`${specifier}#${name}`, { path: found.module, name: found.name });
        waiting.push(found);
      }
      taken.set(next.module, { ...module, installed });
    }
    for (const [path, module] of taken) this.modules.set(path, module);
    return true;
  }

  /** A module of a package: the whole script, or of a long one what declares the name. */
  #module(definition: Definition): Promise<SourceModule | null> {
    return remembered(this.#parsed, definition.module, async () => {
      const { file, module: path } = definition;
      const whole = await this.#text(file);
      if (whole === null) return null;
      const text = whole.length <= LONGEST_SCRIPT ? whole : declarationOf(whole, definition.name);
      if (text === null || text.length > LONGEST_SCRIPT) return null;
      const { content, errors } = await this.#workspace.of("module", path, text, () =>
        parsedSource(file, path, text),
      );
      return errors.length > 0
        ? null
        : { path, file: path, text, content, errors, imports: new Map(), isInstalled: true };
    });
  }

  #definition(specifier: string, name: string, from: string): Promise<Definition | null> {
    return remembered(this.#defined, `${parent(from)} ${specifier} ${name}`, async () => {
      const file = await this.#file(specifier, from);
      return file === null ? null : this.#definedIn(file, name, 0);
    });
  }

  /** Follows a name to the script that defines it. */
  async #definedIn(file: string, name: string, depth: number): Promise<Definition | null> {
    if (depth > DEEPEST_EXPORT) return null;
    const text = await this.#text(file);
    if (text === null) return null;
    const here = { file, name, module: text.length > LONGEST_SCRIPT ? `${file}#${name}` : file };
    if (componentFormatOf(file) !== "jsx") return name === "default" ? here : null;
    const found = definitionOf(text, name);
    if (found?.where === "here") return here;
    if (found !== null) {
      const next = await this.#file(found.specifier, file);
      return next === null ? null : this.#definedIn(next, found.name, depth + 1);
    }
    if (name === "default") return null;
    for (const specifier of likeliestFirst(exportedWhole(text), name).slice(0, MOST_EXPORTED_WHOLE)) {
      const next = await this.#file(specifier, file);
      const one = next === null ? null : await this.#definedIn(next, name, depth + 1);
      if (one !== null) return one;
    }
    return null;
  }

  /** The file that an import means, in a package or within one. */
  async #file(specifier: string, from: string): Promise<string | null> {
    if (/^\.{1,2}(?:\/|$)/.test(specifier)) return this.#existing(join(parent(from), specifier));
    if (frameworks.test(specifier) || /^[/#]|:/.test(specifier)) return null;
    const name = packageName(specifier);
    const folder = await this.#folder(name, parent(from));
    const manifest = folder === null ? null : await this.#text(`${folder}/package.json`);
    if (folder === null || manifest === null) return null;
    const inner = specifier.slice(name.length + 1);
    const entries = entryOf(parseJsonc(manifest) ?? null, inner, bundledFirst);
    for (const entry of [...entries, ...(inner === "" ? ["index"] : [inner])]) {
      const found = /\.(?:cjs|d\.[cm]?ts)$/.test(entry) ? null : await this.#existing(join(folder, entry));
      if (found !== null) return found;
    }
    return null;
  }

  /** The file that a path means; none outside installed packages, wherever a manifest or an import leads. */
  async #existing(path: string): Promise<string | null> {
    if (!path.includes("/node_modules/")) return null;
    for (const candidate of candidates(path))
      if (componentFormatOf(candidate) !== null && (await this.#text(candidate)) !== null) return candidate;
    return null;
  }

  /** Where a package is installed for a folder: in the nearest `node_modules` that has it. */
  #folder(name: string, folder: string): Promise<string | null> {
    return remembered(this.#folders, `${folder} ${name}`, async () => {
      const here = `${folder}/node_modules/${name}`;
      if ((await this.#files.info(`${here}/package.json`))?.kind === "file") {
        const real = await this.#files.realPath(here);
        // What is linked from elsewhere is source of a project, and no package.
        return real?.includes("/node_modules/") === true ? real : null;
      }
      const above = parent(folder);
      return above === folder ? null : this.#folder(name, above);
    });
  }

  #text(path: string): Promise<string | null> {
    return remembered(this.#texts, path, async () => {
      if ((await this.#files.info(path))?.kind !== "file") return null;
      const read = await this.#files.read(path);
      if (!read.ok) return null;
      this.consulted.add(path);
      return new TextDecoder().decode(read.bytes);
    });
  }
}

/** A name where it is defined: the file, the name that it is exported under there, and the module made of it. */
interface Definition {
  readonly file: string;
  readonly name: string;
  readonly module: string;
}

function remembered<T>(known: Map<string, Promise<T>>, key: string, make: () => Promise<T>): Promise<T> {
  let value = known.get(key);
  if (value === undefined) {
    value = make();
    known.set(key, value);
  }
  return value;
}

/** Files whose name is the wanted one, or holds it, before the rest. */
function likeliestFirst(specifiers: readonly string[], name: string): readonly string[] {
  const plain = (text: string) => text.toLowerCase().replace(/[^a-z0-9]/g, "");
  const wanted = plain(name);
  const likely = (specifier: string) =>
    plain(specifier.replace(/^.*\/(?=[^/]*[a-z])/i, "").replace(/\.\w+$/, "")).includes(wanted) ? 0 : 1;
  return [...specifiers].sort((a, b) => likely(a) - likely(b));
}

/** Components that a file of a project takes from packages: names in capitals, where markup is written. */
const wantedIn = (module: SourceModule): readonly ImportedName[] =>
  module.content.kind === "template" || /<[A-Za-z]/.test(module.text)
    ? namesImported(module).filter(
        ({ specifier, name, local }) =>
          module.imports.get(specifier) == null &&
          !/^[./]/.test(specifier) &&
          /^[A-Z]/.test(name === "default" ? local : name),
      )
    : [];

interface ImportedName {
  readonly specifier: string;
  readonly name: string;
  readonly local: string;
}

const importedOf = new WeakMap<Ast.Program, readonly ImportedName[]>();

/** What the scripts of a module import by name. */
function namesImported({ content }: SourceModule): readonly ImportedName[] {
  return programsOf(content).flatMap((program) => {
    const known = importedOf.get(program) ?? namesOf(program);
    importedOf.set(program, known);
    return known;
  });
}

const namesOf = (program: Ast.Program): readonly ImportedName[] =>
  program.body.flatMap((statement) => {
    if (statement.type === "ExportNamedDeclaration" && statement.source != null)
      return statement.specifiers.flatMap((one) =>
        one.type === "ExportSpecifier"
          ? [{ specifier: statement.source?.value ?? "", name: one.local.name, local: one.local.name }]
          : [],
      );
    if (statement.type !== "ImportDeclaration" || statement.importKind === "type") return [];
    return statement.specifiers.flatMap((one) => {
      const local = one.local.name;
      if (one.type === "ImportDefaultSpecifier")
        return [{ specifier: statement.source.value, name: "default", local }];
      if (one.type !== "ImportSpecifier" || one.importKind === "type") return [];
      const name = one.imported.type === "Identifier" ? one.imported.name : one.imported.value;
      return [{ specifier: statement.source.value, name, local }];
    });
  });
