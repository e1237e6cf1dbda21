import type { AuditAnswer, FindingAnswer } from "../../answers/audit.ts";
import type { Check } from "../../core/checks/check.ts";
import { countOf } from "../../core/document/count-of.ts";
import type { Severity } from "../../core/findings/verdict.ts";
import { byFile } from "../../core/repair/edit.ts";
import { criteria } from "../../core/standards/criteria.ts";
import { originsText } from "../origins-text.ts";
import { changedLines } from "../patch/changed-lines.ts";
import { kindsOf } from "./kinds-of.ts";
import type { Paint } from "./paint.ts";
import { printable } from "./printable.ts";
import { cut, sourceFrame } from "./source-frame.ts";

export interface AuditView {
  readonly paint: Paint;
  readonly checks: readonly Check[];
  /** Shows every finding instead of three of a kind, and every criterion in a line of its own. */
  readonly all: boolean;
  /** What is said of the criteria: each in a line, how many there are of each kind, or nothing. */
  readonly coverage: "each" | "counts" | "none";
}

/** Facts whose origins people are shown, with the words for them, in this order. */
const provenance = [
  ["foreground", "colour:"],
  ["background", "ground:"],
  ["outline", "outline:"],
] as const;

/** How many findings that share a cause are named one by one. */
const MOST_NAMED = 3;

/** How many lines are named of what shares a cause. */
const MOST_NUMBERS = 12;

/** How many of the pages that share a cause are named. */
const MOST_PAGES = 8;

const marks: Readonly<Record<Severity | "question", string>> = {
  blocker: "■",
  barrier: "▲",
  friction: "●",
  question: "?",
};

/**
 * One finding in full: what is wrong, where, who is hurt and how to mend it.
 * @param also what shares its cause
 * @param pages the pages that its cause shows on
 * @param explain whether to say who is hurt
 */
