import type { ElementNode } from "../../document/node.ts";
import { shortened } from "../../document/shortened.ts";
import { attributeText } from "../../document/written.ts";
import { cantTell, passed, type Verdict } from "../../findings/verdict.ts";
import { setWords } from "../../repair/change.ts";
import { askWords, BLANK } from "../../repair/repair.ts";
import type { Scene } from "../../scene/scene.ts";
import type { CheckSettings, PageCheck } from "../check.ts";
import { exposedByRole } from "../exposed.ts";
import { speakable } from "../shown-name.ts";
import { wordsFrom } from "../words-from.ts";
import { linkContext } from "./link-context.ts";

/** Names that are the same wherever they lead. */
const saysNothing = new Set([
  "click",
  "click here",
  "click this",
  "click for more",
  "here",
  "see here",
  "go here",
  "this",
  "this link",
  "this page",
  "link",
  "more",
  "more here",
  "more info",
  "more information",
  "more details",
  "read more",
  "learn more",
  "see more",
  "find out more",
  "show more",
  "view more",
  "details",
  "view details",
  "continue",
  "continue reading",
]);

/** An address is spelled out letter by letter. */
const address = /^(?:https?:\/\/|www\.)\S{12,}$/i;

/** How much of the context is quoted. */
const QUOTED = 80;

function judge(link: ElementNode, scene: Scene, { words }: CheckSettings): Verdict {
  const name = scene.name(link);
  const text = speakable(name.text)
    .toLowerCase()
    .replace(/[\s.…»›>:!→]+$/u, "")
    .trim();
  const isVague = saysNothing.has(text) || words.some((word) => word.toLowerCase() === text);
  if (!name.certain || (!isVague && !address.test(text))) return passed;
  const context = linkContext(scene, link);
  const repair = askWords(
    `Let the link say where it leads${attributeText(link, "href") === null ? "" : ` (${attributeText(link, "href")})`}, in words that make sense in a list of links.`,
    "Where the link leads",
    wordsFrom(attributeText(link, "href")),
    [setWords(link, BLANK)],
  );
  const details = { facts: { name: name.text } };
  if (address.test(text))
    return cantTell(`Is the address "${name.text}" what people should hear here?`, repair, details);
  return context === null || context === ""
    ? cantTell(`Do people know where "${name.text}" leads? Nothing around it says so.`, repair, details)
    : cantTell(
        `Is it plain where "${name.text}" leads? Around it stands only: "${shortened(context, QUOTED)}".`,
        repair,
        details,
      );
}

export const linkPurpose = {
  id: "names.link-purpose",
  kind: "page",
  criteria: ["2.4.4"],
  severity: "barrier",
  means: 'A link says where it leads, in more than "click here", "more" or an address.',
  who: "Someone who goes from link to link, or has them listed, hears the same word ten times.",
  mend: "Put the words that tell them apart into the link.",
  takesWords: "further names that say nothing, such as those of other languages",
  looksAt: (scene: Scene) => exposedByRole(scene, "link"),
  judge,
  examples: [
    { html: `<a href="tides.html">Tide table for May</a>`, finds: [] },
    { html: `<a href="tides.html" aria-label="More about tides">More</a>`, finds: [] },
    { html: `<a href="x">boat.example</a>`, finds: [] },
    {
      html: `<p>Tides for May are out. <a href="tides.html">Read more…</a></p>`,
      finds: [
        [
          "cantTell",
          `<a href="tides.html">`,
          `Is it plain where "Read more…" leads? Around it stands only: "Tides for May are out. Read more…".`,
        ],
      ],
    },
    {
      html: `<div><a href="tides.html">Click here</a></div>`,
      finds: [
        [
          "cantTell",
          `<a href="tides.html">`,
          `Do people know where "Click here" leads? Nothing around it says so.`,
        ],
      ],
    },
    {
      html: `<a href="x">https://boatyard.example/tides/may</a>`,
      finds: [
        [
          "cantTell",
          `<a href="x">`,
          `Is the address "https://boatyard.example/tides/may" what people should hear here?`,
        ],
      ],
    },
  ],
} as const satisfies PageCheck;
