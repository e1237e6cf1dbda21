import type * as Ast from "@babel/types";
import type {
  TemplateAttribute,
  TemplateElement,
  TemplateNode,
  TemplateSlot,
} from "../composition/source-module.ts";
import { parseValue } from "../script/parse-script.ts";

interface Place {
  readonly start: { readonly offset: number };
  readonly end: { readonly offset: number };
}

interface VueExpression {
  readonly content: string;
  readonly isStatic: boolean;
  readonly loc: Place;
}

/** A node of the tree that Vue's own parser gives: elements 1, text 2, comments 3, `{{ }}` 5. */
export interface VueNode {
  readonly type: number;
  readonly tag?: string;
  readonly tagType?: number;
  readonly props?: readonly VueProp[];
  readonly children?: readonly VueNode[];
  readonly content?: string | VueExpression;
  readonly loc: Place;
  readonly innerLoc?: Place;
}

/** An attribute (6) or a directive (7). */
interface VueProp {
  readonly type: number;
  readonly name: string;
  readonly rawName?: string;
  readonly value?: { readonly content: string };
  readonly arg?: VueExpression;
  readonly exp?: VueExpression;
  readonly modifiers?: readonly { readonly content: string }[];
  readonly forParseResult?: {
    readonly source: VueExpression;
    readonly value?: VueExpression;
    readonly key?: VueExpression;
    readonly index?: VueExpression;
  };
  readonly loc: Place;
}

const ELEMENT = 1;
const TEXT = 2;
const COMMENT = 3;
const INTERPOLATION = 5;
const DIRECTIVE = 7;

/** Vue's markup as every framework's. Expressions are parsed with their offsets in the file. */
export const vueTemplate = (nodes: readonly VueNode[], typescript: boolean): readonly TemplateNode[] =>
  siblings({ typescript }, nodes);

/** A template being read. */
interface Reading {
  readonly typescript: boolean;
}

const expression = (reading: Reading, { content, loc }: VueExpression): Ast.Expression | null =>
  parseValue(content, { start: loc.start.offset, typescript: reading.typescript, jsx: false });

/** A pattern stands where a parameter does. */
const pattern = (reading: Reading, { content, loc }: VueExpression): Ast.Node | null => {
  const parsed = parseValue(`(${content})=>0`, {
    start: loc.start.offset - 1,
    typescript: reading.typescript,
    jsx: false,
  });
  return parsed?.type === "ArrowFunctionExpression" ? (parsed.params[0] ?? null) : null;
};

function siblings(reading: Reading, list: readonly VueNode[]): readonly TemplateNode[] {
  const nodes: TemplateNode[] = [];
  for (const node of list) {
    const condition = node.type === ELEMENT ? directive(node, "if", "else-if", "else") : null;
    if (condition !== null && condition.name !== "if") {
      // What stands between the branches is white space.
      const index = nodes.findLastIndex((one) => one.kind === "if");
      const before = nodes[index];
      if (before?.kind === "if") {
        const test = condition.exp === undefined ? null : expression(reading, condition.exp);
        nodes.splice(index, nodes.length - index, {
          kind: "if",
          branches: [...before.branches, { test, children: elementNodes(reading, node) }],
        });
        continue;
      }
    }
    if (node.type === ELEMENT && directive(node, "for") !== null) nodes.push(each(reading, node));
    else if (condition?.name === "if") nodes.push(branch(reading, node, condition));
    else nodes.push(...plain(reading, node));
  }
  return nodes;
}

function plain(reading: Reading, node: VueNode): readonly TemplateNode[] {
  const [start, end] = [node.loc.start.offset, node.loc.end.offset];
  switch (node.type) {
    case TEXT:
      return [{ kind: "text", value: String(node.content ?? ""), start, end }];
    case COMMENT:
      return [{ kind: "comment", value: String(node.content ?? ""), start, end }];
    case INTERPOLATION:
      return [{ kind: "value", expression: expression(reading, node.content as VueExpression), start, end }];
    case ELEMENT:
      return elementNodes(reading, node);
    default:
      return [];
  }
}

