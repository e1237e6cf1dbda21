import type { Browser } from "puppeteer-core";
import { afterAll, beforeAll, describe, expect, test } from "vitest";
import { launch } from "./browser.ts";
import { styleDifferences } from "./style-agreement.ts";
import { stylePages } from "./style-pages.ts";

describe("computed values agree with Chromium's", () => {
  let browser: Browser;
  beforeAll(async () => {
    browser = await launch();
  });
  afterAll(() => browser?.close());

  const cases = Object.entries(stylePages).flatMap(([name, html]) =>
    (["light", "dark"] as const).map((scheme) => [name, scheme, html] as const),
  );
  test.each(cases)("on the page %s in the %s scheme", async (_, scheme, html) => {
    const page = await browser.newPage();
    expect(await styleDifferences(page, html, scheme)).toEqual([]);
    await page.close();
  });
});
