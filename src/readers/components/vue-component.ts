import type * as Ast from "@babel/types";
import type { Span } from "../../core/document/node.ts";
import type { TreeElement, TreeNode } from "../../core/worlds/tree.ts";
import { functionValue, placeOf, propertyName } from "../script/evaluate.ts";
import { unknownAt } from "../script/machine.ts";
import { everyNode } from "../script/parse-script.ts";
import { bind, bindLater, innerScope, type Scope } from "../script/scope.ts";
import { typeArguments } from "../script/type-arguments.ts";
import {
  anything,
  type Member,
  openMember,
  type Shape,
  shapeOf,
  type TypeNames,
} from "../script/type-shape.ts";
import {
  absent,
  type Component,
  type ComponentCall,
  native,
  no,
  type ObjectValue,
  objectOf,
  type Value,
  yes,
} from "../script/value.ts";
import { baseName } from "./component-name.ts";
import { scopeAttribute, stylesOf } from "./component-styles.ts";
import type { Composition } from "./composition.ts";
import { attributeValue, holeOf } from "./host-element.ts";
import { htmlTags } from "./html-tags.ts";
import { bindProgram, providedBy, type ScopeMaking, withProvided } from "./module-scopes.ts";
import { anyProps } from "./react-component.ts";
import type { SourceModule, TemplateElement, TemplateParts } from "./source-module.ts";
import { stateValue } from "./state-value.ts";
import { type TagMeaning, TemplateRenderer } from "./template-render.ts";
import { boxed, unboxed } from "./vue-package.ts";

/** The props that a component declares, with what each may be. */
interface DeclaredProps {
  readonly members: ReadonlyMap<string, Member>;
  /** Whether others may be declared that source does not tell. */
  readonly open: boolean;
  readonly defaults: Ast.Node | null;
  /** Default values that are written with the props themselves. */
  readonly inline: ReadonlyMap<string, Ast.Node>;
  readonly booleans: ReadonlySet<string>;
}

/** Components of Vue that show what they are given. */
const passes = new Set(["Transition", "KeepAlive", "Teleport", "Suspense", "ClientOnly"]);

export const camelCase = (name: string): string => name.replace(/-(\w)/g, (_, c: string) => c.toUpperCase());
const pascalCase = (name: string): string => camelCase(`-${name}`);

/** A component with `<script setup>`, or with no script at all. */
export function vueComponent(
  composition: Composition,
  making: ScopeMaking,
  module: SourceModule,
  parts: TemplateParts,
  types: TypeNames<SourceModule>,
): Component {
  const source = wholeOf(module);
  const { script } = parts;
  const declared = once(() => declaredProps(composition, making, module, script, types));
  const inherits = !(script !== null && hasInheritOff(script));
  return {
    name: baseName(module.file),
    source,
    statics: new Map(),
    takesProps:
      script === null
        ? hasOutlet(parts)
        : declared().members.size > 0 || declared().open || hasOutlet(parts) || usesModel(script),
    openProps: () => openProps(declared(), source),
    render: (call) => {
      const { props, attrs } = divided(declared(), call);
      const scope = innerScope(making.scopeOf({ ...module }));
      const instance = instanceScope(
        composition,
        making,
        module,
        script,
        scope,
        call,
        props,
        attrs,
        declared(),
      );
      return withProvided(making, providedBy(making, script, scope), () =>
        rendered(composition, module, parts, instance, call, attrs, inherits, () => null),
      );
    },
  };
}

