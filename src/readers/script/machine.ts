import type * as Ast from "@babel/types";
import type { ComponentFrame, Span } from "../../core/document/node.ts";
import type { Decision } from "../../core/worlds/decision.ts";
import { digest } from "./digest.ts";
import type { Scope } from "./value.ts";
import {
  type CallPlace,
  type Either,
  joinedKnown,
  type MarkupValue,
  type Rendering,
  type TreeFragment,
  type Unknown,
  type UnknownType,
  type Value,
} from "./value.ts";

/** What the parts of the evaluator ask of one another. One is made for each tree that is composed. */
export interface Machine {
  readonly evaluate: (node: Ast.Node, scope: Scope) => Value;
  readonly call: (callee: Value, args: readonly Value[], place: CallPlace) => Value;
  readonly member: (object: Value, name: string, place: CallPlace) => Value;
  /** Binds the names of a pattern to the parts of a value. */
  readonly bindPattern: (pattern: Ast.Node, value: Value, scope: Scope) => void;
  readonly markup: (
    node: Ast.JSXElement | Ast.JSXFragment,
    scope: Scope,
  ) => MarkupValue | TreeFragment | Value;
  readonly hooks: Hooks;
  readonly state: MachineState;
}

/** What the evaluator is told from outside, so that it knows no framework. */
export interface Hooks {
  /** What a name stands for that no scope binds. */
  readonly global: (name: string) => Value | null;
  /** The module that `import("…")` names, as an object of what it exports; null where it is not in source. */
  readonly imported: (specifier: string, scope: Scope) => Value | null;
  readonly taggedTemplate: (tag: Value, node: Ast.TaggedTemplateExpression, scope: Scope) => Value | null;
}

export interface MachineState {
  /** Which arm each decision has where the evaluation is now. */
  path: Map<string, number>;
  /** The same in short, once it was asked for. */
  way: string | null;
  rendering: Rendering;
  /** How much may still be evaluated before everything counts as unknown. */
  steps: number;
  /** The first name of the declaration that is being evaluated: what a state is called. */
  declaring: string | null;
  depth: number;
  /** Where the functions that are being run were called, the outermost first, as one text. */
  calls: string;
  /** The one use of a component that is being rendered, a name for it among all. */
  instance: string;
  /** The way to that use, the outermost first. */
  frames: readonly ComponentFrame[];
  /** Ids that are made anew for each use of a component, by what asks for them. */
  ids: Map<string, string>;
  /** Values that components around have provided, by what they are provided as. */
  contexts: readonly (readonly [of: unknown, value: Value])[];
  /** Whether nothing else can come from around: what is not provided has its first value. */
  isWhole: boolean;
}

/** Works something out as it is whatever is decided where it is asked for. */
export function apart<T>({ state }: Machine, make: () => T): T {
  const { path, way } = state;
  state.path = new Map();
  state.way = null;
  try {
    return make();
  } finally {
    state.path = path;
    state.way = way;
  }
}

/** How many decisions may hang on one another before a value counts as unknown. */
const DEEPEST_PATH = 7;

/** Evaluates once for each arm; equal answers in all of them are one answer. */
export function fork(machine: Machine, decision: Decision, make: (arm: number) => Value): Value {
  const { path } = machine.state;
  const fixed = path.get(decision.id);
  if (fixed !== undefined) return make(fixed);
  if (path.size >= DEEPEST_PATH) {
    machine.state.way ??= digest([...path].map(([id, arm]) => `${id}=${arm}`).join());
    return unknownAt(
      decision.source,
      "…",
      `deep ${decision.id} ${machine.state.way}@${machine.state.instance}`,
    );
  }
  return joinedKnown(decision, inEachArm(machine, decision, make));
}

/** What is made in each arm, each made as if the decision had fallen that way. */
export function inEachArm<T>({ state }: Machine, decision: Decision, make: (arm: number) => T): readonly T[] {
  return decision.arms.map((_, arm) => {
    state.path.set(decision.id, arm);
    state.way = null;
    try {
      return make(arm);
    } finally {
      state.path.delete(decision.id);
      state.way = null;
    }
  });
}

/** Whether something counts as true, where source does not tell. */
export const truthDecision = (
  id: string,
  { text, source }: { readonly text: string; readonly source: Span },
): Decision => ({
  id: `so ${id}`,
  arms: [
    { of: text, is: "so" },
    { of: text, is: "not so" },
  ],
  named: false,
  source,
});

/** Does to each value that a value may be what is to be done to it. */
export function lift(
  machine: Machine,
  value: Value,
  make: (value: Exclude<Value, Either<Value>>) => Value,
): Value {
  if (value.kind !== "either") return make(value);
  return fork(machine, value.decision, (arm) =>
    lift(machine, value.arms[arm] ?? value.arms[0] ?? { kind: "known", value: undefined }, make),
  );
}

export const unknownAt = (source: Span, text: string, id: string, type: UnknownType = "any"): Unknown => ({
  kind: "unknown",
  id,
  text,
  source,
  type,
});

/** What is imported from where no source is. */
export const importedUnknown = (source: Span, text: string, from: string): Unknown => ({
  ...unknownAt(source, text, `import ${from}`),
  isImported: true,
});

/** Does one thing or the other, as a value counts as true or not. */
export function whether(
  machine: Machine,
  value: Value,
  truth: (value: Exclude<Value, Either<Value>>) => boolean | null,
  place: { readonly text: string; readonly source: Span; readonly id: string },
  make: (holds: boolean) => Value,
): Value {
  return lift(machine, value, (one) => {
    const holds = truth(one);
    if (holds !== null) return make(holds);
    const decision = truthDecision(one.kind === "unknown" ? one.id : place.id, place);
    return fork(machine, decision, (arm) => make(arm === 0));
  });
}

/** An id of its own for each use of a component: the same for the same use. */
export function madeId({ state }: Machine, place: Span): string {
  const key = `${state.instance} ${state.calls} ${place.file}:${place.start}`;
  const known = state.ids.get(key) ?? `id-${state.ids.size + 1}`;
  state.ids.set(key, known);
  return known;
}
