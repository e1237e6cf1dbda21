import { everyCheck } from "../core/checks/catalogue.ts";
import type { Check } from "../core/checks/check.ts";
import { type CriterionRow, criterionRows } from "../core/checks/coverage.ts";
import type { Given } from "../core/checks/given.ts";
import { addFacts, type PageFacts } from "../core/checks/page-facts.ts";
import type { CheckResult } from "../core/checks/run.ts";
import { noComponents, notJudged, type Problem } from "../core/findings/problems.ts";
import { thrownWords } from "../core/findings/thrown-words.ts";
import { type Outcome as FindingOutcome, severities } from "../core/findings/verdict.ts";
import { type Conformance, demandedCriteria } from "../core/standards/conformance.ts";
import type { BrowserIdentity, SourceTargets, Unit, UnitDocument } from "../engine/unit.ts";
import type { Host } from "../host/host.ts";
import { Workspace } from "../host/workspace.ts";
import { checksFor } from "../settings/check-plan.ts";
import { type AuditPlan, isTold, type Trials } from "../settings/plan.ts";
import { SiteAudit } from "./audit-site.ts";
import type { SourcesResult } from "./audit-sources.ts";
import { type UnitAudit, UnitAuditor } from "./audit-unit.ts";
import { type Asking, collect, gather, type Outcome } from "./collect.ts";
import { SourceTexts } from "./element-answer.ts";
import { ExceptionBook } from "./exception-book.ts";
import { type FindingAnswer, inReportOrder, shareCauses } from "./finding-answer.ts";
import { type AuditAnew, type AuditedUnit, type ProofRequest, provedRepairs } from "./proved-repairs.ts";
import { withoutEdits } from "./repair-answer.ts";
import { mergedWithSeen } from "./seen-answer.ts";
import { sharedWork } from "./shared-work.ts";
import type { UnknownAnswer } from "./sources-audit.ts";
import { SourcesCache } from "./sources-cache.ts";
import { Results, type Subject } from "./subject.ts";

export type { FindingAnswer, Subject, UnknownAnswer };

/** How many elements may be audited anew to try edits, and how often those of one page. */
const trialEffort: Readonly<Record<Trials, Pick<ProofRequest, "effort" | "mostTrials">>> = {
  none: { effort: 0, mostTrials: 0 },
  usual: { effort: 40_000, mostTrials: 6 },
  thorough: { effort: 2_000_000, mostTrials: 64 },
};

export interface AuditAnswer {
  readonly startedAt: Date;
  readonly elapsedMs: number;
  readonly conformance: Conformance;
  readonly subjects: readonly Subject[];
  /** What is told: of the outcomes and families that were asked for. */
  readonly findings: readonly FindingAnswer[];
  /** What fails and is not told, as its family is not shown. */
  readonly untold: readonly FindingAnswer[];
  readonly checks: readonly CheckResult[];
  /** One row for each criterion of the chosen version and level; empty where no page was read. */
  readonly coverage: readonly CriterionRow[];
  /** How many findings comments in the source allow. */
  readonly accepted: number;
  readonly problems: readonly Problem[];
  /** Components that are used and not in source, the most used first. */
  readonly unknownComponents: readonly UnknownAnswer[];
  /** Whether some target could not be audited at all. */
  readonly incomplete: boolean;
  readonly texts: SourceTexts;
  /** What was audited together, with the files of each. */
  readonly units: readonly AuditedUnit[];
  /** The browser that pages were opened in; null where none was. */
  readonly browser: BrowserIdentity | null;
  /** What is given of the elements that edits are tried on. */
  readonly given: readonly Given[];
}

/** Audits every page the targets name. What cannot be read is a problem; the rest is audited all the same. */
export async function audit(plan: AuditPlan, host: Host, asking: Asking = {}): Promise<AuditAnswer> {
  const startedAt = host.clock.now();
  const start = host.clock.elapsed();
  const workspace = asking.workspace ?? new Workspace();
  const withWorkspace: Asking = { ...asking, workspace };
  // What fails must be known to tell whether an edit does harm.
  const outcomes = [...new Set<FindingOutcome>([...plan.outcomes, "failed"])];
  const work = new Audit({ ...plan, outcomes }, host, withWorkspace);
  const result = await work.run();
  const proved = await work.proved(result, auditAnew(plan, workspace));
  const shown = proved.filter((finding) => isTold(plan, finding));
  const { sources: _, ...answer } = result;
  return {
    startedAt,
    elapsedMs: Math.round(host.clock.elapsed() - start),
    conformance: plan.conformance,
    ...answer,
    findings: shown,
    untold: proved.filter(
      (finding) => finding.outcome === "failed" && plan.outcomes.includes("failed") && !isTold(plan, finding),
    ),
  };
}