function branch(reading: Reading, node: VueNode, condition: VueProp): TemplateNode {
  const test = condition.exp === undefined ? null : expression(reading, condition.exp);
  return { kind: "if", branches: [{ test, children: elementNodes(reading, node) }] };
}

function each(reading: Reading, node: VueNode): TemplateNode {
  const found = directive(node, "for");
  const parsed = found?.forParseResult;
  const condition = directive(node, "if");
  return {
    kind: "each",
    list: parsed === undefined ? null : expression(reading, parsed.source),
    item: parsed?.value === undefined ? null : pattern(reading, parsed.value),
    index: parsed?.key === undefined ? null : pattern(reading, parsed.key),
    extra: [],
    children: condition === null ? elementNodes(reading, node) : [branch(reading, node, condition)],
    empty: [],
    start: node.loc.start.offset,
    end: node.loc.end.offset,
  };
}

function elementNodes(reading: Reading, node: VueNode): readonly TemplateNode[] {
  const props = node.props ?? [];
  const tag = node.tag ?? "";
  const [start, end] = [node.loc.start.offset, node.loc.end.offset];
  const children = node.children ?? [];
  if (tag === "slot") {
    const name =
      props.find((prop) => prop.type !== DIRECTIVE && prop.name === "name")?.value?.content ?? null;
    const isOpen = props.some((prop) => prop.type === DIRECTIVE && prop.arg?.content === "name");
    return [
      {
        kind: "outlet",
        name: isOpen ? "(open)" : name,
        attributes: attributes(
          reading,
          props.filter((prop) => prop.name !== "name"),
          false,
        ),
        fallback: siblings(reading, children),
        start,
        end,
      },
    ];
  }
  if (tag === "template" && directive(node, "slot") === null && !props.some(isPlain))
    return siblings(reading, children);
  return [element(reading, node, tag, props, children, start, end)];
}

function element(
  reading: Reading,
  node: VueNode,
  tag: string,
  props: readonly VueProp[],
  children: readonly VueNode[],
  start: number,
  end: number,
): TemplateElement {
  const is = props.find((prop) =>
    prop.type === DIRECTIVE ? prop.arg?.content === "is" : prop.name === "is",
  );
  const dynamic =
    tag !== "component" || is === undefined
      ? null
      : is.exp === undefined
        ? textNode(is)
        : expression(reading, is.exp);
  const isComponent = node.tagType === 1;
  const content = contentOf(reading, props);
  const whole = directive(node, "slot");
  const named = children.filter(
    (child) => child.type === ELEMENT && child.tag === "template" && directive(child, "slot") !== null,
  );
  const slots: TemplateSlot[] = named.map((child) => slotOf(reading, child));
  const others = siblings(
    reading,
    children.filter((child) => !named.includes(child)),
  );
  if (whole !== null && whole.exp !== undefined)
    slots.push({
      name: whole.arg?.content ?? "default",
      given: pattern(reading, whole.exp),
      children: others,
    });
  return {
    kind: "element",
    tag,
    dynamic,
    attributes: attributes(
      reading,
      props.filter((prop) => prop !== is || tag !== "component"),
      isComponent,
    ),
    children: content ?? (whole === null || whole.exp === undefined ? others : []),
    slots,
    start,
    startEnd: startTagEnd(node, props, start),
    end,
  };
}

function slotOf(reading: Reading, node: VueNode): TemplateSlot {
  const slot = directive(node, "slot");
  return {
    name: slot?.arg?.content ?? "default",
    given: slot?.exp === undefined ? null : pattern(reading, slot.exp),
    children: siblings(reading, node.children ?? []),
  };
}

/** `v-text` and `v-html` take the place of what is inside. */
function contentOf(reading: Reading, props: readonly VueProp[]): readonly TemplateNode[] | null {
  for (const prop of props) {
    if (prop.type !== DIRECTIVE || prop.exp === undefined) continue;
    const [start, end] = [prop.loc.start.offset, prop.loc.end.offset];
    if (prop.name === "text")
      return [{ kind: "value", expression: expression(reading, prop.exp), start, end }];
    if (prop.name === "html")
      return [{ kind: "html", expression: expression(reading, prop.exp), start, end }];
  }
  return null;
}

