import { elementsAbove } from "../document/around.ts";
import type { DocumentIndex } from "../document/document-index.ts";
import { type ElementNode, type Node, type Span, type TreeRoot, writtenTag } from "../document/node.ts";
import { attributeText, attributeTokens, attributeUnknown } from "../document/written.ts";
import { authorRules } from "./author-rules.ts";
import { and, NO, YES } from "./certainty.ts";
import { containerHolds } from "./container.ts";
import type { DeclarationBlock, Declared } from "./declared.ts";
import { type Device, desktop } from "./device.ts";
import { type Interaction, type Matcher, matcherFor, noInteraction, type Surroundings } from "./match.ts";
import { parseStyleAttribute } from "./parse-sheet.ts";
import { presentationalHints } from "./presentational-hints.ts";
import {
  type ActionKind,
  type AppliedBlock,
  asksScope,
  declaredIn,
  type Entry,
  type Reaction,
  type RegisteredProperty,
  type RuleIndex,
  reactingRules,
  type TreeRules,
  treeRules,
} from "./rule-index.ts";
import { type RuleMatching, ruleMatching } from "./rule-match.ts";
import type { AppliedSheet, Keyframe, Sheet } from "./sheet.ts";
import { type Cascade, newStyle, type Style } from "./style.ts";
import { quirksSheet, standardSheet } from "./user-agent.ts";

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
    branch.style ??= newStyle(parent, blocks);
    return branch.style;
  };
}

const asWritten = (text: string): string => text;
const lowerCased = (text: string): string => text.toLowerCase();

/** The browser's own rules, which no document and, asking for no media, no device changes. */
const browserRules = (sheet: Sheet, fold: (text: string) => string): TreeRules =>
  treeRules([{ sheet, media: null, imports: new Map() }], "user-agent", desktop, { taken: new Map(), fold });
const standardRules = browserRules(standardSheet, asWritten);
const quirksRules = browserRules(quirksSheet, lowerCased);

/** Builds the cascade of a document for one device: every rule indexed, every element's style found in one pass. */
export const cascadeFor = (index: DocumentIndex, sheets: readonly AppliedSheet[], device: Device): Cascade =>
  new DocumentCascade(index, sheets, device);

const surroundings = (root: TreeRoot, interaction: Interaction): Surroundings => ({
  root,
  scope: null,
  interaction,
});

/** An element on the way through the flat tree. */
interface Frame {
  readonly element: ElementNode | null;
  readonly style: Style | null;
  readonly nodes: readonly Node[];
  next: number;
}

