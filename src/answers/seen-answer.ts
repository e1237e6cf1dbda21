import { checkWith } from "../core/checks/catalogue.ts";
import type { Check } from "../core/checks/check.ts";
import { type CheckResult, checkResult } from "../core/checks/run.ts";
import { elementPath } from "../core/document/element-path.ts";
import type { Span } from "../core/document/node.ts";
import { shortened } from "../core/document/shortened.ts";
import { ask } from "../core/repair/repair.ts";
import type { Scene } from "../core/scene/scene.ts";
import type {
  Explored,
  SeenAnswer,
  SeenElement,
  SeenOpening,
  SeenStep,
  StatePlan,
} from "../engine/explored.ts";
import type { SettingsOfChecks } from "../settings/check-plan.ts";
import type { ColourPlan } from "../settings/plan.ts";
import {
  type ElementAnswer,
  elementAnswer,
  LONGEST_SNIPPET,
  type SourceAnswer,
  type SourceTexts,
} from "./element-answer.ts";
import type { FindingAnswer, FindingAnswers } from "./finding-answer.ts";

/** A key, and what it did, as it is told. */
export interface StepAnswer {
  readonly key: string;
  readonly from: ElementAnswer | null;
  readonly to: ElementAnswer | null;
  readonly source: SourceAnswer | null;
  readonly heard: string | null;
  /** Kinds of events, in order. */
  readonly events: readonly string[];
  readonly changes: readonly string[];
  /** What live regions said. */
  readonly said: readonly string[];
}

/** The keys in what one key opened. */
export interface OpeningAnswer {
  /** The heard line of what it was pressed on. */
  readonly at: string;
  readonly key: string;
  readonly steps: readonly StepAnswer[];
}

/** What the checks of source are to look at in the states of a window. */
export const statePlan = (
  checks: readonly Check[],
  settings: SettingsOfChecks,
  { themes, colourSchemes, palette }: ColourPlan,
): StatePlan => ({
  settings: new Map(
    checks.flatMap((check) => {
      const { off, words, severity } = settings(check);
      return off || check.kind !== "page" ? [] : [[check.id as string, { words, severity }] as const];
    }),
  ),
  colours: { themes, colourSchemes, palette },
});

/** Tells what was seen in a window. Elements that stand in source are told as source has them, where their scene is given. */
export class SeenAnswers {
  readonly #texts: SourceTexts;
  readonly #scene: Scene | null;

  constructor(texts: SourceTexts, scene: Scene | null) {
    this.#texts = texts;
    this.#scene = scene;
  }

  /** An element as its source tells of it; what a script made has only its place in the window. */
  element({ span, path, tag, role, name, nearest }: SeenElement): ElementAnswer {
    const scene = this.#scene;
    const { index } = scene?.page ?? {};
    const written =
      span === null
        ? []
        : (index?.elements ?? []).filter(
            ({ source }) => source?.start === span.start && source.file === span.file,
          );
    // A component that is used twice writes two elements at one place.
    const node =
      written.length < 2 ? written[0] : written.find((one) => index && elementPath(index, one) === path);
    if (scene !== null && node !== undefined)
      return { ...elementAnswer(scene.page.index, scene, node, this.#texts), role, name };
    const text = nearest === null ? null : this.#texts.text(nearest.file);
    const snippet =
      text === null || nearest === null
        ? `<${tag}>`
        : shortened(text.slice(nearest.start, nearest.end), LONGEST_SNIPPET);
    return { path, tag, role, name, snippet };
  }

  step({ key, from, to, events, changes, said }: SeenStep): StepAnswer {
    return {
      key,
      from: from === null ? null : this.element(from),
      to: to === null ? null : this.element(to),
      source: this.#texts.place(to?.nearest ?? null),
      heard: to?.heard ?? null,
      events,
      changes,
      said,
    };
  }

  opening({ at, key, steps }: SeenOpening): OpeningAnswer {
    return { at: at.heard, key, steps: steps.map((step) => this.step(step)) };
  }

  /** The findings of a window, of the checks that are made. */
  findings(
    { findings }: Explored,
    checks: readonly Check[],
    settings: SettingsOfChecks,
    answers: FindingAnswers,
  ): readonly FindingAnswer[] {
    return findings.flatMap((finding) => {
      const check = checks.find(({ id }) => id === finding.check);
      if (check === undefined || settings(check).off) return [];
      const { element, mend, criteria } = finding;
      return [
        answers.answer(
          {
            ...finding,
            criteria: criteria ?? check.criteria,
            severity: settings(check).severity ?? check.severity,
            // What scripts have made of an element may not be what stands in source: nothing is edited by it.
            repair: mend === null ? null : ask(mend),
            cause: null,
          },
          { element: this.element(element), heard: element.heard, selector: element.tag },
          element.components,
        ),
      ];
    });
  }
}

/** How each check went that pressing keys decides, as far as it was tried. */
export function pressedResults(
  { findings, tried }: Explored,
  checks: readonly Check[],
  settings: SettingsOfChecks,
): readonly CheckResult[] {
  return [...tried].flatMap(([id, times]) => {
    const check = checks.find((one) => one.id === id);
    if (check === undefined || settings(check).off) return [];
    const failed = findings.filter((finding) => finding.check === id).length;
    return [checkResult(id, { failed, cantTell: 0, passed: Math.max(0, times - failed) })];
  });
}

/** What results say of the criteria of their checks. */
export const talliesOf = (results: readonly CheckResult[]) =>
  results.flatMap((result) =>
    (checkWith(result.id)?.criteria ?? []).map((criterion) => [criterion, result] as const),
  );

/**
 * What source shows and what a window shows, each fault once. A fault that both show keeps the edits that source knows, and
 * gains the keys; what source only asks about gives way to what was seen, and is left out where all was as it should be.
 */
export function mergedWithSeen(
  read: readonly FindingAnswer[],
  seen: readonly FindingAnswer[],
  answered: readonly SeenAnswer[],
): readonly FindingAnswer[] {
  const isAnswered = ({ check, outcome, span }: FindingAnswer): boolean =>
    answered.some(
      (one) =>
        one.check === check &&
        (outcome === "cantTell" || one.isSure === true) &&
        isWithin(span, one.element.span),
    );
  const merged = read.filter((finding) => !isAnswered(finding));
  for (const finding of seen) {
    const place = merged.findIndex((other) => isSameFault(other, finding));
    const known = merged[place];
    if (known === undefined) merged.push(finding);
    else if (finding.outcome === "failed" && known.outcome !== "failed") merged[place] = finding;
    else if (finding.outcome === known.outcome && finding.keys !== null)
      merged[place] = { ...known, keys: finding.keys };
  }
  return merged;
}

const isWithin = (inner: Span | null, outer: Span | null): boolean =>
  inner !== null &&
  outer !== null &&
  inner.file === outer.file &&
  inner.start >= outer.start &&
  inner.start < outer.end;

/** Whether a window shows what source does: the same check, at the same place, or at one on the way there. */
function isSameFault(read: FindingAnswer, seen: FindingAnswer): boolean {
  if (read.check !== seen.check) return false;
  const place = read.source;
  if (place === null || seen.source === null)
    return place === seen.source && read.subject === seen.subject && read.element.path === seen.element.path;
  if (isWithin(read.span, seen.span)) return true;
  return seen.components.some(
    ({ file, line, column }) => file === place.file && line === place.line && column === place.column,
  );
}
