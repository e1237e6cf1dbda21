import { NO } from "../css/certainty.ts";
import { referencedElements } from "../document/document-index.ts";
import { displaySize } from "../document/form-controls.ts";
import type { ElementNode, Node, Span } from "../document/node.ts";
import { isVoid } from "../document/void-elements.ts";
import { attributeText, hasAttribute, hasHole, writtenText } from "../document/written.ts";
import { focusCause, tabindexOf } from "../rendering/focusable.ts";
import { areaIsUsed } from "../rendering/image-map.ts";
import { generatedText } from "./generated-content.ts";
import type { NameFrom, Semantics, States } from "./semantics.ts";
import { spokenValue } from "./states.ts";
import { roleless } from "./tables/native-roles.ts";
import { type Role, roleRow } from "./tables/roles.ts";
import { stateRow } from "./tables/states.ts";
import { foldSpaces } from "./text-collector.ts";

/** One thing that assistive technology is given. */
export type TreeNode = ElementTreeNode | TextTreeNode;

export interface ElementTreeNode {
  readonly kind: "element";
  readonly element: ElementNode;
  readonly role: Role;
  readonly name: string;
  readonly nameFrom: NameFrom | null;
  readonly description: string;
  readonly states: States;
  readonly value: string | null;
  /** False where source leaves open whether it is there or what it is called. */
  readonly certain: boolean;
  readonly children: readonly TreeNode[];
}

export interface TextTreeNode {
  readonly kind: "text";
  readonly text: string;
  readonly certain: boolean;
  readonly source: Span | null;
}

/**
 * The accessibility tree of a page: exposed elements in the order they are read, `aria-owns` applied. WAI-ARIA 1.2 §7.
 * Elements with role none, and generic ones that say nothing, give their place to their children. Null for a page
 * without a root element.
 */
export function accessibilityTree(semantics: Semantics): ElementTreeNode | null {
  const { index } = semantics.page;
  const root = index.document.children.find((node) => node.kind === "element");
  if (root === undefined || root.kind !== "element") return null;
  const owners = ownership(semantics);
  const rootNode = treeNode(semantics, root);
  const stack: {
    readonly nodes: readonly Node[];
    readonly into: TreeNode[];
    readonly ownedFrom: number;
    readonly silent: boolean;
    next: number;
    readonly after: TextTreeNode | null;
  }[] = [];

  /** Puts the children of an element on the stack; owned elements after its own. */
  const enter = (element: ElementNode, into: TreeNode[]) => {
    const { reason, rendered, ownTextHidden } = semantics.presence.of(element);
    const silent = reason !== null || rendered === NO || ownTextHidden;
    const owned = owners.owned.get(element);
    const children = index.flatChildren(element);
    const nodes = owned === undefined ? children : [...children, ...owned];
    const before = silent ? null : generatedNode(semantics, element, "before");
    if (before !== null) into.push(before);
    stack.push({
      nodes,
      into,
      ownedFrom: children.length,
      silent,
      next: 0,
      after: silent ? null : generatedNode(semantics, element, "after"),
    });
  };

  enter(root, rootNode.children);
  for (let frame = stack.at(-1); frame !== undefined; frame = stack.at(-1)) {
    const index = frame.next++;
    const node = frame.nodes[index];
    if (node === undefined) {
      if (frame.after !== null) frame.into.push(frame.after);
      stack.pop();
      continue;
    }
    if (node.kind === "comment") continue;
    if (node.kind === "hole") {
      if (!frame.silent)
        frame.into.push({
          kind: "text",
          text: `{${node.hole.hole}}`,
          certain: false,
          source: node.hole.source,
        });
      continue;
    }
    if (node.kind === "text") {
      const text = foldSpaces(writtenText(node.value));
      if (!frame.silent && text !== "")
        frame.into.push({ kind: "text", text, certain: !hasHole(node.value), source: node.source });
      continue;
    }
    // Where it was written, what another element owns is left out.
    if (index < frame.ownedFrom && owners.ownerOf.has(node)) continue;
    if (!isOffered(semantics, node)) continue;
    const { exposed, reason } = semantics.presence.of(node);
    if (exposed === NO) {
      // What is made visible again inside a `visibility: hidden` part is read.
      if (reason === "visibility: hidden") enter(node, frame.into);
      continue;
    }
    if (!isTold(semantics, node)) {
      if (hasReadableChildren(semantics, node)) enter(node, frame.into);
      continue;
    }
    const inner = treeNode(semantics, node);
    frame.into.push(inner);
    if (hasReadableChildren(semantics, node)) enter(node, inner.children);
  }
  return rootNode;
}

