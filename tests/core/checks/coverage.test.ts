import { expect, test } from "vitest";
import { catalogue } from "../../../src/core/checks/catalogue.ts";
import { type CriterionRow, criterionRows } from "../../../src/core/checks/coverage.ts";
import { addFacts, pageFacts } from "../../../src/core/checks/page-facts.ts";
import { runChecks } from "../../../src/core/checks/run.ts";
import { demandedCriteria } from "../../../src/core/standards/conformance.ts";
import { sceneOf } from "../../page.ts";

const aa = { wcag: "2.2", level: "AA" } as const;

function rowsOf(
  html: string,
  ran: ReadonlySet<string> = new Set(catalogue.map(({ id }) => id)),
): ReadonlyMap<string, CriterionRow> {
  const scene = sceneOf(html);
  const rows = criterionRows(
    demandedCriteria(aa),
    catalogue,
    ran,
    runChecks(scene, catalogue).criteria,
    pageFacts(scene),
  );
  return new Map(rows.map((row) => [row.criterion, row]));
}

test("there is one row for each criterion asked for", () => {
  expect(demandedCriteria(aa)).toHaveLength(55);
  expect(demandedCriteria({ wcag: "2.0", level: "A" })).toHaveLength(25);
  expect(demandedCriteria({ wcag: "2.2", level: "AAA" })).toHaveLength(86);
  expect(rowsOf("<!doctype html><title>t</title><p>x").size).toBe(55);
});

test("a criterion failed, held, is for a person, or is about nothing here", () => {
  const rows = rowsOf(
    `<!doctype html><html lang="en"><title>Slips</title><main><h1>Slips</h1><img src="a.jpg"><a href="x">Tides</a></main>`,
  );
  expect(rows.get("1.1.1")).toMatchObject({ outcome: "failed", failed: 1 });
  expect(rows.get("2.4.1")).toMatchObject({ outcome: "passed", question: null });
  expect(rows.get("2.4.4")).toMatchObject({
    outcome: "cantTell",
    question: "1 link: does each say where it leads?",
  });
  expect(rows.get("1.2.2")).toMatchObject({ outcome: "inapplicable", question: null });
});

test("questions name what is on this page", () => {
  const film = (track: string) => `<video src="a.mp4" controls>${track}</video>`;
  const rows = rowsOf(
    `<!doctype html><title>t</title>${film("")}${film(`<track kind="captions" src="a.vtt">`)}`,
  );
  expect(rows.get("1.2.2")?.question).toBe("1 question above. 2 videos: 1 has no captions track");
});

test("the facts of several pages add up", () => {
  const one = pageFacts(sceneOf("<!doctype html><title>t</title><h1>a</h1>"));
  const two = pageFacts(sceneOf("<!doctype html><title>t</title><h1>a</h1><h2>b</h2>"));
  expect(addFacts(one, two)).toMatchObject({ pages: 2, headings: 3 });
});

test("a criterion of which a check did not run is not looked at", () => {
  const without = new Set(catalogue.map(({ id }) => id).filter((id) => id !== "keys.focus-shows"));
  const html = `<!doctype html><title>t</title><main><a href="x">Tides</a></main>`;
  expect(rowsOf(html, without).get("2.4.7")?.outcome).toBe("untested");
  expect(rowsOf(html).get("2.4.7")?.outcome).toBe("passed");
});
