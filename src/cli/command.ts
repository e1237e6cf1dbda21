import type { Argv, CommandModule, Options } from "yargs";
import type { Engine } from "../answers/targets.ts";

/** A command as `main.ts` lists it: light to load; its work is imported when it runs. */
export interface Command {
  readonly name: string;
  readonly optionNames: readonly string[];
  addTo(parser: Argv): void;
}

/** Describes a command to the parser. */
export const command = <Arguments>(
  name: string,
  options: Readonly<Record<string, Options>>,
  module: CommandModule<object, Arguments>,
): Command => ({
  name,
  optionNames: Object.keys(options),
  addTo: (parser) => void parser.command(module),
});

/** Stands for `-` among the targets while the parser is at work, which would drop it. */
export const STANDARD_INPUT = ":standard-input:";

/** What every command which reads pages is pointed at. */
export const targetsPositional = {
  type: "string",
  array: true,
  default: [] as string[],
  describe:
    "Files, folders or quoted globs; - is standard input; none: what the configuration lists, else this folder",
} as const;

/** Options that every command which reads pages takes. What is not given, the configuration says. */
export const pageOptions = {
  config: {
    type: "string",
    requiresArg: true,
    describe: "The configuration file; the nearest keel.config.* upward when not given; --no-config for none",
  },
  root: {
    type: "string",
    array: true,
    nargs: 1,
    requiresArg: true,
    describe:
      "A folder whose stylesheets may be read too, and where addresses like /style.css are looked for",
  },
  "max-size": {
    type: "number",
    requiresArg: true,
    describe: "Largest page or stylesheet, in megabytes (20)",
  },
  window: {
    type: "string",
    requiresArg: true,
    describe: "Width and height of the window in CSS pixels, for media queries (1280x800)",
  },
  pointer: {
    choices: ["fine", "coarse"],
    describe: "The pointer, for media queries: a mouse or a finger (fine)",
  },
  "reduced-motion": {
    type: "boolean",
    describe: "As for someone who asks for less motion, for media queries",
  },
  "stdin-name": {
    type: "string",
    default: "standard-input.html",
    requiresArg: true,
    describe: "What the page on standard input (-) is called",
  },
} as const satisfies Record<string, Options>;

/** Options of commands that may run the scripts of pages. */
export const engineOptions = {
  engine: {
    choices: ["read", "render"],
    describe:
      "read: from source, executing nothing; render: pages also with their scripts run in a simulated window and their keys pressed; not given: pages and components are read, and specimens mounted",
  },
  "time-limit": {
    type: "number",
    default: 30,
    requiresArg: true,
    describe: "How long the scripts and keys of one page or specimen may take, in seconds",
  },
} as const satisfies Record<string, Options>;

export interface EngineArguments {
  readonly engine?: string | undefined;
  readonly "time-limit": number;
}

/** The engine that is asked for; a message where its limit is none. */
export function engineOf(
  args: Partial<EngineArguments>,
): { readonly engine: Engine; readonly timeLimit: number } | string {
  const timeLimit = args["time-limit"] ?? 30;
  if (!(timeLimit > 0)) return "--time-limit must be a number of seconds above 0";
  const { engine } = args;
  return { engine: engine === "render" || engine === "read" ? engine : "mixed", timeLimit };
}

/** How a command may write its answer, the first of the formats when nothing is said. */
export const formatOption = (formats: readonly string[], more = ""): Options => ({
  choices: formats,
  default: formats[0],
  describe: `How the answer is written${more}`,
});

/** Options of every command that prints. */
export const printOptions = {
  output: {
    type: "string",
    alias: "o",
    requiresArg: true,
    describe: "Write the answer to a file instead of standard output",
  },
  colour: {
    type: "boolean",
    describe: "Colour (off with --no-colour, NO_COLOR, or when not on a terminal; on with FORCE_COLOR)",
  },
} as const satisfies Record<string, Options>;

export interface PageArguments {
  readonly targets: string[];
  /** False for `--no-config`. */
  readonly config?: string | false | undefined;
  readonly root?: string[] | undefined;
  readonly "max-size"?: number | undefined;
  readonly window?: string | undefined;
  readonly pointer?: string | undefined;
  readonly "reduced-motion"?: boolean | undefined;
  readonly "stdin-name": string;
}

export interface PrintArguments {
  readonly output?: string | undefined;
  readonly colour?: boolean | undefined;
}
