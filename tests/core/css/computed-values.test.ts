import { expect, test } from "vitest";
import { toHex } from "../../../src/core/colour/rgba.ts";
import { byId, sceneOf } from "../../page.ts";

/** The text colour of `#x` in Chromium; each was once another here. */
test.each([
  [
    "a media feature that no browser knows is false, negated too",
    "@media not (bogus: 1) { p { color: red } }",
    "#000000",
  ],
  ["one known arm is enough", "@media (bogus) or (width > 1px) { p { color: red } }", "#ff0000"],
  [
    "a container query without a container is false, negated too",
    "@container not (width > 1px) { p { color: red } }",
    "#000000",
  ],
  ["an unknown pseudo-class makes the rule invalid", "p, :bogus { color: red }", "#000000"],
  ["and is left out of :is()", ":is(p, :bogus) { color: red }", "#ff0000"],
  [
    "@supports asks whether a selector is one",
    "@supports selector(:bogus(a)) { p { color: red } }",
    "#000000",
  ],
  ["a selector in a scope is meant for what is inside", "@scope (p) { p { color: red } }", "#000000"],
  ["the root of a scope is named by :scope", "@scope (p) { :scope { color: red } }", "#ff0000"],
  [
    "a scope in a scope begins inside it",
    "@scope (section) { @scope (p) { :scope { color: red } } }",
    "#000000",
  ],
  ["no step of a selector leaves its scope", "@scope (main) { body p { color: red } }", "#000000"],
  ["what limits a scope stands below its root", "@scope (main) to (main) { p { color: red } }", "#ff0000"],
  [":has() asks for what is inside the element alone", "p:has(main b) { color: red }", "#000000"],
  ["a child is no grandchild", "main:has(> b + i) p { color: red }", "#000000"],
  [":has() goes below what follows", "h1:has(+ p b) + p { color: red }", "#ff0000"],
  ["left to right is the direction of a page", "p:dir(ltr) { color: red }", "#ff0000"],
  [
    "a property that hangs on itself is invalid in spite of its fallback",
    "p { --a: var(--a, red); color: var(--a, blue) }",
    "#0000ff",
  ],
  ["env() of an unknown name is its fallback", "p { color: env(none, red) }", "#ff0000"],
  [
    "what is unset is the colour of what is around, not its text",
    "main { color-scheme: dark } p { color: unset }",
    "#000000",
  ],
  ["currentcolor of the root is the initial colour", "html { color: currentColor }", "#000000"],
  ["math in a colour", "p { color: hsl(calc(1turn / 3) 100% calc(20% + 5%)) }", "#008000"],
  ["what lies outside the screen is cut off", "p { color: rgb(300 -20 0) }", "#ff0000"],
])("%s", (_, css, hex) => {
  const scene = sceneOf(
    `<!doctype html><html lang="en"><body><main><h1>h</h1><p id="x"><b>b</b><i>i</i></p></main>`,
    { css },
  );
  const { colour } = scene.page.styles.colour({ element: byId(scene, "x") }, "color") ?? { colour: null };
  expect(colour === null ? null : toHex(colour)).toBe(hex);
});

test.each([
  ["a size from a word changes where the family turns to monospace", `<h3><code id="x">c</code></h3>`, 15.21],
  ["a length does not", `<p style="font-size: 20px"><code id="x">c</code></p>`, 20],
  ["nor does what is inside one family", `<code style="font-size: 2em"><kbd id="x">k</kbd></code>`, 26],
  [
    "what is unset is the size around, not its text once more",
    `<h1><b id="x" style="font-size: unset">b</b></h1>`,
    32,
  ],
])("%s", (_, html, size) => {
  const scene = sceneOf(`<!doctype html><html lang="en"><body>${html}`);
  expect(scene.page.styles.fontSize({ element: byId(scene, "x") })).toBeCloseTo(size, 2);
});

test("a weight of nothing is no weight", () => {
  const scene = sceneOf(`<!doctype html><body><p id="x" style="font-weight: 0">p</p>`);
  expect(scene.page.styles.fontWeight({ element: byId(scene, "x") })).toBe(400);
});

test("a layer that is rolled back leaves what a sheet says of the same element", () => {
  const scene = sceneOf(`<!doctype html><body><p id="x" style="color: revert-layer">p</p>`, {
    css: "p { color: red }",
  });
  expect(scene.page.styles.value(byId(scene, "x"), "color")?.text).toBe("red");
});

test.each([
  ["a drop-down without a box", `<select id="x" style="display: contents"></select>`, "none"],
  ["a summary that is hidden", `<details><summary id="x" hidden>s</summary></details>`, "none"],
  ["a paragraph without a box", `<p id="x" style="display: contents"></p>`, "contents"],
])("display of %s", (_, html, display) => {
  const scene = sceneOf(`<!doctype html><body>${html}`);
  expect(scene.page.styles.keyword(byId(scene, "x"), "display")).toBe(display);
});
