import type * as Ast from "@babel/types";
import type { Span } from "../../core/document/node.ts";
import type { TreeNode } from "../../core/worlds/tree.ts";
import { scopeAttribute } from "../composition/component-styles.ts";
import type { Composition } from "../composition/composition.ts";
import { hostElement } from "../composition/host-element.ts";
import { htmlTags } from "../composition/html-tags.ts";
import type { ScopeMaking } from "../composition/module-scopes.ts";
import type { SourceModule, TemplateElement, TemplateNode } from "../composition/source-module.ts";
import type { HostParts } from "../composition/template-attributes.ts";
import { type TagMeaning, TemplateRenderer } from "../composition/template-render.ts";
import { instanceOf } from "../react/react-component.ts";
import { lift } from "../script/machine.ts";
import { placeOf } from "../script/places.ts";
import { bindLater, innerScope } from "../script/scope.ts";
import { typeArguments } from "../script/type-arguments.ts";
import { anything, type Member, openMember, shapeOf, type TypeNames } from "../script/type-shape.ts";
import type { Scope } from "../script/value.ts";
import {
  absent,
  type ClassValue,
  type Component,
  known,
  listOf,
  native,
  type ObjectValue,
  objectOf,
  type Value,
  yes,
} from "../script/value.ts";
import { Directives } from "./angular-directives.ts";
import { importsOfClass, type Metadata, matchesSelector, metadataOf } from "./angular-metadata.ts";

export const isAngularClass = ({ node }: ClassValue): boolean => metadataOf(node) !== null;

/** An input of a component: its name to callers, its field, and how it is declared. */
interface Input {
  readonly name: string;
  readonly field: string;
  readonly member: Member;
  /** Whether its field is called to give its value. */
  readonly isSignal: boolean;
  readonly fallback: Ast.Node | null;
}

/** A class that is decorated as a component. */
export function angularComponent(
  composition: Composition,
  making: ScopeMaking,
  type: ClassValue,
  name: string,
  types: TypeNames<SourceModule>,
): Component {
  const { machine } = composition;
  const module = composition.moduleOf(type.scope) as SourceModule;
  const metadata = metadataOf(type.node) as Metadata;
  const inputs = inputsOf(composition, type, module, types);
  const source: Span = { file: module.file, start: type.node.start ?? 0, end: type.node.end ?? 0 };
  const markup = markupOf(making, module, metadata);
  const statics = new Map<string, Value>([
    [SELECTOR, known(metadata.selector)],
    [
      SELECTS,
      listOf(
        [...markup.module.text.matchAll(/<ng-content[^>]*\sselect="([^"]+)"/g)].map((m) => known(m[1] ?? "")),
      ),
    ],
    [INPUTS, objectOf(inputs.map((input) => [input.name, yes] as const))],
  ]);
  return {
    name,
    source,
    statics,
    takesProps: inputs.length > 0 || markup.hasOutlet,
    openProps: () => {
      const place = { name: "inputs", id: `inputs ${source.file}:${source.start}`, source };
      return objectOf(
        inputs.map((input) => [input.name, openMember(input.member, input.name, place, true)] as const),
      );
    },
    render: (call) => {
      const self: { value: ObjectValue | null } = { value: null };
      const fields = inputs.map((input): readonly [string, Value] => {
        const give = (): Value => {
          const given = call.props.properties.get(input.name) ?? absent;
          return lift(machine, given, (one) => {
            if (one.kind !== "known" || one.value !== undefined) return asDeclared(one, input);
            if (input.fallback === null) return absent;
            return machine.evaluate(input.fallback, innerScope(type.scope, self.value));
          });
        };
        return [
          input.field,
          input.isSignal
            ? { kind: "native", name: input.name, call: give, members: () => native("set", () => absent) }
            : give(),
        ];
      });
      self.value = instanceOf(composition, type, fields);
      const instance = self.value;
      const scope = innerScope({
        parent: type.scope,
        bindings: new Map(),
        self: instance,
        module: markup.module,
      });
      bindMembers(composition, type, instance, scope);
      const directives = new Directives(composition, making, module, type, markup.module.file);
      const renderer = new TemplateRenderer(composition, {
        meaningOf: (element) => meaningOf(composition, making, module, type, element),
        propName: (attribute) => attribute,
        contentIsProp: false,
        scopeAttribute:
          metadata.styles.length + metadata.styleUrls.length > 0 ? scopeAttribute(module) : null,
        call,
        partedContent,
        hostOf: (component, element, inner, parts) =>
          hostOf(composition, component, element, inner, directives.on(element, parts, component), scope),
        addedTo: (element, parts) => directives.on(element, parts, null),
      });
      return renderer.render(markup.template, scope);
    },
  };
}

