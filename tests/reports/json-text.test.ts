import { expect, test } from "vitest";
import { jsonPieces, jsonText } from "../../src/report/json/json-text.ts";

test("JSON is the same, and holds nothing that moves or turns a terminal", () => {
  const value = { name: "a\u009b31m\u202ex\u{e0041}\u2028 ü", list: ["\u0007", "\n"] };
  const text = jsonText(value, 2);
  expect(JSON.parse(text)).toEqual(value);
  expect(text).toContain('"a\\u009b31m\\u202ex\\udb40\\udc41\\u2028 ü"');
  expect(text.split("\n")).toHaveLength(7);
});

test("a document in pieces is the document", () => {
  const document = {
    name: "tide\u202e table",
    gone: undefined,
    none: [],
    nothing: null,
    inner: { list: [1, { a: "x\ny" }], empty: {} },
    list: [{ berth: 4, notes: ["free", [1, 2]] }, "text", null],
  };
  const pieces = [...jsonPieces(document)];
  expect(pieces.join("")).toBe(jsonText(document, 2));
  expect(pieces.length).toBeGreaterThan(9);
});
