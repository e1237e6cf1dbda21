import { symlinkSync, writeFileSync } from "node:fs";
import path from "node:path";
import { describe, expect, test } from "vitest";
import { auditSchema } from "../../src/report/json/audit-schema.ts";
import { hearSchema } from "../../src/report/json/hear-schema.ts";
import { mendSchema } from "../../src/report/json/mend-schema.ts";
import { treeSchema } from "../../src/report/json/tree-schema.ts";
import { walkSchema } from "../../src/report/json/walk-schema.ts";
import { folderWith, keel, page } from "./run-keel.ts";

const root = path.resolve(import.meta.dirname, "../..");

/** A folder in which the packages of this project are found. */
function project(files: Readonly<Record<string, string>>): string {
  const folder = folderWith({ "package.json": '{"name":"yard"}', ...files });
  symlinkSync(path.join(root, "node_modules"), path.join(folder, "node_modules"));
  return folder;
}

describe("--wcag takes every edition that it names", () => {
  const folder = folderWith({ "a.html": page(`<img src="a.jpg">`) });
  test.each(["2.0", "2.1", "2.2"])("audit --wcag %s", async (wcag) => {
    const { out, err } = await keel(folder, ["audit", "--wcag", wcag, "--format", "json"]);
    expect(err).toBe("");
    expect(auditSchema.parse(JSON.parse(out)).conformance).toEqual({ wcag, level: "AA" });
  });
  test("mend --wcag 2.1", async () => {
    const { out, err } = await keel(folder, ["mend", "--wcag", "2.1", "--format", "json"]);
    expect(err).toBe("");
    expect(mendSchema.parse(JSON.parse(out)).format).toBe("even-keel/mend");
  });
  test.each(["audit", "mend"])("%s --wcag 3 is refused with those that there are", async (command) => {
    const { status, err } = await keel(folder, [command, "--wcag", "3"]);
    expect([status, err]).toEqual([2, expect.stringMatching(/wcag.*2\.0.*2\.1.*2\.2/)]);
  });
});

describe("an unknown option is compared with those of the command that was called", () => {
  test.each<[string[], string]>([
    [["hear", "--bye", "links"], "keel: unknown option --bye; did you mean --by?\n"],
    [["tree", "--nmaes"], "keel: unknown option --nmaes; did you mean --names?\n"],
    [["walk", "--bakc"], "keel: unknown option --bakc; did you mean --back?\n"],
    [["mend", "--aslo", "likely"], "keel: unknown option --aslo; did you mean --also?\n"],
    [["hear", "--fail-on", "never"], "keel: unknown option --fail-on; see keel hear --help.\n"],
    [["contrast", "--quiet", "#fff", "#000"], "keel: unknown option --quiet; see keel contrast --help.\n"],
  ])("keel %s", async (args, line) => {
    const { status, out, err } = await keel(folderWith({ "a.html": page("") }), args);
    expect([status, out, err]).toEqual([2, "", line]);
  });
});

describe("several pages", () => {
  const folder = folderWith({ "a.html": page(`<a href="b.html">Tides</a>`), "b.html": page("<p>x</p>") });
  test.each([
    ["tree", treeSchema],
    ["hear", hearSchema],
    ["walk", walkSchema],
  ] as const)(
    "keel %s --format json is a list of documents, and of one page one document",
    async (command, schema) => {
      const all = await keel(folder, [command, ".", "--format", "json"]);
      const list = JSON.parse(all.out) as unknown[];
      expect([all.status, all.err, list.length]).toEqual([0, "", 2]);
      expect(list.map((one) => schema.parse(one).target)).toEqual(["a.html", "b.html"]);
      const one = await keel(folder, [command, "a.html", "--format", "json"]);
      expect(schema.parse(JSON.parse(one.out))).toEqual(list[0]);
    },
  );
});

describe("families that the configuration shows", () => {
  const files = {
    "keel.config.json": JSON.stringify({ output: { families: ["names"] } }),
    "a.html": page(`<img src="a.jpg"><p style="color: #aaa">Free</p>`),
  };
  test("hold in every format, and what is left out is counted", async () => {
    const folder = folderWith(files);
    const json = await keel(folder, ["audit", "--format", "json"]);
    const { findings } = auditSchema.parse(JSON.parse(json.out));
    expect([...new Set(findings.map(({ check }) => check))]).toEqual(["names.image-described"]);
    const quiet = await keel(folder, ["audit", "--quiet"]);
    expect(quiet.out).toContain("names.image-described");
    expect(quiet.out).not.toContain("contrast.text");
  });
  test("do not decide the exit status", async () => {
    const folder = folderWith({ ...files, "a.html": page(`<p style="color: #aaa">Free</p>`) });
    expect((await keel(folder, ["audit", "--format", "json"])).status).toBe(1);
  });
  test("give way to --all", async () => {
    const { out } = await keel(folderWith(files), ["audit", "--all", "--format", "json"]);
    expect(auditSchema.parse(JSON.parse(out)).findings.map(({ check }) => check)).toContain("contrast.text");
  });
});

