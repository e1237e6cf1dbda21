import { displaySize, inputType, textTypes } from "../document/form-controls.ts";
import type { ElementNode } from "../document/node.ts";
import { attributeToken, hasAttribute } from "../document/written.ts";
import { type FocusDocument, formOwner } from "../focus/tab-sequence.ts";
import { focusCause } from "../rendering/focusable.ts";

/** A key as it is pressed: `key` as in UI Events KeyboardEvent key Values. */
export interface KeyPress {
  readonly key: string;
  readonly shift?: boolean;
  readonly alt?: boolean;
}

/** What the browser does when nobody prevents it. */
export type DefaultAction =
  | { readonly kind: "move focus"; readonly by: 1 | -1 }
  | { readonly kind: "activate"; readonly element: ElementNode }
  | { readonly kind: "toggle"; readonly element: ElementNode }
  /** The next, the one before, the first or the last choice of a group, list or slider. */
  | {
      readonly kind: "select" | "step";
      readonly element: ElementNode;
      readonly to: 1 | -1 | "first" | "last";
    }
  | { readonly kind: "open" | "close"; readonly element: ElementNode }
  | { readonly kind: "submit"; readonly form: ElementNode }
  | { readonly kind: "type"; readonly element: ElementNode; readonly text: string }
  | { readonly kind: "scroll"; readonly to: 1 | -1 | "first" | "last" }
  | { readonly kind: "nothing" };

const nothing: DefaultAction = { kind: "nothing" };

/** Which way the keys go that move. */
const ways: Readonly<Record<string, 1 | -1 | "first" | "last">> = {
  ArrowDown: 1,
  ArrowRight: 1,
  PageDown: 1,
  ArrowUp: -1,
  ArrowLeft: -1,
  PageUp: -1,
  Home: "first",
  End: "last",
};

const isPrintable = (key: string): boolean => [...key].length === 1;

/**
 * The default action of a key while an element has focus; null for the page as a whole. HTML §6.4.2 "activation behaviour",
 * §4.10.21.2 "implicit submission", and as browsers do where the standard leaves it to the platform.
 */
export function defaultAction(
  document: FocusDocument,
  focused: ElementNode | null,
  { key, shift = false, alt = false }: KeyPress,
): DefaultAction {
  if (key === "Tab") return { kind: "move focus", by: shift ? -1 : 1 };
  if (key === "Escape") return closing(document, focused);
  const own = focused === null ? nothing : actionOf(document, focused, key, alt);
  return own.kind === "nothing" ? scrolling(document, focused, key, shift) : own;
}

/** Escape closes the nearest thing that is open around. HTML §6.12.2, "close watchers". */
function closing({ page }: FocusDocument, focused: ElementNode | null): DefaultAction {
  for (let up = focused; up !== null; up = page.index.flatParent(up)) {
    const isOpen = up.tag === "dialog" && hasAttribute(up, "open");
    if (up.namespace === "html" && (isOpen || hasAttribute(up, "popover")))
      return { kind: "close", element: up };
  }
  return nothing;
}

function actionOf(document: FocusDocument, element: ElementNode, key: string, alt: boolean): DefaultAction {
  const isEnter = key === "Enter";
  const isSpace = key === " ";
  if (element.tag === "input" && element.namespace === "html") return inputAction(document, element, key);
  if (element.tag === "select") return selectAction(element, key, alt);
  const cause = focusCause(document.page.index, element);
  if (element.tag === "textarea" || cause === "editable") {
    if (isEnter) return { kind: "type", element, text: "\n" };
    return isPrintable(key) ? { kind: "type", element, text: key } : movesCaret(key);
  }
  if (cause === "summary" || element.tag === "details")
    return isEnter || isSpace ? { kind: "toggle", element } : nothing;
  if (cause === "control") return isEnter || isSpace ? { kind: "activate", element } : nothing;
  if (cause === "link") return isEnter ? { kind: "activate", element } : nothing;
  if (cause === "media controls") return isSpace ? { kind: "toggle", element } : nothing;
  return nothing;
}

/** In text the arrow keys move the caret: they neither scroll nor leave. */
const movesCaret = (key: string): DefaultAction =>
  ways[key] === undefined ? nothing : { kind: "scroll", to: ways[key] };

function inputAction(document: FocusDocument, element: ElementNode, key: string): DefaultAction {
  const type = inputType(element);
  const way = ways[key];
  if (type === "checkbox" || type === "radio") {
    if (key === " ") return { kind: type === "checkbox" ? "toggle" : "activate", element };
    if (type === "radio" && (way === 1 || way === -1) && key.startsWith("Arrow"))
      return { kind: "select", element, to: way };
    return key === "Enter" ? submission(document, element) : nothing;
  }
  if (/^(?:button|submit|reset|image|color|file)$/.test(type))
    return key === "Enter" || key === " " ? { kind: "activate", element } : nothing;
  if (type === "range") return way === undefined ? nothing : { kind: "step", element, to: way };
  if (key === "Enter") return submission(document, element);
  if (type === "number" && (key === "ArrowUp" || key === "ArrowDown"))
    return { kind: "step", element, to: key === "ArrowUp" ? 1 : -1 };
  if (!textTypes.has(type) && type !== "number" && way !== undefined)
    return { kind: "step", element, to: way };
  return isPrintable(key) ? { kind: "type", element, text: key } : movesCaret(key);
}

function selectAction(element: ElementNode, key: string, alt: boolean): DefaultAction {
  const way = ways[key];
  const dropsDown = !hasAttribute(element, "multiple") && displaySize(element) <= 1;
  if (dropsDown && (key === " " || (alt && key === "ArrowDown"))) return { kind: "open", element };
  if (way !== undefined) return { kind: "select", element, to: way };
  return isPrintable(key) && key !== " " ? { kind: "type", element, text: key } : nothing;
}

function submission(document: FocusDocument, control: ElementNode): DefaultAction {
  const form = formOwner(document, control);
  return form !== null && submittable(document).has(form) ? { kind: "submit", form } : nothing;
}

const knownForms = new WeakMap<FocusDocument, ReadonlySet<ElementNode>>();

/** Forms that Enter in a field sends: through a submit button, or by their only field. HTML §4.10.21.2. */
function submittable(document: FocusDocument): ReadonlySet<ElementNode> {
  const known = knownForms.get(document);
  if (known !== undefined) return known;
  const fields = new Map<ElementNode, number>();
  const found = new Set<ElementNode>();
  for (const tag of ["input", "button"]) {
    for (const element of document.page.index.byTag(tag)) {
      const form = formOwner(document, element);
      if (form === null) continue;
      const type = tag === "input" ? inputType(element) : (attributeToken(element, "type") ?? "submit");
      const submits = tag === "input" ? /^(?:submit|image)$/.test(type) : !/^(?:button|reset)$/.test(type);
      if (submits) found.add(form);
      else if (tag === "input" && !/^(?:checkbox|radio|hidden|button|reset|range|color|file)$/.test(type))
        fields.set(form, (fields.get(form) ?? 0) + 1);
    }
  }
  for (const [form, count] of fields) if (count === 1) found.add(form);
  knownForms.set(document, found);
  return found;
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
  const way = ways[key];
  return way === undefined ? nothing : { kind: "scroll", to: way };
}
