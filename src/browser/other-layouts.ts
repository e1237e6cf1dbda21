import type { Device } from "../core/css/device.ts";
import type { BrowserWindow, WindowSize } from "./browser-window.ts";
import { putStyle, takeBack } from "./inside/change.ts";
import { type CollectedLayout, collectLayout } from "./inside/collect.ts";
import { stillAnimations, waitForQuiet } from "./inside/rest.ts";
import type { OtherLayouts } from "./seen-page.ts";

/** WCAG 1.4.10: what 1280 CSS pixels leave at 400 %. */
const NARROW = { width: 320, height: 512, scale: 1 };

/** WCAG 1.4.12, as a style for everything. */
const SPACING = `* { line-height: 1.5 !important; letter-spacing: 0.12em !important; word-spacing: 0.16em !important; }
p { margin-block-end: 2em !important; }`;

/**
 * How long nothing may change before a page counts as laid out anew: scripts that listen for another size often wait until it
 * stays as it is. And how long that may take. Milliseconds.
 */
const QUIET = { usual: 60, listening: 300 };
const MOST = 1500;

/** How many moves one after the other are waited for. */
const MOST_MOVES = 4;

/** Lays the page out in a narrow window, enlarged, with more room between letters, and with the window turned. */
export async function otherLayouts(
  window: BrowserWindow,
  main: string,
  { device, hearsResize }: { readonly device: Device; readonly hearsResize: boolean },
): Promise<OtherLayouts> {
  const { width, height } = device;
  const usual = { width, height, scale: 1 };
  const quiet = hearsResize ? QUIET.listening : QUIET.usual;
  const rest = () => window.ask(main, waitForQuiet, [{ value: quiet }, { value: MOST }]);
  const inWindow = async (size: WindowSize): Promise<CollectedLayout> => {
    await window.resize(size);
    // What glides to its new place is looked at where it comes to rest.
    for (let turn = 0; turn < MOST_MOVES; turn++) {
      await rest();
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
  await rest();
  return { ...(narrow === undefined ? {} : { narrow }), doubled, spaced, turned };
}
