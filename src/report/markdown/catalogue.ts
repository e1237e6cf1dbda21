import type { CheckExplanation, FamilyExplanation } from "../../answers/explain.ts";

type FamilyPage = FamilyExplanation & { readonly explained: readonly CheckExplanation[] };

/** The whole catalogue as a page of reference. */
export function catalogueMarkdown(families: readonly FamilyPage[]): string {
  const count = families.reduce((sum, { checks }) => sum + checks.length, 0);
  return [
    "# The checks",
    "",
    `${count} checks in ${families.length} families. This page is written by \`keel explain --format markdown\`; \`keel explain\` shows the same in a terminal.`,
    "",
    ...families.map(({ family, about, checks }) => `- [${family}](#${family}): ${about} (${checks.length})`),
    "",
    ...families.flatMap(({ family, about, explained }) => [
      `## ${family}`,
      "",
      `${about.charAt(0).toUpperCase()}${about.slice(1)}.`,
      "",
      ...explained.flatMap(checkMarkdown),
    ]),
  ]
    .join("\n")
    .replace(/\n+$/, "\n");
}

function checkMarkdown({ check, criteria, broken, asked, kept }: CheckExplanation): readonly string[] {
  const lines = criteria.map(
    ({ number, handle, level, address }) => `[${number} ${handle}](${address}) (${level})`,
  );
  return [
    `### ${check.id}`,
    "",
    `**${escaped(check.means)}**`,
    "",
    `- severity: ${check.severity}`,
    `- criteria: ${lines.length === 0 ? "none, good practice" : lines.join("; ")}`,
    `- who: ${escaped(check.who)}`,
    `- mend: ${escaped(check.mend)}`,
    ...(check.takesWords === undefined ? [] : [`- words: ${check.takesWords}`]),
    "",
    ...example("Broken", broken),
    ...(broken === null ? example("A person is asked about", asked) : []),
    ...example("Kept", kept),
  ];
}

/** Tags in sentences would be read as markup. */
const escaped = (text: string): string => text.replace(/<[^>]+>/g, (tag) => `\`${tag}\``);

const example = (label: string, source: string | null): readonly string[] =>
  source === null ? [] : [`${label}:`, "", "```html", source, "```", ""];
