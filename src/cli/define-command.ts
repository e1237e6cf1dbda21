import type { Argv, InferredOptionTypes, Options } from "yargs";
import type { Io, Status } from "./io.ts";

/** An option says its type: without one, the parser makes of `2.0` the number 2. */
export type OptionTable = Readonly<
  Record<string, Options & { readonly type: "string" | "number" | "boolean" }>
>;

/** What a command is given: as the parser infers it from the options. */
export type ArgumentsOf<Table extends OptionTable> = InferredOptionTypes<Table>;

/** A command as `main.ts` lists it: light to load; its work is imported when it runs. */
export interface Command {
  readonly name: string;
  readonly optionNames: readonly string[];
  /** @param helps whether help is asked for: else the parser is given no texts */
  addTo(parser: Argv, io: Io, helps: boolean, onStatus: (status: Status) => void): void;
}

interface CommandText<Words extends OptionTable, Table extends OptionTable> {
  readonly name: string;
  readonly describe: string;
  /** What follows the name, as the parser takes it: `[targets..]`; each of `words` stands in it. */
  readonly usage: string;
  readonly words: Words;
  readonly options: Table;
  readonly examples: readonly (readonly [command: string, what: string])[];
  /** Options that cannot go together. */
  readonly conflicts?: readonly (readonly [string, string])[];
}

/** Describes a command to the parser; its arguments are those of its own words and options. */
export function defineCommand<const Words extends OptionTable, const Table extends OptionTable>(
  { name, usage, describe, words, options, examples, conflicts = [] }: CommandText<Words, Table>,
  run: (args: ArgumentsOf<Words & Table>, io: Io) => Promise<Status>,
): Command {
  const build = (parser: Argv, helps: boolean): Argv => {
    for (const [word, text] of Object.entries(words)) parser.positional(word, { ...text, hidden: !helps });
    for (const [option, text] of Object.entries(options)) parser.option(option, { ...text, hidden: !helps });
    for (const [command, what] of helps ? examples : []) parser.example(command, what);
    for (const [one, other] of conflicts) parser.conflicts(one, other);
    return parser;
  };
  return {
    name,
    optionNames: Object.keys(options),
    addTo: (parser, io, helps, onStatus) =>
      void parser.command({
        command: `${name} ${usage}`.trim(),
        describe: helps && describe,
        builder: (sub: Argv) => build(sub, helps),
        // The parser has made the arguments by these very tables, which its types do not follow through variables.
        handler: async (args) => onStatus(await run(args as unknown as ArgumentsOf<Words & Table>, io)),
      }),
  };
}
