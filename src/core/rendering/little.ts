/** Sizes and moves up to this, in CSS pixels, neither lie under a word nor take text off its background. */
export const LITTLE = 8;
