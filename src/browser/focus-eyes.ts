import { type Difference, differenceOf, NO_DIFFERENCE } from "../core/colour/picture-difference.ts";
import type { Device } from "../core/css/device.ts";
import type { FocusCover, FocusEyes, FocusMark } from "../engine/driver.ts";
import type { ActedWindow } from "./acted-window.ts";
import { blurFocus, type FocusPlace, focusPlace, hideAtFocus, showAtFocus } from "./inside/focus.ts";
import { type ClipBox, packedPicture, unpacked } from "./pictures.ts";

/** How far around what has focus its mark is looked for first, in CSS pixels. */
const MARGIN = 40;

/** A caret comes and goes: how many pictures are taken of a field, and how far apart. Milliseconds of the page. */
const CARETS = 5;
const APART = 230;

/** What shows focus, and what hides it, by pictures of a window. */
export class PicturedFocus implements FocusEyes {
  readonly #acted: ActedWindow;
  readonly #device: Device;
  readonly #keyOf: (serial: number) => Promise<string | null>;

  /** @param keyOf the key of the element that has a number for as long as its window lives */
  constructor(acted: ActedWindow, device: Device, keyOf: (serial: number) => Promise<string | null>) {
    this.#acted = acted;
    this.#device = device;
    this.#keyOf = keyOf;
  }

  async mark(isEverywhere: boolean): Promise<FocusMark | null> {
    const place = await this.#place();
    const clip = place === null ? null : this.#clip(place, isEverywhere);
    if (place === null || clip === null) return null;
    const focused: string[] = [];
    for (let n = 0; n < (place.isText && isEverywhere ? CARETS : 1); n++) {
      if (n > 0) await this.#acted.pass(APART);
      focused.push(await this.#picture(clip));
    }
    await this.#acted.tell(blurFocus);
    if (this.#acted.now.focused !== null) return null;
    const without = await this.#picture(clip);
    let most = NO_DIFFERENCE;
    for (const picture of focused) {
      const difference = apart(picture, without);
      if (difference.distance > most.distance) most = difference;
    }
    const [, , width, height] = place.box;
    return { difference: most, size: { width: Math.round(width), height: Math.round(height) } };
  }

  async cover(): Promise<FocusCover | null> {
    const place = await this.#place();
    if (place?.cover == null) return null;
    const clip = this.#clip(place, false);
    if (clip === null) return null;
    const key = await this.#keyOf(place.cover);
    const covered = await this.#shownOf(clip, []);
    const free = await this.#shownOf(clip, ["cover"]);
    // What draws nothing by itself is not seen without a cover either.
    if (free === 0 || key === null) return null;
    return covered === 0 ? { by: key, isWhole: true } : covered < free ? { by: key, isWhole: false } : null;
  }

  /** How many pixels what has focus is seen at while some things are hidden. */
  async #shownOf(clip: ClipBox, hidden: readonly "cover"[]): Promise<number> {
    const { window, main } = this.#acted;
    for (const what of hidden) await window.ask(main, hideAtFocus, [{ value: what }]);
    const seen = await this.#picture(clip);
    await window.ask(main, hideAtFocus, [{ value: "focus" }]);
    const without = await this.#picture(clip);
    await window.ask(main, showAtFocus);
    return apart(seen, without).pixels;
  }

  #place(): Promise<FocusPlace | null> {
    return this.#acted.window.ask<FocusPlace | null>(this.#acted.main, focusPlace);
  }

  #clip({ box: [left, top, width, height], scrolled }: FocusPlace, isEverywhere: boolean): ClipBox | null {
    const window = this.#device;
    const [right, down] = scrolled;
    if (isEverywhere) return { x: right, y: down, width: window.width, height: window.height };
    const x = Math.max(0, Math.floor(left - MARGIN));
    const y = Math.max(0, Math.floor(top - MARGIN));
    const end = Math.min(window.width, Math.ceil(left + width + MARGIN));
    const below = Math.min(window.height, Math.ceil(top + height + MARGIN));
    return end <= x || below <= y ? null : { x: x + right, y: y + down, width: end - x, height: below - y };
  }

  #picture(clip: ClipBox): Promise<string> {
    return packedPicture(this.#acted.window, clip, 1);
  }
}

/** How two pictures differ; those that are packed alike are alike, and unpacking takes long. */
const apart = (one: string, other: string): Difference =>
  one === other ? NO_DIFFERENCE : differenceOf(unpacked(one), unpacked(other));
