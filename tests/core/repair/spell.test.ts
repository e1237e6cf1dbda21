import { describe, expect, test } from "vitest";
import type { Declared } from "../../../src/core/css/declared.ts";
import type { ElementNode, Node, Span } from "../../../src/core/document/node.ts";
import {
  addDeclarations,
  type Change,
  insert,
  removeAttribute,
  removeDeclaration,
  removeElement,
  renameAttribute,
  renameElement,
  setAttribute,
  setDeclaration,
  setWords,
  wrap,
} from "../../../src/core/repair/change.ts";
import { withEdits } from "../../../src/core/repair/edit.ts";
import { BLANK } from "../../../src/core/repair/repair.ts";
import { filledIn, spelled } from "../../../src/core/repair/spell.ts";
import { escapeWords } from "../../../src/core/repair/syntax.ts";
import { readHtml } from "../../../src/readers/html/read-html.ts";

const declared = (text: string, place: Span): Declared => ({
  text,
  shorthand: null,
  source: place,
  valueSource: place,
  replaceable: true,
});

/** The first element of a tag. */
function first(html: string, tag: string, file: string): ElementNode {
  const stack: Node[] = [...readHtml(html, file).document.children];
  for (let node = stack.shift(); node !== undefined; node = stack.shift()) {
    if (node.kind !== "element") continue;
    if (node.tag === tag) return node;
    stack.unshift(...node.children);
  }
  throw new Error(`no <${tag}>`);
}

/** A page with a change made to its first element of a tag; null where it cannot be written. */
function changed(html: string, tag: string, change: (element: ElementNode) => Change, file = "a.html") {
  const edits = spelled([change(first(html, tag, file))], () => html);
  return edits === null ? null : withEdits(html, edits);
}

const alt = (value: string | null) => (image: ElementNode) => setAttribute(image, "alt", value);

describe("an attribute is set", () => {
  test.each([
    [`<img src="a.png">`, `<img src="a.png" alt="Hull">`],
    [`<img>`, `<img alt="Hull">`],
    [`<img/>`, `<img alt="Hull"/>`],
    [`<img src='a.png' />`, `<img src='a.png' alt='Hull' />`],
    [`<img\n    src="a.png"\n    width="3"\n>`, `<img\n    src="a.png"\n    width="3"\n    alt="Hull"\n>`],
    [`<img\r\n\tsrc="a.png">`, `<img\r\n\tsrc="a.png"\r\n\talt="Hull">`],
    [`<img alt src="a.png">`, `<img alt="Hull" src="a.png">`],
    [`<img alt='' src="a.png">`, `<img alt='Hull' src="a.png">`],
    [`<img alt = "x" src="a.png">`, `<img alt = "Hull" src="a.png">`],
    [`<IMG SRC=a.png>`, `<IMG SRC=a.png alt="Hull">`],
  ])("%s", (html, expected) => {
    expect(changed(html, "img", alt("Hull"))).toBe(expected);
  });

  test("what would end its value is referred to", () => {
    expect(changed(`<img src="a">`, "img", alt(`"4" & <5>`))).toBe(
      `<img src="a" alt="&quot;4&quot; &amp; &lt;5>">`,
    );
    expect(changed(`<img src='a'>`, "img", alt("O'Hara"))).toBe(`<img src='a' alt='O&#39;Hara'>`);
  });

  test("without a value it is a bare name", () => {
    expect(changed(`<input id="a">`, "input", (e) => setAttribute(e, "required", null))).toBe(
      `<input id="a" required>`,
    );
  });

  test("the quotes of the file count where the tag has none", () => {
    expect(
      changed(`<p class='a'></p><p id='b'></p><main></main>`, "main", (e) => setAttribute(e, "id", "c")),
    ).toBe(`<p class='a'></p><p id='b'></p><main id='c'></main>`);
  });

  test.each([
    ["a.jsx", `<p className="a"></p>`, "for", "x", `<p className="a" htmlFor="x"></p>`],
    ["a.jsx", `<p className="a"></p>`, "tabindex", "-1", `<p className="a" tabIndex={-1}></p>`],
    ["a.jsx", `<p class="a"></p>`, "for", "x", `<p class="a" for="x"></p>`],
    [
      "a.jsx",
      `<p class="a"></p><i className="b"></i>`,
      "for",
      "x",
      `<p class="a" htmlFor="x"></p><i className="b"></i>`,
    ],
    ["a.jsx", `<p></p>`, "for", "x", `<p htmlFor="x"></p>`],
    ["a.tsx", `<p className="a"></p>`, "aria-level", "2", `<p className="a" aria-level={2}></p>`],
    ["a.tsx", `<p></p>`, "aria-label", "{4}", `<p aria-label="&#123;4&#125;"></p>`],
    ["a.vue", `<p></p>`, "aria-label", "{{ 4 }}", `<p aria-label="&#123;&#123; 4 &#125;&#125;"></p>`],
  ])("in %s as %s has it: %s=%s", (file, html, name, value, expected) => {
    expect(changed(html, "p", (e) => setAttribute(e, name, value), file)).toBe(expected);
  });

  test.each([
    ["a.jsx", `<p title={words}></p>`],
    ["a.svelte", `<p title="Slip {n}"></p>`],
    ["a.jsx", `<p title={\`Slip \${n}\`}></p>`],
  ])("never in place of an expression: %s %s", (file, html) => {
    expect(changed(html, "p", (e) => setAttribute(e, "title", "x"), file)).toBeNull();
  });
});

