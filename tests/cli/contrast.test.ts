import { describe, expect, test } from "vitest";
import { auditSchema } from "../../src/report/json/audit-schema.ts";
import { contrastSchema, paletteSchema } from "../../src/report/json/contrast-schema.ts";
import { folderWith, keel, page } from "./run-keel.ts";

const tokens =
  ":root { --ink: #1b2a33; --muted: #9aa8b0; --sea: #0b5c7a; --paper: var(--white); --white: #fff; --gap: 4px }";

describe("keel contrast", () => {
  test("tells the ratio, what it is enough for, and the nearest that is", async () => {
    const { status, out } = await keel(folderWith({}), ["contrast", "#777", "white"]);
    expect(status).toBe(0);
    expect(out).toContain("#777777 on #ffffff  4.47:1");
    expect(out).toMatch(/✗ not enough +text +needs 4\.5:1 +WCAG 1\.4\.3 AA/);
    expect(out).toMatch(/text +Slip 4 +#767676 +4\.54:1/);
  });

  test("lays a veil over what is behind it, and marks what counts at a size", async () => {
    const { out } = await keel(folderWith({}), [
      "contrast",
      "#fff",
      "rgb(0 0 0 / 40%)",
      "--over",
      "#9cf",
      "--size",
      "14pt",
      "--weight",
      "700",
      "--format",
      "json",
    ]);
    const document = contrastSchema.parse(JSON.parse(out));
    expect([document.background, document.isLarge]).toEqual(["#5c7a99", true]);
    expect(document.uses.filter((use) => use.applies).map((use) => use.use)).toEqual([
      "large text",
      "large text, enhanced",
      "field edges, icons, focus marks",
    ]);
  });

  test("shows all pairs of a palette, and the nearest of its own", async () => {
    const folder = folderWith({
      "tokens.css": tokens,
      "tokens.json": `{ "ink": "#1b2a33", "note": 3, "paper": "white" }`,
    });
    const { out } = await keel(folder, ["contrast", "--palette", "tokens.css", "--format", "json"]);
    const document = paletteSchema.parse(JSON.parse(out));
    expect(document.colours.map((c) => c.name)).toEqual(["--ink", "--muted", "--sea", "--paper", "--white"]);
    expect(document.pairs).toHaveLength(20);
    expect((await keel(folder, ["contrast", "--palette", "tokens.json"])).out).toContain("2 colours");
    expect((await keel(folder, ["contrast", "#999", "#fff", "--palette", "tokens.css"])).out).toContain(
      "var(--sea)",
    );
  });

  test.each([
    [["777", "white"], /Did you mean "#777"\?/],
    [["nonsense", "white"], /no colour/],
    [["#777"], /give two colours/],
    [["#777", "white", "--size", "big"], /--size big is no length/],
    [["#777", "white", "--weight", "0"], /--weight must be/],
    [["--palette", "gone.css"], /no such file/],
    [["--palette", "empty.css"], /No colours here/],
  ])("%j is one line and status 2", async (args, message) => {
    const { status, err, out } = await keel(folderWith({ "empty.css": "p { margin: 0 }" }), [
      "contrast",
      ...args,
    ]);
    expect([status, out]).toEqual([2, ""]);
    expect(err).toMatch(/^keel: [^\n]+\n$/);
    expect(err).toMatch(message);
  });
});

describe("contrast in an audit", () => {
  const files = {
    "a.html": page(
      `<p class="note">One</p>\n<p class="note">Two</p>`,
      `<link rel="stylesheet" href="a.css">`,
    ),
    "a.css": `${tokens}\n.note { color: var(--muted) }\n`,
  };

  test("shows one cause with where both colours came from, and programs get every element with facts", async () => {
    const folder = folderWith(files);
    const { out } = await keel(folder, ["audit", "--only", "contrast"]);
    expect(out.match(/▲ barrier/g)).toHaveLength(1);
    expect(out).toContain("1 more element with the same cause: line 8");
    expect(out).toContain("colour: a.css:2 var(--muted) ← a.css:1 --muted: #9aa8b0");
    const { findings } = auditSchema.parse(
      JSON.parse((await keel(folder, ["audit", "--only", "contrast", "--format", "json"])).out),
    );
    expect(findings).toHaveLength(2);
    expect(findings[0]?.cause).toBe(findings[1]?.cause);
    expect(findings[0]?.facts).toMatchObject({
      needed: 4.5,
      foreground: "#9aa8b0",
      background: "#ffffff",
      fontSize: 16,
      fontWeight: 400,
      scheme: "light",
      interaction: "none",
    });
  });

  test("offers an edit of the custom property that, applied, mends it", async () => {
    const { findings } = auditSchema.parse(
      JSON.parse((await keel(folderWith(files), ["audit", "--only", "contrast", "--format", "json"])).out),
    );
    const [edit] = findings[0]?.repair?.edits ?? [];
    expect(edit?.file).toBe("a.css");
    const mended = files["a.css"].slice(0, edit!.start) + edit!.text + files["a.css"].slice(edit!.end);
    expect(
      (await keel(folderWith({ ...files, "a.css": mended }), ["audit", "--only", "contrast"])).status,
    ).toBe(0);
  });

  test("asks, and does not fail, where a stylesheet was left unread", async () => {
    const far = files["a.html"].replace(
      `href="a.css">`,
      `href="a.css"><link rel="stylesheet" href="https://example.org/x.css">`,
    );
    const { status, out } = await keel(folderWith({ ...files, "a.html": far }), [
      "audit",
      "--only",
      "contrast",
    ]);
    expect(status).toBe(0);
    expect(out).toContain("could not be read");
  });

  test("judges the themes it is told of", async () => {
    const folder = folderWith({
      "a.html": page(
        "<p>x</p>",
        "<style>p { color: #333 } [data-theme=night] { background: #222 } html.dim p { color: #bbb }</style>",
      ),
    });
    expect((await keel(folder, ["audit", "--only", "contrast"])).status).toBe(0);
    expect(
      (await keel(folder, ["audit", "--only", "contrast", "--theme", "data-theme=night"])).out,
    ).toContain("with data-theme=night, #333333 on #222222");
    expect((await keel(folder, ["audit", "--only", "contrast", "--theme", "class=dim"])).out).toContain(
      "with class=dim",
    );
    const wrong = await keel(folder, ["audit", "--theme", "dark"]);
    expect([wrong.status, wrong.err]).toEqual([2, expect.stringContaining("data-theme=dark")]);
  });

  test("judges both colour schemes", async () => {
    const { out } = await keel(
      folderWith({
        "a.html": page(
          "<p>x</p>",
          "<style>@media (prefers-color-scheme: dark) { p { color: #555 } body { background: #222 } }</style>",
        ),
      }),
      ["audit", "--only", "contrast"],
    );
    expect(out).toContain("in the dark scheme");
  });

  test("draws the plane of lightness and chroma, with what lies in it in words", async () => {
    const { status, out } = await keel(folderWith({}), ["contrast", "#9aa8b0", "white", "--format", "svg"]);
    expect(status).toBe(0);
    expect(out).toContain('<title id="plane-title">#9aa8b0 on #ffffff: 2.44:1</title>');
    expect(out).toMatch(/A text #9aa8b0; B ground #ffffff; C nearest text for 4\.5:1 #6b7880/);
    // Nothing is lighter than white: one limit for each ratio, with a light edge.
    expect(out.match(/<path d="M[\d.]+ [\d.]+ L/g)).toHaveLength(6);
  });

  test("draws no palette by itself", async () => {
    const folder = folderWith({ "tokens.css": tokens });
    const { status, err } = await keel(folder, ["contrast", "--palette", "tokens.css", "--format", "svg"]);
    expect([status, err.trim()]).toEqual([2, "keel: svg draws two colours: give them, text then ground"]);
  });
});
