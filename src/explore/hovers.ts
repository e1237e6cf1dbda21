import { hoverHasEqual } from "../core/checks/keys/hover-has-equal.ts";
import { textContent } from "../core/document/text-content.ts";
import type { Driver, Moment } from "../engine/driver.ts";
import type { SeenElement } from "../engine/explored.ts";
import { isInside, isVisible, visibleElement } from "./around.ts";
import { keysText } from "./keys-text.ts";
import type { Notes } from "./notes.ts";
import { type Change, includesAll } from "./page-state.ts";
import { seenElement } from "./told-element.ts";
import { type Effect, focus, hover } from "./trial.ts";

/** How many elements are tried on which scripts wait for a pointer. */
const MOST_HOVERED = 8;

const entering = ["mouseenter", "mouseover", "pointerenter", "pointerover"];

/** Whether focus, or some key, shows what scripts show under a pointer. WCAG 2.2, 2.1.1. */
export async function tryHovers(notes: Notes, known: readonly Effect[]): Promise<void> {
  const found = await notes.trials.peek(candidates);
  for (const { key, element, around } of found.slice(0, MOST_HOVERED)) {
    const effect = await notes.trials.effect([hover(key)]);
    const shown = shownBy(effect.changes);
    if (shown.length === 0 || effect.asks || effect.left.length > 0) continue;
    notes.try(hoverHasEqual);
    let isEqual = known.some((other) => includesAll(shownBy(other.total), shown));
    for (const stop of isEqual ? [] : around) {
      const focused = await notes.trials.effect([focus(stop)]);
      isEqual ||= includesAll(shownBy(focused.changes), shown) || focused.asks;
    }
    if (isEqual) await tryDismissing(notes, key, element, shown);
    await tryStaying(notes, key, element, shown);
    if (isEqual || (await isSaidAnyway(notes, key, shown))) continue;
    notes.fail(
      hoverHasEqual,
      element,
      "A pointer over this shows more, and no focus and no key shows the same.",
      "Show it on focus too, on something that takes focus, and let Escape take it away.",
      keysText(["hover"], effect.told.slice(0, 2).join(", ")),
    );
  }
}

/** What lies over the page while a pointer rests somewhere goes away on Escape. WCAG 2.2, 1.4.13, "dismissible". */
async function tryDismissing(
  notes: Notes,
  key: string,
  element: SeenElement,
  shown: readonly Change[],
): Promise<void> {
  const stays = await notes.trials.after([hover(key)], async (page) => {
    await page.press("Escape");
    const moment = await page.moment();
    return shown.some((change) => {
      const node = visibleElement(moment, change.key);
      // A bare number is the value of what lies under the pointer.
      return (
        node !== null &&
        /\p{L}/u.test(textContent(node)) &&
        /^(?:absolute|fixed)$/.test(moment.scene.page.styles.keyword(node, "position") ?? "")
      );
    });
  });
  if (!stays) return;
  notes.fail(
    hoverHasEqual,
    element,
    "What a pointer shows here lies over the page, and Escape does not take it away.",
    "Hide it on Escape, wherever focus is.",
    keysText(["hover", "Escape"], "still there"),
    { criteria: ["1.4.13"] },
  );
}

/** How many turns of a second somebody may take to read what a pointer shows. */
const TURNS = 10;

/** What a pointer shows stays for as long as it rests there, and while it goes over what is shown. WCAG 2.2, 1.4.13. */
async function tryStaying(
  notes: Notes,
  key: string,
  element: SeenElement,
  shown: readonly Change[],
): Promise<void> {
  const isThere = (moment: Moment) =>
    shown.some((change) => {
      const node = visibleElement(moment, change.key);
      return node !== null && /\p{L}/u.test(textContent(node));
    });
  const gone = await notes.trials.after([hover(key)], async (page) => {
    if (!isThere(await page.moment())) return null;
    for (let turn = 1; turn <= TURNS; turn++) {
      await page.settle();
      if (!isThere(await page.moment())) return turn;
    }
    return null;
  });
  if (gone === null) return;
  notes.fail(
    hoverHasEqual,
    element,
    `What a pointer shows here goes away by itself within ${gone + 1} seconds, while the pointer rests on it.`,
    "Leave it there until the pointer or focus goes elsewhere, or Escape is pressed.",
    keysText(["hover", "wait"], "gone"),
    { criteria: ["1.4.13"] },
  );
}

/** Whether what a pointer shows is what something that takes focus is called, or described by. */
const isSaidAnyway = (notes: Notes, key: string, shown: readonly Change[]): Promise<boolean> =>
  notes.trials.after([hover(key)], async (page) => {
    const moment = await page.moment();
    const said = moment
      .stops()
      .flatMap((stop) => [moment.scene.name(stop).text, moment.scene.description(stop).text]);
    const texts = shown.flatMap((change) => {
      const node = moment.element(change.key);
      return node === null ? [] : [textContent(node)];
    });
    return texts.every((text) => said.some((one) => one.includes(text)));
  });

const shownBy = (changes: readonly Change[]): readonly Change[] =>
  changes.filter(({ what }) => what === "shown");

interface Candidate {
  readonly key: string;
  readonly element: SeenElement;
  /** The stops in it and around it, by key. */
  readonly around: readonly string[];
}

/** Elements on which scripts wait for a pointer to come. */
async function candidates(page: Driver): Promise<readonly Candidate[]> {
  const moment = await page.moment();
  const stops = moment.stops();
  return moment.shown().flatMap((node) => {
    if (!isVisible(moment, node)) return [];
    const heard = moment.listens(node);
    if (!entering.some((type) => heard.has(type))) return [];
    const around = stops.filter((stop) => isInside(moment, node, stop) || isInside(moment, stop, node));
    return [
      { key: moment.keyOf(node), element: seenElement(moment, node), around: around.map(moment.keyOf) },
    ];
  });
}
