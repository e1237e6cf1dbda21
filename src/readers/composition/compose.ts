import type { Span } from "../../core/document/node.ts";
import { type ComposedTree, inPage, type TreeNode } from "../../core/worlds/tree.ts";
import { angularComponent, isAngularClass } from "../angular/angular-component.ts";
import { markupOf, nodesOf, renderJsx } from "../react/jsx-markup.ts";
import { classComponent, functionComponent, isClassComponent, staticsOf } from "../react/react-component.ts";
import { declaredNames, mayRender, wrappedPropsTypes } from "../react/react-source.ts";
import { evaluate } from "../script/evaluate.ts";
import { bindPattern, callValue } from "../script/functions.ts";
import { globalValue } from "../script/globals.ts";
import type { Machine, MachineState } from "../script/machine.ts";
import { memberOf } from "../script/members.ts";
import { nameNode } from "../script/places.ts";
import { anything, shapeOf, type TypeNames } from "../script/type-shape.ts";
import type { ClassValue, Component, FunctionValue, Scope, Value } from "../script/value.ts";
import { svelteComponent } from "../svelte/svelte-component.ts";
import { vueFileComponent } from "../vue/vue-file-component.ts";
import { baseName, placeKey } from "./component-name.ts";
import type { Composition, UseOf } from "./composition.ts";
import { exportOf, makeScope, programsOf, type ScopeMaking, typeNamesOf } from "./module-scopes.ts";
import { packageExport } from "./packages.ts";
import type { SourceModule, TemplateLanguageName, TemplateParts } from "./source-module.ts";

/** All the source of a project that its components reach. */
export interface ComponentSources {
  /** By absolute path. */
  readonly modules: ReadonlyMap<string, SourceModule>;
  /** The HTML element that a component of a package stands for, by the name it is used with. */
  readonly standsFor: ReadonlyMap<string, string>;
}

/** A component that may be looked at by itself. */
export interface FoundComponent {
  readonly component: Component;
  readonly module: SourceModule;
  readonly name: string;
}

/** A component that is used and not in source. */
export interface UnknownComponent {
  readonly name: string;
  readonly uses: readonly Span[];
}

/** A component composed with all that is inside it. */
export interface Composed {
  readonly found: FoundComponent;
  readonly tree: ComposedTree;
  /** What it gives to components that are not in source: each looked at by itself. */
  readonly islands: readonly ComposedTree[];
  /** Definitions of all components that were rendered in it, itself included. */
  readonly rendered: ReadonlySet<string>;
  /** Components that are used in it and not in source. */
  readonly unknown: readonly UnknownComponent[];
}

export interface Composer {
  /** Every component that the module exports or, where it exports none, declares. */
  readonly componentsOf: (module: SourceModule) => readonly FoundComponent[];
  /** The tree of a component that nobody calls: what callers would give is open. */
  readonly compose: (found: FoundComponent) => Composed;
  /** A component by where it is defined, once it was rendered. */
  readonly definedAt: (source: Span) => FoundComponent | null;
}

/** How much may be evaluated for one tree. */
const MOST_STEPS = 400_000;

/** How deep components may be inside one another. */
const DEEPEST_USE = 40;

