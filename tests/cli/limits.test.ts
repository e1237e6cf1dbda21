import { expect, test } from "vitest";
import { folderWith, keel } from "./run-keel.ts";

const page = (head: string, body = "<main><h1>Yard</h1><p class=a>Tides</p></main>") =>
  `<!doctype html><html lang="en"><head><title>t</title>${head}</head><body>${body}</body></html>`;

const nested = (open: string, times: number, inside = "color: red") =>
  page(`<style>${open.repeat(times)}${inside}${"}".repeat(times * (open.split("{").length - 1))}</style>`);

const imports = (file: string) =>
  ["", " screen", " print"].map((media) => `@import "${file}"${media};`).join("");

/** What goes on and on, deep or wide, and what is told of it. */
const endless: readonly (readonly [name: string, files: Readonly<Record<string, string>>, told: RegExp])[] = [
  [
    "a stylesheet that imports itself three times",
    {
      "page.html": page('<link rel="stylesheet" href="a.css">'),
      "a.css": `${imports("a.css")} p { color: red }`,
    },
    /^$/,
  ],
  [
    "stylesheets that each import the next three times",
    {
      "page.html": page('<link rel="stylesheet" href="c0.css">'),
      ...Object.fromEntries(Array.from({ length: 22 }, (_, n) => [`c${n}.css`, imports(`c${n + 1}.css`)])),
      "c22.css": "p { color: blue }",
    },
    /import more than 1000 others/,
  ],
  ["rules nested without end", { "page.html": nested("a { & ", 5000) }, /more than 64 blocks deep/],
  ["layers nested without end", { "page.html": nested("@layer a {", 3000) }, /more than 64 blocks deep/],
  ["lists of selectors that are nested", { "page.html": nested("&, .a, p {", 25) }, /^$/],
  ["lists that are nested twice each", { "page.html": nested(".a, p, div { & & {", 14) }, /^$/],
  [
    "scopes that are nested around elements that are",
    {
      "page.html": page(
        `<style>${"@scope (div) to (b) {".repeat(30)}p { color: red }${"}".repeat(30)}</style>`,
        `<main><h1>Yard</h1>${"<div>".repeat(40)}<p>Tides`,
      ),
    },
    /^$/,
  ],
  ["elements nested without end", { "page.html": page("", `${"<ul><li>".repeat(5000)}x`) }, /^$/],
];

test.each(endless)("%s: it comes to an end, and what was left out is told", async (_, files, told) => {
  const { out, err, status } = await keel(folderWith(files), ["audit", "page.html"]);
  expect([status, out, err]).toEqual([
    expect.toSatisfy((one) => one === 0 || one === 1),
    expect.stringContaining("page.html"),
    expect.stringMatching(told),
  ]);
});

test("an element deeper than browsers nest them stands beside the one it is written in", async () => {
  const body = `${"<div>".repeat(700)}<button>Book</button>`;
  const { out } = await keel(folderWith({ "page.html": page("", body) }), ["tree", "page.html"]);
  expect(out).toMatch(/button {2}\(no name\)\n\s*Book/);
});

test.runIf(process.platform === "linux")(
  "a folder that can hold nothing is told of, and not tried for ever",
  async () => {
    const folder = folderWith({ "page.html": page("") });
    const { status, err } = await keel(folder, ["audit", "page.html", "-o", "/proc/yard/answer.json"]);
    expect([status, err]).toEqual([2, expect.stringContaining("could not be written (no such file)")]);
  },
);
