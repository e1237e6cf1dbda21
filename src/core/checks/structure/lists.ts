import type { ElementNode, Node } from "../../document/node.ts";
import { shortened } from "../../document/shortened.ts";
import { attributeToken, writtenText } from "../../document/written.ts";
import { failed, inapplicable, passed, pointingAt, type Verdict } from "../../findings/verdict.ts";
import { insert, renameElement, wrap } from "../../repair/change.ts";
import { ask, askWords, BLANK, withChanges } from "../../repair/repair.ts";
import type { Scene } from "../../scene/scene.ts";
import type { PageCheck } from "../check.ts";
import { exposedByTag, isExposed } from "../exposed.ts";
import { runOf, wrapRun } from "../run-of-siblings.ts";
import { elementsHeldBy, holderOf } from "../through-slots.ts";

/** What may stand anywhere in a list. HTML §4.4.5, "script-supporting elements". */
const anywhere = new Set(["script", "template", "style", "noscript", "link", "meta"]);

function* listParts(scene: Scene): Iterable<ElementNode> {
  yield* exposedByTag(scene, "ul", "ol", "menu", "dl", "li", "dt", "dd");
}

function judge(element: ElementNode, scene: Scene): Verdict {
  switch (element.tag) {
    case "li":
      return judgeItem(element, scene);
    case "dl":
      return judgeDescriptions(element, scene);
    case "dt":
    case "dd":
      return judgeTerm(element, scene);
    default:
      return judgeList(element, scene);
  }
}

const isList = (scene: Scene, element: ElementNode): boolean => {
  const { role } = scene.role(element);
  return role === "list" || role === "directory";
};

const shownText = (node: Node): string | null => {
  if (node.kind !== "text" || typeof node.value !== "string") return null;
  const text = writtenText(node.value).replace(/\s+/g, " ").trim();
  return text === "" ? null : text;
};

function judgeList(list: ElementNode, scene: Scene): Verdict {
  if (!isList(scene, list)) return inapplicable;
  const strays = elementsHeldBy(scene, list).filter(
    (child) =>
      child.tag !== "li" &&
      !anywhere.has(child.tag) &&
      !child.tag.includes("-") &&
      attributeToken(child, "role") !== "listitem" &&
      isExposed(scene, child),
  );
  const [first] = strays;
  if (first !== undefined) {
    const isNested = first.tag === "ul" || first.tag === "ol";
    const details = {
      facts: { child: first.tag },
      ...pointingAt(first),
    };
    return failed(
      isNested
        ? `A <${first.tag}> stands in this <${list.tag}> beside its items, and belongs to none of them.`
        : `A <${first.tag}> stands in this <${list.tag}> where only <li> may.`,
      isNested
        ? ask("Put the inner list into the <li> it belongs to, before its </li>.")
        : /^(?:div|p|span)$/.test(first.tag) && strays.length === 1
          ? withChanges("likely", `Make it an <li>.`, [renameElement(first, "li")])
          : withChanges(
              "likely",
              `Put it into an <li>, or out of the list.`,
              strays.map((stray) => wrap(stray, stray, { tag: "li" })),
            ),
      details,
    );
  }
  const text = list.children.map(shownText).find((t) => t !== null) ?? null;
  return text !== null
    ? failed(
        `"${shortened(text, 40)}" stands in this <${list.tag}> outside every <li>.`,
        withChanges(
          "likely",
          "Put the text into an <li>, or before the list.",
          list.children.flatMap((child) =>
            child.kind === "text" && shownText(child) !== null ? [wrap(child, child, { tag: "li" })] : [],
          ),
        ),
      )
    : passed;
}

function judgeItem(item: ElementNode, scene: Scene): Verdict {
  const { index } = scene.page;
  if (item.attributes.has("role")) return inapplicable;
  const parent = holderOf(scene, item);
  if (parent === null || parent.namespace !== "html" || parent.tag.includes("-")) return inapplicable;
  if (/^(?:ul|ol|menu|dir)$/.test(parent.tag) || isList(scene, parent)) return passed;
  if (scene.document.kind === "fragment" && index.record(item).parent === null) return inapplicable;
  if (scene.document.kind === "fragment" && parent.tag === "body") return inapplicable;
  return failed(
    `This <li> stands in a <${parent.tag}>, not in a list.`,
    withChanges("likely", "Put it and its neighbours into a <ul> or <ol>.", [
      wrapRun(
        runOf(scene, item, (other) => other.tag === "li" && !other.attributes.has("role")),
        { tag: "ul" },
      ),
    ]),
    { cause: { kind: "items in an element", of: [index.record(parent).order] } },
  );
}

