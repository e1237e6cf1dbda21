import { describe, expect, test } from "vitest";
import { auditFiles, found } from "./component-project.ts";

const manifest = '{"dependencies":{"@angular/core":"^20.0.0"}}';
const login = (template: string) =>
  `import { Component } from "@angular/core";
@Component({ selector: "yard-login", ${template} })
export class Login { open = false; toggle() { this.open = !this.open; } }
`;

describe("a component whose file does not say in its name that it is one", () => {
  test.each<[what: string, files: Readonly<Record<string, string>>, expected: readonly string[]]>([
    [
      "is read with the template beside it",
      {
        "login.html": `<button (click)="toggle()"></button>\n@if (open) {\n  <p>Sign in</p>\n}\n`,
        "login.ts": login(`templateUrl: "./login.html"`),
      },
      ["failed names.action-named login.html:1 [Login]"],
    ],
    [
      "is found by its decorator alone where the project has the framework",
      { "package.json": manifest, "pages/login.ts": login(`template: "<p>Slips</p><button></button>"`) },
      ["failed names.action-named pages/login.ts:2 [Login]"],
    ],
    [
      "is found by its markup where the project has React",
      {
        "package.json": '{"dependencies":{"react":"^19.0.0"}}',
        "src/views/Slips.js": 'export const Slips = () => <main><img src="a.png" /></main>;\n',
        "src/index.js": 'export { Slips } from "./views/Slips";\n',
      },
      ["failed names.image-described src/views/Slips.js:1 [Slips]"],
    ],
    [
      "is none where the project has no React, or a machine made it",
      {
        "plain/package.json": '{"dependencies":{"yard-tools":"^1.0.0"}}',
        "plain/slips.js": 'export const slips = () => <main><img src="a.png" /></main>;\n',
        "plain/page.html":
          '<!doctype html><html lang="en"><title>Yard</title><main><h1>Yard</h1></main></html>',
      },
      [],
    ],
    [
      "is none where only a comment shows how it is used",
      {
        "package.json": '{"dependencies":{"react":"^19.0.0"}}',
        "Slips.jsx": "export const Slips = () => <main><p>North</p></main>;\n",
        "slips.js":
          '/** @example <Slips><img /></Slips> */\nimport React from "react";\nexport const Other = () => React.createElement("img");\n',
      },
      [],
    ],
    [
      "is none where it is a test, or declares types alone",
      {
        "package.json": manifest,
        "login.spec.ts": login(`template: "<button></button>"`),
        "login.d.ts": login(`template: "<button></button>"`),
        "index.ts": "export const slips = 4;",
        "yard.component.ts": login(`template: "<p>Slips</p>"`),
      },
      [],
    ],
  ])("%s", async (_, files, expected) => {
    expect(await found(files, ".")).toEqual(expected);
  });

  test("has edits written as its template is", async () => {
    const { findings } = await auditFiles(
      {
        "login.html": `<a href="#" [title]="open"><img src="hull.jpg" alt="Slips"> Slips</a>`,
        "login.ts": login(`templateUrl: "./login.html"`),
      },
      ".",
    );
    const edits = findings.flatMap(({ repair }) => repair?.edits ?? []);
    expect(edits.map(({ file }) => file)).toContain("login.html");
  });
});

test.each([
  ["*ngIf", `<p *ngIf="open">Slips</p>`],
  ["a bound attribute", `<button [disabled]="busy"></button>`],
  ["a handler", `<button class="x" (click)="book()"></button>`],
  ["a block", `<ul>\n  @for (slip of slips; track slip.id) {\n    <div>{{ slip.name }}</div>\n  }\n</ul>`],
  ["content", `<div><ng-content></ng-content></div>`],
])("a template with %s and no component fails in nothing, and that is said", async (_, html) => {
  const { findings, problems, incomplete, subjects } = await auditFiles({ "slips.html": html });
  expect([findings, subjects, incomplete]).toEqual([[], [], false]);
  expect(problems.map(({ target, message }) => `${target}: ${message}`)).toEqual([
    expect.stringMatching(/^slips\.html: Is the template of a component that is not among the targets/),
  ]);
});

test.each([
  [
    "an address",
    `<!doctype html><html lang="en"><title>t</title><main><h1>x</h1><p>mail yard@if (you can) {</p></main>`,
  ],
  [
    "a style",
    `<!doctype html><html lang="en"><title>t</title><style>a[href="x"] { color: red }</style><main><h1>x</h1></main>`,
  ],
])("a page with %s is a page", async (_, html) => {
  expect((await auditFiles({ "a.html": html })).subjects).toHaveLength(1);
});

describe("a Vue component that no file imports", () => {
  const mark = `<template><button><svg aria-hidden="true" /></button></template>`;
  const main = (registration: string) => ({
    "package.json": '{"dependencies":{"vue":"^3.0.0"}}',
    "src/App.vue": `<template><main><yard-mark /></main></template>`,
    "src/main.js": `import { createApp } from "vue";\nimport App from "./App.vue";\nimport Mark from "./parts/Mark.vue";\nconst app = createApp(App);\n${registration}\napp.mount("#app");\n`,
  });
  const seen = (line = 1, file = "src/parts/Mark.vue") => [
    `failed names.action-named ${file}:${line} [App › Mark]`,
  ];
  test.each<[what: string, files: Readonly<Record<string, string>>, expected: readonly string[]]>([
    [
      "is what a script registers under its name",
      { ...main(`app.component("YardMark", Mark);`), "src/parts/Mark.vue": mark },
      seen(),
    ],
    [
      "is what is loaded when it is wanted",
      {
        ...main(`app.component("yard-mark", defineAsyncComponent(() => import("./parts/Mark.vue")));`),
        "src/parts/Mark.vue": mark,
      },
      seen(),
    ],
    [
      "is what a build finds by the name of its file",
      { ...main(""), "src/components/yard/Mark.vue": mark },
      seen(1, "src/components/yard/Mark.vue"),
    ],
    [
      "is what names itself so",
      {
        ...main(""),
        "src/parts/Mark.vue": `<script>\nexport default {\n  name: "YardMark",\n};\n</script>\n${mark}`,
      },
      seen(6),
    ],
    [
      "is nobody's where two may be meant",
      { ...main(""), "src/a/YardMark.vue": mark, "src/b/YardMark.vue": mark },
      [
        "cantTell names.action-named src/a/YardMark.vue:1 [YardMark]",
        "cantTell names.action-named src/b/YardMark.vue:1 [YardMark]",
      ],
    ],
  ])("%s", async (_, files, expected) => {
    expect(await found(files, "src")).toEqual(expected);
  });

  test("has the styles that the script brings in which puts it into the page", async () => {
    const files = {
      ...main(""),
      "src/App.vue": `<template><main><p>Tides</p></main></template>`,
      "src/main.js": `import { createApp } from "vue";\nimport "./yard.css";\nimport App from "./App.vue";\ncreateApp(App).mount("#app");\n`,
      "src/yard.css": "body { background: #fff } p { color: #ccc }",
    };
    expect(await found(files, "src")).toEqual(["failed contrast.text src/App.vue:1 [App]"]);
  });
});

test("a pattern that names scripts finds those with components", async () => {
  const files = {
    "src/Slips.js": 'export const Slips = () => <main><img src="a.png" /></main>;\n',
    "src/tides.js": "export const tides = [6, 18];\n",
    "src/bundle.js": `export const all = "${"x".repeat(30_000)}"; const a = () => <img src="a.png" />;\n`,
  };
  expect(await found(files, "src/*.js")).toEqual(["failed names.image-described src/Slips.js:1 [Slips]"]);
});