function attributes(
  reading: Reading,
  props: readonly VueProp[],
  isComponent: boolean,
): readonly TemplateAttribute[] {
  return props.flatMap((prop): readonly TemplateAttribute[] => {
    const [start, end] = [prop.loc.start.offset, prop.loc.end.offset];
    if (prop.type !== DIRECTIVE)
      return prop.name === "ref"
        ? [{ kind: "opaque", name: "ref", start, end }]
        : prop.name === "key"
          ? []
          : [{ kind: "text", name: prop.name, value: prop.value?.content ?? "", start, end }];
    const value = prop.exp === undefined ? null : expression(reading, prop.exp);
    switch (prop.name) {
      case "bind":
        if (prop.arg === undefined) return [{ kind: "spread", expression: value, start, end }];
        if (!prop.arg.isStatic) return [{ kind: "spread", expression: null, start, end }];
        if (prop.arg.content === "key" || prop.arg.content === "ref") return [];
        return [
          {
            kind: "value",
            name: prop.arg.content,
            expression: value ?? sameName(reading, prop.arg),
            start,
            end,
          },
        ];
      case "on":
        return prop.arg?.isStatic === true
          ? [
              {
                kind: "listener",
                event: prop.arg.content,
                expression: value,
                code: codeOf(prop),
                start,
                end,
              },
            ]
          : [{ kind: "opaque", name: "v-on", start, end }];
      case "model":
        return [
          {
            kind: "model",
            name: isComponent ? (prop.arg?.content ?? "modelValue") : "value",
            expression: value,
            start,
            end,
          },
        ];
      case "show":
        return [{ kind: "toggle", name: "style", token: "display", test: value, start, end }];
      case "text":
      case "html":
      case "if":
      case "else":
      case "else-if":
      case "for":
      case "slot":
      case "once":
      case "memo":
      case "cloak":
      case "pre":
        return [];
      default:
        return [{ kind: "opaque", name: `v-${prop.name}`, start, end }];
    }
  });
}

/** `:label` alone takes the variable of its name. */
function sameName(reading: Reading, { content, loc }: VueExpression): Ast.Expression | null {
  const name = content.replace(/-(\w)/g, (_, c: string) => c.toUpperCase());
  return parseValue(name, { start: loc.start.offset, typescript: reading.typescript, jsx: false });
}

const isPlain = (prop: VueProp): boolean => prop.type !== DIRECTIVE;

/** What a handler does; a modifier that keeps the event from others does nothing by itself. */
const codeOf = ({ exp, modifiers }: VueProp): string =>
  exp === undefined || exp.content.trim() === ""
    ? (modifiers ?? [])
        .map(({ content }) =>
          content === "prevent"
            ? "event.preventDefault()"
            : content === "stop"
              ? "event.stopPropagation()"
              : "",
        )
        .join(";")
    : exp.content;

const directive = (node: VueNode, ...names: readonly string[]): VueProp | null =>
  (node.props ?? []).find((prop) => prop.type === DIRECTIVE && names.includes(prop.name)) ?? null;

const textNode = (prop: VueProp): Ast.Node =>
  ({
    type: "StringLiteral",
    value: prop.value?.content ?? "",
    start: prop.loc.start.offset,
    end: prop.loc.end.offset,
  }) as Ast.Node;

/** The start tag ends after its last attribute; Vue's parser does not say where. */
function startTagEnd(node: VueNode, props: readonly VueProp[], start: number): number {
  const last = Math.max(start + 1 + (node.tag?.length ?? 0), ...props.map((prop) => prop.loc.end.offset));
  const first = node.children?.[0];
  const source = (node.loc as Place & { readonly source?: string }).source;
  if (source !== undefined) {
    const close = source.indexOf(">", last - start);
    if (close >= 0) return start + close + 1;
  }
  return first === undefined ? last : Math.min(first.loc.start.offset, node.loc.end.offset);
}
