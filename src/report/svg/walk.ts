import type { PageWalk } from "../../answers/walk.ts";
import type { ElementNode } from "../../core/document/node.ts";
import { shortened } from "../../core/document/shortened.ts";
import { spokenRole } from "../../core/semantics/heard-line.ts";
import { isLandmarkRole } from "../../core/semantics/lists-by-kind.ts";
import { accessibilityTree, type TreeNode } from "../../core/semantics/tree.ts";
import { type Xml, xml } from "../xml.ts";
import { framed } from "./frame.ts";

/** Pixels. */
const WIDTH = 1280;
const HEIGHT = 800;
const MARGIN = 32;
/** Room for the bows of jumps, left of the first column. */
const LEFT = 76;
const TOP = 84;
const ROW = 26;
const INDENT = 14;
const GAP = 40;
const RADIUS = 10;
/** Rows that fit in a column of the usual height; a longer page gets more columns first, then a taller picture. */
const ROWS = Math.floor((HEIGHT - TOP - MARGIN) / ROW);
const MOST_COLUMNS = 4;
/** More than this cannot be drawn so that it can be read. */
const MOST_ROWS = 600;

interface Row {
  readonly kind: "landmark" | "heading" | "stop" | "unreached";
  readonly text: string;
  readonly depth: number;
  /** Its place in the walk; null for what is no stop. */
  readonly index: number | null;
  readonly odd: boolean;
}

interface Placed extends Row {
  /** Its place among the rows. */
  readonly position: number;
  readonly x: number;
  readonly y: number;
}

/** The way of Tab as a numbered path over a schematic of the page: landmarks, headings and stops as they are read. */
export function walkSvg(walk: PageWalk): string {
  const rows = rowsOf(walk);
  const drawn = rows.slice(0, MOST_ROWS);
  const columns = Math.max(1, Math.min(MOST_COLUMNS, Math.ceil(drawn.length / ROWS)));
  const perColumn = Math.max(ROWS, Math.ceil(drawn.length / columns));
  const height = TOP + perColumn * ROW + MARGIN;
  const columnWidth = (WIDTH - LEFT - MARGIN - (columns - 1) * GAP) / columns;
  const placed = drawn.map(
    (row, index): Placed => ({
      ...row,
      position: index,
      x: LEFT + Math.floor(index / perColumn) * (columnWidth + GAP) + row.depth * INDENT,
      y: TOP + (index % perColumn) * ROW,
    }),
  );
  const stops = placed
    .filter((row): row is Placed & { index: number } => row.index !== null)
    .sort((a, b) => a.index - b.index);
  const key = walk.direction === "forwards" ? "Tab" : "Shift+Tab";
  const title = `Where ${key} goes on ${walk.target}`;
  const left = walk.stops.length - stops.length;
  const description = `${walk.stops.length} stops, in order: ${walk.stops
    .slice(0, 60)
    .map(({ index, announced }) => `${index} ${announced}`)
    .join("; ")}${walk.stops.length > 60 ? "; and more" : ""}. ${walk.unreached.length} not reached.`;
  const right = (row: Placed) => LEFT + columnOf(row, columnWidth) * (columnWidth + GAP) + columnWidth;
  const paths = stops.flatMap((stop, index) => {
    const next = stops[index + 1];
    if (next === undefined || next.index !== stop.index + 1) return [];
    const isClear = placed.slice(stop.position + 1, next.position).every((row) => row.index === null);
    return pathBetween(stop, next, isClear);
  });
  const drawing = framed({
    name: "walk",
    title,
    description,
    width: WIDTH,
    height,
    content: [
      xml("text", { x: MARGIN, y: 36, "font-size": 20, "font-weight": 700, fill: "#10243e" }, title),
      xml("text", { x: MARGIN, y: 60, fill: "#4a5a68" }, summary(walk, left, rows.length - drawn.length)),
      ...legend(),
      xml("g", { fill: "none", stroke: "#0b63a5", "stroke-width": 2, "stroke-linecap": "round" }, paths),
      ...placed.flatMap((row) => rowSvg(row, right(row))),
    ],
  });
  return drawing.svg;
}

const columnOf = ({ x, depth }: Placed, columnWidth: number): number =>
  Math.round((x - depth * INDENT - LEFT) / (columnWidth + GAP));

function summary(walk: PageWalk, undrawn: number, cutRows: number): string {
  const odd = walk.stops.filter((stop) => stop.odd.length > 0).length;
  return [
    `${walk.stops.length} stops`,
    `${odd} odd`,
    `${walk.unreached.length} not reached`,
    ...(undrawn > 0 || cutRows > 0 ? [`${Math.max(undrawn, cutRows)} more are not drawn`] : []),
  ].join(" · ");
}

/** What the marks mean, at the top right. */
function legend(): readonly Xml[] {
  const marks = [
    ["#0b63a5", "stop"],
    ["#b45309", "odd"],
    ["#b3261e", "not reached"],
  ] as const;
  return marks.flatMap(([colour, word], index) => {
    const x = WIDTH - MARGIN - 290 + index * 100;
    return [
      xml("circle", {
        cx: x,
        cy: 32,
        r: 7,
        ...(index === 2
          ? { fill: "#ffffff", stroke: colour, "stroke-width": 2, "stroke-dasharray": "3 2" }
          : { fill: colour }),
      }),
      xml("text", { x: x + 13, y: 36, fill: "#10243e" }, word),
    ];
  });
}

