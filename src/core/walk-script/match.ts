import type { HeardParts } from "../semantics/heard-line.ts";
import type { HeardPattern } from "./parse.ts";

const folded = (text: string): string => text.toLowerCase().replace(/[\s-]+/g, "");

/** Whether an element is heard as a script says: the name as it is, the role in either wording, the value, every state it names. */
export function isHeardAs(heard: HeardParts, pattern: HeardPattern): boolean {
  if (pattern.name !== null && pattern.name !== heard.name) return false;
  if (pattern.value !== null && pattern.value !== heard.value) return false;
  const isRole =
    pattern.role === "" ||
    [heard.role, heard.spokenRole].some((word) => folded(word) === folded(pattern.role));
  const said = heard.states.map(folded);
  return isRole && pattern.states.every((state) => said.includes(folded(state)));
}
