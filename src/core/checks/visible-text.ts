import { NO } from "../css/certainty.ts";
import type { ElementNode, Node } from "../document/node.ts";
import { hasHole, writtenText } from "../document/written.ts";
import { whyUnseen } from "../rendering/unseen.ts";
import type { Scene } from "../scene/scene.ts";
import { foldSpaces } from "../semantics/text-collector.ts";

/** The text one sees in an element: no alternatives of pictures, nothing hidden. Null where source does not give some of it. */
export function visibleText(scene: Scene, root: ElementNode): string | null {
  let text = "";
  const stack: Node[] = [...scene.page.index.flatChildren(root)].reverse();
  for (let at = stack.pop(); at !== undefined; at = stack.pop()) {
    if (at.kind === "hole") return null;
    if (at.kind === "text") {
      if (hasHole(at.value)) return null;
      text += writtenText(at.value);
    } else if (at.kind === "element") {
      if (
        at.tag === "input" ||
        at.tag === "select" ||
        at.tag === "textarea" ||
        at.tag === "svg" ||
        at.tag === "script" ||
        at.tag === "style"
      )
        continue;
      if (scene.presence.of(at).visible === NO || whyUnseen(scene.page, at) !== null) continue;
      text += " ";
      stack.push({ kind: "text", value: " ", source: null });
      for (const child of [...scene.page.index.flatChildren(at)].reverse()) stack.push(child);
    }
  }
  return foldSpaces(text);
}
