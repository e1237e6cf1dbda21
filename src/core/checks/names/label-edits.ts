import type { ElementNode, Node, TextNode } from "../../document/node.ts";
import { attributeText } from "../../document/written.ts";
import { type Change, insert, setAttribute, wrap } from "../../repair/change.ts";
import { askWords, BLANK, type Repair, withChanges } from "../../repair/repair.ts";
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

/** Makes the text beside a field its label. */
export function labelFrom(scene: Scene, field: ElementNode, { text, node }: TextBeside): Repair {
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
  const { id, changes } = idOf(scene, field, idWords(field, start));
  return askWords(summary, "Label", start, [
    insert("before", field, { tag: "label", attributes: { for: id }, text: BLANK }),
    ...changes,
  ]);
}
