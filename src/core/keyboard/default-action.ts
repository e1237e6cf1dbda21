import { displaySize, inputType, textTypes } from "../document/form-controls.ts";
import type { ElementNode } from "../document/node.ts";
import { hasAttribute } from "../document/written.ts";
import type { FocusDocument } from "../focus/tab-sequence.ts";
import { focusCause } from "../rendering/focusable.ts";
import { implicitSubmission, type Submission } from "./implicit-submission.ts";
import { isPrintable, type KeyPress, namedKey, type Way } from "./named-keys.ts";

/** The event whose default action it is: who prevents that, or the one before, prevents it. UI Events §5. */
export type KeyPhase = "keydown" | "keypress" | "keyup";

/** What the browser does when nobody prevents it. */
export type DefaultAction =
  | { readonly kind: "move focus"; readonly by: 1 | -1 }
  | { readonly kind: "activate" | "toggle"; readonly element: ElementNode; readonly on: KeyPhase }
  /** The next, the one before, the first or the last choice of a group or list. */
  | { readonly kind: "select"; readonly element: ElementNode; readonly to: Way }
  /** The first choice whose words begin with a letter. */
  | { readonly kind: "find"; readonly element: ElementNode; readonly letter: string }
  /** By how much a value goes: by steps, by a page, or to an end. */
  | { readonly kind: "step"; readonly element: ElementNode; readonly to: Way; readonly isPage: boolean }
  | { readonly kind: "open" | "close" | "clear"; readonly element: ElementNode }
  | ({ readonly kind: "submit"; readonly element: ElementNode } & Submission)
  | { readonly kind: "type"; readonly element: ElementNode; readonly text: string }
  | { readonly kind: "erase"; readonly element: ElementNode }
  /** Goes to the element that goes by a letter, and presses it. */
  | { readonly kind: "use access key"; readonly letter: string }
  | { readonly kind: "scroll"; readonly to: Way }
  | { readonly kind: "nothing" };

const nothing: DefaultAction = { kind: "nothing" };

/**
 * The default action of a key while an element has focus; null for the page as a whole. HTML §6.4.2 "activation behaviour",
 * §4.10.22.2 "implicit submission", and as browsers do where the standard leaves it to the platform: each row of it is
 * pressed in a browser by the tests.
 * @param open what lies above the page, the latest last: modal dialogs and popovers
 */
export function defaultAction(
  document: FocusDocument,
  focused: ElementNode | null,
  press: KeyPress,
  open: readonly ElementNode[] = [],
): DefaultAction {
  const { key, shift = false, alt = false, ctrl = false, meta = false } = press;
  if (ctrl || meta) return nothing;
  if (alt && isPrintable(key)) return { kind: "use access key", letter: key };
  if (key === "Tab") return { kind: "move focus", by: shift ? -1 : 1 };
  if (key === "Escape") return closing(focused, open);
  const action = focused === null ? nothing : actionOf(document, focused, press);
  return action.kind === "nothing" ? scrolling(document, focused, key, shift) : action;
}

/** Escape closes what lies on top. HTML §6.11, "close watchers": a dialog that is merely open, and a manual popover, have none. */
function closing(focused: ElementNode | null, open: readonly ElementNode[]): DefaultAction {
  const top = open.findLast((one) => one.attributes.get("popover")?.value !== "manual");
  if (top !== undefined) return { kind: "close", element: top };
  return focused?.tag === "input" && inputType(focused) === "search"
    ? { kind: "clear", element: focused }
    : nothing;
}

function actionOf(document: FocusDocument, element: ElementNode, press: KeyPress): DefaultAction {
  const { key } = press;
  if (element.tag === "input" && element.namespace === "html") return inputAction(document, element, press);
  if (element.tag === "select") return selectAction(element, press);
  const cause = focusCause(document.page.index, element);
  if (element.tag === "textarea" || cause === "editable") return textAction(element, press);
  if (cause === "summary" || element.tag === "details") return pressing("toggle", element, key);
  if (cause === "control") return pressing("activate", element, key);
  // Links are followed before the key is told as pressed.
  if (cause === "link") return key === "Enter" ? { kind: "activate", element, on: "keydown" } : nothing;
  if (cause === "media controls") return key === " " ? { kind: "toggle", element, on: "keyup" } : nothing;
  return nothing;
}

/** Enter presses when it is told as pressed, Space when it is let go. */
function pressing(kind: "activate" | "toggle", element: ElementNode, key: string): DefaultAction {
  if (key === "Enter") return { kind, element, on: "keypress" };
  return key === " " ? { kind, element, on: "keyup" } : nothing;
}

function textAction(element: ElementNode, { key }: KeyPress): DefaultAction {
  if (key === "Enter") return { kind: "type", element, text: "\n" };
  if (key === "Backspace") return { kind: "erase", element };
  return isPrintable(key) ? { kind: "type", element, text: key } : movesCaret(key);
}

/** In text the arrow keys move the caret: they neither scroll nor leave. */
function movesCaret(key: string): DefaultAction {
  const way = namedKey(key)?.way;
  return way === undefined ? nothing : { kind: "scroll", to: way };
}

function inputAction(document: FocusDocument, element: ElementNode, press: KeyPress): DefaultAction {
  const { key } = press;
  const type = inputType(element);
  const { way, isPage = false, isVertical = false } = namedKey(key) ?? {};
  if (/^(?:button|submit|reset|image|color|file)$/.test(type)) return pressing("activate", element, key);
  if (type === "checkbox" || type === "radio") {
    if (key === " ") return { kind: type === "checkbox" ? "toggle" : "activate", element, on: "keyup" };
    const isArrow = (way === 1 || way === -1) && !isPage;
    if (type === "radio" && isArrow) return { kind: "select", element, to: way };
  }
  if (key === "Enter") {
    const submission = implicitSubmission(document, element);
    return submission === null ? nothing : { kind: "submit", element, ...submission };
  }
  if (type === "checkbox" || type === "radio") return nothing;
  const steps = type === "number" ? isVertical : !textTypes.has(type);
  if (steps && way !== undefined) {
    // Up is more: the other way round than in a list.
    const isUpright = (isVertical || isPage) && typeof way === "number";
    return { kind: "step", element, to: isUpright ? (-way as Way) : way, isPage };
  }
  return textAction(element, press);
}

function selectAction(element: ElementNode, { key, alt = false }: KeyPress): DefaultAction {
  const { way, isVertical = false } = namedKey(key) ?? {};
  const dropsDown = !hasAttribute(element, "multiple") && displaySize(element) <= 1;
  if (dropsDown && (key === " " || (alt && isVertical && way === 1))) return { kind: "open", element };
  if (way !== undefined) return { kind: "select", element, to: way };
  return isPrintable(key) && key !== " " ? { kind: "find", element, letter: key } : nothing;
}

function scrolling(
  { page }: FocusDocument,
  focused: ElementNode | null,
  key: string,
  shift: boolean,
): DefaultAction {
  // Where keys write or press, they do not scroll as well.
  const cause = focused === null ? null : focusCause(page.index, focused);
  if (cause === "control" || cause === "editable") return nothing;
  if (key === " ") return { kind: "scroll", to: shift ? -1 : 1 };
  const way = namedKey(key)?.way;
  return way === undefined ? nothing : { kind: "scroll", to: way };
}
