import type * as Ast from "@babel/types";
import type { Namespace, Span } from "../../core/document/node.ts";
import type { TreeNode } from "../../core/worlds/tree.ts";
import { isPictureName, mayGiveWords } from "../composition/component-name.ts";
import type { Composition } from "../composition/composition.ts";
import {
  holeOf,
  hostElement,
  namespaceOf,
  shownText,
  type WrittenAttribute,
} from "../composition/host-element.ts";
import { withoutIdle } from "../composition/idle-handlers.ts";
import { installedPicture } from "../composition/installed-picture.ts";
import { nodesOfEach } from "../composition/open-nodes.ts";
import { merged } from "../script/evaluate.ts";
import { lift, type Machine } from "../script/machine.ts";
import { placeOf, spanOf, unknownOf } from "../script/places.ts";
import type { Scope } from "../script/value.ts";
import {
  known,
  listOf,
  type MarkupValue,
  type ObjectValue,
  objectOf,
  type Value,
  yes,
} from "../script/value.ts";
import { jsxAttributeNames, notAttributes } from "./jsx-attributes.ts";
import { styleText } from "./style-object.ts";

/** What JSX comes to before anything is rendered: its type, its props, where it stands and who wrote it. */
export function markupOf(machine: Machine, node: Ast.JSXElement | Ast.JSXFragment, scope: Scope): Value {
  const children = childrenOf(machine, node.children, scope);
  if (node.type === "JSXFragment") return listOf(children);
  const { openingElement } = node;
  const places = new Map<string, Span>();
  let props: Value = objectOf([]);
  let overwrites = false;
  for (const attribute of openingElement.attributes) {
    if (attribute.type === "JSXSpreadAttribute") {
      props = merged(machine, props, machine.evaluate(attribute.argument, scope), () =>
        unknownOf(machine, attribute.argument, scope),
      );
      continue;
    }
    const name =
      attribute.name.type === "JSXNamespacedName"
        ? `${attribute.name.namespace.name}:${attribute.name.name.name}`
        : attribute.name.name;
    const value =
      attribute.value == null
        ? yes
        : attribute.value.type === "StringLiteral"
          ? known(decoded(attribute.value))
          : machine.evaluate(attribute.value, scope);
    if (name === "key") continue;
    if (!places.has(name) && props.kind === "object" && saysSomething(props.properties.get(name)))
      overwrites = true;
    places.set(name, spanOf(attribute, scope));
    props = lift(machine, props, (one) => withProp(one, name, value));
  }
  if (children.length > 0)
    props = lift(machine, props, (one) =>
      withProp(one, "children", children.length === 1 ? (children[0] as Value) : listOf(children)),
    );
  return lift(machine, props, (one): Value => {
    const markup: MarkupValue = {
      kind: "markup",
      type: typeOf(machine, openingElement.name, scope),
      name: nameOf(openingElement.name),
      props: propsIn(one),
      places,
      source: spanOf(openingElement, scope),
      endTag: node.closingElement == null ? null : spanOf(node.closingElement, scope),
      owner: machine.state.frames,
      instance: machine.state.instance,
      overwrites,
    };
    return markup;
  });
}

/** Props of which nothing is known may hold anything. */
const propsIn = (value: Value): ObjectValue =>
  value.kind === "object" ? value : objectOf([], value.kind === "unknown" ? value : null);

const withProp = (props: Value, name: string, value: Value): ObjectValue => {
  const { properties, ...rest } = propsIn(props);
  return { ...rest, properties: new Map(properties).set(name, value) };
};

const saysSomething = (value: Value | undefined): boolean =>
  value !== undefined && !(value.kind === "known" && (value.value === "" || value.value == null));

/** Text of an attribute with its character references resolved by the parser. */
const decoded = (literal: Ast.StringLiteral): string => literal.value;

function nameOf(name: Ast.JSXElement["openingElement"]["name"]): string {
  if (name.type === "JSXIdentifier") return name.name;
  if (name.type === "JSXNamespacedName") return `${name.namespace.name}:${name.name.name}`;
  return `${nameOf(name.object)}.${name.property.name}`;
}

/** Lower case names are elements, others are looked up, and so is what a member is of. JSX, "element names". */
function typeOf(machine: Machine, name: Ast.JSXElement["openingElement"]["name"], scope: Scope): Value {
  if (name.type === "JSXNamespacedName") return known(nameOf(name));
  if (name.type === "JSXMemberExpression")
    return machine.member(
      variableNamed(machine, name.object, scope),
      name.property.name,
      placeOf(name, scope),
    );
  return /^[a-z]/.test(name.name) ? known(name.name) : variableNamed(machine, name, scope);
}

