import { readdirSync, readFileSync } from "node:fs";
import path from "node:path";
import type { Browser } from "puppeteer-core";
import { afterAll, beforeAll, describe, expect, test } from "vitest";
import { launch } from "./browser.ts";
import { departures } from "./departures.ts";
import { stressPages } from "./stress-pages.ts";
import { treeDifferences } from "./tree-agreement.ts";

const demo = path.resolve(import.meta.dirname, "../../demo");
/** Linked stylesheets put into the page, so that the browser and we read the same text. */
const inlined = (file: string): string =>
  readFileSync(file, "utf8").replace(
    /<link rel="stylesheet" href="([^"]+)">/g,
    (_, href: string) => `<style>${readFileSync(path.join(path.dirname(file), href), "utf8")}</style>`,
  );
const demoPages = ["mistakes", "mended"].flatMap((folder) =>
  readdirSync(path.join(demo, folder))
    .filter((name) => name.endsWith(".html"))
    .map((name) => [`demo ${folder}/${name}`, inlined(path.join(demo, folder, name))] as const),
);

describe("the tree agrees with Chromium's", () => {
  let browser: Browser;
  beforeAll(async () => {
    browser = await launch();
  });
  afterAll(() => browser?.close());

  test.each([...Object.entries(stressPages), ...demoPages])("on the page %s", async (_, html) => {
    const page = await browser.newPage();
    expect(await treeDifferences(page, html)).toEqual([]);
    await page.close();
  });
});

test("every departure says why", () => {
  for (const { reason } of departures) expect(reason).toMatch(/\.$/);
});
