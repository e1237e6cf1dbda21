import type { PageVision, PaletteVision } from "../../answers/vision.ts";
import type { CollapsingPair } from "../../core/checks/colour/pairs-by-colour.ts";
import { type LostPair, seenBy } from "../../core/colour/other-eyes.ts";
import { toHex } from "../../core/colour/rgba.ts";
import { countOf } from "../../core/document/count-of.ts";
import { swatch } from "./contrast.ts";
import type { Paint } from "./paint.ts";
import { printable } from "./printable.ts";

/** What some eyes do not tell apart on a page, each pair with where it stands first. */
export function pageVisionText({ target, pairs }: PageVision, paint: Paint): string {
  const { colours } = paint;
  const title = colours.bold(printable(target));
  if (pairs.length === 0)
    return `${title}  no link and no drawing has colours that fall together for the eyes looked through\n${colours.dim(HINT)}\n`;
  const told = pairs.flatMap((pair) => [
    ...pairLines(pair, paint),
    colours.dim(
      `    ${pair.source === null ? "" : `${printable(pair.source.file)}:${pair.source.line}  `}${printable(pair.element.snippet)}`,
    ),
  ]);
  const heading = `${countOf(pairs.length, "pair of colours falls", "pairs of colours fall")} together`;
  return [`${title}  ${heading}`, "", ...told, "", colours.dim(HINT), ""].join("\n");
}

const HINT = "The page as each eye sees it: --format png -o eyes.png";

/** The pairs of a palette that fall together, by the eye that loses most. */
export function paletteVisionText({ colours: palette, pairs }: PaletteVision, paint: Paint): string {
  const { colours } = paint;
  const heading = `${countOf(palette.length, "colour", "colours")}; ${
    pairs.length === 0 ? "no pair falls together" : countOf(pairs.length, "pair falls", "pairs fall")
  }${pairs.length === 0 ? "" : " together for some eye"}`;
  const told = pairs.flatMap((pair) => pairLines(pair, paint));
  const note = colours.dim(
    "Numbers are distances (ΔEOK) as most people see the two, and as that eye does. 0.10 is told apart, below 0.05 is not at a glance.",
  );
  return [colours.bold(heading), "", ...told, ...(told.length === 0 ? [] : ["", note]), ""].join("\n");
}

function pairLines({ one, other, lost }: CollapsingPair, paint: Paint): readonly string[] {
  const { colours } = paint;
  const named = [one, other].map(
    ({ name, colour }) =>
      `${paint.colours.isColorSupported ? `${swatch("    ", colour, colour, paint)} ` : ""}${printable(name)}${name === toHex(colour) ? "" : ` ${toHex(colour)}`}`,
  );
  const eyeLine = ({ eye, before, after }: LostPair) => {
    const seen = [one, other].map(({ colour }) => seenBy(eye, colour));
    const shown = paint.colours.isColorSupported
      ? `${seen.map((colour) => swatch("    ", colour, colour, paint)).join("")} `
      : "";
    return `    ${shown}${eye.id.padEnd(14)} ${eye.title.padEnd(24)} ${before.toFixed(2)} to ${after.toFixed(2)}`;
  };
  return [`  ${colours.bold(named.join(colours.dim(" and ")))}`, ...lost.map(eyeLine)];
}
