import { expect, test } from "vitest";
import { letterRatios, type Picture } from "../../src/core/colour/painted-letters.ts";

/** A picture from rows of letters, each a grey: `#` black, `.` white, `-` and `+` between. */
const greys: Readonly<Record<string, number>> = { "#": 0, "+": 0x77, "-": 0xbb, ".": 0xff };
function picture(...rows: readonly string[]): Picture {
  const width = rows[0]?.length ?? 0;
  const data = Uint8Array.from(
    rows.flatMap((row) =>
      [...row].flatMap((one) => [greys[one] ?? 0, greys[one] ?? 0, greys[one] ?? 0, 255]),
    ),
  );
  return { width, height: rows.length, data };
}
const whole = (one: Picture) => ({ left: 0, top: 0, width: one.width, height: one.height });
const rounded = (ratios: readonly number[]) => ratios.map((ratio) => Math.round(ratio * 100) / 100);

test("letters are told apart by the columns between them, each by the pixel that stands out most", () => {
  const text = picture(".#.+.", ".-.-.");
  const bare = picture(".....", ".....");
  expect(rounded(letterRatios(text, bare, whole(text)))).toEqual([21, 4.48]);
});

test("what is under a letter is what is painted without it, pixel by pixel", () => {
  const text = picture("....####");
  const bare = picture("########");
  expect(rounded(letterRatios(text, bare, whole(text)))).toEqual([21]);
  expect(rounded(letterRatios(picture("-..-"), picture("...."), whole(picture("....")))).length).toBe(2);
});

test("only the part that is asked about counts, and nothing outside of the picture", () => {
  const text = picture("#.#.#");
  const bare = picture(".....");
  expect(letterRatios(text, bare, { left: 2, top: 0, width: 1, height: 1 })).toHaveLength(1);
  expect(letterRatios(text, bare, { left: -3, top: -3, width: 99, height: 99 })).toHaveLength(3);
});

test("a text that changes nothing has no letters", () => {
  const text = picture("..#..");
  expect(letterRatios(text, text, whole(text))).toEqual([]);
});
