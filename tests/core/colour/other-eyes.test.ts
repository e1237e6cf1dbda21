import { describe, expect, test } from "vitest";
import { collapsingPairs } from "../../../src/core/checks/colour/pairs-by-colour.ts";
import { blurOf, type Eye, eyes, eyesThatLose, seenBy } from "../../../src/core/colour/other-eyes.ts";
import { rgba, toHex } from "../../../src/core/colour/rgba.ts";

const eye = (id: string): Eye => {
  const found = eyes.find((one) => one.id === id);
  if (found === undefined) throw new Error(`no eye ${id}`);
  return found;
};
const colour = (hex: string) => {
  const [r = 0, g = 0, b = 0] = [1, 3, 5].map((at) => Number.parseInt(hex.slice(at, at + 2), 16) / 255);
  return rgba(r, g, b);
};

describe("colours as other eyes see them", () => {
  test("every row of the light that an eye makes of white adds up to white", () => {
    for (const { id, light } of eyes) {
      if (light === null) continue;
      expect(toHex(seenBy(eye(id), colour("#ffffff")))).toBe("#ffffff");
      expect(toHex(seenBy(eye(id), colour("#000000")))).toBe("#000000");
    }
  });

  test("red and green become much the same without red or green light, and stay apart without blue", () => {
    const [red, green] = [colour("#c2702f"), colour("#4f8a3c")];
    const lost = eyesThatLose(red, green).map(({ eye }) => eye.id);
    expect(lost).toContain("protanopia");
    expect(lost).not.toContain("tritanopia");
  });

  test("an eye that sees less of a light lies between all and none of it", () => {
    const red = colour("#ff0000");
    const green = (id: string) => seenBy(eye(id), red).g;
    expect(green("deuteranomaly")).toBeGreaterThan(red.g);
    expect(green("deuteranomaly")).toBeLessThan(green("deuteranopia"));
  });

  test("what most people hardly tell apart is nobody's loss", () => {
    expect(eyesThatLose(colour("#4f8a3c"), colour("#518c3e"))).toEqual([]);
  });

  test("a veil takes contrast and leaves the order of lightness", () => {
    for (const id of ["low-contrast", "glare"]) {
      const [dark, light] = [seenBy(eye(id), colour("#202020")), seenBy(eye(id), colour("#e0e0e0"))];
      expect(dark.r).toBeGreaterThan(colour("#202020").r);
      expect(light.r).toBeGreaterThan(dark.r);
    }
  });

  test("half the acuity, or twice the distance, is twice the blur", () => {
    expect(blurOf(0.05, 60) / blurOf(0.1, 60)).toBeCloseTo(2, 3);
    expect(blurOf(0.1, 120) / blurOf(0.1, 60)).toBeCloseTo(2, 6);
    expect(blurOf(1, 60)).toBeLessThan(1);
  });

  test("pairs of a palette that most lose come before those of eyes without any colour", () => {
    const palette = [
      { name: "free", colour: colour("#4f8a3c") },
      { name: "booked", colour: colour("#c2702f") },
      { name: "low", colour: colour("#7a6fb5") },
    ];
    expect(collapsingPairs(palette).map(({ one, other }) => `${one.name} ${other.name}`)).toEqual([
      "free booked",
      "free low",
      "booked low",
    ]);
  });
});
