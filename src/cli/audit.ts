import { type ArgumentsOf, defineCommand, type OptionTable } from "./define-command.ts";
import {
  conformanceOptions,
  engineOptions,
  failOnOption,
  formatOption,
  printOptions,
  readingOptions,
  targets,
} from "./options.ts";

const options = {
  ...readingOptions,
  ...formatOption(["terminal", "json"]),
  ...printOptions,
  ...failOnOption("The least severity"),
  ...conformanceOptions,
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
  coverage: {
    type: "boolean",
    describe: "Tell each WCAG criterion: what failed, what held, what is left to a person",
  },
  all: {
    type: "boolean",
    describe: "Show every finding in full instead of three of a kind, and every criterion",
  },
  ...engineOptions,
  shots: {
    type: "string",
    requiresArg: true,
    describe:
      "A folder for pictures of what is found in a browser: each element in its surroundings, marked (facts.shot names the file)",
  },
  cache: {
    type: "boolean",
    default: true,
    describe: "Keep what came of component source in your own cache folder (--no-cache reads all anew)",
  },
  "cache-dir": {
    type: "string",
    requiresArg: true,
    describe: "The folder to keep it in instead",
  },
  workers: {
    type: "number",
    requiresArg: true,
    describe:
      "In how many threads component source is judged where there is much of it (all cores but one, at most four), and how many pages a browser has open at once (2)",
  },
  "show-worlds": {
    type: "boolean",
    default: false,
    describe:
      "Say of findings in component source how each open condition fell where they were judged (for whoever works on checks)",
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
} as const satisfies OptionTable;

export type AuditArguments = ArgumentsOf<typeof options & typeof targets>;

export const auditCommand = defineCommand(
  {
    name: "audit",
    usage: "[targets..]",
    describe: "What is wrong, where, who it hurts and how to mend it",
    words: targets,
    options,
    examples: [
      ["keel audit pages/slips.html", "one page with its stylesheets"],
      ["keel audit 'pages/**/*.html' --fail-on barrier", "many pages; friction does not fail the build"],
      ["keel audit src/App.tsx", "a component with all that it renders"],
      ["keel audit src --unknown-components", "what the configuration could say more about"],
      ["keel audit pages --format json -o audit.json", "for other programs"],
      ["keel audit pages --engine render", "with the scripts of pages run, and their keys pressed"],
      ["keel audit --show-config", "what is in force, and from where"],
      ["keel audit pages --only names roles.exists", "a family and one check"],
    ],
  },
  async (args, io) => (await import("./audit.run.ts")).runAudit(args, io),
);
