import { NO } from "../core/css/certainty.ts";
import { writtenText } from "../core/document/written.ts";
import type { Driver, Moment } from "../engine/driver.ts";
import { isLiveRegion } from "./announcements.ts";

/** What can be seen or heard of a page at one moment, by the key of each element. */
export type PageState = ReadonlyMap<string, ElementState>;

interface ElementState {
  readonly tag: string;
  readonly visible: boolean;
  /** Whether there is nothing in it to be told, but for what its own elements tell. */
  readonly isBare: boolean;
  /** Whether it is a live region, or in one. */
  readonly isLive: boolean;
  readonly attributes: ReadonlyMap<string, string>;
  readonly text: string;
  /** The keys of the elements in it, in order. */
  readonly order: readonly string[];
  /** The key of the element that it is in. */
  readonly parent: string | null;
}

/** One difference between two states of a page. */
export type Change = {
  /** The key of the element. */
  readonly key: string;
  readonly tag: string;
  /** Whether the element only draws something, or only holds others. */
  readonly isBare: boolean;
  /** Whether it is a live region, or in one: what changes there only tells of what was done. */
  readonly isLive: boolean;
  /** The keys of what it is in, the innermost first. */
  readonly inside: readonly string[];
} & (
  | {
      /** `order`: the elements in it stand in another order. */
      readonly what: "shown" | "hidden" | "order";
    }
  | {
      readonly what: "attribute";
      readonly name: string /** Null where it is gone. */;
      readonly value: string | null;
    }
  | {
      readonly what: "text";
      readonly text: string /** Empty where none stood there before. */;
      readonly was: string;
    }
);

/** Whether a change is one of some attributes. */
export const isOfAttribute = (change: Change, names: ReadonlySet<string>): boolean =>
  change.what === "attribute" && names.has(change.name);

/** Attributes that say nothing of what a page tells: how it looks, and where Tab goes. So it is with those of data. */
const silent = new Set(["class", "style", "tabindex", "id"]);

/** Elements that show something of their own. */
const draws = /^(?:img|svg|canvas|video|audio|iframe|object|embed|input|select|textarea|progress|meter)$/;

const withoutLook = /^(?:head|script|style|link|meta|title|base|template)$/;

/** Stands among the keys for where in the page, or in which view of it, one is. */
const ADDRESS = "address";

/** Whether a change is one of where in the page one is. */
export const isOfAddress = ({ key }: Change): boolean => key === ADDRESS;

export function stateIn({ scene, keyOf, address }: Moment): PageState {
  const state = new Map<string, ElementState>();
  state.set(ADDRESS, {
    tag: "",
    visible: true,
    isBare: false,
    isLive: false,
    attributes: new Map(),
    text: address,
    order: [],
    parent: null,
  });
  const { index } = scene.page;
  for (const node of index.elements) {
    if (withoutLook.test(node.tag)) continue;
    const attributes = new Map<string, string>();
    for (const [name, { value }] of node.attributes)
      if (!silent.has(name) && !name.startsWith("data-")) attributes.set(name, writtenText(value));
    const text = node.children
      .map((child) => (child.kind === "text" ? writtenText(child.value) : ""))
      .join("")
      .trim();
    const { role } = scene.role(node);
    const presence = scene.presence.of(node);
    const parent = index.parent(node);
    state.set(keyOf(node), {
      tag: node.tag,
      // A box whose content is left out shows nothing. CSS Containment 2, `content-visibility`.
      visible: presence.visible !== NO && presence.childrenHidden === null,
      isBare:
        text === "" && (role === null || role === "generic" || role === "none") && !draws.test(node.tag),
      isLive: isLiveRegion(scene, node) || (parent !== null && state.get(keyOf(parent))?.isLive === true),
      attributes,
      text,
      order: index.childElements(node).map(keyOf),
      parent: parent === null ? null : keyOf(parent),
    });
  }
  return state;
}

export const stateOf = async (page: Driver): Promise<PageState> => stateIn(await page.moment());

export function changesBetween(before: PageState, after: PageState): readonly Change[] {
  const changes: Change[] = [];
  for (const [key, is] of after) {
    const was = before.get(key);
    const at = () => changeAt(key, is, after);
    if (was === undefined || !was.visible) {
      if (is.visible) changes.push({ ...at(), what: "shown" });
    } else if (!is.visible) changes.push({ ...at(), what: "hidden" });
    if (was === undefined) continue;
    if (was.text !== is.text) changes.push({ ...at(), what: "text", text: is.text, was: was.text });
    if (isReordered(was.order, is.order)) changes.push({ ...at(), what: "order" });
    for (const name of new Set([...was.attributes.keys(), ...is.attributes.keys()])) {
      const value = is.attributes.get(name) ?? null;
      if ((was.attributes.get(name) ?? null) !== value)
        changes.push({ ...at(), what: "attribute", name, value });
    }
  }
  for (const [key, was] of before)
    if (!after.has(key) && was.visible) changes.push({ ...changeAt(key, was, before), what: "hidden" });
  return changes;
}

/** What is told of an element that changed. */
function changeAt(key: string, { tag, isBare, isLive, parent }: ElementState, state: PageState) {
  const inside: string[] = [];
  for (let up = parent; up !== null; up = state.get(up)?.parent ?? null) inside.push(up);
  return { key, tag, isBare, isLive, inside };
}

/** Whether what was there before and is still there stands in another order. */
function isReordered(before: readonly string[], after: readonly string[]): boolean {
  if (before.length < 2 || after.length < 2) return false;
  const [is, was] = [new Set(after), new Set(before)];
  const kept = after.filter((key) => was.has(key));
  return before.filter((key) => is.has(key)).some((key, place) => key !== kept[place]);
}

/** Attributes that tie elements together, or keep what lies behind out of the way: no work for people by themselves. */
const ties = new Set([
  "draggable",
  ...["aria-activedescendant", "aria-controls", "aria-describedby", "aria-details", "aria-errormessage"],
  ...[
    "aria-flowto",
    "aria-haspopup",
    "aria-hidden",
    "aria-labelledby",
    "aria-owns",
    "for",
    "headers",
    "inert",
  ],
]);

/** Whether a change only ties elements together, or keeps one out of the way. */
export const isTie = (change: Change): boolean => isOfAttribute(change, ties);

/** The changes that somebody wanted, and not what only draws, ties or tells of them; all of them where there is no other. */
export function wanted(changes: readonly Change[]): readonly Change[] {
  const found = changes.filter(
    (change) =>
      !change.isLive &&
      !isTie(change) &&
      !(change.isBare && (change.what === "shown" || change.what === "hidden")),
  );
  return found.length > 0 ? found : changes;
}

/** Whether nothing changed but what draws something, or holds what does. */
export const isDrawingAlone = (changes: readonly Change[]): boolean =>
  changes.length > 0 &&
  changes.every(({ what, isBare }) => isBare && (what === "shown" || what === "hidden"));

/** Whether one set of changes holds all of another. */
export const includesAll = (all: readonly Change[], some: readonly Change[]): boolean =>
  some.every((one) => all.some((other) => isSame(one, other)));

/** The same change, whatever stood there before. */
function isSame(one: Change, other: Change): boolean {
  if (one.key !== other.key || one.what !== other.what) return false;
  if (one.what === "attribute" && other.what === "attribute")
    return one.name === other.name && one.value === other.value;
  return one.what !== "text" || other.what !== "text" || one.text === other.text;
}