/** Composes trees from the sources of a project. Executes nothing of them. */
export function composer({ modules, standsFor }: ComponentSources): Composer {
  const byFile = new Map([...modules.values()].map((module) => [module.file, module]));
  const scopes = new Map<string, Scope>();
  const components = new Map<unknown, Component | null>();
  const fileComponents = new Map<string, Value | null>();
  const unknown = new Map<string, Span[]>();
  const defined = new Map<string, FoundComponent>();
  const rendered = new Set<string>();
  const islands: (readonly TreeNode[])[] = [];

  const state: MachineState = {
    path: new Map(),
    steps: MOST_STEPS,
    depth: 0,
    declaring: null,
    instance: "",
    frames: [],
    contexts: [],
    ids: new Map(),
  };
  const machine: Machine = {
    state,
    evaluate: (node, scope) => evaluate(machine, node, scope),
    call: (callee, given, at) => callValue(machine, callee, given, at),
    member: (object, name, at) => memberOf(machine, object, name, at),
    bindPattern: (pattern, value, scope) => bindPattern(machine, pattern, value, scope),
    markup: (node, scope) => markupOf(machine, node, scope),
    hooks: {
      global: (name) => globalValue(machine, name),
      taggedTemplate: (tag, node, scope) =>
        tag.kind === "native" ? (tag.tagged?.(node, scope) ?? null) : null,
    },
  };
  const moduleAt = (path: string) => modules.get(path) ?? null;
  const scopeOf = (module: SourceModule): Scope => {
    const known = scopes.get(module.path);
    if (known !== undefined) return known;
    const scope = makeScope(making, module);
    scopes.set(module.path, scope);
    return scope;
  };
  const composition: Composition = {
    machine,
    scopeOf,
    moduleOf: (scope) => byFile.get(scope.module.file) ?? null,
    moduleAt,
    exported: (path, name) => {
      const module = moduleAt(path);
      return module === null ? null : exportOf(making, module, name);
    },
    componentOf,
    standsFor: (name) => standsFor.get(name) ?? null,
    toNodes: (value, namespace) => nodesOf(composition, value, namespace),
    renderMarkup: (markup, namespace) => renderJsx(composition, markup, namespace),
    use,
    shapeIn: (node, scope) => {
      const module = composition.moduleOf(scope);
      return module === null ? anything : shapeOf({ node, module }, types);
    },
    textOf: (file) => byFile.get(file)?.text ?? null,
    noteUnknown: (name, source) => {
      const uses = unknown.get(name) ?? [];
      if (!uses.some((use) => placeKey(use) === placeKey(source))) uses.push(source);
      unknown.set(name, uses);
    },
    addIsland: (nodes) => {
      if (nodes.some((node) => node.kind !== "text")) islands.push(nodes.map(open));
    },
  };
  const making: ScopeMaking = {
    machine,
    moduleAt,
    scopeOf,
    packageExport: (specifier, name) => packageExport(composition, specifier, name),
    fileComponent,
    allModules: () => modules.values(),
    everyComponent: () => {
      decorated ??= [...modules.values()].flatMap((module) =>
        module.content.kind === "script" && /@Component\b/.test(module.text)
          ? componentsOf(module).map(({ component }) => component)
          : [],
      );
      return decorated;
    },
  };
  let decorated: readonly Component[] | null = null;
  const types: TypeNames<SourceModule> = typeNamesOf(making);

  /** The component that a whole file is. */
  function fileComponent(module: SourceModule): Value | null {
    const known = fileComponents.get(module.path);
    if (known !== undefined) return known;
    const { content } = module;
    const component =
      content.kind === "template"
        ? wholeFiles[content.language](composition, making, module, content.parts, types)
        : null;
    const value: Value | null = component === null ? null : { kind: "component", component };
    fileComponents.set(module.path, value);
    return value;
  }

  function componentOf(value: Value): Component | null {
    if (value.kind === "component") return value.component;
    if (value.kind !== "function" && value.kind !== "class") return null;
    const known = components.get(value.node);
    if (known !== undefined) return known;
    const made = value.kind === "function" ? fromFunction(value) : fromClass(value);
    components.set(value.node, made);
    return made;
  }

  function fromFunction(value: FunctionValue): Component {
    const shown = value.statics.get("displayName");
    const name =
      value.name || (shown?.kind === "known" ? String(shown.value) : baseName(value.scope.module.file));
    return functionComponent(composition, value, name, types, propsTypeFor(value));
  }

  function fromClass(value: ClassValue): Component | null {
    const name = value.name || baseName(value.scope.module.file);
    if (isClassComponent(value)) {
      staticsOf(composition, value.node, value.scope, value.statics);
      return classComponent(composition, value, name, types);
    }
    return isAngularClass(value) ? angularComponent(composition, making, value, name, types) : null;
  }

  /** The type of a component's props where a wrapper or the variable has it: `forwardRef<E, Props>`, `FC<Props>`. */
  function propsTypeFor(value: FunctionValue) {
    const module = composition.moduleOf(value.scope);
    return module === null ? null : (propsTypes(module).get(value.node.start ?? -1) ?? null);
  }

  const propsTypesOf = new Map<string, ReturnType<typeof wrappedPropsTypes>>();
  function propsTypes(module: SourceModule) {
    const known = propsTypesOf.get(module.path);
    if (known !== undefined) return known;
    const found = wrappedPropsTypes(programsOf(module.content), module.text);
    propsTypesOf.set(module.path, found);
    return found;
  }

  function use(component: Component, { owner, ...call }: UseOf): readonly TreeNode[] {
    if (state.steps <= 0 || owner.length >= DEEPEST_USE)
      return [{ kind: "hole", hole: { hole: `<${component.name}>`, source: call.source, mayBeEmpty: true } }];
    const before = { frames: state.frames, instance: state.instance };
    state.frames = component.isTransparent
      ? owner
      : [...owner, { name: component.name, source: call.source, definition: component.source }];
    state.instance = `${before.instance}/${call.source.file}:${call.source.start}`;
    note(component);
    try {
      return component.render({ ...call, frames: state.frames, instance: state.instance, isAlone: false });
    } finally {
      state.frames = before.frames;
      state.instance = before.instance;
    }
  }

  function note(component: Component): void {
    if (component.isTransparent) return;
    const key = placeKey(component.source);
    rendered.add(key);
    const module = byFile.get(component.source.file);
    if (module !== undefined && !defined.has(key))
      defined.set(key, { component, module, name: component.name });
  }

  function compose(found: FoundComponent): Composed {
    const { component, module } = found;
    Object.assign(state, {
      path: new Map(),
      steps: MOST_STEPS,
      depth: 0,
      declaring: null,
      instance: `/${placeKey(component.source)}`,
      frames: [{ name: component.name, source: component.source, definition: component.source }],
      contexts: [],
      ids: new Map(),
    });
    rendered.clear();
    unknown.clear();
    islands.length = 0;
    note(component);
    const children = component.render({
      props: component.openProps(),
      places: new Map(),
      slots: new Map(),
      source: component.source,
      endTag: null,
      frames: state.frames,
      instance: state.instance,
      isAlone: true,
    });
    return {
      found,
      tree: inPage(module.file, children),
      islands: islands.map((nodes) => inPage(module.file, nodes)),
      rendered: new Set(rendered),
      unknown: [...unknown].map(([name, uses]) => ({ name, uses })),
    };
  }

  function componentsOf(module: SourceModule): readonly FoundComponent[] {
    const found = new Map<Component, FoundComponent>();
    const add = (value: Value | null, name: string) => {
      if (value === null) return;
      if (value.kind === "object" && value.lazy === undefined)
        for (const [member, one] of value.properties) if (isComponentName(member)) add(one, member);
      if (value.kind === "function" && !isComponentName(value.name || name)) return;
      if (value.kind === "function" && !mayRender(value)) return;
      if (value.kind !== "function" && value.kind !== "class" && value.kind !== "component") return;
      const component = componentOf(value);
      if (
        component === null ||
        component.isTransparent ||
        component.source.file !== module.file ||
        found.has(component)
      )
        return;
      found.set(component, { component, module, name: component.name });
    };
    add(fileComponent(module), baseName(module.file));
    for (const name of declaredNames(programsOf(module.content))) {
      const scope = scopeOf(module);
      state.steps = MOST_STEPS;
      if (isComponentName(name) && scope.bindings.has(name))
        add(machine.evaluate(nameNode(name), scope), name);
    }
    add(exportOf(making, module, "default"), baseName(module.file));
    return [...found.values()];
  }

  return {
    componentsOf,
    compose,
    definedAt: (source) => defined.get(placeKey(source)) ?? null,
  };
}

/** What a whole file is, by the language of its template. */
const wholeFiles = {
  vue: vueFileComponent,
  svelte: svelteComponent,
} satisfies Record<
  TemplateLanguageName,
  (
    composition: Composition,
    making: ScopeMaking,
    module: SourceModule,
    parts: TemplateParts,
    types: TypeNames<SourceModule>,
  ) => Component
>;

/** What a component that is not in source is given, it may give more props. */
const open = (node: TreeNode): TreeNode =>
  node.kind === "element" && node.source !== null
    ? { ...node, spread: { hole: "…", source: node.source, mayBeEmpty: true }, listeners: "unknown" }
    : node.kind === "either"
      ? { ...node, arms: node.arms.map((arm) => arm.map(open)) }
      : node;

const isComponentName = (name: string): boolean => /^[A-Z]/.test(name);
