import { listMember, onItem, openItem } from "./list-members.ts";
import { lift, type Machine, unknownAt } from "./machine.ts";
import {
  absent,
  type CallPlace,
  type EachValue,
  isNullish,
  keyOf,
  known,
  listOf,
  native,
  type Text,
  type Unknown,
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
            : name === "length"
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

const unknownMember = (object: Value, name: string, place: CallPlace): Unknown => {
  const isCounted = object.kind !== "unknown" || object.type === "list" || object.type === "string";
  const type = name === "length" && isCounted ? "number" : "any";
  return unknownAt(place.source, place.text, `${keyOf(object)}.${name}`, type);
};

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
]);

function eachMember(machine: Machine, list: EachValue, name: string, site: CallPlace): Value {
  const gives = eachMethods.get(name);
  if (gives === undefined) return unknownMember(list.source, name, site);
  if (gives === "the same") return native(name, () => list);
  const number = unknownAt(site.source, `${site.text} index`, `${list.source.id} index`, "number");
  return native(name, ([fn], place) => {
    const item = onItem(machine, fn ?? absent, list.item, number, place);
    return {
      ...list,
      item: name === "flatMap" && item.kind === "list" ? openItem(machine, item, place) : item,
    };
  });
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
