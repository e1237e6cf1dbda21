import type { DocumentIndex } from "./document-index.ts";
import type { ElementNode } from "./node.ts";
import { attributeUnknown, hasAttribute } from "./written.ts";

const disableable = new Set(["button", "input", "select", "textarea", "fieldset", "optgroup", "option"]);
const formControls = new Set(["button", "input", "select", "textarea"]);

/**
 * Whether the element is actually disabled. HTML §4.16.3; a fieldset disables all in it but its first legend (§4.10.15).
 * `unknown` where the attribute's presence hangs on a value that source does not give.
 */
export function isDisabled(index: DocumentIndex, element: ElementNode): boolean | "unknown" {
  if (element.namespace !== "html") return false;
  const isDisableable = disableable.has(element.tag);
  if (isDisableable && hasAttribute(element, "disabled"))
    return attributeUnknown(element, "disabled") ? "unknown" : true;
  let unknown = isDisableable && attributeUnknown(element, "disabled");
  if (element.tag === "option") {
    const parent = index.parent(element);
    if (parent?.tag === "optgroup" && hasAttribute(parent, "disabled")) return true;
  }
  const isCustom = element.tag.includes("-");
  if (formControls.has(element.tag) || element.tag === "fieldset" || isCustom) {
    let below: ElementNode = element;
    for (let up = index.parent(element); up !== null; below = up, up = index.parent(up)) {
      if (up.tag !== "fieldset" || !hasAttribute(up, "disabled")) continue;
      const firstLegend = index.childElements(up).find((child) => child.tag === "legend");
      if (firstLegend !== undefined && firstLegend === below) continue;
      // A custom element is disabled only where its script makes it a control of forms. HTML §4.13.3.
      if (!attributeUnknown(up, "disabled") && !isCustom) return true;
      unknown = true;
    }
  }
  return unknown ? "unknown" : false;
}
