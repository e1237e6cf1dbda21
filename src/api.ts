import { type AuditAnswer, audit as auditPlanned } from "./answers/audit.ts";
import { plannedAudit } from "./answers/planned.ts";
import { problemText } from "./core/findings/problems.ts";
import type { Host } from "./host/host.ts";
import { nodeHost } from "./host/node.ts";
import { Workspace } from "./host/workspace.ts";
import type { AuditOptions } from "./settings/options.ts";

/** What an audit needs of the outside, and what it may make use of again. */
export interface AuditSurroundings {
  /** Files, clock and working directory: the real ones of this process where nothing is given. */
  readonly host?: Host;
  /** What earlier audits made: only what has changed since is done again. */
  readonly workspace?: Workspace;
  /** Ends the audit early: the promise is rejected with the reason of the signal. */
  readonly signal?: AbortSignal;
}

/**
 * What `keel audit` finds: the same targets, options, configuration and defaults.
 * @param targets files, folders and globs; with none, what the configuration lists, else the working directory
 * @throws Error where the options or the configuration cannot be used, with the line that the command would print
 */
export async function audit(
  targets: string | readonly string[],
  options: AuditOptions = {},
  { host = nodeHost(), workspace = new Workspace(), signal }: AuditSurroundings = {},
): Promise<AuditAnswer> {
  const planned = await plannedAudit([targets].flat(), options, host);
  if (!planned.ok) throw new Error(problemText(planned.problem));
  return auditPlanned(planned.value.plan, host, { workspace, signal });
}

export type { AuditAnswer, FindingAnswer } from "./answers/audit.ts";
export { defineConfig } from "./config/define-config.ts";
export { type Config, configSchema } from "./config/schema.ts";
export { catalogue, everyCheck } from "./core/checks/catalogue.ts";
export type { Check } from "./core/checks/check.ts";
export type { Host } from "./host/host.ts";
export { nodeHost } from "./host/node.ts";
export { Workspace } from "./host/workspace.ts";
export { auditJson } from "./report/json/audit.ts";
export { type AuditDocument, auditSchema } from "./report/json/audit-schema.ts";
export { contrastSchema, paletteSchema, solvedPaletteSchema } from "./report/json/contrast-schema.ts";
export { hearSchema } from "./report/json/hear-schema.ts";
export { inspectionSchema } from "./report/json/inspection-schema.ts";
export { mendSchema } from "./report/json/mend-schema.ts";
export { treeSchema } from "./report/json/tree-schema.ts";
export { unknownComponentsSchema } from "./report/json/unknown-components.ts";
export { paletteVisionSchema, visionSchema } from "./report/json/vision-schema.ts";
export { walkSchema } from "./report/json/walk-schema.ts";
export type { AuditOptions } from "./settings/options.ts";
