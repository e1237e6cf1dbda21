import type { SourceAnswer } from "../../answers/element-answer.ts";
import type { Inspection } from "../../answers/inspect.ts";
import type { PageTree } from "../../answers/tree.ts";
import { heardLine, heardParts } from "../../core/semantics/heard-line.ts";
import { roleRow } from "../../core/semantics/tables/roles.ts";
import type { ElementTreeNode, TreeNode } from "../../core/semantics/tree.ts";
import type { Paint } from "./paint.ts";
import { printable } from "./printable.ts";
import { cut, sourceFrame } from "./source-frame.ts";

export interface TreeView {
  readonly paint: Paint;
  /** Shows where each name came from. */
  readonly names: boolean;
  /** Only nodes of this role, as a list. */
  readonly only: string | null;
}

/** The tree of a page as indented heard lines. */
export function* treeText(page: PageTree, view: TreeView): Iterable<string> {
  const { colours, width } = view.paint;
  yield `${colours.bold(printable(page.target))}\n`;
  let shown = 0;
  const stack: { node: TreeNode; depth: number; parentName: string }[] = [
    { node: page.root, depth: 0, parentName: "" },
  ];
  for (let current = stack.pop(); current !== undefined; current = stack.pop()) {
    const { node, depth, parentName } = current;
    const indent = "  ".repeat(Math.min(view.only === null ? depth : 0, Math.floor(width / 4)));
    if (node.kind === "text") {
      // Text that its parent's name already says is not said twice.
      if (view.only !== null || parentName.includes(node.text)) continue;
      yield `${indent}${colours.dim(cut(printable(node.text), width - indent.length))}\n`;
      continue;
    }
    if (view.only === null || node.role === view.only) {
      shown++;
      yield `${indent}${nodeLine(page, node, view, width - indent.length)}\n`;
    }
    const spoken = node.nameFrom === "contents" || node.nameFrom === "summary" ? node.name : "";
    for (let i = node.children.length - 1; i >= 0; i--) {
      const child = node.children[i];
      if (child !== undefined) stack.push({ node: child, depth: depth + 1, parentName: spoken });
    }
  }
  if (view.only !== null && shown === 0) yield `${colours.dim(`nothing here has the role ${view.only}`)}\n`;
}

function nodeLine(page: PageTree, node: ElementTreeNode, view: TreeView, room: number): string {
  const { colours } = view.paint;
  const place = page.texts.place(node.element.source);
  const heard = printable(heardLine(heardParts(node)));
  const description =
    node.description === "" || node.description === node.name ? "" : `; ${printable(node.description)}`;
  const missing =
    node.name === "" &&
    node.certain &&
    roleRow(node.role).nameRequired === true &&
    roleRow(node.role).kind.includes("landmark") === false;
  const origin = view.names && node.name !== "" ? `  ← ${node.nameFrom}${originPlace(page, node)}` : "";
  const question = node.certain ? "" : "  (as far as source tells)";
  const where = view.only !== null && place !== null ? `  ${place.file}:${place.line}` : "";
  const tail = `${origin}${question}${where}`;
  const line = cut(`${heard}${description}`, Math.max(20, room - tail.length));
  return `${line}${missing ? colours.yellow("  (no name)") : ""}${colours.dim(tail)}`;
}

/** Line of the label or other element that gave the name, where it is not the element itself. */
function originPlace(page: PageTree, node: ElementTreeNode): string {
  const { index } = page.scene.page;
  const line = (source: SourceAnswer | null) => (source === null ? "" : ` line ${source.line}`);
  if (node.nameFrom === "label element")
    return index
      .labels(node.element)
      .map((label) => line(page.texts.place(label.source)))
      .join(",");
  if (node.nameFrom === "aria-labelledby") {
    const ids = node.element.attributes.get("aria-labelledby")?.value;
    return typeof ids === "string"
      ? ids
          .split(/\s+/)
          .map((id) => line(page.texts.place(index.byId(node.element, id)?.source ?? null)))
          .join("")
      : "";
  }
  return "";
}

/** One element in full: what it is given as, and why. */
export function inspectionText(inspection: Inspection, page: PageTree, paint: Paint): string {
  const { colours } = paint;
  const lines: string[] = [];
  const { source, element } = inspection;
  const row = (heading: string, text: string) =>
    lines.push(paint.paragraph(`  ${colours.dim(heading.padEnd(12))}`, text, 14));
  lines.push(colours.bold(printable(inspection.heard)));
  lines.push(
    colours.dim(`  ${source === null ? element.path : `${source.file}:${source.line}:${source.column}`}`),
  );
  const frame = source === null ? null : sourceFrame(page.texts, source, "", paint);
  if (frame !== null) lines.push(...frame.map((line) => `  ${line}`));
  lines.push("");
  row(
    "role",
    `${inspection.role.role ?? "none of WAI-ARIA"}, because of ${printable(inspection.role.because)}${inspection.role.certain ? "" : "; the rest hangs on a value that source does not give"}`,
  );
  row(
    "name",
    inspection.name.text === ""
      ? "none"
      : `"${printable(inspection.name.text)}"${inspection.name.certain ? "" : "  (as far as source tells)"}`,
  );
  for (const candidate of inspection.name.candidates) {
    const where =
      candidate.at.length === 0 ? "" : `, line ${candidate.at.map((place) => place.line).join(", ")}`;
    const mark = candidate.wins ? colours.green("✓") : colours.dim("·");
    lines.push(
      paint.paragraph(
        `  ${" ".repeat(12)}${mark} `,
        `${candidate.from}${where}: ${candidate.text === "" ? "empty" : `"${printable(candidate.text)}"`}${candidate.wins ? "" : colours.dim("  not used")}`,
        16,
      ),
    );
  }
  if (inspection.name.candidates.length === 0)
    lines.push(`  ${" ".repeat(12)}${colours.dim("· no source of a name here")}`);
  if (inspection.name.hides !== null)
    row(
      "",
      colours.yellow(
        `${inspection.name.candidates.find((c) => c.wins)?.from} hides the text "${printable(inspection.name.hides)}"`,
      ),
    );
  row(
    "description",
    inspection.description.text === ""
      ? "none"
      : `"${printable(inspection.description.text)}", from ${inspection.description.from}`,
  );
  const states = Object.entries(inspection.states).map(
    ([name, value]) => `${name}: ${printable(String(value))}`,
  );
  row("states", states.length === 0 ? "none" : states.join(", "));
  if (inspection.value !== null) row("value", `"${printable(inspection.value)}"`);
  const { focus } = inspection;
  row(
    "focus",
    `${focus.tabStop === null ? "may be a Tab stop" : focus.tabStop ? "Tab stops here" : focus.focusable === true ? "takes focus, but Tab does not stop here" : "takes no focus"}: ${focus.because}`,
  );
  const { hidden } = inspection;
  row(
    "exposed",
    hidden.exposed
      ? "yes"
      : hidden.because === null
        ? `no: ${hidden.reason}`
        : `no: ${hidden.reason}, because of ${printable(hidden.because.snippet)}${hidden.at === null ? "" : ` at line ${hidden.at.line}`}`,
  );
  row("path", printable(element.path));
  return `${lines.join("\n")}\n`;
}
