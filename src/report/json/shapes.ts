import * as z from "zod";

/** Shapes that several documents share. */
export const elementSchema = z.strictObject({
  path: z.string(),
  tag: z.string(),
  role: z.string(),
  name: z.string(),
  snippet: z.string().max(160),
});

export const sourceSchema = z.strictObject({
  file: z.string(),
  line: z.int().min(1),
  column: z.int().min(1),
  endLine: z.int().min(1),
  endColumn: z.int().min(1),
});

export const outcomeSchema = z.enum(["passed", "failed", "cantTell", "inapplicable", "untested"]);
export const severitySchema = z.enum(["blocker", "barrier", "friction"]);

export const editSchema = z.strictObject({
  file: z.string(),
  start: z.int().min(0),
  end: z.int().min(0),
  text: z.string(),
});
