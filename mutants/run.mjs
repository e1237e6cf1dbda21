/**
 * Puts small faults into the program, one at a time, and runs the tests on each: a fault that no test notices is a hole
 * in the tests. Works in copies; the checkout stays as it is.
 *
 *   node mutants/run.mjs                 every fault of faults/*.json
 *   node mutants/run.mjs --sample 12     some of those that were noticed before, other ones each day
 *   node mutants/run.mjs --only css/     those in files whose path holds the text
 *   node mutants/run.mjs --list got-past those of one list
 *   node mutants/run.mjs --unseen        those that no run has noticed yet
 *   node mutants/run.mjs --stands        only says whether the code still holds what each fault changes
 *   node mutants/run.mjs --near          asks the tests that stand near a fault only: soon over, and not the last word
 */
import { execFileSync, spawn } from "node:child_process";
import {
  cpSync,
  existsSync,
  mkdirSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  rmSync,
  symlinkSync,
  writeFileSync,
} from "node:fs";
import { availableParallelism, tmpdir } from "node:os";
import { dirname, join } from "node:path";
import { parseArgs, stripVTControlCharacters } from "node:util";

const home = join(import.meta.dirname, "..");
const noticedFile = join(import.meta.dirname, "noticed-by.json");
/** A fault may make a test wait for ever: that is noticed too. */
const PATIENCE_MS = 300_000;
const WANTED_SHARE = 0.95;
const DAY_MS = 86_400_000;

/** Where to look first, by the beginning of the file that holds the fault; everywhere after that. */
const nearest = [
  ["src/core/", ["tests/core"]],
  ["src/readers/", ["tests/readers", "tests/answers/heard-lines.test.ts", "tests/answers"]],
  ["src/read/", ["tests/answers", "tests/cli/across-commands.test.ts", "tests/cli/audit.test.ts"]],
  ["src/answers/", ["tests/cli/across-commands.test.ts", "tests/answers", "tests/cli"]],
  ["src/explore/", ["tests/render/pressed-checks.test.ts", "tests/render"]],
  ["src/render/", ["tests/render/keys.test.ts", "tests/render", "tests/cli/specimens.test.ts"]],
  ["src/report/", ["tests/reports", "tests/cli"]],
  ["src/", ["tests/cli/across-commands.test.ts", "tests/cli"]],
];

/** Tests in whose way other work on the machine may get: one that fails must fail by itself too. */
const mayBeHurried = /^tests\/(?:render|cli|reports)\//;

const { values: options } = parseArgs({
  options: {
    sample: { type: "string" },
    only: { type: "string", default: "" },
    list: { type: "string", default: "" },
    unseen: { type: "boolean", default: false },
    near: { type: "boolean", default: false },
    stands: { type: "boolean", default: false },
    lanes: { type: "string", default: String(availableParallelism()) },
  },
});

/** Every fault: `[file, text that stands there once, text in its stead]`. */
const every = readdirSync(join(import.meta.dirname, "faults"))
  .filter((name) => name.includes(options.list))
  .sort()
  .flatMap((name) => JSON.parse(readFileSync(join(import.meta.dirname, "faults", name), "utf8")))
  .map(([file, text, instead]) => ({ file, text, instead, key: `${file}: ${text} → ${instead}` }))
  .filter(({ file }) => file.includes(options.only));
const stale = every.filter(
  ({ file, text }) => occurrences(readFileSync(join(home, file), "utf8"), text) !== 1,
);
if (stale.length > 0) {
  for (const { key } of stale) console.error(`does not stand there once: ${key}`);
  process.exit(2);
}
if (options.stands) process.exit(0);

/** Which test file noticed a fault last time: it is asked first. */
const noticedBy = existsSync(noticedFile) ? JSON.parse(readFileSync(noticedFile, "utf8")) : {};
const noticedBefore = ({ key }) => noticedBy[key] !== undefined;
const chosen = chosenOf(every);
const waiting = [...chosen];
/** Test files that were seen to hold where nothing is wrong. */
const holding = new Set();
const survivors = [];
const lanes = Array.from({ length: Math.min(Number(options.lanes), chosen.length) }, () =>
  mkdtempSync(join(tmpdir(), "keel-mutants-")),
);
try {
  await Promise.all(lanes.map(work));
} finally {
  for (const lane of lanes) rmSync(lane, { recursive: true, force: true });
}
const known = new Set(every.map(({ key }) => key));
if (options.only === "" && options.list === "")
  for (const key of Object.keys(noticedBy)) if (!known.has(key)) delete noticedBy[key];
keepNoticed();

const caught = chosen.length - survivors.length;
console.log(
  `${caught} of ${chosen.length} faults noticed (${((100 * caught) / chosen.length).toFixed(1)} %)`,
);
process.exitCode = caught >= WANTED_SHARE * chosen.length ? 0 : 1;

function chosenOf(faults) {
  if (options.unseen) return faults.filter((fault) => !noticedBefore(fault));
  if (options.sample === undefined) return faults;
  return sampleOf(faults.filter(noticedBefore), Number(options.sample));
}

/** Kept after each fault, so that a run that is broken off was not for nothing. */
function keepNoticed() {
  writeFileSync(noticedFile, `${JSON.stringify(noticedBy, Object.keys(noticedBy).sort(), 2)}\n`);
}

function occurrences(source, text) {
  return source.split(text).length - 1;
}

