import { resolveColour } from "../colour/resolve-colour.ts";
import type { Rgba } from "../colour/rgba.ts";
import { withoutMath } from "./calculated.ts";
import { cascadedValue } from "./computed.ts";
import { splitAtSpaces } from "./split-value.ts";
import { type Cascade, type ComputedColour, downTheAncestors, type Style } from "./style.ts";

/** The colour scheme an element is drawn in. CSS Color Adjust 1 §2.2: a preference is followed only where it is supported. */
export function usedScheme(cascade: Cascade, style: Style): "light" | "dark" {
  const { text } = cascadedValue(cascade, style, "color-scheme");
  const words = splitAtSpaces((text ?? "normal").toLowerCase());
  const supported = words.filter((word) => word === "light" || word === "dark");
  if (supported.length === 0) return cascade.pageScheme;
  if (supported.includes(cascade.device.colourScheme)) return cascade.device.colourScheme;
  return supported[0] === "dark" ? "dark" : "light";
}

/** The computed `color`: inherited as a colour, not as text. */
export const textColour = (cascade: Cascade, style: Style): ComputedColour =>
  downTheAncestors(style, "textColour", (ancestor, parent) => ownTextColour(cascade, ancestor, parent));

function ownTextColour(cascade: Cascade, style: Style, parent: ComputedColour | null): ComputedColour {
  const value = cascadedValue(cascade, style, "color");
  if (parent !== null && (!value.own || value.text?.toLowerCase() === "currentcolor")) return parent;
  if (value.text === null) return { colour: null, value };
  const scheme = usedScheme(cascade, style);
  // On the root, `currentcolor` is the initial value. CSS Color 4 §9.4.
  const current = parent === null ? resolveColour("canvastext", { current: null, scheme }) : parent.colour;
  return { colour: resolveColour(withoutMath(value.text), { current, scheme }), value };
}

/** The computed colour of a property of the style itself. */
export function colourOf(cascade: Cascade, style: Style, property: string): ComputedColour {
  if (property === "color") return textColour(cascade, style);
  const known = style.colours.get(property);
  if (known !== undefined) return known;
  const value = cascadedValue(cascade, style, property);
  const found = { colour: value.text === null ? null : colourIn(cascade, style, value.text), value };
  style.colours.set(property, found);
  return found;
}

/** A colour written in some value of the style, such as a stop of a gradient. */
export const colourIn = (cascade: Cascade, style: Style, text: string): Rgba | null =>
  resolveColour(withoutMath(text), {
    current: textColour(cascade, style).colour,
    scheme: usedScheme(cascade, style),
  });
