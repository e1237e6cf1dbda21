import { expect, test } from "vitest";
import { jsonText } from "../../src/report/json/json-text.ts";

test("JSON is the same, and holds nothing that moves or turns a terminal", () => {
  const value = { name: "a\u009b31m\u202ex\u{e0041}\u2028 ü", list: ["\u0007", "\n"] };
  const text = jsonText(value, 2);
  expect(JSON.parse(text)).toEqual(value);
  expect(text).toContain('"a\\u009b31m\\u202ex\\udb40\\udc41\\u2028 ü"');
  expect(text.split("\n")).toHaveLength(7);
});
