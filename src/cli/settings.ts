import path from "node:path";
import picomatch from "picomatch";
import type { CheckPlan } from "../answers/check-plan.ts";
import type { ReadRequest } from "../answers/read-pages.ts";
import { componentExtensions, pageExtensions } from "../answers/targets.ts";
import { type LoadedConfig, loadConfig } from "../config/load.ts";
import type { Config } from "../config/schema.ts";
import { catalogue } from "../core/checks/catalogue.ts";
import { type Check, type CheckText, families } from "../core/checks/check.ts";
import { pressedCatalogue } from "../core/checks/pressed/catalogue.ts";
import { scriptCheck } from "../core/checks/pressed/script-check.ts";
import { siteCatalogue } from "../core/checks/site/catalogue.ts";
import { type Device, desktop } from "../core/css/device.ts";
import type { Level, WcagVersion } from "../core/standards/conformance.ts";
import type { Host } from "../host/host.ts";
import type { InForce } from "../report/terminal/settings.ts";
import { checkSettings } from "./check-settings.ts";
import { type PageArguments, STANDARD_INPUT } from "./command.ts";

/** Every check there is: on one page, across pages, or by pressing keys. */
export const everyCheck: readonly CheckText[] = [
  ...catalogue,
  ...siteCatalogue,
  ...pressedCatalogue,
  scriptCheck,
];

/** Settles what is in force, the option first, then the configuration, then what is usual; and remembers which it was. */
export class Settings {
  readonly config: Config;
  readonly inForce: InForce[] = [];
  /** The folder that the paths of the configuration start from. */
  readonly base: string;
  readonly #file: string;

  constructor(loaded: LoadedConfig | null, workingDirectory: string) {
    this.config = loaded?.config ?? {};
    this.base = loaded === null ? workingDirectory : path.dirname(loaded.file);
    this.#file =
      loaded === null ? "" : path.relative(workingDirectory, loaded.file).split(path.sep).join("/");
  }

  settle<T>(name: string, option: string, asked: T | undefined, configured: T | undefined, usual: T): T {
    const value = asked ?? configured ?? usual;
    const from = asked !== undefined ? `--${option}` : configured !== undefined ? this.#file : "usual";
    this.inForce.push({ name, value: shown(value), from });
    return value;
  }

  /** What only a configuration can say. */
  note(name: string, configured: unknown): void {
    if (configured !== undefined) this.inForce.push({ name, value: shown(configured), from: this.#file });
  }
}

const shown = (value: unknown): string => {
  if (value === null) return "all";
  if (Array.isArray(value)) return value.length === 0 ? "none" : value.map(shown).join(", ");
  return typeof value === "object" && value !== null ? JSON.stringify(value) : String(value);
};

/** The configuration in force, or in one line why there is none. */
export async function settingsFor(
  args: PageArguments,
  host: Host,
): Promise<
  { readonly ok: true; readonly settings: Settings } | { readonly ok: false; readonly message: string }
> {
  if (args.config === false) return { ok: true, settings: new Settings(null, host.workingDirectory) };
  const result = await loadConfig(host.workingDirectory, args.config ?? null, {
    ids: everyCheck.map((check) => check.id),
    families: Object.keys(families),
    takingWords: everyCheck.filter((check) => check.takesWords !== undefined).map((check) => check.id),
  });
  return result.ok ? { ok: true, settings: new Settings(result.loaded, host.workingDirectory) } : result;
}

/** What is read, and for which device: the part of the settings that every command which reads pages needs. */
export interface PageSettings extends ReadRequest {
  readonly device: Device;
}

type PageResult =
  | { readonly ok: true; readonly value: PageSettings }
  | { readonly ok: false; readonly message: string };

export function pageSettings(args: PageArguments, settings: Settings, host: Host): PageResult {
  const { config, base } = settings;
  const inBase = (file: string) => path.resolve(base, file);
  /** Globs and paths of the configuration, as the command line would have them. */
  const fromHere = (target: string) =>
    (path.relative(host.workingDirectory, base) === ""
      ? target
      : path.join(path.relative(host.workingDirectory, base), target)
    )
      .split(path.sep)
      .join("/");
  const named = args.targets.map((target) => (target === STANDARD_INPUT ? "-" : target));
  const targets = settings.settle(
    "targets",
    "targets",
    named.length === 0 ? undefined : named,
    config.targets?.map(fromHere),
    ["."],
  );
  settings.note("skip", config.skip);
  settings.note("stylesheets", config.stylesheets);
  settings.note("components", config.components);
  const maxSize = settings.settle("maxSize", "max-size", args["max-size"], config.maxSize, 20);
  if (!(maxSize > 0)) return { ok: false, message: "--max-size must be a number of megabytes above 0" };
  const window = settings.settle(
    "window",
    "window",
    args.window,
    config.window,
    `${desktop.width}x${desktop.height}`,
  );
  const size = /^(\d{2,5})[x×](\d{2,5})$/i.exec(window);
  if (size === null) return { ok: false, message: `--window ${window} is no size; write it as 390x844` };
  const isSkipped = picomatch([...(config.skip ?? [])], { dot: true });
  return {
    ok: true,
    value: {
      targets,
      stdinName: args["stdin-name"],
      extensions: [...pageExtensions, ...componentExtensions],
      isSkipped: (file) => isSkipped(path.relative(base, file).split(path.sep).join("/")),
      roots: settings.settle(
        "roots",
        "root",
        args.root?.map((root) => path.resolve(host.workingDirectory, root)),
        config.roots?.map(inBase),
        [],
      ),
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
        finePointer: settings.settle("pointer", "pointer", args.pointer, config.pointer, "fine") === "fine",
        reducedMotion: settings.settle(
          "reducedMotion",
          "reduced-motion",
          args["reduced-motion"],
          config.reducedMotion,
          false,
        ),
      },
    },
  };
}

/** How a page is judged: the part of the settings that every command which runs checks needs. */
export function checkPlan(
  args: { readonly wcag?: string | undefined; readonly level?: string | undefined },
  settings: Settings,
  host: Host,
  checks: readonly Check[],
  asked: ReadonlySet<string> = new Set(),
): CheckPlan {
  const { conformance } = settings.config;
  return {
    checks,
    known: everyCheck,
    settingsFor: checkSettings(settings.config, settings.base, host.workingDirectory, asked),
    conformance: {
      wcag: settings.settle("conformance.wcag", "wcag", args.wcag, conformance?.wcag, "2.2") as WcagVersion,
      level: settings.settle("conformance.level", "level", args.level, conformance?.level, "AA") as Level,
    },
  };
}
