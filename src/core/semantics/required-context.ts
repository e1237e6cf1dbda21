import { referencedElements } from "../document/document-index.ts";
import type { ElementNode } from "../document/node.ts";
import type { Semantics } from "./semantics.ts";
import { type Role, roleRow } from "./tables/roles.ts";

/** Roles that are looked through on the way from an item to its container. WAI-ARIA 1.2 §5.2.6–7. */
const seenThrough = (role: Role | null): boolean => role === null || role === "generic" || role === "none";

/** Who an element belongs to by `aria-owns`, else the element it stands in. */
function parentOf(
  semantics: Semantics,
  element: ElementNode,
  owners: ReadonlyMap<ElementNode, ElementNode>,
): ElementNode | null {
  return owners.get(element) ?? semantics.page.index.flatParent(element);
}

/** The owners that `aria-owns` gives, the first of each element. */
export function ownersOf(semantics: Semantics): ReadonlyMap<ElementNode, ElementNode> {
  const { index } = semantics.page;
  const owners = new Map<ElementNode, ElementNode>();
  for (const element of index.elements) {
    if (!element.attributes.has("aria-owns")) continue;
    for (const target of referencedElements(index, element, "aria-owns"))
      if (!owners.has(target)) owners.set(target, element);
  }
  return owners;
}

/** The nearest ancestor with a role that counts; null at the top, or in a circle. */
export function containerOf(
  semantics: Semantics,
  element: ElementNode,
  owners: ReadonlyMap<ElementNode, ElementNode>,
): ElementNode | null {
  const seen = new Set<ElementNode>([element]);
  for (
    let up = parentOf(semantics, element, owners);
    up !== null && !seen.has(up);
    up = parentOf(semantics, up, owners)
  ) {
    seen.add(up);
    if (!seenThrough(semantics.role(up).role)) return up;
  }
  return null;
}

/** Whether an element stands where its role must: `listbox/group` is a group that is in a listbox. WAI-ARIA 1.2 §5.2.7. */
export function isInRequiredContext(
  semantics: Semantics,
  element: ElementNode,
  role: Role,
  owners: ReadonlyMap<ElementNode, ElementNode>,
): boolean {
  const { parents } = roleRow(role);
  if (parents === undefined) return true;
  const container = containerOf(semantics, element, owners);
  if (container === null) return false;
  const containerRole = semantics.role(container).role;
  return parents.some((path) => {
    const [outer, inner] = path.includes("/") ? path.split("/") : [null, path];
    if (containerRole !== inner) return false;
    if (outer === null) return true;
    const around = containerOf(semantics, container, owners);
    return around !== null && semantics.role(around).role === outer;
  });
}

/** The nearest elements below with roles that count, those brought in by `aria-owns` included. */
export function contentRoles(semantics: Semantics, container: ElementNode): readonly ElementNode[] {
  const { index } = semantics.page;
  const found: ElementNode[] = [];
  const seen = new Set<ElementNode>([container]);
  const below = (element: ElementNode): readonly ElementNode[] => [
    ...index.flatChildren(element).filter((node): node is ElementNode => node.kind === "element"),
    ...(element.attributes.has("aria-owns") ? referencedElements(index, element, "aria-owns") : []),
  ];
  const stack = [...below(container)].reverse();
  for (let node = stack.pop(); node !== undefined; node = stack.pop()) {
    if (seen.has(node)) continue;
    seen.add(node);
    if (seenThrough(semantics.role(node).role)) stack.push(...[...below(node)].reverse());
    else found.push(node);
  }
  return found;
}