function variableNamed(
  machine: Machine,
  name: Ast.JSXIdentifier | Ast.JSXMemberExpression,
  scope: Scope,
): Value {
  if (name.type === "JSXMemberExpression") return typeOf(machine, name, scope);
  return machine.evaluate({ ...name, type: "Identifier" } as unknown as Ast.Identifier, scope);
}

/** Children as JSX has them: lines are folded, and what is only white space between lines is nothing. */
function childrenOf(machine: Machine, written: readonly Ast.Node[], scope: Scope): readonly Value[] {
  const children: Value[] = [];
  for (const child of written) {
    if (child.type === "JSXText") {
      const text = foldedLines(child.value);
      if (text !== "") children.push(textValue(text, spanOf(child, scope)));
    } else if (child.type === "JSXExpressionContainer") {
      if (child.expression.type === "JSXEmptyExpression") {
        const comment = commentIn(scope, child);
        if (comment !== null) children.push(comment);
      } else children.push(machine.evaluate(child.expression, scope));
    } else if (child.type === "JSXSpreadChild") children.push(unknownOf(machine, child, scope));
    else children.push(machine.evaluate(child, scope));
  }
  return children;
}

/** `{/* … *\/}` may speak to the audit. */
function commentIn(scope: Scope, child: Ast.Node): Value | null {
  const text = scope.module.text.slice(child.start ?? 0, child.end ?? 0);
  const match = /^\{\s*\/\*([\s\S]*)\*\/\s*\}$/.exec(text);
  return match === null
    ? null
    : { kind: "tree", nodes: [{ kind: "comment", value: match[1] ?? "", source: spanOf(child, scope) }] };
}

const textValue = (value: string, source: Span): Value => ({
  kind: "tree",
  nodes: [{ kind: "text", value, source }],
});

function foldedLines(text: string): string {
  const lines = text.split(/\r\n|\n|\r/);
  return lines
    .map((line, i) => {
      let kept = line.replace(/\t/g, " ");
      if (i > 0) kept = kept.replace(/^ +/, "");
      if (i < lines.length - 1) kept = kept.replace(/ +$/, "");
      return kept;
    })
    .filter((line) => line !== "")
    .join(" ");
}

/** What a value shows where it is rendered. */
export function nodesOf(composition: Composition, value: Value, namespace: Namespace): readonly TreeNode[] {
  const { machine } = composition;
  const inner = (one: Value) => composition.toNodes(one, namespace);
  switch (value.kind) {
    case "either": {
      const nodes = nodesOfEach(machine, value, inner);
      // Where nothing is shown however it falls, nothing is open.
      return nodes.every((node) => node.kind === "either" && node.arms.every((arm) => arm.length === 0))
        ? []
        : nodes;
    }
    case "list":
      return value.items.flatMap((item) => inner(item));
    case "each":
      return repeated(inner(value.item));
    case "markup":
      return composition.renderMarkup(value, namespace);
    case "tree":
      return value.nodes;
    case "unknown":
      if (value.type === "boolean" || value.type === "function") return [];
      return value.type === "string" || value.type === "number"
        ? [
            {
              kind: "text",
              value: { hole: value.text, source: value.source, mayBeEmpty: false },
              source: value.source,
            },
          ]
        : [
            {
              kind: "hole",
              hole: { ...holeOf(value), isWords: value.type === "any" && !/children|slot/i.test(value.text) },
            },
          ];
    case "object":
      // What is shown as a whole is no object: nobody knows what it is.
      return value.rest === null ? [] : [{ kind: "hole", hole: holeOf(value.rest) }];
    default: {
      const text = shownText(value);
      return text === null || text === "" ? [] : [{ kind: "text", value: text, source: null }];
    }
  }
}

/** Nodes of which there may be any number. */
export const repeated = (nodes: readonly TreeNode[]): readonly TreeNode[] =>
  nodes.map((node) =>
    node.kind === "element"
      ? { ...node, repeats: true }
      : node.kind === "either"
        ? { ...node, arms: node.arms.map(repeated) }
        : node,
  );

