import type * as Ast from "@babel/types";
import { onceFor } from "../../core/document/once.ts";
import { bindPattern, hoist, initialOf } from "./binding.ts";
import { fork, lift, type Machine, truthDecision, whether } from "./machine.ts";
import { everyNode } from "./parse-script.ts";
import { forget, loosen, perform } from "./perform.ts";
import { placeOf, unknownOf } from "./places.ts";
import { type bindingOf, innerScope } from "./scope.ts";
import type { Scope } from "./value.ts";
import {
  absent,
  type Decision,
  everyArm,
  inEveryArm,
  isNullish,
  keyOf,
  known,
  listOf,
  truthOf,
  type Value,
} from "./value.ts";

/** What is run after statements: what follows them, the next round of the loop that they stand in, what follows the loop. */
interface Ahead {
  readonly after: () => Value | null;
  readonly next: () => Value | null;
  readonly leave: () => Value | null;
  /** Whether all that is decided must be known: a round of a loop that is followed only as a whole. */
  readonly isStrict: boolean;
}

const nothingAhead: Ahead = { after: () => null, next: () => null, leave: () => null, isStrict: false };

/** What a strict round comes to where something in it is open. */
const openRound: Value = { kind: "known", value: undefined };

/** Runs a block: what it returns, or what is run after it does; null where nobody returns. */
export function runBody(
  machine: Machine,
  statements: readonly Ast.Statement[],
  scope: Scope,
  ahead: Ahead = nothingAhead,
): Value | null {
  hoist(machine, statements, scope);
  loosen(machine, statements, [...scope.bindings.keys()], scope);
  return runFrom(machine, statements, 0, scope, ahead);
}

