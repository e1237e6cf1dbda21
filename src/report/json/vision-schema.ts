import * as z from "zod";
import { elementSchema, sourceSchema } from "./shapes.ts";

const hex = z.string().regex(/^#[0-9a-f]{6}$/);
const colour = z.strictObject({ name: z.string(), colour: hex });

/** Two colours, and the eyes that do not tell them apart. */
const pair = z.strictObject({
  one: colour,
  other: colour,
  /** Distances (ΔEOK) as most people see the two, and as that eye does. */
  lost: z.array(z.strictObject({ eye: z.string(), before: z.number(), after: z.number() })).min(1),
});

/** What `keel vision --format json` prints of a page. */
export const visionSchema = z.strictObject({
  format: z.literal("even-keel/vision"),
  version: z.literal(1),
  target: z.string(),
  eyes: z.array(z.string()),
  pairs: z.array(z.strictObject({ ...pair.shape, element: elementSchema, source: sourceSchema.nullable() })),
});

/** What `keel vision --palette FILE --format json` prints. */
export const paletteVisionSchema = z.strictObject({
  format: z.literal("even-keel/palette-vision"),
  version: z.literal(1),
  eyes: z.array(z.string()),
  colours: z.array(
    z.strictObject({ ...colour.shape, seen: z.array(z.strictObject({ eye: z.string(), colour: hex })) }),
  ),
  pairs: z.array(pair),
});

export type VisionDocument = z.infer<typeof visionSchema>;
export type PaletteVisionDocument = z.infer<typeof paletteVisionSchema>;
