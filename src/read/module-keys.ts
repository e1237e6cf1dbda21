import { isDecorated } from "../readers/composition/component-styles.ts";
import type { SourceModule } from "../readers/composition/source-module.ts";

type Modules = ReadonlyMap<string, SourceModule>;

/** The modules that import each module, by its path. */
const importers = new WeakMap<Modules, ReadonlyMap<string, readonly SourceModule[]>>();

/** Which modules import a module itself. */
export function importersOf(module: SourceModule, modules: Modules): readonly SourceModule[] {
  let known = importers.get(modules);
  if (known === undefined) {
    const found = new Map<string, SourceModule[]>();
    for (const one of modules.values())
      for (const path of new Set(one.imports.values()))
        if (path !== null) {
          const loaded = found.get(path);
          if (loaded === undefined) found.set(path, [one]);
          else loaded.push(one);
        }
    known = found;
    importers.set(modules, known);
  }
  return known.get(module.path) ?? [];
}

/** Every module that leads to one of some, at whatever remove; one of them too, where it leads to itself or another. */
export function leadingToAny(some: readonly SourceModule[], modules: Modules): ReadonlySet<SourceModule> {
  const found = new Set<SourceModule>();
  const waiting = [...some];
  for (let current = waiting.pop(); current !== undefined; current = waiting.pop())
    for (const one of importersOf(current, modules))
      if (!found.has(one)) {
        found.add(one);
        waiting.push(one);
      }
  return found;
}

const installedPaths = ({ installed }: SourceModule): readonly string[] =>
  [...(installed?.values() ?? [])].map(({ path }) => path);

/** Gives each module one text that is another whenever anything changes that it may hang on. */
export class ModuleKeys {
  readonly #modules: Modules;
  readonly #everywhere: SourceModule | null;
  readonly #hash: (text: string) => string;
  readonly #texts = new Map<string, string>();
  readonly #keys = new Map<string, string>();
  #all: string | null = null;

  /** @param everywhere what every module hangs on */
  constructor(modules: Modules, everywhere: SourceModule | null, hash: (text: string) => string) {
    this.#modules = modules;
    this.#everywhere = everywhere;
    this.#hash = hash;
  }

  /** For the module with all that it imports, and the styles of what leads to it. */
  keyOf(module: SourceModule): string {
    const known = this.#keys.get(module.path);
    if (known !== undefined) return known;
    const parts = this.#reached(module);
    for (const above of leadingToAny([module], this.#modules))
      for (const path of above.imports.values()) {
        const style = path === null ? undefined : this.#modules.get(path);
        if (style?.content.kind === "style") parts.add(this.#partOf(style));
      }
    if (this.#everywhere !== null) parts.add(this.#partOf(this.#everywhere));
    const key = this.#hash([...parts].sort().join("\n"));
    this.#keys.set(module.path, key);
    return key;
  }

  #reached(module: SourceModule): Set<string> {
    const met = new Set<SourceModule>([module]);
    const parts = new Set<string>();
    for (const one of met) {
      // A template may use every component that is decorated as one, wherever it stands.
      if (isDecorated(one)) return new Set([this.#whole()]);
      parts.add(this.#partOf(one));
      for (const path of [...one.imports.values(), ...installedPaths(one)]) {
        const next = path === null ? undefined : this.#modules.get(path);
        if (next !== undefined) met.add(next);
      }
    }
    return parts;
  }

  #whole(): string {
    this.#all ??= this.#hash([...this.#modules.values()].map((module) => this.#partOf(module)).join("\n"));
    return this.#all;
  }

  #partOf(module: SourceModule): string {
    let part = this.#texts.get(module.path);
    if (part === undefined) {
      const { path, text, imports, content, installed = [], compiled = new Map() } = module;
      part = this.#hash(
        JSON.stringify([path, text, [...imports], [...installed], content.kind, [...compiled.values()]]),
      );
      this.#texts.set(module.path, part);
    }
    return part;
  }
}
