import type * as Ast from "@babel/types";
import { onceFor } from "../../core/document/once.ts";
import { bindPattern, hoist, initialOf } from "../script/binding.ts";
import { classValue, functionValue } from "../script/evaluate.ts";
import { importedUnknown, type Machine } from "../script/machine.ts";
import { everyNode, reassignedIn } from "../script/parse-script.ts";
import { nameNode, spanOf } from "../script/places.ts";
import { bindLater, innerScope, moduleScope } from "../script/scope.ts";
import type { TypeIn, TypeNames } from "../script/type-shape.ts";
import type { Scope } from "../script/value.ts";
import {
  absent,
  type Component,
  known,
  listOf,
  type ObjectValue,
  objectOf,
  type Rendering,
  type Unknown,
  type Value,
} from "../script/value.ts";
import type { Composition } from "./composition.ts";
import type { ModuleContent, SourceModule, TemplateAttribute } from "./source-module.ts";
import { stateValue } from "./state-value.ts";

/** What the scopes of modules are made with. */
export interface ScopeMaking {
  readonly machine: Machine;
  readonly moduleAt: (path: string) => SourceModule | null;
  /** What a package gives under a name; null for what stays unknown. */
  readonly packageExport: (specifier: string, name: string) => Value | null;
  /** The component that a value is; null where it is none. */
  readonly componentOf: (value: Value) => Component | null;
  /** The component that a file is, for files that are one. */
  readonly fileComponent: (module: SourceModule) => Value | null;
  readonly scopeOf: (module: SourceModule) => Scope;
  readonly allModules: () => Iterable<SourceModule>;
  /** Every component of every module that is decorated as one: what a template may use where no list says. */
  readonly everyComponent: () => readonly Component[];
}

/** The programs of a module, those that run for the module first. */
export const programsOf = (content: ModuleContent): readonly Ast.Program[] =>
  content.kind === "script"
    ? [content.program]
    : content.kind === "template"
      ? [content.parts.moduleScript, content.parts.script].filter((one) => one !== null)
      : [];

const nothing: ReadonlySet<string> = new Set();

/** A scope in which every name of a module's top level is worked out when it is first asked for. */
export function makeScope(
  making: ScopeMaking,
  module: SourceModule,
  programs = programsOf(module.content),
): Scope {
  const reassigned = /\blet\b|\bvar\b/.test(module.text)
    ? new Set([...programs.flatMap((program) => [...reassignedIn(program)]), ...reassignedInTemplate(module)])
    : nothing;
  const scope = moduleScope({ file: module.file, text: module.text, reassigned });
  for (const program of programs) bindProgram(making, module, program, scope);
  return scope;
}

/** Variables that a template gives another value: in its handlers, and where it binds them both ways. */
export const reassignedInTemplate = ({ content }: SourceModule): readonly string[] =>
  namesReassigned(content);

const namesReassigned = onceFor((content: ModuleContent): readonly string[] => {
  if (content.kind !== "template") return [];
  const names: string[] = [];
  const visit = (part: unknown): void => {
    if (typeof part !== "object" || part === null) return;
    if (isScript(part)) names.push(...reassignedIn(part));
    else if (Array.isArray(part)) part.forEach(visit);
    else {
      const { kind, expression } = part as Partial<Extract<TemplateAttribute, { kind: "model" }>>;
      if (kind === "model" && expression?.type === "Identifier") names.push(expression.name);
      Object.values(part).forEach(visit);
    }
  };
  visit(content.parts.template);
  return names;
});

/** Parts of a template have a kind, and what is script in them has a type. */
const isScript = (part: object): part is Ast.Node => "type" in part && typeof part.type === "string";

/** Binds what a program declares and imports. */
export function bindProgram(
  making: ScopeMaking,
  module: SourceModule,
  program: Ast.Program,
  scope: Scope,
): void {
  const { machine } = making;
  hoist(machine, program.body, scope);
  for (const statement of program.body) {
    if (statement.type === "ImportDeclaration") bindImports(making, module, statement, scope);
    const declaration =
      statement.type === "ExportNamedDeclaration"
        ? statement.declaration
        : statement.type === "VariableDeclaration"
          ? statement
          : null;
    if (declaration?.type === "VariableDeclaration") bindVariables(making, declaration, scope);
  }
  for (const statement of program.body)
    if (statement.type === "ExpressionStatement") writeStatic(making, statement.expression, scope);
}

