import type { Attribute, ElementNode, Hole, Written } from "./node.ts";

/** The text of an attribute, null when it is absent or holds anything that source does not give. */
export function attributeText(element: ElementNode, name: string): string | null {
  const attribute = element.attributes.get(name);
  return attribute !== undefined && typeof attribute.value === "string" ? attribute.value : null;
}

/** The text of an attribute without white space around it, lower case; null as for `attributeText`. */
export function attributeToken(element: ElementNode, name: string): string | null {
  return attributeText(element, name)?.trim().toLowerCase() ?? null;
}

/** The space-separated tokens of an attribute, in order; empty when absent or unknown. */
export function attributeTokens(element: ElementNode, name: string): readonly string[] {
  const text = attributeText(element, name);
  return text === null ? [] : text.split(/[ \t\n\f\r]+/).filter((token) => token !== "");
}

/** Whether the attribute is there for certain, whatever its value. */
export const hasAttribute = (element: ElementNode, name: string): boolean => element.attributes.has(name);

/** Whether the attribute might be there although source does not show it, or has a value it does not give. */
export function attributeUnknown(element: ElementNode, name: string): boolean {
  const attribute: Attribute | undefined = element.attributes.get(name);
  return attribute === undefined ? element.spread !== null : typeof attribute.value !== "string";
}

/** What is known of a written value, holes shown as `{source}`. */
export function writtenText(value: Written): string {
  if (typeof value === "string") return value;
  if (Array.isArray(value)) return (value as readonly (string | Hole)[]).map(writtenText).join("");
  return `{${(value as Hole).hole}}`;
}

export const hasHole = (value: Written): boolean => typeof value !== "string";
