import type { Rgba } from "../../colour/rgba.ts";
import type { Interaction } from "../../css/match.ts";
import { elementsAbove, elementsBelow } from "../../document/around.ts";
import type { DocumentIndex } from "../../document/document-index.ts";
import { inputType, textTypes } from "../../document/form-controls.ts";
import type { ElementNode } from "../../document/node.ts";
import { whyUnseen } from "../../rendering/unseen.ts";
import type { Scene } from "../../scene/scene.ts";
import { sureStops } from "../exposed.ts";

/** How focus shows on an element, as far as styles tell. */
export type FocusMark =
  | { readonly kind: "browser" }
  | { readonly kind: "outline"; readonly colour: Rgba | null }
  /** Something beside an outline changes: on the element, in it, or around it. */
  | { readonly kind: "other" }
  | { readonly kind: "none" };

/** Elements that Tab reaches for certain, are seen, and show no caret of their own. */
export const markedStops = (scene: Scene): readonly ElementNode[] =>
  sureStops(scene).filter((element) => {
    if (element.namespace !== "html") return false;
    const hasCaret =
      scene.page.styles.keyword(element, "caret-color") !== "transparent" &&
      (element.tag === "textarea" ||
        element.attributes.has("contenteditable") ||
        (element.tag === "input" && (textTypes.has(inputType(element)) || inputType(element) === "number")));
    // A field in parts shows which of them one is in.
    if (element.tag === "input" && inParts.test(inputType(element))) return false;
    // Frames and media show focus inside; what cannot be seen shows it elsewhere.
    if (hasCaret || /^(?:html|body|iframe|audio|video|area)$/.test(element.tag)) return false;
    return whyUnseen(scene.page, element) === null;
  });

const inParts = /^(?:date|time|datetime-local|month|week)$/;

/** What focus may change so that one sees it. */
const visible = [
  "background-color",
  "background-image",
  "color",
  "text-decoration-line",
  "text-decoration-color",
  "text-decoration-thickness",
  "box-shadow",
  "text-shadow",
  "border-top-color",
  "border-right-color",
  "border-bottom-color",
  "border-left-color",
  "border-top-style",
  "border-bottom-style",
  "border-left-style",
  "border-right-style",
  "border-top-width",
  "border-bottom-width",
  "border-left-width",
  "border-right-width",
  "font-weight",
  "font-size",
  "font-style",
  "transform",
  "scale",
  "translate",
  "filter",
  "opacity",
  "clip-path",
  "width",
  "height",
  "padding-left",
  "padding-top",
  "display",
  "visibility",
  "content",
  "top",
  "left",
  "right",
  "bottom",
  "margin-left",
  "margin-top",
  "max-height",
  "max-width",
  "rotate",
  "background-position",
  "background-size",
  "text-decoration-style",
  "letter-spacing",
  "fill",
  "stroke",
  "stroke-width",
  "accent-color",
  "animation-name",
] as const;

export function focusMarkOf(scene: Scene, element: ElementNode): FocusMark {
  const { styles, index } = scene.page;
  const interaction: Interaction = { kind: "focus", element };
  const value = (property: string) =>
    styles.value(element, property, interaction)?.text?.toLowerCase() ?? null;
  const style = value("outline-style");
  const width = value("outline-width");
  if (style === null || width === null) return { kind: "other" };
  if (style === "auto") return { kind: "browser" };
  const colour = styles.value(element, "outline-color", interaction)?.text ?? "auto";
  const shown = /^(?:auto|invert)$/i.test(colour)
    ? null
    : styles.colourWithin({ element, interaction }, colour);
  const isDrawn = style !== "none" && style !== "hidden" && !/^0[a-z]*$/.test(width) && shown?.alpha !== 0;
  if (isDrawn && changesAnything(scene, element, interaction) === false)
    return { kind: "outline", colour: shown };
  if (isDrawn || changesAnything(scene, element, interaction)) return { kind: "other" };
  // The mark may be drawn by anything else: `:focus-within`, `input:focus + span b`, `:has(:focus)`.
  if (!styles.mayReact(element, "focus")) return { kind: "none" };
  let looked = 0;
  for (const other of nearestFirst(index, element)) {
    if (++looked > MOST_LOOKED_AT) return { kind: "other" };
    if (
      styles.likeness({ element: other, interaction }) !== styles.likeness({ element: other }) &&
      (changesAnything(scene, other, interaction) || outlineAppears(scene, other, interaction))
    )
      return { kind: "other" };
  }
  return { kind: "none" };
}

/** How many elements are looked at for a mark: on a larger page it counts as drawn, somewhere. */
const MOST_LOOKED_AT = 3000;

/** All other elements of a page, those in and around one first. */
function* nearestFirst(index: DocumentIndex, element: ElementNode): Iterable<ElementNode> {
  const given = new Set<ElementNode>([element]);
  const near = [...elementsBelow(index, element), ...elementsAbove(index, element), ...index.labels(element)];
  for (const other of [...near, ...index.elements]) {
    if (given.has(other)) continue;
    given.add(other);
    yield other;
  }
}

/** Whether something that has no focus itself gets an outline. */
function outlineAppears(
  { page: { styles } }: Scene,
  element: ElementNode,
  interaction: Interaction,
): boolean {
  const outline = (acted?: Interaction) =>
    ["outline-style", "outline-width", "outline-color"].map(
      (property) => styles.value(element, property, acted)?.text?.toLowerCase() ?? "",
    );
  const [style = "", width = "", colour] = outline(interaction);
  const isDrawn =
    style !== "none" && style !== "hidden" && !/^0[a-z]*$/.test(width) && colour !== "transparent";
  return isDrawn && outline().join(" ") !== [style, width, colour].join(" ");
}

function changesAnything(scene: Scene, element: ElementNode, interaction: Interaction): boolean {
  const { styles } = scene.page;
  if (styles.likeness({ element, interaction }) !== styles.likeness({ element })) {
    for (const property of visible) {
      if (
        (styles.value(element, property, interaction)?.text ?? null) !==
        (styles.value(element, property)?.text ?? null)
      )
        return true;
    }
  }
  for (const pseudo of ["before", "after"]) {
    if (
      styles.likeness({ element, pseudo }) === null &&
      styles.likeness({ element, pseudo, interaction }) === null
    )
      continue;
    for (const property of visible) {
      if (
        (styles.pseudoValue(element, pseudo, property, interaction)?.text ?? null) !==
        (styles.pseudoValue(element, pseudo, property)?.text ?? null)
      )
        return true;
    }
  }
  return false;
}
