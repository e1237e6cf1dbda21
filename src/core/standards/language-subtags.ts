/** Two-letter primary language subtags of the IANA registry, deprecated ones included. BCP 47. */
export const twoLetterLanguages: ReadonlySet<string> = new Set(
  (
    "aa ab ae af ak am an ar as av ay az ba be bg bh bi bm bn bo br bs ca ce ch co cr cs cu cv cy da de dv dz ee el en eo es et eu fa ff fi fj fo fr fy ga gd gl gn gu gv ha he hi ho hr ht hu hy hz " +
    "ia id ie ig ii ik in io is it iu iw ja ji jv jw ka kg ki kj kk kl km kn ko kr ks ku kv kw ky la lb lg li ln lo lt lu lv mg mh mi mk ml mn mo mr ms mt my na nb nd ne ng nl nn no nr nv ny " +
    "oc oj om or os pa pi pl ps pt qu rm rn ro ru rw sa sc sd se sg sh si sk sl sm sn so sq sr ss st su sv sw ta te tg th ti tk tl tn to tr ts tt tw ty ug uk ur uz ve vi vo wa wo xh yi yo za zh zu"
  ).split(" "),
);

/** Names and country codes that people write in place of a language, with what is meant. */
export const meantLanguages: Readonly<Record<string, string>> = {
  english: "en",
  eng: "en",
  german: "de",
  deutsch: "de",
  french: "fr",
  francais: "fr",
  spanish: "es",
  espanol: "es",
  italian: "it",
  dutch: "nl",
  portuguese: "pt",
  polish: "pl",
  russian: "ru",
  chinese: "zh",
  cn: "zh",
  jp: "ja",
  japanese: "ja",
  korean: "ko",
  cz: "cs",
  dk: "da",
  gr: "el",
};

/**
 * Whether a language tag can be one: `unknown` for three-letter subtags, of which there are thousands.
 * Only the primary subtag is judged, as WCAG 3.1.1 asks for.
 */
export function isLanguageTag(tag: string): boolean | "unknown" {
  const primary = tag.split("-")[0]?.toLowerCase() ?? "";
  if (!/^[a-z0-9]{1,8}(?:-[a-z0-9]{1,8})*$/i.test(tag)) return false;
  if (primary.length === 2) return twoLetterLanguages.has(primary);
  if (primary.length === 3) return "unknown";
  return primary === "x" || primary === "i";
}
