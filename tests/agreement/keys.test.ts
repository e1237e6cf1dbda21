import type { Browser, Page } from "puppeteer-core";
import { afterAll, beforeAll, expect, test } from "vitest";
import { LivePage } from "../../src/render/live-page.ts";
import { pageSource } from "../render/pages.ts";
import { launch } from "./browser.ts";
import { recordedPage } from "./key-record.ts";
import { keyRows } from "./key-rows.ts";

let browser: Browser;
beforeAll(async () => {
  browser = await launch();
});
afterAll(() => browser.close());

interface Record {
  readonly events: readonly string[];
  readonly state: readonly string[];
}

/** Events that the browser sends of itself, and that a simulated window leaves out: keys that are only held. */
const isTold = (event: string): boolean => !/^key(?:down|up)/.test(event);

/** What is queued has come by then. */
const twoFrames = (page: Page) =>
  page.evaluate("new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(done)))");

async function theirs(body: string, keys: readonly string[]): Promise<Record> {
  const page = await browser.newPage();
  await page.setContent(recordedPage(body));
  await page.evaluate("document.getElementById('a').focus(); window.events.length = 0");
  for (const key of keys) {
    await twoFrames(page);
    const parts = key.split("+");
    const last = parts.pop() ?? "";
    const held = parts.map((part) => (part === "Ctrl" ? "Control" : part));
    for (const part of held) await page.keyboard.down(part as "Shift");
    await page.keyboard.press((last === "Space" ? " " : last) as "a");
    for (const part of held.toReversed()) await page.keyboard.up(part as "Shift");
  }
  await twoFrames(page);
  const record = (await page.evaluate("({ events: window.events, state: window.stateNow() })")) as Record;
  await page.close();
  return { ...record, events: record.events.filter(isTold) };
}

async function ours(body: string, keys: readonly string[]): Promise<Record> {
  const page = await LivePage.open(pageSource(recordedPage(body)));
  page.window.document.getElementById("a").focus();
  await page.settle();
  page.window.events.length = 0;
  for (const key of keys) await page.press(key);
  const record = { events: [...page.window.events].filter(isTold), state: [...page.window.stateNow()] };
  page.close();
  return record;
}

test.each(keyRows.map(([body, ...keys]) => [keys.join(" "), body, keys] as const))(
  "%s on %s does what it does in a browser",
  async (_, body, keys) => {
    expect(await ours(body, keys)).toEqual(await theirs(body, keys));
  },
);
