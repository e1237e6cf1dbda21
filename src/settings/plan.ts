import path from "node:path";
import picomatch from "picomatch";
import type { LoadedConfig } from "../config/load.ts";
import { everyCheck } from "../core/checks/catalogue.ts";
import { type Family, familyOf } from "../core/checks/check.ts";
import { type Device, desktop } from "../core/css/device.ts";
import { selectorList } from "../core/css/elements-matching.ts";
import { nearestWord } from "../core/document/nearest-word.ts";
import { configNotRun, type Problem, type Result, refusal } from "../core/findings/problems.ts";
import type { Outcome, Severity } from "../core/findings/verdict.ts";
import type { NamedColour } from "../core/scene/scene.ts";
import { type Theme, themeName } from "../core/scene/schemes.ts";
import { type FollowedKind, followedKinds, usualKinds } from "../core/walk-script/followed-kinds.ts";
import { type HeardPattern, parseHeard } from "../core/walk-script/parse.ts";
import type { CheckPlan } from "./check-plan.ts";
import { checkSettings } from "./check-settings.ts";
import { chooseChecks, listedWords } from "./choose-checks.ts";
import { type InForce, Settlement } from "./in-force.ts";
import type { AuditOptions, ReadingOptions } from "./options.ts";

/** What a run may execute of what it looks at. */
export interface Runs {
  /** Whether the scripts of pages are run and their keys pressed. */
  readonly pages: boolean;
  /** Which specimens are mounted: none, those that targets name, those of this project too, or all that targets hold. */
  readonly specimens: "none" | "named" | "own" | "all";
}

/** Which pages are met from those that are named. */
export interface CrawlPlan {
  /** How many at most, those that are named among them. */
  readonly most: number;
  /** Globs of paths that are looked at, and that are not; null for all, and none. */
  readonly within: string | null;
  readonly not: string | null;
}

/** What tells that a page is ready: something that a selector picks, or that is heard. */
export type ReadySign =
  | { readonly kind: "picked"; readonly selector: string; readonly written: string }
  | { readonly kind: "heard"; readonly heard: HeardPattern; readonly written: string };

/** How pages are opened in a browser: addresses always are. */
export interface BrowserPlan {
  /** Whether pages that lie here are opened too. */
  readonly isForPages: boolean;
  /** A name, or the path of a program; null for the first that is installed. */
  readonly named: string | null;
  /** Whether pages are judged that answer with an error. */
  readonly anyStatus: boolean;
  /** On which pages keys are pressed: none, those of this machine, or all. */
  readonly presses: "none" | "own" | "all";
  /** Whether what a page would send by a key that is pressed is sent. */
  readonly letsSend: boolean;
  /** Whether a picture is taken of each page. */
  readonly takesPictures: boolean;
  /** How many pages are open at once. */
  readonly windows: number;
  /** A program that serves what is looked at, and the address that tells when it does; null for none. */
  readonly start: { readonly command: string; readonly ready: string | null } | null;
  /** What a page must show before it is looked at; null where rest is enough. */
  readonly readyWhen: ReadySign | null;
  /** A walk script that is walked before anything is looked at, as it is named; null for none. */
  readonly before: string | null;
  /** Addresses of sitemaps whose pages are looked at. */
  readonly sitemaps: readonly string[];
  /** How pages are followed to others; null where they are not. */
  readonly crawl: CrawlPlan | null;
  /** What is sent with every request to the origin of a page. */
  readonly headers: ReadonlyMap<string, string>;
  /** Where cookies and storage are read from, and kept; absolute. Null for nowhere. */
  readonly storage: string | null;
  readonly keepsStorage: string | null;
  /** Whether certificates are taken that nobody vouches for. */
  readonly trustsAll: boolean;
  /** The language that pages are asked for, as a tag; null for the browser's own. */
  readonly language: string | null;
  /** Whether colours are forced, as in a high-contrast mode. */
  readonly forcesColours: boolean;
  /** The contrast that texts must have that pictures are taken of; null for no pictures. */
  readonly contrast: { readonly large: number; readonly small: number } | null;
}

/** In which colours pages are judged. */
export interface ColourPlan {
  /** Themes in which colours are judged too. */
  readonly themes: readonly Theme[];
  /** The colour schemes in which colours are judged; null for those the page is made for. */
  readonly colourSchemes: readonly ("light" | "dark")[] | null;
  readonly palette: readonly NamedColour[];
}

