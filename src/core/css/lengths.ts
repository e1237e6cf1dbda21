import { cascadedValue } from "./computed.ts";
import { functionCall, splitAtCommas } from "./split-value.ts";
import { type Cascade, downTheAncestors, type Style } from "./style.ts";

/** Absolute sizes of `font-size` words at a default of 16 px. CSS Fonts 4 §2.5. */
const fontSizeWords: Readonly<Record<string, number>> = {
  "xx-small": 9,
  "x-small": 10,
  small: 13,
  medium: 16,
  large: 18,
  "x-large": 24,
  "xx-large": 32,
  "xxx-large": 48,
};
/** The same at the default of `monospace`, 13 px, as browsers have it. */
const monospaceSizeWords: typeof fontSizeWords = {
  "xx-small": 9,
  "x-small": 10,
  small: 12,
  medium: 13,
  large: 16,
  "x-large": 20,
  "xx-large": 26,
  "xxx-large": 39,
};
const monospaceSize = 13;
const defaultSize = 16;

const absoluteUnits: Readonly<Record<string, number>> = {
  px: 1,
  pt: 4 / 3,
  pc: 16,
  in: 96,
  cm: 96 / 2.54,
  mm: 96 / 25.4,
  q: 96 / 101.6,
};

/** What relative lengths are relative to, in CSS pixels; null: not known from source. */
export interface LengthBasis {
  readonly fontSize: number | null;
  readonly rootFontSize: number | null;
  readonly lineHeight: number | null;
  /** What 100% is. */
  readonly percentage: number | null;
  readonly width: number;
  readonly height: number;
}

/** A length or math function in CSS pixels; null where it is no length or hangs on layout or an unknown. CSS Values 4 §6, §10. */
export function lengthInPixels(text: string, basis: LengthBasis, depth = 0): number | null {
  const trimmed = text.trim().toLowerCase();
  const plain = /^([+-]?(?:\d+\.?\d*|\.\d+)(?:e[+-]?\d+)?)([a-z%]*)$/.exec(trimmed);
  if (plain !== null) return inPixels(Number(plain[1]), plain[2] ?? "", basis);
  if (depth > 32) return null;
  const call = functionCall(trimmed);
  if (call === null) return null;
  const each = () => splitAtCommas(call.argument).map((part) => sum(part, basis, depth + 1));
  switch (call.name) {
    case "calc":
    case "-webkit-calc":
    case "":
      return sum(call.argument, basis, depth + 1);
    case "min":
    case "max": {
      const values = each();
      return values.some((v) => v === null) || values.length === 0
        ? null
        : Math[call.name](...(values as number[]));
    }
    case "clamp": {
      const [low, value, high] = each();
      return low == null || value == null || high == null ? null : Math.max(low, Math.min(value, high));
    }
    default:
      return null;
  }
}

function inPixels(value: number, unit: string, basis: LengthBasis): number | null {
  const of = (base: number | null, factor = 1) => (base === null ? null : value * base * factor);
  switch (unit) {
    case "":
      return value;
    case "em":
      return of(basis.fontSize);
    case "rem":
      return of(basis.rootFontSize);
    case "%":
      return of(basis.percentage, 0.01);
    case "lh":
      return of(basis.lineHeight);
    case "vw":
    case "svw":
    case "lvw":
    case "dvw":
    case "vi":
      return (value * basis.width) / 100;
    case "vh":
    case "svh":
    case "lvh":
    case "dvh":
    case "vb":
      return (value * basis.height) / 100;
    case "vmin":
      return (value * Math.min(basis.width, basis.height)) / 100;
    case "vmax":
      return (value * Math.max(basis.width, basis.height)) / 100;
    default: {
      const factor = absoluteUnits[unit];
      return factor === undefined ? null : value * factor;
    }
  }
}

/** A calculation: sums of products of values, parentheses and functions. CSS Values 4 §10.1. */
function sum(text: string, basis: LengthBasis, depth: number): number | null {
  if (depth > 32) return null;
  const parts: { sign: number; text: string }[] = [];
  let level = 0;
  let start = 0;
  let sign = 1;
  for (let i = 0; i < text.length; i++) {
    const c = text[i];
    if (c === "(") level++;
    else if (c === ")") level--;
    else if (
      level === 0 &&
      (c === "+" || c === "-") &&
      /\s/.test(text[i - 1] ?? "") &&
      /\s/.test(text[i + 1] ?? "")
    ) {
      parts.push({ sign, text: text.slice(start, i) });
      sign = c === "+" ? 1 : -1;
      start = i + 1;
    }
  }
  parts.push({ sign, text: text.slice(start) });
  if (parts.some((part) => isNumber(part.text) !== isNumber(text))) return null;
  let total = 0;
  for (const part of parts) {
    const value = product(part.text, basis, depth);
    if (value === null) return null;
    total += part.sign * value;
  }
  return total;
}

/** Whether no value in a calculation has a unit; a sum of numbers and lengths is invalid. CSS Values 4 §10.9. */
const isNumber = (calculation: string): boolean =>
  !/[\d.][a-z%]/i.test(calculation.replaceAll(/e[+-]?\d+/gi, ""));

