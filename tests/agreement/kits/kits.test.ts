import path from "node:path";
import type { Browser, CDPSession, Page } from "puppeteer-core";
import { afterAll, beforeAll, describe, expect, test } from "vitest";
import { desktop } from "../../../src/core/css/device.ts";
import { keyPressOf } from "../../../src/core/keyboard/named-keys.ts";
import type { Explored } from "../../../src/engine/explored.ts";
import { explore } from "../../../src/explore/explore.ts";
import { keyEvent } from "../../../src/render/keys.ts";
import { liveSource } from "../../../src/render/live-driver.ts";
import { LivePage } from "../../../src/render/live-page.ts";
import { bundleSpecimens } from "../../../src/render/mount/bundle.ts";
import { MountedSpecimens } from "../../../src/render/mount/mounted-specimens.ts";
import { specimenPage } from "../../../src/render/mount/specimen-page.ts";
import { Program } from "../../../src/render/mounted/program.ts";
import type { Bundle } from "../../../src/render/protocol.ts";
import { everyCheck } from "../../render/pages.ts";
import { launch } from "../browser.ts";
import { isOfToday } from "../of-today.ts";

/** The checks that notice a widget broken in one way. */
const noticedBy: Readonly<Record<string, RegExp>> = {
  "arrow keys do nothing": /^keys\.(?:pattern-kept|reachable)$/,
  "Escape does nothing": /^keys\.(?:dialog-closes|hover-has-equal)$/,
  "Enter and Space do nothing": /^keys\.(?:activates|reachable)$/,
  "what is expanded is not said": /^roles\.state-follows$/,
  "what is checked is not said": /^roles\.state-follows$/,
  "what is selected is not said": /^roles\.state-(?:follows|agrees)$/,
  "what is pressed is not said": /^roles\.state-follows$/,
  "the value is not said": /^roles\.state-follows$/,
  "the widget has no name": /^names\.(?:area-named|control-labelled)$/,
  "nothing is announced": /^roles\.change-announced$/,
  "focus is not given back": /^keys\.(?:dialog-gives-back|focus-not-lost)$/,
  "Tab leaves the dialog": /^keys\.dialog-keeps-focus$/,
};

/** What a widget does wrong itself, in Chromium too: closing the note leaves focus nowhere. */
const ownFaults: Readonly<Record<string, string>> = { toast: "keys.dialog-gives-back" };

/** Pressed on every widget, here and in Chromium. */
const keys = [
  ...["Tab", "Tab", "Enter", "ArrowDown", "ArrowDown", "ArrowRight", "Home", "End", "Tab", "Escape", "Space"],
  ...["ArrowUp", "ArrowLeft", "Escape", "ArrowDown", "Enter", "Tab"],
];

const folder = import.meta.dirname;
const files = [
  ["react", "react.specimen.jsx"],
  ["vue", "vue.specimen.js"],
  ["svelte", "svelte.specimen.js"],
] as const;

/** Each part of them has its day. */
const PARTS = 6;

/** What is focused, what is shown, and in which state; run in both windows. */
const look = `(() => {
  const name = (e) => (e.getAttribute("aria-label") ?? e.textContent ?? "").trim();
  const told = (e) => [e.localName, e.getAttribute("role") ?? "", name(e)].join(" ");
  const at = document.activeElement;
  const states = ["aria-expanded", "aria-selected", "aria-checked", "aria-valuenow", "aria-hidden", "data-state", "inert"];
  const parts = [...document.querySelectorAll("[role], input, button, [data-state]")]
    .filter((e) => e.checkVisibility() && e.closest("[aria-live], [role=log], [role=status]") === null)
    .map((e) => told(e) + states.map((s) => (e.hasAttribute(s) ? " " + s + "=" + e.getAttribute(s) : "")).join("") + (e.localName === "input" ? " " + e.value : ""));
  const active = at?.getAttribute("aria-activedescendant");
  const item = active ? document.getElementById(active) : null;
  return JSON.stringify({ focus: at === null || at === document.body ? "nothing" : told(at), active: item === null ? "" : told(item), parts });
})()`;

let browser: Browser;
beforeAll(async () => {
  browser = await launch();
});
afterAll(() => browser.close());

