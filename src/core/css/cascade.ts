import type { DocumentIndex } from "../document/document-index.ts";
import type { Document, ElementNode, Node, ShadowRoot, TreeRoot } from "../document/node.ts";
import { attributeText, attributeTokens, attributeUnknown } from "../document/written.ts";
import { and, type Certainty, MAYBE, NO, YES } from "./certainty.ts";
import type { DeclarationBlock } from "./declared.ts";
import type { Device } from "./device.ts";
import { type Interaction, type Matcher, matcherFor, noInteraction, type Surroundings } from "./match.ts";
import { evaluateMedia } from "./media.ts";
import { parseStyleAttribute } from "./parse-sheet.ts";
import { presentationalHints } from "./presentational-hints.ts";
import type { ComplexSelector, Compound } from "./selector.ts";
import type { AppliedSheet, Conditions, StyleRule } from "./sheet.ts";
import { evaluateSupports } from "./supports.ts";
import { userAgentSheet } from "./user-agent.ts";

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

/** The cascaded declarations of an element and its place in inheritance. Shared by elements that are styled alike. */
export interface Style {
  readonly parent: Style | null;
  /** Weakest first, by normal importance. CSS Cascade 5 §6. */
  readonly blocks: readonly AppliedBlock[];
  /** Filled as values are asked for. */
  readonly computed: Map<string, unknown>;
}

export interface Cascade {
  readonly device: Device;
  /** The style of an element; null when it is not in the flat tree and so never rendered. */
  style(element: ElementNode, interaction?: Interaction): Style | null;
  /** The style of `::before`, `::after`, `::placeholder` …; null when no rule makes one. */
  pseudoStyle(element: ElementNode, pseudo: string, interaction?: Interaction): Style | null;
  /** Custom properties registered by `@property`. */
  readonly registered: ReadonlyMap<string, { readonly inherits: boolean; readonly initial: string | null }>;
  readonly matcher: Matcher;
}

/** A selector of a rule, ranked among all of its tree. */
interface Entry {
  readonly selector: ComplexSelector;
  readonly rule: StyleRule;
  readonly block: AppliedBlock;
  readonly uncertainBlock: AppliedBlock;
  readonly rank: number;
  readonly certainty: Certainty;
  /** Places in the filter of ids, classes and tags that some ancestor must have; an empty list tells nothing. */
  readonly ancestors: readonly number[];
}

interface RuleIndex {
  readonly byId: ReadonlyMap<string, readonly Entry[]>;
  readonly byClass: ReadonlyMap<string, readonly Entry[]>;
  readonly byTag: ReadonlyMap<string, readonly Entry[]>;
  readonly others: readonly Entry[];
}

/** The rules of one tree: for elements, and for each pseudo-element by name. */
interface TreeRules {
  readonly elements: RuleIndex;
  readonly pseudos: ReadonlyMap<string, RuleIndex>;
  /** Whether a user action can change what applies. */
  readonly interactive: boolean;
}

