import type * as Ast from "@babel/types";
import type { AST } from "svelte/compiler";
import type {
  TemplateAttribute,
  TemplateBranch,
  TemplateElement,
  TemplateNode,
  TemplateSlot,
} from "../composition/source-module.ts";
import { parseValue } from "../script/parse-script.ts";

interface Placed {
  readonly start: number;
  readonly end: number;
}

type Parent = { readonly nodes: readonly AnyNode[] };
type AnyNode = AST.Fragment["nodes"][number];

/** Svelte's markup as every framework's. Expressions are parsed anew, so that all have trees of one kind. */
export const svelteTemplate = (
  fragment: AST.Fragment,
  text: string,
  typescript: boolean,
): readonly TemplateNode[] => nodes({ text, typescript }, fragment);

/** A template being read. */
interface Reading {
  readonly text: string;
  readonly typescript: boolean;
}

const expression = (reading: Reading, node: unknown): Ast.Expression | null => {
  const { start, end } = node as Placed;
  return parseValue(reading.text.slice(start, end), { start, typescript: reading.typescript, jsx: false });
};

const pattern = (reading: Reading, node: unknown): Ast.Node | null => {
  const { start, end } = node as Placed;
  const parsed = parseValue(`(${reading.text.slice(start, end)})=>0`, {
    start: start - 1,
    typescript: reading.typescript,
    jsx: false,
  });
  return parsed?.type === "ArrowFunctionExpression" ? (parsed.params[0] ?? null) : null;
};

function nodes(reading: Reading, { nodes: list }: Parent): readonly TemplateNode[] {
  const index = list.findIndex((node) => node.type === "ConstTag");
  if (index < 0) return list.flatMap((node) => one(reading, node));
  // What a constant names is known to all that comes after it.
  const found = list[index] as AST.ConstTag;
  const [declaration] = found.declaration.declarations;
  const name = pattern(reading, declaration.id);
  const value = expression(reading, declaration.init);
  const rest = nodes(reading, { nodes: list.slice(index + 1) });
  return [
    ...list.slice(0, index).flatMap((node) => one(reading, node)),
    name === null || value === null
      ? { kind: "group", children: rest }
      : { kind: "let", name, expression: value, children: rest },
  ];
}

function one(reading: Reading, node: AnyNode): readonly TemplateNode[] {
  const { start, end } = node;
  switch (node.type) {
    case "Text":
      return [{ kind: "text", value: node.data, start, end }];
    case "Comment":
      return [{ kind: "comment", value: node.data, start, end }];
    case "ExpressionTag":
      return [{ kind: "value", expression: expression(reading, node.expression), start, end }];
    case "HtmlTag":
      return [{ kind: "html", expression: expression(reading, node.expression), start, end }];
    case "RenderTag": {
      const value = expression(reading, node.expression);
      return value === null ? [] : [{ kind: "render", expression: value, start, end }];
    }
    case "IfBlock":
      return [{ kind: "if", branches: branches(reading, node) }];
    case "EachBlock":
      return [
        {
          kind: "each",
          list: expression(reading, node.expression),
          item: node.context === null ? null : pattern(reading, node.context),
          index:
            node.index === undefined
              ? null
              : ({ type: "Identifier", name: node.index, start, end } as Ast.Identifier),
          extra: [],
          children: nodes(reading, node.body),
          empty: node.fallback === undefined ? [] : nodes(reading, node.fallback),
          start,
          end,
        },
      ];
    case "KeyBlock":
      return nodes(reading, node.fragment);
    case "AwaitBlock":
      return [
        {
          kind: "if",
          branches: [node.then, node.pending, node.catch].flatMap((branch): TemplateBranch[] =>
            branch == null
              ? []
              : [{ test: expression(reading, node.expression), children: nodes(reading, branch) }],
          ),
        },
      ];
    case "SnippetBlock":
      return [
        {
          kind: "snippet",
          name: node.expression.name,
          parameters: node.parameters.flatMap((parameter) => pattern(reading, parameter) ?? []),
          children: nodes(reading, node.body),
        },
      ];
    case "SlotElement":
      return [
        {
          kind: "outlet",
          name: staticText(node.attributes, "name"),
          attributes: attributes(reading, node.attributes, false),
          fallback: nodes(reading, node.fragment),
          start,
          end,
        },
      ];
    case "RegularElement":
      return [element(reading, node, node.name, null, false)];
    case "SvelteElement":
      return [element(reading, node, "svelte:element", expression(reading, node.tag), false)];
    case "Component":
      return [
        element(
          reading,
          node,
          node.name,
          node.name.includes(".") ? expression(reading, namePlace(node)) : null,
          true,
        ),
      ];
    case "SvelteComponent":
      return [element(reading, node, "svelte:component", expression(reading, node.expression), true)];
    case "SvelteSelf":
      return [element(reading, node, "svelte:self", null, true)];
    case "SvelteFragment":
    case "SvelteBoundary":
      return nodes(reading, node.fragment);
    case "TitleElement":
      return [element(reading, node, "title", null, false)];
    default:
      return [];
  }
}

function branches(reading: Reading, node: AST.IfBlock): readonly TemplateBranch[] {
  const first: TemplateBranch = {
    test: expression(reading, node.test),
    children: nodes(reading, node.consequent),
  };
  if (node.alternate === null) return [first];
  const [only] = node.alternate.nodes.filter((inner) => inner.type !== "Text" || inner.data.trim() !== "");
  if (only?.type === "IfBlock" && only.elseif) return [first, ...branches(reading, only)];
  return [first, { test: null, children: nodes(reading, node.alternate) }];
}

