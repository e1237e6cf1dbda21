import { addTallies, type CheckResult, type Tally } from "../core/checks/run.ts";
import type { Outcome } from "../core/findings/verdict.ts";
import type { CriterionNumber } from "../core/standards/criteria.ts";
import type { UnitSubject } from "../engine/unit.ts";

/** One page, fragment or component that was audited because of a target, with how each check went on it. */
export interface Subject extends UnitSubject {
  readonly elements: number;
  readonly outcomes: Readonly<Record<Outcome, number>>;
  readonly results: readonly CheckResult[];
}

export const subjectOf = (unit: UnitSubject, elements: number, results: readonly CheckResult[]): Subject => ({
  ...unit,
  elements,
  outcomes: outcomesOf(results),
  results,
});

/** How many checks came out in each way. */
function outcomesOf(results: readonly CheckResult[]): Subject["outcomes"] {
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
function addResults(known: CheckResult | undefined, more: CheckResult): CheckResult {
  if (known === undefined) return more;
  const outcome =
    ranked.indexOf(known.outcome) <= ranked.indexOf(more.outcome) ? known.outcome : more.outcome;
  return { id: more.id, outcome, targets: known.targets + more.targets, ...addTallies(known, more) };
}

/** How checks went, added up over whatever they were made of. */
export class Results {
  readonly #results = new Map<string, CheckResult>();
  readonly #tallies = new Map<CriterionNumber, Tally>();

  get all(): readonly CheckResult[] {
    return [...this.#results.values()];
  }

  get tallies(): ReadonlyMap<CriterionNumber, Tally> {
    return this.#tallies;
  }

  of(id: string): CheckResult | undefined {
    return this.#results.get(id);
  }

  add(results: Iterable<CheckResult>): void {
    for (const result of results)
      this.#results.set(result.id, addResults(this.#results.get(result.id), result));
  }

  /** What is said of criteria. */
  addTallies(tallies: Iterable<readonly [CriterionNumber, Tally]>): void {
    for (const [criterion, tally] of tallies)
      this.#tallies.set(criterion, addTallies(this.#tallies.get(criterion), tally));
  }
}