/** Straight down while nothing else is a stop between; in a bow where the way jumps. Nothing where a column ends. */
function pathBetween(from: Placed, to: Placed, isClear: boolean): readonly Xml[] {
  const [x1, y1, x2, y2] = [from.x + RADIUS, from.y + ROW / 2, to.x + RADIUS, to.y + ROW / 2];
  const isNextColumn = x2 - x1 > 100 && y2 < y1;
  const isBeside = Math.abs(x1 - x2) < 100;
  if (isBeside && isClear && y2 > y1 && from.position < to.position)
    return [xml("path", { d: `M${x1} ${y1} L${x2} ${y2}` })];
  if (isNextColumn && isClear && from.position < to.position) return [];
  const left = Math.max(8, Math.min(x1, x2) - Math.min(66, 24 + Math.abs(y2 - y1) / 5));
  return [
    xml("path", { d: `M${x1} ${y1} C${left} ${y1} ${left} ${y2} ${x2} ${y2}`, "stroke-dasharray": "5 4" }),
  ];
}

function rowSvg(row: Placed, right: number): readonly Xml[] {
  const middle = row.y + ROW / 2;
  const base = middle + 4.5;
  // All words stand beside the path, none across it.
  const textX = row.x + 2 * RADIUS + 8;
  const room = Math.max(8, Math.floor((right - textX) / 6.9));
  const text = (fill: string, more = {}) =>
    xml("text", { x: textX, y: base, fill, ...more }, shortened(row.text, room));
  const x = row.x + RADIUS;
  switch (row.kind) {
    case "landmark":
      return [
        xml("rect", {
          x: row.x,
          y: row.y + 3,
          width: right - row.x,
          height: ROW - 6,
          rx: 4,
          fill: "#e7eef4",
        }),
        text("#33475b", { "font-style": "italic" }),
      ];
    case "heading":
      return [text("#10243e", { "font-weight": 700 })];
    case "stop":
      return [
        xml("circle", {
          cx: x,
          cy: middle,
          r: RADIUS,
          fill: row.odd ? "#b45309" : "#0b63a5",
          stroke: "#ffffff",
          "stroke-width": 2,
        }),
        xml(
          "text",
          {
            x,
            y: middle + 3.8,
            "text-anchor": "middle",
            "font-size": (row.index ?? 0) > 99 ? 8 : 10.5,
            "font-weight": 700,
            fill: "#ffffff",
          },
          String(row.index),
        ),
        text("#10243e"),
      ];
    default:
      return [
        xml("circle", {
          cx: x,
          cy: middle,
          r: RADIUS - 2,
          fill: "#ffffff",
          stroke: "#b3261e",
          "stroke-width": 2,
          "stroke-dasharray": "3 2",
        }),
        text("#8c1d18"),
      ];
  }
}

/** Landmarks, headings, stops and what is not reached, as they are read; stops of frames stand at their frame. */
function rowsOf(walk: PageWalk): readonly Row[] {
  const { scene } = walk;
  const numbered = new Map<ElementNode, number[]>();
  const put = (element: ElementNode, index: number) =>
    numbered.set(element, [...(numbered.get(element) ?? []), index]);
  const frames = scene.page.index.byTag("iframe");
  for (const [index, { stop }] of walk.stops.entries()) {
    const frame = stop.document === scene ? undefined : frames.find((f) => scene.frame(f) === stop.document);
    put(frame ?? stop.element, index);
  }
  const missed = new Map(walk.unreached.map(({ node, heard, why }) => [node, `${heard}: ${why}`] as const));
  const rows: Row[] = [];
  const shown = new Set<ElementNode>();
  const tell = (element: ElementNode, depth: number) => {
    if (shown.has(element)) return;
    shown.add(element);
    for (const number of numbered.get(element) ?? []) {
      const stop = walk.stops[number];
      if (stop === undefined) continue;
      const odd = stop.odd.length === 0 ? "" : ` (${stop.odd.join("; ")})`;
      rows.push({
        kind: "stop",
        text: `${stop.announced}${odd}`,
        depth,
        index: stop.index,
        odd: stop.odd.length > 0,
      });
    }
    const missing = missed.get(element);
    if (missing !== undefined)
      rows.push({ kind: "unreached", text: missing, depth, index: null, odd: false });
  };
  const depths = new Map<ElementNode, number>();
  const root = accessibilityTree(scene);
  const heads = new Map<ElementNode, Row>();
  const stack: { readonly node: TreeNode; readonly depth: number }[] =
    root === null ? [] : [{ node: root, depth: 0 }];
  for (let current = stack.pop(); current !== undefined; current = stack.pop()) {
    const { node, depth } = current;
    if (node.kind === "text") continue;
    const isLandmark = isLandmarkRole(node.role) && !(node.role === "form" && node.name === "");
    depths.set(node.element, depth);
    if (isLandmark || node.role === "heading")
      heads.set(node.element, {
        kind: isLandmark ? "landmark" : "heading",
        text: isLandmark
          ? `${spokenRole(node.role, node.states, null)}${node.name === "" ? "" : ` "${node.name}"`}`
          : `${node.name === "" ? "heading without words" : node.name}  (level ${node.states.level ?? 2})`,
        depth,
        index: null,
        odd: false,
      });
    for (let i = node.children.length - 1; i >= 0; i--)
      stack.push({ node: node.children[i] as TreeNode, depth: depth + (isLandmark ? 1 : 0) });
  }
  let depth = 0;
  for (const element of scene.page.index.elements) {
    depth = depths.get(element) ?? depth;
    const head = heads.get(element);
    if (head !== undefined) rows.push(head);
    tell(element, head?.kind === "landmark" ? depth + 1 : depth);
  }
  return rows;
}
