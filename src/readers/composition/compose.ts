import type * as Ast from "@babel/types";
import type { CompiledStyle } from "../../core/css/compiled-sheet.ts";
import type { Namespace, Span } from "../../core/document/node.ts";
import { endless, type Patience } from "../../core/worlds/patience.ts";
import { type ComposedTree, inPage, type TreeNode } from "../../core/worlds/tree.ts";
import { angularComponent, isAngularClass } from "../angular/angular-component.ts";
import { markupOf, nodesOf, renderJsx } from "../react/jsx-markup.ts";
import { classComponent, functionComponent, isClassComponent, staticsOf } from "../react/react-component.ts";
import { declaredNames, mayRender, wrappedPropsTypes } from "../react/react-source.ts";
import { bindPattern } from "../script/binding.ts";
import { evaluate } from "../script/evaluate.ts";
import { callValue } from "../script/functions.ts";
import { globalValue } from "../script/globals.ts";
import { apart, type Machine, type MachineState } from "../script/machine.ts";
import { memberOf } from "../script/members.ts";
import { nameNode } from "../script/places.ts";
import { anything, type Shape, shapeOf, type TypeNames } from "../script/type-shape.ts";
import type {
  ClassValue,
  Component,
  FunctionValue,
  MarkupValue,
  Rendering,
  Scope,
  Value,
} from "../script/value.ts";
import { svelteComponent } from "../svelte/svelte-component.ts";
import { vueFileComponent } from "../vue/vue-file-component.ts";
import { baseName, placeKey } from "./component-name.ts";
import type { Composition, UseOf } from "./composition.ts";
import {
  exportOf,
  importedModule,
  makeScope,
  programsOf,
  type ScopeMaking,
  typeNamesOf,
} from "./module-scopes.ts";
import { packageExport } from "./packages.ts";
import type { SourceModule, TemplateLanguageName, TemplateParts } from "./source-module.ts";

/** All the source of a project that its components reach. */
export interface ComponentSources {
  /** By absolute path. */
  readonly modules: ReadonlyMap<string, SourceModule>;
  /** The HTML element that a component of a package stands for, by the name it is used with. */
  readonly standsFor: ReadonlyMap<string, string>;
  /** How long one tree may take. */
  readonly patience?: Patience;
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
  /** Whether there was more to evaluate than there was room for: what is left is open. */
  readonly isCutShort: boolean;
}

export interface Composer {
  /** Every component that the module exports or, where it exports none, declares. */
  componentsOf(module: SourceModule): readonly FoundComponent[];
  /** The tree of a component that nobody calls: what callers would give is open. */
  compose(found: FoundComponent): Composed;
  /** A component by where it is defined, once it was rendered. */
  definedAt(source: Span): FoundComponent | null;
  /** The rules of the classes that scripts made in what was composed so far, by their names. */
  readonly scriptStyles: ReadonlyMap<string, CompiledStyle>;
}

/** How much may be evaluated for one tree. */
const MOST_STEPS = 150_000;

/** After how many steps it is looked whether there is time for more. */
const STEPS_BETWEEN_LOOKS = 256;

/** How deep components may be inside one another. */
const DEEPEST_USE = 40;

/** How often a component that uses itself is rendered inside itself: what is deeper shows nothing new. */
const MOST_WITHIN_ITSELF = 2;

/** Composes trees from the sources of a project. Executes nothing of them. */
export const composer = (sources: ComponentSources): Composer => new ProjectComposer(sources);

