import { and, type Certainty, NO, YES } from "./certainty.ts";
import type { DeclarationBlock } from "./declared.ts";
import type { Device } from "./device.ts";
import { evaluateMedia } from "./media.ts";
import type { ComplexSelector, Compound } from "./selector.ts";
import type { AppliedSheet, Conditions, Keyframe, StyleRule } from "./sheet.ts";
import { evaluateSupports } from "./supports.ts";

/** Where a declaration comes from, the weakest first. CSS Cascade 5 §6.2; hints rank before the author's own (§6.5). */
export type Origin = "user-agent" | "hint" | "author";

/** One block of declarations that applies to an element. */
export interface AppliedBlock extends DeclarationBlock {
  readonly origin: Origin;
  /** `maybe` where a condition or selector could not be decided. */
  readonly certain: boolean;
  /** Larger wins among normal declarations, smaller among important ones; unlayered is `Infinity`. */
  readonly layer: number;
  readonly selectorText: string;
}

/** A selector of a rule, ranked among all of its tree. */
export interface Entry {
  readonly selector: ComplexSelector;
  readonly rule: StyleRule;
  readonly block: AppliedBlock;
  readonly uncertainBlock: AppliedBlock;
  readonly rank: number;
  readonly certainty: Certainty;
  /** Whether a container query guards the rule: it must be asked for each element. */
  readonly hasContainer: boolean;
  /** Places in the filter of ids, classes and tags that some ancestor must have; an empty list tells nothing. */
  readonly ancestors: readonly number[];
}

export interface RuleIndex {
  readonly byId: ReadonlyMap<string, readonly Entry[]>;
  readonly byClass: ReadonlyMap<string, readonly Entry[]>;
  readonly byTag: ReadonlyMap<string, readonly Entry[]>;
  readonly others: readonly Entry[];
}

/** The rules of one tree: for elements, and for each pseudo-element by name. */
export interface TreeRules {
  readonly elements: RuleIndex;
  readonly pseudos: ReadonlyMap<string, RuleIndex>;
  /** Animations by name; of several of one name the last. */
  readonly keyframes: ReadonlyMap<string, readonly Keyframe[]>;
  /** For each user action, the id, class or tag of what some selector wants it on; `*` for anything. */
  readonly reacting: Readonly<Record<ActionKind, ReadonlySet<string>>>;
  /** Custom properties registered by `@property`. */
  readonly registered: ReadonlyMap<string, RegisteredProperty>;
  /** Every property that some block declares. */
  readonly declared: ReadonlySet<string>;
  /** What rules ask of an element beside a class that is named for focus. */
  readonly focusClasses: readonly Compound[];
  /** What selectors look for among ancestors, each with its place in the filter; empty where none is kept. */
  readonly places: ReadonlyMap<string, number>;
}

export interface RegisteredProperty {
  readonly inherits: boolean;
  readonly initial: string | null;
}

/** A sheet as it applies to whatever tree it is put into. */
export type SheetOfTree = Omit<AppliedSheet, "scope">;

/** How selectors of a tree are read. */
export interface RuleContext {
  /** Places in the filter that are taken; null where no filter is kept. */
  readonly taken: ReadonlyMap<string, number> | null;
  /** Ids and classes of old pages match in any case. */
  readonly fold: (text: string) => string;
}

