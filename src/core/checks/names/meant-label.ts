import { isLabelable } from "../../document/document-index.ts";
import { nearestWord } from "../../document/nearest-word.ts";
import type { ElementNode } from "../../document/node.ts";
import { attributeText } from "../../document/written.ts";
import type { Cause } from "../../findings/cause.ts";
import { keptForScene } from "../../scene/kept.ts";
import type { Scene } from "../../scene/scene.ts";
import { isUnnamed } from "../shown-name.ts";

/** How far after a label the field it stands before is looked for, in elements. */
const NEAR = 12;

/** The nameless field that a label with a wrong `for` was written for: by a misspelt id, or by its place; null for none. */
export function fieldMeantBy(scene: Scene, label: ElementNode): ElementNode | null {
  const { index } = scene.page;
  const id = attributeText(label, "for") ?? "";
  const nameless = namelessFields(scene);
  const near = index.byId(label, id) === null ? nearestWord(id, [...nameless.keys()]) : null;
  if (near !== null) return nameless.get(near) ?? null;
  const from = index.record(label).order;
  for (const element of index.elements.slice(from + 1, from + NEAR)) {
    if (element.tag === "label") return null;
    if (isLabelable(element) && element.tag !== "button") return isUnnamed(scene, element) ? element : null;
  }
  return null;
}

const namelessFields = keptForScene((scene: Scene): ReadonlyMap<string, ElementNode> => {
  const found = new Map<string, ElementNode>();
  for (const element of scene.page.index.elements) {
    const id = isLabelable(element) && element.tag !== "button" ? attributeText(element, "id") : null;
    if (id !== null && id !== "" && isUnnamed(scene, element)) found.set(id, element);
  }
  return found;
});

/** For each nameless field the label that misses it. */
export const labelsThatMiss = keptForScene((scene: Scene): ReadonlyMap<ElementNode, ElementNode> => {
  const { index } = scene.page;
  const found = new Map<ElementNode, ElementNode>();
  for (const label of index.byTag("label")) {
    const id = attributeText(label, "for");
    if (id === null) continue;
    const target = index.byId(label, id);
    const isRight = target !== null && isLabelable(target) && index.labels(target)[0] === label;
    const field = isRight ? null : fieldMeantBy(scene, label);
    if (field !== null && !found.has(field)) found.set(field, label);
  }
  return found;
});

/** What a label and the field it misses share: one change mends both. */
export const missedLabelCause = (scene: Scene, label: ElementNode): Cause => ({
  kind: "label that misses",
  of: [scene.page.index.record(label).order],
});
