/// <reference lib="dom" />
import type { Browser, Page } from "puppeteer-core";
import { afterAll, beforeAll, expect, test } from "vitest";
import { judgeEveryText } from "../../src/core/checks/contrast/judge-text.ts";
import { contrastRatio } from "../../src/core/colour/contrast.ts";
import { rgba } from "../../src/core/colour/rgba.ts";
import { sceneOf } from "../page.ts";
import { launch } from "./browser.ts";
import { paintedPage } from "./painted-pages.ts";

/** What is asked of the texts; they are 20 pixels high. */
const NEEDED = { large: 3, small: 4.5 };

/** Ratios this near to what is needed may fall on either side by rounding. */
const NEAR = 0.25;

type Pixel = readonly [number, number, number];

/** The middle of each block of each text, in the order of the texts. */
const places = (page: Page): Promise<readonly (readonly (readonly [x: number, y: number])[])[]> =>
  page.evaluate(() =>
    [...document.querySelectorAll("p")].map((text) => {
      const words = text.firstChild;
      if (words === null) return [];
      return [1, 3, 5].map((letter): [number, number] => {
        const range = document.createRange();
        range.setStart(words, letter);
        range.setEnd(words, letter + 1);
        const { left, top, width, height } = range.getBoundingClientRect();
        return [Math.round(left + width / 2), Math.round(top + height / 2)];
      });
    }),
  );

/** What is painted at places, from a picture of the page. */
async function pixelsAt(
  page: Page,
  at: readonly (readonly (readonly [number, number])[])[],
): Promise<readonly (readonly Pixel[])[]> {
  const picture = await page.screenshot({ encoding: "base64" });
  return page.evaluate(
    async (png, spots) => {
      const image = new Image();
      image.src = `data:image/png;base64,${png}`;
      await image.decode();
      const canvas = document.createElement("canvas");
      [canvas.width, canvas.height] = [image.width, image.height];
      const context = canvas.getContext("2d", { willReadFrequently: true });
      if (context === null) throw new Error("no canvas");
      context.drawImage(image, 0, 0);
      return spots.map((ones) =>
        ones.map(([x, y]): [number, number, number] => {
          const [r = 0, g = 0, b = 0] = context.getImageData(x, y, 1, 1).data;
          return [r, g, b];
        }),
      );
    },
    picture,
    at as [number, number][][],
  );
}

const colourOf = ([r, g, b]: Pixel) => rgba(r / 255, g / 255, b / 255);

/** Where a verdict parts from what is seen: text that stands out and fails, or the other way round. */
async function differences(
  browser: Browser,
  html: string,
): Promise<{
  readonly falseAlarms: readonly string[];
  readonly missed: readonly string[];
  readonly texts: number;
}> {
  const page = await browser.newPage();
  await page.setViewport({ width: 700, height: 2400 });
  await page.setContent(html);
  const spots = await places(page);
  const texts = await pixelsAt(page, spots);
  await page.addStyleTag({ content: "* { -webkit-text-fill-color: transparent !important }" });
  const grounds = await pixelsAt(page, spots);
  await page.close();
  const scene = sceneOf(html);
  const falseAlarms: string[] = [];
  const missed: string[] = [];
  const all = scene.page.index.byTag("p");
  for (const [i, element] of all.entries()) {
    const { outcome } = judgeEveryText(scene, element, NEEDED);
    const [letters = [], under = []] = [texts[i], grounds[i]];
    const ratios = letters.map((letter, k) => contrastRatio(colourOf(letter), colourOf(under[k] ?? letter)));
    // What is covered, or beyond the picture, shows nothing of its colours.
    if (ratios.length === 0 || ratios.every((ratio) => ratio < 1.02)) continue;
    const seen = `text ${i} ${outcome}, and Chromium paints ${ratios.map((ratio) => ratio.toFixed(2)).join(", ")}`;
    if (outcome === "failed" && ratios.every((ratio) => ratio > NEEDED.small + NEAR)) falseAlarms.push(seen);
    if (outcome === "passed" && ratios.every((ratio) => ratio < NEEDED.small - NEAR)) missed.push(seen);
  }
  return { falseAlarms, missed, texts: all.length };
}

let browser: Browser;
beforeAll(async () => {
  browser = await launch();
});
afterAll(() => browser?.close());

/** What lies on other things by chance of layout alone is not asked about: so many texts may be passed that are too pale. */
const MOST_MISSED = 0.02;

test.each([0, 25, 50, 75])(
  "what lies under the texts of the pages from %i is what Chromium paints",
  async (from) => {
    const falseAlarms: string[] = [];
    let [missed, texts] = [0, 0];
    for (let seed = from; seed < from + 25; seed++) {
      const found = await differences(browser, paintedPage(seed));
      falseAlarms.push(...found.falseAlarms.map((one) => `seed ${seed}: ${one}`));
      missed += found.missed.length;
      texts += found.texts;
    }
    expect(falseAlarms).toEqual([]);
    expect(missed / texts).toBeLessThan(MOST_MISSED);
  },
);
