/** One replacement in a source file: UTF-16 offsets into the text as read, half-open. */
export interface Edit {
  readonly file: string;
  readonly start: number;
  readonly end: number;
  readonly text: string;
}

/** `safe`: mechanical, meaning cannot change; `likely`: one obvious edit; `ask`: only a person knows the words. */
export type Confidence = "safe" | "likely" | "ask";

export interface Repair {
  readonly confidence: Confidence;
  readonly summary: string;
  readonly edits: readonly Edit[];
}

export const ask = (summary: string): Repair => ({ confidence: "ask", summary, edits: [] });

/** An edit where source is known; a request to a person where it is not. */
export function withEdits(
  confidence: "safe" | "likely",
  summary: string,
  edits: readonly (Edit | null)[],
): Repair {
  const known = edits.filter((edit): edit is Edit => edit !== null);
  return known.length === edits.length && known.length > 0
    ? { confidence, summary, edits: known }
    : ask(summary);
}
