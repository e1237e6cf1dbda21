import { beforeAll, describe, expect, test } from "vitest";
import { audit, nodeHost } from "../../src/api.ts";
import { folderWith } from "../cli/run-keel.ts";
import { formats } from "../planted/in-formats.ts";
import { rightPage } from "../planted/right-page.ts";
import { ways } from "../planted/ways.ts";
import { isOfToday } from "./of-today.ts";

/** What a page says of itself, or hangs on what is around a component, or is asked beyond the usual level. */
const ofPages =
  /^(?:structure\.(?:title|language|main|headings-exist|in-landmarks|landmark-place)|time\.no-refresh|contrast\.text-enhanced|zoom\.not-blocked|roles\.document-not-hidden|keys\.(?:skip-arrives|pattern-kept|no-trap)|contrast\.(?:control-edge|icon|focus-mark)|colour\.links-stand-out)$/;

/** Ways that a format has no words for, or that come to something else in it. */
const without = (format: string, { check, way }: (typeof ways)[number]): boolean =>
  ofPages.test(check) ||
  way === "by script" ||
  // Styles of an Angular component reach neither the root nor the body.
  (format === "Angular" && check === "contrast.text" && /the variable|half seen through/.test(way)) ||
  (format === "Angular" && check === "forms.paste-allowed");

const nameOf = (place: number): string => `W${String(place).padStart(3, "0")}`;

/** Each part of the ways has its day. */
const PARTS = 3;
const planted = ways
  .map((way, at) => ({ ...way, place: at + 1 }))
  .filter(({ place }) => isOfToday(place, PARTS));

describe.each(Object.entries(formats))("what is planted in a page is found in %s", (format, write) => {
  const counts = new Map<string, number>();
  const count = (name: string, outcome: string, check: string) =>
    counts.get(`${name} ${outcome} ${check}`) ?? 0;

  beforeAll(async () => {
    const files = Object.assign(
      { "package.json": JSON.stringify({ dependencies: { "@angular/core": "^20.0.0" } }) },
      write(rightPage, nameOf(0)),
      ...planted.map(({ from, to, place }) => write(rightPage.replace(from, to), nameOf(place))),
    );
    const answer = await audit(
      [],
      { config: false },
      { host: nodeHost({ workingDirectory: folderWith(files) }) },
    );
    for (const { subject, outcome, check } of answer.findings) {
      const key = `${/W\d+/.exec(subject)?.[0]} ${outcome} ${check}`;
      counts.set(key, (counts.get(key) ?? 0) + 1);
    }
  }, 120_000);

  test.each(planted.filter((way) => !without(format, way)))("$check: $way", ({ check, asked, place }) => {
    const told = (name: string) =>
      count(name, "failed", check) + (asked ? count(name, "cantTell", check) : 0);
    expect(told(nameOf(place))).toBeGreaterThan(told(nameOf(0)));
  });

  test("what is right fails nowhere", () => {
    const failed = [...counts].filter(([key]) => key.startsWith(`${nameOf(0)} failed`));
    expect(failed).toEqual([[`${nameOf(0)} failed roles.native-first`, 1]]);
  });
});
