import type { Check, CheckSettings, CheckText } from "../core/checks/check.ts";
import { type Conformance, isDemanded } from "../core/standards/conformance.ts";

/** What a team has set for one check on one page. */
export interface PageCheckSettings extends CheckSettings {
  readonly off: boolean;
}

/** Which checks run on a page, and how. */
export interface CheckPlan {
  readonly checks: readonly Check[];
  /** Every check there is, also those that do not run: comments may name them, and criteria hang on them. */
  readonly known: readonly CheckText[];
  /** The settings of a check for a page, by the name it is shown with. */
  readonly settingsFor: (page: string) => (check: CheckText) => PageCheckSettings;
  readonly conformance: Conformance;
}

/** Checks of good practice always run; others when the chosen version and level demand one of their criteria. */
export const checksFor = <C extends CheckText>(
  checks: readonly C[],
  conformance: Conformance,
): readonly C[] =>
  checks.filter(
    (check) =>
      check.criteria.length === 0 || check.criteria.some((number) => isDemanded(number, conformance)),
  );
