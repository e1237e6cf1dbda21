import type { PaletteAnswer, SolvedPair } from "../../answers/solved-palette.ts";
import { toHex } from "../../core/colour/rgba.ts";
import type { SolvedPaletteDocument } from "./contrast-schema.ts";
import { jsonText } from "./json-text.ts";

const measured = ({ text, ground, ratio }: SolvedPair["before"]) => ({
  text: toHex(text),
  ground: toHex(ground),
  ratio,
});

const pairOf = (pair: SolvedPair) => ({
  ...pair,
  before: measured(pair.before),
  after: measured(pair.after),
});

export function solvedPaletteJson(answer: PaletteAnswer): string {
  const { file, schemes, outcome, change, isLeast, changes, pairs, fighting } = answer;
  const document: SolvedPaletteDocument = {
    format: "even-keel/solved-palette",
    version: 1,
    file,
    schemes: [...schemes],
    outcome,
    change,
    isLeast,
    changes: changes.map((one) => ({
      ...one,
      names: [...one.names],
      schemes: [...one.schemes],
      before: toHex(one.before),
      after: toHex(one.after),
    })),
    pairs: pairs.map(pairOf),
    fighting: fighting.map(pairOf),
  };
  return jsonText(document, 2);
}
