import { fork, lift, type Machine, unknownAt } from "./machine.ts";
import {
  absent,
  type CallPlace,
  type EachValue,
  isNullish,
  keyOf,
  known,
  type ListValue,
  listOf,
  native,
  type Text,
  truthOf,
  type Unknown,
  type UnknownType,
  type Value,
} from "./value.ts";

/** What a property of a value is. Every value is tried that the object may be. */
export function memberOf(machine: Machine, object: Value, name: string, place: CallPlace): Value {
  return lift(machine, object, (one) => {
    switch (one.kind) {
      case "object": {
        const property = one.properties.get(name) ?? one.lazy?.(name) ?? null;
        if (property !== null) return property;
        return one.rest === null ? absent : memberOfUnknown(machine, one.rest, name, place);
      }
      case "list":
        return listMember(machine, one, name, place);
      case "each":
        return eachMember(machine, one, name, place);
      case "text":
        return textMember(one, name, place);
      case "known":
        return typeof one.value === "string"
          ? stringMember(one.value, name, place)
          : isNullish(one)
            ? absent
            : unknownMember(one, name, place);
      case "unknown":
        return memberOfUnknown(machine, one, name, place);
      case "function":
      case "class":
        return one.statics.get(name) ?? (name === "name" ? known(one.name) : absent);
      case "component":
        return one.component.statics.get(name) ?? absent;
      case "native":
        return one.members?.(name) ?? absent;
      default:
        return unknownMember(one, name, place);
    }
  });
}

/** Methods that lists alone have, so that what has them is one. */
const listsAlone = new Set(["map", "flatMap", "filter", "toSorted", "toReversed"]);

function memberOfUnknown(machine: Machine, object: Unknown, name: string, place: CallPlace): Value {
  if (object.members !== undefined) return object.members(name);
  if (eachMethods.has(name) && (object.type === "list" || (object.type === "any" && listsAlone.has(name))))
    return eachMember(machine, itemOf(object), name, place);
  if (object.type === "string" && textMethods.has(name)) return textNative(object.id, name, place);
  return unknownMember(object, name, place);
}

const unknownMember = (object: Value, name: string, place: CallPlace): Unknown =>
  unknownAt(place.source, place.text, `${keyOf(object)}.${name}`, name === "length" ? "number" : "any");

/** Calls a function on one item, in a use of the component of its own: what is made anew there differs from item to item. */
function onItem(machine: Machine, fn: Value, item: Value, index: Value, place: CallPlace): Value {
  const { state } = machine;
  const before = state.instance;
  state.instance = `${before}[${index.kind === "known" ? index.value : "n"}]`;
  try {
    return machine.call(fn, [item, index], place);
  } finally {
    state.instance = before;
  }
}

/** Lists longer than this are looked at by what their first items come to. */
const LONGEST_LIST = 60;

function listMember(machine: Machine, list: ListValue, name: string, site: CallPlace): Value {
  const items = list.items.slice(0, LONGEST_LIST);
  const unknown = (type: UnknownType = "any") =>
    unknownAt(site.source, site.text, `${keyOf(list)}.${name}`, type);
  const each = (fn: Value | undefined) =>
    items.map((item, i) => onItem(machine, fn ?? absent, item, known(i), site));
  if (/^\d+$/.test(name)) return list.items[Number(name)] ?? absent;
  switch (name) {
    case "length":
      return known(list.items.length);
    case "map":
      return native(name, ([fn]) => listOf(each(fn)));
    case "flatMap":
      return native(name, ([fn]) =>
        listOf(each(fn).flatMap((one) => (one.kind === "list" ? one.items : [one]))),
      );
    case "filter":
      return native(name, ([fn], place) => {
        const kept: Value[] = [];
        for (const [i, test] of each(fn).entries()) {
          const truth = test.kind === "either" ? null : truthOf(test);
          if (truth === null)
            return {
              kind: "each",
              item: openItem(machine, list, place),
              source: unknownAt(place.source, place.text, `${keyOf(list)} filter`, "list"),
            };
          const item = items[i];
          if (truth && item !== undefined) kept.push(item);
        }
        return listOf(kept);
      });
    case "find":
      return native(name, ([fn], place) => {
        for (const [i, test] of each(fn).entries()) {
          const truth = test.kind === "either" ? null : truthOf(test);
          if (truth === null)
            return unknownAt(place.source, place.text, `${keyOf(list)} ${keyOf(test)} find`);
          if (truth) return items[i] ?? absent;
        }
        return absent;
      });
    case "some":
    case "every":
      return native(name, ([fn], place) => {
        const truths = each(fn).map((test) => (test.kind === "either" ? null : truthOf(test)));
        if (name === "some" && truths.includes(true)) return known(true);
        if (name === "every" && truths.includes(false)) return known(false);
        return truths.includes(null)
          ? unknownAt(place.source, place.text, `${keyOf(list)} ${name} ${place.source.start}`, "boolean")
          : known(name === "every");
      });
    case "includes":
      return native(name, ([wanted]) =>
        wanted?.kind === "known" && items.every((item) => item.kind === "known")
          ? known(items.some((item) => item.kind === "known" && item.value === wanted.value))
          : unknown("boolean"),
      );
    case "join":
      return native(name, ([separator]) => {
        const between =
          separator?.kind === "known" && separator.value !== undefined ? String(separator.value) : ",";
        const parts: (string | Unknown)[] = [];
        for (const [i, item] of items.entries()) {
          if (i > 0) parts.push(between);
          if (item.kind === "known") parts.push(isNullish(item) ? "" : String(item.value));
          else if (item.kind === "text") parts.push(...item.parts);
          else if (item.kind === "unknown") parts.push(item);
          else return unknown("string");
        }
        return parts.every((part) => typeof part === "string")
          ? known(parts.join(""))
          : { kind: "text", parts };
      });
    case "slice":
      return native(name, ([from, to]) =>
        (from === undefined || from.kind === "known") && (to === undefined || to.kind === "known")
          ? listOf(
              list.items.slice(
                Number(from?.value ?? 0),
                to === undefined || isNullish(to) ? undefined : Number(to.value),
              ),
            )
          : unknown("list"),
      );
    case "concat":
      return native(name, (more) =>
        listOf([...list.items, ...more.flatMap((one) => (one.kind === "list" ? one.items : [one]))]),
      );
    case "reverse":
    case "toReversed":
      return native(name, () => listOf([...list.items].reverse()));
    case "sort":
    case "toSorted":
    case "flat":
      return native(name, () => list);
    case "at":
      return native(name, ([index]) =>
        index?.kind === "known" ? (list.items.at(Number(index.value)) ?? absent) : unknown(),
      );
    case "entries":
      return native(name, () => listOf(list.items.map((item, i) => listOf([known(i), item]))));
    case "keys":
      return native(name, () => listOf(list.items.map((_, i) => known(i))));
    case "values":
      return native(name, () => list);
    case "forEach":
      return native(name, () => absent);
    default:
      return unknown();
  }
}

