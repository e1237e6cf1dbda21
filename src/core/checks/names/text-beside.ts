import type { ElementNode, TextNode } from "../../document/node.ts";
import { textContent } from "../../document/text-content.ts";
import { writtenText } from "../../document/written.ts";
import type { Scene } from "../../scene/scene.ts";
import { foldSpaces } from "../../semantics/text-collector.ts";
import { isShown } from "../exposed.ts";

/** Longer text is a paragraph about something else. */
const LONGEST_LABEL = 60;

/** Words that stand beside a control, and the node they are in. */
export interface TextBeside {
  readonly text: string;
  readonly node: TextNode | ElementNode;
}

/** The nearest short text before a control in its own paragraph, cell or row; null when there is none. */
export function textBeside(scene: Scene, control: ElementNode): TextBeside | null {
  const { index } = scene.page;
  const { parent, root } = index.record(control);
  const before = textBefore(scene, (parent ?? root).children, control);
  if (before !== null || parent === null) return before;
  // In a table, and in rows of boxes, the words stand in the box before.
  const { previous } = index.record(parent);
  if (previous === null || !isShown(scene, previous) || holdsControl(scene, previous)) return null;
  return /^(?:td|th|dt|div|span|p)$/.test(previous.tag)
    ? shortText({ text: textContent(previous), node: previous })
    : null;
}

/** The last words before a control, unless another control comes between. */
function textBefore(
  scene: Scene,
  nodes: readonly ElementNode["children"][number][],
  control: ElementNode,
): TextBeside | null {
  for (let at = nodes.indexOf(control) - 1; at >= 0; at--) {
    const node = nodes[at];
    if (node?.kind === "text") {
      const text = foldSpaces(writtenText(node.value));
      if (text !== "") return shortText({ text, node });
    } else if (node?.kind === "element" && isShown(scene, node)) {
      if (holdsControl(scene, node)) return null;
      const text = node.children.length < 4 ? textContent(node) : "";
      if (text !== "") return shortText({ text, node });
    }
  }
  return null;
}

const shortText = (beside: TextBeside): TextBeside | null =>
  beside.text !== "" &&
  beside.text.length <= LONGEST_LABEL &&
  !/[<>]/.test(beside.text) &&
  /\p{L}/u.test(beside.text)
    ? beside
    : null;

const controls = new Set(["input", "select", "textarea", "button"]);

/** Words before another control belong to that one. */
const holdsControl = (scene: Scene, element: ElementNode): boolean =>
  controls.has(element.tag) || scene.page.index.childElements(element).some((e) => controls.has(e.tag));
