import type { Device } from "../src/core/css/device.ts";
import { parseSheet } from "../src/core/css/parse-sheet.ts";
import type { AppliedSheet } from "../src/core/css/sheet.ts";
import type { ElementNode } from "../src/core/document/node.ts";
import { type Scene, sceneFromSource } from "../src/core/scene/scene.ts";
import { readHtml } from "../src/readers/html/read-html.ts";

/** A scene from markup and perhaps one stylesheet more; its `style` elements count, linked stylesheets do not. */
export function sceneOf(html: string, { device, css }: { device?: Device; css?: string } = {}): Scene {
  const page = readHtml(html, "test.html");
  const sheets = page.styles.flatMap((style) =>
    style.kind === "text"
      ? [applied({ file: "test.html", text: style.text, start: style.start }, style.scope, style.media)]
      : [],
  );
  if (css !== undefined) sheets.push(applied({ file: "test.css", text: css, start: 0 }, page.document, null));
  return sceneFromSource(page.document, sheets, device === undefined ? {} : { device });
}

const applied = (
  source: Parameters<typeof parseSheet>[0],
  scope: AppliedSheet["scope"],
  media: string | null,
): AppliedSheet => ({ sheet: parseSheet(source), media, scope, imports: new Map() });

/** The element with an id, in whatever tree it is. */
export function byId(scene: Scene, id: string): ElementNode {
  const found = scene.page.index.elements.find((element) => element.attributes.get("id")?.value === id);
  if (found === undefined) throw new Error(`no element with id ${id}`);
  return found;
}
