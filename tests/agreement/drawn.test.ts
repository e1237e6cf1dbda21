import fc, { type Arbitrary } from "fast-check";
import type { Browser, Page } from "puppeteer-core";
import { afterAll, beforeAll, expect, test } from "vitest";
import { launch } from "./browser.ts";
import { stylePage, tabPage, treePage } from "./drawn-pages.ts";
import { styleDifferences } from "./style-agreement.ts";
import { tabDifferences } from "./tab-agreement.ts";
import { treeDifferences } from "./tree-agreement.ts";

/** How many pages of each kind are drawn, and from which seed: `npm run agreement -- --count N --seed S`. */
const count = Number(process.env.AGREEMENT_COUNT ?? 60);
const seed = Number(process.env.AGREEMENT_SEED ?? 1);

let browser: Browser;
beforeAll(async () => {
  browser = await launch();
});
afterAll(() => browser?.close());

type Differences = (page: Page, html: string) => Promise<readonly string[]>;

/** Milliseconds that one page may take. */
const PER_PAGE = 3000;

test.each<[string, Arbitrary<string>, Differences]>([
  ["the order of Tab", tabPage, tabDifferences],
  ["the accessibility tree", treePage, treeDifferences],
  ["computed values", stylePage, styleDifferences],
])(
  "drawn pages: %s as in Chromium",
  async (_, pages, differences) => {
    const page = await browser.newPage();
    const agrees = fc.asyncProperty(pages, async (html) => {
      expect(await differences(page, html)).toEqual([]);
    });
    await fc.assert(agrees, { numRuns: count, seed });
    await page.close();
  },
  count * PER_PAGE,
);
