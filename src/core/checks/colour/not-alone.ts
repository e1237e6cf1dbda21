import type { ElementNode } from "../../document/node.ts";
import { shortened } from "../../document/shortened.ts";
import { textContent } from "../../document/text-content.ts";
import { cantTell, type Verdict } from "../../findings/verdict.ts";
import { ask } from "../../repair/repair.ts";
import type { Scene } from "../../scene/scene.ts";
import type { PageCheck } from "../check.ts";
import { isExposed } from "../exposed.ts";

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

function judge(element: ElementNode): Verdict {
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
  looksAt: explanations,
  judge,
  examples: [
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