/** Reads the rules of one tree: conditions decided for the device, layers put in order, selectors ranked and indexed. */
export function treeRules(
  sheets: readonly SheetOfTree[],
  origin: Origin,
  device: Device,
  { taken, fold }: RuleContext,
): TreeRules {
  const registered = new Map<string, RegisteredProperty>();
  const places = taken === null ? null : new Map(taken);
  const rules: { rule: StyleRule; certainty: Certainty; layer: string | null }[] = [];
  const layers = new LayerOrder();
  const keyframes = new Map<string, readonly Keyframe[]>();
  const mediaResults = new Map<string, Certainty>();
  const media = (text: string): Certainty => {
    let known = mediaResults.get(text);
    if (known === undefined) {
      known = evaluateMedia(text, device);
      mediaResults.set(text, known);
    }
    return known;
  };
  const certaintyOf = (conditions: Conditions): Certainty => {
    let result: Certainty = YES;
    for (let guard = conditions; guard !== null && result !== NO; guard = guard.outer) {
      const { condition } = guard;
      if (condition.kind === "media") result = and(result, media(condition.text));
      else if (condition.kind === "supports") result = and(result, evaluateSupports(condition.text));
    }
    return result;
  };
  const prefixed = (prefix: string | null, name: string | null) =>
    name === null ? prefix : prefix === null ? name : `${prefix}.${name}`;
  const addSheet = (applied: SheetOfTree, outer: Certainty, prefix: string | null) => {
    const whole = and(outer, applied.media === null ? YES : media(applied.media));
    if (whole === NO) return;
    for (const item of applied.sheet.items) {
      if (item.kind === "layer") {
        if (certaintyOf(item.conditions) !== NO) layers.add(prefixed(prefix, item.name) ?? item.name);
      } else if (item.kind === "property") registered.set(item.name, item);
      else if (item.kind === "keyframes") keyframes.set(item.name, item.frames);
      else if (item.kind === "import") {
        const layer = prefixed(prefix, item.import.layer);
        if (item.import.layer !== null && layer !== null) layers.add(layer);
        const imported = applied.imports.get(item.import);
        const supported = item.import.supports === null ? YES : evaluateSupports(`(${item.import.supports})`);
        const certainty = and(
          whole,
          and(supported, item.import.media === null ? YES : media(item.import.media)),
        );
        if (imported !== undefined && certainty !== NO) addSheet(imported, certainty, layer);
      } else {
        const certainty = and(whole, certaintyOf(item.rule.conditions));
        if (certainty !== NO)
          rules.push({ rule: item.rule, certainty, layer: prefixed(prefix, item.rule.layer) });
      }
    }
  };
  for (const sheet of sheets) addSheet(sheet, YES, null);

  const layerRank = layers.ranks();
  const drafts = rules.flatMap(({ rule, certainty, layer }, order) => {
    const rank = layer === null ? Number.POSITIVE_INFINITY : (layerRank.get(layer) ?? 0);
    const block: AppliedBlock = {
      normal: rule.normal,
      important: rule.important,
      origin,
      certain: true,
      layer: rank,
      selectorText: rule.selectorText,
    };
    const uncertainBlock: AppliedBlock = { ...block, certain: false };
    return rule.selectors.map((selector) => ({
      selector,
      rule,
      block,
      uncertainBlock,
      certainty,
      layer: rank,
      order,
    }));
  });
  // Cascade sorting order within one origin and context: layer, specificity, order of appearance. CSS Cascade 5 §6.1.
  drafts.sort(
    (a, b) =>
      (a.layer === b.layer ? 0 : a.layer < b.layer ? -1 : 1) ||
      a.selector.specificity - b.selector.specificity ||
      a.order - b.order,
  );
  const entries: Entry[] = drafts.map((d, rank) => ({
    selector: d.selector,
    rule: d.rule,
    block: d.block,
    uncertainBlock: d.uncertainBlock,
    certainty: d.certainty,
    hasContainer: asksContainer(d.rule.conditions),
    rank,
    ancestors: places === null ? [] : requiredAncestors(d.selector, places, fold),
  }));
  const groups = new Map<string | null, Entry[]>();
  for (const entry of entries) {
    const { pseudoElement } = entry.selector;
    const group = groups.get(pseudoElement);
    if (group === undefined) groups.set(pseudoElement, [entry]);
    else group.push(entry);
  }
  const blocks = [...new Set(entries.map((entry) => entry.block))];
  return {
    elements: ruleIndex(groups.get(null) ?? [], fold),
    pseudos: new Map(
      [...groups].flatMap(([name, group]) =>
        name === null ? [] : [[name, ruleIndex(group, fold)] as const],
      ),
    ),
    keyframes,
    reacting: reactingKeys(entries, fold),
    registered,
    declared: declaredIn(blocks),
    focusClasses: focusClassesIn(entries),
    places: places ?? new Map(),
  };
}

/** The properties that blocks declare. */
export function declaredIn(blocks: Iterable<AppliedBlock>): ReadonlySet<string> {
  const found = new Set<string>();
  for (const { normal, important } of blocks) {
    for (const property of normal.keys()) found.add(property);
    if (important !== null) for (const property of important.keys()) found.add(property);
  }
  return found;
}

const asksContainer = (conditions: Conditions): boolean => guardedBy("container", conditions);
/** Whether a rule stands in a scope. */
export const asksScope = (conditions: Conditions): boolean => guardedBy("scope", conditions);

function guardedBy(kind: "container" | "scope", conditions: Conditions): boolean {
  for (let guard = conditions; guard !== null; guard = guard.outer)
    if (guard.condition.kind === kind) return true;
  return false;
}

const FOCUS = /focus/i;

/** Compounds with a class that scripts give to what has focus, without it: `.button.focus-visible`, `.is-focused`. */
const focusClassesIn = (entries: readonly Entry[]): readonly Compound[] => {
  const seen = new Set<ComplexSelector>();
  return entries
    .flatMap(({ selector }) => compoundsOf(selector, seen))
    .flatMap((compound) =>
      compound.classes.some((name) => FOCUS.test(name))
        ? [{ ...compound, classes: compound.classes.filter((name) => !FOCUS.test(name)) }]
        : [],
    );
};

