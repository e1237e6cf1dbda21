import { describe, expect, test } from "vitest";
import { type Change, changesBetween, stateIn } from "../../src/explore/page-state.ts";
import { LivePage } from "../../src/render/live-page.ts";
import { pageSource } from "./pages.ts";

const page = (body: string, script = "") =>
  `<!doctype html><title>t</title>${body}<script>${script}</script>`;

/** Where focus is after some keys, by id. */
async function focusAfter(html: string, ...keys: string[]): Promise<readonly (string | null)[]> {
  const live = await LivePage.open(pageSource(html));
  const found: (string | null)[] = [];
  for (const key of keys) {
    await live.press(key);
    found.push(live.focused()?.id ?? null);
  }
  live.close();
  return found;
}

const toldOf = (change: Change): readonly string[] =>
  change.what === "text"
    ? [change.text]
    : change.what === "attribute"
      ? [change.value === null ? `${change.name} gone` : `${change.name}="${change.value}"`]
      : [];

const log = `const log = []; for (const type of ["keydown", "keypress", "keyup", "click", "beforeinput", "input", "change", "submit", "focusin", "focusout"]) document.addEventListener(type, (e) => { log.push(type + (e.detail === 0 && type === "click" ? " 0" : "")); if (type === "submit") e.preventDefault(); });`;

async function eventsOf(body: string, ...keys: string[]): Promise<readonly string[]> {
  const live = await LivePage.open(pageSource(page(body, `${log} window.log = log;`)));
  for (const key of keys.slice(0, -1)) await live.press(key);
  live.window.log.length = 0;
  await live.press(keys.at(-1) ?? "");
  const events = [...live.window.log];
  live.close();
  return events;
}

describe("Tab goes", () => {
  test("through the stops and out of the page, and round again", async () => {
    const html = page(
      `<a href="#" id="a">a</a><button id="b" disabled>b</button><input id="c"><p hidden><input></p>`,
    );
    expect(await focusAfter(html, "Tab", "Tab", "Tab", "Tab", "Shift+Tab")).toEqual([
      "a",
      "c",
      null,
      "a",
      null,
    ]);
  });

  test("on from where a removed element was", async () => {
    const html = page(
      `<button id="a" onclick="this.remove()">a</button><button id="b">b</button><button id="c">c</button>`,
    );
    expect(await focusAfter(html, "Tab", "Enter", "Tab")).toEqual(["a", null, "b"]);
  });

  test("nowhere behind a modal dialog", async () => {
    const html = page(
      `<button id="a" onclick="d.showModal()">a</button><dialog id="d"><button id="b">b</button></dialog><button id="c">c</button>`,
    );
    expect(await focusAfter(html, "Tab", "Enter", "Tab", "Tab", "Escape")).toEqual([
      "a",
      "b",
      null,
      "b",
      "a",
    ]);
  });

  test.each([
    ["what a script makes inert", `a.inert = true;`, "b"],
    ["not past what it wakes again", `a.inert = true; a.inert = false;`, "a"],
    ["what a style sheet hides", ``, "a", `<style>#a { display: block }</style>`],
    ["what a script's style hides", `s.disabled = false;`, "b", `<style id="s">#a { display: none }</style>`],
    [
      "not past what a disabled style would hide",
      `s.disabled = true;`,
      "a",
      `<style id="s">#a { display: none }</style>`,
    ],
  ])("past %s", async (_, script, stop, head = "") => {
    const html = page(`${head}<button id="a">a</button><button id="b">b</button>`, script);
    expect(await focusAfter(html, "Tab")).toEqual([stop]);
  });

  test("past what styles hide and what is inert", async () => {
    const html = page(
      `<style>.x { display: none }</style><button id="a" class="x">a</button><div inert><button id="b">b</button></div><button id="c">c</button>`,
    );
    expect(await focusAfter(html, "Tab")).toEqual(["c"]);
  });
});

