import { textContent } from "../core/document/text-content.ts";
import { keysText } from "./keys-text.ts";
import type { LivePage } from "./live-page.ts";
import type { Notes } from "./notes.ts";
import { type Change, includesAll, keyOf } from "./page-state.ts";
import { toldNode } from "./rendered-element.ts";
import { type Effect, focus } from "./trial.ts";

/** How many elements are tried on which scripts wait for a pointer. */
const MOST_HOVERED = 8;

const entering = ["mouseenter", "mouseover", "pointerenter", "pointerover"];

/** Whether focus, or some key, shows what scripts show under a pointer. WCAG 2.2, 2.1.1. */
export async function tryHovers(notes: Notes, known: readonly Effect[]): Promise<void> {
  const found = await notes.trials.peek((page) => candidates(page));
  for (const { at, element, around } of found.slice(0, MOST_HOVERED)) {
    const effect = await notes.trials.effect([{ kind: "hover", at }]);
    const shown = shownBy(effect.changes);
    if (shown.length === 0 || effect.asks || effect.left.length > 0) continue;
    notes.try("keys.hover-has-equal");
    if (known.some((other) => includesAll(shownBy(other.total), shown))) continue;
    let isEqual = false;
    for (const stop of around) {
      const focused = await notes.trials.effect([focus(stop)]);
      isEqual ||= includesAll(shownBy(focused.changes), shown) || focused.asks;
    }
    if (isEqual || (await isSaidAnyway(notes, at, shown))) continue;
    notes.fail(
      "keys.hover-has-equal",
      element,
      "A pointer over this shows more, and no focus and no key shows the same.",
      "Show it on focus too, on something that takes focus, and let Escape take it away.",
      keysText(["hover"], effect.told.slice(0, 2).join(", ")),
    );
  }
}

/** Whether what a pointer shows is what something that takes focus is called, or described by. */
const isSaidAnyway = (notes: Notes, at: string, shown: readonly Change[]): Promise<boolean> =>
  notes.trials.after([{ kind: "hover", at }], (page) => {
    const { scene } = page;
    const said = page.stops().flatMap((stop) => {
      const node = page.nodeOf(stop);
      return node === null ? [] : [scene.name(node).text, scene.description(node).text];
    });
    const texts = shown.flatMap((change) => {
      const node = page.nodeWith(change.at);
      return node === null ? [] : [textContent(node)];
    });
    return texts.every((text) => said.some((one) => one.includes(text)));
  });

const shownBy = (changes: readonly Change[]): readonly Change[] =>
  changes.filter(({ what }) => what === "shown");

/** Elements on which scripts wait for a pointer to come, with the stops in and around each. */
function candidates(page: LivePage) {
  const stops = page.stops();
  return page.shown().flatMap((node) => {
    const element = page.elementOf(node);
    if (element === null || !page.isVisible(element)) return [];
    const heard = page.listens(element);
    if (!entering.some((type) => heard.has(type))) return [];
    const around = stops.filter((stop) => stop.contains(element) || element.contains(stop));
    return [
      {
        at: keyOf(page, element),
        element: toldNode(page, node),
        around: around.map((stop) => keyOf(page, stop)),
      },
    ];
  });
}
