import type * as Ast from "@babel/types";
import { type Effect, everyEffect, unfollowedEffects } from "./effects.ts";
import { args as givenArguments, propertyName } from "./evaluate.ts";
import type { Machine } from "./machine.ts";
import { unknownOf } from "./places.ts";
import { bindingOf } from "./scope.ts";
import { type Binding, everyArm, inEveryArm, listOf, type Scope, type Unknown, type Value } from "./value.ts";

/** Variables that change in ways that are not followed are not known from the start. */
export function loosen(
  machine: Machine,
  statements: readonly Ast.Statement[],
  names: readonly string[],
  scope: Scope,
): void {
  const effects = unfollowedEffects(statements);
  for (const name of names) {
    const effect = effects.get(name);
    const binding = scope.bindings.get(name);
    const [first] = statements;
    if (effect === undefined || binding === undefined || first === undefined) continue;
    binding.loose = effect;
    binding.value = changedFrom(binding.value, effect, unknownOf(machine, first, scope), name);
  }
}

/** A list that may be more lists than this is open once another item comes. */
const MOST_LISTS = 8;

/** An expression for what it does: a variable gets another value, a list one item more. */
export function perform(machine: Machine, node: Ast.Expression, scope: Scope): void {
  if (node.type === "AssignmentExpression" && node.left.type === "Identifier") {
    const binding = bindingOf(scope, node.left.name);
    if (binding === null) return;
    const value = machine.evaluate(node.right, scope);
    const unknown = unknownOf(machine, node, scope);
    const { loose } = binding;
    const isFollowed = node.operator === "=" && loose === undefined;
    give(
      machine,
      binding,
      isFollowed ? value : changedFrom(value, loose ?? "another value", unknown, node.left.name),
    );
    binding.make = null;
  } else if (
    node.type === "AssignmentExpression" &&
    node.left.type === "MemberExpression" &&
    node.operator === "=" &&
    node.left.object.type === "Identifier"
  ) {
    const binding = bindingOf(scope, node.left.object.name);
    const name = propertyName(machine, { key: node.left.property, computed: node.left.computed }, scope);
    const holder = binding?.value;
    if ((holder?.kind === "function" || holder?.kind === "class") && name !== null) {
      holder.statics.set(name, machine.evaluate(node.right, scope));
    } else if (binding?.value?.kind === "object" && name !== null) {
      const properties = new Map(binding.value.properties).set(name, machine.evaluate(node.right, scope));
      give(machine, binding, { ...binding.value, properties });
    } else forget(machine, node, scope);
  } else if (
    node.type === "CallExpression" &&
    node.callee.type === "MemberExpression" &&
    node.callee.object.type === "Identifier" &&
    node.callee.property.type === "Identifier" &&
    node.callee.property.name === "push"
  ) {
    const binding = bindingOf(scope, node.callee.object.name);
    const list = binding?.value ?? null;
    if (binding === null || list === null || list.kind === "unknown") return;
    const isCounted = node.arguments.every(({ type }) => type !== "SpreadElement");
    const arms = everyArm(list);
    if (
      isCounted &&
      arms.length <= MOST_LISTS &&
      arms.every(({ kind }) => kind === "list" || kind === "unknown")
    ) {
      const added = givenArguments(machine, node.arguments, scope);
      const pushed = inEveryArm(list, (one) =>
        one.kind === "list" ? listOf([...one.items, ...added]) : one,
      );
      give(machine, binding, pushed);
    } else forget(machine, node, scope);
  } else forget(machine, node, scope);
}

/** Whatever a node changes is not known any more. */
export function forget(machine: Machine, node: Ast.Node, scope: Scope): void {
  for (const [name, effect] of everyEffect(node)) {
    const binding = bindingOf(scope, name);
    if (binding !== null)
      give(machine, binding, changedFrom(binding.value, effect, unknownOf(machine, node, scope), name));
  }
}

/** Gives a variable another value. What was worked out when it was asked for may be a module's: others have it too. */
function give({ state }: Machine, binding: Binding, value: Value): void {
  const { changed } = state.rendering;
  if (binding.make !== null && !changed.has(binding))
    changed.set(binding, { value: binding.value, make: binding.make });
  binding.value = value;
}

/** What is left of a value that was changed in a way that nobody followed. */
function changedFrom(before: Value | null, effect: Effect, unknown: Unknown, name: string): Value {
  const isList = before?.kind === "list" || before?.kind === "each";
  const isThing = before?.kind === "function" || before?.kind === "class" || before?.kind === "component";
  // What is written on a component is no change of what it renders.
  if (effect === "in place" && isThing && before !== null) return before;
  return {
    ...unknown,
    id: `${unknown.id} ${name}`,
    text: name,
    type: effect === "in place" && isList ? "list" : "any",
  };
}
