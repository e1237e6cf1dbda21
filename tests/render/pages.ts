import { desktop } from "../../src/core/css/device.ts";
import type { Node } from "../../src/core/document/node.ts";
import { readHtml } from "../../src/readers/html/read-html.ts";
import type { PageSource } from "../../src/render/live-page.ts";

/** A page to be opened in a simulated window. */
export function pageSource(text: string): PageSource {
  const tags = new Map<number, string>();
  const stack: Node[] = [...readHtml(text, "page.html").document.children];
  for (let node = stack.pop(); node !== undefined; node = stack.pop()) {
    if (node.kind !== "element") continue;
    if (node.source !== null) tags.set(node.source.start, node.tag);
    stack.push(...node.children);
  }
  return {
    file: "page.html",
    text,
    kind: "document",
    quirks: false,
    sheets: [],
    stylesKnown: true,
    device: desktop,
    tags,
    parsed: new Map(),
    scripts: new Map(),
  };
}
