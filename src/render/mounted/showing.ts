import type { Origin } from "./origins.ts";

/** The name of what a page of specimens holds for us beside its stage. */
export const SHOWING = "__evenKeelShowing";

/** An error as it can be told outside of its page. */
export interface ToldError {
  readonly name: string;
  readonly message: string;
  readonly stack?: string | undefined;
  readonly componentStack?: string | undefined;
}

/** What a page of specimens tells of itself. */
export interface ToldShowing {
  readonly errors: readonly ToldError[];
  /** Names of environment variables that were asked for and are not set. */
  readonly unset: readonly string[];
  /** By the number of an element among those outside closed shadow trees: where it comes from, and the stack that made it. */
  readonly elements: readonly (readonly [number, Origin | null, string | null])[];
}
