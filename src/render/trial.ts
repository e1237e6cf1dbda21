import { announced, liveRegions } from "./announcements.ts";
import { changesText } from "./keys-text.ts";
import { LivePage, type PageSource } from "./live-page.ts";
import { type Change, changesBetween, keyOf, type PageState, stateOf } from "./page-state.ts";
import type { LiveElement } from "./snapshot.ts";

/** How a page is brought to where something is tried: keys and presses, one after the other. */
export type Move =
  | {
      readonly kind: "focus";
      readonly at: string;
      /** What is heard there, for those who are told of it. */
      readonly heard?: string;
    }
  | { readonly kind: "press"; readonly key: string }
  | { readonly kind: "point"; readonly at: string }
  | { readonly kind: "hover"; readonly at: string };

export const press = (key: string): Move => ({ kind: "press", key });
export const focus = (at: string, heard?: string): Move => ({
  kind: "focus",
  at,
  ...(heard === undefined ? {} : { heard }),
});
export const point = (at: string): Move => ({ kind: "point", at });

/** What the last move of a trial brought about. */
export interface Effect {
  readonly moves: readonly Move[];
  /** What changed by the last move; empty where nothing did. */
  readonly changes: readonly Change[];
  /** The same as people are told of it. */
  readonly told: readonly string[];
  /** What live regions said by the last move. */
  readonly said: readonly string[];
  /** What all the moves together changed. */
  readonly total: readonly Change[];
  /** What had focus before it and after, by key; null for nothing. */
  readonly from: string | null;
  readonly to: string | null;
  /** Whether what had focus is no longer there to have it. */
  readonly isGone: boolean;
  /** Whether it asked the network: what it does then cannot be seen here. */
  readonly asks: boolean;
  /** Whether it left the page, opened another or sent a form. */
  readonly left: readonly string[];
}

/** How many turns of a second a page is watched while nothing is pressed. */
const IDLE_TURNS = 8;

/** Runs out when there is no more time to try things. */
export class OutOfTime extends Error {}

/** Opens the page anew for each trial, so that none sees what another did. */
export class Trials {
  readonly #source: PageSource;
  readonly #end: number;
  readonly problems = new Set<string>();
  readonly #restless = new Set<string>();
  /** Whether the page leaves, or sends a form, though nothing is pressed. */
  leavesByItself = false;

  #untouched: LivePage | null = null;
  /** Called in every state that some moves lead to. */
  readonly #onState: (page: LivePage, moves: readonly Move[]) => void;

  /** @param opened the page, where it was opened before and nobody has touched it */
  constructor(
    source: PageSource,
    patience: number,
    onState: (page: LivePage, moves: readonly Move[]) => void = () => {},
    opened: LivePage | null = null,
  ) {
    this.#source = source;
    this.#end = performance.now() + patience;
    this.#onState = onState;
    this.#untouched = opened;
  }

  /** The page as nobody has touched it. */
  async #fresh(): Promise<LivePage> {
    if (performance.now() > this.#end) throw new OutOfTime();
    const kept = this.#untouched;
    this.#untouched = null;
    if (kept !== null) return kept;
    const page = await LivePage.open(this.#source);
    for (const problem of page.problems) this.problems.add(problem);
    return page;
  }

  /** Keeps a page on which nothing came of anything for the next trial: opening one anew is most of the work. */
  async #keep(page: LivePage, start: PageState): Promise<void> {
    await page.rest();
    if (this.#untouched === null && changesBetween(start, stateOf(page)).length === 0) this.#untouched = page;
    else page.close();
  }

  /** Looks at the page as nobody has touched it, and leaves it so. */
  async peek<T>(look: (page: LivePage) => T): Promise<T> {
    const page = await this.#fresh();
    try {
      return look(page);
    } finally {
      this.#untouched = page;
    }
  }

  /** Lets go of what was kept. */
  close(): void {
    this.#untouched?.close();
    this.#untouched = null;
  }

  /** Finds out what changes by itself, and whether the page leaves by itself; neither is the doing of a key. */
  async lookIdle(): Promise<void> {
    await this.after([], async (page) => {
      for (let turn = 0; turn < IDLE_TURNS; turn++) {
        const before = stateOf(page);
        await page.settle();
        for (const { at } of changesBetween(before, stateOf(page))) this.#restless.add(at);
      }
      this.leavesByItself = page.left.length > 0;
    });
  }

  /** What differs between two states, apart from what never rests. */
  changes(before: PageState, after: PageState): readonly Change[] {
    return this.restful(changesBetween(before, after));
  }

  restful(changes: readonly Change[]): readonly Change[] {
    return changes.filter(({ at }) => !this.#restless.has(at));
  }

  /** The page after some moves; what is done with it must not outlive the call. */
  async after<T>(moves: readonly Move[], look: (page: LivePage) => Promise<T> | T): Promise<T> {
    const page = await this.#fresh();
    try {
      for (const move of moves) await make(page, move);
      return await look(page);
    } finally {
      page.close();
    }
  }

  /** What the last of some moves does. */
  async effect(moves: readonly Move[]): Promise<Effect> {
    const last = moves.at(-1);
    const page = await this.#fresh();
    let untouched: PageState | null = null;
    try {
      const start = stateOf(page);
      for (const move of moves.slice(0, -1)) await make(page, move);
      const before = stateOf(page);
      const active = page.focused();
      const regions = liveRegions(page);
      const from = active === null ? null : keyOf(page, active);
      const [leftBefore, askedBefore, problemsBefore] = [page.left.length, page.asked, page.problems.length];
      if (last !== undefined) await make(page, last);
      const now = page.focused();
      const after = stateOf(page);
      const changes = this.changes(before, after);
      if (changes.length > 0) this.#onState(page, moves);
      const total = this.changes(start, after);
      const isSame = page.left.length + page.asked === 0 && page.problems.length === problemsBefore;
      if (total.length === 0 && isSame && now === active) untouched = start;
      return {
        moves,
        changes,
        told: changes.length === 0 ? [] : changesText(page, changes),
        said: announced(regions, liveRegions(page)),
        total,
        asks: page.asked > askedBefore,
        from,
        to: now === null ? null : keyOf(page, now),
        isGone: active !== null && now === null && (!active.isConnected || !page.isVisible(active)),
        left: page.left.slice(leftBefore),
      };
    } finally {
      if (untouched === null) page.close();
      else await this.#keep(page, untouched);
    }
  }
}

export async function make(page: LivePage, move: Move): Promise<void> {
  if (move.kind === "press") {
    await page.press(move.key);
    return;
  }
  const element: LiveElement | null = page.elementWith(move.at);
  if (element === null) return;
  if (move.kind === "focus") {
    element.focus();
    await page.settle();
  } else if (move.kind === "point") await page.point(element);
  else await page.hover(element);
}

/** Whether anything came of it. */
export const didSomething = ({ changes, left }: Effect): boolean => changes.length > 0 || left.length > 0;
