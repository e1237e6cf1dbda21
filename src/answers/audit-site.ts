import { type Check, isOfKind, type SiteCheck } from "../core/checks/check.ts";
import { checkResult } from "../core/checks/run.ts";
import { digestOf, type PageDigest } from "../core/checks/site/digest.ts";
import type { SiteFinding } from "../core/checks/site/site-verdicts.ts";
import type { ElementNode } from "../core/document/node.ts";
import type { Finding, Severity } from "../core/findings/verdict.ts";
import type { Scene } from "../core/scene/scene.ts";
import { checksFor } from "../settings/check-plan.ts";
import type { AuditPlan } from "../settings/plan.ts";
import type { SourceTexts } from "./element-answer.ts";
import { type FindingAnswer, type FindingAnswers, type PlaceAnswer, placeOf } from "./finding-answer.ts";
import type { Results } from "./subject.ts";

/** What is kept of a page to compare it with others: little, so that the rest may be forgotten. */
interface KeptPage {
  readonly digest: PageDigest;
  readonly answers: FindingAnswers;
  /** How each element that may be told of is told. */
  readonly places: ReadonlyMap<ElementNode, PlaceAnswer>;
}

/** Compares the pages of an audit. */
export class SiteAudit {
  readonly checks: readonly SiteCheck[];
  readonly #plan: AuditPlan;
  readonly #texts: SourceTexts;
  readonly #pages = new Map<string, KeptPage>();

  constructor(plan: AuditPlan, texts: SourceTexts) {
    this.#plan = plan;
    this.#texts = texts;
    this.checks = checksFor<Check>(plan.checks, plan.conformance).filter(isOfKind("site"));
  }

  /** Whether there is anything to compare. */
  get isOfSeveral(): boolean {
    return this.#pages.size > 0;
  }

  add(page: string, scene: Scene, answers: FindingAnswers): void {
    const digest = digestOf(page, scene);
    const elements = [
      ...(digest.title === null ? [] : [digest.title.element]),
      ...digest.navigations.flatMap(({ element, links }) => [element, ...links.map((link) => link.element)]),
    ];
    const places = new Map(
      elements.map((element) => [element, placeOf(scene, element, this.#texts)] as const),
    );
    this.#pages.set(page, { digest, answers, places });
  }

  /** What the checks find; how they went is added to the results. */
  findings(results: Results): readonly FindingAnswer[] {
    return this.checks.flatMap((check) => {
      const pages = [...this.#pages.values()].flatMap(({ digest }) =>
        this.#plan.settingsFor(digest.page)(check).off ? [] : [digest],
      );
      const { targets, findings } = check.judgePages(pages);
      const counts = { passed: targets - findings.length, failed: 0, cantTell: 0 };
      for (const { verdict } of findings) counts[verdict.outcome]++;
      results.add([checkResult(check.id, counts)]);
      results.addTallies(check.criteria.map((criterion) => [criterion, counts] as const));
      return findings.flatMap((finding) => this.#answer(finding, check) ?? []);
    });
  }

  #answer({ page, element, verdict }: SiteFinding, check: SiteCheck): FindingAnswer | null {
    const kept = this.#pages.get(page);
    const place = kept?.places.get(element);
    if (kept === undefined || place === undefined) return null;
    const severity = this.#plan.settingsFor(page)(check).severity ?? check.severity;
    return kept.answers.answer(findingOf(element, verdict, check, severity), place, []);
  }
}

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
