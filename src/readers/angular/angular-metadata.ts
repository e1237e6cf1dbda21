import type * as Ast from "@babel/types";
import { onceFor } from "../../core/document/once.ts";
import { addressFrom } from "../composition/component-name.ts";
import type { Composition } from "../composition/composition.ts";
import type { ScopeMaking } from "../composition/module-scopes.ts";
import type { SourceModule, StylePart, TemplateElement } from "../composition/source-module.ts";
import type { ClassValue, Value } from "../script/value.ts";

/** What the decorator of a component says. */
export interface Metadata {
  readonly selector: string;
  /** Where the literal of the template starts; null where it is in a file of its own. */
  readonly template: number | null;
  readonly templateUrl: string | null;
  readonly styles: readonly Pick<StylePart, "text" | "start">[];
  readonly styleUrls: readonly string[];
  /** The list of what its template may use. */
  readonly imports: Ast.Node | null;
  readonly host: HostBindings;
}

/** What a class puts on its element, as it is written: `role`, `[attr.aria-label]`, `(click)`. */
export type HostBindings = readonly {
  readonly name: string;
  readonly value: string;
  readonly start: number;
  readonly end: number;
}[];

/** What is put on the element of a class that is decorated as a component or a directive. */
export interface Hosted {
  /** Empty where it has none: then it is used by others alone. */
  readonly selector: string;
  readonly host: HostBindings;
  /** The list of directives that come along with it. */
  readonly hostDirectives: Ast.Node | null;
}

/** The metadata of a class that is decorated as a component; null for another. */
export function metadataOf(node: Ast.Class): Metadata | null {
  const argument = decoratorOf(node, "Component");
  if (argument === null) return null;
  const option = (name: string) => optionIn(argument, name);
  const [selector, template, templateUrl] = [option("selector"), option("template"), option("templateUrl")];
  const styles = option("styles");
  const urls = [option("styleUrl"), ...listed(option("styleUrls"))];
  return {
    selector: selector?.type === "StringLiteral" ? selector.value : "",
    template: template === null ? null : (template.start ?? 0),
    templateUrl: templateUrl?.type === "StringLiteral" ? addressFrom(templateUrl.value) : null,
    styles: (styles?.type === "ArrayExpression" ? listed(styles) : [styles]).flatMap((style) => {
      const text = style === null ? null : plainText(style);
      return text === null || style === null ? [] : [{ text, start: (style.start ?? 0) + 1 }];
    }),
    styleUrls: urls.flatMap((url) => (url?.type === "StringLiteral" ? [addressFrom(url.value)] : [])),
    imports: option("imports"),
    host: hostBindings(node, option("host")),
  };
}

const optionIn = (argument: Ast.ObjectExpression, name: string): Ast.Node | null =>
  argument.properties.find(
    (property): property is Ast.ObjectProperty =>
      property.type === "ObjectProperty" && property.key.type === "Identifier" && property.key.name === name,
  )?.value ?? null;

export const isDirective = (node: Ast.Class): boolean => decoratorOf(node, "Directive") !== null;

/** What a class that is decorated as a component or a directive puts on its element; null for another. */
export const hostedBy = onceFor((node: Ast.Class): Hosted | null => {
  const argument = decoratorOf(node, "Directive") ?? decoratorOf(node, "Component");
  if (argument === null) return null;
  const selector = optionIn(argument, "selector");
  return {
    selector: selector === null ? "" : (plainText(selector) ?? ""),
    host: hostBindings(node, optionIn(argument, "host")),
    hostDirectives: optionIn(argument, "hostDirectives"),
  };
});

const hostBindings = (node: Ast.Class, host: Ast.Node | null): HostBindings => [
  ...hostMembers(node),
  ...(host?.type === "ObjectExpression"
    ? host.properties.flatMap((property) => {
        if (property.type !== "ObjectProperty") return [];
        const name =
          property.key.type === "Identifier"
            ? property.key.name
            : property.key.type === "StringLiteral"
              ? property.key.value
              : null;
        const value = plainText(property.value);
        return name === null || value === null
          ? []
          : [{ name, value, start: property.start ?? 0, end: property.end ?? 0 }];
      })
    : []),
];

