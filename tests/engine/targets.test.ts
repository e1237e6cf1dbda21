import { expect, test } from "vitest";
import { findPages } from "../../src/engine/targets.ts";
import { memoryHost } from "../answers/component-project.ts";

const page = `<!doctype html><title>t</title>`;
const files = {
  "slips/north.html": page,
  "slips/south.html": page,
  "slips/notes.txt": "none",
  "slips/Berth.tsx": `export const Berth = () => <p>x</p>;\n`,
};

const pagesOf = async (...targets: string[]) => {
  const found = await findPages(
    { targets, stdinName: "page.html", pageLists: [], isSkipped: () => false },
    memoryHost(files),
  );
  return {
    pages: found.pages.map(({ name, isNamed }) => (isNamed ? `${name} by name` : name)),
    problems: found.problems.map(({ message }) => message),
  };
};

test.each<readonly [what: string, targets: readonly string[], pages: readonly string[]]>([
  ["a folder", ["slips"], ["slips/Berth.tsx", "slips/north.html", "slips/south.html"]],
  ["a file", ["slips/north.html"], ["slips/north.html by name"]],
  ["a pattern", ["slips/*.html"], ["slips/north.html", "slips/south.html"]],
  [
    "what is named after its folder is named, and is there once",
    ["slips", "slips/south.html"],
    ["slips/Berth.tsx", "slips/north.html", "slips/south.html by name"],
  ],
  [
    "what is named before its folder stays first",
    ["slips/south.html", "slips"],
    ["slips/south.html by name", "slips/Berth.tsx", "slips/north.html"],
  ],
])("targets: %s", async (_, targets, pages) => {
  expect(await pagesOf(...targets)).toEqual({ pages, problems: [] });
});

test.each([
  ["a file that is not there", "slips/west.html", /^No such file or folder\./],
  ["a pattern that nothing fits", "slips/*.htm", /^The pattern matches no file/],
  ["a file that is no page", "slips/notes.txt", /^Not a page/],
])("of %s one line is told, and others are found", async (_, target, message) => {
  const { pages, problems } = await pagesOf(target, "slips/north.html");
  expect(pages).toEqual(["slips/north.html by name"]);
  expect(problems).toEqual([expect.stringMatching(message)]);
});
