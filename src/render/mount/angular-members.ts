import type * as Ast from "@babel/types";
import type { Replacement } from "./replaced.ts";

/** How a member that a function makes is declared to a compiler that cannot see the source. Angular, "signal inputs". */
const makers: Readonly<Record<string, (field: string, given: Made) => string>> = {
  input: (field, { alias, isRequired }) => inputDecorator(alias ?? field, isRequired),
  model: (field, { alias, isRequired }) =>
    `${inputDecorator(alias ?? field, isRequired)} @keelAngular.Output(${JSON.stringify(`${alias ?? field}Change`)})`,
  output: (field, { alias }) => `@keelAngular.Output(${JSON.stringify(alias ?? field)})`,
  outputFromObservable: (field, { alias }) => `@keelAngular.Output(${JSON.stringify(alias ?? field)})`,
  viewChild: (_, given) => queryDecorator("ViewChild", given),
  viewChildren: (_, given) => queryDecorator("ViewChildren", given),
  contentChild: (_, given) => queryDecorator("ContentChild", given),
  contentChildren: (_, given) => queryDecorator("ContentChildren", given),
};

interface Made {
  readonly alias: string | null;
  readonly isRequired: boolean;
  /** The source of what the function is given. */
  readonly parts: readonly string[];
}

const inputDecorator = (alias: string, isRequired: boolean): string =>
  `@keelAngular.Input({ isSignal: true, alias: ${JSON.stringify(alias)}, required: ${isRequired} })`;

const queryDecorator = (kind: string, { parts: [locator = "undefined", options = "{}"] }: Made): string =>
  `@keelAngular.${kind}(${locator}, { ...${options}, isSignal: true })`;

/** Decorators for the members of a class that are made by `input()` and its like. */
export function signalDecorators(
  program: Ast.Program,
  node: Ast.Class,
  text: string,
): readonly Replacement[] {
  const imported = importedNames(program);
  return node.body.body.flatMap((member): readonly Replacement[] => {
    if (member.type !== "ClassProperty" || member.key.type !== "Identifier" || member.value == null)
      return [];
    const call = withoutTypes(member.value);
    if (call.type !== "CallExpression") return [];
    const { callee } = call;
    const isRequired =
      callee.type === "MemberExpression" &&
      callee.property.type === "Identifier" &&
      callee.property.name === "required";
    const called = isRequired ? callee.object : callee;
    const maker = called.type === "Identifier" ? makers[imported.get(called.name) ?? ""] : undefined;
    if (maker === undefined) return [];
    const options = call.arguments.findLast((one) => one.type === "ObjectExpression");
    const alias = options?.type === "ObjectExpression" ? aliasIn(options) : null;
    const parts = call.arguments.map((one) => text.slice(one.start ?? 0, one.end ?? 0));
    const start = member.start ?? 0;
    return [{ start, end: start, text: `${maker(member.key.name, { alias, isRequired, parts })} ` }];
  });
}

/**
 * What a class asks to be constructed with, written out as types are not there when it runs; empty where it asks for
 * nothing.
 */
export function constructorParameters(program: Ast.Program, node: Ast.Class, text: string): string {
  const made = node.body.body.find(
    (member): member is Ast.ClassMethod => member.type === "ClassMethod" && member.kind === "constructor",
  );
  if (made === undefined || made.params.length === 0) return "";
  const types = typeOnlyNames(program);
  const parameters = made.params.map((parameter) => {
    const inside = parameter.type === "TSParameterProperty" ? parameter.parameter : parameter;
    const named = inside.type === "AssignmentPattern" ? inside.left : inside;
    const annotation = "typeAnnotation" in named ? named.typeAnnotation : null;
    const type = annotation?.type === "TSTypeAnnotation" ? typeName(annotation.typeAnnotation) : null;
    const isValue = type !== null && !types.has(type.split(".")[0] ?? "");
    const decorators = (("decorators" in parameter && parameter.decorators) || []).map(({ expression }) =>
      expression.type === "CallExpression"
        ? `{ type: ${sourceOf(expression.callee, text)}, args: [${expression.arguments.map((one) => sourceOf(one, text)).join(", ")}] }`
        : `{ type: ${sourceOf(expression, text)} }`,
    );
    const isGiven = /\btype: (?:\w+\.)?(?:Inject|Attribute)\b/.test(decorators.join());
    return `{ type: ${isValue && !isGiven ? type : "undefined"}, decorators: [${decorators.join(", ")}] }`;
  });
  return `static ctorParameters = () => [${parameters.join(", ")}]; `;
}

const sourceOf = (node: Ast.Node, text: string): string => text.slice(node.start ?? 0, node.end ?? 0);

/** The class that a type names, of a union the first; null where it names none. */
function typeName(type: Ast.TSType): string | null {
  if (type.type === "TSUnionType") return type.types.map(typeName).find((name) => name !== null) ?? null;
  if (type.type !== "TSTypeReference") return null;
  const parts: string[] = [];
  let name: Ast.TSEntityName = type.typeName;
  for (; name.type === "TSQualifiedName"; name = name.left) parts.unshift(name.right.name);
  return name.type === "Identifier" ? [name.name, ...parts].join(".") : null;
}

/** Names that stand for types alone. */
function typeOnlyNames({ body }: Ast.Program): ReadonlySet<string> {
  const names = new Set<string>();
  for (const statement of body) {
    const declared =
      statement.type === "ExportNamedDeclaration" && statement.declaration != null
        ? statement.declaration
        : statement;
    if (declared.type === "TSInterfaceDeclaration" || declared.type === "TSTypeAliasDeclaration")
      names.add(declared.id.name);
    if (statement.type !== "ImportDeclaration") continue;
    for (const specifier of statement.specifiers)
      if (
        statement.importKind === "type" ||
        (specifier.type === "ImportSpecifier" && specifier.importKind === "type")
      )
        names.add(specifier.local.name);
  }
  return names;
}

/** What a script imports of Angular itself, by the name that it has there. */
function importedNames({ body }: Ast.Program): ReadonlyMap<string, string> {
  const names = new Map<string, string>();
  for (const statement of body)
    if (
      statement.type === "ImportDeclaration" &&
      /^@angular\/core(?:\/rxjs-interop)?$/.test(statement.source.value)
    )
      for (const specifier of statement.specifiers)
        if (specifier.type === "ImportSpecifier")
          names.set(
            specifier.local.name,
            specifier.imported.type === "Identifier" ? specifier.imported.name : specifier.imported.value,
          );
  return names;
}

function aliasIn(options: Ast.ObjectExpression): string | null {
  for (const property of options.properties)
    if (
      property.type === "ObjectProperty" &&
      property.key.type === "Identifier" &&
      property.key.name === "alias" &&
      property.value.type === "StringLiteral"
    )
      return property.value.value;
  return null;
}

const withoutTypes = (node: Ast.Expression): Ast.Expression =>
  node.type === "TSAsExpression" ||
  node.type === "TSSatisfiesExpression" ||
  node.type === "TSNonNullExpression"
    ? withoutTypes(node.expression)
    : node;
