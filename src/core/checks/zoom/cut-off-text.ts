import { isOrIsIn } from "../../document/around.ts";
import type { ElementNode } from "../../document/node.ts";
import { cantTell, failed, passed, type Verdict } from "../../findings/verdict.ts";
import { ask } from "../../repair/repair.ts";
import { bottomOf, type CutOff, cutOff, shared, shownLines } from "../../scene/cut-off.ts";
import { keptForScene } from "../../scene/kept.ts";
import type { Scene } from "../../scene/scene.ts";
import type { Box, Layout } from "../../scene/seen.ts";
import { Stripes } from "../../scene/stripes.ts";
import { everyText } from "../contrast/judge-text.ts";

/** How a page is laid out when a person has changed something, as it is told. */
export type Change = "doubled" | "spaced";

const changed: Readonly<Record<Change, string>> = {
  doubled: "With the page enlarged to 200 %",
  spaced: "With more room between letters, words and lines",
};

/** Texts that are seen as the page is opened: of those it can be asked whether they are lost. */
export const seenTexts = keptForScene((scene: Scene): ReadonlySet<ElementNode> => {
  const usual = scene.seen?.usual ?? null;
  return new Set(
    usual === null
      ? []
      : everyText(scene).filter((element) => usual.isDrawn(element) && usual.lines(element).length > 0),
  );
});

/** The text is cut off, or another lies over it, once a person has changed something, and was not before. */
export function judgeChanged(element: ElementNode, scene: Scene, change: Change): Verdict {
  const usual = scene.seen?.usual ?? null;
  const then = scene.seen?.[change] ?? null;
  if (usual === null || then === null) return passed;
  const cut = cutOff(scene, then, element);
  if (cut !== null && cutOff(scene, usual, element) === null) return cutVerdict(cut, change);
  const over = overlapping(scene, then, element, usual);
  return over === null
    ? passed
    : failed(
        `${changed[change]}, this text and another lie over one another.`,
        ask("Let the boxes grow with their text: no fixed heights, no fixed places."),
        { facts: { pixels: Math.round(over) } },
      );
}

function cutVerdict({ pixels, axis, hasMark }: CutOff, change: Change): Verdict {
  const lost = Math.round(pixels);
  const details = { facts: { pixels: lost } };
  const mend = ask(
    axis === "y"
      ? "Leave the height open, or use min-height, so that the box grows with its text."
      : "Let the words wrap, or the box grow with them.",
  );
  const where = axis === "y" ? "at the bottom" : "at the end of the line";
  return hasMark
    ? cantTell(
        `${changed[change]}, this text is cut short ${where}. Can the rest be had some other way?`,
        mend,
        details,
      )
    : failed(
        `${changed[change]}, this text is cut off ${where}: ${lost} pixels of it are lost.`,
        mend,
        details,
      );
}

/** How much of a line must lie under another before neither can be read. */
const OVERLAP = 0.3;

/** By how many pixels a line of another element lies over one of this, where none did before; null for none. */
function overlapping(scene: Scene, then: Layout, element: ElementNode, usual: Layout): number | null {
  const { index } = scene.page;
  for (const line of linesNear(scene, then).of(element)) {
    for (const other of linesNear(scene, then).at(line)) {
      if (other.element === element || isOrIsIn(index, other.element, element)) continue;
      if (isOrIsIn(index, element, other.element)) continue;
      const part = shared(line, other.box);
      if (part === null || part.height < OVERLAP * Math.min(line.height, other.box.height)) continue;
      if (part.width < 0.5 * line.height || overlapped(scene, usual, element, other.element)) continue;
      return part.height;
    }
  }
  return null;
}

const overlapped = (scene: Scene, usual: Layout, one: ElementNode, other: ElementNode): boolean => {
  const near = linesNear(scene, usual);
  return (
    near.of(one).length === 0 ||
    near.of(other).length === 0 ||
    near
      .of(one)
      .some((line) =>
        near.of(other).some((second) => (shared(line, second)?.height ?? 0) > OVERLAP * line.height),
      )
  );
};

interface PlacedLine {
  readonly element: ElementNode;
  readonly box: Box;
}

/** What turns a box, or moves it out of the plane: the box around it says little of where its letters are. */
const turns =
  /(?:rotate(?:[xyz]|3d)?|skew[xy]?)\(\s*-?(?:0*\.)?[1-9]|matrix|perspective|translate(?:z\(|3d\([^,]*,[^,]*,)\s*-?(?:0*\.)?[1-9]/i;

/**
 * Whether it stays while the page is scrolled, or lies at an edge for as long as there is room: it is meant to lie over others.
 * Of what is turned it is not known what lies over it.
 */
function isHeld({ page: { index, styles } }: Scene, layout: Layout, element: ElementNode): boolean {
  for (let up: ElementNode | null = element; up !== null; up = index.flatParent(up))
    if (
      layout.isFixed(up) ||
      styles.keyword(up, "position") === "sticky" ||
      turns.test(styles.value(up, "transform")?.text ?? "")
    )
      return true;
  return false;
}

/** The lines of a page that show and scroll with it. */
interface LinesNear {
  /** Those at about the height of a box. */
  at(box: Box): Iterable<PlacedLine>;
  /** Those of an element. */
  of(element: ElementNode): readonly Box[];
}

const byLayout = new WeakMap<Layout, LinesNear>();

function linesNear(scene: Scene, layout: Layout): LinesNear {
  const known = byLayout.get(layout);
  if (known !== undefined) return known;
  const own = new Map<ElementNode, readonly Box[]>();
  for (const element of seenTexts(scene))
    if (layout.isDrawn(element) && !isHeld(scene, layout, element))
      own.set(element, shownLines(scene, layout, element));
  const placed = new Stripes(
    [...own].flatMap(([element, lines]) => lines.map((box): PlacedLine => ({ element, box }))),
  );
  const near: LinesNear = {
    of: (element) => own.get(element) ?? [],
    at: (box) => placed.between(box.top, bottomOf(box)),
  };
  byLayout.set(layout, near);
  return near;
}
