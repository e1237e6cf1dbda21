import type * as Ast from "@babel/types";
import { onceFor } from "../../core/document/once.ts";
import { everyNode } from "./parse-script.ts";

/** How a variable changes: it is given another value, or what it holds is changed in place. */
export type Effect = "another value" | "in place";

/** Methods that change what they are called on. ECMAScript, "Array.prototype", "Map.prototype", "Set.prototype". */
const changing = new Set([
  "push",
  "pop",
  "shift",
  "unshift",
  "splice",
  "sort",
  "reverse",
  "fill",
  "copyWithin",
  "set",
  "add",
  "delete",
  "clear",
]);

/** Functions of `Object` that change their first argument. */
const changingFirst = new Set(["assign", "defineProperty", "defineProperties", "setPrototypeOf", "freeze"]);

/** The variable that an expression reaches into: `slip` of `slip.boat.name`; null where it is none. */
function rootOf(node: Ast.Node): string | null {
  switch (node.type) {
    case "Identifier":
      return node.name;
    case "MemberExpression":
    case "OptionalMemberExpression":
      return rootOf(node.object);
    case "TSAsExpression":
    case "TSNonNullExpression":
    case "TSSatisfiesExpression":
    case "ParenthesizedExpression":
      return rootOf(node.expression);
    default:
      return null;
  }
}

/** What one node itself does, without what is inside it. */
function effectsOf(node: Ast.Node): readonly (readonly [name: string, effect: Effect])[] {
  switch (node.type) {
    case "AssignmentExpression":
      return targetsOf(node.left);
    case "UpdateExpression":
      return targetsOf(node.argument);
    case "ForOfStatement":
    case "ForInStatement":
      return node.left.type === "VariableDeclaration" ? [] : targetsOf(node.left);
    case "UnaryExpression":
      return node.operator === "delete" ? targetsOf(node.argument) : [];
    case "CallExpression":
    case "OptionalCallExpression": {
      const { callee } = node;
      if (callee.type !== "MemberExpression" && callee.type !== "OptionalMemberExpression") return [];
      const name = callee.property.type === "Identifier" && !callee.computed ? callee.property.name : null;
      if (name === null) return [];
      const [first] = node.arguments;
      if (callee.object.type === "Identifier" && callee.object.name === "Object")
        return changingFirst.has(name) && first !== undefined && name !== "freeze" ? inPlace(first) : [];
      return changing.has(name) ? inPlace(callee.object) : [];
    }
    default:
      return [];
  }
}

const inPlace = (node: Ast.Node): readonly (readonly [string, Effect])[] => {
  const name = rootOf(node);
  return name === null ? [] : [[name, "in place"]];
};

/** What an assignment to a pattern changes. */
function targetsOf(node: Ast.Node): readonly (readonly [string, Effect])[] {
  switch (node.type) {
    case "Identifier":
      return [[node.name, "another value"]];
    case "ArrayPattern":
      return node.elements.flatMap((element) => (element === null ? [] : targetsOf(element)));
    case "ObjectPattern":
      return node.properties.flatMap((property) =>
        targetsOf(property.type === "RestElement" ? property.argument : property.value),
      );
    case "AssignmentPattern":
      return targetsOf(node.left);
    case "RestElement":
      return targetsOf(node.argument);
    default:
      return inPlace(node);
  }
}

type Effects = Map<string, Effect>;

function add(effects: Effects, found: readonly (readonly [string, Effect])[]): void {
  for (const [name, effect] of found)
    effects.set(name, effects.get(name) === "another value" ? "another value" : effect);
}

/** Everything that running a node, or calling a function in it, may change. */
export const everyEffect = onceFor((root: Ast.Node): ReadonlyMap<string, Effect> => {
  const effects: Effects = new Map();
  everyNode(root, (node) => {
    add(effects, effectsOf(node));
    return true;
  });
  return effects;
});

/** Statements whose effects are followed one by one, as they are run. */
const isFollowed = (expression: Ast.Expression): boolean => {
  if (expression.type === "AssignmentExpression") {
    const { left, operator } = expression;
    if (left.type === "Identifier") return true;
    return operator === "=" && left.type === "MemberExpression" && left.object.type === "Identifier";
  }
  if (expression.type === "UpdateExpression") return expression.argument.type === "Identifier";
  if (expression.type !== "CallExpression" || expression.callee.type !== "MemberExpression") return false;
  const { object, property } = expression.callee;
  return object.type === "Identifier" && property.type === "Identifier" && property.name === "push";
};

