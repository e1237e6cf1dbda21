import type { Check } from "../core/checks/check.ts";
import type { Role } from "../core/semantics/tables/roles.ts";
import type { SeenAnswer, SeenElement, SeenFinding } from "../engine/explored.ts";
import { keysText } from "./keys-text.ts";
import { stateOf } from "./page-state.ts";
import type { Move, Trials } from "./trial.ts";

/** A stop of the walk. */
export interface Stop {
  readonly key: string;
  readonly element: SeenElement;
  readonly role: Role | null;
  readonly tag: string;
  /** How often Tab is pressed to come to it, from the page as it was loaded. */
  readonly tabs: number;
  /** Whether people are told before what changing it does. */
  readonly isWarned: boolean;
}

/** What some findings have beside their words. */
type More = Partial<Pick<SeenFinding, "facts" | "origins" | "criteria">>;

/** What pressing has shown so far, and where from the top of the page. */
export class Notes {
  readonly trials: Trials;
  readonly findings: SeenFinding[] = [];
  /** How many things each check was tried on. */
  readonly tried = new Map<string, number>();
  readonly answered: SeenAnswer[] = [];
  /** The stops of the walk, in order. */
  stops: readonly Stop[] = [];
  readonly #told = new Set<string>();

  constructor(trials: Trials) {
    this.trials = trials;
  }

  /** Notes that a check was tried on something. */
  try({ id }: Check): void {
    this.tried.set(id, (this.tried.get(id) ?? 0) + 1);
  }

  /** Notes that what a check asks of an element is as it should be. */
  answer({ id }: Check, element: SeenElement): void {
    this.answered.push({ check: id, element });
  }

  /** Notes that an element is as it should be, whatever source says of it. */
  refute({ id }: Check, element: SeenElement): void {
    this.answered.push({ check: id, element, isSure: true });
  }

  fail(
    check: Check,
    element: SeenElement | null,
    message: string,
    mend: string,
    keys: string,
    more: More = {},
  ): void {
    this.#add("failed", check, element, message, mend, keys, more);
  }

  /** Notes a question that only a person can answer. */
  ask(check: Check, element: SeenElement | null, message: string, mend: string, keys: string): void {
    this.#add("cantTell", check, element, message, mend, keys);
  }

  #add(
    outcome: "failed" | "cantTell",
    check: Check,
    element: SeenElement | null,
    message: string,
    mend: string,
    keys: string,
    more: More = {},
  ): void {
    if (element === null) return;
    const key = `${check.id} ${element.path}`;
    if (this.#told.has(key)) return;
    this.#told.add(key);
    this.findings.push({
      check: check.id,
      outcome,
      element,
      source: element.nearest,
      message,
      mend,
      keys,
      facts: {},
      origins: [],
      criteria: null,
      ...more,
    });
  }

  /** The keys from the top of the page to a stop and on, and what came of the last. */
  keysFrom(stop: Stop, keys: readonly string[], then: string): string {
    return keysText([...Array(stop.tabs).fill("Tab"), ...keys], then);
  }

  /** The keys and presses of some moves from the top of the page. */
  keysOf(moves: readonly Move[]): readonly string[] {
    return moves.flatMap((move) => {
      if (move.kind === "press") return [move.key];
      if (move.kind !== "focus") return [move.kind === "hover" ? "hover" : "click"];
      const stop = this.stops.find(({ key }) => key === move.element);
      // In what was opened, the way there is told by where it leads.
      return stop === undefined ? [`(on ${move.heard ?? "it"})`] : Array<string>(stop.tabs).fill("Tab");
    });
  }

  /** Whether any of some keys changes or moves something. */
  async movesAnything(moves: readonly Move[], keys: readonly string[]): Promise<boolean> {
    return this.trials.after(moves, async (page) => {
      for (const key of keys) {
        const before = await stateOf(page);
        const from = await page.focused();
        await page.press(key);
        const changes = this.trials.changes(before, await stateOf(page));
        if ((await page.focused()) !== from || changes.length > 0) return true;
      }
      return false;
    });
  }
}
