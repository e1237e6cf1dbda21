import { converter, inGamut, toGamut } from "culori";
import { contrastRatio } from "./contrast.ts";
import { onScreen, type Rgba, rgba } from "./rgba.ts";

const toOklch = converter("oklch");
const toRgb = converter("rgb");
const isShown = inGamut("rgb");
const intoGamut = toGamut("rgb", "oklch");

/** A colour by its lightness (0–1), chroma and hue (degrees). CSS Color 4 §9.4, OKLCH. */
export interface Lch {
  readonly l: number;
  readonly c: number;
  readonly h: number;
}

/** No colour of sRGB has more chroma. */
const MOST_CHROMA = 0.33;

/** How many steps of chroma are looked at. */
const STEPS = 66;

/** The most chroma that a screen shows of a hue. */
export function mostChroma(h: number): number {
  const lightnesses = Array.from({ length: 51 }, (_, index) => index / 50);
  const chromas = Array.from({ length: STEPS + 1 }, (_, index) => (index * MOST_CHROMA) / STEPS);
  return Math.max(...chromas.filter((c) => lightnesses.some((l) => shownAt({ l, c, h }) !== null)));
}

export function lchOf({ r, g, b }: Rgba): Lch {
  const { l, c, h = 0 } = toOklch({ mode: "rgb", r, g, b });
  return { l, c, h };
}

/** The colour at a place of the plane; null outside sRGB. */
export function shownAt(place: Lch): Rgba | null {
  const found = toRgb({ mode: "oklch", ...place });
  return isShown(found) ? clamped(found) : null;
}

/** The colour at a place, with less chroma where sRGB ends. */
export const nearestShown = (place: Lch): Rgba => clamped(intoGamut({ mode: "oklch", ...place }));

const clamped = ({ r, g, b }: { readonly r: number; readonly g: number; readonly b: number }): Rgba => {
  const within = (c: number) => Math.max(0, Math.min(1, c));
  return onScreen(rgba(within(r), within(g), within(b)));
};

/** Where colours of one hue have just a ratio against a ground: by chroma, the lightness. */
export type Limit = readonly { readonly c: number; readonly l: number }[];

/**
 * The limits of a ratio on the plane of one hue, lighter than the ground and darker; an empty one where no colour reaches it.
 * At each chroma the ratio grows with the distance in lightness, so that each limit is found by halving.
 */
export function limitsOf(
  hue: number,
  ground: Rgba,
  needed: number,
): { readonly lighter: Limit; readonly darker: Limit } {
  const most = mostChroma(hue);
  const steps = Array.from({ length: STEPS + 1 }, (_, index) => (index * most) / STEPS);
  const start = lchOf(ground).l;
  const limit = (end: number): Limit =>
    steps.flatMap((c) => {
      const ratioAt = (l: number) => contrastRatio(nearestShown({ l, c, h: hue }), ground);
      if (ratioAt(end) < needed) return [];
      let fails = start;
      let passes = end;
      for (let turn = 0; turn < 14; turn++) {
        const middle = (fails + passes) / 2;
        if (ratioAt(middle) >= needed) passes = middle;
        else fails = middle;
      }
      return shownAt({ l: passes, c, h: hue }) === null ? [] : [{ c, l: passes }];
    });
  return { lighter: limit(1), darker: limit(0) };
}
