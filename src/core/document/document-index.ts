import { assignSlots } from "./flat-tree.ts";
import type { Document, ElementNode, Node, ShadowRoot, TreeRoot } from "./node.ts";
import { attributeText, attributeTokens } from "./written.ts";

/** What the index knows of an element beside its own data. */
export interface ElementRecord {
  readonly parent: ElementNode | null;
  /** The tree it lives in: the document or a shadow root. */
  readonly root: TreeRoot;
  /** Place in document order, shadow content after its host; dense from 0. */
  readonly order: number;
  /** 1-based place among its element siblings. */
  readonly place: number;
  readonly previous: ElementNode | null;
}

export interface DocumentIndex {
  readonly document: Document;
  /** Every element in document order, shadow content after its host and before the host's own children. */
  readonly elements: readonly ElementNode[];
  record(element: ElementNode): ElementRecord;
  parent(element: ElementNode): ElementNode | null;
  host(root: ShadowRoot): ElementNode;
  childElements(parent: ElementNode | TreeRoot): readonly ElementNode[];
  /** The first element with the id in the tree of `from`, as references find it. */
  byId(from: ElementNode, id: string): ElementNode | null;
  /** All elements with the id in one tree, in document order. */
  allWithId(root: TreeRoot, id: string): readonly ElementNode[];
  /** Ids that occur more than once, by tree. */
  readonly repeatedIds: readonly { root: TreeRoot; id: string; elements: readonly ElementNode[] }[];
  byTag(tag: string): readonly ElementNode[];
  /** `label` elements whose labeled control this is, in tree order. HTML §4.10.4. */
  labels(control: ElementNode): readonly ElementNode[];
  /** The labeled control of a `label`; null when it has none. */
  labeledControl(label: ElementNode): ElementNode | null;
  /** Parent and children in the flat tree: shadow content instead of light children, slots filled. */
  flatParent(node: ElementNode): ElementNode | null;
  flatChildren(element: ElementNode): readonly Node[];
}

/** Elements that a `label` can label. HTML §4.10.2, "labelable elements"; custom elements may be form-associated. */
const labelable = new Set(["button", "input", "meter", "output", "progress", "select", "textarea"]);

export const isLabelable = (element: ElementNode): boolean =>
  element.namespace === "html" &&
  (element.tag === "input"
    ? attributeText(element, "type")?.toLowerCase() !== "hidden"
    : labelable.has(element.tag) || element.tag.includes("-"));

