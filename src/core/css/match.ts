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

export function matcherFor(index: DocumentIndex): Matcher {
  const classSets = new WeakMap<ElementNode, ReadonlySet<string>>();
  const typePlaces = new WeakMap<object, Map<string, readonly ElementNode[]>>();
  /** For `A ~ B`: place of the first sibling that A surely, and perhaps, matches; -1 for none. Keeps long lists linear. */
  const firstSibling = new WeakMap<Step, WeakMap<object, { sure: number; perhaps: number }>>();
  const hasResults = new WeakMap<RelativeSelector, WeakMap<ElementNode, Certainty>>();
  /** For `:has(~ A)`: place of the last sibling that A surely, and perhaps, matches. */
  const lastSibling = new WeakMap<RelativeSelector, WeakMap<object, { sure: number; perhaps: number }>>();
  let allClasses: ReadonlySet<string> | "unknown" | null = null;
  const { quirks } = index.document;

  const fold = (text: string) => (quirks ? text.toLowerCase() : text);

  const classesOf = (element: ElementNode): ReadonlySet<string> => {
    let set = classSets.get(element);
    if (set === undefined) {
      const text = attributeText(element, "class");
      set = new Set(text === null ? [] : fold(text).split(/[ \t\n\f\r]+/));
      classSets.set(element, set);
    }
    return set;
  };

  const siblingsOf = (element: ElementNode): readonly ElementNode[] => {
    const { parent, root } = index.record(element);
    return index.childElements(parent ?? root);
  };

  const siblingsOfType = (element: ElementNode): readonly ElementNode[] => {
    const { parent, root } = index.record(element);
    const key = parent ?? root;
    let byTag = typePlaces.get(key);
    if (byTag === undefined) {
      const groups = new Map<string, ElementNode[]>();
      for (const sibling of index.childElements(key)) {
        const group = groups.get(writtenTag(sibling));
        if (group === undefined) groups.set(writtenTag(sibling), [sibling]);
        else group.push(sibling);
      }
      byTag = groups;
      typePlaces.set(key, byTag);
    }
    return byTag.get(writtenTag(element)) ?? [];
  };

  const parentIn = (element: ElementNode, around: Surroundings): ElementNode | null => {
    const { parent, root } = index.record(element);
    // The host is the featureless root of its shadow tree's selectors. Selectors 4 §3.2.1, CSS Scoping 1 §3.2.
    return parent ?? ("mode" in root && root === around.root ? index.host(root) : null);
  };

  function matches(element: ElementNode, selector: ComplexSelector, around: Surroundings): Certainty {
    return matchesFrom(element, selector.steps, 0, around);
  }

  function matchesList(element: ElementNode, list: SelectorList, around: Surroundings): Certainty {
    let best: Certainty = NO;
    for (const selector of list) {
      if (selector.pseudoElement !== null) continue;
      best = or(best, matches(element, selector, around));
      if (best === YES) return best;
    }
    return best;
  }

  function matchesFrom(
    element: ElementNode,
    steps: readonly Step[],
    at: number,
    around: Surroundings,
  ): Certainty {
    const step = steps[at];
    if (step === undefined) return YES;
    const here = matchesCompound(element, step.compound, around);
    if (here === NO || step.combinator === null) return here;
    return and(here, matchesLeft(element, step, steps, at + 1, around));
  }

  function matchesLeft(
    element: ElementNode,
    step: Step,
    steps: readonly Step[],
    next: number,
    around: Surroundings,
  ): Certainty {
    switch (step.combinator) {
      case ">": {
        const parent = parentIn(element, around);
        return parent === null ? NO : matchesFrom(parent, steps, next, around);
      }
      case "+": {
        const { previous } = index.record(element);
        return previous === null ? NO : matchesFrom(previous, steps, next, around);
      }
      case "~": {
        const first = firstSiblingThatMatches(element, step, steps, next, around);
        const place = index.record(element).place;
        return first.sure >= 0 && first.sure < place
          ? YES
          : first.perhaps >= 0 && first.perhaps < place
            ? MAYBE
            : NO;
      }
      default: {
        let best: Certainty = NO;
        for (let up = parentIn(element, around); up !== null; up = parentIn(up, around)) {
          best = or(best, matchesFrom(up, steps, next, around));
          if (best === YES) return best;
        }
        return best;
      }
    }
  }

  function firstSiblingThatMatches(
    element: ElementNode,
    step: Step,
    steps: readonly Step[],
    next: number,
    around: Surroundings,
  ) {
    const { parent, root } = index.record(element);
    const key = parent ?? root;
    const cacheable = around.interaction.kind === "none" && around.scope === null;
    const known = cacheable ? firstSibling.get(step)?.get(key) : undefined;
    if (known !== undefined) return known;
    const found = { sure: -1, perhaps: -1 };
    for (const sibling of index.childElements(key)) {
      const result = matchesFrom(sibling, steps, next, around);
      if (result === NO) continue;
      const { place } = index.record(sibling);
      if (found.perhaps < 0) found.perhaps = place;
      if (result === YES) {
        found.sure = place;
        break;
      }
    }
    if (cacheable) {
      const byParent = firstSibling.get(step) ?? new WeakMap<object, { sure: number; perhaps: number }>();
      firstSibling.set(step, byParent);
      byParent.set(key, found);
    }
    return found;
  }

  function matchesCompound(element: ElementNode, compound: Compound, around: Surroundings): Certainty {
    const inShadowOf = "mode" in around.root ? index.host(around.root) : null;
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
      } else if (fold(id) !== fold(compound.id)) return NO;
    }
    if (compound.classes.length > 0) {
      if (attributeUnknown(element, "class")) result = MAYBE;
      else {
        const classes = classesOf(element);
        for (const name of compound.classes) if (!classes.has(fold(name))) return NO;
      }
    }
    for (const test of compound.attributes) {
      result = and(result, matchesAttribute(element, test));
      if (result === NO) return NO;
    }
    for (const pseudoClass of compound.pseudoClasses) {
      result = and(result, matchesPseudoClass(element, pseudoClass, around));
      if (result === NO) return NO;
    }
    return result;
  }

  function matchesPseudoClass(element: ElementNode, pseudo: PseudoClass, around: Surroundings): Certainty {
    switch (pseudo.kind) {
      case "is":
        return matchesList(element, pseudo.list, around);
      case "not":
        return not(matchesList(element, pseudo.list, around));
      case "has":
        return pseudo.list.map((relative) => hasRelative(element, relative, around)).reduce(or, NO);
      case "nth":
        return nth(element, pseudo, around);
      case "lang":
        return matchesLanguage(element, pseudo.ranges);
      case "dir":
        return MAYBE;
      case "host":
        if (!("mode" in around.root) || index.host(around.root) !== element) return NO;
        return pseudo.list === null
          ? YES
          : matchesList(element, pseudo.list, { ...around, root: index.record(element).root });
      case "host-context": {
        if (!("mode" in around.root) || index.host(around.root) !== element) return NO;
        let best: Certainty = NO;
        for (let up: ElementNode | null = element; up !== null; up = index.flatParent(up)) {
          best = or(best, matchesList(up, pseudo.list, { ...around, root: index.record(up).root }));
        }
        return best;
      }
      case "state":
        return MAYBE;
      case "plain":
        return plain(element, pseudo.name, around);
      default:
        return pseudo satisfies never;
    }
  }

  function plain(element: ElementNode, name: string, around: Surroundings): Certainty {
    switch (name) {
      case "root":
        return index.parent(element) === null && index.record(element).root === index.document ? YES : NO;
      case "scope":
        return around.scope === null ? plain(element, "root", around) : around.scope === element ? YES : NO;
      case "first-child":
        return index.record(element).place === 1 ? YES : NO;
      case "last-child":
        return siblingsOf(element).at(-1) === element ? YES : NO;
      case "only-child":
        return siblingsOf(element).length === 1 ? YES : NO;
      case "first-of-type":
        return siblingsOfType(element)[0] === element ? YES : NO;
      case "last-of-type":
        return siblingsOfType(element).at(-1) === element ? YES : NO;
      case "only-of-type":
        return siblingsOfType(element).length === 1 ? YES : NO;
      case "empty":
        return emptiness(element);
      case "hover":
        return around.interaction.kind === "hover" || around.interaction.kind === "active"
          ? within(element, around.interaction.element)
          : NO;
      case "active":
        return around.interaction.kind === "active" ? within(element, around.interaction.element) : NO;
      case "focus":
      case "focus-visible":
        return around.interaction.kind === "focus" && around.interaction.element === element ? YES : NO;
      case "focus-within":
        return around.interaction.kind === "focus" ? within(element, around.interaction.element) : NO;
      default:
        return elementState(index, element, name);
    }
  }

  /** Whether the user acts on the element or on something inside it. */
  function within(element: ElementNode, acted: ElementNode | null): Certainty {
    for (let up = acted; up !== null; up = index.flatParent(up)) if (up === element) return YES;
    return NO;
  }

  function nth(
    element: ElementNode,
    pseudo: Extract<PseudoClass, { kind: "nth" }>,
    around: Surroundings,
  ): Certainty {
    let place: number;
    if (pseudo.of !== null) {
      const list = pseudo.of;
      const self = matchesList(element, list, around);
      if (self === NO) return NO;
      const all = siblingsOf(element).map((s) => ({ s, m: matchesList(s, list, around) }));
      if (all.some((e) => e.m === MAYBE)) return MAYBE;
      const matching = all.filter((e) => e.m === YES).map((e) => e.s);
      place = pseudo.last ? matching.length - matching.indexOf(element) : matching.indexOf(element) + 1;
    } else if (pseudo.ofType) {
      const same = siblingsOfType(element);
      const at = same.indexOf(element);
      place = pseudo.last ? same.length - at : at + 1;
    } else {
      const at = index.record(element).place;
      place = pseudo.last ? siblingsOf(element).length - at + 1 : at;
    }
    const difference = place - pseudo.b;
    return (pseudo.a === 0 ? difference === 0 : difference / pseudo.a >= 0 && difference % pseudo.a === 0)
      ? YES
      : NO;
  }

  function hasRelative(element: ElementNode, relative: RelativeSelector, around: Surroundings): Certainty {
    const cacheable = around.interaction.kind === "none";
    const known = cacheable ? hasResults.get(relative)?.get(element) : undefined;
    if (known !== undefined) return known;
    if (!mayBeAnywhere(relative.selector)) return NO;
    if (relative.combinator === "~" && relative.selector.steps.length === 1 && cacheable)
      return hasLater(element, relative, around);
    let best: Certainty = NO;
    const inner = { ...around, scope: element };
    const consider = (candidate: ElementNode) => {
      best = or(best, matches(candidate, relative.selector, inner));
      return best === YES;
    };
    if (relative.combinator === "+" || relative.combinator === "~") {
      const siblings = siblingsOf(element);
      const from = siblings.indexOf(element) + 1;
      for (const sibling of siblings.slice(from, relative.combinator === "+" ? from + 1 : undefined))
        if (consider(sibling)) break;
    } else {
      const direct = relative.combinator === ">" && relative.selector.steps.length === 1;
      const stack: ElementNode[] = [...index.childElements(element)].reverse();
      for (let at = stack.pop(); at !== undefined; at = stack.pop()) {
        if (consider(at)) break;
        if (!direct) for (const child of [...index.childElements(at)].reverse()) stack.push(child);
      }
    }
    if (cacheable) {
      const byElement = hasResults.get(relative) ?? new WeakMap<ElementNode, Certainty>();
      hasResults.set(relative, byElement);
      byElement.set(element, best);
    }
    return best;
  }

  /** A quick no for `:has()`: nothing in the document has the id, class or tag that is asked for. */
  function mayBeAnywhere(selector: ComplexSelector): boolean {
    const compound = selector.steps[0]?.compound;
    if (compound === undefined || quirks) return true;
    allClasses ??= classesInDocument(index);
    if (allClasses === "unknown") return true;
    const known = allClasses;
    if (compound.classes.some((name) => !known.has(name))) return false;
    return (
      compound.tag === null ||
      compound.tag !== compound.tag.toLowerCase() ||
      index.byTag(compound.tag).length > 0
    );
  }

  /** `:has(~ x)`: whether a later sibling matches, from the last that does; keeps long lists linear. */
  function hasLater(element: ElementNode, relative: RelativeSelector, around: Surroundings): Certainty {
    const { parent, root, place } = index.record(element);
    const byParent = lastSibling.get(relative) ?? new WeakMap<object, { sure: number; perhaps: number }>();
    lastSibling.set(relative, byParent);
    let last = byParent.get(parent ?? root);
    if (last === undefined) {
      last = { sure: -1, perhaps: -1 };
      for (const sibling of siblingsOf(element)) {
        const result = matches(sibling, relative.selector, around);
        const at = index.record(sibling).place;
        if (result !== NO) last.perhaps = at;
        if (result === YES) last.sure = at;
      }
      byParent.set(parent ?? root, last);
    }
    return last.sure > place ? YES : last.perhaps > place ? MAYBE : NO;
  }

  function matchesLanguage(element: ElementNode, ranges: readonly string[]): Certainty {
    for (let up: ElementNode | null = element; up !== null; up = index.parent(up)) {
      const lang = attributeToken(up, "lang") ?? attributeToken(up, "xml:lang");
      if (lang === null) {
        if (attributeUnknown(up, "lang")) return MAYBE;
        continue;
      }
      return ranges.some(
        (r) => lang === r.toLowerCase() || lang.startsWith(`${r.toLowerCase()}-`) || r === "*",
      )
        ? YES
        : NO;
    }
    return NO;
  }

  return { matches, matchesList };
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