/** What evaluates the scripts of a project; what packages and markup come to it asks of a composition. */
function newMachine(patience: Patience, imported: Machine["hooks"]["imported"]): Machine {
  const machine: Machine = {
    state: { ...atFirst(""), frames: [] },
    evaluate: (node, scope) => {
      if (machine.state.steps % STEPS_BETWEEN_LOOKS === 0) patience.check();
      return evaluate(machine, node, scope);
    },
    call: (callee, given, place) => callValue(machine, callee, given, place),
    member: (object, name, place) => memberOf(machine, object, name, place),
    bindPattern: (pattern, value, scope) => bindPattern(machine, pattern, value, scope),
    markup: (node, scope) => markupOf(machine, node, scope),
    hooks: {
      global: (name) => globalValue(machine, name),
      imported,
      taggedTemplate: (tag, node, scope) =>
        tag.kind === "native" ? (tag.tagged?.(node, scope) ?? null) : null,
    },
  };
  return machine;
}

const undo = ({ changed }: Rendering): void => {
  for (const [binding, before] of changed) Object.assign(binding, before);
};

/** A machine that has evaluated nothing yet, for what is rendered as an instance. */
const atFirst = (instance: string): Omit<MachineState, "frames"> => ({
  path: new Map(),
  way: null,
  rendering: { changed: new Map(), unsettled: 0 },
  steps: MOST_STEPS,
  depth: 0,
  calls: "",
  declaring: null,
  instance,
  contexts: [],
  isWhole: false,
  ids: new Map(),
});

/** The components of a project: what is known of all of them, and what came up while one of them was composed. */
class ProjectComposer implements Composer, Composition, ScopeMaking {
  readonly machine: Machine;
  readonly scriptStyles = new Map<string, CompiledStyle>();
  readonly #sources: ComponentSources;
  readonly #byFile: ReadonlyMap<string, SourceModule>;
  readonly #types: TypeNames<SourceModule>;
  readonly #scopes = new Map<string, Scope>();
  readonly #components = new Map<unknown, Component | null>();
  readonly #fileComponents = new Map<string, Value | null>();
  readonly #propsTypes = new Map<string, ReturnType<typeof wrappedPropsTypes>>();
  readonly #defined = new Map<string, FoundComponent>();
  #decorated: readonly Component[] | null = null;
  readonly #unknown = new Map<string, Span[]>();
  readonly #rendered = new Set<string>();
  readonly #islands: (readonly TreeNode[])[] = [];

  constructor(sources: ComponentSources) {
    this.#sources = sources;
    this.machine = newMachine(sources.patience ?? endless, (specifier, scope) =>
      importedModule(this, scope, specifier),
    );
    this.#byFile = new Map([...sources.modules.values()].map((module) => [module.file, module]));
    this.#types = typeNamesOf(this);
  }

  componentsOf(module: SourceModule): readonly FoundComponent[] {
    return this.#beside(() => this.#componentsIn(module));
  }

