import { isOfKind } from "../core/checks/check.ts";
import type { Given } from "../core/checks/given.ts";
import type { CheckResult, Tally } from "../core/checks/run.ts";
import { once } from "../core/document/once.ts";
import { notJudged, type Problem, type Result, takesTooLong, tooDeep } from "../core/findings/problems.ts";
import { thrownWords } from "../core/findings/thrown-words.ts";
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
import { ComponentAudit, type FaultsAlone, type JudgedRoot, placesShown } from "./component-audit.ts";
import { type SourceAnswer, SourceTexts } from "./element-answer.ts";
import { ExceptionBook, type MetException } from "./exception-book.ts";
import { type FindingAnswer, FindingAnswers, placeOf } from "./finding-answer.ts";
import { RootPatience } from "./root-patience.ts";

/** A component that is used and not in source, and where. */
export interface UnknownAnswer {
  readonly name: string;
  readonly uses: readonly SourceAnswer[];
}

/** What came of one root, before it is known what other roots have told; plain data. */
export interface RootAnswer {
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

/** What is done of components: of all that may be roots first, then of what no root shows. */
export type Phase = "root" | "unreached";

/** Judges roots, and keeps what came of each for as long as nothing changes that it hangs on. */
export class SourcesAudit {
  readonly composer: Composer;
  readonly checks;
  /** Components in the order in which they are looked at as roots, and every component of the files asked for. */
  readonly candidates: readonly FoundComponent[];
  readonly within: readonly FoundComponent[];
  /** Why nothing is made of some, by what was to be made and of what. */
  readonly faults = new Map<string, Problem>();
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
    this.candidates = rootCandidates((module) => this.composer.componentsOf(module), sources);
    this.within = componentsWithin(this.composer, sources);
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

  componentsOf(phase: Phase): readonly FoundComponent[] {
    return phase === "root" ? this.candidates : this.within;
  }

  /** Judges ahead of its turn: what comes of it is kept. */
  judge(phase: Phase, found: FoundComponent, shown: ReadonlySet<string>): void {
    if (phase === "root") this.root(found);
    else this.unreached(found, shown);
  }

  /** What is kept of a component: it hangs on its module with all that this imports, and on what is set. */
  #kept<T>(kind: string, found: FoundComponent, more: string, make: () => T): T {
    const key = `${this.#keys.keyOf(found.module)} ${this.#plan.key} ${more}`;
    return this.#workspace.of(kind, placeKey(found.component.source), key, make);
  }

  /** What is made of one component, or why nothing is. */
  #attempt<T>(kind: string, found: FoundComponent, make: () => T): Result<T> {
    const place = `${kind} ${placeKey(found.component.source)}`;
    const known = this.faults.get(place);
    if (known !== undefined) return { ok: false, problem: known };
    this.#patience.begin();
    try {
      return { ok: true, value: make() };
    } catch (error) {
      const problem = this.#problemOf(error, found);
      this.faults.set(place, problem);
      return { ok: false, problem };
    }
  }

  #problemOf(error: unknown, { component, module, name }: FoundComponent): Problem {
    const place = this.#texts.place(component.source);
    const called = `${place === null ? module.file : `${place.file}:${place.line}`} ${name}`;
    if (error instanceof OutOfTime) return takesTooLong(called, this.#plan.timeLimit);
    // Markup or values go down deeper than there is room for.
    if (error instanceof RangeError) return tooDeep(called);
    return notJudged(called, thrownWords(error));
  }

  /** A component with all that it renders. */
  root(found: FoundComponent): Result<RootAnswer> {
    return this.#attempt("root", found, () =>
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
    return this.#attempt("unreached", found, () => {
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
