import { checkWith } from "../core/checks/catalogue.ts";
import { NO } from "../core/css/certainty.ts";
import type { ComponentFrame, ElementNode, Span } from "../core/document/node.ts";
import { textContent } from "../core/document/text-content.ts";
import { attributeText, attributeTokens } from "../core/document/written.ts";
import { causeKey } from "../core/findings/cause.ts";
import {
  type Finding,
  type Outcome,
  outcomesInOrder,
  type Severity,
  severities,
} from "../core/findings/verdict.ts";
import type { Scene } from "../core/scene/scene.ts";
import { heardLineOf } from "../core/semantics/heard-line.ts";
import { isTold } from "../core/semantics/tree.ts";
import { type Conformance, isDemanded } from "../core/standards/conformance.ts";
import type { Host } from "../host/host.ts";
import { type ElementAnswer, elementAnswer, type SourceAnswer, type SourceTexts } from "./element-answer.ts";
import { type RepairAnswer, repairAnswer } from "./repair-answer.ts";

/** A finding as people and programs are told of it: plain data. */
export interface FindingAnswer {
  readonly fingerprint: string;
  readonly check: string;
  readonly outcome: Outcome;
  readonly severity: Severity;
  readonly criteria: readonly string[];
  readonly subject: string;
  readonly element: ElementAnswer;
  readonly source: SourceAnswer | null;
  /** The same place in offsets. */
  readonly span: Span | null;
  /** The way from a root to the element, the outermost first; empty where it stands in a page. */
  readonly components: readonly FrameAnswer[];
  readonly message: string;
  readonly cause: string;
  readonly facts: Finding["facts"];
  /** Where facts come from, the nearest first. */
  readonly origins: readonly OriginAnswer[];
  /** The keys that show it, and what came of them; null where none were pressed for it. */
  readonly keys: string | null;
  readonly repair: RepairAnswer | null;
  /** What is heard at the element, for people; null where nothing is, or where only the look is at fault. */
  readonly heard: string | null;
  /** A selector by which people find the element again: it may pick others too. */
  readonly selector: string;
}

/** One component on the way to an element, and where it is used (for a root: defined). */
export interface FrameAnswer {
  readonly name: string;
  readonly file: string;
  readonly line: number;
  readonly column: number;
}

/** Where a fact comes from: `--muted: #9aa8b0` in a stylesheet. */
export interface OriginAnswer {
  /** The fact that it explains: `foreground`, `background`, `outline`. */
  readonly of: string;
  readonly source: SourceAnswer | null;
  readonly file: string;
  /** What stands there. */
  readonly text: string;
}

/** What is told of the element of a finding, whatever the finding is. */
export interface PlaceAnswer {
  readonly element: ElementAnswer;
  readonly heard: string | null;
  readonly selector: string;
}

export const placeOf = (
  scene: Scene,
  element: ElementNode,
  texts: SourceTexts,
  shown: ElementAnswer = elementAnswer(scene.page.index, scene, element, texts),
): PlaceAnswer => ({ element: shown, heard: heardAs(scene, element), selector: selectorOf(element) });

function selectorOf(element: ElementNode): string {
  const id = attributeText(element, "id");
  if (id !== null && /^[\w-]+$/.test(id)) return `#${id}`;
  const named = attributeTokens(element, "class").find((name) => /^[a-zA-Z][\w-]*$/.test(name));
  return named === undefined ? element.tag : `${element.tag}.${named}`;
}

/** A finding that has its place, but for what its teller says of it. */
export type Told = Omit<Finding, "element"> & { readonly keys?: string | null };

/** Tells the findings of one page; holds nothing of the page itself. */
export class FindingAnswers {
  readonly #page: string;
  readonly #texts: SourceTexts;
  readonly #host: Pick<Host, "hash">;
  readonly #conformance: Conformance;
  readonly #seen = new Map<string, number>();

  constructor(page: string, texts: SourceTexts, host: Pick<Host, "hash">, conformance: Conformance) {
    this.#page = page;
    this.#texts = texts;
    this.#host = host;
    this.#conformance = conformance;
  }

