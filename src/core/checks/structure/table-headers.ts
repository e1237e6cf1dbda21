import { nearestWord } from "../../document/nearest-word.ts";
import type { ElementNode } from "../../document/node.ts";
import { textContent } from "../../document/text-content.ts";
import {
  attributeText,
  attributeToken,
  attributeTokens,
  hasAttribute,
  writtenText,
} from "../../document/written.ts";
import { cantTell, failed, inapplicable, passed, pointingAt, type Verdict } from "../../findings/verdict.ts";
import { renameElement, setAttribute } from "../../repair/change.ts";
import { ask, withChanges } from "../../repair/repair.ts";
import type { Scene } from "../../scene/scene.ts";
import { automaticScope, type TableGrid, tableGrid, tableOf } from "../../semantics/table-headers.ts";
import type { PageCheck } from "../check.ts";
import { exposedByTag } from "../exposed.ts";

function* tablesAndReferringCells(scene: Scene): Iterable<ElementNode> {
  for (const table of exposedByTag(scene, "table")) if (scene.role(table).role === "table") yield table;
  for (const cell of exposedByTag(scene, "td", "th"))
    if (attributeTokens(cell, "headers").length > 0) yield cell;
  for (const header of exposedByTag(scene, "th"))
    if (/^(?:columnheader|rowheader|cell|gridcell)$/.test(scene.role(header).role ?? "")) yield header;
}

function judge(element: ElementNode, scene: Scene): Verdict {
  if (element.tag === "table") return judgeTable(element, scene);
  const references =
    attributeTokens(element, "headers").length > 0 ? judgeReferences(element, scene) : passed;
  return element.tag !== "th" || references.outcome === "failed" ? references : judgeScope(element, scene);
}

const scopes = ["row", "col", "rowgroup", "colgroup", "auto"];

/** What a header heads: by a scope that is one, or plainly by its place. HTML §4.9.12.2. */
function judgeScope(header: ElementNode, scene: Scene): Verdict {
  const written = attributeToken(header, "scope");
  const automatic = automaticScope(scene.page.index, header);
  if (written !== null && scopes.includes(written)) return passed;
  const table = tableOf(scene.page.index, header);
  const grid = table === null ? null : tableGrid(scene.page.index, table);
  const cell = grid?.cell(header) ?? null;
  if (cell === null || textContent(header) === "") return inapplicable;
  const details = { facts: { scope: written }, ...pointingAt(header, "scope") };
  const meant = written === null || written === "" ? null : nearestWord(written, scopes);
  if (meant !== null) {
    const isSame = meant.startsWith("row") === (automatic === "rowheader");
    const repair = withChanges("likely", `Write scope="${meant}".`, [setAttribute(header, "scope", meant)]);
    // By its place it heads just what was meant: nothing is lost.
    return isSame && automatic !== null
      ? passed
      : failed(
          `scope="${written}" is no scope: this header is told as heading something else.`,
          repair,
          details,
        );
  }
  if (automatic !== null) return passed;
  const place = cell.row === 0 ? "col" : cell.column === 0 ? "row" : null;
  return cantTell(
    `Does "${textContent(header)}" head its column or its row? By its place browsers take it for neither.`,
    place === null
      ? ask('Say it: scope="col" or scope="row".')
      : withChanges("likely", `Probably scope="${place}".`, [setAttribute(header, "scope", place)]),
    details,
  );
}

