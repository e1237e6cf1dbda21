import * as z from "zod";
import { elementSchema, sourceSchema } from "./shapes.ts";
import { nameFromSchema } from "./tree-schema.ts";

/** What `keel tree --at SELECTOR --format json` prints. */
export const inspectionSchema = z.strictObject({
  format: z.literal("even-keel/element"),
  version: z.literal(1),
  target: z.string(),
  elements: z.array(
    z.strictObject({
      element: elementSchema,
      source: sourceSchema.nullable(),
      heard: z.string(),
      role: z.strictObject({ role: z.string().nullable(), because: z.string(), certain: z.boolean() }),
      name: z.strictObject({
        text: z.string(),
        certain: z.boolean(),
        candidates: z.array(
          z.strictObject({
            from: nameFromSchema,
            text: z.string(),
            certain: z.boolean(),
            wins: z.boolean(),
            at: z.array(sourceSchema),
          }),
        ),
        hides: z.string().nullable(),
      }),
      description: z.strictObject({ text: z.string(), from: z.string().nullable() }),
      states: z.record(z.string(), z.union([z.string(), z.number(), z.boolean()])),
      value: z.string().nullable(),
      focus: z.strictObject({
        focusable: z.boolean().nullable(),
        tabStop: z.boolean().nullable(),
        because: z.string(),
      }),
      hidden: z.strictObject({
        exposed: z.boolean(),
        reason: z.string().nullable(),
        because: elementSchema.nullable(),
        at: sourceSchema.nullable(),
      }),
    }),
  ),
});
