import { expect, test } from "vitest";
import { renamedClasses, scopedSheet } from "../../../src/core/css/narrowed-sheet.ts";
import { parseSheet } from "../../../src/core/css/parse-sheet.ts";
import type { Sheet } from "../../../src/core/css/sheet.ts";
import { sceneFromSource } from "../../../src/core/scene/scene.ts";
import { readHtml } from "../../../src/readers/html/read-html.ts";
import { byId } from "../../page.ts";

/** One element of a component, `#own`, and one inside it that another component renders, `#other`. */
const html = `<!doctype html><body><div data-scope class="box"><p data-scope class="a" id="own">x</p><p class="a" id="other">y</p></div>`;

const parsed = (text: string, isOfComponent = true): Sheet =>
  parseSheet({ file: "a.css", text, start: 0, isOfComponent });

function coloured(sheet: Sheet): string {
  const { document } = readHtml(html, "test.html");
  const scene = sceneFromSource(document, [{ sheet, media: null, scope: document, imports: new Map() }]);
  return ["own", "other"]
    .filter((id) => scene.page.styles.keyword(byId(scene, id), "color") === "red")
    .join(" ");
}

test.each([
  [".a { color: red }", "own"],
  [":global(.a) { color: red }", "own other"],
  [".box :global(.a) { color: red }", "own other"],
  [".box:global(.a) { color: red }", ""],
  [".a:global(#own) { color: red }", "own"],
  [":global { .a { color: red } }", "own other"],
  [".box :global .a { color: red }", "own other"],
  [".box { :global(.a) { color: red } }", "own other"],
  [":deep(.a) { color: red }", "own other"],
  [".box :deep(.a) { color: red }", "own other"],
  [".gone :deep(.a) { color: red }", ""],
  [".box >>> .a { color: red }", "own other"],
  [".box /deep/ .a { color: red }", "own other"],
  ["::v-deep(.a) { color: red }", "own other"],
  [":host .a { color: red }", "own"],
  [":host ::ng-deep .a, .gone { color: red }", "own other"],
  [":slotted(.a) { color: red }", "own other"],
])("of scoped styles %s reaches %s", (css, reached) => {
  expect(coloured(scopedSheet(parsed(css), "data-scope"))).toBe(reached);
});

test.each([
  [".a { color: red }", ""],
  [":global(.a) { color: red }", "own other"],
  [":local(.a) { color: red }", ""],
  [".box :global(.a) { color: red }", ""],
])("of a module of styles %s reaches %s by the names as written", (css, reached) => {
  expect(coloured(renamedClasses(parsed(css), "-1"))).toBe(reached);
});

test("a browser knows none of it", () => {
  expect(coloured(parsed(":global(.a), .a { color: red }", false))).toBe("");
});
