/** A text of at most so many UTF-16 units: what is longer ends in an ellipsis, which counts. */
export function shortened(text: string, most: number): string {
  if (text.length <= most) return text;
  const kept = text.slice(0, most - 1);
  // Not between the halves of a character.
  return `${/[\ud800-\udbff]$/.test(kept) ? kept.slice(0, -1) : kept}…`;
}
