import { contrastRatio } from "../core/colour/contrast.ts";
import { deltaEOK } from "../core/colour/nearest-passing.ts";
import { type Rgba, toHex } from "../core/colour/rgba.ts";
import { type NeededPair, type PaletteColour, solvePalette } from "../core/colour/solve-palette.ts";
import type { Span } from "../core/document/node.ts";
import { type Edit, withEdits } from "../core/repair/edit.ts";
import { editedBytes } from "../readers/html/encode.ts";
import { readColour } from "./contrast.ts";
import { type PaletteScheme, type PaletteText, type PlacedColour, schemesOf } from "./palette-file.ts";
import type { NamedPair } from "./palette-pairs.ts";

/** A pair in one scheme, before and after. */
export interface SolvedPair {
  readonly text: string;
  readonly ground: string;
  readonly needed: number;
  readonly scheme: string;
  readonly before: { readonly text: Rgba; readonly ground: Rgba; readonly ratio: number };
  readonly after: { readonly text: Rgba; readonly ground: Rgba; readonly ratio: number };
}

/** A colour as it is written in the file once, and what it becomes. */
export interface ChangedColour {
  /** The name that it is written by, then every other that shows it. */
  readonly names: readonly string[];
  /** Every scheme in which one of them does. */
  readonly schemes: readonly string[];
  readonly before: Rgba;
  readonly after: Rgba;
  /** ΔEOK. */
  readonly change: number;
  readonly edit: Edit;
}

export interface PaletteAnswer {
  readonly file: string;
  readonly schemes: readonly string[];
  readonly outcome: "solved" | "impossible" | "not-found";
  readonly changes: readonly ChangedColour[];
  /** The sum of all changes, in ΔEOK. */
  readonly change: number;
  /** Whether nothing smaller is known to be possible. */
  readonly isLeast: boolean;
  readonly pairs: readonly SolvedPair[];
  /** Pairs of which not all can pass together; empty where all do. */
  readonly fighting: readonly SolvedPair[];
  /** The file before and after; null where nothing changes, or the file cannot be written in its encoding. */
  readonly patched: { readonly before: Uint8Array; readonly after: Uint8Array } | null;
}

/** A colour that stands in the file once, or beside it: what a solution may give another value, or not. */
interface Standing extends PaletteColour {
  readonly place: Span | null;
  readonly names: Set<string>;
  readonly schemes: Set<string>;
}

/** The colours that pairs are of, each once however many names and schemes show it. */
class Standings {
  readonly all: Standing[] = [];
  readonly #kept: ReadonlySet<string>;
  readonly #at = new Map<string, number>();

  constructor(kept: ReadonlySet<string>) {
    this.#kept = kept;
  }

  /** Which of them a name stands for in a scheme; null where it is no colour there. */
  of({ scheme, colours }: PaletteScheme, name: string): number | null {
    const own = colours.find((one) => one.name === name) ?? beside(name);
    if (own === null) return null;
    const { colour, place, writtenAs } = own;
    const key = place === null ? `${scheme} ${name}` : String(place.start);
    const at = this.#at.get(key) ?? this.all.length;
    this.#at.set(key, at);
    const before = this.all[at];
    const isKept = place === null || this.#kept.has(name) || this.#kept.has(writtenAs);
    this.all[at] = {
      colour,
      place,
      isKept: isKept || before?.isKept === true,
      names: (before?.names ?? new Set([writtenAs])).add(name),
      schemes: (before?.schemes ?? new Set<string>()).add(scheme),
    };
    return at;
  }
}

/** A colour that stands beside the palette, by itself. */
function beside(text: string): PlacedColour | null {
  const colour = readColour(text);
  return colour.ok ? { name: text, colour: colour.value, place: null, writtenAs: text } : null;
}

/**
 * The smallest change of a palette with which every pair passes in every scheme that has both its colours.
 * The changed file is read again, and the ratios told are those of that reading.
 * @param kept names of colours that stay as they are
 */
