import type { Finding, Outcome } from "../findings/verdict.ts";
import type { Scene } from "../scene/scene.ts";
import type { Check } from "./check.ts";

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

/** Runs checks on a scene. Findings of every outcome are returned; the caller chooses which to show. */
export function runChecks(scene: Scene, checks: readonly Check[]): RunResult {
  const findings: Finding[] = [];
  const results: CheckResult[] = [];
  for (const check of checks) {
    const counts = { passed: 0, failed: 0, cantTell: 0 };
    if (check.pageOnly !== true || scene.document.kind === "document") {
      for (const element of check.looksAt(scene)) {
        const verdict = check.judge(element, scene);
        if (verdict.outcome === "inapplicable") continue;
        counts[verdict.outcome]++;
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
