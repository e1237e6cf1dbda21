import { PNG } from "pngjs";
import type { Picture } from "../core/colour/painted-letters.ts";
import type { BrowserWindow } from "./browser-window.ts";

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

export const unpacked = (data: string): Picture => PNG.sync.read(Buffer.from(data, "base64"));
