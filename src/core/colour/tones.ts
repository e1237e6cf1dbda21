import { relativeLuminance } from "./contrast.ts";
import { type Lch, lchOf, shownAt } from "./contrast-plane.ts";
import { deltaEOK } from "./nearest-passing.ts";
import type { Rgba } from "./rgba.ts";

/** A tone that a colour may become. */
export interface Tone {
  readonly colour: Rgba;
  /** Relative luminance, 0 to 1. */
  readonly light: number;
  /** ΔEOK from the colour as it is. */
  readonly change: number;
  /** What it costs to take it: its change, and a little for chroma that goes. */
  readonly cost: number;
}

export const unchanged = (colour: Rgba): Tone => ({
  colour,
  light: relativeLuminance(colour),
  change: 0,
  cost: 0,
});

/** Where tones change as much to a thousandth, which is what eight bits of a channel come to, the one that keeps its chroma is taken. */
const FOR_CHROMA = 0.05;

/** Below this chroma a colour is a grey: it has no hue to be kept, and gets none. */
const GREY = 0.002;

/** How much more chroma than it has a colour may get. */
const MORE_CHROMA = 0.03;

/** How many steps of light there are from black to white, and how many of lightness are looked at for them. */
export interface Fineness {
  readonly light: number;
  readonly lightness: number;
}

export const coarse: Fineness = { light: 200, lightness: 255 };
/** For pairs that leave little room: half way between black and white 4.5:1 is a narrow place. */
export const fine: Fineness = { light: 4000, lightness: 1020 };

/** The tones of a colour's own hue from black to white: of each step of light the one that looks nearest to it. */
export function tonesOf(colour: Rgba, { light: steps, lightness }: Fineness): readonly Tone[] {
  const own = lchOf(colour);
  const chromas = own.c < GREY ? [0] : evenly(0, own.c + MORE_CHROMA, 12);
  const places = evenly(0, 1, lightness).flatMap((l) => chromas.map((c) => ({ l, c, h: own.h })));
  // In the logarithm of the ratio, which is what pairs ask for.
  return nearestByLight(colour, places, (light) =>
    Math.floor((Math.log((light + 0.05) / 0.05) / Math.log(21)) * steps),
  );
}

/** The tones close about one that was chosen, `step` apart in lightness at most; the chosen one among them. */
export function tonesAround(colour: Rgba, chosen: Tone, reach: number): readonly Tone[] {
  const own = lchOf(colour);
  const at = lchOf(chosen.colour);
  const chromas = own.c < GREY ? [0] : evenly(0, own.c + MORE_CHROMA, 24);
  const places = evenly(Math.max(0, at.l - reach), Math.min(1, at.l + reach), 32).flatMap((l) =>
    chromas.map((c) => ({ l, c, h: own.h })),
  );
  const around = nearestByLight(colour, places, (light) => Math.round(light * 1e5));
  const others = around.filter(({ light }) => light !== chosen.light);
  return [...others, chosen].sort((a, b) => a.light - b.light);
}

function nearestByLight(
  colour: Rgba,
  places: readonly Lch[],
  stepOf: (light: number) => number,
): readonly Tone[] {
  const best = new Map<number, Tone>();
  const offer = (tone: Tone) => {
    const step = stepOf(tone.light);
    const known = best.get(step);
    if (known === undefined || tone.cost < known.cost) best.set(step, tone);
  };
  offer(unchanged(colour));
  const { c } = lchOf(colour);
  for (const place of places) {
    const shown = shownAt(place);
    if (shown === null) continue;
    const change = deltaEOK(colour, shown);
    const cost = change + FOR_CHROMA * Math.abs(place.c - c);
    offer({ colour: shown, light: relativeLuminance(shown), change, cost });
  }
  return [...best.values()].sort((a, b) => a.light - b.light);
}

const evenly = (from: number, to: number, steps: number): readonly number[] =>
  Array.from({ length: steps + 1 }, (_, index) => from + ((to - from) * index) / steps);