/** Runs statements one after the other; where a condition is open, what follows is run once for each arm. */
function runFrom(
  machine: Machine,
  statements: readonly Ast.Statement[],
  from: number,
  scope: Scope,
  ahead: Ahead,
): Value | null {
  for (let index = from; index < statements.length; index++) {
    const statement = statements[index];
    if (statement === undefined) break;
    const rest = () => runFrom(machine, statements, index + 1, scope, ahead);
    const inside = { ...ahead, after: rest };
    switch (statement.type) {
      case "ReturnStatement":
        return statement.argument == null ? absent : machine.evaluate(statement.argument, scope);
      case "ThrowStatement":
        return { kind: "known", value: null };
      case "ContinueStatement":
        return ahead.next();
      case "BreakStatement":
        return ahead.leave();
      case "BlockStatement":
        if (ahead.isStrict || leavesEarly(statement))
          return runBody(machine, statement.body, innerScope(scope), inside);
        runBody(machine, statement.body, innerScope(scope));
        break;
      case "VariableDeclaration": {
        const before = new Set(scope.bindings.keys());
        declare(machine, statement, scope);
        const names = [...scope.bindings.keys()].filter((name) => !before.has(name));
        loosen(machine, statements, names, scope);
        break;
      }
      case "IfStatement":
        if (ahead.isStrict || leavesEarly(statement)) return runIf(machine, statement, scope, inside);
        runIf(machine, statement, scope, null);
        break;
      case "SwitchStatement":
        if (ahead.isStrict || leavesEarly(statement)) return runSwitch(machine, statement, scope, inside);
        runSwitch(machine, statement, scope, null);
        break;
      case "TryStatement":
        if (ahead.isStrict || leavesEarly(statement.block)) return runTry(machine, statement, scope, inside);
        runTry(machine, statement, scope, nothingAhead);
        break;
      case "ExpressionStatement":
        perform(machine, statement.expression, scope);
        break;
      case "ForStatement":
      case "ForOfStatement":
      case "ForInStatement":
      case "WhileStatement":
      case "DoWhileStatement":
      case "LabeledStatement": {
        const rounds = roundsOf(machine, statement, scope);
        if (rounds !== null && !rounds.isStrict) {
          runRounds(machine, rounds, scope, () => null);
          break;
        }
        if (rounds !== null) {
          const before = snapshot(scope);
          const value = runRounds(machine, rounds, scope, rest);
          if (value !== openRound) return value;
          restore(before);
        }
        if (ahead.isStrict) return openRound;
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
  return ahead.after();
}

/** What may be thrown in a block is caught at any point of it: what it and its handler change is not known after it. */
function runTry(
  machine: Machine,
  { block, handler, finalizer }: Ast.TryStatement,
  scope: Scope,
  ahead: Ahead,
): Value | null {
  const then = (go: Ahead["after"]) => () => {
    for (const node of handler == null ? [] : [block, handler]) forget(machine, node, scope);
    return finalizer == null
      ? go()
      : runBody(machine, finalizer.body, innerScope(scope), { ...ahead, after: go });
  };
  const value = runBody(machine, block.body, innerScope(scope), {
    after: then(ahead.after),
    next: then(ahead.next),
    leave: then(ahead.leave),
    isStrict: ahead.isStrict,
  });
  const isCaught = handler != null && (holdsThrow(block) || mayReturn(handler));
  const isOverruled = finalizer != null && mayReturn(finalizer);
  return value !== null && value !== openRound && (isCaught || isOverruled)
    ? unknownOf(machine, block, scope)
    : value;
}

const holdsThrow = onceFor((root: Ast.Node): boolean => holds(root, /^ThrowStatement$/));

/** Loops over lists longer than this are not run. */
const MOST_ROUNDS = 60;

/** A loop over what is known: what each of its rounds is about. */
interface Rounds {
  readonly pattern: Ast.Node;
  readonly items: readonly Value[];
  readonly body: Ast.Statement;
  /** Whether it is left early, or filters what it goes through: with an open round nothing of it is known. */
  readonly isStrict: boolean;
}

/** The rounds of a loop over a list, or over the keys of an object, of which all is known; null for any other. */
function roundsOf(machine: Machine, node: Ast.Statement, scope: Scope): Rounds | null {
  if (node.type !== "ForOfStatement" && node.type !== "ForInStatement") return null;
  if (node.left.type !== "VariableDeclaration") return null;
  if ((node.type === "ForOfStatement" && node.await === true) || hasLabels(node.body)) return null;
  const [declarator] = node.left.declarations;
  const over = machine.evaluate(node.right, scope);
  const items = node.type === "ForOfStatement" ? itemsOf(over) : keysOf(over);
  return items === null || items.length > MOST_ROUNDS || declarator === undefined
    ? null
    : {
        pattern: declarator.id,
        items,
        body: node.body,
        isStrict: node.type === "ForInStatement" || leavesEarly(node.body),
      };
}

const itemsOf = (value: Value): readonly Value[] | null => (value.kind === "list" ? value.items : null);

const keysOf = (value: Value): readonly Value[] | null =>
  value.kind === "object" && value.rest === null && value.lazy === undefined
    ? [...value.properties.keys()].map(known)
    : isNullish(value)
      ? []
      : null;

/** Runs a loop round by round, and what follows it. */
function runRounds(
  machine: Machine,
  { pattern, items, body, isStrict }: Rounds,
  scope: Scope,
  rest: Ahead["after"],
): Value | null {
  const round = (index: number): Value | null => {
    const item = items[index];
    if (item === undefined) return rest();
    const inner = innerScope(scope);
    bindPattern(machine, pattern, item, inner);
    const next = () => round(index + 1);
    return runBody(machine, blockOf(body), innerScope(inner), { after: next, next, leave: rest, isStrict });
  };
  return round(0);
}

const hasLabels = onceFor((root: Ast.Node): boolean => holds(root, /^LabeledStatement$/));

function declare(machine: Machine, declaration: Ast.VariableDeclaration, scope: Scope): void {
  for (const { id, init } of declaration.declarations)
    bindPattern(machine, id, initialOf(machine, id, init, scope), scope);
}

const blockOf = (statement: Ast.Statement | null | undefined): readonly Ast.Statement[] =>
  statement == null ? [] : statement.type === "BlockStatement" ? statement.body : [statement];

/** Runs an `if`, and what is ahead of it where it may be left early: then what follows belongs to the arms that go on. */
function runIf(machine: Machine, node: Ast.IfStatement, scope: Scope, ahead: Ahead | null): Value | null {
  const test = machine.evaluate(node.test, scope);
  const branch = (holds: boolean) =>
    runBody(
      machine,
      blockOf(holds ? node.consequent : node.alternate),
      innerScope(scope),
      ahead ?? undefined,
    );
  const truth = test.kind === "either" ? null : truthOf(test);
  if (truth !== null) return branch(truth);
  if (ahead?.isStrict === true) return openRound;
  return inEachArm(scope, ahead !== null, (make) =>
    whether(machine, test, truthOf, questionAt(machine, node.test, scope), (holds) =>
      make(() => branch(holds)),
    ),
  );
}

function runSwitch(
  machine: Machine,
  node: Ast.SwitchStatement,
  scope: Scope,
  ahead: Ahead | null,
): Value | null {
  const subject = machine.evaluate(node.discriminant, scope);
  const tests = node.cases.map((one) => (one.test == null ? null : machine.evaluate(one.test, scope)));
  const after = ahead?.after ?? (() => null);
  const inside: Ahead = { ...(ahead ?? nothingAhead), after, leave: after };
  const from = (index: number) => {
    const all = node.cases.slice(index).flatMap(({ consequent }) => consequent);
    const end = all.findIndex((statement) => lastOf(statement).type === "BreakStatement");
    return runBody(machine, end < 0 ? all : all.slice(0, end + 1), innerScope(scope), inside);
  };
  const fallback = tests.indexOf(null);
  if (ahead?.isStrict === true && subject.kind !== "known") return openRound;
  return inEachArm(scope, ahead !== null, (make) =>
    lift(machine, subject, (one) => {
      if (one.kind === "known") {
        const index = tests.findIndex((test) => test?.kind === "known" && test.value === one.value);
        const chosen = index < 0 ? fallback : index;
        return make(() => (chosen < 0 ? after() : from(chosen)));
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
        ? make(after)
        : fork(machine, decision, (arm) => make(() => from(arm)));
    }),
  );
}

/**
 * Runs each arm with the variables as they were before it. Where arms may be left early, the value is what each comes
 * to with all that is ahead of it; else variables are afterwards what they became in each.
 */
function inEachArm(
  scope: Scope,
  leaves: boolean,
  each: (make: (branch: () => Value | null) => Value) => Value,
): Value | null {
  const before = snapshot(scope);
  if (leaves)
    return each((branch) => {
      const value = branch() ?? absent;
      restore(before);
      return value;
    });
  const changed = [...before.keys()];
  const values = each((branch) => {
    branch();
    const after = listOf(changed.map((binding) => binding.value ?? absent));
    restore(before);
    return after;
  });
  for (const [i, binding] of changed.entries()) {
    const value = inEveryArm(values, (one) => (one.kind === "list" ? (one.items[i] ?? absent) : one));
    const first = before.get(binding) ?? absent;
    if (!everyArm(value).every((one) => one === first)) binding.value = value;
  }
  return null;
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

/** Whether a return stands in a statement itself, not in a function inside it. */
const mayReturn = onceFor((root: Ast.Node): boolean => holds(root, /^(?:Return|Throw)Statement$/));

/** Whether something in a statement is left before its end, in some arm: then what follows hangs on that arm. */
const leavesEarly = onceFor((root: Ast.Node): boolean => {
  let found = false;
  const plainBreaks = new Set<Ast.Node>();
  everyNode(root, (node) => {
    if (node.type === "SwitchCase")
      for (const statement of node.consequent) {
        const last = lastOf(statement);
        if (last.type === "BreakStatement" && last.label == null) plainBreaks.add(last);
      }
    found ||= /^(?:Return|Throw|Continue|Break)Statement$/.test(node.type) && !plainBreaks.has(node);
    return !found && !/Function|Class|Method/.test(node.type);
  });
  return found;
});

/** The last statement of a block; any other statement itself. */
const lastOf = (statement: Ast.Statement): Ast.Statement =>
  statement.type === "BlockStatement" ? (statement.body.at(-1) ?? statement) : statement;

/** Whether a statement of a kind stands in a node, not in a function inside it. */
function holds(root: Ast.Node, kind: RegExp): boolean {
  let found = false;
  everyNode(root, (node) => {
    found ||= kind.test(node.type);
    return !found && !/Function|Class|Method/.test(node.type);
  });
  return found;
}
