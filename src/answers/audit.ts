import type { Check, CheckText } from "../core/checks/check.ts";
import { type CriterionRow, criterionRows } from "../core/checks/coverage.ts";
import { addFacts, type PageFacts, pageFacts } from "../core/checks/page-facts.ts";
import {
  addTallies,
  type CheckResult,
  checkResult,
  type RunResult,
  runChecks,
  type Tally,
} from "../core/checks/run.ts";
import { digestOf, type PageDigest } from "../core/checks/site/digest.ts";
import type { SiteCheck, SiteFinding } from "../core/checks/site/site-check.ts";
import type { Device } from "../core/css/device.ts";
import type { ElementNode } from "../core/document/node.ts";
import { noComponents, type Problem, specimensNeedRunning } from "../core/findings/problems.ts";
import type { Finding, Outcome, Severity } from "../core/findings/verdict.ts";
import { type Scene, sceneFromSource } from "../core/scene/scene.ts";
import { type Conformance, demandedCriteria } from "../core/standards/conformance.ts";
import type { CriterionNumber } from "../core/standards/criteria.ts";
import type { Host } from "../host/host.ts";
import type { AuditColours } from "./audit-colours.ts";
import type { SourcesResult, UnknownAnswer } from "./audit-sources.ts";
import { type CheckPlan, checksFor } from "./check-plan.ts";
import { SourceTexts } from "./element-answer.ts";
import { ExceptionBook } from "./exception-book.ts";
import {
  type FindingAnswer,
  FindingAnswers,
  inReportOrder,
  placeOf,
  severities,
  shareCauses,
} from "./finding-answer.ts";
import type { LoadedPage } from "./load-page.ts";
import { type AuditAnew, type AuditedUnit, provedRepairs } from "./proved-repairs.ts";
import { type ReadPage, type ReadRequest, readPages } from "./read-pages.ts";
import { renderedPage } from "./render-page.ts";
import { mergedWithRendered, statePlan } from "./rendered.ts";
import { withoutEdits } from "./repair-answer.ts";
import { type CacheRequest, type ReusedSources, SourcesCache } from "./sources-cache.ts";
import type { SpecimensAnswer } from "./specimens.ts";
import { addResults, outcomesOf, type Subject } from "./subject.ts";
import type { Engine, PageFile } from "./targets.ts";

export type { FindingAnswer, Subject, UnknownAnswer };

export interface AuditRequest extends ReadRequest, CheckPlan, AuditColours {
  readonly siteChecks: readonly SiteCheck[];
  readonly device: Device;
  /** Which outcomes become findings. */
  readonly outcomes: readonly Outcome[];
  /**
   * How targets are looked at: from their source alone; pages also with their scripts run and their keys pressed; or mixed:
   * pages and components from source, specimens mounted.
   */
  readonly engine: Engine;
  /** How long the scripts and keys of one page may take, in seconds. */
  readonly timeLimit: number;
  /** Checks that only pressing keys decides. */
  readonly pressedChecks: readonly CheckText[];
  /** How hard edits are tried before they are offered; with none they are offered untried. */
  readonly trials: keyof typeof trialEffort;
  /** Where what came of component source is kept for the next time; null to keep nothing. */
  readonly cache: CacheRequest | null;
}

/** How many elements may be audited anew to try edits. */
const trialEffort = { none: 0, usual: 40_000, thorough: 2_000_000 } as const;

export interface AuditAnswer {
  readonly startedAt: Date;
  readonly elapsedMs: number;
  readonly conformance: Conformance;
  readonly subjects: readonly Subject[];
  readonly findings: readonly FindingAnswer[];
  readonly checks: readonly CheckResult[];
  /** One row for each criterion of the chosen version and level. */
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
}

