import { parse as parseJsonc } from "jsonc-parser";
import type { Files } from "../../host/host.ts";

/** Endings that may be left off an import, in the order they are tried. */
const endings = [".tsx", ".ts", ".jsx", ".js", ".mts", ".mjs", ".vue", ".svelte", ".json"] as const;

/** What a compiled name may stand for in source. */
const sourceOf: Readonly<Record<string, readonly string[]>> = {
  ".js": [".ts", ".tsx", ".jsx"],
  ".mjs": [".mts"],
  ".jsx": [".tsx"],
};

/** The files that a path may mean, the likeliest first. */
function candidates(path: string): readonly string[] {
  const ending = /\.[a-z]+$/.exec(path)?.[0] ?? "";
  const bare = path.slice(0, path.length - ending.length);
  return [
    path,
    ...(sourceOf[ending] ?? []).map((other) => bare + other),
    ...endings.map((added) => path + added),
    ...endings.map((added) => `${path}/index${added}`),
  ];
}

interface PathMap {
  readonly folder: string;
  readonly paths: readonly (readonly [pattern: string, targets: readonly string[]])[];
}

/** Finds the files that imports name. Paths are absolute, with forward slashes. */
export class ImportResolver {
  readonly #files: Files;
  readonly #known: ReadonlySet<string>;
  /** Configurations and manifests that were read. */
  readonly consulted = new Set<string>();
  /** Relative imports that led nowhere, as the paths that were tried first. */
  readonly missing: string[] = [];
  readonly #isFile = new Map<string, Promise<boolean>>();
  readonly #paths = new Map<string, Promise<readonly PathMap[]>>();
  readonly #packages = new Map<string, Promise<ReadonlyMap<string, string>>>();

  /** @param known files that are there for certain, absolute: imports of those ask no disk */
  constructor(files: Files, known: ReadonlySet<string>) {
    this.#files = files;
    this.#known = known;
  }

  /** The file that a relative import names, where it is among those known; null for any other. */
  known(specifier: string, from: string): string | null {
    if (!/^\.{1,2}\//.test(specifier)) return null;
    const path = join(parent(from), specifier);
    return candidates(path).find((candidate) => this.#known.has(candidate)) ?? null;
  }

  /** The file an import in `from` names; null where it is in no source of the project. */
  async resolve(specifier: string, from: string): Promise<string | null> {
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
    const [first = "", second = ""] = specifier.split("/");
    const name = first.startsWith("@") ? `${first}/${second}` : first;
    const root = (await this.#workspace(folder)).get(name);
    if (root === undefined) return null;
    const inner = specifier.slice(name.length + 1);
    const manifest = await this.#json(`${root}/package.json`);
    const exported = entryOf(manifest, inner);
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

/** What a package gives for a path in it, the source before what was built from it. */
function entryOf(manifest: Record<string, unknown> | null, inner: string): readonly string[] {
  if (manifest === null) return [];
  const found: string[] = [];
  const take = (value: unknown): void => {
    if (typeof value === "string") found.push(value);
    else if (Array.isArray(value)) value.forEach(take);
    else if (typeof value === "object" && value !== null) {
      const conditions = value as Record<string, unknown>;
      for (const key of ["source", "development", "svelte", "import", "default", "require"])
        if (key in conditions) take(conditions[key]);
    }
  };
  const exported = manifest.exports;
  if (typeof exported === "object" && exported !== null && !Array.isArray(exported)) {
    const key = inner === "" ? "." : `./${inner}`;
    const table = exported as Record<string, unknown>;
    if (key in table) take(table[key]);
    else if (inner === "" && !Object.keys(table).some((name) => name.startsWith("."))) take(table);
  } else take(exported);
  if (inner === "") for (const key of ["source", "svelte", "module", "main"]) take(manifest[key]);
  return found;
}

function starred(pattern: string, text: string): string | null {
  const star = pattern.indexOf("*");
  if (star < 0) return pattern === text ? "" : null;
  const [before, after] = [pattern.slice(0, star), pattern.slice(star + 1)];
  return text.length >= before.length + after.length && text.startsWith(before) && text.endsWith(after)
    ? text.slice(before.length, text.length - after.length)
    : null;
}

const parent = (path: string): string => path.slice(0, Math.max(1, path.lastIndexOf("/"))) || "/";

function join(folder: string, relative: string): string {
  const parts = relative.startsWith("/") ? [] : folder.split("/");
  for (const part of relative.split("/")) {
    if (part === "..") parts.pop();
    else if (part !== "." && part !== "") parts.push(part);
  }
  return parts.join("/").startsWith("/") ? parts.join("/") : `/${parts.join("/")}`;
}
