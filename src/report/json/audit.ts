import type { AuditAnswer, FindingAnswer } from "../../answers/audit.ts";
import type { OriginAnswer } from "../../answers/finding-answer.ts";
import type { RepairAnswer } from "../../answers/repair-answer.ts";
import { originsText } from "../origins-text.ts";
import type { AuditDocument } from "./audit-schema.ts";
import { jsonPieces } from "./json-text.ts";

/** A finding as every document writes it. */
export const findingJson = ({
  heard: _,
  span: __,
  selector: ___,
  origins,
  keys,
  ...finding
}: FindingAnswer): AuditDocument["findings"][number] => ({
  ...finding,
  criteria: [...finding.criteria],
  components: finding.components.map((frame) => ({ ...frame })),
  facts: { ...finding.facts, ...(keys === null ? {} : { keys }), ...originFacts(origins) },
  repair: finding.repair === null ? null : repairJson(finding.repair),
});

/** Where facts come from, beside them: `foregroundFrom: "css/yard.css:7 --muted: #9aa8b0"`. */
const originFacts = (origins: readonly OriginAnswer[]): Readonly<Record<string, string>> =>
  Object.fromEntries(
    [...new Set(origins.map(({ of }) => of))].map((fact) => [
      `${fact}From`,
      originsText(origins.filter(({ of }) => of === fact)),
    ]),
  );

const repairJson = ({ confidence, summary, edits }: RepairAnswer) => ({
  confidence,
  summary,
  edits: [...edits],
});

/** The audit as one JSON document, without a line end. */
export const auditJson = (answer: AuditAnswer, toolVersion: string): string =>
  [...auditPieces(answer, toolVersion)].join("");

/** The same in pieces, so that no answer is too large for one text. */
export function auditPieces(answer: AuditAnswer, toolVersion: string): Iterable<string> {
  const failed = answer.findings.filter((finding) => finding.outcome === "failed");
  const bySeverity = (severity: string) => failed.filter((finding) => finding.severity === severity).length;
  const document: AuditDocument = {
    format: "even-keel/audit",
    version: 1,
    tool: { name: "even-keel", version: toolVersion },
    startedAt: answer.startedAt.toISOString(),
    elapsedMs: answer.elapsedMs,
    ...(answer.browser === null ? {} : { browser: answer.browser }),
    conformance: answer.conformance,
    subjects: answer.subjects.map(({ results: _, ...subject }) => ({
      ...subject,
      outcomes: { ...subject.outcomes },
    })),
    findings: answer.findings.map(findingJson),
    checks: answer.checks.map(({ id, outcome, targets, failed: bad, cantTell, passed }) => ({
      id,
      outcome,
      targets,
      failed: bad,
      cantTell,
      passed,
    })),
    coverage: answer.coverage.map(({ criterion, handle, level, outcome, checks, failed: bad, question }) => ({
      criterion,
      handle,
      level,
      outcome,
      checks: [...checks],
      failed: bad,
      question,
    })),
    summary: {
      failed: failed.length,
      cantTell: answer.findings.filter((finding) => finding.outcome === "cantTell").length,
      accepted: answer.accepted,
      bySeverity: {
        blocker: bySeverity("blocker"),
        barrier: bySeverity("barrier"),
        friction: bySeverity("friction"),
      },
    },
    problems: answer.problems.map(({ target, message }) => ({ target, message })),
  };
  return jsonPieces(document);
}
