import { everyCheck } from "../core/checks/catalogue.ts";
import type { Given } from "../core/checks/given.ts";
import type { Tally } from "../core/checks/run.ts";
import { brokenOff, notCombined, type Problem } from "../core/findings/problems.ts";
import type { CriterionNumber } from "../core/standards/criteria.ts";
import type { LoadedSources } from "../engine/sources.ts";
import type { Workspace } from "../host/workspace.ts";
import { placeKey } from "../readers/composition/component-name.ts";
import type { FoundComponent } from "../readers/composition/compose.ts";
import type { AuditPlan } from "../settings/plan.ts";
import { countedAsTold } from "./component-audit.ts";
import { type SourceAnswer, SourceTexts } from "./element-answer.ts";
import { ExceptionBook } from "./exception-book.ts";
import type { FindingAnswer } from "./finding-answer.ts";
import type { SharedWork } from "./shared-work.ts";
import { type RootAnswer, SourcesAudit, type SourcesHost, type UnknownAnswer } from "./sources-audit.ts";
import { Results, type Subject, subjectOf } from "./subject.ts";

/** What came of all component source among the targets; plain data, so that it can be kept. */
export interface SourcesResult {
  readonly subjects: readonly Subject[];
  readonly findings: readonly FindingAnswer[];
  readonly tallies: readonly (readonly [CriterionNumber, Tally])[];
  readonly accepted: number;
  /** The most used first. */
  readonly unknownComponents: readonly UnknownAnswer[];
  readonly problems: readonly Problem[];
  /** What could not be audited. */
  readonly unread: readonly Problem[];
  /** What is given of the elements of roots that edits are tried on. */
  readonly given: readonly Given[];
}

/** How the audit of component source goes on. */
export interface SourcesAsking {
  /** What came of roots that have not changed is taken from it. */
  readonly workspace: Workspace;
  /** Other threads that do a part of it. */
  readonly shared?: SharedWork | null;
  readonly onRoot?: (name: string, done: number, total: number) => void;
  /** @throws its reason, when it is aborted */
  readonly signal?: AbortSignal | undefined;
  /** When it is aborted, what was found so far is the answer. */
  readonly enough?: AbortSignal | undefined;
}

/** For how long other work of the process may wait. Milliseconds. */
const LONGEST_WITHOUT_REST = 50;

/** Audits every component that no other uses, with all that it renders. A fault of one costs that one alone. */
export async function auditSources(
  sources: LoadedSources,
  plan: AuditPlan,
  host: SourcesHost,
  { workspace, shared = null, onRoot = () => {}, signal, enough }: SourcesAsking,
): Promise<SourcesResult> {
  const audit = new SourcesAudit(sources, plan, host, workspace);
  const { candidates, within } = audit;
  let rested = host.clock.elapsed();
  /** Whether to go on with the next root. */
  const goesOn = async (): Promise<boolean> => {
    if (host.clock.elapsed() - rested > LONGEST_WITHOUT_REST) {
      await host.clock.rest();
      rested = host.clock.elapsed();
    }
    signal?.throwIfAborted();
    return enough?.aborted !== true;
  };
  const texts = new SourceTexts();
  texts.add(sources.texts);
  const exceptions = new ExceptionBook(everyCheck.map((check) => check.id));
  const subjects: Subject[] = [];
  const findings: FindingAnswer[] = [];
  const all = new Results();
  let accepted = 0;
  const cutShort: string[] = [];
  const given: Given[] = [];
  // What several roots show is told of the first.
  const seen = new Set<string>();
  const unknown = new Map<string, SourceAnswer[]>();
  const add = (found: FoundComponent, root: RootAnswer): void => {
    const fresh = root.findings.filter(({ key }) => !seen.has(key));
    for (const { key } of fresh) seen.add(key);
    const answers = fresh.map(({ answer }) => answer);
    const results = root.results.map((result) => countedAsTold(result, answers));
    findings.push(...answers);
    all.addTallies(root.tallies);
    exceptions.add(root.exceptions);
    if (root.isCutShort) cutShort.push(root.id);
    given.push(...root.given);
    accepted += root.allowed;
    subjects.push(
      subjectOf(
        {
          id: root.id,
          target: sources.entries.find(({ path }) => path === found.module.path)?.target ?? root.id,
          kind: "component",
          engine: "read",
          specimen: null,
          state: "as loaded",
        },
        root.elements,
        results,
      ),
    );
    for (const { name, uses } of root.unknown) {
      const known = unknown.get(name) ?? [];
      known.push(...uses.filter((use) => !known.some((other) => isSamePlace(use, other))));
      unknown.set(name, known);
    }
  };
  const unread = new Map<string, Problem>();
  const rendered = new Set<string>();
  const shown = new Set<string>();
  const roots = new Set<string>();
  shared?.begin(audit, workspace, shown);
  let done = 0;
  for (const found of candidates) {
    if (!(await goesOn())) break;
    onRoot(found.name, done, candidates.length);
    done++;
    const key = placeKey(found.component.source);
    if (rendered.has(key)) {
      shared?.pass("root", done - 1);
      continue;
    }
    await shared?.done("root", done - 1);
    const root = audit.root(found);
    if (!root.ok) {
      unread.set(key, root.problem);
      continue;
    }
    roots.add(key);
    for (const one of root.value.rendered) rendered.add(one);
    for (const place of root.value.shown) shown.add(place);
    add(found, root.value);
  }
  if (done < candidates.length) unread.set("", brokenOff(done, candidates.length));
  shared?.tell(shown);
  for (const [i, found] of within.entries()) {
    if (!(await goesOn())) break;
    const key = placeKey(found.component.source);
    if (roots.has(key) || unread.has(key)) {
      shared?.pass("unreached", i);
      continue;
    }
    await shared?.done("unreached", i);
    const rest = audit.unreached(found, shown);
    if (!rest.ok) unread.set(key, rest.problem);
    else if (rest.value !== null) {
      for (const place of rest.value.shown) shown.add(place);
      shared?.tell(rest.value.shown);
      add(found, rest.value);
    }
  }
  return {
    subjects,
    findings,
    tallies: [...all.tallies],
    accepted,
    unknownComponents: [...unknown]
      .map(([name, uses]) => ({ name, uses }))
      .sort((a, b) => b.uses.length - a.uses.length || (a.name < b.name ? -1 : 1)),
    unread: [...unread.values()],
    given,
    problems: [
      ...(cutShort.length === 0 ? [] : [notCombined(cutShort)]),
      ...exceptions.problems(texts, new Set(audit.checks.map((check) => check.id))),
    ],
  };
}

const isSamePlace = (a: SourceAnswer, b: SourceAnswer): boolean =>
  a.file === b.file && a.line === b.line && a.column === b.column;
