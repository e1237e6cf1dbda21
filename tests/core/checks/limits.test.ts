import { describe, expect, test } from "vitest";
import { checkWith } from "../../../src/core/checks/catalogue.ts";
import { isOfKind } from "../../../src/core/checks/check.ts";
import { oneOfEach } from "../../../src/core/checks/page-facts.ts";
import { remaining } from "../../../src/core/checks/remaining.ts";
import { runChecks } from "../../../src/core/checks/run.ts";
import { withEdits } from "../../../src/core/repair/edit.ts";
import { spelled } from "../../../src/core/repair/spell.ts";
import { sceneOf } from "../../page.ts";

/** What one check finds in a page: outcome and start tag; and the page with the edits of its first finding. */
function judged(id: string, html: string) {
  const check = checkWith(id);
  if (check === undefined || !isOfKind("page")(check)) throw new Error(`no check ${id}`);
  const { findings } = runChecks(sceneOf(html), [check], ["failed", "cantTell"]);
  const edits = spelled(findings[0]?.repair?.changes ?? [], () => html) ?? [];
  return {
    found: findings.map(
      ({ outcome, element: { source, tag } }) =>
        `${outcome} ${source === null ? `<${tag}>` : html.slice(source.start, source.end)}`,
    ),
    edited: withEdits(html, edits),
  };
}

const paragraphs = "Haul out by the metre. ".repeat(300);
const links = ["a", "b", "c", "d", "e"].map((name) => `<a href="${name}">${name}</a>`).join("");

describe("where a check begins and ends", () => {
  test.each<[what: string, id: string, html: string, found: readonly string[]]>([
    [
      "a limit of twenty hours",
      "time.no-refresh",
      `<meta http-equiv="refresh" content="72000">`,
      [`failed <meta http-equiv="refresh" content="72000">`],
    ],
    ["a second more is no limit", "time.no-refresh", `<meta http-equiv="refresh" content="72001">`, []],
    [
      "an edge of just 3:1",
      "contrast.control-edge",
      `<body style="background: #fff"><input aria-label="Beam" style="background: #fff; border: 1px solid #959595">`,
      [`failed <input aria-label="Beam" style="background: #fff; border: 1px solid #959595">`],
    ],
    [
      "an edge above it",
      "contrast.control-edge",
      `<body style="background: #fff"><input aria-label="Beam" style="background: #fff; border: 1px solid #949494">`,
      [],
    ],
    [
      "a picture named by aria-label",
      "names.not-heard-twice",
      `<a href="x"><img src="a.jpg" aria-label="Tide table"> Tide table</a>`,
      [],
    ],
    [
      "a picture whose alternative is a dash",
      "names.not-heard-twice",
      `<a href="x"><img src="a.jpg" alt="–"> –</a>`,
      [],
    ],
    [
      "a button among the first stops",
      "keys.way-past-repeats",
      `<!doctype html><title>t</title><div class="menu"><button>Menu</button>${links}</div><p>x</p>`,
      [],
    ],
    [
      "an area with overflow: scroll",
      "keys.scrolls",
      `<div style="height: 100px; overflow: scroll">${paragraphs}</div>`,
      [`cantTell <div style="height: 100px; overflow: scroll">`],
    ],
    [
      "an area that clips",
      "keys.scrolls",
      `<div style="height: 100px; overflow: hidden">${paragraphs}</div>`,
      [],
    ],
    [
      "a row header by its role alone",
      "structure.table-headers",
      `<table><caption>Slips</caption><tr><td role="rowheader">Beam</td><td>4 m</td></tr><tr><td role="rowheader">Draught</td><td>2 m</td></tr></table>`,
      [],
    ],
    [
      "no header at all",
      "structure.table-headers",
      `<table><caption>Slips</caption><tr><td>Beam</td><td>4 m</td></tr><tr><td>Draught</td><td>2 m</td></tr></table>`,
      ["failed <table>"],
    ],
  ])("%s", (_, id, html, found) => {
    expect(judged(id, html).found).toEqual(found);
  });
});

describe("what an edit takes in", () => {
  test.each<[what: string, id: string, html: string, edited: string]>([
    [
      "a term with its neighbours, and nothing else",
      "structure.lists",
      `<div><p>Slips</p><dt>Beam</dt><dd>4 m</dd><p>Tides</p></div>`,
      `<div><p>Slips</p><dl><dt>Beam</dt><dd>4 m</dd></dl><p>Tides</p></div>`,
    ],
    [
      "of headers, the one in row or column that is not named",
      "structure.table-headers",
      `<table><tr><th id="h1">Slip</th><th id="h2">Boat</th></tr><tr><td headers="gone">4</td><td>Petrel</td></tr></table>`,
      `<table><tr><th id="h1">Slip</th><th id="h2">Boat</th></tr><tr><td headers="h1">4</td><td>Petrel</td></tr></table>`,
    ],
  ])("%s", (_, id, html, edited) => {
    expect(judged(id, html).edited).toBe(edited);
  });

  test.each([
    ["what is no banner", `<header>Yard</header><h1>Tides</h1>`, true],
    ["no banner between", `<h1>Tides</h1><header>Yard</header><p>Slips</p>`, false],
  ])("the main part holds %s", (_, body, isMarked) => {
    const html = `<!doctype html><html lang="en"><title>t</title><body>${body}</body></html>`;
    expect(judged("structure.main", html).edited.includes("<main>")).toBe(isMarked);
  });
});

test("a text that is too pale whatever lies under it is told by the ground where it is the least so", () => {
  const html = `<style>.badge { position: absolute; width: 20px; height: 20px; background: #ff5a5f } p { color: #999 }</style><body style="background: #fff"><div style="position: relative"><i class="badge"></i><p style="position: relative">Tide</p></div>`;
  const check = checkWith("contrast.text");
  if (check === undefined || !isOfKind("page")(check)) throw new Error("no such check");
  const [finding] = runChecks(sceneOf(html), [check], ["failed"]).findings;
  expect(finding?.message).toMatch(/has a contrast of 2\.8\d:1, #999999 on #ffffff/);
});

test("the colour of one text says which others change with it, and not itself", () => {
  const html = `<style>:root { --pale: #999 } p { color: var(--pale) }</style><body style="background: #fff"><p>Tide</p><p>Slip</p><p>Yard</p>`;
  const check = checkWith("contrast.text");
  if (check === undefined || !isOfKind("page")(check)) throw new Error("no such check");
  const [finding] = runChecks(sceneOf(html), [check], ["failed"]).findings;
  expect(finding?.repair?.summary).toMatch(/colours 2 other texts\b/);
});

test("a question for a person has its numbers in words", () => {
  const asked = (stickyParts: number) => remaining("2.4.11", { ...oneOfEach, stickyParts });
  expect([asked(1), asked(2)]).toEqual([
    expect.stringContaining("1 part that stays in place"),
    expect.stringContaining("2 parts that stay in place"),
  ]);
});
