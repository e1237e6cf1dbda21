import type * as Ast from "@babel/types";
import type { Namespace, Span } from "../../core/document/node.ts";
import type { TreeElement, TreeNode } from "../../core/worlds/tree.ts";
import { htmlNodes, repeated } from "../react/jsx-markup.ts";
import { unknownAt } from "../script/machine.ts";
import { bind, innerScope } from "../script/scope.ts";
import type { Scope } from "../script/value.ts";
import {
  absent,
  type Component,
  type ComponentCall,
  isNullish,
  keyOf,
  known,
  native,
  type ObjectValue,
  objectOf,
  type Slot,
  type Value,
} from "../script/value.ts";
import { isPictureName, mayGiveWords } from "./component-name.ts";
import type { Composition } from "./composition.ts";
import { hostElement, namespaceOf } from "./host-element.ts";
import { withoutIdle } from "./idle-handlers.ts";
import { installedPicture } from "./installed-picture.ts";
import { nodesOfEach, nodesWhether } from "./open-nodes.ts";
import type { TemplateEach, TemplateElement, TemplateNode } from "./source-module.ts";
import { AttributeReader, expressionValue, type HostParts, spanIn } from "./template-attributes.ts";

/** What a tag of a template stands for. */
export type TagMeaning =
  | { readonly kind: "component"; readonly component: Component }
  | { readonly kind: "host" }
  /** Shows what it is given and nothing else. */
  | { readonly kind: "pass" }
  /** Nothing in source; what it is imported as, where it is. */
  | { readonly kind: "unknown"; readonly value?: Value };

/** How one framework's templates are rendered: what differs between them. */
export interface TemplateLanguage {
  readonly meaningOf: (element: TemplateElement, scope: Scope) => TagMeaning;
  /** What an attribute of a component is called among its props. */
  readonly propName: (attribute: string) => string;
  /** Whether content reaches a component as props that render, and not as slots. */
  readonly contentIsProp: boolean;
  /** The attribute that elements carry for the scoped styles of the component. */
  readonly scopeAttribute: string | null;
  readonly call: ComponentCall;
  /** Which content goes into which slot, where the component chooses among it. */
  readonly partedContent?: (
    component: Component,
    children: readonly TemplateNode[],
  ) => ReadonlyMap<string, readonly TemplateNode[]>;
  /** What the element of a component itself adds, where components have elements of their own. */
  readonly hostOf?: (
    component: Component,
    element: TemplateElement,
    inner: readonly TreeNode[],
    ownParts: HostParts,
  ) => TreeNode;
  /** What an element has beside what is written on it: where attributes bring something along. */
  readonly addedTo?: (element: TemplateElement, written: HostParts) => HostParts;
}

/** Elements of SVG that no HTML has: outside a drawing they are components of a platform that is not here. */
const namesOfPlatforms = new Set(["image", "switch", "text", "view"]);

/** Renders templates of any framework, with the names of a scope. */
export class TemplateRenderer {
  readonly #composition: Composition;
  readonly #language: TemplateLanguage;
  readonly #attributes: AttributeReader;

  constructor(composition: Composition, language: TemplateLanguage) {
    this.#composition = composition;
    this.#language = language;
    this.#attributes = new AttributeReader(composition.machine, language.contentIsProp);
  }

