import { componentFormatOf, componentFormats, isComponentTemplate } from "../document/component-formats.ts";

/**
 * How markup is written in a file. `html`: as the standard has it; `template`: the same, but braces begin an expression
 * (Vue, Svelte, Angular); `jsx`: props for attributes.
 */
export type Syntax = "html" | "template" | "jsx";

/** The syntax of markup in a file, by its name. */
export function syntaxOf(file: string): Syntax {
  if (isComponentTemplate(file)) return "template";
  const format = componentFormatOf(file);
  if (format === null) return "html";
  // A script without JSX has its markup in a template of its own.
  return format === "jsx" && /\.[cm]?ts$/i.test(file) ? "template" : componentFormats[format].syntax;
}

/** Attributes whose prop in JSX is written otherwise than in lower case. HTML, attribute index. */
const propNames: Readonly<Record<string, string>> = {
  class: "className",
  for: "htmlFor",
  tabindex: "tabIndex",
  autocomplete: "autoComplete",
  autofocus: "autoFocus",
  autoplay: "autoPlay",
  colspan: "colSpan",
  rowspan: "rowSpan",
  readonly: "readOnly",
  maxlength: "maxLength",
  accesskey: "accessKey",
  contenteditable: "contentEditable",
  srcdoc: "srcDoc",
  srclang: "srcLang",
  enctype: "encType",
  novalidate: "noValidate",
  inputmode: "inputMode",
  usemap: "useMap",
  "xml:lang": "xmlLang",
  "http-equiv": "httpEquiv",
};

/** Props that take a number, and no text, by their types. */
const numeric = new Set([
  "tabindex",
  "colspan",
  "rowspan",
  "maxlength",
  "aria-level",
  "aria-posinset",
  "aria-setsize",
  "aria-colcount",
  "aria-colindex",
  "aria-colspan",
  "aria-rowcount",
  "aria-rowindex",
  "aria-rowspan",
  "aria-valuemax",
  "aria-valuemin",
  "aria-valuenow",
]);

/** Some JSX has the names of HTML; a file that writes `class` and no `className` is of that kind. */
const hasOwnNames = (text: string): boolean => /\sclassName=/.test(text) || !/\s(?:class|for)=/.test(text);

/** An attribute's name as a file writes it. */
export const writtenName = (name: string, syntax: Syntax, text: string): string =>
  syntax === "jsx" && hasOwnNames(text) && Object.hasOwn(propNames, name) ? (propNames[name] ?? name) : name;

/** Words as they stand between tags or in a value: whatever would end them, or begin an expression, is referred to. */
export function escapeWords(words: string, syntax: Syntax, quote: '"' | "'" | null): string {
  let written = words.replace(/&/g, "&amp;").replace(/</g, "&lt;");
  if (quote === '"') written = written.replace(/"/g, "&quot;");
  if (quote === "'") written = written.replace(/'/g, "&#39;");
  if (syntax === "html") return written;
  return written
    .replace(/>/g, "&gt;")
    .replace(syntax === "jsx" ? /[{}]/g : /[{}@`\\]/g, (c) => `&#${c.charCodeAt(0)};`);
}

/** A value with its quotes; a number where props take one. */
export function writtenValue(name: string, value: string, syntax: Syntax, quote: '"' | "'"): string {
  if (syntax === "jsx" && numeric.has(name) && /^-?\d+$/.test(value)) return `{${value}}`;
  return `${quote}${escapeWords(value, syntax, quote)}${quote}`;
}
