import type { CheckText } from "../core/checks/check.ts";
import { scriptCheck } from "../core/checks/pressed/script-check.ts";
import { type CheckResult, checkResult, type Tally } from "../core/checks/run.ts";
import { lineMap } from "../core/document/line-map.ts";
import { ask } from "../core/repair/repair.ts";
import type { CriterionNumber } from "../core/standards/criteria.ts";
import type { Host } from "../host/host.ts";
import type { CheckPlan } from "./check-plan.ts";
import type { SourceTexts } from "./element-answer.ts";
import { type FindingAnswer, FindingAnswers } from "./finding-answer.ts";
import { pressedResults, renderedElement, renderedFindings } from "./rendered.ts";
import { isMadeOf, type MountedSpecimen, type WalkedScript } from "./specimens.ts";
import { addResults, outcomesOf, type Subject } from "./subject.ts";

/** A specimen as an audit tells of it. */
export interface ToldSpecimen {
  readonly subject: Subject;
  readonly findings: readonly FindingAnswer[];
  readonly results: readonly CheckResult[];
  readonly criteria: ReadonlyMap<CriterionNumber, Tally>;
  readonly accepted: number;
}

export function toldSpecimen(
  mounted: MountedSpecimen,
  checks: readonly CheckText[],
  { settingsFor, conformance }: CheckPlan,
  texts: SourceTexts,
  host: Host,
): ToldSpecimen {
  const { id, page, listed, result, walked } = mounted;
  const made = checks.filter(isMadeOf(mounted));
  const settings = settingsFor(page.name);
  const answers = new FindingAnswers(id, texts, host, conformance);
  const findings = renderedFindings(
    result,
    made,
    settings,
    (element) => renderedElement(element, texts),
    answers,
  );
  const isScripted = made.some((check) => check.id === scriptCheck.id) && !settings(scriptCheck).off;
  const broken = isScripted ? walked.flatMap((one) => brokenLine(one, answers, texts)) : [];
  const results = new Map<string, CheckResult>();
  const own = [
    ...(result.states?.checks ?? []),
    ...pressedResults(result, made, settings),
    ...(isScripted ? scriptResults(walked) : []),
  ];
  for (const one of own) results.set(one.id, addResults(results.get(one.id), one));
  return {
    subject: {
      id,
      target: page.target,
      kind: "component",
      engine: "render",
      specimen: listed.name,
      state: "as loaded",
      elements: result.states?.elements ?? 0,
      outcomes: outcomesOf([...results.values()]),
    },
    findings: [...findings, ...broken],
    results: [...results.values()],
    criteria: result.states?.criteria ?? new Map(),
    accepted: result.states?.allowed ?? 0,
  };
}

/** The line of a script that does not hold, at its place in the script. */
function brokenLine(
  { script, lines }: WalkedScript,
  answers: FindingAnswers,
  texts: SourceTexts,
): readonly FindingAnswer[] {
  const broken = lines.find(({ outcome }) => outcome === "failed");
  if (broken === undefined) return [];
  texts.add(new Map([[script.file, script.text]]));
  const map = lineMap(script.text);
  const written = map.line(broken.line) ?? "";
  const start = (map.offset(broken.line, 1) ?? 0) + (written.length - written.trimStart().length);
  const source = { file: script.file, start, end: start + broken.written.length };
  const [first] = broken.instead;
  const element = { path: "", tag: "", role: "", name: "", snippet: broken.written };
  return [
    answers.answer(
      {
        check: scriptCheck.id,
        outcome: "failed",
        severity: scriptCheck.severity,
        criteria: scriptCheck.criteria,
        source,
        message: `This line does not hold: ${broken.message ?? ""}${first === undefined ? "" : ` There is ${first}.`}`,
        repair: ask(scriptCheck.mend),
        facts: {},
        cause: null,
        origins: [],
      },
      { element, heard: null },
      [],
    ),
  ];
}

const scriptResults = (walked: readonly WalkedScript[]): readonly CheckResult[] => {
  const failed = walked.filter(({ lines }) => lines.some(({ outcome }) => outcome === "failed")).length;
  return walked.length === 0
    ? []
    : [checkResult(scriptCheck.id, { failed, cantTell: 0, passed: walked.length - failed })];
};
