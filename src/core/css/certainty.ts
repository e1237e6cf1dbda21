/** How sure a selector or condition is to hold. Ordered, so that `and` is the smaller and `or` the larger. */
export type Certainty = 0 | 1 | 2;
export const NO: Certainty = 0;
export const MAYBE: Certainty = 1;
export const YES: Certainty = 2;

export const not = (value: Certainty): Certainty => (2 - value) as Certainty;
export const and = (a: Certainty, b: Certainty): Certainty => (a < b ? a : b);
export const or = (a: Certainty, b: Certainty): Certainty => (a > b ? a : b);
