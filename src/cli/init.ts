import type { ArgumentsCamelCase, Options } from "yargs";
import { command } from "./command.ts";

const options = {
  json: {
    type: "boolean",
    default: false,
    describe: "Write keel.config.json instead of keel.config.ts",
  },
} as const satisfies Record<string, Options>;

export interface InitArguments {
  readonly json: boolean;
}

export const initCommand = command<InitArguments>("init", options, {
  command: "init",
  describe: "Look at the project and write a first configuration",
  builder: (yargs) =>
    yargs
      .options(options)
      .example("keel init", "writes keel.config.ts; never over one that is there") as never,
  handler: async (args: ArgumentsCamelCase<InitArguments>) => (await import("./init.run.ts")).runInit(args),
});
