import type { Interaction } from "../css/match.ts";
import type { ElementNode } from "../document/node.ts";
import { opacityOf } from "./effects.ts";
import type { Page } from "./page.ts";

interface Known {
  readonly why: string | null;
}

/** By an element's own styles, and by those of all around it too; for elements that are styled alike. */
const ownReasons = new WeakMap<object, Known>();
const wholeReasons = new WeakMap<object, Known>();

/** Why text is not to be seen at all, so that no contrast is asked of it; null when it is. */
export function whyUnseen(page: Page, element: ElementNode): string | null {
  const likeness = page.styles.likeness({ element });
  const known = likeness === null ? undefined : wholeReasons.get(likeness);
  if (known !== undefined) return known.why;
  const why = whyUnseenAround(page, element);
  if (likeness !== null) wholeReasons.set(likeness, { why });
  return why;
}

function whyUnseenAround(page: Page, element: ElementNode): string | null {
  const size = page.styles.fontSize({ element });
  if (size !== null && size < 1) return "its size is zero";
  for (
    let ancestor: ElementNode | null = element;
    ancestor !== null;
    ancestor = page.index.flatParent(ancestor)
  ) {
    const likeness = page.styles.likeness({ element: ancestor });
    let known = likeness === null ? undefined : ownReasons.get(likeness);
    if (known === undefined) {
      known = { why: whyUnseenInside(page, ancestor) };
      if (likeness !== null) ownReasons.set(likeness, known);
    }
    if (known.why !== null) return known.why;
  }
  return null;
}

/** Whether text that nothing but its transparency hides is seen in a state. */
export function isSeenIn(page: Page, element: ElementNode, interaction: Interaction): boolean {
  const size = page.styles.fontSize({ element });
  if (size !== null && size < 1) return false;
  for (let up: ElementNode | null = element; up !== null; up = page.index.flatParent(up)) {
    const why = whyUnseenInside(page, up);
    if (why === null) continue;
    const opacity = page.styles.value(up, "opacity", interaction)?.text ?? "1";
    if (why !== TRANSPARENT || (opacityOf(opacity) ?? 0) === 0) return false;
  }
  return true;
}

const TRANSPARENT = "it is fully transparent";

const cutAway = /^inset\((?:50%|100%)|^circle\(0|^polygon\(0(?:px|%)? 0(?:px|%)?,\s*0(?:px|%)? 0/;
const cutToNothing = /^rect\(\s*(?:0|1px|0px)[\s,]+(?:0|1px|0px)[\s,]+(?:0|1px|0px)[\s,]+(?:0|1px|0px)\s*\)$/;

/** So far to one side, in CSS pixels, that nobody scrolls there. */
const FAR_OUT = -500;

/** Why nothing in this element can be seen, by its own styles. */
function whyUnseenInside(page: Page, element: ElementNode): string | null {
  const { styles } = page;
  const value = (property: string) => styles.keyword(element, property) ?? "";
  const pixels = (property: string) => styles.pixels({ element }, property);
  if (opacityOf(value("opacity")) === 0) return TRANSPARENT;
  if (cutAway.test(value("clip-path"))) return "it is cut away";
  if (/^(?:absolute|fixed)$/.test(value("position"))) {
    if (cutToNothing.test(value("clip"))) return "it is cut away";
    if (["top", "left", "right", "bottom"].some((side) => (pixels(side) ?? 0) <= FAR_OUT))
      return "it stands outside the window";
  }
  const clips = value("overflow-x") !== "visible" || value("overflow-y") !== "visible";
  if (clips && ["width", "height"].some((side) => (pixels(side) ?? 2) <= 1))
    return "its box has no room for it";
  const indent = value("text-indent");
  if (/^-\d{3,}(?:px|em|rem|%)/.test(indent) || (clips && /^(?:100%|1\d\d%)$/.test(indent)))
    return "it is pushed out of its box";
  if (/^scale\(0\)|scale3d\(0|scalex\(0\)|scaley\(0\)/.test(value("transform")) || value("scale") === "0")
    return "it is shrunk to nothing";
  return null;
}
