import type { ContrastAnswer } from "../../answers/contrast.ts";
import { shownRatio } from "../../core/colour/contrast.ts";
import { type Limit, lchOf, limitsOf, mostChroma, shownAt } from "../../core/colour/contrast-plane.ts";
import { type Rgba, toHex } from "../../core/colour/rgba.ts";
import type { Drawing } from "../../core/rendering/drawing.ts";
import type { NamedColour } from "../../core/scene/scene.ts";
import { type Xml, xml } from "../xml.ts";
import { framed } from "./frame.ts";

/** Pixels. */
const WIDTH = 1280;
const HEIGHT = 800;
const PLANE = { left: 72, top: 72, width: 780, height: 660 };
const CELL = 6;
const SIDE = PLANE.left + PLANE.width + 48;

const INK = "#10243e";
const FAINT = "#4a5a68";

/** The ratios of WCAG 2.2 (1.4.3, 1.4.6, 1.4.11), and how their limits are drawn. */
const limits = [
  { needed: 3, dashes: "2 4" },
  { needed: 4.5, dashes: "8 4" },
  { needed: 7, dashes: "none" },
] as const;

interface Mark {
  readonly letter: string;
  readonly text: string;
  readonly colour: Rgba;
}

/**
 * The plane of lightness and chroma at the hue of a text's colour, where it reaches 3, 4.5 and 7 to 1 on its ground, and where
 * the two colours, the nearest that pass and those of a palette lie in it.
 */
export function contrastPlane(answer: ContrastAnswer, palette: readonly NamedColour[]): Drawing {
  const { foreground, background, ratio, nearest } = answer;
  const { h } = lchOf(foreground);
  const marks = [
    { text: "text", colour: foreground },
    { text: "ground", colour: background },
    ...(nearest?.foreground == null
      ? []
      : [{ text: `nearest text for ${nearest.needed}:1`, colour: nearest.foreground.colour }]),
    ...(nearest?.background == null
      ? []
      : [{ text: `nearest ground for ${nearest.needed}:1`, colour: nearest.background.colour }]),
    ...palette.slice(0, 20).map(({ name, colour }) => ({ text: name, colour })),
  ].map((mark, index): Mark => ({ ...mark, letter: String.fromCharCode(65 + index) }));
  const most = 1.08 * Math.max(mostChroma(h), ...marks.map(({ colour }) => lchOf(colour).c));
  const xOf = (c: number): number => PLANE.left + (c / most) * PLANE.width;
  const title = `${toHex(foreground)} on ${toHex(background)}: ${shownRatio(ratio)}`;
  return framed({
    name: "plane",
    title,
    description: marks.map(({ letter, text, colour }) => `${letter} ${text} ${toHex(colour)}`).join("; "),
    width: WIDTH,
    height: HEIGHT,
    content: [
      xml("text", { x: PLANE.left, y: 42, "font-size": 20, "font-weight": 700, fill: INK }, title),
      ...cells(h, most),
      ...axes(h, most, xOf),
      ...limits.flatMap(({ needed, dashes }) => limitLines(limitsOf(h, background, needed), dashes, xOf)),
      ...marks.flatMap((mark) => dot(mark, xOf)),
      ...legend(marks, foreground, background),
    ],
  });
}

/** Where a chroma lies from the left. */
type Across = (chroma: number) => number;

const yOf = (l: number): number => PLANE.top + (1 - l) * PLANE.height;

/** All colours of one hue that a screen shows; what is alike beside one another is one rectangle. */
function cells(h: number, most: number): readonly Xml[] {
  const rects: Xml[] = [];
  for (let y = 0; y < PLANE.height; y += CELL)
    for (let x = 0; x < PLANE.width; x += CELL) {
      const colour = shownAt({
        l: 1 - (y + CELL / 2) / PLANE.height,
        c: ((x + CELL / 2) / PLANE.width) * most,
        h,
      });
      if (colour === null) break;
      rects.push(
        xml("rect", {
          x: PLANE.left + x,
          y: PLANE.top + y,
          width: CELL + 0.5,
          height: CELL + 0.5,
          fill: toHex(colour),
        }),
      );
    }
  return rects;
}

