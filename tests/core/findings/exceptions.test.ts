import { expect, test } from "vitest";
import { parseSheet } from "../../../src/core/css/parse-sheet.ts";
import { allows, markupExceptions, sheetExceptions } from "../../../src/core/findings/exceptions.ts";
import type { Finding } from "../../../src/core/findings/verdict.ts";
import { sceneOf } from "../../page.ts";

const inMarkup = (html: string) =>
  markupExceptions(sceneOf(html).document).map(({ checks, reason, covers }) => [
    checks.join(" "),
    reason,
    covers !== null && "kind" in covers ? covers.tag : covers,
  ]);

test.each<[string, unknown]>([
  [
    `<!-- keel: allow names.link-purpose because the card says it --><a href="x">More</a>`,
    [["names.link-purpose", "the card says it", "a"]],
  ],
  [
    `<!--keel:allow a.b, c.d because two reasons--> text <!-- other --> <p>x</p>`,
    [["a.b c.d", "two reasons", "p"]],
  ],
  [`<!-- keel: allow a.b --><p>x</p>`, [["a.b", null, "p"]]],
  [`<!-- keel: please --><p>x</p>`, [["", null, "p"]]],
  [`<p>x</p><!-- keel: allow a.b because x -->`, [["a.b", "x", null]]],
  [`<!-- the keel: is down --><p>x</p>`, []],
])("%s", (html, told) => {
  expect(inMarkup(html)).toEqual(told);
});

test("a comment in a stylesheet covers the declaration, or the whole rule, after it", () => {
  const text = `/* keel: allow a.b because x */ p { color: red; /* keel: allow c.d because y */ margin: 0; top: 0 } /* keel: allow e.f because z */`;
  const covered = sheetExceptions(parseSheet({ file: "a.css", text, start: 0 }).remarks).map(
    ({ checks, covers }) => [
      checks[0],
      covers !== null && "start" in covers ? text.slice(covers.start, covers.end) : null,
    ],
  );
  expect(covered).toEqual([
    ["a.b", expect.stringMatching(/^p \{[\s\S]*top: 0 $/)],
    ["c.d", "margin: 0"],
    ["e.f", null],
  ]);
});

test.each<[what: string, exception: Parameters<typeof allows>[0], isAllowed: boolean]>([
  ["covers its declaration", sheetException({}), true],
  ["ends before it", sheetException({ covers: { file: "a.css", start: 0, end: 20 } }), false],
  ["begins behind it", sheetException({ covers: { file: "a.css", start: 21, end: 90 } }), false],
  ["stands in another file", sheetException({ covers: { file: "b.css", start: 10, end: 40 } }), false],
  ["is of another check", sheetException({ checks: ["contrast.control-edge"] }), false],
  ["gives no reason", sheetException({ reason: null }), false],
  ["covers nothing", sheetException({ covers: null }), false],
])("an exception that %s", (_, exception, isAllowed) => {
  expect(allows(exception, findingAt("a.css", 20))).toBe(isAllowed);
});

function sheetException(more: Partial<Parameters<typeof allows>[0]>): Parameters<typeof allows>[0] {
  const source = { file: "a.css", start: 0, end: 5 };
  return {
    checks: ["contrast.text"],
    reason: "print alone",
    source,
    covers: { file: "a.css", start: 20, end: 40 },
    ...more,
  } as Parameters<typeof allows>[0];
}

/** A finding whose colour was declared at a place. */
function findingAt(file: string, start: number): Finding {
  const [element] = sceneOf("<p>x</p>").page.index.byTag("p");
  if (element === undefined) throw new Error("no <p>");
  return {
    check: "contrast.text",
    outcome: "failed",
    severity: "barrier",
    criteria: [],
    element,
    source: { file: "a.html", start: 0, end: 3 },
    message: "",
    repair: null,
    facts: {},
    cause: null,
    origins: [{ of: "colour", source: { file, start, end: start + 4 }, text: "#999" }],
  } as Finding;
}
