import type { Drawing } from "../../core/rendering/drawing.ts";
import { type Xml, xml } from "../xml.ts";

/** Something to be drawn on white, with its words for those who do not see it. */
interface Framed {
  /** What the ids of its words begin with. */
  readonly name: string;
  readonly title: string;
  readonly description: string;
  /** CSS pixels. */
  readonly width: number;
  readonly height: number;
  readonly content: readonly Xml[];
}

/** A drawing with a title and a description. SVG 2 §5.8; WAI-ARIA Graphics Module, "img". */
export function framed({ name, title, description, width, height, content }: Framed): Drawing {
  const svg = xml(
    "svg",
    {
      xmlns: "http://www.w3.org/2000/svg",
      width,
      height,
      viewBox: `0 0 ${width} ${height}`,
      role: "img",
      "aria-labelledby": `${name}-title ${name}-description`,
      "font-family": "system-ui, sans-serif",
      "font-size": 13,
    },
    [
      xml("title", { id: `${name}-title` }, title),
      xml("desc", { id: `${name}-description` }, description),
      xml("rect", { width, height, fill: "#ffffff" }),
      ...content,
    ],
  );
  return { svg: `${svg}\n`, width, height };
}
