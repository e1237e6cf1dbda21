import { type Component, everyArm, type Value } from "../script/value.ts";

/** Props for one state of a component, and what the state is called; null for the plain one. */
export interface PropsOfState {
  readonly state: string | null;
  readonly props: ReadonlyMap<string, Value>;
}

/** How many states of one component are drafted. */
const MOST_STATES = 6;

/**
 * The states that the props of a component tell of: what must be given alone; then each that may be switched on, and each of
 * the words that a prop may have.
 */
export function statesOf({ openProps, defaults }: Component): readonly PropsOfState[] {
  const { properties } = openProps();
  const needed = new Map(
    [...properties].filter(
      ([name, value]) => !mayBeLeftOut(value) && !isOpenContent(value) && defaults?.has(name) !== true,
    ),
  );
  const states: PropsOfState[] = [{ state: null, props: needed }];
  for (const [name, value] of properties) {
    const words = everyArm(value).flatMap((arm) => (arm.kind === "known" ? [arm] : []));
    const first = needed.has(name) ? firstOf(value) : null;
    for (const word of words) {
      if (word === first || word.value == null || word.value === false) continue;
      const state = word.value === true ? name : `${name} ${word.value}`;
      states.push({ state, props: new Map(needed).set(name, word) });
    }
  }
  return states.slice(0, MOST_STATES);
}

const mayBeLeftOut = (value: Value): boolean =>
  everyArm(value).some((arm) => arm.kind === "known" && arm.value === undefined);

/** Content that nobody asked for is no part of a first draft, and neither is what its type says nothing of. */
const isOpenContent = (value: Value): boolean => value.kind === "unknown" && value.type === "any";

const firstOf = (value: Value): Value | null => everyArm(value)[0] ?? null;

/** How many entries a list has: enough to show that it is one. */
const ENTRIES = 3;

/**
 * A value of the kind that a prop may have, as source writes it.
 * @param entry which entry of a list it belongs to, counted from 1; null outside of lists. Entries differ, so that keys do
 */
export function sampleOf(value: Value, name: string, entry: number | null = null): string {
  switch (value.kind) {
    case "known":
      return value.value === undefined ? "undefined" : JSON.stringify(value.value);
    case "either":
      return sampleOf(firstOf(value) ?? { kind: "known", value: null }, name, entry);
    case "unknown":
      if (value.promises !== undefined) return promising(sampleOf(value.promises, name));
      return sampleOfType(value.type, name, entry);
    case "list":
      return `[${value.items.map((item) => sampleOf(item, name, entry)).join(", ")}]`;
    case "each": {
      const one = name.replace(/s$/, "");
      const entries = Array.from({ length: ENTRIES }, (_, at) => sampleOf(value.item, one, at + 1));
      return `[${entries.join(", ")}]`;
    }
    case "object": {
      const given = [...value.properties].filter(([, one]) => !mayBeLeftOut(one));
      const parts = given.map(
        ([inner, one]) => `${JSON.stringify(inner).slice(1, -1)}: ${sampleOf(one, inner, entry)}`,
      );
      return parts.length === 0 ? "{}" : `{ ${parts.join(", ")} }`;
    }
    case "function":
    case "native":
      return "() => {}";
    default:
      return JSON.stringify(words(name, entry));
  }
}

const promising = (result: string): string =>
  result === "undefined"
    ? "async () => {}"
    : `async () => ${result.startsWith("{") ? `(${result})` : result}`;

function sampleOfType(type: string, name: string, entry: number | null): string {
  switch (type) {
    case "number":
      return String(entry ?? 1);
    case "boolean":
      return "true";
    case "function":
      return "() => {}";
    case "list":
      return "[]";
    case "date":
      return "new Date(2026, 5, 1)";
    default:
      return JSON.stringify(words(name, entry));
  }
}

const words = (name: string, entry: number | null): string => {
  const text = name.replace(/([a-z0-9])([A-Z])/g, "$1 $2").toLowerCase();
  return `${text.charAt(0).toUpperCase()}${text.slice(1)}${entry === null ? "" : ` ${entry}`}`;
};
