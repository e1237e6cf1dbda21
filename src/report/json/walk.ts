import type { PageWalk } from "../../answers/walk.ts";
import { findingJson } from "./audit.ts";
import { jsonText } from "./json-text.ts";
import type { WalkDocument } from "./walk-schema.ts";

/** One walk as one JSON document, without a line end. */
export function walkJson({
  target,
  direction,
  stops,
  unreached,
  findings,
  steps,
  openings,
  script,
}: PageWalk): string {
  const key = direction === "forwards" ? "Tab" : "Shift+Tab";
  const document: WalkDocument = {
    format: "even-keel/walk",
    version: 1,
    target,
    engine: steps === null ? "read" : "render",
    stops: stops.map(({ index, element, source, announced, because, odd, keys, certain }) => ({
      index,
      element,
      source,
      announced,
      because,
      odd: [...odd],
      keys: keys.map(({ key, does, native }) => ({ key, does, native })),
      certain,
      box: null,
    })),
    steps:
      steps === null
        ? stops.map(({ element }, index) => ({
            key,
            from: stops[index - 1]?.element ?? null,
            to: element,
            events: index === 0 ? ["focus"] : ["blur", "focus"],
            changes: [],
            said: [],
          }))
        : [...steps, ...openings.flatMap((opening) => opening.steps)].map(
            ({ key: pressed, from, to, events, changes, said }) => ({
              key: pressed,
              from,
              to,
              events: [...events],
              changes: [...changes],
              said: [...said],
            }),
          ),
    script:
      script === null
        ? null
        : script.map(({ came: _, ...line }) => ({ ...line, instead: [...line.instead] })),
    unreached: unreached.map(({ element, source, why }) => ({ element, source, why })),
    findings: findings.map(findingJson),
  };
  return jsonText(document, 2);
}
