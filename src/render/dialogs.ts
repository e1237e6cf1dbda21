import { focusText } from "./keys-text.ts";
import type { Notes, Stop } from "./notes.ts";
import type { RenderedElement } from "./protocol.ts";
import { told } from "./rendered-element.ts";
import type { Move } from "./trial.ts";

/** Whether a modal dialog takes focus, keeps it, is closed by Escape and gives focus back. */
export async function tryDialog(
  notes: Notes,
  stop: Stop,
  key: string,
  moves: readonly Move[],
  { at, element }: { readonly at: string; readonly element: RenderedElement },
): Promise<void> {
  notes.try("keys.dialog-takes-focus");
  await notes.trials.after(moves, async (page) => {
    const dialog = page.elementWith(at);
    const isIn = () => dialog?.contains(page.focused()) === true;
    if (dialog === null) return;
    if (!isIn())
      return notes.fail(
        "keys.dialog-takes-focus",
        element,
        "This dialog opens, and focus stays outside.",
        "Move focus into it when it opens: to its first field, or to its heading.",
        notes.keysAt(stop, [key], focusText(page)),
      );
    notes.try("keys.dialog-keeps-focus");
    const most = page.stops().length + 3;
    for (const way of ["Tab", "Shift+Tab"])
      for (let n = 1; n <= most; n++) {
        await page.press(way);
        const now = page.focused();
        // Out of the page and back is the browser's own way.
        if (now === null || isIn()) continue;
        return notes.fail(
          "keys.dialog-keeps-focus",
          element,
          `${way} leaves this dialog while it is open, for "${told(page, now)?.name ?? ""}" behind it.`,
          "Open it with showModal(), or make what is behind it inert.",
          notes.keysAt(stop, [key, ...Array(n).fill(way)], focusText(page)),
        );
      }
  });
  notes.try("keys.dialog-closes");
  const closed = await notes.trials.after(moves, async (page) => {
    await page.press("Escape");
    const dialog = page.elementWith(at);
    return {
      isOpen: dialog !== null && page.isVisible(dialog),
      focus: focusText(page),
      isLost: page.focused() === null,
    };
  });
  if (!closed.isOpen) notes.try("keys.dialog-gives-back");
  if (closed.isOpen)
    notes.fail(
      "keys.dialog-closes",
      element,
      "Escape does not close this dialog.",
      "Close it on Escape: <dialog> with showModal() does so by itself.",
      notes.keysAt(stop, [key, "Escape"], closed.focus),
    );
  else if (closed.isLost)
    notes.fail(
      "keys.dialog-gives-back",
      stop.element,
      "Escape closes the dialog that this opens, and focus falls to the page.",
      "Give focus back to what opened it.",
      notes.keysAt(stop, [key, "Escape"], "focus on nothing"),
    );
}
