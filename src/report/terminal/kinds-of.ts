import type { Subject } from "../../answers/audit.ts";

/** What subjects are called together. */
export function kindsOf(subjects: readonly Subject[]): "pages" | "components" | "pages and components" {
  if (subjects.every(({ kind }) => kind === "component")) return "components";
  return subjects.some(({ kind }) => kind === "component") ? "pages and components" : "pages";
}
