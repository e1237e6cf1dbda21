import type { ElementNode } from "../../document/node.ts";
import { attributeText } from "../../document/written.ts";
import { failed, inapplicable, passed, type Verdict } from "../../findings/verdict.ts";
import { ask } from "../../repair/repair.ts";
import type { Scene } from "../../scene/scene.ts";
import type { Check } from "../check.ts";
import { elementsInside, exposedByRole } from "../exposed.ts";

/** Words in class or id by which authors call the main part. */
const calledMain = /^(?:main|content|page|maincontent|main-content|primary|wrapper|container)$/i;

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
    const meant = [...elementsInside(scene, element)].find((e) =>
      calledMain.test(attributeText(e, "id") ?? attributeText(e, "class")?.split(/\s+/)[0] ?? ""),
    );
    return failed(
      "Nothing on this page is marked as its main content.",
      ask(
        meant === undefined
          ? "Put what the page is for into <main>."
          : `Make it a <main>: perhaps <${meant.tag}${attributeText(meant, "id") === null ? "" : ` id="${attributeText(meant, "id")}"`}>.`,
      ),
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
  criteria: [],
  severity: "friction",
  means: "A page marks one part as its main content.",
  who: "Someone using a screen reader presses the key for the main part, and nothing happens.",
  mend: "Put what the page is for into <main>.",
  pageOnly: true,
  looksAt: judgedAt,
  judge,
  examples: {
    kept: [
      `<!doctype html><title>t</title><main><h1>Slips</h1></main>`,
      `<!doctype html><title>t</title><main><h1>Slips</h1></main><main hidden>x</main>`,
    ],
    broken: [
      `<!doctype html><title>t</title><div id="content"><h1>Slips</h1></div>`,
      `<!doctype html><title>t</title><main><h1>Slips</h1></main><main>x</main>`,
    ],
  },
} as const satisfies Check;
