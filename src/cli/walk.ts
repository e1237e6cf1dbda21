import { type ArgumentsOf, defineCommand, type OptionTable } from "./define-command.ts";
import { engineOptions, formatOption, printOptions, readingOptions, targets } from "./options.ts";

const options = {
  ...readingOptions,
  ...formatOption(
    ["terminal", "json", "svg", "png"],
    "; svg and png draw the way over one page: with --engine browser over its picture, which png needs; else over a schematic; json of several pages is a list of documents",
  ),
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
    type: "string",
    describe:
      "Show the events of each key that is pressed; with --follow, what is told: focus, pointer, key, click, change, said, page (focus,pointer,said,page)",
  },
  follow: {
    type: "boolean",
    describe:
      "Open a window that you use yourself, and tell what is heard at each place that takes focus or lies under the pointer, until you close it",
  },
  record: {
    type: "string",
    requiresArg: true,
    describe: "With --follow: write what you do, and what comes of it, to this file as a walk script",
  },
  all: { type: "boolean", default: false, describe: "Every stop, however many there are" },
  ...engineOptions,
} as const satisfies OptionTable;

export type WalkArguments = ArgumentsOf<typeof targets & typeof options>;

export const walkCommand = defineCommand(
  {
    name: "walk",
    usage: "[targets..]",
    describe: "Where the keyboard goes: every stop in order, what is odd, and what is not reached",
    words: targets,
    options,
    examples: [
      ["keel walk slips.html", "every stop of Tab, and what it passes by"],
      ["keel walk slips.html --engine render", "its scripts run, and every key pressed"],
      ["keel walk slot-card.specimen.tsx", "its specimens mounted, and every key pressed"],
      ["keel walk 'slot-card.specimen.tsx#slot card, free'", "one specimen, by its name or how it begins"],
      ["keel walk slips.html --script booking.walk", "the keys of a script, and what must come of them"],
      ["keel walk http://localhost:5173 --follow --record booking.walk", "you walk; it writes"],
      ["keel walk slips.html --count '#bookings'", "how many keys to the bookings"],
      ["keel walk slips.html --format svg -o walk.svg", "the way drawn over a schematic"],
      ["keel walk slips.html --engine browser --format png -o walk.png", "drawn over its picture"],
    ],
  },
  async (args, io) => (await import("./walk.run.ts")).runWalk(args, io),
);
