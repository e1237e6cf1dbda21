import { noTrap } from "../core/checks/keys/no-trap.ts";
import { elementsAbove, firstOf } from "../core/document/around.ts";
import type { ElementNode } from "../core/document/node.ts";
import { hasAttribute } from "../core/document/written.ts";
import { focusCause } from "../core/rendering/focusable.ts";
import type { Driver } from "../engine/driver.ts";
import type { SeenElement } from "../engine/explored.ts";
import { isInside } from "./around.ts";
import { keysText } from "./keys-text.ts";
import type { Notes } from "./notes.ts";
import { seenElement } from "./told-element.ts";
import { focus, type Move, press } from "./trial.ts";

/** A part that Tab goes round in, that is no modal dialog, and that no key leaves. */
export async function tryTrap(notes: Notes, moves: readonly Move[], key: string): Promise<void> {
  notes.try(noTrap);
  const ring = await notes.trials.after(moves, ringOf);
  if (ring === null || ring.missed === 0 || ring.isModal) return;
  if (ring.isText) return tryFieldTrap(notes, moves, key, ring);
  const enter: readonly Move[] = [...moves, focus(ring.stops[0] ?? "")];
  const tries: Move[][] = [[press("Escape")], ...ring.stops.map((stop) => [focus(stop), press("Enter")])];
  for (const way of tries)
    if (await notes.trials.after([...enter, ...way], (page) => leaves(page, ring))) return;
  notes.fail(
    noTrap,
    ring.element,
    `Tab goes round in here (${ring.stops.length} stops) and passes ${ring.missed} others by; Escape and Enter lead out of it in no place.`,
    "Let Tab go on to what follows, and Escape close it.",
    keysText(
      [...(key === "" ? [] : [key]), ...Array(ring.stops.length + 1).fill("Tab"), "Escape"],
      "still inside",
    ),
  );
}

/** An editor may keep Tab for itself where another key leads out of it. */
async function tryFieldTrap(notes: Notes, moves: readonly Move[], key: string, ring: Ring): Promise<void> {
  const enter = [...moves, focus(ring.stops[0] ?? "")];
  const ways = [["Shift+Tab"], ["Escape", "Tab"], ["Escape", "Shift+Tab"], ["a", "Tab"]];
  for (const way of ways) {
    const leads = await notes.trials.after([...enter, ...way.map(press)], async (page) => {
      await page.settle();
      const now = await page.focused();
      return now === null || !ring.stops.includes(now);
    });
    if (leads) return;
  }
  notes.fail(
    noTrap,
    ring.element,
    "Focus does not leave this field: Tab, Shift+Tab and Escape all stay in it.",
    "Let Tab go on to what follows, whatever the field holds; say what is wrong beside it.",
    keysText([...(key === "" ? [] : [key]), "Tab", "Shift+Tab", "Escape", "Tab"], "still inside"),
  );
}

/** The stops that Tab goes round in, by key, and the box around them. */
interface Ring {
  readonly stops: readonly string[];
  /** How many stops it passes by. */
  readonly missed: number;
  readonly isModal: boolean;
  /** Whether it is one field for text. */
  readonly isText: boolean;
  readonly element: SeenElement;
}

/** Presses Tab until focus comes to where it was before; null where it leaves the page first. */
async function ringOf(page: Driver): Promise<Ring | null> {
  const most = (await page.moment()).stops().length + 4;
  const seen: string[] = [];
  for (let n = 0; n < most; n++) {
    await page.press("Tab");
    const now = await page.focused();
    if (now === null) return null;
    const place = seen.indexOf(now);
    if (place >= 0) return ringAround(page, seen.slice(place));
    seen.push(now);
  }
  return null;
}

async function ringAround(page: Driver, stops: readonly string[]): Promise<Ring | null> {
  const moment = await page.moment();
  const { index } = moment.scene.page;
  const nodes = stops.flatMap((stop) => moment.element(stop) ?? []);
  const [first] = nodes;
  if (first === undefined) return null;
  const box =
    firstOf([first, ...elementsAbove(index, first)], (up) =>
      nodes.every((node) => isInside(moment, node, up)),
    ) ?? first;
  const isModalBox = (node: ElementNode) =>
    (node.tag === "dialog" && hasAttribute(node, "open")) ||
    node.attributes.get("aria-modal")?.value === "true";
  const isPage = /^(?:html|body|main)$/.test(box.tag);
  return {
    stops,
    missed: moment.stops().filter((stop) => !nodes.includes(stop)).length,
    isModal: firstOf([box, ...elementsAbove(index, box)], isModalBox) !== null,
    isText:
      stops.length === 1 && (/^(?:textarea|input)$/.test(box.tag) || focusCause(index, box) === "editable"),
    element: seenElement(moment, isPage ? first : box),
  };
}

/** Whether Tab, one way and the other, comes out of a ring of stops. */
async function leaves(page: Driver, ring: Ring): Promise<boolean> {
  for (let n = 0; n < ring.stops.length + 2; n++) {
    const now = await page.focused();
    if (now === null || !ring.stops.includes(now)) return true;
    await page.press(n % 2 === 0 ? "Tab" : "Shift+Tab");
  }
  return false;
}
