/** How the value of a state or property is written. WAI-ARIA 1.2 §6.2.4. */
export type StateType =
  | "true/false"
  | "tristate"
  | "true/false/undefined"
  | "token"
  | "token-list"
  | "id-reference"
  | "id-reference-list"
  | "integer"
  | "number"
  | "string";

export interface StateRow {
  readonly type: StateType;
  readonly tokens?: readonly string[];
  readonly initial?: string;
  readonly global?: true;
  /** Since 1.2 only for roles that list it. */
  readonly globalDeprecated?: true;
  readonly deprecated?: true;
  /** Smallest integer that makes sense. */
  readonly min?: number;
  readonly draft?: true;
  /** The 1.3 draft allows a list of ids where 1.2 has one. */
  readonly draftList?: true;
}

/** Every state and property, without `aria-`. WAI-ARIA 1.2 §6.6, and those new in the 1.3 draft. */
export const states = {
  actions: { type: "id-reference-list", global: true, draft: true },
  activedescendant: { type: "id-reference" },
  atomic: { type: "true/false", tokens: ["true", "false"], initial: "false", global: true },
  autocomplete: { type: "token", tokens: ["inline", "list", "both", "none"], initial: "none" },
  braillelabel: { type: "string", global: true, draft: true },
  brailleroledescription: { type: "string", global: true, draft: true },
  busy: { type: "true/false", tokens: ["true", "false"], initial: "false", global: true },
  checked: { type: "tristate", tokens: ["true", "false", "mixed", "undefined"] },
  colcount: { type: "integer", min: -1 },
  colindex: { type: "integer", min: 1 },
  colindextext: { type: "string", draft: true },
  colspan: { type: "integer", min: 1 },
  controls: { type: "id-reference-list", global: true },
  current: {
    type: "token",
    tokens: ["page", "step", "location", "date", "time", "true", "false"],
    initial: "false",
    global: true,
  },
  describedby: { type: "id-reference-list", global: true },
  description: { type: "string", global: true, draft: true },
  details: { type: "id-reference", global: true, draftList: true },
  disabled: {
    type: "true/false",
    tokens: ["true", "false"],
    initial: "false",
    global: true,
    globalDeprecated: true,
  },
  dropeffect: {
    type: "token-list",
    tokens: ["copy", "execute", "link", "move", "none", "popup"],
    initial: "none",
    global: true,
    deprecated: true,
  },
  errormessage: { type: "id-reference", global: true, globalDeprecated: true, draftList: true },
  expanded: { type: "true/false/undefined", tokens: ["true", "false", "undefined"] },
  flowto: { type: "id-reference-list", global: true },
  grabbed: {
    type: "true/false/undefined",
    tokens: ["true", "false", "undefined"],
    global: true,
    deprecated: true,
  },
  haspopup: {
    type: "token",
    tokens: ["false", "true", "menu", "listbox", "tree", "grid", "dialog"],
    initial: "false",
    global: true,
    globalDeprecated: true,
  },
  hidden: { type: "true/false/undefined", tokens: ["true", "false", "undefined"], global: true },
  invalid: {
    type: "token",
    tokens: ["grammar", "false", "spelling", "true"],
    initial: "false",
    global: true,
    globalDeprecated: true,
  },
  keyshortcuts: { type: "string", global: true },
  label: { type: "string", global: true },
  labelledby: { type: "id-reference-list", global: true },
  level: { type: "integer", min: 1 },
  live: { type: "token", tokens: ["assertive", "off", "polite"], initial: "off", global: true },
  modal: { type: "true/false", tokens: ["true", "false"], initial: "false" },
  multiline: { type: "true/false", tokens: ["true", "false"], initial: "false" },
  multiselectable: { type: "true/false", tokens: ["true", "false"], initial: "false" },
  orientation: { type: "token", tokens: ["horizontal", "undefined", "vertical"] },
  owns: { type: "id-reference-list", global: true },
  placeholder: { type: "string" },
  posinset: { type: "integer", min: 1 },
  pressed: { type: "tristate", tokens: ["true", "false", "mixed", "undefined"] },
  readonly: { type: "true/false", tokens: ["true", "false"], initial: "false" },
  relevant: {
    type: "token-list",
    tokens: ["additions", "all", "removals", "text"],
    initial: "additions text",
    global: true,
  },
  required: { type: "true/false", tokens: ["true", "false"], initial: "false" },
  roledescription: { type: "string", global: true },
  rowcount: { type: "integer", min: -1 },
  rowindex: { type: "integer", min: 1 },
  rowindextext: { type: "string", draft: true },
  rowspan: { type: "integer", min: 0 },
  selected: { type: "true/false/undefined", tokens: ["true", "false", "undefined"] },
  setsize: { type: "integer", min: -1 },
  sort: { type: "token", tokens: ["ascending", "descending", "none", "other"], initial: "none" },
  valuemax: { type: "number" },
  valuemin: { type: "number" },
  valuenow: { type: "number" },
  valuetext: { type: "string" },
} as const satisfies Readonly<Record<string, StateRow>>;

export type StateName = keyof typeof states;

/** The row of a state or property named without `aria-`; null for an unknown one. */
export const stateRow = (name: string): StateRow | null =>
  Object.hasOwn(states, name) ? states[name as StateName] : null;
