import { describe, expect, test } from "vitest";
import { trees } from "../../src/answers/tree.ts";
import { readingOrder } from "../../src/core/semantics/reading-order.ts";
import { readingPlan } from "../../src/settings/plan.ts";
import { memoryHost } from "./component-project.ts";

/** What is heard of the first file of some, the line of the page and the ends of containers left out. */
async function heard(files: Readonly<Record<string, string>>): Promise<readonly string[]> {
  const [entry = ""] = Object.keys(files);
  const planned = readingPlan(
    [entry],
    { engine: "read" },
    { loaded: null, workingDirectory: "/yard", palette: [], build: "test" },
  );
  if (!planned.ok) throw new Error(planned.problem.message);
  const { pages } = await trees(planned.value.plan, memoryHost(files));
  const [page] = pages;
  if (page === undefined) throw new Error(`nothing can be heard of ${entry}`);
  const lines = readingOrder(page.scene, page.root);
  return lines.slice(1).flatMap(({ text, isEnd }) => (isEnd ? [] : [text]));
}

type Heard = readonly [name: string, source: string, lines: readonly string[]];

describe("of a page", () => {
  const rows: readonly Heard[] = [
    ["a heading", `<h2>Slips</h2>`, [`"Slips" heading level 2`]],
    ["a link", `<a href="/t">Tides</a>`, [`"Tides" link`]],
    ["no link without an address", `<a>Tides</a>`, ["Tides"]],
    ["a button that says more", `<button aria-expanded="false">Fees</button>`, [`"Fees" button, collapsed`]],
    ["a pressed button", `<button aria-pressed="true">Crane</button>`, [`"Crane" button, pressed`]],
    ["a picture", `<img src="a.jpg" alt="The crane">`, [`"The crane" image`]],
    ["no picture that says nothing", `<img src="a.jpg" alt="">`, []],
    ["a field", `<label>Boat <input></label>`, ["Boat", `"Boat" text box`]],
    [
      "a field with help",
      `<input aria-label="Draught" aria-describedby="h"><p id="h">In metres</p>`,
      [`"Draught" text box; In metres`, "In metres"],
    ],
    ["a field that must be filled", `<input aria-label="Boat" required>`, [`"Boat" text box, required`]],
    [
      "a box to check",
      `<input type="checkbox" aria-label="Shore power" checked>`,
      [`"Shore power" checkbox, checked`],
    ],
    ["a list", `<ul><li>Crane</li><li>Slip</li></ul>`, ["list, 2 items", "– Crane", "– Slip"]],
    ["a list of one", `<ol><li>Crane</li></ol>`, ["list, 1 item", "– Crane"]],
    ["no list that is none", `<ul role="none"><li>Crane</li></ul>`, ["Crane"]],
    ["a landmark with its name", `<nav aria-label="Yard">x</nav>`, [`"Yard" navigation landmark`, "x"]],
    [
      "nothing that is hidden",
      `<p hidden>a</p><p aria-hidden="true">b</p><p style="display:none">c</p><p>d</p>`,
      ["d"],
    ],
    ["what is only drawn as hidden", `<p style="opacity: 0">a</p>`, ["a"]],
    [
      "inline words with their sentence",
      `<p>High <strong>water</strong> at <code>6:10</code></p>`,
      ["High water at 6:10"],
    ],
    [
      "the links of a heading after it",
      `<h2><a href="/a">Slips</a></h2>`,
      [`"Slips" heading level 2`, `"Slips" link`],
    ],
    [
      "a group with its legend",
      `<fieldset><legend>Tide</legend><label><input type="radio" name="t"> High</label></fieldset>`,
      [`"Tide" group`, "Tide", `"High" radio button, not checked`, "High"],
    ],
    [
      "a choice with its value",
      `<select aria-label="Slip"><option>North</option><option selected>South</option></select>`,
      [`"Slip" combo box, "South", collapsed`],
    ],
    ["a slider with its value", `<input type="range" aria-label="Lift" value="40">`, [`"Lift" slider, "40"`]],
    [
      "what another element names",
      `<h2 id="t">Fees</h2><section aria-labelledby="t">x</section>`,
      [`"Fees" heading level 2`, `"Fees" region landmark`, "x"],
    ],
    [
      "words of generated content",
      `<style>b::before { content: "new: " }</style><p><b>Crane</b></p>`,
      ["new: Crane"],
    ],
    [
      "a slot's words where they are slotted",
      `<x-y><template shadowrootmode="open"><h2><slot></slot></h2></template>Crane</x-y>`,
      [`"Crane" heading level 2`],
    ],
    ["a separator", `<p>a</p><hr><p>b</p>`, ["a", "separator", "b"]],
  ];
  test.each(rows)("%s", async (_, body, lines) => {
    expect(
      await heard({ "page.html": `<!doctype html><html lang="en"><title>t</title><body>${body}` }),
    ).toEqual(lines);
  });
});

