import { dragHasEqual } from "../core/checks/keys/drag-has-equal.ts";
import { elementsAbove } from "../core/document/around.ts";
import type { ElementNode } from "../core/document/node.ts";
import { attributeToken } from "../core/document/written.ts";
import type { Driver } from "../engine/driver.ts";
import type { SeenElement } from "../engine/explored.ts";
import { isInside, isVisible } from "./around.ts";
import type { Notes } from "./notes.ts";
import { seenElement } from "./told-element.ts";
import type { Effect } from "./trial.ts";

/** Things to drag, side by side. */
interface Dragged {
  readonly elements: readonly SeenElement[];
  /** Whether a stop is in the box that they are in. */
  readonly holdsStop: boolean;
  /** Everything in the box that they are in, by key. */
  readonly inside: ReadonlySet<string>;
}

/** Whether keys do something where things can be dragged: at no stop they cannot. WCAG 2.2, 2.1.1 and 2.5.7. */
export async function tryDrags(notes: Notes, effects: readonly Effect[]): Promise<void> {
  for (const { elements, holdsStop, inside } of await notes.trials.peek(draggedIn)) {
    notes.try(dragHasEqual);
    if (effects.some(({ total }) => total.some(({ key }) => inside.has(key)))) {
      for (const element of elements) notes.answer(dragHasEqual, element);
      continue;
    }
    if (holdsStop) continue;
    notes.fail(
      dragHasEqual,
      elements[0] ?? null,
      `Only dragging moves these ${elements.length} things: Tab stops at none of them, and no key changes their order.`,
      'Give each a button such as "Move up", or let keys move the one that has focus.',
      "drag alone",
    );
  }
}

const hearsDragging = (events: ReadonlySet<string>): boolean =>
  ["drop", "dragend", "dragover"].some((event) => events.has(event));

async function draggedIn(page: Driver): Promise<readonly Dragged[]> {
  const moment = await page.moment();
  const { index } = moment.scene.page;
  const stops = moment.stops();
  const boxes = new Map<ElementNode, ElementNode[]>();
  for (const element of index.elements) {
    const box = index.parent(element);
    if (box === null || attributeToken(element, "draggable") !== "true" || !isVisible(moment, element))
      continue;
    if (![element, ...elementsAbove(index, element)].some((one) => hearsDragging(moment.listens(one))))
      continue;
    boxes.set(box, [...(boxes.get(box) ?? []), element]);
  }
  return [...boxes].map(([box, elements]) => ({
    elements: elements.map((element) => seenElement(moment, element)),
    holdsStop: stops.some((stop) => isInside(moment, stop, box)),
    inside: new Set(index.elements.filter((one) => isInside(moment, one, box)).map(moment.keyOf)),
  }));
}
