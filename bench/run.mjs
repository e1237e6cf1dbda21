// Compares our work with merely parsing the same text, in one process, and holds the ratios to their bounds.
import { execFileSync } from "node:child_process";
import { appendFileSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import path from "node:path";
import { measureBrowser } from "./browser.mjs";
import { bundled } from "./bundled.mjs";
import { componentProject } from "./component-files.mjs";
import { boatyardPage, boatyardSheet } from "./pages.mjs";
import { specimenProject } from "./specimen-files.mjs";
import { hold, median, tellAll } from "./turns.mjs";

const {
  parseFiles,
  composeFiles,
  parseOnly,
  auditText,
  treeOf,
  styleAll,
  parseBoth,
  parseTreeBytes,
  treeBytes,
  walkOf,
  sceneFor,
} = await bundled("measured");

const { bundleOf, Mounting, mountAll } = await bundled("mounting", ["parse5", "culori", "css-tree"]);

function timed(work) {
  globalThis.gc?.();
  const start = performance.now();
  work();
  return performance.now() - start;
}

/**
 * Runs the works by turns, so that whatever disturbs the machine disturbs all of them, and gives the median of each and
 * of each one's ratio to the first, turn by turn.
 */
function byTurns(works, turns) {
  const times = works.map(() => []);
  for (let turn = 0; turn < turns; turn++)
    for (const [at, work] of works.entries()) times[at].push(timed(work));
  return times.map((own) => ({
    median: median(own),
    ratio: median(own.map((time, turn) => time / times[0][turn])),
  }));
}

const perElement = new Map();
for (const size of [1_000, 10_000, 100_000]) {
  const page = boatyardPage(size);
  const runs = size > 50_000 ? 3 : size > 5_000 ? 5 : 15;
  // Once each before measuring: the first run pays for compiling.
  for (let i = 0; i < (size > 50_000 ? 1 : size > 5_000 ? 4 : 60); i++) {
    parseOnly(page);
    auditText(page);
    treeOf(page);
  }
  const [parse, audit, tree] = byTurns(
    [() => parseOnly(page), () => auditText(page), () => treeOf(page)],
    runs,
  );
  perElement.set(size, audit.median / size);
  console.log(
    `${size} elements: parse ${parse.median.toFixed(1)} ms, audit ${audit.median.toFixed(1)} ms, tree ${tree.median.toFixed(1)} ms`,
  );
  hold(`audit of ${size} elements against parsing them`, audit.ratio, 6);
  const scene = sceneFor(page);
  const [, walk] = byTurns([() => parseOnly(page), () => walkOf(scene)], runs);
  hold(`walk of ${size} elements against parsing them`, walk.ratio, 1);
  if (size === 100_000) hold(`tree of ${size} elements against parsing them`, tree.ratio, 3);
}
hold("time per element at 100,000 against 1,000", perElement.get(100_000) / perElement.get(1_000), 1.3);

for (const name of ["mistakes/slipway.html", "mended/tides.html"]) {
  const page = readFileSync(path.resolve("demo", name), "utf8");
  for (let i = 0; i < 30; i++) {
    auditText(page);
    parseOnly(page);
  }
  const [, audit] = byTurns([() => parseOnly(page), () => auditText(page)], 25);
  hold(`audit of demo/${name} against parsing it`, audit.ratio, 6);
}

const sheet = boatyardSheet(5_000);
const styled = boatyardPage(20_000);
for (let i = 0; i < 2; i++) {
  parseBoth(styled, sheet);
  styleAll(styled, sheet);
}
const [, styling] = byTurns([() => parseBoth(styled, sheet), () => styleAll(styled, sheet)], 4);
hold("styles of 20,000 elements from 5,000 rules against parsing both", styling.ratio, 8);

if (globalThis.gc !== undefined) {
  const page = boatyardPage(100_000);
  hold(
    "memory of the tree of 100,000 elements against the parse tree",
    treeBytes(page) / parseTreeBytes(page),
    6,
  );
}

const project = mkdtempSync(path.join(tmpdir(), "keel-components-"));
process.on("exit", () => rmSync(project, { recursive: true, force: true }));
const sources = componentProject(project, 1_000);
const composing = [];
for (let turn = 0; turn < 5; turn++) {
  globalThis.gc?.();
  const start = performance.now();
  await parseFiles(sources);
  const parsed = performance.now();
  globalThis.gc?.();
  const between = performance.now();
  await composeFiles(sources);
  composing.push((performance.now() - between) / (parsed - start));
}
hold("1,000 component files composed against reading and parsing them", median(composing), 4);
const kept = path.join(project, "kept");
const auditAll = () => {
  const start = performance.now();
  execFileSync(
    process.execPath,
    [path.resolve("dist/cli.js"), "audit", "src", "--quiet", "--cache-dir", kept],
    {
      cwd: project,
      stdio: "ignore",
    },
  );
  return performance.now() - start;
};
const again = [];
for (let turn = 0; turn < 3; turn++) {
  rmSync(kept, { recursive: true, force: true });
  const first = auditAll();
  again.push(auditAll() / first);
}
hold("second audit of 1,000 unchanged component files against the first", median(again), 0.34);

const { audit, nodeHost, Workspace } = await import(path.resolve("dist/api.js"));
const host = nodeHost({ workingDirectory: project });
const anew = [];
for (let turn = 0; turn < 3; turn++) {
  const workspace = new Workspace();
  const audited = async () => {
    const start = performance.now();
    await audit(["src"], { engine: "read", cache: false }, { host, workspace });
    return performance.now() - start;
  };
  const first = await audited();
  appendFileSync(sources[1], `\n// Turn ${turn}.\n`);
  anew.push((await audited()) / first);
}
hold("1,000 component files audited anew after one leaf changed", median(anew), 0.1);

const specimens = specimenProject(200);
const bundleTimes = [];
for (let turn = 0; turn < 3; turn++) {
  const start = performance.now();
  await bundleOf(specimens.folder, specimens.files);
  bundleTimes.push(performance.now() - start);
}
console.log(`       200 specimens of React in one bundle: ${Math.round(median(bundleTimes))} ms`);
const mounting = new Mounting(await bundleOf(specimens.folder, specimens.files), specimens.folder);
const mounts = { audited: [], bare: [] };
for (let turn = 0; turn < 60; turn++) {
  const file = specimens.files[turn];
  for (const kind of turn % 2 === 0 ? ["audited", "bare"] : ["bare", "audited"]) {
    globalThis.gc?.();
    const start = performance.now();
    await mounting[kind](file);
    // The first pay for compiling.
    if (turn >= 15) mounts[kind].push(performance.now() - start);
  }
}
hold(
  "specimen mounted and audited against a bare window and mount",
  median(mounts.audited.map((time, turn) => time / mounts.bare[turn])),
  1.5,
);
const demoFile = path.resolve("demo/dialog-mended/booking-dialog.specimen.tsx");
const demo = new Mounting(await bundleOf(path.resolve("."), [demoFile]), path.resolve("."));
const keys = ["Tab", "Enter", "Tab", "Enter", "Tab", "a", "Escape", "Tab", "Shift+Tab", "Space"];
for (let turn = 0; turn < 3; turn++) await demo.presses(demoFile, keys);
hold(
  "key press on the demo with all checks made anew, median",
  median(await demo.presses(demoFile, keys)),
  20,
  " ms",
);
const some = specimens.files.slice(0, 120);
const oneWorker = await mountAll(specimens.folder, some, 1);
hold(
  "120 specimens by two workers against one",
  (await mountAll(specimens.folder, some, 2)) / oneWorker,
  1 / 1.7,
);

const startup = (args) => () => execFileSync(process.execPath, args, { stdio: "ignore" });
const small = path.join(project, "small.html");
writeFileSync(
  small,
  "<!doctype html><html lang=en><title>Slips</title><main><h1>Slips</h1><p>Free</p></main>",
);
const [, bare, one] = byTurns(
  [
    startup(["-e", "0"]),
    startup(["dist/cli.js", "--version"]),
    startup(["dist/cli.js", "audit", small, "--no-config"]),
  ],
  15,
);
hold("keel --version against Node alone", bare.ratio, 1.3);
hold("keel audit of a small page against Node alone", one.ratio, 5);

await measureBrowser(hold);
tellAll();