class DocumentCascade implements Cascade {
  readonly device: Device;
  readonly isOpenAround: boolean;
  readonly pageScheme: "light" | "dark";
  readonly registered: ReadonlyMap<string, RegisteredProperty>;
  readonly matcher: Matcher;
  readonly #index: DocumentIndex;
  readonly #fold: (text: string) => string;
  readonly #userAgent: TreeRules;
  readonly #byTree = new Map<TreeRoot, TreeRules>();
  readonly #matching: RuleMatching;
  /** Blocks of attributes, by what they say. */
  readonly #ownBlocks = new Map<string, AppliedBlock>();
  readonly #styles = new Map<ElementNode, Style>();
  readonly #interactiveStyles = new Map<string, Map<ElementNode, Style | null>>();
  readonly #pseudoStyles = new Map<string, Map<ElementNode, Style | null>>();
  readonly #share = styleSharing();
  /** Of rules those that answer to what the user does, made as they are asked for. */
  readonly #reacting: Readonly<Record<Reaction, Map<RuleIndex, RuleIndex>>> = {
    "any action": new Map(),
    "focus elsewhere": new Map(),
  };
  /** Where in the filter each thing stands that some selector looks for among ancestors. */
  readonly #places: ReadonlyMap<string, number>;
  readonly #filter: Uint32Array;
  /** Ancestors whose id or classes source does not give: they may be anything a selector asks for. */
  #unknownAncestors = 0;
  readonly #reactingTo: Readonly<Record<ActionKind, ReadonlySet<string>>>;
  /** The pseudo-elements that some rule of the page itself makes: most pages ask for few. */
  readonly #authorPseudos: ReadonlySet<string>;
  #declaredByElements: ReadonlySet<string> | null = null;

  constructor(index: DocumentIndex, sheets: readonly AppliedSheet[], device: Device) {
    const { quirks, kind } = index.document;
    this.#index = index;
    this.device = device;
    this.isOpenAround = kind === "component";
    this.pageScheme = pageScheme(index, device);
    this.matcher = matcherFor(index);
    this.#fold = quirks ? lowerCased : asWritten;
    this.#userAgent = quirks ? quirksRules : standardRules;
    for (const scope of new Set(sheets.map((sheet) => sheet.scope))) {
      const scoped = sheets.filter((sheet) => sheet.scope === scope);
      const taken = "mode" in scope ? null : this.#userAgent.places;
      this.#byTree.set(scope, authorRules(scoped, device, { taken, fold: this.#fold }));
    }
    const trees = [...this.#byTree.values()];
    this.#places = (this.#byTree.get(index.document) ?? this.#userAgent).places;
    this.registered = new Map(trees.flatMap((tree) => [...tree.registered]));
    this.#filter = new Uint32Array(this.#places.size);
    this.#matching = ruleMatching(index, this.matcher, (entry, element) =>
      containerHolds(this, entry.rule.conditions, element, (of) => stylesAbove(index, this.#styles, of)),
    );
    const reacting = (action: ActionKind) => new Set(trees.flatMap((tree) => [...tree.reacting[action]]));
    this.#reactingTo = {
      hover: reacting("hover"),
      focus: reacting("focus"),
      active: reacting("active"),
    };
    this.#authorPseudos = new Set(trees.flatMap((tree) => [...tree.pseudos.keys()]));
    this.#walk();
  }

  /** One walk over the flat tree; ancestors are noted in the filter on the way down and struck out on the way up. */
  #walk(): void {
    const index = this.#index;
    const stack: Frame[] = [{ element: null, style: null, nodes: index.document.children, next: 0 }];
    for (let frame = stack.at(-1); frame !== undefined; frame = stack.at(-1)) {
      const node = frame.nodes[frame.next++];
      if (node === undefined) {
        if (frame.element !== null) this.#mark(frame.element, -1);
        stack.pop();
        continue;
      }
      if (node.kind !== "element") continue;
      const style = this.#share(frame.style, this.#blocksFor(node, noInteraction, true));
      this.#styles.set(node, style);
      const children = index.flatChildren(node);
      if (children.length > 0) {
        this.#mark(node, 1);
        stack.push({ element: node, style, nodes: children, next: 0 });
      }
    }
  }

  #mark(element: ElementNode, by: 1 | -1): void {
    for (const place of filterPlaces(element, this.#places, this.#fold))
      this.#filter[place] = (this.#filter[place] ?? 0) + by;
    if (attributeUnknown(element, "class") || attributeUnknown(element, "id")) this.#unknownAncestors += by;
  }

  /** The rules whose last part may match an element, by its id, classes and tag. */
  #candidates(rules: RuleIndex, element: ElementNode): readonly Entry[] {
    const found: Entry[] = [...rules.others];
    const add = (entries: readonly Entry[] | undefined) => {
      if (entries !== undefined) for (const entry of entries) found.push(entry);
    };
    if (rules.byId.size > 0) {
      const id = attributeText(element, "id");
      if (id !== null) add(rules.byId.get(this.#fold(id)));
      else if (attributeUnknown(element, "id")) for (const entries of rules.byId.values()) add(entries);
    }
    if (rules.byClass.size > 0) {
      if (attributeUnknown(element, "class")) for (const entries of rules.byClass.values()) add(entries);
      else
        for (const name of new Set(attributeTokens(element, "class")))
          add(rules.byClass.get(this.#fold(name)));
    }
    add(rules.byTag.get(writtenTag(element)));
    return found;
  }

  /** Adds the blocks of the rules that match, the weakest first. */
  #addMatching(
    blocks: AppliedBlock[],
    rules: RuleIndex | undefined,
    element: ElementNode,
    asked: Surroundings,
    useFilter: boolean,
  ): void {
    if (rules === undefined) return;
    const sure: Entry[] = [];
    let unsure: Set<Entry> | null = null;
    for (const entry of this.#candidates(rules, element)) {
      if (
        useFilter &&
        this.#unknownAncestors === 0 &&
        entry.ancestors.some((place) => this.#filter[place] === 0)
      )
        continue;
      const certainty = and(entry.certainty, this.#matching.matches(entry, element, asked));
      if (certainty === NO) continue;
      if (certainty !== YES) {
        unsure ??= new Set();
        unsure.add(entry);
      }
      sure.push(entry);
    }
    if (sure.length > 1) sure.sort(this.#matching.order(sure, element, asked));
    for (const entry of sure) blocks.push(unsure?.has(entry) === true ? entry.uncertainBlock : entry.block);
  }

  /** The rules that may apply to an element, the weakest first, each with the tree that it is of. */
  #rulesFor(element: ElementNode): readonly (readonly [rules: RuleIndex | undefined, tree: TreeRoot])[] {
    const index = this.#index;
    const { root, parent } = index.record(element);
    const found: [RuleIndex | undefined, TreeRoot][] = [[this.#userAgent.elements, root]];
    // Inner contexts are weaker than outer ones: `:host` and `::slotted` rules lose to the tree's own. CSS Cascade 5 §6.1.
    if (element.shadow !== null) found.push([this.#byTree.get(element.shadow)?.elements, element.shadow]);
    if (parent !== null && parent.shadow !== null)
      found.push([this.#byTree.get(parent.shadow)?.pseudos.get("slotted"), parent.shadow]);
    found.push([this.#byTree.get(root)?.elements, root]);
    if ("mode" in root && element.attributes.has("part")) {
      const outer = index.record(index.host(root)).root;
      found.push([this.#byTree.get(outer)?.pseudos.get("part"), outer]);
    }
    return found;
  }

  /** Every block that applies to an element, the weakest first. */
  #blocksFor(element: ElementNode, interaction: Interaction, useFilter: boolean): AppliedBlock[] {
    const { root } = this.#index.record(element);
    const blocks: AppliedBlock[] = [];
    const [browser, ...author] = this.#rulesFor(element);
    const add = (rules: RuleIndex | undefined, tree: TreeRoot) =>
      // The filter knows the ancestors of the element's own tree.
      this.#addMatching(blocks, rules, element, surroundings(tree, interaction), useFilter && tree === root);
    if (browser !== undefined) add(...browser);
    const hints = presentationalHints(this.#index, element);
    if (hints !== null)
      blocks.push(
        kept(this.#ownBlocks, hints.key, () => ({
          ...hints.block,
          origin: "hint",
          certain: true,
          layer: -1,
          selectorText: "",
        })),
      );
    for (const [rules, tree] of author) add(rules, tree);
    const attribute = element.attributes.get("style");
    if (attribute !== undefined && typeof attribute.value === "string")
      blocks.push(this.#styleAttribute(attribute.value, attribute.source));
    return blocks;
  }

  /** Whether what the user does turns some rule on or off for an element. */
  #reacts(element: ElementNode, interaction: Interaction): boolean {
    const reaction: Reaction =
      interaction.kind === "focus" && interaction.element !== element ? "focus elsewhere" : "any action";
    return this.#rulesFor(element).some(([rules, tree]) => {
      if (rules === undefined) return false;
      const acted = surroundings(tree, interaction);
      const still = surroundings(tree, noInteraction);
      return this.#candidates(
        kept(this.#reacting[reaction], rules, () => reactingRules(rules, reaction)),
        element,
      ).some((entry) => {
        const holds = this.#matching.matches(entry, element, acted);
        if (holds !== this.#matching.matches(entry, element, still)) return true;
        // A scope that begins elsewhere makes a rule weaker or stronger.
        return holds !== NO && asksScope(entry.rule.conditions);
      });
    });
  }

  /** The block of a `style` attribute; one and the same for one and the same text at one place. */
  #styleAttribute(text: string, source: Span | null): AppliedBlock {
    return kept(this.#ownBlocks, `style ${source?.file} ${source?.start} ${text}`, () => {
      const block = parseStyleAttribute({ file: source?.file ?? "", text, start: 0 });
      return {
        ...(source === null ? block : placedIn(block, text, source, this.isOpenAround)),
        origin: "author",
        certain: true,
        layer: Number.POSITIVE_INFINITY,
        selectorText: "style attribute",
      };
    });
  }

  #keyOf({ kind, element }: Interaction): string {
    return `${kind}@${element === null ? "" : this.#index.record(element).order}`;
  }

  keyframes(element: ElementNode, name: string): readonly Keyframe[] {
    return this.#byTree.get(this.#index.record(element).root)?.keyframes.get(name) ?? [];
  }

  declares(property: string): boolean {
    if ([...this.#byTree.values()].some((tree) => tree.declared.has(property))) return true;
    this.#declaredByElements ??= declaredIn(this.#ownBlocks.values());
    return this.#declaredByElements.has(property);
  }

  hasFocusClass(element: ElementNode): boolean {
    const classes = new Set(attributeTokens(element, "class"));
    return (this.#byTree.get(this.#index.record(element).root)?.focusClasses ?? []).some(
      (compound) =>
        (compound.tag === null || compound.tag === writtenTag(element)) &&
        (compound.id === null || compound.id === attributeText(element, "id")) &&
        compound.classes.every((name) => classes.has(name)),
    );
  }

  /** The action is felt by the element and by all around it. */
  mayReact(element: ElementNode, action: ActionKind): boolean {
    const keys = this.#reactingTo[action];
    if (keys.size === 0) return false;
    if (keys.has("*")) return true;
    for (let up: ElementNode | null = element; up !== null; up = this.#index.flatParent(up)) {
      if (keys.has(writtenTag(up)) || attributeUnknown(up, "class") || attributeUnknown(up, "id"))
        return true;
      if (up.attributes.size === 0) continue;
      const id = attributeText(up, "id");
      if (id !== null && keys.has(`#${this.#fold(id)}`)) return true;
      if (attributeTokens(up, "class").some((name) => keys.has(`.${this.#fold(name)}`))) return true;
    }
    return false;
  }

  style(element: ElementNode, interaction: Interaction = noInteraction): Style | null {
    if (interaction.kind === "none") return this.#styles.get(element) ?? null;
    const index = this.#index;
    const known = kept(this.#interactiveStyles, this.#keyOf(interaction), () => new Map());
    const chain: ElementNode[] = [];
    for (let up: ElementNode | null = element; up !== null && !known.has(up); up = index.flatParent(up))
      chain.push(up);
    for (const one of chain.reverse()) {
      const still = this.#styles.get(one);
      if (still === undefined) {
        known.set(one, null);
        continue;
      }
      const above = index.flatParent(one);
      const parent = above === null ? null : (known.get(above) ?? null);
      const isChanged = this.#reacts(one, interaction);
      if (!isChanged && parent === still.parent) known.set(one, still);
      else
        known.set(
          one,
          this.#share(parent, isChanged ? this.#blocksFor(one, interaction, false) : still.blocks),
        );
    }
    return known.get(element) ?? null;
  }

  pseudoStyle(element: ElementNode, pseudo: string, interaction: Interaction = noInteraction): Style | null {
    const byBrowser = this.#userAgent.pseudos.get(pseudo);
    const isMadeByBrowser = byBrowser !== undefined && this.#candidates(byBrowser, element).length > 0;
    if (!this.#authorPseudos.has(pseudo) && !isMadeByBrowser) return null;
    const elementStyle = this.style(element, interaction);
    if (elementStyle === null) return null;
    const key = interaction.kind === "none" ? pseudo : `${pseudo} ${this.#keyOf(interaction)}`;
    const known = kept(this.#pseudoStyles, key, () => new Map<ElementNode, Style | null>());
    const before = known.get(element);
    if (before !== undefined) return before;
    const { root } = this.#index.record(element);
    const blocks: AppliedBlock[] = [];
    const add = (rules: TreeRules | undefined, tree: TreeRoot) =>
      this.#addMatching(blocks, rules?.pseudos.get(pseudo), element, surroundings(tree, interaction), false);
    add(this.#userAgent, root);
    if (element.shadow !== null) add(this.#byTree.get(element.shadow), element.shadow);
    add(this.#byTree.get(root), root);
    const style = blocks.length === 0 ? null : newStyle(elementStyle, blocks);
    known.set(element, style);
    return style;
  }
}

/**
 * Declarations of a `style` attribute, with their places in source. In a component the attribute as a whole is the place:
 * what stands there may be an expression. In a page the value ends before the last quote.
 */
function placedIn(
  { normal, important }: DeclarationBlock,
  text: string,
  attribute: Span,
  isComponent: boolean,
): DeclarationBlock {
  const before = attribute.end - text.length - 1;
  const moved = ({ file, start, end }: Span): Span =>
    isComponent ? attribute : { file, start: before + start, end: before + end };
  const placed = (declarations: DeclarationBlock["normal"]) =>
    new Map(
      [...declarations].map(([property, declared]): [string, Declared] => [
        property,
        {
          ...declared,
          source: moved(declared.source),
          valueSource: moved(declared.valueSource),
          inAttribute: {
            attribute,
            name: /^[^:]*/.exec(text.slice(declared.source.start))?.[0].trim() ?? "",
          },
        },
      ]),
    );
  return { normal: placed(normal), important: important === null ? null : placed(important) };
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
function kept<K, T>(map: Map<K, T>, key: K, make: () => T): T {
  let value = map.get(key);
  if (value === undefined) {
    value = make();
    map.set(key, value);
  }
  return value;
}