/** What members are decorated with as listeners and bindings of the component's own element. */
function hostMembers(node: Ast.Class): HostBindings {
  return node.body.body.flatMap((member) => {
    if (!("decorators" in member) || member.decorators == null) return [];
    return member.decorators.flatMap(({ expression, start, end }) => {
      if (expression.type !== "CallExpression" || expression.callee.type !== "Identifier") return [];
      const [first] = expression.arguments;
      const given = first?.type === "StringLiteral" ? first.value : null;
      const place = { start: start ?? 0, end: end ?? 0 };
      if (expression.callee.name === "HostListener" && given !== null)
        return [{ name: `(${given.split(".")[0]})`, value: `${given}()`, ...place }];
      if (expression.callee.name !== "HostBinding" || given === null) return [];
      const value = member.type === "ClassProperty" && member.value != null ? plainText(member.value) : null;
      return [
        value === null
          ? { name: `[${given}]`, value: given, ...place }
          : { name: given.replace(/^attr\./, ""), value, ...place },
      ];
    });
  });
}

/** What a decorator of that name is given. */
function decoratorOf(node: Ast.Class, name: string): Ast.ObjectExpression | null {
  for (const { expression } of node.decorators ?? []) {
    if (
      expression.type !== "CallExpression" ||
      expression.callee.type !== "Identifier" ||
      expression.callee.name !== name
    )
      continue;
    const [argument] = expression.arguments;
    return argument?.type === "ObjectExpression"
      ? argument
      : ({ type: "ObjectExpression", properties: [] } as never);
  }
  return null;
}

const listed = (node: Ast.Node | null): readonly (Ast.Node | null)[] =>
  node?.type === "ArrayExpression" ? node.elements : [];

const plainText = (node: Ast.Node): string | null =>
  node.type === "StringLiteral"
    ? node.value
    : node.type === "TemplateLiteral" && node.expressions.length === 0
      ? (node.quasis[0]?.value.raw ?? "")
      : null;

/** What the list of a class names that its template may use; null where none says all. */
export interface Imports {
  readonly classes: readonly ClassValue[];
  /** Whether modules are among them, which bring along what they declare. */
  readonly bringsMore: boolean;
}

export function importsOfClass(
  { machine }: Composition,
  making: ScopeMaking,
  module: SourceModule,
  type: ClassValue,
): Imports {
  const written = metadataOf(type.node)?.imports ?? null;
  if (written === null) return { classes: [], bringsMore: true };
  const classes = classesIn(machine.evaluate(written, making.scopeOf(module)));
  return { classes, bringsMore: classes.some(({ node }) => decoratorOf(node, "NgModule") !== null) };
}

/** The classes of a list, and of lists in it. */
export const classesIn = (value: Value): readonly ClassValue[] =>
  value.kind === "list" ? value.items.flatMap(classesIn) : value.kind === "class" ? [value] : [];

/** Whether an element fits one of a component's selectors: tag, attributes, classes. Angular, "component selectors". */
export function matchesSelector(selectors: string, { tag, attributes }: TemplateElement): boolean {
  return selectors.split(",").some((selector) => {
    const match = /^\s*([\w-]*)((?:\[[^\]]+\]|\.[\w-]+)*)(:not\(.*\))?\s*$/.exec(selector);
    if (match === null || (match[1] === "" && match[2] === "")) return false;
    if (match[1] !== "" && match[1] !== tag) return false;
    return [...(match[2] ?? "").matchAll(/\[([\w-]+)(?:=["']?([^"'\]]*)["']?)?\]|\.([\w-]+)/g)].every(
      ([, name, value, token]) =>
        attributes.some((attribute) => {
          if (attribute.kind !== "text" && attribute.kind !== "value" && attribute.kind !== "parts")
            return false;
          if (token !== undefined)
            return (
              attribute.kind === "text" &&
              attribute.name === "class" &&
              attribute.value.split(/\s+/).includes(token)
            );
          return (
            attribute.name === name &&
            (value === undefined || (attribute.kind === "text" && attribute.value === value))
          );
        }),
    );
  });
}
