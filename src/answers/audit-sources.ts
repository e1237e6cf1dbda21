import { everyCheck } from "../core/checks/catalogue.ts";
import { isOfKind } from "../core/checks/check.ts";
import type { Given } from "../core/checks/given.ts";
import type { CheckResult, Tally } from "../core/checks/run.ts";
import { once } from "../core/document/once.ts";
import {
  brokenOff,
  notCombined,
  notJudged,
  type Problem,
  type Result,
  takesTooLong,
  tooDeep,
} from "../core/findings/problems.ts";
import type { CriterionNumber } from "../core/standards/criteria.ts";
import { OutOfTime } from "../core/worlds/patience.ts";
import type { LoadedSources } from "../engine/sources.ts";
import type { Host } from "../host/host.ts";
import type { Workspace } from "../host/workspace.ts";
import { componentsWithin, rootCandidates, subjectName } from "../read/component-roots.ts";
import { ModuleKeys } from "../read/module-keys.ts";
import { sceneOptions } from "../read/scene-options.ts";
import { placeKey } from "../readers/composition/component-name.ts";
import { type Composer, composer, type FoundComponent } from "../readers/composition/compose.ts";
import { checksFor } from "../settings/check-plan.ts";
import type { AuditPlan } from "../settings/plan.ts";
import {
  ComponentAudit,
  countedAsTold,
  type FaultsAlone,
  type JudgedRoot,
  placesShown,
} from "./component-audit.ts";
import { type SourceAnswer, SourceTexts } from "./element-answer.ts";
import { ExceptionBook, type MetException } from "./exception-book.ts";
import { type FindingAnswer, FindingAnswers, placeOf } from "./finding-answer.ts";
import { RootPatience } from "./root-patience.ts";
import { Results, type Subject, subjectOf } from "./subject.ts";

/** A component that is used and not in source, and where. */
export interface UnknownAnswer {
  readonly name: string;
  readonly uses: readonly SourceAnswer[];
}

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

/** What came of one root, before it is known what other roots have told; plain data. */
interface RootAnswer {
  readonly id: string;
  /** Definitions of all components that it renders, and places of all elements that it shows. */
  readonly rendered: readonly string[];
  readonly shown: readonly string[];
  readonly elements: number;
  readonly results: readonly CheckResult[];
  readonly tallies: readonly (readonly [CriterionNumber, Tally])[];
  readonly allowed: number;
  readonly findings: readonly { readonly key: string; readonly answer: FindingAnswer }[];
  readonly exceptions: readonly MetException[];
  readonly unknown: readonly UnknownAnswer[];
  readonly isCutShort: boolean;
  readonly given: readonly Given[];
}

/** What an audit of component source asks of the outside world. */
export type SourcesHost = Pick<Host, "hash" | "clock">;