  /** @param components the way to the element, the outermost first */
  answer(
    finding: Told,
    { element, heard, selector }: PlaceAnswer,
    components: readonly ComponentFrame[],
  ): FindingAnswer {
    // The same on the same markup tells apart by its count, so that lines added above change no fingerprint.
    const base = [finding.check, this.#page, element.snippet, element.name].join("\n");
    const count = (this.#seen.get(base) ?? 0) + 1;
    this.#seen.set(base, count);
    const fingerprint = this.#host.hash(`${base}\n${count}`);
    return {
      fingerprint,
      check: finding.check,
      outcome: finding.outcome,
      severity: finding.severity,
      criteria: finding.criteria.filter((number) => isDemanded(number, this.#conformance)),
      subject: this.#page,
      element,
      source: this.#texts.place(finding.source),
      span: finding.source,
      components: components.flatMap(({ name, source }) => {
        const place = this.#texts.place(source);
        return place === null ? [] : [{ name, file: place.file, line: place.line, column: place.column }];
      }),
      message: finding.message,
      cause: finding.cause === null ? fingerprint : this.#host.hash(causeKey(finding.cause, this.#page)),
      facts: finding.facts,
      origins: finding.origins.map(({ of, source, text }) => ({
        of,
        source: this.#texts.place(source),
        file: source.file,
        text,
      })),
      keys: finding.keys ?? null,
      repair: repairAnswer(finding.repair, this.#texts),
      heard: checkWith(finding.check)?.isHeard === false ? null : heard,
      selector,
    };
  }
}

/** What is heard at an element; null for one that nobody meets, such as a meta element. */
function heardAs(scene: Scene, element: ElementNode): string | null {
  if (scene.presence.of(element).exposed === NO) return null;
  if (isTold(scene, element) || element.tag === "html") return heardLineOf(scene, element);
  return textContent(element) === "" ? null : "plain text";
}

/**
 * Gives findings on several pages one cause where they are the same: the same header on forty pages. What stands several
 * times on one page is paired by its turn there.
 */
export function shareCauses(findings: readonly FindingAnswer[]): FindingAnswer[] {
  const firstOf = new Map<string, FindingAnswer>();
  for (const finding of findings) if (!firstOf.has(finding.cause)) firstOf.set(finding.cause, finding);
  const turns = new Map<string, number>();
  const causes = new Map<string, string>();
  const shared = new Map<string, string>();
  for (const [cause, first] of firstOf) {
    const looks = [first.check, first.outcome, first.message, first.element.snippet].join("\n");
    const turn = (turns.get(`${looks}\n${first.subject}`) ?? 0) + 1;
    turns.set(`${looks}\n${first.subject}`, turn);
    const key = `${looks}\n${turn}`;
    const known = causes.get(key) ?? cause;
    causes.set(key, known);
    shared.set(cause, known);
  }
  return findings.map((finding) => {
    const cause = shared.get(finding.cause) ?? finding.cause;
    return cause === finding.cause ? finding : { ...finding, cause };
  });
}

const byCodeUnit = (a: string, b: string): number => (a < b ? -1 : a > b ? 1 : 0);

/** By page, then the worst first, then by place. */
export function inReportOrder(a: FindingAnswer, b: FindingAnswer): number {
  return (
    byCodeUnit(a.subject, b.subject) ||
    outcomesInOrder.indexOf(a.outcome) - outcomesInOrder.indexOf(b.outcome) ||
    severities.indexOf(a.severity) - severities.indexOf(b.severity) ||
    (a.source?.line ?? 0) - (b.source?.line ?? 0) ||
    (a.source?.column ?? 0) - (b.source?.column ?? 0) ||
    byCodeUnit(a.check, b.check) ||
    byCodeUnit(a.fingerprint, b.fingerprint)
  );
}

/** Whether there is something to try: edits, or places for words. */
export const hasEdits = ({ repair }: Pick<FindingAnswer, "repair">): boolean =>
  repair !== null && repair.edits.length + (repair.words?.edits.length ?? 0) > 0;
