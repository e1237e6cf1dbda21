import { NO } from "../core/css/certainty.ts";
import { heardLineOf } from "../core/semantics/heard-line.ts";
import type { Driver, DriverSource, Moment } from "../engine/driver.ts";
import { announced, liveRegions } from "./announcements.ts";
import { changesText } from "./keys-text.ts";
import {
  type Change,
  changesBetween,
  isDrawingAlone,
  isTie,
  type PageState,
  stateIn,
  stateOf,
} from "./page-state.ts";

/** How a page is brought to where something is tried: keys and presses, one after the other. */
export type Move =
  | {
      readonly kind: "focus";
      /** The key of the element. */
      readonly element: string;
      /** What is heard there, for those who are told of it. */
      readonly heard?: string;
    }
  | { readonly kind: "press"; readonly key: string }
  | { readonly kind: "point" | "click" | "hover"; readonly element: string };

export const press = (key: string): Move => ({ kind: "press", key });
export const focus = (element: string, heard?: string): Move => ({
  kind: "focus",
  element,
  ...(heard === undefined ? {} : { heard }),
});
export const point = (element: string): Move => ({ kind: "point", element });
const click = (element: string): Move => ({ kind: "click", element });
export const hover = (element: string): Move => ({ kind: "hover", element });

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
  /** Whether it asked the network, or went wrong in the page: what it does then cannot be seen here. */
  readonly asks: boolean;
  /** Whether something that it asked for did not come: what it shows is not what people get. */
  readonly isUnanswered: boolean;
  /** What left the page, opened another or sent a form. */
  readonly left: readonly string[];
}

/** How many turns of a second a page is watched while nothing is pressed. */
const IDLE_TURNS = 8;

/** Runs out when there is no more time to try things. */
export class OutOfTime extends Error {}

/** Opens the page anew for each trial, so that none sees what another did. */
export class Trials {
  readonly problems = new Set<string>();
  /** What was held of what keys and presses would have done, and which would have. */
  readonly held = new Map<string, string>();
  /** Whether the page leaves, or sends a form, though nothing is pressed. */
  leavesByItself = false;
  readonly #source: DriverSource;
  readonly #end: number;
  readonly #restless = new Set<string>();
  readonly #onState: (page: Driver, moves: readonly Move[]) => Promise<void>;
  #untouched: Driver | null = null;

  /**
   * @param patience milliseconds on the clock on the wall
   * @param onState called in every state that some moves lead to
   * @param opened the page, where it was opened before and nobody has touched it
   */
  constructor(
    source: DriverSource,
    patience: number,
    onState: (page: Driver, moves: readonly Move[]) => Promise<void> = async () => {},
    opened: Driver | null = null,
  ) {
    this.#source = source;
    this.#end = performance.now() + patience;
    this.#onState = onState;
    this.#untouched = opened;
  }

  /** The page as nobody has touched it. */
  async #fresh(): Promise<Driver> {
    if (performance.now() > this.#end) throw new OutOfTime();
    const kept = this.#untouched;
    this.#untouched = null;
    if (kept !== null) return kept;
    const page = await this.#source.open();
    for (const problem of (await page.happenings()).problems) this.problems.add(problem);
    return page;
  }

  /** Keeps a page on which nothing came of anything for the next trial: opening one anew is most of the work. */
  async #keep(page: Driver, start: PageState): Promise<void> {
    await page.rest();
    if (this.#untouched === null && changesBetween(start, await stateOf(page)).length === 0)
      this.#untouched = page;
    else await page.close();
  }

  /** Has the state that some moves led to looked at as every other is. */
  lookAgain(page: Driver, moves: readonly Move[]): Promise<void> {
    return this.#onState(page, moves);
  }

  /** Looks at the page as nobody has touched it, and leaves it so. */
  async peek<T>(look: (page: Driver) => Promise<T>): Promise<T> {
    const page = await this.#fresh();
    try {
      return await look(page);
    } finally {
      this.#untouched = page;
    }
  }

  /** Lets go of what was kept. */
  async close(): Promise<void> {
    await this.#untouched?.close();
    this.#untouched = null;
  }

  /** Finds out what changes by itself, and whether the page leaves by itself; neither is the doing of a key. */
  async lookIdle(): Promise<void> {
    await this.after([], async (page) => {
      for (let turn = 0; turn < IDLE_TURNS; turn++) {
        const before = await stateOf(page);
        await page.settle();
        for (const { key } of changesBetween(before, await stateOf(page))) this.#restless.add(key);
      }
      this.leavesByItself = (await page.happenings()).left.length > 0;
    });
  }

  /** What differs between two states, apart from what never rests. */
  changes(before: PageState, after: PageState): readonly Change[] {
    return this.restful(changesBetween(before, after));
  }

