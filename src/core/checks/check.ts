import type { ElementNode } from "../document/node.ts";
import type { Severity, Verdict } from "../findings/verdict.ts";
import type { Scene } from "../scene/scene.ts";
import type { CriterionNumber } from "../standards/criteria.ts";

export type Family =
  | "names"
  | "roles"
  | "contrast"
  | "colour"
  | "keys"
  | "structure"
  | "zoom"
  | "touch"
  | "motion"
  | "time"
  | "media"
  | "forms";

/** What a team may set for a check. */
export interface CheckSettings {
  /** Further words, for a check that goes by words; each check says in `takesWords` what they mean to it. */
  readonly words: readonly string[];
}

export const usualSettings: CheckSettings = { words: [] };

/** Everything about one check, in one place: its examples are its tests and its explanation. */
export interface Check {
  /** `family.what-must-hold`. */
  readonly id: `${Family}.${string}`;
  readonly criteria: readonly CriterionNumber[];
  readonly severity: Severity;
  /** What must hold, as a sentence. */
  readonly means: string;
  /** Who is shut out when it does not, and how. */
  readonly who: string;
  /** How to mend it, in general. */
  readonly mend: string;
  /** Makes sense for a whole page only, not for a piece of one. */
  readonly pageOnly?: true;
  /** What the words of its settings mean; absent where it goes by none. */
  readonly takesWords?: string;
  readonly looksAt: (scene: Scene) => Iterable<ElementNode>;
  readonly judge: (element: ElementNode, scene: Scene, settings: CheckSettings) => Verdict;
  readonly examples: {
    readonly kept: readonly string[];
    readonly broken: readonly string[];
    /** What must stay a question. */
    readonly asked?: readonly string[];
  };
}

/** The family of a check id: what stands before the point. */
export const familyOf = (id: string): string => id.slice(0, id.indexOf("."));
