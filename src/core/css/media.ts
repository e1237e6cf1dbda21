import { and, type Certainty, MAYBE, NO, not, or, YES } from "./certainty.ts";
import type { Device } from "./device.ts";
import { splitAtCommas } from "./split-value.ts";

type Feature = (device: Device) => number | string | boolean | null;

/** Media features of a described device. Media Queries 5 §4–12; null: not known. Numbers in CSS pixels, ratios or dots per pixel. */
const features: Readonly<Record<string, Feature>> = {
  width: (d) => d.width,
  height: (d) => d.height,
  "device-width": (d) => d.width,
  "device-height": (d) => d.height,
  "aspect-ratio": (d) => d.width / d.height,
  "device-aspect-ratio": (d) => d.width / d.height,
  orientation: (d) => (d.height >= d.width ? "portrait" : "landscape"),
  resolution: () => 1,
  "-webkit-device-pixel-ratio": () => 1,
  scan: () => "progressive",
  grid: () => 0,
  update: () => "fast",
  "overflow-block": () => "scroll",
  "overflow-inline": () => "scroll",
  color: () => 8,
  "color-index": () => 0,
  monochrome: () => 0,
  "color-gamut": () => "srgb",
  "dynamic-range": () => "standard",
  "video-dynamic-range": () => "standard",
  "inverted-colors": () => "none",
  pointer: (d) => (d.finePointer ? "fine" : "coarse"),
  "any-pointer": (d) => (d.finePointer ? "fine" : "coarse"),
  hover: (d) => (d.finePointer ? "hover" : "none"),
  "any-hover": (d) => (d.finePointer ? "hover" : "none"),
  "prefers-color-scheme": (d) => d.colourScheme,
  "prefers-reduced-motion": (d) => (d.reducedMotion ? "reduce" : "no-preference"),
  "prefers-reduced-transparency": () => "no-preference",
  "prefers-reduced-data": () => "no-preference",
  "prefers-contrast": () => "no-preference",
  "forced-colors": () => "none",
  "display-mode": () => "browser",
  "environment-blending": () => "opaque",
  scripting: () => "enabled",
  transform: () => 1,
  "-webkit-transform-3d": () => 1,
};

/** Words that make a feature false when it stands without a value. Media Queries 5 §2.4.2. */
const falseWords = new Set(["none", "no-preference"]);

const lengthInPixels: Readonly<Record<string, number>> = {
  px: 1,
  em: 16,
  rem: 16,
  pt: 4 / 3,
  pc: 16,
  in: 96,
  cm: 96 / 2.54,
  mm: 96 / 25.4,
  ch: 8,
  ex: 8,
};
const dotsPerPixel: Readonly<Record<string, number>> = { dppx: 1, x: 1, dpi: 1 / 96, dpcm: 2.54 / 96 };

/** Whether a media query list holds for the device; an empty list always does. Media Queries 5 §2. */
export function evaluateMedia(text: string, device: Device): Certainty {
  const queries = splitAtCommas(text);
  if (queries.length === 0) return YES;
  return queries.map((query) => evaluateQuery(query.toLowerCase(), device)).reduce(or, NO);
}

function evaluateQuery(query: string, device: Device): Certainty {
  const match = /^(?:(not|only)\s+)?([a-z-]+)(?:\s+and\s+([\s\S]+))?$/.exec(query);
  if (match !== null && match[2] !== "not" && !query.startsWith("(")) {
    const [, modifier, type = "", rest] = match;
    const ofType = type === "all" || type === "screen" ? YES : NO;
    const holds = and(
      ofType,
      rest === undefined ? YES : evaluateCondition(rest, (c) => evaluateMediaFeature(c, device)),
    );
    return modifier === "not" ? not(holds) : holds;
  }
  return evaluateCondition(query, (c) => evaluateMediaFeature(c, device));
}

/**
 * A condition of `not`, `and`, `or` and parentheses around what `leaf` decides; null: it means nothing to a browser.
 * Conditional grammar shared by Media Queries 5 §3, CSS Conditional 3 §6 and Container Queries §3. Text deeper than 32
 * parentheses is unknown.
 */
export const evaluateCondition = (text: string, leaf: (inside: string) => Certainty | null): Certainty =>
  // What hangs on a leaf that means nothing is false, however it is negated. Media Queries 5 §3.2.
  and(
    conditionHolds(text, (inside) => leaf(inside) ?? NO, 0),
    conditionHolds(text, (inside) => leaf(inside) ?? YES, 0),
  );

