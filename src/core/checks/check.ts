import type { ElementNode } from "../document/node.ts";
import type { Facts, Severity, Verdict } from "../findings/verdict.ts";
import type { Scene } from "../scene/scene.ts";
import type { CriterionNumber } from "../standards/criteria.ts";
import type { Example, SiteExample } from "./example.ts";
import type { PageDigest } from "./site/digest.ts";
import type { SiteVerdicts } from "./site/site-verdicts.ts";

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

/**
 * What around an element decides a check, and may not be in source with it: a component that is looked at alone leaves the
 * finding to whoever uses it.
 * - `page`: the whole page; nothing inside a component answers it
 * - `head`: the head of the page, which a framework often fills
 * - `container`: an element around it that contains items
 * - `neighbours`: what stands around and beside it
 * - `labels`: a label anywhere in the page
 * - `references`: elements of the page by their ids
 * - `colours`: a ground or a colour that no rule of the component gives
 * - `unread classes`: rules of a stylesheet that is not here
 */
export type Surroundings =
  | "page"
  | "head"
  | "container"
  | "neighbours"
  | "labels"
  | "references"
  | "colours"
  | "unread classes";

/** What is told of a check, and how its findings are to be taken, whatever it looks at. */
interface CheckTraits {
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
  /** What around an element decides it; absent where the element and what is in it do. */
  readonly surroundings?: Surroundings;
  /** False where only the look is at fault, so that what is heard at the element is of no interest. */
  readonly isHeard?: false;
  /** Only who wrote the markup can follow it, or answer its questions, and not who uses a package that renders it. */
  readonly isForItsAuthor?: true | "questions";
  /** A check that an element must pass before this one is asked: what is found then was there before. */
  readonly asksAfter?: string;
  /** Asks what goes on by itself: what came of a key somebody wanted. */
  readonly startsByItself?: true;
  /** Asks what only a page that was laid out shows: it is made in a browser alone. */
  readonly isSeen?: true;
  /** Its findings stand beside a walk. */
  readonly isAboutKeys?: true;
}

/** A check of every element of one page, by what its scene shows. */
export interface PageCheck extends CheckTraits {
  readonly kind: "page";
  /** Makes sense for a whole page only, not for a piece of one. */
  readonly pageOnly?: true;
  /**
   * Holds if Tab comes to the element and rests there: a script may lead focus on, or keep it elsewhere, so that where
   * scripts run Tab is pressed before it is told.
   */
  readonly restsOnStop?: true;
  /** Keys that a component listens to wherever focus is may do what is missing here: then it is a question. */
  readonly mayBeDoneByKeys?: true;
  /** What a walk says at the stops in an element that fails it. */
  readonly oddAtStops?: (facts: Facts) => string;
  /** Why Tab does not reach what is in an element that fails it, for a walk. */
  readonly outOfReach?: string;
  readonly looksAt: (scene: Scene) => Iterable<ElementNode>;
  readonly judge: (element: ElementNode, scene: Scene, settings: CheckSettings) => Verdict;
  readonly examples: readonly Example[];
}

/** A check that keys decide; its examples are pages with scripts. */
export interface PressedCheck extends CheckTraits {
  readonly kind: "pressed";
  readonly examples: readonly Example[];
}

/** A check of what a team has written down, line by line, in a walk script. */
export interface ScriptCheck extends CheckTraits {
  readonly kind: "script";
  /** Each example is a page and the script that it is walked by. */
  readonly examples: readonly (Example & { readonly script: string })[];
}

/** A check that looks at several pages together. */
export interface SiteCheck extends CheckTraits {
  readonly kind: "site";
  readonly judgePages: (pages: readonly PageDigest[]) => SiteVerdicts;
  readonly examples: readonly SiteExample[];
}

/** Everything about one check, in one place: its examples are its tests and its explanation. */
export type Check = PageCheck | PressedCheck | ScriptCheck | SiteCheck;

export const isOfKind =
  <Kind extends Check["kind"]>(kind: Kind) =>
  (check: Check): check is Extract<Check, { readonly kind: Kind }> =>
    check.kind === kind;

/** The family of a check id: what stands before the point. */
export const familyOf = (id: string): Family => id.slice(0, id.indexOf(".")) as Family;
