import { elementsAbove, elementsBelow } from "../core/document/around.ts";
import type { Moment } from "../engine/driver.ts";
import { isVisible } from "./around.ts";

/** How many boxes around a stop its mark may be drawn in. */
const BOXES_AROUND = 2;

/** More elements around a stop than these are not looked at. */
const MOST_AROUND = 300;

/** Properties that draw: what differs in them can be seen. */
const drawing = [
  ...[
    "outline-style",
    "outline-width",
    "outline-color",
    "box-shadow",
    "background-color",
    "background-image",
  ],
  ...["border-top-color", "border-bottom-color", "border-top-width", "border-bottom-width", "color"],
  ...["border-top-style", "border-bottom-style", "text-decoration-line", "opacity", "filter", "transform"],
  ...["font-weight", "stroke", "fill"],
];

/** How a stop and what is around it are drawn, by the key of each element that is seen. */
export type Look = ReadonlyMap<string, string>;

export function lookAround(moment: Moment, key: string): Look {
  const look = new Map<string, string>();
  const stop = moment.element(key);
  if (stop === null) return look;
  const { index, styles } = moment.scene.page;
  const boxes = [...elementsAbove(index, stop)].filter(({ tag }) => !/^(?:body|html|main)$/.test(tag));
  const box = boxes.slice(0, BOXES_AROUND).at(-1) ?? stop;
  for (const element of [box, ...elementsBelow(index, box)].slice(0, MOST_AROUND))
    if (isVisible(moment, element))
      look.set(
        moment.keyOf(element),
        drawing.map((property) => styles.value(element, property)?.text ?? "").join("|"),
      );
  return look;
}

/** Whether something is drawn otherwise, or is drawn at all that was not. */
export const isDrawnOtherwise = (before: Look, after: Look): boolean =>
  before.size > 0 && [...after].some(([key, look]) => before.get(key) !== look);
