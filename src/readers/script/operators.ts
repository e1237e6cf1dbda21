import type * as Ast from "@babel/types";
import { concat } from "./concat.ts";
import { lift, type Machine, unknownAt, whether } from "./machine.ts";
import { questionOf, spanOf, textOf, unknownOf } from "./places.ts";
import type { Scope } from "./value.ts";
import { absent, isNullish, keyOf, known, truthOf, type UnknownType, type Value } from "./value.ts";
export function logical(machine: Machine, node: Ast.LogicalExpression, scope: Scope): Value {
  const left = machine.evaluate(node.left, scope);
  const right = () => machine.evaluate(node.right, scope);
  const question = questionOf(node.left, scope, machine);
  return lift(machine, left, (one) => {
    if (node.operator === "??") {
      if (one.kind === "known") return isNullish(one) ? right() : one;
      // Whether a value that nobody knows is there is another question than whether it counts as true.
      return one.kind === "unknown" && one.type === "any"
        ? whether(
            machine,
            one,
            () => null,
            { ...question, id: `there ${one.id}` },
            (there) => (there ? one : right()),
          )
        : one;
    }
    return whether(machine, one, truthOf, question, (holds) => {
      if (node.operator === "&&") return holds ? right() : falsy(one);
      return holds ? one : right();
    });
  });
}

/** What a value that counts as false is when nothing else is known of it: nothing that would be rendered. */
const falsy = (value: Value): Value =>
  value.kind === "known"
    ? value
    : value.kind === "unknown" && value.type === "number"
      ? known(0)
      : known(false);

export function unary(machine: Machine, node: Ast.UnaryExpression, scope: Scope): Value {
  const argument = machine.evaluate(node.argument, scope);
  switch (node.operator) {
    case "!":
      return whether(machine, argument, truthOf, questionOf(node.argument, scope, machine), (holds) =>
        known(!holds),
      );
    case "-":
    case "+":
      return lift(machine, argument, (one) =>
        one.kind === "known"
          ? known(node.operator === "-" ? -Number(one.value) : Number(one.value))
          : unknownAt(spanOf(node, scope), textOf(node, scope), `${node.operator}${keyOf(one)}`, "number"),
      );
    case "typeof":
      return lift(machine, argument, (one) => {
        const type = typeName(one);
        return type === null ? unknownOf(machine, node, scope) : known(type);
      });
    case "void":
      return absent;
    default:
      return unknownOf(machine, node, scope);
  }
}

/** What `typeof` says of an unknown value of a type; null where that is open. */
const typeNames: Readonly<Record<UnknownType, string | null>> = {
  string: "string",
  number: "number",
  boolean: "boolean",
  function: "function",
  list: "object",
  date: "object",
  content: null,
  any: null,
};

function typeName(value: Value): string | null {
  switch (value.kind) {
    case "known":
      return value.value === null ? "object" : typeof value.value;
    case "text":
      return "string";
    case "unknown":
      return typeNames[value.type];
    case "function":
    case "native":
    case "class":
      return "function";
    default:
      return "object";
  }
}

type Primitive = string | number | boolean | null | undefined;

const operators: Readonly<Record<string, (a: Primitive, b: Primitive) => Primitive>> = {
  "===": (a, b) => a === b,
  "!==": (a, b) => a !== b,
  // biome-ignore lint/suspicious/noDoubleEquals: it is the operator that the source has
  "==": (a, b) => a == b,
  // biome-ignore lint/suspicious/noDoubleEquals: it is the operator that the source has
  "!=": (a, b) => a != b,
  "<": (a, b) => (a as number) < (b as number),
  "<=": (a, b) => (a as number) <= (b as number),
  ">": (a, b) => (a as number) > (b as number),
  ">=": (a, b) => (a as number) >= (b as number),
  "-": (a, b) => Number(a) - Number(b),
  "*": (a, b) => Number(a) * Number(b),
  "/": (a, b) => Number(a) / Number(b),
  "%": (a, b) => Number(a) % Number(b),
};

const numeric = new Set(["-", "*", "/", "%", "**", "|", "&", "^", "<<", ">>", ">>>"]);

export function binary(machine: Machine, node: Ast.BinaryExpression, scope: Scope): Value {
  const left = machine.evaluate(node.left, scope);
  const right = machine.evaluate(node.right, scope);
  if (node.operator === "in") return has(machine, node, left, right, scope);
  return lift(machine, left, (a) =>
    lift(machine, right, (b) => {
      if (node.operator === "+") return plus(machine, node, a, b, scope);
      const operate = operators[node.operator];
      if (operate !== undefined && a.kind === "known" && b.kind === "known")
        return known(operate(a.value, b.value));
      const isEqual = node.operator === "===" || node.operator === "==";
      const isUnequal = node.operator === "!==" || node.operator === "!=";
      if ((isEqual || isUnequal) && surelyUnequal(a, b, node.operator.length === 3)) return known(isUnequal);
      const id = `${keyOf(a)} ${isUnequal ? "===" : node.operator} ${keyOf(b)}`;
      const type = numeric.has(node.operator) ? "number" : "boolean";
      const unknown = unknownAt(spanOf(node, scope), textOf(node, scope), id, type);
      // `a !== b` is open in the same way as `a === b`.
      if (!isUnequal) return unknown;
      return whether(
        machine,
        unknown,
        () => null,
        {
          text: textOf(node, scope).replace("!==", "===").replace("!=", "=="),
          source: spanOf(node, scope),
          id,
        },
        (holds) => known(!holds),
      );
    }),
  );
}

/** Things that are made in source are neither null nor a text; compared loosely they may count as one. */
const surelyUnequal = (a: Value, b: Value, isStrict: boolean): boolean => {
  const isCollection = (value: Value) =>
    value.kind !== "known" && value.kind !== "unknown" && value.kind !== "text";
  const isOther = (value: Value) => (isStrict ? value.kind === "known" : isNullish(value));
  return (isCollection(a) && isOther(b)) || (isCollection(b) && isOther(a));
};

function has(machine: Machine, node: Ast.BinaryExpression, name: Value, object: Value, scope: Scope): Value {
  return lift(machine, object, (one) =>
    name.kind === "known" && one.kind === "object" && one.rest === null && one.lazy === undefined
      ? known(one.properties.has(String(name.value)))
      : unknownOf(machine, node, scope),
  );
}

function plus(machine: Machine, node: Ast.Node, a: Value, b: Value, scope: Scope): Value {
  if (a.kind === "known" && b.kind === "known") {
    const isText = typeof a.value === "string" || typeof b.value === "string";
    return known(isText ? `${a.value}${b.value}` : Number(a.value) + Number(b.value));
  }
  const isText = (value: Value) =>
    value.kind === "text" ||
    (value.kind === "known" && typeof value.value === "string") ||
    (value.kind === "unknown" && value.type === "string");
  if (isText(a) || isText(b)) return concat(machine, [a, b], () => unknownOf(machine, node, scope));
  return unknownAt(spanOf(node, scope), textOf(node, scope), `${keyOf(a)} + ${keyOf(b)}`);
}
