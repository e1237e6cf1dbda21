import type { ContrastAnswer, Shade } from "../../answers/contrast.ts";
import { contrastRatio, shownRatio } from "../../core/colour/contrast.ts";
import { type Rgba, toHex } from "../../core/colour/rgba.ts";
import type { NamedColour } from "../../core/scene/scene.ts";
import type { Paint } from "./paint.ts";
import { printable } from "./printable.ts";
import { cut } from "./source-frame.ts";

/** A piece of text in two colours, as a terminal of true colours shows it; plain without colour. */
export function swatch(text: string, foreground: Rgba, background: Rgba, paint: Paint): string {
  if (!paint.colours.isColorSupported) return text;
  const channels = ({ r, g, b }: Rgba) => [r, g, b].map((c) => Math.round(c * 255)).join(";");
  return `\u001b[38;2;${channels(foreground)};48;2;${channels(background)}m${text}\u001b[0m`;
}

/** Two colours: their ratio, what it is enough for, and what would be enough. */
export function contrastText(answer: ContrastAnswer, paint: Paint): string {
  const { colours } = paint;
  const { foreground, background } = answer;
  const lines = [
    `${swatch("  Slip 4, free from Tuesday  ", foreground, background, paint)}  ${colours.bold(`${toHex(foreground)} on ${toHex(background)}  ${shownRatio(answer.ratio)}`)}`,
    "",
  ];
  for (const { use, criterion, level, needed, passes, applies } of answer.uses) {
    const mark = passes ? colours.green("✓ enough    ") : colours.red("✗ not enough");
    const row = `  ${mark}  ${use.padEnd(32)} needs ${`${needed}:1`.padEnd(6)} WCAG ${criterion} ${level}`;
    lines.push(applies ? row : colours.dim(`${row}  (not at this size)`));
  }
  if (answer.isLarge === null)
    lines.push(
      "",
      colours.dim(
        "  Large is 24px and more, or bold 18.66px and more; --size and --weight tell which applies.",
      ),
    );
  if (answer.nearest !== null) {
    const { needed, foreground: text, background: ground, ofPalette } = answer.nearest;
    lines.push("", `  nearest that reach ${needed}:1`);
    lines.push(
      shadeLine("text  ", text, background, true, paint),
      shadeLine("ground", ground, foreground, false, paint),
    );
    if (ofPalette !== null) lines.push(shadeLine("own   ", ofPalette, background, true, paint));
  }
  return `${lines.join("\n")}\n`;
}

function shadeLine(heading: string, shade: Shade | null, other: Rgba, isText: boolean, paint: Paint): string {
  if (shade === null) return `    ${heading}  none: even black and white do not reach it`;
  const sample = isText
    ? swatch("  Slip 4  ", shade.colour, other, paint)
    : swatch("  Slip 4  ", other, shade.colour, paint);
  const name = shade.name === null ? "" : `  var(${printable(shade.name)})`;
  return `    ${heading}  ${sample}  ${toHex(shade.colour)}  ${shownRatio(shade.ratio)}${name}`;
}

/** Width of one pair: a sample in its colours, and beside it, where it can always be read, the ratio. */
const CELL = 11;

/** Every pair of a palette: text down the side, ground along the top, as many columns as fit. */
export function paletteText(palette: readonly NamedColour[], paint: Paint): string {
  const { colours } = paint;
  const nameWidth = Math.min(24, Math.max(...palette.map(({ name }) => name.length)));
  const across = Math.max(1, Math.floor((paint.width - nameWidth - 11) / CELL));
  const lines: string[] = [`${palette.length} colours; text down the side, ground along the top`, ""];
  for (let from = 0; from < palette.length; from += across) {
    const grounds = palette.slice(from, from + across);
    const headings = grounds.map(({ name }) =>
      colours.dim(cut(printable(name.replace(/^--/, "")), CELL - 1).padEnd(CELL)),
    );
    lines.push(`${" ".repeat(nameWidth + 11)}${headings.join("")}`);
    for (const text of palette) {
      const cells = grounds.map((ground) =>
        ground === text ? "–".padStart(4).padEnd(CELL) : pairCell(text, ground, paint),
      );
      lines.push(
        `${cut(printable(text.name), nameWidth).padEnd(nameWidth)}  ${colours.dim(toHex(text.colour))}  ${cells.join("")}`,
      );
    }
    lines.push("");
  }
  lines.push(
    colours.dim("✓ 4.5:1 and more: enough for text   ~ 3:1 and more: for large text, edges and icons"),
  );
  return `${lines.join("\n")}\n`;
}

function pairCell(text: NamedColour, ground: NamedColour, paint: Paint): string {
  const ratio = contrastRatio(text.colour, ground.colour);
  const number = `${ratio >= 4.5 ? "✓" : ratio >= 3 ? "~" : " "}${(Math.floor(ratio * 10) / 10).toFixed(1)}`;
  return `${swatch(" Aa ", text.colour, ground.colour, paint)} ${ratio >= 3 ? number : paint.colours.dim(number)}${" ".repeat(Math.max(1, CELL - 5 - number.length))}`;
}
