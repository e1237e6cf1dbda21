import type { ElementNode, Node } from "../document/node.ts";
import { writtenText } from "../document/written.ts";
import { type Change, type Markup, wrap } from "../repair/change.ts";
import type { Scene } from "../scene/scene.ts";

/** Neighbours that follow one another with nothing but white space and comments between them. */
export interface Run {
  readonly first: ElementNode;
  readonly last: ElementNode;
}

const isNothing = (node: Node): boolean =>
  node.kind === "comment" || (node.kind === "text" && writtenText(node.value).trim() === "");

/** The neighbours of an element, itself among them, that fit a condition. */
export function runOf(scene: Scene, element: ElementNode, fits: (neighbour: ElementNode) => boolean): Run {
  const { parent, root } = scene.page.index.record(element);
  const nodes = (parent ?? root).children;
  const reach = (step: 1 | -1): ElementNode => {
    let end = element;
    for (let index = nodes.indexOf(element) + step; index >= 0 && index < nodes.length; index += step) {
      const node = nodes[index] as Node;
      if (isNothing(node)) continue;
      if (node.kind !== "element" || !fits(node)) break;
      end = node;
    }
    return end;
  };
  return { first: reach(-1), last: reach(1) };
}

/** Puts an element around a run of neighbours. */
export const wrapRun = ({ first, last }: Run, around: Markup): Change => wrap(first, last, around);

/** Whether an element holds nothing beside a run. */
export function isWholeContent(parent: ElementNode, { first, last }: Run): boolean {
  const content = parent.children.filter((node) => !isNothing(node));
  return content[0] === first && content.at(-1) === last;
}
