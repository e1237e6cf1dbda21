import { isDisabled } from "../document/disabled.ts";
import { inputType, selectedOptions, textTypes } from "../document/form-controls.ts";
import type { ElementNode } from "../document/node.ts";
import { attributeText, hasAttribute } from "../document/written.ts";
import { isDetailsSummary } from "../rendering/details-summary.ts";
import { focusCause } from "../rendering/focusable.ts";
import type { Semantics, States } from "./semantics.ts";
import { type Role, roleRow } from "./tables/roles.ts";
import { type StateRow, stateRow } from "./tables/states.ts";

type Draft = Record<string, string | number | boolean>;

/** Properties that are relations or names: told elsewhere, not as states. */
const notStates = new Set<string>([
  "label",
  "labelledby",
  "describedby",
  "description",
  "details",
  "controls",
  "owns",
  "flowto",
  "errormessage",
  "activedescendant",
  "hidden",
  "actions",
  "braillelabel",
  "brailleroledescription",
  "dropeffect",
  "grabbed",
]);

/** What is worth telling although it is the initial value: whether something is checked, opened or pressed. */
const toldWhenFalse = new Set(["checked", "expanded", "pressed", "selected"]);

/** The states and values of an element, native ones under their ARIA names. WAI-ARIA 1.2 §6.6, HTML-AAM 1.0 §3.6. */
export function computeStates(semantics: Semantics, element: ElementNode): States {
  const { role } = semantics.role(element);
  const result: Draft = {};
  for (const name of element.attributes.keys())
    if (name.startsWith("aria-")) addAria(semantics, element, role, name.slice("aria-".length), result);
  addFallbacks(role, result);
  if (result.disabled === undefined && isInDisabled(semantics, element)) result.disabled = true;
  if (element.namespace === "html" && mayHaveStates.test(element.tag)) addNative(semantics, element, result);
  return ordered(result);
}

/** `aria-disabled` is said of all that takes focus inside as well. WAI-ARIA 1.2 §6.6, `aria-disabled`. */
function isInDisabled({ page: { index } }: Semantics, element: ElementNode): boolean {
  if (focusCause(index, element) === null) return false;
  for (let up = index.flatParent(element); up !== null; up = index.flatParent(up))
    if (attributeText(up, "aria-disabled")?.trim().toLowerCase() === "true") return true;
  return false;
}

const noStates: States = {};

const ordered = (draft: Draft): States => {
  const names = Object.keys(draft);
  if (names.length === 0) return noStates;
  if (names.length === 1) return draft;
  return Object.fromEntries(names.sort().map((name) => [name, draft[name] as string | number | boolean]));
};

function addAria(
  semantics: Semantics,
  element: ElementNode,
  role: Role | null,
  name: string,
  result: Draft,
): void {
  const row = stateRow(name);
  if (notStates.has(name) || row === null) return;
  const text = attributeText(element, `aria-${name}`)?.trim() ?? "";
  if (text === "") return;
  if (row.global !== true && role !== null && !supports(role, name)) return;
  const value = stateValue(semantics, element, role, name, row, text);
  if (value === null || (value === false && !toldWhenFalse.has(name))) return;
  if (value === row.initial && !toldWhenFalse.has(name) && row.type === "token") return;
  result[name] = value;
}

export function supports(role: Role, state: string): boolean {
  const row = roleRow(role);
  return [
    row.required,
    row.supports,
    row.supportsWhenFocusable,
    row.requiredWhenFocusable,
    row.maySupport,
  ].some((list) => list?.includes(state) === true);
}

/** Reads a value as browsers do; null where it counts as absent. WAI-ARIA 1.2 §8.5. */
function stateValue(
  semantics: Semantics,
  element: ElementNode,
  role: Role | null,
  name: string,
  row: StateRow,
  text: string,
): string | number | boolean | null {
  const token = text.toLowerCase();
  switch (row.type) {
    case "true/false":
      return token !== "false";
    case "true/false/undefined":
      return token === "undefined" ? null : token !== "false";
    case "tristate":
      if (token === "undefined") return null;
      if (token === "mixed")
        return name === "checked" && (role === "switch" || role === "radio" || role === "menuitemradio")
          ? false
          : "mixed";
      return token !== "false";
    case "integer": {
      const value = Number.parseInt(text, 10);
      if (Number.isNaN(value)) return null;
      return name === "level" && value < 1 ? null : value;
    }
    case "number": {
      const value = Number.parseFloat(text);
      return Number.isNaN(value) ? null : value;
    }
    case "token":
      if (name === "invalid" || name === "current")
        return row.tokens?.includes(token) === true ? word(token) : true;
      if (name === "haspopup")
        return token === "true" ? "menu" : row.tokens?.includes(token) === true ? word(token) : false;
      return row.tokens?.includes(token) === true ? word(token) : null;
    case "token-list":
    case "string":
      return text;
    case "id-reference":
    case "id-reference-list":
      return semantics.page.index.byId(element, text) === null ? null : text;
    default:
      return row.type satisfies never;
  }
}

const word = (token: string): string | boolean =>
  token === "true" ? true : token === "false" ? false : token;

/** What a required state counts as while it is missing. WAI-ARIA 1.2 §5.2.6. */
function addFallbacks(role: Role | null, result: Draft): void {
  if (role === null) return;
  const { fallbacks } = roleRow(role);
  if (fallbacks === undefined) return;
  for (const [name, value] of Object.entries(fallbacks)) {
    if (result[name] !== undefined) continue;
    if (value === "=middle") {
      const low = typeof result.valuemin === "number" ? result.valuemin : 0;
      const high = typeof result.valuemax === "number" ? result.valuemax : 100;
      result[name] = (low + high) / 2;
    } else if (name === "expanded") continue;
    else result[name] = /^\d+$/.test(value) ? Number(value) : word(value);
  }
}

