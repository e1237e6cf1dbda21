import { readFileSync } from "node:fs";
import path from "node:path";
import { describe, expect, test } from "vitest";
import { withoutCollisions } from "../../src/answers/proved-repairs.ts";
import { byFile, type Edit, withEdits } from "../../src/core/repair/edit.ts";
import { firstChangeBeside, marksIn } from "../../src/core/repair/untouched.ts";
import { readHtml } from "../../src/readers/html/read-html.ts";
import { auditFiles } from "./component-project.ts";

const demo = path.resolve(import.meta.dirname, "../../demo");
const read = (file: string) => readFileSync(path.join(demo, file), "utf8");

/** Numbers below 1 that look random and are the same on every run. Lehmer, 48271 modulo 2^31 − 1. */
function numbers(seed: number): () => number {
  let state = seed;
  return () => {
    state = (state * 48_271) % 2_147_483_647;
    return state / 2_147_483_647;
  };
}

type Mutation = (text: string, at: number, random: () => number) => string;

/** What hands and tools do to pages. */
const mutations: readonly Mutation[] = [
  (text, at, random) => text.slice(0, at) + text.slice(at + 1 + Math.floor(random() * 6)),
  (text, at) => text.slice(0, at) + text.slice(at, at + 20) + text.slice(at),
  (text, at) => text.slice(0, at) + text.slice(at).replace(/"/, "'"),
  (text, at) => text.slice(0, at) + text.slice(at).replace(/<\/\w+>/, ""),
  (text, at) => text.slice(0, at) + text.slice(at).replace(/ (?:alt|for|id|role|href|class)="[^"]*"/, ""),
  (text, at) => text.slice(0, at) + text.slice(at).replace(/ (?:for|id|role)="/, "$&x "),
  (text, at) => text.slice(0, at) + text.slice(at).replaceAll("\n", "\r\n"),
  (text, at) => `${text.slice(0, at)} tabindex="3" <b>${text.slice(at)}`,
  (text, at) => text.slice(0, at) + text.slice(at).replace(/<(\w+)/, "<$1\n\t\ttitle='Tide & time'"),
];

function mutated(text: string, seed: number): string {
  const random = numbers(seed);
  let made = text;
  for (let n = 0; n < 3; n++) {
    const mutation = mutations[Math.floor(random() * mutations.length)] as Mutation;
    made = mutation(made, Math.floor(random() * made.length), random);
  }
  return made;
}

/** What stands outside the edits, before and after, found without the code that makes them. */
function outside(text: string, edits: readonly Edit[], isAfter: boolean): string {
  let rest = "";
  let at = 0;
  let shift = 0;
  for (const { start, end, text: put } of edits) {
    rest += text.slice(at, start + shift);
    at = (isAfter ? start + put.length : end) + shift;
    if (isAfter) shift += put.length - (end - start);
  }
  return rest + text.slice(at);
}

const counts = (findings: Awaited<ReturnType<typeof auditFiles>>["findings"]) => {
  const found = new Map<string, number>();
  for (const { check, outcome } of findings)
    if (outcome === "failed") found.set(check, (found.get(check) ?? 0) + 1);
  return found;
};

describe.each(["mistakes/slipway.html", "mistakes/tides.html", "mistakes/work-order.html"])(
  "all edits of %s, mutated",
  (name) => {
    const css = { "css/boatyard.css": read("mistakes/css/boatyard.css") };
    test.each(Array.from({ length: 12 }, (_, at) => at + 3))(
      "by seed %i, mend and break nothing",
      async (seed) => {
        const files: Readonly<Record<string, string>> = { "page.html": mutated(read(name), seed), ...css };
        const { findings } = await auditFiles(files, "page.html");
        const offered = findings.flatMap(({ repair }) =>
          repair?.edits.length ? [{ edits: repair.edits }] : [],
        );
        const [together] = withoutCollisions(offered);
        const edits = byFile(together.flatMap((one) => one.edits));
        const after = Object.fromEntries(
          Object.entries(files).map(([file, text]) => [file, withEdits(text, edits.get(file) ?? [])]),
        );
        expect(edits.size).toBeGreaterThan(0);
        for (const [file, own] of edits)
          expect(outside(after[file] ?? "", own, true)).toBe(outside(files[file] ?? "", own, false));
        const own = edits.get("page.html") ?? [];
        const [was, is] = [files, after].map((all) => readHtml(all["page.html"] ?? "", "page.html"));
        expect(firstChangeBeside(marksIn(was), marksIn(is), own)).toBe(null);
        const [before, left] = [counts(findings), counts((await auditFiles(after, "page.html")).findings)];
        for (const [check, n] of left) expect([check, n <= (before.get(check) ?? 0)]).toEqual([check, true]);
        const total = (all: ReadonlyMap<string, number>) => [...all.values()].reduce((a, b) => a + b, 0);
        expect(total(left)).toBeLessThan(total(before));
      },
    );
  },
);
