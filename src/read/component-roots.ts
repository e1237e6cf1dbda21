import type { LoadedSources } from "../engine/sources.ts";
import { placeKey } from "../readers/composition/component-name.ts";
import type { Composed, Composer, FoundComponent } from "../readers/composition/compose.ts";
import type { SourceModule } from "../readers/composition/source-module.ts";

/**
 * The components of the files that were asked for, in the order in which they are looked at: those that nobody seems to use
 * come first, so that what they use is seen inside them.
 */
export function rootCandidates(
  componentsOf: (module: SourceModule) => readonly FoundComponent[],
  { entries, modules }: LoadedSources,
): readonly FoundComponent[] {
  const entryModules = entries.flatMap(({ path }) => (path === null ? [] : (modules.get(path) ?? [])));
  const imported = new Set(
    [...modules.values()].flatMap((module) =>
      [...module.imports.values()].filter((path) => path !== module.path),
    ),
  );
  const first: FoundComponent[] = [];
  const waiting: FoundComponent[] = [];
  for (const module of entryModules) {
    const found = componentsOf(module);
    const used = usedInside(module, found);
    for (const one of found) (imported.has(module.path) || used.has(one.name) ? waiting : first).push(one);
  }
  return [...first, ...waiting];
}

/** Every component of the files that were asked for. */
export const componentsWithin = (
  composing: Composer,
  { entries, modules }: LoadedSources,
): readonly FoundComponent[] =>
  entries.flatMap(({ path }) => {
    const module = path === null ? undefined : modules.get(path);
    return module === undefined ? [] : composing.componentsOf(module);
  });

/** Which of a file's components its other components use, as far as their names say. */
const usedInside = ({ text }: SourceModule, found: readonly FoundComponent[]): ReadonlySet<string> =>
  new Set(found.map(({ name }) => name).filter((name) => new RegExp(`<${name}[\\s/>.]`).test(text)));

/** The components that nobody uses, each with all that it renders; then those that no root has come to. */
export function* composedRoots(composing: Composer, sources: LoadedSources): Iterable<Composed> {
  const rendered = new Set<string>();
  for (const found of rootCandidates((module) => composing.componentsOf(module), sources)) {
    if (rendered.has(placeKey(found.component.source))) continue;
    const composed = composedWhole(composing, found);
    for (const key of composed?.rendered ?? []) rendered.add(key);
    if (composed !== null) yield composed;
  }
}

/** A component with all that it renders; null where its markup nests too deeply to be composed. */
export function composedWhole(composing: Composer, found: FoundComponent): Composed | null {
  try {
    return composing.compose(found);
  } catch (error) {
    // Markup goes down deeper than there is room for.
    if (!(error instanceof RangeError)) throw error;
    return null;
  }
}

/** What a root is called: its file, and its own name where the file has several components. */
export const subjectName = ({ module, name }: FoundComponent, composing: Composer): string =>
  composing.componentsOf(module).length > 1 ? `${module.file}#${name}` : module.file;
