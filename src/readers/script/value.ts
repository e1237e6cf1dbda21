import type * as Ast from "@babel/types";
import type { ComponentFrame, Namespace, Span } from "../../core/document/node.ts";
import type { Decision, Either } from "../../core/worlds/decision.ts";
import type { TreeNode } from "../../core/worlds/tree.ts";
import { digest } from "./digest.ts";
import type { Effect } from "./effects.ts";

/** One variable: worked out when first asked for, so that order and circles of modules do not matter. */
export interface Binding {
  value: Value | null;
  make: (() => Value) | null;
  /** Set while it is being worked out: a value that needs itself is not known. */
  busy: boolean;
  /** How it changes beside what is followed; absent where it does not. */
  loose?: Effect;
  /** The one rendering that its value holds for; absent where it holds for all. */
  within?: Rendering;
}

/** One component that is rendered by itself, with all that it renders. */
export interface Rendering {
  /** Variables of modules that were given another value, and what they were before: the next rendering begins with those. */
  readonly changed: Map<Binding, Pick<Binding, "value" | "make">>;
  /** How often something was not known for reasons of this rendering alone: a circle, or too many steps. */
  unsettled: number;
}

/** Names and what they stand for, the nearest scope first. */
export interface Scope {
  readonly parent: Scope | null;
  readonly bindings: Map<string, Binding>;
  /** The value of `this`; null to ask the scope around. */
  readonly self: Value | null;
  /** The module it stands in. */
  readonly module: ScopeModule;
}

/** What a scope knows of its file. */
export interface ScopeModule {
  readonly file: string;
  readonly text: string;
  /** Variables that are given another value somewhere. */
  readonly reassigned: ReadonlySet<string>;
}

/** What an expression comes to, as far as source tells. */
export type Value =
  | Known
  | Text
  | Unknown
  | ObjectValue
  | ListValue
  | EachValue
  | FunctionValue
  | NativeValue
  | ClassValue
  | MarkupValue
  | TreeFragment
  | ComponentValue
  | Either<Value>;

/** A value of which no decision is open. */
export type SingleValue = Exclude<Value, Either<Value>>;

export interface Known {
  readonly kind: "known";
  readonly value: string | number | boolean | null | undefined;
}

/** Text of which some parts are not known. */
export interface Text {
  readonly kind: "text";
  readonly parts: readonly (string | Unknown)[];
}

/** What may be said of a value that nobody can list. */
export type UnknownType = "string" | "number" | "boolean" | "function" | "list" | "date" | "content" | "any";

export interface Unknown {
  readonly kind: "unknown";
  /** The same for the same value. */
  readonly id: string;
  /** How the source writes it. */
  readonly text: string;
  readonly source: Span;
  readonly type: UnknownType;
  /** What a function promises to give, by its type. */
  readonly promises?: Value;
  /** Whether it comes from what is imported and not in source. */
  readonly isImported?: true;
  /** The component of an installed package that it is: looked into only for whether it is a picture. */
  readonly installed?: Component;
  /** Whether it stands for any number of arguments: `f(...slips)`. */
  readonly isSpread?: true;
  /** What its members are, where its type tells of all at once. */
  readonly members?: (name: string) => Value;
}

export interface ObjectValue {
  readonly kind: "object";
  readonly properties: ReadonlyMap<string, Value>;
  /** Properties that are not listed come from here; null where there are no others. */
  readonly rest: Unknown | null;
  /** What becomes known only when it is asked for: exports of a module, getters, fields. */
  readonly lazy?: (name: string) => Value | null;
  /** A box whose value templates see without asking: `ref()`, a signal. */
  readonly box?: () => Value;
  /** What a promise comes to: a module that is imported when it is wanted. */
  readonly settles?: () => Value;
}

export interface ListValue {
  readonly kind: "list";
  readonly items: readonly Value[];
}

/** A list of unknown length: what each of its items comes to. */
export interface EachValue {
  readonly kind: "each";
  readonly item: Value;
  readonly source: Unknown;
}

