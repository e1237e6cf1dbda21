import type { DocumentIndex } from "../document/document-index.ts";
import type { ElementNode } from "../document/node.ts";
import { attributeTokens } from "../document/written.ts";
import { and, type Certainty, NO, YES } from "./certainty.ts";
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
    const limits = scopeOf(entry.rule.conditions);
    if (limits === null || limits.start === null) return Number.MAX_SAFE_INTEGER;
    let distance = 0;
    for (let up: ElementNode | null = element; up !== null; up = index.parent(up), distance++) {
      if (matcher.matchesList(up, limits.start, asked) !== NO) return distance;
    }
    return Number.MAX_SAFE_INTEGER;
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
    const limits = scopeOf(entry.rule.conditions);
    if (limits === null) return matcher.matches(element, entry.selector, around);
    let best: Certainty = NO;
    for (let up: ElementNode | null = element; up !== null; up = index.parent(up)) {
      const starts =
        limits.start === null
          ? index.parent(up) === null
            ? YES
            : NO
          : matcher.matchesList(up, limits.start, around);
      if (starts !== NO) {
        const result = and(starts, matcher.matches(element, entry.selector, { ...around, scope: up }));
        if (result > best) best = result;
      }
      if (limits.end !== null && matcher.matchesList(up, limits.end, around) !== NO) break;
    }
    return best;
  };

  return {
    matches(entry, element, asked) {
      const holds = selectorMatches(entry, element, asked);
      return holds !== NO && entry.hasContainer ? and(holds, containerHolds(entry, element)) : holds;
    },
    order: (entries, element, asked) =>
      entries.some((entry) => scopeOf(entry.rule.conditions) !== null)
        ? byProximity(element, asked)
        : (a, b) => a.rank - b.rank,
  };
}

function scopeOf(conditions: Conditions) {
  for (let guard = conditions; guard !== null; guard = guard.outer)
    if (guard.condition.kind === "scope") return guard.condition;
  return null;
}
