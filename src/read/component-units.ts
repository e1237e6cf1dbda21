import { type SceneOptions, sceneFromSource } from "../core/scene/scene.ts";
import { documentIn, firstArms } from "../core/worlds/world.ts";
import type { LoadedSources } from "../engine/sources.ts";
import type { Unit, UnitDocument } from "../engine/unit.ts";
import { composer } from "../readers/composition/compose.ts";
import type { ReadingPlan } from "../settings/plan.ts";
import { composedRoots, subjectName } from "./component-roots.ts";
import { applied, ComponentStyles, ScriptSheets } from "./component-sheets.ts";
import { sceneOptions } from "./scene-options.ts";

/** Components as units: each that nobody uses, as it is when everything that is open falls as it stands first. */
export function componentUnits(sources: LoadedSources, plan: ReadingPlan): readonly Unit[] {
  const composing = composer({ modules: sources.modules, standsFor: plan.components });
  const brought = new ComponentStyles(sources.modules, sources.everywhere);
  const scriptSheets = new ScriptSheets(composing.scriptStyles);
  const options: SceneOptions = sceneOptions(plan);
  const units: Unit[] = [];
  for (const { found, tree } of composedRoots(composing, sources)) {
    const entry = sources.entries.find(({ path }) => path === found.module.path) ?? sources.entries[0];
    if (entry === undefined) continue;
    const { document, origins } = documentIn(tree, firstArms);
    const { sheets, known } = brought.of(found.module);
    const styles = applied([...sources.sheets, ...sheets, ...scriptSheets.of(origins.keys())], document);
    const id = subjectName(found, composing);
    let page: UnitDocument | null = null;
    units.push({
      subject: {
        id,
        target: entry.target,
        kind: "component",
        engine: "read",
        specimen: null,
        state: "as loaded",
      },
      page: { ...entry, path: found.module.path, name: id },
      isWritten: true,
      texts: sources.texts,
      documents: async () => {
        page ??= {
          scene: sceneFromSource(document, styles, { ...options, stylesKnown: known }),
          sheets: styles,
          frame: null,
        };
        return { documents: [page], texts: new Map(), problems: [], isComplete: true };
      },
      driver: null,
    });
  }
  return units;
}
