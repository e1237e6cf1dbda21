import type { Driver } from "../engine/driver.ts";
import type { SeenStep } from "../engine/explored.ts";
import { announced, liveRegions } from "./announcements.ts";
import { changesText } from "./keys-text.ts";
import { type Change, changesBetween, stateIn } from "./page-state.ts";
import { seenFocus } from "./told-element.ts";

/** Presses a key and tells what came of it. */
export async function pressed(
  page: Driver,
  key: string,
  restful: (changes: readonly Change[]) => readonly Change[] = (changes) => changes,
): Promise<SeenStep> {
  const before = await page.moment();
  const state = stateIn(before);
  const regions = liveRegions(before);
  const from = await seenFocus(page);
  await page.takeEvents();
  await page.press(key);
  const after = await page.moment();
  return {
    key,
    from,
    to: await seenFocus(page),
    events: await page.takeEvents(),
    changes: changesText(after, restful(changesBetween(state, stateIn(after)))),
    said: announced(regions, liveRegions(after)),
  };
}
