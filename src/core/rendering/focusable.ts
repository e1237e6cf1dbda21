import { NO } from "../css/certainty.ts";
import { isDisabled } from "../document/disabled.ts";
import type { DocumentIndex } from "../document/document-index.ts";
import { inputType } from "../document/form-controls.ts";
import type { ElementNode } from "../document/node.ts";
import { attributeText, attributeUnknown, hasAttribute } from "../document/written.ts";
import { isDetailsSummary } from "./details-summary.ts";
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
  if (element.tag === "input" && inputType(element) === "hidden") return null;
  return tabindexOf(element) === null ? null : "tabindex";
}

function focusableKind(index: DocumentIndex, element: ElementNode): FocusCause | null {
  if (element.namespace === "svg")
    return element.tag === "a" && (hasAttribute(element, "href") || hasAttribute(element, "xlink:href"))
      ? "link"
      : null;
  if (element.namespace !== "html") return null;
  switch (element.tag) {
    case "a":
    case "area":
      return hasAttribute(element, "href") ? "link" : editingHost(element);
    case "button":
    case "select":
    case "textarea":
      return "control";
    case "input":
      return inputType(element) === "hidden" ? null : "control";
    case "summary":
      return isDetailsSummary(index, element) ? "summary" : editingHost(element);
    case "iframe":
      return "frame";
    case "audio":
    case "video":
      return hasAttribute(element, "controls") ? "media controls" : null;
    case "dialog":
      return hasAttribute(element, "open") ? "dialog" : null;
    default:
      return editingHost(element);
  }
}

/** HTML §6.8.1. An unknown word is no editing host. */
function editingHost(element: ElementNode): FocusCause | null {
  const value = attributeText(element, "contenteditable")?.toLowerCase();
  return value === "" || value === "true" || value === "plaintext-only" ? "editable" : null;
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
  if (focusCause(page.index, element) === "dialog") return false;
  return attributeUnknown(element, "tabindex") ? "unknown" : focusable;
}
