import { elementAnswer } from "../../answers/element-answer.ts";
import type { PageTree } from "../../answers/tree.ts";
import type { ElementTreeNode, TreeNode } from "../../core/semantics/tree.ts";
import { jsonText } from "./json-text.ts";

/**
 * The tree of a page as JSON, in pieces: a deep tree needs no deep stack, and a large one is never one string.
 * Nodes are written as they are met; only brackets are remembered.
 */
export function* treeJson(page: PageTree): Iterable<string> {
  yield `{"format":"even-keel/tree","version":1,"target":${jsonText(page.target)},"root":`;
  const stack: { readonly nodes: readonly TreeNode[]; next: number }[] = [];
  yield opening(page, page.root);
  stack.push({ nodes: page.root.children, next: 0 });
  for (let frame = stack.at(-1); frame !== undefined; frame = stack.at(-1)) {
    const node = frame.nodes[frame.next++];
    if (node === undefined) {
      stack.pop();
      yield "]}";
      continue;
    }
    if (frame.next > 1) yield ",\n";
    if (node.kind === "text") {
      yield jsonText({ role: "text", name: node.text, source: page.texts.place(node.source) });
      continue;
    }
    yield opening(page, node);
    stack.push({ nodes: node.children, next: 0 });
  }
  yield "}";
}

function opening(page: PageTree, node: ElementTreeNode): string {
  const fields = {
    role: node.role,
    name: node.name,
    nameFrom: node.nameFrom,
    description: node.description,
    states: node.states,
    value: node.value,
    element: elementAnswer(page.scene.page.index, page.scene, node.element, page.texts),
    source: page.texts.place(node.element.source),
  };
  return `${jsonText(fields).slice(0, -1)},"children":[`;
}
