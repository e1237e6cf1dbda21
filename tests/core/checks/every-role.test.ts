import { expect, test } from "vitest";
import { catalogue } from "../../../src/core/checks/catalogue.ts";
import { runChecks } from "../../../src/core/checks/run.ts";
import { type Role, roleRow, roles } from "../../../src/core/semantics/tables/roles.ts";
import { sceneOf } from "../../page.ts";

/** Elements that people give roles to, with what each needs to take them. */
const elements: readonly (readonly [start: string, end: string])[] = [
  ["<div", "></div>"],
  ["<span", "></span>"],
  ["<button", "></button>"],
  ["<a href='x.html'", "></a>"],
  ["<input type=button", ">"],
  ["<input type=checkbox", ">"],
];

/** Every role that people use by itself and that must have a name. */
const named = (Object.keys(roles) as Role[]).filter((role) => {
  const { kind, nameRequired } = roleRow(role);
  // The header of a column or row that needs none may be empty.
  return nameRequired === true && kind.includes("widget") && !role.endsWith("header");
});

/** A value for each state that a role must have. */
const values: Readonly<Record<string, string>> = {
  checked: "false",
  expanded: "false",
  controls: "other",
  selected: "false",
  valuenow: "1",
  level: "2",
  orientation: "horizontal",
};

const naming = catalogue.filter(({ id }) => id.startsWith("names."));

const cases = named.flatMap((role) => elements.map(([start, end]) => [role, start, end] as const));

test.each(cases)("a nameless %s on %s belongs to one check of names", (role, start, end) => {
  const states = (roleRow(role).required ?? []).map((state) => ` aria-${state}="${values[state] ?? "1"}"`);
  const html = `<!doctype html><html lang="en"><title>t</title><main><h1>t</h1>${start} role="${role}" tabindex="0"${states.join("")}${end}<p id="other">x</p></main></html>`;
  const scene = sceneOf(html);
  const element = scene.page.index.elements.find(({ attributes }) => attributes.has("role"));
  // What the element may not be stays what it is by itself.
  if (element === undefined || scene.role(element).role !== role) return;
  const found = runChecks(scene, naming, ["failed"]).findings.filter(
    (finding) => finding.element === element,
  );
  expect(found.map(({ check }) => check)).toHaveLength(1);
});
