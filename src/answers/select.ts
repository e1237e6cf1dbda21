import parse from "css-tree/selector-parser";
import { YES } from "../core/css/certainty.ts";
import { matcherFor, noInteraction } from "../core/css/match.ts";
import { compileSelectorList, InvalidSelector, type SelectorList } from "../core/css/selector.ts";
import type { ElementNode, TreeRoot } from "../core/document/node.ts";
import type { Scene } from "../core/scene/scene.ts";

export type Selection =
  | { readonly ok: true; readonly elements: readonly ElementNode[] }
  | { readonly ok: false; readonly message: string };

/** The elements a CSS selector picks, in document order; ` >>> ` steps from a host into its shadow tree. */
export function selectElements(scene: Scene, selector: string): Selection {
  const { index } = scene.page;
  const matcher = matcherFor(index);
  let roots: readonly TreeRoot[] = [scene.document];
  let found: readonly ElementNode[] = [];
  for (const part of selector.split(">>>")) {
    const list = compiled(part.trim());
    if (list === null)
      return {
        ok: false,
        message: `"${part.trim()}" is no selector; write one as in CSS, such as '#book' or 'form button'`,
      };
    found = index.elements.filter((element) => {
      const { root } = index.record(element);
      return (
        roots.includes(root) &&
        matcher.matchesList(element, list, { root, scope: null, interaction: noInteraction }) === YES
      );
    });
    roots = found.flatMap((element) => element.shadow ?? []);
  }
  return { ok: true, elements: found };
}

function compiled(text: string): SelectorList | null {
  let failed = false;
  try {
    const node = parse(text, {
      context: "selectorList",
      onParseError: () => {
        failed = true;
      },
    });
    return failed || node.type !== "SelectorList" ? null : compileSelectorList(node, null);
  } catch (error) {
    if (error instanceof InvalidSelector || (error instanceof Error && error.name === "SyntaxError"))
      return null;
    throw error;
  }
}
