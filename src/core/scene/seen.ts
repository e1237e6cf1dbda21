import type { ElementNode } from "../document/node.ts";

/** A box in CSS pixels, from the top left of the page. */
export interface Box {
  readonly left: number;
  readonly top: number;
  readonly width: number;
  readonly height: number;
}

/** What cuts off or scrolls what is in it. CSS Overflow 3. */
export interface Clip {
  readonly x: Overflow;
  readonly y: Overflow;
  /** What shows through. */
  readonly inside: Box;
  /** How much there is. CSSOM View 1, `scrollWidth` and `scrollHeight`. */
  readonly content: { readonly width: number; readonly height: number };
}

export type Overflow = "visible" | "hidden" | "clip" | "scroll" | "auto";

/** Where elements are, as something has laid the page out. */
export interface Layout {
  readonly window: { readonly width: number; readonly height: number };
  /** How far the page can be scrolled to. */
  readonly reach: { readonly width: number; readonly height: number };
  /** The boxes that an element takes, one for each line it is broken over; empty where it takes none. CSSOM View 1, `getClientRects`. */
  boxes(element: ElementNode): readonly Box[];
  /** The lines of text between its own tags. */
  lines(element: ElementNode): readonly Box[];
  clip(element: ElementNode): Clip | null;
  /** Whether it is drawn at all: neither invisible nor see-through nor passed over. */
  isDrawn(element: ElementNode): boolean;
  /** Whether it stays where it is while the page is scrolled. */
  isFixed(element: ElementNode): boolean;
  /** In CSS pixels; null where it shows no text. */
  fontSize(element: ElementNode): number | null;
}

/** What the letters of a text have under them, as painted. */
export interface PaintedText {
  /** The ratio of the worst letter, and of the one in the middle. */
  readonly worst: number;
  readonly median: number;
  /** Which part of the letters has less than a ratio. */
  below(ratio: number): number;
  /** How many letters in turn, on one line, have less. */
  longestRun(ratio: number): number;
  /** Whether a whole line has less. */
  hasLineBelow(ratio: number): boolean;
}

/** What something that laid a page out and painted it has seen of it. */
export interface Seen {
  /** Whether something was not served that may draw: a script, or letters of which pictures are made. */
  readonly lacksParts: boolean;
  /** As it was opened. */
  readonly usual: Layout;
  /** In a window of 320 CSS pixels, WCAG 1.4.10; null where it was not tried. */
  readonly narrow: Layout | null;
  /** Enlarged to 200 %, WCAG 1.4.4. */
  readonly doubled: Layout | null;
  /** With the spacing of WCAG 1.4.12. */
  readonly spaced: Layout | null;
  /** With the window turned by a quarter, WCAG 1.3.4. */
  readonly turned: Layout | null;
  /** Whether it looks one way and another in turn, by itself, for more than five seconds. */
  blinks(element: ElementNode): boolean;
  /** Where a press reaches an element and nothing that scrolls with it lies over it; null where that was not tried. */
  pressed(element: ElementNode): Box | null;
  /** The largest contrast between two pixels of an element and what is right around it; null where nobody looked. */
  drawn(element: ElementNode): number | null;
  /** What is under the letters of an element; null where nobody looked. */
  painted(element: ElementNode): PaintedText | null;
}
