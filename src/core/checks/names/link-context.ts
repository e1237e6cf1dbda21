import type { ElementNode } from "../../document/node.ts";
import type { Scene } from "../../scene/scene.ts";
import { headersOf, tableGrid, tableOf } from "../../semantics/table-headers.ts";
import { elementsAround } from "../exposed.ts";
import { speakable } from "../shown-name.ts";
import { visibleText } from "../visible-text.ts";

/** What holds a thought of its own. WCAG 2.4.4, "programmatically determined link context". */
const holders = new Set([
  "p",
  "li",
  "td",
  "th",
  "dd",
  "dt",
  "figure",
  "blockquote",
  "caption",
  "label",
  "legend",
]);

/**
 * The words that say what a link is about beside its name: of its paragraph, list item or cell, of the headers of that
 * cell, and its description. Empty when there are none, null where source does not give them.
 */
export function linkContext(scene: Scene, link: ElementNode): string | null {
  const { index } = scene.page;
  const found: string[] = [];
  const description = scene.description(link);
  if (description.text !== "") found.push(description.text);
  const name = speakable(scene.name(link).text);
  for (const up of elementsAround(scene, link)) {
    const { role } = scene.role(up);
    if (role === "heading" && speakable(scene.name(up).text) !== name) found.push(scene.name(up).text);
    if (!holders.has(up.tag) && role !== "listitem" && role !== "cell" && role !== "row") continue;
    const text = visibleText(scene, up);
    if (text === null) return null;
    if (text !== "" && text !== name) found.push(text);
    if (up.tag === "td" || up.tag === "th") {
      const table = tableOf(index, up);
      const grid = table === null ? null : tableGrid(index, table);
      const cell = grid?.cell(up) ?? null;
      if (grid !== null && cell !== null)
        for (const header of headersOf(index, grid, cell)) found.push(scene.name(header).text);
      const row = index.parent(up);
      const rowText = row === null ? "" : visibleText(scene, row);
      if (rowText === null) return null;
      if (rowText !== "" && rowText !== name) found.push(rowText);
      break;
    }
    if (up.tag !== "li") break;
  }
  return found.filter((text) => text.trim() !== "").join(" | ");
}
