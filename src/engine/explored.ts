import type { CheckSettings } from "../core/checks/check.ts";
import type { CheckResult, Tally } from "../core/checks/run.ts";
import type { ComponentFrame, Span } from "../core/document/node.ts";
import type { Facts, Origin } from "../core/findings/verdict.ts";
import type { NamedColour } from "../core/scene/scene.ts";
import type { Theme } from "../core/scene/schemes.ts";
import type { CriterionNumber } from "../core/standards/criteria.ts";
import type { WalkStep } from "../core/walk-script/parse.ts";
import type { CameOfLine } from "../core/walk-script/recorded.ts";

/** How a window is explored: plain data, so that it can be asked of another thread. */
export interface Exploration {
  /** The lines to walk by; null to try every key. */
  readonly script: readonly WalkStep[] | null;
  /** How long keys are tried, in milliseconds of the clock on the wall. */
  readonly patience: number;
  /** The checks to make of every state that is reached; null for none. */
  readonly plan: StatePlan | null;
  /** Whether what is pressed in what keys open is told too. */
  readonly log: boolean;
}

/** What the checks of source are to make of the states of a window. */
export interface StatePlan {
  readonly settings: ReadonlyMap<string, CheckSettings>;
  readonly colours: {
    readonly themes: readonly Theme[];
    readonly colourSchemes: readonly ("light" | "dark")[] | null;
    readonly palette: readonly NamedColour[];
  };
}

/** An element of a window as it is told of. */
export interface SeenElement {
  /** Its place in source; null for one that a script made. */
  readonly span: Span | null;
  /** The nearest place in source that it comes from; null where none is known. */
  readonly nearest: Span | null;
  /** The components that it came by, the outermost first. */
  readonly components: readonly ComponentFrame[];
  readonly path: string;
  readonly tag: string;
  readonly role: string;
  readonly name: string;
  readonly heard: string;
}

/** One key, and what it did. */
export interface SeenStep {
  readonly key: string;
  readonly from: SeenElement | null;
  readonly to: SeenElement | null;
  /** Kinds of events that it brought about, in order. */
  readonly events: readonly string[];
  readonly changes: readonly string[];
  /** What live regions said. */
  readonly said: readonly string[];
}

/** The keys in what one key opened: where it was pressed, and what followed. */
export interface SeenOpening {
  readonly at: SeenElement;
  readonly key: string;
  readonly steps: readonly SeenStep[];
}

/** What is found in a window: by pressing keys, or by the checks of some state that it came to. */
export interface SeenFinding {
  readonly check: string;
  readonly outcome: "failed" | "cantTell";
  readonly element: SeenElement;
  /** Where to point. */
  readonly source: Span | null;
  readonly message: string;
  /** How it is mended, in words; null where nothing is known. */
  readonly mend: string | null;
  /** The keys that show it, and what came of them; null for the window as it was opened. */
  readonly keys: string | null;
  readonly facts: Facts;
  readonly origins: readonly Origin[];
  /** The criteria that apply, where they are not all of the check's. */
  readonly criteria: readonly CriterionNumber[] | null;
}

/** What a check asks of an element where it cannot know, and what pressing showed to be as it should. */
export interface SeenAnswer {
  readonly check: string;
  readonly element: SeenElement;
  /** Whether what source finds for certain is refuted too: it was seen otherwise. */
  readonly isSure?: true;
}

/** One line of a walk script, and what came of it. */
export interface ScriptLine {
  readonly line: number;
  readonly written: string;
  readonly outcome: "held" | "failed" | "not reached";
  /** Why it does not hold; null where it does. */
  readonly message: string | null;
  /** What was there instead, as it is heard. */
  readonly instead: readonly string[];
  /** What came of it; null where it was not reached, or does nothing. */
  readonly came: CameOfLine | null;
}

/** How checks went in the states of a window. */
export interface StateResults {
  readonly elements: number;
  readonly checks: readonly CheckResult[];
  readonly criteria: ReadonlyMap<CriterionNumber, Tally>;
  /** How many findings comments in source allow. */
  readonly allowed: number;
}

/** What came of exploring a window. */
export interface Explored {
  readonly steps: readonly SeenStep[];
  /** What was pressed in what keys open; empty where no log is asked for. */
  readonly openings: readonly SeenOpening[];
  /** What came of a walk script; null where none was given. */
  readonly script: readonly ScriptLine[] | null;
  readonly findings: readonly SeenFinding[];
  /** How the checks of source went in all states, and what they say of each criterion; null where they were not made. */
  readonly states: StateResults | null;
  /** How many things each check was tried on, by its id. */
  readonly tried: ReadonlyMap<string, number>;
  readonly answered: readonly SeenAnswer[];
  /** What was held of what keys would have sent, a sentence each. */
  readonly held: readonly string[];
  /** What went wrong while scripts ran. */
  readonly problems: readonly string[];
  /** Whether time ran out before all keys were tried. */
  readonly isCutShort: boolean;
}

/** What comes of a window in which nothing was pressed. */
export const nothingTried: Explored = {
  steps: [],
  openings: [],
  script: null,
  findings: [],
  states: null,
  tried: new Map(),
  answered: [],
  held: [],
  problems: [],
  isCutShort: false,
};
