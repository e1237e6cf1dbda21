import type {
  CheckExplanation,
  CriterionExplanation,
  CriterionText,
  Explanation,
  FamilyExplanation,
} from "../../answers/explain.ts";
import type { Check } from "../../core/checks/check.ts";
import type { Paint } from "./paint.ts";

const LABEL = 10;

/** What there is to say of one topic. */
export function explanationText(explanation: Explanation, paint: Paint): string {
  switch (explanation.kind) {
    case "check":
      return checkText(explanation, paint);
    case "criterion":
      return criterionExplanation(explanation, paint);
    default:
      return familyText(explanation, paint);
  }
}

/** Every check in a line, by family. */
export const catalogueText = (families: readonly FamilyExplanation[], paint: Paint): string =>
  [
    ...families.map((family) => familyText(family, paint)),
    paint.colours.dim("keel explain CHECK tells more of one, keel explain 1.4.3 of a criterion.\n"),
  ].join("\n");

function familyText({ family, about, checks }: FamilyExplanation, paint: Paint): string {
  const { colours } = paint;
  const width = Math.max(...checks.map(({ id }) => id.length));
  return [
    `${colours.bold(family)}  ${colours.dim(about)}`,
    ...checks.map((check) =>
      paint.paragraph(
        `  ${check.id.padEnd(width)}  `,
        `${check.means} ${colours.dim(`(${[check.severity, ...check.criteria].join(", ")})`)}`,
        width + 4,
      ),
    ),
    "",
  ].join("\n");
}

const labelled = (label: string, text: string, paint: Paint): string =>
  paint.paragraph(paint.colours.dim(label.padEnd(LABEL)), text, LABEL);

const criterionLine = ({ number, handle, level, since }: CriterionText): string =>
  `WCAG ${number} ${handle} (level ${level}${since === "2.0" ? "" : `, since ${since}`})`;

function checkText({ check, criteria, broken, asked, kept }: CheckExplanation, paint: Paint): string {
  const { colours } = paint;
  const lines = [
    `${colours.bold(check.id)}  ${colours.dim(check.severity)}`,
    "",
    labelled("means", check.means, paint),
    labelled("who", check.who, paint),
    labelled("mend", check.mend, paint),
  ];
  if (check.takesWords !== undefined)
    lines.push(labelled("words", `Takes words in the configuration: ${check.takesWords}.`, paint));
  if (criteria.length === 0) lines.push(labelled("criteria", "none: good practice", paint));
  for (const [index, criterion] of criteria.entries()) {
    lines.push(labelled(index === 0 ? "criteria" : "", criterionLine(criterion), paint));
    lines.push(`${" ".repeat(LABEL)}${colours.dim(criterion.address)}`);
  }
  const example = (label: string, source: string | null, tint: (text: string) => string) => {
    if (source === null) return;
    lines.push("", colours.dim(label), ...source.split("\n").map((line) => `  ${tint(line)}`));
  };
  example("broken", broken, colours.red);
  if (broken === null) example("a person is asked about", asked, colours.blue);
  example("kept", kept, colours.green);
  return `${lines.join("\n")}\n`;
}

function criterionExplanation({ criterion, checks, remains }: CriterionExplanation, paint: Paint): string {
  const { colours } = paint;
  const lines = [
    colours.bold(criterionLine(criterion)),
    colours.dim(criterion.address),
    ...(criterion.removedIn === undefined ? [] : [colours.dim(`no longer in WCAG ${criterion.removedIn}`)]),
    "",
    colours.dim(checks.length === 0 ? "no check decides any of it" : "decided by"),
    ...checks.map((check) => checkLine(check, paint)),
    "",
    colours.dim("for a person"),
    paint.paragraph("  ", remains ?? "nothing that a page shows, beyond what is asked with a finding", 2),
  ];
  return `${lines.join("\n")}\n`;
}

const checkLine = (check: Check, paint: Paint): string =>
  paint.paragraph(`  ${check.id}  `, paint.colours.dim(check.means), 4);
