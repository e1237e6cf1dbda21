import { expect, test } from "vitest";
import { moduleText } from "../../src/render/mount/module-text.ts";

test.each([
  [".a.b > .c:hover { color: red }", ".a_x.b_x > .c_x:hover { color: red }"],
  [":global(.a) .b, p:not(.c) { color: red }", ".a .b_x, p:not(.c_x) { color: red }"],
  [
    "@media (width > 20em) { .a { & .b { width: 1.5em } } }",
    "@media (width > 20em) { .a_x { & .b_x { width: 1.5em } } }",
  ],
  [".a { composes: b; background: url(x.a) }", ".a_x { composes: b; background: url(x.a) }"],
])("classes of a module have their names in the window: %s", (text, expected) => {
  expect(moduleText(text, "_x")).toBe(expected);
});
