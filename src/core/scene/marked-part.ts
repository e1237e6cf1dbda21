import type { Part, Picture } from "../colour/painted-letters.ts";
import type { Box } from "./seen.ts";

/** How much of its surroundings is shown of an element at least, and how large a part is at least and at most. Pixels. */
const AROUND = 32;
const LEAST = { width: 480, height: 240 };
const MOST = { width: 1280, height: 1200 };

/** Around what is marked runs a line of this colour, with a light one on both sides that shows it on any ground. */
const LINE = [0xb3, 0x26, 0x1e] as const;
const EDGE = [0xff, 0xff, 0xff] as const;
/** How far out of the box each ring of the frame begins, the outermost first. */
const RINGS = [
  { out: 7, colour: EDGE },
  { out: 5, colour: LINE },
  { out: 2, colour: EDGE },
  { out: 1, colour: null },
] as const;

/** The part of a page that shows an element in its surroundings; null where nothing of it lies on the page. */
export function partAround(box: Box, page: { readonly width: number; readonly height: number }): Part | null {
  const across = sideOf(box.left, box.width, page.width, LEAST.width, MOST.width);
  const down = sideOf(box.top, box.height, page.height, LEAST.height, MOST.height);
  return across === null || down === null
    ? null
    : { left: across.from, top: down.from, width: across.length, height: down.length };
}

function sideOf(
  start: number,
  length: number,
  all: number,
  least: number,
  most: number,
): { readonly from: number; readonly length: number } | null {
  if (start + length <= 0 || start >= all || length <= 0) return null;
  const wanted = Math.min(all, most, Math.max(least, Math.ceil(length) + 2 * AROUND));
  // What is larger than a part is shown from where it begins.
  const centred = length + 2 * AROUND > most ? start - AROUND : start + length / 2 - wanted / 2;
  const from = Math.max(0, Math.min(all - wanted, Math.round(centred)));
  return { from, length: wanted };
}

/** A picture of a part of a page, put together of pictures that lie below one another, with a frame around a box. */
export function markedPart(
  pieces: readonly { readonly top: number; readonly picture: Picture }[],
  part: Part,
  box: Box,
): Picture {
  const data = new Uint8Array(part.width * part.height * 4).fill(0xff);
  for (const { top, picture } of pieces)
    for (let y = Math.max(part.top, top); y < Math.min(part.top + part.height, top + picture.height); y++) {
      const from = ((y - top) * picture.width + part.left) * 4;
      const width = Math.min(part.width, picture.width - part.left);
      data.set(picture.data.subarray(from, from + width * 4), (y - part.top) * part.width * 4);
    }
  const left = Math.round(box.left) - part.left;
  const top = Math.round(box.top) - part.top;
  const right = Math.round(box.left + box.width) - part.left;
  const bottom = Math.round(box.top + box.height) - part.top;
  const distance = (x: number, y: number): number =>
    Math.max(left - x, x - right + 1, top - y, y - bottom + 1);
  const [outermost] = RINGS;
  for (let y = Math.max(0, top - outermost.out); y < Math.min(part.height, bottom + outermost.out); y++)
    for (let x = Math.max(0, left - outermost.out); x < Math.min(part.width, right + outermost.out); x++) {
      const out = distance(x, y);
      const ring = RINGS.findLast((one) => out <= one.out && out > 0);
      if (ring?.colour == null) continue;
      data.set(ring.colour, (y * part.width + x) * 4);
    }
  return { width: part.width, height: part.height, data };
}
