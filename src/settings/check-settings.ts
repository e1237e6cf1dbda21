import path from "node:path";
import picomatch from "picomatch";
import type { CheckSetting, Config } from "../config/schema.ts";
import { type Check, familyOf } from "../core/checks/check.ts";
import type { PageCheckSettings } from "./check-plan.ts";

/** The settings of every check for a page: those of its family, then its own, then what overrides say for the file. */
export function checkSettings(
  config: Config,
  base: string,
  workingDirectory: string,
  asked: ReadonlySet<string>,
): (page: string) => (check: Check) => PageCheckSettings {
  const overrides = (config.overrides ?? []).map(({ files, checks }) => ({
    fits: picomatch([...files], { dot: true }),
    checks,
  }));
  const known = new Map<string, (check: Check) => PageCheckSettings>();
  return (page) => {
    const file = path.relative(base, path.resolve(workingDirectory, page)).split(path.sep).join("/");
    const fitting = overrides.filter(({ fits }) => fits(file));
    const key = fitting.map((override) => overrides.indexOf(override)).join(" ");
    let settings = known.get(key);
    if (settings === undefined) {
      settings = remembered([config.checks, ...fitting.map(({ checks }) => checks)], asked);
      known.set(key, settings);
    }
    return settings;
  };
}

/** A check that is asked for by name on the command line runs, whatever the configuration says. */
function remembered(
  layers: readonly Config["checks"][],
  asked: ReadonlySet<string>,
): (check: Check) => PageCheckSettings {
  const known = new Map<string, PageCheckSettings>();
  return (check) => {
    let settings = known.get(check.id);
    if (settings === undefined) {
      settings = layers
        .flatMap((layer) => [layer?.[familyOf(check.id)], layer?.[check.id]])
        .reduce(withSetting, { off: false, severity: null, words: [] });
      if (asked.has(check.id)) settings = { ...settings, off: false };
      known.set(check.id, settings);
    }
    return settings;
  };
}

function withSetting(settings: PageCheckSettings, setting: CheckSetting | undefined): PageCheckSettings {
  if (setting === undefined) return settings;
  const { severity, words } =
    typeof setting === "string" ? { severity: setting } : { words: undefined, ...setting };
  return {
    off: severity === undefined ? settings.off : severity === "off",
    severity: severity === undefined || severity === "off" ? settings.severity : severity,
    words: words ?? settings.words,
  };
}
