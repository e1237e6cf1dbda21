import type { ScriptError } from "../script/parse-script.ts";
import type { TemplateParts } from "./source-module.ts";

/** A component file taken apart. */
export interface ReadParts {
  readonly parts: TemplateParts;
  readonly errors: readonly ScriptError[];
  /** Files it names outside its scripts: outer styles, an outer template. */
  readonly imports: readonly string[];
}
