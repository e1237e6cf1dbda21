import { elementsBelow } from "../../document/around.ts";
import { countOf } from "../../document/count-of.ts";
import type { ElementNode } from "../../document/node.ts";
import { shortened } from "../../document/shortened.ts";
import { textContent } from "../../document/text-content.ts";
import { cantTell, inapplicable, type Verdict } from "../../findings/verdict.ts";
import { ask } from "../../repair/repair.ts";
import type { Scene } from "../../scene/scene.ts";
import type { PageCheck } from "../check.ts";
import { isExposed } from "../exposed.ts";
import { type CollapsingPair, pairsOfDrawing } from "./pairs-by-colour.ts";

const colours = "red|green|blue|yellow|orange|grey|gray|purple|pink|amber";
/** Sentences that explain a colour: what they mean must be told another way too. */
const explains = new RegExp(
  `\\b(?:(?:marked|shown|highlighted|displayed|printed|listed|appear|are|is)\\s+in\\s+(?:${colours})|in\\s+(?:${colours})\\s+(?:are|is|must|have|mean)|(?:${colours})\\s+(?:means?|indicates?|shows?|fields?|items?|rows?|entries|labels?|slips?|berths?|dots?|cells?))\\b`,
  "i",
);

function* explanations(scene: Scene): Iterable<ElementNode> {
  const { index } = scene.page;
  for (const tag of ["p", "li", "legend", "label", "caption", "figcaption", "small", "div", "span", "td"]) {
    for (const element of index.byTag(tag)) {
      if ((tag === "div" || tag === "span") && index.childElements(element).length > 3) continue;
      const text = textContent(element);
      if (text.length > 200 || !explains.test(text) || !isExposed(scene, element)) continue;
      if (index.childElements(element).some((child) => explains.test(textContent(child)))) continue;
      yield element;
    }
  }
}

/** Drawings with words in them, which may be a chart and its legend, whose colours fall together for some eye. */
const chartsLost = (scene: Scene): readonly ElementNode[] =>
  scene.page.index
    .byTag("svg")
    .filter(
      (svg) =>
        [...elementsBelow(scene.page.index, svg)].some(({ tag }) => tag === "text") &&
        isDrawn(scene, svg) &&
        lostIn(scene, svg).length > 0,
    );

const isDrawn = (scene: Scene, svg: ElementNode): boolean => scene.seen?.usual.isDrawn(svg) === true;

/** The pairs that more people lose than the few who see no colours at all. */
const lostIn = (scene: Scene, svg: ElementNode): readonly CollapsingPair[] =>
  pairsOfDrawing(scene, svg).filter(({ lost }) => lost.some(({ eye }) => eye.id !== "no-colour"));

function judgeChart(svg: ElementNode, scene: Scene): Verdict {
  const [first, ...others] = lostIn(scene, svg);
  const worst = first?.lost.find(({ eye }) => eye.id !== "no-colour");
  if (first === undefined || worst === undefined) return inapplicable;
  const { one, other } = first;
  const { eye, before, after } = worst;
  const more = others.length === 0 ? "" : ` So do ${countOf(others.length, "more pair", "more pairs")}.`;
  return cantTell(
    `${one.name} and ${other.name} in this drawing look the same with ${eye.id}.${more} Does a word, a sign or a pattern tell them apart too?`,
    ask("Write words at the parts, give them patterns, or take colours of other lightness."),
    { facts: { one: one.name, other: other.name, eye: eye.id, before, after } },
  );
}

function judge(element: ElementNode, scene: Scene): Verdict {
  if (element.tag === "svg") return judgeChart(element, scene);
  const text = textContent(element);
  return cantTell(
    `"${shortened(text, 80)}": is what the colour means told another way too, by a word or a sign?`,
    ask("Write a word or a sign beside the colour, and name that in the explanation."),
    { facts: { text } },
  );
}

export const colourNotAlone = {
  id: "colour.not-alone",
  kind: "page",
  isHeard: false,
  surroundings: "colours",
  criteria: ["1.4.1"],
  severity: "barrier",
  means: "What a colour means is told by a word, a sign or a shape too.",
  who: "Someone who does not see the colour, or does not tell it from another, misses what it says.",
  mend: "Add a word or a sign.",
  *looksAt(scene: Scene) {
    yield* explanations(scene);
    yield* chartsLost(scene);
  },
  judge,
  examples: [
    {
      html: `<svg width="300" height="100" role="img" aria-label="Slips"><rect width="90" height="60" fill="#4f8a3c"/><rect x="100" width="90" height="60" fill="#b8702f"/><text y="90">Free, taken</text></svg>`,
      isSeen: true,
      finds: [
        [
          "cantTell",
          `<svg width="300" height="100" role="img" aria-label="Slips">`,
          "#4f8a3c and #b8702f in this drawing look the same with protanopia. Does a word, a sign or a pattern tell them apart too?",
        ],
      ],
    },
    {
      html: `<svg width="300" height="100" role="img" aria-label="Slips"><rect width="90" height="60" fill="#1d4a63"/><rect x="100" width="90" height="60" fill="#f2d06b"/><text y="90">Free, taken</text></svg>`,
      isSeen: true,
      finds: [],
    },
    { html: `<p>Free slips carry a star.</p>`, finds: [] },
    { html: `<p>The red buoy marks the channel.</p>`, finds: [] },
    {
      html: `<p>Required fields are marked in red.</p>`,
      finds: [
        [
          "cantTell",
          "<p>",
          `"Required fields are marked in red.": is what the colour means told another way too, by a word or a sign?`,
        ],
      ],
    },
    {
      html: `<p>Green means free.</p>`,
      finds: [
        [
          "cantTell",
          "<p>",
          `"Green means free.": is what the colour means told another way too, by a word or a sign?`,
        ],
      ],
    },
  ],
} as const satisfies PageCheck;
