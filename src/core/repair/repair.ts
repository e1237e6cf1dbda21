import type { Change } from "./change.ts";

/** `safe`: mechanical, meaning cannot change; `likely`: one obvious edit; `ask`: only a person knows the words. */
export type Confidence = "safe" | "likely" | "ask";

/** Stands in changes where a person's words go. A character of private use, which no source has for itself. */
export const BLANK = "\ue000";

/** Words that only a person knows, and where they go. */
export interface WantedWords {
  /** What is asked for: "Text alternative", "Label". */
  readonly what: string;
  /** What is known to begin with; empty for nothing. */
  readonly start: string;
  /** Words of the kind that is wanted, to try the changes with. */
  readonly sample: string;
  /** The changes, with `BLANK` for the words. */
  readonly changes: readonly Change[];
}

/** How a finding is mended. */
export interface Repair {
  readonly confidence: Confidence;
  readonly summary: string;
  /** Empty where only a person can say what is to be written. */
  readonly changes: readonly Change[];
  readonly words: WantedWords | null;
}

/** A repair that a person must make. */
export const ask = (summary: string): Repair => ({ confidence: "ask", summary, changes: [], words: null });

/** A repair for which a person gives the words. */
export const askWords = (
  summary: string,
  what: string,
  start: string,
  changes: readonly Change[],
  sample = "Words given here",
): Repair => ({ confidence: "ask", summary, changes: [], words: { what, start, sample, changes } });

/**
 * A repair whose changes are known.
 * @param words the same with words of a person's own, where those in the changes are a guess
 */
export const withChanges = (
  confidence: "safe" | "likely",
  summary: string,
  changes: readonly Change[],
  words: WantedWords | null = null,
): Repair => ({ confidence, summary, changes, words });

/** Several repairs as one: with changes where all have them. */
export function together(repairs: readonly Repair[]): Repair {
  const [only] = repairs;
  if (only !== undefined && repairs.length === 1) return only;
  const summary = repairs.map((one) => one.summary).join(" ");
  return repairs.some(({ changes }) => changes.length === 0)
    ? ask(summary)
    : withChanges(
        repairs.every(({ confidence }) => confidence === "safe") ? "safe" : "likely",
        summary,
        repairs.flatMap(({ changes }) => changes),
      );
}
