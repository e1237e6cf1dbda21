import * as z from "zod";
import { editSchema, severitySchema, sourceSchema } from "./shapes.ts";

const count = z.int().min(0);

const mendedFinding = {
  fingerprint: z.string(),
  check: z.string(),
  severity: severitySchema,
  source: sourceSchema.nullable(),
};

/** What `keel mend --format json` prints. */
export const mendSchema = z.strictObject({
  format: z.literal("even-keel/mend"),
  version: z.literal(1),
  /** Whether the edits were made in the files. */
  written: z.boolean(),
  files: z.array(z.string()),
  mended: z.array(
    z.strictObject({
      ...mendedFinding,
      confidence: z.enum(["safe", "likely"]),
      summary: z.string(),
      edits: z.array(editSchema),
    }),
  ),
  /** Edits that were chosen and could not be made. */
  leftOut: z.array(z.strictObject({ ...mendedFinding, reason: z.string() })),
  /** How many findings failed before and, once written, after; and what those that are left wait for. */
  summary: z.strictObject({
    before: count,
    after: count.nullable(),
    likely: count,
    words: count,
    look: count,
  }),
});

export type MendDocument = z.infer<typeof mendSchema>;
