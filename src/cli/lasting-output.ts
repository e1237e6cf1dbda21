import type { WriteStream } from "node:tty";
import { reasonOf } from "../host/reason-of.ts";

/**
 * Keeps standard output going as long as the work does. Where the reader went away (`keel audit … | head`) nothing is left to
 * say, and the work goes on for its status; where it cannot be written, that is told at the end.
 * @returns why the last of it could not be written; null where it was, or where nobody wanted it
 */
export function lastingOutput(stream: WriteStream): () => Promise<string | null> {
  let broken: NodeJS.ErrnoException | null = null;
  stream.on("error", (error: NodeJS.ErrnoException) => {
    if (broken !== null) return;
    broken = error;
    stream.write = () => true;
    // Whoever waits until more can be written waits no longer.
    stream.emit("drain");
  });
  return async () => {
    if (broken === null) await new Promise<void>((resolve) => stream.write("", () => resolve()));
    return broken === null || broken.code === "EPIPE" ? null : reasonOf(broken);
  };
}