const jsx = (body: string, before = "") => ({
  "App.tsx": `${before}\nexport default function App() {\n  return ${body};\n}\n`,
});

describe("of JSX", () => {
  const rows: readonly (readonly [string, Readonly<Record<string, string>>, readonly string[]])[] = [
    ["markup as in a page", jsx(`<h2>Slips</h2>`), [`"Slips" heading level 2`]],
    [
      "spaces as JSX has them",
      jsx(`<p>\n    High\n    water{" "}\n    <b>at 6</b>\n  </p>`),
      ["High water at 6"],
    ],
    ["constants", jsx(`<button>{word}</button>`, `const word = "Book";`), [`"Book" button`]],
    ["numbers and their sums", jsx(`<p>{2 * 3} of {10 - 1}</p>`), ["6 of 9"]],
    ["no false, null or undefined", jsx(`<p>{false}{null}{undefined}{0}</p>`), ["0"]],
    [
      "each item of a list",
      jsx(`<ul>{["Crane", "Slip"].map((one) => <li key={one}>{one}</li>)}</ul>`),
      ["list, 2 items", "– Crane", "– Slip"],
    ],
    ["nothing of an empty list", jsx(`<div>{[].map((one) => <p>{one}</p>)}<p>end</p></div>`), ["end"]],
    [
      "what a component of the same file renders",
      jsx(`<Tile name="North" />`, `const Tile = ({ name }) => <h3>{name}</h3>;`),
      [`"North" heading level 3`],
    ],
    [
      "defaults where nothing is given",
      jsx(`<Tile />`, `const Tile = ({ name = "South" }) => <h3>{name}</h3>;`),
      [`"South" heading level 3`],
    ],
    [
      "children",
      jsx(
        `<Card><b>x</b></Card>`,
        `const Card = ({ children }) => <section aria-label="Card">{children}</section>;`,
      ),
      [`"Card" region landmark`, "x"],
    ],
    [
      "what a switch comes to",
      jsx(
        `<p>{word("b")}</p>`,
        `function word(k) { switch (k) { case "a": return "one"; case "b": return "two"; default: return "none"; } }`,
      ),
      ["two"],
    ],
    [
      "a switch that falls through",
      jsx(
        `<p>{word("a")}</p>`,
        `function word(k) { switch (k) { case "x": return "none"; case "a": case "b": return "two"; default: return "three"; } }`,
      ),
      ["two"],
    ],
    [
      "the default of a switch",
      jsx(
        `<p>{word("z")}</p>`,
        `function word(k) { switch (k) { case "a": return "one"; default: return "none"; } }`,
      ),
      ["none"],
    ],
    [
      "a default in the middle falls through too",
      jsx(
        `<p>{word("z")}</p>`,
        `function word(k) { switch (k) { case "a": return "one"; default: case "c": return "three"; case "d": return "four"; } }`,
      ),
      ["three"],
    ],
    ["templates of text", jsx(`<p>{\`Slip \${n}\`}</p>`, "const n = 4;"), ["Slip 4"]],
    [
      "what is spread",
      jsx(`<button {...given}>x</button>`, `const given = { "aria-label": "Book" };`),
      [`"Book" button`],
    ],
    [
      "a member of an object",
      jsx(`<p>{slips.north.name}</p>`, `const slips = { north: { name: "North" } };`),
      ["North"],
    ],
    [
      "what another file exports",
      {
        ...jsx(`<Tile />`, `import { Tile } from "./Tile";`),
        "Tile.tsx": `export const Tile = () => <h4>Far</h4>;`,
      },
      [`"Far" heading level 4`],
    ],
    [
      "what the paths of the project lead to, a star alone among them",
      {
        ...jsx(`<Tile />`, `import { Tile } from "tiles/Tile";`),
        "tsconfig.json": `{ "compilerOptions": { "baseUrl": ".", "paths": { "*": ["./parts/*"] } } }`,
        "parts/tiles/Tile.tsx": `export const Tile = () => <h4>Near</h4>;`,
      },
      [`"Near" heading level 4`],
    ],
    [
      "what a memo wraps",
      jsx(`<Tile />`, `import { memo } from "react"; const Tile = memo(() => <h4>Kept</h4>);`),
      [`"Kept" heading level 4`],
    ],
  ];
  test.each(rows)("%s", async (_, files, lines) => {
    expect(await heard(files)).toEqual(lines);
  });
});

