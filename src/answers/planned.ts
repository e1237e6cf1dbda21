import path from "node:path";
import { type LoadedConfig, loadConfig } from "../config/load.ts";
import { everyCheck } from "../core/checks/catalogue.ts";
import { families } from "../core/checks/check.ts";
import { problemText, type Result, refusal } from "../core/findings/problems.ts";
import { buildId } from "../host/build-id.ts";
import type { Host } from "../host/host.ts";
import type { AuditOptions, ReadingOptions } from "../settings/options.ts";
import {
  type AuditPlan,
  auditPlan,
  type Circumstances,
  type Planned,
  type ReadingPlan,
  readingPlan,
} from "../settings/plan.ts";
import { readPalette } from "./palette-file.ts";

/** What a command that reads pages goes by, with the configuration that is in force; or in one line why it cannot go. */
export async function plannedReading(
  targets: readonly string[],
  options: ReadingOptions,
  host: Host,
): Promise<Result<Planned<ReadingPlan>>> {
  const found = await circumstances(options, host);
  return found.ok ? readingPlan(targets, options, found.value) : found;
}

/** What an audit goes by, with the configuration that is in force; or in one line why it cannot go. */
export async function plannedAudit(
  targets: readonly string[],
  options: AuditOptions,
  host: Host,
): Promise<Result<Planned<AuditPlan>>> {
  const found = await circumstances(options, host);
  return found.ok ? auditPlan(targets, options, found.value) : found;
}

async function circumstances({ config, engine }: ReadingOptions, host: Host): Promise<Result<Circumstances>> {
  const { workingDirectory } = host;
  const loaded =
    config === false
      ? { ok: true as const, loaded: null }
      : await configIn(config ?? null, engine !== "read", host);
  if (!loaded.ok) return refusal(loaded.message);
  const palette = await paletteOf(loaded.loaded, host);
  if (!palette.ok) return refusal(problemText(palette.problem));
  return {
    ok: true,
    value: {
      loaded: loaded.loaded,
      unused: loaded.unused ?? null,
      workingDirectory,
      palette: palette.value,
      build: buildId,
    },
  };
}

const configIn = (named: string | null, runsCode: boolean, { workingDirectory }: Host) =>
  loadConfig(
    workingDirectory,
    named,
    {
      ids: everyCheck.map((check) => check.id),
      families: Object.keys(families),
      takingWords: everyCheck.filter((check) => check.takesWords !== undefined).map((check) => check.id),
    },
    { runsCode },
  );

/** The colours of the project's own, as the configuration names them. */
async function paletteOf(loaded: LoadedConfig | null, host: Host): Promise<Result<Circumstances["palette"]>> {
  const palette = loaded?.config.palette;
  return loaded === null || palette === undefined
    ? { ok: true, value: [] }
    : readPalette(path.resolve(path.dirname(loaded.file), palette), host);
}