describe("frames are part of the page", () => {
  const folder = folderWith({
    "a.html": page(`<iframe title="Tides" src="frame.html"></iframe>`),
    "frame.html": `<!doctype html><html lang="en"><title>Tides</title><img src="tide.png"></html>`,
    "b.html": page(`<iframe title="Fees" srcdoc="&lt;img src='fee.png'&gt;"></iframe>`),
    "c.html": page(`<iframe title="Far" src="https://example.com/"></iframe>`),
  });
  test("and are audited with it, each finding at its place", async () => {
    const { out } = await keel(folder, [
      "audit",
      "a.html",
      "b.html",
      "c.html",
      "--only",
      "names",
      "--format",
      "json",
    ]);
    const { findings, problems } = auditSchema.parse(JSON.parse(out));
    expect(problems).toEqual([]);
    expect(
      findings.map(({ check, subject, source }) => `${check} ${subject} ${source?.file}:${source?.line}`),
    ).toEqual(["names.image-described a.html frame.html:1", "names.image-described b.html b.html:7"]);
  });
});

describe("code of a project", () => {
  const pic = {
    "Pic.jsx": `export const Pic = ({ alt }) => <img src="a.png" alt={alt} />;\n`,
    "pic.specimen.jsx": `import { specimen } from "even-keel/specimen";\nimport { Pic } from "./Pic";\nspecimen("a picture", () => <Pic alt="The crane" />);\n`,
  };
  test.each(["tree", "hear"])(
    "keel %s shows specimens of the project, and with --engine read none",
    async (command) => {
      const folder = project(pic);
      const run = await keel(folder, [command, "pic.specimen.jsx"]);
      expect(run.out).toContain('"The crane" image');
      const read = await keel(folder, [command, "pic.specimen.jsx", "--engine", "read"]);
      expect([read.status, read.err]).toEqual([2, expect.stringContaining("--engine read runs nothing")]);
    },
  );

  test("keel tree says where in source each element of a specimen is written", async () => {
    const folder = project(pic);
    const { out } = await keel(folder, ["tree", "pic.specimen.jsx", "--format", "json"]);
    expect(out).toMatch(/"file":"Pic\.jsx","line":1,/);
  });

  test.each(["audit", "tree", "hear", "walk"])(
    "keel %s runs only where a target names it, the configuration says so, or it is asked to",
    async (command) => {
      const folder = project({ ...pic, "a.html": page(`<p>Slips</p>`) });
      const ran = async (...words: readonly string[]) => {
        const { out, err } = await keel(folder, [command, ...words]);
        return [out.includes("pic.specimen.jsx#a picture"), err];
      };
      const counted =
        "keel: 1 file of specimens was not run. --run-specimens runs specimens with the code they import";
      const told = "keel: runs the specimens in pic.specimen.jsx, with the code that they import.\n";
      expect(await ran()).toEqual([false, expect.stringContaining(counted)]);
      expect(await ran("pic.specimen.jsx")).toEqual([true, ""]);
      expect(await ran("*.specimen.*")).toEqual([true, told]);
      expect(await ran("--run-specimens")).toEqual([true, told]);
      writeFileSync(path.join(folder, "keel.config.json"), `{ "specimens": "run" }`);
      expect(await ran()).toEqual([true, told]);
      expect(await ran("--no-run-specimens")).toEqual([false, expect.stringContaining(counted)]);
      expect(await ran("--engine", "read")).toEqual([false, ""]);
    },
  );

  test("that lies elsewhere is not run by the configuration of this project", async () => {
    const elsewhere = project(pic);
    const here = folderWith({ "keel.config.json": `{ "specimens": "run" }` });
    const { err } = await keel(here, ["tree", elsewhere, "--root", elsewhere]);
    expect(err).toContain("Not run: it lies outside this project");
    const asked = await keel(here, ["tree", elsewhere, "--root", elsewhere, "--run-specimens"]);
    expect(asked.out).toContain('"The crane" image');
  });

  test("is no configuration where nothing is to be run", async () => {
    const config = { "keel.config.js": `throw new Error("ran");`, "a.html": page(`<img src="a.png">`) };
    const folder = folderWith(config);
    expect((await keel(folder, ["init"])).err).toContain("keel.config.js is there already");
    const { status, err } = await keel(folder, ["audit", "--engine", "read"]);
    expect([status, err]).toEqual([1, expect.stringContaining("keel.config.js: Not in force: it is code")]);
    const named = await keel(folder, ["audit", "--engine", "read", "--config", "keel.config.js"]);
    expect([named.status, named.err]).toEqual([
      2,
      expect.stringContaining("is code, and --engine read runs nothing"),
    ]);
    expect((await keel(folder, ["audit"])).err).toContain("it throws: ran");
  });

  test("is not run for a page, whose scripts are run when that is asked for", async () => {
    const folder = folderWith({
      "a.html": page(`<p id="p">as written</p>`).replace(
        "</body>",
        `<script>p.textContent = "as run"</script></body>`,
      ),
    });
    expect((await keel(folder, ["hear"])).out).toContain("as written");
    expect((await keel(folder, ["hear", "--engine", "render"])).out).toContain("as run");
  });
});

