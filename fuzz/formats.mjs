import { readdirSync, readFileSync } from "node:fs";
import path from "node:path";

const demo = path.join(import.meta.dirname, "../demo");

/** What the demo holds of some endings. */
const demoFiles = (...endings) =>
  readdirSync(demo, { recursive: true })
    .filter((file) => endings.some((ending) => file.endsWith(ending)))
    .sort()
    .map((file) => readFileSync(path.join(demo, file)));

/** What stands between code fences of the list of checks. */
const fences = [
  ...readFileSync(path.join(import.meta.dirname, "../docs/checks.md"), "utf8").matchAll(
    /```html\n([\s\S]*?)```/g,
  ),
].map(([, text]) => Buffer.from(text));

const markup = [
  "<",
  "</",
  "/>",
  "<!--",
  "-->",
  "<![CDATA[",
  "<table><tr>",
  "<select>",
  "<svg>",
  "<math>",
  "<template>",
];
const marks = [
  '"',
  "'",
  "`",
  "\\",
  "\u0000",
  "\u2028",
  "\ufeff",
  "\u202e",
  "\u001b[2J",
  "&#0;",
  "&#x110000;",
  "&amp",
];
const script = [
  "${",
  "=>",
  "?.",
  "??",
  "...",
  "async ",
  "await ",
  "{",
  "}",
  "(",
  ")",
  "[",
  "]",
  "=",
  "!",
  "0x",
  "1e999",
];
const roles = [
  " role='dialog'",
  " aria-labelledby='a a'",
  " tabindex='-9e9'",
  " hidden",
  " id='a'",
  " for='a'",
  " inert",
];
const styles = [
  "@media (",
  "@layer a{",
  "@scope (a) to (b){",
  ":is(",
  ":not(",
  ":has(",
  "&",
  "calc(1px *",
  "var(--a",
  "!important",
];
const framework = [
  "{#if a}",
  "{/if}",
  "{#each a as b}",
  "{@html a}",
  "v-if=",
  "v-for='a in b'",
  ":[a]=",
  "@if (a) {",
  "@for (a of b; track a) {",
  "*ngIf=",
  "[(a)]=",
];

/** Every kind of input: what it starts from, what is put into it, which file it is in and what is asked of it. */
export const formats = [
  {
    name: "html",
    share: 30,
    starts: [...demoFiles(".html"), ...fences],
    words: [...markup, ...marks, ...roles, ...styles.slice(0, 4)],
    file: "page.html",
  },
  {
    name: "css",
    share: 20,
    starts: demoFiles(".css"),
    words: [
      ...styles,
      ...marks,
      "{",
      "}",
      ";",
      ":",
      "url(",
      "/*",
      "*/",
      "@import 'style.css';",
      "#",
      "%",
      "e9",
    ],
    file: "style.css",
    beside: {
      "page.html": `<!doctype html><html lang="en"><title>t</title><link rel="stylesheet" href="style.css"><main class="yard"><h1>Yard</h1><p class="claim">Berths <a href="#x">free</a></p><button class="card">Book</button></main>`,
    },
  },
  {
    name: "tsx",
    share: 14,
    starts: demoFiles(".tsx", ".jsx"),
    words: [...script, ...markup, ...roles, ...marks],
    file: "Page.tsx",
  },
  {
    name: "vue",
    share: 9,
    starts: demoFiles(".vue"),
    words: [...framework, ...markup, ...script, ...marks],
    file: "Page.vue",
  },
  {
    name: "svelte",
    share: 9,
    starts: demoFiles(".svelte"),
    words: [...framework, ...markup, ...script, ...marks],
    file: "Page.svelte",
  },
  {
    name: "angular",
    share: 9,
    starts: demoFiles(".component.html", "slip-booking.html"),
    words: [...framework, ...markup, ...roles, ...marks],
    file: "page.component.html",
    beside: {
      "page.component.ts": `import { Component } from "@angular/core";\n@Component({ selector: "yard-page", templateUrl: "./page.component.html" })\nexport class PageComponent { slip = ""; free = true; slips = [1, 2]; }\n`,
    },
  },
  {
    name: "configuration",
    share: 5,
    starts: [
      `{ "targets": ["*.html"], "failOn": "barrier", "checks": { "names": "off" }, "schemes": ["light", "data-theme=night"], "window": "390x844" }`,
      `{ "overrides": [{ "files": ["a*"], "checks": { "contrast.text": { "severity": "friction" } } }], "components": { "yard-pic": { "as": "img" } }, "specimens": "count" }`,
    ].map((text) => Buffer.from(text)),
    words: ["{", "}", "[", "]", ",", ":", '"', "null", "1e999", "true", '"__proto__":', ...marks],
    file: "keel.config.json",
    beside: { "a.html": "<!doctype html><title>t</title><img src=a.png>" },
  },
  {
    name: "walk script",
    share: 2,
    starts: demoFiles(".walk"),
    words: ["press ", "expect ", "open ", "click ", "see text ", '"', "*", "/(a+)+$/", "\n\n", "#", ...marks],
    file: "page.walk",
    beside: { "page.html": demoFiles("keys/booking.html")[0] },
    asks: [["walk", "page.html", "--script", "page.walk"]],
  },
  {
    name: "specimen",
    share: 2,
    starts: [
      `import { specimen } from "even-keel/specimen";\nspecimen("card", () => "<main><h1>Slip</h1><button>Book</button></main>");\nspecimen("list", () => document.createElement("ul"), { viewport: { width: 300, height: 200 } });\n`,
    ].map((text) => Buffer.from(text)),
    words: [
      ...script,
      ...markup,
      "throw 1;",
      "for(;;);",
      "specimen(",
      "() => null",
      "Promise",
      "window.",
      "process",
      ...marks,
    ],
    file: "card.specimen.js",
    beside: { "package.json": '{"name":"yard"}' },
    asks: [["audit", "card.specimen.js", "--time-limit", "3", "--format", "json"]],
  },
];

/** What is asked of a file that is read. */
export const readings = (file) => [
  ["audit", file, "--engine", "read", "--no-cache", "--format", "json"],
  ["tree", file, "--engine", "read", "--format", "json"],
  ["walk", file, "--engine", "read", "--format", "json"],
  ["mend", file, "--also", "likely", "--format", "json"],
];
