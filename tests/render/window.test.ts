import { describe, expect, test } from "vitest";
import { LivePage } from "../../src/render/live-page.ts";
import { pageSource } from "./pages.ts";

type Act = (page: LivePage) => Promise<void>;

const press =
  (...keys: string[]): Act =>
  async (page) => {
    for (const key of keys) await page.press(key);
  };
const point =
  (selector: string): Act =>
  (page) =>
    page.point(page.window.document.querySelector(selector));

/** What a script wrote into `log` while something was done. */
async function logged(body: string, script: string, act: Act): Promise<readonly string[]> {
  const html = `<!doctype html><title>t</title>${body}<script>const log = []; ${script}</script>`;
  const page = await LivePage.open(pageSource(`${html}<script>window.log = log</script>`));
  page.window.log.length = 0;
  await act(page);
  const log = [...page.window.log];
  page.close();
  return log;
}

describe("selectors in scripts see what was done", () => {
  const seen = (selectors: readonly string[]) =>
    `const look = () => log.push(...${JSON.stringify(selectors)}.filter((one) => document.querySelector(one)));`;

  test.each<readonly [body: string, selectors: readonly string[], act: Act, found: readonly string[]]>([
    [
      "<button onfocus='look()'>a</button>",
      ["button:focus-visible", ":focus:hover"],
      press("Tab"),
      ["button:focus-visible"],
    ],
    [
      "<button onfocus='look()'>a</button>",
      ["button:focus-visible", "button:focus"],
      point("button"),
      ["button:focus"],
    ],
    ["<input onfocus='look()'>", ["input:focus-visible"], point("input"), ["input:focus-visible"]],
    [
      "<button onmousedown='look()' onclick='look()'>a</button>",
      ["button:active"],
      point("button"),
      ["button:active"],
    ],
    [
      "<p>p</p><div popover id='p'>more</div><button popovertarget='p'>a</button>",
      ["div:popover-open", "p + :popover-open"],
      async (page) => {
        await press("Tab", "Enter")(page);
        page.window.look();
      },
      ["div:popover-open", "p + :popover-open"],
    ],
    [
      "<dialog><button onfocus='look()'>a</button></dialog><button onclick='document.querySelector(`dialog`).showModal()'>b</button>",
      ["dialog:modal", "dialog:modal > button", "button:modal"],
      press("Tab", "Enter"),
      ["dialog:modal", "dialog:modal > button"],
    ],
    [
      "<input required type='checkbox' onchange='look()'>",
      [":user-valid", ":user-invalid"],
      press("Tab", "Space"),
      [":user-valid"],
    ],
  ])("%s %j", async (body, selectors, act, found) => {
    expect(await logged(body, `${seen(selectors)} window.look = look;`, act)).toEqual(found);
  });

  test("in shadow trees too, and for one element alone", async () => {
    const script = `const host = document.querySelector("div"); const root = host.attachShadow({ mode: "open" });
      root.innerHTML = "<button>a</button><button>b</button>";
      const [a, b] = root.children;
      b.onfocus = () => log.push(a.matches(":focus-visible"), b.matches(":focus-visible"), root.querySelector(":focus-visible") === b);`;
    expect(await logged("<div></div>", script, press("Tab", "Tab"))).toEqual([false, true, true]);
  });
});

describe("a key or a press acts as in a browser", () => {
  test("promises go on between the listeners that the browser calls, and not between those a script calls", async () => {
    const script = `const [a, b] = document.querySelectorAll("button");
      for (const [one, name] of [[a, "a"], [document, "page"]])
        one.addEventListener("click", () => { log.push(name); Promise.resolve().then(() => log.push("after " + name)); });
      b.addEventListener("click", () => a.click());`;
    expect(await logged("<button>a</button><button>b</button>", script, press("Tab", "Enter"))).toEqual([
      "a",
      "after a",
      "page",
      "after page",
    ]);
    expect(
      await logged("<button>a</button><button>b</button>", script, press("Tab", "Tab", "Enter")),
    ).toEqual(["a", "page", "after a", "after page", "page", "after page"]);
  });

  test("what a handler of the key changes does not keep it from its control", async () => {
    const body = `<label><input type="checkbox" onkeyup="document.querySelector('p').textContent = 'x'">a</label><p></p>`;
    expect(
      await logged(
        body,
        `document.querySelector("input").onclick = () => log.push("click");`,
        press("Tab", "Space"),
      ),
    ).toEqual(["click"]);
  });

  test("a listener that was taken away hears nothing, and an object hears by its method", async () => {
    const script = `const a = document.querySelector("button"); const once = () => log.push("gone");
      a.addEventListener("click", once); a.removeEventListener("click", once);
      a.addEventListener("click", { handleEvent(event) { log.push(event.type, event.isTrusted, this.handleEvent !== undefined); } });`;
    expect(await logged("<button>a</button>", script, press("Tab", "Enter"))).toEqual(["click", true, true]);
  });

  test("what gives focus on is not told that it has it", async () => {
    const script = `const [a, b] = document.querySelectorAll("button");
      a.addEventListener("focus", () => b.focus());
      for (const type of ["focusin", "focusout"]) document.addEventListener(type, ({ target }) => log.push(type + " " + target.id));`;
    expect(await logged("<button id='a'>a</button><button id='b'>b</button>", script, press("Tab"))).toEqual([
      "focusout a",
      "focusin b",
    ]);
  });

  test("time passes while things are done", async () => {
    const script = `const a = document.querySelector("button"); const start = Date.now(); a.onfocus = () => log.push(Date.now() > start);`;
    expect(await logged("<button>a</button>", script, press("Tab"))).toEqual([true]);
  });
});

test("it says that it is the browser whose ways it has", async () => {
  const script = `const a = document.querySelector("button"); a.onclick = () => log.push(/Chrome/.test(navigator.userAgent), navigator.vendor, document.querySelector("input").validationMessage);`;
  expect(await logged("<button>a</button><input required>", script, press("Tab", "Enter"))).toEqual([
    true,
    "Google Inc.",
    "Please fill out this field.",
  ]);
});

test("its lots fall the same in every window", async () => {
  const script = `const a = document.querySelector("button"); a.onclick = () => log.push(Math.random(), crypto.randomUUID(), ...crypto.getRandomValues(new Uint8Array(2)));`;
  const [first, second] = [
    await logged("<button>a</button>", script, press("Tab", "Enter", "Enter")),
    await logged("<button>a</button>", script, press("Tab", "Enter", "Enter")),
  ];
  expect(first).toEqual(second);
  expect(new Set(first).size).toBeGreaterThan(6);
  expect(first[1]).toMatch(/^[0-9a-f]{8}-[0-9a-f]{4}-4[0-9a-f]{3}-8[0-9a-f]{3}-[0-9a-f]{12}$/);
});

test("animations come to their end, and those that have none do not", async () => {
  const body = `<style>@keyframes in {} .in { animation: in 1s } .turn { animation: in 1s infinite }</style>
    <button>a</button><p id="p"></p><p id="r"></p>`;
  const script = `for (const type of ["animationstart", "animationend"])
      document.addEventListener(type, (event) => log.push([type, event.target.id, event.animationName].join(" ")));
    document.querySelector("button").onclick = () => { p.className = "in"; r.className = "turn"; };`;
  expect(await logged(body, script, press("Tab", "Enter", "Enter"))).toEqual([
    "animationstart p in",
    "animationend p in",
  ]);
});