describe("of Vue", () => {
  const sfc = (template: string, script = "") => ({
    "App.vue": `<script setup>\n${script}\n</script>\n<template>\n${template}\n</template>\n`,
  });
  const rows: readonly (readonly [string, Readonly<Record<string, string>>, readonly string[]])[] = [
    ["markup as in a page", sfc(`<h2>Slips</h2>`), [`"Slips" heading level 2`]],
    ["words between braces", sfc(`<p>{{ word }}</p>`, `const word = "Book"`), ["Book"]],
    [
      "bound attributes",
      sfc(`<button :aria-label="word">x</button>`, `const word = "Book"`),
      [`"Book" button`],
    ],
    [
      "each item of a list",
      sfc(`<ul><li v-for="one in all" :key="one">{{ one }}</li></ul>`, `const all = ["Crane", "Slip"]`),
      ["list, 2 items", "– Crane", "– Slip"],
    ],
    ["nothing of an empty list", sfc(`<div><p v-for="one in []">{{ one }}</p><p>end</p></div>`), ["end"]],
    ["nothing under v-if that is false", sfc(`<div><p v-if="false">a</p><p v-else>b</p></div>`), ["b"]],
    ["nothing that v-show hides", sfc(`<div><p v-show="false">a</p><p>b</p></div>`), ["b"]],
    [
      "what v-text and v-html put in",
      sfc(`<div><p v-text="'a'"></p><p v-html="'<b>b</b>'"></p></div>`),
      ["a", "b"],
    ],
    [
      "a component with its slot",
      {
        ...sfc(`<Card>x</Card>`, `import Card from "./Card.vue"`),
        "Card.vue": `<template><section aria-label="Card"><slot>none</slot></section></template>`,
      },
      [`"Card" region landmark`, "x"],
    ],
    [
      "what stands in a slot by itself",
      {
        ...sfc(`<Card />`, `import Card from "./Card.vue"`),
        "Card.vue": `<template><section aria-label="Card"><slot>none</slot></section></template>`,
      },
      [`"Card" region landmark`, "none"],
    ],
    [
      "a named slot",
      {
        ...sfc(`<Card><template #title>Fees</template></Card>`, `import Card from "./Card.vue"`),
        "Card.vue": `<template><h2><slot name="title" /></h2></template>`,
      },
      [`"Fees" heading level 2`],
    ],
    [
      "what a slot hands to its content, and to none the name of the slot",
      {
        ...sfc(
          `<Card><template #title="{ label, name }">{{ label }} {{ name ?? "alone" }}</template></Card>`,
          `import Card from "./Card.vue"`,
        ),
        "Card.vue": `<template><h2><slot name="title" label="Fees" /></h2></template>`,
      },
      [`"Fees alone" heading level 2`],
    ],
    [
      "attributes that fall through",
      {
        ...sfc(`<Go aria-label="Book" />`, `import Go from "./Go.vue"`),
        "Go.vue": `<template><button>x</button></template>`,
      },
      [`"Book" button`],
    ],
  ];
  test.each(rows)("%s", async (_, files, lines) => {
    expect(await heard(files)).toEqual(lines);
  });
});

