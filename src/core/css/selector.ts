import type {
  CssNode,
  Nth as NthNode,
  SelectorList as SelectorListNode,
  Selector as SelectorNode,
} from "css-tree";
import { parsedSelectors } from "./selector-text.ts";
import { caseInsensitiveAttributes, plainPseudoClasses, pseudoElements } from "./tables/selectors.ts";

/** Selectors 4, compiled for matching from right to left. */
export interface ComplexSelector {
  /** The subject first, then leftwards. */
  readonly steps: readonly Step[];
  readonly specificity: number;
  /** `before`, `placeholder`, `slotted` …; null for the element itself. */
  readonly pseudoElement: string | null;
  /** What `::slotted()` holds, or the names of `::part()`. */
  readonly slotted: SelectorList | null;
  readonly parts: readonly string[] | null;
  /** Pseudo-classes after a pseudo-element (`::slotted(a):hover`) are not decided by source. */
  readonly subjectIsHost: boolean;
  /** Whether it says itself where `:scope` stands. */
  readonly namesScope: boolean;
}

export type SelectorList = readonly ComplexSelector[];

export interface Step {
  readonly compound: Compound;
  /** What joins this compound to the one at its left: the next step. */
  readonly combinator: Combinator | null;
}

export type Combinator = " " | ">" | "+" | "~";

export interface Compound {
  readonly tag: string | null;
  readonly id: string | null;
  readonly classes: readonly string[];
  readonly attributes: readonly AttributeTest[];
  readonly pseudoClasses: readonly PseudoClass[];
}

export interface AttributeTest {
  readonly name: string;
  readonly operator: "=" | "~=" | "|=" | "^=" | "$=" | "*=" | null;
  readonly value: string;
  readonly ignoreCase: boolean;
}

export type PseudoClass =
  | { readonly kind: "plain"; readonly name: string }
  | {
      readonly kind: "is" | "not";
      readonly list: SelectorList;
      /** Whether it is meant for what others render inside a component, and what stands to its right too. */
      readonly leavesScope?: "itself" | "onwards";
    }
  | { readonly kind: "has"; readonly list: readonly RelativeSelector[] }
  | {
      readonly kind: "nth";
      readonly a: number;
      readonly b: number;
      readonly last: boolean;
      readonly ofType: boolean;
      readonly of: SelectorList | null;
    }
  | { readonly kind: "lang"; readonly ranges: readonly string[] }
  | { readonly kind: "dir"; readonly direction: string }
  | { readonly kind: "host"; readonly list: SelectorList | null }
  | { readonly kind: "host-context"; readonly list: SelectorList }
  | { readonly kind: "state"; readonly name: string };

/** What `:has()` asks for. Selectors 4 §3.4.1, "relative selector". */
export interface RelativeSelector {
  /** What joins it to the element that is asked, which is its `:scope`. */
  readonly combinator: Combinator;
  readonly selector: ComplexSelector;
  /** Its only compound, without the element that is asked; null where it has several. */
  readonly alone: ComplexSelector | null;
}

/** Specificity (A, B, C) as one number that orders alike. Selectors 4 §16. */
const A = 1 << 20;
const B = 1 << 10;
const C = 1;

/** Pseudo-elements of old, written with one colon. Selectors 4 §3.6 note. */
const oneColonPseudoElements = new Set(["before", "after", "first-line", "first-letter"]);

/** A selector that a browser does not accept; the whole rule goes. CSS Syntax 3 §9, Selectors 4 §3.9. */
export class InvalidSelector extends Error {}

/** Compiles a parsed selector list. `parent` is what `&` stands for in a nested rule (CSS Nesting 1). */
export function compileSelectorList(list: SelectorListNode, parent: SelectorList | null): SelectorList {
  return list.children.toArray().map((node) => {
    if (node.type !== "Selector") throw new InvalidSelector(node.type);
    return compileSelector(node, parent, parent !== null);
  });
}

/** The same, or null where a browser does not accept it. */
export function acceptedSelectors(list: SelectorListNode, parent: SelectorList | null): SelectorList | null {
  try {
    return compileSelectorList(list, parent);
  } catch (error) {
    if (error instanceof InvalidSelector) return null;
    throw error;
  }
}

const nestingCompound = (parent: SelectorList | null): PseudoClass =>
  parent === null ? { kind: "plain", name: "scope" } : { kind: "is", list: parent };

const largestSpecificity = (list: SelectorList): number =>
  list.reduce((most, s) => Math.max(most, s.specificity), 0);

interface Draft {
  tag: string | null;
  id: string | null;
  classes: string[];
  attributes: AttributeTest[];
  pseudoClasses: PseudoClass[];
  empty: boolean;
}

const draft = (): Draft => ({
  tag: null,
  id: null,
  classes: [],
  attributes: [],
  pseudoClasses: [],
  empty: true,
});

