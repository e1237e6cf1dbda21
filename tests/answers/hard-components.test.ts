import { expect, test } from "vitest";
import { keyOf, known, listOf, objectOf, type Value } from "../../src/readers/script/value.ts";
import { auditFiles } from "./component-project.ts";

const messages = (answer: Awaited<ReturnType<typeof auditFiles>>) =>
  answer.problems.map(({ target, message }) => (target === "" ? message : `${target}: ${message}`));
const subjects = (answer: Awaited<ReturnType<typeof auditFiles>>) => answer.subjects.map(({ id }) => id);

/** A component with as many props as it is told, each of which decides of an attribute. */
const decided = (name: string, props: number) => {
  const names = Array.from({ length: props }, (_, i) => `on${i}`);
  return `export function ${name}({ ${names.join(", ")} }) {\n  return <p ${names.map((one) => `data-${one}={${one} ? "a" : "b"}`).join(" ")}><button /></p>;\n}\n`;
};

test("what one component takes too long for costs that one alone", async () => {
  const files = { "Small.jsx": decided("Small", 1), "Large.jsx": decided("Large", 60) };
  const answer = await auditFiles(files, Object.keys(files), { timeLimit: 0.025 });
  expect(messages(answer)).toEqual([
    "Large.jsx:1 Large: Took more than 0.025 seconds and was left out. Split it, or allow more time with --time-limit.",
  ]);
  expect([subjects(answer), answer.incomplete]).toEqual([["Small.jsx"], true]);
  const whole = await auditFiles(files, Object.keys(files));
  expect([messages(whole), subjects(whole), whole.incomplete]).toEqual([
    [],
    ["Small.jsx", "Large.jsx"],
    false,
  ]);
});

test("markup that nests too deeply costs its component alone", async () => {
  const deep = `export function Deep() {\n  return ${"<b>".repeat(2_000)}${"</b>".repeat(2_000)};\n}\n`;
  const answer = await auditFiles({ "Deep.jsx": deep, "Flat.jsx": decided("Flat", 0) }, [
    "Deep.jsx",
    "Flat.jsx",
  ]);
  expect(subjects(answer)).toContain("Flat.jsx");
  expect(messages(answer).filter((line) => !line.startsWith("Deep.jsx"))).toEqual([]);
});

test("what is broken off tells what was found so far, and what was not looked at", async () => {
  const files = Object.fromEntries(["A", "B", "C"].map((name) => [`${name}.jsx`, decided(name, 0)]));
  const enough = new AbortController();
  const seen: string[] = [];
  const answer = await auditFiles(files, Object.keys(files), {
    asking: {
      enough: enough.signal,
      onPage: ({ name }) => {
        seen.push(name);
        if (name === "B") enough.abort();
      },
    },
  });
  expect(seen.filter((name) => name.length === 1)).toEqual(["A", "B"]);
  expect(subjects(answer)).toEqual(["A.jsx", "B.jsx"]);
  expect(messages(answer)).toEqual(["Stopped after 2 of 3 components; what was found in them is told."]);
  expect(answer.incomplete).toBe(true);
});

test("a component that uses itself is rendered as deep as shows something new", async () => {
  const answer = await auditFiles({
    "Branch.jsx": `export function Branch({ items, more, other }) {
  return <ul>{items.map((item) => <li><button />{more ? <Branch {...item} /> : null}{other ? <Branch {...item} /> : null}</li>)}</ul>;
}`,
  });
  expect(answer.findings.map(({ check, source }) => `${check} ${source?.line}`)).toEqual([
    "names.action-named 2",
  ]);
  const [subject] = answer.subjects;
  expect(subject?.elements).toBeLessThan(30);
});

test("the key of a value does not grow with what the value holds", () => {
  let value: Value = known("slip");
  const keys = new Set<string>();
  for (let i = 0; i < 200; i++) {
    value =
      i % 2 === 0
        ? listOf([value, value])
        : objectOf([
            ["a", value],
            ["b", value],
          ]);
    keys.add(keyOf(value));
  }
  expect(keys.size).toBe(200);
  expect(Math.max(...[...keys].map((key) => key.length))).toBeLessThanOrEqual(100);
  expect(keyOf(listOf([known(1), known("1")]))).toBe(keyOf(listOf([known(1), known("1")])));
  expect(keyOf(listOf([known(1)]))).not.toBe(keyOf(listOf([known("1")])));
});

test.each<[string, Readonly<Record<string, string>>]>([
  [
    "asks for a variable of a module where something is decided",
    {
      "A.jsx": `import { far, kind } from "./kinds";\nexport const A = () => <p>{far && <b title={kind}>Far</b>}</p>;\n`,
      "B.jsx": `import { kind } from "./kinds";\nexport const B = () => <p>{kind === "berth" ? <img src="a.png" /> : <button />}</p>;\n`,
      "kinds.js": `import { far } from "boatyard";\nexport { far };\nexport const kind = far ? "berth" : "buoy";\n`,
    },
  ],
  [
    "changes a variable of a module",
    {
      "A.jsx": `import { moor } from "./boats";\nexport const A = () => <p>{moor("Tern")}</p>;\n`,
      "B.jsx": `import { moored } from "./boats";\nexport const B = () => (moored() === "Tern" ? <button /> : <img src="a.png" />);\n`,
      "boats.js": `let last = "";\nexport function moor(one) {\n  last = one;\n  return one;\n}\nexport const moored = () => last;\n`,
    },
  ],
  [
    "goes in a circle through a module",
    {
      "A.jsx": `import { first } from "./first";\nexport const A = () => <p>{first.name}</p>;\n`,
      "B.jsx": `import { second } from "./second";\nexport const B = () => second.of.isIn ? <img src="a.png" /> : <button />;\n`,
      "first.js": `import { second } from "./second";\nexport const first = { name: second.name, isIn: true };\n`,
      "second.js": `import { first } from "./first";\nexport const second = { name: "Tern", of: first };\n`,
    },
  ],
])("what is found in a component is the same after one that %s", async (_, files) => {
  const ofB = ({ findings }: Awaited<ReturnType<typeof auditFiles>>) =>
    findings.filter(({ subject }) => subject === "B.jsx").map(({ check, outcome }) => `${check} ${outcome}`);
  const alone = ofB(await auditFiles(files, "B.jsx"));
  expect(alone.length).toBeGreaterThan(0);
  expect(ofB(await auditFiles(files, ["A.jsx", "B.jsx"]))).toEqual(alone);
});
