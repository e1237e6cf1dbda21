import type { OriginAnswer } from "../answers/finding-answer.ts";

/** Where a fact comes from in one line, the nearest first: `css/yard.css:7 --muted: #9aa8b0 ← …`. Empty where nothing is known. */
export const originsText = (origins: readonly OriginAnswer[]): string =>
  origins
    .map(({ source, file, text }) =>
      source === null ? `${file}: ${text}` : `${source.file}:${source.line} ${text}`,
    )
    .join(" ← ");
