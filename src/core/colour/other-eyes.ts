import { linearised, toGamma } from "./linear-light.ts";
import { deltaEOK } from "./nearest-passing.ts";
import { onScreen, type Rgba, rgba } from "./rgba.ts";

/** What light becomes in an eye: red, green and blue of each of the three, row by row, in linear sRGB. */
export type LightMatrix = readonly [
  ...[number, number, number],
  ...[number, number, number],
  ...[number, number, number],
];

/** An eye that sees otherwise than most. */
export interface Eye {
  /** The word it is asked for by. */
  readonly id: string;
  /** What it is called, and what it sees less of. */
  readonly title: string;
  readonly light: LightMatrix | null;
  /** How far light is drawn towards one grey, 0–1, and how bright that is: glare, and contrast that is lost. */
  readonly veil: { readonly part: number; readonly grey: number } | null;
  /** Whether it sees small things blurred. */
  readonly isBlurred: boolean;
}

const eye = (id: string, title: string, seen: Partial<Eye>): Eye => ({
  id,
  title,
  light: null,
  veil: null,
  isBlurred: false,
  ...seen,
});

/**
 * Full and half colour-vision deficiencies after Machado, Oliveira and Fernandes, "A Physiologically-based Model for Simulation
 * of Color Vision Deficiency" (IEEE Transactions on Visualization and Computer Graphics 15, 2009), severities 1.0 and 0.5.
 * Without colour: luminance by the weights of sRGB (IEC 61966-2-1). Glare: veiling luminance is added to all light (CIE 146).
 */
export const eyes: readonly Eye[] = [
  eye("protanopia", "sees no red light", {
    light: [0.152286, 1.052583, -0.204868, 0.114503, 0.786281, 0.099216, -0.003882, -0.048116, 1.051998],
  }),
  eye("protanomaly", "sees red light weakly", {
    light: [0.458064, 0.679578, -0.137642, 0.092785, 0.846313, 0.060902, -0.007494, -0.016807, 1.024301],
  }),
  eye("deuteranopia", "sees no green light", {
    light: [0.367322, 0.860646, -0.227968, 0.280085, 0.672501, 0.047413, -0.01182, 0.04294, 0.968881],
  }),
  eye("deuteranomaly", "sees green light weakly", {
    light: [0.547494, 0.607765, -0.155259, 0.181692, 0.781742, 0.036566, -0.01041, 0.027275, 0.983136],
  }),
  eye("tritanopia", "sees no blue light", {
    light: [1.255528, -0.076749, -0.178779, -0.078411, 0.930809, 0.147602, 0.004733, 0.691367, 0.3039],
  }),
  eye("tritanomaly", "sees blue light weakly", {
    light: [1.017277, 0.027029, -0.044306, -0.006113, 0.958479, 0.047634, 0.006379, 0.248708, 0.744913],
  }),
  eye("no-colour", "sees no colours", {
    light: [0.2126, 0.7152, 0.0722, 0.2126, 0.7152, 0.0722, 0.2126, 0.7152, 0.0722],
  }),
  eye("low-acuity", "sees small things blurred", { isBlurred: true }),
  eye("low-contrast", "sees little contrast", { veil: { part: 0.6, grey: 0.214 } }),
  eye("glare", "has light on the screen", { veil: { part: 1 / 3, grey: 1 } }),
];

/** The eyes that see colours otherwise: those by which pairs of colours are judged. */
export const colourEyes: readonly Eye[] = eyes.filter(({ light }) => light !== null);

/** What a colour looks like to an eye, blur aside. Light is reckoned with as it is, not as it is stored. */
export function seenBy({ light, veil }: Eye, colour: Rgba): Rgba {
  let [r, g, b] = [linearised(colour.r), linearised(colour.g), linearised(colour.b)];
  if (light !== null) {
    const [rr, rg, rb, gr, gg, gb, br, bg, bb] = light;
    [r, g, b] = [rr * r + rg * g + rb * b, gr * r + gg * g + gb * b, br * r + bg * g + bb * b];
  }
  if (veil !== null)
    [r, g, b] = [r, g, b].map((c) => c * (1 - veil.part) + veil.grey * veil.part) as [number, number, number];
  return onScreen(rgba(toGamma(r), toGamma(g), toGamma(b), colour.alpha));
}

/** Two colours that lie further apart are told apart by everybody who sees colours; nearer than the second, by nobody at a glance. ΔEOK. */
export const TOLD_APART = 0.1;
const FALLS_TOGETHER = 0.05;

/** Two colours that people tell apart, and some do not. */
export interface LostPair {
  readonly eye: Eye;
  /** ΔEOK, as most people see them and as this eye does. */
  readonly before: number;
  readonly after: number;
}

/** The eyes for which two colours that are told apart fall together, that which loses most first. */
export function eyesThatLose(one: Rgba, other: Rgba): readonly LostPair[] {
  const before = deltaEOK(one, other);
  if (before < TOLD_APART) return [];
  return colourEyes
    .map((eye) => ({ eye, before, after: deltaEOK(seenBy(eye, one), seenBy(eye, other)) }))
    .filter(({ after }) => after < FALLS_TOGETHER)
    .sort((a, b) => a.after - b.after);
}

/** Centimetres of a CSS pixel. CSS Values 4 §6.2: 1/96 inch. */
const CENTIMETRES = 2.54 / 96;

/** The contrast at which fine lines are no longer seen. */
const LEAST_SEEN = 0.05;

/**
 * How far light is spread in an eye that sees small things blurred: the standard deviation of a Gaussian, in CSS pixels. An eye
 * of a visual acuity just tells lines apart whose distance is 1/acuity minutes of arc each (ISO 8596); the blur leaves such lines
 * the contrast at which lines are no longer seen.
 * @param acuity decimal: 1 is usual, below 0.3 is low vision, 0.1 and less severe (ICD-11, 9D90)
 * @param distance from the screen, in centimetres
 */
export function blurOf(acuity: number, distance: number): number {
  const line = (distance * Math.tan(((1 / acuity / 60) * Math.PI) / 180)) / CENTIMETRES;
  return (Math.sqrt(2 * Math.log(1 / LEAST_SEEN)) * line) / Math.PI;
}
