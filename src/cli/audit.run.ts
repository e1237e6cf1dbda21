import { audit, reaches } from "../answers/audit.ts";
import { plannedAudit } from "../answers/planned.ts";
import { everyCheck } from "../core/checks/catalogue.ts";
import { auditPieces } from "../report/json/audit.ts";
import { unknownComponentsJson } from "../report/json/unknown-components.ts";
import { auditLines, auditText } from "../report/terminal/audit.ts";
import type { AuditView } from "../report/terminal/finding.ts";
import { settingsText } from "../report/terminal/settings.ts";
import { unknownComponentsText } from "../report/terminal/unknown-components.ts";
import type { AuditPlan } from "../settings/plan.ts";
import type { AuditArguments } from "./audit.ts";
import { auditOptionsOf } from "./audit-options.ts";
import { BROKEN_OFF, COULD_NOT, DONE, FOUND, type Io, type Status } from "./io.ts";
import { RunContext } from "./run-context.ts";
import { packageVersion } from "./version.ts";

/** How much is said of the criteria: of no use where only some checks were asked for. */
const coverageOf = ({ coverage, all }: AuditArguments, { isWhole }: AuditPlan): AuditView["coverage"] =>
  coverage === true || (all === true && isWhole) ? "each" : isWhole ? "counts" : "none";

export async function runAudit(args: AuditArguments, io: Io): Promise<Status> {
  const run = new RunContext(io, args);
  const { targets, options } = auditOptionsOf(args);
  const planned = await plannedAudit(targets, options, run.host);
  if (!planned.ok) return run.refuse(planned.problem);
  const { plan, inForce } = planned.value;
  const { paint } = run;
  if (args["show-config"]) return run.deliver([settingsText(inForce, paint)], DONE);
  const enough = new AbortController();
  let hasBegun = false;
  io.onInterrupt?.(() => {
    enough.abort();
    return hasBegun;
  });
  const answer = await audit(plan, run.host, {
    enough: enough.signal,
    onPage: (...progress) => {
      hasBegun = true;
      if (!args.quiet) run.onPage(...progress);
    },
    onRuns: run.onRuns,
    onNote: run.onNote,
  });
  run.clearProgress();
  run.reportProblems(answer.problems);
  if (plan.shots !== null && answer.browser === null)
    run.remark(
      "no pictures were taken: nothing was opened in a browser. Give an address, or --engine browser.",
    );
  const reached = reaches(answer, plan.failOn) ? FOUND : DONE;
  const status = enough.signal.aborted ? BROKEN_OFF : answer.incomplete ? COULD_NOT : reached;
  if (args["unknown-components"]) {
    const text =
      args.format === "json" ? unknownComponentsJson(answer) : unknownComponentsText(answer, paint);
    return run.deliver([text], answer.incomplete ? COULD_NOT : DONE);
  }
  const view = { paint, checks: everyCheck, all: plan.all, coverage: coverageOf(args, plan) } as const;
  const writers = {
    *json() {
      yield* auditPieces(answer, packageVersion());
      yield "\n";
    },
    *terminal() {
      yield args.quiet ? auditLines(answer) : answer.subjects.length === 0 ? "" : auditText(answer, view);
    },
  } satisfies Record<AuditArguments["format"], () => Iterable<string>>;
  return run.deliver(writers[args.format](), status);
}
