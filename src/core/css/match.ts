import type { DocumentIndex } from "../document/document-index.ts";
import { type ElementNode, type Node, type TreeRoot, writtenTag } from "../document/node.ts";
import { attributeText, attributeToken, attributeTokens, attributeUnknown } from "../document/written.ts";
import { matchesAttribute } from "./attribute-test.ts";
import { and, type Certainty, MAYBE, NO, not, or, YES } from "./certainty.ts";
import { elementState } from "./element-state.ts";
import type {
  ComplexSelector,
  Compound,
  PseudoClass,
  RelativeSelector,
  SelectorList,
  Step,
} from "./selector.ts";

/** Which user action is taking place, and where: on the element and, as the pseudo-classes say, on its ancestors. */
export interface Interaction {
  readonly kind: "none" | "hover" | "focus" | "active";
  readonly element: ElementNode | null;
}

export const noInteraction: Interaction = { kind: "none", element: null };

/** Matches compiled selectors against the elements of one document. Selectors 4 §17; answers are three-valued. */
export interface Matcher {
  matches(element: ElementNode, selector: ComplexSelector, around: Surroundings): Certainty;
  matchesList(element: ElementNode, list: SelectorList, around: Surroundings): Certainty;
}

/** The tree whose stylesheet asks, what `:scope` is there, and what the user is doing. */
export interface Surroundings {
  readonly root: TreeRoot;
  readonly scope: ElementNode | null;
  readonly interaction: Interaction;
}

/** What matching keeps of one document. */
interface Matching {
  readonly index: DocumentIndex;
  readonly quirks: boolean;
  readonly classSets: WeakMap<ElementNode, ReadonlySet<string>>;
  readonly typePlaces: WeakMap<object, Map<string, readonly ElementNode[]>>;
  /** For `A ~ B`: place of the first sibling that A matches. Keeps long lists linear. */
  readonly firstSibling: WeakMap<Step, WeakMap<object, SiblingPlaces>>;
  readonly hasResults: WeakMap<RelativeSelector, WeakMap<ElementNode, Certainty>>;
  /** For `:has(~ A)`: place of the last sibling that A matches. */
  readonly lastSibling: WeakMap<RelativeSelector, WeakMap<object, SiblingPlaces>>;
  allClasses: ReadonlySet<string> | "unknown" | null;
}

/** Places of siblings that surely, and perhaps, match; -1 for none. */
interface SiblingPlaces {
  sure: number;
  perhaps: number;
}

export function matcherFor(index: DocumentIndex): Matcher {
  const matching: Matching = {
    index,
    quirks: index.document.quirks,
    classSets: new WeakMap(),
    typePlaces: new WeakMap(),
    firstSibling: new WeakMap(),
    hasResults: new WeakMap(),
    lastSibling: new WeakMap(),
    allClasses: null,
  };
  return {
    matches: (element, selector, around) => matches(matching, element, selector, around),
    matchesList: (element, list, around) => matchesList(matching, element, list, around),
  };
}

const fold = (matching: Matching, text: string) => (matching.quirks ? text.toLowerCase() : text);

const classesOf = (matching: Matching, element: ElementNode): ReadonlySet<string> => {
  let set = matching.classSets.get(element);
  if (set === undefined) {
    const text = attributeText(element, "class");
    set = new Set(text === null ? [] : fold(matching, text).split(/[ \t\n\f\r]+/));
    matching.classSets.set(element, set);
  }
  return set;
};

const siblingsOf = (matching: Matching, element: ElementNode): readonly ElementNode[] => {
  const { parent, root } = matching.index.record(element);
  return matching.index.childElements(parent ?? root);
};

