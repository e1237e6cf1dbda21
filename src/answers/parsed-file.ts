import path from "node:path";
import { parseSheet } from "../core/css/parse-sheet.ts";
import { readHtml } from "../readers/html/read-html.ts";

/**
 * What a file of any kind parses to, with its styles: a tree of which every node says where it stands.
 * @param isSource whether the file is component source, as the markup of a component is
 */
export async function parsedFile(file: string, text: string, isSource: boolean): Promise<unknown> {
  if (/\.css$/i.test(file)) return parseSheet({ file, text, start: 0 });
  if (!isSource) {
    const { document, styles } = readHtml(text, file, new Map());
    return [
      document,
      styles.map((style) =>
        style.kind === "text" ? parseSheet({ file, text: style.text, start: style.start }) : null,
      ),
    ];
  }
  // Parsers of scripts are loaded where there are scripts.
  const { parsedSource } = await import("../readers/composition/load-modules.ts");
  const { content } = await parsedSource(path.resolve("/", file), file, text);
  return content.kind === "template"
    ? [
        content,
        content.parts.styles.map((style) => parseSheet({ file, text: style.text, start: style.start })),
      ]
    : content;
}
