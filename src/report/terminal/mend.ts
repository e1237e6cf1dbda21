import type { AuditAnswer, FindingAnswer } from "../../answers/audit.ts";
import type { LeftOut, MendedFile, Mending, MendPlan, Waiting } from "../../answers/mend.ts";
import { countOf } from "../../core/document/count-of.ts";
import { byFile } from "../../core/repair/edit.ts";
import { changedLines } from "../patch/changed-lines.ts";
import type { Paint } from "./paint.ts";
import { printable } from "./printable.ts";
import { cut } from "./source-frame.ts";

const placeOf = ({ source, subject }: FindingAnswer): string =>
  source === null ? subject : `${source.file}:${source.line}:${source.column}`;

/** Why a file changes, a line for each finding: before its patch. */
export const reasonsFor = ({ mendings }: MendedFile): readonly string[] =>
  mendings.map(({ finding }) =>
    printable(
      `${placeOf(finding)} ${finding.check} (${finding.repair?.confidence ?? "likely"}): ${finding.repair?.summary ?? finding.message}`,
    ),
  );

/** A patch with colours, for a terminal. */
export const patchInColour = (patch: string, { colours }: Paint): string =>
  patch
    .split("\n")
    .map((line) => {
      const shown = printable(line);
      if (/^(?:---|\+\+\+) /.test(line)) return colours.bold(shown);
      if (line.startsWith("#")) return colours.dim(shown);
      if (line.startsWith("@@")) return colours.cyan(shown);
      if (line.startsWith("+")) return colours.green(shown);
      return line.startsWith("-") ? colours.red(shown) : shown;
    })
    .join("\n");

/** Why edits were not made: one line for each reason, with the first place and how many others there are. */
export function leftOutLines(leftOut: readonly LeftOut[]): readonly string[] {
  const byReason = new Map<string, FindingAnswer[]>();
  for (const { finding, reason } of leftOut) byReason.set(reason, [...(byReason.get(reason) ?? []), finding]);
  return [...byReason].flatMap(([reason, [first, ...others]]) => {
    if (first === undefined) return [];
    const more = others.length === 0 ? "is" : `and ${countOf(others.length, "other is", "others are")}`;
    return [`${printable(placeOf(first))}: ${first.check} ${more} not mended: ${printable(reason)}`];
  });
}

const needs = (n: number, what: string): string => `${n} ${n === 1 ? "needs" : "need"} ${what}`;

const waitingText = ({ likely, words, look }: Waiting): readonly string[] => [
  ...(likely > 0
    ? [`${likely} ${likely === 1 ? "has" : "have"} an edit that is not made (--also likely)`]
    : []),
  ...(words > 0 ? [`${needs(words, "words only you know")} (--interactive)`] : []),
  ...(look > 0 ? [needs(look, "a look")] : []),
];

/** What a patch is about, and what it leaves. */
export function patchSummary(before: AuditAnswer, plan: MendPlan, left: Waiting): string {
  const failed = before.findings.filter(({ outcome }) => outcome === "failed");
  if (failed.length === 0) return "Nothing to mend.";
  const { gone, files } = plan;
  const mended = failed.filter((finding) => gone.has(finding)).length;
  const waiting = waitingText(left);
  const first =
    mended === 0
      ? `No edit to be made among ${countOf(failed.length, "finding", "findings")}`
      : `${mended} of ${countOf(failed.length, "finding", "findings")} mended in ${countOf(files.length, "file", "files")}`;
  return `${[first, ...waiting].join(" · ")}.`;
}

/** What was mended, file by file, and what is left. */
export function mendedReport(
  { files, mendings, gone }: MendPlan,
  before: AuditAnswer,
  after: AuditAnswer,
  left: Waiting,
  undo: string | null,
  paint: Paint,
): string {
  const { colours } = paint;
  const lines: string[] = [];
  for (const file of files) {
    lines.push(colours.bold(printable(file.name)));
    const shown = new Set<string>();
    for (const { finding } of file.mendings) {
      const line = finding.source?.file === file.name ? String(finding.source.line) : "";
      const what = `${printable(finding.repair?.summary ?? finding.message)} ${colours.dim(finding.check)}`;
      // One edit may mend many findings.
      if (line === "" && shown.has(what)) continue;
      shown.add(what);
      lines.push(paint.paragraph(`${colours.dim(line.padStart(6))}  `, what, 8));
    }
    lines.push("");
  }
  const failed = (answer: AuditAnswer) => answer.findings.filter(({ outcome }) => outcome === "failed");
  const [from, to] = [failed(before).length, failed(after).length];
  const mended = Math.max(failed(before).filter((finding) => gone.has(finding)).length, from - to);
  const uncovered = mended - (from - to);
  const summary = [
    `${from} → ${to}: ${mendings.length === 0 ? "nothing was" : mended} mended`,
    // Where text fails as it is, nobody asks how it looks under the pointer.
    ...(uncovered > 0 ? [`${uncovered} hidden before ${uncovered === 1 ? "is" : "are"} told now`] : []),
    ...waitingText(left),
  ].join(" · ");
  lines.push(paint.paragraph("", to === 0 ? colours.green(summary) : colours.bold(summary), 0));
  if (undo !== null)
    lines.push(
      paint.paragraph(colours.dim("undo  "), colours.dim(`keel mend --undo, or git apply ${undo}`), 6),
    );
  return `${lines.join("\n")}\n`;
}

/** The lines that edits change, out and in, file by file. */
export function diffText({ finding, edits }: Mending, before: AuditAnswer, paint: Paint): string {
  const { colours, width } = paint;
  const parts = [...byFile(edits)].flatMap(([file, fileEdits]) => {
    const text = before.texts.text(file);
    if (text === null) return [];
    const lines = changedLines(text, fileEdits);
    const indent = Math.min(...lines.map((line) => line.text.length - line.text.trimStart().length));
    const heading = file === finding.source?.file ? [] : [`    ${colours.dim(printable(file))}`];
    return [
      ...heading,
      ...lines.map(({ line, kind, text: changed }) => {
        const mark = kind === "in" ? "+" : "-";
        const tint = kind === "in" ? colours.green : colours.red;
        return `  ${colours.dim(String(line).padStart(4))} ${tint(`${mark} ${cut(printable(changed.slice(indent)), width - 12)}`)}`;
      }),
    ];
  });
  return `${parts.join("\n")}\n`;
}
