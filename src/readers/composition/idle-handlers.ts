import type * as Ast from "@babel/types";
import type { Span } from "../../core/document/node.ts";
import { pointerEvents } from "../../core/document/pointer-handler.ts";
import { lift, type Machine } from "../script/machine.ts";
import { everyNode } from "../script/parse-script.ts";
import { innerScope } from "../script/scope.ts";
import { type FunctionValue, isNullish, known, type Scope, truthOf, type Value } from "../script/value.ts";

type Listeners = ReadonlyMap<string, { readonly value: Value; readonly source: Span | null }>;

/**
 * Listeners without those that do nothing, which are as good as not there: they only hand on to what nobody gave, or leave
 * off before they do anything.
 */
export const withoutIdle = (machine: Machine, listeners: Listeners): Listeners =>
  new Map(
    [...listeners].map(([event, { value, source }]) => [
      event,
      { value: acting(machine, value, isPointerEvent(event)), source },
    ]),
  );

/**
 * A handler as far as it does something. Of a key it is enough that it may: what a click does is missed without it, and
 * keys may move the focus.
 */
function acting(machine: Machine, value: Value, isClick: boolean): Value {
  if (value.kind !== "function") return value;
  if (isIdle(machine, value, isClick)) return known(undefined);
  const guard = isClick ? guardOf(value) : null;
  if (guard === null) return value;
  const inside = innerScope(value.scope, value.self);
  return lift(machine, machine.evaluate(guard.test, inside), (one) =>
    truthOf(one) === guard.leavesOff ? known(undefined) : value,
  );
}

/** The condition by which a handler leaves off at once: `if (disabled) return;`, or everything in one `if`. */
function guardOf({
  node,
}: FunctionValue): { readonly test: Ast.Expression; readonly leavesOff: boolean } | null {
  const [first, ...more] = node.body.type === "BlockStatement" ? node.body.body : [node.body];
  const only = first?.type === "ExpressionStatement" ? first.expression : first;
  if (only?.type === "LogicalExpression" && only.operator === "&&" && more.length === 0)
    return isOfTheEvent(only.left, parameterNames(node)) ? null : { test: only.left, leavesOff: false };
  if (first?.type !== "IfStatement" || first.alternate != null) return null;
  const { test, consequent } = first;
  if (isOfTheEvent(test, parameterNames(node))) return null;
  const [does] = consequent.type === "BlockStatement" ? consequent.body : [consequent];
  if (does?.type === "ReturnStatement" && does.argument == null) return { test, leavesOff: true };
  return more.length === 0 ? { test, leavesOff: false } : null;
}

/** Whether an expression asks for what is known only when an event comes: a parameter, or what a ref holds by then. */
function isOfTheEvent(expression: Ast.Node, parameters: ReadonlySet<string>): boolean {
  let asks = false;
  everyNode(expression, (inner) => {
    asks ||= inner.type === "Identifier" && (parameters.has(inner.name) || inner.name === "current");
    return !asks;
  });
  return asks;
}

/** Names that a function gives its parameters, also those in patterns. */
function parameterNames({ params }: Ast.Function): ReadonlySet<string> {
  const names = new Set<string>();
  for (const param of params)
    everyNode(param, (inner) => {
      if (inner.type === "Identifier") names.add(inner.name);
      return true;
    });
  return names;
}

const isPointerEvent = (event: string): boolean => pointerEvents.some((one) => one === event);

/** How many functions are followed that call one another. */
const DEEPEST_CALL = 3;

/** Statements and expressions that do something by themselves. */
const acts = new Set<Ast.Node["type"]>([
  "AssignmentExpression",
  "UpdateExpression",
  "NewExpression",
  "AwaitExpression",
  "YieldExpression",
  "TaggedTemplateExpression",
  "ThrowStatement",
]);

/** Whether all that a function does is to call what was not given, or is there to be replaced: `() => {}`. */
function isIdle(
  machine: Machine,
  { node, scope, self }: FunctionValue,
  isClick: boolean,
  depth = DEEPEST_CALL,
): boolean {
  const inside = innerScope(scope, self);
  const own = parameterNames(node);
  let isDone = false;
  let calls = 0;
  everyNode(node.body, (inner) => {
    // What is in it is never run.
    if (inner.type === "IfStatement" && inner.alternate == null && !isOfTheEvent(inner.test, own)) {
      const test = machine.evaluate(inner.test, inside);
      if (test.kind !== "either" && truthOf(test) === false) return false;
    }
    if (acts.has(inner.type)) isDone = true;
    if (inner.type === "CallExpression" || inner.type === "OptionalCallExpression") {
      calls++;
      isDone ||= !isNothing(machine, inner, own, inside, isClick, depth);
    }
    return !isDone;
  });
  return calls > 0 && !isDone;
}

/** Whether a call that stands in a template by itself does nothing. */
export const isIdleCall = (machine: Machine, call: Ast.Node, scope: Scope): boolean =>
  call.type === "CallExpression" && isNothing(machine, call, new Set(), scope, false, DEEPEST_CALL);

function isNothing(
  machine: Machine,
  { callee, arguments: given }: Ast.CallExpression | Ast.OptionalCallExpression,
  own: ReadonlySet<string>,
  scope: Scope,
  isClick: boolean,
  depth: number,
): boolean {
  const [first] = given;
  const isUnheard = (): boolean => {
    const called = first === undefined ? null : machine.evaluate(callee, scope);
    if (called?.kind !== "native" || called.isIdleFor === undefined || first === undefined) return false;
    const event = machine.evaluate(first, scope);
    return event.kind === "known" && typeof event.value === "string" && called.isIdleFor(event.value);
  };
  if (callee.type === "MemberExpression" || callee.type === "OptionalMemberExpression")
    return (
      (callee.property.type === "Identifier" &&
        (/^(?:preventDefault|stopPropagation|stopImmediatePropagation)$/.test(callee.property.name) ||
          // What takes a pointer to a field is no more than Tab does.
          (isClick && callee.property.name === "focus"))) ||
      (callee.object.type === "ThisExpression" && isUnheard())
    );
  if (callee.type !== "Identifier" || own.has(callee.name)) return false;
  const value = machine.evaluate(callee, scope);
  if (isNullish(value) || isUnheard()) return true;
  if (value.kind !== "function") return false;
  const { body } = value.node;
  return (
    (body.type === "BlockStatement" && body.body.length === 0) ||
    (depth > 0 && isIdle(machine, value, isClick, depth - 1))
  );
}
