import type { Check, PageCheck } from "../core/checks/check.ts";
import { type Given, givenIn } from "../core/checks/given.ts";
import { walkHolds } from "../core/checks/keys/walk-holds.ts";
import { addFacts, type PageFacts, pageFacts } from "../core/checks/page-facts.ts";
import { type CheckResult, checkResult, runChecks } from "../core/checks/run.ts";
import { elementsBelow } from "../core/document/around.ts";
import { lineMap } from "../core/document/line-map.ts";
import type { ElementNode } from "../core/document/node.ts";
import type { Finding } from "../core/findings/verdict.ts";
import { ask } from "../core/repair/repair.ts";
import type { Scene } from "../core/scene/scene.ts";
import type { OpenedScene, Unit, UnitDocument, UnitExplored, WalkedScript } from "../engine/unit.ts";
import type { Host } from "../host/host.ts";
import type { SettingsOfChecks } from "../settings/check-plan.ts";
import { checksFor } from "../settings/check-plan.ts";
import type { AuditPlan } from "../settings/plan.ts";
import { elementIn, isWrittenInside, placeIn } from "./document-elements.ts";
import type { SourceTexts } from "./element-answer.ts";
import type { ExceptionBook } from "./exception-book.ts";
import { type FindingAnswer, FindingAnswers, hasEdits, placeOf } from "./finding-answer.ts";
import { mergedWithSeen, pressedResults, SeenAnswers, statePlan, talliesOf } from "./seen-answer.ts";
import { Results, type Subject, subjectOf } from "./subject.ts";

/** What came of one unit. */
export interface UnitAudit {
  readonly subject: Subject;
  readonly findings: readonly FindingAnswer[];
  readonly results: Results;
  readonly accepted: number;
  /** What is on the page, for what no check decides; null where it was not read. */
  readonly facts: PageFacts | null;
  /** What is given of its elements, where an edit is to be tried on it. */
  readonly given: readonly Given[];
}

/** What the checks of a plan make of units. */
export class UnitAuditor {
  readonly #plan: AuditPlan;
  readonly #host: Host;
  readonly #texts: SourceTexts;
  readonly #exceptions: ExceptionBook;
  readonly #checks: readonly Check[];

  constructor(plan: AuditPlan, host: Host, texts: SourceTexts, exceptions: ExceptionBook) {
    this.#plan = plan;
    this.#host = host;
    this.#texts = texts;
    this.#exceptions = exceptions;
    this.#checks = checksFor(plan.checks, plan.conformance);
  }

