import type { ElementNode } from "../../document/node.ts";
import { pointerHandlerOf } from "../../document/pointer-handler.ts";
import { type Change, insert, removeAttribute, renameElement } from "../../repair/change.ts";
import type { Scene } from "../../scene/scene.ts";
import { elementsAround } from "../exposed.ts";

/** What an imitated checkbox carries that a native one does by itself. */
const imitating = ["role", "tabindex", "aria-checked", "onclick", "onkeydown", "onkeyup", "onkeypress"];

/** Code that does nothing but turn the mark over. */
const togglesItself = /^\s*(?:return\s+)?\w*(?:toggle|check|tick)\w*\s*\((?:this|event)?\)\s*;?\s*$/i;

/**
 * The changes that make a label with a checkbox of words that imitate one in a form. Null where it does more than turn
 * its mark over, or holds more than words.
 */
export function asCheckbox(scene: Scene, element: ElementNode): readonly Change[] | null {
  const isWords = element.children.length > 0 && element.children.every((child) => child.kind === "text");
  const code = pointerHandlerOf(element)?.code ?? "";
  if (!/^(?:span|div)$/.test(element.tag) || !isWords || element.spread !== null || !togglesItself.test(code))
    return null;
  if (![...elementsAround(scene, element)].some((up) => up.tag === "form")) return null;
  if (element.attributes.has("aria-label") || element.attributes.has("aria-labelledby")) return null;
  return [
    renameElement(element, "label"),
    ...imitating.filter((name) => element.attributes.has(name)).map((name) => removeAttribute(element, name)),
    insert("first", element, { tag: "input", attributes: { type: "checkbox" } }),
  ];
}
