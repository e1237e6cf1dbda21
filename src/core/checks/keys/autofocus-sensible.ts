import type { ElementNode } from "../../document/node.ts";
import { hasAttribute } from "../../document/written.ts";
import { cantTell, failed, inapplicable, passed, pointingAt, type Verdict } from "../../findings/verdict.ts";
import { isFocusable } from "../../rendering/focusable.ts";
import { removeAttribute } from "../../repair/change.ts";
import { ask, withChanges } from "../../repair/repair.ts";
import { keptForScene } from "../../scene/kept.ts";
import type { Scene } from "../../scene/scene.ts";
import type { PageCheck } from "../check.ts";
import { elementsAround, exposedByRole, isShown } from "../exposed.ts";

/** What asks for focus as the page loads: not in dialogs and popovers, where it is asked for when they open. */
const asking = keptForScene((scene): readonly ElementNode[] =>
  scene.page.index.elements.filter(
    (element) =>
      hasAttribute(element, "autofocus") &&
      isShown(scene, element) &&
      ![...elementsAround(scene, element)].some(
        (up) => up.tag === "dialog" || hasAttribute(up, "popover") || scene.role(up).role === "dialog",
      ),
  ),
);

function judge(element: ElementNode, scene: Scene): Verdict {
  const details = pointingAt(element, "autofocus");
  const takeAway = withChanges("likely", "Take autofocus away here.", [
    removeAttribute(element, "autofocus"),
  ]);
  const focusable = isFocusable(scene.page, scene.presence, element);
  if (focusable === "unknown") return inapplicable;
  // A field that whoever uses a component disables asks for nothing.
  if (!focusable && scene.document.kind === "component" && hasAttribute(element, "disabled")) return passed;
  if (!focusable)
    return failed("This asks for focus as the page loads, and cannot take it.", takeAway, details);
  const first = asking(scene).find((other) => isFocusable(scene.page, scene.presence, other) === true);
  if (first !== element)
    return failed("Another element asks for focus first: this one is never asked.", takeAway, details);
  const { index } = scene.page;
  const passedBy = exposedByRole(scene, "heading").filter(
    (heading) => index.record(heading).order < index.record(element).order,
  );
  return passedBy.length === 0
    ? passed
    : cantTell(
        `The page begins here, past ${passedBy.length === 1 ? "a heading" : `${passedBy.length} headings`}: is nothing before it that one should hear first?`,
        ask("Take autofocus away, unless this is what everybody comes for."),
        details,
      );
}

export const autofocusSensible = {
  id: "keys.autofocus-sensible",
  kind: "page",
  isAboutKeys: true,
  criteria: [],
  severity: "friction",
  means: "A page puts focus at its start, or where everybody wants to go first.",
  who: "Someone using a screen reader begins in the middle of the page and does not hear what it is about.",
  mend: "Leave autofocus out; use it in dialogs, where focus must go somewhere.",
  looksAt: asking,
  judge,
  examples: [
    { html: `<input type="search" aria-label="Search" autofocus><h1>Parts</h1>`, finds: [] },
    { html: `<h1>Parts</h1><dialog open><button autofocus>Close</button></dialog>`, finds: [], others: 1 },
    {
      html: `<p autofocus>Parts</p>`,
      finds: [["failed", "<p autofocus>", "This asks for focus as the page loads, and cannot take it."]],
    },
    {
      html: `<input aria-label="a" autofocus><input aria-label="b" autofocus>`,
      finds: [
        [
          "failed",
          `<input aria-label="b" autofocus>`,
          "Another element asks for focus first: this one is never asked.",
        ],
      ],
    },
    {
      html: `<h1>Parts</h1><p>Read this.</p><input aria-label="Part" autofocus>`,
      finds: [
        [
          "cantTell",
          `<input aria-label="Part" autofocus>`,
          "The page begins here, past a heading: is nothing before it that one should hear first?",
        ],
      ],
    },
  ],
} as const satisfies PageCheck;