/** Builds the cascade of a document for one device: every rule indexed, every element's style found in one pass. */
export function cascadeFor(index: DocumentIndex, sheets: readonly AppliedSheet[], device: Device): Cascade {
  const matcher = matcherFor(index);
  const registered = new Map<string, { inherits: boolean; initial: string | null }>();
  const fold = index.document.quirks ? (text: string) => text.toLowerCase() : (text: string) => text;
  /** What selectors look for among ancestors, each with its place in the filter. */
  const places = new Map<string, number>();
  const userAgent = treeRules(
    [userAgentSheet(index.document)],
    "user-agent",
    index.document,
    device,
    registered,
    places,
    fold,
  );
  const byTree = new Map<TreeRoot, TreeRules>();
  for (const scope of new Set(sheets.map((s) => s.scope))) {
    byTree.set(
      scope,
      treeRules(
        sheets.filter((s) => s.scope === scope),
        "author",
        scope,
        device,
        registered,
        places,
        fold,
      ),
    );
  }
  const styleAttributes = new Map<string, DeclarationBlock>();
  const shared = new Map<string, Style>();
  const styles = new Map<ElementNode, Style>();
  const ids = new Map<Style | null, number>([[null, 0]]);
  const filter = new Uint32Array(places.size);
  /** Ancestors whose id or classes source does not give: they may be anything a selector asks for. */
  let unknownAncestors = 0;

  const candidates = (rules: RuleIndex, element: ElementNode): readonly Entry[] => {
    const found: Entry[] = [...rules.others];
    const add = (entries: readonly Entry[] | undefined) => {
      if (entries !== undefined) for (const entry of entries) found.push(entry);
    };
    if (rules.byId.size > 0) {
      const id = attributeText(element, "id");
      if (id !== null) add(rules.byId.get(fold(id)));
      else if (attributeUnknown(element, "id")) for (const entries of rules.byId.values()) add(entries);
    }
    if (rules.byClass.size > 0) {
      if (attributeUnknown(element, "class")) for (const entries of rules.byClass.values()) add(entries);
      else for (const name of new Set(attributeTokens(element, "class"))) add(rules.byClass.get(fold(name)));
    }
    add(rules.byTag.get(element.tag));
    return found;
  };

  const matching = (
    rules: RuleIndex,
    element: ElementNode,
    around: Surroundings,
    useFilter: boolean,
  ): { entry: Entry; certainty: Certainty }[] => {
    const found: { entry: Entry; certainty: Certainty }[] = [];
    for (const entry of candidates(rules, element)) {
      if (useFilter && unknownAncestors === 0 && entry.ancestors.some((bit) => filter[bit] === 0)) continue;
      const certainty = and(entry.certainty, entryMatches(entry, element, around));
      if (certainty !== NO) found.push({ entry, certainty });
    }
    return found.sort((a, b) => a.entry.rank - b.entry.rank);
  };

  /** Inside `@scope`, `:scope` is the nearest ancestor that the limits allow. CSS Cascade 6 §2.5. */
  const entryMatches = (entry: Entry, element: ElementNode, around: Surroundings): Certainty => {
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

  const blocksFor = (
    element: ElementNode,
    interaction: Interaction,
    useFilter: boolean,
  ): { blocks: AppliedBlock[]; key: string } => {
    const { root } = index.record(element);
    const blocks: AppliedBlock[] = [];
    let key = "";
    const take = (rules: RuleIndex | undefined, around: Surroundings, withFilter: boolean) => {
      if (rules === undefined) return;
      for (const { entry, certainty } of matching(rules, element, around, withFilter)) {
        blocks.push(certainty === YES ? entry.block : entry.uncertainBlock);
        key += `${entry.rank}${certainty === YES ? "" : "?"},`;
      }
      key += "|";
    };
    const around = (tree: TreeRoot): Surroundings => ({ root: tree, scope: null, interaction });
    take(userAgent.elements, around(root), false);
    const hints = presentationalHints(index, element);
    if (hints !== null) {
      blocks.push({ ...hints.block, origin: "hint", certain: true, layer: -1, selectorText: "" });
      key += hints.key;
    }
    // Inner contexts are weaker than outer ones: `:host` and `::slotted` rules lose to the tree's own. CSS Cascade 5 §6.1.
    if (element.shadow !== null) take(byTree.get(element.shadow)?.elements, around(element.shadow), false);
    const { parent } = index.record(element);
    if (parent !== null && parent.shadow !== null)
      take(byTree.get(parent.shadow)?.pseudos.get("slotted"), around(parent.shadow), false);
    take(byTree.get(root)?.elements, around(root), useFilter);
    if ("mode" in root && element.attributes.has("part")) {
      const outer = index.record(index.host(root)).root;
      take(byTree.get(outer)?.pseudos.get("part"), around(outer), false);
    }
    const attribute = element.attributes.get("style");
    if (attribute !== undefined && typeof attribute.value === "string") {
      const own = styleAttribute(attribute.value, attribute.source);
      // Shared only among elements whose attribute is one and the same text at one place.
      key += `style@${attribute.source?.start ?? attribute.value}`;
      blocks.push({
        ...own,
        origin: "author",
        certain: true,
        layer: Number.POSITIVE_INFINITY,
        selectorText: "style attribute",
      });
    }
    return { blocks, key };
  };

  const styleAttribute = (
    text: string,
    source: { file: string; start: number; end: number } | null,
  ): DeclarationBlock => {
    const key = `${source?.file}:${source?.start}:${text}`;
    let block = styleAttributes.get(key);
    if (block === undefined) {
      // `style="…"`: the value begins after the name, the equals sign and the quote. Entities shift what follows them.
      const start = source === null ? 0 : source.end - text.length - 1;
      block = parseStyleAttribute({ file: source?.file ?? "", text, start });
      styleAttributes.set(key, block);
    }
    return block;
  };

  const shareable = (parent: Style | null, key: string, blocks: readonly AppliedBlock[]): Style => {
    const full = `${ids.get(parent) ?? 0}/${key}`;
    let style = shared.get(full);
    if (style === undefined) {
      style = { parent, blocks, computed: new Map() };
      shared.set(full, style);
      ids.set(style, ids.size);
    }
    return style;
  };

  // One walk over the flat tree, ancestors noted in the filter on the way down and struck out on the way up.
  const pending: { element: ElementNode; parent: Style | null; leaving: boolean }[] = [];
  const enqueue = (nodes: readonly Node[], parent: Style | null) => {
    for (let i = nodes.length - 1; i >= 0; i--) {
      const node = nodes[i];
      if (node?.kind === "element") pending.push({ element: node, parent, leaving: false });
    }
  };
  enqueue(index.document.children, null);
  for (let at = pending.pop(); at !== undefined; at = pending.pop()) {
    const { element } = at;
    const bits = filterBits(element, places, fold);
    if (at.leaving) {
      for (const bit of bits) filter[bit] = (filter[bit] ?? 1) - 1;
      if (attributeUnknown(element, "class") || attributeUnknown(element, "id")) unknownAncestors--;
      continue;
    }
    const { blocks, key } = blocksFor(element, noInteraction, true);
    const style = shareable(at.parent, key, blocks);
    styles.set(element, style);
    const children = index.flatChildren(element);
    if (children.length > 0) {
      for (const bit of bits) filter[bit] = (filter[bit] ?? 0) + 1;
      if (attributeUnknown(element, "class") || attributeUnknown(element, "id")) unknownAncestors++;
      pending.push({ element, parent: null, leaving: true });
      enqueue(children, style);
    }
  }

  const interactiveStyles = new Map<string, Map<ElementNode, Style | null>>();
  const orders = (interaction: Interaction) =>
    `${interaction.kind}@${interaction.element === null ? "" : index.record(interaction.element).order}`;
  const anyInteractive = userAgent.interactive || [...byTree.values()].some((t) => t.interactive);

  const style = (element: ElementNode, interaction: Interaction = noInteraction): Style | null => {
    if (interaction.kind === "none" || !anyInteractive) return styles.get(element) ?? null;
    const key = orders(interaction);
    const known = interactiveStyles.get(key) ?? new Map<ElementNode, Style | null>();
    interactiveStyles.set(key, known);
    const chain: ElementNode[] = [];
    for (let up: ElementNode | null = element; up !== null && !known.has(up); up = index.flatParent(up))
      chain.push(up);
    for (const at of chain.reverse()) {
      if (!styles.has(at)) {
        known.set(at, null);
        continue;
      }
      const above = index.flatParent(at);
      const parent = above === null ? null : (known.get(above) ?? null);
      const { blocks, key: blockKey } = blocksFor(at, interaction, false);
      known.set(at, shareable(parent, blockKey, blocks));
    }
    return known.get(element) ?? null;
  };

  const pseudoStyles = new Map<string, Map<ElementNode, Style | null>>();
  /** The pseudo-elements that some rule of the page itself makes: most pages ask for few. */
  const authorPseudos = new Set([...byTree.values()].flatMap((tree) => [...tree.pseudos.keys()]));
  return {
    device,
    registered,
    matcher,
    style,
    pseudoStyle(element, pseudo, interaction = noInteraction) {
      const browserMakesIt = userAgent.pseudos.get(pseudo);
      if (
        !authorPseudos.has(pseudo) &&
        (browserMakesIt === undefined || candidates(browserMakesIt, element).length === 0)
      )
        return null;
      const own = style(element, interaction);
      if (own === null) return null;
      const cacheKey = interaction.kind === "none" ? pseudo : `${pseudo} ${orders(interaction)}`;
      const known = pseudoStyles.get(cacheKey) ?? new Map<ElementNode, Style | null>();
      pseudoStyles.set(cacheKey, known);
      const kept = known.get(element);
      if (kept !== undefined) return kept;
      const { root } = index.record(element);
      const blocks: AppliedBlock[] = [];
      const inTree = (rules: TreeRules | undefined, tree: TreeRoot) => {
        const pseudoRules = rules?.pseudos.get(pseudo);
        if (pseudoRules === undefined) return;
        for (const { entry, certainty } of matching(
          pseudoRules,
          element,
          { root: tree, scope: null, interaction },
          false,
        )) {
          blocks.push(certainty === YES ? entry.block : entry.uncertainBlock);
        }
      };
      inTree(userAgent, root);
      if (element.shadow !== null) inTree(byTree.get(element.shadow), element.shadow);
      inTree(byTree.get(root), root);
      const made = blocks.length === 0 ? null : { parent: own, blocks, computed: new Map<string, unknown>() };
      known.set(element, made);
      return made;
    },
  };
}

function scopeOf(conditions: Conditions) {
  for (let at = conditions; at !== null; at = at.outer)
    if (at.condition.kind === "scope") return at.condition;
  return null;
}

/** Reads the rules of one tree: conditions decided for the device, layers put in order, selectors ranked and indexed. */
function treeRules(
  sheets: readonly AppliedSheet[],
  origin: Origin,
  scope: Document | ShadowRoot,
  device: Device,
  registered: Map<string, { inherits: boolean; initial: string | null }>,
  places: Map<string, number>,
  fold: (text: string) => string,
): TreeRules {
  const rules: { rule: StyleRule; certainty: Certainty; layer: string | null }[] = [];
  const layers = new LayerOrder();
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
    for (let at = conditions; at !== null && result !== NO; at = at.outer) {
      const { condition } = at;
      if (condition.kind === "media") result = and(result, media(condition.text));
      else if (condition.kind === "supports") result = and(result, evaluateSupports(condition.text));
      else if (condition.kind === "container") result = and(result, MAYBE);
    }
    return result;
  };
  const prefixed = (prefix: string | null, name: string | null) =>
    name === null ? prefix : prefix === null ? name : `${prefix}.${name}`;
  const addSheet = (applied: AppliedSheet, outer: Certainty, prefix: string | null) => {
    const whole = and(outer, applied.media === null ? YES : media(applied.media));
    if (whole === NO) return;
    for (const item of applied.sheet.items) {
      if (item.kind === "layer") {
        if (certaintyOf(item.conditions) !== NO) layers.add(prefixed(prefix, item.name) ?? item.name);
      } else if (item.kind === "property") registered.set(item.name, item);
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
    rank,
    ancestors: "mode" in scope ? [] : requiredAncestors(d.selector, places, fold),
  }));
  const groups = new Map<string | null, Entry[]>();
  for (const entry of entries) {
    const { pseudoElement } = entry.selector;
    const group = groups.get(pseudoElement);
    if (group === undefined) groups.set(pseudoElement, [entry]);
    else group.push(entry);
  }
  return {
    elements: ruleIndex(groups.get(null) ?? [], fold),
    pseudos: new Map(
      [...groups].flatMap(([name, group]) =>
        name === null ? [] : [[name, ruleIndex(group, fold)] as const],
      ),
    ),
    interactive: entries.some((e) => /:(?:hover|focus|active)/i.test(e.rule.selectorText)),
  };
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
    for (let at = stack.pop(); at !== undefined; at = stack.pop()) {
      if (at.done) {
        ranks.set(at.name, ranks.size);
        continue;
      }
      stack.push({ name: at.name, done: true });
      for (const child of [...(this.#children.get(at.name) ?? [])].reverse())
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

/** The bits of an element that some selector looks for among ancestors. */
function filterBits(
  element: ElementNode,
  needed: ReadonlyMap<string, number>,
  fold: (text: string) => string,
): readonly number[] {
  if (needed.size === 0) return noBits;
  const bits: number[] = [];
  const add = (key: string) => {
    const bit = needed.get(key);
    if (bit !== undefined) bits.push(bit);
  };
  add(`t${element.tag}`);
  if (element.attributes.size > 0) {
    const id = attributeText(element, "id");
    if (id !== null) add(`#${fold(id)}`);
    for (const name of attributeTokens(element, "class")) add(`.${fold(name)}`);
  }
  return bits;
}

const noBits: readonly number[] = [];

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
  for (const [at, step] of selector.steps.entries()) {
    if (at > 0 && ancestor && bits.length < 4) add(step.compound);
    ancestor = step.combinator === " " || step.combinator === ">";
  }
  return bits;
}
