import path from "node:path";
import { countOf } from "../core/document/count-of.ts";
import { undoings } from "../report/patch/undo.ts";
import { printable } from "../report/terminal/printable.ts";
import { COULD_NOT, DONE, type Status } from "./io.ts";
import type { RunContext } from "./run-context.ts";

/** The name of the nth patch for undoing in a folder. */
export const undoName = (n: number): string => (n === 1 ? "keel-undo.patch" : `keel-undo-${n}.patch`);

/** Says which drafts of files a run that was killed has left: they are in nobody's way, and nobody's. */
export async function tellDrafts({ host, remark }: RunContext): Promise<void> {
  for (const file of await host.files.drafts(host.workingDirectory))
    remark(
      `${path.relative(host.workingDirectory, file)}: was left by a run that was killed, and may be deleted.`,
    );
}

/** Takes back what `mend --write` did, each file by itself: one that was changed since does not keep the others. */
export async function undo(named: readonly string[], run: RunContext): Promise<Status> {
  const { host, io } = run;
  if (named.length > 1) return run.refuse("--undo takes one patch; name it alone");
  const name = named[0] ?? (await newest(run));
  if (name === null)
    return run.refuse("there is no keel-undo.patch here; what was committed before, git restore brings back");
  const read = await host.files.read(path.resolve(host.workingDirectory, name));
  if (!read.ok) return run.refuse(`${name}: could not be read (${read.reason})`);
  const files = undoings(read.bytes);
  if (files === null) return run.refuse(`${name}: is no patch for undoing; nothing was changed`);
  await tellDrafts(run);
  let [back, left] = [0, 0];
  const leave = (file: string, reason: string) => {
    left++;
    run.remark(`${file}: ${reason}; it was left as it is.`);
  };
  for (const file of files) {
    const full = path.resolve(host.workingDirectory, file.name);
    if (path.relative(host.workingDirectory, full).startsWith("..")) {
      leave(file.name, `lies outside this folder (git apply ${name} reaches it)`);
      continue;
    }
    const now = await host.files.read(full);
    const before = now.ok ? file.before(now.bytes) : null;
    if (!now.ok) leave(file.name, `could not be read (${now.reason})`);
    else if (before === null) leave(file.name, "was changed after it was mended");
    else if (before === now.bytes) io.out.write(`${printable(file.name)}  as it was already\n`);
    else {
      const { failed } = await host.files.replaceWhole([{ path: full, expected: now.bytes, bytes: before }]);
      if (failed !== null) {
        leave(file.name, `could not be written (${failed.reason})`);
        continue;
      }
      back++;
      io.out.write(`${printable(file.name)}  taken back\n`);
    }
  }
  const rest = left === 0 ? "" : `, ${left} left`;
  io.out.write(
    `${countOf(back, "file was", "files were")} taken back${rest}. ${printable(name)} was kept.\n`,
  );
  return left === 0 ? DONE : COULD_NOT;
}

/** The newest patch for undoing in the working directory; null where there is none. */
async function newest({ host }: RunContext): Promise<string | null> {
  let name: string | null = null;
  for (let n = 1; ; n++) {
    const next = undoName(n);
    if ((await host.files.info(path.resolve(host.workingDirectory, next))) === null) return name;
    name = next;
  }
}
