/**
 * Gives the built program inputs that nobody would write, of every kind that it takes, and looks that it answers each:
 * no crash, no hang, an answer that its schema holds, the same one the second time, and its inputs as they were.
 *
 *   npm run fuzz -- --count 1000 --seed 7     a thousand of them
 *   npm run fuzz -- --format css              of one kind: html, css, tsx, vue, svelte, angular, configuration …
 *   npm run fuzz -- --seed 7 --number 412     one of them again, and where its file lies
 */
import { fork } from "node:child_process";
import { mkdtempSync, writeFileSync } from "node:fs";
import { availableParallelism, tmpdir } from "node:os";
import path from "node:path";
import { parseArgs } from "node:util";
import { input } from "./batch.mjs";

const { values } = parseArgs({
  options: {
    count: { type: "string", default: "300" },
    seed: { type: "string", default: "1" },
    number: { type: "string" },
    format: { type: "string" },
    patience: { type: "string", default: "20" },
  },
});
const seed = Number(values.seed);
const patience = Number(values.patience) * 1000;
const only = values.format;

if (values.number !== undefined) {
  const { format, bytes } = input(seed, Number(values.number), only);
  const folder = mkdtempSync(path.join(tmpdir(), "keel-fuzz-"));
  for (const [name, content] of Object.entries({ ...format.beside, [format.file]: bytes }))
    writeFileSync(path.join(folder, name), content);
  console.log(folder);
  process.exit();
}

const waiting = Array.from({ length: Number(values.count) }, (_, index) => index);
const counts = new Map();
const faults = [];
let [slowest, slowestNumber] = [0, -1];

/** One process after the other takes what is waiting; one that says nothing for too long is ended, and that is told. */
async function lane() {
  while (waiting.length > 0) {
    const numbers = waiting.splice(0, 200);
    await new Promise((resolve) => {
      const child = fork(path.join(import.meta.dirname, "batch.mjs"), {
        stdio: ["ignore", "ignore", "inherit", "ipc"],
      });
      let [under, timer] = [numbers[0], null];
      const end = (why) => {
        clearTimeout(timer);
        child.removeAllListeners();
        child.kill("SIGKILL");
        if (why !== null) {
          faults.push({ number: under, why });
          waiting.unshift(...numbers.slice(numbers.indexOf(under) + 1));
        }
        resolve();
      };
      const wait = () => {
        clearTimeout(timer);
        timer = setTimeout(() => end(`no end within ${patience / 1000} seconds`), patience);
      };
      child.on("exit", (code, signal) => end(`the process ended (${signal ?? code})`));
      child.on("message", (message) => {
        if (message === "done") return end(null);
        if ("begins" in message) under = message.begins;
        else {
          counts.set(message.format, (counts.get(message.format) ?? 0) + 1);
          if (message.milliseconds > slowest)
            [slowest, slowestNumber] = [message.milliseconds, message.number];
          for (const why of message.wrong) faults.push({ number: message.number, why });
        }
        wait();
      });
      wait();
      child.send({ seed, numbers, only });
    });
  }
}

await Promise.all(Array.from({ length: availableParallelism() }, lane));
for (const { number, why } of faults.toSorted((a, b) => a.number - b.number))
  console.log(`${number}  ${why}`);
const kinds = [...counts].map(([name, count]) => `${name} ${count}`).sort();
console.log(`${kinds.join(", ")}; the slowest ${(slowest / 1000).toFixed(1)} s (--number ${slowestNumber})`);
console.log(`seed ${seed}: ${values.count} inputs, ${faults.length} faults`);
process.exitCode = faults.length === 0 ? 0 : 1;
