import type * as Ast from "@babel/types";
import { concat } from "./concat.ts";
import { keyedCollection } from "./keyed-collection.ts";
import { apart, lift, type Machine, unknownAt, whether } from "./machine.ts";
import { binary, logical, unary } from "./operators.ts";
import { placeOf, questionOf, spanOf, textOf, unknownOf } from "./places.ts";
import { promiseOf } from "./promise.ts";
import { bindingOf, selfOf } from "./scope.ts";
import { typeArguments } from "./type-arguments.ts";
import type { Scope } from "./value.ts";
import {
  absent,
  type CallPlace,
  type ClassValue,
  type FunctionValue,
  inEveryArm,
  isNullish,
  keyOf,
  known,
  type ObjectValue,
  orElse,
  type SingleValue,
  truthOf,
  type Unknown,
  type Value,
} from "./value.ts";

/** What an expression comes to. Whatever is not known for certain is unknown, or one of several values. */
export function evaluate(machine: Machine, node: Ast.Node, scope: Scope): Value {
  if (machine.state.steps-- <= 0) return unknownOf(machine, node, scope);
  const value = (inner: Ast.Node) => machine.evaluate(inner, scope);
  switch (node.type) {
    case "StringLiteral":
    case "NumericLiteral":
    case "BooleanLiteral":
      return known(node.value);
    case "NullLiteral":
      return known(null);
    case "TemplateLiteral":
      return template(machine, node, scope);
    case "Identifier":
      return variable(machine, node, scope);
    case "ThisExpression":
      return selfOf(scope) ?? unknownOf(machine, node, scope);
    case "ParenthesizedExpression":
    case "TSAsExpression":
    case "TSSatisfiesExpression":
    case "TSNonNullExpression":
    case "TSTypeAssertion":
    case "TSInstantiationExpression":
    case "TypeCastExpression":
      return value(node.expression);
    case "ObjectExpression":
      return object(machine, node, scope);
    case "ArrayExpression":
      return array(machine, node, scope);
    case "ArrowFunctionExpression":
    case "FunctionExpression":
    case "FunctionDeclaration":
    case "ObjectMethod":
    case "ClassMethod":
      return functionValue(node, scope);
    case "ClassExpression":
    case "ClassDeclaration":
      return classValue(node, scope);
    case "ConditionalExpression":
      return whether(machine, value(node.test), truthOf, questionOf(node.test, scope, machine), (holds) =>
        value(holds ? node.consequent : node.alternate),
      );
    case "LogicalExpression":
      return logical(machine, node, scope);
    case "UnaryExpression":
      return unary(machine, node, scope);
    case "BinaryExpression":
      return binary(machine, node, scope);
    case "MemberExpression":
    case "OptionalMemberExpression":
      return member(machine, node, scope);
    case "CallExpression":
    case "OptionalCallExpression":
      return call(machine, node, scope);
    case "TaggedTemplateExpression":
      return machine.hooks.taggedTemplate(value(node.tag), node, scope) ?? unknownOf(machine, node, scope);
    case "SequenceExpression":
      return node.expressions.map(value).at(-1) ?? absent;
    case "AssignmentExpression":
      return node.operator === "=" ? value(node.right) : unknownOf(machine, node, scope);
    case "NewExpression":
      return keyedCollection(machine, node, scope) ?? unknownOf(machine, node, scope);
    case "JSXElement":
    case "JSXFragment":
      return machine.markup(node, scope);
    case "JSXText":
      return known(node.value);
    case "JSXExpressionContainer":
      return node.expression.type === "JSXEmptyExpression" ? absent : value(node.expression);
    default:
      return unknownOf(machine, node, scope);
  }
}

export const functionValue = (
  node: Ast.Function,
  scope: Scope,
  self: Value | null = null,
): FunctionValue => ({
  kind: "function",
  node,
  scope,
  name: "id" in node && node.id ? node.id.name : "",
  self,
  statics: new Map(),
});

export const classValue = (node: Ast.Class, scope: Scope): ClassValue => ({
  kind: "class",
  node,
  scope,
  name: node.id?.name ?? "",
  statics: new Map(),
});

function variable(machine: Machine, node: Ast.Identifier, scope: Scope): Value {
  if (node.name === "undefined") return absent;
  const binding = bindingOf(scope, node.name);
  if (binding === null) return machine.hooks.global(node.name) ?? unknownOf(machine, node, scope);
  const { rendering } = machine.state;
  if (binding.value !== null && (binding.within === undefined || binding.within === rendering)) {
    if (binding.within !== undefined) rendering.unsettled++;
    return binding.value;
  }
  if (binding.busy || binding.make === null) {
    rendering.unsettled++;
    return unknownOf(machine, node, scope);
  }
  const before = rendering.unsettled;
  binding.busy = true;
  try {
    binding.value = apart(machine, binding.make);
  } finally {
    binding.busy = false;
  }
  const isSettled = rendering.unsettled === before && rendering.changed.size === 0 && machine.state.steps > 0;
  if (isSettled) delete binding.within;
  else binding.within = rendering;
  return binding.value;
}