/** Evenly spread over all, starting where the day says. */
function sampleOf(all, count) {
  const step = Math.max(1, Math.floor(all.length / count));
  const start = Math.floor(Date.now() / DAY_MS) % step;
  return all.filter((_, i) => i % step === start).slice(0, count);
}

async function work(lane) {
  const files = execFileSync("git", ["ls-files", "-z", "--cached", "--others", "--exclude-standard"], {
    cwd: home,
  })
    .toString()
    .split("\0");
  for (const file of files) {
    if (file === "" || !existsSync(join(home, file))) continue;
    mkdirSync(dirname(join(lane, file)), { recursive: true });
    cpSync(join(home, file), join(lane, file));
  }
  // What is installed is no part of the checkout: it is used where it lies.
  for (const file of files.filter((name) => name.endsWith("package.json"))) {
    const installed = join(dirname(file), "node_modules");
    if (existsSync(join(home, installed))) symlinkSync(join(home, installed), join(lane, installed));
  }
  for (let fault = waiting.shift(); fault !== undefined; fault = waiting.shift()) {
    const path = join(lane, fault.file);
    const source = readFileSync(path, "utf8");
    writeFileSync(
      path,
      source.replace(fault.text, () => fault.instead),
    );
    const by = await noticer(lane, fault);
    writeFileSync(path, source);
    if (by === null) {
      survivors.push(fault);
      delete noticedBy[fault.key];
      console.log(`NOT NOTICED  ${fault.key}`);
    } else {
      noticedBy[fault.key] = by;
      console.log(`noticed  ${fault.key}  (${by})`);
    }
    keepNoticed();
  }
}

/** The test file that notices a fault; null: none does. */
async function noticer(lane, fault) {
  const { file, key } = fault;
  const built = await run(lane, ["build.mjs"]);
  if (built.status !== 0) throw new Error(`${key}\n${built.output}`);
  const known = noticedBy[key];
  if (known !== undefined && existsSync(join(lane, known)) && (await failsIn(lane, [known])) !== null)
    return known;
  const [, near] = nearest.find(([start]) => file.startsWith(start));
  const part = join("tests", dirname(file).replace(/^src\//, ""));
  const named = existsSync(join(lane, part)) ? [part] : namedAlike(lane, file);
  for (const paths of [
    ...(named.length === 0 ? [] : [named]),
    ...near.map((path) => [path]),
    ...(options.near ? [] : [[]]),
  ]) {
    const failing = await failsIn(lane, paths);
    if (failing === null) continue;
    if (mayBeHurried.test(failing) && (await failsIn(lane, [failing])) === null) continue;
    await mustHold(lane, failing, fault);
    return failing;
  }
  return null;
}

/** A test file that notices a fault must hold without it: else it notices nothing. Each is asked once. */
async function mustHold(lane, test, { file }) {
  if (holding.has(test)) return;
  const path = join(lane, file);
  const faulty = readFileSync(path, "utf8");
  writeFileSync(path, readFileSync(join(home, file), "utf8"));
  await run(lane, ["build.mjs"]);
  if ((await failsIn(lane, [test])) !== null) throw new Error(`${test} fails without any fault.`);
  holding.add(test);
  writeFileSync(path, faulty);
}

/** Test files whose name shares a word with that of a source file: they are quick to ask. */
function namedAlike(lane, file) {
  const wordsOf = (path) =>
    path.split(/[^a-z]+/).filter((word) => word.length > 3 && word !== "test" && word !== "tests");
  const words = new Set(wordsOf(file.replace(/^src\//, "")).filter((word) => word !== "core"));
  return testFiles(lane).filter((test) => wordsOf(test.split("/").at(-1)).some((word) => words.has(word)));
}

function testFiles(lane) {
  return readdirSync(join(lane, "tests"), { recursive: true })
    .filter((name) => name.endsWith(".test.ts") && !/^agreement|node_modules/.test(name))
    .map((name) => `tests/${name}`)
    .sort();
}

/** The first test file that fails of some, or of all; null where none does. */
async function failsIn(lane, paths, bail = "1") {
  const { status, output } = await run(lane, [
    "node_modules/vitest/vitest.mjs",
    "run",
    `--bail=${bail}`,
    "--maxWorkers=1",
    "--reporter=default",
    ...paths,
  ]);
  if (status === 0) return null;
  const plain = stripVTControlCharacters(output);
  const named = /FAIL\s[\s\S]*?(tests\/[\w/.-]+\.ts)/.exec(plain)?.[1];
  if (named !== undefined) return named;
  // A run that is broken off does not always say by what.
  if (bail !== "0") return failsIn(lane, paths, "0");
  const [only] = paths;
  if (only?.endsWith(".ts")) return only;
  throw new Error(`A run failed and named no test:\n${plain.slice(-2000)}`);
}

function run(cwd, args) {
  return new Promise((done) => {
    const child = spawn(process.execPath, args, {
      cwd,
      stdio: ["ignore", "pipe", "pipe"],
      env: { ...process.env, CI: "true" },
    });
    let output = "";
    child.stdout.on("data", (data) => (output += data));
    child.stderr.on("data", (data) => (output += data));
    const timer = setTimeout(() => child.kill("SIGKILL"), PATIENCE_MS);
    child.on("close", (status) => {
      clearTimeout(timer);
      done({ status, output });
    });
  });
}
