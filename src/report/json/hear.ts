import { z } from "zod";
import type { PageTree } from "../../answers/tree.ts";
import type { SpeechLine } from "../../core/semantics/reading-order.ts";
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

export function hearJson(page: PageTree, by: string | null, lines: readonly SpeechLine[]): string {
  const document: z.infer<typeof hearSchema> = {
    format: "even-keel/hear",
    version: 1,
    target: page.target,
    by,
    lines: lines.map(({ text, depth, source }) => ({ text, depth, source: page.texts.place(source) })),
  };
  return JSON.stringify(document, null, 2);
}
