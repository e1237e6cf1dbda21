import { NO } from "../core/css/certainty.ts";
import { elementsAbove, firstOf } from "../core/document/around.ts";
import type { ElementNode } from "../core/document/node.ts";
import type { Moment } from "../engine/driver.ts";

/** Whether an element is another, or in it. */
export const isInside = ({ scene }: Moment, element: ElementNode, container: ElementNode): boolean =>
  element === container ||
  firstOf(elementsAbove(scene.page.index, element), (up) => up === container) !== null;

export const isVisible = ({ scene }: Moment, element: ElementNode): boolean =>
  scene.presence.of(element).visible !== NO;

/** The element that goes by a key, where it is there and seen. */
export function visibleElement(moment: Moment, key: string): ElementNode | null {
  const element = moment.element(key);
  return element !== null && isVisible(moment, element) ? element : null;
}