/** The names of one use: what the script declares, and in the template without their boxes. */
function instanceScope(
  composition: Composition,
  making: ScopeMaking,
  module: SourceModule,
  script: Ast.Program | null,
  scope: Scope,
  call: ComponentCall,
  props: ObjectValue,
  attrs: ObjectValue,
  declared: DeclaredProps,
): Scope {
  const { machine } = composition;
  const withDefaults = once(() => defaulted(composition, props, declared, scope));
  const defines: readonly (readonly [string, Value])[] = [
    ["defineProps", native("defineProps", () => withDefaults())],
    ["withDefaults", native("withDefaults", () => withDefaults())],
    ["defineEmits", native("defineEmits", () => native("emit", () => absent))],
    ["defineExpose", native("defineExpose", () => absent)],
    ["defineOptions", native("defineOptions", () => absent)],
    ["defineSlots", native("defineSlots", () => slotsOf(call))],
    ["useSlots", native("useSlots", () => slotsOf(call))],
    ["useAttrs", native("useAttrs", () => attrs)],
    [
      "defineModel",
      native("defineModel", ([name], at) => {
        const key = name?.kind === "known" && typeof name.value === "string" ? name.value : "modelValue";
        return boxed(
          () =>
            call.props.properties.get(key) ?? unknownAt(at.source, at.text, `model ${key} ${call.instance}`),
        );
      }),
    ],
  ];
  for (const [name, value] of defines) bind(scope, name, value);
  if (script !== null) bindProgram(making, module, script, scope);
  const template = innerScope(scope);
  const names = new Set(scope.bindings.keys());
  for (const name of names)
    bindLater(template, name, () =>
      unboxed(machine.evaluate({ type: "Identifier", name, start: 0, end: 0 } as Ast.Identifier, scope)),
    );
  for (const name of declared.members.keys())
    if (!names.has(name))
      bindLater(template, name, () =>
        machine.member(withDefaults(), name, { source: call.source, text: name, self: null }),
      );
  bindCommon(template, call, attrs, () => withDefaults());
  return template;
}

const slotsOf = (call: ComponentCall): Value =>
  call.isAlone
    ? objectOf([], unknownAt(call.source, "$slots", `slots ${call.instance}`))
    : objectOf([...call.slots.keys()].map((name) => [name, native(name, () => absent)] as const));

/** What every template knows. */
function bindCommon(
  template: Scope,
  call: ComponentCall,
  attrs: ObjectValue,
  props: () => ObjectValue,
): void {
  bind(template, "$attrs", attrs);
  bind(template, "$slots", slotsOf(call));
  bind(
    template,
    "$emit",
    native("$emit", () => absent),
  );
  bindLater(template, "$props", props);
}

/** Renders the template; what callers give beyond the props falls on the root. Vue, "fallthrough attributes". */
function rendered(
  composition: Composition,
  module: SourceModule,
  parts: TemplateParts,
  scope: Scope,
  call: ComponentCall,
  attrs: ObjectValue,
  inherits: boolean,
  registered: (name: string) => Component | null,
): readonly TreeNode[] {
  const { machine } = composition;
  const byName = (name: string): Value | null => {
    for (const candidate of [name, camelCase(name), pascalCase(name)])
      for (let at: Scope | null = scope; at !== null; at = at.parent)
        if (at.bindings.has(candidate))
          return machine.evaluate(
            { type: "Identifier", name: candidate, start: 0, end: 0 } as Ast.Identifier,
            scope,
          );
    return null;
  };
  const meaningOf = ({ tag }: TemplateElement): TagMeaning => {
    if (passes.has(pascalCase(tag))) return { kind: "pass" };
    const isNative = htmlTags.has(tag);
    if (isNative && !/[A-Z-]/.test(tag)) return { kind: "host" };
    const own =
      registered(tag) ?? (pascalCase(tag) === baseName(module.file) ? fileOf(composition, module) : null);
    if (own !== null) return { kind: "component", component: own };
    const value = tag.includes(".") ? null : byName(tag);
    const component = value === null ? null : composition.componentOf(value);
    if (component !== null) return { kind: "component", component };
    return isNative ? { kind: "host" } : { kind: "unknown" };
  };
  const hasScoped = stylesOf(module).some(({ scoped }) => scoped);
  const renderer = new TemplateRenderer(composition, {
    meaningOf,
    propName: camelOrAria,
    contentIsProp: false,
    scopeAttribute: hasScoped ? scopeAttribute(module) : null,
    call,
  });
  const nodes = renderer.render(parts.template, scope);
  return inherits ? fallThrough(nodes, attrs, call) : nodes;
}

