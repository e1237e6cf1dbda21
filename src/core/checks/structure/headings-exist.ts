import type { ElementNode } from "../../document/node.ts";
import { textContent } from "../../document/text-content.ts";
import { cantTell, failed, inapplicable, passed, pointingAt, type Verdict } from "../../findings/verdict.ts";
import { renameElement } from "../../repair/change.ts";
import { ask, type Repair, withChanges } from "../../repair/repair.ts";
import type { Scene } from "../../scene/scene.ts";
import type { PageCheck } from "../check.ts";
import { holdsUnknownContent } from "../shown-name.ts";
import { visibleText } from "../visible-text.ts";
import { headingsOf } from "./headings.ts";

/** A page with less text needs no headings to move by. */
const WORTH_HEADINGS = 400;

function judge(body: ElementNode, scene: Scene): Verdict {
  const headings = headingsOf(scene);
  const [first] = headings;
  const unknown = holdsUnknownContent(scene, body);
  if (unknown !== null && !headings.some(({ level }) => level === 1))
    return cantTell(
      `No heading in this source is at level 1. Does <${unknown.tag}>, which is not defined here, bring one?`,
      ask("If not, head the page with <h1>."),
    );
  if (first === undefined) {
    if ((visibleText(scene, body) ?? "").length < WORTH_HEADINGS) return inapplicable;
    const title = scene.page.index.byTag("title")[0];
    const words = title === undefined ? "" : textContent(title);
    return failed(
      "This page has no headings.",
      ask(
        words === ""
          ? "Begin the content with an <h1> that says what the page is about, and its parts with <h2>."
          : `Begin the content with an <h1>: perhaps "${words}".`,
      ),
    );
  }
  if (headings.some(({ level }) => level === 1)) return passed;
  const name = scene.name(first.element).text;
  return failed(
    "No heading of this page is at level 1.",
    headed(
      first.element,
      `Make the heading that says what the page is about an <h1>${name === "" ? "" : `: "${name}"?`}`.replace(
        /([^.?])$/,
        "$1.",
      ),
    ),
    pointingAt(first.element),
  );
}

const headed = (heading: ElementNode, summary: string): Repair =>
  /^h[2-6]$/.test(heading.tag) && !heading.attributes.has("aria-level")
    ? withChanges("likely", summary, [renameElement(heading, "h1")])
    : ask(summary);

export const headingsExist = {
  id: "structure.headings-exist",
  kind: "page",
  surroundings: "page",
  criteria: [],
  severity: "friction",
  means: "A page has headings, one of them at level 1.",
  who: "Someone who moves from heading to heading finds none, or cannot tell where the content begins.",
  mend: "Head the page with <h1> and its parts with <h2>.",
  pageOnly: true,
  looksAt: (scene: Scene) => scene.page.index.byTag("body").slice(0, 1),
  judge,
  examples: [
    { html: `<!doctype html><title>t</title><h1>Slips</h1><p>x</p>`, finds: [], others: 2 },
    { html: `<!doctype html><title>t</title><p>Closed.</p>`, finds: [], others: 1 },
    {
      html: `<!doctype html><title>t</title><h2>Slips</h2><p>x</p>`,
      finds: [["failed", "<body>", "No heading of this page is at level 1."]],
      others: 2,
    },
    {
      html: `<!doctype html><title>t</title><yard-app></yard-app><h2>Slips</h2>`,
      finds: [
        [
          "cantTell",
          "<body>",
          "No heading in this source is at level 1. Does <yard-app>, which is not defined here, bring one?",
        ],
      ],
      others: 1,
    },
    {
      html: `<!doctype html><title>t</title><main></main><script>/* ${"High water. ".repeat(50)} */</script>`,
      finds: [],
      others: 1,
    },
    {
      html: `<!doctype html><title>t</title><p>${"High water. ".repeat(50)}</p>`,
      finds: [["failed", "<body>", "This page has no headings."]],
      others: 1,
    },
  ],
} as const satisfies PageCheck;
