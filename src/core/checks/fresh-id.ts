import type { ElementNode } from "../document/node.ts";
import { keptForScene } from "../scene/kept.ts";
import type { Scene } from "../scene/scene.ts";

/** What was suggested before: ids by their words and the place in source that each is for, and the next number by words. */
const suggested = keptForScene(() => ({ ids: new Map<string, string>(), next: new Map<string, number>() }));

/** An id that nothing in the tree of an element has yet and nothing else was to be given, made of words. */
export function freshId(scene: Scene, element: ElementNode, words: string): string {
  const base =
    words
      .toLowerCase()
      .replace(/[^\p{L}\p{N}_]+/gu, "-")
      .replace(/^-+|-+$/g, "")
      .slice(0, LONGEST) || element.tag;
  const { ids, next } = suggested(scene);
  const key = element.source === null ? null : `${base} ${element.source.file} ${element.source.start}`;
  const known = key === null ? undefined : ids.get(key);
  if (known !== undefined) return known;
  for (let n = next.get(base) ?? 1; ; n++) {
    const id = n === 1 ? base : `${base}-${n}`;
    if (scene.page.index.byId(element, id) !== null) continue;
    if (key !== null) {
      ids.set(key, id);
      next.set(base, n + 1);
    }
    return id;
  }
}

const LONGEST = 40;
