import type { ElementNode } from "../../document/node.ts";
import { attributeText } from "../../document/written.ts";

/** Events of a mouse or finger that do something when it presses. */
export const pointerEvents = [
  "click",
  "dblclick",
  "mousedown",
  "mouseup",
  "pointerdown",
  "pointerup",
  "touchstart",
  "touchend",
];
/** Handlers that only keep an event from others, or from the browser, do nothing anyone could miss. */
const idleHandler =
  /^(?:\s*(?:return\s+(?:false|true)|(?:window\.)?event\.(?:stopPropagation|preventDefault|stopImmediatePropagation)\(\)|void\s*\(?0\)?|;)\s*;?)*$/;

/** What a click does here, as an inline handler says; null where there is none that does anything. */
export function clickHandlerOf(element: ElementNode): string | null {
  for (const event of pointerEvents) {
    const text = attributeText(element, `on${event}`);
    if (text !== null && !idleHandler.test(text)) return text.trim();
  }
  return null;
}
