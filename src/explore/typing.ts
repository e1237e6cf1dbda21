import { changeAnnounced } from "../core/checks/roles/change-announced.ts";
import { shortened } from "../core/document/shortened.ts";
import { visibleElement } from "./around.ts";
import { keysText } from "./keys-text.ts";
import type { Notes, Stop } from "./notes.ts";
import type { Change } from "./page-state.ts";
import { seenElement } from "./told-element.ts";
import { focus, press } from "./trial.ts";

/** Letters that some names have and others have not. */
const LETTERS = ["e", "n"];

/** The longest text that tells how much was found. */
const LONGEST = 60;

const typed = ["input", "keyup", "keydown", "keypress", "beforeinput"];

/** How much is found while one types is told to those who do not see it. WCAG 2.2, 4.1.3. */
export async function tryTyping(notes: Notes, stop: Stop): Promise<void> {
  if (stop.tag !== "input") return;
  const isHeard = await notes.trials.peek(async (page) => {
    const moment = await page.moment();
    const field = moment.element(stop.key);
    return field !== null && typed.some((type) => moment.listens(field).has(type));
  });
  if (!isHeard) return;
  for (const letter of LETTERS) {
    const moves = [focus(stop.key), press(letter)];
    const { changes, said, asks, to } = await notes.trials.effect(moves);
    if (asks || to !== stop.key) return;
    const isFiltered = changes.some(({ what, isBare }) => (what === "hidden" || what === "shown") && !isBare);
    const count = changes.find(isCount);
    if (!isFiltered || count?.what !== "text") continue;
    notes.try(changeAnnounced);
    if (said.some((text) => text.includes(count.text))) return;
    const element = await notes.trials.after(moves, async (page) => {
      const moment = await page.moment();
      const node = visibleElement(moment, count.key);
      return node === null ? null : seenElement(moment, node);
    });
    notes.fail(
      changeAnnounced,
      element,
      `"${shortened(count.was, LONGEST)}" becomes "${shortened(count.text, LONGEST)}" as one types, and stands in no live region.`,
      'Let it stand in an element with role="status" that was there before.',
      keysText(notes.keysOf(moves), `"${count.text}" shows, and nothing is heard`),
    );
    return;
  }
}

/** A number of something, which is another now: of one thing or of many. */
function isCount(change: Change): boolean {
  if (change.what !== "text" || change.isLive) return false;
  const { was, text } = change;
  const numbers = (words: string) => words.match(/\d+/g)?.join() ?? "";
  const stem = (words: string) => /\p{L}{3,}/u.exec(words)?.[0].slice(0, 3).toLowerCase() ?? "";
  return (
    Math.max(was.length, text.length) <= LONGEST &&
    numbers(was) !== "" &&
    numbers(text) !== "" &&
    numbers(was) !== numbers(text) &&
    stem(was) !== "" &&
    stem(was) === stem(text)
  );
}
