import type * as Ast from "@babel/types";
import { classValue, functionValue, named, propertyName, withoutProperties } from "./evaluate.ts";
import { lift, type Machine } from "./machine.ts";
import { placeOf, unknownOf } from "./places.ts";
import { bind, bindLater } from "./scope.ts";
import type { Scope } from "./value.ts";
import { absent, type Value } from "./value.ts";

/** Binds the names of a pattern. ECMAScript §8.6.2, "binding initialization". */
export function bindPattern(machine: Machine, pattern: Ast.Node, value: Value, scope: Scope): void {
  switch (pattern.type) {
    case "Identifier":
      bind(scope, pattern.name, value);
      return;
    case "TSParameterProperty":
      bindPattern(machine, pattern.parameter, value, scope);
      return;
    case "AssignmentPattern":
      bindPattern(
        machine,
        pattern.left,
        lift(machine, value, (one) =>
          one.kind === "known" && one.value === undefined ? machine.evaluate(pattern.right, scope) : one,
        ),
        scope,
      );
      return;
    case "ObjectPattern": {
      const taken = new Set<string>();
      for (const property of pattern.properties) {
        if (property.type === "RestElement") {
          bindPattern(
            machine,
            property.argument,
            withoutProperties(machine, value, taken, placeOf(property, scope)),
            scope,
          );
          continue;
        }
        const name = propertyName(machine, property, scope);
        if (name !== null) taken.add(name);
        const part =
          name === null
            ? unknownOf(machine, property, scope)
            : machine.member(value, name, placeOf(property.key, scope));
        bindPattern(machine, property.value, part, scope);
      }
      return;
    }
    case "ArrayPattern":
      for (const [i, element] of pattern.elements.entries()) {
        if (element === null) continue;
        if (element.type === "RestElement")
          bindPattern(machine, element.argument, unknownOf(machine, element, scope), scope);
        else bindPattern(machine, element, machine.member(value, String(i), placeOf(element, scope)), scope);
      }
      return;
    default:
  }
}

/** Binds what statements declare: functions and classes at once, so that order does not matter. */
export function hoist(machine: Machine, statements: readonly Ast.Statement[], scope: Scope): void {
  for (const statement of statements) {
    const declaration =
      statement.type === "ExportNamedDeclaration" || statement.type === "ExportDefaultDeclaration"
        ? statement.declaration
        : statement;
    if (declaration == null) continue;
    if (declaration.type === "FunctionDeclaration" && declaration.id != null)
      bind(scope, declaration.id.name, functionValue(declaration, scope));
    else if (declaration.type === "ClassDeclaration" && declaration.id != null)
      bind(scope, declaration.id.name, classValue(declaration, scope));
    else if (declaration.type === "TSEnumDeclaration") bindEnum(machine, declaration, scope);
  }
}

function bindEnum(machine: Machine, node: Ast.TSEnumDeclaration, scope: Scope): void {
  bindLater(scope, node.id.name, () => {
    let next = 0;
    const properties = new Map<string, Value>();
    for (const { id, initializer } of node.members) {
      const value: Value =
        initializer == null ? { kind: "known", value: next } : machine.evaluate(initializer, scope);
      next = value.kind === "known" && typeof value.value === "number" ? value.value + 1 : next + 1;
      properties.set(id.type === "Identifier" ? id.name : id.value, value);
    }
    return { kind: "object", properties, rest: null };
  });
}

/** Evaluates what a variable is declared with; a function without a name of its own is called by it. */
export function initialOf(
  machine: Machine,
  id: Ast.Node,
  init: Ast.Expression | null | undefined,
  scope: Scope,
): Value {
  if (init == null) return absent;
  const { state } = machine;
  const before = state.declaring;
  const first = id.type === "ArrayPattern" ? id.elements[0] : id;
  state.declaring = first?.type === "Identifier" ? first.name : null;
  try {
    const value = machine.evaluate(init, scope);
    return id.type === "Identifier" ? named(value, id.name) : value;
  } finally {
    state.declaring = before;
  }
}
