import { readFileSync } from "node:fs";
import path from "node:path";
import { expect, test } from "vitest";
import { folderWith, keel } from "./run-keel.ts";

const explain = (...args: string[]) => keel(folderWith({}), ["explain", ...args]);

test("a check: what it means, whom it hurts, how to mend it, and its criterion", async () => {
  const { status, out } = await explain("names.image-described");
  expect(status).toBe(0);
  expect(out).toMatch(/^names\.image-described {2}blocker/);
  for (const word of ["means", "who", "mend", "broken", "kept"])
    expect(out).toMatch(new RegExp(`^${word}`, "m"));
  expect(out).toContain("WCAG 1.1.1 Non-text Content (level A)");
  expect(out).toContain("https://www.w3.org/WAI/WCAG22/Understanding/non-text-content.html");
});

test("a criterion: what decides it and what remains", async () => {
  const { out } = await explain("1.4.3");
  expect(out).toContain("WCAG 1.4.3 Contrast (Minimum) (level AA)");
  expect(out).toContain("contrast.placeholder");
  expect(out).toMatch(/for a person\n {2}Is text in pictures legible\?/);
  expect((await explain("wcag 2.3.3")).out).toContain("no check decides any of it");
});

test("a family, and the whole catalogue", async () => {
  expect((await explain("media")).out).toMatch(/^media {2}films and sounds\n {2}media\.captions/);
  const { out } = await explain();
  for (const id of ["names.image-described", "structure.titles-differ", "forms.options-grouped"])
    expect(out).toContain(id);
});

test("an unknown topic names the nearest", async () => {
  const { status, err } = await explain("contrast.txt");
  expect([status, err]).toEqual([
    2,
    'keel: there is no check, criterion or family "contrast.txt"; did you mean contrast.text?\n',
  ]);
});

test("docs/checks.md is what the catalogue says now", async () => {
  const { out } = await explain("--format", "markdown");
  const written = readFileSync(path.resolve(import.meta.dirname, "../../docs/checks.md"), "utf8");
  expect(written).toBe(out);
});