const axes = (h: number, most: number, xOf: Across): readonly Xml[] => [
  xml("rect", {
    x: PLANE.left,
    y: PLANE.top,
    width: PLANE.width,
    height: PLANE.height,
    fill: "none",
    stroke: "#8a98a5",
  }),
  ...[0, 0.25, 0.5, 0.75, 1].map((l) =>
    xml("text", { x: PLANE.left - 8, y: yOf(l) + 4, "text-anchor": "end", fill: FAINT }, `${l * 100} %`),
  ),
  ...[0, 0.05, 0.1, 0.15, 0.2, 0.25, 0.3]
    .filter((c) => c < most)
    .map((c) =>
      xml(
        "text",
        { x: xOf(c), y: PLANE.top + PLANE.height + 20, "text-anchor": "middle", fill: FAINT },
        String(c),
      ),
    ),
  xml(
    "text",
    { x: PLANE.left, y: PLANE.top + PLANE.height + 44, fill: FAINT },
    `lightness upwards, chroma to the right, at the hue of the text (${Math.round(h)}°, OKLCH)`,
  ),
];

function limitLines(
  { lighter, darker }: ReturnType<typeof limitsOf>,
  dashes: string,
  xOf: Across,
): readonly Xml[] {
  return [lighter, darker].flatMap((limit: Limit) => {
    const [first] = limit;
    if (first === undefined) return [];
    const d = limit
      .map(({ c, l }, index) => `${index === 0 ? "M" : "L"}${xOf(c).toFixed(1)} ${yOf(l).toFixed(1)}`)
      .join(" ");
    return [
      xml("path", { d, fill: "none", stroke: "#ffffff", "stroke-width": 4, "stroke-opacity": 0.7 }),
      xml("path", { d, fill: "none", stroke: "#111111", "stroke-width": 1.8, "stroke-dasharray": dashes }),
    ];
  });
}

/** Where a colour lies by its lightness and chroma, whatever its hue. */
function dot({ letter, colour }: Mark, xOf: Across): readonly Xml[] {
  const { l, c } = lchOf(colour);
  const [x, y] = [xOf(c), yOf(l)];
  return [
    xml("circle", { cx: x, cy: y, r: 11, fill: toHex(colour), stroke: "#ffffff", "stroke-width": 4 }),
    xml("circle", { cx: x, cy: y, r: 12, fill: "none", stroke: "#111111", "stroke-width": 1.5 }),
    xml(
      "text",
      { x, y: y + 4, "text-anchor": "middle", "font-weight": 700, fill: l > 0.6 ? "#111111" : "#ffffff" },
      letter,
    ),
  ];
}

function legend(marks: readonly Mark[], text: Rgba, ground: Rgba): readonly Xml[] {
  const width = WIDTH - SIDE - 32;
  return [
    xml("rect", { x: SIDE, y: PLANE.top, width, height: 64, fill: toHex(ground), stroke: "#8a98a5" }),
    xml(
      "text",
      { x: SIDE + 16, y: PLANE.top + 39, "font-size": 18, fill: toHex(text) },
      "Slip 4, free from Tuesday",
    ),
    ...limits.flatMap(({ needed, dashes }, index) => {
      const y = PLANE.top + 96 + index * 22;
      return [
        xml("path", {
          d: `M${SIDE} ${y} h44`,
          stroke: "#111111",
          "stroke-width": 1.8,
          "stroke-dasharray": dashes,
        }),
        xml("text", { x: SIDE + 56, y: y + 4, fill: INK }, `${needed}:1 on the ground`),
      ];
    }),
    ...marks.flatMap(({ letter, text: what, colour }, index) => {
      const y = PLANE.top + 184 + index * 22;
      return [
        xml("rect", { x: SIDE, y: y - 10, width: 24, height: 14, fill: toHex(colour), stroke: "#8a98a5" }),
        xml("text", { x: SIDE + 34, y: y + 2, fill: INK }, `${letter}  ${what}  ${toHex(colour)}`),
      ];
    }),
  ];
}
