import { elementsAbove } from "../document/around.ts";
import type { DocumentIndex } from "../document/document-index.ts";
import { type ElementNode, type Node, type Span, type TreeRoot, writtenTag } from "../document/node.ts";
import { attributeText, attributeTokens, attributeUnknown } from "../document/written.ts";
import { and, NO, YES } from "./certainty.ts";
import { containerHolds } from "./container.ts";
import { type Device, desktop } from "./device.ts";
import { type Interaction, type Matcher, matcherFor, noInteraction, type Surroundings } from "./match.ts";
import { parseStyleAttribute } from "./parse-sheet.ts";
import { presentationalHints } from "./presentational-hints.ts";
import {
  type ActionKind,
  type AppliedBlock,
  type Entry,
  type RuleContext,
  type RuleIndex,
  type TreeRules,
  treeRules,
} from "./rule-index.ts";
import { ruleMatching } from "./rule-match.ts";
import type { AppliedSheet, Keyframe, Sheet } from "./sheet.ts";
import { quirksSheet, standardSheet } from "./user-agent.ts";

/** The cascaded declarations of an element and its place in inheritance. Shared by elements that are styled alike. */
export interface Style {
  readonly parent: Style | null;
  /** Weakest first, by normal importance. CSS Cascade 5 §6. */
  readonly blocks: readonly AppliedBlock[];
  /** Filled as values are asked for. */
  readonly computed: Map<string, unknown>;
}

/** Gives one style to all elements that have the same parent style and the same blocks, found block by block. */
function styleSharing(): (parent: Style | null, blocks: readonly AppliedBlock[]) => Style {
  interface Branch {
    readonly next: Map<AppliedBlock, Branch>;
    style: Style | null;
  }
  const roots = new Map<Style | null, Branch>();
  return (parent, blocks) => {
    let branch = roots.get(parent);
    if (branch === undefined) {
      branch = { next: new Map(), style: null };
      roots.set(parent, branch);
    }
    for (const block of blocks) {
      let next = branch.next.get(block);
      if (next === undefined) {
        next = { next: new Map(), style: null };
        branch.next.set(block, next);
      }
      branch = next;
    }
    branch.style ??= { parent, blocks, computed: new Map() };
    return branch.style;
  };
}

export interface Cascade {
  /** Whether styles that are not here may hold for what is around the document. */
  readonly isOpenAround: boolean;
  readonly device: Device;
  /** The steps of an animation; empty where no sheet of the element's tree defines it. */
  keyframes(element: ElementNode, name: string): readonly Keyframe[];
  /** Whether some rule or style attribute of the page declares the property. */
  declares(property: string): boolean;
  /** Whether some rule of the page itself may change something when the user does this on the element. */
  mayReact(element: ElementNode, action: ActionKind): boolean;
  /** The scheme of elements that name none: light, unless the page says in a meta element that it supports dark. */
  readonly pageScheme: "light" | "dark";
  /** The style of an element; null when it is not in the flat tree and so never rendered. */
  style(element: ElementNode, interaction?: Interaction): Style | null;
  /** The style of `::before`, `::after`, `::placeholder` …; null when no rule makes one. */
  pseudoStyle(element: ElementNode, pseudo: string, interaction?: Interaction): Style | null;
  /** Custom properties registered by `@property`. */
  readonly registered: ReadonlyMap<string, { readonly inherits: boolean; readonly initial: string | null }>;
  readonly matcher: Matcher;
}

const asWritten = (text: string): string => text;
const lowerCased = (text: string): string => text.toLowerCase();

/** The browser's own rules, which no document and, asking for no media, no device changes. */
const browserRules = (sheet: Sheet, fold: (text: string) => string): TreeRules =>
  treeRules([{ sheet, media: null, imports: new Map() }], "user-agent", desktop, {
    registered: new Map(),
    places: null,
    fold,
  });
const standardRules = browserRules(standardSheet, asWritten);
const quirksRules = browserRules(quirksSheet, lowerCased);

