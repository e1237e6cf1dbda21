import type { Difference } from "../core/colour/picture-difference.ts";
import type { AppliedSheet } from "../core/css/sheet.ts";
import type { ElementNode, Span } from "../core/document/node.ts";
import type { Scene } from "../core/scene/scene.ts";

/** What a window shows between two changes. Elements go by keys: the same for the same element in every window of one source. */
export interface Moment {
  readonly scene: Scene;
  /** The stylesheets that hold. */
  readonly sheets: readonly AppliedSheet[];
  /** Where one is: an address with its fragment. */
  readonly address: string;
  keyOf(element: ElementNode): string;
  /** The element that goes by a key; null where it is not there. */
  element(key: string): ElementNode | null;
  /** The nearest place in source that an element comes from; null where none is known. */
  nearest(element: ElementNode): Span | null;
  /** Events that a script, a framework or an attribute listens for on an element. */
  listens(element: ElementNode): ReadonlySet<string>;
  /** Whether clicks are listened for around everything, for elements that do not show it. */
  readonly hearsAllClicks: boolean;
  /** Whether an element, or anything around it, listens for keys; null for the page itself. */
  answersKeys(element: ElementNode | null): boolean;
  /** Whether it was opened as a modal dialog. */
  isModal(element: ElementNode): boolean;
  /** What the source shows, wherever in the window it was put; on a page all there is. */
  shown(): readonly ElementNode[];
  /** Whether nothing of what the source shows is around an element. */
  isAtTop(element: ElementNode): boolean;
  /** The places Tab stops at, in order. */
  stops(): readonly ElementNode[];
}

/** What a window has done so far that no moment shows. */
export interface Happenings {
  /** What left the page, sent a form or opened a window, in order. */
  readonly left: readonly string[];
  /** How often a script asked the network, which is not there: what would have come of it nobody knows. */
  readonly asked: number;
  /** How often nobody answered where there is a network: people see there what came of it. */
  readonly unanswered: number;
  /** What was kept from being sent, or from being asked of a person, each as people are told: `POST /orders`. */
  readonly held: readonly string[];
  /** What went wrong in the page itself. */
  readonly problems: readonly string[];
}

/** What lies over what has focus. */
export interface FocusCover {
  /** The key of what lies there. */
  readonly by: string;
  /** Whether nothing at all is seen of what has focus. */
  readonly isWhole: boolean;
}

/** How what is drawn changes as focus goes from something. */
export interface FocusMark {
  readonly difference: Difference;
  /** How large what had focus is, in CSS pixels. */
  readonly size: { readonly width: number; readonly height: number };
}

/** What is seen of what has focus, where a window is drawn. */
export interface FocusEyes {
  /**
   * How what is drawn changes as focus goes, which has gone afterwards; null where that cannot be told.
   * @param isEverywhere whether all of the window is looked at, and not only what is around
   */
  mark(isEverywhere: boolean): Promise<FocusMark | null>;
  /** What stays in place over what has focus; null where nothing does. */
  cover(): Promise<FocusCover | null>;
}

/** A window that can be acted on, whatever it is made of. Every act ends when the window has come to rest. */
export interface Driver {
  moment(): Promise<Moment>;
  happenings(): Promise<Happenings>;
  /** The kinds of events since this was asked last, in the order in which they came. */
  takeEvents(): Promise<readonly string[]>;
  /** The key of what has focus, through open shadow trees; null where only the page has it. */
  focused(): Promise<string | null>;
  /** Presses a key, written as people do: `Tab`, `Shift+Tab`, `Space`, `a`. */
  press(key: string): Promise<void>;
  /** Presses on an element with a pointer; twice where it listens for that. */
  point(element: string): Promise<void>;
  /** Clicks an element without a pointer, as assistive technology does. */
  click(element: string): Promise<void>;
  /** Moves a pointer over an element. */
  hover(element: string): Promise<void>;
  /** Brings an element into view. */
  scrollTo(element: string): Promise<void>;
  /** Gives focus to an element. */
  focus(element: string): Promise<void>;
  /** Lets time go by. */
  settle(): Promise<void>;
  /** Lets a second go by, on the clock on the wall too where something outside of the window may be waited for. */
  wait(): Promise<void>;
  /** Goes to another page; in words why not, or null. Absent where there is only one. */
  goTo?(address: string): Promise<string | null>;
  /** Makes the window another size, in CSS pixels; absent where it has none. */
  resize?(width: number, height: number): Promise<void>;
  /** Takes focus away from whatever has it, as if nobody had been here. */
  rest(): Promise<void>;
  /** What is seen of what has focus; null where nothing is drawn. */
  readonly eyes: FocusEyes | null;
  /** Whether it came to rest when it was let settle last; false where it goes on changing by itself, again and again. */
  readonly rests: boolean;
  /** Whether what would lead elsewhere leaves it as it is. */
  readonly isHeld: boolean;
  /** Whether any script listens for what people do. */
  readonly isAlive: boolean;
  /** Whether scripts may lead focus where source does not say. */
  readonly isScripted: boolean;
  close(): Promise<void>;
}

/** What windows are opened from, each as nobody has touched it. */
export interface DriverSource {
  open(): Promise<Driver>;
}
