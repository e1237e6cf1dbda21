import type { Span } from "../document/node.ts";
import type { Condition } from "./condition.ts";

/**
 * Something that source leaves open and on which the tree hangs: whether a condition holds, which of the values that a
 * type allows a prop has. One decision may bear on many places; they are never open there in different ways.
 */
export interface Decision {
  /** The same for the same question in one composed tree. */
  readonly id: string;
  /** What holds in each arm. */
  readonly arms: readonly Condition[];
  /**
   * Whether source names the arms: a type, a default or the first value of a state does. What fails in a named arm is a
   * fault; what fails in another is a question.
   */
  readonly named: boolean;
  /** Whether it asks if a caller gives something at all: where it is left out, the call is at fault. */
  readonly isLeftToCalls?: true;
  /** Whether it is of a state: which of them go together, the program decides as it runs. */
  readonly isState?: true;
  readonly source: Span;
}

/** One of several things, as a decision falls. */
export interface Either<T> {
  readonly kind: "either";
  readonly decision: Decision;
  /** One for each arm of the decision. */
  readonly arms: readonly T[];
}