/** What is read, within which limits, and what is shown of it: all that a unit needs to be what it is in every command. */
export interface ReadingPlan extends ColourPlan {
  readonly targets: readonly string[];
  /** Files that list targets, one a line; absolute. */
  readonly pageLists: readonly string[];
  /** What is to be said of the plan itself. */
  readonly remarks: readonly Problem[];
  readonly stdinName: string;
  /** Whether a file that a folder or glob names is passed over; a file named itself never is. Absolute path. */
  readonly isSkipped: (file: string) => boolean;
  /** Folders whose files may be read beside the target's own and the working directory; absolute. */
  readonly roots: readonly string[];
  /** Largest page or stylesheet, in megabytes. */
  readonly maxSize: number;
  /** Stylesheets that every page has beside those it names; absolute. */
  readonly stylesheets: readonly string[];
  /** The HTML element that an element of one's own is to be taken for. */
  readonly components: ReadonlyMap<string, string>;
  readonly device: Device;
  readonly runs: Runs;
  readonly browser: BrowserPlan;
  /** The folder of this project: that of the configuration found upward from the working directory, else that itself. */
  readonly ownFolder: string;
  /** How long the scripts and keys of one page may take, in seconds. */
  readonly timeLimit: number;
}

/** How hard edits are tried before they are offered; with none they are offered untried. */
export type Trials = "none" | "usual" | "thorough";

/** Everything an audit goes by. */
export interface AuditPlan extends ReadingPlan, CheckPlan {
  /** Which outcomes become findings. */
  readonly outcomes: readonly Outcome[];
  readonly trials: Trials;
  /** All that results hang on beside the files, as one text. */
  readonly key: string;
  /** In how many threads component source is judged; null for as many as there are cores. */
  readonly workers: number | null;
  /** What the plan was made from: plain data, from which another thread makes the same. */
  readonly recipe: Recipe;
  /** Whether results of component source are kept on the disk from one run to the next. */
  readonly isCached: boolean;
  /** Where they are kept; null for where this user keeps such things. Absolute. */
  readonly cacheFolder: string | null;
  /** Whether findings in component source say in which world they were judged. */
  readonly showsWorlds: boolean;
  /** What is told of a window that somebody uses. */
  readonly events: readonly FollowedKind[];
  /** The folder for pictures of what is found, as it was asked for; null for none. */
  readonly shots: string | null;
  readonly failOn: Severity | "never";
  /** The families that are told; null for all. */
  readonly families: readonly Family[] | null;
  /** Whether findings are told in full instead of three of a kind. */
  readonly all: boolean;
  /** Whether it can be said what holds of each criterion: not where only some checks were asked for. */
  readonly isWhole: boolean;
}

/** No browser in particular: the first that is installed. */
const ANY_BROWSER = "any";

/** How many pages a browser has open at once, and how many at most: each takes its memory. */
const WINDOWS = 2;
const MOST_WINDOWS = 8;

/** What plans are made from beside what is asked for. */
export interface Circumstances {
  readonly loaded: LoadedConfig | null;
  /** A configuration that was found and is not in force, because it is code; as it is shown. */
  readonly unused?: string | null;
  /** Absolute. */
  readonly workingDirectory: string;
  readonly palette: readonly NamedColour[];
  /** Tells this program from every other: results are kept for it alone. */
  readonly build: string;
}

/** What a plan of an audit is made from. */
export interface Recipe {
  readonly targets: readonly string[];
  readonly options: AuditOptions;
  readonly circumstances: Circumstances;
}

export interface Planned<Plan> {
  readonly plan: Plan;
  readonly inForce: readonly InForce[];
}

/** Everything that a command which reads pages goes by, from options, configuration and what is usual. */
export function readingPlan(
  targets: readonly string[],
  options: ReadingOptions,
  circumstances: Circumstances,
): Result<Planned<ReadingPlan>> {
  const settlement = new Settlement(circumstances.loaded, circumstances.workingDirectory);
  const plan = settledReading(targets, options, circumstances, settlement);
  return plan.ok ? { ok: true, value: { plan: plan.value, inForce: settlement.inForce } } : plan;
}

