import { pointerEvents } from "../core/document/pointer-handler.ts";
import type { Notes } from "./notes.ts";
import { includesAll, keyOf } from "./page-state.ts";
import { toldNode } from "./rendered-element.ts";
import { didSomething, type Effect, point } from "./trial.ts";

/** How many elements that only a pointer uses are tried. */
const MOST_POINTED = 30;

/**
 * What a pointer does where no key does the same, anywhere.
 * @param effects what keys do, on every stop
 */
export async function tryPointed(notes: Notes, effects: readonly Effect[]): Promise<void> {
  const stops = new Set(notes.stops.map(({ at }) => at));
  const candidates = await notes.trials.peek((page) =>
    page.scene.page.index.elements.flatMap((node) => {
      const element = page.elementOf(node);
      if (element === null || /^(?:html|body|label|option|input|select|textarea)$/.test(node.tag)) return [];
      const at = keyOf(page, element);
      if (stops.has(at) || !page.isVisible(element) || page.scene.presence.of(node).inert) return [];
      const own = pointerEvents.some((type) => page.listens(element).has(type));
      const parent = element.parentElement;
      const isRow = /^(?:li|tr|td|div|span|p|article|img)$/.test(node.tag);
      const around =
        isRow &&
        parent !== null &&
        [parent, parent.parentElement].some(
          (up) =>
            up !== null &&
            !/^(?:html|body)$/.test(up.localName) &&
            pointerEvents.some((type) => page.listens(up).has(type)),
        );
      return own || around
        ? [
            {
              at,
              element: toldNode(page, node),
              isOwn: own,
              holds: page.stops().some((stop) => element.contains(stop)),
            },
          ]
        : [];
    }),
  );
  const reported: Effect[] = [];
  for (const { at, element, isOwn, holds } of candidates.slice(0, MOST_POINTED)) {
    const effect = await notes.trials.effect([point(at)]);
    if (!didSomething(effect) || effect.asks || setsValueAlone(effect)) continue;
    notes.try("keys.reachable");
    if (effects.some((known) => includesAll(known.total, effect.total) && includesLeft(known, effect)))
      continue;
    // A press on a part is a press on the whole, which is told already.
    if (reported.some((known) => includesAll(known.total, effect.total) && includesLeft(known, effect)))
      continue;
    // A box around something to press may only pass the press on.
    if (holds && !isOwn) continue;
    reported.push(effect);
    notes.fail(
      "keys.reachable",
      element,
      `A pointer does something on this <${element.tag}>, and no key anywhere does the same.`,
      'Make it a <button type="button">: it takes focus and answers Enter and Space by itself.',
      `click → ${effect.told.slice(0, 2).join(", ") || effect.left.join(", ")}`,
    );
  }
}

/** A value that hangs on where a pointer presses: there are no places here. */
const setsValueAlone = ({ changes, left }: Effect): boolean =>
  left.length === 0 &&
  changes.every(({ what, detail }) => what === "attribute" && /^(?:aria-value|value=)/.test(detail));

const includesLeft = (known: Effect, effect: Effect): boolean =>
  effect.left.every((what) => known.left.includes(what));
