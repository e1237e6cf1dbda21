import { parse as parseCss } from "css-tree";
import { parse } from "parse5";
import { checksFor } from "../src/answers/audit.ts";
import { catalogue } from "../src/core/checks/catalogue.ts";
import { runChecks } from "../src/core/checks/run.ts";
import { parseSheet } from "../src/core/css/parse-sheet.ts";
import { sceneFromSource } from "../src/core/scene/scene.ts";
import { accessibilityTree } from "../src/core/semantics/tree.ts";
import { readHtml } from "../src/readers/html/read-html.ts";

const styleText = (html: string): string =>
  [...html.matchAll(/<style>([\s\S]*?)<\/style>/g)].map((m) => m[1] ?? "").join("\n");

/** What we are measured against: markup with locations and stylesheets, parsed and no more. */
export function parseOnly(html: string): void {
  parse(html, { sourceCodeLocationInfo: true });
  parseCss(styleText(html), { positions: true });
}

export function parseBoth(html: string, css: string): void {
  parse(html, { sourceCodeLocationInfo: true });
  parseCss(css, { positions: true });
}

function scene(html: string, extra: string | null = null) {
  const page = readHtml(html, "bench.html");
  const sheets = page.styles.flatMap((style) =>
    style.kind === "text"
      ? [
          {
            sheet: parseSheet({ file: "bench.html", text: style.text, start: style.start }),
            media: style.media,
            scope: style.scope,
            imports: new Map(),
          },
        ]
      : [],
  );
  if (extra !== null)
    sheets.push({
      sheet: parseSheet({ file: "bench.css", text: extra, start: 0 }),
      media: null,
      scope: page.document,
      imports: new Map(),
    });
  return sceneFromSource(page.document, sheets);
}

/** What `keel audit` runs when nothing else is asked for. */
const usual = checksFor(catalogue, "2.2", "AA");

export const auditText = (html: string) => runChecks(scene(html), usual, ["failed", "cantTell"]);
export const treeOf = (html: string) => accessibilityTree(scene(html));

export function styleAll(html: string, css: string): number {
  const { page } = scene(html, css);
  let known = 0;
  for (const element of page.index.elements) if (page.styles.keyword(element, "color") !== null) known++;
  return known;
}

function heldBy(make: () => unknown): number {
  globalThis.gc?.();
  const before = process.memoryUsage().heapUsed;
  const held = make();
  globalThis.gc?.();
  const after = process.memoryUsage().heapUsed;
  return held === null ? 0 : after - before;
}

export const parseTreeBytes = (html: string): number =>
  heldBy(() => parse(html, { sourceCodeLocationInfo: true }));

export function treeBytes(html: string): number {
  return heldBy(() => {
    const whole = scene(html);
    return { whole, tree: accessibilityTree(whole) };
  });
}
