import { expect, test } from "vitest";
import type { ElementNode, Node } from "../../../src/core/document/node.ts";
import { sceneFromSource } from "../../../src/core/scene/scene.ts";
import type { Decision } from "../../../src/core/worlds/decision.ts";
import { filled, hasHoles } from "../../../src/core/worlds/probe.ts";
import { inPage, type TreeElement, type TreeNode, type TreeValue } from "../../../src/core/worlds/tree.ts";
import { decisionsIn, documentIn, firstArms, lastArms } from "../../../src/core/worlds/world.ts";

const source = { file: "App.tsx", start: 0, end: 1 };
const hole = (text: string, key: string) => ({ hole: text, source, mayBeEmpty: false, key });
const open: Decision = {
  id: "open",
  arms: [
    { of: "open", is: "so" },
    { of: "open", is: "not so" },
  ],
  named: true,
  source,
};

const element = (
  tag: string,
  attributes: Readonly<Record<string, TreeValue>> = {},
  children: readonly TreeNode[] = [],
  more: Partial<TreeElement> = {},
): TreeElement => ({
  kind: "element",
  tag,
  namespace: "html",
  attributes: Object.entries(attributes).map(([name, value]) => ({ name, value, source })),
  spread: null,
  repeats: false,
  listeners: new Map(),
  children,
  source,
  endTag: null,
  components: [],
  ...more,
});

/** Markup as it would be written, holes in braces. */
const shown = (nodes: readonly Node[]): string =>
  nodes
    .map((node) => {
      if (node.kind === "text") return typeof node.value === "string" ? node.value : "{text}";
      if (node.kind === "hole") return `{${node.hole.hole}}`;
      if (node.kind === "comment") return "";
      const attributes = [...node.attributes.values()].map(
        ({ name, value }) => ` ${name}=${typeof value === "string" ? value : "{}"}`,
      );
      return `<${node.tag}${attributes.join("")}>${shown(node.children)}</${node.tag}>`;
    })
    .join("");
const bodyOf = (nodes: readonly Node[]): readonly Node[] => (nodes[0] as ElementNode).children;

const inWorld = (world: typeof firstArms, ...nodes: TreeNode[]) =>
  shown((bodyOf(documentIn(inPage("App.tsx", nodes), world).document.children)[0] as ElementNode).children);

test("a world has one arm of each decision", () => {
  const node = element("p", { title: { kind: "either", decision: open, arms: ["a", null] } }, [
    { kind: "either", decision: open, arms: [[element("i")], [element("b")]] },
  ]);
  expect(inWorld(firstArms, node)).toBe("<p title=a><i></i></p>");
  expect(inWorld(lastArms, node)).toBe("<p><b></b></p>");
  expect(decisionsIn([node]).map(({ id }) => id)).toEqual(["open"]);
});

test("handlers stand among the attributes, where they are there", () => {
  const node = element("p", {}, [], {
    listeners: new Map([
      ["click", { code: "go()", source, present: true }],
      [
        "keydown",
        { code: "keys(event)", source, present: { kind: "either", decision: open, arms: [true, false] } },
      ],
    ]),
  });
  expect(inWorld(firstArms, node)).toBe("<p onclick=go() onkeydown=keys(event)></p>");
  expect(inWorld(lastArms, node)).toBe("<p onclick=go()></p>");
});

test("an id that nobody knows is found by what refers to it with the same value", () => {
  const id = hole("id", "field");
  expect(inWorld(firstArms, element("label", { for: id }), element("input", { id }))).toBe(
    "<label for={id}></label><input id={id}></input>",
  );
  expect(
    inWorld(firstArms, element("label", { for: hole("other", "other") }), element("input", { id })),
  ).toBe("<label for={}></label><input id={id}></input>");
});

test("what may be hidden from assistive technology is not exposed for sure, and neither is what is in it", () => {
  const exposedIn = (hidden: TreeValue) => {
    const tree = inPage("App.tsx", [element("div", { "aria-hidden": hidden }, [element("p")])]);
    const { document } = documentIn(tree, firstArms);
    const scene = sceneFromSource(document, []);
    return scene.page.index.elements
      .filter(({ tag }) => tag === "div" || tag === "p")
      .map((one) => scene.presence.of(one).exposed);
  };
  expect([exposedIn(hole("h", "h")), exposedIn("true"), exposedIn("false")]).toEqual([
    [1, 1],
    [0, 0],
    [2, 2],
  ]);
});

test("a whole page is a document, anything else a component in one", () => {
  expect(inPage("a.tsx", [element("html")]).kind).toBe("document");
  expect(inPage("a.tsx", [element("p")]).kind).toBe("component");
});

test.each<[what: string, node: TreeNode, holds: boolean]>([
  ["an attribute that nobody knows", element("input", { value: hole("v", "v") }), true],
  ["one that is known", element("input", { value: "4 m" }), false],
  ["a spread", element("input", {}, [], { spread: hole("rest", "r") }), true],
  [
    "text that nobody knows, further in",
    element("p", {}, [element("b", {}, [{ kind: "text", value: hole("t", "t"), source }])]),
    true,
  ],
])("%s is a hole or none", (_, node, holds) => {
  expect(hasHoles(documentIn(inPage("App.tsx", [node]), firstArms).document)).toBe(holds);
});

test("a handler that may be missing is a decision, and one that is there is none", () => {
  const listening = (present: true | { kind: "either"; decision: Decision; arms: boolean[] }) =>
    element("div", {}, [], { listeners: new Map([["click", { code: "book()", source, present }]]) });
  const mayBe = listening({ kind: "either", decision: open, arms: [true, false] });
  expect(decisionsIn([mayBe])).toEqual([open]);
  expect(decisionsIn([listening(true)])).toEqual([]);
  const listensIn = (world: typeof firstArms) =>
    [...documentIn(inPage("App.tsx", [mayBe]), world).origins.keys()].flatMap(({ tag, listeners }) =>
      tag === "div" && listeners !== "unknown" ? [...listeners] : [],
    );
  expect([listensIn(firstArms), listensIn(lastArms)]).toEqual([["click"], []]);
});

test("holes are filled with what their place may hold, and elements keep where they come from", () => {
  const { document } = documentIn(
    inPage("App.tsx", [
      element("fieldset", {}, [{ kind: "hole", hole: hole("children", "c") }]),
      element("button", {}, [], { spread: hole("rest", "r") }),
    ]),
    firstArms,
  );
  expect(hasHoles(document)).toBe(true);
  const { document: made, originals } = filled(document, "words");
  expect(shown((bodyOf(made.children)[0] as ElementNode).children)).toMatch(
    /^<fieldset><legend>Words given elsewhere<\/legend><\/fieldset><button aria-label=Words given elsewhere /,
  );
  expect(hasHoles(documentIn(inPage("App.tsx", [element("p")]), firstArms).document)).toBe(false);
  expect([...originals.values()].map(({ tag }) => tag)).toEqual(["fieldset", "button", "body", "html"]);
});
