import type * as Ast from "@babel/types";
import type { Namespace, Span } from "../../core/document/node.ts";
import type { Decision } from "../../core/worlds/decision.ts";
import type { TreeNode } from "../../core/worlds/tree.ts";
import { concat } from "../script/evaluate.ts";
import { lift, unknownAt } from "../script/machine.ts";
import { bind, innerScope, type Scope } from "../script/scope.ts";
import {
  absent,
  type CallPlace,
  type Component,
  type ComponentCall,
  isNullish,
  keyOf,
  known,
  native,
  type ObjectValue,
  objectOf,
  type Slot,
  truthOf,
  type Unknown,
  type Value,
} from "../script/value.ts";
import { classNames } from "./class-names.ts";
import type { Composition } from "./composition.ts";
import { hostElement, namespaceOf, type WrittenAttribute } from "./host-element.ts";
import { htmlNodes, repeated } from "./jsx-markup.ts";
import type { TemplateAttribute, TemplateEach, TemplateElement, TemplateNode } from "./source-module.ts";
import { styleText } from "./style-object.ts";

/** What a tag of a template stands for. */
export type TagMeaning =
  | { readonly kind: "component"; readonly component: Component }
  | { readonly kind: "host" }
  /** Shows what it is given and nothing else. */
  | { readonly kind: "pass" }
  | { readonly kind: "unknown" };

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
    own: HostParts,
  ) => TreeNode;
}

/** The attributes and handlers of an element, worked out. */
export interface HostParts {
  readonly attributes: readonly WrittenAttribute[];
  readonly listeners: ReadonlyMap<string, { readonly value: Value; readonly source: Span | null }>;
  readonly spread: Unknown | null;
  readonly mayListen: boolean;
  readonly overwrites: boolean;
}

/** Renders templates of any framework, with the names of a scope. */
export class TemplateRenderer {
  readonly #composition: Composition;
  readonly #language: TemplateLanguage;

  constructor(composition: Composition, language: TemplateLanguage) {
    this.#composition = composition;
    this.#language = language;
  }

  render(nodes: readonly TemplateNode[], scope: Scope, namespace: Namespace = "html"): readonly TreeNode[] {
    const inner = innerScope(scope);
    for (const node of nodes) if (node.kind === "snippet") bind(inner, node.name, this.#snippet(node, inner));
    return nodes.flatMap((node) => this.#node(node, inner, namespace));
  }

  #span = (scope: Scope, { start, end }: { readonly start: number; readonly end: number }): Span => ({
    file: scope.module.file,
    start,
    end,
  });

