import { catalogue } from "../core/checks/catalogue.ts";
import { type Check, type CheckText, type Family, families, familyOf } from "../core/checks/check.ts";
import type { PageFacts } from "../core/checks/page-facts.ts";
import { type PressedCheck, pressedCatalogue } from "../core/checks/pressed/catalogue.ts";
import { scriptCheck } from "../core/checks/pressed/script-check.ts";
import { remaining } from "../core/checks/remaining.ts";
import { siteCatalogue } from "../core/checks/site/catalogue.ts";
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
  readonly check: CheckText;
  readonly criteria: readonly CriterionText[];
  readonly broken: string | null;
  readonly asked: string | null;
  readonly kept: string | null;
}

export interface CriterionExplanation {
  readonly kind: "criterion";
  readonly criterion: CriterionText;
  readonly checks: readonly CheckText[];
  /** What no check decides; null where nothing that source shows is left. */
  readonly remains: string | null;
}

export interface FamilyExplanation {
  readonly kind: "family";
  readonly family: Family;
  readonly about: string;
  readonly checks: readonly CheckText[];
}

export type Explanation = CheckExplanation | CriterionExplanation | FamilyExplanation;

const every: readonly CheckText[] = [...catalogue, ...siteCatalogue, ...pressedCatalogue, scriptCheck];

/** Every family with its checks, in order. */
export const catalogueOf = (): readonly (FamilyExplanation & {
  readonly explained: readonly CheckExplanation[];
})[] =>
  (Object.keys(families) as Family[]).map((family) => {
    const checks = every.filter((check) => familyOf(check.id) === family);
    return { kind: "family", family, about: families[family], checks, explained: checks.map(explainCheck) };
  });

/** What there is to say of a check, a criterion or a family; null for none of them. */
export function explained(topic: string): Explanation | null {
  const check = every.find(({ id }) => id === topic);
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

function explainCheck(check: CheckText): CheckExplanation {
  const ofPages: readonly (Check | PressedCheck)[] = [...catalogue, ...pressedCatalogue];
  const own = ofPages.find(({ id }) => id === check.id)?.examples;
  const across = siteCatalogue.find(({ id }) => id === check.id)?.examples;
  const pages = (set: readonly string[] | undefined): string | undefined =>
    set?.map((page, at) => `<!-- page ${at + 1} -->\n${page}`).join("\n");
  return {
    kind: "check",
    check,
    criteria: check.criteria.map(criterionText),
    broken: own?.broken[0] ?? pages(across?.broken[0]) ?? null,
    asked:
      (own !== undefined && "asked" in own ? own.asked?.[0] : undefined) ?? pages(across?.asked?.[0]) ?? null,
    kept: own?.kept[0] ?? pages(across?.kept[0]) ?? null,
  };
}

/** "1 picture: is it …?" asked of no page in particular. */
const withoutCount = (question: string | null): string | null =>
  question === null
    ? null
    : question.replace(
        /(^|\? )\d[^:?]*: (\p{L})/gu,
        (_, before: string, first: string) => `${before}${first.toUpperCase()}`,
      );

/** A page that has one of everything: what might be asked. */
const oneOfEach = new Proxy({} as PageFacts, { get: () => 1 });

function explainCriterion(number: CriterionNumber): CriterionExplanation {
  return {
    kind: "criterion",
    criterion: criterionText(number),
    checks: every.filter((check) => check.criteria.includes(number)),
    remains: withoutCount(remaining[number](oneOfEach)),
  };
}
