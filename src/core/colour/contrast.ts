import { linearised } from "./linear-light.ts";
import type { Rgba } from "./rgba.ts";

/** WCAG 2.2, "relative luminance": 0 black to 1 white. */
export const relativeLuminance = ({ r, g, b }: Rgba): number =>
  0.2126 * linearised(r) + 0.7152 * linearised(g) + 0.0722 * linearised(b);

/**
 * The contrast ratio of two opaque colours, 1 (equal) to 21 (black on white), unrounded: compare it as it is, round only
 * to show. WCAG 2.2, "contrast ratio".
 */
export function contrastRatio(one: Rgba, other: Rgba): number {
  const a = relativeLuminance(one);
  const b = relativeLuminance(other);
  return (Math.max(a, b) + 0.05) / (Math.min(a, b) + 0.05);
}

/** A ratio as people are shown it: never rounded up to a bound it does not reach. */
export const shownRatio = (ratio: number): string => `${(Math.floor(ratio * 100) / 100).toFixed(2)}:1`;

/** Text counts as large from these sizes, in CSS pixels. WCAG 2.2, "large scale (text)": 18 pt, or 14 pt bold. */
export const LARGE_SIZE = 24;
export const LARGE_BOLD_SIZE = 14 * (4 / 3);
export const BOLD = 700;
/** People write 18.66px for 14pt. */
const ROUNDED = 0.01;

export const isLargeText = (size: number, weight: number): boolean =>
  size >= LARGE_SIZE || (size >= LARGE_BOLD_SIZE - ROUNDED && weight >= BOLD);
