import type { ElementNode } from "../core/document/node.ts";
import type { Box, Clip, Layout, Overflow } from "../core/scene/seen.ts";
import type { CollectedLayout } from "./inside/collect.ts";

/** A layout as it was collected, for the elements that it was collected of. */
export function layoutFrom(
  collected: CollectedLayout,
  numberOf: (element: ElementNode) => number | null,
): Layout {
  const { width, height, reach, boxes, lines, clips, fontSizes } = collected;
  const [unseen, fixed] = [new Set(collected.unseen), new Set(collected.fixed)];
  const of = <T>(table: Readonly<Record<number, T>>, element: ElementNode): T | undefined => {
    const id = numberOf(element);
    return id === null ? undefined : table[id];
  };
  return {
    window: { width, height },
    reach: { width: reach[0], height: reach[1] },
    boxes: (element) => boxesIn(of(boxes, element)),
    lines: (element) => boxesIn(of(lines, element)),
    clip(element): Clip | null {
      const clip = of(clips, element);
      if (clip === undefined) return null;
      const [x, y, inside, content] = clip;
      const [box] = boxesIn(inside);
      return box === undefined
        ? null
        : {
            x: x as Overflow,
            y: y as Overflow,
            inside: box,
            content: { width: content[0], height: content[1] },
          };
    },
    isDrawn: (element) => {
      const id = numberOf(element);
      return id !== null && boxes[id] !== undefined && !unseen.has(id);
    },
    isFixed: (element) => fixed.has(numberOf(element) ?? -1),
    fontSize: (element) => of(fontSizes, element) ?? null,
  };
}

function boxesIn(numbers: readonly number[] = []): readonly Box[] {
  const boxes: Box[] = [];
  for (let i = 0; i + 3 < numbers.length; i += 4) {
    const [left = 0, top = 0, width = 0, height = 0] = numbers.slice(i, i + 4);
    boxes.push({ left, top, width, height });
  }
  return boxes;
}
