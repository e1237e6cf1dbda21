import { describe, expect, test } from "vitest";
import { desktop } from "../../../src/core/css/device.ts";
import { evaluateMedia } from "../../../src/core/css/media.ts";
import { parseSheet } from "../../../src/core/css/parse-sheet.ts";
import { evaluateSupports } from "../../../src/core/css/supports.ts";
import { byId, sceneOf } from "../../page.ts";

/** The cascaded text of a property of `#a`. */
const value = (html: string, property = "color"): string | null => {
  const scene = sceneOf(html);
  return scene.page.styles.value(byId(scene, "a"), property)?.text ?? null;
};
const styled = (css: string, property = "color", markup = `<p class="c" id="a">x</p>`) =>
  value(`<style>${css}</style><div class="d">${markup}</div>`, property);

describe("parts of a shadow tree", () => {
  const host = (css: string) =>
    value(
      `<style>${css}</style><yard-card class="card"><template shadowrootmode="open"><p part="title big" id="a">x</p></template></yard-card>`,
    );
  test.each([
    [".card::part(title) { color: red }", "red"],
    [".card::part(title big) { color: red }", "red"],
    [".card::part(title small) { color: red }", null],
    [".other::part(title) { color: red }", null],
  ])("%s", (css, colour) => {
    expect(host(css)).toBe(colour ?? host(""));
  });
});

test.each([
  ["font: 12px/1.5 Tide, serif", "Tide, serif", "1.5"],
  ["font: italic bold 12px Tide", "Tide", "normal"],
  ["font: 12px/normal Yard Sans", "Yard Sans", "normal"],
])("%s sets family and height of lines", (declaration, family, height) => {
  const html = `<p id="a" style="${declaration}">x</p>`;
  expect([value(html, "font-family"), value(html, "line-height")]).toEqual([family, height]);
});

