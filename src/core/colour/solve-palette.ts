import { contrastRatio, relativeLuminance } from "./contrast.ts";
import { Network, UNCUTTABLE } from "./least-cut.ts";
import type { Rgba } from "./rgba.ts";
import { coarse, type Fineness, fine, type Tone, tonesAround, tonesOf, unchanged } from "./tones.ts";

/** A colour of a palette that may change, or is kept as it is. */
export interface PaletteColour {
  readonly colour: Rgba;
  readonly isKept: boolean;
}

/** Two colours of a palette, by their places in it, and the ratio they must have. */
export interface NeededPair {
  readonly text: number;
  readonly ground: number;
  readonly needed: number;
}

export type SolvedPalette =
  | {
      readonly kind: "solved";
      /** In the order of the palette. */
      readonly colours: readonly Rgba[];
      /** The sum of all changes, in ΔEOK. */
      readonly change: number;
      /** Whether no other choice of which of two is the lighter changes less: false where looking was ended before. */
      readonly isLeast: boolean;
    }
  /** The pairs that no colours can satisfy together; without any one of them the others could. */
  | { readonly kind: "impossible"; readonly fighting: readonly NeededPair[] }
  | { readonly kind: "not-found" };

/** Which of the two is the lighter, by the place of a pair: not there where that is not yet decided. */
type Lighter = ReadonlyMap<number, "text" | "ground">;

/** How many choices of the lighter are weighed before the nearest that is known must do. */
const MOST_CHOICES = 300;
const MOST_TRIES = 20_000;

/** Costs, which are ΔEOK, are weighed in millionths, as whole numbers. */
const WEIGHT = 1e6;

/**
 * The smallest change of a palette, as the sum of ΔEOK, with which every pair has the ratio that it needs. Hues are kept,
 * lightness and chroma give way.
 *
 * Contrast hangs on luminance alone, so that each colour is a list of tones by light. Once it is decided which of the two of
 * each pair is the lighter, the best tones of all colours together are a least cut (H. Ishikawa, 2003: labels in order, with
 * constraints that rise with them). Which is the lighter is decided by branch and bound, a pair at a time, for pairs that
 * do not pass by themselves.
 */
export function solvePalette(palette: readonly PaletteColour[], pairs: readonly NeededPair[]): SolvedPalette {
  if (!isPossible(palette, pairs)) return { kind: "impossible", fighting: fightingPairs(palette, pairs) };
  const tonesBy = (fineness: Fineness) =>
    palette.map(({ colour, isKept }) => (isKept ? [unchanged(colour)] : tonesOf(colour, fineness)));
  const found = leastChoice(tonesBy(coarse), pairs) ?? leastChoice(tonesBy(fine), pairs);
  if (found === null) return { kind: "not-found" };
  let { tones } = found;
  const lighter = lighterIn(tones, pairs);
  for (const reach of [1 / 64, 1 / 256, 1 / 1024]) {
    const finer = palette.map(({ colour, isKept }, at) => {
      const chosen = tones[at] ?? unchanged(colour);
      return isKept ? [chosen] : tonesAround(colour, chosen, reach);
    });
    tones = leastTones(finer, pairs, lighter)?.tones ?? tones;
  }
  return {
    kind: "solved",
    colours: tones.map(({ colour }) => colour),
    change: tones.reduce((sum, { change }) => sum + change, 0),
    isLeast: found.isLeast,
  };
}

interface Choice {
  readonly lighter: Lighter;
  readonly tones: readonly Tone[];
  readonly weight: number;
}

/** Branch and bound over which of two is the lighter, from the choice that changes least on. */
function leastChoice(
  tones: readonly (readonly Tone[])[],
  pairs: readonly NeededPair[],
): { readonly tones: readonly Tone[]; readonly isLeast: boolean } | null {
  const weighed = (lighter: Lighter): readonly Choice[] => {
    const found = leastTones(tones, pairs, lighter);
    return found === null ? [] : [{ ...found, lighter }];
  };
  const open = [...weighed(new Map())];
  for (let turn = 0; turn < 2 * MOST_CHOICES; turn++) {
    // When there were too many, any that is decided to its end must do: the one furthest on is followed.
    const isEnough = turn >= MOST_CHOICES;
    open.sort((a, b) => (isEnough ? a.lighter.size - b.lighter.size : 0) || b.weight - a.weight);
    const best = open.pop();
    if (best === undefined) return null;
    const missed = worstPair(best.tones, pairs);
    if (missed === null) return { tones: best.tones, isLeast: !isEnough };
    for (const one of ["text", "ground"] as const)
      open.push(...weighed(new Map([...best.lighter, [missed, one]])));
  }
  return null;
}

/** The pair that is furthest from its ratio; null when all have it. */
function worstPair(tones: readonly Tone[], pairs: readonly NeededPair[]): number | null {
  let worst: number | null = null;
  let least = 1;
  for (const [at, { text, ground, needed }] of pairs.entries()) {
    const share = contrastRatio(listed(tones, text).colour, listed(tones, ground).colour) / needed;
    if (share >= least) continue;
    worst = at;
    least = share;
  }
  return worst;
}

const listed = <T>(list: readonly T[], at: number): T => {
  const found = list[at];
  if (found === undefined) throw new Error("a pair names a colour that the palette has not");
  return found;
};

