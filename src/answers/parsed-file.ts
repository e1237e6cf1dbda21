import path from "node:path";
import { parseSheet } from "../core/css/parse-sheet.ts";
import type { Workspace } from "../host/workspace.ts";
import { readHtml } from "../readers/html/read-html.ts";

/**
 * What a file of any kind parses to, with its styles: a tree of which every node says where it stands.
 * @param isSource whether the file is component source, as the markup of a component is
 * @param workspace where pages and sheets lie that were parsed for an audit
 */
export async function parsedFile(
  file: string,
  text: string,
  isSource: boolean,
  workspace: Workspace,
): Promise<unknown> {
  const [, language] = /\.(css|scss|sass|less)$/i.exec(file) ?? [];
  if (language === "css")
    return workspace.of("page sheet", file, text, () => parseSheet({ file, text, start: 0 }));
  if (language !== undefined) return parsedStyle(file, text, 0, language.toLowerCase());
  if (!isSource) {
    const { document, styles } = workspace.briefly("page", file, text, () => readHtml(text, file, new Map()));
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
        content.parts.styles.map((style) => parsedStyle(file, style.text, style.start, style.language)),
      ]
    : content;
}

/** What has the marks of CSS is parsed as such; of what is marked by indentation every line is a node. */
const parsedStyle = (file: string, text: string, start: number, language: string): unknown =>
  language === "sass"
    ? [...text.matchAll(/.+/g)].map(({ 0: line, index }) => ({
        kind: "line",
        start: start + index,
        end: start + index + line.length,
      }))
    : parseSheet({ file, text, start });
