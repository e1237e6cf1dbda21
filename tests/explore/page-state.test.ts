import { expect, test } from "vitest";
import { type Change, includesAll } from "../../src/explore/page-state.ts";

const expanded = (value: string | null): Change => ({
  key: "e1",
  tag: "button",
  what: "attribute",
  name: "aria-expanded",
  value,
});

const text = (words: string): Change => ({ key: "e2", tag: "p", what: "text", text: words, was: "" });

test.each<readonly [what: string, all: readonly Change[], some: readonly Change[], holds: boolean]>([
  ["holds itself", [expanded("true"), text("six")], [text("six"), expanded("true")], true],
  ["holds nothing", [], [], true],
  ["lacks another value", [expanded("true")], [expanded("false")], false],
  ["lacks what was taken away", [expanded("true")], [expanded(null)], false],
  ["lacks other words", [text("six")], [text("seven")], false],
  ["lacks what it does not have", [], [text("six")], false],
  [
    "tells what is shown from what is hidden",
    [{ key: "e3", tag: "p", what: "shown" }],
    [{ key: "e3", tag: "p", what: "hidden" }],
    false,
  ],
])("a set of changes %s", (_, all, some, holds) => {
  expect(includesAll(all, some)).toBe(holds);
});