const siblingsOfType = (matching: Matching, element: ElementNode): readonly ElementNode[] => {
  const { parent, root } = matching.index.record(element);
  const key = parent ?? root;
  let byTag = matching.typePlaces.get(key);
  if (byTag === undefined) {
    const groups = new Map<string, ElementNode[]>();
    for (const sibling of matching.index.childElements(key)) {
      const group = groups.get(writtenTag(sibling));
      if (group === undefined) groups.set(writtenTag(sibling), [sibling]);
      else group.push(sibling);
    }
    byTag = groups;
    matching.typePlaces.set(key, byTag);
  }
  return byTag.get(writtenTag(element)) ?? [];
};

const parentIn = (matching: Matching, element: ElementNode, around: Surroundings): ElementNode | null => {
  const { parent, root } = matching.index.record(element);
  // The host is the featureless root of its shadow tree's selectors. Selectors 4 §3.2.1, CSS Scoping 1 §3.2.
  return parent ?? ("mode" in root && root === around.root ? matching.index.host(root) : null);
};

function matches(
  matching: Matching,
  element: ElementNode,
  selector: ComplexSelector,
  around: Surroundings,
): Certainty {
  return matchesFrom(matching, element, selector.steps, 0, around);
}

function matchesList(
  matching: Matching,
  element: ElementNode,
  list: SelectorList,
  around: Surroundings,
): Certainty {
  let best: Certainty = NO;
  for (const selector of list) {
    if (selector.pseudoElement !== null) continue;
    best = or(best, matches(matching, element, selector, around));
    if (best === YES) return best;
  }
  return best;
}

function matchesFrom(
  matching: Matching,
  element: ElementNode,
  steps: readonly Step[],
  index: number,
  around: Surroundings,
): Certainty {
  const step = steps[index];
  if (step === undefined) return YES;
  const here = matchesCompound(matching, element, step.compound, around);
  if (here === NO || step.combinator === null) return here;
  return and(here, matchesLeft(matching, element, step, steps, index + 1, around));
}

function matchesLeft(
  matching: Matching,
  element: ElementNode,
  step: Step,
  steps: readonly Step[],
  next: number,
  around: Surroundings,
): Certainty {
  switch (step.combinator) {
    case ">": {
      const parent = parentIn(matching, element, around);
      return parent === null ? NO : matchesFrom(matching, parent, steps, next, around);
    }
    case "+": {
      const { previous } = matching.index.record(element);
      return previous === null ? NO : matchesFrom(matching, previous, steps, next, around);
    }
    case "~": {
      const first = firstSiblingThatMatches(matching, element, step, steps, next, around);
      const place = matching.index.record(element).place;
      return first.sure >= 0 && first.sure < place
        ? YES
        : first.perhaps >= 0 && first.perhaps < place
          ? MAYBE
          : NO;
    }
    default: {
      let best: Certainty = NO;
      for (let up = parentIn(matching, element, around); up !== null; up = parentIn(matching, up, around)) {
        best = or(best, matchesFrom(matching, up, steps, next, around));
        if (best === YES) return best;
      }
      return best;
    }
  }
}

function firstSiblingThatMatches(
  matching: Matching,
  element: ElementNode,
  step: Step,
  steps: readonly Step[],
  next: number,
  around: Surroundings,
) {
  const { parent, root } = matching.index.record(element);
  const key = parent ?? root;
  const cacheable = around.interaction.kind === "none" && around.scope === null;
  const known = cacheable ? matching.firstSibling.get(step)?.get(key) : undefined;
  if (known !== undefined) return known;
  const found = { sure: -1, perhaps: -1 };
  for (const sibling of matching.index.childElements(key)) {
    const result = matchesFrom(matching, sibling, steps, next, around);
    if (result === NO) continue;
    const { place } = matching.index.record(sibling);
    if (found.perhaps < 0) found.perhaps = place;
    if (result === YES) {
      found.sure = place;
      break;
    }
  }
  if (cacheable) {
    const byParent = matching.firstSibling.get(step) ?? new WeakMap<object, SiblingPlaces>();
    matching.firstSibling.set(step, byParent);
    byParent.set(key, found);
  }
  return found;
}

