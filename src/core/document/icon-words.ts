import type { ElementNode } from "./node.ts";
import { textContent } from "./text-content.ts";
import { attributeTokens } from "./written.ts";

/**
 * Whether the word in an element is the name of a picture: fonts of icons draw one where they find it. Told by what the
 * element is called, in the plural of a font or as a custom element: `boat-icons`, `boat-symbols-outlined`, `<boat-icon>`.
 */
export const isIconWord = (element: ElementNode): boolean =>
  (/-icon$/.test(element.tag) ||
    attributeTokens(element, "class").some((name) => /^[a-z]+-(?:icons|symbols)(?:-[a-z]+)?$/.test(name))) &&
  /^[a-z][a-z0-9_]*$/.test(textContent(element).trim());
