import { elementsBelow, firstOf } from "../document/around.ts";
import { type ElementNode, isUndefinedElement } from "../document/node.ts";
import type { Scene } from "../scene/scene.ts";

/** Private-use characters: glyphs of icon fonts, which mean nothing where they are read aloud. Unicode §23.5. */
const privateUse = /[\ue000-\uf8ff]|[\u{f0000}-\u{ffffd}]|[\u{100000}-\u{10fffd}]/gu;
const formatting = /[\u00ad\u200b-\u200f\u2060\ufeff]/g;

/** What of a name can be spoken. */
export const speakable = (name: string): string =>
  name
    .replace(privateUse, "")
    .replace(formatting, "")
    .replace(/\u00a0/g, " ")
    .trim();

/** Whether a name for certain says nothing: empty, or glyphs of an icon font alone. */
export function isUnnamed(scene: Scene, element: ElementNode): boolean {
  const name = scene.name(element);
  return name.certain && speakable(name.text) === "";
}

/** A custom element inside an element that may put anything in its place; null for none. */
export const holdsUnknownContent = (scene: Scene, element: ElementNode): ElementNode | null =>
  firstOf(elementsBelow(scene.page.index, element), isUndefinedElement);
