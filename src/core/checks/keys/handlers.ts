import type { ElementNode } from "../../document/node.ts";
import { attributeText } from "../../document/written.ts";
import { keptForScene } from "../../scene/kept.ts";
import { isShown } from "../exposed.ts";

/** The text of an inline handler; null without one that source gives. */
export const handlerText = (element: ElementNode, event: string): string | null =>
  attributeText(element, `on${event}`)?.trim() ?? null;

/** Elements that are seen and carry inline handlers, in document order. */
export const withHandlers = keptForScene((scene): readonly ElementNode[] =>
  scene.page.index.elements.filter(
    (element) => element.listeners !== "unknown" && element.listeners.size > 0 && isShown(scene, element),
  ),
);

/** Code that goes to another page, sends the form or opens a window. WCAG 2.2, "changes of context". */
export const changesContext =
  /\b(?:this\.form|form|this|document\.forms\S*)\.(?:submit|requestSubmit)\s*\(|\b(?:window\.|document\.|self\.|top\.)?location(?:\.href)?\s*=(?!=)|\blocation\.(?:assign|replace)\s*\(|\bwindow\.open\s*\(/;

/** Code that asks something first: what it does then is not sure. */
export const isConditional = (code: string): boolean => /\bif\s*\(|\?|&&|\|\||\bconfirm\s*\(/.test(code);