/**
 * Its compounds, and those of the lists that may stand for one. Nested rules share the lists of what they stand in.
 * @param seen those that were gone through before
 */
function compoundsOf(selector: ComplexSelector, seen: Set<ComplexSelector>): readonly Compound[] {
  if (seen.has(selector)) return [];
  seen.add(selector);
  return selector.steps.flatMap(({ compound }) => [
    compound,
    ...compound.pseudoClasses.flatMap((pseudo) =>
      pseudo.kind === "is" ? pseudo.list.flatMap((inner) => compoundsOf(inner, seen)) : [],
    ),
  ]);
}

export type ActionKind = "hover" | "focus" | "active";

/** Which actions a pseudo-class answers to: pressing goes with hovering, focus may be seen from outside. */
const actionsOf: Readonly<Record<string, readonly ActionKind[]>> = {
  hover: ["hover", "active"],
  active: ["active"],
  focus: ["focus"],
  "focus-visible": ["focus"],
  "focus-within": ["focus"],
};

/** Whether a pseudo-class is looked for, which is asked of the element that a rule styles or of another one. */
type Asked = (name: string, isOfSubject: boolean) => boolean;

/** What turns rules on or off: anything that the user does with anything; or that focus is on an element, for all other ones. */
const askedFor = {
  "any action": (name) => actionsOf[name] !== undefined,
  "focus elsewhere": (name, isOfSubject) =>
    name === "focus-within" || (!isOfSubject && actionsOf[name]?.includes("focus") === true),
} as const satisfies Record<string, Asked>;

export type Reaction = keyof typeof askedFor;

/** Of some rules those that may be turned on or off. */
export function reactingRules(rules: RuleIndex, reaction: Reaction): RuleIndex {
  const reacts = asking(askedFor[reaction]);
  const kept = (entries: readonly Entry[]) =>
    entries.filter(
      ({ selector, rule }) =>
        reacts(selector, true) ||
        (selector.slotted ?? []).some((inner) => reacts(inner, false)) ||
        // Where a scope begins or ends may hang on it, too.
        asksScope(rule.conditions),
    );
  const keptIn = (entries: ReadonlyMap<string, readonly Entry[]>) =>
    new Map(
      [...entries].map(([key, list]) => [key, kept(list)] as const).filter(([, list]) => list.length > 0),
    );
  return {
    byId: keptIn(rules.byId),
    byClass: keptIn(rules.byClass),
    byTag: keptIn(rules.byTag),
    others: kept(rules.others),
  };
}

/** Whether a selector asks anywhere for some pseudo-class. Nested rules share the lists of what they stand in. */
function asking(asked: Asked): (selector: ComplexSelector, isOfSubject: boolean) => boolean {
  const known = { own: new Map<ComplexSelector, boolean>(), other: new Map<ComplexSelector, boolean>() };
  const asks = (selector: ComplexSelector, isOfSubject: boolean): boolean => {
    const seen = isOfSubject ? known.own : known.other;
    const before = seen.get(selector);
    if (before !== undefined) return before;
    const found = selector.steps.some(({ compound }, place) =>
      compound.pseudoClasses.some((pseudo) => {
        const isOwn = isOfSubject && place === 0;
        switch (pseudo.kind) {
          case "plain":
            return asked(pseudo.name, isOwn);
          case "is":
          case "not":
            return pseudo.list.some((inner) => asks(inner, isOwn));
          case "host-context":
            return pseudo.list.some((inner) => asks(inner, false));
          case "has":
            return pseudo.list.some(({ selector: inner }) => asks(inner, false));
          case "nth":
            return (pseudo.of ?? []).some((inner) => asks(inner, false));
          case "host":
            return (pseudo.list ?? []).some((inner) => asks(inner, false));
          default:
            return false;
        }
      }),
    );
    seen.set(selector, found);
    return found;
  };
  return asks;
}

