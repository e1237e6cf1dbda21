import type { Edit } from "../core/repair/edit.ts";
import type { Confidence, Repair } from "../core/repair/repair.ts";
import { spelled } from "../core/repair/spell.ts";
import type { SourceTexts } from "./element-answer.ts";

/** How a finding is mended, in edits of the files that were read. */
export interface RepairAnswer {
  readonly confidence: Confidence;
  readonly summary: string;
  readonly edits: readonly Edit[];
  /** What only a person knows, and where it goes; null where no words are wanted, or their place is not in source. */
  readonly words: WantedWordsAnswer | null;
}

export interface WantedWordsAnswer {
  readonly what: string;
  readonly start: string;
  readonly sample: string;
  /** With `BLANK` where the words go. */
  readonly edits: readonly Edit[];
}

/** A repair in the spelling of the files it is about; what cannot be written there is left to a person. */
export function repairAnswer(repair: Repair | null, texts: SourceTexts): RepairAnswer | null {
  if (repair === null) return null;
  const textOf = (file: string) => texts.text(file);
  const edits = spelled(repair.changes, textOf);
  if (edits === null || (edits.length === 0 && repair.confidence !== "ask"))
    return withoutEdits(repair.summary);
  const { words } = repair;
  const put = words === null ? null : spelled(words.changes, textOf);
  return {
    confidence: repair.confidence,
    summary: repair.summary,
    edits,
    words:
      words === null || put === null
        ? null
        : { what: words.what, start: words.start, sample: words.sample, edits: put },
  };
}

/** A repair of which only the summary is left. */
export const withoutEdits = (summary: string): RepairAnswer => ({
  confidence: "ask",
  summary,
  edits: [],
  words: null,
});
