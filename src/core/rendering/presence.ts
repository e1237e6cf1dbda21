import { type Certainty, MAYBE, NO, YES } from "../css/certainty.ts";
import type { ElementNode, Node } from "../document/node.ts";
import {
  attributeText,
  attributeToken,
  attributeTokens,
  attributeUnknown,
  hasAttribute,
} from "../document/written.ts";
import { isDetailsSummary } from "./details-summary.ts";
import type { Page } from "./page.ts";

/** Why nobody, or nobody using assistive technology, meets an element. */
export type HiddenReason =
  | "display: none"
  | "visibility: hidden"
  | "content-visibility: hidden"
  | "hidden attribute"
  | "closed details"
  | "closed dialog"
  | "closed popover"
  | "never rendered"
  | "fallback content"
  | "not in a slot"
  | "aria-hidden"
  | "inert";

/** How far an element is there, for eyes and for assistive technology. Shared by elements in the same case. */
export interface Presence {
  /** Whether it makes boxes or is inside something that does: not `display: none`, not in a closed part. */
  readonly rendered: Certainty;
  /** Rendered, and not `visibility: hidden`. */
  readonly visible: Certainty;
  /** Whether assistive technology is given it: visible, and neither `aria-hidden` nor inert. */
  readonly exposed: Certainty;
  /** Inert itself or inside something inert: takes no focus and no click. HTML §6.3. */
  readonly inert: boolean;
  /** The first reason met from the root down; null while exposed. */
  readonly reason: HiddenReason | null;
  /** The element that is the reason; null while exposed. */
  readonly because: ElementNode | null;
  /** Whether text right inside it is not there although the element is: in a closed details, or as fallback. */
  readonly ownTextHidden: boolean;
  /** Whether the children are not rendered although the element is (`content-visibility`). */
  readonly childrenHidden: HiddenReason | null;
}

export interface PresenceMap {
  of(element: ElementNode): Presence;
}

const present: Presence = {
  rendered: YES,
  visible: YES,
  exposed: YES,
  inert: false,
  reason: null,
  because: null,
  ownTextHidden: false,
  childrenHidden: null,
};

const absent: Presence = {
  ...present,
  rendered: NO,
  visible: NO,
  exposed: NO,
  reason: "not in a slot",
  ownTextHidden: true,
};

/** Content that stands in where an element is not supported. HTML §4.8: transparent only to old browsers. */
const fallbackOnly = new Set(["video", "audio", "iframe", "object", "progress", "meter"]);

/** Parts of a drawing that are only drawn where something uses them, or are its metadata. SVG 2 §5. */
const neverDrawn = new Set(
  "defs symbol clipPath mask pattern marker linearGradient radialGradient filter title desc metadata script style".split(
    " ",
  ),
);

/** Finds out in one pass down the flat tree what is hidden, and because of what. */
export function presenceOf(page: Page): PresenceMap {
  const { index } = page;
  const known = new Map<ElementNode, Presence>();
  const stack: { readonly nodes: readonly Node[]; readonly above: Presence; next: number }[] = [
    { nodes: index.document.children, above: present, next: 0 },
  ];
  for (let frame = stack.at(-1); frame !== undefined; frame = stack.at(-1)) {
    const node = frame.nodes[frame.next++];
    if (node === undefined) {
      stack.pop();
      continue;
    }
    if (node.kind !== "element") continue;
    const presence = presenceUnder(page, node, frame.above);
    known.set(node, presence);
    const children = index.flatChildren(node);
    if (children.length > 0) stack.push({ nodes: children, above: presence, next: 0 });
  }
  return { of: (element) => known.get(element) ?? absent };
}

const isClosedDetails = (element: ElementNode): boolean =>
  element.tag === "details" && element.namespace === "html" && !hasAttribute(element, "open");

const isFallbackParent = (element: ElementNode): boolean =>
  element.namespace === "html" &&
  fallbackOnly.has(element.tag) &&
  (element.tag !== "object" || hasAttribute(element, "data"));

