// One part of the work, in a process of its own: says which input it comes to before it does, and what was wrong with it.
import { mkdirSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import path from "node:path";
import { Readable } from "node:stream";
import { auditSchema, mendSchema, treeSchema, walkSchema } from "../dist/api.js";
import { main } from "../dist/main.js";
import { dice } from "./dice.mjs";
import { formats, readings } from "./formats.mjs";
import { mutated } from "./mutate.mjs";

const schemas = { audit: auditSchema, tree: treeSchema, walk: walkSchema, mend: mendSchema };
const shares = formats.flatMap((format) => Array.from({ length: format.share }, () => format));

/** The input of a number: the same for the same seed. */
export function input(seed, number, only) {
  const chances = dice(seed * 1_000_003 + number);
  const format = only === undefined ? chances.of(shares) : formats.find(({ name }) => name === only);
  return { format, bytes: mutated(format, chances), again: chances.chance(0.125) };
}

async function run(folder, words) {
  let [out, err] = ["", ""];
  const stream = (add) => ({
    write: (piece) => {
      add(String(piece));
      return true;
    },
    once: () => undefined,
  });
  const status = await main(words, {
    out: stream((piece) => {
      out += piece;
    }),
    err: stream((piece) => {
      err += piece;
    }),
    input: Readable.from([]),
    env: {},
    workingDirectory: folder,
  });
  return { status, out, err };
}

/** What is wrong with an answer; nothing where it is one that may be given to anybody. */
function wrongWith(words, { status, out, err }) {
  if (/this is a fault of Even Keel/.test(err))
    return `a fault of ours: ${err.split("\n").slice(1, 3).join(" ")}`;
  if (![0, 1, 2].includes(status)) return `status ${status}`;
  const stray = err.split("\n").find((line) => line !== "" && !line.startsWith("keel: "));
  if (stray !== undefined && words[0] !== "mend") return `a stray line: ${stray.slice(0, 120)}`;
  if (/[\u0000-\u0008\u000b-\u001f\u007f-\u009f\u202a-\u202e\u2066-\u2069]/.test(out + err))
    return "control characters";
  if (out === "" || !words.includes("json")) return null;
  try {
    const document = JSON.parse(out);
    const parsed = [document].flat().map((one) => schemas[words[0]].safeParse(one));
    const bad = parsed.find(({ success }) => !success);
    return bad === undefined ? null : `against its schema: ${JSON.stringify(bad.error.issues[0])}`;
  } catch (error) {
    return `no JSON: ${error.message}`;
  }
}

export async function tried(seed, number, only) {
  const { format, bytes, again } = input(seed, number, only);
  const folder = mkdtempSync(path.join(tmpdir(), "keel-fuzz-"));
  const wrong = [];
  const files = { ...format.beside, [format.file]: bytes };
  try {
    for (const [name, content] of Object.entries(files)) {
      mkdirSync(path.dirname(path.join(folder, name)), { recursive: true });
      writeFileSync(path.join(folder, name), content);
    }
    for (const words of format.asks ?? readings(format.name === "css" ? "page.html" : ".")) {
      const first = await run(folder, words);
      const problem = wrongWith(words, first);
      if (problem !== null) wrong.push(`keel ${words.join(" ")}: ${problem}`);
      if (!again) continue;
      const timeless = (text) => text.replaceAll(/"(?:startedAt|elapsedMs)": [^\n]*/g, "");
      const second = await run(folder, words);
      if (second.status !== first.status || timeless(second.out) !== timeless(first.out))
        wrong.push(`keel ${words.join(" ")}: another answer the second time`);
    }
    for (const [name, content] of Object.entries(files))
      if (!readFileSync(path.join(folder, name)).equals(Buffer.from(content)))
        wrong.push(`${name} was changed`);
  } catch (error) {
    wrong.push(`thrown: ${error?.stack ?? error}`);
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
  return { format: format.name, wrong };
}

if (process.send !== undefined) {
  process.on("message", async ({ seed, numbers, only }) => {
    for (const number of numbers) {
      process.send({ begins: number });
      const start = performance.now();
      const came = await tried(seed, number, only);
      process.send({ number, milliseconds: performance.now() - start, ...came });
    }
    process.send("done");
  });
}
