import { describe, expect, test } from "vitest";
import { tabSequence } from "../../../src/core/focus/tab-sequence.ts";
import { unreachedIn } from "../../../src/core/focus/unreached.ts";
import { jumpsIn, pressesTo } from "../../../src/core/focus/walk-notes.ts";
import { byId, sceneOf } from "../../page.ts";

const idsOf = (html: string, direction: "forwards" | "backwards" = "forwards"): string =>
  tabSequence(sceneOf(html), direction)
    .map(({ element }) => element.attributes.get("id")?.value ?? element.tag)
    .join(" ");

describe("where Tab goes", () => {
  test.each<[string, string, string]>([
    [
      "positive tabindexes first",
      `<a href id="a"></a><b tabindex="2" id="b"></b><b tabindex="1" id="c"></b>`,
      "c b a",
    ],
    [
      "no integer is no tabindex",
      `<b tabindex="banana" id="a"></b><button tabindex="banana" id="b"></button>`,
      "b",
    ],
    [
      "disabled, hidden and inert parts are passed by",
      `<button disabled id="a"></button><p hidden><a href id="b"></a></p><div inert><a href id="c"></a></div><a href id="d"></a>`,
      "d",
    ],
    [
      "the first legend of a disabled fieldset",
      `<fieldset disabled><legend><input id="a"></legend><input id="b"></fieldset>`,
      "a",
    ],
    [
      "a closed details, its summary alone",
      `<details><summary id="a"></summary><a href id="b"></a></details>`,
      "a",
    ],
    [
      "positive numbers inside a details are its own",
      `<details open><summary id="a"></summary><a href id="b" tabindex="3"></a></details><b tabindex="1" id="c"></b>`,
      "c a b",
    ],
    [
      "a details that is taken out, with all in it",
      `<details open tabindex="-1"><summary id="a"></summary><a href id="b"></a></details><a href id="c"></a>`,
      "c",
    ],
    [
      "embedded documents, neither pictures nor nothing",
      `<object data="plan.html" id="a"></object><object tabindex="0" id="b"></object><embed src="plan.png" tabindex="0" id="c"><object data="plan.svg" id="d"></object>`,
      "a d",
    ],
    [
      "nothing inside what is inert by style",
      `<p style="interactivity: inert"><a href id="a"></a><b style="interactivity: auto" tabindex="0" id="b"></b></p>`,
      "",
    ],
    ["a details without summary", `<details id="a">x</details>`, "a"],
    [
      "of a radio group the checked one",
      `<input type="radio" name="n" id="a"><input type="radio" name="n" checked id="b"><input type="radio" name="n" id="c">`,
      "b",
    ],
    [
      "of two radios checked the last",
      `<input type="radio" name="n" checked id="a"><input type="radio" name="n" checked id="b"><input type="radio" name="n" id="c">`,
      "b",
    ],
    [
      "the last checked radio, wherever tabindex puts it",
      `<input type="radio" name="n" checked id="a" tabindex="2"><input type="radio" name="n" checked id="b" tabindex="1">`,
      "b",
    ],
    [
      "radio groups by form and name",
      `<form><input type="radio" name="n" id="a"></form><form><input type="radio" name="n" id="b"></form><input type="radio" id="c"><input type="radio" id="d">`,
      "a b c d",
    ],
    [
      "only the first open details of a name",
      `<details name="n" open><summary id="a"></summary><a href id="b"></a></details><details name="n" open><summary id="c"></summary><a href id="d"></a></details>`,
      "a b c",
    ],
    [
      "the checked radio of a group",
      `<input type="radio" name="r" id="a"><input type="radio" name="r" id="b" checked><input type="radio" name="s" id="c"><input type="radio" id="d"><input type="radio" id="e">`,
      "b c d e",
    ],
    [
      "one group for each form",
      `<input type="radio" name="r" id="a" form="f"><form id="f"><input type="radio" name="r" id="b"></form><input type="radio" name="r" id="c">`,
      "a c",
    ],
    [
      "an editing host, and no links in it",
      `<div contenteditable id="a"><a href id="b"></a><button id="c"></button><p contenteditable id="d"></p></div>`,
      "a c",
    ],
    [
      "areas of a map that is used",
      `<map name="m"><area href id="a"></map><img usemap="#m"><map name="n"><area href id="b"></map>`,
      "a",
    ],
    [
      "a dialog is none, its parts are",
      `<dialog open id="a"><button id="b"></button></dialog><dialog><button id="c"></button></dialog>`,
      "b",
    ],
    [
      "a focus group is one",
      `<div focusgroup="toolbar"><button id="a"></button><button id="b"></button></div><button id="c"></button>`,
      "a c",
    ],
    [
      "reading-flow of a grid",
      `<div style="display: grid; reading-flow: grid-order"><a href id="a" style="order: 2"></a><a href id="b"></a></div>`,
      "b a",
    ],
    [
      "reading-flow of a grid in what is none",
      `<div style="display: flex; reading-flow: grid-order"><a href id="a" style="order: 2"></a><a href id="b"></a></div>`,
      "a b",
    ],
    [
      "reading-flow",
      `<div style="display: flex; reading-flow: flex-visual"><a href id="a" style="order: 2"></a><a href id="b"></a></div>`,
      "b a",
    ],
    [
      "order alone changes nothing",
      `<div style="display: flex"><a href id="a" style="order: 2"></a><a href id="b"></a></div>`,
      "a b",
    ],
    [
      "a shadow tree at its host",
      `<a href id="a"></a><div><template shadowrootmode="open"><b tabindex="1" id="s"></b><slot></slot></template><a href id="l"></a></div><b tabindex="1" id="z"></b>`,
      "z a s l",
    ],
    [
      "a host with a negative tabindex takes all with it",
      `<div tabindex="-1"><template shadowrootmode="open"><a href id="s"></a><slot></slot></template><a href id="l"></a></div><a href id="b"></a>`,
      "b",
    ],
    [
      "delegatesfocus passes the host by",
      `<div tabindex="0" id="h"><template shadowrootmode="open" shadowrootdelegatesfocus><a href id="s"></a></template></div>`,
      "s",
    ],
    [
      "a frame that is not read is one stop",
      `<iframe src="map.html" id="a"></iframe><iframe tabindex="-1" id="b"></iframe>`,
      "a",
    ],
  ])("%s", (_, html, ids) => {
    expect(idsOf(html)).toBe(ids);
  });

  test("Shift+Tab is the same way back, but for radio buttons of which none is checked", () => {
    const html = `<a href id="a"></a><input type="radio" name="r" id="b"><input type="radio" name="r" id="c"><b tabindex="1" id="d"></b>`;
    expect(idsOf(html)).toBe("d a b");
    expect(idsOf(html, "backwards")).toBe("c a d");
  });
});

