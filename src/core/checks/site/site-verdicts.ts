import type { ElementNode } from "../../document/node.ts";
import type { Judged } from "../../findings/verdict.ts";

/** A verdict on one element of one of the pages. */
export interface SiteFinding {
  readonly page: string;
  readonly element: ElementNode;
  readonly verdict: Judged;
}

/** What a check across pages says of all of them. */
export interface SiteVerdicts {
  /** How many things were compared. */
  readonly targets: number;
  readonly findings: readonly SiteFinding[];
}
