import { describe, expect, test } from "vitest";
import { contrastRatio } from "../../../src/core/colour/contrast.ts";
import { lchOf, shownAt } from "../../../src/core/colour/contrast-plane.ts";
import { deltaEOK } from "../../../src/core/colour/nearest-passing.ts";
import { resolveColour } from "../../../src/core/colour/resolve-colour.ts";
import type { Rgba } from "../../../src/core/colour/rgba.ts";
import { type NeededPair, type PaletteColour, solvePalette } from "../../../src/core/colour/solve-palette.ts";
import { randomFrom } from "../../readers/programs.ts";

const colourOf = (text: string): Rgba => resolveColour(text, { current: null, scheme: "light" }) as Rgba;
const free = (text: string): PaletteColour => ({ colour: colourOf(text), isKept: false });
const kept = (text: string): PaletteColour => ({ colour: colourOf(text), isKept: true });
const pair = (text: number, ground: number, needed = 4.5): NeededPair => ({ text, ground, needed });

/** Every combination of tones on a grid of lightness and chroma, of a palette of up to three colours. */
function exhaustive(palette: readonly PaletteColour[], pairs: readonly NeededPair[], steps: number): number {
  const tones = palette.map(({ colour, isKept }) => {
    if (isKept) return [{ colour, change: 0 }];
    const { c, h } = lchOf(colour);
    const grid = Array.from({ length: steps + 1 }, (_, at) => at / steps).flatMap((l) =>
      (c < 0.002 ? [0] : [0, c / 2, c, c + 0.02]).flatMap((chroma) => shownAt({ l, c: chroma, h }) ?? []),
    );
    return [colour, ...grid].map((tone) => ({ colour: tone, change: deltaEOK(colour, tone) }));
  });
  let least = Number.POSITIVE_INFINITY;
  const go = (at: number, chosen: readonly Rgba[], sum: number): void => {
    if (sum >= least) return;
    const holds = pairs.every(
      ({ text, ground, needed }) =>
        Math.max(text, ground) >= at || contrastRatio(chosen[text] as Rgba, chosen[ground] as Rgba) >= needed,
    );
    if (!holds) return;
    if (at === tones.length) least = sum;
    else for (const { colour, change } of tones[at] ?? []) go(at + 1, [...chosen, colour], sum + change);
  };
  go(0, [], 0);
  return least;
}

describe("a palette is solved", () => {
  test("nothing changes where all pass", () => {
    const palette = [free("#10243e"), free("#ffffff")];
    expect(solvePalette(palette, [pair(0, 1)])).toMatchObject({ kind: "solved", change: 0, isLeast: true });
  });

  test("one text gives way to many, and what is kept stays", () => {
    const palette = [free("#9aa8b0"), kept("#ffffff"), kept("#eef2f4")];
    const solved = solvePalette(palette, [pair(0, 1), pair(0, 2)]);
    if (solved.kind !== "solved") throw new Error(solved.kind);
    const [text, white, pale] = solved.colours as [Rgba, Rgba, Rgba];
    expect([white, pale]).toEqual([palette[1]?.colour, palette[2]?.colour]);
    expect(contrastRatio(text, pale)).toBeGreaterThanOrEqual(4.5);
    expect(contrastRatio(text, pale)).toBeLessThan(4.6);
    expect(Math.abs(lchOf(text).h - lchOf(colourOf("#9aa8b0")).h)).toBeLessThan(8);
  });

  test("a middle tone between a dark and a light that are kept takes the narrow room that there is", () => {
    const solved = solvePalette(
      [free("#cc2200"), kept("#000000"), kept("#ffffff")],
      [pair(0, 1), pair(0, 2)],
    );
    expect(solved.kind).toBe("solved");
  });

  test("pairs that fight are named, and no others", () => {
    const palette = [free("#888888"), kept("#000000"), kept("#ffffff"), free("#123456")];
    const pairs = [pair(3, 2), pair(0, 1, 7), pair(0, 2, 7)];
    expect(solvePalette(palette, pairs)).toEqual({ kind: "impossible", fighting: [pairs[1], pairs[2]] });
    expect(solvePalette([free("#888888")], [pair(0, 0)])).toMatchObject({ kind: "impossible" });
  });

  test.each(Array.from({ length: 16 }, (_, seed) => seed))(
    "as small a change as trying everything finds, and all pass (palette %i)",
    (seed) => {
      const random = randomFrom(seed + 1);
      const channel = () => Math.floor(random() * 256);
      const palette = Array.from(
        { length: 3 },
        (_, at): PaletteColour => ({
          colour: colourOf(`rgb(${channel()} ${channel()} ${channel()})`),
          isKept: at === 2 && seed % 3 === 0,
        }),
      );
      const ratios = [3, 4.5, 7];
      const pairs = [pair(0, 1), pair(0, 2), ...(seed % 2 === 0 ? [pair(1, 2)] : [])].map((one) => ({
        ...one,
        needed: ratios[Math.floor(random() * 3)] as number,
      }));
      const solved = solvePalette(palette, pairs);
      const tried = exhaustive(palette, pairs, 40);
      if (solved.kind !== "solved") {
        expect(tried).toBe(Number.POSITIVE_INFINITY);
        return;
      }
      for (const { text, ground, needed } of pairs)
        expect(
          contrastRatio(solved.colours[text] as Rgba, solved.colours[ground] as Rgba),
        ).toBeGreaterThanOrEqual(needed);
      expect(solved.isLeast).toBe(true);
      expect(solved.change).toBeLessThanOrEqual(tried + 0.002);
    },
  );
});
