import { everyCheck } from "../core/checks/catalogue.ts";
import { isOfKind } from "../core/checks/check.ts";
import type { CheckResult, Tally } from "../core/checks/run.ts";
import { type Problem, tooDeep } from "../core/findings/problems.ts";
import type { CriterionNumber } from "../core/standards/criteria.ts";
import type { LoadedSources } from "../engine/sources.ts";
import type { Host } from "../host/host.ts";
import type { Workspace } from "../host/workspace.ts";
import { componentsWithin, composedWhole, rootCandidates, subjectName } from "../read/component-roots.ts";
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
}

/**
 * Audits every component that no other uses, with all that it renders.
 * @param workspace what came of roots that have not changed is taken from it
 */
export function auditSources(
  sources: LoadedSources,
  plan: AuditPlan,
  host: Pick<Host, "hash">,
  workspace: Workspace,
  signal?: AbortSignal,
): SourcesResult {
  const audit = new SourcesAudit(sources, plan, host, workspace);
  const texts = new SourceTexts();
  texts.add(sources.texts);
  const exceptions = new ExceptionBook(everyCheck.map((check) => check.id));
  const subjects: Subject[] = [];
  const findings: FindingAnswer[] = [];
  const all = new Results();
  let accepted = 0;
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
  for (const found of candidates) {
    signal?.throwIfAborted();
    const key = placeKey(found.component.source);
    if (rendered.has(key)) continue;
    const root = audit.root(found);
    if (root === null) {
      unread.set(found.module.file, tooDeep(found.module.file));
      continue;
    }
    roots.add(key);
    for (const one of root.rendered) rendered.add(one);
    for (const place of root.shown) shown.add(place);
    add(found, root);
  }
  for (const found of componentsWithin(audit.composer, sources)) {
    signal?.throwIfAborted();
    if (roots.has(placeKey(found.component.source)) || unread.has(found.module.file)) continue;
    const rest = audit.unreached(found, shown);
    if (rest === null) continue;
    for (const place of rest.shown) shown.add(place);
    add(found, rest);
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
    problems: exceptions.problems(texts, new Set(audit.checks.map((check) => check.id))),
  };
}

const isSamePlace = (a: SourceAnswer, b: SourceAnswer): boolean =>
  a.file === b.file && a.line === b.line && a.column === b.column;

/** Judges roots, and keeps what came of each for as long as nothing changes that it hangs on. */
class SourcesAudit {
  readonly composer: Composer;
  readonly checks;
  readonly #plan: AuditPlan;
  readonly #host: Pick<Host, "hash">;
  readonly #workspace: Workspace;
  readonly #keys: ModuleKeys;
  readonly #texts = new SourceTexts();
  readonly #work: ComponentAudit;

  constructor(sources: LoadedSources, plan: AuditPlan, host: Pick<Host, "hash">, workspace: Workspace) {
    this.#plan = plan;
    this.#host = host;
    this.#workspace = workspace;
    this.#keys = new ModuleKeys(sources.modules, host.hash);
    this.#texts.add(sources.texts);
    this.checks = checksFor(plan.checks, plan.conformance).filter(isOfKind("page"));
    this.composer = composer({ modules: sources.modules, standsFor: plan.components });
    this.#work = new ComponentAudit({
      composer: this.composer,
      modules: sources.modules,
      checks: this.checks,
      settingsFor: plan.settingsFor,
      scene: sceneOptions(plan),
      sheets: sources.sheets,
      told: (span) => {
        const place = this.#texts.place(span);
        return place === null ? span.file : `${place.file}:${place.line}`;
      },
      showsWorlds: plan.showsWorlds,
      keepAlone: (found, make) => this.#kept<FaultsAlone>("alone", found, "", make),
    });
  }

  /** What is kept of a component: it hangs on its module with all that this imports, and on what is set. */
  #kept<T>(kind: string, found: FoundComponent, more: string, make: () => T): T {
    const key = `${this.#keys.keyOf(found.module)} ${this.#plan.key} ${more}`;
    return this.#workspace.of(kind, placeKey(found.component.source), key, make);
  }

  /** A component with all that it renders; null where it is nested too deeply. */
  root(found: FoundComponent): RootAnswer | null {
    return this.#kept("root", found, "", () => {
      const composed = composedWhole(this.composer, found);
      if (composed === null) return null;
      const exceptions = new ExceptionBook([]);
      const judged = this.#work.audit(composed, exceptions);
      const unknown = composed.unknown.map(({ name, uses }) => ({
        name,
        uses: uses.flatMap((use) => this.#texts.place(use) ?? []),
      }));
      return this.#answer(found, [...composed.rendered], judged, exceptions, unknown);
    });
  }

  /** What a component shows that no root does; null where there is nothing of the kind, or nothing wrong in it. */
  unreached(found: FoundComponent, shown: ReadonlySet<string>): RootAnswer | null {
    const places = this.#kept("places", found, "", () => {
      const composed = composedWhole(this.composer, found);
      return composed === null ? [] : placesShown([composed.tree]);
    });
    const rest = places.filter((place) => !shown.has(place));
    if (rest.length === 0) return null;
    return this.#kept("unreached", found, rest.join(" "), () => {
      const composed = composedWhole(this.composer, found);
      if (composed === null) return null;
      const exceptions = new ExceptionBook([]);
      const judged = this.#work.auditUnreached(composed, new Set(rest), exceptions);
      return judged === null ? null : this.#answer(found, [], judged, exceptions, []);
    });
  }

  #answer(
    found: FoundComponent,
    rendered: readonly string[],
    { shown, elements, run, findings }: JudgedRoot,
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
    };
  }
}
