import { type ArgumentsOf, defineCommand, type OptionTable } from "./define-command.ts";
import { engineOptions, formatOption, printOptions, readingOptions, targets } from "./options.ts";

const options = {
  ...readingOptions,
  ...formatOption(["terminal", "json"], "; json of several pages is a list of documents"),
  ...printOptions,
  names: { type: "boolean", default: false, describe: "Show where each name came from" },
  at: {
    type: "string",
    requiresArg: true,
    describe:
      "Inspect the elements that a CSS selector picks: role, name and every source of it, states, focus",
  },
  only: { type: "string", requiresArg: true, describe: "Only what has this role, as a list with places" },
  ...engineOptions,
} as const satisfies OptionTable;

export type TreeArguments = ArgumentsOf<typeof targets & typeof options>;

export const treeCommand = defineCommand(
  {
    name: "tree",
    usage: "[targets..]",
    describe: "What assistive technology is given, and where each name came from",
    words: targets,
    options,
    examples: [
      ["keel tree slips.html", "the whole page as heard lines"],
      ["keel tree slips.html --names", "with the origin of every name"],
      ["keel tree slips.html --at '#book'", "one element in full"],
      ["keel tree slips.html --only link", "all links, with their places"],
    ],
  },
  async (args, io) => (await import("./tree.run.ts")).runTree(args, io),
);
