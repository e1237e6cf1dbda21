import { reachable } from "../core/checks/keys/reachable.ts";
import { elementsAbove } from "../core/document/around.ts";
import type { ElementNode } from "../core/document/node.ts";
import { pointerEvents } from "../core/document/pointer-handler.ts";
import type { Driver, Moment } from "../engine/driver.ts";
import type { SeenElement } from "../engine/explored.ts";
import { isInside, isVisible } from "./around.ts";
import { arrows } from "./composites.ts";
import type { Notes } from "./notes.ts";
import { includesAll, isOfAttribute, wanted } from "./page-state.ts";
import { seenElement } from "./told-element.ts";
import { didSomething, type Effect, focus, type Move, press } from "./trial.ts";

/** How many elements that only a pointer uses are tried. */
const MOST_POINTED = 30;

/** How many boxes around an item its widget may be. */
const ITEMS_AROUND = 3;

/** An element that waits for a pointer and is no stop. */
interface Candidate {
  readonly key: string;
  readonly element: SeenElement;
  /** Whether it listens itself, and not what is around it. */
  readonly isOwn: boolean;
  /** Whether there is a stop in it. */
  readonly holdsStop: boolean;
}

/**
 * What a pointer does where no key does the same, anywhere.
 * @param effects what keys do, on every stop
 * @param cutShort stops whose items were not all come to, by key: what keys reach beyond is not known
 */
export async function tryPointed(
  notes: Notes,
  effects: readonly Effect[],
  cutShort: ReadonlySet<string>,
): Promise<void> {
  const stops = new Set(notes.stops.map(({ key }) => key));
  const found = await notes.trials.peek((page) => candidatesIn(page, stops, cutShort));
  const reported: Effect[] = [];
  for (const { key, element, isOwn, holdsStop } of found.slice(0, MOST_POINTED)) {
    const effect = await notes.trials.pointed(key);
    if (!didSomething(effect) || effect.asks || setsValueAlone(effect)) continue;
    notes.try(reachable);
    const isKnown = (known: Effect) =>
      includesAll(known.total, wanted(effect.total)) && includesLeft(known, effect);
    // A press on a part is a press on the whole, which is told already.
    if (effects.some(isKnown) || reported.some(isKnown)) continue;
    // A box around something to press may only pass the press on.
    if (holdsStop && !isOwn) continue;
    const ways = await waysTo(notes, key);
    if (ways === "not known") continue;
    let isEqual = false;
    for (const moves of ways) isEqual ||= isKnown(await notes.trials.effect(moves));
    if (isEqual) continue;
    reported.push(effect);
    notes.fail(
      reachable,
      element,
      `A pointer does something on this <${element.tag}>, and no key anywhere does the same.`,
      'Make it a <button type="button">: it takes focus and answers Enter and Space by itself.',
      `click → ${effect.told.slice(0, 2).join(", ") || effect.left.join(", ")}`,
    );
  }
}

/** The keys that take something out of a row. */
const forParts = ["Delete", "Backspace"];

/** How often arrow keys are pressed in search of one item. */
const MOST_ARROWS = 6;

/**
 * What else keys may do for an element: those that work on parts of a stop, and those pressed on an item that arrow keys
 * lead to. Not known where arrow keys move in its widget and were not followed to it.
 */
async function waysTo(notes: Notes, key: string): Promise<readonly (readonly Move[])[] | "not known"> {
  const { around, isItem, entries } = await notes.trials.peek(async (page) => {
    const moment = await page.moment();
    const element = moment.element(key);
    if (element === null) return { around: [], isItem: false, entries: [] };
    const above = [element, ...elementsAbove(moment.scene.page.index, element)];
    const stops = moment.stops();
    const widget = above.find((up) => widgets.has(moment.scene.role(up).role ?? ""));
    return {
      around: above.filter((up) => stops.includes(up)).map(moment.keyOf),
      isItem: widget !== undefined && above.slice(0, above.indexOf(widget)).some(takesFocus),
      entries:
        widget === undefined ? [] : stops.filter((stop) => isInside(moment, stop, widget)).map(moment.keyOf),
    };
  });
  const parts = around.slice(0, 1).flatMap((stop) => forParts.map((last) => [focus(stop), press(last)]));
  if (!isItem) return parts;
  for (const entry of entries.slice(0, 1)) {
    const { moves, hasMoved } = await followTo(notes, entry, key);
    if (moves !== null) return ["Enter", "Space", ...forParts].map((last) => [...moves, press(last)]);
    if (hasMoved) return "not known";
  }
  return parts;
}