/** What a script gives to all that its component renders: `provide("words", …)`, `setContext("words", …)`. */
export function providedBy(
  { machine }: ScopeMaking,
  program: Ast.Program | null,
  scope: Scope,
): readonly (readonly [of: unknown, value: Value])[] {
  return (program?.body ?? []).flatMap((statement) => {
    const call = statement.type === "ExpressionStatement" ? statement.expression : null;
    if (call?.type !== "CallExpression" || call.callee.type !== "Identifier") return [];
    if (call.callee.name !== "provide" && call.callee.name !== "setContext") return [];
    const [key, value] = call.arguments;
    const of = key === undefined ? null : machine.evaluate(key, scope);
    return of?.kind === "known" && value !== undefined
      ? [[of.value, machine.evaluate(value, scope)] as const]
      : [];
  });
}

/** Renders with values that all inside may ask for. */
export function withProvided<T>(
  { machine }: ScopeMaking,
  provided: ReturnType<typeof providedBy>,
  render: () => T,
): T {
  const { state } = machine;
  const before = state.contexts;
  state.contexts = [...before, ...provided];
  try {
    return render();
  } finally {
    state.contexts = before;
  }
}

function bindVariables({ machine }: ScopeMaking, declaration: Ast.VariableDeclaration, scope: Scope): void {
  for (const { id, init } of declaration.declarations) {
    // A variable that is given another value somewhere changes while the interface lives.
    const changing = (name: string, first: Value): Value =>
      declaration.kind !== "const" && scope.module.reassigned.has(name)
        ? stateValue(machine, first, { source: spanOf(id, scope), text: name, self: null })
        : first;
    if (id.type === "Identifier") {
      bindLater(scope, id.name, () => {
        const first = initialOf(machine, id, init, scope);
        return isRune(init) ? first : changing(id.name, first);
      });
      continue;
    }
    // Each name of a pattern is worked out when asked for, from the value that they share.
    const shared: { names: Scope | null; rendering: Rendering | null } = { names: null, rendering: null };
    const make = (name: string) => () => {
      if (shared.names === null || shared.rendering !== machine.state.rendering) {
        shared.rendering = machine.state.rendering;
        shared.names = innerScope(scope);
        bindPattern(machine, id, initialOf(machine, id, init, scope), shared.names);
      }
      return changing(name, shared.names.bindings.get(name)?.value ?? absent);
    };
    for (const name of namesIn(id)) bindLater(scope, name, make(name));
  }
}

/** `$state(…)`, `$derived(…)`: calls that say themselves how a variable changes. */
const isRune = (init: Ast.Node | null | undefined): boolean => {
  const callee = init?.type === "CallExpression" ? init.callee : null;
  const name = callee?.type === "MemberExpression" ? callee.object : callee;
  return name?.type === "Identifier" && name.name.startsWith("$");
};

/** The names that a pattern binds. */
function namesIn(pattern: Ast.Node): readonly string[] {
  const names: string[] = [];
  everyNode(pattern, (node) => {
    if (node.type === "ObjectProperty") {
      names.push(...namesIn(node.value));
      return false;
    }
    if (node.type === "AssignmentPattern") {
      names.push(...namesIn(node.left));
      return false;
    }
    if (node.type === "Identifier") names.push(node.name);
    return node.type !== "Identifier";
  });
  return names;
}

/** `Button.displayName = "Button"`. */
function writeStatic({ machine }: ScopeMaking, node: Ast.Expression, scope: Scope): void {
  if (
    node.type !== "AssignmentExpression" ||
    node.left.type !== "MemberExpression" ||
    node.left.object.type !== "Identifier" ||
    node.left.property.type !== "Identifier"
  )
    return;
  const target = machine.evaluate(node.left.object, scope);
  const statics =
    target.kind === "function" || target.kind === "class"
      ? target.statics
      : target.kind === "component"
        ? target.component.statics
        : null;
  statics?.set(node.left.property.name, machine.evaluate(node.right, scope));
}

function bindImports(
  making: ScopeMaking,
  module: SourceModule,
  node: Ast.ImportDeclaration,
  scope: Scope,
): void {
  const specifier = node.source.value;
  for (const one of node.specifiers) {
    const name =
      one.type === "ImportDefaultSpecifier"
        ? "default"
        : one.type === "ImportNamespaceSpecifier"
          ? "*"
          : one.imported.type === "Identifier"
            ? one.imported.name
            : one.imported.value;
    bindLater(scope, one.local.name, () => imported(making, module, specifier, name, spanOf(one, scope)));
  }
}