/** What stands for every item of a list of which nobody knows which are left. */
const openItem = (machine: Machine, list: ListValue, place: CallPlace): Value =>
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

/** Methods of lists that give a list again: of other items, or of some or all of the same. */
const eachMethods = new Map<string, "others" | "the same">([
  ["map", "others"],
  ["flatMap", "others"],
  ["filter", "the same"],
  ["slice", "the same"],
  ["sort", "the same"],
  ["toSorted", "the same"],
  ["reverse", "the same"],
  ["toReversed", "the same"],
  ["concat", "the same"],
]);

function eachMember(machine: Machine, list: EachValue, name: string, site: CallPlace): Value {
  const gives = eachMethods.get(name);
  if (gives === undefined) return unknownMember(list.source, name, site);
  if (gives === "the same") return native(name, () => list);
  const number = unknownAt(site.source, `${site.text} index`, `${list.source.id} index`, "number");
  return native(name, ([fn], place) => ({
    ...list,
    item: onItem(machine, fn ?? absent, list.item, number, place),
  }));
}

const itemOf = (list: Unknown): EachValue => ({
  kind: "each",
  item: unknownAt(list.source, `one of ${list.text}`, `${list.id}[]`),
  source: list,
});

/** Methods of texts whose answer is text again, with what they do to one that is known. */
const textMethods = new Map<string, (text: string, args: readonly (string | number | undefined)[]) => string>(
  [
    ["toUpperCase", (text) => text.toUpperCase()],
    ["toLowerCase", (text) => text.toLowerCase()],
    ["toLocaleUpperCase", (text) => text.toUpperCase()],
    ["toLocaleLowerCase", (text) => text.toLowerCase()],
    ["trim", (text) => text.trim()],
    ["toString", (text) => text],
    ["concat", (text, more) => text + more.join("")],
    ["charAt", (text, [at]) => text.charAt(Number(at ?? 0))],
    ["slice", (text, [from, to]) => text.slice(Number(from ?? 0), to === undefined ? undefined : Number(to))],
    [
      "substring",
      (text, [from, to]) => text.substring(Number(from ?? 0), to === undefined ? undefined : Number(to)),
    ],
    ["repeat", (text, [times]) => text.repeat(Math.min(100, Math.max(0, Number(times ?? 0))))],
    ["replace", (text, [from, to]) => text.replace(String(from), () => String(to))],
    ["replaceAll", (text, [from, to]) => text.replaceAll(String(from), () => String(to))],
    [
      "padStart",
      (text, [length, fill]) => text.padStart(Number(length), fill === undefined ? " " : String(fill)),
    ],
    [
      "padEnd",
      (text, [length, fill]) => text.padEnd(Number(length), fill === undefined ? " " : String(fill)),
    ],
  ],
);

const textTests = new Map<string, (text: string, what: string) => boolean>([
  ["includes", (text, what) => text.includes(what)],
  ["startsWith", (text, what) => text.startsWith(what)],
  ["endsWith", (text, what) => text.endsWith(what)],
]);

const textNative = (key: string, name: string, site: CallPlace): Value =>
  native(name, (_, place) =>
    unknownAt(place.source, place.text, `${key}.${name} ${site.source.start}`, "string"),
  );

const textMember = (text: Text, name: string, place: CallPlace): Value =>
  textMethods.has(name) ? textNative(keyOf(text), name, place) : unknownMember(text, name, place);

function stringMember(text: string, name: string, site: CallPlace): Value {
  if (name === "length") return known(text.length);
  if (/^\d+$/.test(name)) return known(text[Number(name)]);
  const method = textMethods.get(name);
  const test = textTests.get(name);
  if (method === undefined && test === undefined && name !== "split")
    return unknownMember(known(text), name, site);
  return native(name, (args, place) => {
    const unknown = unknownAt(
      place.source,
      place.text,
      `${JSON.stringify(text)}.${name}(${args.map(keyOf)})`,
    );
    const plain: (string | number | undefined)[] = [];
    for (const arg of args) {
      if (arg.kind !== "known" || typeof arg.value === "boolean" || arg.value === null)
        return { ...unknown, type: method === undefined ? "any" : "string" };
      plain.push(arg.value);
    }
    if (method !== undefined) return known(method(text, plain));
    if (test !== undefined) return known(test(text, String(plain[0])));
    return listOf(text.split(String(plain[0] ?? "")).map(known));
  });
}
