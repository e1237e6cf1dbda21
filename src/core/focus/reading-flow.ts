import type { Styles } from "../css/styles.ts";
import type { ElementNode, Node } from "../document/node.ts";

/** How `reading-flow` sorts the children of a container, by its keyword. CSS Display 4 §4. */
const sorted = /^(?:flex-visual|flex-flow|grid-order|grid-rows|grid-columns|source-order)$/;

/** The children in the order that `reading-flow` gives them; null where the container keeps that of the source. */
export function readingOrderOf(
  styles: Styles,
  container: ElementNode,
  children: readonly Node[],
): readonly Node[] | null {
  const flow = styles.keyword(container, "reading-flow") ?? "normal";
  if (!sorted.test(flow)) return null;
  const display = styles.keyword(container, "display") ?? "";
  const elements = children.filter((node): node is ElementNode => node.kind === "element");
  const numberOf = (element: ElementNode, property: string) =>
    Number(styles.keyword(element, property) ?? 0) || 0;
  const by = flow === "source-order" ? "reading-order" : "order";
  const inOrder = elements.toSorted((a, b) => numberOf(a, by) - numberOf(b, by));
  if (flow.startsWith("flex")) {
    if (!/flex/.test(display)) return null;
    const isReversed = styles.keyword(container, "flex-direction")?.endsWith("reverse") === true;
    return flow === "flex-visual" && isReversed ? inOrder.reverse() : inOrder;
  }
  return flow.startsWith("grid") && !/grid/.test(display) ? null : inOrder;
}
