import { expect, test } from "vitest";
import { Network, UNCUTTABLE } from "../../../src/core/colour/least-cut.ts";
import { randomFrom } from "../../readers/programs.ts";

interface Arc {
  readonly from: number;
  readonly to: number;
  readonly room: number;
}

const NODES = 7;

/** The least weight of all ways to part the first node from the second. */
function byTryingAll(arcs: readonly Arc[]): number {
  let least = Number.POSITIVE_INFINITY;
  for (let side = 0; side < 2 ** NODES; side++) {
    const isHere = (node: number) => (side >> node) % 2 === 1;
    if (!isHere(0) || isHere(1)) continue;
    const cut = arcs.filter(({ from, to }) => isHere(from) && !isHere(to));
    least = Math.min(
      least,
      cut.reduce((sum, { room }) => sum + room, 0),
    );
  }
  return least;
}

test.each(Array.from({ length: 60 }, (_, seed) => seed))(
  "no cut is less than the one that is found (%i)",
  (seed) => {
    const random = randomFrom(seed + 1);
    const node = () => Math.floor(random() * NODES);
    const arcs = Array.from({ length: 6 + Math.floor(random() * 14) }, () => ({
      from: node(),
      to: node(),
      room: random() < 0.15 ? UNCUTTABLE : Math.floor(random() * 20),
    }));
    const network = new Network(NODES);
    for (const { from, to, room } of arcs) network.join(from, to, room);
    const cut = network.leastCut(0, 1);
    const least = byTryingAll(arcs);
    if (cut === null) {
      expect(least).toBeGreaterThanOrEqual(UNCUTTABLE);
      return;
    }
    const weighed = arcs.filter(({ from, to }) => cut.reached(from) && !cut.reached(to));
    expect([cut.weight, weighed.reduce((sum, { room }) => sum + room, 0)]).toEqual([least, least]);
    expect([cut.reached(0), cut.reached(1)]).toEqual([true, false]);
  },
);
