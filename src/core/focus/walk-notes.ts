import type { ElementNode } from "../document/node.ts";
import type { Stop } from "./tab-sequence.ts";

/** Where the order of Tab leaves that of the source. */
export interface Jump {
  /** How many stops that stand before this one in the source are reached after it. */
  readonly ahead: number;
  /** Whether this stop stands before the one reached just before it. */
  readonly back: boolean;
}

/** For each stop how it jumps; stops of frames are compared with their own document only. */
export function jumpsIn(stops: readonly Stop[]): readonly Jump[] {
  const places = stops.map(({ element, document }) => document.page.index.record(element).order);
  const later = new CountBelow(stops, places);
  return stops.map((stop, index) => {
    const before = stops[index - 1];
    const back =
      before !== undefined &&
      before.document === stop.document &&
      (places[index] ?? 0) < (places[index - 1] ?? 0);
    return { ahead: later.after(index), back };
  });
}

/** Counts, for every stop, the later ones of its document that stand before it: by a Fenwick tree, from the end. */
class CountBelow {
  readonly #counts: number[];

  constructor(stops: readonly Stop[], places: readonly number[]) {
    this.#counts = new Array<number>(stops.length).fill(0);
    const byDocument = new Map<unknown, number[]>();
    for (const [index, { document }] of stops.entries()) {
      const list = byDocument.get(document);
      if (list === undefined) byDocument.set(document, [index]);
      else list.push(index);
    }
    for (const indexes of byDocument.values()) {
      const ranks = new Map(
        indexes
          .map((index) => places[index] ?? 0)
          .toSorted((a, b) => a - b)
          .map((place, rank) => [place, rank + 1]),
      );
      const tree = new Array<number>(indexes.length + 1).fill(0);
      for (const index of indexes.toReversed()) {
        const rank = ranks.get(places[index] ?? 0) ?? 0;
        let sum = 0;
        for (let i = rank; i > 0; i -= i & -i) sum += tree[i] ?? 0;
        this.#counts[index] = sum;
        for (let i = rank; i <= indexes.length; i += i & -i) tree[i] = (tree[i] ?? 0) + 1;
      }
    }
  }

  after(index: number): number {
    return this.#counts[index] ?? 0;
  }
}

/** How many presses of Tab lead to a stop: from the top, or from a place in the document that is no stop itself. */
export function pressesTo(stops: readonly Stop[], target: Stop, from: ElementNode | null): number | null {
  const goal = stops.indexOf(target);
  if (goal < 0) return null;
  if (from === null) return goal + 1;
  const index = stops.findIndex(({ element }) => element === from);
  const start = index >= 0 ? index + 1 : firstAfter(stops, target, from);
  const presses = goal - start + 1;
  // Past the last stop it goes on from the first.
  return presses > 0 ? presses : index >= 0 && goal === index ? 0 : presses + stops.length;
}

/** The first stop after a place: those with a positive tabindex count as passed. HTML §6.6.4, "starting point". */
function firstAfter(stops: readonly Stop[], target: Stop, from: ElementNode): number {
  const { index } = target.document.page;
  const { order } = index.record(from);
  const position = stops.findIndex(
    ({ element, document, tabindex }) =>
      document === target.document && (tabindex ?? 0) <= 0 && index.record(element).order > order,
  );
  return position < 0 ? stops.length : position;
}
