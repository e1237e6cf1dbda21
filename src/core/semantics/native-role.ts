import type { DocumentIndex } from "../document/document-index.ts";
import { displaySize, inputType } from "../document/form-controls.ts";
import type { ElementNode } from "../document/node.ts";
import { attributeText, attributeToken, hasAttribute } from "../document/written.ts";
import { isDetailsSummary } from "../rendering/details-summary.ts";
import { hasAuthorName } from "./author-name.ts";
import type { ComputedRole, Semantics } from "./semantics.ts";
import { automaticScope, tableOf } from "./table-headers.ts";
import { inputRoles, type NativeCondition, nativeRoles } from "./tables/native-roles.ts";
import type { Role } from "./tables/roles.ts";

const sectioningTags = new Set(["article", "aside", "main", "nav", "section"]);
const sectioningRoles = new Set<Role>(["article", "complementary", "main", "navigation", "region"]);

const native = (role: Role | null, because: string): ComputedRole => ({
  role,
  native: role,
  from: "element",
  because,
  certain: true,
});

interface ReadyRow {
  readonly when: readonly NativeCondition[];
  readonly computed: ComputedRole;
}

/** The table with its answers made once: most elements of a page share a few of them. */
const readyRows: ReadonlyMap<string, readonly ReadyRow[]> = new Map(
  Object.entries(nativeRoles).map(([tag, rows]) => [
    tag,
    rows.map(({ when = [], role }) => ({
      when,
      computed: native(role, `<${tag}>${when.length === 0 ? "" : ` (${when.join(", ")})`}`),
    })),
  ]),
);
const readyInputs: ReadonlyMap<string, ComputedRole> = new Map(
  Object.entries(inputRoles).map(([type, { role }]) => [type, native(role, `<input type="${type}">`)]),
);

/** The role an element has by its kind, place and native attributes. HTML-AAM 1.0 §3.5. */
export function nativeRole(semantics: Semantics, element: ElementNode): ComputedRole {
  const { index } = semantics.page;
  if (element.namespace === "svg") return svgRole(index, element);
  if (element.namespace === "math") return native(element.tag === "math" ? "math" : null, `<${element.tag}>`);
  if (element.tag === "input") {
    const type = inputType(element);
    const withList = inputRoles[type]?.withList;
    const list = withList === undefined ? null : attributeText(element, "list");
    const isListed = list !== null && index.byId(element, list)?.tag === "datalist";
    if (withList !== undefined && isListed) return native(withList, `<input type="${type}"> with a list`);
    return readyInputs.get(type) ?? native(null, "<input>");
  }
  const row = readyRows
    .get(element.tag)
    ?.find(({ when }) => when.every((condition) => holds(semantics, element, condition)));
  return row?.computed ?? native("generic", `<${element.tag}>`);
}

function holds(semantics: Semantics, element: ElementNode, condition: NativeCondition): boolean {
  const { index } = semantics.page;
  switch (condition) {
    case "has href":
      return hasAttribute(element, "href") || element.spread !== null;
    case "outside sectioning":
      return !insideSectioning(semantics, element, false);
    case "in body scope":
      return !insideSectioning(semantics, element, true);
    case "named by author":
      return hasAuthorName(index, element);
    case "alt not empty":
      return (attributeText(element, "alt") ?? "") !== "";
    case "alt empty":
      return (
        attributeText(element, "alt") === "" &&
        !hasNamingAttribute(index, element) &&
        !hasAttribute(element, "tabindex")
      );
    case "in list":
      return listAround(semantics, element) === "list";
    case "parent list removed":
      return listAround(semantics, element) === "removed";
    case "table":
      return tableAround(semantics, element) === "table";
    case "grid":
      return tableAround(semantics, element) === "grid";
    case "table removed":
      return tableAround(semantics, element) === "removed";
    case "column header":
      return tableAround(semantics, element) !== null && headerKind(index, element) === "columnheader";
    case "row header":
      return tableAround(semantics, element) !== null && headerKind(index, element) === "rowheader";
    case "drop-down":
      return !hasAttribute(element, "multiple") && displaySize(element) <= 1;
    case "details summary":
      return isDetailsSummary(index, element);
    case "form-associated":
      return false;
    default:
      return condition satisfies never;
  }
}