/** Props are declared in camel case; attributes of ARIA and data keep their names. */
const camelOrAria = (name: string): string => (/^(?:aria|data)-/.test(name) ? name : camelCase(name));

const fileOf = (composition: Composition, module: SourceModule): Component | null => {
  const value = composition.exported(module.path, "default");
  return value === null ? null : composition.componentOf(value);
};

/** Puts what is left of the attributes on the only root element. */
function fallThrough(
  nodes: readonly TreeNode[],
  attrs: ObjectValue,
  call: ComponentCall,
): readonly TreeNode[] {
  const roots = nodes.filter(
    (node) => node.kind === "element" || node.kind === "either" || node.kind === "hole",
  );
  if (roots.length !== 1 || (attrs.properties.size === 0 && attrs.rest === null)) return nodes;
  const put = (node: TreeNode): TreeNode => {
    if (node.kind === "either")
      return { ...node, arms: node.arms.map((arm) => fallThrough(arm, attrs, call)) };
    if (node.kind !== "element") return node;
    const attributes = new Map(node.attributes.map((attribute) => [attribute.name, attribute]));
    const listeners = new Map(node.listeners === "unknown" ? [] : node.listeners);
    for (const [prop, value] of attrs.properties) {
      const source = call.places.get(prop) ?? null;
      const event = /^on([A-Z].*)$/.exec(prop)?.[1];
      if (event !== undefined) {
        if (value.kind !== "known")
          listeners.set(event.toLowerCase(), {
            code: "text" in value ? String(value.text) : event,
            source,
            present: true,
          });
        continue;
      }
      const name = hyphenated(prop);
      const written = attributeValue(name, value);
      if (written === null) continue;
      const before = attributes.get(name);
      // Classes add up.
      const joined =
        name === "class" && typeof before?.value === "string" && typeof written === "string"
          ? `${before.value} ${written}`
          : written;
      attributes.set(name, { name, value: joined, source });
    }
    return {
      ...node,
      attributes: [...attributes.values()],
      listeners:
        node.listeners === "unknown" || (attrs.rest !== null && !(call.isAlone && isComplete(node)))
          ? "unknown"
          : listeners,
      // A box gets classes and no more, and what names itself is not named by its callers: nothing hangs on those.
      spread: attrs.rest === null || (call.isAlone && isComplete(node)) ? node.spread : holeOf(attrs.rest),
    };
  };
  return nodes.map((node) => (node === roots[0] ? put(node) : node));
}

/** Elements that hold others and mean little by themselves. */
const boxes = new Set(
  "div section main form header footer nav article aside ul ol dl fieldset table figure".split(" "),
);

const naming = new Set(["aria-label", "aria-labelledby", "alt", "title"]);

const isComplete = ({ tag, attributes }: TreeElement): boolean =>
  attributes.some(({ name }) => naming.has(name)) ||
  (boxes.has(tag) && !attributes.some(({ name }) => name === "role"));

const hyphenated = (name: string): string => name.replace(/[A-Z]/g, (c) => `-${c.toLowerCase()}`);

/** What a caller gives, parted into declared props and the rest. */
function divided(
  { members, booleans }: DeclaredProps,
  { props, isAlone, source }: ComponentCall,
): { readonly props: ObjectValue; readonly attrs: ObjectValue } {
  const own = new Map<string, Value>();
  const attrs = new Map<string, Value>();
  for (const [name, value] of props.properties) {
    const declared = camelCase(name);
    if (members.has(declared))
      own.set(declared, booleans.has(declared) && value.kind === "known" && value.value === "" ? yes : value);
    else attrs.set(name, value);
  }
  if (!isAlone) for (const name of booleans) if (!own.has(name)) own.set(name, no);
  const rest = isAlone ? unknownAt(source, "$attrs", `attrs ${source.file}:${source.start}`) : props.rest;
  return { props: objectOf(own, isAlone ? null : props.rest), attrs: objectOf(attrs, rest) };
}

