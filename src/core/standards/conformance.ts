import { type Criterion, type CriterionNumber, criteria } from "./criteria.ts";

export type WcagVersion = "2.0" | "2.1" | "2.2";
export type Level = "A" | "AA" | "AAA";

/** What a page is asked to conform to. */
export interface Conformance {
  readonly wcag: WcagVersion;
  readonly level: Level;
}

export const wcagVersions: readonly WcagVersion[] = ["2.0", "2.1", "2.2"];
export const levels: readonly Level[] = ["A", "AA", "AAA"];

/** Whether a criterion is asked for by a version and level of WCAG. WCAG 2.2 §5.2.1. */
export function isDemanded(number: CriterionNumber, { wcag, level }: Conformance): boolean {
  const row: Criterion = criteria[number];
  return (
    row.since <= wcag &&
    levels.indexOf(row.level) <= levels.indexOf(level) &&
    !(row.removedIn !== undefined && wcag >= row.removedIn)
  );
}

/** The criteria that a version and level of WCAG ask for, in the order of the standard. */
export const demandedCriteria = (conformance: Conformance): readonly CriterionNumber[] =>
  (Object.keys(criteria) as CriterionNumber[]).filter((number) => isDemanded(number, conformance));

/** Where the W3C explains a criterion. */
export const understandingAddress = (number: CriterionNumber): string =>
  `https://www.w3.org/WAI/WCAG22/Understanding/${criteria[number].understanding}.html`;
