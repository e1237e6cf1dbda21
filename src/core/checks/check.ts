import type { ElementNode } from "../document/node.ts";
import type { Severity, Verdict } from "../findings/verdict.ts";
import type { Scene } from "../scene/scene.ts";
import type { CriterionNumber } from "../standards/criteria.ts";

/** The families of checks, each with what it is about, in the order in which they are told. */
export const families = {
  names: "what things are called",
  roles: "what things are said to be, and in which state",
  contrast: "how colours meet",
  colour: "what only a colour says",
  keys: "what can be done without a pointer",
  structure: "how the page is put together",
  zoom: "what happens when people make it larger",
  touch: "how large targets are",
  motion: "what moves and flashes",
  time: "what happens by itself",
  media: "films and sounds",
  forms: "what people fill in",
} as const;

export type Family = keyof typeof families;

/** What a team may set for a check. */
export interface CheckSettings {
  /** Further words, for a check that goes by words; each check says in `takesWords` what they mean to it. */
  readonly words: readonly string[];
  /** Another severity than the check's own; null for its own. */
  readonly severity: Severity | null;
}

export const usualSettings: CheckSettings = { words: [], severity: null };

/** What is told of a check, whatever it looks at. */
export interface CheckText {
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
  /** What the words of its settings mean; absent where it goes by none. */
  readonly takesWords?: string;
}

/** Everything about one check, in one place: its examples are its tests and its explanation. */
export interface Check extends CheckText {
  /** Makes sense for a whole page only, not for a piece of one. */
  readonly pageOnly?: true;
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
export const familyOf = (id: string): Family => id.slice(0, id.indexOf(".")) as Family;
