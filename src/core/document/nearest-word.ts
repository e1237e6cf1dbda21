import { closest, distance } from "fastest-levenshtein";

/** The known word that was probably meant; null when none is near. Up to a third of the letters may differ. */
export function nearestWord(written: string, known: readonly string[]): string | null {
  if (known.length === 0 || written === "") return null;
  const near = closest(written.toLowerCase(), [...known]);
  return distance(written.toLowerCase(), near) <= Math.ceil(near.length / 3) ? near : null;
}
