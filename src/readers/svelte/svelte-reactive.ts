import type * as Ast from "@babel/types";
import { reassignedInTemplate, type ScopeMaking } from "../composition/module-scopes.ts";
import type { SourceModule } from "../composition/source-module.ts";
import { stateValue } from "../composition/state-value.ts";
import { bindPattern } from "../script/binding.ts";
import { reassignedIn } from "../script/parse-script.ts";
import { spanOf } from "../script/places.ts";
import { bindLater, innerScope } from "../script/scope.ts";
import { absent, type Scope } from "../script/value.ts";

/**
 * Svelte 4: `$: name = value` works a value out, and anew whenever something in it changes. A variable that is given a value
 * elsewhere too changes while the interface lives; one that several of these statements give is left open.
 * @param exported names that are props: what callers give counts
 */
export function bindReactive(
  { machine }: ScopeMaking,
  module: SourceModule,
  script: Ast.Program,
  scope: Scope,
  exported: ReadonlySet<string>,
): void {
  const byTemplate = new Set(reassignedInTemplate(module));
  const assigned = script.body.map((statement) => [statement, reassignedIn(statement)] as const);
  for (const [statement, names] of assigned) {
    const assignment = reactiveAssignment(statement);
    if (assignment === null) continue;
    const { left, right } = assignment;
    for (const name of names) {
      const elsewhere = assigned.filter(([other, others]) => other !== statement && others.has(name));
      if (exported.has(name) || elsewhere.some(([other]) => isReactive(other))) continue;
      bindLater(scope, name, () => {
        const inside = innerScope(scope);
        bindPattern(machine, left, machine.evaluate(right, scope), inside);
        const first = inside.bindings.get(name)?.value ?? absent;
        return elsewhere.length > 0 || byTemplate.has(name)
          ? stateValue(machine, first, { source: spanOf(left, scope), text: name, self: null })
          : first;
      });
    }
  }
}

const isReactive = (statement: Ast.Statement): statement is Ast.LabeledStatement =>
  statement.type === "LabeledStatement" && statement.label.name === "$";

/** `$: left = right`, and no more. */
function reactiveAssignment(statement: Ast.Statement): Ast.AssignmentExpression | null {
  const body = isReactive(statement) ? statement.body : null;
  const expression = body?.type === "ExpressionStatement" ? body.expression : null;
  return expression?.type === "AssignmentExpression" &&
    expression.operator === "=" &&
    expression.left.type !== "MemberExpression"
    ? expression
    : null;
}
