import type { ElementNode } from "../../document/node.ts";
import { textContent } from "../../document/text-content.ts";
import { writtenText } from "../../document/written.ts";
import type { Scene } from "../../scene/scene.ts";
import { foldSpaces } from "../../semantics/text-collector.ts";
import { isShown } from "../exposed.ts";

/** Longer text is a paragraph about something else. */
const LONGEST_LABEL = 60;

/** The nearest short text before a control in its own paragraph, cell or row; null when there is none. */
export function textBeside(scene: Scene, control: ElementNode): string | null {
  const { index } = scene.page;
  const { parent, root } = index.record(control);
  const own = textBefore(scene, (parent ?? root).children, control);
  if (own !== null || parent === null) return own;
  // In a table, and in rows of boxes, the words stand in the box before.
  const { previous } = index.record(parent);
  if (previous === null || !isShown(scene, previous) || holdsControl(scene, previous)) return null;
  return /^(?:td|th|dt|div|span|p)$/.test(previous.tag) ? shortText(textContent(previous)) : null;
}

function textBefore(
  scene: Scene,
  nodes: readonly ElementNode["children"][number][],
  control: ElementNode,
): string | null {
  let text = "";
  for (const node of nodes) {
    if (node === control) break;
    if (node.kind === "text") text = foldSpaces(writtenText(node.value)) || text;
    else if (node.kind === "element" && isShown(scene, node))
      text = holdsControl(scene, node) ? "" : node.children.length < 4 ? textContent(node) || text : text;
  }
  return shortText(text);
}

const shortText = (text: string): string | null =>
  text !== "" && text.length <= LONGEST_LABEL && !/[<>]/.test(text) && /\p{L}/u.test(text) ? text : null;

const controls = new Set(["input", "select", "textarea", "button"]);

/** Words before another control belong to that one. */
const holdsControl = (scene: Scene, element: ElementNode): boolean =>
  controls.has(element.tag) || scene.page.index.childElements(element).some((e) => controls.has(e.tag));
