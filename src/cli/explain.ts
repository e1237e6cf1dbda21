import { type ArgumentsOf, defineCommand, type OptionTable } from "./define-command.ts";
import { formatOption, printOptions } from "./options.ts";

const words = {
  topic: {
    type: "string",
    describe: "A check (names.image-described), a criterion (1.4.3) or a family (names); none: the catalogue",
  },
} as const satisfies OptionTable;

const options = { ...formatOption(["terminal", "markdown"]), ...printOptions } as const satisfies OptionTable;

export type ExplainArguments = ArgumentsOf<typeof words & typeof options>;

export const explainCommand = defineCommand(
  {
    name: "explain",
    usage: "[topic]",
    describe: "One check, criterion or family: what it means, who is affected, how to mend it",
    words,
    options,
    examples: [
      ["keel explain", "every check, by family"],
      ["keel explain names.image-described", "one check, with an example broken and kept"],
      ["keel explain 1.4.3", "what decides a criterion, and what remains for a person"],
    ],
  },
  async (args, io) => (await import("./explain.run.ts")).runExplain(args, io),
);
