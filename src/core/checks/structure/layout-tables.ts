import type { ElementNode } from "../../document/node.ts";
import { attributeText, attributeTokens, hasAttribute } from "../../document/written.ts";
import { failed, passed, type Verdict } from "../../findings/verdict.ts";
import { ask } from "../../repair/repair.ts";
import type { Scene } from "../../scene/scene.ts";
import { tableGrid } from "../../semantics/table-headers.ts";
import type { PageCheck } from "../check.ts";
import { isExposed } from "../exposed.ts";

const layoutTables = (scene: Scene): readonly ElementNode[] =>
  scene.page.index
    .byTag("table")
    .filter((table) => scene.role(table).role === "none" && isExposed(scene, table));

function judge(table: ElementNode, scene: Scene): Verdict {
  const { index } = scene.page;
  const grid = tableGrid(index, table);
  const marks = [
    ...(grid.cells.some(({ element }) => element.tag === "th") ? ["<th>"] : []),
    ...(index.childElements(table).some((child) => child.tag === "caption") ? ["<caption>"] : []),
    ...((attributeText(table, "summary")?.trim() ?? "") === "" ? [] : ["summary"]),
    ...(grid.cells.some(({ element }) => hasAttribute(element, "scope")) ? ["scope"] : []),
    ...(grid.cells.some(({ element }) => attributeTokens(element, "headers").length > 0) ? ["headers"] : []),
  ];
  if (marks.length === 0) return passed;
  return failed(
    `This table says that it is only there for its looks, and yet has ${marks.join(", ")}.`,
    ask('If it is data, take role="none" away; if not, use <td> only and leave the rest out.'),
    { facts: { marks: marks.join(" ") } },
  );
}

export const layoutTablesPlain = {
  id: "structure.layout-tables",
  kind: "page",
  criteria: ["1.3.1"],
  severity: "friction",
  means: "A table that only lays out a page carries nothing that belongs to data.",
  who: "Someone using a screen reader hears headers in one program and none in the other.",
  mend: "Decide which it is: data with headers, or layout without.",
  looksAt: layoutTables,
  judge,
  examples: [
    { html: `<table role="none"><tr><td>a</td></tr></table>`, finds: [] },
    { html: `<table><tr><th>a</th></tr></table>`, finds: [] },
    {
      html: `<table role="presentation"><tr><th>Tides</th></tr><tr><td>06:10</td></tr></table>`,
      finds: [
        [
          "failed",
          `<table role="presentation">`,
          "This table says that it is only there for its looks, and yet has <th>.",
        ],
      ],
    },
  ],
} as const satisfies PageCheck;
