import { type Machine, unknownAt } from "../script/machine.ts";
import { openValue, type Shape } from "../script/type-shape.ts";
import { type CallPlace, type Decision, isNullish, known, type Value } from "../script/value.ts";

/** A value that changes while the interface lives: the first is sure, and what it turns into where that can be listed. */
export function stateValue(
  machine: Machine,
  first: Value,
  place: CallPlace,
  shape: Shape | null = null,
): Value {
  const name = machine.state.declaring ?? place.text;
  const id = `state ${name} ${place.source.file}:${place.source.start}@${machine.state.instance}`;
  const open = (text = name, type: "string" | "number" | "list" | "any" = "any") =>
    unknownAt(place.source, text, id, type);
  const isThere = shape === null ? null : thereOf(shape);
  if (isThere !== null && isNullish(first))
    return {
      kind: "either",
      decision: {
        id: `there ${id}`,
        arms: [
          { of: name, is: "there" },
          { of: name, is: "not there" },
        ],
        named: false,
        source: place.source,
      },
      arms: [openValue(isThere, { name, id, source: place.source }), first],
    };
  if (first.kind === "list" || first.kind === "each") return open(name, "list");
  if (first.kind !== "known") return first.kind === "text" ? open(name, "string") : open();
  const { value } = first;
  if (typeof value === "string") return open(name, "string");
  if (typeof value === "number") return open(name, "number");
  if (typeof value === "boolean") {
    const decision: Decision = {
      id,
      arms: [value, !value].map((one) => ({ of: name, is: "value" as const, value: String(one) })),
      named: true,
      isState: true,
      source: place.source,
    };
    return { kind: "either", decision, arms: [first, known(!value)] };
  }
  return {
    kind: "either",
    decision: {
      id,
      arms: [
        { of: name, is: "there" },
        { of: name, is: "not there" },
      ],
      named: false,
      source: place.source,
    },
    arms: [unknownAt(place.source, name, `${id} there`), first],
  };
}

/** A type without null and undefined. */
const thereOf = (shape: Shape): Shape => {
  if (shape.kind !== "literals") return shape;
  const values = shape.values.filter((value) => value != null);
  return values.length === 0 && shape.others !== null ? shape.others : { ...shape, values };
};
