/**
 * Has the program write where no room is left, and looks that it says so in a line and that nothing is lost. Needs to be
 * allowed to mount a small disk in memory.
 *
 *   node fuzz/full-disk.mjs
 */
import { execFileSync } from "node:child_process";
import { mkdtempSync, readdirSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import path from "node:path";
import { keel, pagesIn, textIn } from "./folder.mjs";

const disk = mkdtempSync(path.join(tmpdir(), "keel-disk-"));
try {
  execFileSync("mount", ["-t", "tmpfs", "-o", "size=512k", "tmpfs", disk], { stdio: "ignore" });
} catch {
  rmSync(disk, { recursive: true });
  console.log("not tried: no disk may be mounted here");
  process.exit(0);
}
const faults = [];
try {
  const folder = path.join(disk, "yard");
  const pages = pagesIn(folder, 20);
  writeFileSync(path.join(folder, "report.json"), "an earlier report");
  // One byte after the other, up to the last.
  for (let size = 65_536; size >= 1; size = Math.floor(size / 2))
    for (let number = 0; ; number++)
      try {
        writeFileSync(path.join(disk, `fill-${size}-${number}`), Buffer.alloc(size, 1), { flag: "wx" });
      } catch {
        break;
      }
  for (const words of [
    ["mend", ".", "--write", "--also", "likely"],
    ["audit", ".", "--format", "json", "-o", "report.json"],
    ["audit", ".", "--format", "json", "-o", "new.json"],
    ["init"],
    ["audit", ".", "--cache-dir", "kept", "--quiet"],
  ]) {
    const { status, err } = await keel(folder, [...words]);
    const said = err.trimEnd().split("\n");
    const mayGoOn = words.includes("--cache-dir");
    if (!mayGoOn && (status !== 2 || said.length !== 1 || !/no space|is full|ENOSPC/i.test(err)))
      faults.push(`keel ${words.join(" ")}: ended with ${status} and said ${JSON.stringify(err)}`);
    if (/fault of Even Keel|\n\s+at /.test(err)) faults.push(`keel ${words.join(" ")}: ${err}`);
    for (const [name, text] of pages)
      if (textIn(folder, name) !== text) faults.push(`keel ${words.join(" ")}: ${name} was changed`);
    if (textIn(folder, "report.json") !== "an earlier report")
      faults.push(`keel ${words.join(" ")}: report.json was lost`);
  }
  const stray = readdirSync(folder).filter(
    (name) => !pages.has(name) && name !== "report.json" && name !== "kept",
  );
  if (stray.length > 0) faults.push(`left behind: ${stray.join(", ")}`);
} finally {
  execFileSync("umount", [disk]);
  rmSync(disk, { recursive: true });
}
for (const fault of faults) console.log(fault);
console.log(`5 commands on a full disk, ${faults.length} faults`);
process.exitCode = faults.length === 0 ? 0 : 1;
