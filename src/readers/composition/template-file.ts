import type { Span } from "../../core/document/node.ts";
import type { SourceModule, TemplateParts } from "./source-module.ts";

/** Whether callers may put something into the template. */
export const hasOutlet = ({ template }: TemplateParts): boolean =>
  JSON.stringify(template, (key, value) =>
    key === "expression" || key === "test" ? undefined : value,
  ).includes('"kind":"outlet"');

export const wholeOf = ({ file, text }: SourceModule): Span => ({
  file,
  start: 0,
  end: Math.min(text.length, 1),
});
