import { mkdtempSync, rmSync, writeFileSync } from "node:fs";
import os from "node:os";
import path from "node:path";
import { afterAll, expect, test } from "vitest";
import { type AuditAnswer, audit, catalogue, nodeHost } from "../../../src/api.ts";
import { apart } from "./apart.ts";

const folder = mkdtempSync(path.join(os.tmpdir(), "keel-engines-"));
afterAll(() => rmSync(folder, { recursive: true, force: true }));

/** The examples of all checks, each a page; with AGREEMENT_EXAMPLES=all every one, else some of each check in turn. */
const every = process.env.AGREEMENT_EXAMPLES === "all" ? 1 : 12;
const examples = catalogue
  .flatMap((check) =>
    check.examples.flatMap(({ html }, i) => (html === undefined ? [] : [{ check: check.id, html, i }])),
  )
  .filter((_, i) => i % every === 0);
const files = examples.map(({ check, i }) => `${check}-${i}.html`);
for (const [i, { html }] of examples.entries()) writeFileSync(path.join(folder, files[i] ?? ""), html);

const auditWith = (engine: "read" | "browser") =>
  audit(
    files,
    {
      engine,
      press: false,
      outcomes: ["failed"],
      all: true,
      config: false,
      skipChecks: ["structure.titles-differ"],
    },
    { host: nodeHost({ workingDirectory: folder }) },
  );

const failuresIn = ({ findings }: AuditAnswer, file: string) =>
  findings.filter(({ subject }) => subject === file).map(({ check, element }) => `${check} ${element.path}`);

/** Checks that see more in a browser: what they find there, reading leaves open. */
const seeMore = new Set(
  catalogue
    .filter(({ isSeen, examples: own }) => isSeen === true || own.some((example) => "isSeen" in example))
    .map(({ id }) => id),
);

test("what reading fails the browser fails, and nothing else but what only it sees", async () => {
  const [read, seen] = [await auditWith("read"), await auditWith("browser")];
  const differences = examples.flatMap(({ html }, i) => {
    const file = files[i] ?? "";
    const [before, after] = [failuresIn(read, file), failuresIn(seen, file)];
    const lost = before.filter((key) => !after.includes(key));
    const more = after.filter((key) => !before.includes(key) && !seeMore.has(key.split(" ")[0] as never));
    return [
      ...lost.map((key) => `not in the browser: ${key}`),
      ...more.map((key) => `in the browser alone: ${key}`),
    ]
      .filter((difference) => !(difference in apart))
      .map((difference) => `${difference}\n  ${html}`);
  });
  expect(differences).toEqual([]);
}, 1_800_000);
