import type { AuditAnswer } from "../../answers/audit.ts";
import type { Paint } from "./paint.ts";
import { printable } from "./printable.ts";

/** How many places of one component are named. */
const MOST_PLACES = 3;

/** Components that are used and not in source, and what the configuration could say of them. */
export function unknownComponentsText(
  { unknownComponents }: AuditAnswer,
  { colours, paragraph }: Paint,
): string {
  if (unknownComponents.length === 0) return "Every component that is used is in this source.\n";
  const widest = Math.max(...unknownComponents.map(({ name }) => printable(name).length));
  const rows = unknownComponents.map(({ name, uses }) => {
    const places = uses.slice(0, MOST_PLACES).map(({ file, line }) => `${printable(file)}:${line}`);
    const more = uses.length > MOST_PLACES ? " …" : "";
    return `  ${String(uses.length).padStart(4)} ×  ${colours.bold(printable(name).padEnd(widest))}  ${colours.dim(places.join(", ") + more)}\n`;
  });
  const [first] = unknownComponents;
  return [
    "Not in this source, so that nothing is sure of what they render:\n\n",
    ...rows,
    "\n",
    paragraph(
      `${colours.dim("next")}  `,
      `where one is an element of HTML under another name, say so in keel.config: components: { "${printable(first?.name ?? "")}": { as: "img" } }.`,
      6,
    ),
    "\n",
  ].join("");
}