/** Follows arrow keys in a widget until focus is on an element or around it. */
async function followTo(
  notes: Notes,
  entry: string,
  key: string,
): Promise<{ readonly moves: readonly Move[] | null; readonly hasMoved: boolean }> {
  if (await notes.trials.peek(async (page) => isItemAround(await page.moment(), key, entry)))
    return { moves: [focus(entry)], hasMoved: false };
  let hasMoved = false;
  for (const way of arrows) {
    const found = await notes.trials.after([focus(entry)], async (page) => {
      const moves: Move[] = [focus(entry)];
      let from = await page.focused();
      for (let n = 0; n < MOST_ARROWS; n++) {
        await page.press(way);
        moves.push(press(way));
        const now = await page.focused();
        if (now === null || now === from) return null;
        hasMoved = true;
        if (isItemAround(await page.moment(), key, now)) return moves;
        from = now;
      }
      return null;
    });
    if (found !== null) return { moves: found, hasMoved };
  }
  return { moves: null, hasMoved };
}

/** Whether what has focus is an element or an item around it, and not the widget as a whole. */
function isItemAround(moment: Moment, key: string, focused: string): boolean {
  const [element, at] = [moment.element(key), moment.element(focused)];
  if (element === null || at === null || widgets.has(moment.scene.role(at).role ?? "")) return false;
  return isInside(moment, element, at);
}

/** Widgets in which arrow keys go about. ARIA Authoring Practices. */
const widgets: ReadonlySet<string> = new Set([
  "grid",
  "treegrid",
  "tree",
  "listbox",
  "menu",
  "menubar",
  "tablist",
  "toolbar",
  "radiogroup",
]);

const takesFocus = (element: ElementNode): boolean => element.attributes.has("tabindex");

async function candidatesIn(
  page: Driver,
  stops: ReadonlySet<string>,
  cutShort: ReadonlySet<string>,
): Promise<readonly Candidate[]> {
  const moment = await page.moment();
  const { index } = moment.scene.page;
  // The items of a widget stand in it, or beside the one that has focus.
  const halfTried = [...cutShort].flatMap((key) => {
    const stop = moment.element(key);
    return stop === null ? [] : [stop, ...[...elementsAbove(index, stop)].slice(0, ITEMS_AROUND)];
  });
  const isHalfTried = (node: ElementNode) =>
    halfTried.some((box) => !/^(?:body|html|main)$/.test(box.tag) && isInside(moment, node, box));
  return moment.scene.page.index.elements.flatMap((node) => {
    const key = moment.keyOf(node);
    if (/^(?:html|body|label|option|input|select|textarea)$/.test(node.tag) || stops.has(key)) return [];
    if (isHalfTried(node)) return [];
    if (!isVisible(moment, node) || moment.scene.presence.of(node).inert) return [];
    const isOwn = listensForPointer(moment, node);
    if (!isOwn && !isPartOfListener(moment, node)) return [];
    const holdsStop = moment.stops().some((stop) => isInside(moment, stop, node));
    return [{ key, element: seenElement(moment, node), isOwn, holdsStop }];
  });
}

function listensForPointer({ listens }: Moment, node: ElementNode): boolean {
  const heard = listens(node);
  return pointerEvents.some((type) => heard.has(type));
}

/** A row or a part of one, where one of the two boxes around it listens. */
function isPartOfListener(moment: Moment, node: ElementNode): boolean {
  if (!/^(?:li|tr|td|div|span|p|article|img)$/.test(node.tag)) return false;
  const { index } = moment.scene.page;
  const parent = index.parent(node);
  return [parent, parent === null ? null : index.parent(parent)].some(
    (up) => up !== null && !/^(?:html|body)$/.test(up.tag) && listensForPointer(moment, up),
  );
}

const values = new Set(["value", "aria-valuenow", "aria-valuetext", "aria-valuemin", "aria-valuemax"]);

/** A value that hangs on where a pointer presses: there are no places here. */
const setsValueAlone = ({ changes, left }: Effect): boolean =>
  left.length === 0 && changes.every((change) => isOfAttribute(change, values));

const includesLeft = (known: Effect, effect: Effect): boolean =>
  effect.left.every((what) => known.left.includes(what));
