import { describe, expect, test } from "vitest";
import { parseWalkScript } from "../../../src/core/walk-script/parse.ts";
import {
  type CameOfLine,
  linesOfWhatCame,
  type RecordedAct,
  recordedLines,
} from "../../../src/core/walk-script/recorded.ts";
import { writtenHeard } from "../../../src/core/walk-script/written-line.ts";

const key = (name: string, isText = false, isSecret = false): RecordedAct => ({
  kind: "key",
  key: name,
  isText,
  isSecret,
});
const typed = (text: string, isSecret = false) =>
  [...text].map((letter) => key(letter === " " ? "Space" : letter, true, isSecret));

describe("what was done becomes lines", () => {
  test("letters in a field are typed, keys that lead on are counted, others stand alone", () => {
    const acts = [
      ...[key("Tab"), key("Tab"), ...typed('Old "Petrel"'), key("Backspace", true), key("Enter", true)],
      ...[key("Enter"), key("Enter"), key("a"), { kind: "click", what: '"Fees" link' } as const],
    ];
    const { lines } = recordedLines(acts);
    expect(lines).toEqual([
      "press Tab 2 times",
      String.raw`type "Old \"Petrel\""`,
      "press Backspace",
      "press Enter",
      "press Enter",
      "press Enter",
      "press a",
      'click "Fees" link',
    ]);
    expect(parseWalkScript(lines.join("\n"))).toMatchObject({ ok: true });
  });

  test("secrets are named and never written", () => {
    const acts = [...typed("pier", true), key("Tab"), ...typed("quay 2", true), ...typed("open")];
    const { lines, secrets } = recordedLines(acts);
    expect(lines).toEqual(["type $PASSWORD", "press Tab", "type $PASSWORD_2", 'type "open"']);
    expect([...secrets]).toEqual([
      ["PASSWORD", "pier"],
      ["PASSWORD_2", "quay 2"],
    ]);
  });
});

describe("what came of a line becomes lines that hold it", () => {
  const came = (one: Partial<CameOfLine>): CameOfLine => ({
    focus: null,
    hasFocus: false,
    dialogs: [],
    said: [],
    ...one,
  });
  const button = came({ focus: '"Book" button', hasFocus: true });
  const dialog = came({ focus: '"Close" button', hasFocus: true, dialogs: ['"Book" dialog'] });

  test.each([
    [null, button, ['focus on "Book" button']],
    [button, button, []],
    [button, dialog, ['see "Book" dialog', 'focus on "Close" button']],
    [dialog, button, ['see no "Book" dialog', 'focus on "Book" button']],
    [button, came({}), ["focus on nothing"]],
    [button, came({ hasFocus: true }), []],
    [button, { ...button, said: ['3 "free"', " ", "two\nlines"] }, [String.raw`hear "3 \"free\""`]],
  ] as const)("%j, then %j", (before, after, lines) => {
    expect(linesOfWhatCame(before, after)).toEqual([...lines]);
  });
});

test.each([
  [{ name: "Slip 4", role: "heading", spokenRole: "heading level 2" }, '"Slip 4" heading level 2'],
  [{ name: 'The "Petrel"', role: "link", spokenRole: "link" }, String.raw`"The \"Petrel\"" link`],
  [{ name: "", role: "textbox", spokenRole: "text box" }, "text box"],
  [{ name: "", role: "generic", spokenRole: "" }, null],
] as const)("%j is written as %s", (parts, written) => {
  expect(writtenHeard({ ...parts, value: "Petrel", states: ["required"] })).toBe(written);
});
