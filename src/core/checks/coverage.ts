import type { Outcome } from "../findings/verdict.ts";
import { type CriterionNumber, criteria } from "../standards/criteria.ts";
import type { Check } from "./check.ts";
import type { PageFacts } from "./page-facts.ts";
import { remaining } from "./remaining.ts";
import type { Tally } from "./run.ts";

/** What an audit says of one criterion. */
export interface CriterionRow {
  readonly criterion: CriterionNumber;
  readonly handle: string;
  readonly level: "A" | "AA" | "AAA";
  /**
   * `failed`: a check says so; `cantTell`: a person must judge it; `passed`: checked, and nothing is left to ask;
   * `inapplicable`: nothing here is about it; `untested`: some of its checks did not run.
   */
  readonly outcome: Outcome;
  readonly checks: readonly string[];
  readonly failed: number;
  /** What a person must look at; null where nothing remains. */
  readonly question: string | null;
}

/** One row for each criterion asked for, in the order of the standard. `checks` are all there are, `ran` those that did. */
export function criterionRows(
  demanded: readonly CriterionNumber[],
  checks: readonly Check[],
  ran: ReadonlySet<string>,
  tallies: ReadonlyMap<CriterionNumber, Tally>,
  facts: PageFacts,
): readonly CriterionRow[] {
  return demanded.map((criterion) => {
    const tally = tallies.get(criterion) ?? { passed: 0, failed: 0, cantTell: 0 };
    const asked = remaining(criterion, facts);
    const question =
      tally.cantTell === 0
        ? asked
        : [`${tally.cantTell} ${tally.cantTell === 1 ? "question" : "questions"} above.`, asked]
            .filter((part) => part !== null)
            .join(" ");
    const ids = checks.filter((check) => check.criteria.includes(criterion)).map((check) => check.id);
    const isWhole = ids.every((id) => ran.has(id));
    const outcome =
      tally.failed > 0
        ? "failed"
        : !isWhole
          ? "untested"
          : question !== null
            ? "cantTell"
            : tally.passed > 0
              ? "passed"
              : "inapplicable";
    const { handle, level } = criteria[criterion];
    return {
      criterion,
      handle,
      level,
      outcome,
      checks: ids,
      failed: tally.failed,
      question,
    };
  });
}
