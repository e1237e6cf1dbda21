import type * as Ast from "@babel/types";
import { onceFor } from "../../core/document/once.ts";
import { classValue, functionValue, named, propertyName } from "./evaluate.ts";
import { fork, lift, type Machine, truthDecision, unknownAt, whether } from "./machine.ts";
import { everyNode } from "./parse-script.ts";
import { forget, loosen, perform } from "./perform.ts";
import { placeOf, unknownOf } from "./places.ts";
import { bind, type bindingOf, bindLater, innerScope } from "./scope.ts";
import type { Scope } from "./value.ts";
import {
  absent,
  type CallPlace,
  type Decision,
  everyArm,
  type FunctionValue,
  inEveryArm,
  isNullish,
  keyOf,
  listOf,
  type ObjectValue,
  truthOf,
  type Value,
} from "./value.ts";

/** How deep calls may go: components that render themselves come to an end here. */
const DEEPEST_CALL = 48;

/** What a call comes to: functions of the source are run, others are not known. */
export function callValue(machine: Machine, callee: Value, args: readonly Value[], place: CallPlace): Value {
  return lift(machine, callee, (one) => {
    if (one.kind === "native") return one.call(args, place);
    if (one.kind === "function") return callFunction(machine, one, args, place);
    const by = givesAnotherEachTime.test(place.text) ? machine.state.calls : "";
    return unknownAt(
      place.source,
      place.text,
      `${keyOf(one)}(${args.map(keyOf).join(",")})@${place.source.start}@${machine.state.instance}${by}`,
    );
  });
}

