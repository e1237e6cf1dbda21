import { describe, expect, test } from "vitest";
import { definitionOf } from "../../src/readers/composition/exported-names.ts";
import { found } from "./component-project.ts";

const folder = "node_modules/yard-icons";
const manifest = (more: object) => JSON.stringify({ name: "yard-icons", ...more });

/** A package of pictures as they are published: a list of exports, a file for each, what they share. */
const listed = {
  [`${folder}/package.json`]: manifest({ exports: { ".": { import: "./esm/index.mjs" } } }),
  [`${folder}/esm/index.mjs`]: `export { default as Anchor, default as AnchorIcon } from "./anchor.mjs";\nexport { default as Buoy } from "./buoy.mjs";\nexport * from "./more.mjs";\n`,
  [`${folder}/esm/anchor.mjs`]: `import made from "./made.mjs";\nconst Anchor = made("anchor", [["path", { d: "M0 0" }]]);\nexport { Anchor as default };\n`,
  [`${folder}/esm/made.mjs`]: `import { forwardRef, createElement } from "react";\nconst hasWords = (props) => { for (const name in props) { if (name.startsWith("aria-") || name === "title") return true; } return false; };\nconst made = (name, nodes) => forwardRef(({ size = 24, title, ...rest }, ref) => createElement("svg", { ref, width: size, className: "yard-" + name, ...(!hasWords(rest) && { "aria-hidden": "true" }), ...rest }, [title && createElement("title", { key: "t" }, title), ...nodes.map(([tag, attributes]) => createElement(tag, attributes))]));\nexport { made as default };\n`,
  [`${folder}/esm/buoy.mjs`]: `import * as React from "react";\nfunction Buoy(props) { return React.createElement("svg", Object.assign({ role: "img", "aria-label": "Buoy" }, props)); }\nexport default Buoy;\n`,
  [`${folder}/esm/more.mjs`]: `import { jsx } from "react/jsx-runtime";\nexport function Sign({ text }) { return jsx("b", { children: text }); }\nexport const Wave = (props) => jsx("svg", { ...props, children: jsx("path", { d: "M1 1" }) });\n`,
};

/** Thousands of pictures in one script, of which one is wanted. */
const long = {
  [`${folder}/package.json`]: manifest({ module: "all.js" }),
  [`${folder}/all.js`]: `import { createElement } from "react";\n${"// a picture\n".repeat(4000)}function drawn(lines) {\n  return createElement("svg", null, lines);\n}\nexport function Anchor(props) {\n  return drawn("");\n};\nexport function Named(props) {\n  return createElement("svg", { "aria-label": "Anchor" });\n};\n`,
};

const button = (name: string, attributes = "", inside = "") =>
  `import { ${name} } from "yard-icons";\nexport const App = () => <main><button><${name}${attributes} />${inside}</button></main>;\n`;

const nameless = ["failed names.action-named App.jsx:2 [App]"];

describe("a picture of an installed package", () => {
  test.each<
    [name: string, files: Readonly<Record<string, string>>, source: string, expected: readonly string[]]
  >([
    ["without words leaves a button nameless", listed, button("Anchor"), nameless],
    ["under another of its names too", listed, button("AnchorIcon", " size={20}"), nameless],
    ["that all of a script is exported with", listed, button("Wave"), nameless],
    ["with words of its own names it", listed, button("Buoy"), []],
    ["that takes words names it", listed, button("Anchor", ` aria-label="Moor"`), []],
    ["whose words are hidden with it does not", listed, button("Anchor", ` title="Moor"`), nameless],
    ["beside words is as it should be", listed, button("Anchor", "", " Moor"), []],
    ["that may get anything is open", listed, button("Anchor", " {...globalThis.more}"), []],
    ["in a script of thousands is found", long, button("Anchor"), nameless],
    ["in a script of thousands keeps its words", long, button("Named"), []],
    ["and anything else of a package stays open", listed, button("Sign", ` text=""`), []],
    [
      "that is not installed is asked about",
      {},
      button("AnchorIcon"),
      ["cantTell names.action-named App.jsx:2 [App]"],
    ],
  ])("%s", async (_, installed, source, expected) => {
    expect(await found({ "App.jsx": source, ...installed }, "App.jsx")).toEqual(expected);
  });

  test("is open where the project gives something to all of its package", async () => {
    const source = `import { Provider, Anchor } from "yard-icons";\nexport const App = () => <Provider value={{ title: "Moor" }}><button><Anchor /></button></Provider>;\n`;
    expect(await found({ "App.jsx": source, ...listed }, "App.jsx")).toEqual([]);
  });

  test("is not sought outside its package, wherever its manifest leads", async () => {
    const files = {
      "App.jsx": button("Anchor"),
      [`${folder}/package.json`]: manifest({ module: "../../src/anchor.js" }),
      "src/anchor.js": `import { createElement } from "react";\nexport const Anchor = () => createElement("svg", null);\n`,
    };
    expect(await found(files, "App.jsx")).toEqual([]);
  });

  test("is looked into for Vue and Svelte as well", async () => {
    const files = {
      "App.vue": `<script setup>\nimport Anchor from "yard-icons/Anchor.vue";\n</script>\n<template><button><Anchor /></button><button><Anchor title="Moor" /></button></template>\n`,
      "App.svelte": `<script>\n  import Anchor from "yard-icons/Anchor.svelte";\n</script>\n<button><Anchor /></button><button><Anchor title="Moor" /></button>\n`,
      [`${folder}/package.json`]: manifest({}),
      [`${folder}/Anchor.vue`]: `<template><span role="img" :aria-label="title" :aria-hidden="title ? null : 'true'"><svg><path d="M0 0" /></svg></span></template>\n<script>\nexport default { props: ["title"] };\n</script>\n`,
      [`${folder}/Anchor.svelte`]: `<script>\n  export let title = undefined;\n</script>\n<svg>{#if title}<title>{title}</title>{/if}<path d="M0 0" /></svg>\n`,
    };
    expect(await found(files, ["App.vue", "App.svelte"])).toEqual([
      "failed names.action-named App.svelte:4 [App]",
      "failed names.action-named App.vue:4 [App]",
    ]);
  });
});

test("a fragment inside a drawing is part of the drawing", async () => {
  const source = `const Lines = () => <><image href="a.png" /><path d="M0 0" /></>;\nexport const App = () => <svg role="img" aria-label="Tides"><Lines /></svg>;\n`;
  expect(await found({ "App.jsx": source }, "App.jsx")).toEqual([]);
});

test.each<[text: string, name: string, where: ReturnType<typeof definitionOf>]>([
  [`export const Anchor = 1;`, "Anchor", { where: "here" }],
  [`const A = 1; export { A as Anchor };`, "Anchor", { where: "here" }],
  [`export{a as Anchor}from"./a.js"`, "Anchor", { where: "there", specifier: "./a.js", name: "a" }],
  [
    `import A from "./a"; export { A as Anchor };`,
    "Anchor",
    { where: "there", specifier: "./a", name: "default" },
  ],
  [
    `import { b as A } from "./a"; export default A;`,
    "default",
    { where: "there", specifier: "./a", name: "b" },
  ],
  [`export default function () {}`, "default", { where: "here" }],
  [`export const AnchorPoint = 1;`, "Anchor", null],
  [`export * from "./a";`, "Anchor", null],
])("%s defines %s", (text, name, where) => {
  expect(definitionOf(text, name)).toEqual(where);
});
