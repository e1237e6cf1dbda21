import { lift, type Machine } from "./machine.ts";
import { known, type Text, type Unknown, type Value } from "./value.ts";

/** Joins values as text. */
export function concat(machine: Machine, values: readonly Value[], otherwise: () => Value): Value {
  const step = (index: number, so: readonly (string | Unknown)[]): Value => {
    const value = values[index];
    if (value === undefined) return textFrom(so);
    return lift(machine, value, (one) => {
      if (one.kind === "known") return step(index + 1, [...so, String(one.value)]);
      if (one.kind === "text") return step(index + 1, [...so, ...one.parts]);
      if (one.kind === "unknown") return step(index + 1, [...so, one]);
      return otherwise();
    });
  };
  return step(0, []);
}

function textFrom(parts: readonly (string | Unknown)[]): Value {
  const joined: (string | Unknown)[] = [];
  for (const part of parts) {
    const last = joined.at(-1);
    if (typeof part === "string" && typeof last === "string") joined[joined.length - 1] = last + part;
    else if (part !== "") joined.push(part);
  }
  if (joined.every((part) => typeof part === "string")) return known(joined.join(""));
  const text: Text = { kind: "text", parts: joined };
  return text;
}
