import { describe, expect, test } from "vitest";
import { keysAt } from "../../../src/core/keyboard/keys-at.ts";
import { byId, sceneOf } from "../../page.ts";

/** What keys do at `#a`: `Key: effect`, with "owed" where the page must see to it. */
function keys(html: string): readonly string[] {
  const scene = sceneOf(html);
  const element = byId(scene, "a");
  return keysAt(scene, element, scene.role(element).role).map(
    ({ key, does, native }) => `${key}: ${does}${native ? "" : ", owed"}`,
  );
}

describe("native controls keep the keys of their pattern by themselves", () => {
  test.each<[string, readonly string[]]>([
    [`<a href="#x" id="a">Slips</a>`, ["Enter: follows the link"]],
    [`<button id="a">Book</button>`, ["Enter: activates", "Space: activates"]],
    [`<input type="checkbox" id="a">`, ["Space: toggles"]],
    [`<details><summary id="a">Fees</summary>x</details>`, ["Enter: toggles", "Space: toggles"]],
    [
      `<input type="radio" name="n" id="a"><input type="radio" name="n">`,
      ["Space: activates", "ArrowDown: chooses the next", "ArrowUp: chooses the one before"],
    ],
    [
      `<input type="range" id="a">`,
      [
        "ArrowDown: changes the value",
        "ArrowUp: changes the value",
        "Home: goes to the first value",
        "End: goes to the last value",
      ],
    ],
    [`<form><input id="a"></form>`, ["Enter: sends the form"]],
    [`<textarea id="a"></textarea>`, ["Enter: begins a new line"]],
    [`<p id="a">x</p>`, []],
  ])("%s", (html, expected) => {
    expect(keys(html)).toEqual(expected);
  });
});

describe("what only its role makes a control owes the keys of its pattern", () => {
  test.each<[string, readonly string[]]>([
    [
      `<div role="button" tabindex="0" id="a">Book</div>`,
      ["Enter: activates, owed", "Space: activates, owed"],
    ],
    [`<div role="link" tabindex="0" id="a">Slips</div>`, ["Enter: follows the link, owed"]],
    [`<div role="checkbox" aria-checked="false" tabindex="0" id="a">Crane</div>`, ["Space: toggles, owed"]],
    [
      `<div role="radio" aria-checked="false" tabindex="0" id="a">Crane</div>`,
      [
        "Space: chooses it (the focused radio is not checked), owed",
        "ArrowRight: chooses the next, owed",
        "ArrowDown: chooses the next, owed",
        "ArrowLeft: chooses the one before, owed",
        "ArrowUp: chooses the one before, owed",
      ],
    ],
  ])("%s", (html, expected) => {
    expect(keys(html)).toEqual(expected);
  });
});
