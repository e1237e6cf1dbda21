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
  return stops.map((stop, at) => {
    const before = stops[at - 1];
    const back =
      before !== undefined && before.document === stop.document && (places[at] ?? 0) < (places[at - 1] ?? 0);
    return { ahead: later.after(at), back };
  });
}

/** Counts, for every stop, the later ones of its document that stand before it: by a Fenwick tree, from the end. */
class CountBelow {
  readonly #counts: number[];

  constructor(stops: readonly Stop[], places: readonly number[]) {
    this.#counts = new Array<number>(stops.length).fill(0);
    const byDocument = new Map<unknown, number[]>();
    for (const [at, { document }] of stops.entries()) {
      const list = byDocument.get(document);
      if (list === undefined) byDocument.set(document, [at]);
      else list.push(at);
    }
    for (const own of byDocument.values()) {
      const ranks = new Map(
        own
          .map((at) => places[at] ?? 0)
          .toSorted((a, b) => a - b)
          .map((place, rank) => [place, rank + 1]),
      );
      const tree = new Array<number>(own.length + 1).fill(0);
      for (const at of own.toReversed()) {
        const rank = ranks.get(places[at] ?? 0) ?? 0;
        let sum = 0;
        for (let i = rank; i > 0; i -= i & -i) sum += tree[i] ?? 0;
        this.#counts[at] = sum;
        for (let i = rank; i <= own.length; i += i & -i) tree[i] = (tree[i] ?? 0) + 1;
      }
    }
  }

  after(at: number): number {
    return this.#counts[at] ?? 0;
  }
}

/** How many presses of Tab lead to a stop: from the top, or from a place in the document that is no stop itself. */
export function pressesTo(stops: readonly Stop[], target: Stop, from: ElementNode | null): number | null {
  const goal = stops.indexOf(target);
  if (goal < 0) return null;
  if (from === null) return goal + 1;
  const own = stops.findIndex(({ element }) => element === from);
  const start = own >= 0 ? own + 1 : firstAfter(stops, target, from);
  const presses = goal - start + 1;
  // Past the last stop it goes on from the first.
  return presses > 0 ? presses : own >= 0 && goal === own ? 0 : presses + stops.length;
}

/** The first stop after a place: those with a positive tabindex count as passed. HTML §6.6.4, "starting point". */
function firstAfter(stops: readonly Stop[], target: Stop, from: ElementNode): number {
  const { index } = target.document.page;
  const { order } = index.record(from);
  const at = stops.findIndex(
    ({ element, document, tabindex }) =>
      document === target.document && (tabindex ?? 0) <= 0 && index.record(element).order > order,
  );
  return at < 0 ? stops.length : at;
}
