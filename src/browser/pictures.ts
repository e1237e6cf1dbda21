import { PNG } from "pngjs";
import type { Picture } from "../core/colour/painted-letters.ts";
import type { PagePicture } from "../core/scene/page-picture.ts";
import type { BrowserWindow } from "./browser-window.ts";
import { hideStuck, scrollPage, takeBack } from "./inside/change.ts";

/** A part of what a window shows, in CSS pixels. */
export interface ClipBox {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

/**
 * A picture of what a window shows, packed without loss.
 * @param clip from the top left of the page, wherever it is scrolled to; what is out of the window is blank
 * @param scale how many pixels one CSS pixel has
 */
export async function packedPicture(window: BrowserWindow, clip: ClipBox, scale: number): Promise<string> {
  const { data } = await window.session.send("Page.captureScreenshot", {
    format: "png",
    clip: { ...clip, scale },
    captureBeyondViewport: false,
    optimizeForSpeed: true,
  });
  return data;
}

/** Pictures go no further down than this. CSS pixels. */
const FURTHEST = 16_000;

/**
 * Pictures of a page from its top left, window by window: to paint all at once a browser makes its window tiny for a moment, and
 * scripts answer to that. What stays in place is in the first alone.
 * @param main the frame that the page is in, its elements collected
 */
export async function wholePicture(window: BrowserWindow, main: string): Promise<PagePicture> {
  const { cssLayoutViewport, cssContentSize } = await window.session.send("Page.getLayoutMetrics");
  const { clientWidth: width, clientHeight } = cssLayoutViewport;
  const whole = Math.max(clientHeight, Math.ceil(cssContentSize.height));
  const height = Math.min(whole, FURTHEST);
  const pieces: { readonly top: number; readonly height: number; readonly png: string }[] = [];
  for (let top = 0; top < height; top += clientHeight) {
    await window.ask(main, scrollPage, [{ value: top }]);
    const clip = { x: 0, y: top, width, height: Math.min(clientHeight, height - top) };
    pieces.push({ top, height: clip.height, png: await packedPicture(window, clip, 1) });
    if (top === 0) await window.ask(main, hideStuck);
  }
  await window.ask(main, takeBack);
  await window.ask(main, scrollPage, [{ value: 0 }]);
  return { pieces, width, height, isCut: whole > FURTHEST };
}

/** A picture as a PNG. */
export function packed({ width, height, data }: Picture): Uint8Array {
  const png = new PNG({ width, height });
  png.data.set(data);
  return PNG.sync.write(png);
}

export const unpacked = (data: string): Picture => PNG.sync.read(Buffer.from(data, "base64"));