/** `headers` must name cells of the same table. HTML §4.9.11. */
function judgeReferences(cell: ElementNode, scene: Scene): Verdict {
  const { index } = scene.page;
  const table = tableOf(index, cell);
  if (table === null) return inapplicable;
  const grid = tableGrid(index, table);
  if (attributeTokens(cell, "headers").some((id) => index.byId(cell, id) === cell))
    return failed(
      "headers names this cell itself: it has no header.",
      ask("Name the ids of the cells that head its row and column."),
      pointingAt(cell, "headers"),
    );
  const missing = attributeTokens(cell, "headers").filter((id) => {
    const target = index.byId(cell, id);
    return target === null || grid.cell(target) === null;
  });
  if (missing.length === 0) return passed;
  const ids = grid.cells
    .filter((c) => c.element.tag === "th")
    .flatMap((c) => attributeText(c.element, "id") ?? []);
  const written = attributeTokens(cell, "headers");
  const fixed = written.map((id) =>
    missing.includes(id)
      ? (nearestWord(id, ids) ?? (missing.length === 1 ? headerByPlace(grid, cell, written) : null))
      : id,
  );
  const repair = fixed.every((id) => id !== null)
    ? withChanges("likely", `Write headers="${fixed.join(" ")}".`, [
        setAttribute(cell, "headers", fixed.join(" ")),
      ])
    : ask(`Name the ids of its header cells: ${ids.slice(0, 6).join(", ") || "they have none yet"}.`);
  return failed(`headers names "${missing.join(" ")}", which is no cell of this table.`, repair, {
    facts: { missing: missing.join(" ") },
    ...pointingAt(cell, "headers"),
  });
}

/** The id of the one header in the row or column of a cell that `headers` does not name yet; null for none or several. */
function headerByPlace(grid: TableGrid, cell: ElementNode, named: readonly string[]): string | null {
  const place = grid.cell(cell);
  const ids = grid.cells.flatMap(({ element, row, column }) => {
    const id = element.tag === "th" ? attributeText(element, "id") : null;
    return id !== null && !named.includes(id) && (row === place?.row || column === place?.column) ? [id] : [];
  });
  return ids.length === 1 ? (ids[0] ?? null) : null;
}

function judgeTable(table: ElementNode, scene: Scene): Verdict {
  const grid = tableGrid(scene.page.index, table);
  if (grid.columns < 2 || grid.rows.length < 2) return inapplicable;
  const cells = grid.cells.map((cell) => cell.element);
  const hasHeader = cells.some((cell) => {
    const { role } = scene.role(cell);
    return (
      cell.tag === "th" ||
      role === "columnheader" ||
      role === "rowheader" ||
      attributeTokens(cell, "headers").length > 0 ||
      hasAttribute(cell, "scope")
    );
  });
  if (hasHeader) return passed;
  if (cells.some((cell) => scene.page.index.childElements(cell).some((child) => child.tag === "table")))
    return inapplicable;
  const evidence = dataEvidence(table, scene);
  const summary = `Make the cells that head a column or row <th>${firstRowText(grid)}.`;
  const firstRow = grid.cells.filter(
    ({ row, element }) => row === 0 && element.tag === "td" && textContent(element) !== "",
  );
  const repair =
    firstRow.length === 0
      ? ask(summary)
      : withChanges(
          "likely",
          summary,
          firstRow.flatMap(({ element }) => [
            renameElement(element, "th"),
            setAttribute(element, "scope", "col"),
          ]),
        );
  if (evidence !== null) return failed(`This table ${evidence}, but no cell of it is a header.`, repair);
  return looksHeaded(grid) || (attributeText(table, "summary")?.trim() ?? "") !== ""
    ? cantTell(
        looksHeaded(grid)
          ? "The first row of this table looks like headings. Is it a table of data? Then its headings must be <th>."
          : "This table has a summary. Is it a table of data? Then its headings must be <th>.",
        repair,
      )
    : inapplicable;
}

/** What says for certain that this is a table of data and not a way to lay out a page. */
function dataEvidence(table: ElementNode, scene: Scene): string | null {
  const children = scene.page.index.childElements(table);
  const caption = children.find((child) => child.tag === "caption");
  if (caption !== undefined && textContent(caption) !== "") return "has a caption";
  if (children.some((child) => child.tag === "thead" && scene.page.index.childElements(child).length > 0))
    return "has a head";
  return null;
}

const looksHeaded = (grid: TableGrid): boolean => {
  const first = grid.cells.filter((cell) => cell.row === 0);
  return (
    grid.rows.length > 2 && first.length === grid.columns && first.every((cell) => isEmphasised(cell.element))
  );
};

