import { expect, test } from "vitest";
import { type Change, includesAll, isDrawingAlone, wanted } from "../../src/explore/page-state.ts";

const said = { isBare: false, isLive: false, inside: [] };

const expanded = (value: string | null): Change => ({
  key: "e1",
  tag: "button",
  ...said,
  what: "attribute",
  name: "aria-expanded",
  value,
});

const text = (words: string): Change => ({
  key: "e2",
  tag: "p",
  ...said,
  what: "text",
  text: words,
  was: "",
});

test.each<readonly [what: string, all: readonly Change[], some: readonly Change[], holds: boolean]>([
  ["holds itself", [expanded("true"), text("six")], [text("six"), expanded("true")], true],
  ["holds nothing", [], [], true],
  ["lacks another value", [expanded("true")], [expanded("false")], false],
  ["lacks what was taken away", [expanded("true")], [expanded(null)], false],
  ["lacks other words", [text("six")], [text("seven")], false],
  ["lacks what it does not have", [], [text("six")], false],
  [
    "tells what is shown from what is hidden",
    [{ key: "e3", tag: "p", ...said, what: "shown" }],
    [{ key: "e3", tag: "p", ...said, what: "hidden" }],
    false,
  ],
])("a set of changes %s", (_, all, some, holds) => {
  expect(includesAll(all, some)).toBe(holds);
});

const ripple: Change = { key: "e4", tag: "span", isBare: true, isLive: false, inside: [], what: "shown" };
const message: Change = {
  key: "e5",
  tag: "p",
  isBare: false,
  isLive: true,
  inside: [],
  what: "text",
  text: "six",
  was: "",
};

test("what only draws, ties or tells of a change is not what somebody wanted", () => {
  const tied: Change = { ...expanded("e9"), what: "attribute", name: "aria-describedby", value: "e9" };
  expect(wanted([ripple, message, tied, expanded("true")])).toEqual([expanded("true")]);
  expect(wanted([ripple, message])).toEqual([ripple, message]);
  expect(isDrawingAlone([ripple])).toBe(true);
  expect(isDrawingAlone([ripple, message])).toBe(false);
  expect(isDrawingAlone([])).toBe(false);
});
