import { audit, reaches } from "../answers/audit.ts";
import { nodeHost } from "../host/node.ts";
import { auditJson } from "../report/json/audit.ts";
import { unknownComponentsJson } from "../report/json/unknown-components.ts";
import { auditText } from "../report/terminal/audit.ts";
import { settingsText } from "../report/terminal/settings.ts";
import { unknownComponentsText } from "../report/terminal/unknown-components.ts";
import type { AuditArguments } from "./audit.ts";
import { askedFor } from "./audit-request.ts";
import { progressLine } from "./progress.ts";
import { COULD_NOT, complain, DONE, deliver, FOUND, paintOf, reportProblems } from "./run-context.ts";
import { everyCheck, settingsFor } from "./settings.ts";
import { packageVersion } from "./version.ts";

export async function runAudit(args: AuditArguments): Promise<void> {
  const host = nodeHost();
  const found = await settingsFor(args, host);
  if (!found.ok) return complain(found.message);
  const { settings } = found;
  const asked = await askedFor(args, settings, host);
  if (typeof asked === "string") return complain(asked);
  const paint = paintOf(args);
  if (args["show-config"]) {
    await deliver([settingsText(settings.inForce, paint)], args, host);
    return;
  }
  const progress = progressLine(args.quiet);
  const answer = await audit(asked.request, host, (page, done, total) =>
    progress.show(`auditing ${done + 1} of ${total}: ${page.name}`),
  );
  progress.clear();
  reportProblems(answer.problems);
  if (args["unknown-components"]) {
    const listed =
      args.format === "json" ? unknownComponentsJson(answer) : unknownComponentsText(answer, paint);
    if (await deliver([listed], args, host)) process.exitCode = answer.incomplete ? COULD_NOT : DONE;
    return;
  }
  const text =
    args.format === "json"
      ? `${auditJson(answer, packageVersion())}\n`
      : answer.subjects.length === 0
        ? ""
        : auditText(answer, {
            paint,
            checks: everyCheck,
            all: asked.all,
            quiet: args.quiet,
            families: asked.shownFamilies,
            coverage: args.only === undefined && args["skip-check"] === undefined,
          });
  if (!(await deliver([text], args, host))) return;
  process.exitCode = answer.incomplete ? COULD_NOT : reaches(answer.findings, asked.failOn) ? FOUND : DONE;
}
