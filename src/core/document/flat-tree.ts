import type { ElementNode, Node, ShadowRoot, TreeRoot } from "./node.ts";
import { attributeText } from "./written.ts";

/** Which nodes fill which slot. A slot without an entry shows its own children. */
export interface SlotAssignment {
  readonly assigned: ReadonlyMap<ElementNode, readonly Node[]>;
  readonly slotOf: ReadonlyMap<Node, ElementNode>;
}

/** Named slot assignment: the first slot of a name in tree order takes the host's children. DOM §4.2.2.3–4. */
export function assignSlots(
  hosts: ReadonlyMap<ShadowRoot, ElementNode>,
  slotElements: readonly ElementNode[],
  rootOf: (slot: ElementNode) => TreeRoot,
): SlotAssignment {
  const assigned = new Map<ElementNode, Node[]>();
  const slotOf = new Map<Node, ElementNode>();
  if (hosts.size === 0) return { assigned, slotOf };
  const slotsByRoot = new Map<TreeRoot, Map<string, ElementNode>>();
  for (const slot of slotElements) {
    const root = rootOf(slot);
    const name = attributeText(slot, "name") ?? "";
    const named = slotsByRoot.get(root) ?? new Map<string, ElementNode>();
    slotsByRoot.set(root, named);
    if (!named.has(name)) named.set(name, slot);
  }
  for (const [root, host] of hosts) {
    const named = slotsByRoot.get(root);
    if (named === undefined) continue;
    for (const child of host.children) {
      if (child.kind === "comment") continue;
      const name = child.kind === "element" ? (attributeText(child, "slot") ?? "") : "";
      const slot = named.get(name);
      if (slot === undefined) continue;
      slotOf.set(child, slot);
      const nodes = assigned.get(slot);
      if (nodes === undefined) assigned.set(slot, [child]);
      else nodes.push(child);
    }
  }
  return { assigned, slotOf };
}