/** Functions, and not the types of any. */
const isFunction = (node: Ast.Node): node is Ast.Function =>
  /^(?:FunctionDeclaration|FunctionExpression|ArrowFunctionExpression|ObjectMethod|ClassMethod|ClassPrivateMethod)$/.test(
    node.type,
  );

/**
 * What statements change in ways that are not followed as they are run: inside an expression, or in a function that
 * somebody may call at any time. Of such a variable nothing is known but its type.
 */
export const unfollowedEffects = onceFor(
  (statements: readonly Ast.Statement[]): ReadonlyMap<string, Effect> => {
    const effects: Effects = new Map();
    const walk = (root: Ast.Node): void =>
      everyNode(root, (node) => {
        if (isFunction(node)) {
          add(effects, outerEffects(node));
          return false;
        }
        if (node.type === "ExpressionStatement" && isFollowed(node.expression)) {
          for (const inner of partsOf(node.expression)) walk(inner);
          return false;
        }
        add(effects, effectsOf(node));
        return true;
      });
    for (const statement of statements) walk(statement);
    const aliases = aliasesIn(statements);
    const changed = new Set(
      aliases.flat().filter((name) => effects.has(name) || changesInPlace(statements, name)),
    );
    // What is changed by one name is changed by all that it goes by.
    for (let before = -1; before !== changed.size; ) {
      before = changed.size;
      for (const pair of aliases)
        if (pair.some((name) => changed.has(name))) for (const name of pair) changed.add(name);
    }
    add(
      effects,
      [...changed].map((name) => [name, "in place"]),
    );
    return effects;
  },
);

/** What is evaluated for a followed statement. */
const partsOf = (expression: Ast.Expression): readonly Ast.Node[] =>
  expression.type === "AssignmentExpression"
    ? [
        expression.right,
        ...(expression.left.type === "MemberExpression" && expression.left.computed
          ? [expression.left.property]
          : []),
      ]
    : expression.type === "CallExpression"
      ? expression.arguments
      : [];

/** What a function changes outside itself. */
function outerEffects(fn: Ast.Function): readonly (readonly [string, Effect])[] {
  const own = new Set<string>();
  const declare = (pattern: Ast.Node): void => {
    for (const [name] of targetsOf(pattern)) own.add(name);
  };
  for (const parameter of fn.params) declare(parameter);
  everyNode(fn.body, (node) => {
    if (node.type === "VariableDeclarator") declare(node.id);
    if (isFunction(node)) for (const parameter of node.params) declare(parameter);
    return true;
  });
  return [...everyEffect(fn)].filter(([name]) => !own.has(name));
}

/** The variables that an expression may come to as they are. */
function namesComeTo(node: Ast.Node): readonly string[] {
  switch (node.type) {
    case "Identifier":
      return [node.name];
    case "ConditionalExpression":
      return [...namesComeTo(node.consequent), ...namesComeTo(node.alternate)];
    case "LogicalExpression":
      return [...namesComeTo(node.left), ...namesComeTo(node.right)];
    case "TSAsExpression":
    case "TSNonNullExpression":
    case "TSSatisfiesExpression":
    case "ParenthesizedExpression":
      return namesComeTo(node.expression);
    default:
      return [];
  }
}

/** Variables that are declared as others, and so hold the same thing: `const all = slips`. */
function aliasesIn(statements: readonly Ast.Statement[]): readonly (readonly [string, string])[] {
  const found: (readonly [string, string])[] = [];
  for (const statement of statements)
    everyNode(statement, (node) => {
      if (node.type === "VariableDeclarator" && node.id.type === "Identifier" && node.init != null)
        for (const name of namesComeTo(node.init)) found.push([node.id.name, name]);
      return !isFunction(node);
    });
  return found;
}

const changesInPlace = (statements: readonly Ast.Statement[], name: string): boolean =>
  statements.some((statement) => everyEffect(statement).get(name) === "in place");
