import type { ArgumentsCamelCase, Options } from "yargs";
import { command } from "./command.ts";

const options = {
  json: {
    type: "boolean",
    default: false,
    describe: "Write keel.config.json instead of keel.config.ts",
  },
  specimens: {
    type: "boolean",
    default: false,
    describe:
      "Draft a file of specimens beside every component that has none, from its props; no configuration",
  },
} as const satisfies Record<string, Options>;

export interface InitArguments {
  readonly json: boolean;
  readonly specimens: boolean;
  readonly targets: string[];
}

export const initCommand = command<InitArguments>("init", options, {
  command: "init [targets..]",
  describe: "Look at the project and write a first configuration, or first specimens",
  builder: (yargs) =>
    yargs
      .positional("targets", {
        type: "string",
        array: true,
        default: [] as string[],
        describe: "With --specimens: files and folders of components; none: this folder",
      })
      .options(options)
      .example("keel init", "writes keel.config.ts; never over one that is there")
      .example("keel init --specimens src", "drafts specimens beside the components in src") as never,
  handler: async (args: ArgumentsCamelCase<InitArguments>) => (await import("./init.run.ts")).runInit(args),
});
