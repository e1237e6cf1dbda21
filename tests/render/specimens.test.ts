import path from "node:path";
import { describe, expect, test } from "vitest";
import { parseWalkScript } from "../../src/core/walk-script/parse.ts";
import { bundled, mounted, project, told } from "./specimen-project.ts";

const pic = `export function Pic({ label }: { label?: string }) {
  return <img src="hull.jpg" alt={label} />;
}
`;

const card = `import { useState } from "react";
import { Pic } from "./pic";
import styles from "./card.module.css";

export function SlotCard({ slip }: { slip: string }) {
  const [open, setOpen] = useState(false);
  return (
    <article className={styles.card}>
      <h3>{slip}</h3>
      <Pic />
      <p className={styles.note}>Free</p>
      <button type="button" onClick={() => setOpen(true)}>Book</button>
      {open && <div role="dialog" aria-modal="true" aria-label="Book"><input /><button onClick={() => setOpen(false)}>Close</button></div>}
    </article>
  );
}
`;

const css = `.card { background: #fff; color: #222; }
.note { color: #bbb; background: #fff; }
`;

const specimens = `import { specimen } from "even-keel/specimen";
import { SlotCard } from "./card";

specimen("slot card", () => <SlotCard slip="Slip 4" />);
`;

const react = {
  "src/pic.tsx": pic,
  "src/card.tsx": card,
  "src/card.module.css": css,
  "src/card.specimen.tsx": specimens,
};

const found = [
  "contrast.text src/card.tsx <p> by SlotCard",
  "keys.dialog-closes src/card.tsx <div> by SlotCard",
  "keys.dialog-gives-back src/card.tsx <button> by SlotCard",
  "keys.dialog-takes-focus src/card.tsx <div> by SlotCard",
  "names.control-labelled src/card.tsx <input> by SlotCard",
  "names.image-described src/pic.tsx <img> by SlotCard › Pic",
];

/** The packages of a workspace that has another React than ours. */
const react18 = ["react", "react-dom", "scheduler", "js-tokens", "loose-envify"].flatMap((name) =>
  name.startsWith("react") || name === "scheduler"
    ? [path.resolve(import.meta.dirname, `projects/react-18/node_modules/${name}`)]
    : [],
);

describe("specimens of React", () => {
  test.each([
    ["19", []],
    ["18", react18],
  ])("%s: every element has its place and its way, and keys are pressed", async (_, packages) => {
    const folder = project(react, packages);
    const { bundle, broken } = await bundled(folder, ["src/card.specimen.tsx"]);
    expect([...broken]).toEqual([]);
    const results = await mounted(folder, "src/card.specimen.tsx", bundle!);
    const result = results.get("slot card")!;
    expect([result.failure, result.problems, told(result)]).toEqual([null, [], found]);
    const img = result.findings.find(({ check }) => check === "names.image-described")!;
    expect(pic.slice(img.source!.start, img.source!.end)).toBe(`<img src="hull.jpg" alt={label} />`);
    expect(result.findings.find(({ check }) => check === "keys.dialog-takes-focus")!.keys).toBe(
      'Tab Enter → focus on "Book" button',
    );
    expect(result.findings.find(({ check }) => check === "contrast.text")!.origins[0]!.source.file).toBe(
      "src/card.module.css",
    );
  });

  test("a project's own form of JSX and its paths are kept", async () => {
    const folder = project({
      ...react,
      "src/card.specimen.tsx": specimens.replace('"./card"', '"~/card"'),
      "src/old.specimen.tsx": `import React from "react";\n${specimens.replace("slot card", "old")}`,
      "tsconfig.json": `{ "compilerOptions": { "jsx": "react", "paths": { "~/*": ["./src/*"] } } }`,
    });
    const { bundle, broken } = await bundled(folder, ["src/card.specimen.tsx", "src/old.specimen.tsx"]);
    expect([...broken]).toEqual([]);
    const results = await mounted(folder, "src/card.specimen.tsx", bundle!);
    expect(told(results.get("slot card")!)).toEqual(found);
  });

  test("styles of one file of specimens do not reach another", async () => {
    const folder = project({
      "a.css": "p { color: #bbb; background: #fff; }",
      "a.specimen.tsx": `import { specimen } from "even-keel/specimen"; import "./a.css"; specimen("a", () => <p>Pale</p>);`,
      "b.specimen.tsx": `import { specimen } from "even-keel/specimen"; specimen("b", () => <p>Dark</p>);`,
    });
    const { bundle } = await bundled(folder, ["a.specimen.tsx", "b.specimen.tsx"]);
    const a = await mounted(folder, "a.specimen.tsx", bundle!);
    const b = await mounted(folder, "b.specimen.tsx", bundle!);
    expect([told(a.get("a")!), told(b.get("b")!)]).toEqual([["contrast.text a.specimen.tsx <p>"], []]);
  });

  test("what a comment in source allows is let pass", async () => {
    const folder = project({
      "a.specimen.tsx": `import { specimen } from "even-keel/specimen";
specimen("a", () => (
  <p>
    {/* keel: allow names.image-described because the caption says it */}
    <img src="hull.jpg" />
  </p>
));`,
    });
    const { bundle } = await bundled(folder, ["a.specimen.tsx"]);
    const result = (await mounted(folder, "a.specimen.tsx", bundle!)).get("a")!;
    expect([told(result), result.states!.allowed]).toEqual([[], 1]);
  });

  test("a portal, a list with keys, what is lazy and what is cloned say where they were written", async () => {
    const folder = project({
      "a.specimen.tsx": `import { specimen } from "even-keel/specimen";
import { cloneElement, lazy, Suspense, type ReactElement } from "react";
import { createPortal } from "react-dom";
const Slot = ({ children }: { children: ReactElement }) => cloneElement(children, { title: "t" } as object);
const Late = lazy(() => import("./late"));
specimen("a", () => (
  <main>
    {[1, 2].map((n) => <a key={n} href="#x" />)}
    {createPortal(<img src="a.jpg" />, document.body)}
    <Slot><button /></Slot>
    <Suspense><Late /></Suspense>
  </main>
));`,
      "late.tsx": `export default function Late() { return <input />; }`,
    });
    const { bundle } = await bundled(folder, ["a.specimen.tsx"]);
    const result = (await mounted(folder, "a.specimen.tsx", bundle!)).get("a")!;
    expect(told(result)).toEqual(
      [
        "names.action-named a.specimen.tsx <a>",
        "names.image-described a.specimen.tsx <img>",
        "names.control-labelled late.tsx <input> by Late",
        "names.from-tooltip-only a.specimen.tsx <button>",
      ].sort(),
    );
  });
});

