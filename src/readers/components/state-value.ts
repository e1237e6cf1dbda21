import { type Machine, unknownAt } from "../script/machine.ts";
import { type CallPlace, type Decision, known, type Value } from "../script/value.ts";

/** A value that changes while the interface lives: the first is sure, and what it turns into where that can be listed. */
export function stateValue(machine: Machine, first: Value, at: CallPlace): Value {
  const name = machine.state.declaring ?? at.text;
  const id = `state ${name} ${at.source.file}:${at.source.start}@${machine.state.instance}`;
  const open = (text = name, type: "string" | "number" | "list" | "any" = "any") =>
    unknownAt(at.source, text, id, type);
  if (first.kind === "list" || first.kind === "each") return open(name, "list");
  if (first.kind !== "known") return first.kind === "text" ? open(name, "string") : open();
  const { value } = first;
  if (typeof value === "string") return open(name, "string");
  if (typeof value === "number") return open(name, "number");
  if (typeof value === "boolean") {
    const decision: Decision = {
      id,
      arms: [`\`${name}\` is ${value}`, `\`${name}\` is ${!value}`],
      named: true,
      source: at.source,
    };
    return { kind: "either", decision, arms: [first, known(!value)] };
  }
  return {
    kind: "either",
    decision: {
      id,
      arms: [`\`${name}\` is there`, `\`${name}\` is not there`],
      named: false,
      source: at.source,
    },
    arms: [unknownAt(at.source, name, `${id} there`), first],
  };
}
