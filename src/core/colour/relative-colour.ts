import { type Color, converter, type Rgb } from "culori";
import type { Rgba } from "./rgba.ts";

/** How a colour function names its channels, and how culori's numbers become those of CSS. CSS Color 5 §4. */
interface Space {
  readonly mode: "rgb" | "hsl" | "hwb" | "lab" | "lch" | "oklab" | "oklch";
  /** Name of each channel in CSS, what to multiply culori's number by, and what 100% is. */
  readonly channels: readonly (readonly [
    name: "r" | "g" | "b" | "h" | "s" | "l" | "w" | "a" | "c",
    factor: number,
    whole: number | null,
  ])[];
}

const rgb: Space = {
  mode: "rgb",
  channels: [
    ["r", 255, 255],
    ["g", 255, 255],
    ["b", 255, 255],
  ],
};
const hsl: Space = {
  mode: "hsl",
  channels: [
    ["h", 1, null],
    ["s", 100, 100],
    ["l", 100, 100],
  ],
};
const spaces: Readonly<Record<string, Space>> = {
  rgb,
  rgba: rgb,
  hsl,
  hsla: hsl,
  hwb: {
    mode: "hwb",
    channels: [
      ["h", 1, null],
      ["w", 100, 100],
      ["b", 100, 100],
    ],
  },
  lab: {
    mode: "lab",
    channels: [
      ["l", 1, 100],
      ["a", 1, 125],
      ["b", 1, 125],
    ],
  },
  lch: {
    mode: "lch",
    channels: [
      ["l", 1, 100],
      ["c", 1, 150],
      ["h", 1, null],
    ],
  },
  oklab: {
    mode: "oklab",
    channels: [
      ["l", 1, 1],
      ["a", 1, 0.4],
      ["b", 1, 0.4],
    ],
  },
  oklch: {
    mode: "oklch",
    channels: [
      ["l", 1, 1],
      ["c", 1, 0.4],
      ["h", 1, null],
    ],
  },
};

const toRgb = converter("rgb");

/** Splits at white space and slashes outside parentheses. */
function words(text: string): readonly string[] {
  const found: string[] = [];
  let depth = 0;
  let word = "";
  for (const c of text) {
    if (c === "(") depth++;
    if (c === ")") depth--;
    if (depth === 0 && (/\s/.test(c) || c === "/")) {
      if (word !== "") found.push(word);
      if (c === "/") found.push("/");
      word = "";
    } else word += c;
  }
  return word === "" ? found : [...found, word];
}

/**
 * `oklch(from COLOUR l c h / alpha)`: a colour made from the channels of another, in culori's own form. Channels may be
 * keywords, numbers, percentages, or one sum or product of those in `calc()`; null for anything further.
 */
export function relativeColour(
  name: string,
  argument: string,
  resolve: (text: string) => Rgba | null,
): Rgb | null {
  const space = spaces[name];
  const [from, origin, ...rest] = words(argument);
  if (space === undefined || from !== "from" || origin === undefined) return null;
  const colour = resolve(origin);
  if (colour === null) return null;
  const converted = converter(space.mode)({
    mode: "rgb",
    r: colour.r,
    g: colour.g,
    b: colour.b,
  }) as unknown as Readonly<Record<string, number | undefined>>;
  const known = new Map<string, number>([
    ["alpha", colour.alpha],
    ...space.channels.map(([channel, factor]) => [channel, (converted[channel] ?? 0) * factor] as const),
  ]);
  const slash = rest.indexOf("/");
  const written = slash < 0 ? rest : rest.slice(0, slash);
  const alpha = slash < 0 ? colour.alpha : channelValue(rest[slash + 1] ?? "", known, 1);
  if (written.length !== 3 || alpha === null) return null;
  const result: Record<string, number | string> = {
    mode: space.mode,
    alpha: Math.max(0, Math.min(1, alpha)),
  };
  for (const [i, [channel, factor, whole]] of space.channels.entries()) {
    const value = channelValue(written[i] ?? "", known, whole);
    if (value === null) return null;
    result[channel] = value / factor;
  }
  return toRgb(result as unknown as Color);
}

function channelValue(text: string, known: ReadonlyMap<string, number>, whole: number | null): number | null {
  if (text === "none") return 0;
  const named = known.get(text);
  if (named !== undefined) return named;
  const number = /^([+-]?(?:\d+\.?\d*|\.\d+))(%|deg)?$/.exec(text);
  if (number !== null) {
    if (number[2] !== "%") return Number(number[1]);
    return whole === null ? null : (Number(number[1]) / 100) * whole;
  }
  const sum = /^calc\(\s*(\S+)\s*([*/+-])\s*(\S+)\s*\)$/.exec(text);
  if (sum === null) return null;
  const left = channelValue(sum[1] ?? "", known, whole);
  const right = channelValue(sum[3] ?? "", known, whole);
  if (left === null || right === null) return null;
  return sum[2] === "*"
    ? left * right
    : sum[2] === "/"
      ? left / right
      : sum[2] === "+"
        ? left + right
        : left - right;
}