/** Builds every lookup a question may need in one pass over the tree, without recursion. */
export function indexDocument(document: Document): DocumentIndex {
  const records = new Map<ElementNode, ElementRecord>();
  const elements: ElementNode[] = [];
  const hosts = new Map<ShadowRoot, ElementNode>();
  const children = new Map<ElementNode | TreeRoot, ElementNode[]>();
  const ids = new Map<TreeRoot, Map<string, ElementNode[]>>();
  const tags = new Map<string, ElementNode[]>();
  const noElements: readonly ElementNode[] = [];

  interface Frame {
    readonly nodes: readonly Node[];
    readonly parent: ElementNode | null;
    readonly root: TreeRoot;
    next: number;
    place: number;
    previous: ElementNode | null;
  }
  const stack: Frame[] = [
    { nodes: document.children, parent: null, root: document, next: 0, place: 0, previous: null },
  ];
  const push = (nodes: readonly Node[], parent: ElementNode | null, root: TreeRoot) => {
    if (nodes.length > 0) stack.push({ nodes, parent, root, next: 0, place: 0, previous: null });
  };
  for (let frame = stack.at(-1); frame !== undefined; frame = stack.at(-1)) {
    const node = frame.nodes[frame.next++];
    if (node === undefined) {
      stack.pop();
      continue;
    }
    if (node.kind !== "element") continue;
    frame.place++;
    records.set(node, {
      parent: frame.parent,
      root: frame.root,
      order: elements.length,
      place: frame.place,
      previous: frame.previous,
    });
    frame.previous = node;
    elements.push(node);
    const siblings = children.get(frame.parent ?? frame.root);
    if (siblings === undefined) children.set(frame.parent ?? frame.root, [node]);
    else siblings.push(node);
    const sameTag = tags.get(node.tag);
    if (sameTag === undefined) tags.set(node.tag, [node]);
    else sameTag.push(node);
    const id = attributeText(node, "id");
    if (id !== null && id !== "") {
      let inTree = ids.get(frame.root);
      if (inTree === undefined) {
        inTree = new Map();
        ids.set(frame.root, inTree);
      }
      const same = inTree.get(id);
      if (same === undefined) inTree.set(id, [node]);
      else same.push(node);
    }
    // The light children wait below the shadow content on the stack, so that they come after it.
    push(node.children, node, frame.root);
    if (node.shadow !== null) {
      hosts.set(node.shadow, node);
      push(node.shadow.children, null, node.shadow);
    }
  }

  const record = (element: ElementNode): ElementRecord => {
    const found = records.get(element);
    if (found === undefined) throw new Error(`<${element.tag}> is not in this document`);
    return found;
  };
  const allWithId = (root: TreeRoot, id: string) => ids.get(root)?.get(id) ?? noElements;
  const repeatedIds = [...ids].flatMap(([root, inTree]) =>
    [...inTree].filter(([, same]) => same.length > 1).map(([id, same]) => ({ root, id, elements: same })),
  );

  const labeledControls = new Map<ElementNode, ElementNode | null>();
  const labelsOf = new Map<ElementNode, ElementNode[]>();
  for (const label of tags.get("label") ?? noElements) {
    if (label.namespace !== "html") continue;
    const control = labeledControlOf(label, (id) => allWithId(record(label).root, id)[0] ?? null);
    labeledControls.set(label, control);
    if (control === null) continue;
    const known = labelsOf.get(control);
    if (known === undefined) labelsOf.set(control, [label]);
    else known.push(label);
  }

  const slots = assignSlots(hosts, tags.get("slot") ?? [], (slot) => record(slot).root);

  return {
    document,
    elements,
    record,
    parent: (element) => record(element).parent,
    host(root) {
      const host = hosts.get(root);
      if (host === undefined) throw new Error("a shadow root without a host");
      return host;
    },
    childElements: (parent) => children.get(parent) ?? noElements,
    byId: (from, id) => allWithId(record(from).root, id)[0] ?? null,
    allWithId,
    repeatedIds,
    byTag: (tag) => tags.get(tag) ?? noElements,
    labels: (control) => labelsOf.get(control) ?? noElements,
    labeledControl: (label) => labeledControls.get(label) ?? null,
    flatParent(node) {
      const { parent, root } = record(node);
      if (parent === null) return "mode" in root ? (hosts.get(root) ?? null) : null;
      return parent.shadow === null ? parent : (slots.slotOf.get(node) ?? null);
    },
    flatChildren(element) {
      if (element.shadow !== null) return element.shadow.children;
      return slots.assigned.get(element) ?? element.children;
    },
  };
}

/** HTML §4.10.4: `for` decides when it is there; else the first labelable descendant in tree order. */
function labeledControlOf(label: ElementNode, byId: (id: string) => ElementNode | null): ElementNode | null {
  if (label.attributes.has("for")) {
    const id = attributeText(label, "for");
    const target = id === null || id === "" ? null : byId(id);
    return target !== null && isLabelable(target) ? target : null;
  }
  const stack: Node[] = [...label.children].reverse();
  for (let node = stack.pop(); node !== undefined; node = stack.pop()) {
    if (node.kind !== "element") continue;
    if (isLabelable(node)) return node;
    for (let i = node.children.length - 1; i >= 0; i--) {
      const child = node.children[i];
      if (child !== undefined) stack.push(child);
    }
  }
  return null;
}

/** The elements that an id-reference attribute names, in order, once each; unresolved ids are left out. */
export function referencedElements(
  index: DocumentIndex,
  element: ElementNode,
  attribute: string,
): readonly ElementNode[] {
  const found = new Set<ElementNode>();
  for (const id of attributeTokens(element, attribute)) {
    const target = index.byId(element, id);
    if (target !== null) found.add(target);
  }
  return [...found];
}
