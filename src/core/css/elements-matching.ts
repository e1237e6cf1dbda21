import type { DocumentIndex } from "../document/document-index.ts";
import type { ElementNode, TreeRoot } from "../document/node.ts";
import { YES } from "./certainty.ts";
import { matcherFor, noInteraction } from "./match.ts";
import { acceptedSelectors, type SelectorList } from "./selector.ts";
import { parsedSelectors } from "./selector-text.ts";

/** The elements of some trees that a selector surely picks, in document order; null for text that is no selector. */
export function elementsMatching(
  index: DocumentIndex,
  roots: readonly TreeRoot[],
  selector: string,
): readonly ElementNode[] | null {
  const list = selectorList(selector.trim());
  if (list === null) return null;
  const matcher = matcherFor(index);
  return index.elements.filter((element) => {
    const { root } = index.record(element);
    return (
      roots.includes(root) &&
      matcher.matchesList(element, list, { root, scope: null, interaction: noInteraction }) === YES
    );
  });
}

/** A selector list from its text; null for text that is none. */
export function selectorList(text: string): SelectorList | null {
  const node = parsedSelectors(text, false);
  return node === null ? null : acceptedSelectors(node, null);
}