describe("the cascade", () => {
  test.each([
    ["specificity beats order", "#a { color: red } p.c { color: blue }", "red"],
    ["the later wins among equals", ".c { color: red } .c { color: blue }", "blue"],
    [":where() counts nothing", ":where(#a) { color: red } p { color: blue }", "blue"],
    [":is() counts its largest", ":is(#x, p) { color: red } .c { color: blue }", "red"],
    ["important beats specific", "p { color: red !important } #a { color: blue }", "red"],
    ["unlayered beats layers", "@layer one { #a { color: red } } p { color: blue }", "blue"],
    [
      "a later layer beats an earlier",
      "@layer one, two; @layer two { p { color: red } } @layer one { #a { color: blue } }",
      "red",
    ],
    [
      "among important ones an earlier layer wins",
      "@layer one { p { color: red !important } } @layer two { p { color: blue !important } }",
      "red",
    ],
    [
      "among important ones of one layer the specific wins",
      "p.c { color: red !important } p { color: blue !important }",
      "red",
    ],
    [
      "among important ones alike the later wins",
      "p { color: blue !important } p { color: red !important }",
      "red",
    ],
    [
      "an important one in a layer beats one outside",
      "@layer one { p { color: red !important } } #a { color: blue !important }",
      "red",
    ],
    ["a nested rule is more specific than its parent", ".d { & p { color: red } } .c { color: blue }", "red"],
    ["a nested selector needs no ampersand", ".d { > p { color: red } }", "red"],
    ["declarations after a nested rule come after it", "p { &.c { color: red } color: blue } ", "red"],
    ["an invalid value leaves the one before", "p { color: red; color: grren }", "red"],
    ["an invalid selector drops its rule alone", "p { color: red } p:-moz-broken, p { color: blue }", "red"],
    ["a broken declaration ends at its semicolon", "p { color: red; background: (; color: blue", "red"],
    [
      "media decide",
      "@media (min-width: 800px) { p { color: red } } @media print { p { color: blue } }",
      "red",
    ],
    ["supports decide", "@supports (display: grid) and (not (display: gird)) { p { color: red } }", "red"],
    [":has() looks inside", ".d:has(> .c) p { color: red }", "red"],
    [":nth-child counts elements", "div :nth-child(1 of .c) { color: red }", "red"],
    [":not() takes a list", "p:not(.x, .y) { color: red }", "red"],
    ["a scope begins and ends", "@scope (.d) to (.e) { p { color: red } }", "red"],
    ["revert goes back to the browser", "p { color: red } p.c { color: revert }", "canvastext"],
    [
      "revert-layer goes one layer down",
      "@layer one { p { color: red } } @layer two { p { color: revert-layer } }",
      "red",
    ],
  ])("%s", (_, css, expected) => {
    expect(styled(css)?.toLowerCase()).toBe(expected);
  });

  test("between equals the nearer scope wins, and any scope over none", () => {
    const boxes = `<div class="light"><div class="dark"><p class="c" id="a">x</p></div></div>`;
    expect(
      value(
        `<style>@scope (.dark) { p { color: red } } @scope (.light) { p { color: blue } }</style>${boxes}`,
      ),
    ).toBe("red");
    expect(value(`<style>@scope (.dark) { p { color: red } } p { color: blue }</style>${boxes}`)).toBe("red");
    expect(value(`<style>@scope (.dark) { p { color: red } } .c { color: blue }</style>${boxes}`)).toBe(
      "blue",
    );
  });

  test("what the browser itself calls important nobody overrules", () => {
    const shown = "#a { display: block !important }";
    expect(styled(shown, "display", `<input type="hidden" id="a" style="display: block !important">`)).toBe(
      "none",
    );
    expect(styled(shown, "display", `<audio id="a"></audio>`)).toBe("none");
  });

  test.each([
    ["dark", "light", "dark"],
    ["light", "light", "light"],
    ["light dark", "light", "light"],
    ["dark light", "dark", "dark"],
    ["light", "dark", "light"],
    ["normal", "dark", "light"],
  ] as const)(
    "a meta element that supports %s is drawn, where the user likes it %s, in a %s scheme",
    (content, liked, drawn) => {
      const scene = sceneOf(`<meta name="color-scheme" content="${content}"><p id="a">x</p>`, {
        device: { ...desktop, colourScheme: liked },
      });
      expect(scene.page.styles.scheme(byId(scene, "a"))).toBe(drawn);
    },
  );

  test("the style attribute beats rules, important ones aside", () => {
    expect(styled("#a { color: red }", "color", `<p id="a" style="color: blue">x</p>`)).toBe("blue");
    expect(styled("#a { color: red !important }", "color", `<p id="a" style="color: blue">x</p>`)).toBe(
      "red",
    );
  });

  test("what is inherited comes from the flat tree", () => {
    expect(
      value(
        `<div style="color: red"><template shadowrootmode="open"><style>::slotted(b) { color: green } slot { color: blue }</style><slot></slot></template><b><i id="a">x</i></b></div>`,
      ),
    ).toBe("green");
  });

  test(":host loses to the page's own rule", () => {
    const shadow = `<template shadowrootmode="open"><style>:host { color: red }</style></template>`;
    expect(value(`<div id="a">${shadow}</div>`)).toBe("red");
    expect(value(`<style>div { color: blue }</style><div id="a">${shadow}</div>`)).toBe("blue");
  });

  test("an undecided condition leaves the value unknown unless it makes no difference", () => {
    const sized = ".d { container-type: inline-size } p { color: red }";
    expect(styled(`${sized} @container (width > 1px) { p { color: blue } }`)).toBeNull();
    expect(styled(`${sized} @container (width > 1px) { p { color: red } }`)).toBe("red");
  });

  test.each([
    [
      "a width that styles fix",
      ".d { container: card / inline-size; width: 200px }",
      "(min-width: 150px)",
      "blue",
    ],
    ["a width that is too small", ".d { container-type: size; width: 10em }", "(width > 200px)", "red"],
    ["no container at all", "", "(width > 1px)", "red"],
    ["a name", ".d { container: card / inline-size; width: 200px }", "card (width > 1px)", "blue"],
    ["another name", ".d { container: card / inline-size; width: 200px }", "yard (width > 1px)", "red"],
    ["a custom property that is set to anything", ".d { --closed: yes }", "style(--closed)", "blue"],
    ["a custom property that is set to nothing", ".d { --closed: initial }", "style(--closed)", "red"],
    ["a custom property", ".d { --closed: yes }", "style(--closed: yes)", "blue"],
    ["its opposite", ".d { --closed: yes }", "not style(--closed: yes)", "red"],
  ])("a container query asks for %s", (_, container, query, colour) => {
    expect(styled(`${container} p { color: red } @container ${query} { p { color: blue } }`)).toBe(colour);
  });

  test("attributes are the weakest author styles", () => {
    expect(value(`<font id="a" color="#ABC">x</font>`)).toBe("#ABC");
    expect(value(`<style>* { color: red }</style><font id="a" color="#abc">x</font>`)).toBe("red");
  });
});