/** Renders one JSX element: an element of the page, a component, or a hole where neither is known. */
export function renderJsx(
  composition: Composition,
  markup: MarkupValue,
  namespace: Namespace,
): readonly TreeNode[] {
  const { machine } = composition;
  const { type } = markup;
  if (type.kind === "either")
    return nodesOfEach(machine, type, (one) => composition.renderMarkup({ ...markup, type: one }, namespace));
  if (type.kind === "known")
    return typeof type.value === "string" ? [jsxHost(composition, markup, type.value, null, namespace)] : [];
  const component = composition.componentOf(type);
  if (component !== null)
    return composition.use(component, {
      props: markup.props,
      places: markup.places,
      slots: new Map(),
      source: markup.source,
      endTag: markup.endTag,
      namespace,
      owner: markup.owner,
    });
  const standIn = composition.standsFor(markup.name);
  if (standIn !== null) return [jsxHost(composition, markup, standIn, markup.name, namespace)];
  const picture = installedPicture(composition, type, { ...markup, namespace });
  if (picture !== null) return picture;
  if (type.kind === "unknown" && type.isImported === true)
    composition.noteUnknown(markup.name, markup.source);
  const content = markup.props.properties.get("children");
  if (content !== undefined && content.kind !== "function")
    composition.addIsland(composition.toNodes(content, namespace), `<${markup.name}>`);
  const { properties, rest } = markup.props;
  const isPicture = isPictureName(markup.name) && rest === null && ![...properties.keys()].some(mayGiveWords);
  return [
    {
      kind: "hole",
      hole: { hole: `<${markup.name}>`, source: markup.source, mayBeEmpty: true, isPicture },
    },
  ];
}

/** An element of the page from JSX: its props under the names that HTML has for them. */
function jsxHost(
  composition: Composition,
  markup: MarkupValue,
  tag: string,
  writtenTag: string | null,
  around: Namespace,
): TreeNode {
  const { machine } = composition;
  const namespace = namespaceOf(tag, around);
  const attributes: WrittenAttribute[] = [];
  const listeners = new Map<string, { value: Value; source: Span | null }>();
  const { properties } = markup.props;
  let inner: Value | null = properties.get("children") ?? null;
  let children: readonly TreeNode[] | null = null;
  for (const [name, value] of properties) {
    const source = markup.places.get(name) ?? null;
    const event = /^on([A-Z]\w*?)(Capture)?$/.exec(name);
    if (event !== null)
      listeners.set(event[1] === "DoubleClick" ? "dblclick" : (event[1] ?? "").toLowerCase(), {
        value,
        source,
      });
    else if (name === "dangerouslySetInnerHTML") children = rawHtml(composition, value, markup);
    else if (name === "style")
      attributes.push({
        name,
        value: styleText(machine, value, { source: source ?? markup.source, text: "style", self: null }),
        source,
      });
    else if (tag === "textarea" && (name === "value" || name === "defaultValue")) inner = value;
    else if (!notAttributes.has(name)) {
      const known = jsxAttributeNames.get(name);
      attributes.push({
        name: known ?? (namespace === "html" || name.startsWith("aria-") ? name.toLowerCase() : name),
        value,
        source,
      });
    }
  }
  return hostElement({
    tag: namespace === "html" ? tag.toLowerCase() : tag,
    ...(writtenTag === null ? {} : { writtenTag }),
    isTagGiven: writtenTag === null && markup.name !== tag,
    namespace,
    attributes: lastOfEach(attributes),
    listeners: withoutIdle(machine, listeners),
    mayListen: properties.has("ref") && listensByScript(composition, markup),
    spread: markup.props.rest,
    children:
      children ??
      (inner === null ? [] : composition.toNodes(inner, tag === "foreignObject" ? "html" : namespace)),
    source: markup.source,
    endTag: markup.endTag,
    components: markup.owner,
    ...(markup.overwrites ? { overwrites: true as const } : {}),
  });
}

/** One attribute of a name, the last: `defaultValue` and `value` are the same in HTML. */
const lastOfEach = (attributes: readonly WrittenAttribute[]): readonly WrittenAttribute[] => [
  ...new Map(attributes.map((attribute) => [attribute.name, attribute])).values(),
];

/** Whether the file adds listeners by script to what it holds by reference. */
function listensByScript(composition: Composition, { source }: MarkupValue): boolean {
  const text = composition.textOf(source.file);
  return text === null || text.includes("addEventListener");
}

/** Content written as a text of HTML: what it holds is open. */
function rawHtml(
  composition: Composition,
  value: Value,
  { source, instance }: MarkupValue,
): readonly TreeNode[] {
  const html = composition.machine.member(value, "__html", { source, text: "__html", self: null });
  return htmlNodes(html, source, instance);
}

/** HTML that is put in as text: whether it says anything is a question. */
export function htmlNodes(html: Value, source: Span, instance: string): readonly TreeNode[] {
  if (html.kind === "known") {
    const text = String(html.value ?? "")
      .replace(/<[^>]*>/g, "")
      .trim();
    return text === "" ? [] : [{ kind: "text", value: text, source }];
  }
  return [
    {
      kind: "either",
      decision: {
        id: `html ${source.file}:${source.start}@${instance}`,
        arms: [{ is: "words" }, { is: "no words" }],
        named: false,
        source,
      },
      arms: [[{ kind: "hole", hole: { hole: "HTML", source, mayBeEmpty: false } }], []],
    },
  ];
}