function reactingKeys(entries: readonly Entry[], fold: (text: string) => string): TreeRules["reacting"] {
  const found = { hover: new Set<string>(), focus: new Set<string>(), active: new Set<string>() };
  const keyOf = ({ id, classes, tag }: Compound): string =>
    id !== null
      ? `#${fold(id)}`
      : classes[0] !== undefined
        ? `.${fold(classes[0])}`
        : tag !== null
          ? tag.toLowerCase()
          : "*";
  // Nested rules share the lists of what they stand in.
  const visited = new Map<ComplexSelector, Set<string | null>>();
  const visit = (selector: ComplexSelector, within: string | null) => {
    const known = visited.get(selector) ?? new Set();
    if (known.has(within)) return;
    visited.set(selector, known.add(within));
    for (const { compound } of selector.steps) {
      const key = within ?? keyOf(compound);
      for (const pseudo of compound.pseudoClasses) {
        if (pseudo.kind === "plain")
          for (const action of actionsOf[pseudo.name] ?? []) found[action].add(key);
        // Inside :not() and :has() the action may be on anything; inside :is() it is on the compound itself, if that says more.
        else if (pseudo.kind === "is" || pseudo.kind === "host-context")
          for (const inner of pseudo.list) visit(inner, inner.steps.length === 1 && key !== "*" ? key : null);
        else if (pseudo.kind === "not") for (const inner of pseudo.list) visit(inner, key);
        else if (pseudo.kind === "has") for (const inner of pseudo.list) visit(inner.selector, null);
        else if (pseudo.kind === "host" && pseudo.list !== null)
          for (const inner of pseudo.list) visit(inner, "*");
      }
    }
  };
  for (const { selector } of entries) {
    visit(selector, null);
    for (const inner of selector.slotted ?? []) visit(inner, "*");
  }
  return found;
}

/** Cascade layers in order of first appearance, a layer's own rules after its sublayers'. CSS Cascade 5 §6.4.1–2. */
class LayerOrder {
  readonly #children = new Map<string, string[]>();

  add(name: string): void {
    const parts = name.startsWith("<") ? [name] : name.split(".");
    let path = "";
    for (const part of parts) {
      const parent = path;
      path = path === "" ? part : `${path}.${part}`;
      const siblings = this.#children.get(parent) ?? [];
      this.#children.set(parent, siblings);
      if (!siblings.includes(path)) siblings.push(path);
    }
  }

  ranks(): ReadonlyMap<string, number> {
    const ranks = new Map<string, number>();
    const stack: { name: string; done: boolean }[] = [{ name: "", done: false }];
    for (let current = stack.pop(); current !== undefined; current = stack.pop()) {
      if (current.done) {
        ranks.set(current.name, ranks.size);
        continue;
      }
      stack.push({ name: current.name, done: true });
      for (const child of [...(this.#children.get(current.name) ?? [])].reverse())
        stack.push({ name: child, done: false });
    }
    return ranks;
  }
}

function ruleIndex(entries: readonly Entry[], fold: (text: string) => string): RuleIndex {
  const byId = new Map<string, Entry[]>();
  const byClass = new Map<string, Entry[]>();
  const byTag = new Map<string, Entry[]>();
  const others: Entry[] = [];
  const put = (map: Map<string, Entry[]>, key: string, entry: Entry) => {
    const list = map.get(key);
    if (list === undefined) map.set(key, [entry]);
    else list.push(entry);
  };
  for (const entry of entries) {
    const compound = (entry.selector.slotted?.[0] ?? entry.selector).steps[0]?.compound;
    // What `::slotted()` and `::part()` select is not what the compound before them says.
    const usable = entry.selector.slotted === null && entry.selector.parts === null ? compound : undefined;
    if (usable?.id != null) put(byId, fold(usable.id), entry);
    else if (usable?.classes[0] !== undefined) put(byClass, fold(usable.classes[0]), entry);
    else if (usable?.tag != null) {
      put(byTag, usable.tag, entry);
      if (usable.tag !== usable.tag.toLowerCase()) put(byTag, usable.tag.toLowerCase(), entry);
    } else others.push(entry);
  }
  return { byId, byClass, byTag, others };
}

/** What some ancestor must have for the selector to match, as places in the filter; new ones are given a place. */
function requiredAncestors(
  selector: ComplexSelector,
  places: Map<string, number>,
  fold: (text: string) => string,
): readonly number[] {
  const bits: number[] = [];
  const place = (key: string): number => {
    const known = places.get(key) ?? places.size;
    places.set(key, known);
    return known;
  };
  const add = (compound: Compound) => {
    if (compound.id !== null) bits.push(place(`#${fold(compound.id)}`));
    else if (compound.classes[0] !== undefined) bits.push(place(`.${fold(compound.classes[0])}`));
    else if (compound.tag !== null && compound.tag === compound.tag.toLowerCase())
      bits.push(place(`t${compound.tag}`));
  };
  let ancestor = false;
  for (const [index, step] of selector.steps.entries()) {
    if (index > 0 && ancestor && bits.length < 4) add(step.compound);
    ancestor = step.combinator === " " || step.combinator === ">";
  }
  return bits;
}
