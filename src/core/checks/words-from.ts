/** Parts of names for programs that say nothing to people. */
const empty = new Set(
  "icon icons img image images pic picture pictures btn button link svg png jpg the logo html htm php index fa fas far mdi bi is js".split(
    " ",
  ),
);

/**
 * Words to begin with, made of an address or of a name for programs: `pictures/arrow-left.svg` becomes "Arrow left".
 * Empty where it holds no words.
 */
export function wordsFrom(written: string | null | undefined): string {
  const last =
    (written ?? "")
      .replace(/[?#].*$/, "")
      .replace(/\/+$/, "")
      .split("/")
      .at(-1) ?? "";
  const words = last
    .replace(/\.[a-z0-9]{2,5}$/i, "")
    .replace(/([a-z])([A-Z])/g, "$1 $2")
    .split(/[^\p{L}\p{N}]+/u)
    .filter((word) => /\p{L}{2}/u.test(word) && !empty.has(word.toLowerCase()))
    .map((word) => word.toLowerCase());
  const text = words.join(" ");
  return text.length < 3 || text.length > LONGEST ? "" : text[0]?.toUpperCase() + text.slice(1);
}

const LONGEST = 40;
