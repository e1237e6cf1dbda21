import { merged, withoutProperties } from "./evaluate.ts";
import { type Machine, unknownAt } from "./machine.ts";
import type { CallPlace, Value } from "./value.ts";

type Helper = (machine: Machine, args: readonly Value[], place: CallPlace) => Value | null;

/** `{ ...one, ...two }`. */
const spread: Helper = (machine, [first, ...more], place) =>
  first === undefined
    ? null
    : more.reduce(
        (so, one) =>
          merged(machine, so, one, () => unknownAt(place.source, place.text, `spread ${place.source.start}`)),
        first,
      );

/** `const { one, ...rest } = all`: the rest. */
const rest: Helper = (machine, [all, names], place) =>
  all !== undefined && names?.kind === "list" && names.items.every((name) => name.kind === "known")
    ? withoutProperties(
        machine,
        all,
        new Set(names.items.map((name) => (name.kind === "known" ? String(name.value) : ""))),
        place,
      )
    : null;

/** `{ ...all, [name]: value }`. */
const property: Helper = (_, [all, name, value]) =>
  all?.kind === "object" && name?.kind === "known" && value !== undefined
    ? { ...all, properties: new Map(all.properties).set(String(name.value), value) }
    : null;

/** Functions that compilers write beside what they compile, by the names that they give them: what each stands for. */
const helpers: ReadonlyMap<string, Helper> = new Map([
  ["_extends", spread],
  ["_objectSpread", spread],
  ["_objectSpread2", spread],
  ["__assign", spread],
  ["__spreadValues", spread],
  ["_objectWithoutProperties", rest],
  ["_objectWithoutPropertiesLoose", rest],
  ["__rest", rest],
  ["__objRest", rest],
  ["_defineProperty", property],
]);

/** What a call of a function that a compiler has written comes to; null for any other function. */
export const compiledCall = (
  machine: Machine,
  name: string,
  args: readonly Value[],
  place: CallPlace,
): Value | null => helpers.get(name)?.(machine, args, place) ?? null;
