import type { Decision } from "../../core/worlds/decision.ts";
import type { TreeNode } from "../../core/worlds/tree.ts";
import { inEachArm, type Machine, truthDecision } from "../script/machine.ts";
import { type Either, keyOf, truthOf, type Value } from "../script/value.ts";

/** What is rendered as a decision falls: one arm where it has fallen around here, else each by itself. */
export function nodesAs(
  machine: Machine,
  decision: Decision,
  make: (arm: number) => readonly TreeNode[],
): readonly TreeNode[] {
  const fixed = machine.state.path.get(decision.id);
  return fixed === undefined
    ? [{ kind: "either", decision, arms: inEachArm(machine, decision, make) }]
    : make(fixed);
}

/** Renders for each value that a value may be. */
export function nodesOfEach(
  machine: Machine,
  value: Value,
  make: (value: Exclude<Value, Either<Value>>) => readonly TreeNode[],
): readonly TreeNode[] {
  if (value.kind !== "either") return make(value);
  return nodesAs(machine, value.decision, (arm) => {
    const one = value.arms[arm];
    return one === undefined ? [] : nodesOfEach(machine, one, make);
  });
}

/** Renders one thing or the other, as a value counts as true or not. */
export const nodesWhether = (
  machine: Machine,
  value: Value,
  place: { readonly text: string; readonly source: Decision["source"] },
  make: (holds: boolean) => readonly TreeNode[],
): readonly TreeNode[] =>
  nodesOfEach(machine, value, (one) => {
    const truth = truthOf(one);
    if (truth !== null) return make(truth);
    return nodesAs(machine, truthDecision(keyOf(one), place), (arm) => make(arm === 0));
  });
