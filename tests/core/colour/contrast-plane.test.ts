import { describe, expect, test } from "vitest";
import { contrastRatio } from "../../../src/core/colour/contrast.ts";
import {
  lchOf,
  limitsOf,
  mostChroma,
  nearestShown,
  shownAt,
} from "../../../src/core/colour/contrast-plane.ts";
import { rgba } from "../../../src/core/colour/rgba.ts";

/** Grounds and hues that nobody chose. */
const cases = Array.from({ length: 24 }, (_, n) => ({
  ground: rgba(((n * 83) % 256) / 255, ((n * 149 + 40) % 256) / 255, ((n * 211 + 90) % 256) / 255),
  hue: (n * 37) % 360,
}));

describe("the plane of lightness and chroma", () => {
  test.each([3, 4.5, 7])(
    "the limit of %s to 1 has just that ratio, and what lies beyond it more",
    (needed) => {
      let seen = 0;
      for (const { ground, hue } of cases) {
        const { lighter, darker } = limitsOf(hue, ground, needed);
        for (const [limit, beyond] of [
          [lighter, 0.02],
          [darker, -0.02],
        ] as const)
          for (const { c, l } of limit) {
            seen++;
            const at = contrastRatio(nearestShown({ l, c, h: hue }), ground);
            expect(at).toBeGreaterThanOrEqual(needed);
            expect(at).toBeLessThan(needed * 1.06);
            const further = Math.max(0, Math.min(1, l + beyond));
            expect(contrastRatio(nearestShown({ l: further, c, h: hue }), ground)).toBeGreaterThanOrEqual(
              needed,
            );
          }
      }
      expect(seen).toBeGreaterThan(300);
    },
  );

  test("black and white reach 21, and nothing lies between where no colour reaches a ratio", () => {
    expect(limitsOf(30, rgba(0.45, 0.45, 0.45), 7)).toEqual({ lighter: [], darker: [] });
    expect(limitsOf(30, rgba(1, 1, 1), 3).lighter).toEqual([]);
  });

  test("a colour lies where it comes from", () => {
    for (const { ground } of cases) {
      const shown = shownAt(lchOf(ground));
      if (shown === null) continue;
      for (const channel of ["r", "g", "b"] as const)
        expect(Math.abs(shown[channel] - ground[channel])).toBeLessThan(0.003);
    }
    expect(mostChroma(142)).toBeGreaterThan(mostChroma(195));
  });
});
