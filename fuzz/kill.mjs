/**
 * Kills the program at some moment of its writing, again and again, and looks that no file is torn, that whatever
 * was mended can be taken back, and that what lies around is told.
 *
 *   node fuzz/kill.mjs --count 500 --seed 1
 */
import { existsSync, mkdtempSync, rmSync } from "node:fs";
import { availableParallelism, tmpdir } from "node:os";
import path from "node:path";
import { parseArgs } from "node:util";
import { dice } from "./dice.mjs";
import { drafts, keel, pagesIn, textIn } from "./folder.mjs";

const PAGES = 25;
/** How often a file comes, changes or goes while all pages are written. */
const EVENTS = 8 * PAGES;
const mend = ["mend", ".", "--write", "--also", "likely", "--no-config"];
const { values } = parseArgs({
  options: { count: { type: "string", default: "40" }, seed: { type: "string", default: "1" } },
});
const home = mkdtempSync(path.join(tmpdir(), "keel-kill-"));

const pages = pagesIn(path.join(home, "whole"), PAGES);
const mended = new Map();
await keel(path.join(home, "whole"), mend);
for (const name of pages.keys()) mended.set(name, textIn(path.join(home, "whole"), name));

const counts = { killed: 0, "while files were written": 0, "with drafts left": 0 };
const faults = [];

async function tried(number) {
  const { below } = dice(Number(values.seed) * 1_000_003 + number);
  const folder = path.join(home, String(number));
  pagesIn(folder, PAGES);
  const { status } = await keel(folder, mend, 1 + below(EVENTS));
  if (status === null) counts.killed++;
  const now = new Map([...pages.keys()].map((name) => [name, textIn(folder, name)]));
  const after = [...now].filter(([name, text]) => text === mended.get(name) && text !== pages.get(name));
  for (const [name, text] of now)
    if (text !== mended.get(name) && text !== pages.get(name)) faults.push(`${number}: ${name} is torn`);
  if (after.length > 0 && after.length < PAGES) counts["while files were written"]++;
  const left = drafts(folder);
  if (left.length > 0) counts["with drafts left"]++;
  if (after.length > 0 && !existsSync(path.join(folder, "keel-undo.patch")))
    faults.push(`${number}: no patch for undoing`);
  if (existsSync(path.join(folder, "keel-undo.patch"))) {
    const undone = await keel(folder, ["mend", "--undo"]);
    if (undone.status !== 0) faults.push(`${number}: --undo ended with ${undone.status}: ${undone.err}`);
    for (const [name, text] of pages)
      if (textIn(folder, name) !== text) faults.push(`${number}: ${name} was not taken back`);
    for (const draft of left)
      if (!undone.err.includes(draft)) faults.push(`${number}: nobody told of ${draft}`);
  }
  rmSync(folder, { recursive: true, force: true });
}

let next = 0;
const lane = async () => {
  while (next < Number(values.count)) await tried(next++);
};
await Promise.all(Array.from({ length: availableParallelism() }, lane));
rmSync(home, { recursive: true, force: true });
for (const fault of faults) console.log(fault);
console.log(
  Object.entries(counts)
    .map(([what, count]) => `${count} ${what}`)
    .join(", "),
);
console.log(`seed ${values.seed}: ${values.count} runs, ${faults.length} faults`);
process.exitCode = faults.length === 0 ? 0 : 1;
