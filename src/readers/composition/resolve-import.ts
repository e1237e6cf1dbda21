import { parse as parseJsonc } from "jsonc-parser";
import type { Files } from "../../host/host.ts";
import { liesWithin, projectRoot } from "../../host/project-root.ts";
import { candidates, entryOf, join, packageName, parent, sourceFirst, starred } from "./package-files.ts";

interface PathMap {
  readonly folder: string;
  readonly paths: readonly (readonly [pattern: string, targets: readonly string[]])[];
}

/**
 * Finds the files that imports name, within the project of who imports and the folders of the run. Paths are absolute,
 * with forward slashes.
 */
export class ImportResolver {
  readonly #files: Files;
  readonly #known: ReadonlySet<string>;
  /** Configurations and manifests that were read. */
  readonly consulted = new Set<string>();
  /** Relative imports that led nowhere, as the paths that were tried first. */
  readonly missing: string[] = [];
  readonly #roots: readonly string[];
  readonly #isFile = new Map<string, Promise<boolean>>();
  readonly #projects = new Map<string, Promise<string>>();
  readonly #paths = new Map<string, Promise<readonly PathMap[]>>();
  readonly #packages = new Map<string, Promise<ReadonlyMap<string, string>>>();

  /**
   * @param known files that are there for certain, absolute: imports of those ask no disk
   * @param roots folders that may be read whatever the project is, absolute
   */
  constructor(files: Files, known: ReadonlySet<string>, roots: readonly string[]) {
    this.#files = files;
    this.#known = known;
    this.#roots = roots;
  }

