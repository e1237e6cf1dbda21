import { execFileSync } from "node:child_process";
import { readFileSync, writeFileSync } from "node:fs";
import path from "node:path";
import { describe, expect, test } from "vitest";
import { solvedPaletteSchema } from "../../src/report/json/contrast-schema.ts";
import { folderWith, keel, page } from "./run-keel.ts";

const tokens = `:root {
  color-scheme: light dark;
  --ink: #10243e;
  --muted: #9aa8b0; /* for notes */
  --paper: light-dark(#ffffff, #303a44);
  --note: var(--muted);
  --tint: color-mix(in srgb, var(--muted), white);
}
@media (prefers-color-scheme: dark) {
  :root { --ink: #e6edf3; --muted: #4a5863 }
}
`;

const solved = async (folder: string, ...args: readonly string[]) => {
  const palette = args.includes("--palette") ? [] : ["--palette", "tokens.css"];
  const words = ["contrast", ...palette, "--solve", "--format", "json", ...args];
  const { out, err, status } = await keel(folder, words);
  return { err, status, document: solvedPaletteSchema.parse(JSON.parse(out)) };
};

describe("keel contrast --solve", () => {
  test("lets every pair pass in both schemes, as a patch that git takes and that leaves nothing to do", async () => {
    const folder = folderWith({ "tokens.css": tokens });
    const pairs = ["--pairs", "ink on paper, note on paper, --ink on --paper 7"];
    const { document, status } = await solved(folder, ...pairs);
    expect(status).toBe(0);
    expect(document.schemes).toEqual(["light", "dark"]);
    expect(document.changes.map(({ names, schemes }) => [names, schemes])).toEqual([
      [["--muted", "--note"], ["light"]],
      [["--paper"], ["dark"]],
      [["--muted", "--note"], ["dark"]],
    ]);
    expect(document.pairs.every(({ after, needed }) => after.ratio >= needed)).toBe(true);
    const patch = await keel(folder, [
      "contrast",
      "--palette",
      "tokens.css",
      "--solve",
      "--format",
      "patch",
      ...pairs,
    ]);
    writeFileSync(path.join(folder, "palette.patch"), patch.out);
    execFileSync("git", ["apply", "palette.patch"], { cwd: folder });
    expect(readFileSync(path.join(folder, "tokens.css"), "utf8")).toContain("/* for notes */");
    const again = await solved(folder, ...pairs);
    expect(again.document).toMatchObject({ outcome: "solved", change: 0, changes: [], isLeast: true });
  });

  test("changes the half of light-dark() that does not pass, and what is kept stays", async () => {
    const folder = folderWith({ "tokens.css": tokens });
    const { document } = await solved(folder, "--pairs", "ink on paper 12", "--keep", "ink");
    expect(document.changes.map(({ names, edit }) => [names, tokens.slice(edit.start, edit.end)])).toEqual([
      [["--paper"], "#303a44"],
    ]);
    // Kept by the name that it is written by, which another refers to.
    const alias = await solved(folder, "--pairs", "note on white", "--keep", "muted");
    expect([alias.status, alias.document.changes]).toEqual([1, []]);
  });

  test("takes the pairs of an audit, with colours beside the palette as they are", async () => {
    const folder = folderWith({
      "tokens.css": ":root { --muted: #9aa8b0; --ink: #10243e }",
      "index.html": page(
        `<p class="ink">Slip 4</p><p class="note">Free from Tuesday</p>`,
        `<link rel="stylesheet" href="tokens.css"><style>body { background: #fff } .note { color: var(--muted) } .ink { color: var(--ink) }</style>`,
      ),
    });
    const audit = ["audit", "index.html", "--format", "json", "-o", "audit.json"];
    await keel(folder, [...audit, "--outcomes", "failed,passed"]);
    const { document, err } = await solved(folder, "--pairs", "audit.json");
    expect(document.pairs.map(({ text, ground }) => `${text} on ${ground}`).sort()).toEqual([
      "--ink on #ffffff",
      "--muted on #ffffff",
    ]);
    expect(document.changes.map(({ names }) => names)).toEqual([["--muted"]]);
    expect(err).toMatch(/1 pair of the audit has no colour of tokens\.css/);
    await keel(folder, audit);
    expect((await solved(folder, "--pairs", "audit.json")).err).toMatch(/lists no pair that passes/);
  });

  test("says which pairs fight, and what would not hold because it is worked out of others", async () => {
    const folder = folderWith({ "tokens.css": tokens });
    const args = ["contrast", "--palette", "tokens.css", "--solve", "--pairs"];
    const fight = await keel(folder, [...args, "ink on white 10, ink on black 10, muted on paper"]);
    expect(fight.status).toBe(1);
    expect(fight.out).toMatch(/These 2 pairs cannot all pass/);
    expect(fight.out).not.toMatch(/--muted on/);
    const mixed = await solved(folder, "--pairs", "black on tint 12, muted on paper");
    expect(mixed.status).toBe(1);
    expect(mixed.document.fighting.map(({ text }) => text)).toContain("#000000");
  });

  test("a theme of the root and colours in JSON are solved too", async () => {
    const folder = folderWith({
      "tokens.css": `:root { --ink: #111; --paper: #fff } [data-theme="night"] { --ink: #444; --paper: #111 }`,
      "theme.css": `@theme inline { --color-ink: #8a98a5; --color-paper: #fff }`,
      "tokens.json": `{ "yard": { "ink": { "$value": "#8a98a5" }, "paper": { "$value": "#fff" } } }`,
    });
    const { document } = await solved(folder, "--pairs", "ink on paper");
    expect(document.pairs.map(({ scheme }) => scheme)).toEqual(["light", "data-theme=night"]);
    const theme = await solved(folder, "--pairs", "color-ink on color-paper", "--palette", "theme.css");
    expect(theme.document.changes.map(({ edit }) => edit.start)).toEqual([
      "@theme inline { --color-ink: ".length,
    ]);
    const json = await solved(folder, "--pairs", "yard.ink on yard.paper", "--palette", "tokens.json");
    expect(json.document.changes.map(({ names }) => names)).toEqual([["yard.ink"]]);
  });

  test.each([
    [["--solve"], /--solve needs the palette/],
    [["--palette", "tokens.css", "--solve"], /say what stands on what/],
    [["--palette", "tokens.css", "--solve", "--pairs", "ink on papr"], /papr: is no colour .*--paper\?/],
    [["--palette", "tokens.css", "--solve", "--pairs", "ink on paper 40"], /is no pair/],
    [["--palette", "tokens.css", "--solve", "--pairs", "none.json"], /none\.json/],
    [["--palette", "tokens.css", "--solve", "--pairs", "tokens.css"], /tokens\.css:1: .* is no pair/],
    [
      ["--palette", "tokens.css", "--solve", "--pairs", "ink on paper", "--keep", "inc"],
      /--keep inc.*--ink\?/,
    ],
    [["--palette", "tokens.css", "--pairs", "ink on paper"], /--pairs goes with --solve/],
    [["--palette", "tokens.css", "--format", "patch"], /--format patch is for/],
  ])("refuses %j with one line", async (args, message) => {
    const { status, err, out } = await keel(folderWith({ "tokens.css": tokens }), ["contrast", ...args]);
    expect([status, out]).toEqual([2, ""]);
    expect(err).toMatch(message);
    expect(err.trim().split("\n")).toHaveLength(1);
  });
});