  render(
    nodes: readonly TemplateNode[],
    scope: Scope,
    namespace: Namespace = this.#language.call.namespace,
  ): readonly TreeNode[] {
    const inner = innerScope(scope);
    for (const node of nodes) if (node.kind === "snippet") bind(inner, node.name, this.#snippet(node, inner));
    return nodes.flatMap((node) => this.#node(node, inner, namespace));
  }

  #node(node: TemplateNode, scope: Scope, namespace: Namespace): readonly TreeNode[] {
    switch (node.kind) {
      case "text":
        return node.value === "" ? [] : [{ kind: "text", value: node.value, source: spanIn(scope, node) }];
      case "comment":
        return [{ kind: "comment", value: node.value, source: spanIn(scope, node) }];
      case "value":
        return this.#shown(
          expressionValue(this.#composition.machine, node.expression, scope, node),
          namespace,
        );
      case "html":
        return htmlNodes(
          expressionValue(this.#composition.machine, node.expression, scope, node),
          spanIn(scope, node),
          this.#composition.machine.state.instance,
        );
      case "if":
        return this.#branches(node.branches, 0, scope, namespace);
      case "each":
        return this.#each(node, scope, namespace);
      case "let": {
        const inner = innerScope(scope);
        const { machine } = this.#composition;
        machine.bindPattern(node.name, machine.evaluate(node.expression, scope), inner);
        return this.render(node.children, inner, namespace);
      }
      case "group":
        return this.render(node.children, scope, namespace);
      case "render":
        return this.#shown(this.#composition.machine.evaluate(node.expression, scope), namespace);
      case "snippet":
        return [];
      case "outlet":
        return this.#outlet(node, scope, namespace);
      case "element":
        return this.#element(node, scope, namespace);
    }
  }

  /** What is shown of a value: in templates a thing that nobody knows is text. */
  #shown(value: Value, namespace: Namespace): readonly TreeNode[] {
    return this.#composition.toNodes(value, namespace);
  }

  #branches(
    branches: readonly { readonly test: Ast.Node | null; readonly children: readonly TemplateNode[] }[],
    offset: number,
    scope: Scope,
    namespace: Namespace,
  ): readonly TreeNode[] {
    const branch = branches[offset];
    if (branch === undefined) return [];
    const { test, children } = branch;
    if (test === null) return this.render(children, scope, namespace);
    const place = { start: test.start ?? 0, end: test.end ?? 0 };
    const { machine } = this.#composition;
    return nodesWhether(
      machine,
      expressionValue(machine, test, scope, place),
      { text: scope.module.text.slice(place.start, place.end), source: spanIn(scope, place) },
      (holds) =>
        holds
          ? this.render(children, scope, namespace)
          : this.#branches(branches, offset + 1, scope, namespace),
    );
  }