describe("keys send what browsers send", () => {
  test.each<readonly [string, string, readonly string[]]>([
    [`<button>b</button>`, "Enter", ["keydown", "keypress", "click 0", "keyup"]],
    [`<button>b</button>`, "Space", ["keydown", "keypress", "keyup", "click 0"]],
    [`<a href="#x">a</a>`, "Enter", ["keydown", "click 0", "keyup"]],
    [`<a href="#x">a</a>`, "Space", ["keydown", "keypress", "keyup"]],
    [`<input>`, "a", ["keydown", "keypress", "beforeinput", "input", "keyup"]],
    [
      `<form><input><button>Send</button></form>`,
      "Enter",
      ["keydown", "keypress", "beforeinput", "click 0", "submit", "keyup"],
    ],
    [`<select><option>a<option>b</select>`, "ArrowDown", ["keydown", "input", "change", "keyup"]],
    [`<input type="checkbox">`, "Space", ["keydown", "keypress", "keyup", "click 0", "input", "change"]],
  ])("%s %s", async (body, key, expected) => {
    expect(await eventsOf(body, "Tab", key)).toEqual(expected);
  });

  test("and nothing by themselves where a script prevents it", async () => {
    const html = page(
      `<button id="a" onkeydown="event.preventDefault()" onclick="this.textContent = 'pressed'">a</button><button id="b">b</button>`,
    );
    const live = await LivePage.open(pageSource(html));
    for (const key of ["Tab", "Enter", "Tab"]) await live.press(key);
    expect([live.focused()?.id, live.focused()?.textContent]).toEqual(["a", "a"]);
    live.close();
  });
});

describe("letters go", () => {
  test.each<readonly [where: string, field: string, value: string]>([
    ["into a field", `<input value="a">`, "ab"],
    ["not into one that is only read", `<input readonly value="a">`, "a"],
    ["not into one that is full", `<input maxlength="1" value="a">`, "a"],
    ["into one that is not full yet", `<input maxlength="2" value="a">`, "ab"],
    ["not into a text of many lines that is only read", `<textarea readonly>a</textarea>`, "a"],
  ])("%s", async (_, field, value) => {
    const live = await LivePage.open(pageSource(page(field)));
    await live.press("Tab");
    await live.press("b");
    expect(live.window.document.querySelector("input, textarea").value).toBe(value);
    live.close();
  });
});

describe("a page settles", () => {
  test("in its own time, animations and timers ended", async () => {
    const html = page(
      `<p id="p">closed</p>`,
      `setTimeout(() => requestAnimationFrame(() => Promise.resolve().then(() => { p.textContent = "open"; })), 300);`,
    );
    const live = await LivePage.open(pageSource(html));
    expect(live.window.document.getElementById("p").textContent).toBe("open");
    live.close();
  });

  test("though an interval never ends", async () => {
    const html = page(
      `<p id="p">0</p>`,
      `setInterval(() => { p.textContent = Number(p.textContent) + 1; }, 100);`,
    );
    const live = await LivePage.open(pageSource(html));
    expect(live.window.document.getElementById("p").textContent).toBe("10");
    live.close();
  });

  test("and tells its changes by what can be seen or heard", async () => {
    const html = page(`<button id="a" aria-expanded="false" class="x">a</button><p id="p" hidden>text</p>`);
    const live = await LivePage.open(pageSource(html));
    const before = stateIn(live.moment());
    const { document } = live.window;
    document.getElementById("a").setAttribute("aria-expanded", "true");
    document.getElementById("a").className = "y";
    document.getElementById("p").hidden = false;
    expect(
      changesBetween(before, stateIn(live.moment())).map((change) =>
        [change.what, ...toldOf(change)].join(" "),
      ),
    ).toEqual(['attribute aria-expanded="true"', "shown", "attribute hidden gone"]);
    live.close();
  });
});

test("a field that was typed into tells of its change when it is left, and a sent one before it is sent", async () => {
  expect(await eventsOf(`<input><button>b</button>`, "Tab", "a", "Tab")).toEqual([
    "keydown",
    "change",
    "focusout",
    "focusin",
    "keyup",
  ]);
  expect(await eventsOf(`<form><input><button>Go</button></form>`, "Tab", "a", "Enter")).toEqual([
    "keydown",
    "keypress",
    "beforeinput",
    "change",
    "click 0",
    "submit",
    "keyup",
  ]);
});

