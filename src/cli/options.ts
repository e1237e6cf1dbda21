import { severities } from "../core/findings/verdict.ts";
import { levels, wcagVersions } from "../core/standards/conformance.ts";
import type { AuditOptions, ReadingOptions } from "../settings/options.ts";
import type { ArgumentsOf, OptionTable } from "./define-command.ts";

/** Stands for `-` among the targets while the parser is at work, which would drop it. */
export const STANDARD_INPUT = ":standard-input:";

/** What every command which reads pages is pointed at. */
export const targets = {
  targets: {
    type: "string",
    array: true,
    default: [] as string[],
    describe:
      "Files, folders or quoted globs; - is standard input; none: what the configuration lists, else this folder",
  },
} as const satisfies OptionTable;

/** Options of every command that prints. */
export const printOptions = {
  output: {
    type: "string",
    alias: "o",
    requiresArg: true,
    describe: "Write the answer to a file instead of standard output",
  },
  colour: {
    type: "boolean",
    describe: "Colour (off with --no-colour, NO_COLOR, or when not on a terminal; on with FORCE_COLOR)",
  },
} as const satisfies OptionTable;

export type PrintArguments = ArgumentsOf<typeof printOptions>;

/** How a command may write its answer, the first of the formats when nothing is said. */
export const formatOption = <const Format extends string>(
  formats: readonly [Format, ...Format[]],
  more = "",
) =>
  ({
    format: {
      type: "string",
      choices: formats,
      default: formats[0] as Format,
      describe: `How the answer is written${more}`,
    },
  }) as const;

/** Options that every command which reads pages takes. What is not given, the configuration says. */
export const readingOptions = {
  config: {
    type: "string",
    requiresArg: true,
    describe: "The configuration file; the nearest keel.config.* upward when not given; --no-config for none",
  },
  root: {
    type: "string",
    array: true,
    nargs: 1,
    requiresArg: true,
    describe:
      "A folder whose stylesheets may be read too, and where addresses like /style.css are looked for",
  },
  "max-size": {
    type: "number",
    requiresArg: true,
    describe: "Largest page or stylesheet, in megabytes (20)",
  },
  window: {
    type: "string",
    requiresArg: true,
    describe: "Width and height of the window in CSS pixels, for media queries (1280x800)",
  },
  pointer: {
    type: "string",
    choices: ["fine", "coarse"],
    describe: "The pointer, for media queries: a mouse or a finger (fine)",
  },
  "reduced-motion": {
    type: "boolean",
    describe: "As for someone who asks for less motion, for media queries",
  },
  "stdin-name": {
    type: "string",
    default: "standard-input.html",
    requiresArg: true,
    describe: "What the page on standard input (-) is called",
  },
} as const satisfies OptionTable;

