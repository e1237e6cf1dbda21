import { expect, test } from "vitest";
import { defaultAction } from "../../../src/core/keyboard/default-action.ts";
import { keyboardPatterns, patternOf } from "../../../src/core/keyboard/patterns.ts";
import { roles } from "../../../src/core/semantics/tables/roles.ts";
import { byId, sceneOf } from "../../page.ts";

const action = (
  html: string,
  key: string,
  more: { shift?: boolean; alt?: boolean } = {},
  ids: readonly string[] = [],
) => {
  const scene = sceneOf(html);
  const open = ids.map((id) => byId(scene, id));
  const found = defaultAction(scene, byId(scene, "a"), { key, ...more }, open);
  if (found.kind === "submit") return `submit by ${found.by === null ? "itself" : found.by.tag}`;
  const { kind } = found;
  return "to" in found ? `${kind} ${found.to}` : "by" in found ? `${kind} ${found.by}` : kind;
};

test.each<[string, string, string]>([
  [`<a href id="a">x</a>`, "Enter", "activate"],
  [`<a href id="a">x</a>`, " ", "scroll 1"],
  [`<button id="a">x</button>`, " ", "activate"],
  [`<button id="a">x</button>`, "ArrowDown", "nothing"],
  [`<details><summary id="a">x</summary></details>`, "Enter", "toggle"],
  [`<input type="checkbox" id="a">`, " ", "toggle"],
  [`<form><input type="checkbox" id="a"><button>Go</button></form>`, "Enter", "submit by button"],
  [`<input type="radio" id="a">`, "ArrowUp", "select -1"],
  [`<input type="range" id="a">`, "End", "step last"],
  [`<input type="number" id="a">`, "ArrowUp", "step 1"],
  [`<input id="a">`, "x", "type"],
  [`<input id="a">`, "Enter", "nothing"],
  [`<form><input id="a"></form>`, "Enter", "submit by itself"],
  [`<form><input id="a"><input></form>`, "Enter", "nothing"],
  [
    `<form id="f"></form><input id="a" form="f"><input form="f"><input type="submit" form="f">`,
    "Enter",
    "submit by input",
  ],
  [`<textarea id="a"></textarea>`, "Enter", "type"],
  [`<select id="a"><option>1</select>`, " ", "open"],
  [`<select id="a"><option>1</select>`, "p", "find"],
  [`<select id="a" size="3"><option>1</select>`, " ", "nothing"],
  [`<select id="a" size="3"><option>1</select>`, "Home", "select first"],
  [`<div contenteditable id="a">x</div>`, "x", "type"],
  [`<dialog open><button id="a">x</button></dialog>`, "Escape", "nothing"],
  [`<button id="a">x</button>`, "Escape", "nothing"],
  [`<div tabindex="0" role="button" id="a">x</div>`, "Enter", "nothing"],
  [`<div tabindex="0" id="a">x</div>`, "PageDown", "scroll 1"],
  [`<b tabindex="0" id="a">x</b>`, "Tab", "move focus 1"],
])("%s with %j: %s", (html, key, told) => {
  expect(action(html, key)).toBe(told);
});

test("Shift turns Tab and Space around, Alt opens a choice", () => {
  expect(action(`<b tabindex="0" id="a">x</b>`, "Tab", { shift: true })).toBe("move focus -1");
  expect(action(`<a href id="a">x</a>`, " ", { shift: true })).toBe("scroll -1");
  expect(action(`<select id="a"><option>1</select>`, "ArrowDown", { alt: true })).toBe("open");
});

test("Escape closes the last of what lies on top, but for a manual popover", () => {
  const html = `<button id="a">x</button><dialog id="d"></dialog><div id="m" popover="manual"></div>`;
  expect(action(html, "Escape", {}, ["d"])).toBe("close");
  expect(action(html, "Escape", {}, ["m"])).toBe("nothing");
  expect(action(`<input type="search" id="a">`, "Escape")).toBe("clear");
});

test("patterns are about roles that exist, and owe keys", () => {
  for (const { roles: own, keys } of keyboardPatterns) {
    for (const role of own) expect(roles).toHaveProperty(role);
    expect(keys.length).toBeGreaterThan(0);
  }
  expect(patternOf("tab")?.roles[0]).toBe("tablist");
  expect(patternOf("article")).toBeNull();
});
