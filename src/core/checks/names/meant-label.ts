import { elementsAbove, elementsBelow, firstOf } from "../../document/around.ts";
import { isLabelable } from "../../document/document-index.ts";
import { inputType } from "../../document/form-controls.ts";
import { nearestWord } from "../../document/nearest-word.ts";
import { type ElementNode, holdsHole, isUndefinedElement } from "../../document/node.ts";
import { textContent } from "../../document/text-content.ts";
import { attributeText, attributeTokens } from "../../document/written.ts";
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

/** The field that a loose label stands before (a box to tick: after) and that no label names; null for none. */
export function fieldBeside(scene: Scene, label: ElementNode): ElementNode | null {
  const field = tickedBefore(scene, label) ?? fieldAfter(scene, label);
  return field !== null && looseLabels(scene).get(field) === label ? field : null;
}

/** For each field without a label the first loose one that stands beside it. */
export const looseLabels = keptForScene((scene: Scene): ReadonlyMap<ElementNode, ElementNode> => {
  const { index } = scene.page;
  const found = new Map<ElementNode, ElementNode>();
  for (const label of index.byTag("label").filter((one) => isLoose(scene, one))) {
    const field = tickedBefore(scene, label) ?? fieldAfter(scene, label);
    if (field !== null && index.labels(field).length === 0 && !found.has(field)) found.set(field, label);
  }
  return found;
});

/** Whether a label for certain names nothing: it holds no field, points at none, and nothing points at it. */
export function isLoose(scene: Scene, label: ElementNode): boolean {
  const { index } = scene.page;
  if (label.attributes.has("for") || label.spread !== null || index.labeledControl(label) !== null)
    return false;
  if (!speaksForItself(scene, label)) return false;
  const id = label.attributes.get("id")?.value;
  if (id === undefined) return true;
  return typeof id === "string" && !referredIds(scene).has(id) && !hasOpenReferences(scene);
}

/** Whether all that stands in a label is known words. */
const speaksForItself = (scene: Scene, label: ElementNode): boolean => {
  const all = [label, ...elementsBelow(scene.page.index, label)];
  return (
    textContent(label).trim() !== "" && !all.some((inside) => isUndefinedElement(inside) || holdsHole(inside))
  );
};

const references = ["aria-labelledby", "aria-describedby"] as const;

const referredIds = keptForScene(
  (scene: Scene): ReadonlySet<string> =>
    new Set(
      scene.page.index.elements.flatMap((one) => references.flatMap((name) => attributeTokens(one, name))),
    ),
);

const hasOpenReferences = keptForScene((scene: Scene): boolean =>
  scene.page.index.elements.some(
    (one) =>
      one.spread !== null ||
      references.some((name) => one.attributes.has(name) && attributeText(one, name) === null),
  ),
);

const isTicked = (element: ElementNode): boolean =>
  element.tag === "input" && /^(?:checkbox|radio)$/.test(inputType(element));

/** The box to tick that a label stands right behind. */
function tickedBefore(scene: Scene, label: ElementNode): ElementNode | null {
  const { index } = scene.page;
  const siblings = index.childElements(index.record(label).parent ?? index.record(label).root);
  const before = siblings[siblings.indexOf(label) - 1];
  return before !== undefined && isTicked(before) ? before : null;
}

/** The field that comes next after a label, in the box around it: the nearest that holds more than the label. */
function fieldAfter(scene: Scene, label: ElementNode): ElementNode | null {
  const { index } = scene.page;
  let box = index.record(label).parent;
  while (box !== null && index.childElements(box).length === 1) box = index.record(box).parent;
  if (box === null) return null;
  const { order } = index.record(label);
  for (const element of index.elements.slice(order + 1, order + NEAR)) {
    if (ends.has(element.tag) || !isWithin(scene, element, box)) return null;
    if (!isLabelable(element) || element.tag === "button") continue;
    const type = element.tag === "input" ? inputType(element) : "";
    if (isTicked(element)) return index.elements[order + 1] === element ? element : null;
    return /^(?:hidden|submit|button|reset|image)$/.test(type) ? null : element;
  }
  return null;
}

/** What begins something that the words of a label before it are not for. */
const ends = new Set(["label", "h1", "h2", "h3", "h4", "h5", "h6", "fieldset", "legend", "form"]);

const isWithin = (scene: Scene, element: ElementNode, box: ElementNode): boolean =>
  firstOf(elementsAbove(scene.page.index, element), (up) => up === box) !== null;

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

/** A label of which source does not tell what it is for. */
export const openLabel = keptForScene(
  (scene: Scene): ElementNode | null =>
    scene.page.index
      .byTag("label")
      .find((label) => label.attributes.has("for") && attributeText(label, "for") === null) ?? null,
);
