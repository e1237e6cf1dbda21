import { skipArrives } from "../core/checks/keys/skip-arrives.ts";
import { fragmentTarget, skipLinks } from "../core/checks/keys/skip-link.ts";
import type { Moment } from "../engine/driver.ts";
import type { Notes, Stop } from "./notes.ts";
import { focus, type Move, press } from "./trial.ts";

/** The skip links of a page that have stops to lead past, by key. */
export function skipLinkKeys(moment: Moment): ReadonlySet<string> {
  const { index } = moment.scene.page;
  const stops = moment.stops().map((stop) => index.record(stop).order);
  const leadsPastStops = skipLinks(moment.scene).filter((link) => {
    const target = fragmentTarget(moment.scene, link);
    if (target === null || target === "top") return false;
    const [from, to] = [index.record(link).order, index.record(target).order];
    return stops.some((order) => order > from && order < to);
  });
  return new Set(leadsPastStops.map(moment.keyOf));
}

/** A skip link that a script keeps for itself: the next Tab goes on as if it had not been pressed. WCAG 2.2, 2.4.1. */
export async function trySkipping(notes: Notes, stop: Stop): Promise<void> {
  const next = (moves: readonly Move[]) =>
    notes.trials.after(moves, async (page) => {
      await page.press("Tab");
      return page.focused();
    });
  const [without, after] = [await next([focus(stop.key)]), await next([focus(stop.key), press("Enter")])];
  if (without === null || without !== after) return;
  notes.fail(
    skipArrives,
    stop.element,
    "Enter on this skip link leads nowhere: the next Tab goes on to what it should lead past.",
    "Let the browser follow the link, or move focus to what it names.",
    notes.keysFrom(stop, ["Enter", "Tab"], "the next stop"),
  );
}
