import { setWords } from "../../repair/change.ts";
import { askWords, BLANK } from "../../repair/repair.ts";
import type { SiteCheck } from "../check.ts";
import type { PageDigest } from "../site/digest.ts";
import type { SiteFinding } from "../site/site-verdicts.ts";

function judgePages(pages: readonly PageDigest[]) {
  const first = new Map<string, string>();
  const findings: SiteFinding[] = [];
  let targets = 0;
  for (const { page, title } of pages) {
    if (title === null || title.text === "") continue;
    targets++;
    const key = title.text.toLowerCase();
    const earlier = first.get(key);
    if (earlier === undefined) {
      first.set(key, page);
      continue;
    }
    if (sourceOf(page) === sourceOf(earlier)) continue;
    findings.push({
      page,
      element: title.element,
      verdict: {
        outcome: "failed",
        message: `This page is called "${title.text}", and so is ${earlier}.`,
        repair: askWords(
          "Begin the title with what is on this page and on no other.",
          "Title of the page",
          "",
          [setWords(title.element, BLANK)],
        ),
        facts: { title: title.text, same: earlier },
        cause: { kind: "title of several pages", of: [key] },
      },
    });
  }
  return { targets, findings };
}

/** What a build puts into a folder of its own is the same page. */
const sourceOf = (page: string): string => page.replace(/(^|\/)(?:dist|build)\//, "$1");

export const titlesDiffer = {
  id: "structure.titles-differ",
  kind: "site",
  criteria: [],
  severity: "friction",
  means: "No two pages have the same title.",
  who: "Someone with several pages open, or in their history, cannot tell which is which.",
  mend: "Begin each title with what is on that page.",
  judgePages,
  examples: [
    { pages: [`<!doctype html><title>Slips</title>`, `<!doctype html><title>Tides</title>`], finds: [] },
    {
      pages: [
        `<!doctype html><title>Yard</title><div id="app"></div><script src="app.js"></script>`,
        `<!doctype html><title>Yard</title><div id="app"></div><script src="app.js"></script>`,
      ],
      finds: [],
    },
    {
      pages: [`<!doctype html><title>Yard</title>`, `<!doctype html><title>Yard</title>`],
      finds: [[2, "failed", "<title>", `This page is called "Yard", and so is pages/0.html.`]],
    },
  ],
} as const satisfies SiteCheck;
