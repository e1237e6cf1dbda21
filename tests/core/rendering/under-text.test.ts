import { expect, test } from "vitest";
import { judgeEveryText } from "../../../src/core/checks/contrast/judge-text.ts";
import { byId, sceneOf } from "../../page.ts";

const page = (styles: string, body: string) =>
  `<!doctype html><html lang="en"><title>t</title><style>${styles}</style><body>${body}</body></html>`;

/** What comes of white text; each row was once a difference between what we said and what a browser painted. */
test.each<[what: string, html: string, outcome: string]>([
  [
    "a layer behind everything in a stacking context",
    page(
      ".b { isolation: isolate; position: relative; color: #fff } .b::before { content: ''; position: absolute; inset: 0; z-index: -1; background: #036 }",
      `<div class="b"><p id="t">Slip 4</p></div>`,
    ),
    "passed",
  ],
  [
    "the same, painted in a context farther out, behind the background of the page",
    page(
      "body { background: #eee } html { background: #fff } .b { position: relative; color: #fff } .b::before { content: ''; position: absolute; inset: 0; z-index: -1; background: #036 }",
      `<div class="b"><p id="t">Slip 4</p></div>`,
    ),
    "failed",
  ],
  [
    "the same, where the page's own background is that of the window",
    page(
      "body { background: #eee } .b { position: relative; color: #fff } .b::before { content: ''; position: absolute; inset: 0; z-index: -1; background: #036 }",
      `<div class="b"><p id="t">Slip 4</p></div>`,
    ),
    "passed",
  ],
  [
    "a box before the text in order, at the same level",
    page(
      ".b { position: relative } .b i { position: absolute; inset: 0; background: #036 } p { position: relative; color: #fff }",
      `<div class="b"><i></i><p id="t">Slip 4</p></div>`,
    ),
    "passed",
  ],
  [
    "a box that covers more than the background between it and the text",
    page(
      ".b { position: relative } .b i { position: absolute; inset: 0; background: #036 } .c { background: #eee } p { position: relative; color: #fff }",
      `<div class="b"><i></i><div class="c"><p id="t">Slip 4</p></div></div>`,
    ),
    "passed",
  ],
  [
    "a box after the text, at the same level",
    page(
      ".b { position: relative; color: #fff } .b i { position: absolute; inset: 0; background: #036 } p { position: relative }",
      `<div class="b"><p id="t">Slip 4</p><i></i></div>`,
    ),
    "cantTell",
  ],
  [
    "a box over text in the flow",
    page(
      ".b { position: relative; color: #fff } .b i { position: absolute; inset: 0; background: #036 }",
      `<div class="b"><i></i><p id="t">Slip 4</p></div>`,
    ),
    "cantTell",
  ],
  [
    "the upper of two boxes in one context",
    page(
      ".b { position: relative } .o { opacity: .99 } i { position: absolute; inset: 0; background: #036 } b { position: absolute; inset: 0; background: #eee } p { position: relative; color: #fff }",
      `<div class="b"><div class="o"><i></i><b></b></div><p id="t">Slip 4</p></div>`,
    ),
    "failed",
  ],
  [
    "a box that the text is in is no cover",
    page(
      "i { position: fixed; inset: 0; background: #036 } input { border: 0; background: none; color: #fff }",
      `<i><input id="t" aria-label="Slip" value="Slip 4"></i>`,
    ),
    "passed",
  ],
  [
    "a box that is seen through is none",
    page(
      ".b { position: relative } .b i { position: absolute; inset: 0; background: #036; opacity: 0 } p { position: relative; color: #fff }",
      `<div class="b"><i></i><p id="t">Slip 4</p></div>`,
    ),
    "failed",
  ],
  [
    "what has no box contains none",
    page(
      ".b { position: relative; display: contents } .b i { position: absolute; inset: 0; background: #036 } body { background: #eee } p { position: relative; color: #fff }",
      `<div class="b"><i></i><p id="t">Slip 4</p></div>`,
    ),
    "passed",
  ],
  [
    "what lies behind the background of something else",
    page(
      ".a { background: #036 } .b { position: relative; z-index: -1; color: #fff }",
      `<div class="a"><div class="b"><p id="t">Slip 4</p></div></div>`,
    ),
    "cantTell",
  ],
  [
    "a band that the text is pulled over",
    page(
      ".a { background: #036; height: 60px } .b { margin-top: -50px; color: #fff }",
      `<div class="a"></div><div class="b"><p id="t">Slip 4</p></div>`,
    ),
    "cantTell",
  ],
  [
    "another box of the same cell",
    page(
      ".g { display: grid; color: #fff } .g > * { grid-area: 1 / 1 } .a { background: #036 }",
      `<div class="g"><div class="a"></div><p id="t">Slip 4</p></div>`,
    ),
    "cantTell",
  ],
  [
    "another cell",
    page(
      ".g { display: grid; color: #fff } .a { background: #036; grid-row: 1; grid-column: 1 } p { grid-row: 2; grid-column: 1 }",
      `<div class="g"><div class="a"></div><p id="t">Slip 4</p></div>`,
    ),
    "failed",
  ],
  [
    "a shadow that fills its box",
    page("p { color: #fff; box-shadow: inset 0 0 0 999px #036 }", `<p id="t">Slip 4</p>`),
    "passed",
  ],
  [
    "a shadow that is an edge",
    page("p { color: #fff; box-shadow: inset 0 0 0 2px #036 }", `<p id="t">Slip 4</p>`),
    "failed",
  ],
  [
    "a gradient that is a line",
    page(
      "p { color: #fff; background: linear-gradient(#036, #036) 0 100% / 100% 2px no-repeat }",
      `<p id="t">Slip 4</p>`,
    ),
    "failed",
  ],
  [
    "text that is fixed lies on the page",
    page("body { background: #036 } p { position: fixed; color: #fff }", `<p id="t">Slip 4</p>`),
    "passed",
  ],
])("%s", (_, html, outcome) => {
  const scene = sceneOf(html);
  expect(judgeEveryText(scene, byId(scene, "t"), { large: 3, small: 4.5 }).outcome).toBe(outcome);
});

test("texts that are styled alike may lie on different things", () => {
  const styles =
    ".b { position: relative } .b i { position: absolute; inset: 0; background: #036 } p { position: relative; color: #fff }";
  const scene = sceneOf(page(styles, `<div class="b"><p id="one">Tern</p><i></i><p id="two">Gull</p></div>`));
  const outcomes = ["one", "two"].map(
    (id) => judgeEveryText(scene, byId(scene, id), { large: 3, small: 4.5 }).outcome,
  );
  expect(outcomes).toEqual(["cantTell", "passed"]);
});
