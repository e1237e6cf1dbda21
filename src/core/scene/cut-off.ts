import type { ElementNode } from "../document/node.ts";
import type { Scene } from "./scene.ts";
import type { Box, Clip, Layout } from "./seen.ts";

/** What is smaller is rounding, or the slant of a letter. CSS pixels. */
const SLACK = 2;

export const rightOf = ({ left, width }: Box): number => left + width;
export const bottomOf = ({ top, height }: Box): number => top + height;

/** A box around several; null around none. */
export function around(boxes: readonly Box[]): Box | null {
  if (boxes.length === 0) return null;
  const left = Math.min(...boxes.map((box) => box.left));
  const top = Math.min(...boxes.map((box) => box.top));
  return {
    left,
    top,
    width: Math.max(...boxes.map(rightOf)) - left,
    height: Math.max(...boxes.map(bottomOf)) - top,
  };
}

/** The part that two boxes share; null for none. */
export function shared(one: Box, other: Box): Box | null {
  const left = Math.max(one.left, other.left);
  const top = Math.max(one.top, other.top);
  const width = Math.min(rightOf(one), rightOf(other)) - left;
  const height = Math.min(bottomOf(one), bottomOf(other)) - top;
  return width > 0 && height > 0 ? { left, top, width, height } : null;
}

/** An element that cuts off or scrolls what is in it. */
export interface Cutting {
  readonly element: ElementNode;
  readonly clip: Clip;
}

/** What cuts off or scrolls an element, itself first where it does so to its own text. CSS Overflow 3 §3, CSS Position 3 §2.1. */
export function* cuttingAround(scene: Scene, layout: Layout, element: ElementNode): Iterable<Cutting> {
  const { styles, index } = scene.page;
  let way: string = "static";
  for (let up: ElementNode | null = element; up !== null; up = index.flatParent(up)) {
    const position = styles.keyword(up, "position") ?? "static";
    const holds =
      way === "static" || position !== "static" || (styles.keyword(up, "transform") ?? "none") !== "none";
    const clip = layout.clip(up);
    // What the root does the window does: it scrolls.
    if (clip !== null && holds && up.tag !== "html" && up.tag !== "body") yield { element: up, clip };
    if (position === "fixed") return;
    if (position === "absolute") way = "absolute";
    else if (holds && position !== "static") way = "static";
  }
}

/** Text of an element that is cut off where nobody can scroll to it. */
export interface CutOff {
  readonly by: ElementNode;
  /** How many CSS pixels of the longest line, or of all lines below one another, are lost. */
  readonly pixels: number;
  readonly axis: "x" | "y";
  /** Whether a mark stands for what is lost. */
  readonly hasMark: boolean;
}

/** Where the lines of an element are cut off; null where all of them show or can be scrolled to. */
export function cutOff(scene: Scene, layout: Layout, element: ElementNode): CutOff | null {
  const lines = layout.lines(element);
  if (lines.length === 0 || !layout.isDrawn(element)) return null;
  const text = around(lines) as Box;
  for (const { element: by, clip } of cuttingAround(scene, layout, element)) {
    const { inside } = clip;
    // What shows nothing at all hides on purpose.
    if (inside.width <= 1 || inside.height <= 1) return null;
    const [right, bottom] = [rightOf(text) - rightOf(inside), bottomOf(text) - bottomOf(inside)];
    if (isCut(clip.x) && right > SLACK && text.left < rightOf(inside)) {
      const hasMark = (scene.page.styles.keyword(by, "text-overflow") ?? "clip") !== "clip";
      return { by, pixels: right, axis: "x", hasMark };
    }
    if (isCut(clip.y) && bottom > SLACK && text.top < bottomOf(inside)) {
      const hasMark = (scene.page.styles.keyword(by, "-webkit-line-clamp") ?? "none") !== "none";
      return { by, pixels: bottom, axis: "y", hasMark };
    }
    // It can be scrolled to from here on.
    if (!isCut(clip.x) && !isCut(clip.y)) return null;
  }
  return null;
}

/** The parts of an element's lines that show: what is cut off or scrolled away is not there to be seen. */
export const shownLines = (scene: Scene, layout: Layout, element: ElementNode): readonly Box[] =>
  shownParts(scene, layout, element, layout.lines(element));

/** The parts of an element's boxes that show. */
export const shownBoxes = (scene: Scene, layout: Layout, element: ElementNode): readonly Box[] =>
  shownParts(scene, layout, element, layout.boxes(element));

function shownParts(
  scene: Scene,
  layout: Layout,
  element: ElementNode,
  whole: readonly Box[],
): readonly Box[] {
  let parts = whole;
  for (const { clip } of cuttingAround(scene, layout, element)) {
    if (parts.length === 0) break;
    parts = parts.flatMap((part) => shared(part, windowOf(part, clip)) ?? []);
  }
  return parts;
}

/** What a clip lets show of a line: nothing is cut in a direction that it leaves open. */
const windowOf = (line: Box, { x, y, inside }: Clip): Box => ({
  left: x === "visible" ? line.left : inside.left,
  width: x === "visible" ? line.width : inside.width,
  top: y === "visible" ? line.top : inside.top,
  height: y === "visible" ? line.height : inside.height,
});

const isCut = (overflow: Clip["x"]): boolean => overflow === "hidden" || overflow === "clip";
