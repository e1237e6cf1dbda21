import { type ElementNode, writtenTag } from "../document/node.ts";
import type { Edit } from "./edit.ts";

/** Gives an element another tag name in its start and its end tag. Null in place of what source does not show. */
export function renameElement(element: ElementNode, tag: string): readonly (Edit | null)[] {
  const { source, endTag } = element;
  if (source === null || endTag === null) return [null];
  return [
    {
      file: source.file,
      start: source.start + 1,
      end: source.start + 1 + writtenTag(element).length,
      text: tag,
    },
    {
      file: endTag.file,
      start: endTag.start + 2,
      end: endTag.start + 2 + writtenTag(element).length,
      text: tag,
    },
  ];
}
