import type { CriterionRow } from "../../core/checks/coverage.ts";
import type { Conformance } from "../../core/standards/conformance.ts";
import type { Paint } from "./paint.ts";
import { printable } from "./printable.ts";
import { cut } from "./source-frame.ts";

/** How many criteria came to what, in a line: of all kinds, or of those that matter with the way to the others. */
export function coverageCounts(
  rows: readonly CriterionRow[],
  { wcag, level }: Conformance,
  paint: Paint,
  isWhole = false,
): string {
  const { colours } = paint;
  const count = (outcome: CriterionRow["outcome"]) => rows.filter((row) => row.outcome === outcome).length;
  const counts = `${count("failed")} failed, ${count("cantTell")} for a person, ${count("passed")} checked and held`;
  const more = isWhole ? `, ${count("inapplicable")} about nothing here` : "; --coverage tells each";
  return paint.paragraph(
    "",
    `${colours.bold(`WCAG ${wcag} ${level}`)} ${colours.dim(`· ${rows.length} criteria: ${counts}${more}`)}`,
    0,
  );
}

/** What the audit says of each criterion: what failed and what a person must look at, a line each; the rest by number. */
export function coverageText(
  rows: readonly CriterionRow[],
  conformance: Conformance,
  paint: Paint,
  all: boolean,
): string {
  const { colours } = paint;
  const of = (outcome: CriterionRow["outcome"]) => rows.filter((row) => row.outcome === outcome);
  const [failed, asked, held, absent, untested] = [
    of("failed"),
    of("cantTell"),
    of("passed"),
    of("inapplicable"),
    of("untested"),
  ];
  const lines = [coverageCounts(rows, conformance, paint, true)];
  const row = (mark: string, { criterion, handle }: CriterionRow, text: string) =>
    all ? wrapped(mark, criterion, handle, text) : oneLine(mark, criterion, handle, text);
  const oneLine = (mark: string, criterion: string, handle: string, text: string) => {
    const room = paint.width - 14 - handle.length;
    return `  ${mark} ${criterion.padEnd(6)} ${handle}${text === "" ? "" : `  ${colours.dim(cut(printable(text), room))}`}`;
  };
  const wrapped = (mark: string, criterion: string, handle: string, text: string) =>
    paint.paragraph(
      `  ${mark} ${criterion.padEnd(6)} `,
      `${handle}${text === "" ? "" : colours.dim(`  ${printable(text)}`)}`,
      11,
    );
  for (const item of failed)
    lines.push(
      row(
        colours.red("✗"),
        item,
        [`${item.failed} ${item.failed === 1 ? "finding" : "findings"}.`, item.question ?? ""]
          .join(" ")
          .trim(),
      ),
    );
  for (const item of asked) lines.push(row(colours.blue("?"), item, item.question ?? ""));
  if (all) {
    for (const item of held) lines.push(row(colours.green("✓"), item, "checked and holds"));
    for (const item of absent) lines.push(row(colours.dim("–"), item, "about nothing here"));
  } else {
    const folded = (mark: string, items: readonly CriterionRow[], word: string) => {
      if (items.length > 0)
        lines.push(
          paint.paragraph(
            `  ${mark} `,
            colours.dim(`${word}: ${items.map(({ criterion }) => criterion).join(", ")}`),
            4,
          ),
        );
    };
    folded(colours.green("✓"), held, "checked and held");
    folded(colours.dim("–"), absent, "about nothing here");
  }
  if (untested.length > 0)
    lines.push(
      paint.paragraph(
        `  ${colours.dim("○")} `,
        colours.dim(
          `not looked at, as checks are off: ${untested.map(({ criterion }) => criterion).join(", ")}`,
        ),
        4,
      ),
    );
  return `${lines.join("\n")}\n`;
}
