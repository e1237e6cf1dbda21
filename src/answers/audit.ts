import type { Check } from "../core/checks/check.ts";
import { type CheckResult, runChecks } from "../core/checks/run.ts";
import { NO } from "../core/css/certainty.ts";
import type { Device } from "../core/css/device.ts";
import type { ElementNode } from "../core/document/node.ts";
import { textContent } from "../core/document/text-content.ts";
import type { Problem } from "../core/findings/problems.ts";
import type { Finding, Outcome, Severity } from "../core/findings/verdict.ts";
import type { Repair } from "../core/repair/edit.ts";
import { type Scene, sceneFromSource } from "../core/scene/scene.ts";
import type { Theme } from "../core/scene/schemes.ts";
import { heardLineOf } from "../core/semantics/heard-line.ts";
import { isTold } from "../core/semantics/tree.ts";
import { criteria } from "../core/standards/criteria.ts";
import type { Host } from "../host/host.ts";
import { type ElementAnswer, elementAnswer, type SourceAnswer, SourceTexts } from "./element-answer.ts";
import { type LoadOptions, loadPage } from "./load-page.ts";
import { findPages, type PageFile } from "./targets.ts";

export type WcagVersion = "2.0" | "2.1" | "2.2";
export type Level = "A" | "AA" | "AAA";

export interface AuditRequest extends LoadOptions {
  readonly targets: readonly string[];
  readonly stdinName: string;
  readonly checks: readonly Check[];
  readonly wcag: WcagVersion;
  readonly level: Level;
  readonly device: Device;
  /** Themes in which colours are judged too. */
  readonly themes: readonly Theme[];
  /** Which outcomes become findings. */
  readonly outcomes: readonly Outcome[];
}

export interface Subject {
  readonly id: string;
  readonly target: string;
  readonly kind: "document" | "fragment";
  readonly engine: "read";
  readonly specimen: null;
  readonly state: string;
  readonly elements: number;
  readonly outcomes: Readonly<Record<Outcome, number>>;
}

export interface FindingAnswer {
  readonly fingerprint: string;
  readonly check: string;
  readonly outcome: Outcome;
  readonly severity: Severity;
  readonly criteria: readonly string[];
  readonly subject: string;
  readonly element: ElementAnswer;
  readonly source: SourceAnswer | null;
  readonly components: readonly never[];
  readonly message: string;
  readonly cause: string;
  readonly facts: Finding["facts"];
  readonly repair: Repair | null;
  /** What is heard at the element; for people. */
  readonly heard: string | null;
}

export interface AuditAnswer {
  readonly startedAt: Date;
  readonly elapsedMs: number;
  readonly conformance: { readonly wcag: WcagVersion; readonly level: Level };
  readonly subjects: readonly Subject[];
  readonly findings: readonly FindingAnswer[];
  readonly checks: readonly CheckResult[];
  readonly problems: readonly Problem[];
  /** Whether some target could not be audited at all. */
  readonly incomplete: boolean;
  readonly texts: SourceTexts;
}

const levels: readonly Level[] = ["A", "AA", "AAA"];
const severities: readonly Severity[] = ["blocker", "barrier", "friction"];

/** Whether a criterion is asked for by a version and level of WCAG. */
export function isDemanded(number: string, wcag: WcagVersion, level: Level): boolean {
  if (!Object.hasOwn(criteria, number)) return false;
  const row: { readonly since: WcagVersion; readonly level: Level; readonly removedIn?: "2.2" } =
    criteria[number as keyof typeof criteria];
  return (
    row.since <= wcag &&
    levels.indexOf(row.level) <= levels.indexOf(level) &&
    !(row.removedIn !== undefined && wcag >= row.removedIn)
  );
}

/** Checks of good practice always run; others when the chosen version and level demand one of their criteria. */
export const checksFor = (checks: readonly Check[], wcag: WcagVersion, level: Level): readonly Check[] =>
  checks.filter(
    (check) =>
      check.criteria.length === 0 || check.criteria.some((number) => isDemanded(number, wcag, level)),
  );

/** Audits every page the targets name. What cannot be read is a problem; the rest is audited all the same. */
export async function audit(
  request: AuditRequest,
  host: Host,
  onPage: (page: PageFile, done: number, total: number) => void = () => {},
): Promise<AuditAnswer> {
  const startedAt = host.clock.now();
  const start = host.clock.elapsed();
  const { pages, problems: targetProblems } = await findPages(request.targets, host, request.stdinName);
  const problems: Problem[] = [...targetProblems];
  const texts = new SourceTexts();
  const subjects: Subject[] = [];
  const findings: FindingAnswer[] = [];
  const totals = new Map<string, CheckResult>();
  let incomplete = targetProblems.length > 0;
  const checks = checksFor(request.checks, request.wcag, request.level);
  for (const [done, page] of pages.entries()) {
    onPage(page, done, pages.length);
    const loaded = await loadPage(page, host, request);
    if (!loaded.ok) {
      problems.push(loaded.problem);
      incomplete = true;
      continue;
    }
    problems.push(...loaded.value.problems);
    texts.add(loaded.value.texts);
    const { subject, found, results } = auditPage(page, loaded.value, checks, request, texts, host);
    subjects.push(subject);
    findings.push(...found);
    for (const result of results) totals.set(result.id, added(totals.get(result.id), result));
  }
  return {
    startedAt,
    elapsedMs: Math.round(host.clock.elapsed() - start),
    conformance: { wcag: request.wcag, level: request.level },
    subjects,
    findings: findings.sort(inReportOrder),
    checks: checks.map(
      (check) =>
        totals.get(check.id) ?? {
          id: check.id,
          outcome: "inapplicable",
          targets: 0,
          passed: 0,
          failed: 0,
          cantTell: 0,
        },
    ),
    problems,
    incomplete,
    texts,
  };
}

