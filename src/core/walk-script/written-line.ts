import type { HeardParts } from "../semantics/heard-line.ts";
import { parseHeard } from "./parse.ts";

/** A text as walk scripts write it. */
export const writtenText = (text: string): string =>
  `"${text.replaceAll("\\", "\\\\").replaceAll('"', '\\"')}"`;

/**
 * An element as a walk script names it: by name and role, for values and states change. Null for one that has neither, or whose
 * words a script could not say.
 */
export function writtenHeard({ name, role, spokenRole }: HeardParts): string | null {
  const word = spokenRole === "" ? (role === "generic" ? "" : role) : spokenRole;
  if (name === "" && word === "") return null;
  const written = [...(name === "" ? [] : [writtenText(name)]), ...(word === "" ? [] : [word])].join(" ");
  const read = parseHeard(written);
  return typeof read !== "string" && (read.name ?? "") === name ? written : null;
}
