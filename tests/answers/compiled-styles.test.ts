import { describe, expect, test } from "vitest";
import { auditFiles, found } from "./component-project.ts";

const part = (style: string) => `import "./${style}";
export const Slip = () => <div className="slip"><p className="fine">Slip 4 is free.</p></div>;
`;

/** Edits and places as `file:line text`, by the texts they stand in. */
async function colours(files: Readonly<Record<string, string>>) {
  const { findings } = await auditFiles(files, undefined, { checks: ["contrast.text"] });
  return findings.map(({ outcome, origins, repair }) => ({
    outcome,
    origins: (origins ?? []).map(({ source, text }) => `${source?.file}:${source?.line} ${text}`),
    edits: (repair?.edits ?? []).map(({ file, start, end, text }) => {
      const written = files[file] ?? "";
      return `${file} ${written.slice(start, end)} → ${text}`;
    }),
  }));
}

const ground = ".slip { background: #fff; }\n";

describe("a colour that is compiled to CSS is judged where it was written", () => {
  test.each<
    [
      what: string,
      files: Readonly<Record<string, string>>,
      origins: readonly string[],
      edits: readonly string[],
    ]
  >([
    [
      "in a rule within another",
      { "Slip.jsx": part("slip.scss"), "slip.scss": ".slip { background: #fff;\n  .fine { color: #aaa; } }" },
      ["slip.scss:2 #aaa", "slip.scss:1 #fff"],
      ["slip.scss #aaa → #767676"],
    ],
    [
      "by a variable of another file",
      {
        "Slip.jsx": part("slip.scss"),
        "slip.scss": `@use "tones" as t;\n${ground}.fine { color: t.$pale; }`,
        "_tones.scss": "$ink: #222;\n$pale: #aaa !default;\n",
      },
      ["slip.scss:3 #aaa", "_tones.scss:2 $pale: #aaa", "slip.scss:2 #fff"],
      ["_tones.scss #aaa → #767676"],
    ],
    [
      "by a variable called as the property",
      {
        "Slip.jsx": part("slip.scss"),
        "slip.scss": `$color: #aaa;\n${ground}.fine { color: $color; }`,
      },
      ["slip.scss:3 #aaa", "slip.scss:1 $color: #aaa", "slip.scss:2 #fff"],
      ["slip.scss #aaa → #767676"],
    ],
    [
      "by a mixin",
      {
        "Slip.jsx": part("slip.scss"),
        "slip.scss": `@use "mix";\n${ground}.fine { @include mix.small; }`,
        "_mix.scss": "@mixin small {\n  font-size: 12px;\n  color: #aaa;\n}\n",
      },
      ["_mix.scss:3 #aaa", "slip.scss:2 #fff"],
      ["_mix.scss #aaa → #767676"],
    ],
    [
      "out of a map",
      {
        "Slip.jsx": part("slip.scss"),
        "slip.scss": `$tones: (pale: #aaa);\n${ground}.fine { color: map-get($tones, pale); }`,
      },
      ["slip.scss:3 #aaa", "slip.scss:1 pale: #aaa", "slip.scss:2 #fff"],
      ["slip.scss #aaa → #767676"],
    ],
    [
      "and has no edit where it is computed, though the same colour stands elsewhere",
      {
        "Slip.jsx": part("slip.scss"),
        "slip.scss": `$ink: #555;\n${ground}.edge { outline: 1px solid #aaaaaa; }\n.fine { color: mix($ink, white, 50%); }`,
      },
      ["slip.scss:4 #aaaaaa", "slip.scss:2 #fff"],
      [],
    ],
    [
      "by indentation",
      {
        "Slip.jsx": part("slip.sass"),
        "slip.sass": "$pale: #aaa\n.slip\n  background: #fff\n  .fine\n    color: $pale\n",
      },
      ["slip.sass:5 #aaa", "slip.sass:1 $pale: #aaa", "slip.sass:3 #fff"],
      ["slip.sass #aaa → #767676"],
    ],
    [
      "by a variable of Less, and a mixin",
      {
        "Slip.jsx": part("slip.less"),
        "slip.less": `@import "tones";\n${ground}.fine { .small(); }`,
        "tones.less": "@pale: #aaa;\n.small() { color: @pale; }\n",
      },
      ["tones.less:2 #aaa", "tones.less:1 @pale: #aaa", "slip.less:2 #fff"],
      ["tones.less #aaa → #767676"],
    ],
    [
      "in a style block",
      {
        "Slip.vue": `<template><div class="slip"><p class="fine">Slip 4 is free.</p></div></template>
<style lang="scss" scoped>
$pale: #aaa;
.slip { background: #fff; .fine { color: $pale; } }
</style>`,
      },
      ["Slip.vue:4 #aaa", "Slip.vue:3 $pale: #aaa", "Slip.vue:4 #fff"],
      ["Slip.vue #aaa → #767676"],
    ],
    [
      "in a style block of a language whose marks its parser does not know",
      {
        "Slip.svelte": `<div class="slip"><p class="fine">Slip 4 is free.</p></div>
<style lang="scss">
$pale: #aaa; // pale }
.slip { background: #fff; .fine { color: $pale; } }
</style>`,
      },
      ["Slip.svelte:4 #aaa", "Slip.svelte:3 $pale: #aaa", "Slip.svelte:4 #fff"],
      ["Slip.svelte #aaa → #767676"],
    ],
    [
      "and what belongs to a package is left as it is",
      {
        "Slip.jsx": part("slip.scss"),
        "package.json": "{}",
        "slip.scss": `@import "~hulls/tones";\n${ground}.fine { color: $pale; }`,
        "node_modules/hulls/_tones.scss": "$pale: #aaa;\n",
      },
      ["slip.scss:3 #aaa", "slip.scss:2 #fff"],
      [],
    ],
    [
      "through a stylesheet that a stylesheet imports",
      {
        "Slip.jsx": part("slip.css"),
        "slip.css": '@import "tones.css";\n',
        "tones.css": `${ground}.fine { color: #aaa; }`,
      },
      ["tones.css:2 #aaa", "tones.css:1 #fff"],
      ["tones.css #aaa → #767676"],
    ],
  ])("%s", async (_, files, origins, edits) => {
    expect(await colours(files)).toEqual([{ outcome: "failed", origins, edits }]);
  });
});