test.each<[html: string, expected: string | null]>([
  [`<div title="a" />`, `<main title="a" />`],
  [`<div></div>`, `<main></main>`],
  [`<div>`, null],
])("in JSX %s is renamed", (html, expected) => {
  expect(changed(html, "div", (e) => renameElement(e, "main"), "a.jsx")).toBe(expected);
});

describe("other changes", () => {
  const li = (html: string) => first(html, "li", "a.html");
  test.each<readonly [string, string, string, (element: ElementNode) => Change, string]>([
    ["an attribute goes", `<p role="x" id="a">`, "p", (e) => removeAttribute(e, "role"), `<p id="a">`],
    ["with its line", `<p\n  role="x"\n  id="a">`, "p", (e) => removeAttribute(e, "role"), `<p\n  id="a">`],
    [
      "an attribute is renamed",
      `<p ARIA-LABELED='x'>`,
      "p",
      (e) => renameAttribute(e, "aria-labeled", "aria-label"),
      `<p aria-label='x'>`,
    ],
    [
      "an element is renamed",
      `<DIV id=a><b>x</b></DIV >`,
      "div",
      (e) => renameElement(e, "nav"),
      `<nav id=a><b>x</b></nav >`,
    ],
    [
      "words are set",
      `<title>\n</title>`,
      "title",
      (e) => setWords(e, "Slips & <tides>"),
      `<title>Slips &amp; &lt;tides></title>`,
    ],
    [
      "an element goes with its line",
      `<p>a</p>\r\n  <br>\r\n<p>b</p>`,
      "br",
      removeElement,
      `<p>a</p>\r\n<p>b</p>`,
    ],
    ["an element goes from a line", `<p>a<br>b</p>`, "br", removeElement, `<p>ab</p>`],
    [
      "one is put before another",
      `<p>\n  <input>\n</p>`,
      "input",
      (e) => insert("before", e, { tag: "label", text: "Beam" }),
      `<p>\n  <label>Beam</label>\n  <input>\n</p>`,
    ],
    [
      "one is put first",
      `<ul>\n\t<li>a</li>\n</ul>`,
      "ul",
      (e) => insert("first", e, { tag: "li", text: "b" }),
      `<ul>\n\t<li>b</li>\n\t<li>a</li>\n</ul>`,
    ],
    [
      "one is put last",
      `<head>\n  <base>\n</head>`,
      "head",
      (e) => insert("last", e, { tag: "title", text: "b" }),
      `<head>\n  <base>\n  <title>b</title>\n</head>`,
    ],
    [
      "a control is put first in a line",
      `<b>Crane</b>`,
      "b",
      (e) => insert("first", e, { tag: "input", attributes: { type: "checkbox" } }),
      `<b><input type="checkbox"> Crane</b>`,
    ],
    [
      "one is put around",
      `<div>\n  <li>a</li>\n</div>`,
      "li",
      (e) => wrap(e, e, { tag: "ul" }),
      `<div>\n  <ul>\n  <li>a</li>\n  </ul>\n</div>`,
    ],
    [
      "a style is added",
      `<p style="color: red">`,
      "p",
      (e) => addDeclarations(e, () => ({ padding: "0" })),
      `<p style="color: red; padding: 0">`,
    ],
    [
      "a style is begun",
      `<p>`,
      "p",
      (e) => addDeclarations(e, () => ({ padding: "0", "text-align": "left" })),
      `<p style="padding: 0; text-align: left">`,
    ],
  ])("%s", (_, html, tag, change, expected) => {
    expect(changed(html, tag, change)).toBe(expected);
  });

  test("around text go the letters, not the space beside them", () => {
    const html = `<p> Length <input></p>`;
    expect(
      changed(html, "p", ({ children: [text] }) =>
        wrap(text as ElementNode, text as ElementNode, { tag: "label" }),
      ),
    ).toBe(`<p> <label>Length</label> <input></p>`);
  });

  test("a declaration goes with its semicolon, and its line where it has one", () => {
    const css = `a {\n  color: red;\n  outline: none;\n}\nb { top: 0; left: 0 }`;
    const removed = (text: string) => {
      const start = css.indexOf(text);
      const source = { file: "a.css", start, end: start + text.length };
      const change = removeDeclaration(declared(text.split(": ")[1] ?? "", source));
      return withEdits(css, spelled([change], () => css) ?? []);
    };
    expect(removed("outline: none")).toBe(`a {\n  color: red;\n}\nb { top: 0; left: 0 }`);
    expect(removed("top: 0")).toBe(`a {\n  color: red;\n  outline: none;\n}\nb { left: 0 }`);
  });

  test.each([
    ["the parser implied it", `text`, "body"],
    ["its end tag is missing", `<p>a`, "p"],
  ])("nothing is renamed where %s", (_, html, tag) => {
    expect(changed(html, tag, (e) => renameElement(e, "main"))).toBeNull();
  });

  test("nothing is put around what has no end in source", () => {
    expect(
      changed(`<ul><li>a<li>b</ul>`, "ul", () =>
        wrap(li(`<ul><li>a</ul>`), li(`<ul><li>a</ul>`), { tag: "p" }),
      ),
    ).toBeNull();
  });
});

