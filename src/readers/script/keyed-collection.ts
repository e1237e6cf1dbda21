import type * as Ast from "@babel/types";
import type { Machine } from "./machine.ts";
import { unknownOf } from "./places.ts";
import { bindingOf } from "./scope.ts";
import { absent, known, native, objectOf, type Scope, type Value } from "./value.ts";

/** `new Map([["slip", …]])`: what it has under which key. Null where not all of it is known. ECMAScript §24.1, "Map Objects". */
export function keyedCollection(machine: Machine, node: Ast.NewExpression, scope: Scope): Value | null {
  const [written] = node.arguments;
  const isMap =
    node.callee.type === "Identifier" && node.callee.name === "Map" && bindingOf(scope, "Map") === null;
  if (!isMap || written === undefined) return null;
  const pairs = machine.evaluate(written, scope);
  const values = new Map<unknown, Value>();
  for (const pair of pairs.kind === "list" ? pairs.items : []) {
    const [key, value] = pair.kind === "list" ? pair.items : [];
    if (key?.kind !== "known") return null;
    values.set(key.value, value ?? absent);
  }
  if (pairs.kind !== "list") return null;
  const byKey = (name: string, of: (key: unknown) => Value) =>
    [
      name,
      native(name, ([key], place) =>
        key === undefined || key.kind === "known"
          ? of(key?.value)
          : machine.call(unknownOf(machine, node, scope), [key], place),
      ),
    ] as const;
  return objectOf(
    [
      byKey("get", (key) => values.get(key) ?? absent),
      byKey("has", (key) => known(values.has(key))),
      ["size", known(values.size)],
    ],
    unknownOf(machine, node, scope),
  );
}
