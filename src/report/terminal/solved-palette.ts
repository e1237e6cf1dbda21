import type { PaletteAnswer, SolvedPair } from "../../answers/solved-palette.ts";
import { shownRatio } from "../../core/colour/contrast.ts";
import { toHex } from "../../core/colour/rgba.ts";
import { countOf } from "../../core/document/count-of.ts";
import { swatch } from "./contrast.ts";
import type { Paint } from "./paint.ts";
import { printable } from "./printable.ts";

const SAMPLE = "  Slip 4  ";

/** What of a palette changes, and every pair before and after; or why not all can pass. */
export function solvedPaletteText(answer: PaletteAnswer, paint: Paint): string {
  const { colours } = paint;
  const { file, schemes, pairs, changes, fighting } = answer;
  const within = schemes.length > 1 ? ` in ${schemes.map(printable).join(" and ")}` : "";
  const failing = pairs.filter(({ before, needed }) => before.ratio < needed).length;
  const heading = `${printable(file)}  ${countOf(pairs.length, "pair", "pairs")}${within}, ${failing === 0 ? "all pass" : `${failing} too weak`}`;
  const lines = [colours.bold(heading), ""];
  if (answer.outcome === "not-found")
    lines.push("No colours were found with which all pass, and it was not shown that there are none.", "");
  if (fighting.length > 0)
    lines.push(
      colours.bold(
        changes.length === 0
          ? fighting.length === 1
            ? "This pair cannot pass as long as both its colours are kept:"
            : `These ${fighting.length} pairs cannot all pass; without any one of them the others can:`
          : "These pairs would still not pass, for a colour of theirs is worked out of others:",
      ),
      ...fighting.map((pair) => pairLine(pair, answer, paint)),
      "",
    );
  if (answer.outcome === "impossible" && changes.length === 0) return `${lines.join("\n")}`;
  if (changes.length > 0) {
    const width = Math.max(...changes.map(({ names }) => names.join(", ").length));
    lines.push(
      ...changes.map(
        ({ names, schemes: own, before, after, change }) =>
          `  ${printable(names.join(", ")).padEnd(width)}  ${swatch("    ", before, before, paint)} ${toHex(before)} to ${swatch("    ", after, after, paint)} ${colours.bold(toHex(after))}  ${change.toFixed(3)}${schemes.length > own.length ? colours.dim(`  ${own.map(printable).join(", ")}`) : ""}`,
      ),
      "",
      `${answer.isLeast ? "The smallest change with which all pass" : "A change with which all pass; a smaller one may be possible"}: ΔEOK ${answer.change.toFixed(3)} in all, hues kept.`,
      "",
      ...pairs.map((pair) => pairLine(pair, answer, paint)),
      "",
      colours.dim("The patch: --format patch. Before and after, drawn: --format svg -o palette.svg"),
    );
  }
  return `${lines.join("\n")}\n`;
}

function pairLine(
  { text, ground, needed, scheme, before, after }: SolvedPair,
  { schemes, pairs }: PaletteAnswer,
  paint: Paint,
): string {
  const { colours } = paint;
  const name = (pair: { readonly text: string; readonly ground: string }) => `${pair.text} on ${pair.ground}`;
  const width = Math.max(...pairs.map((pair) => name(pair).length));
  const shown = (one: SolvedPair["before"]) =>
    `${paint.colours.isColorSupported ? `${swatch(SAMPLE, one.text, one.ground, paint)} ` : ""}${shownRatio(one.ratio).padStart(7)}`;
  const isSame = toHex(before.text) === toHex(after.text) && toHex(before.ground) === toHex(after.ground);
  const mark = after.ratio >= needed ? colours.green("✓") : colours.red("✗");
  return `  ${mark} ${printable(name({ text, ground })).padEnd(width)}  ${shown(before)}${isSame ? "" : ` to ${shown(after)}`}  ${colours.dim(`needs ${needed}:1${schemes.length > 1 ? `, ${printable(scheme)}` : ""}`)}`;
}
