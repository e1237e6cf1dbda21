import { describe, expect, test } from "vitest";
import { writtenText } from "../../src/core/document/written.ts";
import type { TreeElement, TreeValue } from "../../src/core/worlds/tree.ts";
import { composer } from "../../src/readers/composition/compose.ts";
import type { SourceModule } from "../../src/readers/composition/source-module.ts";
import { parseScript } from "../../src/readers/script/parse-script.ts";
import { everyArm, known, orElse, type Value } from "../../src/readers/script/value.ts";

const moduleOf = (text: string): SourceModule => {
  const { program, errors } = parseScript(text, { start: 0, typescript: true, jsx: true });
  return {
    path: "/App.tsx",
    file: "App.tsx",
    text,
    content: { kind: "script", program, templates: new Map() },
    errors,
    imports: new Map(),
  };
};

/** What an expression comes to, as the title of a paragraph: holes in braces, several values with a bar between. */
function comesTo(expression: string, before = "", props = "props: any"): string {
  const module = moduleOf(
    `${before}\nexport function App(${props}) {\n  return <p title={${expression}} />;\n}`,
  );
  const composing = composer({ modules: new Map([[module.path, module]]), standsFor: new Map() });
  const [found] = composing.componentsOf(module).filter(({ name }) => name === "App");
  if (found === undefined) return "no component";
  const [html] = composing.compose(found).tree.children as readonly TreeElement[];
  const body = html?.children[0] as TreeElement;
  const paragraph = body.children[0] as TreeElement;
  return shown(paragraph.attributes.find(({ name }) => name === "title")?.value ?? null);
}

const shown = (value: TreeValue): string =>
  value === null
    ? "nothing"
    : typeof value === "object" && "kind" in value
      ? value.arms.map(shown).join(" | ")
      : writtenText(value);

