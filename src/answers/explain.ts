import { checkWith, everyCheck } from "../core/checks/catalogue.ts";
import { type Check, type Family, families, familyOf } from "../core/checks/check.ts";
import { type ExampleSource, outcomeOf } from "../core/checks/example.ts";
import { remainingInGeneral } from "../core/checks/remaining.ts";
import { understandingAddress } from "../core/standards/conformance.ts";
import { type Criterion, type CriterionNumber, criteria } from "../core/standards/criteria.ts";

/** A criterion as it is told. */
export interface CriterionText extends Criterion {
  readonly number: CriterionNumber;
  readonly address: string;
}

/** A check with what its examples show; those of checks across pages hold several pages. */
export interface CheckExplanation {
  readonly kind: "check";
  readonly check: Check;
  readonly criteria: readonly CriterionText[];
  readonly broken: string | null;
  readonly asked: string | null;
  readonly kept: string | null;
}

export interface CriterionExplanation {
  readonly kind: "criterion";
  readonly criterion: CriterionText;
  readonly checks: readonly Check[];
  /** What no check decides; null where nothing that source shows is left. */
  readonly remains: string | null;
}

export interface FamilyExplanation {
  readonly kind: "family";
  readonly family: Family;
  readonly about: string;
  readonly checks: readonly Check[];
}

export type Explanation = CheckExplanation | CriterionExplanation | FamilyExplanation;

/** Every family with its checks, in order. */
export const catalogueOf = (): readonly (FamilyExplanation & {
  readonly explained: readonly CheckExplanation[];
})[] =>
  (Object.keys(families) as Family[]).map((family) => {
    const checks = everyCheck.filter((check) => familyOf(check.id) === family);
    return { kind: "family", family, about: families[family], checks, explained: checks.map(explainCheck) };
  });

/** What there is to say of a check, a criterion or a family; null for none of them. */
export function explained(topic: string): Explanation | null {
  const check = checkWith(topic);
  if (check !== undefined) return explainCheck(check);
  if (Object.hasOwn(criteria, topic)) return explainCriterion(topic as CriterionNumber);
  return Object.hasOwn(families, topic)
    ? (catalogueOf().find(({ family }) => family === topic) ?? null)
    : null;
}

const criterionText = (number: CriterionNumber): CriterionText => ({
  ...criteria[number],
  number,
  address: understandingAddress(number),
});

function explainCheck(check: Check): CheckExplanation {
  const firstOf = (outcome: ReturnType<typeof outcomeOf>): string | null => {
    for (const example of check.examples) if (outcomeOf(example) === outcome) return sourceOf(example);
    return null;
  };
  return {
    kind: "check",
    check,
    criteria: check.criteria.map(criterionText),
    broken: firstOf("broken"),
    asked: firstOf("asked"),
    kept: firstOf("kept"),
  };
}

const sources: readonly ExampleSource[] = ["html", "tsx", "vue", "svelte", "angular"];

/** The source of an example as people read it: several pages one after the other, a script after its page. */
function sourceOf(example: Check["examples"][number]): string {
  if ("pages" in example)
    return example.pages.map((page, place) => `<!-- page ${place + 1} -->\n${page}`).join("\n");
  const source = sources.map((kind) => example[kind]).find((text) => text !== undefined) ?? "";
  return "script" in example ? `${source}\n\n# walked by\n${example.script}` : source;
}

function explainCriterion(number: CriterionNumber): CriterionExplanation {
  return {
    kind: "criterion",
    criterion: criterionText(number),
    checks: everyCheck.filter((check) => check.criteria.includes(number)),
    remains: remainingInGeneral(number),
  };
}