function namePlace(node: { readonly start: number; readonly name: string }): Placed {
  return { start: node.start + 1, end: node.start + 1 + node.name.length };
}

function element(
  reading: Reading,
  node:
    | AST.RegularElement
    | AST.SvelteElement
    | AST.Component
    | AST.SvelteComponent
    | AST.SvelteSelf
    | AST.TitleElement,
  tag: string,
  dynamic: Ast.Node | null,
  isComponent: boolean,
): TemplateElement {
  const slotted: TemplateSlot[] = [];
  const plain: AnyNode[] = [];
  for (const child of node.fragment.nodes) {
    const slot = isComponent && "attributes" in child ? staticText(child.attributes, "slot") : null;
    if (slot === null) plain.push(child);
    else slotted.push({ name: slot, given: null, children: one(reading, child) });
  }
  return {
    kind: "element",
    tag,
    dynamic,
    attributes: attributes(reading, node.attributes, isComponent),
    children: nodes(reading, { nodes: plain }),
    slots: slotted,
    start: node.start,
    startEnd: startTagEnd(node, reading.text),
    end: node.end,
  };
}

function attributes(
  reading: Reading,
  written: readonly unknown[],
  isComponent: boolean,
): readonly TemplateAttribute[] {
  return (written as readonly AST.RegularElement["attributes"][number][]).flatMap(
    (attribute): readonly TemplateAttribute[] => {
      const { start, end } = attribute;
      switch (attribute.type) {
        case "Attribute":
          return [plainAttribute(reading, attribute, isComponent)];
        case "SpreadAttribute":
          return [{ kind: "spread", expression: expression(reading, attribute.expression), start, end }];
        case "OnDirective":
          return [
            {
              kind: "listener",
              event: attribute.name,
              expression: attribute.expression === null ? null : expression(reading, attribute.expression),
              code: attribute.expression === null ? "" : codeOf(reading, attribute.expression),
              start,
              end,
            },
          ];
        case "BindDirective":
          return attribute.name === "this"
            ? [{ kind: "opaque", name: "bind:this", start, end }]
            : [
                {
                  kind: "model",
                  name: attribute.name,
                  expression: expression(reading, attribute.expression),
                  start,
                  end,
                },
              ];
        case "ClassDirective":
          return [
            {
              kind: "toggle",
              name: "class",
              token: attribute.name,
              test: expression(reading, attribute.expression),
              start,
              end,
            },
          ];
        case "StyleDirective":
          return attribute.value === true
            ? []
            : [
                {
                  kind: "parts",
                  name: "style",
                  parts: [`${attribute.name}: `, ...partsOf(reading, attribute.value), "; "],
                  start,
                  end,
                },
              ];
        case "LetDirective":
        case "AnimateDirective":
        case "TransitionDirective":
          return [];
        default:
          return [{ kind: "opaque", name: attribute.type, start, end }];
      }
    },
  );
}

function plainAttribute(reading: Reading, attribute: AST.Attribute, isComponent: boolean): TemplateAttribute {
  const { name, value, start, end } = attribute;
  if (value === true)
    return isComponent
      ? {
          kind: "value",
          name,
          expression: { type: "BooleanLiteral", value: true, start, end } as Ast.Node,
          start,
          end,
        }
      : { kind: "text", name, value: "", start, end };
  const single = Array.isArray(value) ? (value.length === 1 ? value[0] : null) : value;
  if (single?.type === "ExpressionTag") {
    const parsed = expression(reading, single.expression);
    const event = isComponent ? null : /^on([a-z]+)$/.exec(name);
    return event === null
      ? { kind: "value", name, expression: parsed, start, end }
      : {
          kind: "listener",
          event: event[1] ?? "",
          expression: parsed,
          code: codeOf(reading, single.expression),
          start,
          end,
        };
  }
  if (single?.type === "Text") return { kind: "text", name, value: single.data, start, end };
  return { kind: "parts", name, parts: partsOf(reading, value), start, end };
}

function partsOf(reading: Reading, value: AST.Attribute["value"]): readonly (string | Ast.Node)[] {
  const list = Array.isArray(value) ? value : value === true ? [] : [value];
  return list.flatMap((part) =>
    part.type === "Text" ? part.data : (expression(reading, part.expression) ?? []),
  );
}

function codeOf(reading: Reading, node: unknown): string {
  const { start, end } = node as Placed;
  return reading.text.slice(start, end);
}

function staticText(attributes: readonly unknown[], name: string): string | null {
  for (const attribute of attributes as readonly AST.Attribute[]) {
    if (attribute.type !== "Attribute" || attribute.name !== name || !Array.isArray(attribute.value))
      continue;
    const [first] = attribute.value;
    if (first?.type === "Text") return first.data;
  }
  return null;
}

/** Where the start tag ends: after its last attribute, at the next `>`. */
function startTagEnd(
  node: {
    readonly start: number;
    readonly end: number;
    readonly attributes: readonly unknown[];
    readonly fragment: Parent;
  },
  text: string,
): number {
  const last = (node.attributes as readonly Placed[]).reduce(
    (index, attribute) => Math.max(index, attribute.end),
    node.start + 1,
  );
  const close = text.indexOf(">", last);
  return close < 0 ? node.end : close + 1;
}