function matchesCompound(
  matching: Matching,
  element: ElementNode,
  compound: Compound,
  around: Surroundings,
): Certainty {
  const inShadowOf = "mode" in around.root ? matching.index.host(around.root) : null;
  if (
    element === inShadowOf &&
    !compound.pseudoClasses.some(
      (p) => p.kind === "host" || p.kind === "host-context" || p.kind === "is" || p.kind === "not",
    )
  )
    return NO;
  let result: Certainty = YES;
  if (
    compound.tag !== null &&
    compound.tag !== writtenTag(element) &&
    (element.namespace !== "html" || compound.tag.toLowerCase() !== writtenTag(element))
  )
    return NO;
  if (compound.id !== null) {
    const id = attributeText(element, "id");
    if (id === null) {
      if (!attributeUnknown(element, "id")) return NO;
      result = MAYBE;
    } else if (fold(matching, id) !== fold(matching, compound.id)) return NO;
  }
  if (compound.classes.length > 0) {
    if (attributeUnknown(element, "class")) result = MAYBE;
    else {
      const classes = classesOf(matching, element);
      for (const name of compound.classes) if (!classes.has(fold(matching, name))) return NO;
    }
  }
  for (const test of compound.attributes) {
    result = and(result, matchesAttribute(element, test));
    if (result === NO) return NO;
  }
  for (const pseudoClass of compound.pseudoClasses) {
    result = and(result, matchesPseudoClass(matching, element, pseudoClass, around));
    if (result === NO) return NO;
  }
  return result;
}

function matchesPseudoClass(
  matching: Matching,
  element: ElementNode,
  pseudo: PseudoClass,
  around: Surroundings,
): Certainty {
  switch (pseudo.kind) {
    case "is":
      return matchesList(matching, element, pseudo.list, around);
    case "not":
      return not(matchesList(matching, element, pseudo.list, around));
    case "has":
      return pseudo.list.map((relative) => hasRelative(matching, element, relative, around)).reduce(or, NO);
    case "nth":
      return nth(matching, element, pseudo, around);
    case "lang":
      return matchesLanguage(matching, element, pseudo.ranges);
    case "dir":
      return matchesDirection(matching, element, pseudo.direction);
    case "host":
      if (!("mode" in around.root) || matching.index.host(around.root) !== element) return NO;
      return pseudo.list === null
        ? YES
        : matchesList(matching, element, pseudo.list, {
            ...around,
            root: matching.index.record(element).root,
          });
    case "host-context": {
      if (!("mode" in around.root) || matching.index.host(around.root) !== element) return NO;
      let best: Certainty = NO;
      for (let up: ElementNode | null = element; up !== null; up = matching.index.flatParent(up)) {
        best = or(
          best,
          matchesList(matching, up, pseudo.list, { ...around, root: matching.index.record(up).root }),
        );
      }
      return best;
    }
    case "state":
      return MAYBE;
    case "plain":
      return plain(matching, element, pseudo.name, around);
    default:
      return pseudo satisfies never;
  }
}

function plain(matching: Matching, element: ElementNode, name: string, around: Surroundings): Certainty {
  switch (name) {
    case "root":
      return matching.index.parent(element) === null &&
        matching.index.record(element).root === matching.index.document
        ? YES
        : NO;
    case "scope":
      return around.scope === null
        ? plain(matching, element, "root", around)
        : around.scope === element
          ? YES
          : NO;
    case "first-child":
      return matching.index.record(element).place === 1 ? YES : NO;
    case "last-child":
      return siblingsOf(matching, element).at(-1) === element ? YES : NO;
    case "only-child":
      return siblingsOf(matching, element).length === 1 ? YES : NO;
    case "first-of-type":
      return siblingsOfType(matching, element)[0] === element ? YES : NO;
    case "last-of-type":
      return siblingsOfType(matching, element).at(-1) === element ? YES : NO;
    case "only-of-type":
      return siblingsOfType(matching, element).length === 1 ? YES : NO;
    case "empty":
      return emptiness(element);
    case "hover":
      return around.interaction.kind === "hover" || around.interaction.kind === "active"
        ? within(matching, element, around.interaction.element)
        : NO;
    case "active":
      return around.interaction.kind === "active"
        ? within(matching, element, around.interaction.element)
        : NO;
    case "focus":
    case "focus-visible":
      return around.interaction.kind === "focus" && around.interaction.element === element ? YES : NO;
    case "focus-within":
      return around.interaction.kind === "focus" ? within(matching, element, around.interaction.element) : NO;
    default:
      return elementState(matching.index, element, name);
  }
}

