import type { Attribute, Document, ElementNode, Hole, Node, Written } from "../document/node.ts";
import type { Decision } from "./decision.ts";
import type { ComposedTree, ListenerCode, TreeAttribute, TreeElement, TreeNode, TreeValue } from "./tree.ts";

/** One way in which all that is open may fall: what is chosen, and for the rest the first or the last arm. */
export interface World {
  readonly chosen: ReadonlyMap<string, number>;
  readonly rest: "first" | "last";
}

export const firstArms: World = { chosen: new Map(), rest: "first" };
export const lastArms: World = { chosen: new Map(), rest: "last" };

/** A world as a document, and where in the tree each of its elements comes from. */
export interface WorldDocument {
  readonly document: Document;
  readonly origins: ReadonlyMap<ElementNode, TreeElement>;
}

export function armIn({ chosen, rest }: World, decision: Decision): number {
  return chosen.get(decision.id) ?? (rest === "first" ? 0 : decision.arms.length - 1);
}

/** The tree as it is in one world: nothing in it is open but values that nobody can list. */
export function documentIn(tree: ComposedTree, world: World): WorldDocument {
  const origins = new Map<ElementNode, TreeElement>();

  function nodes(from: readonly TreeNode[], into: Node[]): Node[] {
    for (const node of from) {
      if (node.kind === "either") nodes(node.arms[armIn(world, node.decision)] ?? [], into);
      else if (node.kind === "element") into.push(element(node));
      else if (node.kind === "text") {
        const value = valueIn(world, node.value);
        if (value !== null && value !== "") into.push({ kind: "text", value, source: node.source });
      } else into.push(node);
    }
    return into;
  }

  function element(node: TreeElement): ElementNode {
    const attributes = new Map<string, Attribute>();
    for (const attribute of node.attributes) add(attributes, attribute, world);
    const listeners = listenersIn(node.listeners, attributes, world);
    const element: ElementNode = {
      kind: "element",
      tag: node.tag,
      ...(node.writtenTag === undefined ? {} : { writtenTag: node.writtenTag }),
      ...(node.isTagGiven === true ? { isTagGiven: true } : {}),
      namespace: node.namespace,
      attributes,
      spread: node.spread,
      presence: "always",
      repeats: node.repeats,
      listeners,
      children: nodes(node.children, []),
      shadow: null,
      source: node.source,
      endTag: node.endTag,
      components: node.components,
    };
    origins.set(element, node);
    return element;
  }

  const children = nodes(tree.children, []);
  matchIds([...origins.keys()]);
  return { document: { kind: tree.kind, file: tree.file, children, quirks: false }, origins };
}

/** Attributes that refer to elements by their ids. HTML §4.10.4, §4.9.11; WAI-ARIA 1.2, "ID reference". */
export const references = [
  "for",
  "headers",
  "list",
  "form",
  "aria-activedescendant",
  "aria-controls",
  "aria-describedby",
  "aria-details",
  "aria-errormessage",
  "aria-flowto",
  "aria-labelledby",
  "aria-owns",
];

/**
 * An id that nobody knows is still the same wherever the same value is used: a reference to it then finds its element.
 * One that finds none stays open, as its element may be elsewhere.
 */
function matchIds(elements: readonly ElementNode[]): void {
  const ids = new Set<string>();
  const names = new HoleNames();
  for (const { attributes } of elements) {
    const id = attributes.get("id");
    if (id === undefined || typeof id.value === "string") continue;
    const named = byKey(id.value, names);
    if (named === null) continue;
    ids.add(named);
    (attributes as Map<string, Attribute>).set("id", { ...id, value: named });
  }
  if (ids.size === 0) return;
  for (const { attributes } of elements)
    for (const name of references) {
      const reference = attributes.get(name);
      if (reference === undefined || typeof reference.value === "string") continue;
      const named = byKey(reference.value, names);
      if (named?.split(" ").every((id) => ids.has(id)) === true)
        (attributes as Map<string, Attribute>).set(name, { ...reference, value: named });
    }
}

/** What is not known, as source writes it; what source writes alike and is another value has a number beside it. */
class HoleNames {
  readonly #names = new Map<string, string>();
  readonly #counts = new Map<string, number>();