describe("specimens of other frameworks", () => {
  test("of Vue", async () => {
    const folder = project({
      "Pic.vue": `<script setup lang="ts">\ndefineProps<{ label?: string }>();\n</script>\n\n<template>\n  <img src="hull.jpg" :alt="label" />\n</template>\n`,
      "Card.vue": `<script setup lang="ts">
import { ref } from "vue";
import Pic from "./Pic.vue";
const open = ref(false);
</script>

<template>
  <article>
    <Pic />
    <p class="note">Free</p>
    <button type="button" aria-expanded="false" @click="open = !open">Fees</button>
    <p v-if="open">By the metre</p>
  </article>
</template>

<style scoped>
.note { color: #bbb; background: #fff; }
</style>
`,
      "a.specimen.ts": `import { specimen } from "even-keel/specimen"; import { h } from "vue"; import Card from "./Card.vue"; specimen("a", () => h(Card));`,
    });
    const { bundle, broken } = await bundled(folder, ["a.specimen.ts"]);
    expect([...broken]).toEqual([]);
    const result = (await mounted(folder, "a.specimen.ts", bundle!)).get("a")!;
    expect([result.problems, told(result)]).toEqual([
      [],
      [
        "contrast.text Card.vue <p> by Card",
        "names.image-described Pic.vue <img> by Card › Pic",
        "roles.state-follows Card.vue <button> by Card",
      ],
    ]);
  });

  test("of Svelte", async () => {
    const folder = project({
      "Item.svelte": `<script>\n  let { slip } = $props();\n</script>\n\n<li>{slip} <a href="#s"></a></li>\n`,
      "List.svelte": `<script>
  import Item from "./Item.svelte";
  let slips = $state(["Slip 4", "Slip 5"]);
</script>

<section class="card">
  <ul>{#each slips as slip (slip)}<Item {slip} />{/each}</ul>
  <p>Free</p>
  <button type="button" onclick={() => slips.pop()}>Fewer</button>
</section>

<style>
  .card { background: white; }
  p { color: #ccc; background: white; }
</style>
`,
      "a.specimen.js": `import { specimen } from "even-keel/specimen"; import List from "./List.svelte"; specimen("a", () => ({ component: List, props: {} }));`,
    });
    const { bundle, broken } = await bundled(folder, ["a.specimen.js"]);
    expect([...broken]).toEqual([]);
    const result = (await mounted(folder, "a.specimen.js", bundle!)).get("a")!;
    expect([result.problems, told(result)]).toEqual([
      [],
      ["contrast.text List.svelte <p> by List", "names.action-named Item.svelte <a> by List › Item"],
    ]);
  });

  test.each([
    ["by its path", "./props"],
    ["by a path of the project", "@/props"],
    ["from a package", "boat-kit/types"],
  ])("of Vue, with props of a type from another file %s", async (_, from) => {
    const props = `export type Tone = "free" | "taken"; export interface Props { readonly slip: string; readonly tone?: Tone }`;
    const folder = project({
      "props.ts": props,
      "tsconfig.json": `{ "compilerOptions": { "paths": { "@/*": ["./*"] } } }`,
      "src/node_modules/boat-kit/package.json": `{"name":"boat-kit","exports":{"./types":{"types":"./types.d.ts","default":"./types.js"}}}`,
      "src/node_modules/boat-kit/types.d.ts": `export * from "./tones.js";`,
      "src/node_modules/boat-kit/tones.d.ts": props,
      "src/props.ts": props,
      "src/Card.vue": `<script setup lang="ts">\nimport type { Props } from "${from}";\ndefineProps<Props>();\n</script>\n<template><h2 :class="tone">{{ slip }}</h2><img src="hull.jpg"></template>\n`,
      "src/a.specimen.ts": `import { specimen } from "even-keel/specimen"; import { h } from "vue"; import Card from "./Card.vue"; specimen("a", () => h(Card, { slip: "Slip 4" }));`,
    });
    const { bundle, broken } = await bundled(folder, ["src/a.specimen.ts"]);
    expect([...broken]).toEqual([]);
    const result = (await mounted(folder, "src/a.specimen.ts", bundle!)).get("a")!;
    expect([result.problems, told(result)]).toEqual([
      [],
      ["names.image-described src/Card.vue <img> by Card"],
    ]);
  });

  test("of React, without advice on a role that a package puts on a tag of one's own", async () => {
    const folder = project({
      "src/node_modules/boat-kit/package.json": `{"name":"boat-kit","type":"module","exports":"./index.js"}`,
      "src/node_modules/boat-kit/index.js": `export const useHeader = () => ({ role: "heading", "aria-level": 2 });`,
      "src/Slip.jsx": `import { useHeader } from "boat-kit";\nexport const Slip = () => <section><h2 {...useHeader()}>Slip 4</h2><h3 role="heading">Fees</h3></section>;\n`,
      "src/a.specimen.jsx": `import { specimen } from "even-keel/specimen"; import { Slip } from "./Slip"; specimen("a", () => <Slip />);`,
    });
    const { bundle, broken } = await bundled(folder, ["src/a.specimen.jsx"]);
    expect([...broken]).toEqual([]);
    const result = (await mounted(folder, "src/a.specimen.jsx", bundle!)).get("a")!;
    expect(told(result)).toEqual(["roles.not-repeated src/Slip.jsx <h3> by Slip"]);
  });

  test("of Svelte, with what a package renders at its use", async () => {
    const folder = project({
      "src/node_modules/boat-kit/package.json": `{"name":"boat-kit","type":"module","exports":{".":{"svelte":"./index.js"}}}`,
      "src/node_modules/boat-kit/index.js": `export { default as Card } from "./Card.svelte";`,
      "src/node_modules/boat-kit/Card.svelte": `<script>import Plain from "./Plain.svelte"; let { children } = $props(); let open = $state(false);</script>
<div class="card" onclick={() => (open = !open)}>{@render children()}</div>{#if open}<Plain />{/if}`,
      "src/node_modules/boat-kit/Plain.svelte": `<p role="paragraph">Free</p>`,
      "src/Slip.svelte": `<script>import { Card } from "boat-kit";</script>\n\n<Card><b>Slip 4</b></Card>\n`,
      "src/a.specimen.js": `import { specimen } from "even-keel/specimen"; import Slip from "./Slip.svelte"; specimen("a", () => ({ component: Slip, props: {} }));`,
    });
    const { bundle, broken } = await bundled(folder, ["src/a.specimen.js"]);
    expect([...broken]).toEqual([]);
    const result = (await mounted(folder, "src/a.specimen.js", bundle!)).get("a")!;
    expect([result.problems, told(result)]).toEqual([[], ["keys.reachable src/Slip.svelte <div> by Slip"]]);
  });

  test("of none: elements and HTML", async () => {
    const folder = project({
      "a.specimen.js": `import { specimen } from "even-keel/specimen";
specimen("element", () => {
  const button = document.createElement("button");
  button.append("Delete");
  button.onclick = () => button.remove();
  return button;
});
specimen("html", () => '<p>Slip 4 <img src="hull.jpg"></p>');`,
    });
    const { bundle } = await bundled(folder, ["a.specimen.js"]);
    const results = await mounted(folder, "a.specimen.js", bundle!);
    expect([...results].map(([name, result]) => [name, told(result)])).toEqual([
      ["element", ["keys.focus-not-lost a.specimen.js <button>"]],
      ["html", ["names.image-described a.specimen.js <img>"]],
    ]);
  });
});

