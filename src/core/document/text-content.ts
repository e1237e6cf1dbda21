import type { ElementNode, Node } from "./node.ts";
import { writtenText } from "./written.ts";

/** All text inside an element, hidden or not, white space folded. DOM §4.4, "descendant text content". */
export function textContent(element: ElementNode): string {
  let text = "";
  const stack: Node[] = [...element.children].reverse();
  for (let at = stack.pop(); at !== undefined; at = stack.pop()) {
    if (at.kind === "text") text += writtenText(at.value);
    else if (at.kind === "hole") text += writtenText(at.hole);
    else if (at.kind === "element")
      for (let i = at.children.length - 1; i >= 0; i--) stack.push(at.children[i] as Node);
  }
  return text.replace(/[ \t\n\f\r]+/g, " ").trim();
}
