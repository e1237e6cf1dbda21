import * as z from "zod";

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

export type ContrastDocument = z.infer<typeof contrastSchema>;
export type PaletteDocument = z.infer<typeof paletteSchema>;