function compileSelector(node: SelectorNode, parent: SelectorList | null, nested: boolean): ComplexSelector {
  const parts = node.children.toArray();
  let specificity = 0;
  let pseudoElement: string | null = null;
  let slotted: SelectorList | null = null;
  let partNames: readonly string[] | null = null;
  let subjectIsHost = false;
  const compounds: { compound: Compound; combinatorAtLeft: Combinator | null }[] = [];
  let current = draft();
  let combinator: Combinator | null = null;
  const mentionsParent = parts.some((p) => p.type === "NestingSelector") || (nested && containsNesting(node));
  if (nested && !mentionsParent) {
    // CSS Nesting 1 §3.1: a nested selector without `&` is relative to it.
    compounds.push({
      compound: { ...draft(), pseudoClasses: [nestingCompound(parent)] },
      combinatorAtLeft: null,
    });
    specificity += parent === null ? 0 : largestSpecificity(parent);
    if (parts[0]?.type !== "Combinator") combinator = " ";
  }
  const close = () => {
    if (current.empty) throw new InvalidSelector("an empty compound");
    compounds.push({ compound: current, combinatorAtLeft: combinator });
    current = draft();
  };
  for (const [index, part] of parts.entries()) {
    if (part.type === "Combinator") {
      if (index > 0) close();
      else if (!nested || compounds.length === 0) throw new InvalidSelector("a leading combinator");
      const name = part.name.trim();
      if (name !== "" && name !== ">" && name !== "+" && name !== "~") throw new InvalidSelector(name);
      combinator = name === "" ? " " : name;
      continue;
    }
    current.empty = false;
    if (
      pseudoElement !== null &&
      part.type !== "PseudoClassSelector" &&
      part.type !== "PseudoElementSelector"
    ) {
      throw new InvalidSelector("a selector after a pseudo-element");
    }
    switch (part.type) {
      case "TypeSelector": {
        const name = part.name.slice(part.name.indexOf("|") + 1);
        if (name !== "*") {
          current.tag = name;
          specificity += C;
        }
        break;
      }
      case "IdSelector":
        if (current.id === null) current.id = unescapeIdentifier(part.name);
        else
          current.attributes.push({
            name: "id",
            operator: "=",
            value: unescapeIdentifier(part.name),
            ignoreCase: false,
          });
        specificity += A;
        break;
      case "ClassSelector":
        current.classes.push(unescapeIdentifier(part.name));
        specificity += B;
        break;
      case "AttributeSelector":
        current.attributes.push(attributeTest(part));
        specificity += B;
        break;
      case "NestingSelector":
        current.pseudoClasses.push(nestingCompound(parent));
        specificity += parent === null ? 0 : largestSpecificity(parent);
        break;
      case "PseudoClassSelector": {
        const name = part.name.toLowerCase();
        if (oneColonPseudoElements.has(name) && part.children === null) {
          pseudoElement = name;
          specificity += C;
          break;
        }
        if (pseudoElement !== null) {
          current.pseudoClasses.push({ kind: "state", name: "after-pseudo-element" });
          break;
        }
        const compiled = compilePseudoClass(name, part.children?.toArray() ?? null, parent);
        current.pseudoClasses.push(compiled.pseudoClass);
        if (compiled.pseudoClass.kind === "host" || compiled.pseudoClass.kind === "host-context")
          subjectIsHost = true;
        specificity += compiled.specificity;
        break;
      }
      case "PseudoElementSelector": {
        const name = part.name.toLowerCase();
        if (!pseudoElements.has(name) && !name.startsWith("-webkit-")) throw new InvalidSelector(`::${name}`);
        specificity += C;
        const inner = part.children?.toArray() ?? null;
        if (name === "slotted") {
          slotted = innerList(inner, parent);
          specificity += largestSpecificity(slotted);
        } else if (name === "part") {
          partNames = (inner ?? []).flatMap((n) =>
            n.type === "Raw" ? n.value.trim().split(/\s+/) : n.type === "Identifier" ? [n.name] : [],
          );
        }
        pseudoElement =
          pseudoElement === "slotted" || pseudoElement === "part" ? `${pseudoElement}::${name}` : name;
        break;
      }
      default:
        throw new InvalidSelector(part.type);
    }
  }
  close();
  const steps = compounds
    .map((entry) => ({ compound: entry.compound, combinator: entry.combinatorAtLeft }))
    .reverse();
  const isHost =
    subjectIsHost &&
    (steps[0]?.compound.pseudoClasses.some((p) => p.kind === "host" || p.kind === "host-context") ?? false);
  return {
    steps,
    specificity,
    pseudoElement,
    slotted,
    parts: partNames,
    subjectIsHost: isHost,
    namesScope: namesScope(node),
  };
}

