import { expect, test } from "vitest";
import { digestOf } from "../../../src/core/checks/site/digest.ts";
import { navigationOrder } from "../../../src/core/checks/structure/navigation-order.ts";
import { titlesDiffer } from "../../../src/core/checks/structure/titles-differ.ts";
import { sceneOf } from "../../page.ts";

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
  expect(
    navigationOrder.judgePages(
      [
        `<!doctype html><title>a</title>${nav("a", "b", "c")}`,
        `<!doctype html><title>b</title>${nav("c", "b", "a")}${nav("a", "b", "c")}`,
      ].map((html, place) => digestOf(`pages/${place}.html`, sceneOf(html))),
    ).findings,
  ).toEqual([]);
});

test.each([
  ["the page that a build made of it", "site/index.html", "site/dist/index.html", 0],
  ["another page that a build made", "site/index.html", "site/dist/tides.html", 1],
  ["the page of another folder", "index.html", "tides/index.html", 1],
])("a page has the title of %s", (_, one, other, findings) => {
  const pages = [one, other].map((page) =>
    digestOf(page, sceneOf("<!doctype html><title>Yard</title><p>Slips</p>")),
  );
  expect(titlesDiffer.judgePages(pages).findings).toHaveLength(findings);
});
