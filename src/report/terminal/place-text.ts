import type { SourceAnswer } from "../../answers/element-answer.ts";
import { printable } from "./printable.ts";

/** Where something stands, with its file where that is not the one at hand. */
export const placeText = (source: SourceAnswer | null, file: string): string =>
  source === null
    ? ""
    : `${source.file === file ? "" : `${printable(source.file)}:`}${source.line}:${source.column}`;
