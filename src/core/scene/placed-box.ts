import type { ElementNode } from "../document/node.ts";
import type { FocusDocument } from "../focus/tab-sequence.ts";
import { shownBoxes } from "./cut-off.ts";
import type { Scene } from "./scene.ts";
import type { Box } from "./seen.ts";

/**
 * Where an element is seen in a page, by whatever frames of it its document is shown in; null where it is not.
 * @param document the one that the element is in: the page itself, or that of a frame
 */
export function placedBox(page: Scene, document: FocusDocument, element: ElementNode): Box | null {
  const own = placedFrame(page, document);
  const layout = own?.scene.seen?.usual;
  const [box] = own === null || layout === undefined ? [] : shownBoxes(own.scene, layout, element);
  return box === undefined || own === null
    ? null
    : { ...box, left: box.left + own.left, top: box.top + own.top };
}

/** The page or the frame in it that a document is, and where it begins; null where that is not known. */
function placedFrame(
  scene: Scene,
  document: FocusDocument,
): { readonly scene: Scene; readonly left: number; readonly top: number } | null {
  if (scene === document) return { scene, left: 0, top: 0 };
  for (const frame of scene.page.index.byTag("iframe")) {
    const inner = scene.frame(frame);
    const [box] = scene.seen?.usual.boxes(frame) ?? [];
    const found = inner === null || box === undefined ? null : placedFrame(inner, document);
    if (box !== undefined && found !== null)
      return { scene: found.scene, left: box.left + found.left, top: box.top + found.top };
  }
  return null;
}
