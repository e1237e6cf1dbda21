import { contradiction, evaluated, run } from "./evaluated.ts";
import { programOf } from "./programs.ts";

/** Programs of some seeds in which the evaluator claims what running them shows to be otherwise. */
export function falseClaims(from: number, count: number): readonly string[] {
  const found: string[] = [];
  for (let seed = from; seed < from + count; seed++) {
    const text = `const answer = (() => {\n${programOf(seed)}\n})();`;
    const actual = run(text);
    const wrong = actual.threw ? null : contradiction(evaluated(text), actual.value);
    if (wrong !== null) found.push(`seed ${seed}: ${wrong}\n${text}`);
  }
  return found;
}
