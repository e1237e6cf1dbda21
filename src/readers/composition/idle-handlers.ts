import type * as Ast from "@babel/types";
import type { Span } from "../../core/document/node.ts";
import type { Machine } from "../script/machine.ts";
import { everyNode } from "../script/parse-script.ts";
import { type FunctionValue, isNullish, known, type Value } from "../script/value.ts";

type Listeners = ReadonlyMap<string, { readonly value: Value; readonly source: Span | null }>;

/** Listeners without those that only hand on to what nobody gave: they do nothing, and are as good as not there. */
export const withoutIdle = (machine: Machine, listeners: Listeners): Listeners =>
  new Map(
    [...listeners].map(([event, { value, source }]) => [
      event,
      { value: value.kind === "function" && isIdle(machine, value) ? known(undefined) : value, source },
    ]),
  );

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
function isIdle(machine: Machine, { node, scope }: FunctionValue): boolean {
  const own = new Set(node.params.flatMap((param) => (param.type === "Identifier" ? [param.name] : [])));
  let isDone = false;
  let calls = 0;
  everyNode(node.body, (inner) => {
    if (acts.has(inner.type)) isDone = true;
    if (inner.type === "CallExpression" || inner.type === "OptionalCallExpression") {
      calls++;
      isDone ||= !isNothing(machine, inner.callee, own, scope);
    }
    return !isDone;
  });
  return calls > 0 && !isDone;
}

function isNothing(
  machine: Machine,
  callee: Ast.Node,
  own: ReadonlySet<string>,
  scope: FunctionValue["scope"],
): boolean {
  if (callee.type === "MemberExpression" || callee.type === "OptionalMemberExpression")
    return (
      callee.property.type === "Identifier" &&
      /^(?:preventDefault|stopPropagation|stopImmediatePropagation)$/.test(callee.property.name)
    );
  if (callee.type !== "Identifier" || own.has(callee.name)) return false;
  const value = machine.evaluate(callee, scope);
  if (isNullish(value)) return true;
  const body = value.kind === "function" ? value.node.body : null;
  return body?.type === "BlockStatement" && body.body.length === 0;
}
