import type { Rgba } from "../colour/rgba.ts";
import { type Interaction, noInteraction } from "../css/match.ts";
import type { ElementNode } from "../document/node.ts";
import type { Page } from "./page.ts";
import { paintedText } from "./painted.ts";
import type { PaintedPage } from "./painted-page.ts";

/** The colours that lie around an element, on what it stands; null where source cannot tell. Opaque. */
export function groundAround(
  page: Page,
  painted: PaintedPage,
  element: ElementNode,
  interaction: Interaction = noInteraction,
): readonly Rgba[] | null {
  const parent = page.index.flatParent(element);
  if (parent === null) return null;
  const found = paintedText(page, painted, parent, interaction);
  return found.unknown === null && found.spots.length > 0 ? found.spots.map((spot) => spot.ground) : null;
}
