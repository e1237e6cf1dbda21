import type * as Ast from "@babel/types";
import type { Span } from "../../core/document/node.ts";
import type { TreeNode } from "../../core/worlds/tree.ts";
import type { Composition } from "../composition/composition.ts";
import type { SourceModule } from "../composition/source-module.ts";
import { evaluate, functionValue, propertyName } from "../script/evaluate.ts";
import { unknownAt } from "../script/machine.ts";
import { placeOf, spanOf } from "../script/places.ts";
import { innerScope } from "../script/scope.ts";
import { typeArguments } from "../script/type-arguments.ts";
import { openValue, type Shape, shapeOf, type TypeIn, type TypeNames } from "../script/type-shape.ts";
import type { Scope } from "../script/value.ts";
import {
  absent,
  type ClassValue,
  type Component,
  type FunctionValue,
  type ObjectValue,
  objectOf,
  orElse,
  type Value,
} from "../script/value.ts";

/** Props of which nothing is known: any may be given. */
export const anyProps = (source: Span): ObjectValue =>
  objectOf([], unknownAt(source, "props", `props ${source.file}:${source.start}`));

/** Props as a type leaves them open; any where there is no type. */
export function propsOfShape(shape: Shape | null, source: Span): ObjectValue {
  if (shape?.kind !== "object") return anyProps(source);
  const value = openValue(shape, {
    name: "props",
    id: `props ${source.file}:${source.start}`,
    source,
    isProps: true,
  });
  return value.kind === "object" ? value : anyProps(source);
}

/** A function that renders: its first parameter is given the props. */
export function functionComponent(
  composition: Composition,
  fn: FunctionValue,
  name: string,
  types: TypeNames<SourceModule>,
  /** The type of the props where it is not written on the parameter. */
  propsType: Ast.Node | null = null,
): Component {
  const { machine } = composition;
  const [first] = fn.node.params;
  const source = spanOf(fn.node, fn.scope);
  return {
    name,
    source,
    statics: fn.statics,
    takesProps: first !== undefined,
    render: (call) => {
      const props = withDefaults(call.props, fn.statics.get("defaultProps"));
      // What a component on a server waits for is not known; what it shows is.
      const shows: FunctionValue =
        fn.node.async === true ? { ...fn, node: { ...fn.node, async: false } } : fn;
      const value = machine.call(shows, [props, unknownAt(source, "ref", `ref ${call.instance}`)], {
        source: call.source,
        text: name,
        self: null,
      });
      return composition.toNodes(value, call.namespace);
    },
    openProps: () => {
      const module = composition.moduleOf(fn.scope);
      const written = annotationOf(first) ?? propsType;
      if (module === null || written === null) return anyProps(source);
      return propsOfShape(shapeOf({ node: written, module }, types), source);
    },
  };
}

function annotationOf(parameter: Ast.Node | undefined): Ast.Node | null {
  const bare = parameter?.type === "AssignmentPattern" ? parameter.left : parameter;
  return bare !== undefined && "typeAnnotation" in bare
    ? ((bare.typeAnnotation as Ast.Node | null | undefined) ?? null)
    : null;
}

/** `Button.defaultProps`: what counts where a prop is not given. */
function withDefaults(props: ObjectValue, defaults: Value | undefined): ObjectValue {
  if (defaults?.kind !== "object") return props;
  const all = new Map(props.properties);
  for (const [name, value] of defaults.properties) all.set(name, orElse(all.get(name), value));
  return { ...props, properties: all };
}

/** Classes that render: those that extend something called a component. */
export const isClassComponent = ({ node }: ClassValue): boolean => {
  const { superClass } = node;
  const name =
    superClass?.type === "Identifier"
      ? superClass.name
      : superClass?.type === "MemberExpression" && superClass.property.type === "Identifier"
        ? superClass.property.name
        : "";
  return /Component$/.test(name) && methodOf(node, "render") !== null;
};

const methodOf = (node: Ast.Class, name: string): Ast.ClassMethod | null => {
  for (const member of node.body.body)
    if (
      member.type === "ClassMethod" &&
      member.key.type === "Identifier" &&
      member.key.name === name &&
      !member.static
    )
      return member;
  return null;
};

/** A class with a `render` method. */
export function classComponent(
  composition: Composition,
  type: ClassValue,
  name: string,
  types: TypeNames<SourceModule>,
): Component {
  const { machine } = composition;
  const source = spanOf(type.node, type.scope);
  const render = methodOf(type.node, "render");
  return {
    name,
    source,
    statics: type.statics,
    takesProps: true,
    render: (call): readonly TreeNode[] => {
      if (render === null) return [];
      const props = withDefaults(call.props, type.statics.get("defaultProps"));
      const self = instanceOf(composition, type, [["props", props]]);
      return composition.toNodes(
        machine.call(functionValue(render, type.scope, self), [], { source: call.source, text: name, self }),
        call.namespace,
      );
    },
    openProps: () => {
      const module = composition.moduleOf(type.scope);
      const holder = (type.node as { superTypeParameters?: { params: Ast.Node[] } | null })
        .superTypeParameters;
      const written = holder?.params[0] ?? typeArguments({ typeParameters: holder })[0];
      return module === null || written === undefined
        ? anyProps(source)
        : propsOfShape(shapeOf({ node: written, module } satisfies TypeIn<SourceModule>, types), source);
    },
  };
}

/** An object of a class: its fields are worked out when asked for, its methods know it as `this`. */
export function instanceOf(
  composition: Composition,
  type: ClassValue,
  given: readonly (readonly [string, Value])[],
): ObjectValue {
  const { machine } = composition;
  const props = new Map<string, Value>(given);
  const members = new Map<string, Ast.ClassBody["body"][number]>();
  for (const member of type.node.body.body) {
    if (!("key" in member) || ("static" in member && member.static)) continue;
    const memberName =
      member.type === "ClassPrivateProperty" || member.type === "ClassPrivateMethod"
        ? `#${member.key.id.name}`
        : propertyName(machine, member as never, type.scope);
    if (memberName !== null && !members.has(memberName)) members.set(memberName, member);
  }
  const self: ObjectValue = {
    kind: "object",
    properties: props,
    rest: unknownAt(spanOf(type.node, type.scope), "this", `this ${machine.state.instance}`),
    lazy: (name) => {
      const known = props.get(name);
      if (known !== undefined) return known;
      const member = members.get(name);
      if (member === undefined) return null;
      const scope = innerScope(type.scope, self);
      const value = fieldOf(composition, member, scope, self);
      if (value !== null) props.set(name, value);
      return value;
    },
  };
  return self;
}

function fieldOf(
  { machine }: Composition,
  member: Ast.ClassBody["body"][number],
  scope: Scope,
  self: ObjectValue,
): Value | null {
  switch (member.type) {
    case "ClassMethod":
    case "ClassPrivateMethod":
      if (member.kind === "get")
        return machine.call(functionValue(member, scope, self), [], placeOf(member, scope, self));
      return functionValue(member, scope, self);
    case "ClassProperty":
    case "ClassPrivateProperty": {
      if (member.value == null) return null;
      const value = evaluate(machine, member.value, scope);
      return value.kind === "function" ? { ...value, self } : value;
    }
    default:
      return null;
  }
}

/** What stands on the class itself. */
export function staticsOf(
  { machine }: Composition,
  node: Ast.Class,
  scope: Scope,
  into: Map<string, Value>,
): void {
  for (const member of node.body.body) {
    if (member.type === "ClassProperty" && member.static === true && member.key.type === "Identifier")
      into.set(member.key.name, member.value == null ? absent : machine.evaluate(member.value, scope));
  }
}
