import { contrastFocusMarkEnhanced } from "../core/checks/contrast/focus-mark-enhanced.ts";
import { originsOf } from "../core/checks/contrast/suggest-colour.ts";
import { focusMarkOf } from "../core/checks/keys/focus-mark-of.ts";
import { focusNotCovered } from "../core/checks/keys/focus-not-covered.ts";
import { focusShows } from "../core/checks/keys/focus-shows.ts";
import { focusWhollySeen } from "../core/checks/keys/focus-wholly-seen.ts";
import { shownRatio } from "../core/colour/contrast.ts";
import type { Difference } from "../core/colour/picture-difference.ts";
import { elementsAbove, firstOf } from "../core/document/around.ts";
import type { ElementNode } from "../core/document/node.ts";
import { shortened } from "../core/document/shortened.ts";
import { textContent } from "../core/document/text-content.ts";
import type { Origin } from "../core/findings/verdict.ts";
import type { Driver, FocusMark, Moment } from "../engine/driver.ts";
import type { SeenElement } from "../engine/explored.ts";
import { keysText } from "./keys-text.ts";
import type { Notes } from "./notes.ts";
import { seenElement } from "./told-element.ts";
import { press } from "./trial.ts";

/** How many stops are pictured. */
const MOST_PICTURED = 40;

/** Nobody tells colours apart that are nearer than this in OKLab. */
const TOLD_APART = 0.02;

/** How much less than is asked a mark may have for its round corners and soft edges. */
const ROUNDED = 0.8;

/** A stop as it was seen with focus. */
interface Pictured {
  readonly key: string;
  readonly element: SeenElement;
  /** How often Tab was pressed to come to it. */
  readonly tabs: number;
  readonly mark: FocusMark | null;
  /** What lies over it, as people call it, and whether over all of it; null for nothing. */
  readonly cover: { readonly by: string; readonly isWhole: boolean } | null;
  readonly origins: readonly Origin[];
  /** Whether its mark is that of the browser, which nobody has touched. */
  readonly isBrowsers: boolean;
}

/** Whether one sees what has focus, and that it has it. WCAG 2.2, 2.4.7, 2.4.11 to 2.4.13. */
export async function trySeenFocus(notes: Notes): Promise<void> {
  const forwards = await notes.trials.after([], (page) =>
    picturedBy(page, "Tab", notes.stops.length, "near"),
  );
  if (forwards.length === 0) return;
  const backwards = await notes.trials.after([], (page) =>
    picturedBy(page, "Shift+Tab", notes.stops.length, "none"),
  );
  const unmarked = forwards.filter(({ mark }) => mark !== null && !isTold(mark.difference));
  // A mark may be drawn anywhere, and a caret comes and goes: those are looked at once more, and all of the window with them.
  const wide =
    unmarked.length === 0
      ? []
      : await notes.trials.after([], (page) =>
          picturedBy(page, "Tab", notes.stops.length, new Set(unmarked.map(({ key }) => key))),
        );
  const marks = new Map(wide.map(({ key, mark }) => [key, mark]));
  for (const one of forwards) tellMark(notes, one, marks.get(one.key) ?? null);
  for (const [key, pictured] of [
    ["Tab", forwards],
    ["Shift+Tab", backwards],
  ] as const)
    for (const one of pictured) await tellCover(notes, one, key);
}

function tellMark(
  notes: Notes,
  { element, tabs, mark, origins, isBrowsers }: Pictured,
  wide: FocusMark | null,
): void {
  if (mark === null) return;
  notes.try(focusShows);
  const keys = Array<string>(tabs).fill("Tab");
  if (isTold(mark.difference)) {
    notes.refute(focusShows, element);
    if (isBrowsers) return;
    notes.try(contrastFocusMarkEnhanced);
    const { strong } = mark.difference;
    // WCAG 2.2, 2.4.13: as much as a line of two pixels around what has no focus.
    const needed = Math.max(0, 4 * (mark.size.width + mark.size.height) - 16);
    if (strong < needed * ROUNDED)
      notes.fail(
        contrastFocusMarkEnhanced,
        element,
        `The mark of focus changes ${strong} pixels by 3:1 or more; a line of two pixels around this has ${needed}.`,
        "Draw a line of two pixels or more around it, in a colour that stands out by 3:1 from what was there.",
        keysText(keys, "the mark shows"),
        { facts: { pixels: strong, needed } },
      );
    return;
  }
  if (wide === null || isTold(wide.difference)) return;
  const { pixels, ratio } = wide.difference;
  notes.fail(
    focusShows,
    element,
    pixels === 0
      ? "Nothing shows when this has focus: not one pixel of the window changes."
      : `Nothing shows when this has focus: what changes does so by ${shownRatio(ratio)}, and nobody sees that.`,
    "Leave the outline, or draw another mark: :focus-visible { outline: 2px solid; outline-offset: 2px }.",
    keysText(keys, "nothing is seen of it"),
    { facts: { pixels }, origins },
  );
}

