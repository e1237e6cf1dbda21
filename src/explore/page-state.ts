import { NO } from "../core/css/certainty.ts";
import { writtenText } from "../core/document/written.ts";
import type { Driver, Moment } from "../engine/driver.ts";

/** What can be seen or heard of a page at one moment, by the key of each element. */
export type PageState = ReadonlyMap<string, ElementState>;

interface ElementState {
  readonly tag: string;
  readonly visible: boolean;
  readonly attributes: ReadonlyMap<string, string>;
  readonly text: string;
  /** The keys of the elements in it, in order. */
  readonly order: readonly string[];
}

/** One difference between two states of a page. */
export type Change = {
  /** The key of the element. */
  readonly key: string;
  readonly tag: string;
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

const withoutLook = /^(?:head|script|style|link|meta|title|base|template)$/;

/** Stands among the keys for where in the page, or in which view of it, one is. */
const ADDRESS = "address";

/** Whether a change is one of where in the page one is. */
export const isOfAddress = ({ key }: Change): boolean => key === ADDRESS;

export function stateIn({ scene, keyOf, address }: Moment): PageState {
  const state = new Map<string, ElementState>();
  state.set(ADDRESS, { tag: "", visible: true, attributes: new Map(), text: address, order: [] });
  const { index } = scene.page;
  for (const node of index.elements) {
    if (withoutLook.test(node.tag)) continue;
    const attributes = new Map<string, string>();
    for (const [name, { value }] of node.attributes)
      if (!silent.has(name) && !name.startsWith("data-")) attributes.set(name, writtenText(value));
    state.set(keyOf(node), {
      tag: node.tag,
      visible: scene.presence.of(node).visible !== NO,
      attributes,
      text: node.children
        .map((child) => (child.kind === "text" ? writtenText(child.value) : ""))
        .join("")
        .trim(),
      order: index.childElements(node).map(keyOf),
    });
  }
  return state;
}

export const stateOf = async (page: Driver): Promise<PageState> => stateIn(await page.moment());

export function changesBetween(before: PageState, after: PageState): readonly Change[] {
  const changes: Change[] = [];
  for (const [key, is] of after) {
    const was = before.get(key);
    const { tag } = is;
    if (was === undefined || !was.visible) {
      if (is.visible) changes.push({ key, tag, what: "shown" });
    } else if (!is.visible) changes.push({ key, tag, what: "hidden" });
    if (was === undefined) continue;
    if (was.text !== is.text) changes.push({ key, tag, what: "text", text: is.text, was: was.text });
    if (isReordered(was.order, is.order)) changes.push({ key, tag, what: "order" });
    for (const name of new Set([...was.attributes.keys(), ...is.attributes.keys()])) {
      const value = is.attributes.get(name) ?? null;
      if ((was.attributes.get(name) ?? null) !== value)
        changes.push({ key, tag, what: "attribute", name, value });
    }
  }
  for (const [key, { tag, visible }] of before)
    if (!after.has(key) && visible) changes.push({ key, tag, what: "hidden" });
  return changes;
}

/** Whether what was there before and is still there stands in another order. */
function isReordered(before: readonly string[], after: readonly string[]): boolean {
  if (before.length < 2 || after.length < 2) return false;
  const [is, was] = [new Set(after), new Set(before)];
  const kept = after.filter((key) => was.has(key));
  return before.filter((key) => is.has(key)).some((key, place) => key !== kept[place]);
}

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
