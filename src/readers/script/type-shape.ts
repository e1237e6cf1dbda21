import type * as Ast from "@babel/types";
import type { Span } from "../../core/document/node.ts";
import { unknownAt } from "./machine.ts";
import { typeArguments } from "./type-arguments.ts";
import { absent, type Decision, joinedKnown, known, type UnknownType, type Value } from "./value.ts";

/** What a type says of the values it allows, as far as a tree may hang on it. */
export type Shape =
  | { readonly kind: "object"; readonly members: ReadonlyMap<string, Member>; readonly open: boolean }
  /** One of a few values; `others` where it may be something else as well. */
  | { readonly kind: "literals"; readonly values: readonly Literal[]; readonly others: Shape | null }
  | { readonly kind: "list"; readonly item: Shape }
  | { readonly kind: "record"; readonly item: Shape }
  | {
      readonly kind: "plain";
      readonly type: UnknownType;
      /** What a function promises to give. */
      readonly promises?: Shape;
    };

type Literal = string | number | boolean | null | undefined;

export interface Member {
  readonly shape: Shape;
  readonly optional: boolean;
}

/** A type with the file in which its names mean something. */
export interface TypeIn<M> {
  readonly node: Ast.Node;
  readonly module: M;
}

/** What is asked about types beyond the one at hand. */
export interface TypeNames<M> {
  /** The declaration a name stands for; null where it is not in source. */
  readonly named: (name: string, module: M) => TypeIn<M> | null;
  /** The value that `typeof` asks about. */
  readonly valueOf: (name: string, module: M) => Value | null;
}

export const anything: Shape = { kind: "plain", type: "any" };
const plain = (type: UnknownType): Shape => ({ kind: "plain", type });

const DEEPEST_TYPE = 12;

/** Types that give back what they are given, as far as this goes. */
const transparent = new Set([
  "Readonly",
  "PropsWithChildren",
  "NonNullable",
  "Required",
  "PropsWithRef",
  "Simplify",
]);

/** Types of what is rendered. */
const contentTypes = new Set([
  "ReactNode",
  "ReactElement",
  "Element",
  "ComponentChildren",
  "Snippet",
  "VNode",
  "VNodeChild",
  "TemplateRef",
]);

const keywords: Readonly<Record<string, Shape>> = {
  TSStringKeyword: plain("string"),
  TSNumberKeyword: plain("number"),
  TSBooleanKeyword: { kind: "literals", values: [true, false], others: null },
  TSNullKeyword: { kind: "literals", values: [null], others: null },
  TSUndefinedKeyword: { kind: "literals", values: [undefined], others: null },
  TSVoidKeyword: { kind: "literals", values: [undefined], others: null },
};

/** What a type annotation says. What it leaves to packages, generics and computation is open. */
export function shapeOf<M>({ node, module }: TypeIn<M>, names: TypeNames<M>, depth = 0): Shape {
  if (depth > DEEPEST_TYPE) return anything;
  const inner = (type: Ast.Node): Shape => shapeOf({ node: type, module }, names, depth + 1);
  const keyword = keywords[node.type];
  if (keyword !== undefined) return keyword;
  switch (node.type) {
    case "TSTypeAnnotation":
      return inner(node.typeAnnotation);
    case "TSParenthesizedType":
      return inner(node.typeAnnotation);
    case "TSTypeOperator":
      return node.operator === "keyof"
        ? keysOf(node.typeAnnotation, module, names)
        : inner(node.typeAnnotation);
    case "TSLiteralType": {
      const { literal } = node;
      if (
        literal.type === "StringLiteral" ||
        literal.type === "NumericLiteral" ||
        literal.type === "BooleanLiteral"
      )
        return { kind: "literals", values: [literal.value], others: null };
      if (literal.type === "UnaryExpression" && literal.argument.type === "NumericLiteral")
        return { kind: "literals", values: [-literal.argument.value], others: null };
      return plain("string");
    }
    case "TSUnionType":
      return union(node.types.map(inner));
    case "TSIntersectionType":
      return intersection(node.types.map(inner));
    case "TSFunctionType": {
      const promised = promisedBy(node);
      return promised === null
        ? plain("function")
        : { kind: "plain", type: "function", promises: inner(promised) };
    }
    case "TSArrayType":
      return { kind: "list", item: inner(node.elementType) };
    case "TSTupleType":
      return plain("list");
    case "TSTypeLiteral":
      return members(node.members, inner);
    case "TSInterfaceDeclaration": {
      const shape = members(node.body.body, inner);
      const above = (node.extends ?? []).map(inner);
      return above.length === 0 ? shape : intersection([...above, shape]);
    }
    case "TSExpressionWithTypeArguments":
    case "TSInterfaceHeritage" as never:
      return reference(node as never, module, names, inner, depth);
    case "TSTypeAliasDeclaration":
      return inner(node.typeAnnotation);
    case "TSEnumDeclaration":
      return anything;
    case "TSTypeReference":
      return reference(node, module, names, inner, depth);
    case "TSIndexedAccessType":
      return itemsOf(node, module, names, inner);
    default:
      return anything;
  }
}

