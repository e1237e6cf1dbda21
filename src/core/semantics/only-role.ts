import type { Role } from "./tables/roles.ts";
import type { ElementTreeNode, TreeNode } from "./tree.ts";

/** The root with the nodes of one role as its children, in reading order, each without what is inside it. */
export function onlyRole(root: ElementTreeNode, role: Role): ElementTreeNode {
  const found: ElementTreeNode[] = [];
  const stack: TreeNode[] = [...root.children].reverse();
  for (let node = stack.pop(); node !== undefined; node = stack.pop()) {
    if (node.kind === "text") continue;
    if (node.role === role) found.push({ ...node, children: [] });
    for (let i = node.children.length - 1; i >= 0; i--) stack.push(node.children[i] as TreeNode);
  }
  return { ...root, children: found };
}
