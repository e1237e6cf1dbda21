import { NO, YES } from "../css/certainty.ts";
import { elementsBelow, firstOf } from "../document/around.ts";
import { inputType } from "../document/form-controls.ts";
import type { ElementNode, Node } from "../document/node.ts";
import { attributeText, attributeToken, hasAttribute } from "../document/written.ts";
import { isDetailsSummary } from "../rendering/details-summary.ts";
import { type FocusCause, focusCause, isTabbable, tabindexOf } from "../rendering/focusable.ts";
import type { Page } from "../rendering/page.ts";
import type { PresenceMap } from "../rendering/presence.ts";
import { readingOrderOf } from "./reading-flow.ts";

/** A document in which keys are pressed, and the documents its frames show. */
export interface FocusDocument {
  readonly page: Page;
  readonly presence: PresenceMap;
  /** The document a frame shows, where its source was read. */
  frame(element: ElementNode): FocusDocument | null;
  /** How it was laid out; null where nothing has. */
  readonly seen?: { readonly usual: { clip(element: ElementNode): ScrollBox | null } } | null;
}

/** What cuts off or scrolls what is in it: how, what shows through, and how much there is. CSS Overflow 3. */
interface ScrollBox {
  readonly x: string;
  readonly y: string;
  readonly inside: { readonly width: number; readonly height: number };
  readonly content: { readonly width: number; readonly height: number };
}

/** One place where Tab stops. */
export interface Stop {
  readonly element: ElementNode;
  /** The document it is in: of a frame, or the page itself. */
  readonly document: FocusDocument;
  readonly cause: FocusCause | "built-in summary" | "scrolls";
  readonly tabindex: number | null;
  /** False where source does not tell for sure. */
  readonly certain: boolean;
}

export type Direction = "forwards" | "backwards";

/** Stops that are met together where the first of them stands: an element, or all that is in a scope. */
interface Unit {
  /** 0, or the positive tabindex by which it is ordered. */
  readonly rank: number;
  readonly stops: readonly Stop[];
}

/**
 * Where Tab goes once around from the top of a document (Shift+Tab from its end). HTML §6.6.3 and §6.6.6, "sequential
 * navigation search"; scopes, radio buttons, frames and the contents of editing hosts as browsers have them.
 */
export function tabSequence(document: FocusDocument, direction: Direction = "forwards"): readonly Stop[] {
  const all = stopsOfScope(document, document.page.index.document.children);
  return withoutRadios(direction === "forwards" ? all : all.toReversed());
}

/** The stops of one scope, in order: positive tabindexes by number, then the rest as they stand. */
function stopsOfScope(document: FocusDocument, nodes: readonly Node[]): readonly Stop[] {
  const units: Unit[] = [];
  const stack: { readonly nodes: readonly Node[]; next: number }[] = [{ nodes, next: 0 }];
  for (let frame = stack.at(-1); frame !== undefined; frame = stack.at(-1)) {
    const node = frame.nodes[frame.next++];
    if (node === undefined) stack.pop();
    else if (node.kind === "element") {
      const below = addUnits(document, node, units);
      if (below.length > 0) stack.push({ nodes: below, next: 0 });
    }
  }
  if (units.every(({ rank }) => rank === 0)) return units.flatMap(({ stops }) => stops);
  const rankOf = ({ rank }: Unit) => (rank === 0 ? Number.POSITIVE_INFINITY : rank);
  return units
    .toSorted((a, b) => (rankOf(a) === rankOf(b) ? 0 : rankOf(a) < rankOf(b) ? -1 : 1))
    .flatMap(({ stops }) => stops);
}

/** Adds what an element brings to its scope, and gives the nodes below it that belong to the same scope. */
function addUnits(document: FocusDocument, element: ElementNode, units: Unit[]): readonly Node[] {
  const { index, styles } = document.page;
  const tabindex = tabindexOf(element);
  const rank = tabindex !== null && tabindex > 0 ? tabindex : 0;
  if (focusCause(document.page.index, element) === "frame") {
    const stops = frameStops(document, element);
    if (stops.length > 0) units.push({ rank, stops });
    return [];
  }
  const stop = ownStop(document, element);
  if (element.shadow !== null) {
    // A negative tabindex takes the whole shadow tree out, and with it what is slotted there.
    if (tabindex !== null && tabindex < 0) return [];
    const inside = stopsOfScope(document, element.shadow.children);
    const host = stop === null || element.shadow.delegatesFocus ? [] : [stop];
    if (host.length + inside.length > 0) units.push({ rank, stops: [...host, ...inside] });
    return [];
  }
  if (element.tag === "details" && element.namespace === "html") {
    units.push({ rank, stops: [...(stop === null ? [] : [stop]), ...insideDetails(document, element)] });
    return [];
  }
  if (stop !== null) units.push({ rank, stops: [stop] });
  const below = index.flatChildren(element);
  if (below.length === 0) return below;
  // What fills a slot is a scope of its own; what a slot shows without being filled is part of its tree.
  const isScope = element.tag === "slot" && below !== element.children;
  const flow = styles.declares("reading-flow") ? readingOrderOf(styles, element, below) : null;
  if (!isScope && flow === null && !isFocusGroup(element)) return below;
  const stops = stopsOfScope(document, flow ?? below);
  if (stops.length > 0) units.push({ rank: 0, stops: isFocusGroup(element) ? stops.slice(0, 1) : stops });
  return [];
}

