import type { ElementNode } from "../../document/node.ts";
import { shortened } from "../../document/shortened.ts";
import { failed, inapplicable, passed, pointingAt, type Verdict } from "../../findings/verdict.ts";
import { ask } from "../../repair/repair.ts";
import { keptForScene } from "../../scene/kept.ts";
import type { Scene } from "../../scene/scene.ts";
import { isLandmarkRole } from "../../semantics/lists-by-kind.ts";
import type { PageCheck } from "../check.ts";
import { exposedByRole, isExposed } from "../exposed.ts";
import { skipLinks } from "../keys/skip-link.ts";
import { visibleText } from "../visible-text.ts";

/** Roles that live outside the landmarks by nature. */
const standsAlone = /^(?:dialog|alertdialog|alert|status|log|tooltip)$/;

/** The outermost parts with something to read that are in no landmark. */
const outside = keptForScene((scene): readonly ElementNode[] => {
  const { index } = scene.page;
  const body = index.byTag("body")[0];
  if (body === undefined || exposedByRole(scene, "main").length === 0) return [];
  const found: ElementNode[] = [];
  const skips = new Set(skipLinks(scene));
  const visit = (element: ElementNode): boolean => {
    // True: everything below is in landmarks, or is nothing to read.
    if (!isExposed(scene, element) || skips.has(element)) return true;
    const { role } = scene.role(element);
    if (role !== null && (isLandmarkRole(role) || standsAlone.test(role))) return true;
    if ((visibleText(scene, element) ?? "") === "") return true;
    return false;
  };
  const stack = [...index.childElements(body)].reverse();
  for (let node = stack.pop(); node !== undefined; node = stack.pop()) {
    if (visit(node)) continue;
    const children = index.childElements(node);
    const holdsLandmark = landmarkHolders(scene).has(node) || children.some((child) => skips.has(child));
    if (holdsLandmark) for (const child of [...children].reverse()) stack.push(child);
    else found.push(node);
  }
  return found;
});

/** Elements that some landmark is inside. */
const landmarkHolders = keptForScene((scene): ReadonlySet<ElementNode> => {
  const holders = new Set<ElementNode>();
  for (const landmark of exposedByRole(
    scene,
    "main",
    "banner",
    "contentinfo",
    "navigation",
    "complementary",
    "region",
    "search",
    "form",
  )) {
    for (let up = scene.page.index.flatParent(landmark); up !== null && !holders.has(up); ) {
      holders.add(up);
      up = scene.page.index.flatParent(up);
    }
  }
  return holders;
});

function judge(body: ElementNode, scene: Scene): Verdict {
  if (exposedByRole(scene, "main").length === 0) return inapplicable;
  const parts = outside(scene);
  const [first] = parts;
  if (first === undefined || body.tag !== "body") return passed;
  const text = visibleText(scene, first) ?? "";
  return failed(
    `${parts.length === 1 ? "One part" : `${parts.length} parts`} of this page ${parts.length === 1 ? "is" : "are"} in no landmark, first "${shortened(text, 50)}".`,
    ask("Put it into <main>, <header>, <nav>, <aside> or <footer>, whichever it belongs to."),
    { facts: { parts: parts.length }, ...pointingAt(first) },
  );
}

export const inLandmarks = {
  id: "structure.in-landmarks",
  kind: "page",
  surroundings: "page",
  criteria: [],
  severity: "friction",
  means: "Where a page has landmarks, all of its content is in one.",
  who: "Someone who moves by landmarks passes the rest by without knowing.",
  mend: "Put it into the landmark it belongs to.",
  pageOnly: true,
  looksAt: (scene: Scene) => scene.page.index.byTag("body").slice(0, 1),
  judge,
  examples: [
    {
      html: `<!doctype html><title>t</title><a href="#m">Skip to content</a><header>Yard</header><main id="m">x</main>`,
      finds: [],
      others: 1,
    },
    {
      html: `<!doctype html><title>t</title><div><header>Yard</header><main>x</main></div><div></div>`,
      finds: [],
      others: 1,
    },
    { html: `<!doctype html><title>t</title><p>x</p>`, finds: [], others: 1 },
    {
      html: `<!doctype html><title>t</title><main>x</main><p>Open from six.</p>`,
      finds: [["failed", "<body>", `One part of this page is in no landmark, first "Open from six.".`]],
      others: 1,
    },
  ],
} as const satisfies PageCheck;
