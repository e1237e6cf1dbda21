import { bindPattern } from "./binding.ts";
import { compiledCall } from "./compiled-helpers.ts";
import { lift, type Machine, unknownAt } from "./machine.ts";
import { innerScope } from "./scope.ts";
import { runBody } from "./statements.ts";
import { absent, type CallPlace, type FunctionValue, keyOf, listOf, type Value } from "./value.ts";

/** How deep calls may go: components that render themselves come to an end here. */
const DEEPEST_CALL = 48;

/** What a call comes to: functions of the source are run, others are not known. */
export function callValue(machine: Machine, callee: Value, args: readonly Value[], place: CallPlace): Value {
  return lift(machine, callee, (one) => {
    if (one.kind === "native") return one.call(args, place);
    if (one.kind === "function")
      return compiledCall(machine, one.name, args, place) ?? callFunction(machine, one, args, place);
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
