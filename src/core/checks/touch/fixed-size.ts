import { inputType } from "../../document/form-controls.ts";
import type { ElementNode } from "../../document/node.ts";
import { whyUnseen } from "../../rendering/unseen.ts";
import { keptForScene } from "../../scene/kept.ts";
import type { Scene } from "../../scene/scene.ts";
import { sureStops } from "../exposed.ts";

/** A target whose size styles fix, in CSS pixels, borders and padding included. */
export interface FixedTarget {
  readonly element: ElementNode;
  readonly width: number | null;
  readonly height: number | null;
}

/** Targets of which styles fix a side, so that no content and no window changes it. Inline ones are part of a line. */
export const fixedTargets = keptForScene((scene): ReadonlyMap<ElementNode, FixedTarget> => {
  const { styles } = scene.page;
  const found = new Map<ElementNode, FixedTarget>();
  if (!scene.stylesKnown || (!styles.declares("height") && !styles.declares("width"))) return found;
  for (const element of sureStops(scene)) {
    if (element.namespace !== "html" || /^(?:area|iframe|audio|video|html|body)$/.test(element.tag)) continue;
    const display = styles.keyword(element, "display");
    if (display === null || display === "inline" || display === "contents") continue;
    if (element.tag === "input" && /^(?:hidden|file|range)$/.test(inputType(element))) continue;
    const width = sideOf(scene, element, "width");
    const height = sideOf(scene, element, "height");
    if (width === null && height === null) continue;
    if (/scale|matrix/.test(styles.keyword(element, "transform") ?? "")) continue;
    if (whyUnseen(scene.page, element) === null) found.set(element, { element, width, height });
  }
  return found;
});

/** The outer size of a side; null where it is not fixed, or where content may stretch it. */
function sideOf(scene: Scene, element: ElementNode, side: "width" | "height"): number | null {
  const { styles } = scene.page;
  const written = styles.keyword(element, side);
  // Percentages hang on what is around.
  if (written === null || !/^[\d.]+(?:px|r?em|pt)$|^0$/.test(written)) return null;
  const size = styles.pixels({ element }, side);
  if (size === null || isStretched(scene, element, side)) return null;
  const least = styles.pixels({ element }, side === "width" ? "min-width" : "min-height") ?? 0;
  const inner = Math.max(size, least);
  if (styles.keyword(element, "box-sizing") === "border-box") return inner;
  const ends = side === "width" ? ["left", "right"] : ["top", "bottom"];
  let outer = inner;
  for (const end of ends) {
    outer += styles.pixels({ element }, `padding-${end}`) ?? 0;
    if (styles.keyword(element, `border-${end}-style`) !== "none")
      outer += styles.pixels({ element }, `border-${end}-width`) ?? 0;
  }
  return outer;
}

/** Flex and grid items may grow beyond what is written. */
function isStretched(scene: Scene, element: ElementNode, side: "width" | "height"): boolean {
  const { styles, index } = scene.page;
  const parent = index.flatParent(element);
  const around = parent === null ? "" : (styles.keyword(parent, "display") ?? "");
  if (!/flex/.test(around) || parent === null) return false;
  const isRow = styles.keyword(parent, "flex-direction")?.startsWith("column") !== true;
  return (side === "width") === isRow && styles.keyword(element, "flex-grow") !== "0";
}