  answersFor({ subject }: Unit): FindingAnswers {
    return new FindingAnswers(subject.id, this.#texts, this.#host, this.#plan.conformance);
  }

  /** What the documents of a unit show by themselves. */
  read(unit: Unit, documents: readonly UnitDocument[], answers: FindingAnswers): UnitAudit {
    const settings = this.#plan.settingsFor(unit.page.name);
    const checks = this.#madeOf(unit).filter(
      (check): check is PageCheck => check.kind === "page" && !settings(check).off,
    );
    const results = new Results();
    const findings: FindingAnswer[] = [];
    let accepted = 0;
    let facts: PageFacts | null = null;
    const given: Given[] = [];
    const isTrial = this.#plan.trials === "none";
    const add = (finding: Finding, document: UnitDocument) => {
      const shown = elementIn(document, finding.element, this.#texts);
      // Of a trial only what fails, and where, is looked at.
      const place = isTrial
        ? { element: shown, heard: null, selector: "" }
        : placeOf(document.scene, finding.element, this.#texts, shown);
      const told = isTrial ? { ...finding, repair: null } : finding;
      findings.push(answers.answer(inFile(told, document), place, finding.element.components));
    };
    for (const document of documents) {
      const { scene, sheets } = document;
      const { allows } = this.#exceptions.ofPage(scene.document, sheets);
      const run = runChecks(scene, checks, this.#plan.outcomes, settings, allows);
      results.add(run.checks);
      results.addTallies(run.criteria);
      accepted += run.allowed;
      const ofPage = pageFacts(scene);
      facts = facts === null ? ofPage : addFacts(facts, ofPage);
      for (const finding of run.findings) add(finding, document);
      const open = document.opened?.() ?? null;
      for (const finding of open === null
        ? []
        : this.#whenOpened(open, run.findings, checks, settings, allows)) {
        add(finding, { ...document, scene: open?.scene ?? scene });
        const counted = checkResult(finding.check, { ...noTally, [finding.outcome]: 1 });
        results.add([counted]);
        results.addTallies(talliesOf([counted]));
      }
      if (isTrial || findings.some(hasEdits)) given.push(...givenIn(scene));
    }
    const isSpecimen = unit.subject.specimen !== null;
    const elements = documents.reduce(
      (sum, { scene }) =>
        sum +
        scene.page.index.elements.filter(
          (one) => !isSpecimen || one.components.length > 0 || one.source !== null,
        ).length,
      0,
    );
    const subject = subjectOf(unit.subject, elements, results.all);
    // What holds of pages as wholes is not asked of one component.
    return { subject, findings, results, accepted, facts: isSpecimen ? null : facts, given };
  }

  /** What shows only in parts that are closed at first, and that anyone can open. */
  #whenOpened(
    { scene, parts }: OpenedScene,
    before: readonly Finding[],
    checks: readonly PageCheck[],
    settings: SettingsOfChecks,
    isAllowed: (finding: Finding) => boolean,
  ): readonly Finding[] {
    const { index } = scene.page;
    const shows = new Map<ElementNode, string>();
    for (const [part, when] of parts)
      for (const inside of elementsBelow(index, part)) shows.set(inside, when);
    const known = new Set(before.map(keyOf));
    const inside = checks.map((check) => ({
      ...check,
      looksAt: (one: Scene) => [...check.looksAt(one)].filter((element) => shows.has(element)),
    }));
    return runChecks(scene, inside, this.#plan.outcomes, settings, isAllowed).findings.flatMap((finding) =>
      finding.outcome === "passed" || known.has(keyOf(finding))
        ? []
        : [{ ...finding, message: `${finding.message} It shows once ${shows.get(finding.element)}.` }],
    );
  }

  /** What explorer and scripts are to look at in the windows of a unit. */
  explore(unit: Unit): Promise<UnitExplored> | null {
    const { driver, page } = unit;
    if (driver === null) return null;
    const settings = this.#plan.settingsFor(page.name);
    const plan = statePlan(this.#madeOf(unit), settings, this.#plan);
    return driver.explore({ script: null, plan, log: false });
  }

  /** What was seen in the windows of a page takes the place of what source only suspects. */
  withSeen(
    unit: Unit,
    read: UnitAudit,
    { explored, walked }: UnitExplored,
    document: UnitDocument,
    answers: FindingAnswers,
  ): UnitAudit {
    if (explored === null) return read;
    const checks = this.#madeOf(unit);
    const settings = this.#plan.settingsFor(unit.page.name);
    const seen = new SeenAnswers(this.#texts, document.scene).findings(explored, checks, settings, answers);
    const pressed = pressedResults(explored, checks, settings);
    const scripts = this.#scripts(walked, checks, settings, answers);
    read.results.add([...pressed, ...scripts.results]);
    read.results.addTallies(talliesOf(pressed));
    return {
      ...read,
      findings: [
        ...mergedWithSeen(
          read.findings,
          seen.filter(({ outcome }) => this.#plan.outcomes.includes(outcome)),
          explored.answered,
        ),
        ...scripts.findings,
      ],
      subject: subjectOf(unit.subject, read.subject.elements, read.results.all),
    };
  }

  /** What was seen of a unit that is looked at in its windows alone. */
  seen(unit: Unit, { explored, walked }: UnitExplored): UnitAudit | null {
    if (explored === null) return null;
    const checks = this.#madeOf(unit);
    const settings = this.#plan.settingsFor(unit.page.name);
    const answers = this.answersFor(unit);
    const findings = new SeenAnswers(this.#texts, null).findings(explored, checks, settings, answers);
    const scripts = this.#scripts(walked, checks, settings, answers);
    const results = new Results();
    results.add(explored.states?.checks ?? []);
    results.add(pressedResults(explored, checks, settings));
    results.add(scripts.results);
    results.addTallies(explored.states?.criteria ?? []);
    return {
      subject: subjectOf(unit.subject, explored.states?.elements ?? 0, results.all),
      findings: [...findings, ...scripts.findings],
      results,
      accepted: explored.states?.allowed ?? 0,
      facts: null,
      given: [],
    };
  }

  /** What came of the walk scripts that lie beside a unit, where that is checked. */
  #scripts(
    walked: readonly WalkedScript[],
    checks: readonly Check[],
    settings: SettingsOfChecks,
    answers: FindingAnswers,
  ): { readonly results: readonly CheckResult[]; readonly findings: readonly FindingAnswer[] } {
    if (settings(walkHolds).off || checks.every(({ id }) => id !== walkHolds.id))
      return { results: [], findings: [] };
    return {
      results: scriptResults(walked),
      findings: walked.flatMap((script) => brokenLine(script, settings, answers, this.#texts)),
    };
  }

  /** The checks that are made of a unit: it may leave some out. */
  #madeOf(unit: Unit): readonly Check[] {
    return this.#checks.filter(
      (check) => isMadeOf(unit, check) && unit.driver?.off.includes(check.id) !== true,
    );
  }
}

/** What only a page that was laid out shows is asked of no other. */
const isMadeOf = ({ subject }: Unit, { isSeen }: Check): boolean =>
  isSeen !== true || subject.engine === "browser";

const noTally = { failed: 0, cantTell: 0, passed: 0 };

const keyOf = ({ check, element }: Finding): string =>
  `${check} ${element.source?.file} ${element.source?.start}`;

/** A finding in a document that is no file: it has its place where that has it, and nothing is edited by it. */
const inFile = (finding: Finding, document: UnitDocument): Finding =>
  document.isServed === true || isWrittenInside(document)
    ? {
        ...finding,
        source: placeIn(document, finding.source),
        repair: finding.repair === null ? null : ask(finding.repair.summary),
      }
    : finding;

/** The line of a script that does not hold, at its place in the script. */
function brokenLine(
  { file, text, lines }: WalkedScript,
  settings: SettingsOfChecks,
  answers: FindingAnswers,
  texts: SourceTexts,
): readonly FindingAnswer[] {
  const broken = lines.find(({ outcome }) => outcome === "failed");
  if (broken === undefined) return [];
  texts.add(new Map([[file, text]]));
  const map = lineMap(text);
  const written = map.line(broken.line) ?? "";
  const start = (map.offset(broken.line, 1) ?? 0) + (written.length - written.trimStart().length);
  const source = { file, start, end: start + broken.written.length };
  const [first] = broken.instead;
  const element = { path: "", tag: "", role: "", name: "", snippet: broken.written };
  return [
    answers.answer(
      {
        check: walkHolds.id,
        outcome: "failed",
        severity: settings(walkHolds).severity ?? walkHolds.severity,
        criteria: walkHolds.criteria,
        source,
        message: `This line does not hold: ${broken.message ?? ""}${first === undefined ? "" : ` There is ${first}.`}`,
        repair: ask(walkHolds.mend),
        facts: {},
        cause: null,
        origins: [],
      },
      { element, heard: null, selector: "" },
      [],
    ),
  ];
}

const scriptResults = (walked: readonly WalkedScript[]): readonly CheckResult[] => {
  const failed = walked.filter(({ lines }) => lines.some(({ outcome }) => outcome === "failed")).length;
  return walked.length === 0
    ? []
    : [checkResult(walkHolds.id, { failed, cantTell: 0, passed: walked.length - failed })];
};
