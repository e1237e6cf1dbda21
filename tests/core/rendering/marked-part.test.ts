import { expect, test } from "vitest";
import { markedPart, partAround } from "../../../src/core/scene/marked-part.ts";

const page = { width: 1280, height: 3000 };

test.each([
  ["in the middle of what is around it", [600, 1000, 80, 20], [400, 890, 480, 240]],
  ["at the edge of the page", [0, 2990, 40, 10], [0, 2760, 480, 240]],
  ["whole, with some of what is around", [100, 100, 900, 500], [68, 68, 964, 564]],
  ["from where it begins, where it is too long", [0, 500, 300, 2400], [0, 468, 480, 1200]],
] as const)("a part shows what it is about %s", (_, box, part) => {
  const [left, top, width, height] = box;
  const shown = partAround({ left, top, width, height }, page);
  expect([shown?.left, shown?.top, shown?.width, shown?.height]).toEqual([...part]);
});

test("nothing is shown of what lies beside the page", () => {
  expect(partAround({ left: -50, top: 10, width: 40, height: 20 }, page)).toBeNull();
  expect(partAround({ left: 10, top: 3000, width: 40, height: 20 }, page)).toBeNull();
});

test("pieces are put together, and a frame runs around the box and not through it", () => {
  const piece = (top: number, grey: number) => ({
    top,
    picture: { width: 60, height: 30, data: new Uint8Array(60 * 30 * 4).fill(grey) },
  });
  const part = { left: 10, top: 10, width: 40, height: 40 };
  const shown = markedPart([piece(0, 10), piece(30, 20)], part, { left: 25, top: 25, width: 10, height: 10 });
  const at = (x: number, y: number) => shown.data[(y * 40 + x) * 4];
  expect([at(0, 0), at(0, 39)]).toEqual([10, 20]);
  expect([at(15, 15), at(24, 24)]).toEqual([10, 20]);
  expect([at(11, 20), at(8, 20), at(7, 20)]).toEqual([0xb3, 0xff, 20]);
});