function presenceUnder(page: Page, element: ElementNode, above: Presence): Presence {
  if (above.rendered === NO)
    return above.childrenHidden === null ? above : { ...above, childrenHidden: null };
  if (above.childrenHidden !== null)
    return gone(above.childrenHidden, page.index.flatParent(element) ?? element);
  const parent = page.index.flatParent(element);
  // What a closed details holds beside its summary is in a slot that is not rendered. HTML §15.5.4.
  if (parent !== null && isClosedDetails(parent) && !isDetailsSummary(page.index, element))
    return gone("closed details", parent);
  if (parent !== null && isFallbackParent(parent)) {
    return gone("fallback content", parent);
  }
  if (element.namespace === "svg" && neverDrawn.has(element.tag)) return gone("never rendered", element);
  const display = page.styles.keyword(element, "display");
  if (display === "none" && !(element.tag === "area" && element.namespace === "html"))
    return gone(displayReason(element), element);

  if (isHiddenByClass(page, element)) return gone("display: none", element);

  let { rendered, exposed, inert, reason, because } = above;
  if (display === null) {
    rendered = MAYBE;
    exposed = exposed === NO ? NO : MAYBE;
  }
  const visibility = page.styles.keyword(element, "visibility");
  const visible: Certainty = visibility === null ? MAYBE : visibility === "visible" ? rendered : NO;
  const ariaHidden = ariaHiddenOf(element);
  if (hasAttribute(element, "inert") && element.namespace === "html") inert = true;
  // CSS UI 4 §8: nothing inside can be taken out again.
  if (page.styles.declares("interactivity") && page.styles.keyword(element, "interactivity") === "inert")
    inert = true;
  const hiddenAbove = reason === "aria-hidden" || reason === "inert";
  if (!hiddenAbove) {
    if (ariaHidden === YES) [reason, because] = ["aria-hidden", element];
    else if (inert) [reason, because] = ["inert", element];
    else if (visible === NO)
      [reason, because] =
        reason === "visibility: hidden" ? [reason, because] : ["visibility: hidden", element];
    else [reason, because] = [null, null];
  }
  const blocked = reason === "aria-hidden" || reason === "inert";
  exposed = blocked ? NO : visible;
  if (exposed === YES && (ariaHidden === MAYBE || above.exposed === MAYBE)) exposed = MAYBE;
  const childrenHidden = keepsContentsUnseen(page, element) ? "content-visibility: hidden" : null;
  const ownTextHidden = isClosedDetails(element) || childrenHidden !== null || isFallbackParent(element);
  if (
    rendered === above.rendered &&
    visible === above.visible &&
    exposed === above.exposed &&
    inert === above.inert &&
    ownTextHidden === above.ownTextHidden &&
    reason === above.reason &&
    because === above.because &&
    childrenHidden === null
  ) {
    return above;
  }
  return { rendered, visible, exposed, inert, reason, because, ownTextHidden, childrenHidden };
}

/** CSS Contain 2 §4: only where sizes can be contained, so neither in lines of text nor on parts of tables. */
const keepsContentsUnseen = (page: Page, element: ElementNode): boolean =>
  page.styles.keyword(element, "content-visibility") === "hidden" &&
  !/^(?:inline|contents|ruby.*|(?:inline-)?table(?!-caption).*)$/.test(
    page.styles.keyword(element, "display") ?? "block",
  );

/** Classes that hide by what they are called, wherever their rules are. */
const hidingClass = /^(?:hidden|invisible|hide|is-hidden|d-none)$/;
const showingClass = /:(?:block|flex|grid|inline|contents|table)|^d-\w+-/;

/**
 * Whether a class says that it hides, and its rules are not with the component: the application that uses it brings them,
 * and what is hidden is judged by nobody.
 */
function isHiddenByClass(page: Page, element: ElementNode): boolean {
  if (page.index.document.kind !== "component") return false;
  const names = attributeTokens(element, "class");
  if (!names.some((name) => hidingClass.test(name)) || names.some((name) => showingClass.test(name)))
    return false;
  return page.styles.value(element, "display")?.block?.origin !== "author";
}

const gone = (reason: HiddenReason, because: ElementNode): Presence => ({
  rendered: NO,
  visible: NO,
  exposed: NO,
  inert: false,
  reason,
  because,
  ownTextHidden: true,
  childrenHidden: null,
});

/** `aria-hidden` on the root or body is ignored, as browsers do: it would silence the whole page. */
function ariaHiddenOf(element: ElementNode): Certainty {
  if (element.tag === "html" || element.tag === "body") return NO;
  const token = attributeToken(element, "aria-hidden");
  if (token === "true") return YES;
  return token === null && attributeUnknown(element, "aria-hidden") ? MAYBE : NO;
}

const neverRendered = new Set(
  "head title meta link style script base template noscript datalist param source track rp noembed noframes area".split(
    " ",
  ),
);

function displayReason(element: ElementNode): HiddenReason {
  if (element.namespace === "html") {
    if (neverRendered.has(element.tag)) return "never rendered";
    if (element.tag === "dialog" && !hasAttribute(element, "open")) return "closed dialog";
    if (hasAttribute(element, "popover")) return "closed popover";
    if (element.tag === "input" && attributeText(element, "type")?.toLowerCase() === "hidden")
      return "never rendered";
  }
  return hasAttribute(element, "hidden") ? "hidden attribute" : "display: none";
}
