import { describe, expect, test } from "vitest";
import { largestContrast, type Picture } from "../../../src/core/colour/painted-letters.ts";
import { differenceOf } from "../../../src/core/colour/picture-difference.ts";

/** A picture of some colours, one row. */
const row = (...colours: readonly (readonly [number, number, number])[]): Picture => ({
  width: colours.length,
  height: 1,
  data: Uint8Array.from(colours.flatMap((colour) => [...colour, 255])),
});
const [white, black, pale, red] = [
  [255, 255, 255],
  [0, 0, 0],
  [254, 254, 254],
  [255, 0, 0],
] as const;

describe("two pictures", () => {
  test("that are the same do not differ", () =>
    expect(differenceOf(row(white, black), row(white, black))).toEqual({
      pixels: 0,
      strong: 0,
      ratio: 1,
      distance: 0,
    }));

  test("differ by pixels, by those that stand apart, and by the furthest", () => {
    const { pixels, strong, ratio, distance } = differenceOf(row(white, white, red), row(black, pale, red));
    expect([pixels, strong, Math.round(ratio)]).toEqual([2, 1, 21]);
    expect(distance).toBeCloseTo(1, 2);
  });

  test("that nobody tells apart are nearly nothing apart", () =>
    expect(differenceOf(row(white), row(pale)).distance).toBeLessThan(0.02));

  test("of two sizes are all apart", () =>
    expect(differenceOf(row(white), row(white, white)).strong).toBe(1));
});

test.each([
  [{ left: 0, top: 0, width: 2, height: 1 }, 21],
  [{ left: 0, top: 0, width: 1, height: 1 }, 1],
  [{ left: 2, top: 0, width: 4, height: 4 }, 1],
])("the largest contrast in %o is %d", (part, ratio) =>
  expect(largestContrast(row(white, black), part)).toBeCloseTo(ratio, 5),
);