/** Options of commands that may run what they look at. */
export const engineOptions = {
  engine: {
    type: "string",
    choices: ["read", "render", "browser"],
    describe:
      "read: from source, executing nothing; render: pages also with their scripts run in a simulated window and their keys pressed, and every specimen mounted; browser: pages and specimens as an installed browser shows them; not given: pages are read, specimens mounted that are named, and addresses opened in a browser",
  },
  browser: {
    type: "string",
    requiresArg: true,
    describe:
      "The browser to open pages in: chromium, chrome, edge, or the path of one (the first that is installed)",
  },
  "any-status": {
    type: "boolean",
    describe: "Judge pages too that answer with an error (404, 500)",
  },
  press: {
    type: "boolean",
    describe:
      "Press keys in the browser too on pages that are not of this machine; --no-press presses none anywhere",
  },
  "let-send": {
    type: "boolean",
    describe: "Let pages send what a key that is pressed would send: for test systems",
  },
  pages: {
    type: "string",
    array: true,
    nargs: 1,
    requiresArg: true,
    describe: "A file that lists pages or addresses, one a line",
  },
  sitemap: {
    type: "string",
    array: true,
    nargs: 1,
    requiresArg: true,
    describe: "The address of a sitemap: all pages that it lists",
  },
  crawl: {
    type: "boolean",
    describe: "Follow links to other pages of the same origin, as far as robots.txt lets",
  },
  most: { type: "number", requiresArg: true, describe: "With --crawl: how many pages at most (50)" },
  within: { type: "string", requiresArg: true, describe: "With --crawl: only paths that fit this: /docs/**" },
  not: { type: "string", requiresArg: true, describe: "With --crawl: no paths that fit this: /archive/**" },
  start: {
    type: "string",
    requiresArg: true,
    describe: 'Start this program first, and end it afterwards: --start "npm run dev"',
  },
  ready: {
    type: "string",
    requiresArg: true,
    describe: "With --start: the address that tells when it can be looked at (the first page)",
  },
  "ready-when": {
    type: "string",
    requiresArg: true,
    describe:
      "Look at a page only once it shows this: a CSS selector, or what is heard: '\"Free slips\" heading'",
  },
  header: {
    type: "string",
    array: true,
    nargs: 1,
    requiresArg: true,
    describe: 'Send this with every request to the origin of the page: "Name: value"',
  },
  before: {
    type: "string",
    requiresArg: true,
    describe:
      "A walk script that signs in: walked once, before anything is looked at; its cookies stay for the run",
  },
  storage: {
    type: "string",
    requiresArg: true,
    describe: "Cookies and storage that --keep-storage has written",
  },
  "keep-storage": {
    type: "string",
    requiresArg: true,
    describe: "Write the cookies and storage of the last page to this file",
  },
  "trust-all": {
    type: "boolean",
    describe: "Take certificates that nobody vouches for, of your own test hosts",
  },
  language: { type: "string", requiresArg: true, describe: "Ask pages for this language: de, fr-CH" },
  "forced-colours": {
    type: "boolean",
    describe: "As in a mode of high contrast that forces its own colours",
  },
  "run-specimens": {
    type: "boolean",
    describe:
      'Mount also the specimens that folders hold, running the code they import (as specimens: "run" in the configuration)',
  },
  "time-limit": {
    type: "number",
    default: 30,
    requiresArg: true,
    describe: "How long one component, or the scripts and keys of one page or specimen, may take, in seconds",
  },
} as const satisfies OptionTable;

/** The version and level that are demanded. */
export const conformanceOptions = {
  wcag: { type: "string", choices: wcagVersions, describe: "Version of WCAG (2.2)" },
  level: { type: "string", choices: levels, describe: "Conformance level (AA)" },
} as const satisfies OptionTable;

export const failOnOption = (more: string) =>
  ({
    "fail-on": {
      type: "string",
      choices: [...severities, "never"],
      describe: `${more} that makes the command fail with exit status 1 (friction)`,
    },
  }) as const;

/** Arguments of the tables above, as the settings know them. */
type ReadingArguments = Partial<ArgumentsOf<typeof readingOptions & typeof engineOptions>>;

/** What is asked for on the command line, in the terms of the settings. */
export const readingOf = (args: ReadingArguments): ReadingOptions => ({
  // `--no-config` gives false, which the table does not say.
  config: args.config as string | false | undefined,
  roots: args.root,
  maxSize: args["max-size"],
  window: args.window,
  pointer: args.pointer,
  reducedMotion: args["reduced-motion"],
  stdinName: args["stdin-name"],
  engine: args.engine,
  runSpecimens: args["run-specimens"],
  timeLimit: args["time-limit"],
  browser: args.browser,
  anyStatus: args["any-status"],
  press: args.press,
  letSend: args["let-send"],
  pageLists: args.pages,
  sitemaps: args.sitemap,
  crawl: args.crawl,
  most: args.most,
  within: args.within,
  not: args.not,
  start: args.start,
  ready: args.ready,
  readyWhen: args["ready-when"],
  headers: args.header,
  before: args.before,
  storage: args.storage,
  keepStorage: args["keep-storage"],
  trustAll: args["trust-all"],
  language: args.language,
  forcedColours: args["forced-colours"],
});

/** The targets as settings know them: `-` for standard input. */
export const targetsOf = (words: readonly string[]): readonly string[] =>
  words.map((word) => (word === STANDARD_INPUT ? "-" : word));

/** Checks and families, apart from what can only be a page or folder: `--only names page.html`. */
export function checksAndTargets(
  words: readonly string[] | undefined,
): readonly [checks: readonly string[] | undefined, targets: readonly string[]] {
  const isTarget = (word: string) =>
    word === STANDARD_INPUT || word === "." || /[/\\*]|\.(?:html?|[cm]?[jt]sx?|vue|svelte)$/i.test(word);
  return [words?.filter((word) => !isTarget(word)), words?.filter(isTarget) ?? []];
}

/** Words of a list that is written in one word. */
export const listOf = (words: string | undefined): AuditOptions["outcomes"] =>
  words?.split(",").map((word) => word.trim());
