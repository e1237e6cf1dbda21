import { contrastRatio } from "./contrast.ts";
import { deltaEOK } from "./nearest-passing.ts";
import type { Picture } from "./painted-letters.ts";
import { rgba } from "./rgba.ts";

/** How two pictures of the same size differ. */
export interface Difference {
  /** How many pixels are not the same. */
  readonly pixels: number;
  /** How many of them stand apart by 3:1 or more. */
  readonly strong: number;
  /** The largest ratio between a pixel of one and the same pixel of the other; 1 where none differs. */
  readonly ratio: number;
  /** The largest distance in OKLab; 0 where none differs. */
  readonly distance: number;
}

export const NO_DIFFERENCE: Difference = { pixels: 0, strong: 0, ratio: 1, distance: 0 };

/** WCAG 2.2, 2.4.13: what a mark of focus must reach between its two states. */
const STRONG = 3;

/** Pixel by pixel. Pictures of another size are as far apart as can be. */
export function differenceOf(one: Picture, other: Picture): Difference {
  const size = one.width * one.height;
  if (one.width !== other.width || one.height !== other.height)
    return { pixels: size, strong: size, ratio: 21, distance: 1 };
  const [from, to] = [wordsOf(one), wordsOf(other)];
  const counts = new Map<number, Map<number, number>>();
  for (let at = 0; at < size; at++) {
    const [was, is] = [from[at] ?? 0, to[at] ?? 0];
    if (was === is) continue;
    const known = counts.get(was) ?? new Map<number, number>();
    known.set(is, (known.get(is) ?? 0) + 1);
    counts.set(was, known);
  }
  let [pixels, strong, ratio, distance] = [0, 0, 1, 0];
  for (const [was, pairs] of counts)
    for (const [is, count] of pairs) {
      const [a, b] = [colourOf(was), colourOf(is)];
      const apart = contrastRatio(a, b);
      pixels += count;
      if (apart >= STRONG) strong += count;
      ratio = Math.max(ratio, apart);
      distance = Math.max(distance, deltaEOK(a, b));
    }
  return { pixels, strong, ratio, distance };
}

/** Four bytes at a time; those of a picture may begin anywhere in what they lie in. */
const wordsOf = ({ data }: Picture): Uint32Array => new Uint32Array(Uint8Array.from(data).buffer);

const colourOf = (word: number) => {
  const [r = 0, g = 0, b = 0] = new Uint8Array(Uint32Array.of(word).buffer);
  return rgba(r / 255, g / 255, b / 255);
};