async function tellCover(
  notes: Notes,
  { key: place, element, tabs, cover }: Pictured,
  key: string,
): Promise<void> {
  notes.try(focusNotCovered);
  notes.try(focusWhollySeen);
  if (cover === null) return;
  const keys = Array<string>(tabs).fill(key);
  const then = keysText(keys, `${cover.by} lies over it`);
  if (!cover.isWhole)
    return notes.fail(
      focusWhollySeen,
      element,
      `A part of this is not seen when ${key} comes to it: ${cover.by} stays in place over it.`,
      ROOM,
      then,
    );
  // What Escape takes away, without focus going elsewhere, covers nothing for long. WCAG 2.2, "Understanding 2.4.11".
  const goesAway = await notes.trials.after([...keys, "Escape"].map(press), async (page) => {
    const covered = (await page.focused()) === place ? await page.eyes?.cover() : null;
    return covered?.isWhole !== true;
  });
  if (goesAway) return;
  notes.fail(
    focusNotCovered,
    element,
    `Nothing is seen of this when ${key} comes to it: ${cover.by} stays in place over it.`,
    ROOM,
    then,
  );
}

/** Whether nothing around an element cuts off what is drawn around it: then the mark of the browser shows. */
function isUncut({ scene }: Moment, node: ElementNode): boolean {
  const layout = scene.seen?.usual ?? null;
  return (
    layout?.isDrawn(node) === true &&
    firstOf(elementsAbove(scene.page.index, node), (up) => up.tag !== "html" && layout.clip(up) !== null) ===
      null
  );
}

const ROOM =
  "Leave room for what stays in place: scroll-padding on the page, as high as the bar, or padding at its end.";

const isTold = ({ distance }: Difference): boolean => distance >= TOLD_APART;

/** How much of the text of something without a name is told. */
const LONGEST_TEXT = 40;

/** How people are told of something: by its name, else by its tag and its text. */
function calledAs(moment: Moment, node: ElementNode): string {
  const { name, heard } = seenElement(moment, node);
  const text = textContent(node).trim();
  if (name !== "") return heard;
  return text === "" ? `<${node.tag}>` : `<${node.tag}> "${shortened(text, LONGEST_TEXT)}"`;
}

/**
 * Goes through the stops and looks at each.
 * @param marks which marks are looked for: those around each stop, none, or in all of the window for some stops, by key
 */
async function picturedBy(
  page: Driver,
  key: string,
  stops: number,
  marks: "near" | "none" | ReadonlySet<string>,
): Promise<readonly Pictured[]> {
  const { eyes } = page;
  if (eyes === null) return [];
  const seen = new Map<string, Pictured>();
  let first: string | null = null;
  for (let tabs = 1; tabs <= Math.min(stops * 2, MOST_PICTURED); tabs++) {
    await page.press(key);
    const now = await page.focused();
    const moment = await page.moment();
    const node = now === null ? null : moment.element(now);
    if (now === null || node === null || now === first) break;
    first ??= now;
    // Something of several parts has focus once more where focus was taken from one of them.
    if (seen.has(now)) continue;
    const isWide = typeof marks !== "string";
    const covered = isWide ? null : await eyes.cover();
    const by = covered === null ? null : moment.element(covered.by);
    // What is covered is not seen, with its mark or without.
    const isBrowsers = focusMarkOf(moment.scene, node).kind === "browser";
    const isMarked =
      covered === null &&
      (isWide ? marks.has(now) : marks === "near" && !(isBrowsers && isUncut(moment, node)));
    const mark = isMarked ? await eyes.mark(isWide) : null;
    seen.set(now, {
      key: now,
      element: seenElement(moment, node),
      tabs: seen.size + 1,
      mark,
      cover: covered === null || by === null ? null : { by: calledAs(moment, by), isWhole: covered.isWhole },
      origins: originsOf(
        "outline",
        moment.scene.page.styles.value(node, "outline-style", { kind: "focus", element: node }),
      ),
      isBrowsers,
    });
  }
  return [...seen.values()];
}
