import { expect, test } from "vitest";
import { textForPage } from "../../src/browser/style-in-page.ts";

const inPage = (text: string) => textForPage(text, async (address) => `/served/${address}`);

test.each([
  [".a { background: url(hull.svg) }", '.a { background: url("/served/hull.svg") }'],
  [
    '.a { background: url("../hull.svg#mast"), red; --b: url(tide.png) }',
    '.a { background: url("/served/../hull.svg#mast"), red; --b: url("/served/tide.png") }',
  ],
  ["@import './base.css' print;\n.a { color: red }", "\n.a { color: red }"],
  ["@import url(base.css);", ""],
])("what counts from its own file leads there: %s", async (text, expected) => {
  expect(await inPage(text)).toBe(expected);
});

test.each([
  ".a { background: url(/hull.svg), url(https://yard.example/a.png), url(data:image/png;base64,AA), url(#mast) }",
  '@import "https://yard.example/base.css";\n.a { color: red }',
  ".a { & .b { color: red } } @container (width > 20em) { .c { color: blue } }",
])("what leads elsewhere stays as it is: %s", async (text) => {
  expect(await inPage(text)).toBe(text);
});
