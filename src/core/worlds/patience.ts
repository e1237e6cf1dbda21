/** Thrown where something takes longer than there is time for. */
export class OutOfTime extends Error {}

/** How long something may take; without a clock for ever. */
export interface Patience {
  /** @throws {OutOfTime} when it is over */
  check(): void;
}

export const endless: Patience = { check: () => {} };
