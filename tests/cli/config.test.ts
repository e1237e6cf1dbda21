import { chmodSync, existsSync, mkdirSync, readFileSync } from "node:fs";
import path from "node:path";
import { describe, expect, test } from "vitest";
import { auditSchema } from "../../src/report/json/audit-schema.ts";
import { folderWith, keel, page } from "./run-keel.ts";

const broken = page(`<img src="hull-07.jpg"><p style="color: #aaa">Free</p>`);

const audited = async (folder: string, ...args: string[]) => {
  const ran = await keel(folder, ["audit", "--format", "json", ...args]);
  return { ...ran, document: auditSchema.parse(JSON.parse(ran.out)) };
};
const checksOf = (document: { findings: readonly { check: string }[] }) =>
  document.findings.map(({ check }) => check);

describe("a configuration", () => {
  test("says what is read, what counts and what is left alone", async () => {
    const folder = folderWith({
      "keel.config.ts": `
        import { defineConfig } from "even-keel";
        const level: string = "AA";
        export default defineConfig({
          targets: ["pages/**/*.html"],
          skip: ["pages/old/**"],
          conformance: { wcag: "2.1", level },
          failOn: "blocker",
          checks: { "names.image-described": { severity: "friction" }, contrast: "off" },
        });`,
      "pages/a.html": broken,
      "pages/old/b.html": broken,
      "other.html": broken,
    });
    const { status, document } = await audited(folder);
    expect(document.subjects.map(({ id }) => id)).toEqual(["pages/a.html"]);
    expect(document.conformance).toEqual({ wcag: "2.1", level: "AA" });
    expect(document.findings.map(({ check, severity }) => [check, severity])).toEqual([
      ["names.image-described", "friction"],
    ]);
    expect(status).toBe(0);
    expect(document.checks.find(({ id }) => id === "contrast.text")?.outcome).toBe("untested");
  });

  test("is found upward, and its paths start where it is", async () => {
    const folder = folderWith({
      "keel.config.json": JSON.stringify({ targets: ["pages/*.html"], stylesheets: ["all.css"] }),
      "all.css": "p { color: #bbb }",
      "pages/a.html": page("<p>Free</p>"),
      "pages/deep/x.txt": "",
    });
    const { document } = await audited(path.join(folder, "pages/deep"));
    expect(document.subjects.map(({ id }) => id)).toEqual(["../a.html"]);
    expect(checksOf(document)).toContain("contrast.text");
  });

  test("above is not run where anybody may change it, nor beyond the repository", async () => {
    const config = `import { writeFileSync } from "node:fs"; writeFileSync(new URL("ran", import.meta.url), ""); export default {};`;
    const folder = folderWith({ "keel.config.mjs": config, "in/a.html": page("<p>Free</p>") });
    chmodSync(path.join(folder, "keel.config.mjs"), 0o666);
    const refused = await keel(path.join(folder, "in"), ["audit", "a.html"]);
    expect([refused.status, refused.err]).toEqual([
      2,
      expect.stringMatching(
        /^keel: \.\.\/keel\.config\.mjs: this configuration belongs to somebody else[^\n]+\n$/,
      ),
    ]);
    mkdirSync(path.join(folder, "in/.git"));
    expect((await keel(path.join(folder, "in"), ["audit", "a.html"])).status).toBe(0);
    expect(existsSync(path.join(folder, "ran"))).toBe(false);
  });

  test("gives way to the command line, and to --no-config", async () => {
    const folder = folderWith({
      "package.json": JSON.stringify({ evenKeel: { checks: { names: "off" }, failOn: "never" } }),
      "a.html": broken,
    });
    expect((await audited(folder)).status).toBe(0);
    expect((await audited(folder, "--fail-on", "barrier")).status).toBe(1);
    expect(checksOf((await audited(folder, "--no-config")).document)).toContain("names.image-described");
    expect(checksOf((await audited(folder, "--only", "names.image-described")).document)).toEqual([
      "names.image-described",
    ]);
  });

  test("may say otherwise for some files", async () => {
    const folder = folderWith({
      "keel.config.json": JSON.stringify({
        overrides: [{ files: ["drafts/**"], checks: { "names.image-described": "off" } }],
      }),
      "a.html": broken,
      "drafts/b.html": broken.replace("Slips –", "Draft –"),
    });
    const { document } = await audited(folder);
    expect(
      document.findings
        .filter(({ check }) => check === "names.image-described")
        .map(({ subject }) => subject),
    ).toEqual(["a.html"]);
  });

  test("names elements of one's own, words, colours and schemes", async () => {
    const folder = folderWith({
      "keel.config.json": JSON.stringify({
        components: { "yard-pic": { as: "img" } },
        checks: { "names.no-file-name": { words: ["pic"] } },
        palette: "colours.css",
        schemes: ["light"],
      }),
      "colours.css": ":root { --tide: #0a4a6b }",
      "a.html": page(
        `<yard-pic src="a.jpg"></yard-pic><img src="b.jpg" alt="pic"><p>Free</p><style>p { color: #9ab }</style>` +
          `<style>@media (prefers-color-scheme: dark) { h1 { color: #111; background: #000 } }</style>`,
      ),
    });
    const { document } = await audited(folder);
    const found = (check: string) => document.findings.find((finding) => finding.check === check);
    expect(found("names.image-described")?.element).toMatchObject({
      snippet: '<yard-pic src="a.jpg">',
      path: "html > body:nth-child(2) > main:nth-child(1) > yard-pic:nth-child(2)",
    });
    expect(found("names.no-file-name")?.element.name).toBe("pic");
    expect(found("contrast.text")?.repair?.summary).toContain("var(--tide)");
    expect(document.findings.filter(({ facts }) => facts.scheme === "dark")).toEqual([]);
  });

  test("remembers what is shown", async () => {
    const folder = folderWith({
      "keel.config.json": JSON.stringify({ output: { outcomes: ["failed"], families: ["names"] } }),
      "a.html": page(`<img src="a.jpg"><p style="color: #aaa">Free</p><video src="a.mp4" controls></video>`),
    });
    const { out, status } = await keel(folder, ["audit"]);
    expect(status).toBe(1);
    expect(out).toContain("names.image-described");
    expect(out).not.toMatch(/contrast\.text|\? question/);
    expect(out).toContain("1 not shown (--all shows them)");
    expect((await keel(folder, ["audit", "--all"])).out).toContain("contrast.text");
  });

  test("is told with --show-config, each thing with where it comes from", async () => {
    const folder = folderWith({ "keel.config.json": `{ "failOn": "barrier" }` });
    const { out, status } = await keel(folder, ["audit", "--show-config", "--level", "AAA"]);
    expect(status).toBe(0);
    expect(out).toMatch(/failOn +barrier +keel\.config\.json\n/);
    expect(out).toMatch(/conformance\.level +AAA +--level\n/);
    expect(out).toMatch(/window +1280x800 +usual\n/);
  });
});

