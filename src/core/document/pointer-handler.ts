import type { ElementNode } from "./node.ts";
import { attributeText } from "./written.ts";

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
] as const;

/** Handlers that only keep an event from others, or from the browser, do nothing anyone could miss. */
const idleHandler =
  /^(?:\s*(?:return\s+(?:false|true)|(?:window\.)?event\.(?:stopPropagation|preventDefault|stopImmediatePropagation)\(\)|void\s*\(?0\)?|;)\s*;?)*$/;

/** Stands for the code of a listener of which only that it is there is known. */
export const UNKNOWN_LISTENER = "a listener";

/** What is done when a pointer presses. */
export interface PointerHandler {
  readonly event: (typeof pointerEvents)[number];
  /** The code of an inline handler. */
  readonly code: string;
}

/** What pressing an element does, as an inline handler says; null where there is none that does anything. */
export function pointerHandlerOf(element: ElementNode): PointerHandler | null {
  if (element.listeners === "unknown" || element.listeners.size === 0) return null;
  for (const event of pointerEvents) {
    const code = element.listeners.has(event) ? attributeText(element, `on${event}`) : null;
    if (code !== null && !idleHandler.test(code)) return { event, code: code.trim() };
  }
  return null;
}
