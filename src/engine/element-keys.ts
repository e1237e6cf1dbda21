import { elementPath } from "../core/document/element-path.ts";
import type { ElementNode } from "../core/document/node.ts";
import type { Scene } from "../core/scene/scene.ts";

/** What each element of a moment is called, the same in every window that shows the same. */
export interface Keys {
  readonly of: ReadonlyMap<ElementNode, string>;
  readonly nodes: ReadonlyMap<string, ElementNode>;
}

/** What keeps the keys of elements: something of theirs stays the same for as long as their window lives. */
interface Kept<Lasting> {
  get(lasting: Lasting): string | undefined;
  set(lasting: Lasting, key: string): unknown;
}

/**
 * An element keeps its key for as long as its window lives: what is put in before it does not make it another.
 * @param identity what an element is called in every window, where anything but its way down tells
 */
export function elementKeys<Lasting>(
  { page }: Scene,
  kept: Kept<Lasting>,
  lasting: (node: ElementNode) => Lasting,
  identity: (node: ElementNode) => string | null,
): Keys {
  const of = new Map<ElementNode, string>();
  const nodes = new Map<string, ElementNode>();
  const isNew: ElementNode[] = [];
  const give = (node: ElementNode, key: string) => {
    of.set(node, key);
    nodes.set(key, node);
  };
  for (const node of page.index.elements) {
    const known = kept.get(lasting(node));
    if (known === undefined || nodes.has(known)) isNew.push(node);
    else give(node, known);
  }
  const turns = new Map<string, number>();
  for (const node of isNew) {
    const base = identity(node) ?? elementPath(page.index, node);
    let turn = turns.get(base) ?? 1;
    const keyAt = () => (turn === 1 ? base : `${base} ${turn}`);
    while (nodes.has(keyAt())) turn++;
    turns.set(base, turn);
    kept.set(lasting(node), keyAt());
    give(node, keyAt());
  }
  return { of, nodes };
}