const containsNesting = (node: CssNode): boolean => contains(node, ({ type }) => type === "NestingSelector");

const namesScope = (node: CssNode): boolean =>
  contains(
    node,
    (part) =>
      part.type === "NestingSelector" ||
      (part.type === "PseudoClassSelector" && part.name.toLowerCase() === "scope"),
  );

function contains(node: CssNode, isOne: (part: CssNode) => boolean): boolean {
  if (isOne(node)) return true;
  const inner = "children" in node && node.children != null ? node.children.toArray() : [];
  return inner.some((part) => contains(part, isOne));
}

function attributeTest(node: Extract<CssNode, { type: "AttributeSelector" }>): AttributeTest {
  const name = node.name.name.slice(node.name.name.indexOf("|") + 1).toLowerCase();
  const value =
    node.value === null
      ? ""
      : node.value.type === "String"
        ? node.value.value
        : unescapeIdentifier(node.value.name);
  const flag = node.flags?.toLowerCase() ?? null;
  return {
    name,
    operator: (node.matcher as AttributeTest["operator"]) ?? null,
    value,
    ignoreCase: flag === "i" || (flag !== "s" && caseInsensitiveAttributes.has(name)),
  };
}

function innerList(children: readonly CssNode[] | null, parent: SelectorList | null): SelectorList {
  const list = children?.[0];
  if (list?.type === "SelectorList") return compileSelectorListInside(list, parent);
  if (list?.type === "Selector") return [compileInside(list, parent)];
  throw new InvalidSelector("nothing to match");
}

const compileSelectorListInside = (list: SelectorListNode, parent: SelectorList | null): SelectorList =>
  list.children.toArray().map((s) => {
    if (s.type !== "Selector") throw new InvalidSelector(s.type);
    return compileInside(s, parent);
  });

/** What stands in a pseudo-class picks elements, never pseudo-elements. Selectors 4 §3.6.4. */
function compileInside(node: SelectorNode, parent: SelectorList | null): ComplexSelector {
  const selector = compileSelector(node, parent, false);
  if (selector.pseudoElement !== null) throw new InvalidSelector(`::${selector.pseudoElement}`);
  return selector;
}

/** `:is()` and `:where()` forgive what they cannot read. Selectors 4 §18.1, "forgiving selector list". */
function forgivingList(children: readonly CssNode[] | null, parent: SelectorList | null): SelectorList {
  const list = children?.[0];
  if (list?.type !== "SelectorList") return [];
  return list.children.toArray().flatMap((s) => {
    if (s.type !== "Selector") return [];
    try {
      return [compileInside(s, parent)];
    } catch (error) {
      if (error instanceof InvalidSelector) return [];
      throw error;
    }
  });
}

/** What stands in a function that only compilers of components know: the parser leaves it as text. */
function listOfComponent(
  name: string,
  children: readonly CssNode[] | null,
  parent: SelectorList | null,
): SelectorList {
  const raw = children?.[0];
  const list = raw?.type === "Raw" ? parsedSelectors(raw.value.trim(), false) : null;
  if (list === null) throw new InvalidSelector(`:${name}()`);
  return compileSelectorListInside(list, parent);
}

const isAnything = ({ tag, id, classes, attributes, pseudoClasses }: Compound): boolean =>
  tag === null && id === null && classes.length + attributes.length + pseudoClasses.length === 0;

interface CompiledPseudoClass {
  readonly pseudoClass: PseudoClass;
  readonly specificity: number;
}

