import { describe, expect, test } from "vitest";
import type { HeardParts } from "../../../src/core/semantics/heard-line.ts";
import { isHeardAs } from "../../../src/core/walk-script/match.ts";
import { nearestFirst } from "../../../src/core/walk-script/nearest.ts";
import { type HeardPattern, parseWalkScript } from "../../../src/core/walk-script/parse.ts";

const steps = (text: string) => {
  const parsed = parseWalkScript(text);
  if (!parsed.ok) throw new Error(`${parsed.line}:${parsed.column} ${parsed.message}`);
  return parsed.steps;
};

const heard = (written: string): HeardPattern => {
  const [step] = steps(`see ${written}`);
  if (step?.kind !== "see") throw new Error("not a pattern");
  return step.what;
};

describe("a walk script", () => {
  test("has one step a line, comments and empty lines aside", () => {
    const script = `# Booking\n\npress Tab until "Book slip 4" button # the first\r\npress Shift+Tab 2 times\ntype "Say \\"yes\\"" into "Your name" text box\nfocus inside it\nfocus on nothing\nsee no dialog\nhear "Booked"\n`;
    expect(steps(script)).toEqual([
      {
        line: 3,
        written: expect.stringMatching(/^press Tab until/),
        kind: "press",
        key: "Tab",
        times: 1,
        until: {
          name: "Book slip 4",
          role: "button",
          states: [],
          value: null,
          written: `"Book slip 4" button`,
        },
      },
      { line: 4, written: "press Shift+Tab 2 times", kind: "press", key: "Shift+Tab", times: 2, until: null },
      expect.objectContaining({
        line: 5,
        kind: "type",
        text: 'Say "yes"',
        into: expect.objectContaining({ name: "Your name", role: "text box" }),
      }),
      expect.objectContaining({ line: 6, kind: "focus inside", what: null }),
      expect.objectContaining({ line: 7, kind: "focus on", what: null }),
      expect.objectContaining({ line: 8, kind: "see", isAbsent: true }),
      expect.objectContaining({ line: 9, kind: "hear", text: "Booked" }),
    ]);
  });

  test("presses with a pointer, and asks for words and values", () => {
    const script = `click "Fees" button\nhover link\nscroll to "Tides" heading\nsee text "18 a day"\nsee no text "20"\nsee text box\nsee "Boat" text box, "Petrel", required`;
    expect(steps(script)).toEqual([
      expect.objectContaining({ kind: "click", what: expect.objectContaining({ name: "Fees" }) }),
      expect.objectContaining({ kind: "hover", what: expect.objectContaining({ name: null, role: "link" }) }),
      expect.objectContaining({ kind: "scroll to", what: expect.objectContaining({ role: "heading" }) }),
      expect.objectContaining({ kind: "see text", text: "18 a day", isAbsent: false }),
      expect.objectContaining({ kind: "see text", text: "20", isAbsent: true }),
      expect.objectContaining({
        kind: "see",
        what: expect.objectContaining({ name: null, role: "text box" }),
      }),
      expect.objectContaining({
        kind: "see",
        what: expect.objectContaining({ role: "text box", value: "Petrel", states: ["required"] }),
      }),
    ]);
  });

  test.each([
    ["pres Enter", 1, /^"pres" is no step/],
    ["press", 6, /^expected a key/],
    ["press Entr", 7, /^there is no key "Entr"/],
    ["press Tab until", 16, /^expected what is heard there/],
    ["press Tab 3", 12, /^expected times/],
    ['see "Book', 5, /never closed/],
    ["type Marlow", 6, /^expected what is typed, in quotation marks/],
    ["scroll on", 8, /^expected to/],
    ["click", 6, /^expected what is heard there/],
    ['see text "a" "b"', 14, /^nothing more was expected/],
    ['see "Boat" text box, "a" "b"', 26, /^nothing more was expected/],
    ["focus at it", 7, /^expected on or inside/],
    ['hear "Booked" now', 15, /^nothing more was expected/],
    ['  press Enter "x"', 15, /^nothing more/],
  ])("tells where %j cannot be read", (line, column, message) => {
    expect(parseWalkScript(`press Tab\n${line}`)).toEqual({
      ok: false,
      line: 2,
      column,
      message: expect.stringMatching(message),
    });
  });
});

describe("what is heard", () => {
  const field: HeardParts = {
    name: "Boat",
    role: "textbox",
    spokenRole: "text box",
    value: "Petrel",
    states: ["required"],
  };
  const search: HeardParts = { ...field, role: "searchbox", spokenRole: "search field" };
  const toggle: HeardParts = {
    name: "Fees",
    role: "button",
    spokenRole: "button",
    value: null,
    states: ["expanded"],
  };
  test.each([
    [field, `"Boat" text box`, true],
    [field, `"Boat" textbox`, true],
    [field, `"Boat" text box, required`, true],
    [field, `"Boat" text box, invalid`, false],
    [field, `text box`, true],
    [field, `"Boat" text box, required, expanded`, false],
    [field, `"Boat"`, true],
    [field, `"Boat" text box, "Petrel"`, true],
    [field, `"Boat" text box, "Petrel", required`, true],
    [field, `"Boat" text box, required, "petrel"`, false],
    [field, `text box, "Tern"`, false],
    [toggle, `"Fees" button, ""`, false],
    [field, `"boat" text box`, false],
    [search, `"Boat" searchbox`, true],
    [search, `"Boat" search field`, true],
    [toggle, `"Fees" button, expanded`, true],
    [toggle, `"Fees" button, collapsed`, false],
    [toggle, `"Fees" link`, false],
  ])("%j is %s: %s", (element, pattern, expected) => {
    expect(isHeardAs(element, heard(pattern))).toBe(expected);
  });

  test("is told nearest first where something else was wanted", () => {
    const lines = [`"Prices" link`, `"Book slip 4" button`, `"Slips" document`];
    expect(nearestFirst(`"Book slp 4" button`, lines)[0]).toBe(`"Book slip 4" button`);
  });
});
