import type { ElementNode } from "../document/node.ts";
import type { Scene } from "../scene/scene.ts";

/** The element that holds another once slots are filled: a slot is no part of any list or table. DOM §4.2.2.4, "flat tree". */
export function holderOf({ page: { index } }: Scene, element: ElementNode): ElementNode | null {
  let holder = index.flatParent(element);
  while (holder?.tag === "slot") holder = index.flatParent(holder);
  return holder;
}

/** The elements right inside another once slots are filled. */
export function elementsHeldBy({ page: { index } }: Scene, holder: ElementNode): readonly ElementNode[] {
  const held: ElementNode[] = [];
  const stack = [...index.flatChildren(holder)].reverse();
  for (let node = stack.pop(); node !== undefined; node = stack.pop())
    if (node.kind === "element" && node.tag === "slot")
      stack.push(...[...index.flatChildren(node)].reverse());
    else if (node.kind === "element") held.push(node);
  return held;
}