/** Whether the user acts on the element or on something inside it. */
function within(matching: Matching, element: ElementNode, acted: ElementNode | null): Certainty {
  for (let up = acted; up !== null; up = matching.index.flatParent(up)) if (up === element) return YES;
  return NO;
}

function nth(
  matching: Matching,
  element: ElementNode,
  pseudo: Extract<PseudoClass, { kind: "nth" }>,
  around: Surroundings,
): Certainty {
  let place: number;
  if (pseudo.of !== null) {
    const list = pseudo.of;
    const self = matchesList(matching, element, list, around);
    if (self === NO) return NO;
    const all = siblingsOf(matching, element).map((s) => ({ s, m: matchesList(matching, s, list, around) }));
    if (all.some((e) => e.m === MAYBE)) return MAYBE;
    const found = all.filter((e) => e.m === YES).map((e) => e.s);
    place = pseudo.last ? found.length - found.indexOf(element) : found.indexOf(element) + 1;
  } else if (pseudo.ofType) {
    const same = siblingsOfType(matching, element);
    const index = same.indexOf(element);
    place = pseudo.last ? same.length - index : index + 1;
  } else {
    const position = matching.index.record(element).place;
    place = pseudo.last ? siblingsOf(matching, element).length - position + 1 : position;
  }
  const difference = place - pseudo.b;
  return (pseudo.a === 0 ? difference === 0 : difference / pseudo.a >= 0 && difference % pseudo.a === 0)
    ? YES
    : NO;
}

function hasRelative(
  matching: Matching,
  element: ElementNode,
  relative: RelativeSelector,
  around: Surroundings,
): Certainty {
  const cacheable = around.interaction.kind === "none";
  const known = cacheable ? matching.hasResults.get(relative)?.get(element) : undefined;
  if (known !== undefined) return known;
  if (!mayBeAnywhere(matching, relative.selector)) return NO;
  if (relative.combinator === "~" && relative.alone !== null && cacheable)
    return hasLater(matching, element, relative, relative.alone, around);
  let best: Certainty = NO;
  const inner = { ...around, scope: element };
  const consider = (candidate: ElementNode) => {
    best = or(best, matches(matching, candidate, relative.selector, inner));
    return best === YES;
  };
  const isAlone = relative.alone !== null;
  if (isAlone && (relative.combinator === "+" || relative.combinator === "~")) {
    const siblings = siblingsOf(matching, element);
    const from = siblings.indexOf(element) + 1;
    for (const sibling of siblings.slice(from, relative.combinator === "+" ? from + 1 : undefined))
      if (consider(sibling)) break;
  } else {
    const direct = isAlone && relative.combinator === ">";
    const beside = relative.combinator === "+" || relative.combinator === "~";
    const siblings = beside ? siblingsOf(matching, element) : [];
    const stack: ElementNode[] = beside
      ? siblings.slice(siblings.indexOf(element) + 1).reverse()
      : [...matching.index.childElements(element)].reverse();
    for (let node = stack.pop(); node !== undefined; node = stack.pop()) {
      if (consider(node)) break;
      if (!direct) for (const child of [...matching.index.childElements(node)].reverse()) stack.push(child);
    }
  }
  if (cacheable) {
    const byElement = matching.hasResults.get(relative) ?? new WeakMap<ElementNode, Certainty>();
    matching.hasResults.set(relative, byElement);
    byElement.set(element, best);
  }
  return best;
}

