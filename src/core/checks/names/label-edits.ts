import type { ElementNode, Node, TextNode } from "../../document/node.ts";
import { textContent } from "../../document/text-content.ts";
import { attributeText } from "../../document/written.ts";
import { type Change, insert, setAttribute, takeIn, wrap } from "../../repair/change.ts";
import { ask, askWords, BLANK, type Repair, withChanges } from "../../repair/repair.ts";
import type { Scene } from "../../scene/scene.ts";
import { freshId } from "../fresh-id.ts";
import type { TextBeside } from "./text-beside.ts";

/** The id of a field, with the change that gives it one where it has none. */
export function idOf(
  scene: Scene,
  field: ElementNode,
  words: string,
): { readonly id: string; readonly changes: readonly Change[] } {
  const fieldId = attributeText(field, "id");
  if (fieldId !== null && fieldId !== "" && scene.page.index.byId(field, fieldId) === field)
    return { id: fieldId, changes: [] };
  const id = freshId(scene, field, words);
  return { id, changes: [setAttribute(field, "id", id)] };
}

const idWords = (field: ElementNode, otherwise: string): string => {
  const name = attributeText(field, "name") ?? "";
  return name === "" ? otherwise : name;
};

/** Whether a field can be pointed at: in a component an id is there as often as the component. */
function hasOrMayHaveId(scene: Scene, field: ElementNode): boolean {
  const id = field.attributes.get("id")?.value;
  if (id === undefined || id === "") return scene.document.kind !== "component";
  return typeof id === "string";
}

/** Whether all words of a text are known: what an expression gives is told in braces. */
const isWhole = (text: string): boolean => !/[{}]/.test(text);

/** Connects a label that names nothing to the field beside it. */
export function connectLabel(scene: Scene, label: ElementNode, field: ElementNode): Repair {
  const text = textContent(label).trim();
  if (!isWhole(text)) return ask("Connect the label to the field: for, with the id of the field.");
  if (hasOrMayHaveId(scene, field)) {
    const { id, changes } = idOf(scene, field, idWords(field, text));
    return withChanges("likely", `Connect the label "${text}" with for="${id}".`, [
      setAttribute(label, "for", id),
      ...changes,
    ]);
  }
  return scene.page.index.record(field).previous === label
    ? withChanges("likely", `Put the field into the label "${text}".`, [takeIn(label, field)])
    : withChanges(
        "likely",
        `Write "${text}" in aria-label, or connect the label by an id that is new for each use.`,
        [setAttribute(field, "aria-label", text)],
      );
}

/** Gives a field a label with words that are known, before it or around it. */
export function visibleLabel(scene: Scene, field: ElementNode, text: string): Repair {
  if (!isWhole(text))
    return labelWithWords(scene, field, "Put a label before the field that is always to be seen.", "");
  if (!hasOrMayHaveId(scene, field))
    return withChanges("likely", `Put the field into a label that says "${text}" and is always to be seen.`, [
      wrap(field, field, { tag: "label", text }),
    ]);
  const { id, changes } = idOf(scene, field, idWords(field, text));
  return withChanges("likely", `Put "${text}" into a label that is always to be seen: <label for="…">.`, [
    insert("before", field, { tag: "label", attributes: { for: id }, text }),
    ...changes,
  ]);
}

/** Makes the text beside a field its label. */
export function labelFrom(scene: Scene, field: ElementNode, { text, node }: TextBeside): Repair {
  if (!isWhole(text)) return ask("Make the text beside it its label.");
  if (!hasOrMayHaveId(scene, field))
    return withChanges("likely", `Write "${text}", the text beside it, in aria-label.`, [
      setAttribute(field, "aria-label", text),
    ]);
  const summary = `Make the text beside it its label: <label for="…">${text}</label>.`;
  const { id, changes } = idOf(scene, field, idWords(field, text));
  const [first, last] = node.kind === "text" ? [node, node] : [node.children[0], node.children.at(-1)];
  return isWritten(first) && isWritten(last)
    ? withChanges("likely", summary, [
        wrap(first, last, { tag: "label", attributes: { for: id } }),
        ...changes,
      ])
    : labelWithWords(scene, field, summary, text);
}

const isWritten = (node: Node | undefined): node is ElementNode | TextNode =>
  node?.kind === "text" || node?.kind === "element";

/** A label before a field, for which a person gives the words. */
export function labelWithWords(scene: Scene, field: ElementNode, summary: string, start: string): Repair {
  if (!hasOrMayHaveId(scene, field))
    return askWords("Put the field into a label with its words: <label>… <input></label>.", "Label", start, [
      wrap(field, field, { tag: "label", text: BLANK }),
    ]);
  const { id, changes } = idOf(scene, field, idWords(field, start));
  return askWords(summary, "Label", start, [
    insert("before", field, { tag: "label", attributes: { for: id }, text: BLANK }),
    ...changes,
  ]);
}
