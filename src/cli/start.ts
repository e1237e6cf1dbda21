#!/usr/bin/env node
import { hideBin } from "yargs/helpers";
import { processIo } from "./io.ts";
import { main } from "./main.ts";

process.stdout.on("error", (error: NodeJS.ErrnoException) => {
  // The reader went away (`keel audit … | head`): nothing is left to say.
  if (error.code === "EPIPE") process.exit(0);
  throw error;
});

process.exitCode = await main(hideBin(process.argv), processIo());
