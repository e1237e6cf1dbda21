import { elementsAbove } from "../core/document/around.ts";
import type { ElementNode } from "../core/document/node.ts";
import type { Moment } from "../engine/driver.ts";
import { isInside } from "./around.ts";
import { arrows } from "./composites.ts";
import type { Trials } from "./trial.ts";
import { type Effect, focus, type Move, press } from "./trial.ts";

/** How many boxes around a part a field to which it belongs may be. */
const BOXES_AROUND = 3;

/** How often an arrow key is pressed in search of items. */
const MOST_ARROWS = 6;

/** How many of the things before a field are taken out one after the other, or gone past. */
const MOST_BEFORE = 3;

/** The keys that take something out of a row. */
const forParts = ["Delete", "Backspace"];

/** Widgets in which arrow keys go about. ARIA Authoring Practices. */
const widgets: ReadonlySet<string> = new Set([
  ...["grid", "treegrid", "tree", "listbox", "menu", "menubar", "tablist", "toolbar", "radiogroup"],
]);

/** Where an element stands that a pointer uses. */
export interface Standing {
  /** The nearest stop around it, by key. */
  readonly stop: string | null;
  /** A field beside it for text, by key. */
  readonly field: string | null;
  /** The widget of which it is an item, and the stop by which that is entered, by key; null for what is no item. */
  readonly item: { readonly widget: string; readonly entry: string } | null;
}

/** How focus comes to the items of one widget. */
interface Paths {
  readonly to: ReadonlyMap<string, readonly Move[]>;
  /** Whether arrow keys move at all. */
  readonly hasMoved: boolean;
}

/** What keys may do for what a pointer uses, beside those of every stop. */
export class Ways {
  readonly #trials: Trials;
  readonly #paths = new Map<string, Paths>();

  constructor(trials: Trials) {
    this.#trials = trials;
  }

  standing(key: string): Promise<Standing> {
    return this.#trials.peek(async (page) => {
      const moment = await page.moment();
      const element = moment.element(key);
      if (element === null) return { stop: null, field: null, item: null };
      const above = [element, ...elementsAbove(moment.scene.page.index, element)];
      const stops = moment.stops();
      const around = above.find((up) => stops.includes(up));
      const box = above.slice(0, BOXES_AROUND).at(-1) ?? element;
      const field = stops.find((stop) => isField(moment, stop) && isInside(moment, stop, box));
      const widget = above.find((up) => isWidget(moment, up));
      const entry = widget === undefined ? undefined : stops.find((stop) => isInside(moment, stop, widget));
      const isItem = widget !== undefined && above.slice(0, above.indexOf(widget)).some(takesFocus);
      return {
        stop: around === undefined ? null : moment.keyOf(around),
        field: field === undefined ? null : moment.keyOf(field),
        item:
          isItem && entry !== undefined ? { widget: moment.keyOf(widget), entry: moment.keyOf(entry) } : null,
      };
    });
  }

  /**
   * How arrow keys bring focus to an item or to something in it; null where they move nothing.
   * @returns "not known" where they move and were not followed to it
   */
  async toItem(key: string, entry: string): Promise<readonly Move[] | "not known" | null> {
    const { to, hasMoved } = await this.#pathsFrom(entry);
    const [found] = await this.#trials.peek(async (page) => {
      const moment = await page.moment();
      return [...to].filter(([at]) => isItemAround(moment, key, at)).map(([, moves]) => moves);
    });
    return found ?? (hasMoved ? "not known" : null);
  }

  async #pathsFrom(entry: string): Promise<Paths> {
    const known = this.#paths.get(entry);
    if (known !== undefined) return known;
    const to = new Map<string, readonly Move[]>();
    let hasMoved = false;
    for (const arrow of arrows)
      await this.#trials.after([focus(entry)], async (page) => {
        let from = await page.focused();
        if (from !== null && !to.has(from)) to.set(from, [focus(entry)]);
        for (let n = 1; n <= MOST_ARROWS; n++) {
          await page.press(arrow);
          const now = await page.focused();
          if (now === null || now === from) return;
          hasMoved = true;
          if (!to.has(now)) to.set(now, [focus(entry), ...Array<Move>(n).fill(press(arrow))]);
          from = now;
        }
      });
    const paths = { to, hasMoved };
    this.#paths.set(entry, paths);
    return paths;
  }

  /**
   * The keys to be tried where no other does the same.
   * @param path how focus comes to it as an item
   * @param effect what a pointer does on it
   */
  after(
    { stop, field }: Standing,
    path: readonly Move[] | null,
    { total }: Effect,
  ): readonly (readonly Move[])[] {
    if (path !== null) return ["Enter", "Space", ...forParts].map((last) => [...path, press(last)]);
    const onStop = stop === null ? [] : forParts.map((last) => [focus(stop), press(last)]);
    const takesOut = total.some(({ what }) => what === "hidden");
    return field === null || !takesOut ? onStop : [...onStop, ...fromField(field)];
  }
}

/** From a field the things before it are taken out with Backspace, or gone to with the left arrow key first. */
const fromField = (field: string): readonly (readonly Move[])[] =>
  Array.from({ length: MOST_BEFORE }, (_, n) => n + 1).flatMap((n) => [
    [focus(field), ...Array<Move>(n).fill(press("Backspace"))],
    ...forParts.map((last) => [focus(field), ...Array<Move>(n).fill(press("ArrowLeft")), press(last)]),
  ]);

const isField = ({ scene }: Moment, element: ElementNode): boolean =>
  /^(?:textbox|combobox)$/.test(scene.role(element).role ?? "");

const isWidget = ({ scene }: Moment, element: ElementNode): boolean =>
  widgets.has(scene.role(element).role ?? "");

const takesFocus = (element: ElementNode): boolean => element.attributes.has("tabindex");

/** Whether what has focus is an element or an item around it, and not the widget as a whole. */
function isItemAround(moment: Moment, key: string, focused: string): boolean {
  const [element, at] = [moment.element(key), moment.element(focused)];
  return element !== null && at !== null && !isWidget(moment, at) && isInside(moment, element, at);
}
