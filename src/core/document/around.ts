import type { DocumentIndex } from "./document-index.ts";
import type { ElementNode } from "./node.ts";

/** Elements inside an element, at any depth, in document order; its shadow tree aside. */
export function* elementsBelow(index: DocumentIndex, container: ElementNode): Iterable<ElementNode> {
  const stack = [...index.childElements(container)].reverse();
  for (let node = stack.pop(); node !== undefined; node = stack.pop()) {
    yield node;
    const children = index.childElements(node);
    for (let i = children.length - 1; i >= 0; i--) stack.push(children[i] as ElementNode);
  }
}

/** The elements around an element in the flat tree, the nearest first. */
export function* elementsAbove(index: DocumentIndex, element: ElementNode): Iterable<ElementNode> {
  for (let up = index.flatParent(element); up !== null; up = index.flatParent(up)) yield up;
}

/** Whether an element is another, or in it, through slots and shadow trees. */
export function isOrIsIn(index: DocumentIndex, inner: ElementNode, outer: ElementNode): boolean {
  for (let up: ElementNode | null = inner; up !== null; up = index.flatParent(up))
    if (up === outer) return true;
  return false;
}

/** The first element for which something holds; null when there is none. */
export function firstOf(
  elements: Iterable<ElementNode>,
  holds: (element: ElementNode) => boolean,
): ElementNode | null {
  for (const element of elements) if (holds(element)) return element;
  return null;
}
