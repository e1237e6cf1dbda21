import { keysText } from "./keys-text.ts";
import type { Notes } from "./notes.ts";
import { keyOf, stateOf } from "./page-state.ts";
import { told } from "./rendered-element.ts";

/** Keys that pages take for shortcuts. */
const letters = [..."abcdefghijklmnopqrstuvwxyz0123456789/?"];

/**
 * Whether a letter alone does something while nothing has focus. WCAG 2.2, 2.1.4: whether it can be turned off, or given
 * another key, nobody sees from here.
 * @returns whether any does
 */
export async function tryLetters(notes: Notes): Promise<boolean> {
  // Where nobody listens nothing can come of it.
  if (!(await notes.trials.peek((page) => page.answersKeys(page.window.document.body)))) return false;
  const found = await notes.trials.after([], async (page) => {
    for (const key of letters) {
      const before = stateOf(page);
      const [from, left] = [page.focused(), page.left.length];
      await page.press(key);
      const changes = notes.trials.changes(before, stateOf(page));
      const now = page.focused();
      if (now === from && changes.length === 0 && page.left.length === left) continue;
      const at = changes.map((change) => page.elementWith(change.at)).find((element) => element !== null);
      const element = told(page, now !== from ? now : (at ?? page.window.document.body));
      return { key, element, to: now !== null && now !== from ? keyOf(page, now) : null };
    }
    return null;
  });
  notes.try("keys.no-letter-shortcuts");
  if (found !== null)
    notes.ask(
      "keys.no-letter-shortcuts",
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