  /** The file that a relative import names, where it is among those known; null for any other. */
  known(specifier: string, from: string): string | null {
    if (!/^\.{1,2}\//.test(specifier)) return null;
    const path = join(parent(from), specifier);
    return candidates(path).find((candidate) => this.#known.has(candidate)) ?? null;
  }

  /** The file an import in `from` names; null where it is in no source of the project. */
  async resolve(specifier: string, from: string): Promise<string | null> {
    const found = await this.#named(specifier, from);
    return found === null || (await this.#isOurs(found, from)) ? found : null;
  }

  async #named(specifier: string, from: string): Promise<string | null> {
    const bare = specifier.replace(/[?#].*$/, "");
    const folder = parent(from);
    if (/^\.{1,2}(?:\/|$)/.test(bare)) {
      const path = join(folder, bare);
      const found = await this.#file(path);
      if (found === null) this.missing.push(...candidates(path));
      return found;
    }
    if (bare.startsWith("/")) return this.#file(bare);
    for (const place of await this.mapped(bare, folder)) {
      const found = await this.#file(place);
      if (found !== null) return found;
    }
    return this.#workspaceFile(bare, folder);
  }

  /** Where the paths of TypeScript configurations lead for a name that is no relative one; what is there is not asked. */
  async mapped(specifier: string, folder: string): Promise<readonly string[]> {
    const maps = await this.#pathsFor(folder);
    return maps.flatMap(({ folder: base, paths }) =>
      paths.flatMap(([pattern, targets]) => {
        const matched = starred(pattern, specifier);
        return matched === null ? [] : targets.map((target) => join(base, target.replace("*", matched)));
      }),
    );
  }

  async #file(path: string): Promise<string | null> {
    if (path.includes("/node_modules/")) return null;
    for (const candidate of candidates(path)) if (await this.#exists(candidate)) return candidate;
    return null;
  }

  /** Whether a file lies in the project of who imports it, or in a folder of the run, its links followed. */
  async #isOurs(path: string, from: string): Promise<boolean> {
    const folder = parent(from);
    const project = this.#projects.get(folder) ?? projectRoot(from, this.#files);
    this.#projects.set(folder, project);
    return liesWithin(path, [...this.#roots, await project], this.#files);
  }

  #exists(path: string): Promise<boolean> {
    let known = this.#isFile.get(path);
    if (known === undefined) {
      known = this.#files.info(path).then((info) => info?.kind === "file");
      this.#isFile.set(path, known);
    }
    return known;
  }

  async #json(path: string): Promise<Record<string, unknown> | null> {
    const read = await this.#files.read(path);
    if (!read.ok) return null;
    this.consulted.add(path);
    const value: unknown = parseJsonc(new TextDecoder().decode(read.bytes), [], { allowTrailingComma: true });
    return typeof value === "object" && value !== null ? (value as Record<string, unknown>) : null;
  }

  /** `paths` of the nearest TypeScript configurations, the nearest first. */
  #pathsFor(folder: string): Promise<readonly PathMap[]> {
    let known = this.#paths.get(folder);
    if (known === undefined) {
      known = this.#readPaths(folder);
      this.#paths.set(folder, known);
    }
    return known;
  }

  async #readPaths(folder: string): Promise<readonly PathMap[]> {
    const above = parent(folder);
    const maps: PathMap[] = [];
    for (const name of ["tsconfig.json", "tsconfig.app.json", "jsconfig.json"]) {
      const map = await this.#pathMap(`${folder}/${name}`, 0);
      if (map !== null) maps.push(map);
    }
    return above === folder ? maps : [...maps, ...(await this.#pathsFor(above))];
  }

  async #pathMap(file: string, depth: number): Promise<PathMap | null> {
    const config = await this.#json(file);
    if (config === null || depth > 5) return null;
    const options = config.compilerOptions as
      | { paths?: Record<string, string[]>; baseUrl?: string }
      | undefined;
    const base = join(parent(file), options?.baseUrl ?? ".");
    if (options?.paths !== undefined || options?.baseUrl !== undefined) {
      const paths = Object.entries(options.paths ?? {}).filter(([, targets]) => Array.isArray(targets));
      return {
        folder: base,
        paths: options.baseUrl === undefined ? paths : [...paths, ["*", ["*"]]],
      };
    }
    for (const extended of [config.extends].flat())
      if (typeof extended === "string" && extended.startsWith(".")) {
        const target = join(parent(file), extended.endsWith(".json") ? extended : `${extended}.json`);
        const map = await this.#pathMap(target, depth + 1);
        if (map !== null) return map;
      }
    return null;
  }

  /** A file of another package of the same workspace, by what its package.json exports. */
  async #workspaceFile(specifier: string, folder: string): Promise<string | null> {
    const name = packageName(specifier);
    const root = (await this.#workspace(folder)).get(name);
    if (root === undefined) return null;
    const inner = specifier.slice(name.length + 1);
    const manifest = await this.#json(`${root}/package.json`);
    const exported = entryOf(manifest, inner, sourceFirst);
    for (const candidate of [
      ...exported,
      ...(inner === "" ? ["src/index", "index"] : [inner, `src/${inner}`]),
    ]) {
      const found = await this.#file(join(root, candidate));
      if (found !== null && !found.endsWith(".d.ts")) return found;
    }
    return null;
  }

  /** The packages of the workspace that a folder belongs to: their folders by their names. */
  #workspace(folder: string): Promise<ReadonlyMap<string, string>> {
    let known = this.#packages.get(folder);
    if (known === undefined) {
      known = this.#readWorkspace(folder);
      this.#packages.set(folder, known);
    }
    return known;
  }

  async #readWorkspace(folder: string): Promise<ReadonlyMap<string, string>> {
    const manifest = await this.#json(`${folder}/package.json`);
    const written = manifest?.workspaces;
    const listed = Array.isArray(written)
      ? written
      : (written as { packages?: unknown } | undefined)?.packages;
    const yaml = await this.#files.read(`${folder}/pnpm-workspace.yaml`);
    const globs = Array.isArray(listed)
      ? listed.map(String)
      : yaml.ok
        ? [...new TextDecoder().decode(yaml.bytes).matchAll(/^\s*-\s*["']?([^"'\s#]+)/gm)].map(
            (m) => m[1] ?? "",
          )
        : [];
    if (globs.length > 0) {
      const found = new Map<string, string>();
      const patterns = globs
        .filter((glob) => !glob.startsWith("!"))
        .map((glob) => `${glob.replace(/\/$/, "")}/package.json`);
      for (const file of await this.#files.find(patterns, folder)) {
        const name = (await this.#json(file))?.name;
        if (typeof name === "string") found.set(name, parent(file));
      }
      return found;
    }
    const above = parent(folder);
    return above === folder ? new Map() : this.#workspace(above);
  }
}
