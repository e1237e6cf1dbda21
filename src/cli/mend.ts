import { type ArgumentsOf, defineCommand, type OptionTable } from "./define-command.ts";
import {
  conformanceOptions,
  failOnOption,
  formatOption,
  printOptions,
  readingOptions,
  targets,
} from "./options.ts";

const options = {
  ...readingOptions,
  ...formatOption(["patch", "json"]),
  ...printOptions,
  only: {
    type: "string",
    array: true,
    requiresArg: true,
    describe: "Only the edits of these checks or families (names, roles, names.image-described …)",
  },
  also: {
    type: "string",
    choices: ["likely"],
    describe: "Edits to be looked at too, not the safe ones alone",
  },
  write: {
    type: "boolean",
    describe: "Make the edits in the files, audit again and tell what is left",
  },
  interactive: {
    type: "boolean",
    alias: "i",
    describe: "Go from finding to finding: take, skip, give the words; the edits are made at the end",
  },
  undo: {
    type: "boolean",
    describe: "Take back what --write did: the newest keel-undo.patch here, or the one that is named",
  },
  ...failOnOption("With --write: the least severity left"),
  ...conformanceOptions,
} as const satisfies OptionTable;

export type MendArguments = ArgumentsOf<typeof targets & typeof options>;

export const mendCommand = defineCommand(
  {
    name: "mend",
    usage: "[targets..]",
    describe: "A patch of the edits; --write makes them and audits again",
    words: targets,
    options,
    examples: [
      ["keel mend pages", "a patch of the edits that cannot change a meaning"],
      ["keel mend pages --also likely | git apply", "those that want a look too, made by git"],
      ["keel mend src --only contrast --write", "one family, made in the files"],
      ["keel mend pages --interactive", "one finding after the other; asks for words"],
      ["keel mend --undo", "takes back what --write did, file by file"],
      ["keel mend - < page.html > mended.html", "a page on standard input"],
    ],
    conflicts: [
      ["interactive", "write"],
      ["undo", "write"],
      ["undo", "interactive"],
    ],
  },
  async (args, io) => (await import("./mend.run.ts")).runMend(args, io),
);
