/** A piece of a text, and what takes its place. */
export interface Replacement {
  readonly start: number;
  readonly end: number;
  readonly text: string;
}

/** A text with pieces of it replaced, which do not overlap. */
export function replaced(text: string, replacements: readonly Replacement[]): string {
  let out = "";
  let from = 0;
  for (const { start, end, text: instead } of replacements.toSorted((a, b) => a.start - b.start)) {
    out += text.slice(from, start) + instead;
    from = end;
  }
  return out + text.slice(from);
}