describe.each(files)("kits for %s", (framework, name) => {
  const file = { path: path.join(folder, name), name };
  let bundle: Bundle;
  let names: readonly string[] = [];

  beforeAll(async () => {
    const root = path.resolve(folder, "../../..");
    const request = {
      kind: "bundle",
      root,
      workingDirectory: folder,
      files: [file.path],
      isForBrowser: false,
    } as const;
    const { bundle: built, broken } = await bundleSpecimens(request);
    expect([...broken]).toEqual([]);
    bundle = built as Bundle;
    const { specimens } = await new MountedSpecimens().list({ kind: "list", file }, bundle);
    names = specimens.map((one) => one.name);
  });

  const pageOf = (one: string) => {
    const index = names.indexOf(one);
    return specimenPage(new Program(bundle), file, { name: one, index, place: null }, desktop);
  };

  const exploredOf = (one: string): Promise<Explored> =>
    explore(liveSource(pageOf(one)), { script: null, patience: 100_000, plan: everyCheck, log: false });

  const failures = ({ findings }: Explored) =>
    findings.flatMap(({ outcome, check, message, keys }) =>
      outcome === "failed" ? [[check, message, keys]] : [],
    );

  /** Widgets used rightly stand before the same broken. */
  const tried = () => names.filter((_, at) => at % 2 === 0).filter((_, turn) => isOfToday(turn, PARTS));

  test("the keys do what they do in a browser", async () => {
    expect(tried().length).toBeGreaterThan(0);
    for (const one of tried()) {
      const own = await ours(pageOf(one));
      const real = await theirs(framework, bundle, file.path, names.indexOf(one));
      const told = (states: readonly string[]) =>
        states.map((state, at) => [one, keys.slice(0, at).join(" "), JSON.parse(state)]);
      expect(new Set(own).size).toBeGreaterThan(2);
      expect(told(own)).toEqual(told(real));
    }
  }, 900_000);

  test("nothing is found where they are used rightly", async () => {
    for (const one of tried()) {
      const explored = await exploredOf(one);
      const found = failures(explored).filter(([check]) => check !== ownFaults[one]);
      expect([one, explored.problems, explored.isCutShort, found]).toEqual([one, [], false, []]);
    }
  }, 900_000);

  test("what is broken from outside is found", async () => {
    for (const one of tried()) {
      const broken = names[names.indexOf(one) + 1] ?? "";
      const found = failures(await exploredOf(broken));
      const check = noticedBy[broken.slice(one.length + 2)] ?? /^$/;
      expect([broken, found.map(([id]) => id)]).toEqual([
        broken,
        expect.arrayContaining([expect.stringMatching(check)]),
      ]);
    }
  }, 900_000);
});

/** The states that our window comes to, the first before any key. */
async function ours(source: Parameters<typeof LivePage.open>[0]): Promise<readonly string[]> {
  const page = await LivePage.open(source);
  const states = [page.window.eval(look)];
  for (const key of keys) {
    await page.press(key);
    states.push(page.window.eval(look));
  }
  page.close();
  return states;
}

/** Mounts a specimen in the browser with what our windows are given, on the day that it is there. */
const start = (framework: string, { code }: Bundle, file: string, index: number): string => `(async () => {
  const Real = Date, ahead = Date.UTC(2026, 10, 23, 9) - Real.now();
  globalThis.Date = class extends Real {
    constructor(...given) { super(...(given.length > 0 ? given : [Real.now() + ahead])); }
    static now() { return Real.now() + ahead; }
  };
  globalThis.__evenKeel = { sites: new WeakMap(), styles: [], unset: new Set() };
  const shelf = (globalThis[Symbol.for("even-keel.specimens")] = []);
  ${Buffer.from(code).toString("utf8")}
  await __evenKeel.files[${JSON.stringify(file)}]();
  const { render, options } = shelf[${index}];
  const { mount } = await __evenKeel.mounts.${framework}();
  mount(render(), document.body.firstElementChild, () => {}, options);
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
  // Both at once: the simulated window lets no time go by between them either, and some kits wait a turn with what they do.
  await Promise.all([
    session.send("Input.dispatchKeyEvent", {
      type: text === undefined ? "rawKeyDown" : "keyDown",
      ...event,
      ...(text === undefined ? {} : { text }),
    }),
    session.send("Input.dispatchKeyEvent", { type: "keyUp", ...event }),
  ]);
}

async function theirs(
  framework: string,
  bundle: Bundle,
  file: string,
  index: number,
): Promise<readonly string[]> {
  const page = await browser.newPage();
  await page.setContent('<!doctype html><html lang="en"><title>kit</title><body><div></div></body></html>');
  await page.evaluate(start(framework, bundle, file, index));
  const session = await page.createCDPSession();
  const states = [await settled(page)];
  for (const key of keys) {
    await send(session, key);
    states.push(await settled(page));
  }
  await page.close();
  return states;
}
