import { NO } from "../core/css/certainty.ts";
import { writtenText } from "../core/document/written.ts";
import type { LivePage } from "./live-page.ts";
import type { LiveElement } from "./snapshot.ts";

/** What can be seen or heard of a page at one moment, by element. */
export type PageState = ReadonlyMap<string, ElementState>;

interface ElementState {
  readonly tag: string;
  readonly visible: boolean;
  readonly attributes: ReadonlyMap<string, string>;
  readonly text: string;
}

/** One difference between two states of a page. */
export interface Change {
  readonly at: string;
  readonly what: "shown" | "hidden" | "attribute" | "text";
  /** Name and value of an attribute, or the new text. */
  readonly detail: string;
  /** The text that stood there before; empty where none did, or something else changed. */
  readonly was: string;
  readonly tag: string;
}

/** Attributes that say nothing of what a page tells: how it looks, and where Tab goes. So it is with those of data. */
const silent = new Set(["class", "style", "tabindex", "id"]);

/** The same for the same element in every window that the page is opened in. */
export function keyOf(page: LivePage, element: LiveElement): string {
  const node = page.nodeOf(element);
  return node === null ? "" : page.keyOf(node);
}

const ADDRESS = "address";

export function stateOf(page: LivePage): PageState {
  const { scene } = page;
  const state = new Map<string, ElementState>();
  // Where in the page, or in which view of it, one is.
  state.set(ADDRESS, {
    tag: "",
    visible: true,
    attributes: new Map(),
    text: String(page.window.location.href),
  });
  for (const node of scene.page.index.elements) {
    if (/^(?:head|script|style|link|meta|title|base|template)$/.test(node.tag)) continue;
    const attributes = new Map<string, string>();
    for (const [name, { value }] of node.attributes)
      if (!silent.has(name) && !name.startsWith("data-")) attributes.set(name, writtenText(value));
    state.set(page.keyOf(node), {
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

export function changesBetween(before: PageState, after: PageState): readonly Change[] {
  const changes: Change[] = [];
  for (const [at, is] of after) {
    const was = before.get(at);
    if (was === undefined || !was.visible) {
      if (is.visible) changes.push({ at, what: "shown", detail: "", was: "", tag: is.tag });
    } else if (!is.visible) changes.push({ at, what: "hidden", detail: "", was: "", tag: is.tag });
    if (was === undefined) continue;
    if (was.text !== is.text) changes.push({ at, what: "text", detail: is.text, was: was.text, tag: is.tag });
    for (const name of new Set([...was.attributes.keys(), ...is.attributes.keys()])) {
      const value = is.attributes.get(name);
      if (was.attributes.get(name) !== value)
        changes.push({
          at,
          what: "attribute",
          detail: value === undefined ? `${name} gone` : `${name}="${value}"`,
          was: "",
          tag: is.tag,
        });
    }
  }
  for (const [at, was] of before)
    if (!after.has(at) && was.visible)
      changes.push({ at, what: "hidden", detail: "", was: "", tag: was.tag });
  return changes;
}

/** Whether one set of changes holds all of another. */
export const includesAll = (all: readonly Change[], some: readonly Change[]): boolean =>
  some.every((one) =>
    all.some((other) => other.at === one.at && other.what === one.what && other.detail === one.detail),
  );