  restful(changes: readonly Change[]): readonly Change[] {
    return changes.filter(({ key }) => !this.#restless.has(key));
  }

  /** The page after some moves; what is done with it must not outlive the call. */
  async after<T>(moves: readonly Move[], look: (page: Driver) => Promise<T>): Promise<T> {
    const page = await this.#fresh();
    try {
      for (const move of moves) await make(page, move);
      return await look(page);
    } finally {
      await page.close();
    }
  }

  /** What a pointer does on an element; what it draws where it is held down, and no click brings about, is nothing. */
  async pointed(element: string, before: readonly Move[] = []): Promise<Effect> {
    const effect = await this.effect([...before, point(element)]);
    if (!isDrawingAlone(effect.changes) || effect.left.length > 0) return effect;
    const byClick = await this.effect([...before, click(element)]);
    return didSomething(byClick) ? effect : byClick;
  }

  /** What the last of some moves does. */
  async effect(moves: readonly Move[]): Promise<Effect> {
    const page = await this.#fresh();
    let untouched: PageState | null = null;
    try {
      const start = await stateOf(page);
      for (const move of moves.slice(0, -1)) await make(page, move);
      const happened = await page.happenings();
      const effect = await this.#lastOf(page, moves, start);
      const { left, asked, problems } = await page.happenings();
      const isSame =
        (left.length === 0 || page.isHeld) && asked === 0 && problems.length === happened.problems.length;
      if (effect.total.length === 0 && isSame && effect.to === effect.from) untouched = start;
      return effect;
    } finally {
      if (untouched === null) await page.close();
      else await this.#keep(page, untouched);
    }
  }

  /**
   * What one key does when it is pressed again and again in one window.
   * @param there how the window is brought to where it is pressed first
   * @param goesOn whether it is pressed once more after what it did last
   */
  async repeated(
    there: readonly Move[],
    key: string,
    most: number,
    goesOn: (effect: Effect) => boolean,
  ): Promise<readonly Effect[]> {
    const page = await this.#fresh();
    try {
      const start = await stateOf(page);
      for (const move of there) await make(page, move);
      const effects: Effect[] = [];
      for (let n = 1; n <= most; n++) {
        const effect = await this.#lastOf(page, [...there, ...Array<Move>(n).fill(press(key))], start);
        effects.push(effect);
        if (!goesOn(effect)) break;
      }
      return effects;
    } finally {
      await page.close();
    }
  }

  /**
   * Makes the last of some moves in a window in which the others were made, and tells what came of it.
   * @param start what the window showed before any of them
   */
  async #lastOf(page: Driver, moves: readonly Move[], start: PageState): Promise<Effect> {
    const momentBefore = await page.moment();
    const before = stateIn(momentBefore);
    const regions = liveRegions(momentBefore);
    const from = await page.focused();
    const happened = await page.happenings();
    const last = moves.at(-1);
    if (last !== undefined) await make(page, last);
    const to = await page.focused();
    const moment = await page.moment();
    const after = stateIn(moment);
    const changes = this.changes(before, after);
    if (changes.length > 0) await this.#onState(page, moves);
    const { left, asked, unanswered, held, problems } = await page.happenings();
    const broken = problems.slice(happened.problems.length);
    const isHeld = held.length > happened.held.length;
    // What goes wrong because something was held is no fault of the page.
    if (!isHeld) for (const problem of broken) this.problems.add(problem);
    else if (last !== undefined) {
      const by = doneBy(last, momentBefore, from);
      for (const one of held.slice(happened.held.length)) {
        // Each key that does the same on one thing is told once.
        const what = `${by.on} ${one}`;
        if (!this.held.has(what)) this.held.set(what, `${by.told} would ${one}`);
      }
    }
    const focused = from === null ? null : moment.element(from);
    return {
      moves,
      changes,
      told: changes.length === 0 ? [] : changesText(moment, changes),
      said: announced(regions, liveRegions(moment)),
      total: this.changes(start, after),
      asks: asked > happened.asked || broken.length > 0,
      isUnanswered: unanswered > happened.unanswered,
      from,
      to,
      isGone:
        from !== null &&
        to === null &&
        (focused === null || moment.scene.presence.of(focused).visible === NO),
      left: left.slice(happened.left.length),
    };
  }
}

/** A move as people are told of what did something. */
function doneBy(
  move: Move,
  moment: Moment,
  focused: string | null,
): { readonly on: string | null; readonly told: string } {
  const key = move.kind === "press" ? focused : move.element;
  const node = key === null ? null : moment.element(key);
  const what = move.kind === "press" ? move.key : move.kind === "hover" ? "A pointer" : "A click";
  return { on: key, told: node === null ? what : `${what} on ${heardLineOf(moment.scene, node)}` };
}

export function make(page: Driver, move: Move): Promise<void> {
  switch (move.kind) {
    case "press":
      return page.press(move.key);
    case "focus":
      return page.focus(move.element);
    case "point":
      return page.point(move.element);
    case "click":
      return page.click(move.element);
    case "hover":
      return page.hover(move.element);
  }
}

/** Whether anything came of it. */
export const didSomething = ({ changes, left }: Effect): boolean =>
  left.length > 0 || changes.some((change) => !isTie(change));
