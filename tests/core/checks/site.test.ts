import { describe, expect, test } from "vitest";
import { siteCatalogue } from "../../../src/core/checks/site/catalogue.ts";
import { digestOf } from "../../../src/core/checks/site/digest.ts";
import type { SiteCheck } from "../../../src/core/checks/site/site-check.ts";
import { sceneOf } from "../../page.ts";

const outcomesOf = (check: SiteCheck, pages: readonly string[]) =>
  check
    .judgePages(pages.map((html, at) => digestOf(`pages/${at}.html`, sceneOf(html))))
    .findings.map(({ verdict }) => verdict.outcome);

describe.each(siteCatalogue.map((check) => [check.id, check] as const))("%s", (_, check) => {
  test.each(check.examples.kept.map((pages) => [pages] as const))("is kept by %j", (pages) => {
    expect(outcomesOf(check, pages)).toEqual([]);
  });
  test.each(check.examples.broken.map((pages) => [pages] as const))("is broken by %j", (pages) => {
    expect(outcomesOf(check, pages)).toContain("failed");
  });
  test.each((check.examples.asked ?? []).map((pages) => [pages] as const))("asks about %j", (pages) => {
    expect(outcomesOf(check, pages)).toEqual(["cantTell"]);
  });
});

test("addresses are the same from every folder", () => {
  const nav = (href: string) => `<!doctype html><title>t</title><nav><a href="${href}">Tides</a></nav>`;
  const placeOn = (page: string, href: string) =>
    digestOf(page, sceneOf(nav(href))).navigations[0]?.links[0]?.place;
  expect(placeOn("pages/a/b.html", "../tides.html")).toBe("pages/tides.html");
  expect(placeOn("pages/c.html", "./tides.html")).toBe("pages/tides.html");
  expect(placeOn("c.html", "../tides.html")).toBe("../tides.html");
  expect(placeOn("c.html", "/tides.html")).toBe("/tides.html");
});

test("two navigations of one name on a page are compared with nothing", () => {
  const nav = (...names: readonly string[]) =>
    `<nav>${names.map((name) => `<a href="${name}">${name}</a>`).join("")}</nav>`;
  const check = siteCatalogue.find(({ id }) => id === "structure.navigation-order") as SiteCheck;
  expect(
    outcomesOf(check, [
      `<!doctype html><title>a</title>${nav("a", "b", "c")}`,
      `<!doctype html><title>b</title>${nav("c", "b", "a")}${nav("a", "b", "c")}`,
    ]),
  ).toEqual([]);
});
