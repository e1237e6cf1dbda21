/// <reference lib="dom" />
import type { Page } from "puppeteer-core";
import { elementPath } from "../../src/core/document/element-path.ts";
import type { ElementNode } from "../../src/core/document/node.ts";
import { type Direction, tabSequence } from "../../src/core/focus/tab-sequence.ts";
import type { Scene } from "../../src/core/scene/scene.ts";
import { sceneOf } from "../page.ts";

/** More presses than any of the pages has stops. */
const MOST_PRESSES = 60;

/** Presses the key from the top (or the end) and tells what has focus after each press, once around. */
async function pressed(page: Page, html: string, direction: Direction): Promise<readonly string[]> {
  // Where focus was on the page before must not count.
  await page.goto("about:blank");
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

/** The path of what a page's own script sees of focus: the host, where the element is in a closed shadow tree. */
function seenFromOutside({ page: { index } }: Scene, element: ElementNode): string {
  let seen = element;
  for (let at = element; ; ) {
    const { root } = index.record(at);
    if (!("mode" in root)) return elementPath(index, seen);
    at = index.host(root);
    if (root.mode === "closed") seen = at;
  }
}

/** How the order of Tab on a page differs from Chromium's, forwards and back. */
export async function tabDifferences(page: Page, html: string): Promise<readonly string[]> {
  const scene = sceneOf(html);
  const found: string[] = [];
  for (const direction of ["forwards", "backwards"] as const) {
    const theirs = await pressed(page, html, direction);
    const ours = tabSequence(scene, direction)
      .map(({ element }) => seenFromOutside(scene, element))
      .filter((path, i, all) => path !== all[i - 1]);
    if (ours.join("\n") !== theirs.join("\n"))
      found.push(`${direction}: ours\n  ${ours.join("\n  ")}\nChromium\n  ${theirs.join("\n  ")}`);
  }
  return found;
}
