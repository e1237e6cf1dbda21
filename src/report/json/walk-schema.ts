import * as z from "zod";
import { findingSchema } from "./audit-schema.ts";
import { elementSchema, sourceSchema } from "./shapes.ts";

/** What `keel walk --format json` prints. */
export const walkSchema = z.strictObject({
  format: z.literal("even-keel/walk"),
  version: z.literal(1),
  target: z.string(),
  engine: z.enum(["read", "render", "browser"]),
  /** What Tab (or Shift+Tab) reaches, in order, once around. */
  stops: z.array(
    z.strictObject({
      index: z.int().min(1),
      element: elementSchema,
      source: sourceSchema.nullable(),
      announced: z.string(),
      because: z.string(),
      odd: z.array(z.string()),
      keys: z.array(z.strictObject({ key: z.string(), does: z.string(), native: z.boolean() })),
      certain: z.boolean(),
      /** Where it is on the page, in CSS pixels; null where no engine measured it. */
      box: z.strictObject({ x: z.number(), y: z.number(), width: z.number(), height: z.number() }).nullable(),
    }),
  ),
  /** Every key pressed: what had focus before and after, which events it brought, and what changed. */
  steps: z.array(
    z.strictObject({
      key: z.string(),
      from: elementSchema.nullable(),
      to: elementSchema.nullable(),
      events: z.array(z.string()),
      changes: z.array(z.string()),
      /** What live regions said. */
      said: z.array(z.string()),
    }),
  ),
  /** The lines of a walk script and what came of each; null where none was given. */
  script: z
    .array(
      z.strictObject({
        line: z.int().min(1),
        written: z.string(),
        outcome: z.enum(["held", "failed", "not reached"]),
        message: z.string().nullable(),
        instead: z.array(z.string()),
      }),
    )
    .nullable(),
  unreached: z.array(
    z.strictObject({ element: elementSchema, source: sourceSchema.nullable(), why: z.string() }),
  ),
  findings: z.array(findingSchema),
});

export type WalkDocument = z.infer<typeof walkSchema>;
