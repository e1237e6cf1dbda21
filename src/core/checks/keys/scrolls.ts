import type { ElementNode } from "../../document/node.ts";
import { textContent } from "../../document/text-content.ts";
import { cantTell, inapplicable, passed, type Verdict } from "../../findings/verdict.ts";
import { isTabbable } from "../../rendering/focusable.ts";
import { setAttribute } from "../../repair/change.ts";
import { withChanges } from "../../repair/repair.ts";
import type { Scene } from "../../scene/scene.ts";
import type { PageCheck } from "../check.ts";
import { elementsInside, isExposed } from "../exposed.ts";

/** Elements whose styles make them scroll within a height of their own. */
function* scrollAreas(scene: Scene): Iterable<ElementNode> {
  const { index, styles } = scene.page;
  if (!styles.declares("overflow-y") && !styles.declares("overflow-x")) return;
  for (const element of index.elements) {
    const overflow = styles.keyword(element, "overflow-y");
    if (overflow !== "auto" && overflow !== "scroll") continue;
    if (/^(?:html|body|textarea|select|iframe)$/.test(element.tag) || !isExposed(scene, element)) continue;
    if (heightOf(scene, element) !== null) yield element;
  }
}

const heightOf = (scene: Scene, element: ElementNode): number | null =>
  scene.page.styles.pixels({ element }, "height") ?? scene.page.styles.pixels({ element }, "max-height");

/** Letters that fit on a square of a hundred pixels at sixteen pixels of type: a cautious guess. */
const LETTERS_PER_SQUARE = 110;

function judge(area: ElementNode, scene: Scene): Verdict {
  if (isTabbable(scene.page, scene.presence, area) !== false) return passed;
  for (const inside of elementsInside(scene, area))
    if (isTabbable(scene.page, scene.presence, inside) !== false) return passed;
  const height = heightOf(scene, area) ?? 0;
  const width = scene.page.styles.pixels({ element: area }, "width") ?? 1280;
  const room = (height / 100) * (width / 100) * LETTERS_PER_SQUARE;
  const text = textContent(area);
  if (text.length <= room) return inapplicable;
  return cantTell(
    `This area scrolls (${Math.round(height)}px high, ${text.length} letters), and nothing in it takes focus. Can it be scrolled by keyboard in every browser you support?`,
    withChanges("likely", 'Add tabindex="0", a role and a name: role="region" aria-label="…".', [
      setAttribute(area, "tabindex", "0"),
    ]),
    { facts: { height } },
  );
}

export const scrolls = {
  id: "keys.scrolls",
  kind: "page",
  isAboutKeys: true,
  outOfReach: "scrolls, and nothing in it takes focus",
  criteria: ["2.1.1"],
  severity: "barrier",
  means: "An area that scrolls can be scrolled by keyboard.",
  who: "Someone who uses the keyboard sees the first lines and cannot get to the others.",
  mend: 'Let it take focus: tabindex="0" with role="region" and a name.',
  looksAt: scrollAreas,
  judge,
  examples: [
    {
      html: `<div style="height: 100px; overflow: auto" tabindex="0" role="region" aria-label="Terms">${"Haul out. ".repeat(300)}</div>`,
      finds: [],
    },
    {
      html: `<div style="height: 100px; overflow: auto"><a href="x">Terms</a>${"Haul out. ".repeat(300)}</div>`,
      finds: [],
    },
    { html: `<div style="height: 100px; overflow: auto">Terms</div>`, finds: [] },
    {
      html: `<div style="height: 100px; overflow: auto">${"Haul out. ".repeat(300)}</div>`,
      finds: [
        [
          "cantTell",
          `<div style="height: 100px; overflow: auto">`,
          "This area scrolls (100px high, 2999 letters), and nothing in it takes focus. Can it be scrolled by keyboard in every browser you support?",
        ],
      ],
    },
  ],
} as const satisfies PageCheck;
