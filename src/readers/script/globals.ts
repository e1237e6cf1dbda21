import { merged } from "./evaluate.ts";
import { lift, type Machine, unknownAt } from "./machine.ts";
import {
  absent,
  type CallPlace,
  keyOf,
  known,
  listOf,
  native,
  objectOf,
  truthOf,
  type Unknown,
  type Value,
} from "./value.ts";

const numbers: Readonly<Record<string, (...args: number[]) => number>> = {
  round: Math.round,
  floor: Math.floor,
  ceil: Math.ceil,
  abs: Math.abs,
  min: Math.min,
  max: Math.max,
  trunc: Math.trunc,
};

/** Stands for what a global object has beside what is listed here. */
const others = (name: string): Unknown => unknownAt({ file: "", start: 0, end: 0 }, name, `global ${name}`);

/** What every script has: the few functions on which trees hang. */
export function globalValue(machine: Machine, name: string): Value | null {
  switch (name) {
    case "Boolean":
      return native(name, ([value]) =>
        lift(machine, value ?? known(undefined), (one) => {
          const truth = truthOf(one);
          return truth === null && one.kind === "unknown" ? { ...one, type: "boolean" } : known(truth);
        }),
      );
    case "String":
      return native(name, ([value], place) =>
        lift(machine, value ?? known(""), (one) =>
          one.kind === "known"
            ? known(String(one.value))
            : unknownAt(place.source, place.text, `String ${keyOf(one)}`, "string"),
        ),
      );
    case "Number":
      return native(name, ([value], place) =>
        value?.kind === "known"
          ? known(Number(value.value))
          : unknownAt(place.source, place.text, `Number ${keyOf(value ?? known(0))}`, "number"),
      );
    case "NaN":
      return known(Number.NaN);
    case "Infinity":
      return known(Number.POSITIVE_INFINITY);
    case "Math":
      return objectOf(
        Object.entries(numbers).map(([method, compute]) => [
          method,
          native(method, (args, place) =>
            args.every((arg) => arg.kind === "known")
              ? known(compute(...args.map((arg) => Number(arg.kind === "known" ? arg.value : 0))))
              : unknownAt(place.source, place.text, `${method} ${args.map(keyOf).join()}`, "number"),
          ),
        ]),
        others(name),
      );
    case "Object":
      return objectOf(
        [
          ["keys", ofObject(machine, (properties) => listOf([...properties.keys()].map(known)))],
          ["values", ofObject(machine, (properties) => listOf([...properties.values()]))],
          [
            "entries",
            ofObject(machine, (properties) =>
              listOf([...properties].map(([key, value]) => listOf([known(key), value]))),
            ),
          ],
          ["fromEntries", native("fromEntries", ([value], place) => fromEntries(machine, value, place))],
          ["freeze", native("freeze", ([value]) => value ?? known(undefined))],
          ["assign", native("assign", (args, place) => assigned(machine, args, place))],
        ],
        others(name),
      );
    case "Array":
      return objectOf(
        [
          [
            "isArray",
            native("isArray", ([value], place) =>
              value?.kind === "list" || value?.kind === "each"
                ? known(true)
                : value?.kind === "known" || value?.kind === "object" || value?.kind === "markup"
                  ? known(false)
                  : unknownAt(place.source, place.text, `isArray ${keyOf(value ?? known(0))}`, "boolean"),
            ),
          ],
          ["of", native("of", (items) => listOf(items))],
          [
            "from",
            native("from", ([value, fn], place) => arrayFrom(machine, value ?? known(undefined), fn, place)),
          ],
        ],
        others(name),
      );
    default:
      return null;
  }
}

/** `Object.assign(Card, { Title })`: what is written on a component is found on it. */
function assigned(machine: Machine, [target, ...sources]: readonly Value[], place: CallPlace): Value {
  const statics =
    target?.kind === "function" || target?.kind === "class"
      ? target.statics
      : target?.kind === "component"
        ? target.component.statics
        : null;
  if (target === undefined || target.kind === "known") return target ?? known(undefined);
  if (statics === null)
    return sources.reduce(
      (so, source) =>
        merged(machine, so, source, () =>
          unknownAt(place.source, place.text, `assign ${place.source.start}`),
        ),
      target,
    );
  for (const source of sources)
    if (source.kind === "object") for (const [name, value] of source.properties) statics.set(name, value);
  return target;
}

type NativeCall = Parameters<typeof native>[1];

const ofObject = (machine: Machine, make: (properties: ReadonlyMap<string, Value>) => Value): Value =>
  native("of object", ([value], place) =>
    lift(machine, value ?? known(undefined), (one) =>
      one.kind === "object" && one.rest === null && one.lazy === undefined
        ? make(inOrderOfKeys(one.properties))
        : unknownAt(place.source, place.text, `entries ${keyOf(one)}`, "list"),
    ),
  );

/** An object of pairs, of which a later one wins. ECMAScript, "Object.fromEntries". */
const fromEntries = (machine: Machine, pairs: Value = known(undefined), place: CallPlace): Value =>
  lift(machine, pairs, (list) => {
    const open = () => unknownAt(place.source, place.text, `from entries ${keyOf(list)}`);
    if (list.kind !== "list") return open();
    const properties: [string, Value][] = [];
    for (const pair of list.items) {
      const [key, value] = pair.kind === "list" ? pair.items : [];
      if (key?.kind !== "known") return open();
      properties.push([String(key.value), value ?? absent]);
    }
    return objectOf(properties);
  });

/** Keys that are indexes come first, from the least on. ECMAScript, "OrdinaryOwnPropertyKeys". */
function inOrderOfKeys(properties: ReadonlyMap<string, Value>): ReadonlyMap<string, Value> {
  const isIndex = (name: string) => /^(?:0|[1-9]\d{0,8})$/.test(name);
  const indexes = [...properties].filter(([name]) => isIndex(name)).sort(([a], [b]) => Number(a) - Number(b));
  return indexes.length === 0
    ? properties
    : new Map([...indexes, ...[...properties].filter(([name]) => !isIndex(name))]);
}

const LONGEST_MADE = 60;

function arrayFrom(
  machine: Machine,
  value: Value,
  fn: Value | undefined,
  place: Parameters<NativeCall>[1],
): Value {
  if (value.kind === "list")
    return fn === undefined ? value : machine.call(machine.member(value, "map", place), [fn], place);
  const length = value.kind === "object" ? value.properties.get("length") : undefined;
  if (length?.kind !== "known" || typeof length.value !== "number" || length.value > LONGEST_MADE)
    return unknownAt(place.source, place.text, `Array.from ${keyOf(value)}`, "list");
  const items = Array.from({ length: length.value }, () => known(undefined));
  return fn === undefined
    ? listOf(items)
    : machine.call(machine.member(listOf(items), "map", place), [fn], place);
}
