import { type ArgumentsOf, defineCommand, type OptionTable } from "./define-command.ts";
import { printOptions } from "./options.ts";

const options = {
  copy: {
    type: "string",
    requiresArg: true,
    describe: "Copy the demo pages into a new folder instead, to try things out on",
  },
  colour: printOptions.colour,
} as const satisfies OptionTable;

export type DemoArguments = ArgumentsOf<typeof options>;

export const demoCommand = defineCommand(
  {
    name: "demo",
    usage: "",
    describe: "The whole example, on the packaged pages of the Brackwater Boatyard",
    words: {},
    options,
    examples: [
      ["keel demo", "audits, listens to and mends the demo pages"],
      ["keel demo --copy boatyard", "puts them into ./boatyard"],
    ],
  },
  async (args, io) => (await import("./demo.run.ts")).runDemo(args, io),
);
