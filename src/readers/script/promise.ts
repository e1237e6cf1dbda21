import type { Machine } from "./machine.ts";
import { absent, native, type ObjectValue, type Value } from "./value.ts";

/** A promise of a value that is known. */
export const promiseOf = (machine: Pick<Machine, "call">, value: () => Value): ObjectValue => ({
  kind: "object",
  properties: new Map([
    [
      "then",
      native("then", ([fn], place) =>
        promiseOf(machine, () => settled(machine.call(fn ?? absent, [value()], place))),
      ),
    ],
  ]),
  rest: null,
  settles: value,
});

/** What is left of a value once it has been waited for. */
export const settled = (value: Value): Value =>
  value.kind === "object" && value.settles !== undefined ? value.settles() : value;
