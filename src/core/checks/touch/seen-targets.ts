import { inputType } from "../../document/form-controls.ts";
import type { ElementNode } from "../../document/node.ts";
import { textContent } from "../../document/text-content.ts";
import { attributeText, writtenText } from "../../document/written.ts";
import { bottomOf, rightOf } from "../../scene/cut-off.ts";
import { keptForScene } from "../../scene/kept.ts";
import type { Scene } from "../../scene/scene.ts";
import type { Box } from "../../scene/seen.ts";
import { Stripes } from "../../scene/stripes.ts";
import { sureStops } from "../exposed.ts";

/** Rounding of the browser, in CSS pixels. */
const SLACK = 0.5;

/** A target as it is laid out. */
export interface SeenTarget {
  readonly element: ElementNode;
  /** Where a press reaches it: what others lie over is not in it. */
  readonly box: Box;
  /** The sides whose length is the browser's own: no style of the author changes it. */
  readonly native: { readonly width: boolean; readonly height: boolean };
  /** Whether it is part of a line with other text, which gives it its height. */
  readonly isInLine: boolean;
}

/** Elements of which it is tried where a press reaches them. */
export const targetsToTry = keptForScene((scene: Scene): readonly ElementNode[] => {
  const usual = scene.seen?.usual ?? null;
  if (usual === null) return [];
  return sureStops(scene).filter(
    (element) =>
      element.namespace === "html" &&
      !/^(?:area|iframe|html|body|video|audio)$/.test(element.tag) &&
      usual.isDrawn(element) &&
      usual.boxes(element).some(({ width, height }) => width > 1 && height > 1),
  );
});

/** Targets by their elements, where it was tried where a press reaches them. */
export const seenTargets = keptForScene((scene: Scene): ReadonlyMap<ElementNode, SeenTarget> => {
  const found = new Map<ElementNode, SeenTarget>();
  for (const element of targetsToTry(scene)) {
    const box = scene.seen?.pressed(element) ?? null;
    if (box === null) continue;
    found.set(element, {
      element,
      box,
      native: nativeSides(scene, element),
      isInLine: isInLine(scene, element),
    });
  }
  return found;
});

/** What an author's style may change about the length of a control's sides. */
const ofBothSides = ["font-size", "font-family", "appearance", "transform", "zoom"];
const ofSide = {
  width: [
    "width",
    "min-width",
    "max-width",
    "padding-left",
    "padding-right",
    "border-left-width",
    "border-right-width",
  ],
  height: [
    ...["height", "min-height", "max-height", "padding-top", "padding-bottom", "line-height"],
    ...["border-top-width", "border-bottom-width"],
  ],
};

/** WCAG 2.5.8, "User Agent Control": the size is the browser's own. Pictures in a button give it theirs. */
function nativeSides(scene: Scene, element: ElementNode): SeenTarget["native"] {
  const isControl =
    /^(?:input|select|textarea)$/.test(element.tag) ||
    (element.tag === "button" && scene.page.index.childElements(element).length === 0);
  if (!isControl || inputType(element) === "image") return { width: false, height: false };
  const isOwn = (side: keyof typeof ofSide) =>
    [...ofBothSides, ...ofSide[side]].every((property) => {
      const value = scene.page.styles.value(element, property);
      return value?.own !== true || value.block?.origin !== "author";
    });
  return { width: isOwn("width"), height: isOwn("height") };
}

/** WCAG 2.5.8, "Inline": its size is constrained by the height of a line of text that is no target. */
function isInLine(scene: Scene, element: ElementNode): boolean {
  const { index, styles } = scene.page;
  if (styles.keyword(element, "display") !== "inline") return false;
  for (let up = index.flatParent(element); up !== null; up = index.flatParent(up)) {
    if (hasOtherText(scene, up, element)) return true;
    if (styles.keyword(up, "display") !== "inline") return false;
  }
  return false;
}

const stops = keptForScene((scene: Scene): ReadonlySet<ElementNode> => new Set(sureStops(scene)));

/** Whether text that is no target stands in an element, beside what is asked about. */
function hasOtherText(scene: Scene, element: ElementNode, except: ElementNode): boolean {
  return element.children.some((child) =>
    child.kind === "text"
      ? writtenText(child.value).trim() !== ""
      : child.kind === "element" &&
        child !== except &&
        !stops(scene).has(child) &&
        /^inline/.test(scene.page.styles.keyword(child, "display") ?? "") &&
        textContent(child).trim() !== "" &&
        hasOtherText(scene, child, except),
  );
}

const middle = ({ left, top, width, height }: Box): readonly [number, number] => [
  left + width / 2,
  top + height / 2,
];

/** Whether a side is shorter than is needed. */
export const isSmallTarget = ({ box }: SeenTarget, needed: number): boolean =>
  isShort(box.width, needed) || isShort(box.height, needed);

const isShort = (length: number, needed: number): boolean => length < needed - SLACK;

/** Whether what is short of it is so by the browser's own doing. */
export const isNativelySmall = ({ box, native }: SeenTarget, needed: number): boolean =>
  (native.width || !isShort(box.width, needed)) && (native.height || !isShort(box.height, needed));

const targetsByHeight = keptForScene((scene: Scene) => new Stripes(seenTargets(scene).values()));

/** The nearest target that a circle around the middle of a small one meets; null where it has that much room. WCAG 2.5.8, "Spacing". */
export function tooNear(
  scene: Scene,
  target: SeenTarget,
  needed: number,
): { readonly other: SeenTarget; readonly distance: number } | null {
  const [x, y] = middle(target.box);
  let nearest: { readonly other: SeenTarget; readonly distance: number } | null = null;
  for (const other of targetsByHeight(scene).between(y - needed, y + needed)) {
    if (other === target || isSameTarget(scene, target.element, other.element)) continue;
    const [theirX, theirY] = middle(other.box);
    const asCircle = Math.hypot(x - theirX, y - theirY) - needed / 2;
    const { box } = other;
    const asBox = Math.hypot(
      Math.max(box.left - x, 0, x - rightOf(box)),
      Math.max(box.top - y, 0, y - bottomOf(box)),
    );
    const distance = isSmallTarget(other, needed) ? Math.min(asCircle, asBox) : asBox;
    if (distance >= needed / 2 - SLACK) continue;
    if (nearest === null || distance < nearest.distance) nearest = { other, distance };
  }
  return nearest;
}

/** Whether two do the same: links to one place, a field and what is in its own label. */
function isSameTarget(scene: Scene, one: ElementNode, other: ElementNode): boolean {
  const [here, there] = [attributeText(one, "href"), attributeText(other, "href")];
  if (here !== null && here === there) return true;
  return scene.page.index.labels(one).some((label) => scene.page.index.labels(other).includes(label));
}

/** Whether a target of sufficient size does the same. WCAG 2.5.8, "Equivalent". */
export function hasEqual(scene: Scene, target: SeenTarget, needed: number): boolean {
  const place = attributeText(target.element, "href");
  if (target.element.tag !== "a" || place === null || /^#?$/.test(place)) return false;
  for (const other of seenTargets(scene).values())
    if (other !== target && attributeText(other.element, "href") === place && !isSmallTarget(other, needed))
      return true;
  return false;
}
