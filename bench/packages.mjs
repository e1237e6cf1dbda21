// Audits packages that ship their source, and compares with reading and parsing the same files in the same process.
//   node bench/packages.mjs [name …]
import { mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import path from "node:path";
import { bundled } from "./bundled.mjs";
import { unpacked } from "./unpacked.mjs";

/** By framework, with the folder that holds the source. */
const packages = [
  ["@docusaurus/theme-classic@3.9.2", "src"],
  ["@coreui/react@5.9.1", "src"],
  ["@wordpress/components@30.8.0", "src"],
  ["buefy@3.0.3", "src"],
  ["primevue@4.4.1", "."],
  ["bits-ui@2.14.2", "."],
  ["@sveltestrap/sveltestrap@7.1.0", "src"],
  ["carbon-components-svelte@0.91.0", "src"],
  ["flowbite-svelte@1.18.0", "."],
  ["ngx-admin-lte@0.2.11", "src"],
];
/** An audit with its trials takes at most so many times as long as reading and parsing. */
const BOUND = 4;

const folder = mkdtempSync(path.join(tmpdir(), "keel-packages-"));
process.on("exit", () => rmSync(folder, { recursive: true, force: true }));
const { audit, nodeHost, readAndParse } = await bundled("packages");

/** Milliseconds, with what came of it. */
async function timed(work) {
  globalThis.gc?.();
  const start = performance.now();
  const value = await work();
  return [performance.now() - start, value];
}

const wanted = process.argv.slice(2);
let over = 0;
for (const [named, source] of packages) {
  if (wanted.length > 0 && !wanted.some((one) => named.startsWith(one))) continue;
  const workingDirectory = path.join(unpacked(named, folder), source);
  // Once before measuring: the first run pays for loading the compilers.
  await readAndParse(workingDirectory);
  const [parse, modules] = await timed(() => readAndParse(workingDirectory));
  const host = nodeHost({ workingDirectory });
  const [whole, { findings, subjects, incomplete }] = await timed(() =>
    audit(["."], { engine: "read", cache: false }, { host }),
  );
  const ratio = whole / parse;
  if (ratio > BOUND) over++;
  const megabytes = process.memoryUsage().rss / 1024 / 1024;
  console.log(
    `${ratio <= BOUND ? "  ok  " : " OVER "} ${named.padEnd(42)} ${ratio.toFixed(1)}× of ${(parse / 1000).toFixed(1)} s  (at most ${BOUND}×)  ${modules} files, ${subjects.length} roots, ${findings.filter(({ outcome }) => outcome === "failed").length} failed${incomplete ? ", not whole" : ""}, ${megabytes.toFixed(0)} MB`,
  );
}
process.exitCode = over > 0 ? 1 : 0;
