import { largestContrast, letterRatios, type Part, type Picture } from "../core/colour/painted-letters.ts";
import type { ElementNode } from "../core/document/node.ts";
import { around } from "../core/scene/cut-off.ts";
import type { Box, PaintedText } from "../core/scene/seen.ts";
import type { BrowserWindow } from "./browser-window.ts";
import { hideTexts, scrollPage, takeBack } from "./inside/change.ts";
import { type ClipBox, packedPicture, unpacked } from "./pictures.ts";
import { numberOf, type SeenDocument } from "./seen-page.ts";

/** How finely pictures are taken: at two pixels of the screen for one of CSS each letter shows its colour. */
const SCALE = 2;

/** The largest part of a window that texts of one picture take up: what sticks to its edges lies over none of them. */
const PART_OF_WINDOW = 0.6;

/** How many pictures are taken of one page at most. */
const MOST_SCREENS = 16;

/** A line of text that is to be looked at. */
interface Line {
  readonly element: ElementNode;
  readonly box: Box;
}

/** Lines that fit in the window together. */
interface Screen {
  readonly lines: readonly Line[];
  readonly top: number;
  readonly bottom: number;
}

/** Takes pictures of texts with and without their letters, and notes what is under these. */
export async function lookAtTexts(
  window: BrowserWindow,
  { unit, snapshot, frameId, painted }: SeenDocument,
  texts: readonly ElementNode[],
): Promise<void> {
  const layout = unit.scene.seen?.usual;
  if (layout === undefined || texts.length === 0) return;
  const ratios = new Map<ElementNode, number[][]>();
  for (const screen of screensOf(texts, (element) => linesOf(layout, element), layout.window.height)) {
    const elements = [...new Set(screen.lines.map(({ element }) => element))];
    const numbers = elements.flatMap((element) => numberOf(snapshot, element) ?? []);
    const found = await clipAt(window, frameId, screen, layout.window);
    if (found === null) continue;
    const { clip, left, top } = found;
    const before = await picture(window, clip, left, top);
    await window.ask(frameId, hideTexts, [{ value: numbers }]);
    const after = await picture(window, clip, left, top);
    await window.ask(frameId, takeBack);
    for (const { element, box } of screen.lines) {
      const letters = letterRatios(before, after, partOf(box, left + clip.x, top + clip.y));
      if (letters.length > 0) ratios.set(element, [...(ratios.get(element) ?? []), [...letters]]);
    }
  }
  await window.ask(frameId, scrollPage, [{ value: 0 }]);
  for (const [element, lines] of ratios) painted.set(element, paintedText(lines));
}

/** How much of what is around a control is looked at with it, in CSS pixels. */
const RIM = 3;

/** Takes pictures of controls, and notes how far what is drawn of them stands out. */
export async function lookAtControls(
  window: BrowserWindow,
  { unit, frameId, drawn }: SeenDocument,
  controls: readonly ElementNode[],
): Promise<void> {
  const layout = unit.scene.seen?.usual;
  if (layout === undefined || controls.length === 0) return;
  const boxOf = (element: ElementNode) => {
    const box = around(layout.boxes(element));
    return box === null
      ? []
      : [
          {
            left: box.left - RIM,
            top: box.top - RIM,
            width: box.width + 2 * RIM,
            height: box.height + 2 * RIM,
          },
        ];
  };
  for (const screen of screensOf(controls, boxOf, layout.window.height)) {
    const found = await clipAt(window, frameId, screen, layout.window);
    if (found === null) continue;
    const { clip, left, top } = found;
    const seen = await picture(window, clip, left, top);
    for (const { element, box } of screen.lines)
      drawn.set(element, largestContrast(seen, partOf(box, left + clip.x, top + clip.y)));
  }
  await window.ask(frameId, scrollPage, [{ value: 0 }]);
}