function compilePseudoClass(
  name: string,
  children: readonly CssNode[] | null,
  parent: SelectorList | null,
): CompiledPseudoClass {
  switch (name) {
    case "is":
    case "matches":
    case "-webkit-any": {
      const list = forgivingList(children, parent);
      return { pseudoClass: { kind: "is", list }, specificity: largestSpecificity(list) };
    }
    case "-keel-global":
    case "-keel-deep":
    case "-keel-slotted":
    case "-keel-local": {
      const list = listOfComponent(name, children, parent);
      const isAll = list.every(
        ({ steps }) => steps.length === 1 && steps.every(({ compound }) => isAnything(compound)),
      );
      return {
        pseudoClass:
          name === "-keel-local"
            ? { kind: "is", list }
            : { kind: "is", list, leavesScope: isAll ? "onwards" : "itself" },
        specificity: largestSpecificity(list),
      };
    }
    case "where":
      return { pseudoClass: { kind: "is", list: forgivingList(children, parent) }, specificity: 0 };
    case "not": {
      const list = innerList(children, parent);
      return { pseudoClass: { kind: "not", list }, specificity: largestSpecificity(list) };
    }
    case "has": {
      const list = relativeList(children, parent);
      return {
        pseudoClass: { kind: "has", list },
        specificity: largestSpecificity(list.map((r) => r.selector)),
      };
    }
    case "state":
    case "active-view-transition-type":
      // What a script says of its own element, or of a transition, source does not tell.
      return { pseudoClass: { kind: "state", name }, specificity: B };
    case "host": {
      const list = children === null ? null : innerList(children, parent);
      return {
        pseudoClass: { kind: "host", list },
        specificity: B + (list === null ? 0 : largestSpecificity(list)),
      };
    }
    case "host-context": {
      const list = innerList(children, parent);
      return { pseudoClass: { kind: "host-context", list }, specificity: B + largestSpecificity(list) };
    }
    case "nth-child":
    case "nth-last-child":
    case "nth-of-type":
    case "nth-last-of-type": {
      const nth = children?.find((n): n is NthNode => n.type === "Nth");
      if (nth === undefined) throw new InvalidSelector(name);
      const of = nth.selector === null ? null : compileSelectorListInside(nth.selector, parent);
      const { a, b } = stepAndOffset(nth);
      return {
        pseudoClass: { kind: "nth", a, b, last: name.includes("last"), ofType: name.endsWith("type"), of },
        specificity: B + (of === null ? 0 : largestSpecificity(of)),
      };
    }
    case "lang": {
      const ranges = (children ?? []).flatMap((n) =>
        n.type === "Identifier"
          ? [n.name]
          : n.type === "String"
            ? [n.value]
            : n.type === "Raw"
              ? n.value.split(",").map((v) => v.trim().replace(/^["']|["']$/g, ""))
              : [],
      );
      return { pseudoClass: { kind: "lang", ranges }, specificity: B };
    }
    case "dir": {
      const first = children?.[0];
      const direction =
        first?.type === "Identifier" ? first.name : first?.type === "Raw" ? first.value.trim() : "";
      return { pseudoClass: { kind: "dir", direction: direction.toLowerCase() }, specificity: B };
    }
    default:
      // What no current browser knows, or only another engine does, makes the rule invalid (Selectors 4 §3.9).
      if (!plainPseudoClasses.has(name) || children !== null) throw new InvalidSelector(`:${name}`);
      return { pseudoClass: { kind: "plain", name }, specificity: B };
  }
}

function relativeList(
  children: readonly CssNode[] | null,
  parent: SelectorList | null,
): readonly RelativeSelector[] {
  const list = children?.[0];
  if (list?.type !== "SelectorList") throw new InvalidSelector(":has()");
  return list.children.toArray().map((node) => {
    if (node.type !== "Selector") throw new InvalidSelector(node.type);
    const first = node.children.first;
    if (first?.type !== "Combinator") return relativeTo(" ", compileSelector(node, parent, false));
    const name = first.name.trim();
    if (name !== ">" && name !== "+" && name !== "~" && name !== "") throw new InvalidSelector(name);
    const rest = { ...node, children: node.children.copy() };
    rest.children.shift();
    return relativeTo(name === "" ? " " : name, compileSelector(rest, parent, false));
  });
}

const anchor: Step = {
  compound: {
    tag: null,
    id: null,
    classes: [],
    attributes: [],
    pseudoClasses: [{ kind: "plain", name: "scope" }],
  },
  combinator: null,
};

/** A selector of a rule in a scope: what does not say where `:scope` stands is inside it. CSS Cascade 6 §2.5.3. */
export const insideScope = (selector: ComplexSelector): ComplexSelector =>
  selector.namesScope ? selector : relativeTo(" ", selector).selector;

function relativeTo(combinator: Combinator, selector: ComplexSelector): RelativeSelector {
  const steps = selector.steps.map((step, i) =>
    i === selector.steps.length - 1 ? { ...step, combinator } : step,
  );
  return {
    combinator,
    selector: { ...selector, steps: [...steps, anchor] },
    alone: selector.steps.length === 1 ? selector : null,
  };
}

function stepAndOffset(nth: NthNode): { a: number; b: number } {
  if (nth.nth.type === "Identifier")
    return nth.nth.name.toLowerCase() === "odd" ? { a: 2, b: 1 } : { a: 2, b: 0 };
  const { a, b } = nth.nth;
  return {
    a: a === null ? 0 : a === "-" ? -1 : a === "+" || a === "" ? 1 : Number(a),
    b: b === null ? 0 : Number(b),
  };
}

/** CSS Syntax 3 §4.3.7, for names that hold escapes (`.md\:flex`). */
export function unescapeIdentifier(name: string): string {
  if (!name.includes("\\")) return name;
  return name.replace(
    /\\(?:([0-9a-fA-F]{1,6})\s?|(.))/gsu,
    (_, hex: string | undefined, character: string | undefined) =>
      hex === undefined ? (character ?? "") : String.fromCodePoint(Number.parseInt(hex, 16) || 0xfffd),
  );
}
