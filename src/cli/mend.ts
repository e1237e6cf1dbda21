import type { ArgumentsCamelCase, Options } from "yargs";
import type { AuditChoice } from "./audit-request.ts";
import {
  command,
  formatOption,
  type PrintArguments,
  pageOptions,
  printOptions,
  targetsPositional,
} from "./command.ts";

const options = {
  ...pageOptions,
  format: formatOption(["patch", "json"]),
  ...printOptions,
  only: {
    type: "string",
    array: true,
    requiresArg: true,
    describe: "Only the edits of these checks or families (names, roles, names.image-described …)",
  },
  also: {
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
  "fail-on": {
    choices: ["blocker", "barrier", "friction", "never"],
    describe:
      "With --write: the least severity left that makes the command fail with exit status 1 (friction)",
  },
  wcag: { choices: ["2.0", "2.1", "2.2"], describe: "Version of WCAG (2.2)" },
  level: { choices: ["A", "AA", "AAA"], describe: "Conformance level (AA)" },
} as const satisfies Record<string, Options>;

export interface MendArguments extends Omit<AuditChoice, "cache">, PrintArguments {
  readonly format: string;
  readonly also?: string | undefined;
  readonly write?: boolean | undefined;
  readonly interactive?: boolean | undefined;
}

export const mendCommand = command<MendArguments>("mend", options, {
  command: "mend [targets..]",
  describe: "A patch of the edits; --write makes them and audits again",
  builder: (yargs) =>
    yargs
      .positional("targets", targetsPositional)
      .options(options)
      .example("keel mend pages", "a patch of the edits that cannot change a meaning")
      .example("keel mend pages --also likely | git apply", "those that want a look too, made by git")
      .example("keel mend src --only contrast --write", "one family, made in the files")
      .example("keel mend pages --interactive", "one finding after the other; asks for words")
      .example("keel mend - < page.html > mended.html", "a page on standard input")
      .conflicts("interactive", "write") as never,
  handler: async (args: ArgumentsCamelCase<MendArguments>) => (await import("./mend.run.ts")).runMend(args),
});
