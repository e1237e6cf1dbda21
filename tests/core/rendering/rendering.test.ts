import { describe, expect, test } from "vitest";
import { isFocusable, isTabbable, tabindexOf } from "../../../src/core/rendering/focusable.ts";
import { byId, sceneOf } from "../../page.ts";

const presence = (html: string) => {
  const scene = sceneOf(html);
  const { rendered, visible, exposed, reason, because } = scene.presence.of(byId(scene, "a"));
  return { rendered, visible, exposed, reason, because: because?.tag ?? null };
};

describe("what is hidden, and because of what", () => {
  test.each([
    [`<p id=a>x</p>`, 2, 2, 2, null, null],
    [`<div style="display: none"><p id=a>x</p></div>`, 0, 0, 0, "display: none", "div"],
    [`<div hidden><p id=a>x</p></div>`, 0, 0, 0, "hidden attribute", "div"],
    [`<div hidden style="display: block"><p id=a>x</p></div>`, 2, 2, 2, null, null],
    [`<p id=a style="visibility: hidden">x</p>`, 2, 0, 0, "visibility: hidden", "p"],
    [`<div style="visibility: hidden"><p id=a style="visibility: visible">x</p></div>`, 2, 2, 2, null, null],
    [
      `<div style="content-visibility: hidden"><p id=a>x</p></div>`,
      0,
      0,
      0,
      "content-visibility: hidden",
      "div",
    ],
    [`<div aria-hidden=true><p id=a>x</p></div>`, 2, 2, 0, "aria-hidden", "div"],
    [`<div aria-hidden=true><p id=a aria-hidden=false>x</p></div>`, 2, 2, 0, "aria-hidden", "div"],
    [`<body aria-hidden=true><p id=a>x</p>`, 2, 2, 2, null, null],
    [`<div inert><p id=a>x</p></div>`, 2, 2, 0, "inert", "div"],
    [`<details><summary>s</summary><p id=a>x</p></details>`, 0, 0, 0, "closed details", "details"],
    [`<dialog><p id=a>x</p></dialog>`, 0, 0, 0, "closed dialog", "dialog"],
    [`<div popover><p id=a>x</p></div>`, 0, 0, 0, "closed popover", "div"],
    [`<video><p id=a>x</p></video>`, 0, 0, 0, "fallback content", "video"],
    [`<div hidden=until-found><p id=a>x</p></div>`, 0, 0, 0, "content-visibility: hidden", "div"],
    [
      `<div><template shadowrootmode=open><i></i></template><p id=a>x</p></div>`,
      0,
      0,
      0,
      "not in a slot",
      null,
    ],
    [`<svg><defs><g id=a></g></defs></svg>`, 0, 0, 0, "never rendered", "defs"],
  ])("%s", (html, rendered, visible, exposed, reason, because) => {
    expect(presence(html)).toEqual({ rendered, visible, exposed, reason, because });
  });
});

describe("focus", () => {
  const focus = (html: string) => {
    const scene = sceneOf(html);
    const element = byId(scene, "a");
    return [
      isFocusable(scene.page, scene.presence, element),
      isTabbable(scene.page, scene.presence, element),
    ];
  };
  test.each([
    [`<a id=a href="">x</a>`, true, true],
    [`<a id=a>x</a>`, false, false],
    [`<button id=a>x</button>`, true, true],
    [`<button id=a disabled>x</button>`, false, false],
    [`<fieldset disabled><legend><button id=a>x</button></legend></fieldset>`, true, true],
    [`<fieldset disabled><button id=a>x</button></fieldset>`, false, false],
    [`<input id=a type=hidden tabindex=0>`, false, false],
    [`<div id=a tabindex=-1>x</div>`, true, false],
    [`<div id=a tabindex=0>x</div>`, true, true],
    [`<div id=a tabindex=banana>x</div>`, false, false],
    [`<div id=a contenteditable>x</div>`, true, true],
    [`<div id=a contenteditable=false>x</div>`, false, false],
    [`<details><summary id=a>x</summary></details>`, true, true],
    [`<summary id=a>x</summary>`, false, false],
    [`<video id=a controls></video>`, true, true],
    [`<video id=a></video>`, false, false],
    [`<dialog id=a open>x</dialog>`, true, false],
    [`<button id=a style="visibility: hidden">x</button>`, false, false],
    [`<div inert><button id=a>x</button></div>`, false, false],
    [`<div aria-hidden=true><button id=a>x</button></div>`, true, true],
    [`<button id=a style="display: contents">x</button>`, false, false],
    [`<button id=a style="opacity: 0">x</button>`, true, true],
    [`<svg><a id=a href=x><text>x</text></a></svg>`, true, true],
  ])("%s is focusable: %s, a stop: %s", (html, focusable, stop) => {
    expect(focus(html)).toEqual([focusable, stop]);
  });

  test.each([
    ["0", 0],
    [" +3", 3],
    ["1.9", 1],
    ["0px", 0],
    ["-1", -1],
    ["abc", null],
    ["", null],
    ["99999999999", null],
  ])("tabindex=%j is %s", (text, expected) => {
    const scene = sceneOf(`<b id=a tabindex="${text}">x</b>`);
    expect(tabindexOf(byId(scene, "a"))).toBe(expected);
  });
});
