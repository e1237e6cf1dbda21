import { readFileSync } from "node:fs";
import path from "node:path";
import { describe, expect, test } from "vitest";
import { hearSchema } from "../../src/report/json/hear-schema.ts";
import { inspectionSchema } from "../../src/report/json/inspection-schema.ts";
import { treeSchema } from "../../src/report/json/tree-schema.ts";
import { folderWith, keel, page } from "./run-keel.ts";

const slips = page(
  `<nav aria-label="Yard"><ul><li><a href="a.html">Slips</a></li><li><a href="b.html">Tides</a></li></ul></nav>
<h3>Slip 4</h3>
<label for="len">Length</label> <input id="len" placeholder="metres" required>
<button id="book" aria-label="Book slip 4">Save changes</button>
<p hidden id="gone">x</p>
<img src="pictures/hull-07.jpg">`,
);
const folder = () => folderWith({ "slips.html": slips });

describe("keel tree", () => {
  test("prints what is given, indented", async () => {
    const { status, out } = await keel(folder(), ["tree", "slips.html"]);
    expect(status).toBe(0);
    expect(out).toContain(
      `"Slips – Brackwater Boatyard" document\n  main landmark\n    "Slips" heading level 1\n    "Yard" navigation landmark\n      list\n        list item\n          "Slips" link`,
    );
    expect(out).toContain(`"Length" text box, required`);
  });

  test("--output holds every page asked for", async () => {
    const files = folderWith({ "slips.html": slips, "tides.html": page("<p>Low water</p>") });
    expect((await keel(files, ["tree", "slips.html", "tides.html", "-o", "trees.txt"])).status).toBe(0);
    const written = readFileSync(path.join(files, "trees.txt"), "utf8");
    expect(written).toBe((await keel(files, ["tree", "slips.html", "tides.html"])).out);
    expect(written).toMatch(/^slips\.html\n[\s\S]+^tides\.html\n/m);
  });

  test("--names tells where names came from", async () => {
    const { out } = await keel(folder(), ["tree", "slips.html", "--names"]);
    expect(out).toContain(`"Length" text box, required  ← label element line 9`);
  });

  test("--only lists one role with places", async () => {
    const { out } = await keel(folder(), ["tree", "slips.html", "--only", "link"]);
    expect(out).toContain(`"Slips" link  slips.html:7\n"Tides" link  slips.html:7`);
  });

  test("--at tells role, every source of the name, what is hidden and why", async () => {
    const { out } = await keel(folder(), ["tree", "slips.html", "--at", "#book"]);
    expect(out).toContain(`✓ aria-label, line 10: "Book slip 4"`);
    expect(out).toContain(`aria-label hides the text "Save changes"`);
    expect((await keel(folder(), ["tree", "slips.html", "--at", "#gone"])).out).toContain(
      "no: hidden attribute",
    );
  });

  test("JSON is as its schemas say", async () => {
    const where = folder();
    const tree = treeSchema.parse(
      JSON.parse((await keel(where, ["tree", "slips.html", "--format", "json"])).out),
    );
    expect(tree.root).toMatchObject({
      role: "document",
      nameFrom: "title element",
      element: { path: "html" },
    });
    const at = inspectionSchema.parse(
      JSON.parse((await keel(where, ["tree", "slips.html", "--at", "main > *", "--format", "json"])).out),
    );
    expect(at.elements).toHaveLength(8);
  });

  test.each([
    [["--at", "#nothing"], /nothing matches "#nothing"/],
    [["--at", "p[["], /is no selector/],
    [["--only", "buton"], /there is no role "buton"; did you mean button\?/],
  ])("%j is one line and status 2", async (args, message) => {
    const { status, err } = await keel(folder(), ["tree", "slips.html", ...args]);
    expect(status).toBe(2);
    expect(err).toMatch(/^keel: [^\n]+\n$/);
    expect(err).toMatch(message);
  });

  test("10,000 nested lists are told as deep as browsers nest them, without overflowing anything", async () => {
    const where = folderWith({ "deep.html": page("<ul><li>".repeat(5_000)) });
    const { status, out } = await keel(where, ["tree", "deep.html"]);
    expect(status).toBe(0);
    // 512 elements deep: html, body, main and then lists with their items.
    expect(out.match(/list item/g)).toHaveLength(254);
  });
});

describe("keel hear", () => {
  test("reads the page aloud", async () => {
    const { out } = await keel(folder(), ["hear", "slips.html"]);
    expect(out).toContain(`"Yard" navigation landmark`);
    expect(out).toContain(`– "Slips" link`);
    expect(out).toContain("end of list");
  });

  test.each([
    ["headings", "3  Slip 4   (after level 1)"],
    ["links", `"Tides" → b.html`],
    ["controls", `"Book slip 4" button`],
    ["images", `perhaps read as "hull-07.jpg"`],
    ["landmarks", `  "Yard" navigation landmark`],
    ["tables", "none on this page"],
  ])("--by %s", async (kind, expected) => {
    const where = folder();
    expect((await keel(where, ["hear", "slips.html", "--by", kind])).out).toContain(expected);
    hearSchema.parse(
      JSON.parse((await keel(where, ["hear", "slips.html", "--by", kind, "--format", "json"])).out),
    );
  });

  test("an empty body says so", async () => {
    const { status, out } = await keel(folderWith({ "a.html": "<!doctype html><title>Empty</title>" }), [
      "hear",
      "a.html",
    ]);
    expect([status, out]).toEqual([0, `a.html\n"Empty" page\nend of page\n`]);
  });
});
