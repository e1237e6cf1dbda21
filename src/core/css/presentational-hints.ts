import { isColour } from "../colour/parse-colour.ts";
import type { DocumentIndex } from "../document/document-index.ts";
import type { ElementNode } from "../document/node.ts";
import { attributeText, hasAttribute } from "../document/written.ts";
import { type DeclarationBlock, DeclarationCollector, type Declared } from "./declared.ts";

interface Hint {
  readonly attribute: string;
  readonly property: string;
  readonly value: (text: string) => string | null;
}

const length = (text: string): string | null => {
  const match = /^\s*\+?(\d+(?:\.\d+)?)(%?)/.exec(text);
  return match === null ? null : `${match[1]}${match[2] === "%" ? "%" : "px"}`;
};

/** HTML §2.3.6, "rules for parsing a legacy color value", for names, and anything else as digits. */
const legacyColour = (text: string): string | null => {
  const trimmed = text.trim();
  if (trimmed === "" || trimmed.toLowerCase() === "transparent") return null;
  if (/^#[0-9a-f]{3}$/i.test(trimmed)) return trimmed;
  if (isNamedColour(trimmed)) return trimmed;
  let digits = trimmed.replace(/^#/, "").replace(/[^0-9a-f]/gi, "0");
  while (digits.length === 0 || digits.length % 3 !== 0) digits += "0";
  let third = digits.length / 3;
  let parts = [digits.slice(0, third), digits.slice(third, 2 * third), digits.slice(2 * third)];
  if (third > 8) parts = parts.map((p) => p.slice(third - 8));
  third = Math.min(third, 8);
  while (third > 2 && parts.every((p) => p.startsWith("0"))) {
    parts = parts.map((p) => p.slice(1));
    third--;
  }
  return `#${parts.map((p) => p.slice(0, 2).padStart(2, "0")).join("")}`;
};

const isNamedColour = (text: string): boolean =>
  /^[a-z]+$/i.test(text) && !/^(?:currentcolor|inherit|initial|unset|revert)$/i.test(text) && isColour(text);

const fontSizes = ["x-small", "small", "medium", "large", "x-large", "xx-large", "xxx-large"];

/** HTML §15.3.9, the `size` of `font`. */
const fontSize = (text: string): string | null => {
  const match = /^\s*([+-]?)(\d+)/.exec(text);
  if (match === null) return null;
  const number = Number(match[2]);
  const size = match[1] === "+" ? 3 + number : match[1] === "-" ? 3 - number : number;
  return fontSizes[Math.max(1, Math.min(7, size)) - 1] ?? null;
};

const alignment = (text: string): string | null =>
  /^(?:left|right|center|justify)$/i.test(text)
    ? text.toLowerCase()
    : text.toLowerCase() === "middle"
      ? "center"
      : null;
const image = (text: string): string | null =>
  text.trim() === "" ? null : `url("${text.replace(/"/g, "%22")}")`;

const cell: readonly Hint[] = [
  { attribute: "bgcolor", property: "background-color", value: legacyColour },
  { attribute: "background", property: "background-image", value: image },
  { attribute: "width", property: "width", value: length },
  { attribute: "height", property: "height", value: length },
  { attribute: "align", property: "text-align", value: alignment },
];
const sized: readonly Hint[] = [
  { attribute: "width", property: "width", value: length },
  { attribute: "height", property: "height", value: length },
];

/** Attributes that act as the weakest author styles. HTML §15, "presentational hints". */
const hints: Readonly<Record<string, readonly Hint[]>> = {
  body: [
    { attribute: "bgcolor", property: "background-color", value: legacyColour },
    { attribute: "background", property: "background-image", value: image },
    { attribute: "text", property: "color", value: legacyColour },
  ],
  table: [...cell.slice(0, 4)],
  thead: cell,
  tbody: cell,
  tfoot: cell,
  tr: cell,
  td: cell,
  th: cell,
  font: [
    { attribute: "color", property: "color", value: legacyColour },
    { attribute: "size", property: "font-size", value: fontSize },
    { attribute: "face", property: "font-family", value: (text) => text },
  ],
  img: sized,
  iframe: sized,
  video: sized,
  canvas: [],
  embed: sized,
  object: sized,
  hr: [{ attribute: "color", property: "color", value: legacyColour }],
  marquee: [{ attribute: "bgcolor", property: "background-color", value: legacyColour }],
  p: [{ attribute: "align", property: "text-align", value: alignment }],
  div: [{ attribute: "align", property: "text-align", value: alignment }],
};

/** The declarations an element's own attributes make, and a key that equal ones share; null when there are none. */
export function presentationalHints(
  index: DocumentIndex,
  element: ElementNode,
): { readonly block: DeclarationBlock; readonly key: string } | null {
  if (element.namespace !== "html") return element.namespace === "svg" ? svgHints(element) : null;
  const bodyColour = element.tag === "a" && hasAttribute(element, "href") ? bodyLinkColour(index) : null;
  const rows = hints[element.tag];
  if ((rows === undefined && bodyColour === null) || (element.attributes.size === 0 && bodyColour === null))
    return null;
  const collector = new DeclarationCollector();
  let key = "";
  const add = (property: string, value: string, source: Declared["source"] | null) => {
    const place = source ?? { file: index.document.file, start: 0, end: 0 };
    collector.add(property, value, false, place, place);
    key += `${property}:${value};`;
  };
  for (const { attribute, property, value } of rows ?? []) {
    const text = attributeText(element, attribute);
    const hinted = text === null ? null : value(text);
    if (hinted !== null) add(property, hinted, element.attributes.get(attribute)?.source ?? null);
  }
  if (bodyColour !== null) add("color", bodyColour.value, bodyColour.source);
  return collector.isEmpty ? null : { block: collector.take(), key };
}

function bodyLinkColour(index: DocumentIndex) {
  const body = index.byTag("body")[0];
  const text = body === undefined ? null : attributeText(body, "link");
  const value = text === null ? null : legacyColour(text);
  return value === null ? null : { value, source: body?.attributes.get("link")?.source ?? null };
}

const svgAttributes = "display visibility opacity font-size font-weight color fill stroke stroke-width".split(
  " ",
);

/** Presentation attributes. SVG 2 §6.6. */
function svgHints(element: ElementNode): { readonly block: DeclarationBlock; readonly key: string } | null {
  const collector = new DeclarationCollector();
  let key = "";
  for (const name of svgAttributes) {
    const attribute = element.attributes.get(name);
    if (attribute === undefined || typeof attribute.value !== "string" || attribute.source === null) continue;
    const text =
      /^font-size$/.test(name) && /^[\d.]+$/.test(attribute.value) ? `${attribute.value}px` : attribute.value;
    collector.add(name, text.trim(), false, attribute.source, attribute.source);
    key += `${name}:${text};`;
  }
  return collector.isEmpty ? null : { block: collector.take(), key };
}
