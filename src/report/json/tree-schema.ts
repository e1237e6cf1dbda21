import * as z from "zod";
import { elementSchema, sourceSchema } from "./shapes.ts";

export const nameFromSchema = z.enum([
  "aria-labelledby",
  "aria-label",
  "label element",
  "alt",
  "title element",
  "caption",
  "legend",
  "figcaption",
  "contents",
  "value",
  "placeholder",
  "title attribute",
  "svg title",
  "summary",
]);

const textNodeSchema = z.strictObject({
  role: z.literal("text"),
  name: z.string(),
  source: sourceSchema.nullable(),
});

const elementNodeSchema = z.strictObject({
  role: z.string(),
  name: z.string(),
  nameFrom: nameFromSchema.nullable(),
  description: z.string(),
  states: z.record(z.string(), z.union([z.string(), z.number(), z.boolean()])),
  value: z.string().nullable(),
  element: elementSchema,
  source: sourceSchema.nullable(),
  get children() {
    return z.array(z.union([textNodeSchema, elementNodeSchema]));
  },
});

/** What `keel tree --format json` prints. */
export const treeSchema = z.strictObject({
  format: z.literal("even-keel/tree"),
  version: z.literal(1),
  target: z.string(),
  root: elementNodeSchema,
});
