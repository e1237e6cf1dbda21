import type { Browser } from "puppeteer-core";
import { afterAll, beforeAll, expect, test } from "vitest";
import { LivePage } from "../../src/render/live-page.ts";
import { pageSource } from "../render/pages.ts";
import { launch } from "./browser.ts";

/** What is pressed with a mouse: the element of class `aim`. */
const bodies = [
  `<button class="aim">x</button>`,
  `<button class="aim" disabled>x</button>`,
  `<fieldset disabled><button class="aim">x</button></fieldset>`,
  `<fieldset disabled><legend><button class="aim">x</button></legend></fieldset>`,
  `<div inert><button class="aim">x</button></div>`,
  `<button class="aim" style="pointer-events: none">x</button>`,
  `<div style="pointer-events: none"><button class="aim" style="pointer-events: auto">x</button></div>`,
  `<button><span class="aim">x</span></button>`,
  `<div tabindex="0"><span class="aim">x</span></div>`,
  `<a href="#z" class="aim" aria-disabled="true">x</a>`,
  `<label class="aim">L</label><input>`,
  `<label class="aim" for="f">L</label><input id="f">`,
  `<label><span class="aim">L</span><input type="checkbox"></label>`,
  `<label for="r"><span class="aim">L</span></label><input type="radio" id="r" name="n">`,
  `<label class="aim" for="d">L</label><input type="checkbox" id="d" disabled>`,
  `<input type="checkbox" class="aim">`,
  `<input class="aim" readonly>`,
  `<input class="aim" disabled>`,
  `<p class="aim">x</p>`,
  `<details><summary class="aim">x</summary><p>y</p></details>`,
  `<button class="aim" onmousedown="event.preventDefault()">x</button>`,
  `<button class="aim" onclick="event.preventDefault()">x</button>`,
];

const recorder = `
  window.events = [];
  for (const type of ["pointerdown", "mousedown", "focusin", "focusout", "pointerup", "mouseup", "click", "dblclick", "input", "change", "toggle"])
    document.addEventListener(type, (event) => {
      const told = [type, event.target.localName ?? "page"];
      // What a press on a label sends on to its control is no press of its own, and the window counts it otherwise.
      const isSentOn = type === "click" && event.target.labels?.length > 0;
      if (event.detail !== undefined && !isSentOn) told.push(event.detail);
      if (type === "click" && !isSentOn) told.push(event.constructor.name, event.button, event.composedPath().length);
      if (/^pointer/.test(type)) told.push(event.pointerId, event.pointerType, event.isPrimary);
      window.events.push(told.join(" "));
      Promise.resolve().then(() => window.events.push("then"));
    }, true);
  window.stateNow = () => [document.activeElement.localName, ...[...document.querySelectorAll("input")].map((one) => one.checked)];
`;

const pageOf = (body: string) =>
  `<!doctype html><title>t</title><style>.aim { display: inline-block; min-width: 40px; min-height: 20px }</style><main>${body}</main><script>${recorder}</script>`;

let browser: Browser;
beforeAll(async () => {
  browser = await launch();
});
afterAll(() => browser.close());

async function theirs(body: string) {
  const page = await browser.newPage();
  await page.setContent(pageOf(body));
  const box = await (await page.$(".aim"))?.boundingBox();
  await page.mouse.click((box?.x ?? 0) + 6, (box?.y ?? 0) + 6);
  await page.evaluate("new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(done)))");
  const record = await page.evaluate("({ events: window.events, state: window.stateNow() })");
  await page.close();
  return record;
}

async function ours(body: string) {
  const page = await LivePage.open(pageSource(pageOf(body)));
  await page.point(page.window.document.querySelector(".aim"));
  const record = { events: [...page.window.events], state: [...page.window.stateNow()] };
  page.close();
  return record;
}

test.each(bodies)("a press on %s does what it does in a browser", async (body) => {
  expect(await ours(body)).toEqual(await theirs(body));
});
