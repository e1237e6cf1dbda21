import type { Role } from "./tables/roles.ts";
import type { ElementTreeNode, TreeNode } from "./tree.ts";

/** The root with the nodes of one role as its children, in reading order, each without what is inside it. */
export function onlyRole(root: ElementTreeNode, role: Role): ElementTreeNode {
  const found: ElementTreeNode[] = [];
  const stack: TreeNode[] = [...root.children].reverse();
  for (let at = stack.pop(); at !== undefined; at = stack.pop()) {
    if (at.kind === "text") continue;
    if (at.role === role) found.push({ ...at, children: [] });
    for (let i = at.children.length - 1; i >= 0; i--) stack.push(at.children[i] as TreeNode);
  }
  return { ...root, children: found };
}
