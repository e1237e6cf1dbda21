import { distance } from "fastest-levenshtein";

/** How many are told. */
const MOST = 5;

/** What is likest to what was looked for, the nearest first. */
export const nearestFirst = (wanted: string, lines: readonly string[]): readonly string[] =>
  lines
    .map((line) => ({ line, far: distance(wanted.toLowerCase(), line.toLowerCase()) }))
    .toSorted((a, b) => a.far - b.far)
    .slice(0, MOST)
    .map(({ line }) => line);