/** The same audit of some of its pages, in a world where they are edited: nothing is run, kept or shown of it. */
export const auditAnew =
  (plan: AuditPlan, workspace: Workspace): AuditAnew =>
  async (pages, edited) => {
    const fork = workspace.fork();
    const trial: AuditPlan = {
      ...plan,
      checks: plan.checks.filter(({ kind }) => kind === "page"),
      outcomes: ["failed", "cantTell"],
      families: null,
      trials: "none",
      isCached: false,
      shots: null,
      runs: { pages: false, specimens: "none" },
      browser: { ...plan.browser, isForPages: false, sitemaps: [] },
    };
    return { ...(await audit(trial, edited, { pages, workspace: fork })), workspace: fork };
  };

/** What one thing that was collected came to. */
interface Part {
  readonly browser?: BrowserIdentity | undefined;
  readonly unit: AuditedUnit | null;
  readonly audit: UnitAudit | null;
  readonly sources: SourcesPart | null;
  /** Whether its findings are told at the place to change, as those of component source are. */
  readonly isComposed: boolean;
}

/** What came of component source. */
interface SourcesPart {
  readonly result: SourcesResult;
  readonly targets: SourceTargets;
  /** Whether it was kept from an earlier run. */
  readonly isKept: boolean;
}

type AuditResult = Omit<AuditAnswer, "startedAt" | "elapsedMs" | "conformance" | "untold"> & {
  readonly sources: readonly SourcesPart[];
};

/** An audit under way. */
class Audit {
  readonly #plan: AuditPlan;
  readonly #host: Host;
  readonly #asking: Asking;
  readonly #texts = new SourceTexts();
  readonly #exceptions = new ExceptionBook(everyCheck.map((check) => check.id));
  readonly #auditor: UnitAuditor;
  readonly #site: SiteAudit;
  readonly #cache: SourcesCache | null;

  constructor(plan: AuditPlan, host: Host, asking: Asking) {
    this.#plan = plan;
    this.#host = host;
    this.#asking = asking;
    this.#auditor = new UnitAuditor(plan, host, this.#texts, this.#exceptions);
    this.#site = new SiteAudit(plan, this.#texts);
    this.#cache = plan.isCached
      ? new SourcesCache(plan.key, plan.cacheFolder ?? host.cacheFolder, host)
      : null;
  }