function hasNamingAttribute(index: DocumentIndex, element: ElementNode): boolean {
  return (
    (attributeText(element, "aria-label")?.trim() ?? "") !== "" ||
    (hasAttribute(element, "aria-labelledby") && hasAuthorName(index, element))
  );
}

/** For `header` and `footer`: inside an article, aside, main, nav or section, or what plays such a part; for `aside` main does not count. */
function insideSectioning(semantics: Semantics, element: ElementNode, mainCounts: boolean): boolean {
  const { index } = semantics.page;
  for (let up = index.flatParent(element); up !== null; up = index.flatParent(up)) {
    if (!mainCounts && (up.tag === "main" || attributeToken(up, "role") === "main")) continue;
    const explicit = attributeToken(up, "role");
    if (explicit === null || explicit === "") {
      if (up.namespace === "html" && sectioningTags.has(up.tag)) return true;
      continue;
    }
    if (sectioningRoles.has(explicit as Role)) return true;
    // An element whose own role was taken away does not count; one with another role still is the element it is.
    if (up.namespace === "html" && sectioningTags.has(up.tag) && semantics.role(up).role !== "none")
      return true;
  }
  return false;
}

function listAround(semantics: Semantics, item: ElementNode): "list" | "removed" | null {
  const { index } = semantics.page;
  const parent = index.flatParent(item);
  if (isAtTop(parent)) return index.document.kind === "component" ? "list" : null;
  if (parent === null || parent.namespace !== "html") return null;
  const { role } = semantics.role(parent);
  if (role === "list" || role === "directory") return "list";
  const isListElement =
    parent.tag === "ul" || parent.tag === "ol" || parent.tag === "menu" || parent.tag === "dir";
  return isListElement && role === "none" ? "removed" : null;
}

/** How the table an element is part of is told; null outside every table. */
function tableAround(semantics: Semantics, part: ElementNode): "table" | "grid" | "removed" | null {
  const { index } = semantics.page;
  for (let up = index.parent(part); up !== null; up = index.parent(up)) {
    if (up.tag !== "table" || up.namespace !== "html") continue;
    const { role } = semantics.role(up);
    if (role === "table") return "table";
    if (role === "grid" || role === "treegrid") return "grid";
    return role === "none" ? "removed" : null;
  }
  return index.document.kind === "component" ? "table" : null;
}

/** Whether nothing of the page is around: in a component, what its users put around it makes a part what it is. */
const isAtTop = (parent: ElementNode | null): boolean => parent === null || parent.tag === "body";

function headerKind(index: DocumentIndex, header: ElementNode): "columnheader" | "rowheader" | null {
  const scope = attributeToken(header, "scope");
  if (scope === "row" || scope === "rowgroup") return "rowheader";
  if (scope === "col" || scope === "colgroup") return "columnheader";
  return tableOf(index, header) === null ? "columnheader" : automaticScope(index, header);
}

/** SVG-AAM 1.0 §5.3: shapes and groups are told only when they are named or titled. */
function svgRole(index: DocumentIndex, element: ElementNode): ComputedRole {
  const because = `<${element.tag}>`;
  if (element.tag === "svg") return native("graphics-document", because);
  if (element.tag === "a")
    return native(
      hasAttribute(element, "href") || hasAttribute(element, "xlink:href") ? "link" : "group",
      because,
    );
  if (element.tag === "image") return native("image", because);
  if (element.tag === "foreignObject" || element.tag === "text") return native("group", because);
  const titled =
    hasNamingAttribute(index, element) || index.childElements(element).some((child) => child.tag === "title");
  return native(titled ? "graphics-symbol" : null, because);
}
