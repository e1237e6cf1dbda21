import type { ElementNode } from "../document/node.ts";
import { type Certainty, MAYBE, NO, YES } from "./certainty.ts";
import type { AttributeTest } from "./selector.ts";

/** Selectors 4 §6. An attribute whose value source does not give may or may not match. */
export function matchesAttribute(element: ElementNode, test: AttributeTest): Certainty {
  const attribute =
    element.attributes.get(test.name) ??
    (element.namespace === "html"
      ? undefined
      : [...element.attributes.values()].find((a) => a.name.toLowerCase() === test.name));
  if (attribute === undefined) return element.spread === null ? NO : MAYBE;
  if (test.operator === null) return YES;
  if (typeof attribute.value !== "string") return MAYBE;
  const actual = test.ignoreCase ? attribute.value.toLowerCase() : attribute.value;
  const wanted = test.ignoreCase ? test.value.toLowerCase() : test.value;
  switch (test.operator) {
    case "=":
      return actual === wanted ? YES : NO;
    case "~=":
      return wanted !== "" && actual.split(/[ \t\n\f\r]+/).includes(wanted) ? YES : NO;
    case "|=":
      return actual === wanted || actual.startsWith(`${wanted}-`) ? YES : NO;
    case "^=":
      return wanted !== "" && actual.startsWith(wanted) ? YES : NO;
    case "$=":
      return wanted !== "" && actual.endsWith(wanted) ? YES : NO;
    case "*=":
      return wanted !== "" && actual.includes(wanted) ? YES : NO;
    default:
      return test.operator satisfies never;
  }
}
