import type { AuditAnswer, FindingAnswer } from "../../answers/audit.ts";
import type { MendPlan, Waiting } from "../../answers/mend.ts";
import { jsonText } from "./json-text.ts";
import type { MendDocument } from "./mend-schema.ts";

const identity = ({ fingerprint, check, severity, source }: FindingAnswer) => ({
  fingerprint,
  check,
  severity,
  source: source === null ? null : { ...source },
});

/**
 * A plan of edits as one JSON document, without a line end.
 * @param after the audit once they were made; null where nothing was written
 */
export function mendJson(
  { files, mendings, leftOut }: MendPlan,
  before: AuditAnswer,
  after: AuditAnswer | null,
  left: Waiting,
): string {
  const failed = (answer: AuditAnswer) => answer.findings.filter(({ outcome }) => outcome === "failed");
  const document: MendDocument = {
    format: "even-keel/mend",
    version: 1,
    written: after !== null,
    files: files.map(({ name }) => name),
    mended: mendings.map(({ finding, edits }) => ({
      ...identity(finding),
      confidence: finding.repair?.confidence === "safe" ? "safe" : "likely",
      summary: finding.repair?.summary ?? "",
      edits: edits.map((edit) => ({ ...edit })),
    })),
    leftOut: leftOut.map(({ finding, reason }) => ({ ...identity(finding), reason })),
    summary: {
      before: failed(before).length,
      after: after === null ? null : failed(after).length,
      ...left,
    },
  };
  return jsonText(document, 2);
}