describe("a configuration that is wrong is one line with its place, status 2, and nothing is audited", () => {
  test.each<[string, string, string, RegExp]>([
    [
      "an unknown key",
      "keel.config.json",
      `{\n  "failon": "barrier"\n}`,
      /^keel: keel\.config\.json:2:3: there is no setting "failon"; did you mean "failOn"\?/,
    ],
    [
      "an unknown key inside",
      "keel.config.json",
      `{ "output": { "familys": [] } }`,
      /no setting "familys" in "output"; did you mean "families"\?/,
    ],
    [
      "a wrong word",
      "keel.config.ts",
      `export default {\n  failOn: "warning",\n};`,
      /keel\.config\.ts:2:3: "failOn" must be "blocker", "barrier", "friction" or "never"/,
    ],
    ["a wrong type", "keel.config.json", `{ "targets": "pages" }`, /"targets" must be a list/],
    [
      "a wrong word in an item of a list",
      "keel.config.ts",
      `export default {\n  overrides: [\n    { files: "a/**", checks: 7 },\n  ],\n};`,
      /keel\.config\.ts:3:\d+: /,
    ],
    [
      "an item of a list that stands elsewhere",
      "keel.config.ts",
      `const ours = [{ files: "a/**", checks: 7 }];\nexport default {\n  overrides: ours,\n};`,
      /keel\.config\.ts:3:3: /,
    ],
    [
      "an unknown check",
      "keel.config.ts",
      `import { defineConfig } from "even-keel";\nexport default defineConfig({\n  checks: { "names.image-describd": "off" },\n});`,
      /:3:13: there is no check or family "names\.image-describd"; did you mean "names\.image-described"\?/,
    ],
    [
      "words for a check that takes none",
      "keel.config.json",
      `{ "checks": { "structure.title": { "words": ["x"] } } }`,
      /structure\.title does not go by words; those that do are/,
    ],
    [
      "a wrong setting of a check",
      "keel.config.json",
      `{ "checks": { "structure.title": 3 } }`,
      /"checks\.structure\.title" must be "off", a severity, or/,
    ],
    [
      "broken JSON",
      "keel.config.json",
      `{\n  "failOn": barrier\n}`,
      /keel\.config\.json:2:\d+: the configuration cannot be used: it is no valid JSON/,
    ],
    [
      "broken TypeScript",
      "keel.config.ts",
      `export default {\n  failOn: ,\n};`,
      /keel\.config\.ts:2:\d+: the configuration cannot be used/,
    ],
    [
      "one that throws",
      "keel.config.mjs",
      `\nthrow new Error("no tide table");`,
      /keel\.config\.mjs:2:\d+: the configuration cannot be used: it throws: no tide table/,
    ],
    [
      "one that holds a function",
      "keel.config.mjs",
      `export default { targets: () => [] };`,
      /it holds a function/,
    ],
    [
      "one that never ends",
      "keel.config.mjs",
      `Atomics.wait(new Int32Array(new SharedArrayBuffer(4)), 0, 0);\nexport default {};`,
      /it did not end within 5 seconds/,
    ],
    [
      "one that exports nothing",
      "keel.config.mjs",
      `export const config = {};`,
      /cannot be used|must be an object/,
    ],
  ])("%s", async (_, name, text, message) => {
    const { status, out, err } = await keel(folderWith({ [name]: text, "a.html": broken }), ["audit"]);
    expect([status, out]).toEqual([2, ""]);
    expect(err).toMatch(/^keel: [^\n]+\n$/);
    expect(err).toMatch(message);
  });

  test("a fault in a file beside it", async () => {
    const folder = folderWith({
      "tsconfig.json": `{ "extends": "./base.cjs" }`,
      "base.cjs": "module.exports = {};",
      "keel.config.ts": "export default {};",
      "a.html": broken,
    });
    const { status, err } = await keel(folder, ["audit"]);
    expect([status, err]).toEqual([
      2,
      expect.stringMatching(/^keel: keel\.config\.ts: [^\n]*base\.cjs:1:1: [^\n]+\n$/),
    ]);
  });

  test("a file that is not there", async () => {
    const { status, err } = await keel(folderWith({ "a.html": broken }), ["audit", "--config", "yard.ts"]);
    expect(status).toBe(2);
    expect(err).toMatch(/yard\.ts: the configuration could not be read \(no such file\)/);
  });
});

describe("keel init", () => {
  test("writes a configuration for the project it finds, which holds", async () => {
    const folder = folderWith({
      "package.json": `{ "dependencies": { "vue": "3" } }`,
      "site/a.html": broken,
      "dist/b.html": broken,
      "site/yard.css": ":root { --a: #123; --b: #456; --c: #789 }",
    });
    const { status, out } = await keel(folder, ["init"]);
    expect([status, out.split("\n")[0]]).toEqual([
      0,
      "Wrote keel.config.ts (Vue, 1 page, colours in site/yard.css).",
    ]);
    const { document } = await audited(folder);
    expect(document.subjects.map(({ id }) => id)).toEqual(["site/a.html"]);
  });

  test.each(["keel.config.json", "package.json"])("never writes over %s", async (name) => {
    const text = name === "package.json" ? `{ "evenKeel": {} }` : "{ broken";
    const folder = folderWith({ [name]: text });
    const { status, err } = await keel(folder, ["init"]);
    expect(status).toBe(2);
    expect(err).toContain(`${name} is there already; nothing was written`);
    expect(readFileSync(path.join(folder, name), "utf8")).toBe(text);
  });
});
