import type { ElementNode } from "../../document/node.ts";
import type { Judged } from "../../findings/verdict.ts";
import type { CheckText } from "../check.ts";
import type { PageDigest } from "./digest.ts";

/** A verdict on one element of one of the pages. */
export interface SiteFinding {
  readonly page: string;
  readonly element: ElementNode;
  readonly verdict: Judged;
}

/** A check that looks at several pages together. */
export interface SiteCheck extends CheckText {
  readonly judgePages: (pages: readonly PageDigest[]) => {
    /** How many things were compared. */
    readonly targets: number;
    readonly findings: readonly SiteFinding[];
  };
  /** Each example is a set of pages. */
  readonly examples: {
    readonly kept: readonly (readonly string[])[];
    readonly broken: readonly (readonly string[])[];
    readonly asked?: readonly (readonly string[])[];
  };
}
