/** A colour in sRGB: channels and alpha 0–1, not premultiplied. */
export interface Rgba {
  readonly r: number;
  readonly g: number;
  readonly b: number;
  readonly alpha: number;
}

export const rgba = (r: number, g: number, b: number, alpha = 1): Rgba => ({ r, g, b, alpha });
export const white: Rgba = rgba(1, 1, 1);
export const transparent: Rgba = rgba(0, 0, 0, 0);

/** One colour laid over another. Compositing 1 §5.1, "simple alpha compositing", as browsers do it in sRGB. */
export function over(top: Rgba, below: Rgba): Rgba {
  const alpha = top.alpha + below.alpha * (1 - top.alpha);
  if (alpha === 0) return transparent;
  const channel = (a: number, b: number) => (a * top.alpha + b * below.alpha * (1 - top.alpha)) / alpha;
  return rgba(channel(top.r, below.r), channel(top.g, below.g), channel(top.b, below.b), alpha);
}

export const faded = (colour: Rgba, opacity: number): Rgba => ({ ...colour, alpha: colour.alpha * opacity });

/** `#rrggbb`, rounded as screens show it; alpha is left out. */
export const toHex = (colour: Rgba): string =>
  `#${[colour.r, colour.g, colour.b]
    .map((c) =>
      Math.round(Math.max(0, Math.min(1, c)) * 255)
        .toString(16)
        .padStart(2, "0"),
    )
    .join("")}`;

/** What a screen of eight bits a channel shows. */
export const onScreen = (colour: Rgba): Rgba => ({
  r: Math.round(colour.r * 255) / 255,
  g: Math.round(colour.g * 255) / 255,
  b: Math.round(colour.b * 255) / 255,
  alpha: colour.alpha,
});
