import { thrownWords } from "../../core/findings/thrown-words.ts";
import type { Program } from "./program.ts";

/** How many places of a stack are told. */
const MOST_PLACES = 3;

/** An error with the places in source that it comes from. */
export function toldError(error: unknown, program: Program): string {
  const { name, message, stack, componentStack } = (error ?? {}) as Partial<Error> & {
    componentStack?: string;
  };
  const words =
    typeof message === "string"
      ? `${typeof name !== "string" || name === "Error" ? "" : `${name}: `}${message}`
      : thrownWords(error);
  const [first = ""] = words.split("\n");
  const frames = [...program.framesOf(stack ?? ""), ...program.framesOf(componentStack ?? "")];
  const places = [
    ...new Set(
      frames.map(
        ({ name: caller, at }) => `${caller === null ? "" : `${caller}, `}${at.file}:${at.line}:${at.column}`,
      ),
    ),
  ].slice(0, MOST_PLACES);
  return places.length === 0 ? first : `${first} (${places.join(" ← ")})`;
}

/** What a window of specimens lacked, after the words of what failed in it. */
export const unsetText = (unset: Iterable<string>): string => {
  const names = [...unset];
  return names.length === 0 ? "" : `; not set here: ${names.join(", ")}`;
};