type Loaded = Extract<Awaited<ReturnType<typeof loadPage>>, { readonly ok: true }>["value"];

function auditPage(
  page: PageFile,
  loaded: Loaded,
  checks: readonly Check[],
  request: AuditRequest,
  texts: SourceTexts,
  host: Host,
) {
  const scene = sceneFromSource(loaded.document, loaded.sheets, {
    device: request.device,
    stylesKnown: loaded.stylesKnown,
    themes: request.themes,
  });
  const run = runChecks(scene, checks, request.outcomes);
  const outcomes: Record<Outcome, number> = {
    passed: 0,
    failed: 0,
    cantTell: 0,
    inapplicable: 0,
    untested: 0,
  };
  for (const result of run.checks) outcomes[result.outcome]++;
  const subject: Subject = {
    id: page.name,
    target: page.target,
    kind: loaded.document.kind,
    engine: "read",
    specimen: null,
    state: "as loaded",
    elements: scene.page.index.elements.length,
    outcomes,
  };
  const seen = new Map<string, number>();
  const found = run.findings.map((finding): FindingAnswer => {
    const element = elementAnswer(scene.page.index, scene, finding.element, texts);
    // The same on the same markup tells apart by its count, so that lines added above change no fingerprint.
    const base = [finding.check, page.name, element.snippet, element.name].join("\n");
    const count = (seen.get(base) ?? 0) + 1;
    seen.set(base, count);
    const fingerprint = host.hash(`${base}\n${count}`);
    return {
      fingerprint,
      check: finding.check,
      outcome: finding.outcome,
      severity: finding.severity,
      criteria: finding.criteria.filter((number) => isDemanded(number, request.wcag, request.level)),
      subject: page.name,
      element,
      source: texts.place(finding.source),
      components: [],
      message: finding.message,
      cause: finding.cause === null ? fingerprint : host.hash(`${page.name}\n${finding.cause}`),
      facts: { ...finding.facts, ...originFacts(finding, texts) },
      repair: finding.repair,
      heard: heardAs(scene, finding.element),
    };
  });
  return { subject, found, results: run.checks };
}

/** Where facts come from, as `foregroundFrom: "css/yard.css:7 --muted: #9aa8b0"`. */
function originFacts(finding: Finding, texts: SourceTexts): Finding["facts"] {
  const facts: Record<string, string> = {};
  for (const origin of finding.origins) {
    const place = texts.place(origin.source);
    const told =
      place === null ? `${origin.source.file}: ${origin.text}` : `${place.file}:${place.line} ${origin.text}`;
    const name = `${origin.of}From`;
    facts[name] = facts[name] === undefined ? told : `${facts[name]} ← ${told}`;
  }
  return facts;
}

/** What is heard at an element; null for one that nobody meets, such as a meta element. */
function heardAs(scene: Scene, element: ElementNode): string | null {
  if (scene.presence.of(element).exposed === NO) return null;
  if (isTold(scene, element) || element.tag === "html") return heardLineOf(scene, element);
  return textContent(element) === "" ? null : "plain text";
}

const ranked: readonly Outcome[] = ["failed", "cantTell", "passed", "untested", "inapplicable"];

function added(known: CheckResult | undefined, more: CheckResult): CheckResult {
  if (known === undefined) return more;
  const outcome =
    ranked.indexOf(known.outcome) <= ranked.indexOf(more.outcome) ? known.outcome : more.outcome;
  return {
    id: more.id,
    outcome,
    targets: known.targets + more.targets,
    passed: known.passed + more.passed,
    failed: known.failed + more.failed,
    cantTell: known.cantTell + more.cantTell,
  };
}

const byCodeUnit = (a: string, b: string): number => (a < b ? -1 : a > b ? 1 : 0);

/** By page, then the worst first, then by place. */
function inReportOrder(a: FindingAnswer, b: FindingAnswer): number {
  return (
    byCodeUnit(a.subject, b.subject) ||
    ranked.indexOf(a.outcome) - ranked.indexOf(b.outcome) ||
    severities.indexOf(a.severity) - severities.indexOf(b.severity) ||
    (a.source?.line ?? 0) - (b.source?.line ?? 0) ||
    (a.source?.column ?? 0) - (b.source?.column ?? 0) ||
    byCodeUnit(a.check, b.check) ||
    byCodeUnit(a.fingerprint, b.fingerprint)
  );
}

/** Whether findings reach the severity that makes the command fail. */
export function reaches(findings: readonly FindingAnswer[], failOn: Severity | "never"): boolean {
  if (failOn === "never") return false;
  return findings.some(
    (finding) =>
      finding.outcome === "failed" && severities.indexOf(finding.severity) <= severities.indexOf(failOn),
  );
}