/** A quick no for `:has()`: nothing in the document has the id, class or tag that is asked for. */
function mayBeAnywhere(matching: Matching, selector: ComplexSelector): boolean {
  const compound = selector.steps[0]?.compound;
  if (compound === undefined || matching.quirks) return true;
  matching.allClasses ??= classesInDocument(matching.index);
  if (matching.allClasses === "unknown") return true;
  const known = matching.allClasses;
  if (compound.classes.some((name) => !known.has(name))) return false;
  return (
    compound.tag === null ||
    compound.tag !== compound.tag.toLowerCase() ||
    matching.index.byTag(compound.tag).length > 0
  );
}

/** `:has(~ x)`: whether a later sibling matches, from the last that does; keeps long lists linear. */
function hasLater(
  matching: Matching,
  element: ElementNode,
  relative: RelativeSelector,
  alone: ComplexSelector,
  around: Surroundings,
): Certainty {
  const { parent, root, place } = matching.index.record(element);
  const byParent = matching.lastSibling.get(relative) ?? new WeakMap<object, SiblingPlaces>();
  matching.lastSibling.set(relative, byParent);
  let last = byParent.get(parent ?? root);
  if (last === undefined) {
    last = { sure: -1, perhaps: -1 };
    for (const sibling of siblingsOf(matching, element)) {
      const result = matches(matching, sibling, alone, around);
      const place = matching.index.record(sibling).place;
      if (result !== NO) last.perhaps = place;
      if (result === YES) last.sure = place;
    }
    byParent.set(parent ?? root, last);
  }
  return last.sure > place ? YES : last.perhaps > place ? MAYBE : NO;
}

/** By `dir` attributes, left to right without one; `auto` hangs on the text. HTML §3.2.6.4. */
function matchesDirection(matching: Matching, element: ElementNode, wanted: string): Certainty {
  for (let up: ElementNode | null = element; up !== null; up = matching.index.parent(up)) {
    if (attributeUnknown(up, "dir")) return MAYBE;
    const written = attributeToken(up, "dir");
    if (written === "ltr" || written === "rtl") return written === wanted ? YES : NO;
    if (written === "auto" || up.tag === "bdi") return MAYBE;
  }
  return wanted === "ltr" ? YES : NO;
}

function matchesLanguage(matching: Matching, element: ElementNode, ranges: readonly string[]): Certainty {
  for (let up: ElementNode | null = element; up !== null; up = matching.index.parent(up)) {
    const lang = attributeToken(up, "lang") ?? attributeToken(up, "xml:lang");
    if (lang === null) {
      if (attributeUnknown(up, "lang")) return MAYBE;
      continue;
    }
    return ranges.some((r) => lang === r.toLowerCase() || lang.startsWith(`${r.toLowerCase()}-`) || r === "*")
      ? YES
      : NO;
  }
  return NO;
}

/** Every class of the document; `unknown` where source does not give one. */
function classesInDocument(index: DocumentIndex): ReadonlySet<string> | "unknown" {
  const found = new Set<string>();
  for (const element of index.elements) {
    if (attributeUnknown(element, "class")) return "unknown";
    for (const name of attributeTokens(element, "class")) found.add(name);
  }
  return found;
}

/** `:empty` looks at text and elements alone. Selectors 4 §13.2 as browsers do: white space counts as content. */
function emptiness(element: ElementNode): Certainty {
  let result: Certainty = YES;
  for (const child of element.children as readonly Node[]) {
    if (child.kind === "element" && child.presence === "always") return NO;
    if (child.kind === "text" && child.value !== "") return NO;
    if (child.kind === "element" || child.kind === "hole") result = MAYBE;
  }
  return result;
}
