import { inspect } from "node:util";
import vm from "node:vm";
import { composer } from "../../src/readers/composition/compose.ts";
import type { SourceModule } from "../../src/readers/composition/source-module.ts";
import type { Machine } from "../../src/readers/script/machine.ts";
import { parseScript } from "../../src/readers/script/parse-script.ts";
import { nameNode } from "../../src/readers/script/places.ts";
import type { Scope, Value } from "../../src/readers/script/value.ts";

/** What the evaluator says that a script's `answer` is; nothing of the script runs. */
export function evaluated(text: string): Value {
  const { program, errors } = parseScript(text, { start: 0, typescript: true, jsx: true });
  if (errors.length > 0) throw new Error(`${errors[0]?.message}\n${text}`);
  const module: SourceModule = {
    path: "/a.ts",
    file: "a.ts",
    text,
    content: { kind: "script", program, templates: new Map() },
    errors,
    imports: new Map(),
  };
  const composing = composer({ modules: new Map([[module.path, module]]), standsFor: new Map() });
  const { machine } = composing as unknown as { readonly machine: Machine };
  const scope = (composing as unknown as { scopeOf(of: SourceModule): Scope }).scopeOf(module);
  return machine.evaluate(nameNode("answer"), scope);
}

/** The same, run with some names given; `threw` where it throws. */
export function run(
  text: string,
  given: Readonly<Record<string, unknown>> = {},
): { readonly threw: true } | { readonly threw: false; readonly value: unknown } {
  try {
    const value: unknown = vm.runInNewContext(`${text}\nanswer`, { ...given }, { timeout: 1000 });
    return { threw: false, value };
  } catch {
    return { threw: true };
  }
}

/** Where a claim parts from what is so; null where all that is claimed is so. What is not known claims nothing. */
export function contradiction(claim: Value, actual: unknown, path = "answer"): string | null {
  const differs = (said: unknown) => `${path}: said to be ${shown(said)}, is ${shown(actual)}`;
  switch (claim.kind) {
    case "known":
      // That a zero is negative tells nobody anything.
      return claim.value === actual || Object.is(claim.value, actual) ? null : differs(claim.value);
    case "text": {
      if (typeof actual !== "string") return differs("a text");
      const known = claim.parts.filter((part) => typeof part === "string");
      return known.every((part) => actual.includes(part)) ? null : differs(known.join("…"));
    }
    case "list": {
      if (!Array.isArray(actual) || actual.length !== claim.items.length)
        return differs(`a list of ${claim.items.length}`);
      for (const [i, item] of claim.items.entries()) {
        const found = contradiction(item, actual[i], `${path}[${i}]`);
        if (found !== null) return found;
      }
      return null;
    }
    case "each": {
      if (!Array.isArray(actual)) return differs("a list");
      for (const item of actual) {
        const found = contradiction(claim.item, item, `${path}[]`);
        if (found !== null) return found;
      }
      return null;
    }
    case "object": {
      if (typeof actual !== "object" || actual === null) return differs("an object");
      const there = actual as Record<string, unknown>;
      for (const [name, value] of claim.properties) {
        const found = contradiction(value, there[name], `${path}.${name}`);
        if (found !== null) return found;
      }
      const more = Object.keys(there).find((name) => !claim.properties.has(name));
      return claim.rest === null && claim.lazy === undefined && more !== undefined
        ? differs(`without "${more}"`)
        : null;
    }
    case "either": {
      const found = claim.arms.map((arm) => contradiction(arm, actual, path));
      return found.includes(null) ? null : (found[0] ?? null);
    }
    case "function":
    case "native":
    case "class":
      return typeof actual === "function" ? null : differs("a function");
    default:
      return null;
  }
}

/** How much of what there is was claimed: known values against all. */
export function knownShare(claim: Value): readonly [known: number, all: number] {
  switch (claim.kind) {
    case "list":
      return claim.items.map(knownShare).reduce(([a, b], [c, d]) => [a + c, b + d], [0, 0] as const);
    case "object":
      return [...claim.properties.values()]
        .map(knownShare)
        .reduce(([a, b], [c, d]) => [a + c, b + d], [1, 1] as const);
    case "known":
      return [1, 1];
    default:
      return [0, 1];
  }
}

const shown = (value: unknown): string =>
  inspect(value, { depth: 3, breakLength: Number.POSITIVE_INFINITY }).slice(0, 100);
