import { elementPath } from "../core/document/element-path.ts";
import type { ElementNode, Span } from "../core/document/node.ts";
import type { UnitDocument } from "../engine/unit.ts";
import { type ElementAnswer, elementAnswer, type SourceTexts } from "./element-answer.ts";

/** An element as it is told of from the page: through the frames that it is shown in. */
export function elementIn(
  { scene, frame }: UnitDocument,
  element: ElementNode,
  texts: SourceTexts,
): ElementAnswer {
  const answer = elementAnswer(scene.page.index, scene, element, texts);
  return frame === null ? answer : { ...answer, path: pathIn({ scene, frame }, element) };
}

/** The way to an element from the page, through the frames that it is shown in. */
export function pathIn(
  { scene, frame }: Pick<UnitDocument, "scene" | "frame">,
  element: ElementNode,
): string {
  const own = elementPath(scene.page.index, element);
  return frame === null ? own : `${pathIn(frame.around, frame.element)} >>> ${own}`;
}

/** Whether a document stands in an attribute of a page: it is no file, and has its place where the attribute has. */
export const isWrittenInside = ({ frame }: UnitDocument): boolean =>
  frame !== null && (frame.element.attributes.has("srcdoc") || isWrittenInside(frame.around));

/** The place of something in a document, in a file that there is. */
export function placeIn(document: UnitDocument, source: Span | null): Span | null {
  const { frame } = document;
  return frame === null || !isWrittenInside(document) ? source : placeIn(frame.around, frame.element.source);
}
