import type { ArgumentsCamelCase, Options } from "yargs";
import { command, type PrintArguments, printOptions } from "./command.ts";

const options = {
  copy: {
    type: "string",
    requiresArg: true,
    describe: "Copy the demo pages into a new folder instead, to try things out on",
  },
  colour: printOptions.colour,
} as const satisfies Record<string, Options>;

export interface DemoArguments extends PrintArguments {
  readonly copy?: string | undefined;
}

export const demoCommand = command<DemoArguments>("demo", options, {
  command: "demo",
  describe: "The whole example, on the packaged pages of the Brackwater Boatyard",
  builder: (yargs) =>
    yargs
      .options(options)
      .example("keel demo", "audits, listens to and mends the demo pages")
      .example("keel demo --copy boatyard", "puts them into ./boatyard") as never,
  handler: async (args: ArgumentsCamelCase<DemoArguments>) => (await import("./demo.run.ts")).runDemo(args),
});
