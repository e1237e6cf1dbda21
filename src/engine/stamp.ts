/** What the tags of a component are stamped with when it is compiled: where each was written. */
export const STAMP = "data-keel-at";
