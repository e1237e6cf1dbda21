import { type Rgba, rgba, transparent } from "../colour/rgba.ts";
import { functionCall, splitAtCommas, splitAtSpaces } from "../css/split-value.ts";
import type { Styled } from "../css/styles.ts";
import { LITTLE } from "./little.ts";
import type { Page } from "./page.ts";

/** How finely the way from one stop of a gradient to the next is looked at. */
const GRADIENT_STEPS = 12;

/** Whether a gradient is drawn as a line: an edge too thin for text to lie on. CSS Backgrounds 3 §2.9. */
export const isGradientLine = (repeat: string, size: string): boolean =>
  /no-repeat|repeat-[xy]/i.test(repeat) &&
  size
    .trim()
    .split(/\s+/)
    .some((part) => {
      const [, number, unit] = /^([\d.]+)(px|r?em|%)?$/.exec(part) ?? [];
      if (number === undefined) return false;
      const pixels = Number(number) * (unit === "em" || unit === "rem" ? 16 : 1);
      return unit === "%" ? pixels <= 5 : pixels <= LITTLE;
    });

/** Whether the gradient fills its whole box. CSS Backgrounds 3 §2.9. */
export const gradientCovers = (repeat: string, size: string): boolean =>
  !/no-repeat|repeat-[xy]|space|round/i.test(repeat) ||
  /^(?:auto|cover|100%|auto auto|100% 100%)$/i.test(size.trim());

/** The colours a gradient runs through, samples between its stops included; null when some are not known. CSS Images 4 §3. */
export function gradientColours(page: Page, styled: Styled, image: string): readonly Rgba[] | null {
  const call = functionCall(image);
  if (call === null || !/^(?:-webkit-)?(?:repeating-)?(?:linear|radial|conic)-gradient$/.test(call.name))
    return null;
  const stops: Rgba[] = [];
  for (const [i, part] of splitAtCommas(call.argument).entries()) {
    const words = splitAtSpaces(part);
    const found = words
      .map((word) => page.styles.colourWithin(styled, word))
      .find((colour) => colour !== null);
    if (found !== undefined) stops.push(found);
    else if (i > 0 && !/^[+-]?[\d.]+(?:%|px|em|rem|deg|turn)$/i.test(part.trim())) return null;
    else if (i === 0 && looksLikeColour.test(words[0] ?? "")) return null;
    else if (/\bin\s+(?!srgb\b)/i.test(part)) return null;
  }
  if (stops.length === 0) return null;
  const samples: Rgba[] = [];
  for (const [i, stop] of stops.entries()) {
    const next = stops[i + 1];
    samples.push(stop);
    if (next === undefined || sameColour(stop, next)) continue;
    for (let step = 1; step < GRADIENT_STEPS; step++)
      samples.push(between(stop, next, step / GRADIENT_STEPS));
  }
  return samples;
}

const looksLikeColour = /^(?:#|rgb|hsl|hwb|lab|lch|oklab|oklch|color|var)/i;
const sameColour = (a: Rgba, b: Rgba): boolean =>
  a.r === b.r && a.g === b.g && a.b === b.b && a.alpha === b.alpha;

/** Premultiplied, as gradients are drawn. */
function between(a: Rgba, b: Rgba, share: number): Rgba {
  const alpha = a.alpha * (1 - share) + b.alpha * share;
  if (alpha === 0) return transparent;
  const channel = (x: number, y: number) => (x * a.alpha * (1 - share) + y * b.alpha * share) / alpha;
  return rgba(channel(a.r, b.r), channel(a.g, b.g), channel(a.b, b.b), alpha);
}
