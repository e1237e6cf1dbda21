import { contrastRatio, isLargeText } from "../core/colour/contrast.ts";
import { nearestInPalette, nearestPassing } from "../core/colour/nearest-passing.ts";
import { isColour } from "../core/colour/parse-colour.ts";
import { resolveColour } from "../core/colour/resolve-colour.ts";
import { onScreen, over, type Rgba, white } from "../core/colour/rgba.ts";
import type { Result } from "../core/findings/problems.ts";
import type { NamedColour } from "../core/scene/scene.ts";

/** What a ratio may be asked for, and how much of it. */
export const contrastUses = [
  { use: "text", criterion: "1.4.3", level: "AA", needed: 4.5, large: false },
  { use: "large text", criterion: "1.4.3", level: "AA", needed: 3, large: true },
  { use: "text, enhanced", criterion: "1.4.6", level: "AAA", needed: 7, large: false },
  { use: "large text, enhanced", criterion: "1.4.6", level: "AAA", needed: 4.5, large: true },
  { use: "field edges, icons, focus marks", criterion: "1.4.11", level: "AA", needed: 3, large: null },
] as const;

export interface ContrastRequest {
  readonly foreground: string;
  readonly background: string;
  /** What lies behind a ground that is seen through; white when not given. */
  readonly backdrop: string | null;
  /** CSS pixels; null when not given. */
  readonly size: number | null;
  readonly weight: number;
  readonly palette: readonly NamedColour[];
}

export interface Shade {
  readonly name: string | null;
  readonly colour: Rgba;
  readonly ratio: number;
}

export interface ContrastAnswer {
  readonly foreground: Rgba;
  readonly background: Rgba;
  readonly ratio: number;
  /** Null when no size was given. */
  readonly isLarge: boolean | null;
  readonly uses: readonly {
    readonly use: string;
    readonly criterion: string;
    readonly level: string;
    readonly needed: number;
    readonly passes: boolean;
    readonly applies: boolean;
  }[];
  /** For the first use that is not reached, what would reach it; null when all are. */
  readonly nearest: {
    readonly needed: number;
    readonly foreground: Shade | null;
    readonly background: Shade | null;
    readonly ofPalette: Shade | null;
  } | null;
}

/** The contrast of two colours, what it is enough for, and the nearest colours that are enough. */
export function contrastOf(request: ContrastRequest): Result<ContrastAnswer> {
  const backdrop =
    request.backdrop === null ? { ok: true as const, value: white } : readColour(request.backdrop);
  const below = readColour(request.background);
  const above = readColour(request.foreground);
  for (const colour of [above, below, backdrop]) if (!colour.ok) return colour;
  if (!backdrop.ok || !below.ok || !above.ok) throw new Error("unreachable: each was looked at");
  const ground = onScreen(over(below.value, over(backdrop.value, white)));
  const text = onScreen(over(above.value, ground));
  const ratio = contrastRatio(text, ground);
  const isLarge = request.size === null ? null : isLargeText(request.size, request.weight);
  const uses = contrastUses.map(({ use, criterion, level, needed, large }) => ({
    use,
    criterion,
    level,
    needed,
    passes: ratio >= needed,
    applies: isLarge === null || large === null || large === isLarge,
  }));
  const missed = uses.find((use) => !use.passes && use.applies);
  return {
    ok: true,
    value: {
      foreground: text,
      background: ground,
      ratio,
      isLarge,
      uses,
      nearest: missed === undefined ? null : nearestFor(text, ground, missed.needed, request.palette),
    },
  };
}

function nearestFor(
  text: Rgba,
  ground: Rgba,
  needed: number,
  palette: readonly NamedColour[],
): ContrastAnswer["nearest"] {
  const shade = (colour: Rgba | null, other: Rgba, name: string | null = null): Shade | null =>
    colour === null ? null : { name, colour, ratio: contrastRatio(colour, other) };
  const inPalette = nearestInPalette(text, ground, needed, palette);
  return {
    needed,
    foreground: shade(nearestPassing(text, ground, needed), ground),
    background: shade(nearestPassing(ground, text, needed), text),
    ofPalette: inPalette === null ? null : shade(inPalette.colour, ground, inPalette.name),
  };
}

/** A colour that stands by itself, as people write it. */
export function readColour(text: string): Result<Rgba> {
  const colour = isColour(text) ? resolveColour(text, { current: null, scheme: "light" }) : null;
  if (colour !== null) return { ok: true, value: colour };
  const hint = /^[0-9a-f]{3,8}$/i.test(text)
    ? ` Did you mean "#${text}"? (Quote it in the shell.)`
    : ` Write it as in CSS: "#1b2a33", "rgb(27 42 51)", "oklch(0.6 0.1 240)".`;
  return {
    ok: false,
    problem: { target: text, message: `This is no colour that can be known by itself.${hint}` },
  };
}