export function solvedPalette(
  palette: PaletteText,
  schemes: readonly PaletteScheme[],
  asked: readonly NamedPair[],
  kept: ReadonlySet<string>,
): PaletteAnswer {
  const standings = new Standings(kept);
  const standing = standings.all;
  const placed = schemes.flatMap((scheme) =>
    asked.flatMap((pair) => {
      if (pair.scheme !== null && pair.scheme !== scheme.scheme) return [];
      const [text, ground] = [standings.of(scheme, pair.text), standings.of(scheme, pair.ground)];
      if (text === null || ground === null) return [];
      return [{ pair, scheme: scheme.scheme, needed: { text, ground, needed: pair.needed } }];
    }),
  );
  const needed = uniquePairs(placed.map((one) => one.needed));
  const solution = solvePalette(standing, needed);
  const after = solution.kind === "solved" ? solution.colours : standing.map(({ colour }) => colour);
  const changes = standing.flatMap(
    ({ colour, place, names, schemes: within }, at): readonly ChangedColour[] => {
      const now = known(after, at);
      if (place === null || toHex(now) === toHex(colour)) return [];
      return [
        {
          names: [...names],
          schemes: [...within],
          before: colour,
          after: now,
          change: deltaEOK(colour, now),
          edit: { ...place, text: toHex(now) },
        },
      ];
    },
  );
  const edits = changes.map(({ edit }) => edit);
  const reread = schemesOf({ ...palette, text: withEdits(palette.text, edits) });
  const shown = ({ pair, scheme, needed: own }: (typeof placed)[number]): SolvedPair => {
    const now = reread.find((one) => one.scheme === scheme)?.colours ?? [];
    const was = (at: number): Rgba => known(standing, at).colour;
    const colourNow = (name: string, at: number): Rgba =>
      now.find((one) => one.name === name)?.colour ?? was(at);
    return {
      text: pair.text,
      ground: pair.ground,
      needed: pair.needed,
      scheme,
      before: measured(was(own.text), was(own.ground)),
      after: measured(colourNow(pair.text, own.text), colourNow(pair.ground, own.ground)),
    };
  };
  const pairs = placed.map(shown);
  const fighting =
    solution.kind === "impossible"
      ? solution.fighting.flatMap((one) => {
          const found = placed.find(({ needed: own }) => isSamePair(own, one));
          return found === undefined ? [] : [shown(found)];
        })
      : pairs.filter((pair) => solution.kind === "solved" && pair.after.ratio < pair.needed);
  const bytes = edits.length === 0 ? null : editedBytes(palette.bytes, "css", edits);
  return {
    file: palette.file,
    schemes: schemes.map(({ scheme }) => scheme),
    outcome: solution.kind === "solved" && fighting.length > 0 ? "impossible" : solution.kind,
    changes,
    change: changes.reduce((sum, { change }) => sum + change, 0),
    isLeast: solution.kind === "solved" && solution.isLeast,
    pairs,
    fighting,
    patched: bytes === null ? null : { before: palette.bytes, after: bytes },
  };
}

function known<T>(list: readonly T[], at: number): T {
  const found = list[at];
  if (found === undefined) throw new Error("a pair names a colour that does not stand here");
  return found;
}

const measured = (text: Rgba, ground: Rgba): SolvedPair["before"] => ({
  text,
  ground,
  ratio: contrastRatio(text, ground),
});

const isSamePair = (one: NeededPair, other: NeededPair): boolean =>
  one.text === other.text && one.ground === other.ground && one.needed === other.needed;

/** Each once; of two that are turned about, or need less, one is enough. */
function uniquePairs(pairs: readonly NeededPair[]): readonly NeededPair[] {
  const most = new Map<string, NeededPair>();
  for (const pair of pairs) {
    const key = [pair.text, pair.ground].sort((a, b) => a - b).join(" ");
    if ((most.get(key)?.needed ?? 0) < pair.needed) most.set(key, pair);
  }
  return [...most.values()];
}