/** Everything that an audit goes by. */
export function auditPlan(
  targets: readonly string[],
  options: AuditOptions,
  circumstances: Circumstances,
): Result<Planned<AuditPlan>> {
  const { loaded, workingDirectory, build } = circumstances;
  const settlement = new Settlement(loaded, workingDirectory);
  const { config, base } = settlement;
  const reading = settledReading(targets, options, circumstances, settlement);
  if (!reading.ok) return reading;
  const { workers = null } = options;
  if (workers !== null && !(Number.isInteger(workers) && workers > 0))
    return refusal("--workers must be a whole number above 0");
  const chosen = chooseChecks(everyCheck, options.only, options.skipChecks);
  if (!chosen.ok) return chosen;
  const outcomes = settledOutcomes(options, settlement);
  if (!outcomes.ok) return outcomes;
  const conformance = settledConformance(options, settlement);
  const failOn = settlement.settle("failOn", "--fail-on", options.failOn, config.failOn, "friction");
  const events = settledEvents(options, settlement);
  if (!events.ok) return events;
  const families = settlement.settle<readonly Family[] | null>(
    "output.families",
    "--all",
    options.all === true ? null : undefined,
    config.output?.families,
    null,
  );
  const all = settlement.settle("output.all", "--all", options.all, config.output?.all, false);
  for (const [id, setting] of Object.entries(config.checks ?? {})) settlement.note(`checks.${id}`, setting);
  for (const { files, checks } of config.overrides ?? [])
    settlement.note(`overrides for ${files.join(", ")}`, checks);
  const { device, themes, palette } = reading.value;
  const judgesContrast = chosen.value.some(({ surroundings }) => surroundings === "colours");
  const contrast = conformance.level === "AAA" ? { large: 4.5, small: 7 } : { large: 3, small: 4.5 };
  const plan: AuditPlan = {
    ...reading.value,
    browser: {
      ...reading.value.browser,
      contrast: judgesContrast ? contrast : null,
      takesPictures: reading.value.browser.takesPictures || options.shots !== undefined,
      windows: Math.min(workers ?? WINDOWS, MOST_WINDOWS),
    },
    checks: chosen.value,
    settingsFor: checkSettings(config, base, workingDirectory, new Set(listedWords(options.only))),
    conformance,
    outcomes: outcomes.value,
    trials: "usual",
    key: JSON.stringify([
      build,
      config,
      options.only,
      options.skipChecks,
      conformance,
      device,
      themes,
      palette,
      options.showWorlds === true,
    ]),
    workers,
    recipe: { targets, options, circumstances },
    isCached: options.cache !== false && options.showWorlds !== true,
    cacheFolder: options.cacheDir === undefined ? null : path.resolve(workingDirectory, options.cacheDir),
    showsWorlds: options.showWorlds === true,
    events: events.value,
    shots: options.shots ?? null,
    failOn,
    families: all ? null : families,
    all,
    isWhole: options.only === undefined && options.skipChecks === undefined,
  };
  return { ok: true, value: { plan, inForce: settlement.inForce } };
}

/** The checks that stand beside a walk: all that are about the keyboard. */
export const keyPlan = (plan: AuditPlan): AuditPlan => ({
  ...plan,
  checks: plan.checks.filter((check) => check.isAboutKeys === true || check.kind === "pressed"),
});

/** What of a plan is told: findings of families and outcomes that were not asked for are not. */
export const isTold = (
  { families, outcomes }: Pick<AuditPlan, "families" | "outcomes">,
  { check, outcome }: { readonly check: string; readonly outcome: Outcome },
): boolean => outcomes.includes(outcome) && (families?.includes(familyOf(check)) ?? true);

