import { isDisabled } from "../document/disabled.ts";
import type { DocumentIndex } from "../document/document-index.ts";
import { inputType, selectedOptions, textTypes } from "../document/form-controls.ts";
import type { ElementNode } from "../document/node.ts";
import { attributeText, attributeUnknown, hasAttribute } from "../document/written.ts";
import { type Certainty, MAYBE, NO, not, YES } from "./certainty.ts";

const sure = (holds: boolean): Certainty => (holds ? YES : NO);
const threeValued = (holds: boolean | "unknown"): Certainty => (holds === "unknown" ? MAYBE : sure(holds));

const canBeDisabled = new Set(["button", "input", "select", "textarea", "fieldset", "optgroup", "option"]);
const takesRequired = new Set(["input", "select", "textarea"]);

/** Pseudo-classes that never hold while a page stands as loaded and nobody acts. */
const neverAsLoaded = new Set(
  "visited target target-within target-current target-before target-after playing paused seeking buffering stalled muted volume-locked fullscreen picture-in-picture user-valid user-invalid autofill -webkit-autofill -webkit-full-screen active-view-transition popover-open modal current past future local-link blank interest-source interest-target".split(
    " ",
  ),
);

/** Whether an element is in the state a pseudo-class names, as the page is loaded. HTML §4.16.3. Unknown names may hold. */
export function elementState(index: DocumentIndex, element: ElementNode, name: string): Certainty {
  if (neverAsLoaded.has(name)) return NO;
  const { tag } = element;
  const html = element.namespace === "html";
  const isInput = html && tag === "input";
  switch (name) {
    case "link":
    case "any-link":
    case "-webkit-any-link":
      if (tag !== "a" && tag !== "area") return NO;
      if (hasAttribute(element, "href") || hasAttribute(element, "xlink:href")) return YES;
      return attributeUnknown(element, "href") ? MAYBE : NO;
    case "disabled":
      return threeValued(isDisabled(index, element));
    case "enabled":
      return html && canBeDisabled.has(tag) ? not(threeValued(isDisabled(index, element))) : NO;
    case "checked":
      if (isInput && /^(?:checkbox|radio)$/.test(inputType(element)))
        return hasAttribute(element, "checked") ? YES : attributeUnknown(element, "checked") ? MAYBE : NO;
      if (html && tag === "option") {
        let select = index.parent(element);
        while (select !== null && select.tag !== "select") select = index.parent(select);
        return sure(
          select === null
            ? hasAttribute(element, "selected")
            : selectedOptions(index, select).includes(element),
        );
      }
      return NO;
    case "default":
      if (isInput || tag === "option")
        return hasAttribute(element, tag === "option" ? "selected" : "checked")
          ? YES
          : inputType(element) === "submit"
            ? MAYBE
            : NO;
      return tag === "button" ? MAYBE : NO;
    case "indeterminate":
      if (tag === "progress") return sure(!hasAttribute(element, "value"));
      return isInput && inputType(element) === "radio" && !hasAttribute(element, "checked") ? MAYBE : NO;
    case "required":
      return html && takesRequired.has(tag)
        ? hasAttribute(element, "required")
          ? YES
          : attributeUnknown(element, "required")
            ? MAYBE
            : NO
        : NO;
    case "optional":
      return html && takesRequired.has(tag) ? not(elementState(index, element, "required")) : NO;
    case "read-write":
      return readWrite(index, element);
    case "read-only":
      return not(readWrite(index, element));
    case "placeholder-shown": {
      const takes =
        (isInput && (textTypes.has(inputType(element)) || inputType(element) === "number")) ||
        (html && tag === "textarea");
      if (!takes || !hasAttribute(element, "placeholder")) return NO;
      const value =
        tag === "textarea"
          ? element.children.length > 0
            ? "text"
            : ""
          : (attributeText(element, "value") ?? "");
      return sure(value === "");
    }
    case "open":
      return tag === "details" || tag === "dialog" ? sure(hasAttribute(element, "open")) : NO;
    case "defined":
      return sure(!tag.includes("-") || element.shadow !== null || !html);
    case "valid":
    case "invalid":
    case "in-range":
    case "out-of-range":
      return takesRequired.has(tag) || tag === "form" || tag === "fieldset" ? MAYBE : NO;
    case "heading":
      return sure(/^h[1-6]$/.test(tag));
    default:
      return MAYBE;
  }
}

function readWrite(index: DocumentIndex, element: ElementNode): Certainty {
  const typed =
    element.tag === "textarea" ||
    (element.tag === "input" &&
      (textTypes.has(inputType(element)) ||
        /^(?:date|month|week|time|datetime-local|number)$/.test(inputType(element))));
  if (typed) return hasAttribute(element, "readonly") ? NO : not(threeValued(isDisabled(index, element)));
  for (let up: ElementNode | null = element; up !== null; up = index.parent(up)) {
    const editable = attributeText(up, "contenteditable")?.toLowerCase();
    if (editable !== undefined) return sure(editable !== "false");
  }
  return NO;
}
