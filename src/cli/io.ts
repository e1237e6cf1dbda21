import type { Readable } from "node:stream";
import type { Workers } from "../host/apart.ts";

/** Where text goes: a stream of the process, or what stands in for one. */
export interface Sink {
  /** False where it is full: the next piece waits for `drain`. */
  write(piece: string | Uint8Array): boolean;
  once(event: "drain", run: () => void): unknown;
  readonly isTTY?: boolean | undefined;
  readonly columns?: number | undefined;
}

/** What the command line is run with, so that it can be run in any process. */
export interface Io {
  readonly out: Sink;
  readonly err: Sink;
  readonly input: Readable & { readonly isTTY?: boolean | undefined };
  readonly env: Readonly<Record<string, string | undefined>>;
  /** Absolute. */
  readonly workingDirectory: string;
  /**
   * Sets what is asked, once, when the user breaks the work off (Ctrl+C). Where it answers no, and the second time, the
   * process ends as it would.
   */
  readonly onInterrupt?: ((takesIt: () => boolean) => void) | undefined;
  /** What runs apart; its own where nothing is given. */
  readonly workers?: Workers | undefined;
}

/** How a command ended; other programs rely on it. */
export const DONE = 0;
export const FOUND = 1;
export const COULD_NOT = 2;
/** The user broke it off: 128 and the number of SIGINT, as a shell has it. */
export const BROKEN_OFF = 130;
export type Status = typeof DONE | typeof FOUND | typeof COULD_NOT | typeof BROKEN_OFF;

/** The real streams of this process. */
export const processIo = (): Io => ({
  out: process.stdout,
  err: process.stderr,
  input: process.stdin,
  env: process.env,
  workingDirectory: process.cwd(),
  onInterrupt: (takesIt) =>
    void process.once("SIGINT", () => {
      if (!takesIt()) process.kill(process.pid, "SIGINT");
    }),
});
