import { reachable } from "../core/checks/keys/reachable.ts";
import { elementsAbove } from "../core/document/around.ts";
import type { ElementNode } from "../core/document/node.ts";
import { pointerEvents } from "../core/document/pointer-handler.ts";
import type { Driver, Moment } from "../engine/driver.ts";
import type { SeenElement } from "../engine/explored.ts";
import { isInside, isVisible } from "./around.ts";
import type { Notes } from "./notes.ts";
import { includesAll, isOfAttribute, wanted } from "./page-state.ts";
import { seenElement } from "./told-element.ts";
import { didSomething, type Effect, type Move } from "./trial.ts";
import { Ways } from "./ways.ts";

/** How many elements that only a pointer uses are tried. */
const MOST_POINTED = 30;

/** How many elements are tried that may be pressed because everything may. */
const MOST_LEAVES = 12;

/** How many items of one widget are tried: they are alike. */
const MOST_ALIKE = 4;

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
  const { leaves, top } = await notes.trials.peek((page) => leavesIn(page, stops, found));
  found.push(...leaves);
  // What a press anywhere does is no work of what is pressed.
  const reported: Effect[] = leaves.length === 0 || top === null ? [] : [await notes.trials.pointed(top)];
  const ways = new Ways(notes.trials);
  const items = new Map<string, number>();
  for (const { key, element, isOwn, holdsStop } of found) {
    const standing = await ways.standing(key);
    let path: readonly Move[] | null = null;
    if (standing.item !== null) {
      const { widget, entry } = standing.item;
      const tried = items.get(widget) ?? 0;
      const found = tried < MOST_ALIKE ? await ways.toItem(key, entry) : "not known";
      if (found === "not known") continue;
      items.set(widget, tried + 1);
      path = found;
    }
    const effect = await notes.trials.pointed(key);
    if (!didSomething(effect) || effect.asks || setsValueAlone(effect)) continue;
    notes.try(reachable);
    const isKnown = (known: Effect) =>
      includesAll(known.total, wanted(effect.total)) && includesLeft(known, effect);
    // A press on a part is a press on the whole, which is told already.
    if (effects.some(isKnown) || reported.some(isKnown)) continue;
    // A box around something to press may only pass the press on.
    if (holdsStop && !isOwn) continue;
    let isEqual = false;
    for (const moves of ways.after(standing, path, effect))
      isEqual ||= isKnown(await notes.trials.effect(moves));
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

async function candidatesIn(
  page: Driver,
  stops: ReadonlySet<string>,
  cutShort: ReadonlySet<string>,
): Promise<Candidate[]> {
  const moment = await page.moment();
  const { index } = moment.scene.page;
  // The items of a widget stand in it, or beside the one that has focus.
  const halfTried = [...cutShort].flatMap((key) => {
    const stop = moment.element(key);
    return stop === null ? [] : [stop, ...[...elementsAbove(index, stop)].slice(0, ITEMS_AROUND)];
  });
  const isHalfTried = (node: ElementNode) =>
    halfTried.some((box) => !/^(?:body|html|main)$/.test(box.tag) && isInside(moment, node, box));
  const found = index.elements.flatMap((node) => {
    const key = moment.keyOf(node);
    if (stops.has(key) || isHalfTried(node) || !canBePressed(moment, node)) return [];
    const isOwn = listensForPointer(moment, node);
    if (!isOwn && !isPartOfListener(moment, node)) return [];
    const holdsStop = moment.stops().some((stop) => isInside(moment, stop, node));
    return [{ key, element: seenElement(moment, node), isOwn, holdsStop }];
  });
  return found.slice(0, MOST_POINTED);
}

const canBePressed = (moment: Moment, node: ElementNode): boolean =>
  !/^(?:html|body|label|option|input|select|textarea)$/.test(node.tag) &&
  isVisible(moment, node) &&
  !moment.scene.presence.of(node).inert;

/**
 * Where something around everything listens for clicks: what stands alone and looks as if it were pressed, those first on
 * which the pointer becomes a hand.
 */
async function leavesIn(
  page: Driver,
  stops: ReadonlySet<string>,
  found: readonly Candidate[],
): Promise<{ readonly leaves: readonly Candidate[]; readonly top: string | null }> {
  const moment = await page.moment();
  if (!moment.hearsAllClicks) return { leaves: [], top: null };
  const { index, styles } = moment.scene.page;
  const known = new Set(found.map(({ key }) => key));
  const leaves = index.elements.filter(
    (node) =>
      /^(?:a|b|div|em|i|img|li|span|strong|svg|td)$/.test(node.tag) &&
      index.childElements(node).length === 0 &&
      !known.has(moment.keyOf(node)) &&
      ![node, ...elementsAbove(index, node)].some((up) => stops.has(moment.keyOf(up))) &&
      canBePressed(moment, node),
  );
  const hasHand = (node: ElementNode) => styles.value(node, "cursor")?.text === "pointer";
  const [body] = index.byTag("body");
  return {
    leaves: [...leaves.filter(hasHand), ...leaves.filter((node) => !hasHand(node))]
      .slice(0, MOST_LEAVES)
      .map((node) => ({
        key: moment.keyOf(node),
        element: seenElement(moment, node),
        isOwn: false,
        holdsStop: false,
      })),
    top: body === undefined ? null : moment.keyOf(body),
  };
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
