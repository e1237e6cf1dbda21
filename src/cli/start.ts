#!/usr/bin/env node
import { hideBin } from "yargs/helpers";
import { COULD_NOT, processIo } from "./io.ts";
import { lastingOutput } from "./lasting-output.ts";
import { main } from "./main.ts";

const refusedFor = lastingOutput(process.stdout);
process.stderr.on("error", () => {});
const status = await main(hideBin(process.argv), processIo());
const refused = await refusedFor();
if (refused !== null) process.stderr.write(`keel: the answer could not be written (${refused}).\n`);
process.exitCode = refused === null ? status : COULD_NOT;
