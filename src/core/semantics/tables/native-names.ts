/** Where the host language takes a name from. HTML-AAM 1.0 §4.1, SVG-AAM 1.0 §8.1. */
export type NativeNameSource =
  | "label element"
  | "alt"
  | "value"
  | "default text"
  | "caption"
  | "legend"
  | "figcaption"
  | "lone figcaption"
  | "label attribute"
  | "summary attribute"
  | "svg title"
  | "xlink title"
  | "title element"
  | "contents"
  | "title attribute"
  | "placeholder";

const labelled: readonly NativeNameSource[] = ["label element", "title attribute"];
const typed: readonly NativeNameSource[] = ["label element", "title attribute", "placeholder"];

/** Native sources by element, the strongest first, after aria-labelledby and aria-label; `input` goes by its type. */
export const nativeNames: Readonly<Record<string, readonly NativeNameSource[]>> = {
  html: ["title element"],
  area: ["alt", "title attribute"],
  img: ["alt", "title attribute", "lone figcaption"],
  button: ["label element", "contents", "title attribute"],
  select: labelled,
  textarea: typed,
  output: labelled,
  meter: labelled,
  progress: labelled,
  fieldset: ["legend", "title attribute"],
  figure: ["figcaption", "title attribute"],
  table: ["caption", "summary attribute", "title attribute"],
  optgroup: ["label attribute", "title attribute"],
  option: ["label attribute", "contents", "title attribute"],
  summary: ["contents", "title attribute"],
  "svg:svg": ["svg title", "title attribute"],
  "svg:a": ["svg title", "contents", "xlink title", "title attribute"],
  "svg:*": ["svg title"],
  "input:button": ["label element", "value", "title attribute"],
  "input:submit": ["label element", "value", "default text", "title attribute"],
  "input:reset": ["label element", "value", "default text", "title attribute"],
  "input:image": ["label element", "alt", "value", "title attribute", "default text"],
  "input:checkbox": labelled,
  "input:radio": labelled,
  "input:color": labelled,
  "input:date": labelled,
  "input:datetime-local": labelled,
  "input:month": labelled,
  "input:time": labelled,
  "input:week": labelled,
  "input:file": labelled,
  "input:range": labelled,
  "input:number": typed,
  "input:password": typed,
  "input:text": typed,
  "input:email": typed,
  "input:tel": typed,
  "input:url": typed,
  "input:search": typed,
};

/** What browsers write on a button that says nothing itself; the words follow the browser's language. HTML §4.10.5.1.18–20. */
export const defaultButtonText: Readonly<Record<string, string>> = {
  submit: "Submit",
  reset: "Reset",
  image: "Submit",
};