describe("custom properties", () => {
  test.each([
    ["inherit and substitute", ":root { --ink: red } p { color: var(--ink) }", "red"],
    ["fall back", "p { color: var(--none, var(--also-none, green)) }", "green"],
    ["go through one another", ":root { --a: var(--b); --b: blue } p { color: var(--a) }", "blue"],
    [
      "in a circle are invalid, so the property is as if unset",
      "div { color: green } p { --a: var(--b); --b: var(--a); color: var(--a) }",
      "green",
    ],
    [
      "missing without a fallback likewise",
      "div { color: green } p { color: red; color: var(--none) }",
      "green",
    ],
    [
      "registered ones have an initial value",
      "@property --x { syntax: '<color>'; inherits: false; initial-value: teal } p { color: var(--x) }",
      "teal",
    ],
  ])("%s", (_, css, expected) => {
    expect(styled(css)).toBe(expected);
  });

  test("fill shorthands after substitution", () => {
    expect(styled(":root { --b: 2px solid red } p { border: var(--b) }", "border-top-color")).toBe("red");
  });

  test("tell the way they came", () => {
    const scene = sceneOf(
      `<style>:root { --a: var(--b); --b: blue } p { color: var(--a) }</style><p id="a">x</p>`,
    );
    const found = scene.page.styles.value(byId(scene, "a"), "color");
    expect(found?.through.map((step) => step.name)).toEqual(["--a", "--b"]);
  });

  test("a chain of thousands is unknown, not an overflow", () => {
    const chain = Array.from({ length: 5000 }, (_, i) => `--v${i}: var(--v${i + 1})`).join(";");
    expect(styled(`:root { ${chain}; --v5000: red } p { color: var(--v0) }`)).toBeNull();
  });
});

describe("shorthands", () => {
  test.each([
    ["background: #fff url(a.png) no-repeat center / cover", "background-color", "#fff"],
    ["background: linear-gradient(red, blue), green", "background-image", "linear-gradient(red, blue), none"],
    ["border-width: 1px 2px", "border-left-width", "2px"],
    ["outline: 0", "outline-width", "0"],
    ["font: italic bold 12px/1.5 'A B', serif", "font-size", "12px"],
    ["font: italic bold 12px/1.5 'A B', serif", "line-height", "1.5"],
    ["text-decoration: underline dotted red", "text-decoration-line", "underline"],
    ["overflow: hidden auto", "overflow-y", "auto"],
    ["inset: 1px 2px 3px", "left", "2px"],
  ])("%s gives %s", (declaration, property, expected) => {
    expect(styled(`p { ${declaration} }`, property)).toBe(expected);
  });
});

describe("conditions", () => {
  test.each([
    ["screen and (min-width: 600px) and (max-width: 1300px)", 2],
    ["not print", 2],
    ["(600px <= width <= 1300px)", 2],
    ["(width > 100em)", 0],
    ["(prefers-color-scheme: dark), (orientation: landscape)", 2],
    ["(prefers-reduced-motion)", 0],
    ["not ((hover: none) or (pointer: coarse))", 2],
    ["(unknown-feature: 3)", 0],
    ["only screen and (-webkit-min-device-pixel-ratio: 2)", 0],
  ])("the media query %s is decided", (query, expected) => {
    expect(evaluateMedia(query, desktop)).toBe(expected);
  });

  test("supports knows what it knows", () => {
    expect(
      [
        "(display: grid)",
        "(display: gird)",
        "(--a: b)",
        "(-moz-appearance: none)",
        "selector(:has(a))",
        "selector(:nonsense(a))",
        "selector(a, b)",
      ].map(evaluateSupports),
    ).toEqual([2, 0, 2, 0, 2, 0, 0]);
  });
});

describe("the parser", () => {
  test("keeps the place of every declaration", () => {
    const css = "/* c */ p { color : red ; background: blue !important }";
    const sheet = parseSheet({ file: "t.css", text: css, start: 100 });
    const [item] = sheet.items;
    const rule = item?.kind === "rule" ? item.rule : null;
    const at = (span: { start: number; end: number } | undefined) =>
      span === undefined ? "" : css.slice(span.start - 100, span.end - 100);
    expect(at(rule?.normal.get("color")?.source)).toBe("color : red");
    expect(at(rule?.important?.get("background-color")?.valueSource)).toBe("blue");
  });

  test.each([
    ["thousands of nested rules", "a{".repeat(20_000)],
    ["thousands of brackets", `p{width:${"calc(".repeat(20_000)}1px`],
    ["thousands of nested selectors", `${":is(".repeat(5_000)}a${")".repeat(5_000)}{color:red}`],
    ["an unclosed string", `p{content:"abc\n;color:red}`],
    ["nothing but errors", "}}}{{{;;;@@@ ((( ]] p { { } : ; }"],
  ])("survives %s", (_, css) => {
    expect(Array.isArray(parseSheet({ file: "t.css", text: css, start: 0 }).items)).toBe(true);
  });

  test("finds imports with layer, support and media, only at the top", () => {
    const sheet = parseSheet({
      file: "t.css",
      text: `@import url("a.css") layer(base) supports(display: grid) screen; @import 'b.css'; p{color:red} @import "late.css";`,
      start: 0,
    });
    expect(
      sheet.items.flatMap((item) =>
        item.kind === "import"
          ? [[item.import.href, item.import.layer, item.import.supports, item.import.media]]
          : [],
      ),
    ).toEqual([
      ["a.css", "base", "display: grid", "screen"],
      ["b.css", null, null, null],
    ]);
  });
});
