import type { ElementNode } from "../document/node.ts";
import type { Page } from "./page.ts";

/** Whether what is placed inside an element takes its place from it. CSS Position 3 §2.1, CSS Transforms 1 §2. */
export function isPositioned({ styles }: Page, element: ElementNode): boolean {
  const value = (property: string) => styles.keyword(element, property) ?? "";
  // What has no box is nowhere.
  if (value("display") === "contents") return false;
  return (
    value("position") !== "static" ||
    value("transform") !== "none" ||
    value("filter") !== "none" ||
    /transform|filter/.test(value("will-change"))
  );
}

/** The nearest element around one that has a box. */
export function boxAround({ index, styles }: Page, element: ElementNode): ElementNode | null {
  let up = index.flatParent(element);
  while (up !== null && styles.keyword(up, "display") === "contents") up = index.flatParent(up);
  return up;
}

/** The boxes right inside one: what has no box counts for what is in it. */
export const boxesInside = (page: Page, element: ElementNode): readonly ElementNode[] =>
  page.index
    .childElements(element)
    .flatMap((child) =>
      page.styles.keyword(child, "display") === "contents" ? boxesInside(page, child) : [child],
    );

/** Whether an element is painted with those that are positioned, after what is in the flow. CSS 2.2 appendix E. */
export const isPaintedLate = (page: Page, element: ElementNode): boolean =>
  isPositioned(page, element) ||
  Number(page.styles.keyword(element, "opacity") ?? 1) < 1 ||
  page.styles.keyword(element, "isolation") === "isolate" ||
  zIndexOf(page, element) !== null;

/** Whether what lies behind everything in an element still lies before its own background. CSS Position 3 §"Painting order". */
export function isStackingContext(page: Page, element: ElementNode): boolean {
  const value = (property: string) => page.styles.keyword(element, property) ?? "";
  if (value("display") === "contents") return false;
  return (
    page.index.flatParent(element) === null ||
    zIndexOf(page, element) !== null ||
    /^(?:fixed|sticky|-webkit-sticky)$/.test(value("position")) ||
    Number(value("opacity")) < 1 ||
    value("isolation") === "isolate" ||
    value("mix-blend-mode") !== "normal" ||
    [
      "transform",
      "translate",
      "scale",
      "rotate",
      "filter",
      "backdrop-filter",
      "clip-path",
      "mask-image",
    ].some((property) => value(property) !== "none") ||
    value("container-type") !== "normal" ||
    /transform|opacity|filter/.test(value("will-change"))
  );
}

/** The level of an element among those around it; null where it has none of its own. CSS 2.2 §9.9.1, CSS Flexbox 1 §5.4. */
export function zIndexOf({ index, styles }: Page, element: ElementNode): number | null {
  const written = Number(styles.keyword(element, "z-index") ?? "auto");
  if (Number.isNaN(written) || styles.keyword(element, "display") === "contents") return null;
  if (styles.keyword(element, "position") !== "static") return written;
  const parent = index.flatParent(element);
  return parent !== null && /flex|grid/.test(styles.keyword(parent, "display") ?? "") ? written : null;
}
