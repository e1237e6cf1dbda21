import { converter, interpolate, type Rgb } from "culori";
import { parsedColour } from "./parse-colour.ts";
import { relativeColour } from "./relative-colour.ts";
import { type Rgba, rgba, transparent } from "./rgba.ts";
import { systemColourValues } from "./system-colours.ts";

/** What a colour's text may depend on. */
export interface ColourSurroundings {
  /** The value of `currentcolor`; null: not known. */
  readonly current: Rgba | null;
  readonly scheme: "light" | "dark";
}

const toRgb = converter("rgb");

/** How deep colour functions may hold one another. */
const DEEPEST = 8;

/**
 * The colour a CSS value stands for; null where it cannot be known.
 * CSS Color 4 §4–§12, CSS Color 5 `color-mix()` and `light-dark()`.
 */
export function resolveColour(text: string, around: ColourSurroundings): Rgba | null {
  const colour = colourOf(text, around, 0);
  return colour === null ? null : shownColour(colour);
}

/** The colour before it is shown: its channels may lie outside 0 to 1, and are mixed so. */
function colourOf(text: string, around: ColourSurroundings, depth: number): Rgba | null {
  const lower = text.trim().toLowerCase();
  if (lower === "currentcolor") return around.current;
  if (lower === "transparent") return transparent;
  const system = systemColourValues[lower];
  if (system !== undefined)
    return colourOf(around.scheme === "dark" ? system[1] : system[0], around, depth + 1);
  if (depth > DEEPEST) return null;
  const call = /^([a-z-]+)\(([\s\S]*)\)$/.exec(lower);
  if (call?.[1] === "light-dark") {
    const [light, dark] = splitArguments(call[2] ?? "");
    const chosen = around.scheme === "dark" ? dark : light;
    return chosen === undefined ? null : colourOf(chosen, around, depth + 1);
  }
  if (call?.[1] === "color-mix") return mixed(splitArguments(call[2] ?? ""), around, depth);
  if (call !== null && /^\s*from\s/.test(call[2] ?? "")) {
    const relative = relativeColour(call[1] ?? "", call[2] ?? "", (inner) =>
      colourOf(inner, around, depth + 1),
    );
    return relative === null ? null : fromCulori(relative);
  }
  if (/\bcalc\(|\bmin\(|\bmax\(|\bclamp\(/.test(lower)) return null;
  const parsed = parsedColour(lower);
  return parsed === undefined ? null : fromCulori(toRgb(parsed));
}

const fromCulori = ({ r = 0, g = 0, b = 0, alpha = 1 }: Rgb): Rgba => rgba(r, g, b, alpha);

/** The colour as browsers show it on a screen of sRGB: of one that lies outside, each channel is cut off. */
function shownColour({ r, g, b, alpha }: Rgba): Rgba {
  const within = (channel: number) => Math.max(0, Math.min(1, channel));
  return rgba(within(r), within(g), within(b), within(alpha));
}

function splitArguments(text: string): readonly string[] {
  const parts: string[] = [];
  let depth = 0;
  let start = 0;
  for (let i = 0; i < text.length; i++) {
    if (text[i] === "(") depth++;
    else if (text[i] === ")") depth--;
    else if (text[i] === "," && depth === 0) {
      parts.push(text.slice(start, i).trim());
      start = i + 1;
    }
  }
  parts.push(text.slice(start).trim());
  return parts;
}

const mixSpaces: Readonly<
  Record<string, "rgb" | "lrgb" | "oklab" | "lab" | "oklch" | "lch" | "hsl" | "hwb" | "xyz65">
> = {
  srgb: "rgb",
  "srgb-linear": "lrgb",
  oklab: "oklab",
  lab: "lab",
  oklch: "oklch",
  lch: "lch",
  hsl: "hsl",
  hwb: "hwb",
  xyz: "xyz65",
  "xyz-d65": "xyz65",
};

/** CSS Color 5 §3. Mixing with transparency in spaces with a hue is left unknown. */
function mixed(parts: readonly string[], around: ColourSurroundings, depth: number): Rgba | null {
  const [method = "", first = "", second = ""] = parts;
  const space = mixSpaces[/^in\s+([\w-]+)$/.exec(method)?.[1] ?? ""];
  if (space === undefined || parts.length !== 3) return null;
  const read = (text: string) => {
    const share = /(?:^|\s)([\d.]+)%(?:\s|$)/.exec(text);
    return {
      share: share === null ? null : Number(share[1]) / 100,
      colour: colourOf(text.replace(/(?:^|\s)[\d.]+%(?=\s|$)/, " ").trim(), around, depth + 1),
    };
  };
  const one = read(first);
  const other = read(second);
  if (one.colour === null || other.colour === null) return null;
  let a = one.share ?? (other.share === null ? 0.5 : 1 - other.share);
  let b = other.share ?? 1 - a;
  const total = a + b;
  if (total === 0) return null;
  const alphaFactor = Math.min(1, total);
  a /= total;
  b /= total;
  const alpha = one.colour.alpha * a + other.colour.alpha * b;
  if (alpha === 0) return transparent;
  // Premultiplied: each colour weighs by its alpha.
  const weight = (other.colour.alpha * b) / alpha;
  if (
    one.colour.alpha !== other.colour.alpha &&
    (space === "oklch" || space === "lch" || space === "hsl" || space === "hwb")
  )
    return null;
  const mixed = toRgb(
    interpolate(
      [
        { mode: "rgb", ...one.colour, alpha: 1 },
        { mode: "rgb", ...other.colour, alpha: 1 },
      ],
      space,
    )(weight),
  );
  return rgba(mixed.r, mixed.g, mixed.b, alpha * alphaFactor);
}