export function findingText(
  finding: FindingAnswer,
  also: readonly FindingAnswer[],
  pages: readonly string[],
  answer: AuditAnswer,
  view: AuditView,
  explain: boolean,
): string {
  const { paint } = view;
  const { colours } = paint;
  const isQuestion = finding.outcome === "cantTell";
  const tint = isQuestion
    ? colours.blue
    : finding.severity === "blocker"
      ? colours.red
      : finding.severity === "barrier"
        ? colours.yellow
        : colours.cyan;
  const word = isQuestion ? "question" : finding.severity;
  const lines: string[] = [];
  lines.push(
    paint.paragraph(
      `  ${tint(`${marks[word]} ${word}`)}  `,
      colours.bold(printable(finding.message)),
      4 + word.length + 2,
    ),
  );
  const place =
    finding.source === null
      ? finding.subject
      : `${finding.source.file}:${finding.source.line}:${finding.source.column}`;
  lines.push(
    paint.paragraph(
      "    ",
      colours.dim([printable(place), ...finding.criteria.map(criterionText), finding.check].join(" · ")),
      4,
    ),
  );
  if (finding.components.length > 1)
    lines.push(
      paint.paragraph(
        `    ${colours.dim("way ")}  `,
        finding.components.map(({ name }) => printable(name)).join(" › "),
        10,
      ),
    );
  const frame =
    finding.source === null ? null : sourceFrame(answer.texts, finding.source, heardNote(finding), paint);
  if (frame !== null) lines.push(...frame.map((line) => `  ${line}`));
  const check = view.checks.find((c) => c.id === finding.check);
  if (explain && check !== undefined)
    lines.push(paint.paragraph(`    ${colours.dim("who ")}  `, check.who, 10));
  if (finding.repair !== null) {
    lines.push(paint.paragraph(`    ${colours.dim("mend")}  `, printable(finding.repair.summary), 10));
    lines.push(...editLines(finding, answer, view));
  }
  const { world, mendedBy, shot } = finding.facts;
  if (typeof shot === "string")
    lines.push(paint.paragraph(`    ${colours.dim("see ")}  `, colours.dim(printable(shot)), 10));
  if (typeof world === "string")
    lines.push(
      paint.paragraph(
        `    ${colours.dim("world")} `,
        `${printable(world)}${typeof mendedBy === "string" ? ` · may be mended by ${mendedBy}` : ""}`,
        10,
      ),
    );
  if (finding.keys !== null)
    lines.push(paint.paragraph(`    ${colours.dim("keys")}  `, printable(finding.keys), 10));
  for (const [fact, words] of provenance) {
    const from = originsText(finding.origins.filter(({ of }) => of === fact));
    if (from !== "")
      lines.push(paint.paragraph(`    ${colours.dim("from")}  `, `${words} ${printable(from)}`, 10));
  }
  if (pages.length > 1)
    lines.push(
      paint.paragraph(
        `    ${colours.dim("on  ")}  `,
        colours.dim(
          `${pages.length} ${kindsOf(answer.subjects.filter(({ id }) => pages.includes(id)))}: ${pages
            .slice(0, view.all ? pages.length : MOST_PAGES)
            .map(printable)
            .join(
              ", ",
            )}${pages.length > MOST_PAGES && !view.all ? ` and ${pages.length - MOST_PAGES} more` : ""}`,
        ),
        10,
      ),
    );
  const same = also.filter((other) => other.check === finding.check);
  if (same.length > 0) {
    const here = same.filter(({ subject }) => subject === finding.subject);
    const numbers = [...new Set(here.flatMap(({ source }) => (source === null ? [] : [source.line])))];
    const named = `line ${numbers.slice(0, MOST_NUMBERS).join(", ")}${numbers.length > MOST_NUMBERS ? " …" : ""}`;
    const where = numbers.length === 0 ? "" : here.length < same.length ? `, here ${named}` : `: ${named}`;
    lines.push(
      paint.paragraph(
        `    ${colours.dim("too ")}  `,
        colours.dim(`${countOf(same.length, "more element", "more elements")} with the same cause${where}`),
        10,
      ),
    );
  }
  const others = also.filter((other) => other.check !== finding.check && other.subject === finding.subject);
  for (const other of others.slice(0, MOST_NAMED)) {
    const line = other.source === null ? "" : `, line ${other.source.line}`;
    lines.push(
      paint.paragraph(
        `    ${colours.dim("also")}  `,
        colours.dim(
          `${printable(other.message)} (${[...other.criteria.map(criterionText), other.check].join(" · ")}${line})`,
        ),
        10,
      ),
    );
  }
  if (others.length > MOST_NAMED)
    lines.push(
      `          ${colours.dim(`and ${others.length - MOST_NAMED} more that the same change mends`)}`,
    );
  return `${lines.join("\n")}\n`;
}

const criterionText = (number: string): string => {
  const row: { readonly level: string } | undefined = Object.hasOwn(criteria, number)
    ? criteria[number as keyof typeof criteria]
    : undefined;
  return `WCAG ${number}${row === undefined ? "" : ` ${row.level}`}`;
};

const heardNote = ({ heard }: FindingAnswer): string =>
  heard === null ? "" : `heard as: ${printable(heard)}`;

/** How many lines of an edit are shown. */
const MOST_LINES = 8;

/** The lines of source as the edits would leave them. */
function editLines(finding: FindingAnswer, answer: AuditAnswer, view: AuditView): readonly string[] {
  const { colours, width } = view.paint;
  const shown = [...byFile(finding.repair?.edits ?? [])].flatMap(([file, edits]) => {
    const text = answer.texts.text(file);
    if (text === null) return [];
    const lines = changedLines(text, edits);
    const put = lines.filter(({ kind }) => kind === "in");
    return (put.length > 0 ? put : lines).map((changed) => {
      const place =
        file === finding.source?.file
          ? String(changed.line).padStart(4)
          : `  ${printable(file)}:${changed.line}`;
      const [mark, tint] = changed.kind === "in" ? ["+", colours.green] : ["-", colours.red];
      return `  ${colours.dim(place)} ${tint(`${mark} ${cut(printable(changed.text.trim()), width - 14)}`)}`;
    });
  });
  const more = shown.length - MOST_LINES;
  return more > 0
    ? [
        ...shown.slice(0, MOST_LINES),
        colours.dim(`           and ${countOf(more, "more line", "more lines")}`),
      ]
    : shown;
}
