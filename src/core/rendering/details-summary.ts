import type { DocumentIndex } from "../document/document-index.ts";
import type { ElementNode } from "../document/node.ts";

/** Whether this is the summary that opens its details: the first `summary` child. HTML §4.11.2. */
export function isDetailsSummary(index: DocumentIndex, element: ElementNode): boolean {
  if (element.tag !== "summary" || element.namespace !== "html") return false;
  const parent = index.parent(element);
  return (
    parent?.tag === "details" &&
    index.childElements(parent).find((child) => child.tag === "summary") === element
  );
}
