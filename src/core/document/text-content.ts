import type { ElementNode, Node } from "./node.ts";
import { writtenText } from "./written.ts";

/** Whether nothing stands in an element but white space and comments. */
export const isEmptyElement = ({ children }: ElementNode): boolean =>
  children.every(
    (child) => child.kind === "comment" || (child.kind === "text" && writtenText(child.value).trim() === ""),
  );

/** All text inside an element, hidden or not, white space folded. DOM §4.4, "descendant text content". */
export function textContent(element: ElementNode): string {
  let text = "";
  const stack: Node[] = [...element.children].reverse();
  for (let node = stack.pop(); node !== undefined; node = stack.pop()) {
    if (node.kind === "text") text += writtenText(node.value);
    else if (node.kind === "hole") text += writtenText(node.hole);
    else if (node.kind === "element")
      for (let i = node.children.length - 1; i >= 0; i--) stack.push(node.children[i] as Node);
  }
  return text.replace(/[ \t\n\f\r]+/g, " ").trim();
}