/** Audits every page the targets name. What cannot be read is a problem; the rest is audited all the same. */
export async function audit(
  request: AuditRequest,
  host: Host,
  onPage: (page: PageFile, done: number, total: number) => void = () => {},
): Promise<AuditAnswer> {
  const startedAt = host.clock.now();
  const start = host.clock.elapsed();
  // What fails must be known to tell whether an edit does harm.
  const outcomes = [...new Set<Outcome>([...request.outcomes, "failed"])];
  const work = new Audit({ ...request, outcomes }, host);
  const kept = request.cache === null ? null : new SourcesCache(request.cache, host);
  let reused: ReusedSources | null = null;
  const unread: Problem[] = [];
  let mounting: Promise<SpecimensAnswer> | null = null;
  const { problems, incomplete, sources } = await readPages(request, host, {
    visit: async (read) => {
      const added = work.addPage(read);
      if (request.engine === "render") await work.render(read, added);
    },
    onPage,
    onSpecimens: (specimens) => {
      mounting = work.mount(specimens, onPage);
    },
    reuse: async (entries) => {
      reused = (await kept?.find(entries)) ?? null;
      return reused === null ? null : reused.paths;
    },
  });
  let result: SourcesResult | null = null;
  if (sources !== null) {
    const { auditSources } = await import("./audit-sources.ts");
    result = auditSources(sources, request, host);
    unread.push(...result.unread);
    if (result.subjects.length === 0 && result.unread.length === 0 && sources.problems.length === 0)
      unread.push(...[...new Set(sources.entries.map(({ target }) => target))].map(noComponents));
    work.addSources(result, sources.entries, sources.texts);
  }
  // Set inside the callback, which the type checker does not see.
  const again = reused as ReusedSources | null;
  if (again !== null) work.addSources(again.result, again.entries, again.texts);
  if (mounting !== null) await work.addSpecimens(await mounting);
  const answer = work.finish();
  // What an earlier run came to was tried then.
  const tried = new Set(again?.result.findings);
  const isIncomplete = incomplete || unread.length > 0 || answer.isCutShort;
  const trial = { ...answer, incomplete: isIncomplete, auditAnew: auditAnew(request) };
  const findings =
    request.trials === "none"
      ? answer.findings
      : await provedRepairs(
          {
            ...trial,
            isTried: (finding) => tried.has(finding),
            triesWords: request.trials === "thorough",
            effort: trialEffort[request.trials],
          },
          host,
        );
  if (sources !== null && result !== null) {
    // By their fingerprints: one that a specimen shows too has become another. What was not tried keeps no edits.
    const proved = new Map(findings.map(({ fingerprint, repair }) => [fingerprint, repair]));
    await kept?.keep(sources, {
      ...result,
      findings: result.findings.map((finding) => {
        const { fingerprint, repair } = finding;
        const untried = repair === null ? null : withoutEdits(repair.summary);
        return { ...finding, repair: proved.get(fingerprint) ?? untried };
      }),
    });
  }
  return {
    startedAt,
    elapsedMs: Math.round(host.clock.elapsed() - start),
    conformance: request.conformance,
    ...answer,
    findings: findings.filter(({ outcome }) => request.outcomes.includes(outcome)),
    problems: [...problems, ...unread, ...answer.problems],
    incomplete: isIncomplete,
  };
}

/** The same audit of some of its pages, in a world where they are edited. */
export const auditAnew =
  (request: AuditRequest): AuditAnew =>
  (pages, edited) =>
    audit(
      {
        ...request,
        pages,
        siteChecks: [],
        cache: null,
        outcomes: ["failed", "cantTell"],
        trials: "none",
        engine: "read",
      },
      edited,
    );

/** What of a page is needed to press its keys. */
interface AddedPage {
  readonly scene: Scene;
  readonly answers: FindingAnswers;
  readonly results: readonly CheckResult[];
}

