import { isColour } from "../colour/parse-colour.ts";
import { properties } from "./tables/properties.ts";

/** Whether `var()`, `env()` or `attr()` must be put in before the value is known. CSS Values 5, "arbitrary substitution". */
export const holdsSubstitution = (text: string): boolean => /\b(?:var|env|attr|if|--[\w-]+)\(/i.test(text);

const lengthUnit =
  /^[+-]?(?:\d+\.?\d*|\.\d+)(?:e[+-]?\d+)?(?:px|r?em|r?ex|r?ch|r?lh|r?ic|r?cap|[sld]?v(?:w|h|i|b|min|max)|cm|mm|q|in|pt|pc|cq(?:w|h|i|b|min|max)|%)$/i;
const zero = /^[+-]?0*\.?0+$/;
const mathFunction =
  /^(?:calc|min|max|clamp|round|mod|rem|abs|sign|fit-content|anchor|anchor-size|calc-size|-webkit-calc)\(/i;

/** Whether the text is a length or percentage, zero without a unit, or a math function of them. */
export const isLength = (text: string): boolean =>
  lengthUnit.test(text) || zero.test(text) || mathFunction.test(text);

/** Whether a browser keeps the declaration: the value is of the property's syntax, as far as the table tells it. */
export function acceptsValue(property: string, text: string): boolean {
  const row = properties[property];
  if (row === undefined) return false;
  if (text === "") return false;
  if (holdsSubstitution(text)) return true;
  const { syntax } = row;
  switch (syntax.kind) {
    case "words":
      return syntax.words.includes(text.toLowerCase());
    case "colour":
      return isColour(text);
    case "length":
      return (
        syntax.words.includes(text.toLowerCase()) ||
        (isLength(text) && (syntax.negative || !text.startsWith("-") || mathFunction.test(text)))
      );
    case "number":
      return /^[+-]?(?:\d+\.?\d*|\.\d+)(?:e[+-]?\d+)?%?$/i.test(text) || mathFunction.test(text);
    case "any":
      return acceptsWord(property, text);
    default:
      return syntax satisfies never;
  }
}

const displayWords = new Set(
  "none contents block inline inline-block flow flow-root table inline-table table-row table-cell table-caption table-row-group table-header-group table-footer-group table-column table-column-group flex inline-flex grid inline-grid list-item ruby ruby-base ruby-text ruby-base-container ruby-text-container math run-in -webkit-box -webkit-inline-box -webkit-flex -webkit-inline-flex grid-lanes inline-grid-lanes".split(
    " ",
  ),
);

/** The few properties of free syntax whose misspelt values are common enough to matter. */
function acceptsWord(property: string, text: string): boolean {
  if (property === "display")
    return text
      .toLowerCase()
      .split(/\s+/)
      .every((word) => displayWords.has(word));
  if (property === "font-size") {
    return (
      /^(?:xx-small|x-small|small|medium|large|x-large|xx-large|xxx-large|smaller|larger|math)$/i.test(
        text,
      ) ||
      (isLength(text) && !text.startsWith("-"))
    );
  }
  if (property === "font-weight")
    return (
      /^(?:normal|bold|bolder|lighter)$/i.test(text) ||
      (Number(text) >= 1 && Number(text) <= 1000) ||
      mathFunction.test(text)
    );
  if (property === "background-image") return /^(?:none|[\w-]+\()/i.test(text);
  if (property === "outline-color")
    return text.toLowerCase() === "auto" || text.toLowerCase() === "invert" || isColour(text);
  return true;
}
