import type { Check, CheckSettings } from "../core/checks/check.ts";
import { type Conformance, isDemanded } from "../core/standards/conformance.ts";

/** What a team has set for one check on one page. */
export interface PageCheckSettings extends CheckSettings {
  readonly off: boolean;
}

/** The settings of checks for one page. */
export type SettingsOfChecks = (check: Check) => PageCheckSettings;

/** Which checks are made, and how. */
export interface CheckPlan {
  /** Those that are made, of every kind. */
  readonly checks: readonly Check[];
  /** The settings of a check for a page, by the name it is shown with. */
  readonly settingsFor: (page: string) => SettingsOfChecks;
  readonly conformance: Conformance;
}

/** Checks of good practice are always made; others when the chosen version and level demand one of their criteria. */
export const checksFor = <C extends Check>(checks: readonly C[], conformance: Conformance): readonly C[] =>
  checks.filter(
    (check) =>
      check.criteria.length === 0 || check.criteria.some((number) => isDemanded(number, conformance)),
  );
