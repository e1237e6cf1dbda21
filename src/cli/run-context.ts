import path from "node:path";
import type { Problem } from "../core/findings/problems.ts";
import type { Host } from "../host/host.ts";
import { type Paint, paintFor } from "../report/terminal/paint.ts";
import { printable } from "../report/terminal/printable.ts";
import type { PrintArguments } from "./command.ts";

/** Exit statuses that other programs rely on. */
export const DONE = 0;
export const FOUND = 1;
export const COULD_NOT = 2;

/** Width of lines that go to a file or another program. */
const PIPED_WIDTH = 100;

/** Whether colour is wanted: the option first, then the environment, then whether there is a terminal to see it. */
export function wantsColour(args: PrintArguments): boolean {
  if (args.colour !== undefined) return args.colour;
  const { NO_COLOR, FORCE_COLOR } = process.env;
  if (NO_COLOR !== undefined && NO_COLOR !== "") return false;
  if (FORCE_COLOR !== undefined) return FORCE_COLOR !== "0" && FORCE_COLOR !== "false";
  return args.output === undefined && process.stdout.isTTY === true;
}

export const paintOf = (args: PrintArguments): Paint =>
  paintFor(
    args.output === undefined && process.stdout.isTTY ? process.stdout.columns : PIPED_WIDTH,
    wantsColour(args),
  );

/** Says on standard error what went wrong, one line each. */
export function reportProblems(problems: readonly Problem[]): void {
  for (const { target, message } of problems)
    process.stderr.write(`keel: ${printable(target)}: ${printable(message)}\n`);
}

/** Says one thing on standard error and sets the status for "could not do its work". */
export function complain(message: string): void {
  process.stderr.write(`keel: ${printable(message)}\n`);
  process.exitCode = COULD_NOT;
}

/** Writes the answer where it was asked for, whole; pieces go to standard output as they come. False when it could not. */
export async function deliver(
  pieces: Iterable<string | Uint8Array>,
  args: PrintArguments,
  host: Host,
): Promise<boolean> {
  if (args.output !== undefined) {
    const reason = await host.files.writeWhole(
      path.resolve(host.workingDirectory, args.output),
      Buffer.concat([...pieces].map((piece) => Buffer.from(piece))),
    );
    if (reason === null) return true;
    complain(`${args.output}: could not be written (${reason}). Nothing was changed.`);
    return false;
  }
  for (const piece of pieces) {
    if (!process.stdout.write(piece))
      await new Promise<void>((resolve) => process.stdout.once("drain", resolve));
  }
  return true;
}
