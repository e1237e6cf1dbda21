import type { DocumentIndex } from "../document/document-index.ts";
import type { ElementNode } from "../document/node.ts";
import { attributeText, attributeToken, attributeTokens, writtenText } from "../document/written.ts";

/** A cell in its place: zero-based, with what it spans. */
export interface TableCell {
  readonly element: ElementNode;
  readonly row: number;
  readonly column: number;
  readonly width: number;
  readonly height: number;
}

/** A table as HTML §4.9.12 forms it. */
export interface TableGrid {
  readonly table: ElementNode;
  readonly rows: readonly ElementNode[];
  readonly cells: readonly TableCell[];
  readonly columns: number;
  cell(element: ElementNode): TableCell | null;
  at(row: number, column: number): TableCell | null;
}

const grids = new WeakMap<DocumentIndex, Map<ElementNode, TableGrid>>();

/** The largest spans HTML allows. §4.9.11. */
const LARGEST_COLSPAN = 1000;
const LARGEST_ROWSPAN = 65534;

const positive = (text: string | null, initial: number, largest: number): number => {
  const value = Number.parseInt(text ?? "", 10);
  return Number.isNaN(value) || value < 0 ? initial : Math.min(value, largest);
};

/** The grid of a `table` element; worked out once for a document. */
export function tableGrid(index: DocumentIndex, table: ElementNode): TableGrid {
  const known = grids.get(index) ?? new Map<ElementNode, TableGrid>();
  grids.set(index, known);
  let grid = known.get(table);
  if (grid === undefined) {
    grid = formTable(index, table);
    known.set(table, grid);
  }
  return grid;
}

/** HTML §4.9.12.1, "forming a table". */
function formTable(index: DocumentIndex, table: ElementNode): TableGrid {
  const rows: ElementNode[] = [];
  const groupEnds: number[] = [];
  for (const child of index.childElements(table)) {
    if (child.tag === "tr") rows.push(child);
    else if (/^t(?:head|body|foot)$/.test(child.tag)) {
      rows.push(...index.childElements(child).filter((row) => row.tag === "tr"));
      for (let i = groupEnds.length; i < rows.length; i++) groupEnds[i] = rows.length;
    }
    for (let i = groupEnds.length; i < rows.length; i++) groupEnds[i] = Number.MAX_SAFE_INTEGER;
  }
  const cells: TableCell[] = [];
  const slots: (TableCell | undefined)[][] = rows.map(() => []);
  let columns = 0;
  for (const [y, row] of rows.entries()) {
    let x = 0;
    for (const element of index.childElements(row)) {
      if (element.tag !== "td" && element.tag !== "th") continue;
      while (slots[y]?.[x] !== undefined) x++;
      const width = Math.max(1, positive(attributeText(element, "colspan"), 1, LARGEST_COLSPAN));
      const span = positive(attributeText(element, "rowspan"), 1, LARGEST_ROWSPAN);
      const end = Math.min(groupEnds[y] ?? rows.length, rows.length);
      const height = Math.max(1, span === 0 ? end - y : Math.min(span, end - y));
      const cell = { element, row: y, column: x, width, height };
      cells.push(cell);
      for (let dy = 0; dy < height; dy++) {
        const line = slots[y + dy];
        if (line !== undefined) for (let dx = 0; dx < width; dx++) line[x + dx] ??= cell;
      }
      x += width;
      columns = Math.max(columns, x);
    }
  }
  const byElement = new Map(cells.map((cell) => [cell.element, cell]));
  return {
    table,
    rows,
    cells,
    columns,
    cell: (element) => byElement.get(element) ?? null,
    at: (row, column) => slots[row]?.[column] ?? null,
  };
}

/** The table a cell or row belongs to; null outside. */
export function tableOf(index: DocumentIndex, part: ElementNode): ElementNode | null {
  for (let up = index.parent(part); up !== null; up = index.parent(up)) if (up.tag === "table") return up;
  return null;
}

/**
 * What a `th` without a usable `scope` heads. HTML §4.9.12.2: a column header while its rows hold no data cells,
 * else a row header while its columns hold none. Null for neither: it heads nothing.
 */
export function automaticScope(
  index: DocumentIndex,
  header: ElementNode,
): "columnheader" | "rowheader" | null {
  const table = tableOf(index, header);
  const grid = table === null ? null : tableGrid(index, table);
  const cell = grid?.cell(header);
  if (grid === null || cell == null) return null;
  const rows = dataRows(grid);
  for (let y = cell.row; y < cell.row + cell.height; y++) {
    if (rows.rows.has(y)) {
      for (let x = cell.column; x < cell.column + cell.width; x++) if (rows.columns.has(x)) return null;
      return "rowheader";
    }
  }
  return "columnheader";
}

const dataPlaces = new WeakMap<TableGrid, { rows: Set<number>; columns: Set<number> }>();

/**
 * Rows and columns that hold a `td` with anything in it. Deviates from HTML §4.9.12.2 (2026-11) as browsers do: the empty
 * corner of a table with headers on two sides takes none of them away.
 */
function dataRows(grid: TableGrid): { rows: Set<number>; columns: Set<number> } {
  let places = dataPlaces.get(grid);
  if (places === undefined) {
    places = { rows: new Set(), columns: new Set() };
    for (const cell of grid.cells) {
      if (cell.element.tag !== "td" || isEmptyCell(cell.element)) continue;
      for (let y = 0; y < cell.height; y++) places.rows.add(cell.row + y);
      for (let x = 0; x < cell.width; x++) places.columns.add(cell.column + x);
    }
    dataPlaces.set(grid, places);
  }
  return places;
}

/** HTML §4.9.12.3, "empty cell". */
const isEmptyCell = (cell: ElementNode): boolean =>
  cell.children.every(
    (child) => child.kind === "comment" || (child.kind === "text" && writtenText(child.value).trim() === ""),
  );

/**
 * The headers assigned to a cell, in reading order: those its `headers` attribute names, else those found to the left
 * and above. HTML §4.9.12.3, "internal algorithm for scanning and assigning header cells".
 */
export function headersOf(index: DocumentIndex, grid: TableGrid, cell: TableCell): readonly ElementNode[] {
  const named = attributeTokens(cell.element, "headers");
  if (named.length > 0) {
    return named.flatMap((id) => {
      const target = index.byId(cell.element, id);
      return target !== null && grid.cell(target) !== null && target !== cell.element ? [target] : [];
    });
  }
  const found = new Set<ElementNode>();
  const isHeader = (candidate: TableCell, wanted: "columnheader" | "rowheader") => {
    if (candidate.element.tag !== "th" || candidate.element === cell.element) return false;
    const scope = attributeToken(candidate.element, "scope");
    const kind =
      scope === "row" || scope === "rowgroup"
        ? "rowheader"
        : scope === "col" || scope === "colgroup"
          ? "columnheader"
          : automaticScope(index, candidate.element);
    return kind === wanted;
  };
  for (let y = cell.row; y < cell.row + cell.height; y++) {
    for (let x = cell.column - 1; x >= 0; x--) {
      const left = grid.at(y, x);
      if (left !== null && isHeader(left, "rowheader")) found.add(left.element);
    }
  }
  for (let x = cell.column; x < cell.column + cell.width; x++) {
    for (let y = cell.row - 1; y >= 0; y--) {
      const above = grid.at(y, x);
      if (above !== null && isHeader(above, "columnheader")) found.add(above.element);
    }
  }
  return [...found].sort((a, b) => index.record(a).order - index.record(b).order);
}