export interface FunctionValue {
  readonly kind: "function";
  readonly node: Ast.Function;
  readonly scope: Scope;
  readonly name: string;
  readonly self: Value | null;
  /** What is written on it: `Button.defaultProps = …`. */
  readonly statics: Map<string, Value>;
}

export interface NativeValue {
  readonly kind: "native";
  readonly name: string;
  readonly call: (args: readonly Value[], place: CallPlace) => Value;
  readonly members?: (name: string) => Value | null;
  /** What it makes of a template that it is the tag of. */
  readonly tagged?: (node: Ast.TaggedTemplateExpression, scope: Scope) => Value;
  /** Whether calling it with that text does nothing: an event that nobody listens to. */
  readonly isIdleFor?: (first: string) => boolean;
}

export interface ClassValue {
  readonly kind: "class";
  readonly node: Ast.Class;
  readonly scope: Scope;
  readonly name: string;
  readonly statics: Map<string, Value>;
}

/** `<Card title="x">`: what is to be rendered, and with what; nothing of it is rendered yet. */
export interface MarkupValue {
  readonly kind: "markup";
  readonly type: Value;
  /** As written. */
  readonly name: string;
  readonly props: ObjectValue;
  /** For each prop the place it is written. */
  readonly places: ReadonlyMap<string, Span>;
  readonly source: Span;
  readonly endTag: Span | null;
  /** The way to the component that wrote it. */
  readonly owner: readonly ComponentFrame[];
  /** The use of that component. */
  readonly instance: string;
  /** Whether it writes an attribute over one that a spread has brought. */
  readonly overwrites: boolean;
}

/** Markup that is rendered already. */
export interface TreeFragment {
  readonly kind: "tree";
  readonly nodes: readonly TreeNode[];
}

/** Something that renders. */
export interface ComponentValue {
  readonly kind: "component";
  readonly component: Component;
}

export interface Component {
  readonly name: string;
  /** Where it is defined. */
  readonly source: Span;
  readonly render: (call: ComponentCall) => readonly TreeNode[];
  /** What it is given where nobody calls it: props as their types leave them open. */
  readonly openProps: () => ObjectValue;
  /** What is written on it. */
  readonly statics: Map<string, Value>;
  /** Whether it is no step of the way that people know: it shows what it is given. */
  readonly isTransparent?: true;
  /** Whether it takes anything from its callers: what it declares, or attributes alone, which fall through to its root. */
  readonly takesProps: boolean | "as attributes";
  /** Props that have a default, where what it takes does not say so. */
  readonly defaults?: ReadonlySet<string>;
}

/** How a component is used. */
export interface ComponentCall {
  readonly props: ObjectValue;
  readonly places: ReadonlyMap<string, Span>;
  /** Content by the name of its slot, for frameworks that have slots. */
  readonly slots: ReadonlyMap<string, Slot>;
  readonly source: Span;
  readonly endTag: Span | null;
  /** What is around it: HTML, or a drawing. */
  readonly namespace: Namespace;
  /** The way to this use, itself included. */
  readonly frames: readonly ComponentFrame[];
  /** A name for this one use among all, for what is made anew in each. */
  readonly instance: string;
  /** Whether nobody calls it: it is looked at by itself. */
  readonly isAlone: boolean;
}

/** What a caller puts into a slot; `given` are the values that the slot hands out. */
export type Slot = (given: ObjectValue) => readonly TreeNode[];

export interface CallPlace {
  readonly source: Span;
  readonly text: string;
  readonly self: Value | null;
  /** What a call says of the types it is for: `useState<Slip | null>(null)`. */
  readonly types?: { readonly nodes: readonly Ast.Node[]; readonly scope: Scope };
}

export const known = (value: Known["value"]): Known => ({ kind: "known", value });
export const absent: Known = { kind: "known", value: undefined };
export const nothing: Known = { kind: "known", value: null };
export const yes: Known = { kind: "known", value: true };
export const no: Known = { kind: "known", value: false };

export const objectOf = (
  properties: Iterable<readonly [string, Value]>,
  rest: Unknown | null = null,
): ObjectValue => ({ kind: "object", properties: new Map(properties), rest });

