import * as z from "zod";
import { editSchema } from "./shapes.ts";

const hex = z.string().regex(/^#[0-9a-f]{6}$/);
const shade = z.strictObject({ name: z.string().nullable(), colour: hex, ratio: z.number() }).nullable();

/** What `keel contrast --format json` prints. */
export const contrastSchema = z.strictObject({
  format: z.literal("even-keel/contrast"),
  version: z.literal(1),
  foreground: hex,
  background: hex,
  ratio: z.number().min(1).max(21),
  isLarge: z.boolean().nullable(),
  uses: z.array(
    z.strictObject({
      use: z.string(),
      criterion: z.string(),
      level: z.string(),
      needed: z.number(),
      passes: z.boolean(),
      applies: z.boolean(),
    }),
  ),
  nearest: z
    .strictObject({ needed: z.number(), foreground: shade, background: shade, ofPalette: shade })
    .nullable(),
});

/** What `keel contrast --palette FILE --format json` prints. */
export const paletteSchema = z.strictObject({
  format: z.literal("even-keel/palette"),
  version: z.literal(1),
  colours: z.array(z.strictObject({ name: z.string(), colour: hex })),
  pairs: z.array(
    z.strictObject({
      text: z.string(),
      ground: z.string(),
      ratio: z.number(),
      forText: z.boolean(),
      forLargeText: z.boolean(),
    }),
  ),
});

const measured = z.strictObject({ text: hex, ground: hex, ratio: z.number().min(1).max(21) });
const solvedPair = z.strictObject({
  text: z.string(),
  ground: z.string(),
  needed: z.number(),
  scheme: z.string(),
  before: measured,
  after: measured,
});

/** What `keel contrast --palette FILE --solve --format json` prints. */
export const solvedPaletteSchema = z.strictObject({
  format: z.literal("even-keel/solved-palette"),
  version: z.literal(1),
  file: z.string(),
  schemes: z.array(z.string()),
  outcome: z.enum(["solved", "impossible", "not-found"]),
  /** The sum of all changes, ΔEOK. */
  change: z.number(),
  /** Whether no smaller change is known to be possible. */
  isLeast: z.boolean(),
  changes: z.array(
    z.strictObject({
      names: z.array(z.string()),
      schemes: z.array(z.string()),
      before: hex,
      after: hex,
      change: z.number(),
      edit: editSchema,
    }),
  ),
  pairs: z.array(solvedPair),
  /** Pairs of which not all can pass together. */
  fighting: z.array(solvedPair),
});

export type SolvedPaletteDocument = z.infer<typeof solvedPaletteSchema>;
export type ContrastDocument = z.infer<typeof contrastSchema>;
export type PaletteDocument = z.infer<typeof paletteSchema>;