function settledReading(
  targets: readonly string[],
  options: ReadingOptions,
  { workingDirectory, palette, loaded, unused = null }: Circumstances,
  settlement: Settlement,
): Result<ReadingPlan> {
  const { config, base } = settlement;
  const inBase = (file: string) => path.resolve(base, file);
  const fromBase = path.relative(workingDirectory, base);
  /** Globs and paths of the configuration, as they are written from the working directory. */
  const fromHere = (target: string) =>
    (fromBase === "" ? target : path.join(fromBase, target)).split(path.sep).join("/");
  const named = settlement.settle(
    "targets",
    "targets",
    // Pages of sitemaps and lists are targets enough.
    targets.length === 0 && options.sitemaps === undefined && options.pageLists === undefined
      ? undefined
      : targets,
    config.targets?.map(fromHere),
    ["."],
  );
  settlement.note("skip", config.skip);
  settlement.note("stylesheets", config.stylesheets);
  settlement.note("components", config.components);
  const maxSize = settlement.settle("maxSize", "--max-size", options.maxSize, config.maxSize, 20);
  if (!(maxSize > 0)) return refusal("--max-size must be a number of megabytes above 0");
  const window = settlement.settle(
    "window",
    "--window",
    options.window,
    config.window,
    `${desktop.width}x${desktop.height}`,
  );
  const size = /^(\d{2,5})[x×](\d{2,5})$/i.exec(window);
  if (size === null) return refusal(`--window ${window} is no size; write it as 390x844`);
  const timeLimit = options.timeLimit ?? 30;
  if (!(timeLimit > 0)) return refusal("--time-limit must be a number of seconds above 0");
  const browser = settlement.settle("browser", "--browser", options.browser, config.browser, ANY_BROWSER);
  const { most = 50 } = options;
  if (!(Number.isInteger(most) && most > 0)) return refusal("--most must be a whole number above 0");
  const headers = headersOf(options.headers ?? []);
  if (!headers.ok) return headers;
  const readyWhen = readySignOf(options.readyWhen);
  if (!readyWhen.ok) return readyWhen;
  const colours = settledColours(options, settlement);
  if (!colours.ok) return colours;
  settlement.note("palette", config.palette);
  const roots = settlement.settle(
    "roots",
    "--root",
    options.roots?.map((root) => path.resolve(workingDirectory, root)),
    config.roots?.map(inBase),
    [],
  );
  const pointer = settlement.settle("pointer", "--pointer", options.pointer, config.pointer, "fine");
  const reducedMotion = settlement.settle(
    "reducedMotion",
    "--reduced-motion",
    options.reducedMotion,
    config.reducedMotion,
    false,
  );
  const runsSpecimens = settlement.settle(
    "specimens",
    "--run-specimens",
    options.runSpecimens === undefined ? undefined : options.runSpecimens ? "run" : "count",
    config.specimens,
    "count",
  );
  const isSkipped = picomatch([...(config.skip ?? [])], { dot: true });
  const [colourScheme = desktop.colourScheme] = colours.value.colourSchemes ?? [];
  const isNamed = typeof options.config === "string";
  return {
    ok: true,
    value: {
      targets: named,
      pageLists: (options.pageLists ?? []).map((file) => path.resolve(workingDirectory, file)),
      stdinName: options.stdinName ?? "standard-input.html",
      isSkipped: (file) => isSkipped(path.relative(base, file).split(path.sep).join("/")),
      roots,
      maxSize,
      stylesheets: (config.stylesheets ?? []).map(inBase),
      // As written for components of source, in lower case for elements of a page.
      components: new Map(
        Object.entries(config.components ?? {}).flatMap(([tag, { as }]) => [
          [tag, as],
          [tag.toLowerCase(), as],
        ]),
      ),
      device: {
        ...desktop,
        width: Number(size[1]),
        height: Number(size[2]),
        finePointer: pointer === "fine",
        reducedMotion,
        colourScheme,
      },
      ...colours.value,
      palette,
      runs: runsOf(options, runsSpecimens),
      browser: {
        isForPages: options.engine === "browser",
        named: browser === ANY_BROWSER ? null : browser,
        anyStatus: options.anyStatus === true,
        presses: options.press === undefined ? "own" : options.press ? "all" : "none",
        letsSend: options.letSend === true,
        takesPictures: options.pictures === true,
        windows: WINDOWS,
        start: options.start === undefined ? null : { command: options.start, ready: options.ready ?? null },
        readyWhen: readyWhen.value,
        before: options.before ?? null,
        sitemaps: options.sitemaps ?? [],
        crawl:
          options.crawl === true ? { most, within: options.within ?? null, not: options.not ?? null } : null,
        headers: headers.value,
        storage: options.storage === undefined ? null : path.resolve(workingDirectory, options.storage),
        keepsStorage:
          options.keepStorage === undefined ? null : path.resolve(workingDirectory, options.keepStorage),
        trustsAll: options.trustAll === true,
        language: options.language ?? null,
        forcesColours: options.forcedColours === true,
        contrast: null,
      },
      remarks: loaded === null && unused !== null ? [configNotRun(unused)] : [],
      ownFolder: loaded === null || isNamed ? workingDirectory : base,
      timeLimit,
    },
  };
}