  async run(): Promise<AuditResult> {
    const collection = await collect(this.#plan, this.#host, this.#asking);
    const outcome = await gather<Part>(collection, async (collected, own) =>
      collected.kind === "sources"
        ? [await this.#sources(collected.targets, own)]
        : await this.#unitAlone(collected.unit, collected.isOneOfSeveral, own),
    );
    return this.#finished(outcome.gathered, outcome.problems, outcome.incomplete);
  }

  /** A fault of ours at one page costs that page alone. */
  async #unitAlone(unit: Unit, isOneOfSeveral: boolean, outcome: Outcome): Promise<readonly Part[]> {
    try {
      return [await this.#unit(unit, isOneOfSeveral, outcome)];
    } catch (error) {
      this.#asking.signal?.throwIfAborted();
      outcome.note([notJudged(unit.subject.id, thrownWords(error))], false);
      return [];
    }
  }

  async #unit(unit: Unit, isOneOfSeveral: boolean, outcome: Outcome): Promise<Part> {
    this.#texts.add(unit.texts);
    if (!unit.isWritten) return this.#seen(unit, outcome);
    const { documents } = await unit.documents();
    const [document] = documents;
    const answers = this.#auditor.answersFor(unit);
    let audited = this.#auditor.read(unit, documents, answers);
    if (document !== undefined && isOneOfSeveral) this.#site.add(unit.subject.id, document.scene, answers);
    const explored = await this.#auditor.explore(unit);
    if (explored !== null && document !== undefined) {
      this.#texts.add(explored.texts);
      outcome.note(explored.problems, explored.isComplete);
      audited = this.#auditor.withSeen(unit, audited, explored, document, answers);
    }
    audited = await this.#pictured(audited, unit, documents, outcome);
    return {
      unit: {
        pages: [unit.page],
        files: new Set(unit.texts.keys()),
        elements: audited.subject.elements,
        isSource: false,
      },
      audit: audited,
      browser: unit.browser,
      sources: null,
      isComposed: unit.subject.specimen !== null,
    };
  }

  /** What was found, with pictures of it where these are wanted and could be taken. */
  async #pictured(
    audited: UnitAudit,
    unit: Unit,
    documents: readonly UnitDocument[],
    outcome: Outcome,
  ): Promise<UnitAudit> {
    const { shots, outcomes } = this.#plan;
    if (shots === null || unit.picture === undefined) return audited;
    const { withShots } = await import("./shots.ts");
    const told = audited.findings.filter((one) => outcomes.includes(one.outcome));
    const { findings, problem } = await withShots(told, unit, documents, { folder: shots, host: this.#host });
    if (problem !== null) outcome.note([problem], false);
    return { ...audited, findings };
  }

  async #seen(unit: Unit, outcome: Outcome): Promise<Part> {
    const explored = await this.#auditor.explore(unit);
    if (explored === null) return { unit: null, audit: null, sources: null, isComposed: true };
    this.#texts.add(explored.texts);
    outcome.note(explored.problems, explored.isComplete);
    return { unit: null, audit: this.#auditor.seen(unit, explored), sources: null, isComposed: true };
  }

  async #sources(targets: SourceTargets, outcome: Outcome): Promise<Part> {
    const kept = (await this.#cache?.find(targets.entries)) ?? null;
    const texts = kept?.texts ?? (await targets.load()).texts;
    this.#texts.add(texts);
    if (kept !== null) targets.reuse(kept.paths);
    const result = kept?.result ?? (await this.#audited(targets));
    outcome.note(result.problems, true);
    outcome.note(result.unread, result.unread.length === 0);
    const unit: AuditedUnit = {
      pages: targets.entries,
      files: new Set(texts.keys()),
      elements: result.subjects.reduce((sum, subject) => sum + subject.elements, 0),
      isSource: true,
    };
    return { unit, audit: null, sources: { result, targets, isKept: kept !== null }, isComposed: true };
  }

  async #audited(targets: SourceTargets): Promise<SourcesResult> {
    const { auditSources } = await import("./audit-sources.ts");
    const { workspace = new Workspace(), signal, enough, onPage } = this.#asking;
    // What is known already is sooner found than other threads are started.
    const shared = workspace.knows("root")
      ? null
      : sharedWork(this.#plan, this.#host, targets.entries, [signal, enough]);
    const onRoot = (name: string, done: number, total: number) => onPage?.({ name }, done, total);
    const asking = { workspace, signal, enough, onRoot, shared };
    const judging = targets.load().then((loaded) => auditSources(loaded, this.#plan, this.#host, asking));
    const result = await judging.finally(() => shared?.end());
    const loaded = await targets.load();
    const isEmpty = result.subjects.length + result.unread.length + loaded.problems.length === 0;
    if (!isEmpty) return result;
    const named = [...new Set(loaded.entries.map(({ target }) => target))];
    return { ...result, unread: named.map(noComponents) };
  }

  #finished(parts: readonly Part[], problems: readonly Problem[], incomplete: boolean): AuditResult {
    const results = new Results();
    const subjects: Subject[] = [];
    const read: FindingAnswer[] = [];
    let composed: readonly FindingAnswer[] = [];
    let facts: PageFacts | null = null;
    let accepted = 0;
    for (const { audit: own, sources, isComposed } of parts) {
      const { outcomes } = this.#plan;
      const findings = (own?.findings ?? sources?.result.findings ?? []).filter(({ outcome }) =>
        outcomes.includes(outcome),
      );
      // A fault of a specimen that its source shows already is told once.
      if (isComposed)
        composed = sources === null ? mergedWithSeen(composed, findings, []) : [...composed, ...findings];
      else read.push(...findings);
      if (own !== null) {
        subjects.push(own.subject);
        results.add(own.results.all);
        results.addTallies(own.results.tallies);
        accepted += own.accepted;
        if (own.facts !== null) facts = facts === null ? own.facts : addFacts(facts, own.facts);
      }
      for (const subject of sources?.result.subjects ?? []) {
        subjects.push(subject);
        results.add(subject.results);
      }
      results.addTallies(sources?.result.tallies ?? []);
      accepted += sources?.result.accepted ?? 0;
    }
    if (this.#site.isOfSeveral)
      read.push(
        ...this.#site.findings(results).filter(({ outcome }) => this.#plan.outcomes.includes(outcome)),
      );
    const checks = this.#madeChecks(subjects);
    const sources = parts.flatMap((part) => part.sources ?? []);
    return {
      subjects,
      findings: [...shareCauses(read), ...composed].sort(inReportOrder),
      checks: checks.map(({ id }) => results.of(id) ?? untested(id)),
      coverage: facts === null ? [] : this.#coverage(subjects, results, facts),
      accepted,
      problems: [
        ...problems,
        ...this.#exceptions.problems(this.#texts, new Set(checks.map((check) => check.id))),
      ],
      unknownComponents: sources.flatMap(({ result }) => result.unknownComponents),
      incomplete,
      texts: this.#texts,
      units: parts.flatMap(({ unit }) => unit ?? []),
      browser: parts.find(({ browser }) => browser !== undefined)?.browser ?? null,
      given: parts.flatMap(({ audit: own, sources: one }) => own?.given ?? one?.result.given ?? []),
      sources,
    };
  }

  /** Whether a check had a chance: one across pages where there are several, one by keys where some were pressed. */
  #hasChance(subjects: readonly Subject[]): (check: Check) => boolean {
    const isPressed = this.#plan.runs.pages || subjects.some(({ engine }) => engine === "render");
    const wasSeen = subjects.some(({ engine }) => engine === "browser");
    return ({ kind, isSeen }) => {
      if (kind === "page") return isSeen !== true || wasSeen;
      return kind === "site" ? this.#site.isOfSeveral : isPressed;
    };
  }

  /** The checks that were made, in the order in which they are told. */
  #madeChecks(subjects: readonly Subject[]): readonly Check[] {
    return checksFor(this.#plan.checks, this.#plan.conformance).filter(this.#hasChance(subjects));
  }

  #coverage(subjects: readonly Subject[], results: Results, facts: PageFacts): readonly CriterionRow[] {
    const hasChance = this.#hasChance(subjects);
    const pressed = this.#plan.checks.filter(
      (check) => (check.kind === "pressed" || check.kind === "script") && hasChance(check),
    );
    return criterionRows(
      demandedCriteria(this.#plan.conformance),
      everyCheck.filter(hasChance),
      new Set([...results.all, ...pressed].map(({ id }) => id)),
      results.tallies,
      facts,
    );
  }

  /** The findings with the edits that hold; what came of component source is kept with them. */
  async proved(result: AuditResult, again: AuditAnew): Promise<readonly FindingAnswer[]> {
    const trials = this.#asking.enough?.aborted === true ? "none" : this.#plan.trials;
    // What an earlier run came to was tried then.
    const tried = new Set(result.sources.flatMap(({ isKept, result: own }) => (isKept ? own.findings : [])));
    const findings =
      trials === "none"
        ? result.findings
        : await provedRepairs(
            {
              ...result,
              auditAnew: again,
              isTried: (finding) => tried.has(finding),
              triesWords: trials === "thorough",
              ...trialEffort[trials],
            },
            this.#host,
          );
    for (const { isKept, result: own, targets } of result.sources)
      if (!isKept && own.unread.length === 0)
        await this.#cache?.keep(await targets.load(), withProved(own, findings));
    return findings;
  }
}

/** What came of component source with the edits that were tried; what was not tried keeps none. */
function withProved(result: SourcesResult, findings: readonly FindingAnswer[]): SourcesResult {
  // By their fingerprints: one that a specimen shows too has become another.
  const proved = new Map(findings.map(({ fingerprint, repair }) => [fingerprint, repair]));
  return {
    ...result,
    findings: result.findings.map((finding) => {
      const { fingerprint, repair } = finding;
      const untried = repair === null ? null : withoutEdits(repair.summary);
      return { ...finding, repair: proved.get(fingerprint) ?? untried };
    }),
  };
}

const untested = (id: string): CheckResult => ({
  id,
  outcome: "untested",
  targets: 0,
  passed: 0,
  failed: 0,
  cantTell: 0,
});

/** Whether what fails reaches the severity that makes the command fail. */
export function reaches(
  { findings, untold }: Pick<AuditAnswer, "findings" | "untold">,
  failOn: AuditPlan["failOn"],
): boolean {
  if (failOn === "never") return false;
  return [...findings, ...untold].some(
    ({ outcome, severity }) =>
      outcome === "failed" && severities.indexOf(severity) <= severities.indexOf(failOn),
  );
}
