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
  names: { type: "boolean", default: false, describe: "Show where each name came from" },
  at: {
    type: "string",
    requiresArg: true,
    describe:
      "Inspect the elements that a CSS selector picks: role, name and every source of it, states, focus",
  },
  only: { type: "string", requiresArg: true, describe: "Only what has this role, as a list with places" },
} as const satisfies Record<string, Options>;

export interface TreeArguments extends PageArguments, PrintArguments {
  readonly format: string;
  readonly names: boolean;
  readonly at?: string | undefined;
  readonly only?: string | undefined;
}

export const treeCommand = command<TreeArguments>("tree", options, {
  command: "tree [targets..]",
  describe: "What assistive technology is given, and where each name came from",
  builder: (yargs) =>
    yargs
      .positional("targets", targetsPositional)
      .options(options)
      .example("keel tree slips.html", "the whole page as heard lines")
      .example("keel tree slips.html --names", "with the origin of every name")
      .example("keel tree slips.html --at '#book'", "one element in full")
      .example("keel tree slips.html --only link", "all links, with their places") as never,
  handler: async (args: ArgumentsCamelCase<TreeArguments>) => (await import("./tree.run.ts")).runTree(args),
});
