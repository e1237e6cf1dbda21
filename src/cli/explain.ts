import type { ArgumentsCamelCase, Options } from "yargs";
import { command, formatOption, type PrintArguments, printOptions } from "./command.ts";

const options = {
  format: formatOption(["terminal", "markdown"]),
  ...printOptions,
} as const satisfies Record<string, Options>;

export interface ExplainArguments extends PrintArguments {
  readonly topic?: string | undefined;
  readonly format: string;
}

export const explainCommand = command<ExplainArguments>("explain", options, {
  command: "explain [topic]",
  describe: "One check, criterion or family: what it means, who is affected, how to mend it",
  builder: (yargs) =>
    yargs
      .positional("topic", {
        type: "string",
        describe:
          "A check (names.image-described), a criterion (1.4.3) or a family (names); none: the catalogue",
      })
      .options(options)
      .example("keel explain", "every check, by family")
      .example("keel explain names.image-described", "one check, with an example broken and kept")
      .example("keel explain 1.4.3", "what decides a criterion, and what remains for a person") as never,
  handler: async (args: ArgumentsCamelCase<ExplainArguments>) =>
    (await import("./explain.run.ts")).runExplain(args),
});
