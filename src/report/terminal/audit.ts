import type { AuditAnswer, FindingAnswer, Subject } from "../../answers/audit.ts";
import { countOf } from "../../core/document/count-of.ts";
import { type Severity, severities } from "../../core/findings/verdict.ts";
import { coverageCounts, coverageText } from "./coverage.ts";
import { type AuditView, findingText } from "./finding.ts";
import { kindsOf } from "./kinds-of.ts";
import { printable } from "./printable.ts";

/** How many findings of one check on one page are shown in full. */
const SHOWN_OF_A_KIND = 3;

const plurals: Readonly<Record<Severity, string>> = {
  blocker: "blockers",
  barrier: "barriers",
  friction: "frictions",
};

/** One line for each failure, nothing else. */
export const auditLines = ({ findings }: AuditAnswer): string =>
  findings
    .filter(({ outcome }) => outcome === "failed")
    .map(oneLine)
    .join("");

/** What people are shown: by page, the worst first, each with its place, who is hurt and how to mend it. */
export function auditText(answer: AuditAnswer, view: AuditView): string {
  const parts: string[] = [];
  const { colours } = view.paint;
  const shown = answer.findings.filter((finding) => finding.outcome !== "passed");
  const pagesOf = new Map<string, Set<string>>();
  for (const { cause, subject } of shown) {
    const pages = pagesOf.get(cause);
    if (pages === undefined) pagesOf.set(cause, new Set([subject]));
    else pages.add(subject);
  }
  const isShared = ({ cause }: FindingAnswer) => (pagesOf.get(cause)?.size ?? 0) > 1;
  const shared = shown.filter(isShared).sort((a, b) => worstFirst(a, b));
  if (shared.length > 0) {
    const among = new Set(shared.map(({ subject }) => subject));
    const kinds = kindsOf(answer.subjects.filter(({ id }) => among.has(id)));
    const where = kinds === "components" ? "In several components" : `On several ${kinds}`;
    parts.push(`${colours.bold(where)}  ${colours.dim("shown once; one change mends each")}\n`);
    parts.push(...findingsText(shared, answer, view, pagesOf));
  }
  for (const subject of answer.subjects) {
    const findings = shown.filter((finding) => finding.subject === subject.id && !isShared(finding));
    if (findings.length === 0 && answer.subjects.length > 1) continue;
    parts.push(`${colours.bold(printable(subject.id))}  ${colours.dim(about(subject))}\n`);
    parts.push(...findingsText(findings, answer, view, pagesOf));
  }
  const clean = answer.subjects.filter(
    (subject) => !answer.findings.some((f) => f.subject === subject.id && f.outcome !== "passed"),
  );
  if (clean.length > 0 && answer.subjects.length > 1) {
    const named = view.all || clean.length <= MOST_CLEAN_NAMED ? clean : clean.slice(0, MOST_CLEAN_NAMED - 1);
    const more = clean.length - named.length;
    const names = named.map((subject) => printable(subject.id)).join(", ");
    const rest = more === 0 ? "" : ` and ${more} more (--all names them)`;
    parts.push(`${view.paint.paragraph(`${colours.green("✓")} `, `nothing found in ${names}${rest}`, 2)}\n`);
  }
  if (view.coverage !== "none" && answer.coverage.length > 0)
    parts.push(
      view.coverage === "each"
        ? coverageText(answer.coverage, answer.conformance, view.paint, view.all)
        : `${coverageCounts(answer.coverage, answer.conformance, view.paint)}\n`,
    );
  parts.push(closing(answer, view));
  return parts.join("\n");
}

/** Of how many subjects without findings the names are told. */
const MOST_CLEAN_NAMED = 8;

/** Findings first, then questions; each by what they do to a person. The order of the pages stays. */
const worstFirst = (a: FindingAnswer, b: FindingAnswer): number =>
  Number(a.outcome === "cantTell") - Number(b.outcome === "cantTell") ||
  severities.indexOf(a.severity) - severities.indexOf(b.severity);

const about = (subject: Subject): string =>
  `${subject.kind} · ${countOf(subject.elements, "element", "elements")} · ${subject.engine}`;

const oneLine = (finding: FindingAnswer): string => {
  const place =
    finding.source === null
      ? finding.subject
      : `${finding.source.file}:${finding.source.line}:${finding.source.column}`;
  return `${printable(place)}: ${finding.severity}: ${printable(finding.message)} (${finding.check})\n`;
};

function findingsText(
  findings: readonly FindingAnswer[],
  answer: AuditAnswer,
  view: AuditView,
  pagesOf: ReadonlyMap<string, ReadonlySet<string>>,
): readonly string[] {
  const parts: string[] = [];
  const kinds = new Map<string, FindingAnswer[]>();
  const causes = new Map<string, FindingAnswer[]>();
  for (const finding of findings) causes.set(finding.cause, [...(causes.get(finding.cause) ?? []), finding]);
  for (const finding of findings) {
    // One change mends them all: people are shown the first, with the others named below it.
    if (causes.get(finding.cause)?.[0] !== finding) continue;
    const key = `${finding.outcome} ${finding.check}`;
    const kind = kinds.get(key);
    if (kind === undefined) kinds.set(key, [finding]);
    else kind.push(finding);
  }
  for (const kind of kinds.values()) {
    const shown = view.all ? kind : kind.slice(0, SHOWN_OF_A_KIND);
    for (const [index, finding] of shown.entries())
      parts.push(
        findingText(
          finding,
          (causes.get(finding.cause) ?? []).slice(1),
          [...(pagesOf.get(finding.cause) ?? [])],
          answer,
          view,
          index === 0,
        ),
      );
    const folded = kind.slice(shown.length);
    const [first] = folded;
    if (first !== undefined) {
      const lines = folded.map((finding) => finding.source?.line).filter((line) => line !== undefined);
      const where =
        lines.length === 0
          ? ""
          : `: line ${[...new Set(lines)].slice(0, 12).join(", ")}${new Set(lines).size > 12 ? " …" : ""}`;
      parts.push(
        `    ${view.paint.colours.dim(`and ${folded.length} more of ${first.check}${where}  (--all shows them)`)}\n`,
      );
    }
  }
  return parts;
}