export const listOf = (items: readonly Value[]): ListValue => ({ kind: "list", items });

export const native = (name: string, call: NativeValue["call"]): NativeValue => ({
  kind: "native",
  name,
  call,
});

/** One of several values; one where all are the same. */
export function joinedKnown(decision: Decision, arms: readonly Value[]): Value {
  const [first] = arms;
  return first?.kind === "known" && arms.every((arm) => arm.kind === "known" && arm.value === first.value)
    ? first
    : { kind: "either", decision, arms };
}

/** What a value is known by, once worked out: values do not change. */
const keys = new WeakMap<Value, string>();

/** Keys are no longer than this: a value that holds another twice would else double its key. */
const LONGEST_KEY = 100;

/** A value as a key: equal keys mean equal values. */
export function keyOf(value: Value): string {
  const before = keys.get(value);
  if (before !== undefined) return before;
  const written = writtenKey(value);
  const key = written.length <= LONGEST_KEY ? written : `#${digest(written)}`;
  keys.set(value, key);
  return key;
}

function writtenKey(value: Value): string {
  switch (value.kind) {
    case "known":
      return typeof value.value === "string" ? JSON.stringify(value.value) : String(value.value);
    case "unknown":
      return value.id;
    case "text":
      return `\`${value.parts.map((part) => (typeof part === "string" ? part : keyOf(part))).join("")}\``;
    case "either":
      return `${value.decision.id}?${value.arms.map(keyOf).join(":")}`;
    case "list":
      return `[${value.items.map(keyOf).join(",")}]`;
    case "each":
      return `${keyOf(value.source)} each ${keyOf(value.item)}`;
    case "object":
      return `{${[...value.properties].map(([name, item]) => `${name}:${keyOf(item)}`).join(",")}${
        value.rest === null && value.lazy === undefined ? "" : `,${value.rest?.id ?? ""}…`
      }}`;
    case "function":
    case "class":
      return `${value.kind} ${value.scope.module.file}:${value.node.start}`;
    case "native":
      return `native ${value.name}`;
    case "markup":
      return `markup ${value.source.file}:${value.source.start}@${value.instance}`;
    case "component":
      return `component ${value.component.source.file}:${value.component.source.start}`;
    case "tree":
      return "tree";
    default:
      return value satisfies never;
  }
}

/** A value, and where it is not given what counts instead. */
export function orElse(value: Value | undefined, otherwise: Value): Value {
  return value === undefined
    ? otherwise
    : inEveryArm(value, (one) => (one.kind === "known" && one.value === undefined ? otherwise : one));
}

/** What is made of all that a value may be. What arms share is made once: written out, they may be beyond count. */
export function inEveryArm<T>(value: Value, make: (one: SingleValue) => T | Either<T>): T | Either<T> {
  const made = new Map<Value, T | Either<T>>();
  const inArm = (one: Value): T | Either<T> => {
    if (one.kind !== "either") return make(one);
    let known = made.get(one);
    if (known === undefined) {
      known = { kind: "either", decision: one.decision, arms: one.arms.map((arm) => inArm(arm) as T) };
      made.set(one, known);
    }
    return known;
  };
  return inArm(value);
}

/** All that a value may be, each once, in the order in which it is written. */
export function everyArm(value: Value): readonly SingleValue[] {
  const met = new Set<Value>();
  const found: SingleValue[] = [];
  const visit = (one: Value): void => {
    if (met.has(one)) return;
    met.add(one);
    if (one.kind === "either") one.arms.forEach(visit);
    else found.push(one);
  };
  visit(value);
  return found;
}

export const isNullish = (value: Value): boolean =>
  value.kind === "known" && (value.value === null || value.value === undefined);

/** Whether a value counts as true; null where that is open. */
export function truthOf(value: SingleValue): boolean | null {
  switch (value.kind) {
    case "known":
      return Boolean(value.value);
    case "unknown":
      return /^(?:function|list|date)$/.test(value.type) ? true : null;
    case "text":
      return value.parts.some((part) => typeof part === "string" && part !== "") ? true : null;
    default:
      return true;
  }
}

export type { Decision, Either };
