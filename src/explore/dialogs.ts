import { dialogCloses } from "../core/checks/keys/dialog-closes.ts";
import { dialogGivesBack } from "../core/checks/keys/dialog-gives-back.ts";
import { dialogKeepsFocus } from "../core/checks/keys/dialog-keeps-focus.ts";
import { dialogTakesFocus } from "../core/checks/keys/dialog-takes-focus.ts";
import { reachable } from "../core/checks/keys/reachable.ts";
import { NO } from "../core/css/certainty.ts";
import type { ElementNode } from "../core/document/node.ts";
import { attributeText } from "../core/document/written.ts";
import type { Driver, Moment } from "../engine/driver.ts";
import type { SeenElement } from "../engine/explored.ts";
import { isInside, visibleElement } from "./around.ts";
import { arrows } from "./composites.ts";
import { focusText } from "./keys-text.ts";
import type { Notes, Stop } from "./notes.ts";
import { seenElement, seenFocus } from "./told-element.ts";
import { type Move, press, type Trials } from "./trial.ts";

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
    const isOpen = visibleElement(await page.moment(), key) !== null;
    if (!isOpen) await notes.trials.lookAgain(page, [...moves, press("Escape")]);
    return {
      isOpen,
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
  const reached = new Set([await page.focused()]);
  for (const way of ["Tab", "Shift+Tab"])
    for (let n = 1; n <= most; n++) {
      await page.press(way);
      reached.add(await page.focused());
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
  const missed = await controlsBeyond(page, key, reached);
  if (missed !== null)
    notes.fail(
      reachable,
      missed,
      `Focus never comes to this <${missed.tag}>: Tab stays elsewhere in the dialog.`,
      "Let Tab go on to the next stop, and leave the event to the browser but at the last one.",
      notes.keysFrom(stop, [pressed, "Tab"], await focusText(page)),
    );
}

/** The first control in a dialog that no key comes to, beside those that Tab reaches; null where there is none. */
async function controlsBeyond(
  page: Driver,
  key: string,
  reached: Set<string | null>,
): Promise<SeenElement | null> {
  const missedIn = (moment: Moment) => {
    const dialog = moment.element(key);
    return moment
      .stops()
      .find(
        (one) =>
          dialog !== null &&
          isInside(moment, one, dialog) &&
          /^(?:button|textarea|select)$|^input$/.test(one.tag) &&
          !/^(?:radio|range)$/.test(attributeText(one, "type") ?? "") &&
          moment.scene.role(one).from !== "role attribute" &&
          !reached.has(moment.keyOf(one)),
      );
  };
  if (missedIn(await page.moment()) === undefined) return null;
  for (const arrow of arrows) {
    await page.press(arrow);
    reached.add(await page.focused());
  }
  const moment = await page.moment();
  const missed = missedIn(moment);
  return missed === undefined ? null : seenElement(moment, missed);
}

/**
 * Whether Tab goes round inside a dialog though nothing says that it is modal: it is made so by its keys. What closes when
 * focus comes elsewhere never lies over anything that is used.
 */
export const keepsFocus = (trials: Trials, moves: readonly Move[], { key }: OpenedDialog): Promise<boolean> =>
  trials.after(moves, async (page) => {
    if (!(await holdsFocus(page, key))) return false;
    // Where all else is inert it holds focus without any key.
    if ((await stopsOutside(page, key)).length === 0) return isAnyInert(await page.moment());
    const most = (await page.moment()).stops().length + 2;
    for (let n = 0; n < most; n++) {
      await page.press("Tab");
      if (!(await holdsFocus(page, key))) return false;
    }
    const [outside] = await stopsOutside(page, key);
    if (outside !== undefined) await page.focus((await page.moment()).keyOf(outside));
    return visibleElement(await page.moment(), key) !== null;
  });

const isAnyInert = ({ scene }: Moment): boolean =>
  scene.page.index.elements.some((element) => {
    const { inert, visible } = scene.presence.of(element);
    return inert && visible !== NO;
  });

/** What lies behind a dialog that holds focus must be out of reach for screen readers too. WAI-ARIA 1.2, `aria-modal`. */
export async function tryCovering(
  notes: Notes,
  stop: Stop,
  pressed: string,
  moves: readonly Move[],
  { key, element }: OpenedDialog,
): Promise<void> {
  const behind = await notes.trials.after(moves, async (page) => {
    const moment = await page.moment();
    return (await stopsOutside(page, key)).filter((node) => moment.scene.presence.of(node).exposed !== NO);
  });
  const [first] = behind;
  if (first === undefined) return;
  notes.fail(
    dialogKeepsFocus,
    element,
    "What lies behind this dialog is still exposed: Tab stays in it, and a screen reader goes on into the page.",
    'Open it with showModal(), or write aria-modal="true" on it and make what is behind it inert.',
    notes.keysFrom(stop, [pressed], `${behind.length} stops behind it still exposed`),
  );
}

/** The stops that are in a page and in no dialog of a key. */
async function stopsOutside(page: Driver, key: string): Promise<readonly ElementNode[]> {
  const moment = await page.moment();
  const dialog = moment.element(key);
  return dialog === null ? [] : moment.stops().filter((stop) => !isInside(moment, stop, dialog));
}

/** Whether focus is on an element, or in it. */
async function holdsFocus(page: Driver, key: string): Promise<boolean> {
  const focused = await page.focused();
  const moment = await page.moment();
  const [container, element] = [moment.element(key), focused === null ? null : moment.element(focused)];
  return container !== null && element !== null && isInside(moment, element, container);
}
