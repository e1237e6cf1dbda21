import type { PageTree } from "../../answers/tree.ts";
import type { SpeechLine } from "../../core/semantics/reading-order.ts";
import type { Paint } from "./paint.ts";
import { printable } from "./printable.ts";
import { cut } from "./source-frame.ts";

/** Speech lines, containers indented; `places` adds the line of source at the left, with its file where that is another. */
export function speechText(
  page: PageTree,
  lines: readonly SpeechLine[],
  heading: string,
  places: boolean,
  paint: Paint,
): string {
  const { colours, width } = paint;
  const title = `${colours.bold(printable(page.target))}${heading === "" ? "" : `  ${colours.dim(heading)}`}\n`;
  if (lines.length === 0) return `${title}${colours.dim("  none on this page")}\n`;
  const file = page.target.replace(/#.*$/, "");
  const numbers = lines.map(({ source }) => {
    const place = page.texts.place(source);
    return place === null ? "" : `${place.file === file ? "" : `${printable(place.file)}:`}${place.line}`;
  });
  const gutter = places ? Math.max(...numbers.map((n) => n.length)) + 2 : 0;
  const body = lines.map(({ text, depth, isEnd }, i) => {
    const indent = "  ".repeat(Math.min(depth, Math.floor(width / 6)));
    const number = places ? `${colours.dim((numbers[i] ?? "").padStart(gutter - 2))}  ` : "";
    const said = printable(text);
    const shown = places ? cut(said, Math.max(20, width - gutter - indent.length)) : said;
    const line = `${indent}${isEnd ? colours.dim(shown) : shown}`;
    return places
      ? `${number}${line}`
      : paint.paragraph(indent, isEnd ? colours.dim(said) : said, indent.length);
  });
  return `${title}${body.join("\n")}\n`;
}
