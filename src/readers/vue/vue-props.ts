import type * as Ast from "@babel/types";
import type { Span } from "../../core/document/node.ts";
import type { Composition } from "../composition/composition.ts";
import type { ScopeMaking } from "../composition/module-scopes.ts";
import type { SourceModule } from "../composition/source-module.ts";
import { anyProps } from "../react/react-component.ts";
import { propertyName } from "../script/evaluate.ts";
import { unknownAt } from "../script/machine.ts";
import { everyNode } from "../script/parse-script.ts";
import { placeOf } from "../script/places.ts";
import { typeArguments } from "../script/type-arguments.ts";
import {
  anything,
  type Member,
  openMember,
  type Shape,
  shapeOf,
  type TypeNames,
} from "../script/type-shape.ts";
import type { Scope } from "../script/value.ts";
import {
  type ComponentCall,
  no,
  type ObjectValue,
  objectOf,
  orElse,
  type Value,
  yes,
} from "../script/value.ts";
import { camelCase } from "./vue-names.ts";

/** The props that a component declares, with what each may be. */
export interface DeclaredProps {
  readonly members: ReadonlyMap<string, Member>;
  /** Whether others may be declared that source does not tell. */
  readonly open: boolean;
  readonly defaults: Ast.Node | null;
  /** Default values that are written with the props themselves. */
  readonly inline: ReadonlyMap<string, Ast.Node>;
  readonly booleans: ReadonlySet<string>;
}

/** Whether a component declares that it emits an event: then a listener for it is no attribute. Vue, "fallthrough attributes". */
export type Emits = (event: string) => boolean;

/** What a caller gives, parted into declared props and the rest. */
export function divided(
  { members, booleans }: DeclaredProps,
  { props, isAlone, source }: ComponentCall,
  emits: Emits,
): { readonly props: ObjectValue; readonly attrs: ObjectValue } {
  const declaredOf = new Map<string, Value>();
  const attrs = new Map<string, Value>();
  for (const [name, value] of props.properties) {
    const declared = camelCase(name);
    if (members.has(declared))
      declaredOf.set(
        declared,
        booleans.has(declared) && value.kind === "known" && value.value === "" ? yes : value,
      );
    else {
      const event = /^on([A-Z].*)$/.exec(name)?.[1];
      if (event === undefined || !emits(event)) attrs.set(name, value);
    }
  }
  if (!isAlone) for (const name of booleans) if (!declaredOf.has(name)) declaredOf.set(name, no);
  const rest = isAlone ? unknownAt(source, "$attrs", `attrs ${source.file}:${source.start}`) : props.rest;
  return { props: objectOf(declaredOf, isAlone ? null : props.rest), attrs: objectOf(attrs, rest) };
}

/** Props with the defaults that the component gives them. */
export function defaulted(
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
    all.set(name, orElse(all.get(name), given));
  }
  return { ...props, properties: all };
}

export const openProps = (declared: DeclaredProps, source: Span): ObjectValue => {
  if (declared.open && declared.members.size === 0) return anyProps(source);
  const place = { name: "props", id: `props ${source.file}:${source.start}`, source };
  return objectOf(
    [...declared.members].map(([name, member]) => [name, openMember(member, name, place, true)] as const),
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
export function declaredProps(
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

export const isCallOf = (node: Ast.Node | null | undefined, name: string): node is Ast.CallExpression =>
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