/** Props with the defaults that the component gives them. */
function defaulted(
  composition: Composition,
  props: ObjectValue,
  declared: DeclaredProps,
  scope: Scope,
): ObjectValue {
  const { machine } = composition;
  const written = declared.defaults === null ? null : machine.evaluate(declared.defaults, scope);
  const all = new Map(props.properties);
  const names = new Set([
    ...declared.inline.keys(),
    ...(written?.kind === "object" ? written.properties.keys() : []),
  ]);
  for (const name of names) {
    const node = declared.inline.get(name);
    const value =
      node !== undefined
        ? machine.evaluate(node, scope)
        : written?.kind === "object"
          ? written.properties.get(name)
          : undefined;
    if (value === undefined) continue;
    // Objects and lists come from functions.
    const given = value.kind === "function" ? machine.call(value, [], placeOf(value.node, scope)) : value;
    const before = all.get(name);
    if (before === undefined || (before.kind === "known" && before.value === undefined)) all.set(name, given);
    else if (before.kind === "either")
      all.set(name, {
        ...before,
        arms: before.arms.map((arm) => (arm.kind === "known" && arm.value === undefined ? given : arm)),
      });
  }
  return { ...props, properties: all };
}

const openProps = (declared: DeclaredProps, source: Span): ObjectValue => {
  if (declared.open && declared.members.size === 0) return anyProps(source);
  const at = { name: "props", id: `props ${source.file}:${source.start}`, source };
  return objectOf(
    [...declared.members].map(([name, member]) => [name, openMember(member, name, at)] as const),
  );
};

const nothingDeclared: DeclaredProps = {
  members: new Map(),
  open: false,
  defaults: null,
  inline: new Map(),
  booleans: new Set(),
};

/** `defineProps<{ … }>()`, `defineProps({ … })`, with `withDefaults` or defaults in the pattern. */
function declaredProps(
  composition: Composition,
  making: ScopeMaking,
  module: SourceModule,
  script: Ast.Program | null,
  types: TypeNames<SourceModule>,
): DeclaredProps {
  if (script === null) return nothingDeclared;
  let found: DeclaredProps = nothingDeclared;
  everyNode(script, (node) => {
    if (
      node.type === "VariableDeclarator" &&
      isCallOf(node.init, "defineProps") &&
      node.id.type === "ObjectPattern"
    ) {
      const inline = new Map<string, Ast.Node>();
      for (const property of node.id.properties)
        if (
          property.type === "ObjectProperty" &&
          property.key.type === "Identifier" &&
          property.value.type === "AssignmentPattern"
        )
          inline.set(property.key.name, property.value.right);
      found = { ...found, inline };
    }
    if (isCallOf(node, "withDefaults")) found = { ...found, defaults: node.arguments[1] ?? null };
    if (isCallOf(node, "defineProps")) {
      const [type] = typeArguments(node);
      const props =
        type !== undefined
          ? fromType(shapeOf({ node: type, module }, types))
          : fromOptions(composition, node.arguments[0] ?? null, making.scopeOf(module));
      found = { ...props, inline: new Map([...props.inline, ...found.inline]), defaults: found.defaults };
    }
    return !/Function/.test(node.type);
  });
  return found;
}

const isCallOf = (node: Ast.Node | null | undefined, name: string): node is Ast.CallExpression =>
  node?.type === "CallExpression" && node.callee.type === "Identifier" && node.callee.name === name;

function fromType(shape: Shape): DeclaredProps {
  if (shape.kind !== "object") return { ...nothingDeclared, open: true };
  const booleans = new Set(
    [...shape.members].filter(([, member]) => isBoolean(member.shape)).map(([name]) => name),
  );
  return { ...nothingDeclared, members: shape.members, open: shape.open, booleans };
}

const isBoolean = (shape: Shape): boolean =>
  shape.kind === "literals" && shape.values.includes(true) && shape.values.includes(false);

