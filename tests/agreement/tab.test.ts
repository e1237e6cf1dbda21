import type { Browser } from "puppeteer-core";
import { afterAll, beforeAll, expect, test } from "vitest";
import { launch } from "./browser.ts";
import { tabDifferences } from "./tab-agreement.ts";
import { tabPages } from "./tab-pages.ts";

let browser: Browser;
beforeAll(async () => {
  browser = await launch();
}, 60_000);
afterAll(() => browser.close());

test.each(Object.entries(tabPages))(
  "Tab goes through %s, forwards and back, as in Chromium",
  async (_, html) => {
    const page = await browser.newPage();
    expect(await tabDifferences(page, html)).toEqual([]);
    await page.close();
  },
);
