import { inputType } from "../document/form-controls.ts";
import type { ElementNode } from "../document/node.ts";
import { attributeToken, hasAttribute } from "../document/written.ts";
import { type FocusDocument, formOwner } from "../focus/tab-sequence.ts";

/** How Enter in a control sends its form: by a press on a button, or by itself. */
export interface Submission {
  readonly form: ElementNode;
  /** The button that is pressed; null where the form has none, and is sent by its only field. */
  readonly by: ElementNode | null;
}

/** Fields that block implicit submission where there are several of them. HTML §4.10.22.2; date fields do not in browsers. */
const blocking = /^(?:text|search|tel|url|email|password|number)$/;

const submits = (element: ElementNode): boolean =>
  element.tag === "button"
    ? !/^(?:button|reset)$/.test(attributeToken(element, "type") ?? "")
    : element.tag === "input" && /^(?:submit|image)$/.test(inputType(element));

/** The controls of each form, in tree order. */
const controlsOf = new WeakMap<FocusDocument, ReadonlyMap<ElementNode, readonly ElementNode[]>>();

function controlsIn(document: FocusDocument): ReadonlyMap<ElementNode, readonly ElementNode[]> {
  const known = controlsOf.get(document);
  if (known !== undefined) return known;
  const controls = new Map<ElementNode, ElementNode[]>();
  for (const element of document.page.index.elements) {
    if (element.tag !== "input" && element.tag !== "button") continue;
    const form = formOwner(document, element);
    if (form === null) continue;
    const members = controls.get(form);
    if (members === undefined) controls.set(form, [element]);
    else members.push(element);
  }
  controlsOf.set(document, controls);
  return controls;
}

/**
 * What Enter in a control sends; null for nothing. HTML §4.10.22.2 "implicit submission". In a field for text a disabled
 * default button keeps the form from being sent; from other controls browsers pass it by, and need a button.
 */
export function implicitSubmission(document: FocusDocument, control: ElementNode): Submission | null {
  const form = formOwner(document, control);
  if (form === null) return null;
  const controls = controlsIn(document).get(form) ?? [];
  const buttons = controls.filter(submits);
  const isEnabled = (button: ElementNode) => !hasAttribute(button, "disabled");
  if (!blocking.test(inputType(control))) {
    const by = buttons.find(isEnabled);
    return by === undefined ? null : { form, by };
  }
  const [first] = buttons;
  if (first !== undefined) return isEnabled(first) ? { form, by: first } : null;
  const fields = controls.filter((one) => one.tag === "input" && blocking.test(inputType(one)));
  return fields.length === 1 ? { form, by: null } : null;
}
