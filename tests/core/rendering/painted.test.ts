import { describe, expect, test } from "vitest";
import { toHex } from "../../../src/core/colour/rgba.ts";
import { noInteraction } from "../../../src/core/css/match.ts";
import { paintedText } from "../../../src/core/rendering/painted.ts";
import { whyUnseen } from "../../../src/core/rendering/unseen.ts";
import { byId, sceneOf } from "../../page.ts";

/** The pairs of colours that `#a` shows, as `text on ground`; or why they are unknown. */
function pairs(html: string): readonly string[] | string {
  const scene = sceneOf(html);
  const [view] = scene.schemes();
  const { spots, unknown } = paintedText(view!.page, view!.painted, byId(scene, "a"), noInteraction);
  return unknown ?? [...new Set(spots.map(({ text, ground }) => `${toHex(text)} on ${toHex(ground)}`))];
}

describe("what lies under text", () => {
  test.each([
    ["the page itself", `<p id=a>x</p>`, ["#000000 on #ffffff"]],
    [
      "the nearest opaque ground",
      `<div style="background: red"><div style="background: #eee"><p id=a>x</p></div></div>`,
      ["#000000 on #eeeeee"],
    ],
    [
      "veils laid over one another",
      `<div style="background: black"><div style="background: rgb(255 255 255 / 50%)"><p id=a style="color: white">x</p></div></div>`,
      ["#ffffff on #808080"],
    ],
    [
      "a faded group, text and ground together",
      `<div style="opacity: .5; background: black; color: white"><p id=a>x</p></div>`,
      ["#ffffff on #808080"],
    ],
    [
      "text that is itself seen through",
      `<p id=a style="color: rgb(0 0 0 / 50%)">x</p>`,
      ["#808080 on #ffffff"],
    ],
    [
      "a fill in place of the colour",
      `<p id=a style="color: red; -webkit-text-fill-color: blue">x</p>`,
      ["#0000ff on #ffffff"],
    ],
    [
      "a slot's surroundings",
      `<div><template shadowrootmode=open><div style="background: navy"><slot></slot></div></template><b id=a style="color: white">x</b></div>`,
      ["#ffffff on #000080"],
    ],
  ])("is %s", (_, html, expected) => {
    expect(pairs(html)).toEqual(expected);
  });

  test("is every colour of a gradient", () => {
    const found = pairs(`<p id=a style="background: linear-gradient(to right, #000, #fff)">x</p>`);
    expect(found).toContain("#000000 on #000000");
    expect(found).toContain("#000000 on #ffffff");
    expect(found.length).toBeGreaterThan(5);
  });

  test.each([
    ["a picture", `<div style="background: url(x.jpg)"><p id=a>x</p></div>`, /picture/],
    ["a filter", `<div style="filter: invert(1)"><p id=a>x</p></div>`, /filter/],
    ["a blend mode", `<p id=a style="mix-blend-mode: multiply">x</p>`, /mix-blend-mode/],
    [
      "a colour of unknown value",
      `<p id=a style="color: oklch(from red calc(l * (1 + c)) c h)">x</p>`,
      /does not give/,
    ],
    [
      "a ground cut to the letters",
      `<p id=a style="background: linear-gradient(red, blue); background-clip: text">x</p>`,
      /shape of the letters/,
    ],
    [
      "a picture placed behind",
      `<div style="position: relative"><img src=x style="position: absolute; z-index: -1"><p id=a>x</p></div>`,
      /placed on the page/,
    ],
  ])("is unknown under %s", (_, html, reason) => {
    expect(pairs(html)).toMatch(reason);
  });

  test("is the same wherever a box is placed, while the page has one ground only", () => {
    expect(pairs(`<main><div style="position: absolute; top: 0"><p id=a>x</p></div><p>y</p></main>`)).toEqual(
      ["#000000 on #ffffff"],
    );
  });

  test.each([
    ["margin-top: -8px", ["#ffffff on #000080"]],
    ["margin-top: -9px", ["#ffffff on #000080", "#ffffff on #ffffff"]],
    ["margin-left: -4em", ["#ffffff on #000080", "#ffffff on #ffffff"]],
    ["margin-bottom: 90px", ["#ffffff on #000080"]],
    ["transform: translateY(-1px)", ["#ffffff on #ffffff", "#ffffff on #000080"]],
    ["transform: rotate(3deg)", ["#ffffff on #000080"]],
  ])("of a box with %s is as sure as its place", (style, expected) => {
    expect(
      pairs(`<div style="background: navy; color: white"><div style="${style}"><p id=a>x</p></div></div>`),
    ).toEqual(expected);
  });

  test("may be any colour of the page for a box placed freely", () => {
    expect(
      pairs(
        `<div style="background: navy; color: white">y</div><div style="position: absolute"><p id=a>x</p></div>`,
      ),
    ).toEqual(["#000000 on #ffffff", "#000000 on #000080"]);
  });
});

describe("text that nobody sees", () => {
  test.each([
    `<p id=a style="opacity: 0">x</p>`,
    `<p id=a style="position: absolute; left: -9999px">x</p>`,
    `<p id=a style="position: absolute; clip: rect(0 0 0 0)">x</p>`,
    `<p id=a style="clip-path: inset(50%)">x</p>`,
    `<p id=a style="width: 1px; height: 1px; overflow: hidden">x</p>`,
    `<p id=a style="text-indent: -9999px">x</p>`,
    `<p id=a style="font-size: 0">x</p>`,
  ])("%s", (html) => {
    const scene = sceneOf(html);
    expect(whyUnseen(scene.page, byId(scene, "a"))).not.toBeNull();
  });
  test("is not what merely has little room", () => {
    const scene = sceneOf(
      `<p id=a style="overflow: hidden; height: 20px; position: absolute; left: -20px">x</p>`,
    );
    expect(whyUnseen(scene.page, byId(scene, "a"))).toBeNull();
  });
});