const SELECTOR = "(selector)";
const INPUTS = "(inputs)";
const SELECTS = "(selects)";

/** Content goes where the component asks for it, the rest where it asks for nothing. Angular, "content projection". */
function partedContent(
  component: Component,
  children: readonly TemplateNode[],
): ReadonlyMap<string, readonly TemplateNode[]> {
  const selects = component.statics.get(SELECTS);
  const names =
    selects?.kind === "list"
      ? selects.items.flatMap((item) => (item.kind === "known" ? [String(item.value)] : []))
      : [];
  const parted = new Map<string, TemplateNode[]>([["default", []]]);
  for (const child of children) {
    const name = child.kind === "element" ? names.find((one) => matchesSelector(one, child)) : undefined;
    const into = parted.get(name ?? "default");
    if (into === undefined) parted.set(name ?? "default", [child]);
    else into.push(child);
  }
  return parted;
}

/** Text without a value is true for an input that takes yes or no. */
const asDeclared = (value: Value, { member }: Input): Value =>
  member.shape.kind === "literals" &&
  member.shape.values.includes(true) &&
  value.kind === "known" &&
  value.value === ""
    ? yes
    : value;

/** Every member of the class is a name of its template. */
function bindMembers({ machine }: Composition, type: ClassValue, self: ObjectValue, scope: Scope): void {
  for (const member of type.node.body.body) {
    const key = "key" in member && member.key.type === "Identifier" ? member.key.name : null;
    if (key !== null && key !== "constructor")
      bindLater(scope, key, () => machine.member(self, key, placeOf(member, type.scope, self)));
  }
}

interface Markup {
  readonly template: readonly TemplateNode[];
  readonly module: { readonly file: string; readonly text: string; readonly reassigned: ReadonlySet<string> };
  readonly hasOutlet: boolean;
}

/** The template, in the class or in a file of its own. */
function markupOf(making: ScopeMaking, module: SourceModule, metadata: Metadata): Markup {
  const path = metadata.templateUrl === null ? null : (module.imports.get(metadata.templateUrl) ?? null);
  const outer = path === null ? null : making.moduleAt(path);
  const from = outer ?? module;
  const template =
    outer?.content.kind === "markup"
      ? outer.content.template
      : module.content.kind === "script" && metadata.template !== null
        ? (module.content.templates.get(metadata.template) ?? [])
        : [];
  return {
    template,
    module: { file: from.file, text: from.text, reassigned: new Set() },
    hasOutlet: /<ng-content/.test(from.text),
  };
}