function imported(
  making: ScopeMaking,
  module: SourceModule,
  specifier: string,
  name: string,
  source: ReturnType<typeof spanOf>,
): Value {
  const path = module.imports.get(specifier) ?? null;
  const from = path === null ? null : making.moduleAt(path);
  if (from === null) {
    if (name === "*") {
      const all: ObjectValue = {
        ...objectOf([], importedUnknown(source, specifier, specifier)),
        lazy: (member) => making.packageExport(specifier, member),
      };
      return all;
    }
    return (
      making.packageExport(specifier, name) ??
      installedExport(making, module, specifier, name, importedUnknown(source, name, `${specifier}#${name}`))
    );
  }
  if (name === "*") return namespaceOf(making, from);
  return exportOf(making, from, name) ?? importedUnknown(source, name, `${specifier}#${name}`);
}

/** The module that a specifier names in the file of a scope, with all that it exports; null where it is not in source. */
export function importedModule(
  making: ScopeMaking & Pick<Composition, "moduleOf">,
  scope: Scope,
  specifier: string,
): Value | null {
  const path = making.moduleOf(scope)?.imports.get(specifier) ?? null;
  const module = path === null ? null : making.moduleAt(path);
  return module === null ? null : namespaceOf(making, module);
}

const namespaceOf = (making: ScopeMaking, module: SourceModule): ObjectValue => ({
  kind: "object",
  properties: new Map(),
  rest: null,
  lazy: (name) => exportOf(making, module, name),
});

/** What a module exports under a name; null where it exports no such thing. ECMAScript §16.2.1.7.2, "ResolveExport". */
export function exportOf(
  making: ScopeMaking,
  module: SourceModule,
  name: string,
  tried: ReadonlySet<string> = new Set(),
): Value | null {
  if (tried.has(`${module.path} ${name}`)) return null;
  const trail = new Set(tried).add(`${module.path} ${name}`);
  const { content } = module;
  if (content.kind === "data") return name === "default" ? plainValue(content.value) : null;
  if (content.kind === "style")
    return name === "default" ? classNamesOf(module) : known(`${name}${classSuffix(module)}`);
  if (content.kind === "asset") return name === "default" ? known(module.file) : null;
  if (name === "default") {
    const component = making.fileComponent(module);
    if (component !== null) return component;
  }
  const scope = making.scopeOf(module);
  const { machine } = making;
  for (const statement of programsOf(content).flatMap((program) => program.body)) {
    if (statement.type === "ExportDefaultDeclaration" && name === "default") {
      const { declaration } = statement;
      if (
        (declaration.type === "FunctionDeclaration" || declaration.type === "ClassDeclaration") &&
        declaration.id != null
      )
        return machine.evaluate({ ...declaration.id } as Ast.Identifier, scope);
      if (declaration.type === "FunctionDeclaration") return functionValue(declaration, scope);
      if (declaration.type === "ClassDeclaration") return classValue(declaration, scope);
      return machine.evaluate(declaration, scope);
    }
    if (statement.type === "ExportNamedDeclaration") {
      for (const one of statement.specifiers) {
        const exported = one.exported.type === "Identifier" ? one.exported.name : one.exported.value;
        if (exported !== name) continue;
        if (one.type === "ExportNamespaceSpecifier")
          return imported(making, module, statement.source?.value ?? "", "*", spanOf(one, scope));
        if (one.type === "ExportSpecifier" && statement.source != null)
          return reExported(
            making,
            module,
            statement.source.value,
            one.local.name,
            trail,
            spanOf(one, scope),
          );
        if (one.type === "ExportSpecifier") return machine.evaluate(one.local, scope);
      }
      const { declaration } = statement;
      if (declaration != null && scope.bindings.has(name) && declares(declaration, name))
        return machine.evaluate(
          { type: "Identifier", name, start: declaration.start, end: declaration.end } as Ast.Identifier,
          scope,
        );
    }
  }
  for (const statement of programsOf(content).flatMap((program) => program.body)) {
    if (statement.type !== "ExportAllDeclaration" || name === "default") continue;
    const path = module.imports.get(statement.source.value) ?? null;
    const from = path === null ? null : making.moduleAt(path);
    const found =
      from === null
        ? making.packageExport(statement.source.value, name)
        : exportOf(making, from, name, trail);
    if (found !== null) return found;
  }
  return null;
}

