import { describe, expect, test } from "vitest";
import { headersOf, tableGrid } from "../../../src/core/semantics/table-headers.ts";
import { byId, sceneOf } from "../../page.ts";

/** Every cell of a table as `id row,column width×height`. */
function grid(rows: string): readonly string[] {
  const scene = sceneOf(`<table id="t">${rows}</table>`);
  return tableGrid(scene.page.index, byId(scene, "t")).cells.map(
    ({ element, row, column, width, height }) =>
      `${element.attributes.get("id")?.value} ${row},${column} ${width}×${height}`,
  );
}

/** The ids of the headers of `#a`. */
function headers(rows: string): string {
  const scene = sceneOf(`<table id="t">${rows}</table>`);
  const found = tableGrid(scene.page.index, byId(scene, "t"));
  const cell = found.cells.find(({ element }) => element.attributes.get("id")?.value === "a");
  if (cell === undefined) throw new Error("no cell a");
  return headersOf(scene.page.index, found, cell)
    .map(({ attributes }) => attributes.get("id")?.value)
    .join(" ");
}

describe("where the cells of a table stand", () => {
  test.each<[string, string, readonly string[]]>([
    [
      "row by row",
      `<tr><td id="a"><td id="b"><tr><td id="c"><td id="d">`,
      ["a 0,0 1×1", "b 0,1 1×1", "c 1,0 1×1", "d 1,1 1×1"],
    ],
    ["over columns", `<tr><td id="a" colspan="2"><td id="b">`, ["a 0,0 2×1", "b 0,2 1×1"]],
    [
      "over rows, and others beside them",
      `<tr><td id="a" rowspan="2"><td id="b"><tr><td id="c">`,
      ["a 0,0 1×2", "b 0,1 1×1", "c 1,1 1×1"],
    ],
    [
      "no row beyond the last",
      `<tr><td id="a" rowspan="9"><td id="b"><tr><td id="c">`,
      ["a 0,0 1×2", "b 0,1 1×1", "c 1,1 1×1"],
    ],
    [
      "to the end of the group with rowspan 0",
      `<tbody><tr><td id="a" rowspan="0"><td id="b"><tr><td id="c"><tr><td id="d"></tbody><tbody><tr><td id="e"></tbody>`,
      ["a 0,0 1×3", "b 0,1 1×1", "c 1,1 1×1", "d 2,1 1×1", "e 3,0 1×1"],
    ],
    [
      "no row of another group",
      `<thead><tr><td id="a" rowspan="5"></thead><tbody><tr><td id="b"></tbody>`,
      ["a 0,0 1×1", "b 1,0 1×1"],
    ],
    ["with a span that is no number as with 1", `<tr><td id="a" colspan="x" rowspan="-2">`, ["a 0,0 1×1"]],
    ["with colspan 0 as with 1", `<tr><td id="a" colspan="0"><td id="b">`, ["a 0,0 1×1", "b 0,1 1×1"]],
  ])("%s", (_, rows, expected) => {
    expect(grid(rows)).toEqual(expected);
  });
});

describe("the headers of a cell", () => {
  test.each<[string, string, string]>([
    ["above it and before it", `<tr><td><th id="x">Day<tr><th id="y">Mon<td id="a">6:10`, "x y"],
    ["those that it names", `<tr><th id="x">Day<th id="y">Tide<tr><td><td id="a" headers="x">6:10`, "x"],
    [
      "of a cell that goes down to the end",
      `<tr><th id="x" rowspan="0">Tide<th id="y">Mon<tr><td id="a">6:10`,
      "x y",
    ],
    ["not with another scope", `<tr><td><th id="x" scope="row">Day<tr><td><td id="a">6:10`, ""],
    ["none", `<tr><td>Day<tr><td id="a">6:10`, ""],
  ])("%s", (_, rows, expected) => {
    expect(headers(rows)).toBe(expected);
  });
});
