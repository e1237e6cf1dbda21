import path from "node:path";
import { paletteOf } from "../core/checks/contrast/suggest-colour.ts";
import { contrastRatio, isLargeText } from "../core/colour/contrast.ts";
import { nearestInPalette, nearestPassing } from "../core/colour/nearest-passing.ts";
import { isColour } from "../core/colour/parse-colour.ts";
import { resolveColour } from "../core/colour/resolve-colour.ts";
import { onScreen, over, type Rgba, white } from "../core/colour/rgba.ts";
import { parseSheet } from "../core/css/parse-sheet.ts";
import { noColours, type Result, unreadable } from "../core/findings/problems.ts";
import { type NamedColour, sceneFromSource } from "../core/scene/scene.ts";
import { shownName } from "../engine/targets.ts";
import type { Host } from "../host/host.ts";
import { decodeText } from "../readers/html/decode.ts";
import { readHtml } from "../readers/html/read-html.ts";

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
  const backdrop = request.backdrop === null ? { ok: true as const, value: white } : read(request.backdrop);
  const below = read(request.background);
  const above = read(request.foreground);
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

function read(text: string): Result<Rgba> {
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

/** The colours of a palette: custom properties of a stylesheet, or the members of a JSON object. */
export async function readPalette(file: string, host: Host): Promise<Result<readonly NamedColour[]>> {
  const full = path.resolve(host.workingDirectory, file);
  const bytes = await host.files.read(full);
  if (!bytes.ok) return { ok: false, problem: unreadable(file, bytes.reason) };
  const decoded = decodeText(bytes.bytes, file, "css");
  if (!decoded.ok) return decoded;
  const colours = file.toLowerCase().endsWith(".json")
    ? jsonColours(decoded.value.text)
    : cssColours(decoded.value.text, shownName(host, full));
  if (colours === null || colours.length === 0) return { ok: false, problem: noColours(file) };
  return { ok: true, value: colours };
}

function cssColours(text: string, name: string): readonly NamedColour[] {
  const { document } = readHtml("<!doctype html><html>", name);
  const applied = {
    sheet: parseSheet({ file: name, text, start: 0 }),
    media: null,
    scope: document,
    imports: new Map(),
  };
  return paletteOf(sceneFromSource(document, [applied]));
}

function jsonColours(text: string): readonly NamedColour[] | null {
  try {
    const parsed: unknown = JSON.parse(text);
    if (typeof parsed !== "object" || parsed === null) return null;
    return Object.entries(parsed).flatMap(([name, value]) => {
      const colour = typeof value === "string" ? read(value) : null;
      return colour?.ok === true && colour.value.alpha === 1 ? [{ name, colour: colour.value }] : [];
    });
  } catch {
    return null;
  }
}
