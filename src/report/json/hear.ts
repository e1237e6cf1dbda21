import type { PageTree } from "../../answers/tree.ts";
import type { SpeechLine } from "../../core/semantics/reading-order.ts";
import type { HearDocument } from "./hear-schema.ts";
import { jsonText } from "./json-text.ts";

export function hearJson(page: PageTree, by: string | null, lines: readonly SpeechLine[]): string {
  const document: HearDocument = {
    format: "even-keel/hear",
    version: 1,
    target: page.target,
    by,
    lines: lines.map(({ text, depth, source }) => ({ text, depth, source: page.texts.place(source) })),
  };
  return jsonText(document, 2);
}
