import { describe, expect, test } from "vitest";
import { parseWalkScript } from "../../../src/core/walk-script/parse.ts";
import { withoutSecrets, withSecrets } from "../../../src/core/walk-script/secrets.ts";

const stepsOf = (text: string) => {
  const parsed = parseWalkScript(text);
  if (!parsed.ok) throw new Error(parsed.message);
  return parsed.steps;
};

describe("secrets of a walk script", () => {
  const steps = stepsOf('go to /in\ntype $YARD_PASSWORD into "Password" text box\ntype "Petrel"\n');

  test("come from the environment, and the script keeps their names", () => {
    const filled = withSecrets(steps, { YARD_PASSWORD: "Mast-7" });
    if (!filled.ok) throw new Error(filled.name);
    expect(filled.steps.map((step) => (step.kind === "type" ? step.text : step.kind))).toEqual([
      "go to",
      "Mast-7",
      "Petrel",
    ]);
    expect(filled.steps.map(({ written }) => written).join()).not.toContain("Mast-7");
  });

  test.each([{}, { YARD_PASSWORD: "" }])("are asked for where %o has none", (environment) =>
    expect(withSecrets(steps, environment)).toMatchObject({
      ok: false,
      name: "YARD_PASSWORD",
      step: { line: 2 },
    }),
  );

  test("stand in nothing that is told, and what the script says itself does", () => {
    const filled = withSecrets(steps, { YARD_PASSWORD: "Mast-7" });
    const told = { lines: [{ instead: ['"Mast-7" text box, "Mast-7"', "Petrel"] }], count: 2, none: null };
    expect(withoutSecrets(told, filled.ok ? filled.steps : [])).toEqual({
      lines: [{ instead: ['"•••" text box, "•••"', "Petrel"] }],
      count: 2,
      none: null,
    });
  });
});

describe("lines for a browser", () => {
  test.each([
    ["go to /slips", { kind: "go to", address: "/slips" }],
    [
      'go to "https://yard.example/slips?day=2"',
      { kind: "go to", address: "https://yard.example/slips?day=2" },
    ],
    ["wait for dialog", { kind: "wait for", seconds: 10, what: { role: "dialog" } }],
    ['wait 20 seconds for "Slips" heading', { kind: "wait for", seconds: 20, what: { name: "Slips" } }],
    ["window 320x640", { kind: "window", width: 320, height: 640 }],
  ])("%s is read", (text, step) => expect(stepsOf(text)[0]).toMatchObject(step));

  test.each([
    ["go /slips", 4, /^expected to/],
    ["go to", 6, /^expected an address/],
    ["wait 5 for dialog", 8, /^expected seconds/],
    ["wait dialog", 6, /^expected for/],
    ["window wide", 8, /^expected a size/],
  ])("%s is told with its place", (text, column, message) =>
    expect(parseWalkScript(text)).toEqual({
      ok: false,
      line: 1,
      column,
      message: expect.stringMatching(message),
    }),
  );
});
