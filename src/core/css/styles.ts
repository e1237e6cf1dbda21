import type { Rgba } from "../colour/rgba.ts";
import type { ElementNode } from "../document/node.ts";
import { colourIn, colourOf, usedScheme } from "./colours.ts";
import { cascadedValue } from "./computed.ts";
import { resolvedWeight } from "./font-weight.ts";
import { fontSize, lengthBasis, lengthInPixels } from "./lengths.ts";
import { type Interaction, noInteraction } from "./match.ts";
import type { ActionKind } from "./rule-index.ts";
import type { Keyframe } from "./sheet.ts";
import type { Cascade, CascadedValue, ComputedColour, Style } from "./style.ts";

/** An element, or one of its pseudo-elements, while the user does something or nothing. */
export interface Styled {
  readonly element: ElementNode;
  readonly pseudo?: string;
  readonly interaction?: Interaction;
}

/**
 * Where styles are asked for: made from our own cascade below. What a browser has computed may answer in its stead, as
 * every question here is about an element, and no answer tells how it was found.
 * Every answer is null for an element outside the flat tree, or for a pseudo-element that no rule makes.
 */
export interface Styles {
  /** The value of a longhand; `text` is null where source does not give it. */
  value(element: ElementNode, property: string, interaction?: Interaction): CascadedValue | null;
  /** The same of a pseudo-element. */
  pseudoValue(
    element: ElementNode,
    pseudo: string,
    property: string,
    interaction?: Interaction,
  ): CascadedValue | null;
  /** The text of a value in lower case: the usual question about keywords. */
  keyword(element: ElementNode, property: string): string | null;
  /** A computed colour and where it came from. */
  colour(styled: Styled, property: string): ComputedColour | null;
  /** A colour written inside some other value, such as a stop of a gradient. */
  colourWithin(styled: Styled, text: string): Rgba | null;
  /** CSS pixels; null where it cannot be known. */
  fontSize(styled: Styled): number | null;
  fontWeight(styled: Styled): number | null;
  /** A length in CSS pixels; `percentage` is what 100% is. Null for keywords, and where it hangs on layout. */
  pixels(styled: Styled, property: string, percentage?: number): number | null;
  scheme(element: ElementNode): "light" | "dark";
  /** One and the same object for elements whose styles, ancestors included, are the same. */
  likeness(styled: Styled): object | null;
  /** Custom properties declared on the element itself, in order. */
  customProperties(element: ElementNode): readonly string[];
  /** The steps of an animation that an element names. */
  keyframes(element: ElementNode, name: string): readonly Keyframe[];
  /** Whether the page itself declares the longhand anywhere: a quick no for what hardly any page says. */
  declares(property: string): boolean;
  /** Whether some rule is for the element once a script gives it a class that is named for focus. */
  hasFocusClass(element: ElementNode): boolean;
  /** Whether some rule of the page may change something when the user does this on the element: a quick no, or perhaps. */
  mayReact(element: ElementNode, action: ActionKind): boolean;
}

/** Elements without contents of their own to show: `display: contents` leaves nothing of them. CSS Display 3, appendix B. */
const drawnWhole = new Set(
  "br wbr meter progress canvas embed object audio iframe img video frame frameset input textarea select".split(
    " ",
  ),
);

const isDrawnWhole = ({ tag, namespace }: ElementNode): boolean =>
  namespace === "html" && drawnWhole.has(tag);

/** Styles from our own cascade. */
export function stylesFromCascade(cascade: Cascade): Styles {
  const of = (style: Style | null, property: string) =>
    style === null ? null : cascadedValue(cascade, style, property);
  const styleOf = ({ element, pseudo, interaction = noInteraction }: Styled): Style | null =>
    pseudo === undefined
      ? cascade.style(element, interaction)
      : cascade.pseudoStyle(element, pseudo, interaction);
  const from = <T>(styled: Styled, ask: (style: Style) => T): T | null => {
    const style = styleOf(styled);
    return style === null ? null : ask(style);
  };
  return {
    value: (element, property, interaction = noInteraction) =>
      of(cascade.style(element, interaction), property),
    pseudoValue: (element, pseudo, property, interaction = noInteraction) =>
      of(cascade.pseudoStyle(element, pseudo, interaction), property),
    keyword: (element, property) => {
      const word = of(cascade.style(element), property)?.text?.toLowerCase() ?? null;
      return word === "contents" && property === "display" && isDrawnWhole(element) ? "none" : word;
    },
    colour: (styled, property) => from(styled, (style) => colourOf(cascade, style, property)),
    colourWithin: (styled, text) => from(styled, (style) => colourIn(cascade, style, text)),
    fontSize: (styled) => from(styled, (style) => fontSize(cascade, style)),
    fontWeight: (styled) => from(styled, (style) => resolvedWeight(cascade, style)),
    pixels: (styled, property, percentage) =>
      from(styled, (style) => {
        const { text } = cascadedValue(cascade, style, property);
        return text === null ? null : lengthInPixels(text, lengthBasis(cascade, style, percentage ?? null));
      }),
    scheme: (element) => from({ element }, (style) => usedScheme(cascade, style)) ?? "light",
    likeness: styleOf,
    customProperties: (element) =>
      from({ element }, (style) => [
        ...new Set(
          style.blocks.flatMap((block) => [...block.normal.keys()].filter((name) => name.startsWith("--"))),
        ),
      ]) ?? [],
    keyframes: (element, name) => cascade.keyframes(element, name),
    declares: (property) => cascade.declares(property),
    hasFocusClass: (element) => cascade.hasFocusClass(element),
    mayReact: (element, action) => cascade.mayReact(element, action),
  };
}
