import type { PaletteAnswer, SolvedPair } from "../../answers/solved-palette.ts";
import { shownRatio } from "../../core/colour/contrast.ts";
import { type Rgba, toHex } from "../../core/colour/rgba.ts";
import { shortened } from "../../core/document/shortened.ts";
import type { Drawing } from "../../core/rendering/drawing.ts";
import { type Xml, xml } from "../xml.ts";
import { framed } from "./frame.ts";

/** Pixels. */
const WIDTH = 1280;
const MARGIN = 24;
const HEAD = 64;
const ROW = 38;
const NAMES = 380;
const SAMPLE = { width: 284, height: 30 };
const AFTER = MARGIN + NAMES + SAMPLE.width + 130;

const INK = "#10243e";
const FAINT = "#4a5a68";
const EDGE = "#8a98a5";

/** A palette before and after: the colours that change, and every pair as text on its ground. */
export function solvedPaletteSheet({ file, schemes, changes, change, pairs }: PaletteAnswer): Drawing {
  const title = `${file}: ${changes.length === 0 ? "nothing has to change" : `before and after, ΔEOK ${change.toFixed(3)} in all`}`;
  const pairsTop = HEAD + 30 + changes.length * ROW + (changes.length === 0 ? 0 : 24);
  const height = pairsTop + 30 + pairs.length * ROW + MARGIN;
  const nameOf = (name: string, own: readonly string[]): string =>
    shortened(`${name}${schemes.length > own.length ? ` (${own.join(", ")})` : ""}`, 52);
  return framed({
    name: "palette",
    title,
    description: pairs
      .map(
        ({ text, ground, before, after }) =>
          `${text} on ${ground}: ${shownRatio(before.ratio)} to ${shownRatio(after.ratio)}`,
      )
      .join("; "),
    width: WIDTH,
    height,
    content: [
      label(MARGIN, 40, title, { "font-size": 20, "font-weight": 700 }),
      label(MARGIN + NAMES, HEAD + 14, "before", { fill: FAINT }),
      label(AFTER, HEAD + 14, "after", { fill: FAINT }),
      ...changes.flatMap(({ names, schemes: own, before, after, change: moved }, row) => {
        const y = HEAD + 30 + row * ROW;
        return [
          label(MARGIN, y + 20, nameOf(names.join(", "), own), { "font-weight": 600 }),
          ...plain(MARGIN + NAMES, y, before),
          ...plain(AFTER, y, after),
          label(AFTER + SAMPLE.width + 12, y + 20, `ΔEOK ${moved.toFixed(3)}`, { fill: FAINT }),
        ];
      }),
      ...pairs.flatMap((pair, row) => {
        const y = pairsTop + 24 + row * ROW;
        return [
          label(MARGIN, y + 20, nameOf(`${pair.text} on ${pair.ground}`, [pair.scheme])),
          ...sample(MARGIN + NAMES, y, pair.before, pair.needed),
          ...sample(AFTER, y, pair.after, pair.needed),
        ];
      }),
    ],
  });
}

const label = (
  x: number,
  y: number,
  text: string,
  look: Readonly<Record<string, string | number>> = {},
): Xml => xml("text", { x, y, fill: INK, ...look }, text);

const ground = (x: number, y: number, colour: Rgba): Xml =>
  xml("rect", { x, y, ...SAMPLE, rx: 3, fill: toHex(colour), stroke: EDGE });

/** A colour beside its number: on itself that could not be read. */
const plain = (x: number, y: number, colour: Rgba): readonly Xml[] => [
  xml("rect", { x, y, width: 200, height: SAMPLE.height, rx: 3, fill: toHex(colour), stroke: EDGE }),
  label(x + 212, y + 20, toHex(colour)),
];

const sample = (
  x: number,
  y: number,
  { text, ground: below, ratio }: SolvedPair["before"],
  needed: number,
): readonly Xml[] => [
  ground(x, y, below),
  label(x + 14, y + 20, "Slip 4, free from Tuesday", { fill: toHex(text) }),
  label(x + SAMPLE.width + 12, y + 20, `${shownRatio(ratio)} ${ratio >= needed ? "✓" : `✗ ${needed}:1`}`, {
    "font-weight": ratio >= needed ? 400 : 700,
  }),
];
