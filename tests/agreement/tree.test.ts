import { readdirSync, readFileSync } from "node:fs";
import path from "node:path";
import type { Browser } from "puppeteer-core";
import { afterAll, beforeAll, describe, expect, test } from "vitest";
import { NO } from "../../src/core/css/certainty.ts";
import { elementPath } from "../../src/core/document/element-path.ts";
import { accessibilityTree, isTold, type TreeNode } from "../../src/core/semantics/tree.ts";
import { sceneOf } from "../page.ts";
import { type BrowserNode, browserTree, launch } from "./browser.ts";
import { type Disagreement, departures } from "./departures.ts";
import { stressPages } from "./stress-pages.ts";

const demo = path.resolve(import.meta.dirname, "../../demo");
/** Linked stylesheets put into the page, so that the browser and we read the same text. */
const inlined = (file: string): string =>
  readFileSync(file, "utf8").replace(
    /<link rel="stylesheet" href="([^"]+)">/g,
    (_, href: string) => `<style>${readFileSync(path.join(path.dirname(file), href), "utf8")}</style>`,
  );
const demoPages = ["mistakes", "mended"].flatMap((folder) =>
  readdirSync(path.join(demo, folder))
    .filter((name) => name.endsWith(".html"))
    .map((name) => [`demo ${folder}/${name}`, inlined(path.join(demo, folder, name))] as const),
);

/** Chromium's own words for what WAI-ARIA has other words for, or none. */
const synonyms: Readonly<Record<string, string>> = {
  RootWebArea: "document",
  img: "image",
  presentation: "none",
  Pre: "generic",
  LayoutTable: "table",
  LayoutTableRow: "row",
  LayoutTableCell: "cell",
  DisclosureTriangle: "button",
  ComboBoxSelect: "combobox",
  SvgRoot: "graphics-document",
  MathMLMath: "math",
  EmphasisElement: "emphasis",
  StrongElement: "strong",
};
/** Roles for which the two sides have no common word, or that either may leave out: only their names are compared. */
const noCommonRole =
  /^(?:generic|none|LabelText|Legend|Figcaption|DescriptionList|Abbr|Ruby|Canvas|Video|Audio|Iframe|ImageMap|LineBreak|StaticText|mark|Section|sectionheader|sectionfooter|Date|DateTime|InputTime|ColorWell|)$/;
const told = [
  "level",
  "checked",
  "expanded",
  "pressed",
  "required",
  "readonly",
  "disabled",
  "selected",
  "multiselectable",
  "modal",
  "busy",
] as const;
const fold = (text: string) => text.replace(/[\s\u00a0]+/g, " ").trim();

function compare(html: string, theirs: ReadonlyMap<string, BrowserNode>): readonly Disagreement[] {
  const scene = sceneOf(html);
  const { index } = scene.page;
  const inTree = new Set<unknown>();
  const root = accessibilityTree(scene);
  const stack: TreeNode[] = root === null ? [] : [root];
  for (let at = stack.pop(); at !== undefined; at = stack.pop()) {
    if (at.kind === "text") continue;
    inTree.add(at.element);
    stack.push(...at.children);
  }
  const found: Disagreement[] = [];
  for (const element of index.elements) {
    const their = theirs.get(elementPath(index, element));
    if (their === undefined || element.tag === "html") continue;
    const snippet =
      element.source === null ? `<${element.tag}>` : html.slice(element.source.start, element.source.end);
    const note = (of: Disagreement["of"], mine: string, yours: string) => {
      if (mine !== yours) found.push({ of, tag: element.tag, ours: mine, theirs: yours, html: snippet });
    };
    const exposed =
      scene.presence.of(element).exposed !== NO && isTold(scene, element) && inTree.has(element);
    const theirRole = synonyms[their.role] ?? their.role;
    if (
      noCommonRole.test(their.role) ||
      scene.role(element).role === null ||
      scene.role(element).role === "generic"
    )
      continue;
    note("exposure", exposed ? "exposed" : "not exposed", their.ignored ? "not exposed" : "exposed");
    if (!exposed || their.ignored) continue;
    note("role", scene.role(element).role ?? "none", theirRole);
    note("name", fold(scene.name(element).text), fold(their.name));
    note("description", fold(scene.description(element).text), fold(their.description));
    const states = scene.states(element);
    for (const state of told) {
      const mine = states[state] === undefined ? "" : String(states[state]);
      const theirState = (their.states[state] ?? "").replace(/^1$/, state === "busy" ? "true" : "1");
      const quiet = (value: string) =>
        value === "false" && state !== "expanded" && state !== "checked" && state !== "pressed" ? "" : value;
      if (quiet(mine) !== quiet(theirState)) note("state", `${state} ${mine}`, `${state} ${theirState}`);
    }
  }
  return found;
}

describe("the tree agrees with Chromium's", () => {
  let browser: Browser;
  beforeAll(async () => {
    browser = await launch();
  });
  afterAll(() => browser?.close());

  test.each([...Object.entries(stressPages), ...demoPages])("on the page %s", async (_, html) => {
    const page = await browser.newPage();
    const disagreements = compare(html, await browserTree(page, html));
    await page.close();
    const unexplained = disagreements.filter(
      (found) => !departures.some((departure) => departure.of === found.of && departure.when(found)),
    );
    expect(
      unexplained.map(
        (d) => `${d.of} of ${d.html}: ours ${JSON.stringify(d.ours)}, Chromium ${JSON.stringify(d.theirs)}`,
      ),
    ).toEqual([]);
  });
});

test("every departure says why", () => {
  for (const { reason } of departures) expect(reason).toMatch(/\.$/);
});