/** How many components are used and not in source. */
function unknownLine({ unknownComponents }: AuditAnswer): string | null {
  const uses = unknownComponents.reduce((sum, one) => sum + one.uses.length, 0);
  return uses === 0
    ? null
    : `${countOf(unknownComponents.length, "component is", "components are")} not in this source (${countOf(uses, "use", "uses")}): keel audit --unknown-components lists them.`;
}

/** With fewer faults people see by themselves where to begin. */
const MANY_FAULTS = 12;
const CAUSES_NAMED = 3;

/** Where to begin: the changes that mend the most, where some mend several. */
function mendingMost(failed: readonly FindingAnswer[], { paint }: AuditView): readonly string[] {
  if (failed.length < MANY_FAULTS) return [];
  const { colours } = paint;
  const byCause = new Map<string, FindingAnswer[]>();
  for (const finding of failed) byCause.set(finding.cause, [...(byCause.get(finding.cause) ?? []), finding]);
  return [...byCause.values()]
    .filter(({ length }) => length > 1)
    .sort((a, b) => b.length - a.length)
    .slice(0, CAUSES_NAMED)
    .map((group, i) => {
      const [first] = group;
      const { message = "", check = "" } = first ?? {};
      // Where a colour was set is where it is changed.
      const source = first?.origins.find((origin) => origin.source !== null)?.source ?? first?.source ?? null;
      const where = source === null ? (first?.subject ?? "") : `${source.file}:${source.line}`;
      return paint.paragraph(
        colours.dim(i === 0 ? "begin " : "      "),
        `${group.length} of ${failed.length} by one change: ${printable(where)} ${printable(message)} ${colours.dim(`(${check})`)}`,
        6,
      );
    });
}

function closing(answer: AuditAnswer, view: AuditView): string {
  const { colours } = view.paint;
  const failed = answer.findings.filter((finding) => finding.outcome === "failed");
  const questions = answer.findings.filter((finding) => finding.outcome === "cantTell").length;
  const passed = answer.checks.filter((check) => check.outcome === "passed").length;
  const bySeverity = severities.flatMap((severity) => {
    const n = failed.filter((finding) => finding.severity === severity).length;
    return n === 0 ? [] : [countOf(n, severity, plurals[severity])];
  });
  const pages = answer.subjects.length > 1 ? ` in ${answer.subjects.length} ${kindsOf(answer.subjects)}` : "";
  const changes = new Set(failed.map((finding) => finding.cause)).size;
  const by = changes < failed.length ? `, by ${countOf(changes, "change", "changes")}` : "";
  const summary = [
    failed.length === 0
      ? colours.green(`Nothing to mend${pages}`)
      : colours.bold(`${failed.length} to mend${pages}${by}: ${bySeverity.join(", ")}`),
    ...(questions > 0 ? [countOf(questions, "question for a person", "questions for a person")] : []),
    ...(answer.accepted > 0 ? [`${answer.accepted} allowed in place`] : []),
    ...(answer.untold.length > 0 ? [`${answer.untold.length} not shown (--all shows them)`] : []),
    ...(passed > 0 ? [`${countOf(passed, "check", "checks")} passed`] : []),
  ].join(" · ");
  const lines = [view.paint.paragraph("", summary, 0)];
  lines.push(...mendingMost(failed, view));
  const unknown = unknownLine(answer);
  if (unknown !== null) lines.push(view.paint.paragraph(colours.dim("also  "), colours.dim(unknown), 6));
  const first = failed[0] ?? answer.findings[0];
  const hasEdits = failed.some(({ repair }) => (repair?.edits.length ?? 0) > 0);
  if (first !== undefined) {
    lines.push(
      view.paint.paragraph(
        colours.dim("next  "),
        colours.dim(
          `keel tree ${shellWord(first.subject.replace(/#.*$/, ""))} --at ${shellWord(first.selector)} shows what assistive technology is given there; ${hasEdits ? `keel mend --also likely prints the edits as a patch` : "mend, and run this again"}.`,
        ),
        6,
      ),
    );
  } else if (answer.subjects.length > 0) {
    lines.push(
      view.paint.paragraph(
        colours.dim("next  "),
        colours.dim(
          "What no check can see remains for a person: read it with keel hear, and press Tab through it.",
        ),
        6,
      ),
    );
  }
  return `${lines.join("\n")}\n`;
}

const shellWord = (text: string): string =>
  /^[\w./-]+$/.test(text) ? text : `'${printable(text).replace(/'/g, "'\\''")}'`;
