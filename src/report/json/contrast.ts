import type { ContrastAnswer, Shade } from "../../answers/contrast.ts";
import { contrastRatio } from "../../core/colour/contrast.ts";
import { toHex } from "../../core/colour/rgba.ts";
import type { NamedColour } from "../../core/scene/scene.ts";
import type { ContrastDocument, PaletteDocument } from "./contrast-schema.ts";
import { jsonText } from "./json-text.ts";

const shadeOf = (shade: Shade | null) => (shade === null ? null : { ...shade, colour: toHex(shade.colour) });

export function contrastJson(answer: ContrastAnswer): string {
  const { nearest } = answer;
  const document: ContrastDocument = {
    format: "even-keel/contrast",
    version: 1,
    foreground: toHex(answer.foreground),
    background: toHex(answer.background),
    ratio: answer.ratio,
    isLarge: answer.isLarge,
    uses: [...answer.uses],
    nearest:
      nearest === null
        ? null
        : {
            needed: nearest.needed,
            foreground: shadeOf(nearest.foreground),
            background: shadeOf(nearest.background),
            ofPalette: shadeOf(nearest.ofPalette),
          },
  };
  return jsonText(document, 2);
}

export function paletteJson(palette: readonly NamedColour[]): string {
  const document: PaletteDocument = {
    format: "even-keel/palette",
    version: 1,
    colours: palette.map(({ name, colour }) => ({ name, colour: toHex(colour) })),
    pairs: palette.flatMap((text) =>
      palette
        .filter((ground) => ground !== text)
        .map((ground) => {
          const ratio = contrastRatio(text.colour, ground.colour);
          return {
            text: text.name,
            ground: ground.name,
            ratio,
            forText: ratio >= 4.5,
            forLargeText: ratio >= 3,
          };
        }),
    ),
  };
  return jsonText(document, 2);
}