/** Functions that give another value each time, as they are usually called: `Math.random()`, `uniqueId()`. */
const givesAnotherEachTime =
  /(?:^|\.)(?:random\w*|\w*uuid\w*|\w*nanoid|\w*unique_?id\w*|now|(?:gen|generate|create|make|new|next|get|use)\w*id)\(/i;

function callFunction(machine: Machine, fn: FunctionValue, args: readonly Value[], place: CallPlace): Value {
  const { state } = machine;
  const { node } = fn;
  if (
    state.depth >= DEEPEST_CALL ||
    ("generator" in node && node.generator === true) ||
    ("async" in node && node.async === true)
  )
    return unknownAt(place.source, place.text, `${fn.name}()@${place.source.start}@${state.instance}`);
  const { calls } = state;
  state.depth++;
  state.calls = `${calls} ${place.source.file}:${place.source.start}`;
  try {
    const scope = innerScope(
      fn.scope,
      node.type === "ArrowFunctionExpression" ? null : (fn.self ?? place.self),
    );
    const spread = args.findIndex((one) => one.kind === "unknown" && one.isSpread === true);
    for (const [i, parameter] of node.params.entries()) {
      const isRest = parameter.type === "RestElement";
      const isCounted = spread < 0 || (i < spread && !isRest);
      const open = unknownAt(
        place.source,
        place.text,
        `${fn.name}() ${i}@${place.source.start}@${state.instance}`,
        isRest ? "list" : "any",
      );
      const given = isRest ? listOf(args.slice(i)) : (args[i] ?? absent);
      bindPattern(machine, isRest ? parameter.argument : parameter, isCounted ? given : open, scope);
    }
    if (node.body.type !== "BlockStatement") return machine.evaluate(node.body, scope);
    return runBody(machine, node.body.body, scope) ?? absent;
  } finally {
    state.depth--;
    state.calls = calls;
  }
}

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

export function runBody(machine: Machine, statements: readonly Ast.Statement[], scope: Scope): Value | null {
  hoist(machine, statements, scope);
  loosen(machine, statements, [...scope.bindings.keys()], scope);
  return runFrom(machine, statements, 0, scope);
}

/** Runs statements one after the other; where a condition is open, what follows is run once for each arm. */
function runFrom(
  machine: Machine,
  statements: readonly Ast.Statement[],
  from: number,
  scope: Scope,
): Value | null {
  for (let index = from; index < statements.length; index++) {
    const statement = statements[index];
    if (statement === undefined) break;
    const rest = () => runFrom(machine, statements, index + 1, scope);
    switch (statement.type) {
      case "ReturnStatement":
        return statement.argument == null ? absent : machine.evaluate(statement.argument, scope);
      case "ThrowStatement":
        return { kind: "known", value: null };
      case "BlockStatement": {
        const value = runBody(machine, statement.body, innerScope(scope));
        if (value !== null) return value;
        break;
      }
      case "VariableDeclaration": {
        const before = new Set(scope.bindings.keys());
        declare(machine, statement, scope);
        const names = [...scope.bindings.keys()].filter((name) => !before.has(name));
        loosen(machine, statements, names, scope);
        break;
      }
      case "IfStatement": {
        const value = runIf(machine, statement, scope, rest);
        if (value !== "went on") return value;
        break;
      }
      case "SwitchStatement": {
        const value = runSwitch(machine, statement, scope, rest);
        if (value !== "went on") return value;
        break;
      }
      case "TryStatement": {
        const value = runTry(machine, statement, scope);
        if (value !== null) return value;
        break;
      }
      case "ExpressionStatement":
        perform(machine, statement.expression, scope);
        break;
      case "ForStatement":
      case "ForOfStatement":
      case "ForInStatement":
      case "WhileStatement":
      case "DoWhileStatement":
      case "LabeledStatement": {
        if (statement.type === "ForOfStatement" && runForOf(machine, statement, scope)) break;
        forget(machine, statement, scope);
        if (!mayReturn(statement)) break;
        const question = questionAt(machine, statement, scope);
        return fork(machine, truthDecision(`returns ${question.id}`, question), (arm) =>
          arm === 0 ? unknownOf(machine, statement, scope) : (rest() ?? absent),
        );
      }
      default:
    }
  }
  return null;
}

/** What may be thrown in a block is caught at any point of it: what it and its handler change is not known after it. */
function runTry(
  machine: Machine,
  { block, handler, finalizer }: Ast.TryStatement,
  scope: Scope,
): Value | null {
  const value = runBody(machine, block.body, innerScope(scope));
  const isCaught = handler != null && (holdsThrow(block) || mayReturn(handler));
  for (const node of handler == null ? [] : [block, handler]) forget(machine, node, scope);
  const last = finalizer == null ? null : runBody(machine, finalizer.body, innerScope(scope));
  if (last !== null) return last;
  return isCaught && value !== null ? unknownOf(machine, block, scope) : value;
}

const holdsThrow = onceFor((root: Ast.Node): boolean => holds(root, /^ThrowStatement$/));

/** Loops over lists longer than this are not run. */
const MOST_ROUNDS = 60;

/** Runs a loop over a list that is known, item by item; false where it cannot be run so. */
function runForOf(machine: Machine, node: Ast.ForOfStatement, scope: Scope): boolean {
  if (node.left.type !== "VariableDeclaration" || node.await === true || jumps(node.body)) return false;
  const list = machine.evaluate(node.right, scope);
  const [declarator] = node.left.declarations;
  if (list.kind !== "list" || list.items.length > MOST_ROUNDS || declarator === undefined) return false;
  for (const item of list.items) {
    const round = innerScope(scope);
    bindPattern(machine, declarator.id, item, round);
    runBody(machine, blockOf(node.body), innerScope(round));
  }
  return true;
}

/** Whether a loop is left or goes on early. */
const jumps = onceFor((root: Ast.Node): boolean => holds(root, /^(?:Break|Continue|Return|Throw)Statement$/));

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

function declare(machine: Machine, declaration: Ast.VariableDeclaration, scope: Scope): void {
  for (const { id, init } of declaration.declarations)
    bindPattern(machine, id, initialOf(machine, id, init, scope), scope);
}

const blockOf = (statement: Ast.Statement | null | undefined): readonly Ast.Statement[] =>
  statement == null ? [] : statement.type === "BlockStatement" ? statement.body : [statement];

type Outcome = Value | null | "went on";

/**
 * An `if`. Where it is open and neither branch returns, variables get either value and the run goes on; where one does,
 * what follows belongs to the other.
 */
function runIf(machine: Machine, node: Ast.IfStatement, scope: Scope, rest: () => Value | null): Outcome {
  const test = machine.evaluate(node.test, scope);
  const branch = (holds: boolean) =>
    runBody(machine, blockOf(holds ? node.consequent : node.alternate), innerScope(scope));
  const truth = test.kind === "either" ? null : truthOf(test);
  if (truth !== null) return branch(truth) ?? "went on";
  return inEachArm(scope, node, rest, (make) =>
    whether(machine, test, truthOf, questionAt(machine, node.test, scope), (holds) =>
      make(() => branch(holds)),
    ),
  );
}

function runSwitch(
  machine: Machine,
  node: Ast.SwitchStatement,
  scope: Scope,
  rest: () => Value | null,
): Outcome {
  const subject = machine.evaluate(node.discriminant, scope);
  const tests = node.cases.map((one) => (one.test == null ? null : machine.evaluate(one.test, scope)));
  const from = (index: number) => {
    const statements: Ast.Statement[] = [];
    for (const one of node.cases.slice(index)) {
      const end = one.consequent.findIndex((statement) => statement.type === "BreakStatement");
      statements.push(...(end < 0 ? one.consequent : one.consequent.slice(0, end)));
      if (end >= 0) break;
    }
    return runBody(machine, statements, innerScope(scope));
  };
  const fallback = tests.indexOf(null);
  return inEachArm(scope, node, rest, (make) =>
    lift(machine, subject, (one) => {
      if (one.kind === "known") {
        const index = tests.findIndex((test) => test?.kind === "known" && test.value === one.value);
        const chosen = index < 0 ? fallback : index;
        return make(() => (chosen < 0 ? null : from(chosen)));
      }
      const decision: Decision = {
        id: `case ${keyOf(one)}`,
        arms: node.cases.map(({ test }) =>
          test == null
            ? ({ of: placeOf(node.discriminant, scope).text, is: "none of these" } as const)
            : ({
                of: placeOf(node.discriminant, scope).text,
                is: "value",
                value: placeOf(test, scope).text,
              } as const),
        ),
        named: false,
        source: placeOf(node, scope).source,
      };
      return decision.arms.length === 0
        ? make(() => null)
        : fork(machine, decision, (arm) => make(() => from(arm)));
    }),
  );
}

/** Runs each arm with the variables as they were before it; afterwards they are what they became in each. */
function inEachArm(
  scope: Scope,
  node: Ast.Node,
  rest: () => Value | null,
  each: (make: (branch: () => Value | null) => Value) => Value,
): Outcome {
  const returns = mayReturn(node);
  const before = snapshot(scope);
  if (returns) {
    return each((branch) => {
      const value = branch() ?? rest() ?? absent;
      restore(before);
      return value;
    });
  }
  const changed = [...before.keys()];
  const values = each((branch) => {
    branch();
    const after = listOf(changed.map((binding) => binding.value ?? absent));
    restore(before);
    return after;
  });
  for (const [i, binding] of changed.entries()) {
    const value = inEveryArm(values, (one) => (one.kind === "list" ? (one.items[i] ?? absent) : one));
    const known = before.get(binding) ?? absent;
    if (!everyArm(value).every((one) => one === known)) binding.value = value;
  }
  return "went on";
}

type Saved = Map<NonNullable<ReturnType<typeof bindingOf>>, Value>;

/** The variables that a function could still change: its own, up to the module. */
function snapshot(scope: Scope): Saved {
  const saved: Saved = new Map();
  for (let outer: Scope | null = scope; outer !== null && outer.parent !== null; outer = outer.parent)
    for (const binding of outer.bindings.values())
      if (binding.value !== null) saved.set(binding, binding.value);
  return saved;
}

const restore = (saved: Saved): void => {
  for (const [binding, value] of saved) binding.value = value;
};

const questionAt = (machine: Machine, node: Ast.Node, scope: Scope) => {
  const { text, source } = placeOf(node, scope);
  return { text, source, id: `${scope.module.file}:${node.start}@${machine.state.instance}` };
};

/** Whether a return stands in the statement itself, not in a function inside it. */
const mayReturn = onceFor((root: Ast.Node): boolean => holds(root, /^(?:Return|Throw)Statement$/));

/** Whether a statement of a kind stands in a node, not in a function inside it. */
function holds(root: Ast.Node, kind: RegExp): boolean {
  let found = false;
  everyNode(root, (node) => {
    found ||= kind.test(node.type);
    return !found && !/Function|Class|Method/.test(node.type);
  });
  return found;
}
