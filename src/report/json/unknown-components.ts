import * as z from "zod";
import type { AuditAnswer } from "../../answers/audit.ts";
import { jsonText } from "./json-text.ts";
import { sourceSchema } from "./shapes.ts";

/** What `keel audit --unknown-components --format json` prints. */
export const unknownComponentsSchema = z.strictObject({
  format: z.literal("even-keel/unknown-components"),
  version: z.literal(1),
  components: z.array(z.strictObject({ name: z.string(), uses: z.array(sourceSchema) })),
});

export function unknownComponentsJson({ unknownComponents }: AuditAnswer): string {
  const document: z.infer<typeof unknownComponentsSchema> = {
    format: "even-keel/unknown-components",
    version: 1,
    components: unknownComponents.map(({ name, uses }) => ({ name, uses: [...uses] })),
  };
  return `${jsonText(document, 2)}\n`;
}