/** An audit under way: page after page is added, and only what is told of each is kept. */
class Audit {
  readonly #request: AuditRequest;
  readonly #host: Host;
  readonly #checks: readonly Check[];
  readonly #texts = new SourceTexts();
  readonly #exceptions: ExceptionBook;
  readonly #subjects: Subject[] = [];
  #findings: FindingAnswer[] = [];
  /** Findings of components: each is told once already, at the place to change. */
  #composed: FindingAnswer[] = [];
  readonly #results = new Map<string, CheckResult>();
  readonly #tallies = new Map<CriterionNumber, Tally>();
  readonly #digests: PageDigest[] = [];
  /** For findings across pages: how an element of a page that is no longer held is told of. */
  readonly #tellers = new Map<
    string,
    (finding: SiteFinding, check: SiteCheck, severity: Severity) => FindingAnswer | null
  >();
  #several = false;
  #facts: PageFacts | null = null;
  #accepted = 0;
  #unknown: readonly UnknownAnswer[] = [];
  readonly #problems: Problem[] = [];
  readonly #units: AuditedUnit[] = [];
  #isCutShort = false;

  constructor(request: AuditRequest, host: Host) {
    this.#request = request;
    this.#host = host;
    this.#checks = checksFor(request.checks, request.conformance);
    this.#exceptions = new ExceptionBook(request.known.map((check) => check.id));
  }

