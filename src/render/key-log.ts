import { announced, liveRegions } from "./announcements.ts";
import { changesText } from "./keys-text.ts";
import type { LivePage } from "./live-page.ts";
import { type Change, changesBetween, stateOf } from "./page-state.ts";
import type { RenderedStep } from "./protocol.ts";
import { told } from "./rendered-element.ts";

/** Presses a key and tells what came of it. */
export async function pressed(
  page: LivePage,
  key: string,
  restful: (changes: readonly Change[]) => readonly Change[] = (changes) => changes,
): Promise<RenderedStep> {
  const before = stateOf(page);
  const from = told(page, page.focused());
  const regions = liveRegions(page);
  page.takeEvents();
  await page.press(key);
  return {
    key,
    from,
    to: told(page, page.focused()),
    events: page.takeEvents(),
    changes: changesText(page, restful(changesBetween(before, stateOf(page)))),
    said: announced(regions, liveRegions(page)),
  };
}
