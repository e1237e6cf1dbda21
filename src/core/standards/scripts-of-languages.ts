/** Scripts other than Latin, as Unicode names them, with the languages that are written in them. ISO 15924, CLDR "supplemental data". */
const scripts: readonly (readonly [script: string, languages: string])[] = [
  ["Greek", "el grc"],
  ["Cyrillic", "ru uk be bg sr mk kk ky mn tg tt ba cv"],
  ["Arabic", "ar fa ur ps ug sd ckb ks"],
  ["Hebrew", "he iw yi"],
  ["Devanagari", "hi mr ne sa bho mai"],
  ["Bengali", "bn as"],
  ["Gurmukhi", "pa"],
  ["Gujarati", "gu"],
  ["Tamil", "ta"],
  ["Telugu", "te"],
  ["Kannada", "kn"],
  ["Malayalam", "ml"],
  ["Sinhala", "si"],
  ["Thai", "th"],
  ["Lao", "lo"],
  ["Khmer", "km"],
  ["Myanmar", "my"],
  ["Tibetan", "bo dz"],
  ["Georgian", "ka"],
  ["Armenian", "hy"],
  ["Ethiopic", "am ti"],
  ["Hangul", "ko"],
  ["Hiragana", "ja"],
  ["Katakana", "ja"],
  ["Han", "zh ja ko yue"],
];

const patterns = scripts.map(([script, languages]) => ({
  script,
  languages: new Set(languages.split(" ")),
  letters: new RegExp(`\\p{Script=${script}}`, "gu"),
}));

/** Fewer letters than this may be a name or a sign. */
const FEWEST_LETTERS = 12;

/**
 * The script of a text that no text of a language is written in, for most of its letters; null where it may be that
 * language. Languages in Latin letters are never told apart by this.
 */
export function foreignScript(text: string, tag: string): string | null {
  const letters = text.match(/\p{L}/gu)?.length ?? 0;
  if (letters < FEWEST_LETTERS) return null;
  const [language = "", ...subtags] = tag.toLowerCase().split("-");
  // A tag that names its script says it itself.
  if (language === "" || subtags.some((subtag) => /^[a-z]{4}$/.test(subtag))) return null;
  const found = patterns.find(({ letters: of }) => (text.match(of)?.length ?? 0) > letters * 0.8);
  return found === undefined ||
    patterns.some((one) => one.letters.source === found.letters.source && one.languages.has(language))
    ? null
    : found.script;
}
