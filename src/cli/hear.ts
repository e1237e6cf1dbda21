import { listKinds } from "../core/semantics/lists-by-kind.ts";
import { type ArgumentsOf, defineCommand, type OptionTable } from "./define-command.ts";
import { engineOptions, formatOption, printOptions, readingOptions, targets } from "./options.ts";

const options = {
  ...readingOptions,
  ...formatOption(["terminal", "json"], "; json of several pages is a list of documents"),
  ...printOptions,
  by: {
    type: "string",
    choices: listKinds,
    describe: "One of the lists that people move by, instead of the whole page",
  },
  ...engineOptions,
} as const satisfies OptionTable;

export type HearArguments = ArgumentsOf<typeof targets & typeof options>;

export const hearCommand = defineCommand(
  {
    name: "hear",
    usage: "[targets..]",
    describe: "What would be spoken, in order; or only headings, landmarks, links …",
    words: targets,
    options,
    examples: [
      ["keel hear slips.html", "the page as it would be read aloud"],
      ["keel hear slips.html --by headings", "its headings, indented by level"],
    ],
  },
  async (args, io) => (await import("./hear.run.ts")).runHear(args, io),
);