/** `input()`, `input.required()`, `model()` and what is decorated as an input. */
function inputsOf(
  composition: Composition,
  type: ClassValue,
  module: SourceModule,
  types: TypeNames<SourceModule>,
): readonly Input[] {
  return type.node.body.body.flatMap((member): Input[] => {
    if (
      (member.type !== "ClassProperty" && member.type !== "ClassMethod") ||
      member.key.type !== "Identifier"
    )
      return [];
    const field = member.key.name;
    const shapeFrom = (node: Ast.Node | null | undefined) =>
      node == null ? anything : shapeOf({ node, module }, types);
    const decorator = (member.decorators ?? []).find(
      ({ expression }) =>
        expression.type === "CallExpression" &&
        expression.callee.type === "Identifier" &&
        expression.callee.name === "Input",
    );
    if (decorator !== undefined) {
      const [argument] = decorator.expression.type === "CallExpression" ? decorator.expression.arguments : [];
      const annotation = member.type === "ClassProperty" ? member.typeAnnotation : null;
      const required = optionOf(argument, "required")?.type === "BooleanLiteral";
      const value = member.type === "ClassProperty" ? (member.value ?? null) : null;
      const isSure =
        required || value !== null || (member.type === "ClassProperty" && member.definite === true);
      return [
        {
          name: aliasOf(argument) ?? field,
          field,
          member: {
            shape:
              annotation == null
                ? literalShape(composition, value ?? undefined, type)
                : shapeFrom(annotation),
            optional: !isSure || (value !== null && !required),
          },
          isSignal: false,
          fallback: value,
        },
      ];
    }
    const call =
      member.type === "ClassProperty" && member.value?.type === "CallExpression" ? member.value : null;
    if (call === null) return [];
    const callee = call.callee.type === "MemberExpression" ? call.callee.object : call.callee;
    const required =
      call.callee.type === "MemberExpression" &&
      call.callee.property.type === "Identifier" &&
      call.callee.property.name === "required";
    if (callee.type !== "Identifier" || (callee.name !== "input" && callee.name !== "model")) return [];
    const [shape] = typeArguments(call);
    const [first, second] = call.arguments;
    const options = required ? first : second;
    return [
      {
        name: aliasOf(options) ?? field,
        field,
        member: {
          shape: shape === undefined ? literalShape(composition, first, type) : shapeFrom(shape),
          optional: !required,
        },
        isSignal: true,
        fallback: required ? null : ((first as Ast.Node | undefined) ?? null),
      },
    ];
  });
}

/** What a default value says of an input without a type. */
function literalShape({ machine }: Composition, node: Ast.Node | undefined, type: ClassValue) {
  const value = node === undefined ? absent : machine.evaluate(node, type.scope);
  if (value.kind !== "known") return anything;
  if (typeof value.value === "boolean")
    return { kind: "literals", values: [true, false], others: null } as const;
  return typeof value.value === "string" ? ({ kind: "plain", type: "string" } as const) : anything;
}

const optionOf = (node: Ast.Node | undefined, name: string): Ast.Node | null =>
  node?.type === "ObjectExpression"
    ? (node.properties.find(
        (property): property is Ast.ObjectProperty =>
          property.type === "ObjectProperty" &&
          property.key.type === "Identifier" &&
          property.key.name === name,
      )?.value ?? null)
    : null;

function aliasOf(node: Ast.Node | undefined): string | null {
  if (node?.type === "StringLiteral") return node.value;
  const alias = optionOf(node, "alias");
  return alias?.type === "StringLiteral" ? alias.value : null;
}

/** What a tag is: a component of the imports whose selector fits, an element, or something that nobody knows. */
function meaningOf(
  composition: Composition,
  making: ScopeMaking,
  module: SourceModule,
  type: ClassValue,
  element: TemplateElement,
): TagMeaning {
  const { classes, bringsMore } = importsOfClass(composition, making, module, type);
  const listed = classes.flatMap((one) => composition.componentOf(one) ?? []);
  for (const component of bringsMore ? [...listed, ...making.everyComponent()] : listed) {
    const selector = component.statics.get(SELECTOR);
    if (selector?.kind === "known" && matchesSelector(String(selector.value), element))
      return { kind: "component", component };
  }
  return htmlTags.has(element.tag) ? { kind: "host" } : { kind: "unknown" };
}

/** The element of a component: it stays in the page, with what its caller and the component itself put on it. */
function hostOf(
  composition: Composition,
  component: Component,
  element: TemplateElement,
  inner: readonly TreeNode[],
  parts: HostParts,
  scope: Scope,
): TreeNode {
  const inputs = component.statics.get(INPUTS);
  const isInput = (name: string) => inputs?.kind === "object" && inputs.properties.has(name);
  return hostElement({
    tag: element.tag,
    namespace: "html",
    // A text attribute stays on the element even where an input takes it.
    attributes: parts.attributes.filter(
      ({ name, value }) => !isInput(name) || (value.kind === "known" && typeof value.value === "string"),
    ),
    listeners: parts.listeners,
    mayListen: parts.mayListen,
    spread: parts.spread,
    children: inner,
    source: { file: scope.module.file, start: element.start, end: element.startEnd },
    endTag: null,
    components: composition.machine.state.frames,
  });
}
