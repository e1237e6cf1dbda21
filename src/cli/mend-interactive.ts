import { createInterface, type Interface } from "node:readline";
import type { AuditAnswer, FindingAnswer } from "../answers/audit.ts";
import type { Mender, Mending } from "../answers/mend.ts";
import { everyCheck } from "../core/checks/catalogue.ts";
import { countOf } from "../core/document/count-of.ts";
import { filledIn } from "../core/repair/spell.ts";
import { findingText } from "../report/terminal/finding.ts";
import { diffText } from "../report/terminal/mend.ts";
import type { Paint } from "../report/terminal/paint.ts";
import { printable } from "../report/terminal/printable.ts";
import type { Io } from "./io.ts";
import type { RunContext } from "./run-context.ts";

/** Lines that a person types, one for each question; null once there are no more. */
class Questions {
  readonly #io: Io;
  readonly #lines: string[] = [];
  readonly #reader: Interface;
  #waiting: ((line: string | null) => void) | null = null;
  #isOver = false;

  constructor(io: Io) {
    this.#io = io;
    this.#reader = createInterface({ input: io.input, output: io.out as NodeJS.WritableStream });
    this.#reader.on("line", (line) => {
      if (this.#waiting === null) this.#lines.push(line);
      else this.#answer(line);
    });
    this.#reader.on("close", () => {
      this.#isOver = true;
      this.#answer(null);
    });
  }

  #answer(line: string | null): void {
    const waiting = this.#waiting;
    this.#waiting = null;
    waiting?.(line);
  }

  /** @param start what stands on the line already, to be changed; on a terminal only */
  ask(question: string, start = ""): Promise<string | null> {
    const line = this.#lines.shift();
    if (line !== undefined || this.#isOver) {
      this.#io.out.write(`${question}\n`);
      return Promise.resolve(line ?? null);
    }
    return new Promise((resolve) => {
      this.#waiting = resolve;
      this.#reader.setPrompt(question);
      this.#reader.prompt();
      if (this.#io.input.isTTY === true && start !== "") this.#reader.write(start);
    });
  }

  close(): void {
    this.#reader.close();
  }
}

/** What a person said of a finding, kept for the others with the same cause. */
type Said =
  | { readonly kind: "take" }
  | { readonly kind: "skip" }
  | { readonly kind: "words"; readonly words: string };

/**
 * Goes from finding to finding: shows it with its edit, and takes what a person says. The chosen edits at the end; null
 * where nobody said that they are to be made.
 */
export async function chooseByHand(
  before: AuditAnswer,
  mender: Mender,
  checks: ReadonlySet<string>,
  run: RunContext,
): Promise<readonly Mending[] | null> {
  const questions = new Questions(run.io);
  try {
    return await new Round(before, mender, run, questions).run(
      before.findings.filter(
        ({ outcome, check, repair }) =>
          outcome === "failed" &&
          checks.has(check) &&
          repair !== null &&
          (repair.edits.length > 0 || repair.words !== null),
      ),
    );
  } finally {
    questions.close();
  }
}

class Round {
  readonly #io: Io;
  readonly #before: AuditAnswer;
  readonly #mender: Mender;
  readonly #paint: Paint;
  readonly #questions: Questions;
  readonly #made: Mending[] = [];
  readonly #said = new Map<string, Said>();
  #gone: ReadonlySet<FindingAnswer> = new Set();

  constructor(before: AuditAnswer, mender: Mender, { io, paint }: RunContext, questions: Questions) {
    this.#io = io;
    this.#before = before;
    this.#mender = mender;
    this.#paint = paint;
    this.#questions = questions;
  }

  async run(findings: readonly FindingAnswer[]): Promise<readonly Mending[] | null> {
    for (const [index, finding] of findings.entries()) {
      if (this.#gone.has(finding)) continue;
      const refused = await this.#mender.refusal(finding.repair?.edits ?? [], true);
      if (refused !== null) {
        this.#say(`${printable(refused)}\n`);
        continue;
      }
      const key = `${finding.check} ${finding.cause} ${finding.message}`;
      const known = this.#said.get(key);
      if (known === undefined) {
        this.#show(finding, index, findings.length);
        const said = await this.#ask(finding);
        if (said === null) return null;
        if (said === "stop") break;
        this.#said.set(key, said);
      } else await this.#take(finding, known);
    }
    return this.#confirmed();
  }

  #say(text: string): void {
    this.#io.out.write(text);
  }