const lighterIn = (tones: readonly Tone[], pairs: readonly NeededPair[]): Lighter =>
  new Map(
    pairs.map(({ text, ground }, at) => [
      at,
      listed(tones, text).light >= listed(tones, ground).light ? "text" : "ground",
    ]),
  );

/**
 * The tones that change least, where the decided pairs have their ratios: a least cut through the lists of all colours. A
 * node stands for "this colour is at least as light as its tone of this place".
 */
function leastTones(
  tones: readonly (readonly Tone[])[],
  pairs: readonly NeededPair[],
  lighter: Lighter,
): { readonly tones: readonly Tone[]; readonly weight: number } | null {
  const SOURCE = 0;
  const SINK = 1;
  const starts: number[] = [];
  let size = 2;
  for (const list of tones) {
    starts.push(size - 1);
    size += list.length - 1;
  }
  const nodeOf = (colour: number, place: number): number =>
    place <= 0 ? SOURCE : place >= listed(tones, colour).length ? SINK : listed(starts, colour) + place;
  const network = new Network(size);
  for (const [colour, list] of tones.entries())
    for (const [place, { cost }] of list.entries()) {
      network.join(nodeOf(colour, place), nodeOf(colour, place + 1), Math.round(cost * WEIGHT));
      if (place > 1) network.join(nodeOf(colour, place), nodeOf(colour, place - 1), UNCUTTABLE);
    }
  for (const [at, side] of lighter) {
    const { text, ground, needed } = listed(pairs, at);
    const [above, below] = side === "text" ? [text, ground] : [ground, text];
    const upper = listed(tones, above);
    let first = 0;
    for (const [place, { light }] of listed(tones, below).entries()) {
      while (first < upper.length && ratioOf(listed(upper, first).light, light) < needed) first++;
      network.join(nodeOf(below, place), nodeOf(above, first), UNCUTTABLE);
    }
  }
  const cut = network.leastCut(SOURCE, SINK);
  if (cut === null) return null;
  const chosen = tones.map((list, colour) => {
    let place = 0;
    while (place + 1 < list.length && cut.reached(nodeOf(colour, place + 1))) place++;
    return listed(list, place);
  });
  return { tones: chosen, weight: cut.weight };
}

/** WCAG 2.2, "contrast ratio", of two luminances in this order. */
const ratioOf = (lighter: number, darker: number): number => (lighter + 0.05) / (darker + 0.05);

/** How light a colour may be at least and at most, as luminance and 0.05: ratios are then quotients. */
interface Room {
  readonly least: number;
  readonly most: number;
}

/**
 * Whether any colours at all satisfy the pairs: which is the lighter is tried pair by pair, and after each choice the room of
 * every colour narrows until it is empty or fits. What was not ended counts as possible.
 */
function isPossible(palette: readonly PaletteColour[], pairs: readonly NeededPair[]): boolean {
  let tries = 0;
  const start = palette.map(({ colour, isKept }): Room => {
    const light = relativeLuminance(colour) + 0.05;
    return isKept ? { least: light, most: light } : { least: 0.05, most: 1.05 };
  });
  const decide = (rooms: readonly Room[], decided: Lighter): boolean => {
    if (++tries > MOST_TRIES) return true;
    const next = pairs.findIndex((_, at) => !decided.has(at));
    if (next < 0) return true;
    const { text, ground } = listed(pairs, next);
    const asItIs = lightOf(palette, text) >= lightOf(palette, ground);
    return (asItIs ? (["text", "ground"] as const) : (["ground", "text"] as const)).some((one) => {
      const further = new Map([...decided, [next, one]]);
      const left = narrowed(rooms, pairs, further);
      return left !== null && decide(left, further);
    });
  };
  return decide(start, new Map());
}

const lightOf = (palette: readonly PaletteColour[], at: number): number =>
  relativeLuminance(listed(palette, at).colour);

/** Quotients and products of the same numbers differ in their last digits. */
const ROUNDED = 1 + 1e-9;

function narrowed(
  rooms: readonly Room[],
  pairs: readonly NeededPair[],
  lighter: Lighter,
): readonly Room[] | null {
  const now = [...rooms];
  // As long as a narrowing of one can narrow another; longer than there are colours only where they go round in a ring.
  for (let turn = 0; turn <= now.length; turn++) {
    let isNarrower = false;
    for (const [at, side] of lighter) {
      const { text, ground, needed } = listed(pairs, at);
      const [above, below] = side === "text" ? [text, ground] : [ground, text];
      const [upper, lower] = [listed(now, above), listed(now, below)];
      const least = Math.max(upper.least, lower.least * needed);
      const most = Math.min(lower.most, upper.most / needed);
      if (least > upper.most * ROUNDED || most * ROUNDED < lower.least) return null;
      if (least === upper.least && most === lower.most) continue;
      isNarrower = true;
      now[above] = { least, most: upper.most };
      now[below] = { least: lower.least, most };
    }
    if (!isNarrower) return now;
  }
  return null;
}

/** Of pairs that cannot be satisfied, so few that without any of them the rest could be. */
function fightingPairs(
  palette: readonly PaletteColour[],
  pairs: readonly NeededPair[],
): readonly NeededPair[] {
  let fighting = pairs;
  for (const pair of pairs) {
    const without = fighting.filter((one) => one !== pair);
    if (!isPossible(palette, without)) fighting = without;
  }
  return fighting;
}
