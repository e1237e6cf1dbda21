import { type Color, parse } from "culori";

const systemColours = new Set(
  "accentcolor accentcolortext activetext buttonborder buttonface buttontext canvas canvastext field fieldtext graytext highlight highlighttext linktext mark marktext selecteditem selecteditemtext visitedtext activeborder activecaption appworkspace background buttonhighlight buttonshadow captiontext inactiveborder inactivecaption inactivecaptiontext infobackground infotext menu menutext scrollbar threeddarkshadow threedface threedhighlight threedlightshadow threedshadow window windowframe windowtext -webkit-link -webkit-activelink -webkit-focus-ring-color -internal-light-dark".split(
    " ",
  ),
);

/** Functions whose value depends on more than their own text: the scheme, other colours, the surroundings. */
const dependentFunction =
  /^(?:light-dark|color-mix|contrast-color|device-cmyk|color|rgba?|hsla?|hwb|lab|lch|oklab|oklch)\(/i;

/** A colour by itself, in lower case; undefined where the text is none. CSS Color 4 §4. */
export function parsedColour(lower: string): Color | undefined {
  // The parser would also take hexadecimal digits without their `#`, which CSS does not (outside quirks).
  if (/^[0-9a-f]+$/.test(lower)) return undefined;
  try {
    return parse(lower);
  } catch {
    // It trips over other functions, `blur(4px)`, and over colours that break off.
    return undefined;
  }
}

/** Whether a browser takes the text for a colour. CSS Color 4 and 5. */
export function isColour(text: string): boolean {
  const lower = text.toLowerCase();
  if (lower === "currentcolor" || lower === "transparent" || systemColours.has(lower)) return true;
  if (dependentFunction.test(lower)) {
    // Relative colours, math and mixes are read where they are used; only the plain forms can be told wrong here.
    return (
      /\b(?:from|calc|var|none|in)\b|^(?:light-dark|color-mix|contrast-color|device-cmyk)/.test(lower) ||
      parsedColour(lower) !== undefined
    );
  }
  return parsedColour(lower) !== undefined;
}
