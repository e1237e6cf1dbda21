import { audit, type Level, reaches, type WcagVersion } from "../answers/audit.ts";
import { catalogue } from "../core/checks/catalogue.ts";
import { nearestWord } from "../core/document/nearest-word.ts";
import type { Outcome, Severity } from "../core/findings/verdict.ts";
import type { Theme } from "../core/scene/schemes.ts";
import { nodeHost } from "../host/node.ts";
import { auditJson } from "../report/json/audit.ts";
import { auditText } from "../report/terminal/audit.ts";
import type { AuditArguments } from "./audit.ts";
import { chooseChecks } from "./choose-checks.ts";
import { STANDARD_INPUT } from "./command.ts";
import { progressLine } from "./progress.ts";
import {
  COULD_NOT,
  complain,
  DONE,
  deliver,
  deviceOf,
  FOUND,
  loadOptions,
  paintOf,
  reportProblems,
  wrongWindow,
} from "./run-context.ts";
import { packageVersion } from "./version.ts";

const outcomes: readonly Outcome[] = ["failed", "cantTell", "passed"];

export async function runAudit(args: AuditArguments): Promise<void> {
  const host = nodeHost();
  const device = deviceOf(args);
  if (device === null) return complain(wrongWindow(args));
  // `--only names page.html`: a page after a list of checks is still a page.
  const [only, afterOnly] = apart(args.only);
  const [skip, afterSkip] = apart(args["skip-check"]);
  const chosen = chooseChecks(catalogue, only, skip);
  if (!chosen.ok) return complain(chosen.message);
  const wanted = args.outcomes.split(",").map((word) => word.trim());
  const unknown = wanted.find((word) => !outcomes.includes(word as Outcome));
  if (unknown !== undefined)
    return complain(
      `there is no outcome "${unknown}" to list; ${nearestWord(unknown, outcomes) ?? outcomes.join(", ")} is one`,
    );
  if (!(args["max-size"] > 0)) return complain("--max-size must be a number of megabytes above 0");

  const themes: Theme[] = [];
  for (const written of args.theme ?? []) {
    const match = /^([a-z][a-z0-9-]*)=(.+)$/i.exec(written);
    if (match === null)
      return complain(`--theme ${written} names no attribute and value; write it as data-theme=dark`);
    themes.push({ attribute: (match[1] ?? "").toLowerCase(), value: match[2] ?? "" });
  }

  const progress = progressLine(args.quiet);
  const answer = await audit(
    {
      ...loadOptions({ ...args, targets: [...args.targets, ...afterOnly, ...afterSkip] }, host),
      device,
      checks: chosen.checks,
      themes,
      wcag: args.wcag as WcagVersion,
      level: args.level as Level,
      outcomes: wanted as Outcome[],
    },
    host,
    (page, done, total) => progress.show(`auditing ${done + 1} of ${total}: ${page.name}`),
  );
  progress.clear();
  reportProblems(answer.problems);
  const text =
    args.format === "json"
      ? `${auditJson(answer, packageVersion())}\n`
      : answer.subjects.length === 0
        ? ""
        : auditText(answer, { paint: paintOf(args), checks: catalogue, all: args.all, quiet: args.quiet });
  if (!(await deliver([text], args, host))) return;
  process.exitCode = answer.incomplete
    ? COULD_NOT
    : reaches(answer.findings, args["fail-on"] as Severity | "never")
      ? FOUND
      : DONE;
}

/** Checks and families, apart from what can only be a page or folder. */
function apart(
  words: readonly string[] | undefined,
): readonly [checks: readonly string[] | undefined, targets: readonly string[]] {
  const isTarget = (word: string) => word === STANDARD_INPUT || word === "." || /[/\\*]|\.html?$/i.test(word);
  return [words?.filter((word) => !isTarget(word)), words?.filter(isTarget) ?? []];
}
