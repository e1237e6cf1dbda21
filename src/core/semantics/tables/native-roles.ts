import type { Role } from "./roles.ts";

/** What must hold besides the tag. Decided in `native-role.ts`. */
export type NativeCondition =
  | "has href"
  | "outside sectioning"
  | "in body scope"
  | "named by author"
  | "alt not empty"
  | "alt empty"
  | "in list"
  | "parent list removed"
  | "table"
  | "grid"
  | "table removed"
  | "column header"
  | "row header"
  | "drop-down"
  | "details summary"
  | "form-associated";

export interface NativeRoleRow {
  readonly when?: readonly NativeCondition[];
  /** Null: the standard gives the element no role of WAI-ARIA. */
  readonly role: Role | null;
}

const always = (role: Role | null): readonly NativeRoleRow[] => [{ role }];
const heading = always("heading");
const generic = always("generic");

/** The role of each HTML element; the first row that holds counts. HTML-AAM 1.0 §3.5. Elements not listed are `generic`. */
export const nativeRoles: Readonly<Record<string, readonly NativeRoleRow[]>> = {
  a: [{ when: ["has href"], role: "link" }, { role: "generic" }],
  abbr: always(null),
  address: always("group"),
  area: [{ when: ["has href"], role: "link" }, { role: "generic" }],
  article: always("article"),
  aside: [
    { when: ["outside sectioning"], role: "complementary" },
    { when: ["named by author"], role: "complementary" },
    { role: "generic" },
  ],
  audio: always(null),
  blockquote: always("blockquote"),
  br: always(null),
  button: always("button"),
  canvas: always(null),
  caption: always("caption"),
  cite: always(null),
  code: always("code"),
  datalist: always("listbox"),
  dd: always("definition"),
  del: always("deletion"),
  details: always("group"),
  dfn: always("term"),
  dialog: always("dialog"),
  dir: always("list"),
  dl: always(null),
  dt: always("term"),
  em: always("emphasis"),
  embed: always(null),
  fieldset: always("group"),
  figcaption: always(null),
  figure: always("figure"),
  footer: [{ when: ["in body scope"], role: "contentinfo" }, { role: "generic" }],
  form: always("form"),
  h1: heading,
  h2: heading,
  h3: heading,
  h4: heading,
  h5: heading,
  h6: heading,
  header: [{ when: ["in body scope"], role: "banner" }, { role: "generic" }],
  hgroup: always("group"),
  hr: always("separator"),
  html: always("document"),
  iframe: always(null),
  // Deviates from html-aam-1.0 (2026-11): a title alone names an image with an empty alt nowhere; browsers keep it out.
  img: [{ when: ["alt empty"], role: "none" }, { role: "image" }],
  ins: always("insertion"),
  kbd: always(null),
  label: always(null),
  legend: always(null),
  li: [
    { when: ["parent list removed"], role: "none" },
    { when: ["in list"], role: "listitem" },
    { role: "generic" },
  ],
  main: always("main"),
  mark: always(null),
  math: always("math"),
  menu: always("list"),
  meter: always("meter"),
  nav: always("navigation"),
  object: always(null),
  ol: always("list"),
  optgroup: always("group"),
  option: always("option"),
  output: always("status"),
  p: always("paragraph"),
  picture: always(null),
  progress: always("progressbar"),
  ruby: always(null),
  rp: always(null),
  rt: always(null),
  s: always("deletion"),
  search: always("search"),
  section: [{ when: ["named by author"], role: "region" }, { role: "generic" }],
  select: [{ when: ["drop-down"], role: "combobox" }, { role: "listbox" }],
  strong: always("strong"),
  sub: always("subscript"),
  // A summary has no role of WAI-ARIA; browsers tell it as a button that opens.
  summary: [{ when: ["details summary"], role: "button" }, { role: "generic" }],
  sup: always("superscript"),
  svg: always("graphics-document"),
  table: always("table"),
  tbody: [{ when: ["table removed"], role: "none" }, { role: "rowgroup" }],
  td: [
    { when: ["table removed"], role: "none" },
    { when: ["grid"], role: "gridcell" },
    { when: ["table"], role: "cell" },
    { role: "generic" },
  ],
  textarea: always("textbox"),
  tfoot: [{ when: ["table removed"], role: "none" }, { role: "rowgroup" }],
  th: [
    { when: ["table removed"], role: "none" },
    { when: ["row header"], role: "rowheader" },
    { when: ["column header"], role: "columnheader" },
    { when: ["grid"], role: "gridcell" },
    { when: ["table"], role: "cell" },
    { role: "generic" },
  ],
  thead: [{ when: ["table removed"], role: "none" }, { role: "rowgroup" }],
  time: always("time"),
  tr: [
    { when: ["table removed"], role: "none" },
    { when: ["grid"], role: "row" },
    { when: ["table"], role: "row" },
    { role: "generic" },
  ],
  ul: always("list"),
  var: always(null),
  video: always(null),
  wbr: always(null),
  ...Object.fromEntries(
    "b bdi bdo big body center data div font i nobr pre q samp small span strike tt u"
      .split(" ")
      .map((tag) => [tag, generic]),
  ),
};

/** The role of `input` by type; with a `list` that names a datalist, text types are comboboxes. HTML-AAM 1.0 §3.5. */
export const inputRoles: Readonly<Record<string, { readonly role: Role | null; readonly withList?: Role }>> =
  {
    button: { role: "button" },
    checkbox: { role: "checkbox" },
    color: { role: null },
    date: { role: null },
    "datetime-local": { role: null },
    email: { role: "textbox", withList: "combobox" },
    // Deviates from html-aam-1.0 (no role): browsers tell the control as the button that it is worked by.
    file: { role: "button" },
    hidden: { role: null },
    image: { role: "button" },
    month: { role: null },
    number: { role: "spinbutton" },
    // Deviates from html-aam-1.0 (no role): browsers tell a text field, with its text hidden.
    password: { role: "textbox" },
    radio: { role: "radio" },
    range: { role: "slider" },
    reset: { role: "button" },
    search: { role: "searchbox", withList: "combobox" },
    submit: { role: "button" },
    tel: { role: "textbox", withList: "combobox" },
    text: { role: "textbox", withList: "combobox" },
    time: { role: null },
    url: { role: "textbox", withList: "combobox" },
    week: { role: null },
  };

/** Elements without a role of WAI-ARIA that assistive technology is given all the same, and what they are called. */
export const roleless: Readonly<Record<string, string>> = {
  audio: "audio",
  canvas: "canvas",
  embed: "embedded object",
  iframe: "frame",
  object: "embedded object",
  video: "video",
  "input:color": "colour well",
  "input:date": "date field",
  "input:datetime-local": "date and time field",
  "input:month": "month field",
  "input:time": "time field",
  "input:week": "week field",
};
