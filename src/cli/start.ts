#!/usr/bin/env node
import { hideBin } from "yargs/helpers";
import { COULD_NOT, type Io, processIo } from "./io.ts";
import { lastingOutput } from "./lasting-output.ts";
import { main } from "./main.ts";

/** The streams and folder of this process; null where it was started in a folder that was deleted since. */
function startIo(): Io | null {
  try {
    return processIo();
  } catch {
    process.stderr.write("keel: the folder that this was started in is gone. Change to one that is there.\n");
    return null;
  }
}

const refusedFor = lastingOutput(process.stdout);
process.stderr.on("error", () => {});
const io = startIo();
const status = io === null ? COULD_NOT : await main(hideBin(process.argv), io);
const refused = await refusedFor();
if (refused !== null) process.stderr.write(`keel: the answer could not be written (${refused}).\n`);
process.exitCode = refused === null ? status : COULD_NOT;
