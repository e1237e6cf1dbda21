import type { PageWalk, StopAnswer } from "../../answers/walk.ts";
import type { Drawing } from "../../core/rendering/drawing.ts";
import type { PagePicture } from "../../core/scene/page-picture.ts";
import { placedBox } from "../../core/scene/placed-box.ts";
import type { Box } from "../../core/scene/seen.ts";
import { type Xml, xml } from "../xml.ts";
import { framed } from "./frame.ts";
import { imagesOf } from "./page-images.ts";

/** Pixels. A page that is longer than a part is drawn in several, each of which says at its top where it begins. */
const PART = 1600;
/** A last part that is shorter than this belongs to the one before. */
const SHORTEST = 400;
const HEAD = 44;
const RADIUS = 11;

const STOP = "#0b63a5";
const ODD = "#b45309";
const MISSED = "#b3261e";

interface Placed {
  readonly answer: StopAnswer;
  readonly box: Box;
  /** Where its number stands. */
  readonly x: number;
  readonly y: number;
}

/** The way of Tab drawn over pictures of the page: numbered stops, lines between them, and what is not reached outlined. */
export function walksOver(walk: PageWalk, picture: PagePicture): readonly Drawing[] {
  const stops = walk.stops.flatMap((answer): readonly Placed[] => {
    const box = placedBox(walk.scene, answer.stop.document, answer.stop.element);
    if (box === null) return [];
    const x = Math.min(picture.width - RADIUS - 1, Math.max(RADIUS + 1, box.left - 2));
    return [{ answer, box, x, y: Math.max(RADIUS + 1, box.top) }];
  });
  const parts = partsOf(picture.height);
  return parts.map((part, index) => drawing(walk, picture, stops, part, [index + 1, parts.length]));
}

interface Part {
  readonly top: number;
  readonly height: number;
}

function partsOf(height: number): readonly Part[] {
  const count = Math.max(1, Math.ceil((height - SHORTEST) / PART));
  return Array.from({ length: count }, (_, index) => ({
    top: index * PART,
    height: index === count - 1 ? height - index * PART : PART,
  }));
}

function drawing(
  walk: PageWalk,
  picture: PagePicture,
  stops: readonly Placed[],
  { top, height }: Part,
  [number, count]: readonly [number, number],
): Drawing {
  const { width } = picture;
  const isHere = ({ y }: { readonly y: number }) => y >= top && y < top + height;
  const here = stops.filter(isHere);
  const drawn = new Set(stops.map(({ answer }) => answer));
  const unseen = walk.stops.filter((answer) => !drawn.has(answer));
  const missed = walk.unreached.flatMap(({ node, heard, why }) => {
    const box = placedBox(walk.scene, walk.scene, node);
    return box === null || !isHere({ y: box.top }) ? [] : [{ box, text: `${heard}: ${why}` }];
  });
  const key = walk.direction === "forwards" ? "Tab" : "Shift+Tab";
  const ofParts = count === 1 ? "" : `, part ${number} of ${count}`;
  const title = `Where ${key} goes on ${walk.target}${ofParts}`;
  const counts = [
    `${walk.stops.length} stops`,
    `${walk.stops.filter(({ odd }) => odd.length > 0).length} odd`,
    `${walk.unreached.length} not reached`,
    ...(unseen.length > 0 ? [`${unseen.length} not seen and not drawn`] : []),
    ...(picture.isCut ? [`the page goes on below ${picture.height} px`] : []),
  ].join(" · ");
  const told = [
    ...here.map(({ answer }) => `${answer.index} ${answer.announced}${inBrackets(answer.odd)}`),
    ...missed.map(({ text }) => `not reached: ${text}`),
    ...(number === 1 ? unseen : []).map(({ index, announced }) => `not seen: ${index} ${announced}`),
  ].join("; ");
  const lines = stops.flatMap((from, index) => {
    const to = stops[index + 1];
    return to === undefined || !(isHere(from) || isHere(to)) ? [] : [line(from, to)];
  });
  const all = HEAD + height;
  return framed({
    name: "walk",
    title,
    description: `${counts}. ${told}`,
    width,
    height: all,
    content: [
      xml("defs", {}, [xml("clipPath", { id: "part" }, [xml("rect", { x: 0, y: HEAD, width, height })])]),
      xml("text", { x: 16, y: 28, "font-size": 16, "font-weight": 700, fill: "#10243e" }, title),
      xml("text", { x: width - 16, y: 28, "text-anchor": "end", fill: "#4a5a68" }, counts),
      xml("g", { "clip-path": "url(#part)" }, [
        xml("g", { transform: `translate(0 ${HEAD - top})` }, [
          xml("g", { opacity: 0.75 }, imagesOf(picture, top, top + height)),
          ...missed.map(({ box }) => outline(box, MISSED, "6 4")),
          ...here.map(({ box, answer }) => outline(box, colourOf(answer), "none")),
          xml("g", { fill: "none", "stroke-linecap": "round" }, lines),
          ...here.flatMap(mark),
        ]),
      ]),
    ],
  });
}

const inBrackets = (odd: readonly string[]): string => (odd.length === 0 ? "" : ` (${odd.join("; ")})`);

const colourOf = ({ odd }: StopAnswer): string => (odd.length > 0 ? ODD : STOP);

const outline = ({ left, top, width, height }: Box, colour: string, dashes: string): Xml =>
  xml("rect", {
    x: left,
    y: top,
    width: Math.max(1, width),
    height: Math.max(1, height),
    fill: "none",
    stroke: colour,
    "stroke-width": 2,
    "stroke-dasharray": dashes,
  });

/** A line from stop to stop with a light edge, that shows on any ground; dashed where the way jumps against the order of reading. */
function line(from: Placed, to: Placed): Xml {
  const d = `M${from.x} ${from.y} L${to.x} ${to.y}`;
  const jumps = to.answer.odd.some((what) => /^(?:jumps back|comes before)/.test(what));
  return xml("g", {}, [
    xml("path", { d, stroke: "#ffffff", "stroke-width": 5, "stroke-opacity": 0.8 }),
    xml("path", {
      d,
      stroke: jumps ? ODD : STOP,
      "stroke-width": 2,
      "stroke-dasharray": jumps ? "7 5" : "none",
    }),
  ]);
}

const mark = ({ answer, x, y }: Placed): readonly Xml[] => [
  xml("circle", {
    cx: x,
    cy: y,
    r: RADIUS,
    fill: colourOf(answer),
    stroke: "#ffffff",
    "stroke-width": 2,
  }),
  xml(
    "text",
    {
      x,
      y: y + 4,
      "text-anchor": "middle",
      "font-size": answer.index > 99 ? 9 : 11.5,
      "font-weight": 700,
      fill: "#ffffff",
    },
    String(answer.index),
  ),
];
