import type { AuditOptions } from "../settings/options.ts";
import type { AuditArguments } from "./audit.ts";
import { checksAndTargets, listOf, readingOf, targetsOf } from "./options.ts";

/** The arguments of commands that audit, as far as they say what is audited and how. */
type AuditChoice = Pick<AuditArguments, "targets"> & Partial<Omit<AuditArguments, "targets" | "format">>;

/** What is asked for on the command line, in the terms of the settings. */
export function auditOptionsOf(args: AuditChoice): {
  readonly targets: readonly string[];
  readonly options: AuditOptions;
} {
  // `--only names page.html`: a page after a list of checks is still a page.
  const [only, afterOnly] = checksAndTargets(args.only);
  const [skipChecks, afterSkip] = checksAndTargets(args["skip-check"]);
  return {
    targets: targetsOf([...args.targets, ...afterOnly, ...afterSkip]),
    options: {
      ...readingOf(args),
      themes: args.theme,
      wcag: args.wcag,
      level: args.level,
      only,
      skipChecks,
      outcomes: listOf(args.outcomes),
      shots: args.shots,
      failOn: args["fail-on"],
      all: args.all,
      cache: args.cache,
      cacheDir: args["cache-dir"],
      workers: args.workers,
      showWorlds: args["show-worlds"],
    },
  };
}