describe("what is odd", () => {
  test("stops that come before earlier ones, and jumps back", () => {
    const scene = sceneOf(`<a href id="a"></a><a href id="b"></a><b tabindex="1" id="c"></b>`);
    expect(jumpsIn(tabSequence(scene))).toEqual([
      { ahead: 2, back: false },
      { ahead: 0, back: true },
      { ahead: 0, back: false },
    ]);
  });

  test("how many presses lead somewhere, from the top and from a place between", () => {
    const scene = sceneOf(
      `<a href id="a"></a><main id="m"><p>x</p><a href id="b"></a></main><a href id="c"></a>`,
    );
    const stops = tabSequence(scene);
    const [a, b] = stops;
    if (a === undefined || b === undefined) throw new Error("two stops at least");
    expect(pressesTo(stops, b, null)).toBe(2);
    expect(pressesTo(stops, b, byId(scene, "m"))).toBe(1);
    expect(pressesTo(stops, a, byId(scene, "m"))).toBe(3);
  });
});

test.each<[string, string, readonly string[]]>([
  [
    "handlers on what takes no focus",
    `<div onclick="x()">Slip</div>`,
    ["click handler on a <div> that takes no focus"],
  ],
  [
    "links without an address",
    `<a onclick="x()">Slip</a><a>Crew</a>`,
    ["click handler on a link without an address", "a link without an address"],
  ],
  [
    "widgets that take no focus",
    `<span role="button">Book</span>`,
    ["role button on a <span> that takes no focus"],
  ],
  [
    "what is out of the order",
    `<button tabindex="-1">Book</button>`,
    [`tabindex="-1" takes it out of the order`],
  ],
  [
    "what is disabled or inert",
    `<button disabled>Book</button><div inert><button>Book</button></div>`,
    ["it is disabled", "it is inert, or in something inert"],
  ],
  [
    "items among which the arrow keys move are as they should be",
    `<div role="tablist"><button role="tab" aria-selected="true">A</button><button role="tab" tabindex="-1">B</button></div>`,
    [],
  ],
  ["handlers that do nothing are no loss", `<div onclick="event.stopPropagation()">Slip</div>`, []],
  ["what is inside a stop", `<button><span onclick="x()">Book</span></button>`, []],
])("not reached: %s", (_, html, reasons) => {
  const scene = sceneOf(html);
  const stops = new Set(tabSequence(scene).map(({ element }) => element));
  expect(unreachedIn(scene, stops).map(({ why }) => why)).toEqual(reasons);
});
