import type { Finding, Outcome } from "../findings/verdict.ts";
import type { Scene } from "../scene/scene.ts";
import { type Check, type CheckSettings, usualSettings } from "./check.ts";

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

export interface RunResult {
  readonly findings: readonly Finding[];
  readonly checks: readonly CheckResult[];
}

const everyOutcome: readonly Outcome[] = ["failed", "cantTell", "passed"];

/** Runs checks on a scene. Every target is counted; findings are made for the outcomes asked for. */
export function runChecks(
  scene: Scene,
  checks: readonly Check[],
  outcomes: readonly Outcome[] = everyOutcome,
  settingsOf: (check: Check) => CheckSettings = () => usualSettings,
): RunResult {
  const findings: Finding[] = [];
  const results: CheckResult[] = [];
  for (const check of checks) {
    const counts = { passed: 0, failed: 0, cantTell: 0 };
    const settings = settingsOf(check);
    if (check.pageOnly !== true || scene.document.kind === "document") {
      for (const element of check.looksAt(scene)) {
        const verdict = check.judge(element, scene, settings);
        if (verdict.outcome === "inapplicable") continue;
        counts[verdict.outcome]++;
        if (!outcomes.includes(verdict.outcome)) continue;
        const judged = verdict.outcome === "passed" ? null : verdict;
        findings.push({
          check: check.id,
          outcome: verdict.outcome,
          severity: check.severity,
          criteria: judged?.criteria ?? check.criteria,
          element,
          source: judged?.source ?? element.source,
          message: judged?.message ?? "",
          repair: judged?.repair ?? null,
          facts: verdict.facts ?? {},
          cause: judged?.cause ?? null,
          origins: judged?.origins ?? [],
        });
      }
    }
    const targets = counts.passed + counts.failed + counts.cantTell;
    const outcome: Outcome =
      counts.failed > 0
        ? "failed"
        : counts.cantTell > 0
          ? "cantTell"
          : targets > 0
            ? "passed"
            : "inapplicable";
    results.push({ id: check.id, outcome, targets, ...counts });
  }
  return { findings, checks: results };
}
