import type { ElementNode } from "../../document/node.ts";
import { attributeText } from "../../document/written.ts";
import { cantTell, failed, inapplicable, passed, type Verdict } from "../../findings/verdict.ts";
import { ask, withChanges } from "../../repair/repair.ts";
import type { Scene } from "../../scene/scene.ts";
import type { PageCheck } from "../check.ts";
import { exposedByRole } from "../exposed.ts";
import { fragmentTarget, skipLinks } from "../keys/skip-link.ts";
import { holdsUnknownContent } from "../shown-name.ts";
import { calledMainIn, mainMarked } from "./main-part.ts";

const judgedAt = (scene: Scene): readonly ElementNode[] => {
  const mains = exposedByRole(scene, "main");
  return mains.length > 1 ? mains.slice(1) : scene.page.index.byTag("body").slice(0, 1);
};

function judge(element: ElementNode, scene: Scene): Verdict {
  const mains = exposedByRole(scene, "main");
  if (mains.length === 1) return passed;
  const [first] = mains;
  if (first === undefined) {
    if (exposedByRole(scene, "heading", "link", "button").length === 0) return inapplicable;
    const meant = calledMainIn(scene, element);
    const summary =
      meant === null
        ? "Put what the page is for into <main>."
        : `Make it a <main>: perhaps <${meant.tag}${attributeText(meant, "id") === null ? "" : ` id="${attributeText(meant, "id")}"`}>.`;
    // A skip link that leads nowhere names the id that the content was to have.
    const lost = skipLinks(scene).find((link) => fragmentTarget(scene, link) === null);
    const changes = mainMarked(
      scene,
      lost === undefined ? null : (attributeText(lost, "href")?.trim().slice(1) ?? null),
    );
    const unknown = holdsUnknownContent(scene, element);
    if (unknown !== null)
      return cantTell(
        `Nothing in this source is marked as its main content. Does <${unknown.tag}>, which is not defined here, hold it?`,
        ask(summary),
      );
    return failed(
      "Nothing on this page is marked as its main content.",
      changes === null ? ask(summary) : withChanges("likely", summary, changes),
    );
  }
  return failed(
    "This page has a main part already: a page has one.",
    ask("Put what belongs to the main content into one <main>; hide the ones that are not shown."),
    { facts: { mains: mains.length } },
  );
}

export const oneMain = {
  id: "structure.main",
  kind: "page",
  criteria: [],
  severity: "friction",
  means: "A page marks one part as its main content.",
  who: "Someone using a screen reader presses the key for the main part, and nothing happens.",
  mend: "Put what the page is for into <main>.",
  pageOnly: true,
  looksAt: judgedAt,
  judge,
  examples: [
    { html: `<!doctype html><title>t</title><main><h1>Slips</h1></main>`, finds: [], others: 1 },
    {
      html: `<!doctype html><title>t</title><main><h1>Slips</h1></main><main hidden>x</main>`,
      finds: [],
      others: 1,
    },
    {
      html: `<!doctype html><title>t</title><div id="content"><h1>Slips</h1></div>`,
      finds: [["failed", "<body>", "Nothing on this page is marked as its main content."]],
      others: 1,
    },
    {
      html: `<!doctype html><title>t</title><yard-app></yard-app><h1>Slips</h1>`,
      finds: [
        [
          "cantTell",
          "<body>",
          "Nothing in this source is marked as its main content. Does <yard-app>, which is not defined here, hold it?",
        ],
      ],
      others: 1,
    },
    {
      html: `<!doctype html><title>t</title><main><h1>Slips</h1></main><main>x</main>`,
      finds: [["failed", "<main>", "This page has a main part already: a page has one."]],
      others: 1,
    },
  ],
} as const satisfies PageCheck;
