import { dialogCloses } from "../core/checks/keys/dialog-closes.ts";
import { dialogGivesBack } from "../core/checks/keys/dialog-gives-back.ts";
import { dialogKeepsFocus } from "../core/checks/keys/dialog-keeps-focus.ts";
import { dialogTakesFocus } from "../core/checks/keys/dialog-takes-focus.ts";
import type { Driver } from "../engine/driver.ts";
import type { SeenElement } from "../engine/explored.ts";
import { isInside, visibleElement } from "./around.ts";
import { focusText } from "./keys-text.ts";
import type { Notes, Stop } from "./notes.ts";
import { seenFocus } from "./told-element.ts";
import type { Move } from "./trial.ts";

/** A dialog that a key opened. */
export interface OpenedDialog {
  readonly key: string;
  readonly isModal: boolean;
  readonly element: SeenElement;
}

/** Whether a modal dialog takes focus, keeps it, is closed by Escape and gives focus back. */
export async function tryDialog(
  notes: Notes,
  stop: Stop,
  pressed: string,
  moves: readonly Move[],
  { key, element }: OpenedDialog,
): Promise<void> {
  notes.try(dialogTakesFocus);
  await notes.trials.after(moves, (page) => tryFocusIn(notes, stop, pressed, page, key, element));
  notes.try(dialogCloses);
  const closed = await notes.trials.after(moves, async (page) => {
    await page.press("Escape");
    return {
      isOpen: visibleElement(await page.moment(), key) !== null,
      focus: await focusText(page),
      isLost: (await page.focused()) === null,
    };
  });
  if (!closed.isOpen) notes.try(dialogGivesBack);
  if (closed.isOpen)
    notes.fail(
      dialogCloses,
      element,
      "Escape does not close this dialog.",
      "Close it on Escape: <dialog> with showModal() does so by itself.",
      notes.keysFrom(stop, [pressed, "Escape"], closed.focus),
    );
  else if (closed.isLost)
    notes.fail(
      dialogGivesBack,
      stop.element,
      "Escape closes the dialog that this opens, and focus falls to the page.",
      "Give focus back to what opened it.",
      notes.keysFrom(stop, [pressed, "Escape"], "focus on nothing"),
    );
}

/** Whether focus is in an open dialog, and stays there whichever way Tab goes. */
async function tryFocusIn(
  notes: Notes,
  stop: Stop,
  pressed: string,
  page: Driver,
  key: string,
  element: SeenElement,
): Promise<void> {
  if ((await page.moment()).element(key) === null) return;
  if (!(await holdsFocus(page, key)))
    return notes.fail(
      dialogTakesFocus,
      element,
      "This dialog opens, and focus stays outside.",
      "Move focus into it when it opens: to its first field, or to its heading.",
      notes.keysFrom(stop, [pressed], await focusText(page)),
    );
  notes.try(dialogKeepsFocus);
  const most = (await page.moment()).stops().length + 3;
  for (const way of ["Tab", "Shift+Tab"])
    for (let n = 1; n <= most; n++) {
      await page.press(way);
      // Out of the page and back is the browser's own way.
      if ((await page.focused()) === null || (await holdsFocus(page, key))) continue;
      return notes.fail(
        dialogKeepsFocus,
        element,
        `${way} leaves this dialog while it is open, for "${(await seenFocus(page))?.name ?? ""}" behind it.`,
        "Open it with showModal(), or make what is behind it inert.",
        notes.keysFrom(stop, [pressed, ...Array(n).fill(way)], await focusText(page)),
      );
    }
}

/** Whether focus is on an element, or in it. */
async function holdsFocus(page: Driver, key: string): Promise<boolean> {
  const focused = await page.focused();
  const moment = await page.moment();
  const [container, element] = [moment.element(key), focused === null ? null : moment.element(focused)];
  return container !== null && element !== null && isInside(moment, element, container);
}