/** How the audit of component source goes on. */
export interface SourcesAsking {
  /** What came of roots that have not changed is taken from it. */
  readonly workspace: Workspace;
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
  { workspace, onRoot = () => {}, signal, enough }: SourcesAsking,
): Promise<SourcesResult> {
  const audit = new SourcesAudit(sources, plan, host, workspace);
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
  const candidates = rootCandidates((module) => audit.composer.componentsOf(module), sources);
  let done = 0;
  for (const found of candidates) {
    if (!(await goesOn())) break;
    onRoot(found.name, done, candidates.length);
    done++;
    const key = placeKey(found.component.source);
    if (rendered.has(key)) continue;
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
  for (const found of componentsWithin(audit.composer, sources)) {
    if (!(await goesOn())) break;
    const key = placeKey(found.component.source);
    if (roots.has(key) || unread.has(key)) continue;
    const rest = audit.unreached(found, shown);
    if (!rest.ok) unread.set(key, rest.problem);
    else if (rest.value !== null) {
      for (const place of rest.value.shown) shown.add(place);
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

/** Judges roots, and keeps what came of each for as long as nothing changes that it hangs on. */
class SourcesAudit {
  readonly composer: Composer;
  readonly checks;
  readonly #plan: AuditPlan;
  readonly #host: SourcesHost;
  readonly #workspace: Workspace;
  readonly #patience: RootPatience;
  readonly #keys: ModuleKeys;
  readonly #texts = new SourceTexts();
  readonly #work: ComponentAudit;

  constructor(sources: LoadedSources, plan: AuditPlan, host: SourcesHost, workspace: Workspace) {
    this.#plan = plan;
    this.#patience = new RootPatience(host.clock, plan.timeLimit);
    this.#host = host;
    this.#workspace = workspace;
    this.#keys = new ModuleKeys(sources.modules, sources.everywhere, host.hash);
    this.#texts.add(sources.texts);
    this.checks = checksFor(plan.checks, plan.conformance).filter(isOfKind("page"));
    this.composer = composer({
      modules: sources.modules,
      standsFor: plan.components,
      patience: this.#patience,
    });
    this.#work = new ComponentAudit({
      composer: this.composer,
      modules: sources.modules,
      checks: this.checks,
      settingsFor: plan.settingsFor,
      scene: sceneOptions(plan),
      isTrial: plan.trials === "none",
      sheets: sources.sheets,
      everywhere: sources.everywhere,
      told: (span) => {
        const place = this.#texts.place(span);
        return place === null ? span.file : `${place.file}:${place.line}`;
      },
      showsWorlds: plan.showsWorlds,
      patience: this.#patience,
      keepAlone: (found, make) => this.#kept<FaultsAlone>("alone", found, "", make),
    });
  }

  /** What is kept of a component: it hangs on its module with all that this imports, and on what is set. */
  #kept<T>(kind: string, found: FoundComponent, more: string, make: () => T): T {
    const key = `${this.#keys.keyOf(found.module)} ${this.#plan.key} ${more}`;
    return this.#workspace.of(kind, placeKey(found.component.source), key, make);
  }

  /** What is made of one component, or why nothing is. */
  #attempt<T>(found: FoundComponent, make: () => T): Result<T> {
    this.#patience.begin();
    try {
      return { ok: true, value: make() };
    } catch (error) {
      return { ok: false, problem: this.#problemOf(error, found) };
    }
  }

  #problemOf(error: unknown, { component, module, name }: FoundComponent): Problem {
    const place = this.#texts.place(component.source);
    const called = `${place === null ? module.file : `${place.file}:${place.line}`} ${name}`;
    if (error instanceof OutOfTime) return takesTooLong(called, this.#plan.timeLimit);
    // Markup or values go down deeper than there is room for.
    if (error instanceof RangeError) return tooDeep(called);
    return notJudged(called, error instanceof Error ? error.message : String(error));
  }

  /** A component with all that it renders. */
  root(found: FoundComponent): Result<RootAnswer> {
    return this.#attempt(found, () =>
      this.#kept("root", found, "", () => {
        const composed = this.composer.compose(found);
        const exceptions = new ExceptionBook([]);
        const judged = this.#work.audit(composed, exceptions);
        const unknown = composed.unknown.map(({ name, uses }) => ({
          name,
          uses: uses.flatMap((use) => this.#texts.place(use) ?? []),
        }));
        return this.#answer(found, [...composed.rendered], judged, exceptions, unknown);
      }),
    );
  }

  /** What a component shows that no root does; null where there is nothing of the kind, or nothing wrong in it. */
  unreached(found: FoundComponent, shown: ReadonlySet<string>): Result<RootAnswer | null> {
    return this.#attempt(found, () => {
      const composed = once(() => this.composer.compose(found));
      const places = this.#kept("places", found, "", () => placesShown([composed().tree]));
      const rest = places.filter((place) => !shown.has(place));
      if (rest.length === 0) return null;
      return this.#kept("unreached", found, rest.join(" "), () => {
        const exceptions = new ExceptionBook([]);
        const judged = this.#work.auditUnreached(composed(), new Set(rest), exceptions);
        return judged === null ? null : this.#answer(found, [], judged, exceptions, []);
      });
    });
  }

  #answer(
    found: FoundComponent,
    rendered: readonly string[],
    { shown, elements, run, findings, isCutShort, given }: JudgedRoot,
    exceptions: ExceptionBook,
    unknown: readonly UnknownAnswer[],
  ): RootAnswer {
    const id = subjectName(found, this.composer);
    const answers = new FindingAnswers(id, this.#texts, this.#host, this.#plan.conformance);
    return {
      id,
      rendered,
      shown,
      elements,
      results: run.checks,
      tallies: [...run.criteria],
      allowed: run.allowed,
      findings: findings.map(({ key, finding, scene, components }) => ({
        key,
        answer: answers.answer(finding, placeOf(scene, finding.element, this.#texts), components),
      })),
      exceptions: exceptions.met,
      unknown,
      isCutShort,
      given,
    };
  }
}
