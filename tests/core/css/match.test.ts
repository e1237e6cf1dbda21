import { describe, expect, test } from "vitest";
import { matcherFor, noInteraction } from "../../../src/core/css/match.ts";
import { parseSheet } from "../../../src/core/css/parse-sheet.ts";
import { byId, sceneOf } from "../../page.ts";

const page = `<!doctype html><html lang="en-GB"><body class="Page"><main id="main">
<ul id="list"><li id="one" class="a b">1</li><li id="two" data-kind="Big boat">2</li><li id="three">3</li></ul>
<form id="form"><button id="go">Go</button><input id="text" required placeholder="p"><input id="box" type="checkbox" checked><input id="ro" readonly value="v"><fieldset disabled><input id="off"></fieldset><select id="sel"><option id="o1">1<option id="o2" selected>2</select><textarea id="area"></textarea></form>
<p id="empty"></p><p id="space"> </p><a id="link" href="x">l</a><a id="anchor">a</a><details id="open" open><summary>s</summary></details><p id="fr" lang="fr">f</p><div id="edit" contenteditable>e</div><x-boat id="custom"></x-boat>
</main></body></html>`;
const scene = sceneOf(page);
const { index } = scene.page;
const matcher = matcherFor(index);

/** 0 no, 1 perhaps, 2 yes; null where the selector is not valid. */
function matches(
  selector: string,
  id: string,
  action?: { kind: "hover" | "focus" | "active"; on: string },
): number | null {
  const [item] = parseSheet({ file: "t", text: `${selector} { color: red }`, start: 0 }).items;
  if (item?.kind !== "rule") return null;
  const interaction =
    action === undefined ? noInteraction : { kind: action.kind, element: byId(scene, action.on) };
  return matcher.matchesList(byId(scene, id), item.rule.selectors, {
    root: scene.document,
    scope: null,
    interaction,
  });
}

describe("selectors", () => {
  test.each<[string, string, number | null]>([
    ["li", "one", 2],
    ["button:default", "go", 1],
    ["li:default", "one", 0],
    ["#box:default", "box", 2],
    ["LI", "one", 2],
    ["#one.a.b", "one", 2],
    [".page main", "main", 0],
    [".Page main", "main", 2],
    ["ul > li", "two", 2],
    ["main > li", "two", 0],
    ["main li", "two", 2],
    ["li + li", "one", 0],
    ["li + li", "two", 2],
    [".a ~ li", "three", 2],
    ["li ~ .a", "one", 0],
    ["[data-kind]", "two", 2],
    ["[data-kind='Big boat']", "two", 2],
    ["[data-kind='big boat']", "two", 0],
    ["[data-kind='big boat' i]", "two", 2],
    ["[data-kind~=boat]", "two", 2],
    ["[data-kind^=Big]", "two", 2],
    ["[data-kind$=boat]", "two", 2],
    ["[data-kind*='g b']", "two", 2],
    ["[type=CHECKBOX]", "box", 2],
    [":first-child", "one", 2],
    ["li:last-child", "three", 2],
    ["li:nth-child(even)", "two", 2],
    ["li:nth-child(-n + 2)", "three", 0],
    ["li:nth-last-child(1)", "three", 2],
    ["p:nth-of-type(2)", "space", 2],
    ["p:first-of-type", "empty", 2],
    ["details:only-of-type", "open", 2],
    [":empty", "empty", 2],
    [":empty", "space", 0],
    [":root main", "main", 2],
    [":not(li)", "one", 0],
    [":not(.x, .y)", "one", 2],
    [":is(ul, ol) > li", "one", 2],
    [":where(#list) .a", "one", 2],
    ["ul:has(> .a)", "list", 2],
    ["ul:has(> .z)", "list", 0],
    ["li:has(+ #two)", "one", 2],
    [":lang(en)", "main", 2],
    [":lang(fr)", "fr", 2],
    [":any-link", "link", 2],
    [":link", "anchor", 0],
    [":visited", "link", 0],
    [":checked", "box", 2],
    [":checked", "o2", 2],
    [":checked", "o1", 0],
    [":required", "text", 2],
    [":optional", "ro", 2],
    [":read-only", "ro", 2],
    [":read-write", "text", 2],
    [":read-write", "edit", 2],
    [":disabled", "off", 2],
    [":enabled", "text", 2],
    [":placeholder-shown", "text", 2],
    [":placeholder-shown", "ro", 0],
    [":open", "open", 2],
    [":defined", "custom", 0],
    [":invalid", "text", 1],
    [":some-unknown-state", "text", null],
    [":state(docked)", "text", 1],
    [":-moz-thing", "text", null],
    ["a::-moz-thing", "link", null],
    ["li >", "one", null],
    ["..a", "one", null],
  ])("%s on #%s: %s", (selector, id, expected) => {
    expect(matches(selector, id)).toBe(expected);
  });

  test.each<[string, string, { kind: "hover" | "focus" | "active"; on: string }, number]>([
    ["li:hover", "one", { kind: "hover", on: "one" }, 2],
    ["ul:hover li", "two", { kind: "hover", on: "one" }, 2],
    ["li:hover", "two", { kind: "hover", on: "one" }, 0],
    ["input:focus", "text", { kind: "focus", on: "text" }, 2],
    ["form:focus-within", "form", { kind: "focus", on: "text" }, 2],
    ["form:focus", "form", { kind: "focus", on: "text" }, 0],
    ["a:active", "link", { kind: "active", on: "link" }, 2],
    ["a:hover", "link", { kind: "active", on: "link" }, 2],
    ["a:focus:not(:focus-visible)", "link", { kind: "focus", on: "link" }, 0],
  ])("%s on #%s while %j: %s", (selector, id, action, expected) => {
    expect(matches(selector, id, action)).toBe(expected);
  });

  test("ten thousand siblings are matched in linear time", () => {
    const many = sceneOf(
      `<style>.a ~ .b { color: red } li:nth-of-type(3n) { color: blue } li:has(~ .z) { color: green }</style><ul>${`<li class="a b">x</li>`.repeat(10_000)}</ul>`,
    );
    const last = many.page.index.byTag("li").at(-1)!;
    expect(many.page.styles.value(last, "color")?.text).toBe("red");
  });
});
