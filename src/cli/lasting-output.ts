import type { WriteStream } from "node:tty";
import { reasonOf } from "../host/reason-of.ts";
import type { Sink } from "./io.ts";

/**
 * Standard output as long as anybody takes it. Where the reader went away (`keel audit … | head`) nothing is left to say, and
 * the work goes on for its status; where it cannot be written, that is told at the end.
 */
export class LastingOutput implements Sink {
  readonly #stream: WriteStream;
  #broken: NodeJS.ErrnoException | null = null;
  #waiting: (() => void)[] = [];

  constructor(stream: WriteStream) {
    this.#stream = stream;
    stream.on("error", (error: NodeJS.ErrnoException) => {
      this.#broken ??= error;
      for (const run of this.#waiting.splice(0)) run();
    });
    stream.on("drain", () => {
      for (const run of this.#waiting.splice(0)) run();
    });
  }

  get isTTY(): boolean {
    return this.#stream.isTTY;
  }

  get columns(): number {
    return this.#stream.columns;
  }

  write(piece: string | Uint8Array): boolean {
    return this.#broken !== null || this.#stream.write(piece);
  }

  once(_: "drain", run: () => void): void {
    if (this.#broken === null) this.#waiting.push(run);
    else run();
  }

  /** Why the last of it could not be written; null where it was, or where nobody wanted it. */
  async refusedFor(): Promise<string | null> {
    if (this.#broken === null) await new Promise<void>((resolve) => this.#stream.write("", () => resolve()));
    return this.#broken === null || this.#broken.code === "EPIPE" ? null : reasonOf(this.#broken);
  }
}