describe("a declaration in a style attribute", () => {
  /** What becomes of an attribute when a declaration in it is changed; null where that cannot be written. */
  const inAttribute = (
    attribute: string,
    name: string,
    value: string,
    change: (one: Declared) => Change,
  ): string | null => {
    const text = `<p ${attribute}>`;
    const place = { file: "a", start: 3, end: 3 + attribute.length };
    const edits = spelled(
      [change({ ...declared(value, place), inAttribute: { attribute: place, name } })],
      () => text,
    );
    return edits === null ? null : withEdits(text, edits).slice(3, -1);
  };

  test.each<readonly [attribute: string, name: string, value: string, expected: string | null]>([
    [`style="color: #999"`, "color", "#999", `style="color: #767676"`],
    [`style=color:#999`, "color", "#999", `style=color:#767676`],
    [
      `style="background: #fff; color:#999; border: 1px solid #999"`,
      "color",
      "#999",
      `style="background: #fff; color:#767676; border: 1px solid #999"`,
    ],
    [
      `style="border: 1px solid #999; color: red"`,
      "border",
      "#999",
      `style="border: 1px solid #767676; color: red"`,
    ],
    [`style={{ color: "#999", top: 0 }}`, "color", "#999", `style={{ color: "#767676", top: 0 }}`],
    [
      `style={{ backgroundColor: '#999' }}`,
      "background-color",
      "#999",
      `style={{ backgroundColor: '#767676' }}`,
    ],
    [`:style="{ 'color': '#999' }"`, "color", "#999", `:style="{ 'color': '#767676' }"`],
    [`:style="'color: #999'"`, "color", "#999", `:style="'color: #767676'"`],
    [`style={{ color: pale, background: "#999" }}`, "color", "#999", null],
    [`style={pale}`, "color", "#999", null],
    [`style={{ color: "#9999" }}`, "color", "#999", null],
    [`style={on ? { color: "#999" } : { color: "#999", top: 0 }}`, "color", "#999", null],
    [`style={{ color: \`\${pale}\` }}`, "color", "#999", null],
    [`style={{ backgroundColor: "#999" }}`, "color", "#999", null],
  ])("%s is given another value for %s", (attribute, name, value, expected) => {
    expect(inAttribute(attribute, name, value, (one) => setDeclaration(one, "#767676"))).toBe(expected);
  });

  test.each<readonly [attribute: string, name: string, value: string, expected: string | null]>([
    [`style="outline: none; color: red"`, "outline", "none", `style="color: red"`],
    [`style="color: red; outline: 0 none"`, "outline", "none", `style="color: red; "`],
    [`style={{ outline: "none", color: "red" }}`, "outline", "none", `style={{ color: "red" }}`],
    [`style={{ outlineStyle: 'none' }}`, "outline-style", "none", `style={{ }}`],
    [`style={QUIET}`, "outline", "none", null],
    [`style={{ ...quiet, display: "none" }}`, "outline", "none", null],
  ])("%s loses %s", (attribute, name, value, expected) => {
    expect(inAttribute(attribute, name, value, removeDeclaration)).toBe(expected);
  });
});

describe("words of a person", () => {
  test("are written as the place demands", () => {
    const edits = [
      { file: "a.html", start: 0, end: 0, text: ` alt="${BLANK}"` },
      { file: "a.html", start: 9, end: 9, text: BLANK },
      { file: "a.jsx", start: 0, end: 0, text: ` alt='${BLANK}'` },
    ];
    expect(filledIn(edits, `"A" {b} 'c' $& <d>`).map(({ text }) => text)).toEqual([
      ` alt="&quot;A&quot; {b} 'c' $&amp; &lt;d>"`,
      `"A" {b} 'c' $&amp; &lt;d>`,
      ` alt='"A" &#123;b&#125; &#39;c&#39; $&amp; &lt;d&gt;'`,
    ]);
  });

  test("in a template of script end neither it nor an expression", () => {
    expect(escapeWords("`$" + "{a}` @if \\", "template", null)).toBe(
      "&#96;$&#123;a&#125;&#96; &#64;if &#92;",
    );
  });
});
