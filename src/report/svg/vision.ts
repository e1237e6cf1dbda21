import type { PageVision, PaletteVision } from "../../answers/vision.ts";
import { type Eye, seenBy } from "../../core/colour/other-eyes.ts";
import { toHex } from "../../core/colour/rgba.ts";
import { shortened } from "../../core/document/shortened.ts";
import type { Drawing } from "../../core/rendering/drawing.ts";
import type { PagePicture } from "../../core/scene/page-picture.ts";
import { type Xml, xml } from "../xml.ts";
import { framed } from "./frame.ts";
import { imagesOf } from "./page-images.ts";

/** Pixels. */
const WIDTH = 1280;
const MARGIN = 16;
const HEAD = 52;
const CAPTION = 28;
const COLUMNS = 3;
/** One eye alone is shown so much of a page. */
const LONGEST = 4000;

const INK = "#10243e";
const FAINT = "#4a5a68";

/** What lets a picture through as an eye takes it up. Filter Effects 1: in linear light, as filters reckon by themselves. */
function filterOf({ id, light, veil, isBlurred }: Eye, blur: number): Xml {
  const rows = light === null ? null : [light.slice(0, 3), light.slice(3, 6), light.slice(6)];
  return xml("filter", { id: `eye-${id}`, x: 0, y: 0, width: 1, height: 1 }, [
    ...(rows === null
      ? []
      : [
          xml("feColorMatrix", {
            type: "matrix",
            values: `${rows.map((row) => `${row.join(" ")} 0 0`).join("  ")}  0 0 0 1 0`,
          }),
        ]),
    ...(veil === null
      ? []
      : [
          xml(
            "feComponentTransfer",
            {},
            (["feFuncR", "feFuncG", "feFuncB"] as const).map((name) =>
              xml(name, { type: "linear", slope: 1 - veil.part, intercept: veil.grey * veil.part }),
            ),
          ),
        ]),
    ...(isBlurred
      ? [xml("feGaussianBlur", { stdDeviation: Math.round(blur * 100) / 100, edgeMode: "duplicate" })]
      : []),
  ]);
}

/**
 * A page as it is and as each eye sees it, on one sheet; with one eye that alone, in full size.
 * @param blur of eyes that see small things blurred: the standard deviation in CSS pixels
 */
export function visionSheet({ target, eyes }: PageVision, picture: PagePicture, blur: number): Drawing {
  const [only, another] = eyes;
  if (only !== undefined && another === undefined) return oneEye(target, only, picture, blur);
  const room = (WIDTH - (COLUMNS + 1) * MARGIN) / COLUMNS;
  const shown = Math.min(picture.height, picture.pieces[0]?.height ?? picture.height);
  const scale = room / picture.width;
  const tile = shown * scale;
  const views = [null, ...eyes];
  const height = HEAD + Math.ceil(views.length / COLUMNS) * (tile + CAPTION + MARGIN);
  const title = `${target} as other eyes see it`;
  return sheet(title, views.map((eye) => captionOf(eye)).join("; "), WIDTH, Math.ceil(height), [
    xml("defs", {}, [
      ...eyes.map((eye) => filterOf(eye, blur)),
      xml("clipPath", { id: "window" }, [xml("rect", { width: picture.width, height: shown })]),
      xml("g", { id: "page" }, imagesOf(picture, 0, shown)),
    ]),
    xml("text", { x: MARGIN, y: 34, "font-size": 20, "font-weight": 700, fill: INK }, title),
    ...views.flatMap((eye, index) => {
      const x = MARGIN + (index % COLUMNS) * (room + MARGIN);
      const y = HEAD + Math.floor(index / COLUMNS) * (tile + CAPTION + MARGIN);
      return [
        xml("text", { x, y: y + 18, fill: INK, "font-weight": 600 }, captionOf(eye)),
        xml("g", { transform: `translate(${x} ${y + CAPTION}) scale(${scale})` }, [
          xml("g", { "clip-path": "url(#window)" }, [
            xml("g", eye === null ? {} : { filter: `url(#eye-${eye.id})` }, [xml("use", { href: "#page" })]),
          ]),
        ]),
        xml("rect", {
          x,
          y: y + CAPTION,
          width: room,
          height: tile,
          fill: "none",
          stroke: "#b8c4ce",
        }),
      ];
    }),
  ]);
}

function oneEye(target: string, eye: Eye, picture: PagePicture, blur: number): Drawing {
  const shown = Math.min(picture.height, LONGEST);
  const title = `${target}: ${captionOf(eye)}`;
  return sheet(title, captionOf(eye), picture.width, HEAD + shown, [
    xml("defs", {}, [filterOf(eye, blur)]),
    xml("text", { x: MARGIN, y: 32, "font-size": 18, "font-weight": 700, fill: INK }, title),
    xml(
      "g",
      { transform: `translate(0 ${HEAD})`, filter: `url(#eye-${eye.id})` },
      imagesOf(picture, 0, shown),
    ),
  ]);
}

const captionOf = (eye: Eye | null): string =>
  eye === null ? "as most people see it" : `${eye.id}: ${eye.title}`;

const ROW = 34;
const NAMES = 190;

/** The colours of a palette under each eye, and below them the pairs that fall together. */
export function paletteSheet({ colours, eyes, pairs }: PaletteVision, file: string): Drawing {
  const views = [null, ...eyes];
  const column = (WIDTH - NAMES - 2 * MARGIN) / views.length;
  const pairsTop = HEAD + 30 + colours.length * ROW + 24;
  const height = pairsTop + 30 + Math.max(1, pairs.length) * 22 + MARGIN;
  const title = `${file} as other eyes see it`;
  const told = pairs.map(pairLine);
  return sheet(title, told.join("; "), WIDTH, height, [
    xml("text", { x: MARGIN, y: 34, "font-size": 20, "font-weight": 700, fill: INK }, title),
    ...views.map((eye, index) =>
      xml(
        "text",
        { x: MARGIN + NAMES + index * column + 2, y: HEAD + 18, fill: FAINT, "font-size": 11 },
        eye?.id ?? "most people",
      ),
    ),
    ...colours.flatMap(({ name, colour }, row) => {
      const y = HEAD + 30 + row * ROW;
      return [
        xml("text", { x: MARGIN, y: y + 20, fill: INK }, shortened(name, 26)),
        ...views.map((eye, index) =>
          xml("rect", {
            x: MARGIN + NAMES + index * column,
            y,
            width: column - 4,
            height: ROW - 4,
            rx: 3,
            fill: toHex(eye === null ? colour : seenBy(eye, colour)),
            stroke: "#b8c4ce",
          }),
        ),
      ];
    }),
    xml(
      "text",
      { x: MARGIN, y: pairsTop + 14, "font-size": 15, "font-weight": 700, fill: INK },
      pairs.length === 0 ? "No pair falls together" : `Pairs that fall together: ${pairs.length}`,
    ),
    ...told.map((text, row) => xml("text", { x: MARGIN, y: pairsTop + 40 + row * 22, fill: INK }, text)),
  ]);
}

const pairLine = ({ one, other, lost }: PaletteVision["pairs"][number]): string =>
  `${one.name} ${toHex(one.colour)} and ${other.name} ${toHex(other.colour)}: ${lost
    .map(({ eye, before, after }) => `${eye.id} (${before.toFixed(2)} to ${after.toFixed(2)})`)
    .join(", ")}`;

const sheet = (
  title: string,
  description: string,
  width: number,
  height: number,
  content: readonly Xml[],
): Drawing => framed({ name: "vision", title, description, width, height, content });
