import { describe, expect, test } from "vitest";
import { catalogue, everyCheck } from "../../../src/core/checks/catalogue.ts";
import { familyOf, isOfKind, type PageCheck } from "../../../src/core/checks/check.ts";
import { outcomeOf } from "../../../src/core/checks/example.ts";
import { runChecks } from "../../../src/core/checks/run.ts";
import { digestOf } from "../../../src/core/checks/site/digest.ts";
import type { ElementNode } from "../../../src/core/document/node.ts";
import { withEdits } from "../../../src/core/repair/edit.ts";
import { spelled } from "../../../src/core/repair/spell.ts";
import { criteria } from "../../../src/core/standards/criteria.ts";
import { checksFor } from "../../../src/settings/check-plan.ts";
import { sceneOf } from "../../page.ts";

const demanded = checksFor(catalogue, { wcag: "2.2", level: "AA" });

const startTag = (html: string, { source, tag }: ElementNode): string =>
  source === null ? `<${tag}>` : html.slice(source.start, source.end);

const found = (check: PageCheck, html: string) =>
  runChecks(sceneOf(html), [check], ["failed", "cantTell"]).findings.map(({ outcome, element, message }) => [
    outcome,
    startTag(html, element),
    message,
  ]);

const failuresIn = (html: string) => runChecks(sceneOf(html), demanded, ["failed"]).findings;

describe.each(catalogue.map((check) => [check.id, check] as const))("%s", (_, check) => {
  const pages = check.examples.flatMap((example) =>
    // What only a browser shows is opened in one by a test of its own.
    example.html === undefined || example.isSeen === true ? [] : [[example.html, example] as const],
  );

  test.each(pages)("finds in %s what it says, and nothing else", (html, { finds, others = 0 }) => {
    expect(found(check, html)).toEqual(finds);
    expect(failuresIn(html).filter((finding) => finding.check !== check.id)).toHaveLength(others);
  });

  test("every finding names a way to mend it", () => {
    for (const [html] of pages)
      for (const finding of failuresIn(html).filter((one) => one.check === check.id)) {
        expect(finding.message).toMatch(/[.?]$/);
        expect(finding.repair?.summary ?? "").not.toBe("");
      }
  });

  test("an edit that is offered takes the finding away and bars nobody anew", () => {
    const all = (html: string) => runChecks(sceneOf(html), catalogue, ["failed"]).findings;
    const barring = (findings: ReturnType<typeof all>) =>
      findings.filter(({ severity }) => severity !== "friction").length;
    const own = (findings: ReturnType<typeof all>) =>
      findings.filter((finding) => finding.check === check.id).length;
    for (const [html] of pages) {
      const before = all(html);
      for (const finding of before.filter((one) => one.check === check.id)) {
        const edits = spelled(finding.repair?.changes ?? [], () => html) ?? [];
        if (edits.length === 0) continue;
        const edited = withEdits(html, edits);
        const after = all(edited);
        expect(own(after), `${html} edited to ${edited}`).toBeLessThan(own(before));
        expect(barring(after), `${html} edited to ${edited}`).toBeLessThanOrEqual(barring(before));
      }
    }
  });
});

describe.each(everyCheck.filter(isOfKind("site")).map((check) => [check.id, check] as const))(
  "%s",
  (_, check) => {
    test.each([...check.examples])("finds in %o what it says, and nothing else", ({ pages, finds }) => {
      const digests = pages.map((html, place) => digestOf(`pages/${place}.html`, sceneOf(html)));
      expect(
        check.judgePages(digests).findings.map(({ page, element, verdict }) => {
          const place = digests.findIndex((digest) => digest.page === page);
          return [place + 1, verdict.outcome, startTag(pages[place] ?? "", element), verdict.message];
        }),
      ).toEqual(finds);
    });
  },
);

describe.each(everyCheck.map((check) => [check.id, check] as const))("%s", (_, check) => {
  test("names criteria that exist, says whom it hurts and ends its sentences", () => {
    for (const number of check.criteria) expect(criteria).toHaveProperty([number]);
    for (const text of [check.means, check.who, check.mend]) expect(text).toMatch(/[.>]$/);
  });

  test("has examples of what is kept, and of what is broken or asked", () => {
    const outcomes = check.examples.map(outcomeOf);
    expect(outcomes).toContain("kept");
    expect(outcomes.some((outcome) => outcome !== "kept")).toBe(true);
  });
});

test("check ids are unique and in families", () => {
  const ids = everyCheck.map((check) => check.id);
  expect(new Set(ids).size).toBe(ids.length);
  for (const id of ids) expect(id).toMatch(/^[a-z]+\.[a-z]+(?:-[a-z]+)*$/);
  expect(new Set(ids.map(familyOf)).size).toBeGreaterThan(3);
});
