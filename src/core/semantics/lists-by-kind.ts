import type { ElementNode } from "../document/node.ts";
import { attributeText, hasAttribute } from "../document/written.ts";
import { heardLine, heardParts, spokenRole } from "./heard-line.ts";
import type { SpeechLine } from "./reading-order.ts";
import type { Semantics } from "./semantics.ts";
import { tableGrid } from "./table-headers.ts";
import { type Role, roleRow } from "./tables/roles.ts";
import type { ElementTreeNode, TreeNode } from "./tree.ts";

/** What a screen-reader user can have listed, to move by. */
export const listKinds = ["headings", "landmarks", "links", "controls", "images", "tables"] as const;
export type ListKind = (typeof listKinds)[number];

const controlRoles = new Set<Role>([
  "button",
  "checkbox",
  "radio",
  "switch",
  "textbox",
  "searchbox",
  "combobox",
  "listbox",
  "spinbutton",
  "slider",
  "menuitem",
  "menuitemcheckbox",
  "menuitemradio",
  "tab",
]);

/** One of the lists people move by, each entry as it would be heard in it. */
export function listByKind(
  semantics: Semantics,
  root: ElementTreeNode,
  kind: ListKind,
): readonly SpeechLine[] {
  const nodes = elementNodes(root);
  switch (kind) {
    case "headings":
      return headings(nodes);
    case "landmarks":
      return landmarks(root);
    case "links":
      return links(nodes);
    case "controls":
      return nodes
        .filter((node) => controlRoles.has(node.role) || isRolelessControl(node))
        .map((node) => line(heardLine(heardParts(node)), 0, node.element));
    case "images":
      return images(nodes);
    case "tables":
      return nodes
        .filter((node) => node.role === "table" || node.role === "grid" || node.role === "treegrid")
        .map((node) => line(tableText(semantics, node), 0, node.element));
    default:
      return kind satisfies never;
  }
}

const line = (text: string, depth: number, element: ElementNode): SpeechLine => ({
  text,
  depth,
  element,
  source: element.source,
  isEnd: false,
});

const isRolelessControl = (node: ElementTreeNode): boolean =>
  node.element.tag === "input" && node.role === "generic";

function elementNodes(root: ElementTreeNode): readonly ElementTreeNode[] {
  const found: ElementTreeNode[] = [];
  const stack: TreeNode[] = [...root.children].reverse();
  for (let node = stack.pop(); node !== undefined; node = stack.pop()) {
    if (node.kind === "text") continue;
    found.push(node);
    for (let i = node.children.length - 1; i >= 0; i--) stack.push(node.children[i] as TreeNode);
  }
  return found;
}

/** Indented by level; a level that is passed over is said. */
function headings(nodes: readonly ElementTreeNode[]): readonly SpeechLine[] {
  let before = 0;
  return nodes
    .filter((node) => node.role === "heading")
    .map((node) => {
      const level = typeof node.states.level === "number" ? node.states.level : 2;
      const skipped = level > before + 1 && before > 0 ? `   (after level ${before})` : "";
      before = level;
      return line(
        `${level}  ${node.name === "" ? "(says nothing)" : node.name}${skipped}`,
        level - 1,
        node.element,
      );
    });
}

function landmarks(root: ElementTreeNode): readonly SpeechLine[] {
  const found: SpeechLine[] = [];
  const stack: { node: TreeNode; depth: number }[] = root.children
    .map((node) => ({ node, depth: 0 }))
    .reverse();
  for (let current = stack.pop(); current !== undefined; current = stack.pop()) {
    const { node, depth } = current;
    if (node.kind === "text") continue;
    const isLandmark = isLandmarkRole(node.role) && !(node.role === "form" && node.name === "");
    if (isLandmark) found.push(line(heardLine(heardParts(node)), depth, node.element));
    for (let i = node.children.length - 1; i >= 0; i--)
      stack.push({ node: node.children[i] as TreeNode, depth: depth + (isLandmark ? 1 : 0) });
  }
  return found;
}

export const isLandmarkRole = (role: Role): boolean =>
  roleRow(role).kind.includes("landmark") && !role.startsWith("doc-");

/** Each with where it leads; a name that leads to several places is said. */
function links(nodes: readonly ElementTreeNode[]): readonly SpeechLine[] {
  const all = nodes.filter((node) => node.role === "link");
  const places = new Map<string, Set<string>>();
  const target = (element: ElementNode) =>
    attributeText(element, "href") ?? attributeText(element, "xlink:href") ?? "";
  for (const node of all) {
    const name = node.name.toLowerCase();
    const known = places.get(name) ?? new Set<string>();
    places.set(name, known.add(target(node.element)));
  }
  return all.map((node) => {
    const count = places.get(node.name.toLowerCase())?.size ?? 1;
    const note = count > 1 && node.name !== "" ? `   (one of ${count} places of this name)` : "";
    return line(
      `${node.name === "" ? "(no name)" : `"${node.name}"`} → ${target(node.element) || "(no address)"}${note}`,
      0,
      node.element,
    );
  });
}

/** A picture without a name is shown as what would be read in its place: often the end of its address. */
function images(nodes: readonly ElementTreeNode[]): readonly SpeechLine[] {
  return nodes
    .filter(
      (node) => node.role === "image" || node.role === "graphics-document" || node.role === "graphics-symbol",
    )
    .map((node) => {
      if (node.name !== "")
        return line(`"${node.name}" ${spokenRole(node.role, node.states, null)}`, 0, node.element);
      const address =
        attributeText(node.element, "src")
          ?.replace(/[?#].*$/, "")
          .split("/")
          .at(-1) ?? "";
      return line(
        `(no name) ${spokenRole(node.role, node.states, null)}${address === "" ? "" : `, perhaps read as "${address}"`}`,
        0,
        node.element,
      );
    });
}

function tableText(semantics: Semantics, node: ElementTreeNode): string {
  if (node.element.tag !== "table") return heardLine(heardParts(node));
  const grid = tableGrid(semantics.page.index, node.element);
  const headers = grid.cells
    .filter((cell) => cell.element.tag === "th" || hasAttribute(cell.element, "scope"))
    .map((cell) => semantics.name(cell.element).text)
    .filter((name) => name !== "");
  return `${heardLine(heardParts(node))}, ${grid.rows.length} rows, ${grid.columns} columns; ${headers.length === 0 ? "no headers" : `headers ${headers.slice(0, 8).join(", ")}${headers.length > 8 ? " …" : ""}`}`;
}
