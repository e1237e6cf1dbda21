import { keysText } from "./keys-text.ts";
import type { LivePage } from "./live-page.ts";
import type { Notes } from "./notes.ts";
import { keyOf } from "./page-state.ts";
import type { RenderedElement } from "./protocol.ts";
import { told } from "./rendered-element.ts";
import type { LiveElement } from "./snapshot.ts";
import { focus, type Move, press } from "./trial.ts";

/** A part that Tab goes round in, that is no modal dialog, and that no key leaves. */
export async function tryTrap(notes: Notes, moves: readonly Move[], key: string): Promise<void> {
  notes.try("keys.no-trap");
  const ring = await notes.trials.after(moves, async (page) => {
    const most = page.stops().length + 4;
    const seen: LiveElement[] = [];
    for (let n = 0; n < most; n++) {
      await page.press("Tab");
      const now = page.focused();
      if (now === null) return null;
      const at = seen.indexOf(now);
      if (at >= 0) return ringOf(page, seen.slice(at));
      seen.push(now);
    }
    return null;
  });
  // An editor that keeps Tab for itself may tell of another way out.
  if (ring === null || ring.missed === 0 || ring.isModal || ring.isText) return;
  const enter: readonly Move[] = [...moves, focus(ring.stops[0] ?? "")];
  const tries: Move[][] = [[press("Escape")], ...ring.stops.map((at) => [focus(at), press("Enter")])];
  for (const way of tries) {
    const isOut = await notes.trials.after([...enter, ...way], async (page) => {
      for (let n = 0; n < ring.stops.length + 2; n++) {
        const now = page.focused();
        if (now === null || !ring.stops.includes(keyOf(page, now))) return true;
        await page.press(n % 2 === 0 ? "Tab" : "Shift+Tab");
      }
      return false;
    });
    if (isOut) return;
  }
  notes.fail(
    "keys.no-trap",
    ring.element,
    `Tab goes round in here (${ring.stops.length} stops) and passes ${ring.missed} others by; Escape and Enter lead out of it in no place.`,
    "Let Tab go on to what follows, and Escape close it.",
    keysText(
      [...(key === "" ? [] : [key]), ...Array(ring.stops.length + 1).fill("Tab"), "Escape"],
      "still inside",
    ),
  );
}

interface Ring {
  readonly stops: readonly string[];
  readonly missed: number;
  readonly isModal: boolean;
  /** Whether it is one field for text. */
  readonly isText: boolean;
  readonly element: RenderedElement | null;
}

/** The stops that Tab goes round in, the box around them, and how many stops it passes by. */
function ringOf(page: LivePage, ring: readonly LiveElement[]): Ring {
  const missed = page.stops().filter((stop) => !ring.includes(stop)).length;
  let box: LiveElement = ring[0];
  while (box?.parentElement != null && !ring.every((stop) => box.contains(stop))) box = box.parentElement;
  const isModal = box?.closest("dialog[open], [aria-modal=true]") != null;
  const isPage = /^(?:html|body|main)$/.test(box?.localName ?? "");
  return {
    stops: ring.map((stop) => keyOf(page, stop)),
    missed,
    isModal,
    isText:
      ring.length === 1 && (/^(?:textarea|input)$/.test(box?.localName) || box?.isContentEditable === true),
    element: told(page, isPage ? ring[0] : box),
  };
}
