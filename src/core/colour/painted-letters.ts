import { contrastRatio, relativeLuminance } from "./contrast.ts";
import type { Rgba } from "./rgba.ts";

/** A picture: four bytes for each pixel, red, green, blue and alpha, row by row. */
export interface Picture {
  readonly width: number;
  readonly height: number;
  readonly data: Uint8Array;
}

/** A part of a picture, in pixels of it. */
export interface Part {
  readonly left: number;
  readonly top: number;
  readonly width: number;
  readonly height: number;
}

/** How much a channel must differ for a pixel to be part of a letter. */
const DIFFERS = 12;

/**
 * The ratios of the letters of one line, from left to right: what is painted with the text against what is painted without
 * it, at the pixel of each letter that stands out most, since its edges are blended. Letters are told apart by the columns
 * between them that are the same in both. Empty where the text changes nothing.
 */
export function letterRatios(withText: Picture, without: Picture, part: Part): readonly number[] {
  const left = Math.max(0, Math.floor(part.left));
  const top = Math.max(0, Math.floor(part.top));
  const right = Math.min(withText.width, without.width, Math.ceil(part.left + part.width));
  const bottom = Math.min(withText.height, without.height, Math.ceil(part.top + part.height));
  const ratios: number[] = [];
  let best: number | null = null;
  for (let x = left; x < right; x++) {
    let differs = false;
    for (let y = top; y < bottom; y++) {
      const at = (y * withText.width + x) * 4;
      const other = (y * without.width + x) * 4;
      if (!isOther(withText.data, at, without.data, other)) continue;
      differs = true;
      best = Math.max(best ?? 1, contrastRatio(pixel(withText.data, at), pixel(without.data, other)));
    }
    if (!differs && best !== null) {
      ratios.push(best);
      best = null;
    }
  }
  if (best !== null) ratios.push(best);
  return ratios;
}

const isOther = (one: Uint8Array, at: number, other: Uint8Array, there: number): boolean =>
  Math.abs((one[at] ?? 0) - (other[there] ?? 0)) > DIFFERS ||
  Math.abs((one[at + 1] ?? 0) - (other[there + 1] ?? 0)) > DIFFERS ||
  Math.abs((one[at + 2] ?? 0) - (other[there + 2] ?? 0)) > DIFFERS;

const pixel = (data: Uint8Array, at: number): Rgba => ({
  r: (data[at] ?? 0) / 255,
  g: (data[at + 1] ?? 0) / 255,
  b: (data[at + 2] ?? 0) / 255,
  alpha: 1,
});

/** The largest contrast between two pixels of a part of a picture; 1 where it has one colour alone, or none. */
export function largestContrast({ width, height, data }: Picture, part: Part): number {
  const left = Math.max(0, Math.floor(part.left));
  const top = Math.max(0, Math.floor(part.top));
  const right = Math.min(width, Math.ceil(part.left + part.width));
  const bottom = Math.min(height, Math.ceil(part.top + part.height));
  const colours = new Map<number, Rgba>();
  for (let y = top; y < bottom; y++)
    for (let x = left; x < right; x++) {
      const at = (y * width + x) * 4;
      const key = ((data[at] ?? 0) << 16) | ((data[at + 1] ?? 0) << 8) | (data[at + 2] ?? 0);
      if (!colours.has(key)) colours.set(key, pixel(data, at));
    }
  const lights = [...colours.values()].map(relativeLuminance);
  if (lights.length === 0) return 1;
  // WCAG 2.2, "contrast ratio", from the lightest to the darkest.
  return (Math.max(...lights) + 0.05) / (Math.min(...lights) + 0.05);
}
