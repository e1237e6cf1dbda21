import type { ElementNode } from "../document/node.ts";
import { and, type Certainty, MAYBE, NO, YES } from "./certainty.ts";
import { cascadedValue } from "./computed.ts";
import { lengthBasis, lengthInPixels } from "./lengths.ts";
import { evaluateCondition, evaluateMediaFeature } from "./media.ts";
import type { Conditions } from "./sheet.ts";
import type { Cascade, Style } from "./style.ts";

/** The style of the elements around one, the nearest first: each with what styles it. */
export type StylesAround = (element: ElementNode) => Iterable<Style>;

/** Whether the container conditions of a rule hold for an element. CSS Conditional 5 §5. */
export function containerHolds(
  cascade: Cascade,
  conditions: Conditions,
  element: ElementNode,
  around: StylesAround,
): Certainty {
  let result: Certainty = YES;
  for (let guard = conditions; guard !== null && result !== NO; guard = guard.outer)
    if (guard.condition.kind === "container")
      result = and(result, queryHolds(cascade, guard.condition.text, element, around));
  return result;
}

/** Nothing answers the query: no container fits, so it is false. CSS Conditional 5 §5.1. */
function queryHolds(cascade: Cascade, text: string, element: ElementNode, around: StylesAround): Certainty {
  const match = /^(?:(?!not\b|style\b|scroll-state\b)([a-z_-][\w-]*)\s+)?([\s\S]+)$/i.exec(text.trim());
  const name = match?.[1] ?? null;
  const query = match?.[2] ?? text;
  const isNamed = (style: Style) =>
    name === null || (textOf(cascade, style, "container-name") ?? "").split(/\s+/).includes(name);
  return evaluateCondition(query, (leaf) => {
    const style = /^style\(\s*(--[\w-]+)\s*(?::\s*([\s\S]*?))?\s*\)$/i.exec(leaf);
    if (style !== null)
      return styleHolds(cascade, style[1] ?? "", style[2] ?? null, element, around, isNamed);
    if (/^[a-z-]+\(/i.test(leaf)) return MAYBE;
    return sizeHolds(cascade, leaf, element, around, isNamed);
  });
}

function styleHolds(
  cascade: Cascade,
  property: string,
  wanted: string | null,
  element: ElementNode,
  around: StylesAround,
  isNamed: (style: Style) => boolean,
): Certainty {
  for (const style of around(element)) {
    if (!isNamed(style)) continue;
    const value = textOf(cascade, style, property);
    if (value === null) return MAYBE;
    if (wanted === null) return value === "initial" ? NO : YES;
    return value.trim() === wanted.trim() ? YES : NO;
  }
  return NO;
}

/**
 * The nearest container that has a size of its own answers; where styles do not fix that size, nobody knows. Null: there is
 * no container. Container Queries §3.
 */
function sizeHolds(
  cascade: Cascade,
  feature: string,
  element: ElementNode,
  around: StylesAround,
  isNamed: (style: Style) => boolean,
): Certainty | null {
  for (const style of around(element)) {
    const type = textOf(cascade, style, "container-type");
    if (type === null) return MAYBE;
    if (!/\b(?:size|inline-size)\b/.test(type) || !isNamed(style)) continue;
    const asked = feature
      .toLowerCase()
      .replace(/inline-size/g, "width")
      .replace(/block-size/g, "height");
    if (/height|aspect-ratio|orientation/.test(asked)) return MAYBE;
    const width = contentWidth(cascade, style);
    return width === null ? MAYBE : evaluateMediaFeature(asked, { ...cascade.device, width });
  }
  return null;
}

/** The width of the content box in CSS pixels, where styles alone fix it. */
function contentWidth(cascade: Cascade, style: Style): number | null {
  const text = textOf(cascade, style, "width");
  const isFixed = textOf(cascade, style, "box-sizing") === "content-box";
  const limits = ["min-width", "max-width"].map((property) => textOf(cascade, style, property));
  if (text === null || !isFixed || limits[0] !== "auto" || limits[1] !== "none") return null;
  return lengthInPixels(text, lengthBasis(cascade, style, null));
}

const textOf = (cascade: Cascade, style: Style, property: string): string | null =>
  cascadedValue(cascade, style, property).text;