/** A browser keeps the summary of a `details` and what it opens in two slots of a tree of its own. HTML §15.5.4. */
function insideDetails(document: FocusDocument, details: ElementNode): readonly Stop[] {
  const tabindex = tabindexOf(details);
  if (tabindex !== null && tabindex < 0) return [];
  const { index } = document.page;
  const isSummary = (node: Node) => node.kind === "element" && isDetailsSummary(index, node);
  const below = index.flatChildren(details);
  return [below.filter(isSummary), below.filter((node) => !isSummary(node))].flatMap((slot) =>
    stopsOfScope(document, slot),
  );
}

/** The stop an element is by itself; null for none. */
function ownStop(document: FocusDocument, element: ElementNode): Stop | null {
  const { page, presence } = document;
  if (element.tag === "details" && element.namespace === "html" && !hasSummary(page, element)) {
    const { visible, inert } = presence.of(element);
    const tabindex = tabindexOf(element);
    return visible === NO || inert || (tabindex !== null && tabindex < 0)
      ? null
      : {
          element,
          document,
          cause: "built-in summary",
          tabindex,
          certain: visible === YES,
        };
  }
  const tabbable = isTabbable(page, presence, element);
  if (tabbable === false)
    return isScrolledByKeys(document, element)
      ? { element, document, cause: "scrolls", tabindex: null, certain: true }
      : null;
  const cause = focusCause(page.index, element) ?? "tabindex";
  return { element, document, cause, tabindex: tabindexOf(element), certain: tabbable === true };
}

/** A box that scrolls, with nothing in it that Tab stops at: browsers stop at the box. HTML §6.6.2, "scrollable regions". */
function isScrolledByKeys({ page, presence, seen }: FocusDocument, element: ElementNode): boolean {
  const clip = seen?.usual.clip(element) ?? null;
  if (clip === null || /^(?:html|body)$/.test(element.tag) || tabindexOf(element) !== null) return false;
  const { inside, content } = clip;
  const scrolls = (overflow: string, more: number) => /^(?:auto|scroll)$/.test(overflow) && more > 1;
  if (!scrolls(clip.x, content.width - inside.width) && !scrolls(clip.y, content.height - inside.height))
    return false;
  const { visible, inert } = presence.of(element);
  if (visible === NO || inert) return false;
  return (
    firstOf(elementsBelow(page.index, element), (inner) => isTabbable(page, presence, inner) !== false) ===
    null
  );
}

const hasSummary = (page: Page, details: ElementNode): boolean =>
  page.index.childElements(details).some((child) => child.tag === "summary");

/** The stops of the document a frame shows, in its place; the frame itself where it shows none, or is not known. */
function frameStops(document: FocusDocument, element: ElementNode): readonly Stop[] {
  const stop = ownStop(document, element);
  if (stop === null) return [];
  const inner = document.frame(element);
  const inside = inner === null ? [] : stopsOfScope(inner, inner.page.index.document.children);
  return inside.length > 0 ? inside : [{ ...stop, certain: stop.certain && inner !== null }];
}

/** `focusgroup`, a draft: its items are one stop together, and the arrow keys move among them. */
const isFocusGroup = (element: ElementNode): boolean =>
  /^(?:toolbar|tablist)\b/.test(attributeToken(element, "focusgroup") ?? "");

/** HTML §4.10.5.1.17, "radio button group", with the stop each gives: the checked one, else the first that is met. */
function withoutRadios(stops: readonly Stop[]): readonly Stop[] {
  const groups = new Map<string, Stop>();
  const keys = new Map<Stop, string>();
  const trees = new Map<object, number>();
  for (const stop of stops) {
    const key = radioGroup(stop, trees);
    if (key === null) continue;
    keys.set(stop, key);
    const known = groups.get(key);
    // Of several that are written as checked the last in the page is.
    if (known === undefined || (isChecked(stop) && (!isChecked(known) || isAfter(stop, known))))
      groups.set(key, stop);
  }
  if (keys.size === 0) return stops;
  return stops.filter((stop) => {
    const key = keys.get(stop);
    return key === undefined || groups.get(key) === stop;
  });
}

const isChecked = ({ element }: Stop): boolean => hasAttribute(element, "checked");

const isAfter = (a: Stop, b: Stop): boolean =>
  a.document.page.index.record(a.element).order > b.document.page.index.record(b.element).order;

function radioGroup({ element, document }: Stop, trees: Map<object, number>): string | null {
  if (element.tag !== "input" || inputType(element) !== "radio") return null;
  const name = attributeText(element, "name") ?? "";
  if (name === "") return null;
  const { index } = document.page;
  const { root } = index.record(element);
  const tree = trees.get(root) ?? trees.size;
  trees.set(root, tree);
  const owner = formOwner(document, element);
  return `${tree} ${owner === null ? "" : index.record(owner).order} ${name}`;
}

/** HTML §4.10.17.3, "form owner". */
export function formOwner({ page }: FocusDocument, control: ElementNode): ElementNode | null {
  const { index } = page;
  const named = attributeText(control, "form");
  if (named !== null) {
    const form = index.byId(control, named);
    return form?.tag === "form" ? form : null;
  }
  for (let up = index.parent(control); up !== null; up = index.parent(up)) if (up.tag === "form") return up;
  return null;
}
