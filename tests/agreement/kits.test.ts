import path from "node:path";
import type { Browser, CDPSession, Page } from "puppeteer-core";
import { afterAll, beforeAll, expect, test } from "vitest";
import { desktop } from "../../src/core/css/device.ts";
import { keyPressOf } from "../../src/core/keyboard/named-keys.ts";
import { explore } from "../../src/explore/explore.ts";
import { keyEvent } from "../../src/render/keys.ts";
import { liveSource } from "../../src/render/live-driver.ts";
import { LivePage } from "../../src/render/live-page.ts";
import { bundleSpecimens } from "../../src/render/mount/bundle.ts";
import { Program } from "../../src/render/mount/program.ts";
import { specimenPage } from "../../src/render/mount/specimen-page.ts";
import type { Bundle } from "../../src/render/protocol.ts";
import { everyCheck } from "../render/pages.ts";
import { launch } from "./browser.ts";

/** Widgets of published kits, by their specimens, and the keys pressed on each. */
const widgets: readonly (readonly [string, readonly string[]])[] = [
  ["dialog", ["Tab", "Tab", "Enter", "Tab", "Tab", "Shift+Tab", "Escape", "Space", "Tab", "Enter", "Tab"]],
  [
    "menu",
    [
      "Tab",
      "Tab",
      "Enter",
      "ArrowDown",
      "ArrowDown",
      "ArrowUp",
      "Home",
      "End",
      "c",
      "Escape",
      "ArrowDown",
      "Enter",
      "Tab",
    ],
  ],
  [
    "tabs",
    [
      "Tab",
      "Tab",
      "ArrowRight",
      "ArrowRight",
      "ArrowRight",
      "End",
      "Home",
      "ArrowLeft",
      "Tab",
      "Shift+Tab",
      "Tab",
      "Tab",
    ],
  ],
  [
    "listbox",
    [
      "Tab",
      "Tab",
      "Enter",
      "ArrowDown",
      "End",
      "Home",
      "q",
      "Enter",
      "Space",
      "Escape",
      "ArrowDown",
      "Escape",
      "Tab",
    ],
  ],
  [
    "combobox",
    ["Tab", "Tab", "ArrowDown", "ArrowDown", "ArrowUp", "Enter", "Backspace", "q", "Enter", "Escape", "Tab"],
  ],
  [
    "slider",
    ["Tab", "Tab", "ArrowRight", "ArrowUp", "ArrowLeft", "PageUp", "PageDown", "Home", "End", "Tab"],
  ],
];

/** What is focused, what is shown, and in which state; run in both windows. */
const look = `(() => {
  const name = (e) => (e.getAttribute("aria-label") ?? e.textContent ?? "").trim();
  const told = (e) => [e.localName, e.getAttribute("role") ?? "", name(e)].join(" ");
  const at = document.activeElement;
  const states = ["aria-expanded", "aria-selected", "aria-checked", "aria-valuenow", "aria-hidden", "data-state", "inert"];
  const parts = [...document.querySelectorAll("[role], input, button, [data-state]")]
    .filter((e) => e.checkVisibility())
    .map((e) => told(e) + states.map((s) => (e.hasAttribute(s) ? " " + s + "=" + e.getAttribute(s) : "")).join("") + (e.localName === "input" ? " " + e.value : ""));
  const active = at?.getAttribute("aria-activedescendant");
  const item = active ? document.getElementById(active) : null;
  return JSON.stringify({ focus: at === null || at === document.body ? "nothing" : told(at), active: item === null ? "" : told(item), parts });
})()`;

const folder = import.meta.dirname;
const file = { path: path.join(folder, "kits.specimen.jsx"), name: "kits.specimen.jsx" };
let browser: Browser;
let bundle: Bundle;

beforeAll(async () => {
  browser = await launch();
  const root = path.resolve(folder, "../..");
  const request = {
    kind: "bundle",
    root,
    workingDirectory: folder,
    files: [file.path],
  } as const;
  const { bundle: built, broken } = await bundleSpecimens(request);
  expect([...broken]).toEqual([]);
  bundle = built as Bundle;
});

