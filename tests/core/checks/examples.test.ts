import { describe, expect, test } from "vitest";
import { catalogue } from "../../../src/core/checks/catalogue.ts";
import { familyOf } from "../../../src/core/checks/check.ts";
import { runChecks } from "../../../src/core/checks/run.ts";
import { withEdits } from "../../../src/core/repair/edit.ts";
import { spelled } from "../../../src/core/repair/spell.ts";
import { criteria } from "../../../src/core/standards/criteria.ts";
import { sceneOf } from "../../page.ts";

const outcomesOf = (check: (typeof catalogue)[number], html: string) =>
  runChecks(sceneOf(html), [check]).findings.map((finding) => finding.outcome);

describe.each(catalogue.map((check) => [check.id, check] as const))("%s", (_, check) => {
  test.each(check.examples.kept.map((html) => [html]))("is kept by %s", (html) => {
    expect(outcomesOf(check, html).filter((outcome) => outcome !== "passed")).toEqual([]);
  });

  test.each(check.examples.broken.map((html) => [html] as const))("is broken by %s", (html) => {
    expect(outcomesOf(check, html)).toContain("failed");
  });

  test.each((check.examples.asked ?? []).map((html) => [html]))("asks a person about %s", (html) => {
    const outcomes = outcomesOf(check, html);
    expect(outcomes).toContain("cantTell");
    expect(outcomes).not.toContain("failed");
  });

  test("names criteria that exist, says whom it hurts and ends its sentences", () => {
    for (const number of check.criteria) expect(criteria).toHaveProperty([number]);
    for (const text of [check.means, check.who, check.mend]) expect(text).toMatch(/[.>]$/);
    expect(check.examples.broken.length + (check.examples.asked ?? []).length).toBeGreaterThan(0);
    expect(check.examples.kept.length).toBeGreaterThan(0);
  });

  test("every finding names its element and a way to mend it", () => {
    for (const html of check.examples.broken) {
      for (const finding of runChecks(sceneOf(html), [check]).findings.filter(
        (f) => f.outcome === "failed",
      )) {
        expect(finding.message).toMatch(/[.?]$/);
        expect(finding.repair?.summary ?? "").not.toBe("");
      }
    }
  });

  test("an edit that is offered takes the finding away and bars nobody anew", () => {
    const failuresOf = (html: string) =>
      runChecks(sceneOf(html), catalogue).findings.filter((f) => f.outcome === "failed");
    const barring = (findings: ReturnType<typeof failuresOf>) =>
      findings.filter((f) => f.severity !== "friction").length;
    const ofCheck = (findings: ReturnType<typeof failuresOf>) =>
      findings.filter((f) => f.check === check.id).length;
    for (const html of check.examples.broken) {
      const before = failuresOf(html);
      for (const finding of before.filter((f) => f.check === check.id)) {
        const edits = spelled(finding.repair?.changes ?? [], () => html) ?? [];
        if (edits.length === 0) continue;
        const edited = withEdits(html, edits);
        const after = failuresOf(edited);
        expect(ofCheck(after), `${html} edited to ${edited}`).toBeLessThan(ofCheck(before));
        expect(barring(after), `${html} edited to ${edited}`).toBeLessThanOrEqual(barring(before));
      }
    }
  });
});

test("check ids are unique and in families", () => {
  const ids = catalogue.map((check) => check.id);
  expect(new Set(ids).size).toBe(ids.length);
  for (const id of ids) expect(id).toMatch(/^[a-z]+\.[a-z]+(?:-[a-z]+)*$/);
  expect(new Set(ids.map(familyOf)).size).toBeGreaterThan(3);
});
