import { describe, expect, test } from "vitest";
import { indexDocument } from "../../src/core/document/document-index.ts";
import { elementPath } from "../../src/core/document/element-path.ts";
import { lineMap } from "../../src/core/document/line-map.ts";
import { decodeText } from "../../src/readers/html/decode.ts";
import { readHtml } from "../../src/readers/html/read-html.ts";
import { byId, sceneOf } from "../page.ts";

/** Source text of an attribute, by the spans of the reader. */
function writtenAttribute(html: string, tag: string, name: string): string {
  const index = indexDocument(readHtml(html, "t.html").document);
  const source = index.byTag(tag)[0]?.attributes.get(name)?.source;
  return source == null ? "no source" : html.slice(source.start, source.end);
}

describe("places in source", () => {
  test.each([
    ["LF", `<p>\n<img\n src="a.png"  alt='A'>`],
    ["CRLF", `<p>\r\n\r\n<img\r\n src="a.png"  alt='A'>`],
    ["tabs", `<p>\t\t<img\tsrc="a.png"\talt='A'>`],
    ["astral characters", `<p>⚓️🛥 𝒷oat</p><img title="🛥" src="a.png" alt='A'>`],
    ["a lone CR", `<p>\r<img src="a.png"\ralt='A'>`],
  ])("stay right with %s", (_, html) => {
    expect(writtenAttribute(html, "img", "alt")).toBe("alt='A'");
    expect(writtenAttribute(html, "img", "src")).toBe(`src="a.png"`);
  });

  test("lines and columns count from 1 in UTF-16 units", () => {
    const map = lineMap("ab\r\n🛥c\rd\ne");
    expect([0, 3, 4, 6, 8, 10].map((offset) => map.position(offset))).toEqual([
      { line: 1, column: 1 },
      { line: 1, column: 4 },
      { line: 2, column: 1 },
      { line: 2, column: 3 },
      { line: 3, column: 1 },
      { line: 4, column: 1 },
    ]);
    expect(map.line(2)).toBe("🛥c");
    expect(map.line(9)).toBeNull();
  });
});

describe("the base of a page", () => {
  test.each([
    ["is the first that says where", `<base target="_top"><base href="/yard/"><base href="/far/">`, "/yard/"],
    ["is said by no other element", `<link href="/sheet.css"><a href="/tides">Tides</a>`, null],
    ["comes after what others lead to", `<link href="/sheet.css"><base href="/yard/">`, "/yard/"],
  ])("%s", (_, head, base) => {
    expect(readHtml(`<!doctype html><head>${head}</head>`, "t.html").baseHref).toBe(base);
  });
});

describe("encodings", () => {
  const text = (bytes: Uint8Array, language: "html" | "css" = "html") => {
    const decoded = decodeText(bytes, "t", language);
    return decoded.ok ? `${decoded.value.encoding}: ${decoded.value.text}` : decoded.problem.message;
  };
  test("a byte-order mark decides and is not part of the text", () => {
    expect(text(Buffer.from("\ufeffé", "utf8"))).toBe("utf-8: é");
    expect(text(Buffer.concat([Buffer.from([0xff, 0xfe]), Buffer.from("é", "utf16le")]))).toBe("utf-16le: é");
  });
  test("else what the page declares", () => {
    expect(text(Buffer.from('<meta charset="windows-1252">\u00e9', "latin1"))).toBe(
      'windows-1252: <meta charset="windows-1252">é',
    );
    expect(text(Buffer.from('@charset "iso-8859-1";\u00e9', "latin1"), "css")).toContain("é");
  });
  test("else UTF-8, or windows-1252 where the bytes are not UTF-8", () => {
    expect(text(Buffer.from("é", "utf8"))).toBe("utf-8: é");
    expect(text(Buffer.from([0x93, 0x41, 0x94]))).toBe("windows-1252: “A”");
  });
  test("bytes that are no text are refused", () => {
    expect(text(Buffer.from([0x89, 0x50, 0x4e, 0x47, 0, 0, 0, 1]))).toContain("Not a text file");
  });
});

describe("the document", () => {
  test("a file with a doctype or a root is a page, any other a fragment", () => {
    expect(readHtml("<!doctype html><p>x", "t").document.kind).toBe("document");
    expect(readHtml("<html><p>x", "t").document.kind).toBe("document");
    expect(readHtml("<p>x", "t").document.kind).toBe("fragment");
  });

  test("a declarative shadow root is attached, its template is gone", () => {
    const scene = sceneOf(
      `<div id="host"><template shadowrootmode="open"><p id="in">x</p><slot></slot></template><b id="light">y</b></div>`,
    );
    const { index } = scene.page;
    expect(byId(scene, "host").shadow?.mode).toBe("open");
    expect(elementPath(index, byId(scene, "in"))).toBe(
      "html > body:nth-child(2) > div:nth-child(1) >>> p:nth-child(1)",
    );
    expect(elementPath(index, byId(scene, "light"))).toBe(
      "html > body:nth-child(2) > div:nth-child(1) > b:nth-child(1)",
    );
    expect(index.flatParent(byId(scene, "light"))?.tag).toBe("slot");
  });

  test.each([
    [`<link href="a.css"><base href="/yard/"><base href="/other/">`, "/yard/"],
    [`<base target="_blank"><base href="/yard/">`, "/yard/"],
    [`<a href="a.html">a</a>`, null],
  ])("addresses are relative to the first base that has one: %s", (html, base) => {
    expect(readHtml(html, "t").baseHref).toBe(base);
  });

  test("stylesheets come in document order, each with its place", () => {
    const html = `<style>a{}</style><link rel="stylesheet" href="x.css" media="print"><link rel="alternate stylesheet" href="y.css"><style type="text/less">b{}</style>`;
    const { styles } = readHtml(html, "t");
    expect(
      styles.map((s) =>
        s.kind === "text" ? html.slice(s.start, s.start + s.text.length) : `${s.href} ${s.media}`,
      ),
    ).toEqual(["a{}", "x.css print"]);
  });

  test("100,000 nested elements are read, styled and told", () => {
    const deep = 100_000;
    const scene = sceneOf(
      `<!doctype html><title>t</title><style>b b{color:red}</style><button id="a">${"<b>".repeat(deep)}Haul`,
    );
    expect(scene.page.index.elements.length).toBeGreaterThan(deep);
    expect(scene.name(byId(scene, "a")).text).toBe("Haul");
  });

  test("a label finds its control by id, else inside itself", () => {
    const scene = sceneOf(
      `<label id="l" for="a">x</label><input id="a"><label id="m"><b><input id="b"></b></label><label id="n" for="gone"><input id="c"></label>`,
    );
    const { index } = scene.page;
    expect(
      ["l", "m", "n"].map((id) => index.labeledControl(byId(scene, id))?.attributes.get("id")?.value ?? null),
    ).toEqual(["a", "b", null]);
  });
});
