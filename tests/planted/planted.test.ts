import { describe, expect, test } from "vitest";
import { catalogue } from "../../src/core/checks/catalogue.ts";
import { runChecks } from "../../src/core/checks/run.ts";
import { sceneOf } from "../page.ts";
import { rightPage } from "./right-page.ts";
import { ways } from "./ways.ts";

/** How often each check fails and asks on a page. */
const counted = (html: string): ReadonlyMap<string, number> => {
  const counts = new Map<string, number>();
  for (const { check, outcome } of runChecks(sceneOf(html), catalogue, ["failed", "cantTell"]).findings)
    counts.set(`${outcome} ${check}`, (counts.get(`${outcome} ${check}`) ?? 0) + 1);
  return counts;
};

const right = counted(rightPage);

test("the right page is right", () => {
  // A checkbox of one's own is advised against, and is there so that its parts can be taken away.
  expect([...right].filter(([key]) => key.startsWith("failed"))).toEqual([["failed roles.native-first", 1]]);
});

describe("what is planted is found", () => {
  test.each(ways)("$check: $way", ({ check, from, to, asked }) => {
    const wrong = rightPage.replace(from, to);
    expect(wrong).not.toBe(rightPage);
    const key = `${asked ? "cantTell" : "failed"} ${check}`;
    expect(counted(wrong).get(key) ?? 0).toBeGreaterThan(right.get(key) ?? 0);
  });
});

const placeOf = (check: string): number => catalogue.findIndex(({ id }) => id === check);

test("the checks that nothing is planted for are these", () => {
  const planted = new Set(ways.map(({ check }) => check));
  expect(catalogue.map(({ id }) => id).filter((id) => !planted.has(id))).toEqual(
    [
      // Met by the right page itself.
      "roles.native-first",
      // Other pages, or a person, must be asked.
      "colour.not-alone",
      "keys.way-past-repeats",
      "structure.reading-order",
      "motion.no-flash",
      "forms.required-told",
      "forms.options-grouped",
      "touch.target-size-enhanced",
      // Keys or a pointer show it.
      "keys.no-surprise-on-focus",
      "keys.no-surprise-on-input",
      "keys.hover-has-equal",
      "keys.drag-has-equal",
      // Only a browser shows it.
      "zoom.reflows",
      "contrast.control-seen",
    ].toSorted((a, b) => placeOf(a) - placeOf(b)),
  );
});