interface Ownership {
  readonly owned: ReadonlyMap<ElementNode, readonly ElementNode[]>;
  readonly ownerOf: ReadonlyMap<ElementNode, ElementNode>;
}

/** Elements that have nothing inside for anyone: what they claim stays where it was written. */
const cannotOwn = new Set("textarea select progress meter iframe video audio canvas".split(" "));

/** Who owns whom by `aria-owns`: the first owner in document order; nobody owns an ancestor. WAI-ARIA 1.2 §6.6. */
function ownership(semantics: Semantics): Ownership {
  const { index } = semantics.page;
  const owned = new Map<ElementNode, ElementNode[]>();
  const ownerOf = new Map<ElementNode, ElementNode>();
  for (const element of index.elements) {
    if (!element.attributes.has("aria-owns") || semantics.presence.of(element).exposed === NO) continue;
    if (element.namespace === "html" && (cannotOwn.has(element.tag) || isVoid(element.tag))) continue;
    for (const target of referencedElements(index, element, "aria-owns")) {
      if (ownerOf.has(target)) continue;
      let up: ElementNode | null = element;
      while (up !== null && up !== target) up = ownerOf.get(up) ?? index.flatParent(up);
      if (up === target) continue;
      ownerOf.set(target, element);
      const list = owned.get(element);
      if (list === undefined) owned.set(element, [target]);
      else list.push(target);
    }
  }
  return { owned, ownerOf };
}

function treeNode(
  semantics: Semantics,
  element: ElementNode,
): ElementTreeNode & { readonly children: TreeNode[] } {
  const role = semantics.role(element);
  const name = semantics.name(element);
  return {
    kind: "element",
    element,
    role: role.role ?? "generic",
    name: name.text,
    nameFrom: name.from,
    description: semantics.description(element).text,
    states: semantics.states(element),
    value: spokenValue(semantics, element),
    certain: role.certain && name.certain && element.presence === "always" && !element.repeats,
    children: [],
  };
}

/** Elements that are never given to anyone, whatever styles say. */
function isOffered(semantics: Semantics, element: ElementNode): boolean {
  if (element.namespace !== "html") return true;
  if (element.tag === "br" || element.tag === "wbr" || element.tag === "col" || element.tag === "colgroup")
    return false;
  if (element.tag === "area")
    return areaIsUsed(semantics.page, semantics.presence, element, "assistive technology");
  return true;
}

/** Whether an exposed element gets a node of its own. */
export function isTold(semantics: Semantics, element: ElementNode): boolean {
  const { role } = semantics.role(element);
  if (role === "none") return false;
  if (role === "graphics-document" && element.tag === "svg")
    return saysSomething(semantics, element) || hasAttribute(element, "role");
  if (role !== null && role !== "generic") return true;
  if (element.namespace === "html" && rolelessWord(element) !== null) return true;
  if (element.tag === "body" || element.tag === "html") return false;
  return (
    saysSomething(semantics, element) ||
    (tabindexOf(element) !== null && focusCause(semantics.page.index, element) !== null)
  );
}

/** What a control without a role of WAI-ARIA is called; null for everything else. */
export const rolelessWord = (element: ElementNode): string | null =>
  roleless[
    element.tag === "input" ? `input:${attributeText(element, "type")?.toLowerCase() ?? "text"}` : element.tag
  ] ?? null;

function saysSomething(semantics: Semantics, element: ElementNode): boolean {
  for (const name of element.attributes.keys()) {
    if (!name.startsWith("aria-") || name === "aria-hidden") continue;
    if (stateRow(name.slice("aria-".length))?.global === true && attributeText(element, name)?.trim() !== "")
      return true;
  }
  if (!element.attributes.has("title") && element.namespace === "html") return false;
  return semantics.name(element).text !== "" || semantics.description(element).text !== "";
}

/** Whether what is inside is told apart, or is flattened into the element. WAI-ARIA 1.2 §5.2.8.6, "children presentational". */
function hasReadableChildren(semantics: Semantics, element: ElementNode): boolean {
  const { role } = semantics.role(element);
  if (element.namespace === "html") {
    if (element.tag === "textarea" || element.tag === "iframe") return false;
    if (element.tag === "select") return role !== "combobox" || displaySize(element) > 1;
    if (element.tag === "summary") return true;
  }
  return role === null || roleRow(role).childrenPresentational !== true;
}

function generatedNode(
  semantics: Semantics,
  element: ElementNode,
  pseudo: "before" | "after",
): TextTreeNode | null {
  const generated = generatedText(semantics.page.styles, element, pseudo);
  if (generated === null) return null;
  const text = foldSpaces(generated.text);
  return text === "" ? null : { kind: "text", text, certain: generated.certain, source: null };
}
