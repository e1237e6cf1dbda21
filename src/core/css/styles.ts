import type { ElementNode } from "../document/node.ts";
import type { Cascade, Style } from "./cascade.ts";
import { type CascadedValue, cascadedValue } from "./computed.ts";
import { type Interaction, noInteraction } from "./match.ts";

/** Where styles are asked for. Two implementations: our own cascade, and values collected in a browser. */
export interface Styles {
  /** The value of a longhand; `text` is null where source does not give it. Null for an element outside the flat tree. */
  value(element: ElementNode, property: string, interaction?: Interaction): CascadedValue | null;
  /** The same of a pseudo-element; null when no rule makes one. */
  pseudoValue(
    element: ElementNode,
    pseudo: string,
    property: string,
    interaction?: Interaction,
  ): CascadedValue | null;
  /** The text of a value in lower case: the usual question about keywords. */
  keyword(element: ElementNode, property: string): string | null;
}

/** Styles from our own cascade. */
export function stylesFromCascade(cascade: Cascade): Styles {
  const of = (style: Style | null, property: string) =>
    style === null ? null : cascadedValue(cascade, style, property);
  return {
    value: (element, property, interaction = noInteraction) =>
      of(cascade.style(element, interaction), property),
    pseudoValue: (element, pseudo, property, interaction = noInteraction) =>
      of(cascade.pseudoStyle(element, pseudo, interaction), property),
    keyword: (element, property) => of(cascade.style(element), property)?.text?.toLowerCase() ?? null,
  };
}
