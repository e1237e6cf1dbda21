import type { Role } from "../core/semantics/tables/roles.ts";
import { keysText } from "./keys-text.ts";
import { stateOf } from "./page-state.ts";
import type { RenderedElement, RenderedFinding } from "./protocol.ts";
import type { Move, Trials } from "./trial.ts";

/** A stop of the walk. */
export interface Stop {
  readonly at: string;
  readonly element: RenderedElement;
  readonly role: Role | null;
  readonly tag: string;
  /** Whether people are told before what changing it does. */
  readonly isWarned: boolean;
}

/** The checks that pressing decides. */
export type PressedId =
  | "keys.activates"
  | "keys.dialog-closes"
  | "keys.dialog-gives-back"
  | "keys.dialog-keeps-focus"
  | "keys.dialog-takes-focus"
  | "keys.focus-not-lost"
  | "keys.hover-has-equal"
  | "keys.no-letter-shortcuts"
  | "keys.no-surprise-on-focus"
  | "keys.no-surprise-on-input"
  | "keys.no-trap"
  | "keys.pattern-kept"
  | "keys.reachable"
  | "roles.change-announced"
  | "roles.state-follows";

/** What pressing has shown so far, and where from the top of the page. */
export class Notes {
  readonly trials: Trials;
  readonly findings: RenderedFinding[] = [];
  /** How many things each check was tried on. */
  readonly tried = new Map<string, number>();
  /** The stops of the walk, in order. */
  stops: readonly Stop[] = [];
  readonly #told = new Set<string>();

  constructor(trials: Trials) {
    this.trials = trials;
  }

  /** Notes that a check was tried on something. */
  try(check: PressedId): void {
    this.tried.set(check, (this.tried.get(check) ?? 0) + 1);
  }

  fail(check: PressedId, element: RenderedElement | null, message: string, mend: string, keys: string): void {
    this.#add("failed", check, element, message, mend, keys);
  }

  /** Notes a question that only a person can answer. */
  ask(check: PressedId, element: RenderedElement | null, message: string, mend: string, keys: string): void {
    this.#add("cantTell", check, element, message, mend, keys);
  }

  #add(
    outcome: "failed" | "cantTell",
    check: PressedId,
    element: RenderedElement | null,
    message: string,
    mend: string,
    keys: string,
  ): void {
    if (element === null) return;
    const key = `${check} ${element.path}`;
    if (this.#told.has(key)) return;
    this.#told.add(key);
    this.findings.push({
      check,
      outcome,
      element,
      source: element.nearest,
      message,
      mend,
      keys,
      facts: {},
      origins: [],
      criteria: null,
    });
  }

  /** The keys from the top of the page to a stop and on, and what came of the last. */
  keysAt({ at }: Stop, keys: readonly string[], then: string): string {
    const tabs = this.stops.findIndex((stop) => stop.at === at) + 1;
    return keysText([...Array(tabs).fill("Tab"), ...keys], then);
  }

  /** The keys and presses of some moves from the top of the page. */
  keysOf(moves: readonly Move[]): readonly string[] {
    return moves.flatMap((move) => {
      if (move.kind === "press") return [move.key];
      if (move.kind !== "focus") return [move.kind === "point" ? "click" : "hover"];
      const at = this.stops.findIndex((stop) => stop.at === move.at);
      // In what was opened, the way there is told by where it leads.
      return at < 0 ? [`(on ${move.heard ?? "it"})`] : Array<string>(at + 1).fill("Tab");
    });
  }

  /** Whether any of some keys changes or moves something. */
  async movesAnything(moves: readonly Move[], keys: readonly string[]): Promise<boolean> {
    return this.trials.after(moves, async (page) => {
      for (const key of keys) {
        const before = stateOf(page);
        const from = page.focused();
        await page.press(key);
        if (page.focused() !== from || this.trials.changes(before, stateOf(page)).length > 0) return true;
      }
      return false;
    });
  }
}
