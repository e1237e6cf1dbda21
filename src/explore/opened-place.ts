import { orderMakesSense } from "../core/checks/keys/order-makes-sense.ts";
import { elementsAbove } from "../core/document/around.ts";
import type { ElementNode } from "../core/document/node.ts";
import { around } from "../core/scene/cut-off.ts";
import type { Box } from "../core/scene/seen.ts";
import { isInside, visibleElement } from "./around.ts";
import type { Notes, Stop } from "./notes.ts";
import { seenElement } from "./told-element.ts";
import type { Move } from "./trial.ts";

/** How far from what opens it something is that stands beside it. CSS pixels. */
const BESIDE = 24;

/**
 * What opens right beside its button, and comes much later in the order of Tab than what lies behind it. WCAG 2.2, 2.4.3.
 * Only where the page was laid out it is known what stands beside what.
 */
export async function tryOpenedPlace(
  notes: Notes,
  stop: Stop,
  key: string,
  moves: readonly Move[],
  shown: ReadonlySet<string>,
): Promise<void> {
  const found = await notes.trials.after(moves, async (page) => {
    if ((await page.focused()) !== stop.key) return null;
    const moment = await page.moment();
    const { index } = moment.scene.page;
    const layout = moment.scene.seen?.usual ?? null;
    const button = moment.element(stop.key);
    const at = layout === null || button === null ? null : around(layout.boxes(button));
    if (layout === null || button === null || at === null) return null;
    const stops = moment.stops();
    const isOutermost = (node: ElementNode) =>
      ![...elementsAbove(index, node)].some((up) => shown.has(moment.keyOf(up)));
    const part = index.elements.find((node) => {
      if (!shown.has(moment.keyOf(node)) || !isOutermost(node) || isInside(moment, button, node))
        return false;
      const box = around([...layout.boxes(node)]);
      return box !== null && isBeside(at, box) && stops.some((one) => isInside(moment, one, node));
    });
    if (part === undefined) return null;
    const inside = stops.filter((one) => isInside(moment, one, part));
    const place = stops.indexOf(button);
    const later = stops.indexOf(inside[0] as ElementNode) - place - 1;
    const partKey = moment.keyOf(part);
    if (place < 0 || later < 1) return null;
    await page.press("Tab");
    const now = await page.focused();
    const after = await page.moment();
    const next = now === null ? null : after.element(now);
    const still = visibleElement(after, partKey);
    if (next === null || still === null || now === stop.key || isInside(after, next, still)) return null;
    return { inside: inside.length, later, next: seenElement(after, next) };
  });
  if (found === null) return;
  const { inside, later, next } = found;
  notes.try(orderMakesSense);
  notes.fail(
    orderMakesSense,
    stop.element,
    `${key} opens something beside this, and Tab goes past it to ${next.heard}: ${inside === 1 ? "the stop" : `the ${inside} stops`} in it come${inside === 1 ? "s" : ""} ${later} ${later === 1 ? "stop" : "stops"} later.`,
    "Put it right after what opens it, or give focus to it when it opens.",
    notes.keysFrom(stop, [key, "Tab"], `focus on ${next.heard}`),
  );
}

/** Whether one box touches another at a side, or nearly so. */
function isBeside(one: Box, other: Box): boolean {
  const apart = (from: number, size: number, at: number, length: number) =>
    Math.max(0, from - (at + length), at - (from + size));
  const across = apart(one.left, one.width, other.left, other.width);
  const down = apart(one.top, one.height, other.top, other.height);
  return (across === 0 && down <= BESIDE) || (down === 0 && across <= BESIDE);
}
