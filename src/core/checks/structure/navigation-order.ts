import { ask } from "../../repair/repair.ts";
import type { SiteCheck } from "../check.ts";
import type { NavigationLink, PageDigest } from "../site/digest.ts";
import type { SiteFinding } from "../site/site-verdicts.ts";

/** How many links two navigations must share to be one and the same. */
const SHARED = 3;

/** The places two navigations share, in the order of the first; and of the second. */
function sharedOrder(a: readonly NavigationLink[], b: readonly NavigationLink[]) {
  const placesOf = (links: readonly NavigationLink[], other: ReadonlySet<string>) => [
    ...new Set(links.map(({ place }) => place).filter((place) => other.has(place))),
  ];
  const inA = new Set(a.map(({ place }) => place));
  const inB = new Set(b.map(({ place }) => place));
  return { first: placesOf(a, inB), second: placesOf(b, inA) };
}

function judgePages(pages: readonly PageDigest[]) {
  /** The first navigation of each name: what the others are compared with. */
  const known = new Map<string, { readonly page: string; readonly links: readonly NavigationLink[] }>();
  const findings: SiteFinding[] = [];
  let targets = 0;
  for (const { page, navigations } of pages) {
    for (const { name, links, element } of navigations) {
      // Of two that are called the same, which is which cannot be told on another page.
      if (navigations.filter((other) => other.name === name).length > 1) continue;
      const earlier = known.get(name);
      if (earlier === undefined) {
        known.set(name, { page, links });
        continue;
      }
      const { first, second } = sharedOrder(earlier.links, links);
      if (first.length < SHARED) continue;
      targets++;
      const index = first.findIndex((place, i) => place !== second[i]);
      if (index < 0) continue;
      const called = (from: readonly NavigationLink[], place: string | undefined) =>
        from.find((link) => link.place === place)?.name ?? "";
      findings.push({
        page,
        element,
        verdict: {
          outcome: "failed",
          message: `The links of this navigation stand in another order than on ${earlier.page}: "${called(links, second[index])}" where "${called(earlier.links, first[index])}" was.`,
          repair: ask("Put them in the same order on every page."),
          facts: { compared: earlier.page },
          cause: { kind: "order of a navigation", of: [name, ...second] },
        },
      });
    }
  }
  return { targets, findings };
}

export const navigationOrder = {
  id: "structure.navigation-order",
  kind: "site",
  criteria: ["3.2.3"],
  severity: "barrier",
  means: "Navigation that stands on several pages keeps its order.",
  who: "Someone who knows the third link is the tide table, and goes there without reading, lands elsewhere.",
  mend: "Write the navigation once, and use it on every page.",
  judgePages,
  examples: [
    {
      pages: [
        `<!doctype html><title>a</title><nav><a href="a">A</a><a href="b">B</a><a href="c">C</a></nav>`,
        `<!doctype html><title>b</title><nav><a href="a">A</a><a href="x">X</a><a href="b">B</a><a href="c">C</a></nav>`,
      ],
      finds: [],
    },
    {
      pages: [
        `<!doctype html><title>a</title><nav aria-label="Yard"><a href="a">A</a><a href="b">B</a><a href="c">C</a></nav>`,
        `<!doctype html><title>b</title><nav aria-label="Page"><a href="c">C</a><a href="b">B</a><a href="a">A</a></nav>`,
      ],
      finds: [],
    },
    {
      pages: [
        `<!doctype html><title>a</title><nav><a href="a">A</a><a href="b">B</a><a href="c">C</a></nav>`,
        `<!doctype html><title>b</title><nav><a href="a">A</a><a href="c">C</a><a href="b">B</a></nav>`,
      ],
      finds: [
        [
          2,
          "failed",
          "<nav>",
          `The links of this navigation stand in another order than on pages/0.html: "C" where "B" was.`,
        ],
      ],
    },
  ],
} as const satisfies SiteCheck;
