import { elementsMatching } from "../core/css/elements-matching.ts";
import type { ElementNode, TreeRoot } from "../core/document/node.ts";
import type { Scene } from "../core/scene/scene.ts";

export type Selection =
  | { readonly ok: true; readonly elements: readonly ElementNode[] }
  | { readonly ok: false; readonly message: string };

/** The elements a CSS selector picks, in document order; ` >>> ` steps from a host into its shadow tree. */
export function selectElements(scene: Scene, selector: string): Selection {
  let roots: readonly TreeRoot[] = [scene.document];
  let found: readonly ElementNode[] = [];
  for (const part of selector.split(">>>")) {
    const matching = elementsMatching(scene.page.index, roots, part);
    if (matching === null)
      return {
        ok: false,
        message: `"${part.trim()}" is no selector; write one as in CSS, such as '#book' or 'form button'`,
      };
    found = matching;
    roots = found.flatMap((element) => element.shadow ?? []);
  }
  return { ok: true, elements: found };
}
