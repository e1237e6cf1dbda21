import type { ElementNode } from "../document/node.ts";
import type { Description, Semantics } from "./semantics.ts";
import { attributeAlternative, nativeSourceText, referencedText } from "./text-alternative.ts";

const none: Description = { text: "", certain: true, from: null };

/** The accessible description. AccName 1.2 §4.3.3; native sources by HTML-AAM 1.0 §4.1. */
export function computeDescription(semantics: Semantics, element: ElementNode): Description {
  if (element.attributes.size === 0 && element.tag !== "table") return none;
  const { role } = semantics.role(element);
  if (role === "none") return none;
  const described = referencedText(semantics, element, "aria-describedby");
  if (described !== null && described.text !== "") return { ...described, from: "aria-describedby" };
  const written = attributeAlternative(element, "aria-description");
  if (written !== null) return { ...written, from: "aria-description" };
  const name = semantics.name(element);
  if (element.tag === "table" && element.namespace === "html" && name.from !== "caption") {
    const caption = nativeSourceText(semantics, element, "caption");
    if (caption !== null && caption.text !== "") return { ...caption, from: "caption" };
  }
  if (
    element.tag === "input" &&
    name.from !== "value" &&
    /^(?:button|submit|reset)$/i.test(String(element.attributes.get("type")?.value ?? ""))
  ) {
    const value = attributeAlternative(element, "value");
    if (value !== null && value.text !== name.text) return { ...value, from: "value" };
  }
  const title = attributeAlternative(element, "title");
  if (title !== null && name.from !== "title attribute") return { ...title, from: "title attribute" };
  return none;
}