/** Brings a screen to the middle of the window: where the page is scrolled to then, and what of the window the screen takes up. */
async function clipAt(
  window: BrowserWindow,
  frameId: string,
  screen: Screen,
  size: { readonly width: number; readonly height: number },
): Promise<{ readonly clip: ClipBox; readonly left: number; readonly top: number } | null> {
  const middle = (screen.top + screen.bottom) / 2 - size.height / 2;
  const [left, top] = await window.ask<[number, number]>(frameId, scrollPage, [
    { value: Math.max(0, middle) },
  ]);
  const clip = clipOf(screen, left, top, size);
  return clip === null ? null : { clip, left, top };
}

/** A box of the page in pixels of a picture that begins somewhere in it. */
const partOf = (box: Box, left: number, top: number): Part => ({
  left: (box.left - left) * SCALE,
  top: (box.top - top) * SCALE,
  width: box.width * SCALE,
  height: box.height * SCALE,
});

const linesOf = (
  layout: { lines(element: ElementNode): readonly Box[]; boxes(element: ElementNode): readonly Box[] },
  element: ElementNode,
): readonly Box[] =>
  /^(?:input|textarea|select)$/.test(element.tag) ? layout.boxes(element) : layout.lines(element);

/** Lines from the top of the page down, in groups that fit in the window. */
function screensOf(
  texts: readonly ElementNode[],
  lines: (element: ElementNode) => readonly Box[],
  height: number,
): readonly Screen[] {
  const rank = new Map(texts.map((element, i) => [element, i]));
  const all = texts
    .flatMap((element) => lines(element).map((box): Line => ({ element, box })))
    .sort((one, other) => one.box.top - other.box.top);
  const screens: { lines: Line[]; top: number; bottom: number }[] = [];
  for (const line of all) {
    const { top } = line.box;
    const bottom = top + line.box.height;
    const last = screens.at(-1);
    if (last !== undefined && Math.max(bottom, last.bottom) - last.top <= height * PART_OF_WINDOW) {
      last.lines.push(line);
      last.bottom = Math.max(last.bottom, bottom);
    } else screens.push({ lines: [line], top, bottom });
  }
  // Where there are too many, those with the texts that are named first are taken.
  const first = (screen: Screen) => Math.min(...screen.lines.map(({ element }) => rank.get(element) ?? 0));
  return screens.length <= MOST_SCREENS
    ? screens
    : screens.toSorted((one, other) => first(one) - first(other)).slice(0, MOST_SCREENS);
}

/** What of the window the lines of a screen take up; null where they are out of it. */
function clipOf(
  { lines }: Screen,
  left: number,
  top: number,
  { width, height }: { readonly width: number; readonly height: number },
): ClipBox | null {
  const start = Math.max(0, Math.floor(Math.min(...lines.map(({ box }) => box.left)) - left));
  const end = Math.min(width, Math.ceil(Math.max(...lines.map(({ box }) => box.left + box.width)) - left));
  const above = Math.max(0, Math.floor(Math.min(...lines.map(({ box }) => box.top)) - top));
  const below = Math.min(height, Math.ceil(Math.max(...lines.map(({ box }) => box.top + box.height)) - top));
  return end <= start || below <= above
    ? null
    : { x: start, y: above, width: end - start, height: below - above };
}

const picture = async (window: BrowserWindow, clip: ClipBox, left: number, top: number): Promise<Picture> =>
  unpacked(await packedPicture(window, { ...clip, x: clip.x + left, y: clip.y + top }, SCALE));

/** @param lines the ratios of the letters of each line */
function paintedText(lines: readonly (readonly number[])[]): PaintedText {
  const letters = lines.flat();
  const inOrder = letters.toSorted((one, other) => one - other);
  return {
    worst: inOrder[0] ?? 1,
    median: inOrder[Math.floor(inOrder.length / 2)] ?? 1,
    below: (ratio) => letters.filter((letter) => letter < ratio).length / letters.length,
    longestRun(ratio) {
      let longest = 0;
      for (const line of lines) {
        let run = 0;
        for (const letter of line) {
          run = letter < ratio ? run + 1 : 0;
          longest = Math.max(longest, run);
        }
      }
      return longest;
    },
    hasLineBelow: (ratio) => lines.some((line) => line.every((letter) => letter < ratio)),
  };
}