/** What the result of a function is a promise of. */
function promisedBy({ typeAnnotation }: Ast.TSFunctionType): Ast.Node | null {
  const result = typeAnnotation?.typeAnnotation;
  if (result?.type !== "TSTypeReference" || result.typeName.type !== "Identifier") return null;
  return result.typeName.name === "Promise" ? (typeArguments(result)[0] ?? null) : null;
}

function members(written: readonly Ast.Node[], inner: (node: Ast.Node) => Shape): Shape {
  const found = new Map<string, Member>();
  let open = false;
  let index: Shape | null = null;
  for (const member of written) {
    if (member.type === "TSIndexSignature")
      index = member.typeAnnotation ? inner(member.typeAnnotation) : anything;
    else if (member.type === "TSPropertySignature" || member.type === "TSMethodSignature") {
      const name =
        member.key.type === "Identifier" && !member.computed
          ? member.key.name
          : member.key.type === "StringLiteral"
            ? member.key.value
            : null;
      if (name === null) open = true;
      else
        found.set(name, {
          optional: member.optional === true,
          shape:
            member.type === "TSMethodSignature"
              ? plain("function")
              : member.typeAnnotation
                ? inner(member.typeAnnotation)
                : anything,
        });
    } else open = true;
  }
  return index !== null && found.size === 0
    ? { kind: "record", item: index }
    : { kind: "object", members: found, open: open || index !== null };
}

function reference<M>(
  node: Ast.TSTypeReference | Ast.TSExpressionWithTypeArguments,
  module: M,
  names: TypeNames<M>,
  inner: (node: Ast.Node) => Shape,
  depth: number,
): Shape {
  const written = node.type === "TSTypeReference" ? node.typeName : node.expression;
  const parameters = typeArguments(node);
  if (written.type === "TSQualifiedName")
    return contentTypes.has(written.right.name) ? plain("content") : anything;
  if (written.type !== "Identifier") return anything;
  const [first, second] = parameters;
  if (transparent.has(written.name) && first !== undefined) {
    const shape = inner(first);
    return written.name === "PropsWithChildren" && shape.kind === "object"
      ? { ...shape, members: new Map([["children", { shape: anything, optional: false }], ...shape.members]) }
      : shape;
  }
  if (contentTypes.has(written.name)) return plain("content");
  const found = names.named(written.name, module);
  if (found !== null) return shapeOf(found, names, depth + 1);
  if (written.name === "Date") return plain("date");
  if ((written.name === "Array" || written.name === "ReadonlyArray") && first !== undefined)
    return { kind: "list", item: inner(first) };
  if (written.name === "Record" && first !== undefined && second !== undefined)
    return record(inner(first), inner(second));
  if (written.name === "Partial" && first !== undefined)
    return everyMember(inner(first), (m) => ({ ...m, optional: true }));
  if ((written.name === "Omit" || written.name === "Pick") && first !== undefined && second !== undefined)
    return chosen(inner(first), inner(second), written.name === "Pick");
  return anything;
}

