import type { PageVision, PaletteVision } from "../../answers/vision.ts";
import type { CollapsingPair } from "../../core/checks/colour/pairs-by-colour.ts";
import { seenBy } from "../../core/colour/other-eyes.ts";
import { toHex } from "../../core/colour/rgba.ts";
import type { NamedColour } from "../../core/scene/scene.ts";
import { jsonPieces, jsonText } from "./json-text.ts";
import type { PaletteVisionDocument, VisionDocument } from "./vision-schema.ts";

const colourOf = ({ name, colour }: NamedColour) => ({ name, colour: toHex(colour) });

const pairOf = ({ one, other, lost }: CollapsingPair) => ({
  one: colourOf(one),
  other: colourOf(other),
  lost: lost.map(({ eye, before, after }) => ({ eye: eye.id, before, after })),
});

export function pageVisionJson({ target, eyes, pairs }: PageVision): Iterable<string> {
  const document: VisionDocument = {
    format: "even-keel/vision",
    version: 1,
    target,
    eyes: eyes.map(({ id }) => id),
    pairs: pairs.map((pair) => ({ ...pairOf(pair), element: pair.element, source: pair.source })),
  };
  return jsonPieces(document);
}

export function paletteVisionJson({ eyes, colours, pairs }: PaletteVision): string {
  const document: PaletteVisionDocument = {
    format: "even-keel/palette-vision",
    version: 1,
    eyes: eyes.map(({ id }) => id),
    colours: colours.map((one) => ({
      ...colourOf(one),
      seen: eyes.map((eye) => ({ eye: eye.id, colour: toHex(seenBy(eye, one.colour)) })),
    })),
    pairs: pairs.map(pairOf),
  };
  return jsonText(document, 2);
}