describe("what an expression comes to", () => {
  test.each([
    [`"a"`, "a"],
    ["1 + 2", "3"],
    [`"a" + 1`, "a1"],
    [`\`\${1 + 1} slips\``, "2 slips"],
    ["undefined", "nothing"],
    ["false", "nothing"],
    ["true", ""],
    [`null ?? "a"`, "a"],
    [`"" || "a"`, "a"],
    [`"a" && "b"`, "b"],
    [`1 > 2 ? "a" : "b"`, "b"],
    [`typeof "a"`, "string"],
    [`["a", "b"].join("-")`, "a-b"],
    [`["a", "b"].map((x) => x + x).join(" ")`, "aa bb"],
    [`["a", "b"].filter((x) => x !== "a").join(" ")`, "b"],
    [`["a", "b"].find((x) => x === "b")`, "b"],
    [`["a", "b"].includes("a") ? "in" : "out"`, "in"],
    [`[..."ab"].length > 0 ? "some" : "none"`, "some"],
    [`["a", ...["b"]][1]`, "b"],
    [`({ a: "x", ...{ a: "y" } }).a`, "y"],
    [`({ a: { b: "x" } })?.a?.b`, "x"],
    [`Object.keys({ a: 1, b: 2 }).join()`, "a,b"],
    [`Object.entries({ a: 1 }).map(([k, v]) => k + v).join()`, "a1"],
    [`Object.fromEntries(Object.entries({ a: "x", b: 0 }).filter(([, v]) => v)).a`, "x"],
    [`Object.fromEntries([["a", "x"], ["a", "y"]]).a`, "y"],
    [`"Slip 4".toUpperCase().replace("SLIP", "Slip").trim()`, "Slip 4"],
    [`"a,b".split(",")[1]`, "b"],
    [`Math.max(1, 2)`, "2"],
    [`String(4)`, "4"],
    [`(() => { const x = "a"; return x; })()`, "a"],
    [`(() => { let x = "a"; x = "b"; return x; })()`, "b"],
    [`(({ a = "x", ...rest }) => a + rest.b)({ b: "y" })`, "xy"],
    [`((...all) => all.length)(1, 2)`, "2"],
    [`(() => { if (1 > 2) return "a"; return "b"; })()`, "b"],
    [`(() => { switch ("b") { case "a": return 1; case "b": return 2; } })()`, "2"],
    [`(() => { const all = []; all.push("a"); return all[0]; })()`, "a"],
    [`(() => { let n = 0; for (const x of [1]) n += x; return n; })()`, "{n}"],
    [`window.name`, "{window.name}"],
    [`\`Slip \${window.name}\``, "Slip {window.name}"],
    [`fetchName()`, "{fetchName()}"],
    [`("a" as const)!`, "a"],
  ])("%s", (expression, expected) => {
    expect(comesTo(expression)).toBe(expected);
  });

  test.each([
    ["a literal of a union", "kind", "{ kind }: { kind: 'a' | 'b' }", "a | b"],
    ["an optional prop", "label", "{ label }: { label?: string }", "{label} | nothing"],
    ["a default", "label", "{ label = 'x' }: { label?: string }", "{label} | x"],
    ["yes or no", "on ? 'a' : 'b'", "{ on }: { on: boolean }", "a | b"],
    ["a table of all", "({ a: 'x', b: 'y' })[kind]", "{ kind }: { kind: 'a' | 'b' }", "x | y"],
    ["a table with a gap", "({ a: 'x' } as any)[kind]", "{ kind }: { kind: 'a' | 'b' }", "x | nothing"],
    ["the same question twice", "on ? (on ? 'a' : 'b') : 'c'", "{ on }: { on: boolean }", "a | c"],
    [
      "a comparison and its opposite",
      "n === 1 ? (n !== 1 ? 'a' : 'b') : 'c'",
      "{ n }: { n: number }",
      "b | c",
    ],
    ["a member of a type", "slip.name", "{ slip }: { slip: { name: string } }", "{slip.name}"],
    ["what no type lists", "name", "{ name }: { name: string }", "{name}"],
  ])("%s", (_, expression, props, expected) => {
    expect(comesTo(expression, "", props)).toBe(expected);
  });

  test("types are found by their names, and worked out as far as they go", () => {
    const before = `
      const names = { fuel: "Fuel", water: "Water" } as const;
      interface Base { kind: keyof typeof names; extra: string }
      type Props = Omit<Base, "extra"> & Partial<{ note: "n" }>;`;
    expect(comesTo("names[kind]", before, "{ kind }: Props")).toBe("Fuel | Water");
    expect(comesTo("note", before, "{ note }: Props")).toBe("n | nothing");
  });

  test("names come from anywhere in the file, in any order", () => {
    expect(comesTo("label()", `const label = () => word; const word = "a";`)).toBe("a");
    expect(comesTo("Word.Close", `enum Word { Open = "o", Close = "c" }`)).toBe("c");
  });

  test("what needs itself, or calls itself for ever, is not known", () => {
    expect(comesTo("a", "const a = b; const b = a;")).toMatch(/^\{/);
    expect(comesTo("again(1)", "function again(n) { return again(n + 1); }")).toMatch(/^\{/);
  });
});

describe("a script that does not parse", () => {
  const parsed = (text: string) => parseScript(text, { start: 0, typescript: true, jsx: true });

  test("is read up to the last statement that is whole", () => {
    const { program, errors } = parsed(`const a = 1;\nfunction b() {\n  return 2;\n}\nconst c = ;\n`);
    expect(program.body.map(({ type }) => type)).toEqual(["VariableDeclaration", "FunctionDeclaration"]);
    expect(errors.map(({ offset }) => offset)).toEqual([52]);
  });

  test("is nothing where no statement is whole", () => {
    expect(parsed("const = 1;").program.body).toEqual([]);
  });
});

test("what the arms of a value share is looked at once, however many ways lead there", () => {
  let value: Value = known(undefined);
  for (let i = 0; i < 60; i++) {
    const decision = { id: `so ${i}`, arms: [], named: false, source: { file: "App.tsx", start: 0, end: 0 } };
    value = { kind: "either", decision, arms: [value, value] };
  }
  expect(everyArm(orElse(value, known("moored")))).toEqual([known("moored")]);
});