function record(keys: Shape, item: Shape): Shape {
  if (keys.kind !== "literals" || keys.others !== null) return { kind: "record", item };
  return {
    kind: "object",
    members: new Map(keys.values.map((key) => [String(key), { shape: item, optional: false }])),
    open: false,
  };
}

function everyMember(shape: Shape, change: (member: Member) => Member): Shape {
  if (shape.kind !== "object") return shape;
  return { ...shape, members: new Map([...shape.members].map(([name, member]) => [name, change(member)])) };
}

function chosen(shape: Shape, keys: Shape, keep: boolean): Shape {
  if (shape.kind !== "object" || keys.kind !== "literals") return shape;
  const named = new Set(keys.values.map(String));
  return {
    ...shape,
    open: shape.open && !keep,
    members: new Map([...shape.members].filter(([name]) => named.has(name) === keep)),
  };
}

function union(shapes: readonly Shape[]): Shape {
  const values: Literal[] = [];
  let others: Shape | null = null;
  for (const shape of shapes) {
    if (shape.kind === "literals") {
      for (const value of shape.values) if (!values.includes(value)) values.push(value);
      if (shape.others !== null) others = others === null ? shape.others : anything;
    } else others = others === null ? shape : sameKind(others, shape) ? others : anything;
  }
  if (values.length === 0) return others ?? anything;
  // `"a" | string` says no more than `string`.
  if (others !== null && others.kind === "plain" && others.type === "string") {
    const empty = values.filter((value) => value === undefined || value === null);
    return empty.length === 0 ? others : { kind: "literals", values: empty, others };
  }
  return { kind: "literals", values, others };
}

const sameKind = (a: Shape, b: Shape): boolean =>
  a.kind === "plain" && b.kind === "plain" && a.type === b.type;

function intersection(shapes: readonly Shape[]): Shape {
  const all = new Map<string, Member>();
  let open = false;
  for (const shape of shapes) {
    if (shape.kind === "object") {
      for (const [name, member] of shape.members) all.set(name, member);
      open ||= shape.open;
    } else open = true;
  }
  return { kind: "object", members: all, open };
}

function keysOf<M>(node: Ast.Node, module: M, names: TypeNames<M>): Shape {
  if (node.type === "TSTypeQuery" && node.exprName.type === "Identifier") {
    const value = names.valueOf(node.exprName.name, module);
    if (value?.kind === "object" && value.rest === null && value.properties.size > 0)
      return { kind: "literals", values: [...value.properties.keys()], others: null };
    return plain("string");
  }
  const shape = shapeOf({ node, module }, names);
  return shape.kind === "object" && !shape.open
    ? { kind: "literals", values: [...shape.members.keys()], others: null }
    : plain("string");
}

/** `(typeof names)[number]`, `Part["sku"]`. */
function itemsOf<M>(
  node: Ast.TSIndexedAccessType,
  module: M,
  names: TypeNames<M>,
  inner: (node: Ast.Node) => Shape,
): Shape {
  let object = node.objectType;
  while (object.type === "TSParenthesizedType") object = object.typeAnnotation;
  if (object.type === "TSTypeQuery" && object.exprName.type === "Identifier") {
    const value = names.valueOf(object.exprName.name, module);
    const items =
      value?.kind === "list" ? value.items : value?.kind === "object" ? [...value.properties.values()] : [];
    const values = items.flatMap((item) => (item.kind === "known" ? [item.value] : []));
    return values.length > 0 && values.length === items.length
      ? { kind: "literals", values, others: null }
      : anything;
  }
  const shape = inner(object);
  if (shape.kind === "list") return shape.item;
  const index = inner(node.indexType);
  if (shape.kind === "object" && index.kind === "literals" && index.values.length === 1)
    return shape.members.get(String(index.values[0]))?.shape ?? anything;
  return anything;
}

/** How a value that a type leaves open is called in sentences, and known by. */
export interface Opening {
  readonly name: string;
  readonly id: string;
  readonly source: Span;
  /** Whether it is the props of a component: what they hold is what callers give. */
  readonly isProps?: boolean;
  /** Whether it lies in what somebody gives: a record may lack what its type lets it lack, and no call forgot it. */
  readonly isData?: boolean;
}

