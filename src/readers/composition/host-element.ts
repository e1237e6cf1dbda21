import type { ComponentFrame, Hole, Namespace, Span, Written } from "../../core/document/node.ts";
import type {
  ListenerCode,
  TreeAttribute,
  TreeElement,
  TreeNode,
  TreeValue,
} from "../../core/worlds/tree.ts";
import {
  everyArm,
  type FunctionValue,
  inEveryArm,
  isNullish,
  type SingleValue,
  truthOf,
  type Unknown,
  type Value,
} from "../script/value.ts";

/** One attribute as a component writes it, its value not yet turned into text. */
export interface WrittenAttribute {
  readonly name: string;
  readonly value: Value;
  readonly source: Span | null;
}

/** An element of the page, put together from what a component gives it. */
export interface HostRequest {
  readonly tag: string;
  readonly writtenTag?: string;
  readonly isTagGiven?: boolean;
  readonly namespace: Namespace;
  readonly attributes: readonly WrittenAttribute[];
  readonly listeners: ReadonlyMap<string, { readonly value: Value; readonly source: Span | null }>;
  /** Whether code that is not in the markup may listen too. */
  readonly mayListen: boolean;
  readonly spread: Unknown | null;
  readonly children: readonly TreeNode[];
  readonly source: Span;
  readonly endTag: Span | null;
  readonly components: readonly ComponentFrame[];
  readonly overwrites?: true;
}

export const holeOf = ({ text, source, id }: Unknown): Hole => ({
  hole: text,
  source,
  mayBeEmpty: false,
  key: id,
});

export function hostElement(request: HostRequest): TreeElement {
  const attributes: TreeAttribute[] = [];
  for (const { name, value, source } of request.attributes) {
    const written = attributeValue(name, value);
    if (written !== null) attributes.push({ name, value: written, source });
  }
  return {
    kind: "element",
    tag: request.tag,
    ...(request.writtenTag === undefined ? {} : { writtenTag: request.writtenTag }),
    ...(request.isTagGiven === true ? { isTagGiven: true } : {}),
    namespace: request.namespace,
    attributes,
    spread: request.spread === null ? null : holeOf(request.spread),
    repeats: false,
    listeners: request.mayListen || request.spread !== null ? "unknown" : listenersOf(request.listeners),
    children: request.children,
    source: request.source,
    endTag: request.endTag,
    components: request.components,
    ...(request.overwrites === true ? { overwrites: request.overwrites } : {}),
  };
}

/** Attributes whose `false` is a value and not their absence. HTML, "enumerated attribute"; WAI-ARIA states. */
const saysFalse = (name: string): boolean =>
  name.startsWith("aria-") ||
  name.startsWith("data-") ||
  /^(?:contenteditable|draggable|spellcheck)$/.test(name);

/** A value as the attribute it becomes; null where it becomes none. */
export function attributeValue(name: string, value: Value): TreeValue {
  return inEveryArm(value, (one) => singleAttribute(name, one));
}

function singleAttribute(name: string, value: SingleValue): TreeValue {
  switch (value.kind) {
    case "known":
      if (isNullish(value)) return null;
      if (typeof value.value === "boolean") {
        if (saysFalse(name)) return String(value.value);
        return value.value ? "" : null;
      }
      return String(value.value);
    case "text":
      return value.parts.map((part) => (typeof part === "string" ? part : holeOf(part)));
    case "unknown":
      return value.type === "function" ? null : holeOf(value);
    default:
      return null;
  }
}

/** Text that a value shows; null where it shows none. */
export function shownText(value: Value): Written | null {
  switch (value.kind) {
    case "known":
      return typeof value.value === "string" || typeof value.value === "number" ? String(value.value) : null;
    case "text":
      return value.parts.map((part) => (typeof part === "string" ? part : holeOf(part)));
    case "unknown":
      return value.type === "string" || value.type === "number" ? holeOf(value) : null;
    default:
      return null;
  }
}

function listenersOf(written: HostRequest["listeners"]): ReadonlyMap<string, ListenerCode> {
  const listeners = new Map<string, ListenerCode>();
  for (const [event, { value, source }] of written) {
    const listener = listenerOf(value, source);
    if (listener !== null) listeners.set(event, listener);
  }
  return listeners;
}

function listenerOf(value: Value, source: Span | null): ListenerCode | null {
  switch (value.kind) {
    case "known":
      return null;
    case "function":
      return {
        code: handlerCode(value),
        ...(value.name === "" ? {} : { name: value.name }),
        source,
        present: true,
      };
    case "unknown":
      return { code: value.text, source, present: true };
    case "native":
      return { code: value.name, source, present: true };
    case "either": {
      const arms = everyArm(value).map((arm) => listenerOf(arm, source));
      const some = arms.find((arm) => arm !== null);
      if (some == null) return null;
      return arms.every((arm) => arm !== null)
        ? { ...some, present: true }
        : {
            code: some.code,
            source,
            present: {
              kind: "either",
              decision: value.decision,
              arms: value.arms.map((arm) => mayCall(arm)),
            },
          };
    }
    default:
      return { code: "", source, present: true };
  }
}

const mayCall = (value: Value): boolean =>
  everyArm(value).some((one) => one.kind !== "known" && truthOf(one) !== false);

/** What a handler does, as an inline handler of a page would be written: its event is called `event`. */
function handlerCode({ node, scope }: FunctionValue): string {
  const { body } = node;
  const text = scope.module.text;
  const code =
    body.type === "BlockStatement"
      ? text.slice((body.start ?? 0) + 1, (body.end ?? 1) - 1)
      : text.slice(body.start ?? 0, body.end ?? 0);
  const [first] = node.params;
  const name = first?.type === "Identifier" ? first.name : null;
  return name === null
    ? code.trim()
    : code.replace(new RegExp(`\\b${name.replaceAll("$", "\\$")}\\b`, "g"), "event").trim();
}

/** Elements that belong to drawings or formulas wherever they stand. */
const drawn = new Set(["svg"]);

export const namespaceOf = (tag: string, around: Namespace): Namespace =>
  drawn.has(tag) ? "svg" : tag === "math" ? "math" : around;
