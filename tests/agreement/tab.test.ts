import type { Browser, Page } from "puppeteer-core";
import { afterAll, beforeAll, expect, test } from "vitest";
import { elementPath } from "../../src/core/document/element-path.ts";
import { type Direction, tabSequence } from "../../src/core/focus/tab-sequence.ts";
import { sceneOf } from "../page.ts";
import { launch } from "./browser.ts";
import { tabPages } from "./tab-pages.ts";

/** More presses than any of the pages has stops. */
const MOST_PRESSES = 60;

/** Presses the key from the top (or the end) and tells what has focus after each press, once around. */
async function pressed(page: Page, html: string, direction: Direction): Promise<readonly string[]> {
  await page.setContent(html, { waitUntil: "load" });
  const session = await page.createCDPSession();
  const found: string[] = [];
  for (let press = 0; press < MOST_PRESSES; press++) {
    const key = {
      key: "Tab",
      code: "Tab",
      windowsVirtualKeyCode: 9,
      modifiers: direction === "backwards" ? 8 : 0,
    };
    await session.send("Input.dispatchKeyEvent", { type: "rawKeyDown", ...key });
    await session.send("Input.dispatchKeyEvent", { type: "keyUp", ...key });
    const path = await page.evaluate(() => {
      let focused = document.activeElement;
      while (focused?.shadowRoot?.activeElement) focused = focused.shadowRoot.activeElement;
      if (focused === null || focused === document.body) return "";
      const trees: string[] = [];
      let steps: string[] = [];
      for (let at: Element | null = focused; at !== null; ) {
        const parent: Node | null = at.parentNode;
        const place = parent === null ? 0 : [...(parent as ParentNode).children].indexOf(at) + 1;
        steps.unshift(at === document.documentElement ? at.localName : `${at.localName}:nth-child(${place})`);
        if (parent instanceof ShadowRoot) {
          trees.unshift(steps.join(" > "));
          steps = [];
          at = parent.host;
        } else at = parent instanceof Element ? parent : null;
      }
      trees.unshift(steps.join(" > "));
      return trees.join(" >>> ");
    });
    if (path === "" || (found.length > 1 && path === found[0])) break;
    if (found.at(-1) !== path) found.push(path);
  }
  await session.detach();
  return found;
}

let browser: Browser;
beforeAll(async () => {
  browser = await launch();
}, 60_000);
afterAll(() => browser.close());

const cases = Object.entries(tabPages).flatMap(([name, html]) =>
  (["forwards", "backwards"] as const).map((direction) => [name, direction, html] as const),
);

test.each(cases)("Tab goes through %s, %s, as in Chromium", async (_, direction, html) => {
  const page = await browser.newPage();
  const theirs = await pressed(page, html, direction);
  await page.close();
  const scene = sceneOf(html);
  const ours = tabSequence(scene, direction).map(({ element }) => elementPath(scene.page.index, element));
  expect(ours).toEqual(theirs);
});