function judgeDescriptions(list: ElementNode, scene: Scene): Verdict {
  if (list.attributes.has("role")) return inapplicable;
  const held = elementsHeldBy(scene, list);
  const stray = held.find(
    (child) =>
      !/^(?:dt|dd|div)$/.test(child.tag) &&
      !anywhere.has(child.tag) &&
      !child.tag.includes("-") &&
      isExposed(scene, child),
  );
  if (stray !== undefined)
    return failed(
      `A <${stray.tag}> stands in this <dl> where only <dt>, <dd> and a <div> around them may.`,
      withChanges("likely", "Put it into a <dd>, or out of the list.", [wrap(stray, stray, { tag: "dd" })]),
      {
        facts: { child: stray.tag },
        ...pointingAt(stray),
      },
    );
  const parts = held
    .flatMap((child) => (child.tag === "div" ? elementsHeldBy(scene, child) : [child]))
    .filter((child) => child.tag === "dt" || child.tag === "dd");
  const [first] = parts;
  if (first === undefined) return inapplicable;
  if (first.tag === "dd")
    return failed(
      "This <dl> begins with a description that has no term.",
      askWords("Write its term in a <dt> before it.", "Term", "", [
        insert("before", first, { tag: "dt", text: BLANK }),
      ]),
      {
        ...pointingAt(first),
      },
    );
  return passed;
}

function judgeTerm(term: ElementNode, scene: Scene): Verdict {
  const { index } = scene.page;
  if (term.attributes.has("role")) return inapplicable;
  const parent = holderOf(scene, term);
  const holder = parent?.tag === "div" ? holderOf(scene, parent) : parent;
  if (parent === null || parent.tag === "dl" || holder?.tag === "dl") return passed;
  if (parent.tag.includes("-")) return inapplicable;
  if (scene.document.kind === "fragment" && parent.tag === "body") return inapplicable;
  return failed(
    `This <${term.tag}> stands in a <${parent.tag}>, not in a <dl>.`,
    withChanges("likely", "Put it and its neighbours into a <dl>.", [
      wrapRun(
        runOf(scene, term, (other) => other.tag === "dt" || other.tag === "dd"),
        { tag: "dl" },
      ),
    ]),
    {
      cause: { kind: "terms in an element", of: [index.record(parent).order] },
    },
  );
}

export const lists = {
  id: "structure.lists",
  kind: "page",
  surroundings: "neighbours",
  criteria: ["1.3.1"],
  severity: "barrier",
  means: "Lists hold items and items are in lists; terms and descriptions are in a <dl>.",
  who: "Someone using a screen reader is told a wrong number of items, or of no list at all.",
  mend: "Put everything in a <ul> or <ol> into <li>, and everything in a <dl> into <dt> and <dd>.",
  looksAt: listParts,
  judge,
  examples: [
    { html: `<ul><li>One<ul><li>Two</li></ul></li></ul>`, finds: [] },
    { html: `<ul role="tablist"><div role="tab" aria-selected="true">One</div></ul>`, finds: [] },
    { html: `<dl><div><dt>Beam</dt><dd>3.2 m</dd></div></dl>`, finds: [] },
    { html: `<div role="list"><li>One</li></div>`, finds: [] },
    { html: `<ul><template><li>x</li></template></ul>`, finds: [] },
    {
      html: `<!doctype html><title>t</title><ul><div>One</div></ul>`,
      finds: [["failed", "<ul>", "A <div> stands in this <ul> where only <li> may."]],
      others: 1,
    },
    {
      html: `<!doctype html><title>t</title><ul><li>One</li><ul><li>Two</li></ul></ul>`,
      finds: [
        ["failed", "<ul>", "A <ul> stands in this <ul> beside its items, and belongs to none of them."],
      ],
      others: 1,
    },
    {
      html: `<!doctype html><title>t</title><ul>Slips<li>One</li></ul>`,
      finds: [["failed", "<ul>", `"Slips" stands in this <ul> outside every <li>.`]],
      others: 1,
    },
    {
      html: `<!doctype html><title>t</title><div><li>One</li></div>`,
      finds: [["failed", "<li>", "This <li> stands in a <div>, not in a list."]],
      others: 1,
    },
    {
      html: `<!doctype html><title>t</title><dl><dd>3.2 m</dd></dl>`,
      finds: [["failed", "<dl>", "This <dl> begins with a description that has no term."]],
      others: 1,
    },
    {
      html: `<!doctype html><title>t</title><div><dt>Beam</dt></div>`,
      finds: [["failed", "<dt>", "This <dt> stands in a <div>, not in a <dl>."]],
      others: 1,
    },
    {
      html: `<boat-list><template shadowrootmode="open"><ul><slot></slot></ul></template><li>Petrel</li></boat-list>`,
      finds: [],
    },
    {
      html: `<boat-facts><template shadowrootmode="open"><dl><slot></slot></dl></template><dt>Boat</dt><dd>Petrel</dd></boat-facts>`,
      finds: [],
    },
    {
      html: `<boat-list><template shadowrootmode="open"><div><slot></slot></div></template><li>Petrel</li></boat-list>`,
      finds: [["failed", "<li>", "This <li> stands in a <div>, not in a list."]],
    },
    {
      html: `<boat-list><template shadowrootmode="open"><ul><slot></slot></ul></template><p>Petrel</p></boat-list>`,
      finds: [["failed", "<ul>", "A <p> stands in this <ul> where only <li> may."]],
    },
  ],
} as const satisfies PageCheck;
