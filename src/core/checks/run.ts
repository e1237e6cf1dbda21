import type { Finding, Outcome } from "../findings/verdict.ts";
import type { Scene } from "../scene/scene.ts";
import type { CriterionNumber } from "../standards/criteria.ts";
import { type CheckSettings, type PageCheck, usualSettings } from "./check.ts";

/** How one check went on one subject. */
export interface CheckResult {
  readonly id: string;
  /** The worst outcome among its targets; inapplicable without any. */
  readonly outcome: Outcome;
  readonly targets: number;
  readonly passed: number;
  readonly failed: number;
  readonly cantTell: number;
}

/** How many targets of all checks together speak for and against something. */
export interface Tally {
  readonly passed: number;
  readonly failed: number;
  readonly cantTell: number;
}

export interface RunResult {
  readonly findings: readonly Finding[];
  readonly checks: readonly CheckResult[];
  /** What all checks together say of each criterion they are about. */
  readonly criteria: ReadonlyMap<CriterionNumber, Tally>;
  /** How many verdicts were let pass, and count nowhere else. */
  readonly allowed: number;
}

/** Adds two tallies; a missing one counts nothing. */
export const addTallies = (a: Tally | undefined, b: Tally): Tally =>
  a === undefined
    ? b
    : { passed: a.passed + b.passed, failed: a.failed + b.failed, cantTell: a.cantTell + b.cantTell };

const everyOutcome: readonly Outcome[] = ["failed", "cantTell", "passed"];

/** The worst outcome of all targets speaks for the check. */
export function checkResult(id: string, counts: Tally): CheckResult {
  const targets = counts.passed + counts.failed + counts.cantTell;
  const outcome: Outcome =
    counts.failed > 0 ? "failed" : counts.cantTell > 0 ? "cantTell" : targets > 0 ? "passed" : "inapplicable";
  return { id, outcome, targets, ...counts };
}

const one: Readonly<Record<"passed" | "failed" | "cantTell", Tally>> = {
  passed: { passed: 1, failed: 0, cantTell: 0 },
  failed: { passed: 0, failed: 1, cantTell: 0 },
  cantTell: { passed: 0, failed: 0, cantTell: 1 },
};

/** Runs checks on a scene. Every target is counted; findings are made for the outcomes asked for. */
export function runChecks(
  scene: Scene,
  checks: readonly PageCheck[],
  outcomes: readonly Outcome[] = everyOutcome,
  settingsOf: (check: PageCheck) => CheckSettings = () => usualSettings,
  isAllowed: (finding: Finding) => boolean = () => false,
): RunResult {
  const findings: Finding[] = [];
  const results: CheckResult[] = [];
  const criteria = new Map<CriterionNumber, Tally>();
  let allowed = 0;
  for (const check of checks) {
    const counts = { passed: 0, failed: 0, cantTell: 0 };
    const settings = settingsOf(check);
    if (check.pageOnly !== true || scene.document.kind === "document") {
      for (const element of check.looksAt(scene)) {
        const verdict = check.judge(element, scene, settings);
        if (verdict.outcome === "inapplicable") continue;
        const judged = verdict.outcome === "passed" ? null : verdict;
        const finding: Finding = {
          check: check.id,
          outcome: verdict.outcome,
          severity: settings.severity ?? check.severity,
          criteria: judged?.criteria ?? check.criteria,
          element,
          source: judged?.source ?? element.source,
          message: judged?.message ?? "",
          repair: judged?.repair ?? null,
          facts: verdict.facts ?? {},
          cause: judged?.cause ?? null,
          origins: judged?.origins ?? [],
        };
        if (judged !== null && isAllowed(finding)) {
          allowed++;
          continue;
        }
        counts[verdict.outcome]++;
        for (const number of finding.criteria)
          criteria.set(number, addTallies(criteria.get(number), one[verdict.outcome]));
        if (outcomes.includes(verdict.outcome)) findings.push(finding);
      }
    }
    results.push(checkResult(check.id, counts));
  }
  return { findings, checks: results, criteria, allowed };
}
