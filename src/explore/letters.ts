import { noLetterShortcuts } from "../core/checks/keys/no-letter-shortcuts.ts";
import { keysText } from "./keys-text.ts";
import type { Notes } from "./notes.ts";
import { isTie, stateOf } from "./page-state.ts";
import { seenElement } from "./told-element.ts";

/** Keys that pages take for shortcuts. */
const letters = [..."abcdefghijklmnopqrstuvwxyz0123456789/?"];

/**
 * Whether a letter alone does something while nothing has focus. WCAG 2.2, 2.1.4: whether it can be turned off, or given
 * another key, nobody sees from here.
 * @returns whether any does
 */
export async function tryLetters(notes: Notes): Promise<boolean> {
  // Where nobody listens nothing can come of it.
  if (!(await notes.trials.peek(async (page) => (await page.moment()).answersKeys(null)))) return false;
  const found = await notes.trials.after([], async (page) => {
    for (const key of letters) {
      const before = await stateOf(page);
      const from = await page.focused();
      const { left } = await page.happenings();
      await page.press(key);
      const changes = notes.trials.changes(before, await stateOf(page)).filter((change) => !isTie(change));
      const to = await page.focused();
      const hasLeft = (await page.happenings()).left.length > left.length;
      if (to === from && changes.length === 0 && !hasLeft) continue;
      const moment = await page.moment();
      const [changed] = changes.flatMap((change) => moment.element(change.key) ?? []);
      const [body] = moment.scene.page.index.byTag("body");
      const node = to !== null && to !== from ? moment.element(to) : (changed ?? body ?? null);
      return { key, element: node === null ? null : seenElement(moment, node) };
    }
    return null;
  });
  notes.try(noLetterShortcuts);
  if (found !== null)
    notes.ask(
      noLetterShortcuts,
      found.element,
      `The key "${found.key}" does something wherever one is. Can that be turned off, or given another key?`,
      "Let it be turned off, ask for Ctrl, Alt or Meta with it, or listen for it only where something has focus.",
      keysText(
        [found.key],
        found.element === null
          ? "something changes"
          : `something changes at ${found.element.heard || `<${found.element.tag}>`}`,
      ),
    );
  return found !== null;
}
