import { describe, expect, test } from "vitest";
import { contrastRatio, isLargeText, shownRatio } from "../../../src/core/colour/contrast.ts";
import { deltaEOK, nearestInPalette, nearestPassing } from "../../../src/core/colour/nearest-passing.ts";
import { isColour } from "../../../src/core/colour/parse-colour.ts";
import { resolveColour } from "../../../src/core/colour/resolve-colour.ts";
import { over, rgba, toHex, white } from "../../../src/core/colour/rgba.ts";

const colour = (text: string) => {
  const found = resolveColour(text, { current: rgba(1, 0, 0), scheme: "light" });
  if (found === null) throw new Error(`${text} is unknown`);
  return found;
};

describe("contrast", () => {
  test("black on white is 21, equal colours are 1, order does not matter", () => {
    expect(contrastRatio(colour("black"), white)).toBeCloseTo(21, 10);
    expect(contrastRatio(colour("#777"), colour("#777"))).toBe(1);
    expect(contrastRatio(white, colour("#777"))).toBe(contrastRatio(colour("#777"), white));
  });
  test("a ratio is never rounded up to the bound it misses", () => {
    expect(shownRatio(4.4999)).toBe("4.49:1");
  });
  test.each([
    [24, 400, true],
    [23.99, 400, false],
    [18.66, 700, true],
    [18.6, 700, false],
    [20, 699, false],
  ])("%dpx at weight %d: large is %s", (size, weight, large) => {
    expect(isLargeText(size, weight)).toBe(large);
  });
});

describe("colours", () => {
  test.each([
    ["#ABC", "#aabbcc"],
    ["rgb(255 0 0)", "#ff0000"],
    ["rgba(0, 128, 0, 1)", "#008000"],
    ["hsl(120 100% 25%)", "#008000"],
    ["oklch(0.628 0.2577 29.23)", "#ff0000"],
    ["color(srgb 1 0.5 0)", "#ff8000"],
    ["color-mix(in srgb, white, black 25%)", "#bfbfbf"],
    ["color-mix(in srgb, white 25%, black)", "#404040"],
    ["color-mix(in srgb, white 25%, black 75%)", "#404040"],
    ["color-mix(in srgb, white 30%, black 90%)", "#404040"],
    ["color-mix(in srgb, white, black)", "#808080"],
    ["light-dark(#111, #eee)", "#111111"],
    ["rgb(from #336699 b g r)", "#996633"],
    ["rgb(from red r 128 b / 100%)", "#ff8000"],
    ["hsl(from #008000 h s calc(l * 2))", "#01ff01"],
    ["currentColor", "#ff0000"],
    ["Canvas", "#ffffff"],
    ["color(display-p3 0 1 0)", "#00ff00"],
    ["rgb(300 -20 30)", "#ff001e"],
  ])("%s is %s", (text, hex) => {
    expect(toHex(colour(text))).toBe(hex);
  });
  test.each(["oklch(from red calc(l * (1 + c)) c h)", "rgb(calc(1 + var(--x)) 0 0)", "nonsense", "fff"])(
    "%s is not known",
    (text) => {
      expect(resolveColour(text, { current: null, scheme: "light" })).toBeNull();
    },
  );
  test.each([
    ["color-mix(in srgb, white 25%, black 25%)", rgba(0.5, 0.5, 0.5, 0.5)],
    ["color-mix(in srgb, red 10%, red 20%)", rgba(1, 0, 0, 0.3)],
    ["color-mix(in srgb, transparent, red)", rgba(1, 0, 0, 0.5)],
  ])("%s is seen through by what its shares leave", (text, expected) => {
    const found = colour(text);
    expect(found.alpha).toBeCloseTo(expected.alpha, 6);
    expect(toHex({ ...found, alpha: 1 })).toBe(toHex({ ...expected, alpha: 1 }));
  });
  test("a mix of nothing at all is no colour", () => {
    expect(
      resolveColour("color-mix(in srgb, red 0%, blue 0%)", { current: null, scheme: "light" }),
    ).toBeNull();
  });
  test("what is no colour is told from what is", () => {
    expect(
      ["red", "#12345", "#1234", "grren", "transparent", "ABC", "rgb(1 2 3 / 50%)", "inherit"].map(isColour),
    ).toEqual([true, false, true, false, true, false, true, false]);
  });
  test("half a black over white is grey", () => {
    expect(toHex(over(rgba(0, 0, 0, 0.5), white))).toBe("#808080");
  });
});

describe("the nearest colour that passes", () => {
  test.each([
    ["#999999", "#ffffff", 4.5],
    ["#ff0000", "#ffffff", 4.5],
    ["#ffcc00", "#ffffff", 3],
    ["#336699", "#223344", 4.5],
    ["#ffffff", "#888888", 4.5],
  ])("%s on %s reaches %d:1, and a shade less does not", (text, ground, needed) => {
    const found = nearestPassing(colour(text), colour(ground), needed);
    expect(found).not.toBeNull();
    const ratio = contrastRatio(found!, colour(ground));
    expect(ratio).toBeGreaterThanOrEqual(needed);
    expect(ratio).toBeLessThan(needed + 0.25);
  });
  test("is null when neither black nor white reaches it", () => {
    expect(nearestPassing(colour("#777"), colour("#777"), 7)).toBeNull();
  });
  test("keeps the hue", () => {
    const found = nearestPassing(colour("#e08000"), white, 4.5)!;
    expect(found.r).toBeGreaterThan(found.g);
    expect(found.g).toBeGreaterThan(found.b);
    expect(deltaEOK(found, colour("#e08000"))).toBeLessThan(0.25);
  });
  test("of a palette is the one that looks most alike", () => {
    const palette = [{ colour: colour("#000") }, { colour: colour("#8a4b00") }, { colour: colour("#ccc") }];
    expect(nearestInPalette(colour("#e08000"), white, 4.5, palette)).toBe(palette[1]);
    const [black] = [{ name: "black", colour: colour("#000") }];
    expect([
      nearestInPalette(white, white, 21, [black]),
      nearestInPalette(white, white, 21.01, [black]),
    ]).toEqual([black, null]);
  });
});
