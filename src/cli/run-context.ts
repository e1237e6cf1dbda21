import path from "node:path";
import { countOf } from "../core/document/count-of.ts";
import { type Problem, problemText } from "../core/findings/problems.ts";
import type { Drawing } from "../core/rendering/drawing.ts";
import type { PageFile } from "../engine/targets.ts";
import type { Host } from "../host/host.ts";
import { nodeHost } from "../host/node.ts";
import { type Paint, paintFor } from "../report/terminal/paint.ts";
import { printable } from "../report/terminal/printable.ts";
import { COULD_NOT, type Io, type Status } from "./io.ts";
import type { PrintArguments } from "./options.ts";

/** Width of lines that go to a file or another program. */
const PIPED_WIDTH = 100;

/** Work shorter than this is not announced. Milliseconds. */
const PATIENCE = 1000;

/** What the work of a command has at hand: the outside world, and ways to say something. */
export class RunContext {
  readonly io: Io;
  readonly host: Host;
  readonly #print: PrintArguments & { readonly targets?: readonly string[] };
  readonly #started = performance.now();
  /** The files that were read so far, absolute. */
  readonly #read = new Set<string>();
  #isProgressShown = false;

  /** @param print with the targets, none of which the answer may take the place of */
  constructor(io: Io, print: PrintArguments & { readonly targets?: readonly string[] }) {
    this.io = io;
    this.#print = print;
    const host = nodeHost(io, io.workers);
    const { files } = host;
    const read = (file: string) => {
      this.#read.add(file);
      return files.read(file);
    };
    this.host = { ...host, files: { ...files, read } };
  }

  /** Whether a person sees the answer as it comes. */
  get isOnTerminal(): boolean {
    return this.#print.output === undefined && this.io.out.isTTY === true;
  }

  get paint(): Paint {
    return paintFor(
      (this.isOnTerminal ? this.io.out.columns : undefined) ?? PIPED_WIDTH,
      this.#wantsColour(),
    );
  }

  /** Whether colour is wanted: the option first, then the environment, then whether there is a terminal to see it. */
  #wantsColour(): boolean {
    if (this.#print.colour !== undefined) return this.#print.colour;
    const { NO_COLOR, FORCE_COLOR } = this.io.env;
    if (NO_COLOR !== undefined && NO_COLOR !== "") return false;
    if (FORCE_COLOR !== undefined) return FORCE_COLOR !== "0" && FORCE_COLOR !== "false";
    return this.isOnTerminal;
  }

  /** Says something beside the answer. */
  readonly remark = (line: string): void => {
    this.io.err.write(`keel: ${printable(line)}\n`);
  };

  /** Says what went wrong, one line each. */
  reportProblems(problems: readonly Problem[]): void {
    for (const problem of problems) this.remark(problemText(problem));
  }

  /** Says why the work cannot be done. */
  refuse(reason: string | Problem): typeof COULD_NOT {
    this.remark(typeof reason === "string" ? reason : problemText(reason));
    return COULD_NOT;
  }

  /** Says how far the work is: one line, on a terminal only, and after a second only. */
  readonly onPage = ({ name }: { readonly name: string }, done: number, total: number): void => {
    const { err } = this.io;
    if (err.isTTY !== true || performance.now() - this.#started < PATIENCE) return;
    this.#isProgressShown = true;
    const text = printable(`${done + 1} of ${total}: ${name}`);
    err.write(`\r\u001b[K${text.slice(0, (err.columns ?? 80) - 1)}`);
  };

  /** Says what is run of those targets that do not name it. */
  readonly onRuns = (files: readonly PageFile[]): void => {
    const [first, ...others] = files.filter(({ isNamed }) => !isNamed);
    if (first === undefined) return;
    const more = others.length === 0 ? "" : ` and ${countOf(others.length, "more file", "more files")}`;
    this.clearProgress();
    this.remark(`runs the specimens in ${first.name}${more}, with the code that they import.`);
  };

  /** Says something of the run itself, on standard error. */
  readonly onNote = (text: string): void => {
    this.clearProgress();
    this.remark(text);
  };

  clearProgress(): void {
    if (this.#isProgressShown) this.io.err.write("\r\u001b[K");
    this.#isProgressShown = false;
  }

  /**
   * Writes the answer where it was asked for, whole; pieces go to standard output as they come.
   * @returns the status given, or that it could not be written
   */
  async deliver(pieces: Iterable<string | Uint8Array>, status: Status): Promise<Status> {
    const { output } = this.#print;
    if (output !== undefined) return this.deliverTo(output, pieces, status);
    for (const piece of pieces)
      if (!this.io.out.write(piece)) await new Promise<void>((resolve) => this.io.out.once("drain", resolve));
    return status;
  }

  /** Writes a file whole, unless it was read for what it answers. */
  async deliverTo(output: string, pieces: Iterable<string | Uint8Array>, status: Status): Promise<Status> {
    const file = path.resolve(this.host.workingDirectory, output);
    if (await this.#isAskedAbout(file))
      return this.refuse(`${output}: was read for this answer, and was left as it is; name another file`);
    const reason = await this.host.files.writeWhole(
      file,
      Buffer.concat([...pieces].map((piece) => Buffer.from(piece))),
    );
    return reason === null
      ? status
      : this.refuse(`${output}: could not be written (${reason}). Nothing was changed.`);
  }

  /**
   * Writes drawings as they are or painted; where there are several, each to a file of its own with its number in the name.
   * @param browser the one to paint them in; null for the first that is installed
   */
  async draw(
    drawings: readonly Drawing[],
    format: "svg" | "png",
    browser: string | null,
    status: Status,
  ): Promise<Status> {
    const { output } = this.#print;
    if (output === undefined && format === "png" && this.isOnTerminal)
      return this.refuse("a picture is nothing for a terminal: name a file for it, -o picture.png");
    if (output === undefined && drawings.length > 1)
      return this.refuse(
        `this is drawn in ${drawings.length} parts: name a file for them, and each gets a number: -o walk.${format}`,
      );
    const written =
      format === "svg"
        ? drawings.map(({ svg }) => svg)
        : await (await import("../answers/painted.ts")).painted(drawings, browser, this.host);
    if (typeof written === "string") return this.refuse(written);
    if (written.length === 1 || output === undefined) return this.deliver(written, status);
    const { dir, name, ext } = path.parse(output);
    const files = written.map((_, index) => path.join(dir, `${name}-${index + 1}${ext}`));
    for (const [index, file] of files.entries()) {
      const ended = await this.deliverTo(file, [written[index] ?? ""], status);
      if (ended !== status) return ended;
    }
    this.remark(`drawn in ${files.length} parts: ${files.join(", ")}`);
    return status;
  }

  /** Whether a file is a target, or was read for what is answered, whatever name leads there. */
  async #isAskedAbout(file: string): Promise<boolean> {
    const { workingDirectory, files } = this.host;
    const targets = (this.#print.targets ?? []).map((target) =>
      path.resolve(workingDirectory, target.replace(/#.*$/, "")),
    );
    const asked = new Set([...targets, ...this.#read]);
    if (asked.has(file)) return true;
    const real = await files.realPath(file);
    if (real === null) return false;
    for (const one of asked) if ((await files.realPath(one)) === real) return true;
    return false;
  }
}