const headingLevels: Readonly<Record<string, number>> = { h1: 1, h2: 2, h3: 3, h4: 4, h5: 5, h6: 6 };

/** Elements with states of their own. */
const mayHaveStates =
  /^(?:h[1-6]|input|button|select|textarea|fieldset|optgroup|option|summary|progress|meter|td|th)$|-/;

/** HTML §4.10.5.3.4: types of `input` that `required` says nothing of. */
const neverRequired = new Set(["range", "color", "button", "submit", "reset", "image", "hidden"]);

/** Native states; they win over ARIA. ARIA in HTML §4, HTML-AAM 1.0 §3.6. */
function addNative(semantics: Semantics, element: ElementNode, result: Draft): void {
  const { index } = semantics.page;
  const { tag } = element;
  const { role } = semantics.role(element);
  const type = tag === "input" ? inputType(element) : null;
  const level = headingLevels[tag];
  if (level !== undefined && role === "heading" && !validLevel(element)) result.level = level;
  if (isDisabled(index, element) === true) result.disabled = true;
  if (
    (tag === "input" || tag === "select" || tag === "textarea") &&
    hasAttribute(element, "required") &&
    !(type !== null && neverRequired.has(type))
  )
    result.required = true;
  if (
    (tag === "textarea" ||
      (type !== null &&
        (textTypes.has(type) || /^(?:number|date|month|week|time|datetime-local)$/.test(type)))) &&
    hasAttribute(element, "readonly")
  )
    result.readonly = true;
  switch (tag) {
    case "input":
      if (type === "checkbox" || type === "radio") {
        if (!(role === "button" && result.pressed !== undefined))
          result.checked = hasAttribute(element, "checked");
        if (role === "button") delete result.checked;
      }
      if (type === "range" || type === "number")
        addRange(element, type === "range" ? { low: 0, high: 100 } : null, result);
      break;
    case "textarea":
      result.multiline = true;
      break;
    case "select":
      if (hasAttribute(element, "multiple")) result.multiselectable = true;
      else if (role === "combobox") {
        result.haspopup = "listbox";
        result.expanded = false;
      }
      break;
    case "option":
      result.selected = isSelected(semantics, element);
      break;
    case "details":
      break;
    case "summary":
      if (isDetailsSummary(index, element)) {
        const parent = index.parent(element);
        result.expanded = parent !== null && hasAttribute(parent, "open");
      }
      break;
    case "progress":
    case "meter":
      addRange(element, { low: 0, high: 1 }, result);
      break;
    case "td":
    case "th":
      for (const span of ["colspan", "rowspan"]) {
        const value = Number.parseInt(attributeText(element, span) ?? "", 10);
        if (value > 1) result[span] = value;
      }
      break;
    default:
  }
  const popover =
    tag === "button" || (type !== null && /^(?:button|submit|reset|image)$/.test(type))
      ? attributeText(element, "popovertarget")
      : null;
  if (popover !== null && index.byId(element, popover)?.attributes.has("popover") === true)
    result.expanded = false;
}

const validLevel = (element: ElementNode): boolean =>
  Number.parseInt(attributeText(element, "aria-level") ?? "", 10) >= 1;

function isSelected(semantics: Semantics, option: ElementNode): boolean {
  const { index } = semantics.page;
  let select = index.parent(option);
  while (select !== null && select.tag !== "select") select = index.parent(select);
  return select === null ? hasAttribute(option, "selected") : selectedOptions(index, select).includes(option);
}

function addRange(element: ElementNode, limits: { low: number; high: number } | null, result: Draft): void {
  const number = (name: string): number | null => {
    const value = Number.parseFloat(attributeText(element, name) ?? "");
    return Number.isNaN(value) ? null : value;
  };
  const low = number("min") ?? limits?.low ?? null;
  const high = number("max") ?? limits?.high ?? null;
  if (low !== null) result.valuemin = low;
  if (high !== null) result.valuemax = high;
  const value = number("value");
  if (value !== null)
    result.valuenow =
      low !== null && high !== null ? Math.min(Math.max(value, low), Math.max(low, high)) : value;
  else if (element.tag === "input" && limits !== null && low !== null && high !== null)
    result.valuenow = low + (high - low) / 2;
}

/** What an element says beside its name: the text in a field, the option chosen, a range's value; null for none. */
export function spokenValue(semantics: Semantics, element: ElementNode): string | null {
  const { index } = semantics.page;
  if (element.namespace === "html") {
    if (element.tag === "input") {
      const type = inputType(element);
      if (textTypes.has(type) || /^(?:number|date|month|week|time|datetime-local|color)$/.test(type)) {
        const value = attributeText(element, "value");
        return value === null || value === "" ? null : type === "password" ? "•".repeat(value.length) : value;
      }
    }
    if (element.tag === "textarea") {
      const text = element.children
        .map((child) => (child.kind === "text" && typeof child.value === "string" ? child.value : ""))
        .join("");
      return text === "" ? null : text;
    }
    if (element.tag === "select" && semantics.role(element).role === "combobox") {
      const [chosen] = selectedOptions(index, element);
      return chosen === undefined ? null : semantics.name(chosen).text;
    }
  }
  const spoken = attributeText(element, "aria-valuetext")?.trim();
  if (spoken !== undefined && spoken !== "") return spoken;
  const { valuenow } = semantics.states(element);
  return valuenow === undefined ? null : String(valuenow);
}
