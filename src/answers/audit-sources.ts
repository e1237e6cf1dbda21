import type { Check } from "../core/checks/check.ts";
import { addTallies, type CheckResult, type RunResult, type Tally } from "../core/checks/run.ts";
import type { Device } from "../core/css/device.ts";
import { type Problem, tooDeep } from "../core/findings/problems.ts";
import type { CriterionNumber } from "../core/standards/criteria.ts";
import type { Host } from "../host/host.ts";
import { placeKey } from "../readers/components/component-name.ts";
import { composer } from "../readers/components/compose.ts";
import type { AuditColours } from "./audit-colours.ts";
import { type CheckPlan, checksFor } from "./check-plan.ts";
import { ComponentAudit, type RootResult } from "./component-audit.ts";
import { composedRoots, subjectName } from "./component-roots.ts";
import { type SourceAnswer, SourceTexts } from "./element-answer.ts";
import { ExceptionBook } from "./exception-book.ts";
import { type FindingAnswer, FindingAnswers, placeOf } from "./finding-answer.ts";
import type { LoadOptions } from "./load-page.ts";
import type { LoadedSources } from "./load-sources.ts";
import { addResults, outcomesOf, type Subject } from "./subject.ts";

/** A component that is used and not in source, and where. */
export interface UnknownAnswer {
  readonly name: string;
  readonly uses: readonly SourceAnswer[];
}

/** What came of all component source among the targets; plain data, so that it can be kept. */
export interface SourcesResult {
  readonly subjects: readonly Subject[];
  readonly findings: readonly FindingAnswer[];
  readonly results: readonly CheckResult[];
  readonly tallies: readonly (readonly [CriterionNumber, Tally])[];
  readonly accepted: number;
  /** The most used first. */
  readonly unknownComponents: readonly UnknownAnswer[];
  readonly problems: readonly Problem[];
  /** What could not be audited. */
  readonly unread: readonly Problem[];
}

export interface SourcesRequest extends CheckPlan, LoadOptions, AuditColours {
  readonly device: Device;
}

/** Audits every component that no other uses, with all that it renders. */
export function auditSources(sources: LoadedSources, request: SourcesRequest, host: Host): SourcesResult {
  const { device, themes, colourSchemes, palette, conformance, components, settingsFor } = request;
  const checks: readonly Check[] = checksFor(request.checks, conformance);
  const texts = new SourceTexts();
  texts.add(sources.texts);
  const exceptions = new ExceptionBook(request.known.map((check) => check.id));
  const composing = composer({ modules: sources.modules, standsFor: components });
  const work = new ComponentAudit({
    composer: composing,
    modules: sources.modules,
    checks,
    settingsFor,
    scene: { device, themes, colourSchemes, palette },
    sheets: sources.sheets,
    exceptions,
    told: (span) => {
      const place = texts.place(span);
      return place === null ? span.file : `${place.file}:${place.line}`;
    },
  });
  const subjects: Subject[] = [];
  const findings: FindingAnswer[] = [];
  const results = new Map<string, CheckResult>();
  const tallies = new Map<CriterionNumber, Tally>();
  let accepted = 0;
  const count = (run: RunResult) => {
    for (const result of run.checks) results.set(result.id, addResults(results.get(result.id), result));
    for (const [criterion, tally] of run.criteria)
      tallies.set(criterion, addTallies(tallies.get(criterion), tally));
    accepted += run.allowed;
  };
  // What several roots show is told of the first.
  const told = new Set<string>();
  const add = (result: RootResult) => {
    const id = subjectName(result.found, composing);
    const answers = new FindingAnswers(id, texts, host, conformance);
    for (const { finding, scene, components: chain } of result.findings)
      findings.push(answers.answer(finding, placeOf(scene, finding.element, texts), chain));
    count(result.run);
    subjects.push({
      id,
      target: sources.entries.find(({ path }) => path === result.found.module.path)?.target ?? id,
      kind: "component",
      engine: "read",
      specimen: null,
      state: "as loaded",
      elements: result.elements,
      outcomes: outcomesOf(result.run.checks),
    });
  };
  const roots = new Set<string>();
  const unread = new Map<string, Problem>();
  const composed = composedRoots(composing, sources, ({ file }) => unread.set(file, tooDeep(file)));
  for (const root of composed) {
    roots.add(placeKey(root.found.component.source));
    add(work.audit(root, told));
  }
  for (const { path } of sources.entries) {
    const module = path === null ? undefined : sources.modules.get(path);
    for (const found of module === undefined ? [] : composing.componentsOf(module)) {
      if (roots.has(placeKey(found.component.source)) || unread.has(module?.file ?? "")) continue;
      const result = work.auditUnreached(found, told);
      if (result !== null) add(result);
    }
  }
  return {
    subjects,
    findings,
    results: [...results.values()],
    tallies: [...tallies],
    accepted,
    unknownComponents: composing.unknownComponents().map(({ name, uses }) => ({
      name,
      uses: uses.flatMap((use) => texts.place(use) ?? []),
    })),
    unread: [...unread.values()],
    problems: exceptions.problems(texts, new Set(checks.map((check) => check.id))),
  };
}