/** Builds the cascade of a document for one device: every rule indexed, every element's style found in one pass. */
export function cascadeFor(index: DocumentIndex, sheets: readonly AppliedSheet[], device: Device): Cascade {
  const matcher = matcherFor(index);
  const registered: RuleContext["registered"] = new Map();
  const fold = index.document.quirks ? lowerCased : asWritten;
  const places = new Map<string, number>();
  const userAgent = index.document.quirks ? quirksRules : standardRules;
  const byTree = new Map<TreeRoot, TreeRules>();
  for (const scope of new Set(sheets.map((s) => s.scope))) {
    const own = sheets.filter((s) => s.scope === scope);
    const context = { registered, places: "mode" in scope ? null : places, fold };
    byTree.set(scope, treeRules(own, "author", device, context));
  }
  /** Blocks of attributes, by what they say. */
  const ownBlocks = new Map<string, AppliedBlock>();
  const styles = new Map<ElementNode, Style>();
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
    add(rules.byTag.get(writtenTag(element)));
    return found;
  };

  const around = (root: TreeRoot, interaction: Interaction): Surroundings => ({
    root,
    scope: null,
    interaction,
  });

  /** Adds the blocks of the rules that match, the weakest first. */
  const addMatching = (
    blocks: AppliedBlock[],
    rules: RuleIndex | undefined,
    element: ElementNode,
    asked: Surroundings,
    useFilter: boolean,
  ): void => {
    if (rules === undefined) return;
    const sure: Entry[] = [];
    let unsure: Set<Entry> | null = null;
    for (const entry of candidates(rules, element)) {
      if (useFilter && unknownAncestors === 0 && entry.ancestors.some((place) => filter[place] === 0))
        continue;
      const certainty = and(entry.certainty, matching.matches(entry, element, asked));
      if (certainty === NO) continue;
      if (certainty !== YES) {
        unsure ??= new Set();
        unsure.add(entry);
      }
      sure.push(entry);
    }
    if (sure.length > 1) sure.sort(matching.order(sure, element, asked));
    for (const entry of sure) blocks.push(unsure?.has(entry) === true ? entry.uncertainBlock : entry.block);
  };

  const cascadedAround = (element: ElementNode): Iterable<Style> => stylesAbove(index, styles, element);
  const matching = ruleMatching(index, matcher, (entry, element) =>
    containerHolds(cascade, entry.rule.conditions, element, cascadedAround),
  );

  /** Every block that applies to an element, the weakest first. */
  const blocksFor = (element: ElementNode, interaction: Interaction, useFilter: boolean): AppliedBlock[] => {
    const { root, parent } = index.record(element);
    const blocks: AppliedBlock[] = [];
    addMatching(blocks, userAgent.elements, element, around(root, interaction), false);
    const hints = presentationalHints(index, element);
    if (hints !== null)
      blocks.push(
        kept(ownBlocks, hints.key, () => ({
          ...hints.block,
          origin: "hint",
          certain: true,
          layer: -1,
          selectorText: "",
        })),
      );
    // Inner contexts are weaker than outer ones: `:host` and `::slotted` rules lose to the tree's own. CSS Cascade 5 §6.1.
    if (element.shadow !== null)
      addMatching(
        blocks,
        byTree.get(element.shadow)?.elements,
        element,
        around(element.shadow, interaction),
        false,
      );
    if (parent !== null && parent.shadow !== null) {
      addMatching(
        blocks,
        byTree.get(parent.shadow)?.pseudos.get("slotted"),
        element,
        around(parent.shadow, interaction),
        false,
      );
    }
    addMatching(blocks, byTree.get(root)?.elements, element, around(root, interaction), useFilter);
    if ("mode" in root && element.attributes.has("part")) {
      const outer = index.record(index.host(root)).root;
      addMatching(blocks, byTree.get(outer)?.pseudos.get("part"), element, around(outer, interaction), false);
    }
    const attribute = element.attributes.get("style");
    if (attribute !== undefined && typeof attribute.value === "string")
      blocks.push(styleAttribute(attribute.value, attribute.source));
    return blocks;
  };

  /** The block of a `style` attribute; one and the same for one and the same text at one place. */
  const styleAttribute = (text: string, source: Span | null): AppliedBlock =>
    kept(ownBlocks, `style ${source?.file} ${source?.start} ${text}`, () => {
      // `style="…"`: the value ends before the last quote. Entities shift what stands before them.
      const start = source === null ? 0 : source.end - text.length - 1;
      const block = parseStyleAttribute({ file: source?.file ?? "", text, start });
      return {
        ...block,
        origin: "author",
        certain: true,
        layer: Number.POSITIVE_INFINITY,
        selectorText: "style attribute",
      };
    });

  const share = styleSharing();
  const interactiveStyles = new Map<string, Map<ElementNode, Style | null>>();
  const orders = (interaction: Interaction) =>
    `${interaction.kind}@${interaction.element === null ? "" : index.record(interaction.element).order}`;
  const reacting = (action: ActionKind): ReadonlySet<string> =>
    new Set([...byTree.values()].flatMap((tree) => [...tree.reacting[action]]));
  const reactingTo = { hover: reacting("hover"), focus: reacting("focus"), active: reacting("active") };
  /** The action is felt by the element and by all around it. */
  const mayReact = (element: ElementNode, action: ActionKind): boolean => {
    const keys = reactingTo[action];
    if (keys.size === 0) return false;
    if (keys.has("*")) return true;
    for (let up: ElementNode | null = element; up !== null; up = index.flatParent(up)) {
      if (keys.has(writtenTag(up)) || attributeUnknown(up, "class") || attributeUnknown(up, "id"))
        return true;
      if (up.attributes.size === 0) continue;
      const id = attributeText(up, "id");
      if (id !== null && keys.has(`#${fold(id)}`)) return true;
      if (attributeTokens(up, "class").some((name) => keys.has(`.${fold(name)}`))) return true;
    }
    return false;
  };

  const style = (element: ElementNode, interaction: Interaction = noInteraction): Style | null => {
    if (interaction.kind === "none") return styles.get(element) ?? null;
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
      known.set(at, share(parent, blocksFor(at, interaction, false)));
    }
    return known.get(element) ?? null;
  };

  const pseudoStyles = new Map<string, Map<ElementNode, Style | null>>();
  /** The pseudo-elements that some rule of the page itself makes: most pages ask for few. */
  const authorPseudos = new Set([...byTree.values()].flatMap((tree) => [...tree.pseudos.keys()]));
  let declared: ReadonlySet<string> | null = null;
  const declares = (property: string): boolean => {
    declared ??= declaredIn([...[...byTree.values()].flatMap((tree) => tree.blocks), ...ownBlocks.values()]);
    return declared.has(property);
  };
  const cascade: Cascade = {
    device,
    isOpenAround: index.document.kind === "component",
    declares,
    keyframes: (element, name) => byTree.get(index.record(element).root)?.keyframes.get(name) ?? [],
    mayReact,
    pageScheme: pageScheme(index, device),
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
        addMatching(blocks, rules?.pseudos.get(pseudo), element, around(tree, interaction), false);
      };
      inTree(userAgent, root);
      if (element.shadow !== null) inTree(byTree.get(element.shadow), element.shadow);
      inTree(byTree.get(root), root);
      const made = blocks.length === 0 ? null : { parent: own, blocks, computed: new Map<string, unknown>() };
      known.set(element, made);
      return made;
    },
  };

  // One walk over the flat tree; ancestors are noted in the filter on the way down and struck out on the way up.
  interface Frame {
    readonly element: ElementNode | null;
    readonly style: Style | null;
    readonly nodes: readonly Node[];
    at: number;
  }
  const mark = (element: ElementNode, by: 1 | -1) => {
    for (const place of filterPlaces(element, places, fold)) filter[place] = (filter[place] ?? 0) + by;
    if (attributeUnknown(element, "class") || attributeUnknown(element, "id")) unknownAncestors += by;
  };
  const stack: Frame[] = [{ element: null, style: null, nodes: index.document.children, at: 0 }];
  for (let frame = stack.at(-1); frame !== undefined; frame = stack.at(-1)) {
    const node = frame.nodes[frame.at++];
    if (node === undefined) {
      if (frame.element !== null) mark(frame.element, -1);
      stack.pop();
      continue;
    }
    if (node.kind !== "element") continue;
    const style = share(frame.style, blocksFor(node, noInteraction, true));
    styles.set(node, style);
    const children = index.flatChildren(node);
    if (children.length > 0) {
      mark(node, 1);
      stack.push({ element: node, style, nodes: children, at: 0 });
    }
  }
  return cascade;
}

