import { ask } from "../../repair/repair.ts";
import type { SiteCheck } from "../check.ts";
import type { PageDigest } from "../site/digest.ts";
import type { SiteFinding } from "../site/site-verdicts.ts";

const plain = (name: string): string =>
  name
    .toLowerCase()
    .replace(/[^\p{L}\p{N}]+/gu, " ")
    .trim();

function judgePages(pages: readonly PageDigest[]) {
  /** The name each place has in the navigation of the page that names it first. */
  const names = new Map<string, { readonly name: string; readonly page: string }>();
  const seen = new Set<string>();
  const findings: SiteFinding[] = [];
  let targets = 0;
  for (const { page, navigations } of pages) {
    for (const { name, element, place } of navigations.flatMap(({ links }) => links)) {
      targets++;
      const known = names.get(place);
      if (known === undefined) {
        names.set(place, { name, page });
        continue;
      }
      const key = `${place} ${plain(name)}`;
      if (known.page === page || plain(known.name) === plain(name) || seen.has(key)) continue;
      seen.add(key);
      findings.push({
        page,
        element,
        verdict: {
          outcome: "cantTell",
          message: `The navigation calls this "${name}" here and "${known.name}" on ${known.page}, for the same address. Is it the same thing?`,
          repair: ask("Call it the same on every page."),
          facts: { name, elsewhere: known.name },
          cause: { kind: "same place", of: [key] },
        },
      });
    }
  }
  return { targets, findings };
}

export const samePlaceSameName = {
  id: "names.same-place-same-name",
  kind: "site",
  criteria: ["3.2.4"],
  severity: "barrier",
  means: "The navigation calls a place the same on every page.",
  who: "Someone who learned the words of one page does not find them on the next.",
  mend: "Write the navigation once, and use it on every page.",
  judgePages,
  examples: [
    {
      pages: [
        `<!doctype html><title>a</title><nav><a href="t.html">Tides</a></nav>`,
        `<!doctype html><title>b</title><nav><a href="t.html">Tides</a></nav>`,
      ],
      finds: [],
    },
    {
      pages: [
        `<!doctype html><title>a</title><nav><a href="t.html">Tides</a></nav>`,
        `<!doctype html><title>b</title><nav><a href="t.html">High water</a></nav>`,
      ],
      finds: [
        [
          2,
          "cantTell",
          `<a href="t.html">`,
          `The navigation calls this "High water" here and "Tides" on pages/0.html, for the same address. Is it the same thing?`,
        ],
      ],
    },
  ],
} as const satisfies SiteCheck;
