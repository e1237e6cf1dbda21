import { expect, test } from "vitest";
import { parseSheet } from "../../../src/core/css/parse-sheet.ts";
import { markupExceptions, sheetExceptions } from "../../../src/core/findings/exceptions.ts";
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
