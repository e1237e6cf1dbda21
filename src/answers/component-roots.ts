import { placeKey } from "../readers/components/component-name.ts";
import type { Composed, Composer, FoundComponent } from "../readers/components/compose.ts";
import type { SourceModule } from "../readers/components/source-module.ts";
import type { LoadedSources } from "./load-sources.ts";

/**
 * The components that nobody uses, each with all that it renders; then those that no root has come to. Files that nobody
 * imports come first, so that what they use is seen inside them.
 * @param onTooDeep told of each file whose markup nests too deeply to be composed
 */
export function* composedRoots(
  composing: Composer,
  { entries, modules }: LoadedSources,
  onTooDeep: (module: SourceModule) => void = () => {},
): Iterable<Composed> {
  const own = entries.flatMap(({ path }) => (path === null ? [] : (modules.get(path) ?? [])));
  const imported = new Set(
    [...modules.values()].flatMap((module) =>
      [...module.imports.values()].filter((path) => path !== module.path),
    ),
  );
  const rendered = new Set<string>();
  const waiting: FoundComponent[] = [];
  const compose = function* (found: FoundComponent): Iterable<Composed> {
    if (rendered.has(placeKey(found.component.source))) return;
    let composed: Composed;
    try {
      composed = composing.compose(found);
    } catch (error) {
      // Markup goes down deeper than there is room for.
      if (!(error instanceof RangeError)) throw error;
      onTooDeep(found.module);
      return;
    }
    for (const key of composed.rendered) rendered.add(key);
    yield composed;
  };
  for (const module of own) {
    const found = composing.componentsOf(module);
    const used = usedInside(module, found);
    for (const one of found) {
      if (imported.has(module.path) || used.has(one.name)) waiting.push(one);
      else yield* compose(one);
    }
  }
  for (const one of waiting) yield* compose(one);
}

/** Which of a file's components its other components use, as far as their names say. */
const usedInside = ({ text }: SourceModule, found: readonly FoundComponent[]): ReadonlySet<string> =>
  new Set(found.map(({ name }) => name).filter((name) => new RegExp(`<${name}[\\s/>.]`).test(text)));

/** What a root is called: its file, and its own name where the file has several components. */
export function subjectName({ module, name }: FoundComponent, composing: Composer): string {
  return composing.componentsOf(module).length > 1 ? `${module.file}#${name}` : module.file;
}
