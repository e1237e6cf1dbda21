import { expect, test } from "vitest";
import { splitAtCommas, splitAtSpaces } from "../../../src/core/css/split-value.ts";
import { countOf } from "../../../src/core/document/count-of.ts";
import { lineMap } from "../../../src/core/document/line-map.ts";
import { problemText } from "../../../src/core/findings/problems.ts";

test.each([
  ["a b\tc\nd\re\ff", ["a", "b", "c", "d", "e", "f"]],
  [`calc(1px + 2px) "a b" [x y]`, ["calc(1px + 2px)", `"a b"`, "[x y]"]],
  [`"a \\" b" c`, [`"a \\" b"`, "c"]],
])("%j is split at its white space", (text, parts) => {
  expect(splitAtSpaces(text)).toEqual(parts);
});

test("and a list at its commas, not at those inside", () => {
  expect(splitAtCommas("rgb(1, 2, 3), url(a,b) , red")).toEqual(["rgb(1, 2, 3)", "url(a,b)", "red"]);
});

test("places are told by line and column, and found again", () => {
  const text = "one\r\ntwo\rthree\nfour";
  const map = lineMap(text);
  expect(["one", "two", "three", "four"].map((word) => map.position(text.indexOf(word)))).toEqual([
    { line: 1, column: 1 },
    { line: 2, column: 1 },
    { line: 3, column: 1 },
    { line: 4, column: 1 },
  ]);
  expect([map.count, map.line(3), map.line(9), map.offset(2, 2), map.offset(9, 1)]).toEqual([
    4,
    "three",
    null,
    6,
    null,
  ]);
});

test("a problem says of what it is one, where it is of anything", () => {
  expect(problemText({ target: "a.html", message: "Not a page." })).toBe("a.html: Not a page.");
  expect(problemText({ target: "", message: "--level takes A, AA or AAA." })).toBe(
    "--level takes A, AA or AAA.",
  );
});

test("a number has its noun", () => {
  expect([countOf(1, "stop"), countOf(2, "stop"), countOf(0, "entry", "entries")]).toEqual([
    "1 stop",
    "2 stops",
    "0 entries",
  ]);
});
