import type { Device } from "../core/css/device.ts";
import type { BrowserWindow, WindowSize } from "./browser-window.ts";
import { putStyle, takeBack } from "./inside/change.ts";
import { type CollectedLayout, collectLayout } from "./inside/collect.ts";
import { stillAnimations } from "./inside/rest.ts";
import type { OtherLayouts } from "./seen-page.ts";

/** WCAG 1.4.10: what 1280 CSS pixels leave at 400 %. */
const NARROW = { width: 320, height: 512, scale: 1 };

/** WCAG 1.4.12, as a style for everything. */
const SPACING = `* { line-height: 1.5 !important; letter-spacing: 0.12em !important; word-spacing: 0.16em !important; }
p { margin-block-end: 2em !important; }`;

/** How long a page has to lay itself out anew, in milliseconds. */
const TURN = 50;

/** How many moves one after the other are waited for. */
const MOST_MOVES = 4;

/** Lays the page out in a narrow window, enlarged, with more room between letters, and with the window turned. */
export async function otherLayouts(
  window: BrowserWindow,
  main: string,
  device: Device,
): Promise<OtherLayouts> {
  const { width, height } = device;
  const usual = { width, height, scale: 1 };
  const inWindow = async (size: WindowSize): Promise<CollectedLayout> => {
    await window.resize(size);
    // What glides to its new place is looked at where it comes to rest.
    for (let turn = 0; turn < MOST_MOVES; turn++) {
      await new Promise((done) => setTimeout(done, TURN));
      const { ended } = await window.ask<{ readonly ended: number }>(main, stillAnimations);
      if (ended === 0) break;
    }
    return window.ask<CollectedLayout>(main, collectLayout);
  };
  const narrow = width > NARROW.width ? await inWindow(NARROW) : undefined;
  // Twice as large is half as many CSS pixels, each of two by two: media queries and units of the window follow.
  const doubled = await inWindow({ width: Math.round(width / 2), height: Math.round(height / 2), scale: 1 });
  const turned = await inWindow({ width: height, height: width, scale: 1 });
  await window.resize(usual);
  await window.ask(main, putStyle, [{ value: SPACING }]);
  const spaced = await inWindow(usual);
  await window.ask(main, takeBack);
  await new Promise((done) => setTimeout(done, TURN));
  return { ...(narrow === undefined ? {} : { narrow }), doubled, spaced, turned };
}