/** Whether all the text of a cell is in `b` or `strong`. */
function isEmphasised(cell: ElementNode): boolean {
  const content = cell.children.filter(
    (child) => child.kind !== "comment" && !(child.kind === "text" && writtenText(child.value).trim() === ""),
  );
  return (
    content.length > 0 &&
    content.every((child) => child.kind === "element" && (child.tag === "b" || child.tag === "strong"))
  );
}

function firstRowText(grid: TableGrid): string {
  const words = grid.cells
    .filter((cell) => cell.row === 0)
    .map((cell) => textContent(cell.element))
    .filter((text) => text !== "");
  return words.length === 0 || words.join(", ").length > 60 ? "" : `: ${words.join(", ")}`;
}

export const tableHeaders = {
  id: "structure.table-headers",
  kind: "page",
  criteria: ["1.3.1"],
  severity: "barrier",
  means: "A table of data has header cells, and what `headers` names is there.",
  who: "Someone using a screen reader hears a number without the row and column it belongs to.",
  mend: 'Make the heading cells <th>, with scope="col" or scope="row" where it is not plain.',
  looksAt: tablesAndReferringCells,
  judge,
  examples: [
    {
      html: `<table><caption>Tides</caption><tr><th>High</th><th>Low</th></tr><tr><td>06:10</td><td>12:20</td></tr></table>`,
      finds: [],
    },
    {
      html: `<table role="presentation"><tr><td>a</td><td>b</td></tr><tr><td>c</td><td>d</td></tr></table>`,
      finds: [],
    },
    { html: `<table><tr><td>a</td><td>b</td></tr><tr><td>c</td><td>d</td></tr></table>`, finds: [] },
    {
      html: `<table><tr><th id="am">Morning</th></tr><tr><td headers="am">Finch</td></tr></table>`,
      finds: [],
    },
    {
      html: `<table><tr><th scope="colum">High</th><th>Low</th></tr><tr><td>06:10</td><td>12:20</td></tr></table>`,
      finds: [],
    },
    {
      html: `<table><caption>Tides</caption><tr><td>High</td><td>Low</td></tr><tr><td>06:10</td><td>12:20</td></tr></table>`,
      finds: [["failed", "<table>", "This table has a caption, but no cell of it is a header."]],
    },
    {
      html: `<table><thead><tr><td>High</td><td>Low</td></tr></thead><tr><td>06:10</td><td>12:20</td></tr></table>`,
      finds: [["failed", "<table>", "This table has a head, but no cell of it is a header."]],
    },
    {
      html: `<table><tr><th id="am">Morning</th><td headers="morning">Finch</td></tr></table>`,
      finds: [
        ["failed", `<td headers="morning">`, `headers names "morning", which is no cell of this table.`],
      ],
    },
    {
      html: `<table><tr><th>High</th><th>Low</th></tr><tr><th scope="rows">06:10</th><th>12:20</th></tr></table>`,
      finds: [
        [
          "failed",
          `<th scope="rows">`,
          `scope="rows" is no scope: this header is told as heading something else.`,
        ],
      ],
    },
    {
      html: `<table><tr><th>High</th><td>Low</td></tr><tr><td>06:10</td><td>12:20</td></tr><tr><td>1</td><th>Sum</th></tr></table>`,
      finds: [
        [
          "cantTell",
          "<th>",
          `Does "High" head its column or its row? By its place browsers take it for neither.`,
        ],
        [
          "cantTell",
          "<th>",
          `Does "Sum" head its column or its row? By its place browsers take it for neither.`,
        ],
      ],
    },
    {
      html: `<table><tr><td><b>High</b></td><td><b>Low</b></td></tr><tr><td>06:10</td><td>12:20</td></tr><tr><td>07:01</td><td>13:11</td></tr></table>`,
      finds: [
        [
          "cantTell",
          "<table>",
          "The first row of this table looks like headings. Is it a table of data? Then its headings must be <th>.",
        ],
      ],
    },
    {
      html: `<table><tr><th id="boat">Boat</th><th>Beam</th></tr><tr><td id="tern" headers="tern">Tern</td><td>2 m</td></tr></table>`,
      finds: [
        ["failed", `<td id="tern" headers="tern">`, "headers names this cell itself: it has no header."],
      ],
    },
  ],
} as const satisfies PageCheck;
