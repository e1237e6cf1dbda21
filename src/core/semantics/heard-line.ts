import type { ElementNode } from "../document/node.ts";
import type { Semantics, States } from "./semantics.ts";
import { spokenValue } from "./states.ts";
import { roleWords } from "./tables/role-words.ts";
import type { Role } from "./tables/roles.ts";
import { rolelessWord } from "./tree.ts";

/** How a state is spoken; null leaves it out. Order here is the order spoken. */
const stateWords: readonly (readonly [
  state: string,
  say: (value: string | number | boolean) => string | null,
])[] = [
  ["roledescription", () => null],
  ["checked", (v) => (v === "mixed" ? "partly checked" : v ? "checked" : "not checked")],
  ["pressed", (v) => (v === "mixed" ? "partly pressed" : v ? "pressed" : "not pressed")],
  ["selected", (v) => (v ? "selected" : null)],
  ["expanded", (v) => (v ? "expanded" : "collapsed")],
  ["haspopup", (v) => (v === false ? null : v === "listbox" ? null : `opens a ${v}`)],
  ["current", (v) => (v === true ? "current" : v === false ? null : `current ${v}`)],
  ["sort", (v) => (v === "none" ? null : `sorted ${v}`)],
  ["multiselectable", (v) => (v ? "several can be chosen" : null)],
  ["modal", (v) => (v ? "modal" : null)],
  ["required", (v) => (v ? "required" : null)],
  ["invalid", (v) => (v === false ? null : "invalid")],
  ["readonly", (v) => (v ? "read only" : null)],
  ["busy", (v) => (v ? "busy" : null)],
  ["disabled", (v) => (v ? "unavailable" : null)],
];

/** Roles of which the value is part of what is heard. */
const valued = new Set<Role>([
  "textbox",
  "searchbox",
  "combobox",
  "spinbutton",
  "slider",
  "meter",
  "progressbar",
  "scrollbar",
  "separator",
]);

/** The word for a role, with the level of a heading in it. */
export function spokenRole(role: Role, states: States, fallback: string | null): string {
  if (role === "heading") return states.level === undefined ? "heading" : `heading level ${states.level}`;
  if (typeof states.roledescription === "string") return states.roledescription;
  if (role === "generic" && fallback !== null) return fallback;
  return roleWords[role] ?? role;
}

/** The states worth hearing, in the order they are spoken. */
export const spokenStates = (states: States): readonly string[] =>
  stateWords.flatMap(([state, say]) => {
    const value = states[state];
    const spoken = value === undefined ? null : say(value);
    return spoken === null ? [] : [spoken];
  });

/** What is told of an element, as a tree has it. */
export interface Heard {
  readonly role: Role;
  readonly name: string;
  readonly states: States;
  readonly value: string | null;
  readonly element: ElementNode;
}

/** What is heard at an element, part by part. */
export interface HeardParts {
  readonly name: string;
  readonly role: Role;
  /** The word for the role; empty where none is spoken. */
  readonly spokenRole: string;
  /** Null where it has none, or none that is spoken. */
  readonly value: string | null;
  /** The words of states, in the order spoken. */
  readonly states: readonly string[];
}

export const heardParts = ({ role, name, states, value, element }: Heard): HeardParts => ({
  name,
  role,
  spokenRole: spokenRole(role, states, rolelessWord(element)),
  value: valued.has(role) ? value : null,
  states: spokenStates(states),
});

export const heardPartsOf = (semantics: Semantics, element: ElementNode): HeardParts =>
  heardParts({
    role: semantics.role(element).role ?? "generic",
    name: semantics.name(element).text,
    states: semantics.states(element),
    value: spokenValue(semantics, element),
    element,
  });

/**
 * What is heard when one arrives at an element: `"Book slip 4" button, expanded`. Name, role, value and states in the
 * order a screen reader speaks them; a wording of our own that follows no product.
 */
export function heardLine({ name, spokenRole: role, value, states }: HeardParts): string {
  const parts = [role, ...(value === null ? [] : [`"${value}"`]), ...states];
  const said = parts.filter((part) => part !== "").join(", ");
  return name === "" ? said : `"${name}" ${said}`;
}

/** The heard line of an element of a page. */
export const heardLineOf = (semantics: Semantics, element: ElementNode): string =>
  heardLine(heardPartsOf(semantics, element));