function template(machine: Machine, node: Ast.TemplateLiteral, scope: Scope): Value {
  const parts = node.quasis.flatMap((quasi, i) => {
    const expression = node.expressions[i];
    const written = known(quasi.value.cooked ?? quasi.value.raw);
    return expression === undefined ? [written] : [written, machine.evaluate(expression, scope)];
  });
  return concat(machine, parts, () => unknownOf(machine, node, scope));
}

function object(machine: Machine, node: Ast.ObjectExpression, scope: Scope): Value {
  let result: Value = { kind: "object", properties: new Map(), rest: null };
  for (const property of node.properties) {
    if (property.type === "SpreadElement") {
      result = merged(machine, result, machine.evaluate(property.argument, scope), () =>
        unknownOf(machine, property.argument, scope),
      );
      continue;
    }
    const name = propertyName(machine, property, scope);
    const place = property;
    if (name === null) {
      result = merged(machine, result, unknownOf(machine, place, scope), () =>
        unknownOf(machine, place, scope),
      );
      continue;
    }
    const value =
      property.type === "ObjectMethod"
        ? property.kind === "method"
          ? named(functionValue(property, scope), name)
          : unknownOf(machine, property, scope)
        : named(machine.evaluate(property.value, scope), name);
    result = lift(machine, result, (one) =>
      one.kind === "object" ? { ...one, properties: new Map(one.properties).set(name, value) } : one,
    );
  }
  return result;
}

/** A function without a name of its own has that of what holds it. ECMAScript §8.4, "NamedEvaluation". */
export const named = (value: Value, name: string): Value =>
  (value.kind === "function" || value.kind === "class") && value.name === "" ? { ...value, name } : value;

/** `{ ...one, ...two }`. */
export function merged(machine: Machine, one: Value, two: Value, unknown: () => Unknown): Value {
  return lift(machine, one, (first) =>
    lift(machine, two, (second) => {
      if (first.kind !== "object") return first;
      if (isNullish(second) || (second.kind === "known" && typeof second.value !== "string")) return first;
      if (second.kind === "object" && second.lazy === undefined)
        return {
          ...first,
          properties: new Map([...overridden(machine, first, second.rest), ...second.properties]),
          rest: second.rest ?? first.rest,
        };
      return { kind: "object", properties: new Map(), rest: second.kind === "unknown" ? second : unknown() };
    }),
  );
}

/** `{ a, ...rest }`: what is left of an object. */
export function withoutProperties(
  machine: Machine,
  value: Value,
  taken: ReadonlySet<string>,
  place: CallPlace,
): Value {
  return lift(machine, value, (one) => {
    if (one.kind === "object") {
      const left: ObjectValue = {
        ...one,
        properties: new Map([...one.properties].filter(([name]) => !taken.has(name))),
      };
      return left;
    }
    if (isNullish(one)) return { kind: "object", properties: new Map(), rest: null };
    const rest = unknownAt(place.source, place.text, `${keyOf(one)} rest`);
    return { kind: "object", properties: new Map(), rest };
  });
}

/** What is left of properties where others may stand over them that nobody can list. */
function overridden(
  machine: Machine,
  { properties }: ObjectValue,
  rest: Unknown | null,
): Iterable<[string, Value]> {
  if (rest === null) return properties;
  const { source } = rest;
  return [...properties].map(([name, value]) => {
    const over = machine.member(rest, name, { source, text: `${rest.text}.${name}`, self: null });
    return [
      name,
      over.kind === "unknown" && over.type === "any"
        ? inEveryArm(value, (one) => stillThere(one, over))
        : orElse(over, value),
    ];
  });
}

/** Something that may stand in place of a value: whatever it is, it is of the kind of what it stands for. */
function stillThere(value: SingleValue, over: Unknown): Value {
  switch (value.kind) {
    case "unknown":
      return value;
    case "text":
      return { ...over, type: "string" };
    case "known": {
      const type = typeof value.value;
      return type === "string" || type === "number" || type === "boolean" ? { ...over, type } : over;
    }
    case "function":
    case "native":
      return { ...over, type: "function" };
    case "list":
    case "each":
      return { ...over, type: "list" };
    default:
      return over;
  }
}

