import type { ElementNode, Span } from "../document/node.ts";
import type { Repair } from "../repair/repair.ts";
import type { CriterionNumber } from "../standards/criteria.ts";
import type { Cause } from "./cause.ts";

/** By what it does to a person: cannot complete the task; needs help or a workaround; is slower or confused. */
export const severities = ["blocker", "barrier", "friction"] as const;
export type Severity = (typeof severities)[number];

/** The words of EARL, in the order in which they are told. */
export const outcomesInOrder = ["failed", "cantTell", "passed", "untested", "inapplicable"] as const;
export type Outcome = (typeof outcomesInOrder)[number];

/** Values a reader may want to see, in the order they are shown. */
export type Facts = Readonly<Record<string, string | number | boolean | null | PixelFacts>>;

/** What was painted under letters: contrast ratios, and the share of the letters that have less than is needed. */
export interface PixelFacts {
  readonly worst: number;
  readonly median: number;
  readonly share: number;
}

/** A place in source that a fact comes from. */
export interface Origin {
  /** The fact it explains: `foreground`, `background`. */
  readonly of: string;
  readonly source: Span;
  /** What stands there. */
  readonly text: string;
}

/** What a check says of one element. */
export type Verdict =
  | { readonly outcome: "passed"; readonly facts?: Facts }
  | { readonly outcome: "inapplicable" }
  | Judged;

/** A verdict that people are shown. */
export interface Judged {
  readonly outcome: "failed" | "cantTell";
  /** What is wrong, or the question a person must answer: a whole sentence. */
  readonly message: string;
  readonly repair: Repair | null;
  readonly facts?: Facts;
  /** Where to point, when it is not the element's start tag. */
  readonly source?: Span;
  /** The criteria that apply in this case, when they are not all of the check's. */
  readonly criteria?: readonly CriterionNumber[];
  /** Declarations that explain the finding, each with the word for what it gave. */
  readonly origins?: readonly Origin[];
  /** What findings share which one change would mend; alone without one. */
  readonly cause?: Cause;
}

/** Points at an element, or at an attribute of it, where its place is known. */
export function pointingAt(element: ElementNode, attribute?: string): Pick<Judged, "source"> {
  const source = attribute === undefined ? element.source : element.attributes.get(attribute)?.source;
  return source == null ? {} : { source };
}

export const passed: Verdict = { outcome: "passed" };
export const inapplicable: Verdict = { outcome: "inapplicable" };

type Details = Omit<Judged, "outcome" | "message" | "repair">;

export const failed = (message: string, repair: Repair | null, details: Details = {}): Verdict => ({
  outcome: "failed",
  message,
  repair,
  ...details,
});

/** Source gives evidence but no certainty: a person is asked. */
export const cantTell = (question: string, repair: Repair | null = null, details: Details = {}): Verdict => ({
  outcome: "cantTell",
  message: question,
  repair,
  ...details,
});

/** A verdict with its place: what reporters and other programs are given. */
export interface Finding {
  readonly check: string;
  readonly outcome: Outcome;
  readonly severity: Severity;
  readonly criteria: readonly CriterionNumber[];
  readonly element: ElementNode;
  readonly source: Span | null;
  readonly message: string;
  readonly repair: Repair | null;
  readonly facts: Facts;
  readonly cause: Cause | null;
  readonly origins: readonly Origin[];
}
