import { readFile } from "node:fs/promises";
import { fileURLToPath } from "node:url";
import { describe, expect, test } from "vitest";
import { auditFiles, found } from "./component-project.ts";

const manifest = '{ "devDependencies": { "tailwindcss": "^4.1.0" } }';
const slip = (line: string) =>
  `export const Slip = ({ calm }) => (\n  <div className="bg-white">\n    ${line}\n  </div>\n);\n`;
const project = (line: string, more: Readonly<Record<string, string>> = {}) => ({
  "Slip.jsx": slip(line),
  "package.json": manifest,
  "app.css": '@import "tailwindcss";\n',
  ...more,
});

/** Each text that is too pale: what is wrong with it, and how it is mended. */
async function pale(files: Readonly<Record<string, string>>) {
  const { findings } = await auditFiles(files, "Slip.jsx", { checks: ["contrast.text"] });
  return findings.map(({ message, repair }) => {
    const edits = (repair?.edits ?? []).map(
      ({ file, start, end, text }) => `${file} ${(files[file] ?? "").slice(start, end)} → ${text}`,
    );
    return [/#\w+ on #\w+/.exec(message)?.[0] ?? message, ...edits].join(", ");
  });
}

describe("a colour that the name of a class gives", () => {
  test.each<[what: string, line: string, expected: readonly string[]]>([
    [
      "is mended by the next step of its scale that can be read",
      '<p className="mt-2 text-gray-400">Slip 4 is free.</p>',
      ["#99a1af on #ffffff, Slip.jsx text-gray-400 → text-gray-500"],
    ],
    ["is left where it can be read", '<p className="text-gray-600">Slip 4 is free.</p>', []],
    [
      "on a ground that screens show at their edge",
      '<p className="bg-blue-300 text-gray-100">Slip 4 is free.</p>',
      ["#f3f4f6 on #8ec5ff, Slip.jsx text-gray-100 → text-gray-700"],
    ],
    [
      "with a variant",
      '<p className="text-gray-700 md:text-gray-300">Slip 4 is free.</p>',
      ["#d1d5dc on #ffffff, Slip.jsx md:text-gray-300 → md:text-gray-500"],
    ],
    [
      "and that a condition chooses",
      '<p className={calm ? "text-gray-400" : "text-gray-700"}>Slip 4 is free.</p>',
      ["#99a1af on #ffffff, Slip.jsx text-gray-400 → text-gray-500"],
    ],
    [
      "for what is inside",
      '<div className="text-gray-400"><p>Slip 4 is free.</p></div>',
      ["#99a1af on #ffffff, Slip.jsx text-gray-400 → text-gray-500"],
    ],
    ["that nothing stands for gives none", '<p className="text-hull-400">Slip 4 is free.</p>', []],
    ["on what is not shown", '<p className="hidden text-gray-300">Slip 4 is free.</p>', []],
  ])("%s", async (_, line, expected) => {
    expect(await pale(project(line))).toEqual(expected);
  });
});

const paleLine = '<p className="text-tide">Slip 4 is free.</p>';

test("a colour of the project's own theme is mended where it is set", async () => {
  const theme = '@import "tailwindcss";\n@theme {\n  --color-tide: #9ab8c0;\n}\n';
  expect(await pale(project(paleLine, { "app.css": theme }))).toEqual([
    "#9ab8c0 on #ffffff, app.css #9ab8c0 → #5f7b83",
  ]);
});

test("classes may be given names of the project's own", async () => {
  const own = '@import "tailwindcss";\n@utility text-tide {\n  color: #9ab8c0;\n}\n';
  expect(await pale(project(paleLine, { "app.css": own }))).toEqual([
    "#9ab8c0 on #ffffff, app.css #9ab8c0 → #5f7b83",
  ]);
});

const greyLine = '<p className="text-gray-400">Slip 4 is free.</p>';

describe("what would change the rules and is not run leaves colours open, and that is said", () => {
  test.each([
    [
      "a plugin",
      '@import "tailwindcss";\n@plugin "./hulls.js";\n',
      '"./hulls.js" is JavaScript, which is not run',
    ],
    [
      "a configuration",
      '@import "tailwindcss";\n@config "./hulls.config.js";\n',
      '"./hulls.config.js" is JavaScript, which is not run',
    ],
    [
      "styles of a package that is not there",
      '@import "tailwindcss";\n@import "hulls";\n',
      'the stylesheet "hulls" is not here',
    ],
    [
      "the directives of the version before",
      "@tailwind base;\n@tailwind components;\n@tailwind utilities;\n",
      "its settings are JavaScript, which is not run",
    ],
  ])("%s", async (_, sheet, what) => {
    const files = project(greyLine, { "app.css": sheet, "hulls.js": "throw new Error();" });
    const { findings, problems } = await auditFiles(files, "Slip.jsx", { checks: ["contrast.text"] });
    expect(findings.filter(({ outcome }) => outcome === "failed")).toEqual([]);
    expect(problems).toEqual([
      { target: "app.css", message: `Colours that classes give are not judged: ${what}.` },
    ]);
    const hidden = project('<button className="hidden"></button>', { "app.css": sheet });
    expect(await found(hidden, "Slip.jsx", { checks: ["names.action-named"] })).toEqual([]);
  });
});

test("of several stylesheets each holds where it is imported", async () => {
  const second = { "other.css": '@import "tailwindcss";\n' };
  expect(await pale(project(greyLine, second))).toEqual([]);
  const importing = { ...project(greyLine, second), "Slip.jsx": `import "./app.css";\n${slip(greyLine)}` };
  expect(await pale(importing)).toHaveLength(1);
});

test("without the package no stylesheet is looked for", async () => {
  expect(await pale(project(greyLine, { "package.json": "{}" }))).toEqual([]);
});

test("it is the same where the package is installed: what it brings is nobody's to change", async () => {
  const installed = fileURLToPath(import.meta.resolve("tailwindcss/index.css"));
  const files = project(greyLine, {
    "node_modules/tailwindcss/index.css": await readFile(installed, "utf8"),
  });
  expect(await pale(files)).toEqual(["#99a1af on #ffffff, Slip.jsx text-gray-400 → text-gray-500"]);
  const { findings } = await auditFiles(files, "Slip.jsx", { checks: ["contrast.text"] });
  expect(findings.flatMap(({ origins }) => origins.map(({ source }) => source?.file))).toEqual([
    "app.css",
    "app.css",
  ]);
});

test("what only the name of a class declares is no variable to refer to", async () => {
  const line = '<p className="fine">Slip 4 is free.</p><p className="text-slate-600">Slip 5</p>';
  const sheet = '@import "tailwindcss";\n.fine { color: #9fb3bd; }\n';
  expect(await pale(project(line, { "app.css": sheet }))).toEqual([
    "#9fb3bd on #ffffff, app.css #9fb3bd → #677983",
  ]);
});
