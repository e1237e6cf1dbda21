import type { ElementNode } from "../../document/node.ts";
import { failed, passed, type Verdict } from "../../findings/verdict.ts";
import { renameElement, setAttribute } from "../../repair/change.ts";
import { withChanges } from "../../repair/repair.ts";
import { keptForScene } from "../../scene/kept.ts";
import type { Scene } from "../../scene/scene.ts";
import type { PageCheck } from "../check.ts";
import { type Heading, headingsOf } from "./headings.ts";

/** For each heading the one before it. */
const before = keptForScene((scene): ReadonlyMap<ElementNode, { own: Heading; previous: Heading | null }> => {
  const headings = headingsOf(scene);
  return new Map(headings.map((own, index) => [own.element, { own, previous: headings[index - 1] ?? null }]));
});

function judge(heading: ElementNode, scene: Scene): Verdict {
  const place = before(scene).get(heading);
  if (place === undefined || place.previous === null) return passed;
  const { own, previous } = place;
  if (own.level <= previous.level + 1) return passed;
  const level = previous.level + 1;
  return failed(
    `This heading of level ${own.level} comes after one of level ${previous.level} ("${scene.name(previous.element).text}"): a level is passed over.`,
    /^h[1-6]$/.test(heading.tag) && !heading.attributes.has("aria-level")
      ? withChanges("likely", `Make it <h${level}>, and set its size in the stylesheet.`, [
          renameElement(heading, `h${level}`),
        ])
      : withChanges("likely", `Give it level ${level}.`, [
          setAttribute(heading, "aria-level", String(level)),
        ]),
    { facts: { level: own.level, before: previous.level } },
  );
}

export const headingsStep = {
  id: "structure.headings-step",
  kind: "page",
  surroundings: "page",
  criteria: [],
  severity: "friction",
  means: "Heading levels go down one step at a time.",
  who: "Someone who moves by headings wonders whether they missed a part of the page.",
  mend: "Choose the level by what the heading is a part of, and its size in the stylesheet.",
  looksAt: (scene: Scene) => headingsOf(scene).map(({ element }) => element),
  judge,
  examples: [
    { html: `<h1>Yard</h1><h2>Slips</h2><h3>North</h3><h2>Tides</h2>`, finds: [] },
    { html: `<h3>Slips</h3>`, finds: [] },
    {
      html: `<h1>Yard</h1><h3>Slips</h3>`,
      finds: [
        [
          "failed",
          "<h3>",
          `This heading of level 3 comes after one of level 1 ("Yard"): a level is passed over.`,
        ],
      ],
    },
  ],
} as const satisfies PageCheck;
