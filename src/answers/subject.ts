import { addTallies, type CheckResult } from "../core/checks/run.ts";
import type { Outcome } from "../core/findings/verdict.ts";

/** One page, fragment or component that was audited because of a target. */
export interface Subject {
  readonly id: string;
  readonly target: string;
  readonly kind: "document" | "fragment" | "component";
  readonly engine: "read" | "render";
  /** The name of the specimen that it is; null for what is none. */
  readonly specimen: string | null;
  readonly state: string;
  readonly elements: number;
  readonly outcomes: Readonly<Record<Outcome, number>>;
}

/** How many checks came out in each way. */
export function outcomesOf(results: readonly CheckResult[]): Subject["outcomes"] {
  const outcomes: Record<Outcome, number> = {
    passed: 0,
    failed: 0,
    cantTell: 0,
    inapplicable: 0,
    untested: 0,
  };
  for (const result of results) outcomes[result.outcome]++;
  return outcomes;
}

const ranked: readonly Outcome[] = ["failed", "cantTell", "passed", "untested", "inapplicable"];

/** One check on two subjects: the worse outcome counts, the targets add up. */
export function addResults(known: CheckResult | undefined, more: CheckResult): CheckResult {
  if (known === undefined) return more;
  const outcome =
    ranked.indexOf(known.outcome) <= ranked.indexOf(more.outcome) ? known.outcome : more.outcome;
  return { id: more.id, outcome, targets: known.targets + more.targets, ...addTallies(known, more) };
}
