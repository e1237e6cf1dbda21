import type { Page } from "puppeteer-core";
import { NO } from "../../src/core/css/certainty.ts";
import { elementsBelow } from "../../src/core/document/around.ts";
import { elementPath } from "../../src/core/document/element-path.ts";
import type { ElementNode } from "../../src/core/document/node.ts";
import type { Scene } from "../../src/core/scene/scene.ts";
import { roleRow } from "../../src/core/semantics/tables/roles.ts";
import { accessibilityTree, isTold, type TreeNode } from "../../src/core/semantics/tree.ts";
import { sceneOf } from "../page.ts";
import { type BrowserNode, browserTree } from "./browser.ts";
import { type Disagreement, departures } from "./departures.ts";

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

/** Where the accessibility tree of a page differs from Chromium's, departures left out. */
export async function treeDifferences(page: Page, html: string): Promise<readonly string[]> {
  return compare(html, await browserTree(page, html))
    .filter((found) => !departures.some((departure) => departure.of === found.of && departure.when(found)))
    .map((d) => `${d.of} of ${d.html}: ours ${JSON.stringify(d.ours)}, Chromium ${JSON.stringify(d.theirs)}`);
}

function wholeAround(scene: Scene, element: ElementNode): string | null {
  for (let up = scene.page.index.flatParent(element); up !== null; up = scene.page.index.flatParent(up)) {
    const { role } = scene.role(up);
    if (role !== null && roleRow(role)?.childrenPresentational === true) return role;
  }
  return null;
}

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
      if (mine !== yours)
        found.push({
          of,
          tag: element.tag,
          ours: mine,
          theirs: yours,
          html: snippet,
          role: scene.role(element).role ?? "none",
          insideWhole: wholeAround(scene, element),
          rolesBelow: new Set(
            [...elementsBelow(index, element)].map((below) => scene.role(below).role ?? ""),
          ),
        });
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