/** What becomes of a control when keys are pressed. */
async function afterKeys(
  html: string,
  selector: string,
  ...keys: string[]
): Promise<{ readonly value: string; readonly checked: boolean }> {
  const live = await LivePage.open(pageSource(html));
  for (const key of keys) await live.press(key);
  const { value, checked } = live.window.document.querySelector(selector);
  live.close();
  return { value, checked };
}

describe("who prevents an event takes away what comes of it", () => {
  const sent = `<form onsubmit="document.title = 'sent'; return false">`;
  const titleAfter = async (body: string, ...keys: string[]): Promise<string> => {
    const live = await LivePage.open(pageSource(page(body)));
    for (const key of keys) await live.press(key);
    const { title } = live.window.document;
    live.close();
    return title;
  };
  test.each([
    ["nothing", `${sent}<input><button>b</button></form>`, "sent"],
    ["the key going down", `${sent}<input onkeydown="return false"><button>b</button></form>`, "t"],
    [
      "the key being told as pressed",
      `${sent}<input onkeypress="return false"><button>b</button></form>`,
      "t",
    ],
    ["the key going up, too late", `${sent}<input onkeyup="return false"><button>b</button></form>`, "sent"],
    [
      "the click of the button that sends",
      `${sent}<input><button onclick="return false">b</button></form>`,
      "t",
    ],
    ["no button, and one field", `${sent}<input></form>`, "sent"],
    ["no button, and two fields", `${sent}<input><input></form>`, "t"],
    ["a button that is disabled", `${sent}<input><button disabled>b</button></form>`, "t"],
    ["a box to check", `${sent}<input type="checkbox"><button>b</button></form>`, "sent"],
  ])("Enter in a form with %s", async (_, body, title) => {
    expect(await titleAfter(body, "Tab", "Enter")).toBe(title);
  });

  test.each([
    ["nothing", `<textarea></textarea>`, "a"],
    ["keydown", `<textarea onkeydown="return false"></textarea>`, ""],
    ["keypress", `<textarea onkeypress="return false"></textarea>`, ""],
    ["beforeinput", `<textarea onbeforeinput="return false"></textarea>`, ""],
    ["keyup, too late", `<textarea onkeyup="return false"></textarea>`, "a"],
  ])("a letter, where %s is prevented", async (event, body, value) => {
    expect((await afterKeys(page(body), "textarea", "Tab", "a")).value, event).toBe(value);
  });

  test.each([
    ["nothing", `<input type="checkbox">`, true],
    ["keydown", `<input type="checkbox" onkeydown="return false">`, false],
    ["keyup", `<input type="checkbox" onkeyup="return event.key !== ' '">`, false],
    ["click", `<input type="checkbox" onclick="return false">`, false],
    ["keypress", `<input type="checkbox" onkeypress="return false">`, true],
  ])("Space, where %s is prevented", async (_, body, checked) => {
    expect((await afterKeys(page(body), "input", "Tab", " ")).checked).toBe(checked);
  });

  test("Enter leaves a box to check as it is", async () => {
    expect((await afterKeys(page(`<input type="checkbox">`), "input", "Tab", "Enter")).checked).toBe(false);
  });
});

test("an access key presses what it belongs to", async () => {
  expect(await eventsOf(`<button accesskey="b">Book</button>`, "Alt+b")).toEqual([
    "keydown",
    "focusin",
    "click 0",
    "keyup",
  ]);
});

test.each([
  ["ArrowUp", "55"],
  ["PageUp", "60"],
  ["PageDown", "40"],
  ["Home", "0"],
  ["End", "100"],
])("%s moves a range of fifty to %s", async (key, value) => {
  const live = await LivePage.open(pageSource(page(`<input type="range" step="5" value="50">`)));
  await live.press("Tab");
  await live.press(key);
  const now = live.window.document.querySelector("input").value;
  live.close();
  expect(now).toBe(value);
});