/** More literals than this are looked at as one value that nobody knows. */
const MOST_LITERALS = 12;

/** A value of which nothing is known but its type: one of several where the type lists them. */
export function openValue(shape: Shape, opening: Opening, optional = false): Value {
  if (optional) {
    const given = withoutUndefined(shape);
    // Whether content or a handler is given hangs on what a caller wants, not on what it forgot.
    if (isContent(given)) return openValue(given, opening);
    const decision: Decision = {
      id: `given ${opening.id}`,
      arms: [
        { of: opening.name, is: "given" },
        { of: opening.name, is: "not given" },
      ],
      named: opening.isData !== true,
      ...(opening.isData === true ? {} : { isLeftToCalls: true }),
      source: opening.source,
    };
    return { kind: "either", decision, arms: [openValue(given, opening), absent] };
  }
  switch (shape.kind) {
    case "literals": {
      if (shape.values.length > MOST_LITERALS) return unknownAt(opening.source, opening.name, opening.id);
      const values: Value[] = [
        ...(shape.others === null ? [] : [openValue(shape.others, opening)]),
        ...shape.values.map(known),
      ];
      if (values.length === 1) return values[0] ?? absent;
      const decision: Decision = {
        id: `is ${opening.id}`,
        arms: [
          ...(shape.others === null ? [] : [{ of: opening.name, is: "given" as const }]),
          ...shape.values.map((value) =>
            value === undefined
              ? ({ of: opening.name, is: "not given" } as const)
              : ({
                  of: opening.name,
                  is: "value",
                  value: typeof value === "string" ? JSON.stringify(value) : String(value),
                } as const),
          ),
        ],
        named: opening.isData !== true || !shape.values.includes(undefined),
        source: opening.source,
      };
      return joinedKnown(decision, values);
    }
    case "object":
      return {
        kind: "object",
        properties: new Map(
          [...shape.members].map(
            ([name, member]) => [name, openMember(member, name, opening, opening.isProps)] as const,
          ),
        ),
        rest: shape.open ? unknownAt(opening.source, opening.name, opening.id) : null,
      };
    case "list":
      return {
        kind: "each",
        item: openValue(shape.item, { ...opening, name: `one of ${opening.name}`, id: `${opening.id}[]` }),
        source: unknownAt(opening.source, opening.name, opening.id, "list"),
      };
    case "record":
      return {
        ...unknownAt(opening.source, opening.name, opening.id),
        // Whether the table has the key is not in its type.
        members: (name) => {
          const inner = { ...opening, name: `${opening.name}.${name}`, id: `${opening.id}.${name}` };
          return {
            kind: "either",
            decision: {
              id: `there ${inner.id}`,
              arms: [
                { of: inner.name, is: "there" },
                { of: inner.name, is: "not there" },
              ],
              named: false,
              source: opening.source,
            },
            arms: [openValue(shape.item, inner), absent],
          };
        },
      };
    case "plain": {
      const value = unknownAt(opening.source, opening.name, opening.id, shape.type);
      if (shape.promises === undefined) return value;
      const id = `${opening.id}()`;
      return { ...value, promises: openValue(shape.promises, { ...opening, id, isData: true }) };
    }
  }
}

/** @param isOwn whether it is a prop of a component, and no part of what such a prop holds */
export const openMember = (
  { shape, optional }: Member,
  name: string,
  { name: holder, id, source }: Opening,
  isOwn = false,
): Value => {
  const called = isOwn ? name : `${holder.replace(/^one of (.*)$/, "$1[]")}.${name}`;
  return openValue(shape, { name: called, id: `${id}.${name}`, source, isData: !isOwn }, optional);
};

const isContent = (shape: Shape): boolean =>
  shape.kind === "plain" && (shape.type === "any" || shape.type === "content");

const withoutUndefined = (shape: Shape): Shape => {
  if (shape.kind !== "literals") return shape;
  const values = shape.values.filter((value) => value !== undefined);
  return values.length === 0 && shape.others !== null ? shape.others : { ...shape, values };
};
