import { diffLines } from "diff";
import { type Edit, withEdits } from "../../core/repair/edit.ts";

/** A line that edits take out or put in. */
export interface ChangedLine {
  /** 1-based: of the file before for a line taken out, after for one put in. */
  readonly line: number;
  readonly kind: "out" | "in";
  readonly text: string;
}

/** The lines of one file that edits change, as they were and as they will be. */
export function changedLines(text: string, edits: readonly Edit[]): readonly ChangedLine[] {
  const first = Math.min(...edits.map(({ start }) => start));
  const last = Math.max(...edits.map(({ end }) => end));
  // Only the lines from the first edit to the last one are compared.
  const from = text.lastIndexOf("\n", first - 1) + 1;
  const next = text.indexOf("\n", last);
  const to = next < 0 ? text.length : next + 1;
  const shifted = edits.map((edit) => ({ ...edit, start: edit.start - from, end: edit.end - from }));
  const region = text.slice(from, to);
  let before = text.slice(0, from).split("\n").length;
  let after = before;
  const changed: ChangedLine[] = [];
  for (const { added, removed, value, count } of diffLines(region, withEdits(region, shifted))) {
    if (added || removed)
      for (const [index, line] of value
        .replace(/\r?\n$/, "")
        .split("\n")
        .entries())
        changed.push({
          line: (removed ? before : after) + index,
          kind: removed ? "out" : "in",
          text: line.replace(/\r$/, ""),
        });
    if (!added) before += count;
    if (!removed) after += count;
  }
  return changed;
}