  #show(finding: FindingAnswer, index: number, total: number): void {
    const { colours } = this.#paint;
    const bare = finding.repair === null ? finding : { ...finding, repair: { ...finding.repair, edits: [] } };
    this.#say(
      `\n${colours.dim(`${index + 1} of ${total} · ${countOf(this.#made.length, "edit", "edits")} taken`)}\n`,
    );
    this.#say(
      findingText(
        bare,
        [],
        [],
        this.#before,
        {
          paint: this.#paint,
          checks: everyCheck,
          all: true,
          coverage: "none",
        },
        true,
      ),
    );
    const edits = finding.repair?.edits ?? [];
    if (edits.length > 0) this.#say(diffText({ finding, edits }, this.#before, this.#paint));
  }

  async #ask(finding: FindingAnswer): Promise<Said | "stop" | null> {
    const { colours } = this.#paint;
    const words = finding.repair?.words ?? null;
    const hasEdits = (finding.repair?.edits.length ?? 0) > 0;
    const keys = [
      ...(hasEdits ? [["t", "take"]] : []),
      ...(words === null ? [] : [["w", hasEdits ? "write other words" : "write the words"]]),
      ["s", "skip"],
      ["q", "stop here"],
    ];
    const prompt = `    ${keys.map(([key = "", what]) => `${colours.bold(key)} ${what}`).join("  ")}  ${colours.dim("›")} `;
    for (;;) {
      const line = await this.#questions.ask(prompt);
      if (line === null) return null;
      const key = line.trim().toLowerCase().slice(0, 1);
      if (key === "q") return "stop";
      if (key === "s") return { kind: "skip" };
      if (key === "t" && hasEdits) {
        if (await this.#take(finding, { kind: "take" })) return { kind: "take" };
        return { kind: "skip" };
      }
      if (key === "w" && words !== null) {
        const said = await this.#askWords(finding, words.what, words.start);
        if (said !== "again") return said;
      }
    }
  }

  async #askWords(finding: FindingAnswer, what: string, start: string): Promise<Said | null | "again"> {
    // On a terminal it stands on the line already.
    const known =
      start === "" || this.#io.input.isTTY === true
        ? ""
        : this.#paint.colours.dim(` (Enter for "${printable(start)}")`);
    const line = await this.#questions.ask(`    ${what}${known}: `, start);
    if (line === null) return null;
    const words = line.trim() === '""' ? "" : line.trim() || start;
    if (words === "" && line.trim() === "") return "again";
    return (await this.#take(finding, { kind: "words", words })) ? { kind: "words", words } : "again";
  }

  /** Makes an edit with those taken so far; false, with a word why, where it does not hold. */
  async #take(finding: FindingAnswer, said: Said): Promise<boolean> {
    const { repair } = finding;
    if (said.kind === "skip" || repair === null) return false;
    const edits =
      said.kind === "take"
        ? repair.edits
        : repair.words === null
          ? []
          : filledIn(repair.words.edits, said.words);
    if (edits.length === 0) return false;
    const outcome = await this.#mender.outcome([{ finding, edits }], this.#made);
    if (outcome !== "gone") {
      this.#say(
        outcome === "stays"
          ? `    Tried: it is still found, "${printable(finding.message)}"\n`
          : "    Tried: something else would fail then, or the file no longer parse.\n",
      );
      return false;
    }
    this.#made.push({ finding, edits });
    this.#gone = await this.#mender.goneWith(this.#made);
    return true;
  }

  async #confirmed(): Promise<readonly Mending[] | null> {
    if (this.#made.length === 0) return [];
    const files = new Set(this.#made.flatMap(({ edits }) => edits.map(({ file }) => file)));
    if (await this.#isConfirmed(files)) return this.#made;
    this.#say("Nothing was changed.\n");
    return [];
  }

  async #isConfirmed(files: ReadonlySet<string>): Promise<boolean> {
    const line = await this.#questions.ask(
      `\nMake ${countOf(this.#made.length, "edit", "edits")} in ${[...files].map(printable).join(", ")}? ${this.#paint.colours.bold("y")} yes  ${this.#paint.colours.bold("n")} no  ${this.#paint.colours.dim("›")} `,
    );
    return line?.trim().toLowerCase().startsWith("y") === true;
  }
}
