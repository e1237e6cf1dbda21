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
}

/** One difference between two states of a page. */
export interface Change {
  /** The key of the element. */
  readonly key: string;
  readonly what: "shown" | "hidden" | "attribute" | "text";
  /** Name and value of an attribute, or the new text. */
  readonly detail: string;
  /** The text that stood there before; empty where none did, or something else changed. */
  readonly was: string;
  readonly tag: string;
}

/** Attributes that say nothing of what a page tells: how it looks, and where Tab goes. So it is with those of data. */
const silent = new Set(["class", "style", "tabindex", "id"]);

const withoutLook = /^(?:head|script|style|link|meta|title|base|template)$/;

/** Stands among the keys for where in the page, or in which view of it, one is. */
const ADDRESS = "address";

export function stateIn({ scene, keyOf, address }: Moment): PageState {
  const state = new Map<string, ElementState>();
  state.set(ADDRESS, { tag: "", visible: true, attributes: new Map(), text: address });
  for (const node of scene.page.index.elements) {
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
    });
  }
  return state;
}

export const stateOf = async (page: Driver): Promise<PageState> => stateIn(await page.moment());

export function changesBetween(before: PageState, after: PageState): readonly Change[] {
  const changes: Change[] = [];
  for (const [key, is] of after) {
    const was = before.get(key);
    if (was === undefined || !was.visible) {
      if (is.visible) changes.push({ key, what: "shown", detail: "", was: "", tag: is.tag });
    } else if (!is.visible) changes.push({ key, what: "hidden", detail: "", was: "", tag: is.tag });
    if (was === undefined) continue;
    if (was.text !== is.text)
      changes.push({ key, what: "text", detail: is.text, was: was.text, tag: is.tag });
    for (const name of new Set([...was.attributes.keys(), ...is.attributes.keys()])) {
      const value = is.attributes.get(name);
      if (was.attributes.get(name) !== value)
        changes.push({
          key,
          what: "attribute",
          detail: value === undefined ? `${name} gone` : `${name}="${value}"`,
          was: "",
          tag: is.tag,
        });
    }
  }
  for (const [key, was] of before)
    if (!after.has(key) && was.visible)
      changes.push({ key, what: "hidden", detail: "", was: "", tag: was.tag });
  return changes;
}

/** Whether one set of changes holds all of another. */
export const includesAll = (all: readonly Change[], some: readonly Change[]): boolean =>
  some.every((one) =>
    all.some((other) => other.key === one.key && other.what === one.what && other.detail === one.detail),
  );
