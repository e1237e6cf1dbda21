import type { ArgumentsCamelCase, Options } from "yargs";
import {
  command,
  formatOption,
  type PageArguments,
  type PrintArguments,
  pageOptions,
  printOptions,
  targetsPositional,
} from "./command.ts";

const options = {
  ...pageOptions,
  format: formatOption(["terminal", "json"]),
  ...printOptions,
  by: {
    choices: ["headings", "landmarks", "links", "controls", "images", "tables"],
    describe: "One of the lists that people move by, instead of the whole page",
  },
} as const satisfies Record<string, Options>;

export interface HearArguments extends PageArguments, PrintArguments {
  readonly format: string;
  readonly by?: string | undefined;
}

export const hearCommand = command<HearArguments>("hear", options, {
  command: "hear [targets..]",
  describe: "What would be spoken, in order; or only headings, landmarks, links …",
  builder: (yargs) =>
    yargs
      .positional("targets", targetsPositional)
      .options(options)
      .example("keel hear slips.html", "the page as it would be read aloud")
      .example("keel hear slips.html --by headings", "its headings, indented by level") as never,
  handler: async (args: ArgumentsCamelCase<HearArguments>) => (await import("./hear.run.ts")).runHear(args),
});
