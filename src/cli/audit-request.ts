import path from "node:path";
import type { AuditRequest } from "../answers/audit.ts";
import { readPalette } from "../answers/contrast.ts";
import { catalogue } from "../core/checks/catalogue.ts";
import type { Family } from "../core/checks/check.ts";
import { pressedCatalogue } from "../core/checks/pressed/catalogue.ts";
import { scriptCheck } from "../core/checks/pressed/script-check.ts";
import { siteCatalogue } from "../core/checks/site/catalogue.ts";
import { nearestWord } from "../core/document/nearest-word.ts";
import type { Outcome, Severity } from "../core/findings/verdict.ts";
import type { NamedColour } from "../core/scene/scene.ts";
import { type Theme, themeName } from "../core/scene/schemes.ts";
import type { Host } from "../host/host.ts";
import { chooseChecks } from "./choose-checks.ts";
import { type EngineArguments, engineOf, type PageArguments, STANDARD_INPUT } from "./command.ts";
import { checkPlan, everyCheck, pageSettings, type Settings } from "./settings.ts";
import { packageVersion } from "./version.ts";

const outcomes: readonly Outcome[] = ["failed", "cantTell", "passed"];

/** Options that say what is audited, and how. */
export interface AuditChoice extends PageArguments, Partial<EngineArguments> {
  readonly "fail-on"?: string | undefined;
  readonly wcag?: string | undefined;
  readonly level?: string | undefined;
  readonly only?: string[] | undefined;
  readonly "skip-check"?: string[] | undefined;
  readonly theme?: string[] | undefined;
  readonly outcomes?: string | undefined;
  readonly all?: boolean | undefined;
  readonly cache: boolean;
}

/** What an audit is asked for, once all is settled. */
export interface Asked {
  readonly request: AuditRequest;
  readonly failOn: Severity | "never";
  readonly all: boolean;
  /** The families that are shown; null for all. */
  readonly shownFamilies: readonly Family[] | null;
}

/** Settles every option with the configuration; a message where one of them cannot be. */
export async function askedFor(args: AuditChoice, settings: Settings, host: Host): Promise<Asked | string> {
  const { config, base } = settings;
  // `--only names page.html`: a page after a list of checks is still a page.
  const [only, afterOnly] = apart(args.only);
  const [skip, afterSkip] = apart(args["skip-check"]);
  const pages = pageSettings(
    { ...args, targets: [...args.targets, ...afterOnly, ...afterSkip] },
    settings,
    host,
  );
  if (!pages.ok) return pages.message;
  const chosen = chooseChecks(everyCheck, only, skip);
  if (!chosen.ok) return chosen.message;
  const ids = new Set(chosen.checks.map((check) => check.id));

  const listed = settings.settle(
    "output.outcomes",
    "outcomes",
    args.outcomes?.split(",").map((word) => word.trim()),
    config.output?.outcomes,
    ["failed", "cantTell"],
  );
  const unknown = listed.find((word) => !outcomes.includes(word as Outcome));
  if (unknown !== undefined)
    return `there is no outcome "${unknown}" to list; ${nearestWord(unknown, outcomes) ?? outcomes.join(", ")} is one`;
  const configured = config.schemes ?? [];
  const themes = themesOf([...configured.filter((word) => word.includes("=")), ...(args.theme ?? [])]);
  if (typeof themes === "string") return themes;
  const colourSchemes = configured.filter(
    (word): word is "light" | "dark" => word === "light" || word === "dark",
  );
  const asAsked = colourSchemes.length === 0 ? ["as the page asks"] : colourSchemes;
  settings.settle(
    "schemes",
    "theme",
    args.theme === undefined ? undefined : [...asAsked, ...themes.map(themeName)],
    config.schemes,
    asAsked,
  );
  const palette = await configuredPalette(settings, base, host);
  if (typeof palette === "string") return palette;
  const plan = checkPlan(
    args,
    settings,
    host,
    catalogue.filter((check) => ids.has(check.id)),
    new Set((only ?? []).flatMap((word) => word.split(","))),
  );
  const engine = engineOf(args);
  if (typeof engine === "string") return engine;
  const failOn = settings.settle("failOn", "fail-on", args["fail-on"], config.failOn, "friction");
  const shownFamilies = settings.settle<readonly Family[] | null>(
    "output.families",
    "all",
    undefined,
    config.output?.families,
    null,
  );
  const all = settings.settle("output.all", "all", args.all, config.output?.all, false);
  for (const [id, setting] of Object.entries(config.checks ?? {})) settings.note(`checks.${id}`, setting);
  for (const { files, checks } of config.overrides ?? [])
    settings.note(`overrides for ${files.join(", ")}`, checks);
  const [firstScheme] = colourSchemes;
  return {
    request: {
      ...pages.value,
      device: { ...pages.value.device, ...(firstScheme === undefined ? {} : { colourScheme: firstScheme }) },
      ...plan,
      siteChecks: siteCatalogue.filter((check) => ids.has(check.id)),
      ...engine,
      pressedChecks: [...pressedCatalogue, scriptCheck].filter((check) => ids.has(check.id)),
      themes,
      colourSchemes: colourSchemes.length === 0 ? null : colourSchemes,
      palette,
      outcomes: listed as Outcome[],
      trials: "usual",
      cache: args.cache
        ? {
            key: JSON.stringify([
              packageVersion(),
              config,
              only,
              skip,
              plan.conformance,
              pages.value.device,
              themes,
            ]),
          }
        : null,
    },
    failOn: failOn as Severity | "never",
    all,
    shownFamilies: all ? null : shownFamilies,
  };
}

function themesOf(written: readonly string[]): readonly Theme[] | string {
  const themes: Theme[] = [];
  for (const word of written) {
    const match = /^([a-z][a-z0-9-]*)=(.+)$/i.exec(word);
    if (match === null) return `--theme ${word} names no attribute and value; write it as data-theme=dark`;
    themes.push({ attribute: (match[1] ?? "").toLowerCase(), value: match[2] ?? "" });
  }
  return themes;
}

async function configuredPalette(
  settings: Settings,
  base: string,
  host: Host,
): Promise<readonly NamedColour[] | string> {
  const { palette } = settings.config;
  settings.note("palette", palette);
  if (palette === undefined) return [];
  const read = await readPalette(path.resolve(base, palette), host);
  return read.ok ? read.value : `${read.problem.target}: ${read.problem.message}`;
}

/** Checks and families, apart from what can only be a page or folder. */
export function apart(
  words: readonly string[] | undefined,
): readonly [checks: readonly string[] | undefined, targets: readonly string[]] {
  const isTarget = (word: string) =>
    word === STANDARD_INPUT || word === "." || /[/\\*]|\.(?:html?|[cm]?[jt]sx?|vue|svelte)$/i.test(word);
  return [words?.filter((word) => !isTarget(word)), words?.filter(isTarget) ?? []];
}