afterAll(async () => {
  await browser.close();
});

/** The states that our window comes to, the first before any key. */
async function ours(name: string, index: number, keys: readonly string[]): Promise<readonly string[]> {
  const page = await LivePage.open(
    specimenPage(new Program(bundle), file, { name, index, place: null }, desktop),
  );
  const states = [page.window.eval(look)];
  for (const key of keys) {
    await page.press(key);
    states.push(page.window.eval(look));
  }
  page.close();
  return states;
}

/** Mounts a specimen in the browser with what our windows are given. */
const start = (index: number): string => `(async () => {
  globalThis.__evenKeel = { sites: new WeakMap(), styles: [], unset: new Set() };
  const shelf = (globalThis[Symbol.for("even-keel.specimens")] = []);
  ${Buffer.from(bundle.code).toString("utf8")}
  __evenKeel.files[${JSON.stringify(file.path)}]();
  const { render, options } = shelf[${index}];
  __evenKeel.mounts.react().mount(render(), document.body.firstElementChild, () => {}, options);
})()`;

/** What the browser shows once nothing has changed for a while: frames are counted, no time is. */
const settled = (page: Page): Promise<string> =>
  page.evaluate(
    `new Promise((resolve) => {
      let last = "", same = 0;
      const frame = () => {
        const now = ${look};
        same = now === last ? same + 1 : 0;
        last = now;
        if (same >= 20) resolve(now); else requestAnimationFrame(frame);
      };
      frame();
    })`,
  ) as Promise<string>;

async function send(session: CDPSession, written: string): Promise<void> {
  const pressed = keyPressOf(written);
  const { key, shift: shiftKey } = pressed;
  const { code, keyCode } = keyEvent(null, pressed);
  const text = key === "Enter" ? "\r" : key.length === 1 ? key : undefined;
  const event = { key, code, windowsVirtualKeyCode: keyCode, modifiers: shiftKey ? 8 : 0 };
  await session.send("Input.dispatchKeyEvent", {
    type: text === undefined ? "rawKeyDown" : "keyDown",
    ...event,
    ...(text === undefined ? {} : { text }),
  });
  await session.send("Input.dispatchKeyEvent", { type: "keyUp", ...event });
}

async function theirs(index: number, keys: readonly string[]): Promise<readonly string[]> {
  const page = await browser.newPage();
  await page.setContent('<!doctype html><html lang="en"><title>kit</title><body><div></div></body></html>');
  await page.evaluate(start(index));
  const session = await page.createCDPSession();
  const states = [await settled(page)];
  for (const key of keys) {
    await send(session, key);
    states.push(await settled(page));
  }
  await page.close();
  return states;
}

test.each(widgets.map(([name, keys], index) => [name, keys, index] as const))(
  "the keys of a %s do what they do in a browser",
  async (name, keys, index) => {
    const [own, real] = [await ours(name, index, keys), await theirs(index, keys)];
    const told = (states: readonly string[]) =>
      states.map((state, at) => [keys[at - 1] ?? "at first", JSON.parse(state)]);
    expect(new Set(own).size).toBeGreaterThan(5);
    expect(told(own)).toEqual(told(real));
  },
);

test.each(widgets.map(([name], index) => [name, index] as const))(
  "nothing is found on a %s",
  async (name, index) => {
    const page = specimenPage(new Program(bundle), file, { name, index, place: null }, desktop);
    const { findings, problems, isCutShort } = await explore(liveSource(page), {
      script: null,
      patience: 100_000,
      plan: everyCheck,
      log: false,
    });
    const failed = findings.filter(({ outcome }) => outcome === "failed");
    expect([problems, isCutShort, failed.map(({ check, message, keys }) => [check, message, keys])]).toEqual([
      [],
      false,
      [],
    ]);
  },
);