describe("specimens that go wrong", () => {
  const one = async (body: string) => {
    const folder = project({
      "a.specimen.tsx": `import { specimen } from "even-keel/specimen";\nimport { useEffect, useState } from "react";\n${body}`,
    });
    const { bundle } = await bundled(folder, ["a.specimen.tsx"]);
    return (await mounted(folder, "a.specimen.tsx", bundle!)).get("a")!;
  };

  test.each([
    [
      "one that throws",
      `const A = () => { throw new TypeError("no tide"); };\nspecimen("a", () => <A />);`,
      /^TypeError: no tide \(A, a\.specimen\.tsx:3:25/,
    ],
    [
      "one that throws in an effect",
      `const A = () => { useEffect(() => { throw new Error("no tide"); }, []); return <p>Tide</p>; };\nspecimen("a", () => <A />);`,
      /^no tide \(.*a\.specimen\.tsx:3:/,
    ],
    [
      "one that wants a variable",
      `const A = () => <p>{process.env.YARD!.trim()}</p>;\nspecimen("a", () => <A />);`,
      /not set here: YARD$/,
    ],
    ["one that renders nothing", `specimen("a", () => undefined);`, /renders nothing that can be shown/],
  ])("%s is told of with its place", async (_, body, words) => {
    expect((await one(body)).failure).toMatch(words);
  });

  test("one that never rests is looked at, and no key is pressed", async () => {
    const result = await one(
      `const A = () => { const [n, set] = useState(0); useEffect(() => set(n + 1)); return <p>{n}<img src="a" /></p>; };\nspecimen("a", () => <A />);`,
    );
    expect([result.problems.length, result.steps, told(result)]).toEqual([
      1,
      [],
      ["names.image-described a.specimen.tsx <img> by A"],
    ]);
  });

  test("one that asks the network shows what it shows without", async () => {
    const result = await one(
      `const A = () => { useEffect(() => { fetch("/tide").catch(() => {}); }, []); return <p>Loading</p>; };\nspecimen("a", () => <A />);`,
    );
    expect([result.asked, result.failure]).toEqual([1, null]);
  });

  test("a file that does not build is left out, with the place, and the others are built", async () => {
    const folder = project({
      "bad.specimen.tsx": `import { Gone } from "./gone"; Gone;`,
      "good.specimen.tsx": `import { specimen } from "even-keel/specimen"; specimen("a", () => <p>Slip</p>);`,
      "shared.tsx": "export const X = (",
      "uses.specimen.tsx": `import { X } from "./shared"; X;`,
    });
    const { bundle, broken } = await bundled(folder, [
      "bad.specimen.tsx",
      "good.specimen.tsx",
      "uses.specimen.tsx",
    ]);
    expect(bundle!.files.map((file) => path.basename(file))).toEqual(["good.specimen.tsx"]);
    expect([...broken.values()].map(({ file, line, column }) => [file, line, column])).toEqual([
      ["bad.specimen.tsx", 1, 22],
      ["shared.tsx", 1, 19],
    ]);
  });
});

test("a walk script presses the keys of a specimen", async () => {
  const folder = project(react);
  const { bundle } = await bundled(folder, ["src/card.specimen.tsx"]);
  const script = parseWalkScript(
    'open "slot card"\npress Tab until "Book" button\npress Enter\nsee "Book" dialog\nfocus inside it',
  );
  expect(script).toMatchObject({ ok: true, opens: "slot card" });
  const steps = script.ok ? script.steps : [];
  const { script: lines } = (await mounted(folder, "src/card.specimen.tsx", bundle!, { script: steps })).get(
    "slot card",
  )!;
  expect(lines!.map(({ line, outcome }) => [line, outcome])).toEqual([
    [2, "held"],
    [3, "held"],
    [4, "held"],
    [5, "failed"],
  ]);
});