describe("the last line of a walk", () => {
  test.each<[string, string, RegExp]>([
    [
      "with nothing to say",
      `<button>Book</button>`,
      /^No check of the keyboard has anything against this walk\.$/m,
    ],
    [
      "where stops are marked",
      `<button></button>`,
      /^No check of the keyboard fails; 1 stop is marked above\.$/m,
    ],
    ["where a check fails", `<div onclick="go()">Book</div>`, /^The checks of the keyboard: 1 to mend\.$/m],
  ])("%s", async (_, body, line) => {
    expect((await keel(folderWith({ "a.html": page(body) }), ["walk"])).out).toMatch(line);
  });
});

describe("a walk of a page that scripts fill", () => {
  const folder = folderWith({
    "a.html": page(`<div id="r"></div>`).replace("</body>", `<script src="a.js"></script></body>`),
    "a.js": `document.getElementById("r").innerHTML = "<button>Go</button>";`,
  });
  test("says that scripts may make stops, and with them run how many", async () => {
    expect((await keel(folder, ["walk"])).out).toContain(
      "Its scripts may make some: --engine render runs them.",
    );
    const { out } = await keel(folder, ["walk", "--engine", "render"]);
    expect(out).toMatch(/^a\.html {2}1 stop with scripts run, 0 in source · Tab$/m);
    expect(out).toContain('Tab → "Go" button');
  });
});

test("a result is kept until an import that was missing appears", async () => {
  const folder = folderWith({
    "node_modules/here": "",
    "App.jsx": `import { Pic } from "./Pic";\nexport const App = () => <main><h1>Slips</h1><Pic /></main>;\n`,
  });
  const first = await keel(folder, ["audit", "App.jsx"]);
  expect(first.out).toContain("Nothing to mend");
  writeFileSync(path.join(folder, "Pic.jsx"), `export const Pic = () => <img src="crane.png" />;\n`);
  const second = await keel(folder, ["audit", "App.jsx"]);
  expect([second.status, second.out]).toEqual([1, expect.stringContaining("names.image-described")]);
});

test("what the window answered is asked no more", async () => {
  const box = (script: string) =>
    page(
      `<div role="checkbox" id="b" tabindex="0" aria-checked="false" onclick="turn()">Crane</div>`,
    ).replace("</body>", `<script src="${script}.js"></script></body>`);
  const turn = `function turn() { b.setAttribute("aria-checked", b.getAttribute("aria-checked") !== "true"); }`;
  const folder = folderWith({
    "a.html": box("with"),
    "b.html": box("without"),
    "with.js": `${turn} b.addEventListener("keydown", (e) => { if (e.key === " ") turn(); });`,
    "without.js": `${turn} document.addEventListener("keydown", (e) => { if (e.key === "F1") turn(); });`,
  });
  const outcomes = async (engine: string) => {
    const { out } = await keel(folder, [
      "audit",
      ".",
      "--engine",
      engine,
      "--only",
      "keys",
      "--format",
      "json",
    ]);
    return auditSchema
      .parse(JSON.parse(out))
      .findings.map(({ check, outcome, subject }) => `${subject} ${outcome} ${check}`);
  };
  expect(await outcomes("read")).toEqual([
    "a.html cantTell keys.activates",
    "b.html cantTell keys.activates",
  ]);
  expect(await outcomes("render")).toEqual(["b.html failed keys.activates"]);
});