  #each(node: TemplateEach, scope: Scope, namespace: Namespace): readonly TreeNode[] {
    const { machine } = this.#composition;
    const item = (value: Value, index: Value): readonly TreeNode[] => {
      const inner = innerScope(scope);
      if (node.item !== null) machine.bindPattern(node.item, value, inner);
      if (node.index !== null) machine.bindPattern(node.index, index, inner);
      for (const name of node.extra)
        bind(
          inner,
          name,
          name === "$index" ? index : unknownAt(spanIn(scope, node), name, `${name} ${keyOf(index)}`),
        );
      const before = machine.state.instance;
      machine.state.instance = `${before}[${index.kind === "known" ? index.value : "n"}]`;
      try {
        return this.render(node.children, inner, namespace);
      } finally {
        machine.state.instance = before;
      }
    };
    return nodesOfEach(machine, expressionValue(machine, node.list, scope, node), (list) => {
      if (list.kind === "list")
        return list.items.length === 0
          ? this.render(node.empty, scope, namespace)
          : list.items.flatMap((value, i) => item(value, known(i)));
      if (list.kind === "known" && typeof list.value === "number")
        return Array.from({ length: Math.min(list.value, 60) }, (_, i) =>
          item(known(i + 1), known(i)),
        ).flat();
      if (isNullish(list)) return this.render(node.empty, scope, namespace);
      const source = spanIn(scope, node);
      const index = unknownAt(source, "index", `index ${keyOf(list)}`, "number");
      const one = list.kind === "each" ? list.item : unknownAt(source, "item", `${keyOf(list)}[]`);
      return repeated(item(one, index));
    });
  }

  /** A snippet: markup that is called like a function. It belongs to the component that wrote it. */
  #snippet(node: Extract<TemplateNode, { kind: "snippet" }>, scope: Scope): Value {
    const { machine } = this.#composition;
    const render = this.#asWritten((args: readonly Value[]) => {
      const inner = innerScope(scope);
      node.parameters.forEach((parameter, i) => {
        machine.bindPattern(parameter, args[i] ?? absent, inner);
      });
      return this.render(node.children, inner);
    });
    return native(node.name, (args) => ({ kind: "tree", nodes: render(args) }));
  }

  /** Makes something render later as it would now: with the way to the component that wrote it. */
  #asWritten<A>(render: (given: A) => readonly TreeNode[]): (given: A) => readonly TreeNode[] {
    const { state } = this.#composition.machine;
    const { frames } = state;
    return (given) => {
      const before = state.frames;
      state.frames = frames;
      try {
        return render(given);
      } finally {
        state.frames = before;
      }
    };
  }

  #outlet(
    node: Extract<TemplateNode, { kind: "outlet" }>,
    scope: Scope,
    namespace: Namespace,
  ): readonly TreeNode[] {
    const { call } = this.#language;
    const source = spanIn(scope, node);
    const slot = call.slots.get(node.select ?? node.name ?? "default");
    const fallback = () => this.render(node.fallback, scope, namespace);
    if (slot === undefined) {
      if (!call.isAlone) return fallback();
      // Nobody knows what callers put here.
      return [
        {
          kind: "hole",
          hole: { hole: scope.module.text.slice(node.start, node.end), source, mayBeEmpty: false },
        },
      ];
    }
    const given = this.#attributes.read(node.attributes, scope);
    const nodes = slot(
      objectOf(
        given.attributes.map(({ name, value }) => [this.#language.propName(name), value] as const),
        given.spread,
      ),
    );
    return nodes.length === 0 ? fallback() : nodes;
  }

  #element(element: TemplateElement, scope: Scope, namespace: Namespace): readonly TreeNode[] {
    const { machine } = this.#composition;
    if (element.dynamic !== null)
      return this.#dynamic(element, machine.evaluate(element.dynamic, scope), scope, namespace);
    const meaning = this.#language.meaningOf(element, scope);
    switch (meaning.kind) {
      case "host":
        if (namespace === "html" && namesOfPlatforms.has(element.tag)) return this.#unknown(element, scope);
        return [this.#host(element, element.tag, scope, namespace)];
      case "pass":
        return this.render(element.children, scope, namespace);
      case "component":
        return this.#use(element, meaning.component, scope, namespace);
      case "unknown": {
        const standIn = this.#composition.standsFor(element.tag);
        return standIn === null
          ? (this.#picture(element, meaning.value, scope, namespace) ?? this.#unknown(element, scope))
          : [this.#host(element, standIn, scope, namespace)];
      }
    }
  }

  /** `<component :is="…">`, `<svelte:element this={…}>`. */
  #dynamic(element: TemplateElement, type: Value, scope: Scope, namespace: Namespace): readonly TreeNode[] {
    if (type.kind === "either")
      return nodesOfEach(this.#composition.machine, type, (one) =>
        this.#dynamic(element, one, scope, namespace),
      );
    if (isNullish(type)) return [];
    const component = this.#composition.componentOf(type);
    if (component !== null) return this.#use(element, component, scope, namespace);
    if (type.kind === "known" && typeof type.value === "string") {
      const named = { ...element, tag: type.value, dynamic: null };
      const meaning = this.#language.meaningOf(named, scope);
      return meaning.kind === "component"
        ? this.#use(named, meaning.component, scope, namespace)
        : [{ ...this.#host(named, type.value, scope, namespace), isTagGiven: true }];
    }
    return this.#picture(element, type, scope, namespace) ?? this.#unknown(element, scope);
  }

  /** What a component of an installed package draws, where that is a picture. */
  #picture(
    element: TemplateElement,
    type: Value | undefined,
    scope: Scope,
    namespace: Namespace,
  ): readonly TreeNode[] | null {
    if (type?.kind !== "unknown" || type.installed === undefined) return null;
    if (element.children.some(isContent) || element.slots.length > 0) return null;
    const { attributes, spread, listeners } = this.#attributes.read(element.attributes, scope);
    if (listeners.size > 0) return null;
    return installedPicture(this.#composition, type, {
      props: objectOf(
        attributes.map(({ name, value }) => [this.#language.propName(name), value] as const),
        spread,
      ),
      source: { file: scope.module.file, start: element.start, end: element.startEnd },
      namespace,
      owner: this.#composition.machine.state.frames,
    });
  }

  #unknown(element: TemplateElement, scope: Scope): readonly TreeNode[] {
    const source = { file: scope.module.file, start: element.start, end: element.startEnd };
    this.#composition.noteUnknown(element.tag, source);
    // An element of which only the name is open adds nothing to what is in it.
    const component =
      element.dynamic === null && !element.tag.startsWith("svelte:") ? `<${element.tag}>` : null;
    for (const content of [element.children, ...element.slots.map(({ children }) => children)])
      if (content.length > 0) this.#composition.addIsland(this.render(content, scope), component);
    const isPicture =
      isPictureName(element.tag) &&
      element.children.length + element.slots.length === 0 &&
      element.attributes.every((attribute) => "name" in attribute && !mayGiveWords(attribute.name));
    return [{ kind: "hole", hole: { hole: `<${element.tag}>`, source, mayBeEmpty: true, isPicture } }];
  }

  #use(
    element: TemplateElement,
    component: Component,
    scope: Scope,
    namespace: Namespace,
  ): readonly TreeNode[] {
    const { machine } = this.#composition;
    const parts = this.#attributes.read(element.attributes, scope);
    const slots = new Map<string, Slot>();
    const content = (children: readonly TemplateNode[], given: Ast.Node | null): Slot =>
      this.#asWritten((values: ObjectValue) => {
        const inner = innerScope(scope);
        if (given !== null) machine.bindPattern(given, values, inner);
        return this.render(children, inner, namespace);
      });
    for (const { name, given, children } of element.slots) slots.set(name, content(children, given));
    const children = element.children.filter((child) => child.kind !== "snippet");
    const parted = this.#language.partedContent?.(component, children) ?? new Map([["default", children]]);
    for (const [name, part] of parted) if (part.some(isContent)) slots.set(name, content(part, null));
    const properties = new Map(
      parts.attributes.map(({ name, value }) => [this.#language.propName(name), value] as const),
    );
    const places = new Map<string, Span>();
    for (const { name, source } of parts.attributes)
      if (source !== null) places.set(this.#language.propName(name), source);
    for (const [event, { value, source }] of parts.listeners) {
      properties.set(listenerProp(event), value);
      if (source !== null) places.set(listenerProp(event), source);
    }
    if (this.#language.contentIsProp) {
      for (const child of element.children)
        if (child.kind === "snippet") properties.set(child.name, this.#snippet(child, scope));
      const inner = slots.get("default");
      if (inner !== undefined)
        properties.set(
          "children",
          native("children", () => ({ kind: "tree", nodes: inner(objectOf([])) })),
        );
    }
    const nodes = this.#composition.use(component, {
      props: objectOf(properties, parts.spread),
      places,
      slots,
      source: { file: scope.module.file, start: element.start, end: element.startEnd },
      endTag: endTagIn(scope.module.text, element, scope.module.file),
      namespace,
      owner: machine.state.frames,
    });
    return this.#language.hostOf === undefined
      ? nodes
      : [this.#language.hostOf(component, element, nodes, parts)];
  }

  #host(element: TemplateElement, tag: string, scope: Scope, around: Namespace): TreeElement {
    const namespace = namespaceOf(tag, around);
    const written = this.#attributes.read(element.attributes, scope);
    const { scopeAttribute, addedTo } = this.#language;
    const parts = addedTo?.(element, written) ?? written;
    const inner = element.tag === "foreignObject" ? "html" : namespace;
    const model = tag === "textarea" ? parts.attributes.find(({ name }) => name === "value") : undefined;
    return hostElement({
      tag,
      ...(tag === element.tag ? {} : { writtenTag: element.tag }),
      namespace,
      attributes: [
        ...parts.attributes.filter(({ name }) => model === undefined || name !== "value"),
        ...(scopeAttribute === null ? [] : [{ name: scopeAttribute, value: known(""), source: null }]),
      ],
      listeners: withoutIdle(this.#composition.machine, parts.listeners),
      mayListen:
        parts.mayListen &&
        (this.#composition.textOf(scope.module.file)?.includes("addEventListener") ?? true),
      spread: parts.spread,
      children:
        model === undefined ? this.render(element.children, scope, inner) : this.#shown(model.value, inner),
      source: { file: scope.module.file, start: element.start, end: element.startEnd },
      endTag: endTagIn(scope.module.text, element, scope.module.file),
      components: this.#composition.machine.state.frames,
      ...(parts.overwrites ? { overwrites: true as const } : {}),
    });
  }
}

/** The end tag of an element, where it has one. */
function endTagIn(text: string, { startEnd, end }: TemplateElement, file: string): Span | null {
  const written = /<\/[^<>]*>$/.exec(text.slice(Math.max(startEnd, end - LONGEST_END_TAG), end));
  return written === null ? null : { file, start: end - written[0].length, end };
}

const LONGEST_END_TAG = 120;

const listenerProp = (event: string): string => `on${event.slice(0, 1).toUpperCase()}${event.slice(1)}`;

/** Whether a node of a template is anything but white space and comments. */
export const isContent = (node: TemplateNode): boolean =>
  node.kind === "text" ? node.value.trim() !== "" : node.kind !== "comment" && node.kind !== "snippet";
