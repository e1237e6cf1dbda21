import { NO } from "../../css/certainty.ts";
import type { Interaction } from "../../css/match.ts";
import type { ElementNode } from "../../document/node.ts";
import { shortened } from "../../document/shortened.ts";
import { textContent } from "../../document/text-content.ts";
import { declaredAt } from "../../findings/cause.ts";
import { cantTell, failed, passed, type Verdict } from "../../findings/verdict.ts";
import { focusCause, tabindexOf } from "../../rendering/focusable.ts";
import { ask } from "../../repair/repair.ts";
import { keptForScene } from "../../scene/kept.ts";
import type { Scene } from "../../scene/scene.ts";
import type { PageCheck } from "../check.ts";
import { elementsAround, elementsInside, sureStops } from "../exposed.ts";
import { scriptsMay } from "../scripts.ts";

/** What styles hide with, and the value that hides. */
const hiding = [
  ["display", "none"],
  ["visibility", "hidden"],
] as const;

interface Revealed {
  /** What the pointer must be on. */
  readonly over: ElementNode;
  readonly property: (typeof hiding)[number];
}

/** The outermost elements that styles hide, and show while the pointer is on something. */
const revealed = keptForScene((scene): ReadonlyMap<ElementNode, Revealed> => {
  const { index, styles } = scene.page;
  const found = new Map<ElementNode, Revealed>();
  for (const element of index.elements) {
    const { reason, because } = scene.presence.of(element);
    if (because !== element || (reason !== "display: none" && reason !== "visibility: hidden")) continue;
    if (!styles.mayReact(element, "hover")) {
      const { previous } = index.record(element);
      if (previous === null || !styles.mayReact(previous, "hover")) continue;
    }
    const property = hiding.find(([name, value]) => styles.keyword(element, name) === value);
    // A lone sign, such as an arrow, says nothing that could be missed.
    if (property === undefined || !/[\p{L}\p{N}]/u.test(textContent(element))) continue;
    const over = hoverSource(scene, element, property);
    if (over !== null) found.set(element, { over, property });
  }
  return found;
});

function hoverSource(scene: Scene, element: ElementNode, property: Revealed["property"]): ElementNode | null {
  const { index } = scene.page;
  const candidates: ElementNode[] = [];
  for (let before = index.record(element).previous; before !== null; before = index.record(before).previous)
    candidates.push(before);
  for (const up of elementsAround(scene, element)) {
    if (up.tag === "body" || up.tag === "html") break;
    candidates.push(up);
  }
  return (
    candidates.find(
      (over) =>
        scene.presence.of(over).visible !== NO &&
        isShownBy(scene, element, property, { kind: "hover", element: over }),
    ) ?? null
  );
}

const isShownBy = (
  scene: Scene,
  element: ElementNode,
  [name, hidden]: Revealed["property"],
  interaction: Interaction,
): boolean => {
  const value = scene.page.styles.value(element, name, interaction);
  return value?.text != null && value.text.toLowerCase() !== hidden;
};

function judge(element: ElementNode, scene: Scene): Verdict {
  const shown = revealed(scene).get(element);
  if (shown === undefined) return passed;
  const { over, property } = shown;
  const inOver = new Set<ElementNode>([over, ...elementsInside(scene, over)]);
  const near = sureStops(scene).filter((stop) => inOver.has(stop));
  if (near.some((stop) => isShownBy(scene, element, property, { kind: "focus", element: stop })))
    return passed;
  const actions = [...elementsInside(scene, element)].filter(
    (inside) => focusCause(scene.page.index, inside) !== null && (tabindexOf(inside) ?? 0) >= 0,
  );
  const what =
    actions.length === 0
      ? `"${shortened(textContent(element), 40)}"`
      : `${actions.length} ${actions.length === 1 ? "link or control" : "links and controls"} ("${shortened(textContent(element), 40)}")`;
  const repair = ask(
    near.length === 0
      ? "Put a button there that opens it, and show it while that is expanded; a hover rule alone needs a mouse."
      : "Add :focus-within (or :focus) to the rule that says :hover.",
  );
  const declared = scene.page.styles.value(element, property[0], { kind: "hover", element: over })?.declared;
  const details = {
    facts: { over: over.tag },
    ...(declared == null
      ? {}
      : { origins: [{ of: "hover", source: declared.source, text: `${property[0]}: ${declared.text}` }] }),
    cause: {
      kind: "hover" as const,
      of: [declaredAt(declared?.source) ?? scene.page.index.record(element).order],
    },
  };
  // Words that stand elsewhere on the page too are not lost; a script may show what styles do not.
  const isElsewhere = actions.length === 0 && occursTwice(scene, textContent(element));
  return isElsewhere || scriptsMay(scene, /hover|mouse|focus|key|click/i)
    ? cantTell(`Only the pointer shows ${what}. Is there another way to it by keyboard?`, repair, details)
    : failed(`Only the pointer shows ${what}: no key does.`, repair, details);
}

function occursTwice(scene: Scene, text: string): boolean {
  const body = scene.page.index.byTag("body")[0];
  const all = body === undefined ? "" : textContent(body);
  return all.indexOf(text) !== all.lastIndexOf(text);
}

export const hoverHasEqual = {
  id: "keys.hover-has-equal",
  kind: "page",
  isAboutKeys: true,
  outOfReach: "shown only under the pointer",
  criteria: ["2.1.1", "1.4.13"],
  severity: "barrier",
  means: "What the pointer shows, focus shows too, and Escape takes away.",
  who: "Someone who uses the keyboard or a finger never gets to see the menu or the hint.",
  mend: "Add :focus-within to the rule for :hover, or let a button open it.",
  looksAt: (scene: Scene) => revealed(scene).keys(),
  judge,
  examples: [
    {
      html: `<!doctype html><title>t</title><style>.m ul { display: none } .m:hover ul, .m:focus-within ul { display: block }</style><div class="m"><a href="y">Yard</a><ul><li><a href="x">Slips</a></li></ul></div>`,
      finds: [],
      others: 2,
    },
    {
      html: `<!doctype html><title>t</title><style>.m { display: none }</style><div><div class="m"><a href="x">Slips</a></div></div>`,
      finds: [],
      others: 1,
    },
    {
      html: `<!doctype html><title>t</title><style>.m ul { display: none } .m:hover ul { display: block }</style><div class="m">Yard<ul><li><a href="x">Slips</a></li></ul></div>`,
      finds: [["failed", "<ul>", `Only the pointer shows 1 link or control ("Slips"): no key does.`]],
      others: 1,
    },
    {
      html: `<!doctype html><title>t</title><style>.h + div { visibility: hidden } .h:hover + div { visibility: visible }</style><p class="h">Yard</p><div><button>Book</button></div>`,
      finds: [["failed", "<div>", `Only the pointer shows 1 link or control ("Book"): no key does.`]],
      others: 1,
    },
    {
      html: `<!doctype html><title>t</title><script src="yard.js"></script><style>.m span { display: none } .m:hover span { display: inline }</style><div class="m">Draught <span>in metres</span></div>`,
      finds: [
        ["cantTell", "<span>", `Only the pointer shows "in metres". Is there another way to it by keyboard?`],
      ],
      others: 1,
    },
  ],
} as const satisfies PageCheck;