function declaredIn(blocks: readonly AppliedBlock[]): ReadonlySet<string> {
  const found = new Set<string>();
  for (const { normal, important } of blocks) {
    for (const property of normal.keys()) found.add(property);
    if (important !== null) for (const property of important.keys()) found.add(property);
  }
  return found;
}

/** HTML §4.2.5.1, "color-scheme". */
function pageScheme(index: DocumentIndex, device: Device): "light" | "dark" {
  const meta = index
    .byTag("meta")
    .find((element) => attributeText(element, "name")?.toLowerCase() === "color-scheme");
  const supported = (meta === undefined ? "" : (attributeText(meta, "content") ?? ""))
    .toLowerCase()
    .split(/[\s,]+/);
  if (device.colourScheme === "dark") return supported.includes("dark") ? "dark" : "light";
  return supported.includes("dark") && !supported.includes("light") ? "dark" : "light";
}

/** The styles of the elements around one, the nearest first: they have been found before its own. */
function* stylesAbove(
  index: DocumentIndex,
  styles: ReadonlyMap<ElementNode, Style>,
  element: ElementNode,
): Iterable<Style> {
  for (const up of elementsAbove(index, element)) {
    const style = styles.get(up);
    if (style !== undefined) yield style;
  }
}

/** The places in the filter of what an element has that some selector looks for among ancestors. */
function filterPlaces(
  element: ElementNode,
  needed: ReadonlyMap<string, number>,
  fold: (text: string) => string,
): readonly number[] {
  if (needed.size === 0) return noPlaces;
  const found: number[] = [];
  const add = (key: string) => {
    const place = needed.get(key);
    if (place !== undefined) found.push(place);
  };
  add(`t${writtenTag(element)}`);
  if (element.attributes.size > 0) {
    const id = attributeText(element, "id");
    if (id !== null) add(`#${fold(id)}`);
    for (const name of attributeTokens(element, "class")) add(`.${fold(name)}`);
  }
  return found;
}

const noPlaces: readonly number[] = [];

/** The value kept under a key, made when it is first asked for. */
function kept<T>(map: Map<string, T>, key: string, make: () => T): T {
  let value = map.get(key);
  if (value === undefined) {
    value = make();
    map.set(key, value);
  }
  return value;
}
