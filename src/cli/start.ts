#!/usr/bin/env node
import { COULD_NOT, DONE, type Io, processIo, type Status } from "./io.ts";
import { lastingOutput } from "./lasting-output.ts";
import { packageVersion } from "./version.ts";

/** The streams and folder of this process; null where it was started in a folder that was deleted since. */
function startIo(): Io | null {
  try {
    return processIo();
  } catch {
    process.stderr.write("keel: the working directory is gone. Change to a folder that exists.\n");
    return null;
  }
}

/** Runs the command line; what it takes is loaded only where there is more to say than which version this is. */
async function statusOf(words: readonly string[]): Promise<Status> {
  const io = startIo();
  if (io === null) return COULD_NOT;
  if (words.length === 1 && words[0] === "--version") {
    io.out.write(`${packageVersion()}\n`);
    return DONE;
  }
  return (await import("./main.ts")).main(words, io);
}

const refusedFor = lastingOutput(process.stdout);
process.stderr.on("error", () => {});
const status = await statusOf(process.argv.slice(2));
const refused = await refusedFor();
if (refused !== null) process.stderr.write(`keel: the answer could not be written (${refused}).\n`);
process.exitCode = refused === null ? status : COULD_NOT;
