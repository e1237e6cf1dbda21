import type { ArgumentsCamelCase, Options } from "yargs";
import {
  command,
  type EngineArguments,
  engineOptions,
  formatOption,
  type PageArguments,
  type PrintArguments,
  pageOptions,
  printOptions,
  targetsPositional,
} from "./command.ts";

const options = {
  ...pageOptions,
  format: formatOption(["terminal", "json", "svg"], "; svg draws the way over a schematic of the page"),
  ...printOptions,
  back: { type: "boolean", default: false, describe: "Walk with Shift+Tab, from the end" },
  from: {
    type: "string",
    requiresArg: true,
    describe: "Start after the first element that a CSS selector picks",
  },
  count: {
    type: "string",
    requiresArg: true,
    describe: "How many keys lead to the first stop in what a CSS selector picks, also by skip links",
  },
  script: {
    type: "string",
    requiresArg: true,
    describe:
      "A walk script (*.walk): keys to press, and what must be seen, heard and focused; runs the scripts of the page",
  },
  keys: { type: "boolean", default: false, describe: "Show what keys do at each stop, or owe" },
  events: {
    type: "boolean",
    default: false,
    describe: "Show the events of each key that is pressed",
  },
  all: { type: "boolean", default: false, describe: "Every stop, however many there are" },
  ...engineOptions,
} as const satisfies Record<string, Options>;

export interface WalkArguments extends PageArguments, PrintArguments, EngineArguments {
  readonly format: string;
  readonly back: boolean;
  readonly from?: string | undefined;
  readonly count?: string | undefined;
  readonly script?: string | undefined;
  readonly keys: boolean;
  readonly events: boolean;
  readonly all: boolean;
}

export const walkCommand = command<WalkArguments>("walk", options, {
  command: "walk [targets..]",
  describe: "Where the keyboard goes: every stop in order, what is odd, and what is not reached",
  builder: (yargs) =>
    yargs
      .positional("targets", targetsPositional)
      .options(options)
      .example("keel walk slips.html", "every stop of Tab, and what it passes by")
      .example("keel walk slips.html --engine render", "its scripts run, and every key pressed")
      .example("keel walk slot-card.specimen.tsx", "its specimens mounted, and every key pressed")
      .example(
        "keel walk 'slot-card.specimen.tsx#slot card, free'",
        "one specimen, by its name or how it begins",
      )
      .example(
        "keel walk slips.html --script booking.walk",
        "the keys of a script, and what must come of them",
      )
      .example("keel walk slips.html --count '#bookings'", "how many keys to the bookings")
      .example("keel walk slips.html --format svg -o walk.svg", "the way drawn over the page") as never,
  handler: async (args: ArgumentsCamelCase<WalkArguments>) => (await import("./walk.run.ts")).runWalk(args),
});
