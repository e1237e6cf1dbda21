import { type ArgumentsOf, defineCommand, type OptionTable } from "./define-command.ts";

const words = {
  targets: {
    type: "string",
    array: true,
    default: [] as string[],
    describe: "With --specimens: files and folders of components; none: this folder",
  },
} as const satisfies OptionTable;

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
} as const satisfies OptionTable;

export type InitArguments = ArgumentsOf<typeof words & typeof options>;

export const initCommand = defineCommand(
  {
    name: "init",
    usage: "[targets..]",
    describe: "Look at the project and write a first configuration, or first specimens",
    words,
    options,
    examples: [
      ["keel init", "writes keel.config.ts; never over one that is there"],
      ["keel init --specimens src", "drafts specimens beside the components in src"],
    ],
  },
  async (args, io) => (await import("./init.run.ts")).runInit(args, io),
);