function reExported(
  making: ScopeMaking,
  module: SourceModule,
  specifier: string,
  name: string,
  trail: ReadonlySet<string>,
  source: ReturnType<typeof spanOf>,
): Value {
  const path = module.imports.get(specifier) ?? null;
  const from = path === null ? null : making.moduleAt(path);
  const found = from === null ? making.packageExport(specifier, name) : exportOf(making, from, name, trail);
  const unknown = importedUnknown(source, name, `${specifier}#${name}`);
  return found ?? (from === null ? installedExport(making, module, specifier, name, unknown) : unknown);
}

/** What an installed package exports: known within the package; outside it is unknown, and holds the component that it is. */
function installedExport(
  making: ScopeMaking,
  module: SourceModule,
  specifier: string,
  name: string,
  unknown: Unknown,
): Value {
  const meant = module.installed?.get(`${specifier}#${name}`);
  const from = meant === undefined ? null : making.moduleAt(meant.path);
  const value = meant === undefined || from === null ? null : exportOf(making, from, meant.name);
  if (value === null) return unknown;
  if (module.isInstalled === true) return value;
  const installed = making.componentOf(value);
  return installed === null ? unknown : { ...unknown, installed };
}

const declares = (declaration: Ast.Declaration, name: string): boolean =>
  declaration.type === "VariableDeclaration"
    ? declaration.declarations.some(({ id }) => namesIn(id).includes(name))
    : "id" in declaration && declaration.id?.type === "Identifier" && declaration.id.name === name;

function plainValue(value: unknown): Value {
  if (Array.isArray(value)) return listOf(value.map(plainValue));
  if (typeof value === "object" && value !== null)
    return objectOf(Object.entries(value).map(([key, item]) => [key, plainValue(item)]));
  return known(value as string | number | boolean | null);
}

/** Class names of a stylesheet that is imported as a module: made different from those of all others. */
const classNamesOf = (module: SourceModule): ObjectValue => ({
  kind: "object",
  properties: new Map(),
  rest: null,
  lazy: (name) => known(`${name}${classSuffix(module)}`),
});

/** What the classes of a stylesheet that is a module end with. */
export const classSuffix = ({ file }: Pick<SourceModule, "file">): string =>
  /\.module\.[a-z]+$/.test(file) ? `@${file.replace(/\s/g, "_")}` : "";

/** The declaration of a type by its name, wherever it is imported from. */
export function typeNamesOf(making: ScopeMaking): TypeNames<SourceModule> {
  const named = (name: string, module: SourceModule, depth = 0): TypeIn<SourceModule> | null => {
    if (depth > 8) return null;
    for (const statement of programsOf(module.content).flatMap((program) => program.body)) {
      const declaration = statement.type === "ExportNamedDeclaration" ? statement.declaration : statement;
      if (
        (declaration?.type === "TSInterfaceDeclaration" || declaration?.type === "TSTypeAliasDeclaration") &&
        declaration.id.name === name
      )
        return { node: declaration, module };
      const specifiers =
        statement.type === "ImportDeclaration" ||
        (statement.type === "ExportNamedDeclaration" && statement.source != null)
          ? statement.specifiers
          : [];
      for (const one of specifiers) {
        const [outer, inner] =
          one.type === "ImportSpecifier"
            ? [one.local.name, one.imported.type === "Identifier" ? one.imported.name : one.imported.value]
            : one.type === "ExportSpecifier"
              ? [one.exported.type === "Identifier" ? one.exported.name : one.exported.value, one.local.name]
              : [null, ""];
        if (outer !== name) continue;
        const path = module.imports.get((statement as Ast.ImportDeclaration).source.value) ?? null;
        const from = path === null ? null : making.moduleAt(path);
        return from === null ? null : named(inner, from, depth + 1);
      }
    }
    for (const statement of programsOf(module.content).flatMap((program) => program.body)) {
      if (statement.type !== "ExportAllDeclaration") continue;
      const path = module.imports.get(statement.source.value) ?? null;
      const from = path === null ? null : making.moduleAt(path);
      const found = from === null ? null : named(name, from, depth + 1);
      if (found !== null) return found;
    }
    return null;
  };
  return {
    named,
    valueOf: (name, module) => {
      const scope = making.scopeOf(module);
      return scope.bindings.has(name) ? making.machine.evaluate(nameNode(name), scope) : null;
    },
  };
}
