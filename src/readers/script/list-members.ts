import { fork, type Machine, unknownAt, whether } from "./machine.ts";
import {
  absent,
  type CallPlace,
  isNullish,
  keyOf,
  known,
  type ListValue,
  listOf,
  native,
  truthOf,
  type Unknown,
  type UnknownType,
  type Value,
} from "./value.ts";

/** Lists longer than this are looked at by what their first items come to. */
const LONGEST_LIST = 60;

/** A property of a list whose items are known. */
export function listMember(machine: Machine, list: ListValue, name: string, site: CallPlace): Value {
  if (/^\d+$/.test(name)) return list.items[Number(name)] ?? absent;
  if (name === "length") return known(list.items.length);
  const method = listMethods[name];
  return method === undefined
    ? unknownAt(site.source, site.text, `${keyOf(list)}.${name}`)
    : native(name, (args, place) => method({ machine, list, name, place }, ...args));
}

/** A method that is called on a list. */
interface Called {
  readonly machine: Machine;
  readonly list: ListValue;
  readonly name: string;
  readonly place: CallPlace;
}

/** What the methods of lists come to. ECMAScript, "Properties of the Array Prototype Object". */
const listMethods: Readonly<Record<string, (called: Called, ...args: readonly Value[]) => Value>> = {
  map: (called, fn) => listOf(onEach(called, fn)),
  flatMap: (called, fn) => flattened(called, onEach(called, fn), 1),
  flat: (called, depth = known(1)) =>
    depth.kind === "known" ? flattened(called, called.list.items, Number(depth.value)) : left(called, "list"),
  filter: (called, fn) => filtered(called, onEach(called, fn)),
  find: (called, fn) => {
    const truths = truthsOf(called, fn);
    const index = truths.findIndex((truth) => truth !== false);
    return index < 0 ? absent : truths[index] === true ? (called.list.items[index] ?? absent) : left(called);
  },
  some: (called, fn) => {
    const truths = truthsOf(called, fn);
    return truths.includes(true)
      ? known(true)
      : truths.includes(null)
        ? left(called, "boolean")
        : known(false);
  },
  every: (called, fn) => {
    const truths = truthsOf(called, fn);
    return truths.includes(false)
      ? known(false)
      : truths.includes(null)
        ? left(called, "boolean")
        : known(true);
  },
  includes: (called, wanted = absent) => {
    const same = called.list.items.map((item) => isSame(item, wanted));
    return same.includes(true) ? known(true) : same.includes(null) ? left(called, "boolean") : known(false);
  },
  indexOf: (called, wanted = absent, from = absent) => {
    // Nothing is the same as what is no number.
    const isNumber = !(wanted.kind === "known" && Number.isNaN(wanted.value));
    const same = called.list.items.map((item) => isNumber && isSame(item, wanted));
    const index = same.findIndex((one) => one !== false);
    const isKnown = from === absent && (index < 0 || same[index] === true);
    return isKnown ? known(index) : left(called, "number");
  },
  join: (called, separator = absent) =>
    separator.kind === "known"
      ? joined(called, separator.value === undefined ? "," : String(separator.value))
      : left(called, "string"),
  slice: (called, from = absent, to = absent) =>
    from.kind === "known" && to.kind === "known"
      ? listOf(
          called.list.items.slice(
            Number(from.value ?? 0),
            to.value === undefined ? undefined : Number(to.value),
          ),
        )
      : left(called, "list"),
  concat: (called, ...more) => flattened(called, [called.list, ...more], 1),
  reverse: ({ list }) => listOf(list.items.toReversed()),
  toReversed: ({ list }) => listOf(list.items.toReversed()),
  sort: (called, compare) => sorted(called, compare),
  toSorted: (called, compare) => sorted(called, compare),
  at: (called, index = known(0)) =>
    index.kind === "known" ? (called.list.items.at(Number(index.value)) ?? absent) : left(called),
  entries: ({ list }) => listOf(list.items.map((item, i) => listOf([known(i), item]))),
  keys: ({ list }) => listOf(list.items.map((_, i) => known(i))),
  values: ({ list }) => list,
  forEach: (called, fn) => {
    onEach(called, fn);
    return absent;
  },
  reduce: (called, fn, ...initial) => {
    const { machine, list, place } = called;
    const items = [...initial.slice(0, 1), ...list.items];
    if (items.length === 0 || items.length > LONGEST_LIST) return left(called);
    const shift = initial.length === 0 ? 0 : 1;
    return items
      .slice(1)
      .reduce(
        (sum, item, i) => machine.call(fn ?? absent, [sum, item, known(i + 1 - shift)], place),
        items[0] ?? absent,
      );
  },
};

/** What is left open of a method's answer. */
const left = ({ list, name, place }: Called, type: UnknownType = "any"): Unknown =>
  unknownAt(place.source, place.text, `${keyOf(list)}.${name}() ${place.source.start}`, type);