  addPage({ page, loaded, several }: ReadPage): AddedPage {
    this.#several = several;
    const { device, themes, colourSchemes, palette, outcomes, conformance } = this.#request;
    this.#texts.add(loaded.texts);
    const scene = sceneFromSource(loaded.document, loaded.sheets, {
      device,
      stylesKnown: loaded.stylesKnown,
      themes,
      colourSchemes,
      palette,
    });
    const settings = this.#request.settingsFor(page.name);
    const checks = this.#checks.filter((check) => !settings(check).off);
    const exceptions = this.#exceptions.ofPage(loaded.document, loaded.sheets);
    const run = runChecks(scene, checks, outcomes, settings, exceptions.allows);
    this.#accepted += run.allowed;
    this.#subjects.push(subjectOf(page, loaded, scene, run.checks));
    this.#units.push({
      pages: [page],
      files: new Set(loaded.texts.keys()),
      elements: scene.page.index.elements.length,
      isSource: false,
    });
    this.#counted(run);
    const facts = pageFacts(scene);
    this.#facts = this.#facts === null ? facts : addFacts(this.#facts, facts);
    const answers = new FindingAnswers(page.name, this.#texts, this.#host, conformance);
    this.#findings.push(
      ...run.findings.map((finding) =>
        answers.answer(finding, placeOf(scene, finding.element, this.#texts), finding.element.components),
      ),
    );
    if (this.#several) this.#digest(page, scene, answers);
    return { scene, answers, results: run.checks };
  }

  /** Runs the scripts of a page and presses its keys; what they show takes the place of what source only suspects. */
  async render({ page, loaded }: ReadPage, { scene, answers, results }: AddedPage): Promise<void> {
    const { outcomes, pressedChecks } = this.#request;
    const settings = this.#request.settingsFor(page.name);
    const rendered = await renderedPage(
      page,
      loaded,
      { ...this.#request, plan: statePlan(this.#checks, settings, this.#request) },
      [...this.#checks, ...pressedChecks],
      settings,
      { scene, texts: this.#texts, answers },
      this.#host,
    );
    const wanted = rendered.findings.filter(({ outcome }) => outcomes.includes(outcome));
    this.#findings = [...mergedWithRendered(this.#findings, wanted)];
    const own = new Map(results.map((result) => [result.id as string, result]));
    for (const result of rendered.results) {
      own.set(result.id, addResults(own.get(result.id), result));
      this.#results.set(result.id, addResults(this.#results.get(result.id), result));
      const check = this.#request.known.find(({ id }) => id === result.id);
      for (const criterion of check?.criteria ?? [])
        this.#tallies.set(criterion, addTallies(this.#tallies.get(criterion), result));
    }
    const at = this.#subjects.findIndex(({ id }) => id === page.name);
    const subject = this.#subjects[at];
    if (subject !== undefined)
      this.#subjects[at] = { ...subject, engine: "render", outcomes: outcomesOf([...own.values()]) };
    this.#problems.push(...rendered.problems);
    this.#isCutShort ||= rendered.incomplete;
  }

  /** Mounts specimens and tries their keys. */
  async mount(
    pages: readonly PageFile[],
    onSpecimen: (page: PageFile, done: number, total: number) => void,
  ): Promise<SpecimensAnswer> {
    const { engine, settingsFor } = this.#request;
    if (engine === "read") {
      const named = pages.filter(({ target, name, part }) => target === name || part !== undefined);
      const problems = named.map(({ name }) => specimensNeedRunning(name));
      return { mounted: [], problems, incomplete: named.length > 0 };
    }
    const { mountSpecimens, isMadeOf } = await import("./specimens.ts");
    return mountSpecimens(
      pages,
      {
        ...this.#request,
        script: null,
        presses: true,
        log: false,
        planFor: (specimen) =>
          statePlan(this.#checks.filter(isMadeOf(specimen)), settingsFor(specimen.page.name), this.#request),
      },
      this.#host,
      onSpecimen,
    );
  }

  /** Takes what came of specimens; a fault that their source shows already is told once. */
  async addSpecimens(answer: SpecimensAnswer): Promise<void> {
    const { pressedChecks, outcomes, conformance } = this.#request;
    const { textsOf } = await import("./specimens.ts");
    const { toldSpecimen } = await import("./told-specimen.ts");
    const checks = [...this.#checks, ...checksFor(pressedChecks, conformance)];
    const results = answer.mounted.map(({ result }) => result);
    this.#texts.add(await textsOf(results, this.#host));
    for (const mounted of answer.mounted) {
      const told = toldSpecimen(mounted, checks, this.#request, this.#texts, this.#host);
      this.#composed = [
        ...mergedWithRendered(
          this.#composed,
          told.findings.filter(({ outcome }) => outcomes.includes(outcome)),
        ),
      ];
      this.#subjects.push(told.subject);
      for (const result of told.results)
        this.#results.set(result.id, addResults(this.#results.get(result.id), result));
      for (const [criterion, tally] of told.criteria)
        this.#tallies.set(criterion, addTallies(this.#tallies.get(criterion), tally));
      this.#accepted += told.accepted;
    }
    this.#problems.push(...answer.problems);
    this.#isCutShort ||= answer.incomplete;
  }

  /** Takes what came of the components among the targets. */
  addSources(result: SourcesResult, entries: readonly PageFile[], texts: ReadonlyMap<string, string>): void {
    this.#texts.add(texts);
    this.#units.push({
      pages: entries,
      files: new Set(texts.keys()),
      elements: result.subjects.reduce((sum, subject) => sum + subject.elements, 0),
      isSource: true,
    });
    const { outcomes } = this.#request;
    this.#composed.push(...result.findings.filter(({ outcome }) => outcomes.includes(outcome)));
    this.#subjects.push(...result.subjects);
    for (const one of result.results) this.#results.set(one.id, addResults(this.#results.get(one.id), one));
    for (const [criterion, tally] of result.tallies)
      this.#tallies.set(criterion, addTallies(this.#tallies.get(criterion), tally));
    this.#accepted += result.accepted;
    this.#unknown = result.unknownComponents;
    this.#problems.push(...result.problems);
  }

  #counted(run: RunResult): void {
    for (const result of run.checks)
      this.#results.set(result.id, addResults(this.#results.get(result.id), result));
    for (const [criterion, tally] of run.criteria)
      this.#tallies.set(criterion, addTallies(this.#tallies.get(criterion), tally));
  }

  #digest(page: PageFile, scene: Scene, answers: FindingAnswers): void {
    const digest = digestOf(page.name, scene);
    this.#digests.push(digest);
    const places = new Map(
      [
        ...(digest.title === null ? [] : [digest.title.element]),
        ...digest.navigations.flatMap((navigation) => [
          navigation.element,
          ...navigation.links.map((link) => link.element),
        ]),
      ].map((element) => [element, placeOf(scene, element, this.#texts)] as const),
    );
    this.#tellers.set(page.name, ({ element, verdict }, check, severity) => {
      const place = places.get(element);
      return place === undefined
        ? null
        : answers.answer(findingOf(element, verdict, check, severity), place, []);
    });
  }

  #siteChecks(): readonly SiteCheck[] {
    return this.#several ? checksFor(this.#request.siteChecks, this.#request.conformance) : [];
  }

  #auditSite(): void {
    for (const check of this.#siteChecks()) {
      const pages = this.#digests.filter(({ page }) => !this.#request.settingsFor(page)(check).off);
      const { targets, findings } = check.judgePages(pages);
      const counts = { passed: targets - findings.length, failed: 0, cantTell: 0 };
      for (const finding of findings) {
        counts[finding.verdict.outcome]++;
        const severity = this.#request.settingsFor(finding.page)(check).severity ?? check.severity;
        const answer = this.#tellers.get(finding.page)?.(finding, check, severity);
        if (answer != null && this.#request.outcomes.includes(answer.outcome)) this.#findings.push(answer);
      }
      this.#results.set(check.id, checkResult(check.id, counts));
      for (const criterion of check.criteria)
        this.#tallies.set(criterion, addTallies(this.#tallies.get(criterion), counts));
    }
  }

  /** Checks across pages have nothing to say of a single one. */
  #isAcross(check: CheckText): boolean {
    return this.#request.siteChecks.some((other) => other.id === check.id);
  }

  #isPressed(check: CheckText): boolean {
    return this.#request.pressedChecks.some((other) => other.id === check.id);
  }

  finish() {
    this.#auditSite();
    const { conformance } = this.#request;
    const hasPressed =
      this.#request.engine === "render" || this.#subjects.some(({ engine }) => engine === "render");
    const pressed = hasPressed ? this.#request.pressedChecks : [];
    const checks: readonly CheckText[] = [...this.#checks, ...this.#siteChecks(), ...pressed];
    return {
      subjects: this.#subjects,
      findings: [...shareCauses(this.#findings), ...this.#composed].sort(inReportOrder),
      checks: checks.map((check) => this.#results.get(check.id) ?? untested(check.id)),
      coverage:
        this.#facts === null
          ? []
          : criterionRows(
              demandedCriteria(conformance),
              this.#request.known.filter(
                (check) =>
                  (this.#several || !this.#isAcross(check)) && (hasPressed || !this.#isPressed(check)),
              ),
              new Set([...this.#results.keys(), ...pressed.map((check) => check.id)]),
              this.#tallies,
              this.#facts,
            ),
      accepted: this.#accepted,
      unknownComponents: this.#unknown,
      units: this.#units,
      isCutShort: this.#isCutShort,
      problems: [
        ...this.#problems,
        ...this.#exceptions.problems(this.#texts, new Set(checks.map((check) => check.id))),
      ],
      texts: this.#texts,
    };
  }
}

const untested = (id: string): CheckResult => ({
  id,
  outcome: "untested",
  targets: 0,
  passed: 0,
  failed: 0,
  cantTell: 0,
});

const findingOf = (
  element: ElementNode,
  verdict: SiteFinding["verdict"],
  check: SiteCheck,
  severity: Severity,
): Finding => ({
  check: check.id,
  outcome: verdict.outcome,
  severity,
  criteria: verdict.criteria ?? check.criteria,
  element,
  source: verdict.source ?? element.source,
  message: verdict.message,
  repair: verdict.repair,
  facts: verdict.facts ?? {},
  cause: verdict.cause ?? null,
  origins: verdict.origins ?? [],
});

function subjectOf(
  page: PageFile,
  loaded: LoadedPage,
  scene: Scene,
  results: readonly CheckResult[],
): Subject {
  return {
    id: page.name,
    target: page.target,
    kind: loaded.document.kind,
    engine: "read",
    specimen: null,
    state: "as loaded",
    elements: scene.page.index.elements.length,
    outcomes: outcomesOf(results),
  };
}

/** Whether findings reach the severity that makes the command fail. */
export function reaches(findings: readonly FindingAnswer[], failOn: Severity | "never"): boolean {
  if (failOn === "never") return false;
  return findings.some(
    (finding) =>
      finding.outcome === "failed" && severities.indexOf(finding.severity) <= severities.indexOf(failOn),
  );
}
