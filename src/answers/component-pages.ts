import type { Sheet } from "../core/css/sheet.ts";
import { documentIn, firstArms } from "../core/worlds/world.ts";
import { composer } from "../readers/components/compose.ts";
import { composedRoots, subjectName } from "./component-roots.ts";
import { applied, sheetsReached } from "./component-sheets.ts";
import type { LoadedPage, LoadOptions } from "./load-page.ts";
import type { LoadedSources } from "./load-sources.ts";
import type { PageFile } from "./targets.ts";

/** Components as pages: each that nobody uses, as it is when everything that is open falls as it stands first. */
export function* componentPages(
  sources: LoadedSources,
  { components }: LoadOptions,
): Iterable<{ readonly page: PageFile; readonly loaded: LoadedPage }> {
  const composing = composer({ modules: sources.modules, standsFor: components });
  const parsed = new Map<string, Sheet>();
  for (const { found, tree } of composedRoots(composing, sources)) {
    const { document } = documentIn(tree, firstArms);
    const { sheets, known } = sheetsReached(found.module, sources.modules, parsed);
    const entry = sources.entries.find(({ path }) => path === found.module.path) ?? sources.entries[0];
    if (entry === undefined) continue;
    yield {
      page: { ...entry, path: found.module.path, name: subjectName(found, composing) },
      loaded: {
        document,
        sheets: applied([...sources.sheets, ...sheets], document),
        texts: sources.texts,
        stylesKnown: known,
        problems: [],
        frames: new Map(),
      },
    };
  }
}
