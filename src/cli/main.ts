#!/usr/bin/env node
import yargs, { type Argv } from "yargs";
import { hideBin } from "yargs/helpers";
import { auditCommand } from "./audit.ts";
import { STANDARD_INPUT } from "./command.ts";
import { contrastCommand } from "./contrast.ts";
import { demoCommand } from "./demo.ts";
import { explainCommand } from "./explain.ts";
import { hearCommand } from "./hear.ts";
import { initCommand } from "./init.ts";
import { mendCommand } from "./mend.ts";
import { treeCommand } from "./tree.ts";
import { packageVersion } from "./version.ts";
import { walkCommand } from "./walk.ts";

const commands = [
  auditCommand,
  treeCommand,
  hearCommand,
  walkCommand,
  contrastCommand,
  mendCommand,
  explainCommand,
  initCommand,
  demoCommand,
];

/** Prints one line on standard error and ends with status 2: the command could not do its work. */
async function refuse(message: string): Promise<never> {
  const { printable } = await import("../report/terminal/printable.ts");
  process.stderr.write(`keel: ${printable(message)}\n`);
  process.exit(2);
}

/** An unknown option or command, with the nearest one that exists. */
async function unknownWord(words: readonly string[], known: readonly string[]): Promise<string> {
  const { nearestWord } = await import("../core/document/nearest-word.ts");
  const [first = ""] = words;
  const near = nearestWord(first, known);
  const shown = first.length === 1 ? `-${first}` : `--${first}`;
  return near === null
    ? `unknown option ${shown}; see keel --help.`
    : `unknown option ${shown}; did you mean --${near}?`;
}

const argv = hideBin(process.argv).map((word) => (word === "-" ? STANDARD_INPUT : word));
const parser: Argv = yargs(argv)
  .scriptName("keel")
  .locale("en")
  .usage("keel <command> [targets…]\n\nTells who an interface would shut out, and what to change.")
  .version(packageVersion())
  .alias("help", "h")
  .strict()
  .strictCommands()
  .demandCommand(1, "say what to do: keel audit PAGE, or keel --help.")
  .wrap(Math.min(100, process.stdout.columns ?? 100))
  .example("keel demo", "the whole example, on the packaged demo pages")
  .example("keel audit pages/", "what is wrong in every page of a folder, and how to mend it")
  .example("keel tree page.html --at '#book'", "what assistive technology is told of one element, and why")
  .epilogue(
    "Exit status: 0 nothing at or above the failing severity, 1 findings, 2 the work could not be done.",
  );

for (const command of commands) command.addTo(parser);

parser.fail((message, error) => {
  if (error) throw error;
  const unknown = /^Unknown arguments?: (.+)$/.exec(message);
  if (unknown !== null) {
    const words = (unknown[1] ?? "").split(", ");
    const [first = ""] = words;
    const isCommand = argv.includes(first);
    void (isCommand ? unknownCommand(first) : unknownWord(words, knownOptions()).then(refuse));
    return;
  }
  const command = /^Unknown commands?: (.+)$/.exec(message);
  void (command === null ? refuse(message.replace(/\s*\n\s*/g, " ")) : unknownCommand(command[1] ?? ""));
});

async function unknownCommand(word: string): Promise<never> {
  const { nearestWord } = await import("../core/document/nearest-word.ts");
  const near = nearestWord(
    word,
    commands.map((command) => command.name),
  );
  return refuse(
    near === null
      ? `unknown command "${word}"; see keel --help. To audit a page: keel audit ${word}`
      : `unknown command "${word}"; did you mean keel ${near}?`,
  );
}

/** The options of the command that was called. */
function knownOptions(): readonly string[] {
  const command = commands.find((c) => argv.includes(c.name));
  return [...(command?.optionNames ?? []), "help", "version"];
}

process.stdout.on("error", (error: NodeJS.ErrnoException) => {
  // The reader went away (`keel audit … | head`): nothing is left to say.
  if (error.code === "EPIPE") process.exit(0);
  throw error;
});

try {
  await parser.parseAsync();
} catch (error) {
  // Whatever the outside world does wrong is told where it is met: what arrives here is a fault of our own.
  const told = error instanceof Error ? (error.stack ?? error.message) : String(error);
  process.stderr.write(
    `keel: this is a fault of Even Keel, not of your pages. Please report it with the lines below.\n${told}\n`,
  );
  process.exitCode = 2;
}