  #componentsIn(module: SourceModule): readonly FoundComponent[] {
    const found = new Map<Component, FoundComponent>();
    const add = (value: Value | null, name: string) => {
      if (value === null) return;
      if (value.kind === "object" && value.lazy === undefined)
        for (const [member, one] of value.properties) if (isComponentName(member)) add(one, member);
      if (value.kind === "function" && !isComponentName(value.name || name)) return;
      if (value.kind === "function" && !mayRender(value)) return;
      if (value.kind !== "function" && value.kind !== "class" && value.kind !== "component") return;
      const component = this.componentOf(value);
      if (
        component === null ||
        component.isTransparent ||
        component.source.file !== module.file ||
        found.has(component)
      )
        return;
      found.set(component, { component, module, name: component.name });
    };
    add(this.fileComponent(module), baseName(module.file));
    for (const name of declaredNames(programsOf(module.content))) {
      const scope = this.scopeOf(module);
      this.machine.state.steps = MOST_STEPS;
      if (isComponentName(name) && scope.bindings.has(name))
        add(this.machine.evaluate(nameNode(name), scope), name);
    }
    add(exportOf(this, module, "default"), baseName(module.file));
    return [...found.values()];
  }

  compose(found: FoundComponent): Composed {
    const { component, module } = found;
    const { state } = this.machine;
    this.#begin(`/${placeKey(component.source)}`, [
      { name: component.name, source: component.source, definition: component.source },
    ]);
    this.#rendered.clear();
    this.#unknown.clear();
    this.#islands.length = 0;
    this.#note(component);
    const children = component.render({
      props: component.openProps(),
      places: new Map(),
      slots: new Map(),
      source: component.source,
      endTag: null,
      namespace: "html",
      frames: state.frames,
      instance: state.instance,
      isAlone: true,
    });
    return {
      found,
      tree: inPage(module.file, children),
      islands: this.#islands.map((nodes) => inPage(module.file, nodes)),
      rendered: new Set(this.#rendered),
      unknown: [...this.#unknown].map(([name, uses]) => ({ name, uses })),
      isCutShort: state.steps <= 0,
    };
  }

  /** A new rendering, in which variables of modules are as they were before any. */
  #begin(instance: string, frames: MachineState["frames"]): void {
    const { state } = this.machine;
    undo(state.rendering);
    Object.assign(state, atFirst(instance), { frames });
  }

  /** What is looked for while something is rendered, or before, and has no part in it. */
  #beside<T>(look: () => T): T {
    const { state } = this.machine;
    const around = { ...state };
    Object.assign(state, atFirst(""), { frames: [] });
    try {
      return look();
    } finally {
      undo(state.rendering);
      Object.assign(state, around);
    }
  }

  definedAt(source: Span): FoundComponent | null {
    return this.#defined.get(placeKey(source)) ?? null;
  }

  scopeOf(module: SourceModule): Scope {
    const known = this.#scopes.get(module.path);
    if (known !== undefined) return known;
    const scope = makeScope(this, module);
    this.#scopes.set(module.path, scope);
    return scope;
  }

  moduleOf(scope: Scope): SourceModule | null {
    return this.#byFile.get(scope.module.file) ?? null;
  }

  moduleNamed(file: string): SourceModule | null {
    return this.#byFile.get(file) ?? null;
  }

  moduleAt(path: string): SourceModule | null {
    return this.#sources.modules.get(path) ?? null;
  }

  allModules(): Iterable<SourceModule> {
    return this.#sources.modules.values();
  }

  exported(path: string, name: string): Value | null {
    const module = this.moduleAt(path);
    return module === null ? null : exportOf(this, module, name);
  }

  packageExport(specifier: string, name: string): Value | null {
    return packageExport(this, specifier, name);
  }

  standsFor(name: string): string | null {
    return this.#sources.standsFor.get(name) ?? null;
  }

  toNodes(value: Value, namespace: Namespace): readonly TreeNode[] {
    return nodesOf(this, value, namespace);
  }

  renderMarkup(markup: MarkupValue, namespace: Namespace): readonly TreeNode[] {
    return renderJsx(this, markup, namespace);
  }

  shapeIn(node: Ast.Node, scope: Scope): Shape {
    const module = this.moduleOf(scope);
    return module === null ? anything : shapeOf({ node, module }, this.#types);
  }

  textOf(file: string): string | null {
    return this.#byFile.get(file)?.text ?? null;
  }

  keepStyle(className: string, style: CompiledStyle): void {
    this.scriptStyles.set(className, style);
  }

  noteUnknown(name: string, source: Span): void {
    const uses = this.#unknown.get(name) ?? [];
    if (!uses.some((use) => placeKey(use) === placeKey(source))) uses.push(source);
    this.#unknown.set(name, uses);
  }

  addIsland(nodes: readonly TreeNode[], component: string | null): void {
    if (nodes.some((node) => node.kind !== "text"))
      this.#islands.push(nodes.map((node) => open(node, component)));
  }

  everyComponent(): readonly Component[] {
    this.#decorated ??= [...this.allModules()].flatMap((module) =>
      module.content.kind === "script" && /@Component\b/.test(module.text)
        ? this.componentsOf(module).map(({ component }) => component)
        : [],
    );
    return this.#decorated;
  }

  fileComponent(module: SourceModule): Value | null {
    const known = this.#fileComponents.get(module.path);
    if (known !== undefined) return known;
    const { content } = module;
    const component =
      content.kind === "template"
        ? wholeFiles[content.language](this, this, module, content.parts, this.#types)
        : null;
    const value: Value | null = component === null ? null : { kind: "component", component };
    this.#fileComponents.set(module.path, value);
    return value;
  }

  componentOf(value: Value): Component | null {
    if (value.kind === "component") return value.component;
    if (value.kind !== "function" && value.kind !== "class") return null;
    const known = this.#components.get(value.node);
    if (known !== undefined) return known;
    const component = value.kind === "function" ? this.#fromFunction(value) : this.#fromClass(value);
    this.#components.set(value.node, component);
    return component;
  }

  use(component: Component, { owner, ...call }: UseOf): readonly TreeNode[] {
    const { state } = this.machine;
    const key = placeKey(component.source);
    const within = owner.filter(({ definition }) => placeKey(definition) === key).length;
    if (state.steps <= 0 || owner.length >= DEEPEST_USE || within > MOST_WITHIN_ITSELF)
      return [{ kind: "hole", hole: { hole: `<${component.name}>`, source: call.source, mayBeEmpty: true } }];
    const { frames, instance } = state;
    state.frames = component.isTransparent
      ? owner
      : [...owner, { name: component.name, source: call.source, definition: component.source }];
    state.instance = `${instance}/${call.source.file}:${call.source.start}`;
    this.#note(component);
    try {
      return component.render({ ...call, frames: state.frames, instance: state.instance, isAlone: false });
    } finally {
      state.frames = frames;
      state.instance = instance;
    }
  }

  #note(component: Component): void {
    if (component.isTransparent) return;
    const key = placeKey(component.source);
    this.#rendered.add(key);
    const module = this.#byFile.get(component.source.file);
    if (module !== undefined && !this.#defined.has(key))
      this.#defined.set(key, { component, module, name: component.name });
  }

  #fromFunction(value: FunctionValue): Component {
    const shown = value.statics.get("displayName");
    const name =
      value.name || (shown?.kind === "known" ? String(shown.value) : baseName(value.scope.module.file));
    return functionComponent(this, value, name, this.#types, this.#propsTypeFor(value));
  }

  #fromClass(value: ClassValue): Component | null {
    const name = value.name || baseName(value.scope.module.file);
    if (isClassComponent(value)) {
      apart(this.machine, () => staticsOf(this, value.node, value.scope, value.statics));
      return classComponent(this, value, name, this.#types);
    }
    return isAngularClass(value) ? angularComponent(this, this, value, name, this.#types) : null;
  }

  /** The type of a component's props where a wrapper or the variable has it: `forwardRef<E, Props>`, `FC<Props>`. */
  #propsTypeFor(value: FunctionValue) {
    const module = this.moduleOf(value.scope);
    if (module === null) return null;
    const types =
      this.#propsTypes.get(module.path) ?? wrappedPropsTypes(programsOf(module.content), module.text);
    this.#propsTypes.set(module.path, types);
    return types.get(value.node.start ?? -1) ?? null;
  }
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
function open(node: TreeNode, component: string | null): TreeNode {
  if (node.kind === "either")
    return { ...node, arms: node.arms.map((arm) => arm.map((one) => open(one, component))) };
  if (node.kind !== "element" || node.source === null) return node;
  const { listeners, source } = node;
  const isClicked = component !== null && listeners !== "unknown" && listeners.has("click");
  const spread = { hole: "…", source, mayBeEmpty: true, ...(isClicked ? { besideClick: component } : {}) };
  return { ...node, spread, listeners: "unknown" };
}

const isComponentName = (name: string): boolean => /^[A-Z]/.test(name);
