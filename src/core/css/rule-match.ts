import type { DocumentIndex } from "../document/document-index.ts";
import type { ElementNode } from "../document/node.ts";
import { attributeTokens } from "../document/written.ts";
import { and, type Certainty, NO, not, or, YES } from "./certainty.ts";
import type { Matcher, Surroundings } from "./match.ts";
import type { Entry } from "./rule-index.ts";
import type { Conditions } from "./sheet.ts";

/** Whether the rules of a document apply to an element, and which of those that do is the stronger. */
export interface RuleMatching {
  /** By selector, scope and container; conditions that the device decides are not asked again. */
  matches(entry: Entry, element: ElementNode, asked: Surroundings): Certainty;
  /** Compares rules that apply to an element, the weaker first. */
  order(entries: readonly Entry[], element: ElementNode, asked: Surroundings): (a: Entry, b: Entry) => number;
}

/** `containerHolds` answers for rules that a container query guards. */
export function ruleMatching(
  index: DocumentIndex,
  matcher: Matcher,
  containerHolds: (entry: Entry, element: ElementNode) => Certainty,
): RuleMatching {
  /** Between rules of one layer and specificity the nearer scope wins, and any scope over none. CSS Cascade 6 §3.1. */
  const byProximity = (element: ElementNode, asked: Surroundings) => {
    const distances = new Map<Entry, number>();
    const distance = (entry: Entry): number => {
      const known = distances.get(entry) ?? scopeDistance(entry, element, asked);
      distances.set(entry, known);
      return known;
    };
    return (a: Entry, b: Entry): number => {
      const alike = a.block.layer === b.block.layer && a.selector.specificity === b.selector.specificity;
      const [from, to] = alike ? [distance(a), distance(b)] : [0, 0];
      return from === to ? a.rank - b.rank : to - from;
    };
  };

  /** How many generations up the scope of a rule begins; endless for a rule without one. */
  const scopeDistance = (entry: Entry, element: ElementNode, asked: Surroundings): number => {
    const nearest = rootsAround(element, scopesOf(entry.rule.conditions), asked).find(
      ({ root }) => matcher.matches(element, entry.selector, { ...asked, scope: root }) !== NO,
    );
    if (nearest === undefined) return Number.MAX_SAFE_INTEGER;
    let distance = 0;
    for (let up: ElementNode | null = element; up !== null && up !== nearest.root; up = index.parent(up))
      distance++;
    return distance;
  };

  /** Inside `@scope`, `:scope` is the nearest ancestor that the limits allow. CSS Cascade 6 §2.5. */
  const selectorMatches = (entry: Entry, element: ElementNode, around: Surroundings): Certainty => {
    const { slotted, parts } = entry.selector;
    if (slotted !== null) {
      const slot = index.flatParent(element);
      if (slot === null) return NO;
      const chosen = matcher.matchesList(element, slotted, { ...around, root: index.record(element).root });
      return and(chosen, matcher.matches(slot, entry.selector, around));
    }
    if (parts !== null) {
      const { root } = index.record(element);
      const names = attributeTokens(element, "part");
      if (!("mode" in root) || !parts.every((part) => names.includes(part))) return NO;
      return matcher.matches(index.host(root), entry.selector, around);
    }
    const scopes = scopesOf(entry.rule.conditions);
    if (scopes.length === 0) return matcher.matches(element, entry.selector, around);
    return rootsAround(element, scopes, around)
      .map(({ root, holds }) =>
        and(holds, matcher.matches(element, entry.selector, { ...around, scope: root })),
      )
      .reduce(or, NO);
  };

  /** What the innermost of nested scopes may begin at so that it reaches the element, the nearest first. CSS Cascade 6 §2.5.1. */
  const rootsAround = (
    element: ElementNode,
    scopes: readonly Scope[],
    around: Surroundings,
    // Many roots of inner scopes ask for the outer ones around the same element.
    known = scopes.map(() => new Map<ElementNode, readonly ScopeRoot[]>()),
  ): readonly ScopeRoot[] => {
    const [scope, ...outer] = scopes;
    const [here, ...further] = known;
    if (scope === undefined) return [];
    const before = here?.get(element);
    if (before !== undefined) return before;
    const found: ScopeRoot[] = [];
    for (let up: ElementNode | null = element; up !== null; up = index.parent(up)) {
      const root = up;
      const begins = (within: Surroundings): Certainty =>
        scope.start === null
          ? index.parent(root) === null
            ? YES
            : NO
          : and(
              matcher.matchesList(root, scope.start, within),
              not(endsBetween(element, root, scope, around)),
            );
      const holds =
        outer.length === 0
          ? begins(around)
          : rootsAround(root, outer, around, further)
              .map((wider) => and(wider.holds, begins({ ...around, scope: wider.root })))
              .reduce(or, NO);
      if (holds !== NO) found.push({ root, holds });
    }
    here?.set(element, found);
    return found;
  };

  /** Whether a scope that begins at the root ends before it reaches the element. */
  const endsBetween = (
    element: ElementNode,
    root: ElementNode,
    { end }: Scope,
    around: Surroundings,
  ): Certainty => {
    let ends: Certainty = NO;
    if (end === null) return ends;
    for (let at: ElementNode | null = element; at !== null; at = at === root ? null : index.parent(at))
      ends = or(ends, matcher.matchesList(at, end, { ...around, scope: root }));
    return ends;
  };

  return {
    matches(entry, element, asked) {
      const holds = selectorMatches(entry, element, asked);
      return holds !== NO && entry.hasContainer ? and(holds, containerHolds(entry, element)) : holds;
    },
    order: (entries, element, asked) =>
      entries.some((entry) => scopesOf(entry.rule.conditions).length > 0)
        ? byProximity(element, asked)
        : (a, b) => a.rank - b.rank,
  };
}

/** An element that a scope may begin at. */
interface ScopeRoot {
  readonly root: ElementNode;
  readonly holds: Certainty;
}

type Scope = Extract<NonNullable<Conditions>["condition"], { kind: "scope" }>;

/** The scopes that a rule stands in, the innermost first. */
function scopesOf(conditions: Conditions): readonly Scope[] {
  const found: Scope[] = [];
  for (let guard = conditions; guard !== null; guard = guard.outer)
    if (guard.condition.kind === "scope") found.push(guard.condition);
  return found;
}
