const [FIRST, SECOND, THIRD, FOURTH] = [2654435761, 1597334677, 2246822507, 3266489909];

/** A short name for a long text, the same for the same text: two alike would be found among some 10^15. */
export const digest = (text: string): string => `${mixed(text, 0)}${mixed(text, 1)}`;

/** Two multiplicative hashes of 32 bits, each finished with the other. */
function mixed(text: string, seed: number): string {
  let [one, other] = [0xdeadbeef ^ seed, 0x41c6ce57 ^ seed];
  for (let i = 0; i < text.length; i++) {
    const code = text.charCodeAt(i);
    one = Math.imul(one ^ code, FIRST);
    other = Math.imul(other ^ code, SECOND);
  }
  one = Math.imul(one ^ (one >>> 16), THIRD) ^ Math.imul(other ^ (other >>> 13), FOURTH);
  other = Math.imul(other ^ (other >>> 16), THIRD) ^ Math.imul(one ^ (one >>> 13), FOURTH);
  return (one >>> 0).toString(36) + (other >>> 0).toString(36);
}
