import { describe, expect, test } from "vitest";
import { auditSchema } from "../../src/report/json/audit-schema.ts";
import { walkSchema } from "../../src/report/json/walk-schema.ts";
import { folderWith, keel } from "./run-keel.ts";

const page = (body: string, script: string) =>
  `<!doctype html>\n<html lang="en">\n<head><title>Slips</title></head>\n<body>\n<main>\n<h1>Slips</h1>\n${body}\n</main>\n<script>\n${script}\n</script>\n</body>\n</html>\n`;

/** A button that opens a dialog which only a pointer closes. */
const dialog = page(
  `<button id="open">Book</button>\n<div id="dialog" role="dialog" aria-modal="true" aria-label="Book slip 4" hidden><input aria-label="Boat"></div>`,
  `const dialog = document.querySelector("#dialog");\ndocument.querySelector("#open").addEventListener("click", () => { dialog.hidden = false; dialog.querySelector("input").focus(); });\ndialog.addEventListener("keydown", (event) => { if (event.key === "Tab") event.preventDefault(); });`,
);

describe("keel audit --engine render", () => {
  test("presses the keys and says which of them show a fault", async () => {
    const { status, out } = await keel(folderWith({ "a.html": dialog }), [
      "audit",
      "a.html",
      "--engine",
      "render",
      "--only",
      "keys",
    ]);
    expect(status).toBe(1);
    expect(out).toContain("Escape does not close this dialog.");
    expect(out).toContain(`keys  Tab Enter Escape → focus on "Boat" text box`);
    expect(out).toContain("a.html:8:1");
  });

  test("as JSON that keeps its schema", async () => {
    const { out } = await keel(folderWith({ "a.html": dialog }), [
      "audit",
      "a.html",
      "--engine",
      "render",
      "--format",
      "json",
    ]);
    const { subjects, findings, checks } = auditSchema.parse(JSON.parse(out));
    expect(subjects[0]?.engine).toBe("render");
    expect(findings.map(({ check, facts }) => [check, facts.keys])).toContainEqual([
      "keys.dialog-closes",
      `Tab Enter Escape → focus on "Boat" text box`,
    ]);
    expect(checks.find(({ id }) => id === "keys.dialog-keeps-focus")).toMatchObject({
      outcome: "passed",
      targets: 1,
    });
  });

  test("finds nothing of the kind without it, and runs no script", async () => {
    const { out } = await keel(folderWith({ "a.html": dialog }), ["audit", "a.html", "--format", "json"]);
    const { checks, subjects } = auditSchema.parse(JSON.parse(out));
    expect(subjects[0]?.engine).toBe("read");
    expect(checks.some(({ id }) => id === "keys.dialog-closes")).toBe(false);
  });
});

test("keel walk --engine render tells each key and where it led", async () => {
  const folder = folderWith({ "a.html": dialog });
  const { out } = await keel(folder, ["walk", "a.html", "--engine", "render", "--format", "json"]);
  const { engine, steps } = walkSchema.parse(JSON.parse(out));
  expect([engine, steps.map(({ key, to }) => [key, to?.name ?? null])]).toEqual([
    "render",
    [
      ["Tab", "Book"],
      ["Tab", null],
      // What Enter opens: Tab is kept there, and Escape does nothing.
      ["Enter", "Boat"],
      ["Tab", "Boat"],
      ["Escape", "Boat"],
    ],
  ]);
  expect((await keel(folder, ["walk", "a.html", "--engine", "render"])).out).toContain(`Tab → "Book" button`);
});

/** A page with one stop and one fault. */
const good = page(
  `<p><button>Take Tystie off</button></p>`,
  `document.querySelector("button").addEventListener("click", (event) => event.target.remove());`,
);

describe("a page that misbehaves is told of, and the others are audited all the same", () => {
  test.each<readonly [string, string, string, number]>([
    ["that throws", `throw new Error("no tide today");`, "Something in it failed", 1],
    ["that never ends", `for (;;) {}`, "did not come to an end within 1 seconds", 2],
    ["that asks the network", `fetch("https://tides.invalid").then((r) => r.json());`, "", 1],
    [
      "that looks for the process around it",
      `document.querySelector.constructor("return process")().exit(3);`,
      "Something in it failed: Code generation from strings disallowed",
      1,
    ],
  ])("one %s", async (_, script, message, expected) => {
    const folder = folderWith({ "bad.html": page("<button>Go</button>", script), "good.html": good });
    const { status, out, err } = await keel(folder, [
      "audit",
      ".",
      "--engine",
      "render",
      "--time-limit",
      message.includes("1 seconds") ? "1" : "20",
      "--only",
      "keys",
    ]);
    expect(status).toBe(expected);
    expect(err).toContain(message === "" ? "" : `bad.html: `);
    expect(err).toContain(message);
    if (!message.includes("1 seconds")) expect(out).toContain("focus falls to the page");
  });

  test("a limit that is none is refused", async () => {
    const { status, err } = await keel(folderWith({ "a.html": dialog }), [
      "audit",
      "--engine",
      "render",
      "--time-limit",
      "0",
    ]);
    expect([status, err]).toEqual([2, "keel: --time-limit must be a number of seconds above 0\n"]);
  });
});

describe("keel walk --script", () => {
  const booking = page(
    `<button id="open">Book</button>\n<dialog id="dialog" aria-label="Book slip 4"><form method="dialog"><label>Boat <input></label><button>Send</button></form></dialog>\n<p role="status"></p>`,
    `const dialog = document.querySelector("#dialog");\ndocument.querySelector("#open").addEventListener("click", () => dialog.showModal());\ndialog.addEventListener("close", () => { document.querySelector("[role=status]").textContent = dialog.querySelector("input").value + " is booked"; });`,
  );
  const walked = (script: string, ...more: string[]) =>
    keel(folderWith({ "a.html": booking, "a.walk": script }), [
      "walk",
      "a.html",
      "--script",
      "a.walk",
      ...more,
    ]);

  test("presses its keys and holds its lines", async () => {
    const { status, out } = await walked(
      `press Tab until "Book" button\npress Enter\nsee "Book slip 4" dialog\nfocus inside it\ntype "Petrel" into "Boat" text box\npress Enter\nhear "Petrel is booked"\nfocus on "Book" button\nsee no dialog\n`,
    );
    expect(out).toContain("9 of 9 lines hold.");
    expect(status).toBe(0);
  });

  test("says what was there instead where a line does not hold, and goes no further", async () => {
    const { status, out } = await walked(`press Tab\nfocus on "Bok" button\npress Enter\n`);
    expect(status).toBe(1);
    expect(out).toContain(`Focus is not on "Bok" button.`);
    expect(out).toContain(`there is "Book" button`);
    const { script } = walkSchema.parse(
      JSON.parse((await walked(`press Tab\nfocus on "Bok" button\npress Enter\n`, "--format", "json")).out),
    );
    expect(script?.map(({ outcome }) => outcome)).toEqual(["held", "failed", "not reached"]);
  });

  test.each([
    [`press Tab\npres Enter\n`, "a.walk:2:1: "],
    [`# nothing yet\n`, "a.walk: has no lines to walk by"],
  ])("that cannot be read is refused: %j", async (script, message) => {
    const { status, err } = await walked(script);
    expect(status).toBe(2);
    expect(err).toContain(`keel: ${message}`);
  });
});
