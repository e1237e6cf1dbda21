import { chmodSync, existsSync, mkdirSync, readFileSync, symlinkSync } from "node:fs";
import path from "node:path";
import { describe, expect, test } from "vitest";
import { auditSchema } from "../../src/report/json/audit-schema.ts";
import { folderWith, keel, page } from "./run-keel.ts";

const broken = page(`<img src="hull-07.jpg">\n<label for="baem">Beam</label> <input id="beam">`);
const clean = page("<p>Free from Tuesday.</p>");
const oneLine = /^keel: [^\n]+\n$/;

const audited = async (folder: string, ...args: string[]) => {
  const ran = await keel(folder, ["audit", ...args, "--format", "json"]);
  return { ...ran, document: auditSchema.parse(JSON.parse(ran.out)) };
};

describe("keel audit", () => {
  test("says what is wrong, where, whom it hurts and how to mend it, and exits with 1", async () => {
    const { status, out, err } = await keel(folderWith({ "slips.html": broken }), ["audit", "slips.html"]);
    expect(status).toBe(1);
    expect(err).toBe("");
    expect(out).toContain("slips.html:7:1 · WCAG 1.1.1 A · names.image-described");
    expect(out).toMatch(/7 │ <img src="hull-07.jpg">\n +│ \^{23} heard as: image/);
    expect(out).toContain("who   Someone using a screen reader");
    expect(out).toContain(`+ <label for="beam">Beam</label> <input id="beam">`);
    expect(out).toContain("2 blockers, 1 barrier");
  });

  test("exits with 0 where nothing is wrong", async () => {
    const { status, out } = await keel(folderWith({ "slips.html": clean }), ["audit"]);
    expect(status).toBe(0);
    expect(out).toContain("Nothing to mend");
  });

  test("writes JSON that its schema accepts, the same bytes each time but for the times", async () => {
    const folder = folderWith({ "b.html": broken, "a.html": broken, "c.html": clean });
    const first = await audited(folder, ".");
    const second = await audited(folder, ".");
    const timeless = (text: string) => text.replace(/"(?:startedAt|elapsedMs)": [^\n]+/g, "");
    expect(timeless(first.out)).toBe(timeless(second.out));
    expect(first.status).toBe(1);
    expect(first.document.subjects.map((s) => s.id)).toEqual(["a.html", "b.html", "c.html"]);
    const finding = first.document.findings.find((f) => f.check === "names.control-labelled");
    expect(finding).toMatchObject({
      check: "names.control-labelled",
      outcome: "failed",
      severity: "blocker",
      criteria: ["4.1.2", "1.3.1"],
      subject: "a.html",
      source: { file: "a.html", line: 8, column: 32, endLine: 8, endColumn: 49 },
      element: {
        tag: "input",
        role: "textbox",
        name: "",
        snippet: '<input id="beam">',
        path: "html > body:nth-child(2) > main:nth-child(1) > input:nth-child(4)",
      },
    });
    expect(first.document.summary).toEqual({
      failed: 8,
      cantTell: 0,
      accepted: 0,
      bySeverity: { blocker: 4, barrier: 2, friction: 2 },
    });
  });

  test("lists what passed when asked to", async () => {
    const { document } = await audited(
      folderWith({ "a.html": page(`<img src="a.jpg" alt="Hull">`) }),
      "a.html",
      "--outcomes",
      "passed",
    );
    expect(document.findings.map((f) => [f.check, f.outcome])).toContainEqual([
      "names.image-described",
      "passed",
    ]);
  });

  test("a finding keeps its fingerprint when lines are added above it", async () => {
    const fingerprints = async (html: string) =>
      (await audited(folderWith({ "a.html": html }), "a.html")).document.findings.map((f) => f.fingerprint);
    expect(await fingerprints(broken)).toEqual(
      await fingerprints(broken.replace("<h1>", "\n\n<p>New</p><h1>")),
    );
  });

  test.each([
    ["blocker", 1],
    ["never", 0],
  ])("--fail-on %s decides the exit status", async (severity, status) => {
    expect((await keel(folderWith({ "a.html": broken }), ["audit", "--fail-on", severity])).status).toBe(
      status,
    );
  });

  test("--fail-on blocker lets a barrier pass", async () => {
    expect(
      (
        await keel(folderWith({ "a.html": clean.replace(' lang="en"', "") }), [
          "audit",
          "--fail-on",
          "blocker",
        ])
      ).status,
    ).toBe(0);
  });

  test("--only and --skip-check take ids and families", async () => {
    const folder = folderWith({ "a.html": broken });
    const ids = async (...args: string[]) =>
      (await audited(folder, ...args)).document.checks.map((c) => c.id);
    expect(await ids("--only", "time", "names.action-named")).toEqual([
      "names.action-named",
      "time.no-refresh",
    ]);
    expect((await ids("--skip-check", "names,roles")).some((id) => /^(?:names|roles)\./.test(id))).toBe(
      false,
    );
  });

  test("a page named after a list of checks, or after a folder, is still a page", async () => {
    const folder = folderWith({ "a.html": broken, "b.html": broken });
    expect((await audited(folder, "--only", "names", "b.html")).document.subjects.map((s) => s.id)).toEqual([
      "b.html",
    ]);
    expect((await audited(folder, "--root", ".", "a.html")).document.subjects.map((s) => s.id)).toEqual([
      "a.html",
    ]);
  });

  test("a criterion whose checks were left out is untested, and not held", async () => {
    const where = folderWith({ "a.html": page(`<img src="boat.jpg" alt="A boat"><p>Tide</p>`) });
    const { out } = await keel(where, ["audit", "--only", "names", "--format", "json"]);
    const rows = auditSchema.parse(JSON.parse(out)).coverage;
    const outcomeOf = (number: string) => rows.find(({ criterion }) => criterion === number)?.outcome;
    expect([outcomeOf("1.1.1"), outcomeOf("1.4.3"), outcomeOf("1.2.2")]).toEqual([
      "cantTell",
      "untested",
      "untested",
    ]);
  });

  test("--level and --wcag leave out checks of criteria they do not demand", async () => {
    const { document } = await audited(
      folderWith({ "a.html": page("x", `<meta name="viewport" content="user-scalable=no">`) }),
      "--level",
      "A",
    );
    expect(document.checks.map((c) => c.id)).not.toContain("zoom.not-blocked");
  });

  test("folds findings of a kind after three, and --all unfolds them", async () => {
    const folder = folderWith({ "a.html": page(`<img src="a.jpg">\n`.repeat(8)) });
    const folded = (await keel(folder, ["audit"])).out;
    expect(folded).toContain("and 5 more of names.image-described: line 10, 11, 12, 13, 14");
    expect((await keel(folder, ["audit", "--all"])).out.match(/■ blocker/g)).toHaveLength(8);
  });

  test("--quiet prints one line for each finding", async () => {
    const { out } = await keel(folderWith({ "a.html": broken }), ["audit", "--quiet"]);
    expect(out.trim().split("\n")).toHaveLength(3);
    expect(out).toContain("a.html:7:1: blocker: This image has no text alternative. (names.image-described)");
  });

  test("each severity has a colour of its own, and a sign", async () => {
    const where = folderWith({
      "a.html": page(
        `<button></button><iframe src="map.html"></iframe><nav role="navigation"><a href="a">A</a></nav><p id="q">x</p>`,
      ),
    });
    const { out } = await keel(where, ["audit", "--engine", "read"], "", { FORCE_COLOR: "1" });
    const tints = [...out.matchAll(/\u001b\[(\d+)m(?:[^\n]{0,3})(blocker|barrier|friction)/g)].map(
      ([, tint, word]) => `${word} ${tint}`,
    );
    expect([...new Set(tints)].sort()).toEqual(["barrier 33", "blocker 31", "friction 36"]);
  });

  test("colour is off in pipes, on with FORCE_COLOR, off again with --no-colour and NO_COLOR", async () => {
    const folder = folderWith({ "a.html": broken });
    const coloured = async (args: string[], env: Record<string, string>) =>
      (await keel(folder, ["audit", ...args], "", env)).out.includes("\u001b[");
    expect([
      await coloured([], {}),
      await coloured([], { FORCE_COLOR: "1" }),
      await coloured(["--no-colour"], { FORCE_COLOR: "1" }),
      await coloured([], { NO_COLOR: "1", FORCE_COLOR: "1" }),
    ]).toEqual([false, true, false, false]);
  });

  test("--output writes the file whole, and says so when it cannot", async () => {
    const folder = folderWith({ "a.html": broken });
    const { status, out } = await keel(folder, ["audit", "--format", "json", "-o", "out/audit.json"]);
    expect([status, out]).toEqual([1, ""]);
    auditSchema.parse(JSON.parse(readFileSync(path.join(folder, "out/audit.json"), "utf8")));
    mkdirSync(path.join(folder, "taken"));
    const refused = await keel(folder, ["audit", "-o", "taken"]);
    expect(refused.status).toBe(2);
    expect(refused.err).toMatch(oneLine);
  });
});

describe("targets", () => {
  test("folders leave out node_modules, .git and what .gitignore names", async () => {
    const folder = folderWith({
      ".gitignore": "build/\n*.draft.html\n",
      "a.html": clean,
      "sub/b.htm": clean,
      "build/c.html": clean,
      "d.draft.html": clean,
      "node_modules/e.html": clean,
      "sub/.gitignore": "f.html",
      "sub/f.html": clean,
      "g.txt": "x",
    });
    expect((await audited(folder)).document.subjects.map((s) => s.id)).toEqual(["a.html", "sub/b.htm"]);
  });

  test("globs, and each page once", async () => {
    const folder = folderWith({ "a/x.html": clean, "a/y.html": clean, "b/z.html": clean });
    expect(
      (await audited(folder, "a/*.html", "a/x.html", "{a,b}/z.html")).document.subjects.map((s) => s.id),
    ).toEqual(["a/x.html", "a/y.html", "b/z.html"]);
  });

  test("- is standard input, with a name", async () => {
    const ran = await keel(
      folderWith({}),
      ["audit", "-", "--stdin-name", "piped.html", "-q"],
      `<img src="a.jpg">`,
    );
    expect(ran.out).toBe(
      "piped.html:1:1: blocker: This image has no text alternative. (names.image-described)\n",
    );
  });

  test("custom properties hold what they like: functions of filters stand beside colours", async () => {
    const styled = page(
      "<style>:root { --haze: blur(0.375rem); --ink: #999; --torn: color(); }\np { color: var(--ink) }</style>\n<p>Free from Tuesday.</p>",
    );
    const { status, err, document } = await audited(folderWith({ "slips.html": styled }), "slips.html");
    expect({ status, err }).toEqual({ status: 1, err: "" });
    expect(document.findings.map(({ check }) => check)).toEqual(["contrast.text"]);
  });

  test("a piece of a page is a fragment: page-level checks do not apply", async () => {
    const { document, status } = await audited(folderWith({ "a.html": "<p>Slip 4</p>" }));
    expect([document.subjects[0]?.kind, status]).toEqual(["fragment", 0]);
  });
});

describe("stylesheets", () => {
  const hidesImage = `img { display: none }`;
  const withImage = (head: string) => page(`<img src="a.jpg">`, head);
  const isClean = async (folder: string, ...args: string[]) => {
    const ran = await keel(folder, ["audit", ...args]);
    return [ran.status, ran.err.split("\n").filter((line) => line !== "").length];
  };

  test("count whether they are in the page, linked or imported", async () => {
    expect(await isClean(folderWith({ "a.html": withImage(`<style>${hidesImage}</style>`) }))).toEqual([
      0, 0,
    ]);
    expect(
      await isClean(
        folderWith({
          "a.html": withImage(`<link rel=stylesheet href="css/a.css?v=1">`),
          "css/a.css": "@import 'b.css';",
          "css/b.css": hidesImage,
        }),
      ),
    ).toEqual([0, 0]);
    expect(
      await isClean(
        folderWith({
          "pages/a.html": withImage(`<link rel=stylesheet href="/css/a.css">`),
          "css/a.css": hidesImage,
        }),
      ),
    ).toEqual([0, 0]);
  });

  test("that are missing or far away are a problem told once, and the page is audited all the same", async () => {
    const { status, err, out } = await keel(
      folderWith({
        "a.html": withImage(
          `<link rel=stylesheet href="gone.css"><link rel=stylesheet href="gone.css"><link rel=stylesheet href="https://example.org/x.css">`,
        ),
      }),
      ["audit"],
    );
    expect(status).toBe(1);
    expect(err.trim().split("\n")).toEqual([
      expect.stringContaining('"gone.css" was not found'),
      expect.stringContaining("on the network and was not fetched"),
    ]);
    expect(out).toContain("names.image-described");
  });

  test("outside the working directory are not read, through .. or a link, unless --root allows it", async () => {
    const outside = folderWith({ "x.css": hidesImage });
    const folder = folderWith({ "a.html": withImage(`<link rel=stylesheet href="linked.css">`) });
    symlinkSync(path.join(outside, "x.css"), path.join(folder, "linked.css"));
    expect(await isClean(folder)).toEqual([1, 1]);
    expect(await isClean(folder, "--root", outside)).toEqual([0, 0]);
    const nested = folderWith({
      "site/a.html": withImage(`<link rel=stylesheet href="../x.css">`),
      "x.css": hidesImage,
    });
    expect(await isClean(path.join(nested, "site"))).toEqual([1, 1]);
    expect(await isClean(nested, "site")).toEqual([0, 0]);
  });

  test("that import themselves end", async () => {
    expect(
      await isClean(
        folderWith({
          "a.html": withImage(`<link rel=stylesheet href="a.css">`),
          "a.css": `@import "b.css"; ${hidesImage}`,
          "b.css": `@import "a.css";`,
        }),
      ),
    ).toEqual([0, 0]);
  });
});

test("media queries are decided for the device that is named", async () => {
  const folder = folderWith({
    "a.html": page(
      `<img src="a.jpg">`,
      "<style>@media (width < 500px) and (pointer: coarse) and (prefers-reduced-motion) { img { display: none } }</style>",
    ),
  });
  expect((await keel(folder, ["audit"])).status).toBe(1);
  expect(
    (await keel(folder, ["audit", "--window", "390x844", "--pointer", "coarse", "--reduced-motion"])).status,
  ).toBe(0);
  const wrong = await keel(folder, ["audit", "--window", "small"]);
  expect([wrong.status, wrong.err]).toEqual([2, "keel: --window small is no size; write it as 390x844\n"]);
});

describe("bad input is one line on standard error, status 2, and the rest is audited", () => {
  const rest = { "ok.html": clean };
  test.each([
    ["a missing file", {}, ["gone.html", "ok.html"], /gone\.html: No such file/],
    ["a folder without pages", { "empty/x.txt": "x" }, ["empty", "ok.html"], /empty: Nothing to audit here/],
    ["a pattern that matches nothing", {}, ["*.htmx", "ok.html"], /matches no file/],
    [
      "a binary file",
      { "b.html": Buffer.from([0x89, 0x50, 0x4e, 0x47, 0, 0, 1, 2]) },
      ["b.html", "ok.html"],
      /b\.html: Not a text file/,
    ],
    ["an empty file", { "e.html": " \n" }, ["e.html", "ok.html"], /e\.html: The file is empty/],
    ["a file that is no page", { "a.css": "x" }, ["a.css", "ok.html"], /a\.css: Not a page/],
    [
      "a file over the limit",
      { "big.html": "x".repeat(1_200_000) },
      ["big.html", "ok.html", "--max-size", "1"],
      /big\.html: 1\.1 MB is over the limit of 1 MB\. Raise it with --max-size 2/,
    ],
  ])("%s", async (_, files, args, message) => {
    const { status, err, document } = await audited(folderWith({ ...rest, ...files }), ...args);
    expect(status).toBe(2);
    expect(err).toMatch(oneLine);
    expect(err).toMatch(message);
    expect(document.subjects.map((s) => s.id)).toEqual(["ok.html"]);
    expect(document.problems).toHaveLength(1);
  });

  test("a file that may not be read", async () => {
    const folder = folderWith({ ...rest, "locked.html": clean.replace("Slips –", "Locked –") });
    chmodSync(path.join(folder, "locked.html"), 0);
    const { status, err, document } = await audited(folder, ".");
    // The superuser may read anything.
    if (process.getuid?.() === 0) expect([status, document.subjects.length]).toEqual([0, 2]);
    else {
      expect([status, document.subjects.length]).toEqual([2, 1]);
      expect(err).toMatch(/permission denied/);
    }
  });

  test.each([
    [["audit", "--fromat", "json"], /unknown option --fromat; did you mean --format\?/],
    [["audti"], /unknown command "audti"; did you mean keel audit\?/],
    [["audit", "--only", "names.image-describd"], /did you mean names\.image-described\?/],
    [["audit", "--format", "yaml"], /format/i],
    [["audit", "--outcomes", "faild"], /no outcome "faild"/],
    [["audit", "--max-size", "none"], /--max-size must be a number/],
    [[], /say what to do/],
  ])("keel %j", async (args, message) => {
    const { status, err, out } = await keel(folderWith(rest), args);
    expect([status, out]).toEqual([2, ""]);
    expect(err).toMatch(oneLine);
    expect(err).toMatch(message);
  });

  test("broken markup is audited as a browser would parse it", async () => {
    const { document } = await audited(
      folderWith({ "a.html": `<p><table><img src=a.jpg></p></b><div <span>` }),
    );
    expect(document.findings.map((f) => f.check)).toEqual(["names.image-described"]);
  });

  test("escape sequences in markup cannot reach the terminal", async () => {
    const { out, err } = await keel(
      folderWith({
        "a.html": page(
          `<img src="\u001b[31mred\u001b]0;title\u0007.jpg" title="\u202e">\n<label for="\u001b[2J">x</label>`,
        ),
      }),
      ["audit"],
    );
    expect(out + err).not.toMatch(/[\u0000-\u0008\u000b-\u001f\u007f-\u009f\u202e]/);
    expect(out).toContain("[31mred");
  });
});

describe.each([80, 160])("at %i columns", (columns) => {
  test("no line is wider, and long lines show the place they are about", async () => {
    const folder = folderWith({
      "a.html": page(
        `<p>${"Slip four is free. ".repeat(40)}<img src="hull.jpg">${" and more".repeat(40)}</p>`,
      ),
    });
    const { out } = await keel(folder, ["audit"], "", { COLUMNS: String(columns) });
    expect(out).toContain(`<img src="hull.jpg">`);
    expect(Math.max(...out.split("\n").map((line) => line.length))).toBeLessThanOrEqual(160);
  });
});

test("keel demo shows the whole example, and copies it out without overwriting", async () => {
  const folder = folderWith({});
  const demo = await keel(folder, ["demo"]);
  expect([demo.status, demo.err]).toEqual([0, ""]);
  expect(demo.out).toContain("mistakes/slipway.html");
  expect(demo.out).toContain("Nothing to mend in 3 pages");
  expect((await keel(folder, ["demo", "--copy", "yard"])).status).toBe(0);
  expect(existsSync(path.join(folder, "yard/mistakes/css/boatyard.css"))).toBe(true);
  expect((await keel(folder, ["audit", "yard/mended"])).status).toBe(0);
  const again = await keel(folder, ["demo", "--copy", "yard"]);
  expect([again.status, again.err]).toEqual([2, expect.stringMatching(oneLine)]);
});

test("keel demo says in one line why nothing could be copied", async () => {
  const folder = folderWith({ yard: "a file, and no folder" });
  const { status, err } = await keel(folder, ["demo", "--copy", "yard/demo"]);
  expect([status, err]).toEqual([2, expect.stringMatching(oneLine)]);
  expect(err).toMatch(/^keel: yard\/demo: could not be copied \([A-Z]+: /);
});

describe("several pages together", () => {
  const header = `<header><img src="logo.png"></header>`;
  const withHeader = (title: string, body: string) =>
    page(`<p>${body}</p>`).replace("Slips –", `${title} –`).replace("<main>", `${header}<main>`);

  test("what is one cause on several pages is shown once, with the pages", async () => {
    const folder = folderWith({
      "a.html": withHeader("A", "x"),
      "b.html": withHeader("B", "y"),
      "c.html": withHeader("C", `<img src="own.png">`),
    });
    const { out } = await keel(folder, ["audit"]);
    expect(out).toMatch(/^On several pages/);
    expect(out).toContain("on    3 pages: a.html, b.html, c.html");
    expect(out).toContain("4 to mend in 3 pages, by 2 changes");
    expect(out.match(/logo\.png/g)).toHaveLength(1);
    const { document } = await audited(folder, ".");
    expect(new Set(document.findings.map(({ cause }) => cause)).size).toBe(2);
    expect(document.findings).toHaveLength(4);
  });

  test("navigation that changes its order, and titles that are the same", async () => {
    const nav = (...names: readonly string[]) =>
      `<nav>${names.map((name) => `<a href="${name}.html">${name}</a>`).join(" ")}</nav>`;
    const { document } = await audited(
      folderWith({
        "a.html": page("<p>x</p>").replace("<main>", `${nav("tides", "slips", "crew")}<main>`),
        "b.html": page("<p>y</p>").replace("<main>", `${nav("slips", "tides", "crew")}<main>`),
      }),
      ".",
    );
    expect(document.findings.map(({ check, subject }) => [check, subject])).toEqual([
      ["structure.navigation-order", "b.html"],
      ["structure.titles-differ", "b.html"],
    ]);
    expect(document.coverage.find(({ criterion }) => criterion === "3.2.3")?.outcome).toBe("failed");
  });
});