describe("a style that cannot be compiled here fails nothing, and that is said", () => {
  test.each([
    [
      "what only the build of the project knows",
      "slip.scss",
      ".fine { color: $of-the-build; }",
      /undefined/i,
    ],
    ["a file outside the project", "slip.scss", '@use "../../etc/tones";', /find/i],
    ["an address", "slip.less", '@import (inline) "http://hulls.invalid/tones.css";', /not found/],
    ["a plugin, which is code", "slip.less", '@plugin "tones";', /plugin/],
    ["a script", "slip.less", ".fine { width: `1 + 1`; }", /JavaScript/],
    ["a language that nothing here compiles", "slip.styl", ".fine\n  color #aaa", /"styl"/],
  ])("%s", async (_, file, text, reason) => {
    const painted = part(file).replace("<p", '<p style={{ color: "#aaa", background: "#fff" }}');
    const files = { "Slip.jsx": painted, [file]: `${text}\n`, "tones.js": "throw new Error();" };
    const { findings, problems } = await auditFiles(files, "Slip.jsx", { checks: ["contrast.text"] });
    expect(findings.filter(({ outcome }) => outcome === "failed")).toEqual([]);
    expect(problems.map(({ target }) => target)).toEqual([file]);
    expect(problems[0]?.message).toMatch(reason);
  });
});

test("an exception may stand in a comment that lasts a line", async () => {
  const files = {
    "Slip.jsx": part("slip.scss"),
    "slip.scss": `${ground}.fine {\n  // keel: allow contrast.text because the sign is painted so\n  color: #aaa;\n}`,
  };
  expect(await found(files, "Slip.jsx", { checks: ["contrast.text"] })).toEqual([]);
});
