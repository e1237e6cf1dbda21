import type { CheckText } from "../core/checks/check.ts";
import { type CheckResult, checkResult } from "../core/checks/run.ts";
import { shortened } from "../core/document/shortened.ts";
import { ask } from "../core/repair/repair.ts";
import type { Scene } from "../core/scene/scene.ts";
import type {
  RenderedElement,
  RenderedOpening,
  RenderedStep,
  RenderResult,
  StatePlan,
} from "../render/protocol.ts";
import type { AuditColours } from "./audit-colours.ts";
import type { PageCheckSettings } from "./check-plan.ts";
import {
  type ElementAnswer,
  elementAnswer,
  LONGEST_SNIPPET,
  type SourceAnswer,
  type SourceTexts,
} from "./element-answer.ts";
import type { FindingAnswer, FindingAnswers } from "./finding-answer.ts";

/** How much memory what runs apart may take, in megabytes. */
export const MOST_MEMORY = 1024;

/** How much of its time is for pressing keys: the rest is for the window to open and for the last key to end. */
export const FOR_KEYS = 0.7;

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

export const openingAnswer = (
  { at, key, steps }: RenderedOpening,
  told: (element: RenderedElement) => ElementAnswer,
  texts: SourceTexts,
): OpeningAnswer => ({ at: at.heard, key, steps: steps.map((step) => stepAnswer(step, told, texts)) });

type Settings = (check: CheckText) => PageCheckSettings;

/** What the checks of source are to look at in the states of a window. */
export const statePlan = (
  checks: readonly CheckText[],
  settings: Settings,
  { themes, colourSchemes, palette }: AuditColours,
): StatePlan => ({
  settings: new Map(
    checks.flatMap((check) => {
      const { off, words, severity } = settings(check);
      return off ? [] : [[check.id as string, { words, severity }] as const];
    }),
  ),
  colours: { themes, colourSchemes, palette },
});

/** An element as its source tells of it; what a script made has only its place in the window. */
export function renderedElement(
  { span, path, tag, role, name, nearest }: RenderedElement,
  texts: SourceTexts,
  scene: Scene | null = null,
): ElementAnswer {
  const node =
    span === null ? undefined : scene?.page.index.elements.find(({ source }) => source?.start === span.start);
  if (scene !== null && node !== undefined)
    return { ...elementAnswer(scene.page.index, scene, node, texts), role, name };
  const text = nearest === null ? null : texts.text(nearest.file);
  const snippet =
    text === null || nearest === null
      ? `<${tag}>`
      : shortened(text.slice(nearest.start, nearest.end), LONGEST_SNIPPET);
  return { path, tag, role, name, snippet };
}

export const stepAnswer = (
  { key, from, to, events, changes, said }: RenderedStep,
  told: (element: RenderedElement) => ElementAnswer,
  texts: SourceTexts,
): StepAnswer => ({
  key,
  from: from === null ? null : told(from),
  to: to === null ? null : told(to),
  source: texts.place(to?.nearest ?? null),
  heard: to?.heard ?? null,
  events,
  changes,
  said,
});

/** The findings of a window, of the checks that are made. */
export function renderedFindings(
  { findings }: RenderResult,
  checks: readonly CheckText[],
  settings: Settings,
  told: (element: RenderedElement) => ElementAnswer,
  answers: FindingAnswers,
): readonly FindingAnswer[] {
  const wanted = new Map<string, CheckText>(
    checks.filter((check) => !settings(check).off).map((check) => [check.id, check]),
  );
  return findings.flatMap((finding) => {
    const check = wanted.get(finding.check);
    if (check === undefined) return [];
    const { element, mend, keys, facts, criteria } = finding;
    return [
      answers.answer(
        {
          ...finding,
          criteria: criteria ?? check.criteria,
          severity: settings(check).severity ?? check.severity,
          // What scripts have made of an element may not be what stands in source: nothing is edited by it.
          repair: mend === null ? null : ask(mend),
          facts: keys === null ? facts : { ...facts, keys },
          cause: null,
        },
        { element: told(element), heard: element.heard },
        element.components,
      ),
    ];
  });
}

/** How each check went that pressing keys decides, as far as it was tried. */
export function pressedResults(
  { findings, tried }: RenderResult,
  checks: readonly CheckText[],
  settings: Settings,
): readonly CheckResult[] {
  return [...tried].flatMap(([id, times]) => {
    const check = checks.find((one) => one.id === id);
    if (check === undefined || settings(check).off) return [];
    const failed = findings.filter((finding) => finding.check === id).length;
    return [checkResult(id, { failed, cantTell: 0, passed: Math.max(0, times - failed) })];
  });
}

/**
 * What source shows and what a window shows, each fault once. A fault that both show keeps the edits that source knows, and
 * gains the keys; what source only asks about gives way to what was seen.
 */
export function mergedWithRendered(
  read: readonly FindingAnswer[],
  rendered: readonly FindingAnswer[],
): readonly FindingAnswer[] {
  const merged = [...read];
  for (const finding of rendered) {
    const at = merged.findIndex((other) => isSameFault(other, finding));
    const known = merged[at];
    if (known === undefined) merged.push(finding);
    else if (finding.outcome === "failed" && known.outcome !== "failed") merged[at] = finding;
    else if (finding.outcome === known.outcome && finding.facts.keys !== undefined)
      merged[at] = { ...known, facts: { ...known.facts, keys: finding.facts.keys } };
  }
  return merged;
}

/** Whether a window shows what source does: the same check, at the same place, or at one on the way there. */
function isSameFault(read: FindingAnswer, rendered: FindingAnswer): boolean {
  if (read.check !== rendered.check) return false;
  const place = read.source;
  if (place === null || rendered.source === null)
    return (
      place === rendered.source &&
      read.subject === rendered.subject &&
      read.element.path === rendered.element.path
    );
  const { span } = rendered;
  if (read.span !== null && span !== null && read.span.file === span.file && read.span.start >= span.start)
    if (read.span.start < span.end) return true;
  return rendered.components.some(
    ({ file, line, column }) => file === place.file && line === place.line && column === place.column,
  );
}
