/// <reference lib="dom" />
import { expect, test } from "vitest";
import { resolveColour } from "../../src/core/colour/resolve-colour.ts";
import { type Rgba, toHex } from "../../src/core/colour/rgba.ts";
import { launch } from "./browser.ts";

/** Numbers between 0 and 1, the same in every run. */
function numbers(seed: number): () => number {
  let state = seed;
  return () => {
    state = (Math.imul(state, 1664525) + 1013904223) >>> 0;
    return state / 2 ** 32;
  };
}

/** Colours in the spaces in which scales are written, in sRGB and a little or far outside it, and mixtures of them. */
function colours(count: number): readonly string[] {
  const next = numbers(7);
  const within = (from: number, to: number, digits: number) => (from + next() * (to - from)).toFixed(digits);
  const one = (): string =>
    next() < 0.6
      ? `oklch(${within(20, 98, 1)}% ${within(0, 0.3, 3)} ${within(0, 360, 1)})`
      : next() < 0.5
        ? `oklab(${within(20, 98, 1)}% ${within(-0.25, 0.25, 3)} ${within(-0.25, 0.25, 3)})`
        : `color(display-p3 ${within(0, 1, 3)} ${within(0, 1, 3)} ${within(0, 1, 3)})`;
  return Array.from({ length: count }, () =>
    next() < 0.2 ? `color-mix(in oklab, ${one()} ${within(5, 95, 0)}%, white)` : one(),
  );
}

/** How far a channel may be off, of 255: what is cut off in one place is rounded in another. */
const OFF = 3;

const isNear = (ours: Rgba, theirs: readonly number[]): boolean =>
  [ours.r, ours.g, ours.b].every((channel, i) => Math.abs(channel * 255 - (theirs[i] ?? 0)) <= OFF);

test("what is said of a colour is what Chromium paints; only what lies far outside is left open", async () => {
  const all = colours(600);
  const browser = await launch();
  try {
    const page = await browser.newPage();
    await page.setViewport({ width: 600, height: 400 });
    await page.setContent(
      `<body style="margin: 0; line-height: 0">${all.map((colour) => `<i style="display: inline-block; width: 10px; height: 10px; background: ${colour}"></i>`).join("")}`,
    );
    const picture = await page.screenshot({ encoding: "base64" });
    const painted = await page.evaluate(
      async (png, count) => {
        const image = new Image();
        image.src = `data:image/png;base64,${png}`;
        await image.decode();
        const canvas = document.createElement("canvas");
        [canvas.width, canvas.height] = [image.width, image.height];
        const context = canvas.getContext("2d");
        if (context === null) throw new Error("no canvas");
        context.drawImage(image, 0, 0);
        return Array.from({ length: count }, (_, i) => [
          ...context.getImageData((i % 60) * 10 + 5, Math.floor(i / 60) * 10 + 5, 1, 1).data,
        ]);
      },
      picture,
      all.length,
    );
    const ours = all.map((text) => resolveColour(text, { current: null, scheme: "light" }));
    const wrong = all.flatMap((text, i) => {
      const [own, theirs = []] = [ours[i], painted[i]];
      return own == null || isNear(own, theirs)
        ? []
        : [`${text}: ${toHex(own)}, painted ${theirs.join(" ")}`];
    });
    expect(wrong).toEqual([]);
    expect(ours.filter((own) => own === null).length).toBeLessThan(all.length / 2);
  } finally {
    await browser.close();
  }
});
