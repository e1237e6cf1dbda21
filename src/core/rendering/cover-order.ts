import type { ElementNode } from "../document/node.ts";
import type { Page } from "./page.ts";
import type { Cover, PaintedPage } from "./painted-page.ts";
import { boxAround, isPaintedLate, isStackingContext, zIndexOf } from "./stacking.ts";

/** The boxes that cover what is around a text, by where each is painted between the text and what is behind it. */
export interface CoverOrder {
  /** What a box is laid over, so that the text lies under it; null where none is. */
  readonly over: ElementNode | null;
  /** Boxes under an element of the way up and over all that is behind it, the uppermost first. */
  readonly below: ReadonlyMap<ElementNode, readonly Cover[]>;
  /** Boxes right before the background of a stacking context, the uppermost first. */
  readonly behind: ReadonlyMap<ElementNode, readonly Cover[]>;
}

const nothing: CoverOrder = { over: null, below: new Map(), behind: new Map() };

/** Goes up from a text through its stacking contexts. CSS 2.2 appendix E, "painting order". */
export function coverOrder(page: Page, { covers }: PaintedPage, element: ElementNode): CoverOrder {
  if (covers.size === 0) return nothing;
  const path: ElementNode[] = [];
  for (let up: ElementNode | null = element; up !== null; up = boxAround(page, up)) path.push(up);
  const around = new Set(path);
  const placed = new Set<object>();
  const below = new Map<ElementNode, Cover[]>();
  const behind = new Map<ElementNode, Cover[]>();
  /** The element of the way with which the text is painted in the context: an inner context, or what is positioned. */
  let painted: ElementNode | null = null;
  for (const one of path) {
    if (!isStackingContext(page, one)) {
      if (painted === null && isPaintedLate(page, one)) painted = one;
      continue;
    }
    for (const cover of covers.get(one) ?? []) {
      const { element: owner, pseudo } = cover.styled;
      // A box that the text is in is its background, not a cover.
      const holdsText = pseudo === undefined && around.has(owner);
      if (holdsText || placed.has(cover.styled) || !around.has(cover.covered)) continue;
      placed.add(cover.styled);
      if (cover.zIndex < 0) add(behind, one, cover);
      else if (painted === null || !isUnder(page, cover, painted)) return { ...nothing, over: cover.covered };
      else add(below, painted, cover);
    }
    painted = one;
  }
  for (const layers of [...below.values(), ...behind.values()]) layers.sort(uppermostFirst);
  return { over: null, below, behind };
}

function uppermostFirst(first: Cover, second: Cover): number {
  const [one, other] = [first, second].map(({ zIndex, order, within }) => [zIndex, order, ...within]);
  for (const [i, place] of (one ?? []).entries()) {
    const difference = (other?.[i] ?? 0) - place;
    if (difference !== 0) return difference;
  }
  return 0;
}

function isUnder(page: Page, { zIndex, order }: Cover, element: ElementNode): boolean {
  const level = zIndexOf(page, element) ?? 0;
  return zIndex < level || (zIndex === level && order < page.index.record(element).order);
}

function add(to: Map<ElementNode, Cover[]>, key: ElementNode, cover: Cover): void {
  const known = to.get(key);
  if (known === undefined) to.set(key, [cover]);
  else known.push(cover);
}
