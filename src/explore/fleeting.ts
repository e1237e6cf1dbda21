import { focusNotLost } from "../core/checks/keys/focus-not-lost.ts";
import { keysText } from "./keys-text.ts";
import type { Notes, Stop } from "./notes.ts";
import type { Effect } from "./trial.ts";

/** How many turns of a second are waited for what goes away by itself. */
const TURNS = 12;

/** What a key gives focus to, and what goes away by itself a moment later with it. WCAG 2.2, 2.4.3. */
export async function tryFleeting(notes: Notes, stop: Stop, { moves, to }: Effect): Promise<void> {
  const isGone = await notes.trials.after(moves, async (page) => {
    if ((await page.focused()) !== to) return false;
    for (let turn = 0; turn < TURNS; turn++) {
      await page.settle();
      if ((await page.focused()) === null) return true;
    }
    return false;
  });
  if (!isGone) return;
  const keys = notes.keysOf(moves);
  notes.fail(
    focusNotLost,
    stop.element,
    `${keys.at(-1)} here gives focus to something that goes away by itself, and focus falls to the page.`,
    "Leave focus where it was, and let a live region tell the message.",
    keysText([...keys, "wait"], "focus on nothing"),
  );
}
