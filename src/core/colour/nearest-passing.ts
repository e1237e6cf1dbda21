import { converter, differenceEuclidean, toGamut } from "culori";
import { contrastRatio } from "./contrast.ts";
import { onScreen, type Rgba, rgba } from "./rgba.ts";

const toOklch = converter("oklch");
const intoGamut = toGamut("rgb", "oklch");
const difference = differenceEuclidean("oklab");

const culoriOf = ({ r, g, b }: Rgba) => ({ mode: "rgb", r, g, b }) as const;

/** How far two colours look apart. ΔEOK: the distance in OKLab. */
export const deltaEOK = (one: Rgba, other: Rgba): number => difference(culoriOf(one), culoriOf(other));

/**
 * The colour nearest to `colour` that has at least `needed` against `against`, hue kept; null when neither lighter nor
 * darker reaches it. Lightness is searched in OKLCH (CSS Color 4 §9), chroma gives way only where sRGB ends.
 */
export function nearestPassing(colour: Rgba, against: Rgba, needed: number): Rgba | null {
  const start = toOklch(culoriOf(colour));
  const atLightness = (l: number): Rgba => {
    const { r, g, b } = intoGamut({ ...start, l });
    return onScreen(rgba(clamp(r), clamp(g), clamp(b)));
  };
  const candidates = [searchTowards(start.l, 1), searchTowards(start.l, 0)].filter((c) => c !== null);
  return candidates.sort((a, b) => deltaEOK(colour, a) - deltaEOK(colour, b))[0] ?? null;

  /** The lightness nearest to `from` on the way to `end` that passes, found by halving. */
  function searchTowards(from: number, end: number): Rgba | null {
    if (contrastRatio(atLightness(end), against) < needed) return null;
    let fails = from;
    let passes = end;
    for (let i = 0; i < 24; i++) {
      const middle = (fails + passes) / 2;
      if (contrastRatio(atLightness(middle), against) >= needed) passes = middle;
      else fails = middle;
    }
    return atLightness(passes);
  }
}

const clamp = (c: number): number => Math.max(0, Math.min(1, c));

/** The colour of a palette that passes and looks nearest; null when none passes. */
export function nearestInPalette<T extends { readonly colour: Rgba }>(
  colour: Rgba,
  against: Rgba,
  needed: number,
  palette: readonly T[],
): T | null {
  const passing = palette.filter(
    (entry) => entry.colour.alpha === 1 && contrastRatio(entry.colour, against) >= needed,
  );
  return passing.sort((a, b) => deltaEOK(colour, a.colour) - deltaEOK(colour, b.colour))[0] ?? null;
}