function product(text: string, basis: LengthBasis, depth: number): number | null {
  let result: number | null = null;
  let operator = "*";
  let level = 0;
  let start = 0;
  const apply = (end: number): boolean => {
    const factor = text.slice(start, end).trim();
    const value = factor.startsWith("(")
      ? sum(factor.slice(1, -1), basis, depth + 1)
      : lengthInPixels(factor, basis, depth + 1);
    if (value === null) return false;
    result = result === null ? value : operator === "*" ? result * value : result / value;
    return true;
  };
  for (let i = 0; i < text.length; i++) {
    const c = text.charAt(i);
    if (c === "(") level++;
    else if (c === ")") level--;
    else if (level === 0 && (c === "*" || c === "/")) {
      if (!apply(i)) return null;
      operator = c;
      start = i + 1;
    }
  }
  return apply(text.length) && Number.isFinite(result) ? result : null;
}

/** The computed font size in CSS pixels; null where it cannot be known. CSS Fonts 4 §2.5. */
export const fontSize = (cascade: Cascade, style: Style): number | null =>
  downTheAncestors(style, "fontSize", (ancestor, parent) =>
    ownFontSize(cascade, ancestor, ancestor.parent === null ? defaultSize : parent),
  );

function ownFontSize(cascade: Cascade, style: Style, parent: number | null): number | null {
  const value = cascadedValue(cascade, style, "font-size");
  if (value.own && value.text === null) return null;
  const size = value.own ? sizeOf(cascade, style, value.text ?? "", parent) : parent;
  const isChanged =
    isMonospace(cascade, style) !== (style.parent !== null && isMonospace(cascade, style.parent));
  return isChanged ? monospaceChanged(cascade, style, size) : size;
}

/** The size as if the family were like the parent's. */
function sizeOf(cascade: Cascade, style: Style, text: string, parent: number | null): number | null {
  const word = text.toLowerCase();
  if (word === "inherit") return parent;
  if (word === "smaller") return parent === null ? null : parent / 1.2;
  if (word === "larger") return parent === null ? null : parent * 1.2;
  if (fontSizeWords[word] !== undefined) return wordSize(cascade, style, word);
  return lengthInPixels(text, {
    fontSize: parent,
    rootFontSize: style.parent === null ? defaultSize : rootFontSize(style),
    lineHeight: null,
    percentage: parent,
    width: cascade.device.width,
    height: cascade.device.height,
  });
}

function rootFontSize(style: Style): number | null {
  let root = style;
  while (root.parent !== null) root = root.parent;
  return root.known.fontSize ?? null;
}

/** Whether the family is `monospace` and nothing else: the one case in which browsers start from another size. */
const isMonospace = (cascade: Cascade, style: Style): boolean =>
  cascadedValue(cascade, style, "font-family").text?.trim().toLowerCase() === "monospace";

/**
 * Where the family turns to `monospace` alone, or from it, browsers start from 13 px in place of 16: a size that no length
 * fixes changes with it.
 */
function monospaceChanged(cascade: Cascade, style: Style, size: number | null): number | null {
  if (size === null) return null;
  const basis = sizeBasis(cascade, style);
  if (basis === "absolute") return size;
  if (basis === null) return null;
  const factor = isMonospace(cascade, style) ? monospaceSize / defaultSize : defaultSize / monospaceSize;
  return basis === "relative" ? size * factor : wordSize(cascade, style, basis);
}

const wordSize = (cascade: Cascade, style: Style, word: string): number => {
  return (isMonospace(cascade, style) ? monospaceSizeWords : fontSizeWords)[word] ?? defaultSize;
};

/** What a size comes from: a length, a word, or a part of a size that comes from a word; null: not known. */
function sizeBasis(cascade: Cascade, style: Style): string | null {
  let isRelative = false;
  for (let at: Style | null = style; at !== null; at = at.parent) {
    const { text, own } = cascadedValue(cascade, at, "font-size");
    if (text === null) return null;
    const word = text.toLowerCase();
    if (!own || word === "inherit") continue;
    if (fontSizeWords[word] !== undefined) return isRelative ? "relative" : word;
    if (!/^(?:smaller|larger|[\d.]+(?:em|%))$/.test(word)) return "absolute";
    isRelative = true;
  }
  return isRelative ? "relative" : "medium";
}

/** The basis for lengths on a style other than its own font size; what few lengths need is worked out when asked. */
export function lengthBasis(cascade: Cascade, style: Style, percentage: number | null): LengthBasis {
  return {
    get fontSize() {
      return fontSize(cascade, style);
    },
    get rootFontSize() {
      let root = style;
      while (root.parent !== null) root = root.parent;
      return fontSize(cascade, root);
    },
    get lineHeight() {
      return lineHeight(cascade, style, fontSize(cascade, style));
    },
    percentage,
    width: cascade.device.width,
    height: cascade.device.height,
  };
}

function lineHeight(cascade: Cascade, style: Style, size: number | null): number | null {
  const { text } = cascadedValue(cascade, style, "line-height");
  if (text === null || size === null || text === "normal") return null;
  if (/^[\d.]+$/.test(text)) return Number(text) * size;
  return lengthInPixels(text, {
    fontSize: size,
    rootFontSize: null,
    lineHeight: null,
    percentage: size,
    width: cascade.device.width,
    height: cascade.device.height,
  });
}
