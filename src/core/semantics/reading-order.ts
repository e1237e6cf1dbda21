import type { DocumentIndex } from "../document/document-index.ts";
import type { ElementNode, Span } from "../document/node.ts";
import { textContent } from "../document/text-content.ts";
import { heardLine, heardParts, spokenRole, spokenStates } from "./heard-line.ts";
import type { Semantics } from "./semantics.ts";
import { headersOf, type TableGrid, tableGrid, tableOf } from "./table-headers.ts";
import type { Role } from "./tables/roles.ts";
import { foldSpaces } from "./text-collector.ts";
import { type ElementTreeNode, rolelessWord, type TreeNode } from "./tree.ts";

/** One line of what would be spoken. */
export interface SpeechLine {
  readonly text: string;
  /** How many containers are open around it. */
  readonly depth: number;
  readonly element: ElementNode | null;
  readonly source: Span | null;
  /** Whether it says that a container is left. */
  readonly isEnd: boolean;
}

/** Roles that are announced on the way in and on the way out. */
const containers = new Set<Role>([
  "banner",
  "complementary",
  "contentinfo",
  "main",
  "navigation",
  "region",
  "search",
  "form",
  "dialog",
  "alertdialog",
  "list",
  "listbox",
  "table",
  "grid",
  "treegrid",
  "tree",
  "menu",
  "menubar",
  "tablist",
  "tabpanel",
  "radiogroup",
  "toolbar",
  "figure",
  "blockquote",
  "article",
  "feed",
  "group",
  "alert",
  "status",
  "log",
  "application",
]);

/** Containers that are passed over in silence unless they have a name. */
const silentUnnamed = new Set<Role>([
  "group",
  "article",
  "form",
  "region",
  "figure",
  "status",
  "log",
  "toolbar",
]);

/** Roles whose name is their contents: one line says it all. */
const spokenWhole = new Set<Role>([
  "link",
  "button",
  "checkbox",
  "radio",
  "switch",
  "tab",
  "menuitem",
  "menuitemcheckbox",
  "menuitemradio",
  "option",
  "image",
  "textbox",
  "searchbox",
  "combobox",
  "spinbutton",
  "slider",
  "meter",
  "progressbar",
  "scrollbar",
  "tooltip",
  "math",
  "graphics-document",
  "graphics-symbol",
  "graphics-object",
  "doc-backlink",
  "doc-biblioref",
  "doc-glossref",
  "doc-noteref",
]);

const items = new Set<Role>(["listitem", "treeitem"]);
const cells = new Set<Role>(["cell", "gridcell", "columnheader", "rowheader"]);

interface Frame {
  readonly nodes: readonly TreeNode[];
  next: number;
  readonly depth: number;
  /** Said when all of it has been read. */
  readonly leaving: string | null;
  /** Whether the sentence around it goes on behind it. */
  readonly isInline?: true;
}

