import type { DocumentIndex, ElementRecord } from "./document-index.ts";
import { type ElementNode, writtenTag } from "./node.ts";

/** A tag name as CSS writes an identifier. CSSOM §2.1, "serialize an identifier". */
const escapeTag = (tag: string): string =>
  tag.replace(/[^a-zA-Z0-9_\u0080-\uffff-]/g, (c) => `\\${c}`).replace(/^\d/, (d) => `\\3${d} `);

/**
 * The selector that `document.querySelector` resolves to exactly this element: tag and `:nth-child` from the root.
 * A step into an open shadow root is joined with ` >>> `.
 */
export function elementPath(index: DocumentIndex, element: ElementNode): string {
  const trees: string[] = [];
  let steps: string[] = [];
  for (let ancestor: ElementNode | null = element; ancestor !== null; ) {
    const { parent, root, place }: ElementRecord = index.record(ancestor);
    const isRoot = parent === null && root === index.document;
    steps.push(
      isRoot ? escapeTag(writtenTag(ancestor)) : `${escapeTag(writtenTag(ancestor))}:nth-child(${place})`,
    );
    if (parent === null) {
      trees.push(steps.reverse().join(" > "));
      steps = [];
    }
    ancestor = parent ?? ("mode" in root ? index.host(root) : null);
  }
  return trees.reverse().join(" >>> ");
}