function conditionHolds(text: string, leaf: (inside: string) => Certainty, depth: number): Certainty {
  if (depth > 32) return MAYBE;
  const trimmed = text.trim();
  const negated = /^not\b\s*/i.exec(trimmed);
  if (negated !== null) return not(conditionHolds(trimmed.slice(negated[0].length), leaf, depth + 1));
  for (const [word, combine] of [
    ["or", or],
    ["and", and],
  ] as const) {
    const parts = splitAtWord(trimmed, word);
    if (parts.length > 1) return parts.map((part) => conditionHolds(part, leaf, depth + 1)).reduce(combine);
  }
  if (!trimmed.startsWith("(")) return leaf(trimmed);
  const inside = trimmed.slice(1, trimmed.endsWith(")") ? -1 : undefined).trim();
  return inside.startsWith("(") ||
    /^not\b/i.test(inside) ||
    splitAtWord(inside, "and").length > 1 ||
    splitAtWord(inside, "or").length > 1
    ? conditionHolds(inside, leaf, depth + 1)
    : leaf(inside);
}

function splitAtWord(text: string, word: string): readonly string[] {
  const parts: string[] = [];
  let depth = 0;
  let start = 0;
  for (let i = 0; i < text.length; i++) {
    const c = text[i];
    if (c === "(") depth++;
    else if (c === ")") depth--;
    else if (
      depth === 0 &&
      text.slice(i, i + word.length).toLowerCase() === word &&
      /[\s)]/.test(text[i - 1] ?? "") &&
      /[\s(]/.test(text[i + word.length] ?? "")
    ) {
      parts.push(text.slice(start, i));
      start = i + word.length;
    }
  }
  parts.push(text.slice(start));
  return parts;
}

/** One feature of a media or container query. Media Queries 5 §2.4. */
export function evaluateMediaFeature(text: string, device: Device): Certainty | null {
  const plain = /^(min-|max-)?([a-z-]+?)\s*:\s*([\s\S]+)$/.exec(
    text.replace(/^-webkit-(min|max)-/, "$1--webkit-"),
  );
  if (plain !== null) {
    const [, bound, name = "", value = ""] = plain;
    return compare(name, bound === "min-" ? ">=" : bound === "max-" ? "<=" : "=", value, device);
  }
  const range = /^([^<>=]+?)\s*(<=?|>=?|=)\s*([^<>=]+?)(?:\s*(<=?|>=?)\s*([^<>=]+))?$/.exec(text);
  if (range !== null) {
    const [, left = "", first = "=", middle = "", second, right] = range;
    if (second !== undefined)
      return both(compare(middle, turned(first), left, device), compare(middle, second, right ?? "", device));
    return Object.hasOwn(features, left.trim())
      ? compare(left.trim(), first, middle, device)
      : compare(middle.trim(), turned(first), left, device);
  }
  const feature = features[text.trim()];
  if (feature === undefined) return null;
  const value = feature(device);
  if (typeof value === "string") return falseWords.has(value) ? NO : YES;
  return value === null ? MAYBE : value ? YES : NO;
}

const turned = (operator: string): string => operator.replace(/[<>]/, (c) => (c === "<" ? ">" : "<"));

const both = (one: Certainty | null, other: Certainty | null): Certainty | null =>
  one === null || other === null ? null : and(one, other);

function compare(name: string, operator: string, written: string, device: Device): Certainty | null {
  const feature = features[name.trim()];
  if (feature === undefined) return null;
  const actual = feature(device);
  if (actual === null) return MAYBE;
  const text = written.trim();
  if (typeof actual === "string") return operator === "=" && actual === text ? YES : NO;
  const wanted = numberOf(text, device);
  if (wanted === null) return /calc|var|env|min\(|max\(/.test(text) ? MAYBE : null;
  const value = Number(actual);
  const holds =
    operator === "="
      ? value === wanted
      : operator === "<"
        ? value < wanted
        : operator === ">"
          ? value > wanted
          : operator === "<="
            ? value <= wanted
            : value >= wanted;
  return holds ? YES : NO;
}

function numberOf(text: string, device: Device): number | null {
  const ratio = /^([\d.]+)\s*\/\s*([\d.]+)$/.exec(text);
  if (ratio !== null) return Number(ratio[1]) / Number(ratio[2]);
  const match = /^([+-]?[\d.]+(?:e[+-]?\d+)?)([a-z%]*)$/.exec(text);
  if (match === null) return null;
  const value = Number(match[1]);
  const unit = match[2] ?? "";
  if (unit === "") return value;
  if (unit === "vw") return (value * device.width) / 100;
  if (unit === "vh") return (value * device.height) / 100;
  const factor = lengthInPixels[unit] ?? dotsPerPixel[unit];
  return factor === undefined ? null : value * factor;
}
