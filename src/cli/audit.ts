import type { ArgumentsCamelCase, Options } from "yargs";
import type { AuditChoice } from "./audit-request.ts";
import {
  command,
  engineOptions,
  formatOption,
  type PrintArguments,
  pageOptions,
  printOptions,
  targetsPositional,
} from "./command.ts";

const options = {
  ...pageOptions,
  format: formatOption(["terminal", "json"]),
  ...printOptions,
  "fail-on": {
    choices: ["blocker", "barrier", "friction", "never"],
    describe: "The least severity that makes the command fail with exit status 1 (friction)",
  },
  wcag: { choices: ["2.0", "2.1", "2.2"], describe: "Version of WCAG (2.2)" },
  level: { choices: ["A", "AA", "AAA"], describe: "Conformance level (AA)" },
  only: {
    type: "string",
    array: true,
    requiresArg: true,
    describe: "Only these checks or families (names, roles, names.image-described …)",
  },
  "skip-check": {
    type: "string",
    array: true,
    requiresArg: true,
    describe: "All but these checks or families",
  },
  outcomes: {
    type: "string",
    requiresArg: true,
    describe: "Which outcomes are listed: failed, cantTell, passed (failed,cantTell)",
  },
  theme: {
    type: "string",
    array: true,
    nargs: 1,
    requiresArg: true,
    describe: "Judge colours also with this attribute on the root element: data-theme=dark, class=night",
  },
  all: {
    type: "boolean",
    describe: "Show every finding in full instead of three of a kind, and every criterion",
  },
  ...engineOptions,
  cache: {
    type: "boolean",
    default: true,
    describe: "Keep what came of component source below node_modules/.cache (--no-cache reads all anew)",
  },
  "unknown-components": {
    type: "boolean",
    default: false,
    describe: "List the components that are used and not in source, and how often, instead of findings",
  },
  "show-config": {
    type: "boolean",
    default: false,
    describe: "Print what is in force and where it comes from, and audit nothing",
  },
  quiet: { type: "boolean", alias: "q", default: false, describe: "One line for each finding, nothing else" },
} as const satisfies Record<string, Options>;

export interface AuditArguments extends AuditChoice, PrintArguments {
  readonly format: string;
  readonly "unknown-components": boolean;
  readonly "show-config": boolean;
  readonly quiet: boolean;
}

export const auditCommand = command<AuditArguments>("audit", options, {
  command: "audit [targets..]",
  describe: "What is wrong, where, who it hurts and how to mend it",
  builder: (yargs) =>
    yargs
      .positional("targets", targetsPositional)
      .options(options)
      .example("keel audit pages/slips.html", "one page with its stylesheets")
      .example(
        "keel audit 'pages/**/*.html' --fail-on barrier",
        "many pages; friction does not fail the build",
      )
      .example("keel audit src/App.tsx", "a component with all that it renders")
      .example("keel audit src --unknown-components", "what the configuration could say more about")
      .example("keel audit pages --format json -o audit.json", "for other programs")
      .example("keel audit pages --engine render", "with the scripts of pages run, and their keys pressed")
      .example("keel audit --show-config", "what is in force, and from where")
      .example("keel audit pages --only names roles.exists", "a family and one check") as never,
  handler: async (args: ArgumentsCamelCase<AuditArguments>) =>
    (await import("./audit.run.ts")).runAudit(args),
});
