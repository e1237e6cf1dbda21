import type { ElementNode } from "../../document/node.ts";
import { attributeTokens, attributeUnknown } from "../../document/written.ts";
import type { Cause } from "../../findings/cause.ts";
import type { Scene } from "../../scene/scene.ts";

/** That an element has no name, and that what names it is not there, is one fault: its cause; none where all is there. */
export function lostNameCause(scene: Scene, element: ElementNode): { readonly cause?: Cause } {
  const { index } = scene.page;
  if (attributeUnknown(element, "aria-labelledby")) return {};
  const isLost = attributeTokens(element, "aria-labelledby").some((id) => index.byId(element, id) === null);
  return isLost ? { cause: { kind: "name that is lost", of: [index.record(element).order] } } : {};
}