/** Props declared as values: a list of names, or a table of types. */
export function fromOptions({ machine }: Composition, written: Ast.Node | null, scope: Scope): DeclaredProps {
  if (written === null) return nothingDeclared;
  const members = new Map<string, Member>();
  const inline = new Map<string, Ast.Node>();
  const booleans = new Set<string>();
  if (written.type === "ArrayExpression") {
    for (const one of written.elements)
      if (one?.type === "StringLiteral") members.set(one.value, { shape: anything, optional: false });
    return { ...nothingDeclared, members };
  }
  if (written.type !== "ObjectExpression") return { ...nothingDeclared, open: true };
  for (const property of written.properties) {
    if (property.type !== "ObjectProperty") continue;
    const name = propertyName(machine, property, scope);
    if (name === null) continue;
    const options = property.value.type === "ObjectExpression" ? property.value.properties : [];
    const option = (key: string) =>
      options.find(
        (one): one is Ast.ObjectProperty =>
          one.type === "ObjectProperty" && one.key.type === "Identifier" && one.key.name === key,
      )?.value ?? null;
    const type = property.value.type === "ObjectExpression" ? option("type") : property.value;
    const shape = shapeOfRuntimeType(type);
    if (isBoolean(shape)) booleans.add(name);
    const required = option("required");
    const fallback = option("default");
    if (fallback !== null) inline.set(name, fallback);
    const isRequired = required?.type === "BooleanLiteral" && required.value;
    members.set(name, { shape, optional: !isRequired && !isBoolean(shape) });
  }
  return { ...nothingDeclared, members, inline, booleans };
}

/** `String`, `Number`, `Boolean` as types. Vue, "prop validation". */
function shapeOfRuntimeType(type: Ast.Node | null): Shape {
  if (type?.type === "TSAsExpression") return shapeOfRuntimeType(type.expression);
  const name = type?.type === "Identifier" ? type.name : "";
  if (name === "String") return { kind: "plain", type: "string" };
  if (name === "Number") return { kind: "plain", type: "number" };
  if (name === "Boolean") return { kind: "literals", values: [true, false], others: null };
  if (name === "Function") return { kind: "plain", type: "function" };
  return anything;
}

function hasInheritOff(script: Ast.Program): boolean {
  let off = false;
  everyNode(script, (node) => {
    if (
      node.type === "ObjectProperty" &&
      node.key.type === "Identifier" &&
      node.key.name === "inheritAttrs" &&
      node.value.type === "BooleanLiteral" &&
      !node.value.value
    )
      off = true;
    return !off;
  });
  return off;
}

function usesModel(script: Ast.Program): boolean {
  let found = false;
  everyNode(script, (node) => {
    found ||= isCallOf(node, "defineModel");
    return !found;
  });
  return found;
}

/** Whether callers may put something into the template. */
export const hasOutlet = ({ template }: TemplateParts): boolean =>
  JSON.stringify(template, (key, value) =>
    key === "expression" || key === "test" ? undefined : value,
  ).includes('"kind":"outlet"');

export const wholeOf = ({ file, text }: SourceModule): Span => ({
  file,
  start: 0,
  end: Math.min(text.length, 1),
});

/** A value that is worked out once. */
export function once<T>(make: () => T): () => T {
  const made: { value: T | null } = { value: null };
  return () => {
    made.value ??= make();
    return made.value;
  };
}

