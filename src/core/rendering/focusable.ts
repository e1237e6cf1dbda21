import { NO } from "../css/certainty.ts";
import { elementsBelow, firstOf } from "../document/around.ts";
import { isDisabled } from "../document/disabled.ts";
import type { DocumentIndex } from "../document/document-index.ts";
import { inputType } from "../document/form-controls.ts";
import type { ElementNode } from "../document/node.ts";
import { attributeText, attributeUnknown, hasAttribute } from "../document/written.ts";
import { isDetailsSummary } from "./details-summary.ts";
import { areaIsUsed } from "./image-map.ts";
import type { Page } from "./page.ts";
import type { PresenceMap } from "./presence.ts";

/** The parsed `tabindex`: null where absent or no integer. HTML §2.3.4.1, "rules for parsing integers". */
export function tabindexOf(element: ElementNode): number | null {
  const text = attributeText(element, "tabindex");
  const match = text === null ? null : /^[ \t\n\f\r]*([+-]?\d+)/.exec(text);
  if (match === null) return null;
  const value = Number(match[1]);
  return Math.abs(value) > 2147483647 ? null : value;
}

/** Why an element takes focus. */
export type FocusCause =
  | "tabindex"
  | "link"
  | "control"
  | "summary"
  | "editable"
  | "frame"
  | "media controls"
  | "dialog";

/**
 * What makes the element focusable when it is rendered and not disabled: its kind or a tabindex; null for nothing.
 * HTML §6.6.3; kinds as browsers have them.
 */
export function focusCause(index: DocumentIndex, element: ElementNode): FocusCause | null {
  const kind = focusableKind(index, element);
  if (kind !== null) return kind;
  // What shows no document takes no focus, with a tabindex either.
  if (element.namespace === "html" && showsDocuments.has(element.tag)) return null;
  if (element.tag === "input" && inputType(element) === "hidden") return null;
  return tabindexOf(element) === null ? null : "tabindex";
}

const showsDocuments = new Set(["object", "embed"]);

/** Whether what an `object` or `embed` names may be a document: neither a picture nor nothing. HTML §4.8.7. */
function showsDocument(element: ElementNode): boolean {
  const address = attributeText(element, element.tag === "object" ? "data" : "src");
  const type = (
    attributeText(element, "type") ??
    /^data:([^;,]*)/i.exec(address ?? "")?.[1] ??
    ""
  ).toLowerCase();
  if (address === null) return /^(?:text\/|application\/(?:xhtml\+)?xml)/.test(type);
  if (/^image\/(?!svg)/.test(type)) return false;
  return type !== "" || !/\.(?:png|jpe?g|gif|webp|avif|bmp|ico|swf|class)(?:[?#]|$)/i.test(address);
}

function focusableKind(index: DocumentIndex, element: ElementNode): FocusCause | null {
  if (element.namespace === "svg" && element.tag === "use") return usesLink(index, element) ? "link" : null;
  if (element.namespace === "svg")
    return element.tag === "a" && (hasAttribute(element, "href") || hasAttribute(element, "xlink:href"))
      ? "link"
      : null;
  if (element.namespace !== "html") return null;
  switch (element.tag) {
    case "a":
    case "area":
      return hasAttribute(element, "href") ? "link" : editingHost(index, element);
    case "button":
    case "select":
    case "textarea":
      return "control";
    case "input":
      return inputType(element) === "hidden" ? null : "control";
    case "summary":
      return isDetailsSummary(index, element) ? "summary" : editingHost(index, element);
    case "iframe":
      return "frame";
    case "object":
    case "embed":
      return showsDocument(element) ? "frame" : null;
    case "audio":
    case "video":
      return hasAttribute(element, "controls") ? "media controls" : null;
    case "dialog":
      return hasAttribute(element, "open") ? "dialog" : null;
    default:
      return editingHost(index, element);
  }
}

/** Whether a `use` draws something that holds a link: browsers stop at the `use` then. SVG 2 §5.6. */
function usesLink(index: DocumentIndex, use: ElementNode): boolean {
  const href = attributeText(use, "href") ?? attributeText(use, "xlink:href") ?? "";
  const target = href.startsWith("#") ? index.byId(use, href.slice(1)) : null;
  const isLink = (element: ElementNode) =>
    element.tag === "a" && (hasAttribute(element, "href") || hasAttribute(element, "xlink:href"));
  return target !== null && (isLink(target) || firstOf(elementsBelow(index, target), isLink) !== null);
}

/** HTML §6.8.1: what can be edited, and stands in nothing that can. */
function editingHost(index: DocumentIndex, element: ElementNode): FocusCause | null {
  if (!element.attributes.has("contenteditable") || editableWord(element) !== true) return null;
  const parent = index.parent(element);
  return parent !== null && isEditable(index, parent) ? null : "editable";
}

/** What `contenteditable` says of an element; null where it says nothing, an unknown word included. */
function editableWord(element: ElementNode): boolean | null {
  const value = attributeText(element, "contenteditable")?.toLowerCase();
  if (value === "false") return false;
  return value === "" || value === "true" || value === "plaintext-only" ? true : null;
}

function isEditable(index: DocumentIndex, element: ElementNode): boolean {
  for (let up: ElementNode | null = element; up !== null; up = index.parent(up)) {
    const word = up.attributes.has("contenteditable") ? editableWord(up) : null;
    if (word !== null) return word;
  }
  return false;
}

/** Whether script or a click can put focus on the element. HTML §6.6.2 "focusable area". `unknown`: source does not tell. */
export function isFocusable(page: Page, presence: PresenceMap, element: ElementNode): boolean | "unknown" {
  const cause = focusCause(page.index, element);
  const mayHaveCause =
    cause === null &&
    (attributeUnknown(element, "tabindex") ||
      attributeUnknown(element, "href") ||
      attributeUnknown(element, "contenteditable"));
  if (cause === null && !mayHaveCause) return false;
  const { rendered, visible, inert } = presence.of(element);
  if (inert || rendered === NO || visible === NO) return false;
  if (page.styles.keyword(element, "display") === "contents") return false;
  if (element.tag === "area" && !areaIsUsed(page, presence, element)) return false;
  const disabled = isDisabled(page.index, element);
  if (disabled === true && element.tag !== "fieldset") return false;
  return mayHaveCause || disabled === "unknown" ? "unknown" : true;
}

/** Whether Tab stops here, by the element alone: groups of radio buttons and frames have rules of their own. */
export function isTabbable(page: Page, presence: PresenceMap, element: ElementNode): boolean | "unknown" {
  const focusable = isFocusable(page, presence, element);
  if (focusable === false) return false;
  const tabindex = tabindexOf(element);
  if (tabindex !== null) return tabindex >= 0 ? focusable : false;
  const cause = focusCause(page.index, element);
  if (cause === "dialog") return false;
  // In text that is being edited a link is text.
  if (cause === "link" && isEditable(page.index, element)) return false;
  return attributeUnknown(element, "tabindex") ? "unknown" : focusable;
}
