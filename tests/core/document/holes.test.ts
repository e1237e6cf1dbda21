import { describe, expect, test } from "vitest";
import { catalogue } from "../../../src/core/checks/catalogue.ts";
import { runChecks } from "../../../src/core/checks/run.ts";
import { parseSheet } from "../../../src/core/css/parse-sheet.ts";
import type {
  Attribute,
  Document,
  ElementNode,
  Hole,
  Node,
  Written,
} from "../../../src/core/document/node.ts";
import { sceneFromSource } from "../../../src/core/scene/scene.ts";
import { heardLineOf } from "../../../src/core/semantics/heard-line.ts";

// Pages hold no holes: these trees are made by hand, as the readers of components will make them.
const span = { file: "t.tsx", start: 0, end: 1 };
const hole = (name: string, mayBeEmpty = true): Hole => ({ hole: name, source: span, mayBeEmpty });

interface Made {
  readonly spread?: boolean;
  readonly presence?: "always" | "sometimes";
  readonly repeats?: boolean;
}

function element(
  tag: string,
  attributes: Readonly<Record<string, Written>>,
  children: readonly Node[] = [],
  made: Made = {},
): ElementNode {
  return {
    kind: "element",
    tag,
    namespace: "html",
    attributes: new Map(
      Object.entries(attributes).map(([name, value]): [string, Attribute] => [
        name,
        { name, value, source: span },
      ]),
    ),
    spread: made.spread === true ? hole("rest") : null,
    presence: made.presence ?? "always",
    repeats: made.repeats ?? false,
    listeners: new Set(),
    children,
    shadow: null,
    source: span,
    endTag: null,
    components: [],
  };
}

const text = (value: Written): Node => ({ kind: "text", value, source: span });

function sceneWith(css: string, ...body: readonly Node[]) {
  const html = element("html", { lang: "en" }, [
    element("head", {}, [element("title", {}, [text("Slips")])]),
    element("body", {}, [element("main", {}, body)]),
  ]);
  const document: Document = { kind: "document", file: "t.tsx", children: [html], quirks: false };
  return sceneFromSource(document, [
    {
      sheet: parseSheet({ file: "t.css", text: css, start: 0 }),
      media: null,
      scope: document,
      imports: new Map(),
    },
  ]);
}

const failedChecks = (...body: readonly Node[]) =>
  runChecks(sceneWith("", ...body), catalogue)
    .findings.filter((finding) => finding.outcome === "failed")
    .map((finding) => finding.check);

describe("what source does not give", () => {
  test("is shown as far as it is known, and marked", () => {
    const button = element("button", {}, [text(["Book slip ", hole("n")])]);
    const scene = sceneWith("", button);
    expect(scene.name(button)).toEqual({ text: "Book slip {n}", certain: false, from: "contents" });
    expect(heardLineOf(scene, button)).toBe(`"Book slip {n}" button`);
  });

  test.each<[string, ElementNode]>([
    ["an image whose alt is a value", element("img", { src: "a.jpg", alt: hole("alt") })],
    ["an image that takes whatever it is given", element("img", { src: "a.jpg" }, [], { spread: true })],
    ["a field that takes whatever it is given", element("input", {}, [], { spread: true })],
    ["a button that holds a value", element("button", {}, [text(hole("label"))])],
    ["a button that holds children", element("button", {}, [{ kind: "hole", hole: hole("children") }])],
    ["a link that may be hidden", element("a", { href: "x", "aria-hidden": hole("hidden") }, [text("x")])],
    ["a role that is a value", element("div", { role: hole("role") }, [text("x")])],
    ["a state that is a value", element("button", { "aria-expanded": hole("open") }, [text("x")])],
    [
      "a page title beside a field named by reference to a value",
      element("input", { "aria-labelledby": hole("id") }),
    ],
  ])("never fails a check: %s", (_, node) => {
    expect(failedChecks(node)).toEqual([]);
  });

  test("does not excuse what is plainly wrong beside it", () => {
    expect(failedChecks(element("img", { src: hole("src") }))).toEqual(["names.image-described"]);
    expect(failedChecks(element("button", { class: hole("style") }))).toEqual(["names.action-named"]);
  });

  test("leaves styles unknown where a class is a value, unless they come out the same", () => {
    const p = element("p", { class: hole("kind") }, [text("x")]);
    expect(sceneWith(".warn { color: red }", p).page.styles.value(p, "color")?.text).toBeNull();
    expect(sceneWith("p { color: red } .warn { color: red }", p).page.styles.value(p, "color")?.text).toBe(
      "red",
    );
    expect(sceneWith("p { color: red }", p).page.styles.value(p, "color")?.text).toBe("red");
  });

  test("looks for a class of unknown ancestors too", () => {
    const p = element("p", {}, [text("x")]);
    const scene = sceneWith(".dark p { color: white }", element("div", { class: hole("theme") }, [p]));
    expect(scene.page.styles.value(p, "color")?.text).toBeNull();
  });

  test("makes presence a perhaps where display is unknown", () => {
    const p = element("p", { class: hole("kind") }, [text("x")]);
    expect(sceneWith(".off { display: none }", p).presence.of(p).exposed).toBe(1);
  });

  test("marks what is there only sometimes as not certain in the names around it", () => {
    const button = element("button", {}, [
      text("Book"),
      element("b", {}, [text("now")], { presence: "sometimes" }),
    ]);
    expect(sceneWith("", button).name(button).certain).toBe(false);
  });
});
