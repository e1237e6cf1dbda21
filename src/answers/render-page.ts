import type { CheckText } from "../core/checks/check.ts";
import type { Device } from "../core/css/device.ts";
import { notRendered, type Problem, renderCutShort, scriptFailed } from "../core/findings/problems.ts";
import type { Finding } from "../core/findings/verdict.ts";
import { ask } from "../core/repair/repair.ts";
import type { Scene } from "../core/scene/scene.ts";
import type { Host } from "../host/host.ts";
import type { RenderedElement, RenderRequest, RenderResult } from "../render/protocol.ts";
import { type ElementAnswer, elementAnswer, type SourceAnswer, type SourceTexts } from "./element-answer.ts";
import type { FindingAnswer, FindingAnswers } from "./finding-answer.ts";
import type { LoadedPage } from "./load-page.ts";

/** How long one page is tried, in milliseconds, and how much memory it may take, in megabytes. */
const LIMITS = { milliseconds: 30_000, megabytes: 1024 };

/** Of the time, how much is for pressing keys: the rest is for the window to open and for the last key to end. */
const PATIENCE = 20_000;

/** A key, and what it did, as it is told. */
export interface StepAnswer {
  readonly key: string;
  readonly from: ElementAnswer | null;
  readonly to: ElementAnswer | null;
  readonly source: SourceAnswer | null;
  readonly heard: string | null;
  readonly changes: readonly string[];
}

/** What came of a page whose scripts were run and whose keys were pressed. */
export interface RenderedAnswer {
  readonly steps: readonly StepAnswer[];
  readonly findings: readonly FindingAnswer[];
  readonly problems: readonly Problem[];
}

/** Runs the scripts of a page in a simulated window and presses the keys. */
export async function renderedPage(
  name: string,
  loaded: LoadedPage,
  device: Device,
  checks: readonly CheckText[],
  {
    scene,
    texts,
    answers,
  }: { readonly scene: Scene; readonly texts: SourceTexts; readonly answers: FindingAnswers },
  host: Host,
): Promise<RenderedAnswer> {
  const { document, sheets } = loaded;
  const request: RenderRequest = {
    file: document.file,
    text: loaded.texts.get(document.file) ?? "",
    kind: document.kind === "fragment" ? "fragment" : "document",
    quirks: document.quirks,
    // Style elements are read anew from the window: scripts may change them.
    sheets: sheets
      .filter(({ sheet }) => sheet.file !== document.file)
      .map(({ sheet, media }) => ({ sheet, media })),
    stylesKnown: loaded.stylesKnown,
    device,
    patience: PATIENCE,
  };
  const ran = await host.runApart("render-worker", request, LIMITS);
  if (!ran.ok) return { steps: [], findings: [], problems: [notRendered(name, ran.reason)] };
  const result = ran.value as RenderResult;
  const told = (element: RenderedElement) => elementFor(element, scene, texts);
  const wanted = new Set<string>(checks.map(({ id }) => id));
  return {
    steps: result.steps.map(({ key, from, to, changes }) => ({
      key,
      from: from === null ? null : told(from),
      to: to === null ? null : told(to),
      source: texts.place(to?.span ?? null),
      heard: to?.heard ?? null,
      changes,
    })),
    findings: result.findings
      .filter(({ check }) => wanted.has(check))
      .map((finding) => {
        const made: Finding = {
          ...finding,
          source: finding.element.span,
          // Only its chain of components is asked for, and a page has none.
          element: scene.page.index.elements[0] as Finding["element"],
          repair: ask(finding.mend),
          facts: { keys: finding.keys },
          cause: null,
          origins: [],
        };
        return answers.answer(made, { element: told(finding.element), heard: finding.element.heard }, []);
      }),
    problems: [
      ...result.problems.map((message) => scriptFailed(name, message)),
      ...(result.isCutShort ? [renderCutShort(name)] : []),
    ],
  };
}

/** An element as its source tells of it; what a script made has only its place in the window. */
function elementFor(
  { span, path, tag, role, name }: RenderedElement,
  scene: Scene,
  texts: SourceTexts,
): ElementAnswer {
  const node =
    span === null ? undefined : scene.page.index.elements.find(({ source }) => source?.start === span.start);
  if (node === undefined) return { path, tag, role, name, snippet: `<${tag}>` };
  return { ...elementAnswer(scene.page.index, scene, node, texts), role, name };
}