/** What would be spoken from the top of the page to its end. Wording of our own; it follows no product. */
export function readingOrder(semantics: Semantics, root: ElementTreeNode): readonly SpeechLine[] {
  const { index } = semantics.page;
  const lines: SpeechLine[] = [];
  let text = "";
  let textSource: Span | null = null;
  let lead = "";
  const flush = (depth: number) => {
    const said = foldSpaces(text);
    if (said !== "")
      lines.push({ text: `${lead}${said}`, depth, element: null, source: textSource, isEnd: false });
    if (said !== "") lead = "";
    text = "";
    textSource = null;
  };
  const say = (line: string, depth: number, element: ElementNode) => {
    lines.push({ text: `${lead}${line}`, depth, element, source: element.source, isEnd: false });
    lead = "";
  };

  lines.push({
    text: root.name === "" ? "page without a title" : `"${root.name}" page`,
    depth: 0,
    element: root.element,
    source: root.element.source,
    isEnd: false,
  });
  const stack: Frame[] = [{ nodes: root.children, next: 0, depth: 0, leaving: "end of page" }];
  for (let frame = stack.at(-1); frame !== undefined; frame = stack.at(-1)) {
    const node = frame.nodes[frame.next++];
    if (node === undefined) {
      if (frame.isInline !== true) flush(frame.depth);
      if (frame.leaving !== null) {
        lead = "";
        lines.push({
          text: frame.leaving,
          depth: Math.max(0, frame.depth - 1),
          element: null,
          source: null,
          isEnd: true,
        });
      }
      stack.pop();
      continue;
    }
    if (node.kind === "text") {
      textSource ??= node.source;
      text += ` ${node.text}`;
      continue;
    }
    const { role } = node;
    if (isInline(role)) {
      stack.push({ nodes: node.children, next: 0, depth: frame.depth, leaving: null, isInline: true });
      // Inline parts are spoken with the sentence around them.
      if (role === "generic" && node.name !== "") text += ` ${node.name}`;
      continue;
    }
    flush(frame.depth);
    // The caption has been said already, as the name of its table.
    if (role === "caption") continue;
    if (role === "heading" || spokenWhole.has(role)) {
      say(withDescription(heardLine(heardParts(node)), node), frame.depth, node.element);
      const inside = role === "heading" ? actionsIn(node) : [];
      if (inside.length > 0) stack.push({ nodes: inside, next: 0, depth: frame.depth + 1, leaving: null });
      continue;
    }
    if (cells.has(role)) {
      lead = cellLead(index, node);
      stack.push({ nodes: node.children, next: 0, depth: frame.depth, leaving: null });
      if (node.children.length === 0) {
        lines.push({
          text: `${lead}blank`,
          depth: frame.depth,
          element: node.element,
          source: node.element.source,
          isEnd: false,
        });
        lead = "";
      }
      continue;
    }
    if (items.has(role)) {
      lead = role === "treeitem" ? "" : "– ";
      if (role === "treeitem") say(heardLine(heardParts(node)), frame.depth, node.element);
      stack.push({
        nodes: role === "treeitem" ? node.children.filter((c) => c.kind === "element") : node.children,
        next: 0,
        depth: frame.depth + (role === "treeitem" ? 1 : 0),
        leaving: null,
      });
      continue;
    }
    if (containers.has(role) && !(silentUnnamed.has(role) && node.name === "")) {
      say(withDescription(entering(index, node), node), frame.depth, node.element);
      stack.push({
        nodes: node.children,
        next: 0,
        depth: frame.depth + 1,
        leaving: `end of ${spokenRole(role, node.states, null)}`,
      });
      continue;
    }
    if (role === "separator") {
      say("separator", frame.depth, node.element);
      continue;
    }
    const word = rolelessWord(node.element);
    if (role === "generic" && word !== null)
      say(withDescription(heardLine(heardParts(node)), node), frame.depth, node.element);
    // A block of its own: what was said before ends here, and so does what is in it.
    stack.push({ nodes: node.children, next: 0, depth: frame.depth, leaving: null });
  }
  return lines;
}

const inlineRoles = new Set<Role>([
  "strong",
  "emphasis",
  "code",
  "subscript",
  "superscript",
  "deletion",
  "insertion",
  "time",
  "mark",
  "suggestion",
]);
const isInline = (role: Role): boolean => inlineRoles.has(role);

const withDescription = (line: string, node: ElementTreeNode): string =>
  node.description === "" || node.description === node.name ? line : `${line}; ${node.description}`;

/** Links and buttons inside a heading: reached one by one. */
function actionsIn(heading: ElementTreeNode): readonly TreeNode[] {
  const found: TreeNode[] = [];
  const stack = [...heading.children].reverse();
  for (let node = stack.pop(); node !== undefined; node = stack.pop()) {
    if (node.kind === "text") continue;
    if (node.role === "link" || node.role === "button") found.push(node);
    else stack.push(...[...node.children].reverse());
  }
  return found;
}

function entering(index: DocumentIndex, node: ElementTreeNode): string {
  const base = heardLine(heardParts(node));
  if (node.role === "list") {
    const count = countOf(node, "listitem");
    return `${base}, ${count} ${count === 1 ? "item" : "items"}`;
  }
  if (
    (node.role === "table" || node.role === "grid" || node.role === "treegrid") &&
    node.element.tag === "table"
  ) {
    const grid = tableGrid(index, node.element);
    return `${base}, ${grid.rows.length} ${grid.rows.length === 1 ? "row" : "rows"}, ${grid.columns} ${grid.columns === 1 ? "column" : "columns"}`;
  }
  return base;
}

function countOf(node: ElementTreeNode, role: Role): number {
  return node.children.filter((child) => child.kind === "element" && child.role === role).length;
}

/** What is said before a cell: the headers it belongs to, or that it is one. */
function cellLead(index: DocumentIndex, node: ElementTreeNode): string {
  if (node.role === "columnheader" || node.role === "rowheader")
    return `${spokenRole(node.role, node.states, null)}${spokenStates(node.states)
      .map((s) => `, ${s}`)
      .join("")}: `;
  const table = tableOf(index, node.element);
  const grid: TableGrid | null = table === null ? null : tableGrid(index, table);
  const cell = grid?.cell(node.element) ?? null;
  if (grid === null || cell === null) return "";
  const headers = headersOf(index, grid, cell)
    .map(textContent)
    .filter((name) => name !== "");
  return headers.length === 0
    ? `row ${cell.row + 1}, column ${cell.column + 1}: `
    : `${headers.join(", ")}: `;
}