describe("of Svelte", () => {
  const rows: readonly (readonly [string, Readonly<Record<string, string>>, readonly string[]])[] = [
    ["markup as in a page", { "App.svelte": `<h2>Slips</h2>` }, [`"Slips" heading level 2`]],
    [
      "words between braces",
      { "App.svelte": `<script>const word = "Book";</script><p>{word}</p>` },
      ["Book"],
    ],
    [
      "attributes of the same name",
      { "App.svelte": `<script>const title = "Book";</script><button {title}></button>` },
      [`"Book" button`],
    ],
    [
      "each item of a list",
      { "App.svelte": `<ul>{#each ["Crane", "Slip"] as one, i}<li>{i + 1} {one}</li>{/each}</ul>` },
      ["list, 2 items", "– 1 Crane", "– 2 Slip"],
    ],
    [
      "what else says of an empty list",
      { "App.svelte": `<div>{#each [] as one}<p>{one}</p>{:else}<p>none</p>{/each}</div>` },
      ["none"],
    ],
    [
      "nothing of else where there are items",
      { "App.svelte": `<div>{#each ["a"] as one}<p>{one}</p>{:else}<p>none</p>{/each}</div>` },
      ["a"],
    ],
    [
      "an if that is false",
      { "App.svelte": `<div>{#if false}<p>a</p>{:else if true}<p>b</p>{:else}<p>c</p>{/if}</div>` },
      ["b"],
    ],
    [
      "a constant tag",
      { "App.svelte": `<div>{#each [2] as n}{@const twice = n * 2}<p>{twice}</p>{/each}</div>` },
      ["4"],
    ],
    [
      "a snippet where it is rendered",
      { "App.svelte": `{#snippet row(name)}<h3>{name}</h3>{/snippet}<div>{@render row("North")}</div>` },
      [`"North" heading level 3`],
    ],
    [
      "a component with its children",
      {
        "App.svelte": `<script>import Card from "./Card.svelte";</script><Card>x</Card>`,
        "Card.svelte": `<script>let { children } = $props();</script><section aria-label="Card">{@render children()}</section>`,
      },
      [`"Card" region landmark`, "x"],
    ],
    [
      "what is given to a component",
      {
        "App.svelte": `<script>import Tile from "./Tile.svelte";</script><Tile name="North" />`,
        "Tile.svelte": `<script>let { name = "none" } = $props();</script><h3>{name}</h3>`,
      },
      [`"North" heading level 3`],
    ],
    ["a key block as if it were not there", { "App.svelte": `{#key 1}<p>a</p>{/key}` }, ["a"]],
  ];
  test.each(rows)("%s", async (_, files, lines) => {
    expect(await heard(files)).toEqual(lines);
  });
});

describe("of Angular", () => {
  const component = (template: string, members = "", more = "") => ({
    "app.component.ts": `import { Component, Input } from "@angular/core";\n@Component({ selector: "yard-app", imports: [Tile], template: \`${template}\` })\nexport class AppComponent {\n${members}\n}\n${more}\n`,
  });
  const tile = `@Component({ selector: "yard-tile", template: \`<h3>{{ name }}</h3><ng-content></ng-content>\` })\nexport class Tile { @Input() name = "none"; }`;
  const rows: readonly (readonly [string, string, string, readonly string[]])[] = [
    ["markup as in a page", `<h2>Slips</h2>`, "", [`"Slips" heading level 2`]],
    ["words between braces", `<p>{{ word }}</p>`, `word = "Book";`, ["Book"]],
    ["bound attributes", `<button [attr.aria-label]="word">x</button>`, `word = "Book";`, [`"Book" button`]],
    [
      "each item of a list",
      `<ul>@for (one of all; track one) {<li>{{ one }}</li>}</ul>`,
      `all = ["Crane", "Slip"];`,
      ["list, 2 items", "– Crane", "– Slip"],
    ],
    [
      "what @empty says of an empty list",
      `<div>@for (one of all; track one) {<p>{{ one }}</p>} @empty {<p>none</p>}</div>`,
      `all = [];`,
      ["none"],
    ],
    [
      "an @if that is false",
      `<div>@if (on) {<p>a</p>} @else {<p>b</p>}</div>`,
      `readonly on = false;`,
      ["b"],
    ],
    [
      "the case of an @switch",
      `<div>@switch (kind) { @case ("a") {<p>one</p>} @case ("b") {<p>two</p>} @default {<p>none</p>} }</div>`,
      `readonly kind = "b";`,
      ["two"],
    ],
    [
      "a component with what it projects",
      `<yard-tile name="North"><p>x</p></yard-tile>`,
      "",
      [`"North" heading level 3`, "x"],
    ],
    ["what a component has by itself", `<yard-tile></yard-tile>`, "", [`"none" heading level 3`]],
    ["a let", `@let twice = 4;<p>{{ twice }}</p>`, "", ["4"]],
  ];
  test.each(rows)("%s", async (_, template, members, lines) => {
    expect(await heard(component(template, members, tile))).toEqual(lines);
  });
});
