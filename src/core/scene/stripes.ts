import { bottomOf } from "./cut-off.ts";
import type { Box } from "./seen.ts";

/** CSS pixels. */
const HEIGHT = 64;

/** What lies on a page by the stripes of it that it touches, so that each is compared with what is beside it alone. */
export class Stripes<T extends { readonly box: Box }> {
  readonly #stripes = new Map<number, T[]>();

  constructor(all: Iterable<T>) {
    for (const one of all)
      for (const stripe of stripesBetween(one.box.top, bottomOf(one.box))) {
        const known = this.#stripes.get(stripe);
        if (known === undefined) this.#stripes.set(stripe, [one]);
        else known.push(one);
      }
  }

  /** All of which something lies between two heights, or not far from there. */
  between(top: number, bottom: number): ReadonlySet<T> {
    const near = new Set<T>();
    for (const stripe of stripesBetween(top, bottom))
      for (const one of this.#stripes.get(stripe) ?? []) near.add(one);
    return near;
  }
}

function* stripesBetween(top: number, bottom: number): Iterable<number> {
  for (let stripe = Math.floor(top / HEIGHT); stripe <= Math.floor(bottom / HEIGHT); stripe++) yield stripe;
}
