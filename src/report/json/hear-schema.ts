import * as z from "zod";
import { sourceSchema } from "./shapes.ts";

/** What `keel hear --format json` prints. */
export const hearSchema = z.strictObject({
  format: z.literal("even-keel/hear"),
  version: z.literal(1),
  target: z.string(),
  by: z.string().nullable(),
  lines: z.array(
    z.strictObject({ text: z.string(), depth: z.int().min(0), source: sourceSchema.nullable() }),
  ),
});

export type HearDocument = z.infer<typeof hearSchema>;