/** Calls a function on one item, in a use of the component of its own: what is made anew there differs from item to item. */
export function onItem(machine: Machine, fn: Value, item: Value, index: Value, place: CallPlace): Value {
  const { state } = machine;
  const before = state.instance;
  state.instance = `${before}[${index.kind === "known" ? index.value : "n"}]`;
  try {
    return machine.call(fn, [item, index], place);
  } finally {
    state.instance = before;
  }
}

const onEach = ({ machine, list, place }: Called, fn: Value = absent): readonly Value[] =>
  list.items.slice(0, LONGEST_LIST).map((item, i) => onItem(machine, fn, item, known(i), place));

const truthsOf = (called: Called, fn: Value | undefined): readonly (boolean | null)[] =>
  onEach(called, fn).map((test) => (test.kind === "either" ? null : truthOf(test)));

/** Of how many items it may be open whether they are left: with more nobody knows which are. */
const MOST_OPEN = 3;

/** The items for which a test holds; where that is open of few, both ways. */
function filtered(called: Called, tests: readonly Value[]): Value {
  const { machine, list, place } = called;
  const isOpen = (test: Value) => test.kind === "either" || truthOf(test) === null;
  if (tests.filter(isOpen).length > MOST_OPEN) return someOf(called);
  const from = (index: number, kept: readonly Value[]): Value => {
    const [test, item] = [tests[index], list.items[index]];
    if (test === undefined || item === undefined) return listOf(kept);
    const at = { ...place, id: `left ${keyOf(list)} ${index} ${place.source.start}` };
    return whether(machine, test, truthOf, at, (holds) => from(index + 1, holds ? [...kept, item] : kept));
  };
  return from(0, []);
}

/** Whether two values are the same, as lists compare them; null where that is open. */
function isSame(a: Value, b: Value): boolean | null {
  if (a.kind === "known" && b.kind === "known") return a.value === b.value || Object.is(a.value, b.value);
  const isThing = ({ kind }: Value) =>
    kind === "list" || kind === "object" || kind === "function" || kind === "class" || kind === "native";
  return (isThing(a) && b.kind === "known") || (isThing(b) && a.kind === "known") ? false : null;
}

/** Values that may be lists themselves. */
const mayBeList = ({ kind }: Value): boolean => kind === "unknown" || kind === "either" || kind === "each";

/** The items of lists in a list, down to a depth. */
function flattened(called: Called, items: readonly Value[], depth: number): Value {
  if (depth < 1) return listOf(items);
  return items.some(mayBeList)
    ? left(called, "list")
    : items.some(({ kind }) => kind === "list")
      ? flattened(
          called,
          items.flatMap((item) => (item.kind === "list" ? item.items : [item])),
          depth - 1,
        )
      : listOf(items);
}

function joined(called: Called, between: string): Value {
  const parts: (string | Unknown)[] = [];
  for (const [i, item] of called.list.items.entries()) {
    if (i > 0) parts.push(between);
    if (item.kind === "known") parts.push(isNullish(item) ? "" : String(item.value));
    else if (item.kind === "text") parts.push(...item.parts);
    else if (item.kind === "unknown") parts.push(item);
    else return left(called, "string");
  }
  return parts.every((part) => typeof part === "string") ? known(parts.join("")) : { kind: "text", parts };
}

/** A list in its order: that of texts, or what a function says. Where it does not say, nobody knows which comes when. */
function sorted(called: Called, compare: Value = absent): Value {
  const { machine, list, place } = called;
  const items = [...list.items];
  if (items.length > LONGEST_LIST) return someOf(called);
  let isSure = true;
  const order = (a: Value, b: Value): number => {
    if (compare.kind !== "known") {
      const said = machine.call(compare, [a, b], place);
      if (said.kind === "known") return Number(said.value) || 0;
    } else if (a.kind === "known" && b.kind === "known") {
      if (a.value === undefined || b.value === undefined)
        return Number(a.value === undefined) - Number(b.value === undefined);
      const [one, other] = [String(a.value), String(b.value)];
      return one < other ? -1 : one > other ? 1 : 0;
    }
    isSure = false;
    return 0;
  };
  items.sort(order);
  return isSure || items.length < 2 ? listOf(items) : someOf(called);
}

/** A list of which nobody knows which of the items are in it, and in which order. */
const someOf = ({ machine, list, place }: Called): Value => ({
  kind: "each",
  item: openItem(machine, list, place),
  source: unknownAt(place.source, place.text, `${keyOf(list)} some ${place.source.start}`, "list"),
});

/** What stands for every item of a list of which nobody knows which are left. */
export const openItem = (machine: Machine, list: ListValue, place: CallPlace): Value =>
  list.items.length === 0
    ? absent
    : fork(
        machine,
        {
          id: `item ${keyOf(list)} ${place.source.start}@${machine.state.instance}`,
          arms: list.items
            .slice(0, LONGEST_LIST)
            .map((_, i) => ({ of: place.text, is: "item" as const, number: i + 1 })),
          named: false,
          source: place.source,
        },
        (arm) => list.items[arm] ?? absent,
      );
