import { createColors } from "picocolors";
import wrapAnsi from "wrap-ansi";

/** How text is set in a terminal of a given width, with or without colour. */
export interface Paint {
  readonly width: number;
  readonly colours: ReturnType<typeof createColors>;
  /** Wraps a paragraph; lines after the first begin under the text, not under the heading word. */
  paragraph(heading: string, text: string, indent: number): string;
}

/** Lines longer than this are hard to read, however wide the window is. */
const WIDEST = 160;
const NARROWEST = 40;

export function paintFor(columns: number, colour: boolean): Paint {
  const width = Math.max(NARROWEST, Math.min(columns, WIDEST));
  return {
    width,
    colours: createColors(colour),
    paragraph(heading, text, indent) {
      const lines = wrapAnsi(text, Math.max(20, Math.min(width, 110) - indent), { hard: true }).split("\n");
      const blank = " ".repeat(indent);
      return lines.map((line, i) => `${i === 0 ? heading : blank}${line}`).join("\n");
    },
  };
}
