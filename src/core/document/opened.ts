import type { Attribute, Document, ElementNode, Node } from "./node.ts";
import { attributeText, attributeToken, hasAttribute } from "./written.ts";

/** A page with everything open that anyone can open without a script. */
export interface Opened {
  readonly document: Document;
  /** What was opened, each with when it shows. */
  readonly parts: ReadonlyMap<ElementNode, string>;
}

/**
 * Opens closed `<details>`, popovers and dialogs that a button of the page opens, and what is hidden until it is found;
 * null where there is nothing of the kind. HTML §4.11.1, §6.12, §6.1.
 */
export function opened(document: Document): Opened | null {
  const invoked = invokedIds(document.children);
  const parts = new Map<ElementNode, string>();
  const open = (node: Node): Node => {
    if (node.kind !== "element") return node;
    const children = node.children.map(open);
    const changed = children.some((child, i) => child !== node.children[i]) ? { ...node, children } : node;
    const shows = node.namespace === "html" ? closedPart(node, invoked) : null;
    if (shows === null) return changed;
    const attributes = new Map(node.attributes);
    attributes.delete("hidden");
    attributes.delete("popover");
    if (node.tag === "details" || node.tag === "dialog") attributes.set("open", isOpen);
    const part = { ...changed, attributes };
    parts.set(part, shows);
    return part;
  };
  const children = document.children.map(open);
  return parts.size === 0 ? null : { document: { ...document, children }, parts };
}

const isOpen: Attribute = { name: "open", value: "", source: null };

/** When a part shows that is closed, and that anyone can open; null for any other. */
function closedPart(element: ElementNode, invoked: ReadonlySet<string>): string | null {
  const id = attributeText(element, "id") ?? "";
  if (element.tag === "details")
    return hasAttribute(element, "open") ? null : "the <details> around it is open";
  if (element.tag === "dialog" && !hasAttribute(element, "open") && invoked.has(id))
    return "its dialog is open";
  if (element.attributes.has("popover") && invoked.has(id)) return "its popover is open";
  return attributeToken(element, "hidden") === "until-found" ? "a search in the page finds it" : null;
}

/** Ids that buttons of the page open by themselves. */
function invokedIds(nodes: readonly Node[], found = new Set<string>()): ReadonlySet<string> {
  for (const node of nodes) {
    if (node.kind !== "element") continue;
    const id = attributeText(node, "popovertarget") ?? attributeText(node, "commandfor");
    if (id !== null) found.add(id);
    invokedIds(node.children, found);
  }
  return found;
}
