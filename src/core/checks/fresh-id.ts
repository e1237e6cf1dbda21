import type { ElementNode } from "../document/node.ts";
import type { Scene } from "../scene/scene.ts";

/** An id that nothing in the tree of an element has yet, made of words. */
export function freshId(scene: Scene, element: ElementNode, words: string): string {
  const base =
    words
      .toLowerCase()
      .replace(/[^\p{L}\p{N}_]+/gu, "-")
      .replace(/^-+|-+$/g, "")
      .slice(0, LONGEST) || element.tag;
  for (let n = 1; ; n++) {
    const id = n === 1 ? base : `${base}-${n}`;
    if (scene.page.index.byId(element, id) === null) return id;
  }
}

const LONGEST = 40;
