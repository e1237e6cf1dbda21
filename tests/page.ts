import type { Device } from "../src/core/css/device.ts";
import { parseSheet } from "../src/core/css/parse-sheet.ts";
import type { ElementNode } from "../src/core/document/node.ts";
import { type Scene, sceneFromSource } from "../src/core/scene/scene.ts";
import { readHtml } from "../src/readers/html/read-html.ts";

/** A scene from markup alone; its `style` elements count, linked stylesheets do not. */
export function sceneOf(html: string, device?: Device): Scene {
  const page = readHtml(html, "test.html");
  const sheets = page.styles.flatMap((style) =>
    style.kind === "text"
      ? [
          {
            sheet: parseSheet({ file: "test.html", text: style.text, start: style.start }),
            media: style.media,
            scope: style.scope,
            imports: new Map(),
          },
        ]
      : [],
  );
  return sceneFromSource(page.document, sheets, device === undefined ? {} : { device });
}

/** The element with an id, in whatever tree it is. */
export function byId(scene: Scene, id: string): ElementNode {
  const found = scene.page.index.elements.find((element) => element.attributes.get("id")?.value === id);
  if (found === undefined) throw new Error(`no element with id ${id}`);
  return found;
}