  #evaluate(
    expression: Ast.Node | null,
    scope: Scope,
    at: { readonly start: number; readonly end: number },
  ): Value {
    if (expression !== null) return this.#composition.machine.evaluate(expression, scope);
    const source = this.#span(scope, at);
    return unknownAt(
      source,
      scope.module.text.slice(at.start, at.end),
      `${source.file}:${at.start}@${this.#composition.machine.state.instance}`,
      "string",
    );
  }

  #node(node: TemplateNode, scope: Scope, namespace: Namespace): readonly TreeNode[] {
    switch (node.kind) {
      case "text":
        return node.value === ""
          ? []
          : [{ kind: "text", value: node.value, source: this.#span(scope, node) }];
      case "comment":
        return [{ kind: "comment", value: node.value, source: this.#span(scope, node) }];
      case "value":
        return this.#shown(this.#evaluate(node.expression, scope, node), namespace);
      case "html":
        return htmlNodes(
          this.#evaluate(node.expression, scope, node),
          this.#span(scope, node),
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

  #fork(
    value: Value,
    text: string,
    source: Span,
    make: (holds: boolean) => readonly TreeNode[],
  ): readonly TreeNode[] {
    const { path } = this.#composition.machine.state;
    const inArm = (decision: Decision, arm: number, go: () => readonly TreeNode[]): readonly TreeNode[] => {
      path.set(decision.id, arm);
      try {
        return go();
      } finally {
        path.delete(decision.id);
      }
    };
    if (value.kind === "either") {
      const { decision, arms } = value;
      const fixed = path.get(decision.id);
      if (fixed !== undefined) return this.#fork(arms[fixed] ?? absent, text, source, make);
      return [
        {
          kind: "either",
          decision,
          arms: arms.map((arm, i) => inArm(decision, i, () => this.#fork(arm, text, source, make))),
        },
      ];
    }
    const truth = truthOf(value);
    if (truth !== null) return make(truth);
    const decision: Decision = {
      id: `so ${keyOf(value)}`,
      arms: [`\`${text}\` is so`, `\`${text}\` is not so`],
      named: false,
      source,
    };
    const fixed = path.get(decision.id);
    if (fixed !== undefined) return make(fixed === 0);
    return [
      {
        kind: "either",
        decision,
        arms: [inArm(decision, 0, () => make(true)), inArm(decision, 1, () => make(false))],
      },
    ];
  }

  #branches(
    branches: readonly { readonly test: Ast.Node | null; readonly children: readonly TemplateNode[] }[],
    at: number,
    scope: Scope,
    namespace: Namespace,
  ): readonly TreeNode[] {
    const branch = branches[at];
    if (branch === undefined) return [];
    const { test, children } = branch;
    if (test === null) return this.render(children, scope, namespace);
    const place = { start: test.start ?? 0, end: test.end ?? 0 };
    return this.#fork(
      this.#evaluate(test, scope, place),
      scope.module.text.slice(place.start, place.end),
      this.#span(scope, place),
      (holds) =>
        holds ? this.render(children, scope, namespace) : this.#branches(branches, at + 1, scope, namespace),
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
          name === "$index" ? index : unknownAt(this.#span(scope, node), name, `${name} ${keyOf(index)}`),
        );
      const before = machine.state.instance;
      machine.state.instance = `${before}[${index.kind === "known" ? index.value : "n"}]`;
      try {
        return this.render(node.children, inner, namespace);
      } finally {
        machine.state.instance = before;
      }
    };
    const nodes = (list: Value): readonly TreeNode[] => {
      if (list.kind === "either")
        return [{ kind: "either", decision: list.decision, arms: list.arms.map(nodes) }];
      if (list.kind === "list")
        return list.items.length === 0
          ? this.render(node.empty, scope, namespace)
          : list.items.flatMap((value, i) => item(value, known(i)));
      if (list.kind === "known" && typeof list.value === "number")
        return Array.from({ length: Math.min(list.value, 60) }, (_, i) =>
          item(known(i + 1), known(i)),
        ).flat();
      if (isNullish(list)) return this.render(node.empty, scope, namespace);
      const source = this.#span(scope, node);
      const index = unknownAt(source, "index", `index ${keyOf(list)}`, "number");
      const one = list.kind === "each" ? list.item : unknownAt(source, "item", `${keyOf(list)}[]`);
      return repeated(item(one, index));
    };
    return nodes(this.#evaluate(node.list, scope, node));
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
    const source = this.#span(scope, node);
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
    const given = this.#parts(node.attributes, scope);
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
        return [this.#host(element, element.tag, scope, namespace)];
      case "pass":
        return this.render(element.children, scope, namespace);
      case "component":
        return this.#use(element, meaning.component, scope);
      case "unknown": {
        const standIn = this.#composition.standsFor(element.tag);
        return standIn === null
          ? this.#unknown(element, scope)
          : [this.#host(element, standIn, scope, namespace)];
      }
    }
  }

  /** `<component :is="…">`, `<svelte:element this={…}>`. */
  #dynamic(element: TemplateElement, type: Value, scope: Scope, namespace: Namespace): readonly TreeNode[] {
    if (type.kind === "either") {
      const { path } = this.#composition.machine.state;
      const { decision, arms } = type;
      const fixed = path.get(decision.id);
      if (fixed !== undefined) return this.#dynamic(element, arms[fixed] ?? absent, scope, namespace);
      return [
        {
          kind: "either",
          decision,
          arms: arms.map((arm, i) => {
            path.set(decision.id, i);
            try {
              return this.#dynamic(element, arm, scope, namespace);
            } finally {
              path.delete(decision.id);
            }
          }),
        },
      ];
    }
    if (isNullish(type)) return [];
    const component = this.#composition.componentOf(type);
    if (component !== null) return this.#use(element, component, scope);
    if (type.kind === "known" && typeof type.value === "string") {
      const named = { ...element, tag: type.value, dynamic: null };
      const meaning = this.#language.meaningOf(named, scope);
      return meaning.kind === "component"
        ? this.#use(named, meaning.component, scope)
        : [this.#host(named, type.value, scope, namespace)];
    }
    return this.#unknown(element, scope);
  }

  #unknown(element: TemplateElement, scope: Scope): readonly TreeNode[] {
    const source = { file: scope.module.file, start: element.start, end: element.startEnd };
    this.#composition.noteUnknown(element.tag, source);
    for (const content of [element.children, ...element.slots.map(({ children }) => children)])
      if (content.length > 0) this.#composition.addIsland(this.render(content, scope));
    return [{ kind: "hole", hole: { hole: `<${element.tag}>`, source, mayBeEmpty: true } }];
  }

  #use(element: TemplateElement, component: Component, scope: Scope): readonly TreeNode[] {
    const { machine } = this.#composition;
    const parts = this.#parts(element.attributes, scope);
    const slots = new Map<string, Slot>();
    const content = (children: readonly TemplateNode[], given: Ast.Node | null): Slot =>
      this.#asWritten((values: ObjectValue) => {
        const inner = innerScope(scope);
        if (given !== null) machine.bindPattern(given, values, inner);
        return this.render(children, inner);
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
      endTag: null,
      owner: machine.state.frames,
    });
    return this.#language.hostOf === undefined
      ? nodes
      : [this.#language.hostOf(component, element, nodes, parts)];
  }

  #host(element: TemplateElement, tag: string, scope: Scope, around: Namespace): TreeNode {
    const namespace = namespaceOf(tag, around);
    const parts = this.#parts(element.attributes, scope);
    const { scopeAttribute } = this.#language;
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
      listeners: parts.listeners,
      mayListen:
        parts.mayListen &&
        (this.#composition.textOf(scope.module.file)?.includes("addEventListener") ?? true),
      spread: parts.spread,
      children:
        model === undefined ? this.render(element.children, scope, inner) : this.#shown(model.value, inner),
      source: { file: scope.module.file, start: element.start, end: element.startEnd },
      endTag: null,
      components: this.#composition.machine.state.frames,
      ...(parts.overwrites ? { overwrites: true as const } : {}),
    });
  }

  /** Attributes in the order they are written: what comes later wins, classes and styles add up. */
  #parts(written: readonly TemplateAttribute[], scope: Scope): HostParts {
    const { machine } = this.#composition;
    const attributes = new Map<string, WrittenAttribute>();
    const listeners = new Map<string, { value: Value; source: Span | null }>();
    const spreadNames = new Set<string>();
    const classes: { readonly value: Value; readonly source: Span }[] = [];
    const styles: { readonly value: Value; readonly source: Span }[] = [];
    let spread: Unknown | null = null;
    let mayListen = false;
    let overwrites = false;
    const set = (name: string, value: Value, source: Span | null, bySpread = false) => {
      const before = attributes.get(name)?.value;
      if (!bySpread && spreadNames.has(name) && before !== undefined && !isEmpty(before)) overwrites = true;
      if (bySpread) spreadNames.add(name);
      attributes.set(name, { name, value, source });
    };
    for (const attribute of written) {
      const source = this.#span(scope, attribute);
      const place: CallPlace = {
        source,
        text: scope.module.text.slice(source.start, source.end),
        self: null,
      };
      switch (attribute.kind) {
        case "text":
          if (attribute.name === "class") classes.push({ value: known(attribute.value), source });
          else if (attribute.name === "style") styles.push({ value: known(`${attribute.value};`), source });
          else set(attribute.name, known(attribute.value), source);
          break;
        case "value": {
          const value = this.#evaluate(attribute.expression, scope, attribute);
          if (attribute.name === "class") classes.push({ value, source });
          else if (attribute.name === "style")
            styles.push({ value: styleText(machine, firstOfList(value), place), source });
          else set(attribute.name, value, source);
          break;
        }
        case "parts": {
          const value = concat(
            machine,
            attribute.parts.map((part) =>
              typeof part === "string" ? known(part) : machine.evaluate(part, scope),
            ),
            () =>
              unknownAt(
                source,
                place.text,
                `${source.file}:${source.start}@${machine.state.instance}`,
                "string",
              ),
          );
          if (attribute.name === "class") classes.push({ value, source });
          else if (attribute.name === "style") styles.push({ value, source });
          else set(attribute.name, value, source);
          break;
        }
        case "spread": {
          const value = this.#evaluate(attribute.expression, scope, attribute);
          const given = value.kind === "either" ? (value.arms[0] ?? absent) : value;
          if (given.kind === "object") {
            for (const [name, one] of given.properties) {
              const event =
                /^on(?::|(?=[A-Z]))(\w+)/.exec(name) ??
                (this.#language.contentIsProp ? /^on([a-z]+)$/.exec(name) : null);
              if (event !== null) listeners.set((event[1] ?? "").toLowerCase(), { value: one, source });
              else if (name === "class") classes.push({ value: one, source });
              else if (name !== "children") set(name, one, source, true);
            }
            if (given.rest !== null) spread = given.rest;
          } else if (!isNullish(given))
            spread =
              given.kind === "unknown" ? given : unknownAt(source, place.text, `spread ${source.start}`);
          break;
        }
        case "listener":
          listeners.set(attribute.event, { value: this.#handler(attribute, scope), source });
          break;
        case "toggle":
          this.#toggle(attribute, scope, source, classes, styles);
          break;
        case "model":
          set(
            attribute.name,
            unknownAt(source, place.text, `model ${source.file}:${source.start}@${machine.state.instance}`),
            source,
          );
          listeners.set("input", { value: known(undefined), source });
          break;
        case "opaque":
          mayListen = true;
          break;
      }
    }
    const at = (source: Span): CallPlace => ({ source, text: "class", self: null });
    const [firstClass] = classes;
    if (firstClass !== undefined)
      attributes.set("class", {
        name: "class",
        value: classNames(
          machine,
          classes.map(({ value }) => value),
          at(firstClass.source),
        ),
        source: firstClass.source,
      });
    const [firstStyle] = styles;
    if (firstStyle !== undefined)
      attributes.set("style", {
        name: "style",
        value: concat(
          machine,
          styles.map(({ value }) => value),
          () => unknownAt(firstStyle.source, "style", `style ${firstStyle.source.start}`, "string"),
        ),
        source: firstStyle.source,
      });
    return { attributes: [...attributes.values()], listeners, spread, mayListen, overwrites };
  }

  #handler(attribute: Extract<TemplateAttribute, { kind: "listener" }>, scope: Scope): Value {
    const { expression, code } = attribute;
    const source = this.#span(scope, attribute);
    const inline = unknownAt(source, code, `handler ${source.file}:${source.start}`);
    if (expression === null || !/Function|Identifier/.test(expression.type)) return inline;
    const value = this.#composition.machine.evaluate(expression, scope);
    return value.kind === "object" ? inline : value;
  }

  #toggle(
    attribute: Extract<TemplateAttribute, { kind: "toggle" }>,
    scope: Scope,
    source: Span,
    classes: { readonly value: Value; readonly source: Span }[],
    styles: { readonly value: Value; readonly source: Span }[],
  ): void {
    const { machine } = this.#composition;
    const test = this.#evaluate(attribute.test, scope, attribute);
    const chosen = (when: boolean, text: string) =>
      lift(machine, test, (one) => {
        const truth = truthOf(one);
        return truth === null
          ? unknownAt(source, attribute.token, `toggle ${attribute.token} ${keyOf(one)}`, "string")
          : known(truth === when ? text : "");
      });
    if (attribute.name === "class") classes.push({ value: chosen(true, attribute.token), source });
    else styles.push({ value: chosen(false, "display: none;"), source });
  }
}

const listenerProp = (event: string): string => `on${event.slice(0, 1).toUpperCase()}${event.slice(1)}`;

const isEmpty = (value: Value): boolean =>
  value.kind === "known" && (value.value === "" || value.value == null);

const firstOfList = (value: Value): Value => (value.kind === "list" ? (value.items[0] ?? absent) : value);

/** Whether a node of a template is anything but white space and comments. */
export const isContent = (node: TemplateNode): boolean =>
  node.kind === "text" ? node.value.trim() !== "" : node.kind !== "comment" && node.kind !== "snippet";
