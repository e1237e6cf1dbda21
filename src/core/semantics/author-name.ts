import type { DocumentIndex } from "../document/document-index.ts";
import { referencedElements } from "../document/document-index.ts";
import type { ElementNode } from "../document/node.ts";
import { attributeText, attributeUnknown } from "../document/written.ts";

/**
 * Whether the author gives the element a name by attribute: what makes a `section` a region. HTML-AAM 1.0 §3.5.
 * An attribute that source does not give counts: it is there to name.
 */
export function hasAuthorName(index: DocumentIndex, element: ElementNode): boolean {
  if (referencedElements(index, element, "aria-labelledby").length > 0) return true;
  for (const name of ["aria-label", "title"]) {
    if (!element.attributes.has(name)) continue;
    if (attributeUnknown(element, name) || attributeText(element, name)?.trim() !== "") return true;
  }
  return element.attributes.has("aria-labelledby") && attributeUnknown(element, "aria-labelledby");
}
