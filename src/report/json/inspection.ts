import type { Inspection } from "../../answers/inspect.ts";
import { jsonText } from "./json-text.ts";

/** Elements in full as one JSON document, without a line end. */
export const inspectionJson = (target: string, elements: readonly Inspection[]): string => {
  const document = { format: "even-keel/element", version: 1, target, elements };
  return jsonText(document, 2);
};
