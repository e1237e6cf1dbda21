import stringWidth from "string-width";
import type { SourceAnswer, SourceTexts } from "../../answers/element-answer.ts";
import type { Paint } from "./paint.ts";
import { printable } from "./printable.ts";

/** How much of a line that is too long is shown before the place it is about. */
const CONTEXT = 24;

/** So many letters of a line are looked at: some files are one line of a megabyte. */
const LONGEST_LINE = 2000;

/** The line before, the line itself and a mark under the place; null where the source is not known. */
export function sourceFrame(
  texts: SourceTexts,
  place: SourceAnswer,
  note: string,
  paint: Paint,
): readonly string[] | null {
  const lines = texts.lines(place.file);
  const line = lines?.line(place.line);
  if (lines === null || line == null) return null;
  const { colours } = paint;
  const gutter = Math.max(4, String(place.line).length + 1);
  const room = paint.width - 6 - gutter - 3;
  const end = place.endLine === place.line ? place.endColumn : line.length + 1;
  const start = Math.min(place.column - 1, line.length);

  // Indentation that all the lines share is left out, and of a long line only the part around the place is shown.
  const before = place.line > 1 ? lines.line(place.line - 1) : null;
  const shownBefore = before !== null && before.trim() !== "" ? before : null;
  const shared = Math.min(
    indentOf(line),
    shownBefore === null ? Number.POSITIVE_INFINITY : indentOf(shownBefore),
    start,
  );
  const from =
    stringWidth(printable(line.slice(shared, shared + LONGEST_LINE))) > room
      ? Math.max(shared, start - CONTEXT)
      : shared;
  const lead = from > shared ? "…" : "";
  const left = lead + printable(line.slice(from, start));
  const marked = printable(line.slice(start, Math.min(end, start + LONGEST_LINE)));
  const visible = cut(left + marked + printable(line.slice(end, end + LONGEST_LINE)), room);
  const underline = Math.max(1, Math.min(stringWidth(marked), room - stringWidth(left)));
  const number = (n: number | null) => (n === null ? "" : String(n)).padStart(gutter);
  const bar = colours.dim("│");
  const result: string[] = [];
  if (shownBefore !== null)
    result.push(
      `${colours.dim(number(place.line - 1))} ${bar} ${colours.dim(cut(printable(shownBefore.slice(shared)), room))}`,
    );
  result.push(`${number(place.line)} ${bar} ${visible}`);
  const under = `${" ".repeat(stringWidth(left))}${colours.red("^".repeat(underline))}`;
  const noteFits = note !== "" && stringWidth(left) + underline + 1 + stringWidth(note) <= room;
  result.push(`${number(null)} ${bar} ${under}${noteFits ? ` ${note}` : ""}`);
  if (note !== "" && !noteFits) result.push(`${number(null)} ${bar} ${cut(note, room)}`);
  return result;
}

const indentOf = (line: string): number => line.length - line.trimStart().length;

/** As much of a text as fits, with an ellipsis where it was cut. */
export function cut(whole: string, room: number): string {
  const text = whole.slice(0, Math.max(LONGEST_LINE, room));
  if (text.length === whole.length && stringWidth(text) <= room) return text;
  let kept = "";
  let width = 0;
  for (const character of text) {
    const next = stringWidth(character);
    if (width + next > room - 1) break;
    kept += character;
    width += next;
  }
  return `${kept}…`;
}
