import { NO } from "../css/certainty.ts";
import { elementsAbove, elementsBelow, firstOf } from "../document/around.ts";
import type { ElementNode } from "../document/node.ts";
import { pointerHandlerOf } from "../document/pointer-handler.ts";
import { textContent } from "../document/text-content.ts";
import { attributeText, hasAttribute } from "../document/written.ts";
import { focusCause, isFocusable, tabindexOf } from "../rendering/focusable.ts";
import type { Semantics } from "../semantics/semantics.ts";
import { type Role, roleRow } from "../semantics/tables/roles.ts";

/** Something a pointer can use, or that is called a widget, at which Tab does not stop; and why not. */
export interface Unreached {
  readonly element: ElementNode;
  readonly why: string;
}

/** Items of widgets, among which the arrow keys move: that only one of them is a stop is as it should be. */
const items = new Set<Role>([
  "tab",
  "option",
  "menuitem",
  "menuitemcheckbox",
  "menuitemradio",
  "radio",
  "treeitem",
  "gridcell",
  "row",
  "columnheader",
  "rowheader",
]);

const takesFocus = new Set(["a", "button", "input", "select", "textarea", "summary"]);

/** Everything one would expect Tab to reach, and that it does not, in document order. */
export function unreachedIn(semantics: Semantics, stops: ReadonlySet<ElementNode>): readonly Unreached[] {
  const { index } = semantics.page;
  const found: Unreached[] = [];
  for (const element of index.elements) {
    if (stops.has(element)) continue;
    const why = whyUnreached(semantics, element, stops);
    if (why !== null) found.push({ element, why });
  }
  return found;
}

function whyUnreached(
  semantics: Semantics,
  element: ElementNode,
  stops: ReadonlySet<ElementNode>,
): string | null {
  const { page, presence } = semantics;
  // The usual element neither takes focus by itself nor says anything of it.
  if (element.attributes.size === 0 && !takesFocus.has(element.tag)) return null;
  const { visible, inert, rendered } = presence.of(element);
  const cause = focusCause(page.index, element);
  const tabindex = tabindexOf(element);
  if (rendered === NO) return null;
  if (cause !== null && cause !== "dialog" && cause !== "tabindex") {
    if (inert) return "it is inert, or in something inert";
    if (visible === NO) return null;
    if (isFocusable(page, presence, element) === false)
      return hasAttribute(element, "disabled")
        ? "it is disabled"
        : element.tag === "area"
          ? "no image that is shown uses its map"
          : "its fieldset is disabled";
    if (tabindex !== null && tabindex < 0)
      return isItem(semantics, element) ? null : `tabindex="${tabindex}" takes it out of the order`;
    return null;
  }
  if (visible === NO || inert) return null;
  const event = pointerHandlerOf(element)?.event;
  const { role, from } = semantics.role(element);
  if (
    event !== undefined &&
    !/^(?:html|body|label|option|form)$/.test(element.tag) &&
    !insideStop(semantics, element, stops)
  )
    return tabindex !== null && tabindex < 0
      ? `${event} handler, and tabindex="${tabindex}" takes it out of the order`
      : element.tag === "a"
        ? `${event} handler on a link without an address`
        : `${event} handler on a <${element.tag}> that takes no focus`;
  if (
    from === "role attribute" &&
    role !== null &&
    isWidget(role) &&
    !items.has(role) &&
    !holdsStop(semantics, element, stops)
  )
    return tabindex !== null && tabindex < 0
      ? `role ${role}, and tabindex="${tabindex}" takes it out of the order`
      : `role ${role} on a <${element.tag}> that takes no focus`;
  if (
    element.tag === "a" &&
    attributeText(element, "href") === null &&
    attributeText(element, "name") === null &&
    attributeText(element, "id") === null &&
    textContent(element) !== "" &&
    role === "generic"
  )
    return "a link without an address";
  return null;
}

const isWidget = (role: Role): boolean => {
  const { kind } = roleRow(role);
  return (
    kind.includes("widget") && !kind.includes("structure") && role !== "separator" && role !== "progressbar"
  );
};

const isItem = (semantics: Semantics, element: ElementNode): boolean => {
  const { role } = semantics.role(element);
  return role !== null && items.has(role);
};

const insideStop = (semantics: Semantics, element: ElementNode, stops: ReadonlySet<ElementNode>): boolean =>
  firstOf(elementsAbove(semantics.page.index, element), (up) => stops.has(up)) !== null;

const holdsStop = (semantics: Semantics, element: ElementNode, stops: ReadonlySet<ElementNode>): boolean =>
  firstOf(elementsBelow(semantics.page.index, element), (inside) => stops.has(inside)) !== null ||
  insideStop(semantics, element, stops);
