import * as z from "zod";
import { editSchema, elementSchema, outcomeSchema, severitySchema, sourceSchema } from "./shapes.ts";

const counts = z.int().min(0);

export const findingSchema = z.strictObject({
  fingerprint: z.string(),
  check: z.string().regex(/^[a-z]+\.[a-z-]+$/),
  outcome: outcomeSchema,
  severity: severitySchema,
  criteria: z.array(z.string().regex(/^\d\.\d\.\d+$/)),
  subject: z.string(),
  element: elementSchema,
  source: sourceSchema.nullable(),
  components: z.array(
    z.strictObject({ name: z.string(), file: z.string(), line: z.int().min(1), column: z.int().min(1) }),
  ),
  message: z.string(),
  cause: z.string(),
  facts: z.record(
    z.string(),
    z.union([
      z.string(),
      z.number(),
      z.boolean(),
      z.null(),
      // What was painted under letters.
      z.strictObject({ worst: z.number(), median: z.number(), share: z.number().min(0).max(1) }),
    ]),
  ),
  repair: z
    .strictObject({
      confidence: z.enum(["safe", "likely", "ask"]),
      summary: z.string(),
      edits: z.array(editSchema),
    })
    .nullable(),
});

/** What `keel audit --format json` prints. */
export const auditSchema = z.strictObject({
  format: z.literal("even-keel/audit"),
  version: z.literal(1),
  tool: z.strictObject({ name: z.literal("even-keel"), version: z.string() }),
  startedAt: z.iso.datetime(),
  elapsedMs: z.number().min(0),
  /** The browser that pages were opened in; absent where none was. */
  browser: z.strictObject({ name: z.string(), version: z.string() }).optional(),
  conformance: z.strictObject({ wcag: z.enum(["2.0", "2.1", "2.2"]), level: z.enum(["A", "AA", "AAA"]) }),
  subjects: z.array(
    z.strictObject({
      id: z.string(),
      target: z.string(),
      kind: z.enum(["document", "fragment", "component", "page"]),
      engine: z.enum(["read", "render", "browser"]),
      specimen: z.string().nullable(),
      state: z.string(),
      elements: counts,
      outcomes: z.strictObject({
        passed: counts,
        failed: counts,
        cantTell: counts,
        inapplicable: counts,
        untested: counts,
      }),
    }),
  ),
  findings: z.array(findingSchema),
  checks: z.array(
    z.strictObject({
      id: z.string(),
      outcome: outcomeSchema,
      targets: counts,
      failed: counts,
      cantTell: counts,
      passed: counts,
    }),
  ),
  coverage: z.array(
    z.strictObject({
      criterion: z.string(),
      handle: z.string(),
      level: z.enum(["A", "AA", "AAA"]),
      outcome: outcomeSchema,
      checks: z.array(z.string()),
      failed: counts,
      question: z.string().nullable(),
    }),
  ),
  summary: z.strictObject({
    failed: counts,
    cantTell: counts,
    accepted: counts,
    bySeverity: z.strictObject({ blocker: counts, barrier: counts, friction: counts }),
  }),
  problems: z.array(z.strictObject({ target: z.string(), message: z.string() })),
});

export type AuditDocument = z.infer<typeof auditSchema>;