/** The name of a property as far as it is certain. */
export function propertyName(
  machine: Machine,
  property: { readonly key: Ast.Node; readonly computed?: boolean },
  scope: Scope,
): string | null {
  const { key } = property;
  if (property.computed !== true) {
    if (key.type === "Identifier") return key.name;
    if (key.type === "StringLiteral" || key.type === "NumericLiteral") return String(key.value);
    if (key.type === "PrivateName") return `#${key.id.name}`;
  }
  const value = machine.evaluate(key, scope);
  return value.kind === "known" ? String(value.value) : null;
}

function array(machine: Machine, node: Ast.ArrayExpression, scope: Scope): Value {
  const items: Value[] = [];
  for (const element of node.elements) {
    if (element === null) items.push(absent);
    else if (element.type === "SpreadElement") {
      const spread = machine.evaluate(element.argument, scope);
      if (spread.kind === "list") items.push(...spread.items);
      else if (spread.kind === "known" && typeof spread.value === "string")
        items.push(...[...spread.value].map(known));
      else return unknownOf(machine, node, scope);
    } else items.push(machine.evaluate(element, scope));
  }
  return { kind: "list", items };
}

function member(
  machine: Machine,
  node: Ast.MemberExpression | Ast.OptionalMemberExpression,
  scope: Scope,
): Value {
  const object = machine.evaluate(node.object, scope);
  const key: Value =
    !node.computed && node.property.type === "Identifier"
      ? known(node.property.name)
      : node.property.type === "PrivateName"
        ? known(`#${node.property.id.name}`)
        : machine.evaluate(node.property, scope);
  const place = placeOf(node, scope);
  return lift(machine, key, (name) => {
    if (name.kind === "known") return machine.member(object, String(name.value), place);
    return lift(machine, object, (one) => indexed(machine, node, one, name, scope));
  });
}

/** What a list or table of constants gives for a key that is not known. */
function indexed(machine: Machine, node: Ast.Node, table: Value, key: Value, scope: Scope): Value {
  if (table.kind === "each") return table.item;
  return unknownAt(
    spanOf(node, scope),
    textOf(node, scope),
    `${keyOf(table)}[${keyOf(key)}]@${machine.state.instance}`,
  );
}

export function args(machine: Machine, written: readonly Ast.Node[], scope: Scope): readonly Value[] {
  const values: Value[] = [];
  for (const argument of written) {
    if (argument.type === "SpreadElement") {
      const spread = machine.evaluate(argument.argument, scope);
      if (spread.kind === "list") values.push(...spread.items);
      else if (spread.kind === "known" && typeof spread.value === "string")
        values.push(...[...spread.value].map(known));
      else values.push({ ...unknownOf(machine, argument, scope), isSpread: true });
    } else values.push(machine.evaluate(argument, scope));
  }
  return values;
}

/** `import("./tides")`: a promise of the module. */
function importCall(
  machine: Machine,
  node: Ast.CallExpression | Ast.OptionalCallExpression,
  scope: Scope,
): Value {
  const [specifier] = node.arguments;
  const found = specifier?.type === "StringLiteral" ? machine.hooks.imported(specifier.value, scope) : null;
  return found === null ? unknownOf(machine, node, scope) : promiseOf(machine, () => found);
}

function call(machine: Machine, node: Ast.CallExpression | Ast.OptionalCallExpression, scope: Scope): Value {
  const { callee } = node;
  if (callee.type === "Import") return importCall(machine, node, scope);
  if (callee.type === "Super" || callee.type === "V8IntrinsicIdentifier")
    return unknownOf(machine, node, scope);
  let self: Value | null = null;
  let called: Value;
  if (callee.type === "MemberExpression" || callee.type === "OptionalMemberExpression") {
    self = machine.evaluate(callee.object, scope);
    called = lift(machine, self, (one) => {
      if (isNullish(one))
        return node.type === "OptionalCallExpression" || callee.type === "OptionalMemberExpression"
          ? absent
          : unknownOf(machine, node, scope);
      const name = callee.computed ? machine.evaluate(callee.property, scope) : null;
      const property =
        name === null && callee.property.type === "Identifier"
          ? callee.property.name
          : name?.kind === "known"
            ? String(name.value)
            : null;
      return property === null
        ? unknownOf(machine, node, scope)
        : machine.member(one, property, placeOf(callee, scope));
    });
  } else called = machine.evaluate(callee, scope);
  const given = args(machine, node.arguments, scope);
  return lift(machine, called, (one) => {
    if (isNullish(one))
      return node.type === "OptionalCallExpression" ? absent : unknownOf(machine, node, scope);
    return machine.call(one, given, {
      ...placeOf(node, scope, self),
      types: { nodes: typeArguments(node), scope },
    });
  });
}
