import { describe, expect, test } from "vitest";
import { nearestWord } from "../../../src/core/document/nearest-word.ts";
import { headersOf, tableGrid } from "../../../src/core/semantics/table-headers.ts";
import { wrongAutofillToken } from "../../../src/core/standards/autofill.ts";
import { isLanguageTag } from "../../../src/core/standards/language-subtags.ts";
import { sceneOf } from "../../page.ts";

/** Each data cell with the headers it is read with. */
function reading(html: string): readonly string[] {
  const scene = sceneOf(html);
  const { index } = scene.page;
  const grid = tableGrid(index, index.byTag("table")[0]!);
  return grid.cells
    .filter((cell) => cell.element.tag === "td")
    .map(
      (cell) =>
        `${scene.name(cell.element).text}: ${headersOf(index, grid, cell)
          .map((header) => scene.name(header).text)
          .join(", ")}`,
    );
}

describe("cells are read with their headers", () => {
  test.each<[string, string, readonly string[]]>([
    ["above", `<table><tr><th>A<th>B<tr><td>1<td>2</table>`, ["1: A", "2: B"]],
    ["on two sides", `<table><tr><td><th>A<th>B<tr><th>x<td>1<td>2</table>`, [": ", "1: A, x", "2: B, x"]],
    [
      "over several columns",
      `<table><tr><th colspan=2>AB<th>C<tr><td>1<td>2<td>3</table>`,
      ["1: AB", "2: AB", "3: C"],
    ],
    ["down several rows", `<table><tr><th rowspan=2 scope=row>x<td>1<tr><td>2</table>`, ["1: x", "2: x"]],
    ["as scope says", `<table><tr><th scope=row>x<td>1<tr><th scope=row>y<td>2</table>`, ["1: x", "2: y"]],
    [
      "as headers says, in its order",
      `<table><tr><th id=a>A<th id=b>B<tr><td headers="b a">1<td headers="nowhere">2</table>`,
      ["1: B, A", "2: "],
    ],
    [
      "in rows of several groups",
      `<table><thead><tr><th>A<tbody><tr><td>1<tfoot><tr><td>2</table>`,
      ["1: A", "2: A"],
    ],
  ])("%s", (_, html, expected) => {
    expect(reading(html)).toEqual(expected);
  });

  test("spans past the end stop there", () => {
    const scene = sceneOf(`<table><tr><td rowspan=9999 colspan=5000>x<tr><td>y</table>`);
    const grid = tableGrid(scene.page.index, scene.page.index.byTag("table")[0]!);
    expect([grid.columns, grid.cells.map((cell) => [cell.width, cell.height])]).toEqual([
      1001,
      [
        [1000, 2],
        [1, 1],
      ],
    ]);
  });
});

describe("small tables", () => {
  test.each<[string, string | null]>([
    ["", null],
    ["on", null],
    ["off", null],
    ["name", null],
    ["section-boat shipping street-address", null],
    ["work email", null],
    ["home tel webauthn", null],
    ["work name", "name"],
    ["nonsense", "nonsense"],
    ["billing", "billing"],
    ["name email", "email"],
    ["off name", "off"],
  ])("autocomplete=%j is wrong at %s", (value, wrong) => {
    expect(wrongAutofillToken(value)).toBe(wrong);
  });

  test.each<[string, boolean | "unknown"]>([
    ["en", true],
    ["en-GB", true],
    ["zh-Hant-TW", true],
    ["x-own", true],
    ["gsw", "unknown"],
    ["qq", false],
    ["english", false],
    ["en_GB", false],
    ["e n", false],
  ])("the language tag %s: %s", (tag, expected) => {
    expect(isLanguageTag(tag)).toBe(expected);
  });

  test.each<[string, string | null]>([
    ["buton", "button"],
    ["audti", "audit"],
    ["BUTTON", "button"],
    ["xyzzy", null],
    ["", null],
  ])("the word nearest to %j is %s", (word, expected) => {
    expect(nearestWord(word, ["button", "audit", "checkbox"])).toBe(expected);
  });
});