  of(key: string, { hole }: Hole): string {
    let name = this.#names.get(key);
    if (name === undefined) {
      const written = hole.replace(/\s/g, "_");
      const count = (this.#counts.get(written) ?? 0) + 1;
      this.#counts.set(written, count);
      name = count === 1 ? `{${written}}` : `{${written}~${count}}`;
      this.#names.set(key, name);
    }
    return name;
  }
}

/** A value with what is not known in it named by its key; null where it has none. */
function byKey(value: Written, names: HoleNames): string | null {
  if (typeof value === "string") return value;
  const parts = Array.isArray(value) ? (value as readonly (string | Hole)[]) : [value as Hole];
  const texts = parts.map((part) =>
    typeof part === "string" ? part : part.key === undefined ? null : names.of(part.key, part),
  );
  return texts.includes(null) ? null : texts.join("");
}

function add(attributes: Map<string, Attribute>, { name, value, source }: TreeAttribute, world: World): void {
  const known = valueIn(world, value);
  if (known !== null) attributes.set(name, { name, value: known, source });
}

/** Handlers stand among the attributes as they do in a page, so that one check reads both. */
function listenersIn(
  listeners: TreeElement["listeners"],
  attributes: Map<string, Attribute>,
  world: World,
): ReadonlySet<string> | "unknown" {
  if (listeners === "unknown") return listeners;
  const there = new Set<string>();
  for (const [event, listener] of listeners) {
    if (!isPresent(listener, world)) continue;
    there.add(event);
    attributes.set(`on${event}`, {
      name: `on${event}`,
      value: listener.code,
      source: listener.source,
      ...(listener.name === undefined ? {} : { handler: listener.name }),
    });
  }
  return there;
}

const isPresent = ({ present }: ListenerCode, world: World): boolean =>
  present === true || present.arms[armIn(world, present.decision)] === true;

function valueIn(world: World, value: TreeValue): Exclude<TreeValue, { readonly kind: "either" }> {
  let current = value;
  while (current !== null && typeof current === "object" && "kind" in current)
    current = current.arms[armIn(world, current.decision)] ?? null;
  return current;
}

/** Every decision of a tree, in the order in which it is met; one inside an arm after the one it hangs on. */
export const decisionsIn = (nodes: readonly TreeNode[]): readonly Decision[] =>
  [...waysIn(nodes)].map(([decision]) => decision);

/** How other decisions must fall for one to matter: the arms that it stands in. */
export type Way = ReadonlyMap<string, number>;

/** The same, each with the shortest way to a place where it matters. */
export function waysIn(nodes: readonly TreeNode[]): ReadonlyMap<Decision, Way> {
  const found = new Map<string, { readonly decision: Decision; way: Way }>();
  let way: Way = new Map();
  const note = (decision: Decision) => {
    const known = found.get(decision.id);
    if (known === undefined) found.set(decision.id, { decision, way });
    else if (way.size < known.way.size) known.way = way;
  };
  const inArm = (decision: Decision, arm: number, visit: () => void): void => {
    const before = way;
    // What stands in a first arm is there as long as nothing is turned.
    if (arm > 0) way = new Map(way).set(decision.id, arm);
    visit();
    way = before;
  };
  const met = new Set<TreeValue>();
  const inValue = (value: TreeValue | boolean): void => {
    if (value === null || typeof value !== "object" || !("kind" in value)) return;
    // Arms may share what they hold.
    if (met.has(value)) return;
    met.add(value);
    note(value.decision);
    for (const [i, arm] of value.arms.entries()) inArm(value.decision, i, () => inValue(arm));
  };
  const visit = (node: TreeNode): void => {
    if (node.kind === "either") {
      note(node.decision);
      for (const [i, arm] of node.arms.entries()) inArm(node.decision, i, () => arm.forEach(visit));
    } else if (node.kind === "text") inValue(node.value);
    else if (node.kind === "element") {
      for (const attribute of node.attributes) inValue(attribute.value);
      if (node.listeners !== "unknown")
        for (const { present } of node.listeners.values()) if (present !== true) note(present.decision);
      node.children.forEach(visit);
    }
  };
  nodes.forEach(visit);
  return new Map([...found.values()].map(({ decision, way: shortest }) => [decision, shortest]));
}
