import type { ElementNode } from "../../document/node.ts";
import type { Cause } from "../../findings/cause.ts";
import { cantTell, failed, passed, type Verdict } from "../../findings/verdict.ts";
import { ask } from "../../repair/repair.ts";
import type { Scene } from "../../scene/scene.ts";
import type { PageCheck } from "../check.ts";
import { elementsInside } from "../exposed.ts";
import { pictureCause } from "../names/picture-cause.ts";
import { mayBeFilled } from "../scripts.ts";
import { holdsUnknownContent, isUnnamed, speakable } from "../shown-name.ts";
import { headingsOf } from "./headings.ts";

function judge(heading: ElementNode, scene: Scene): Verdict {
  const repair = ask("Write what the part below is about, or take the heading away.");
  if (isUnnamed(scene, heading)) {
    if (heading.spread !== null) return passed;
    if (mayBeFilled(scene, heading))
      return cantTell("Does a script write words into this heading? Without them it says nothing.", repair);
    const unknown = holdsUnknownContent(scene, heading);
    return unknown === null
      ? failed("This heading says nothing.", repair, causeIn(heading, scene))
      : cantTell(
          `Does <${unknown.tag}> bring text of its own? Without it this heading says nothing.`,
          repair,
        );
  }
  const name = scene.name(heading);
  return !name.certain || /[\p{L}\p{N}]/u.test(speakable(name.text))
    ? passed
    : failed(`This heading says only "${name.text}".`, repair, { facts: { name: name.text } });
}

/** Where the only thing in a heading is a picture, its alternative mends both. */
function causeIn(heading: ElementNode, scene: Scene): { readonly cause?: Cause } {
  const pictures = [...elementsInside(scene, heading)].filter(({ tag }) => tag === "img");
  const [picture] = pictures;
  return picture === undefined || pictures.length > 1 ? {} : { cause: pictureCause(scene, picture) };
}

export const headingsSay = {
  id: "structure.headings-say",
  kind: "page",
  criteria: ["1.3.1", "2.4.6"],
  severity: "barrier",
  means: "Every heading has words.",
  who: 'Someone who moves by headings hears "heading level 2" and nothing more.',
  mend: "Give it words, or use something else to make room.",
  looksAt: (scene: Scene) => headingsOf(scene).map(({ element }) => element),
  judge,
  examples: [
    { html: `<h2>Slips</h2>`, finds: [] },
    { html: `<h2><img src="a.png" alt="Slips"></h2>`, finds: [] },
    { html: `<h2 hidden></h2>`, finds: [] },
    {
      html: `<!doctype html><title>t</title><h2 id="slip"></h2><script>show("slip")</script>`,
      finds: [
        [
          "cantTell",
          `<h2 id="slip">`,
          "Does a script write words into this heading? Without them it says nothing.",
        ],
      ],
      others: 3,
    },
    { html: `<h2></h2>`, finds: [["failed", "<h2>", "This heading says nothing."]] },
    { html: `<h2><img src="a.png" alt=""></h2>`, finds: [["failed", "<h2>", "This heading says nothing."]] },
    { html: `<h2>– –</h2>`, finds: [["failed", "<h2>", `This heading says only "– –".`]] },
    {
      html: `<h2><yard-name></yard-name></h2>`,
      finds: [
        ["cantTell", "<h2>", "Does <yard-name> bring text of its own? Without it this heading says nothing."],
      ],
    },
  ],
} as const satisfies PageCheck;