function readySignOf(written: string | undefined): Result<ReadySign | null> {
  if (written === undefined) return { ok: true, value: null };
  if (!written.startsWith('"'))
    return selectorList(written) === null
      ? refusal(
          `--ready-when ${written}: is neither a CSS selector, '#slips li', nor what is heard, '"Free slips" heading'`,
        )
      : { ok: true, value: { kind: "picked", selector: written, written } };
  const heard = parseHeard(written);
  return typeof heard === "string"
    ? refusal(`--ready-when ${written}: ${heard}`)
    : { ok: true, value: { kind: "heard", heard, written } };
}

/** RFC 9110 §5: a name, a colon, a value. */
function headersOf(written: readonly string[]): Result<ReadonlyMap<string, string>> {
  const headers = new Map<string, string>();
  for (const line of written) {
    const match = /^([!#$%&'*+.^_`|~\w-]+):\s*(\S.*)$/.exec(line);
    if (match === null) return refusal('--header takes a name and a value, as in "Accept-Language: de"');
    headers.set((match[1] ?? "").toLowerCase(), match[2] ?? "");
  }
  return { ok: true, value: headers };
}

const runsOf = ({ engine, runSpecimens }: ReadingOptions, configured: "run" | "count"): Runs => {
  if (engine === "read") return { pages: false, specimens: "none" };
  const pages = engine === "render";
  if (pages || runSpecimens === true) return { pages, specimens: "all" };
  return { pages, specimens: configured === "run" && runSpecimens !== false ? "own" : "named" };
};

function settledColours(
  { themes: asked }: ReadingOptions,
  settlement: Settlement,
): Result<Pick<ColourPlan, "themes" | "colourSchemes">> {
  const configured = settlement.config.schemes ?? [];
  const themes: Theme[] = [];
  for (const word of [...configured.filter((one) => one.includes("=")), ...(asked ?? [])]) {
    const match = /^([a-z][a-z0-9-]*)=(.+)$/i.exec(word);
    if (match === null)
      return refusal(`--theme ${word} names no attribute and value; write it as data-theme=dark`);
    themes.push({ attribute: (match[1] ?? "").toLowerCase(), value: match[2] ?? "" });
  }
  const colourSchemes = configured.filter(
    (word): word is "light" | "dark" => word === "light" || word === "dark",
  );
  const asAsked = colourSchemes.length === 0 ? ["as the page asks"] : colourSchemes;
  settlement.settle(
    "schemes",
    "--theme",
    asked === undefined ? undefined : [...asAsked, ...themes.map(themeName)],
    settlement.config.schemes,
    asAsked,
  );
  return { ok: true, value: { themes, colourSchemes: colourSchemes.length === 0 ? null : colourSchemes } };
}

const listable: readonly Outcome[] = ["failed", "cantTell", "passed"];

/** Words that are listed, each of which must be known; in the order of the list. */
function knownWords<Word extends string>(
  listed: readonly string[],
  known: readonly Word[],
  what: (unknown: string) => string,
): Result<readonly Word[]> {
  const words: Word[] = [];
  for (const one of listed) {
    const word = known.find((other) => other === one);
    if (word === undefined)
      return refusal(`${what(one)}; ${nearestWord(one, known) ?? known.join(", ")} is one`);
    words.push(word);
  }
  return { ok: true, value: words };
}

function settledOutcomes(options: AuditOptions, settlement: Settlement): Result<readonly Outcome[]> {
  const { output } = settlement.config;
  const usual = ["failed", "cantTell"];
  return knownWords(
    settlement.settle("output.outcomes", "--outcomes", options.outcomes, output?.outcomes, usual),
    listable,
    (word) => `there is no outcome "${word}" to list`,
  );
}

function settledEvents(options: AuditOptions, settlement: Settlement): Result<readonly FollowedKind[]> {
  const { output } = settlement.config;
  return knownWords(
    settlement.settle<readonly string[]>(
      "output.events",
      "--events",
      options.events,
      output?.events,
      usualKinds,
    ),
    followedKinds,
    (word) => `there is no event "${word}" to tell`,
  );
}

function settledConformance({ wcag, level }: AuditOptions, settlement: Settlement): CheckPlan["conformance"] {
  const { conformance } = settlement.config;
  return {
    wcag: settlement.settle("conformance.wcag", "--wcag", wcag, conformance?.wcag, "2.2"),
    level: settlement.settle("conformance.level", "--level", level, conformance?.level, "AA"),
  };
}
