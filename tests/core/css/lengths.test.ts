import { expect, test } from "vitest";
import { type LengthBasis, lengthInPixels } from "../../../src/core/css/lengths.ts";
import { byId, sceneOf } from "../../page.ts";

const basis: LengthBasis = {
  fontSize: 20,
  rootFontSize: 10,
  lineHeight: 30,
  percentage: 200,
  width: 1000,
  height: 500,
};

test.each([
  ["12px", 12],
  ["-.5em", -10],
  ["1.5rem", 15],
  ["2lh", 60],
  ["50%", 100],
  ["10vw", 100],
  ["10vh", 50],
  ["10vmin", 50],
  ["10vmax", 100],
  ["18pt", 24],
  ["1in", 96],
  ["2.54cm", 96],
  ["0", 0],
  ["1e2px", 100],
  ["calc(1em + 2 * (3px - 1px))", 24],
  ["calc(100% - 10px)", 190],
  ["min(10px, 1em, 5vw)", 10],
  ["max(10px, 1em)", 20],
  ["clamp(1rem, 5vw, 2rem)", 20],
  ["clamp(1rem, 1vw, 2rem)", 10],
  ["CALC(1PX + 1PX)", 2],
])("%s is %d px", (text, pixels) => {
  expect(lengthInPixels(text, basis)).toBeCloseTo(pixels, 6);
});

test.each([
  "2ch",
  "calc(2 + 1%)",
  "auto",
  "",
  "1px 2px",
  "3turns",
  "calc(1px +)",
  "calc(1px + 2)",
  "calc(1px / 0px)",
  "min()",
  "anchor(top)",
  `${"calc(".repeat(200)}1px${")".repeat(200)}`,
])("%s is no length we know", (text) => {
  expect(lengthInPixels(text, basis)).toBeNull();
});

test("a length hanging on what is unknown is unknown", () => {
  const unknown = { ...basis, fontSize: null, percentage: null };
  expect(
    ["1em", "50%", "calc(1px + 1em)", "min(1px, 50%)"].map((text) => lengthInPixels(text, unknown)),
  ).toEqual([null, null, null, null]);
  expect(lengthInPixels("1rem", unknown)).toBe(10);
});

test.each([
  ["html { font-size: 62.5% } p { font-size: 1.6rem }", 16],
  ["div { font-size: 20px } p { font-size: 1.5em }", 30],
  ["div { font-size: 20px } p { font-size: 50% }", 10],
  ["p { font-size: x-large }", 24],
  ["div { font-size: 20px } p { font-size: initial }", 16],
  ["p { font: 14pt/1 serif }", 14 * (4 / 3)],
  ["p { font-size: calc(1rem + 1vw) }", 28.8],
  ["p { font-size: -3px }", 16],
  ["p { font-size: 12 }", 16],
])("the font size of %s", (css, size) => {
  const scene = sceneOf(`<div><p id="a">Slip 4</p></div>`, { css });
  expect(scene.page.styles.fontSize({ element: byId(scene, "a") })).toBeCloseTo(size, 6);
});
