import { NO } from "../css/certainty.ts";
import { isIconWord } from "../document/icon-words.ts";
import { type ElementNode, isUndefinedElement, type Node } from "../document/node.ts";
import { hasHole, writtenText } from "../document/written.ts";
import { whyUnseen } from "../rendering/unseen.ts";
import type { Scene } from "../scene/scene.ts";
import { foldSpaces } from "../semantics/text-collector.ts";

/**
 * The text one sees in an element: no alternatives of pictures, nothing hidden. Null where source does not give some of it.
 * @param isApart whether an element inside stands for itself, and its text with it
 */
export function visibleText(
  scene: Scene,
  root: ElementNode,
  isApart: (element: ElementNode) => boolean = () => false,
): string | null {
  let text = "";
  const stack: Node[] = [...scene.page.index.flatChildren(root)].reverse();
  for (let node = stack.pop(); node !== undefined; node = stack.pop()) {
    if (node.kind === "hole") return null;
    if (node.kind === "text") {
      if (hasHole(node.value)) return null;
      text += writtenText(node.value);
    } else if (node.kind === "element") {
      if (
        node.tag === "input" ||
        node.tag === "select" ||
        node.tag === "textarea" ||
        node.tag === "svg" ||
        node.tag === "script" ||
        node.tag === "style" ||
        isIconWord(node) ||
        isApart(node)
      )
        continue;
      if (isUndefinedElement(node)) return null;
      if (scene.presence.of(node).visible === NO || whyUnseen(scene.page, node) !== null) continue;
      text += " ";
      stack.push({ kind: "text", value: " ", source: null });
      for (const child of [...scene.page.index.flatChildren(node)].reverse()) stack.push(child);
    }
  }
  return foldSpaces(text);
}