/** A component that is an object of options: `export default { props, data, computed … }`. */
export function vueOptionsComponent(
  composition: Composition,
  making: ScopeMaking,
  module: SourceModule,
  parts: TemplateParts,
): Component {
  const { machine } = composition;
  const source = wholeOf(module);
  const options = once(() => optionsOf(parts.script));
  const section = (name: string): Ast.Node | null => {
    for (const property of options()) {
      if (
        property.type === "SpreadElement" ||
        property.key.type !== "Identifier" ||
        property.key.name !== name
      )
        continue;
      return property.type === "ObjectMethod" ? property : property.value;
    }
    return null;
  };
  const declared = once(() => fromOptions(composition, section("props"), making.scopeOf(module)));
  return {
    name: baseName(module.file),
    source,
    statics: new Map(),
    get takesProps() {
      return declared().members.size > 0 || hasOutlet(parts);
    },
    openProps: () => openProps(declared(), source),
    render: (call) => {
      const scope = making.scopeOf(module);
      const { props, attrs } = divided(declared(), call);
      const given = defaulted(composition, props, declared(), scope);
      const template = innerScope(scope);
      const self: ObjectValue = {
        kind: "object",
        properties: new Map(),
        rest: unknownAt(source, "this", `this ${call.instance}`),
        lazy: (name) => {
          const binding = template.bindings.get(name);
          return binding === undefined
            ? null
            : machine.evaluate({ type: "Identifier", name, start: 0, end: 0 } as Ast.Identifier, template);
        },
      };
      const state = once(() => returned(section("data")));
      const setup = once(() => returned(section("setup")));
      const returned = (node: Ast.Node | null): Value =>
        node === null || !/Function|Method/.test(node.type)
          ? absent
          : machine.call(
              functionValue(node as Ast.Function, scope, self),
              [given],
              placeOf(node, scope, self),
            );
      for (const name of declared().members.keys())
        bindLater(template, name, () => machine.member(given, name, { source, text: name, self: null }));
      for (const [node, make, changes] of [
        [section("data"), state, true],
        [section("setup"), setup, false],
      ] as const)
        for (const name of returnedNames(node))
          bindLater(template, name, () => {
            const at = { source: { ...source, start: node?.start ?? 0 }, text: name, self: null };
            const value = unboxed(machine.member(make(), name, at));
            // What `data` returns is there to change.
            return changes
              ? stateValue(machine, value, {
                  ...at,
                  source: { ...at.source, end: at.source.start + name.length },
                })
              : value;
          });
      for (const kind of ["computed", "methods"]) {
        const table = section(kind);
        if (table?.type !== "ObjectExpression") continue;
        for (const property of table.properties) {
          if (property.type === "SpreadElement" || property.key.type !== "Identifier") continue;
          const fn = property.type === "ObjectMethod" ? property : property.value;
          const value = () => functionValue(fn as Ast.Function, scope, self);
          if (!/Function|Method/.test(fn.type)) continue;
          bindLater(template, property.key.name, () =>
            kind === "methods" ? value() : machine.call(value(), [], placeOf(fn, scope, self)),
          );
        }
      }
      bindCommon(template, call, attrs, () => given);
      const table = section("components");
      const registered = (name: string): Component | null => {
        if (table?.type !== "ObjectExpression") return null;
        for (const property of table.properties) {
          if (property.type !== "ObjectProperty") continue;
          const key = propertyName(machine, property, scope);
          if (key === null || pascalCase(key) !== pascalCase(name)) continue;
          return composition.componentOf(machine.evaluate(property.value, scope));
        }
        return null;
      };
      const inherits = parts.script === null || !hasInheritOff(parts.script);
      return rendered(composition, module, parts, template, call, attrs, inherits, registered);
    },
  };
}

/** The object that a script exports, bare or in `defineComponent`. */
function optionsOf(script: Ast.Program | null): Ast.ObjectExpression["properties"] {
  for (const statement of script?.body ?? []) {
    if (statement.type !== "ExportDefaultDeclaration") continue;
    const { declaration } = statement;
    const object = declaration.type === "CallExpression" ? declaration.arguments[0] : declaration;
    if (object?.type === "ObjectExpression") return object.properties;
  }
  return [];
}

/** The names that a function returns in an object. */
function returnedNames(node: Ast.Node | null): readonly string[] {
  if (node === null) return [];
  const names: string[] = [];
  everyNode(node, (at) => {
    const object =
      at.type === "ReturnStatement"
        ? at.argument
        : at.type === "ArrowFunctionExpression" && at.body.type === "ObjectExpression"
          ? at.body
          : null;
    if (object?.type === "ObjectExpression")
      for (const property of object.properties)
        if (property.type !== "SpreadElement" && property.key.type === "Identifier")
          names.push(property.key.name);
    return at === node || !/Function|Method/.test(at.type) || at.type === "ArrowFunctionExpression";
  });
  return names;
}
