import yargs, { type Argv } from "yargs";
import { auditCommand } from "./audit.ts";
import { contrastCommand } from "./contrast.ts";
import type { Command } from "./define-command.ts";
import { demoCommand } from "./demo.ts";
import { explainCommand } from "./explain.ts";
import { hearCommand } from "./hear.ts";
import { initCommand } from "./init.ts";
import { COULD_NOT, DONE, type Io, type Status } from "./io.ts";
import { mendCommand } from "./mend.ts";
import { STANDARD_INPUT } from "./options.ts";
import { treeCommand } from "./tree.ts";
import { packageVersion } from "./version.ts";
import { visionCommand } from "./vision.ts";
import { walkCommand } from "./walk.ts";

/** Every command, in the order in which they are told. */
export const commands: readonly Command[] = [
  auditCommand,
  treeCommand,
  hearCommand,
  walkCommand,
  contrastCommand,
  visionCommand,
  mendCommand,
  explainCommand,
  initCommand,
  demoCommand,
];

/** Lines are no wider than this, however wide the terminal is. */
const WIDEST = 100;

/**
 * The whole command line, without the process around it.
 * @param words what stands after the name of the program
 */
export async function main(words: readonly string[], io: Io): Promise<Status> {
  const argv = words.map((word) => (word === "-" ? STANDARD_INPUT : word));
  let status: Status = DONE;
  const parser = parserFor(argv, io, (ended) => {
    status = ended;
  });
  parser.fail((message, error) => {
    throw error ?? new Misspelt(message);
  });
  try {
    // Help and version are told to the callback where there is one, and nothing ends the process.
    let help = "";
    await parser.parseAsync([...argv], {}, (_error, _args, output) => {
      help = output;
    });
    if (help !== "") io.out.write(`${help}\n`);
    return status;
  } catch (error) {
    if (error instanceof Misspelt) return refuse(await whatToSay(error.message, argv), io);
    // Whatever the outside world does wrong is told where it is met: what arrives here is a fault of our own.
    const trace = error instanceof Error ? (error.stack ?? error.message) : String(error);
    io.err.write(
      `keel: this is a fault of Even Keel, not of your pages. Please report it with the lines below.\n${trace}\n`,
    );
    return COULD_NOT;
  }
}

/** Words that the parser cannot take: what is wrong with them in its own words. */
class Misspelt extends Error {}

function parserFor(argv: readonly string[], io: Io, onStatus: (status: Status) => void): Argv {
  const parser: Argv = yargs([...argv], io.workingDirectory)
    .scriptName("keel")
    .locale("en")
    .exitProcess(false)
    .version(packageVersion())
    .alias("help", "h")
    .strict()
    .strictCommands()
    .demandCommand(1, "say what to do: keel audit PAGE, or keel --help.");
  // With any command the parser lays out its help too, which takes longer than many an audit.
  const helps = argv.some((word) => /^(?:-[a-z]*h|--h|help$)/.test(word));
  if (helps) addHelp(parser, io);
  for (const command of commands) command.addTo(parser, io, helps, onStatus);
  return parser;
}

function addHelp(parser: Argv, io: Io): void {
  parser
    .usage("keel <command> [targets…]\n\nTells who an interface would shut out, and what to change.")
    .wrap(Math.min(WIDEST, io.out.columns ?? WIDEST))
    .example("keel demo", "the whole example, on the packaged demo pages")
    .example("keel audit pages/", "what is wrong in every page of a folder, and how to mend it")
    .example("keel tree page.html --at '#book'", "what assistive technology is told of one element, and why")
    .epilogue(
      "Exit status: 0 nothing at or above the failing severity, 1 findings, 2 the work could not be done, 130 broken off.",
    );
}

/** Says in one line why the work cannot be done. */
async function refuse(message: string, io: Io): Promise<Status> {
  const { printable } = await import("../report/terminal/printable.ts");
  io.err.write(`keel: ${printable(message)}\n`);
  return COULD_NOT;
}

/** What the parser complains of, in words that say what to do next. */
async function whatToSay(message: string, argv: readonly string[]): Promise<string> {
  const { nearestWord } = await import("../core/document/nearest-word.ts");
  const [, kind, list = ""] = /^Unknown (argument|command)s?: (.+)$/.exec(message) ?? [];
  const [word = ""] = list.split(", ");
  // The first word that names a command is the command.
  const command = commands.find(
    ({ name }) => name === argv.find((one) => commands.some((c) => c.name === one)),
  );
  if (kind === undefined) return message.replace(/\s*\n\s*/g, " ");
  if (kind === "command" || (command === undefined && argv.includes(word))) {
    const near = nearestWord(
      word,
      commands.map(({ name }) => name),
    );
    return near === null
      ? `unknown command "${word}"; see keel --help. To audit a page: keel audit ${word}`
      : `unknown command "${word}"; did you mean keel ${near}?`;
  }
  if (argv.includes(word))
    return `keel ${command?.name} takes no "${word}"; see keel ${command?.name} --help.`;
  const near = nearestWord(word, [...(command?.optionNames ?? []), "help", "version"]);
  const shown = word.length === 1 ? `-${word}` : `--${word}`;
  return near === null
    ? `unknown option ${shown}; see keel ${command === undefined ? "" : `${command.name} `}--help.`
    : `unknown option ${shown}; did you mean --${near}?`;
}
