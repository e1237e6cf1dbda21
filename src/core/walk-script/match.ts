import type { HeardPattern } from "./parse.ts";

/** What is heard at an element, taken apart. */
export interface Heard {
  readonly name: string;
  /** As WAI-ARIA has it. */
  readonly role: string;
  /** The whole line, as it is spoken. */
  readonly line: string;
}

const folded = (text: string): string => text.toLowerCase().replace(/[\s-]+/g, "");

/** Whether a heard line is what a script says: the name as it is, the role in either wording, every state it names. */
export function isHeardAs({ name, role, line }: Heard, pattern: HeardPattern): boolean {
  if (pattern.name !== null && pattern.name !== name) return false;
  const rest = line.startsWith(`"${name}"`) ? line.slice(name.length + 2) : line;
  const [spoken = "", ...states] = rest.split(",").map((part) => part.trim());
  const isRole = pattern.role === "" || [role, spoken].some((own) => folded(own) === folded(pattern.role));
  return isRole && pattern.states.every((state) => states.some((own) => folded(own) === folded(state)));
}
