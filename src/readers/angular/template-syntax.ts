import type * as Ast from "@babel/types";
import type { TemplateAttribute, TemplateBranch, TemplateNode } from "../composition/source-module.ts";
import { parseValue } from "../script/parse-script.ts";

interface Place {
  readonly start: { readonly offset: number };
  readonly end: { readonly offset: number };
}

/** An expression with its text and where it stands in the template. */
interface AngularExpression {
  readonly source?: string | null;
  readonly sourceSpan: { readonly start: number; readonly end: number };
  readonly ast?: {
    readonly strings?: readonly string[];
    readonly expressions?: readonly AngularExpression[];
  };
}

interface Named {
  readonly name: string;
  readonly value: string;
  readonly sourceSpan: Place;
}

interface Bound {
  readonly name: string;
  readonly type: number;
  readonly value: AngularExpression | string;
  readonly sourceSpan: Place;
}

interface Output {
  readonly name: string;
  readonly type: number;
  readonly handler: AngularExpression;
  readonly handlerSpan?: Place;
  readonly sourceSpan: Place;
}

/** A node of the tree that Angular's own parser gives: which it is shows in what it has. */
export interface AngularNode {
  readonly name?: string;
  readonly tagName?: string | null;
  readonly attributes?: readonly (Named | Bound)[];
  readonly inputs?: readonly Bound[];
  readonly outputs?: readonly Output[];
  readonly templateAttrs?: readonly (Named | Bound)[];
  readonly variables?: readonly Named[];
  readonly references?: readonly Named[];
  readonly children?: readonly AngularNode[];
  readonly branches?: readonly (AngularNode & {
    readonly expression: AngularExpression | null;
    readonly expressionAlias?: Named | null;
  })[];
  readonly cases?: readonly (AngularNode & { readonly expression: AngularExpression | null })[];
  readonly groups?: readonly (AngularNode & {
    readonly cases: readonly { readonly expression: AngularExpression | null }[];
  })[];
  readonly expression?: AngularExpression;
  readonly item?: Named;
  readonly contextVariables?: readonly Named[];
  readonly empty?: AngularNode | null;
  readonly placeholder?: AngularNode | null;
  readonly loading?: AngularNode | null;
  readonly error?: AngularNode | null;
  readonly selector?: string;
  readonly value?: AngularExpression | string;
  readonly sourceSpan: Place;
  readonly startSourceSpan?: Place;
  readonly endSourceSpan?: Place | null;
}

const ATTRIBUTE = 1;
const CLASS = 2;
const STYLE = 3;

/** Angular's markup as every framework's. Offsets are those of the file that the template stands in. */
export function angularTemplate(
  nodes: readonly AngularNode[],
  text: string,
  base: number,
): readonly TemplateNode[] {
  const reading: Reading = { text, base, named: new Map() };
  collect(reading, nodes);
  return siblings(reading, nodes);
}

/** A template being read. */
interface Reading {
  readonly text: string;
  /** Where the template starts in its file. */
  readonly base: number;
  readonly named: Map<string, AngularNode>;
}

/** Templates that others refer to by name. */
function collect(reading: Reading, list: readonly AngularNode[]): void {
  for (const node of list) {
    if (node.tagName === "ng-template")
      for (const { name } of node.references ?? []) reading.named.set(name, node);
    for (const inner of [node.children, node.branches, node.cases, node.groups])
      if (inner !== undefined) collect(reading, inner);
  }
}

function siblings(reading: Reading, list: readonly AngularNode[]): readonly TemplateNode[] {
  const index = list.findIndex((node) => kindOf(node) === "LetDeclaration");
  const found = list[index];
  if (found === undefined) return list.flatMap((node) => one(reading, node));
  const value = typeof found.value === "object" ? parsed(reading, found.value) : null;
  const children = siblings(reading, list.slice(index + 1));
  return [
    ...list.slice(0, index).flatMap((node) => one(reading, node)),
    value === null
      ? { kind: "group", children }
      : { kind: "let", name: identifier(reading, found.name ?? ""), expression: value, children },
  ];
}

function one(reading: Reading, node: AngularNode): readonly TemplateNode[] {
  const [start, end] = placed(reading, node.sourceSpan);
  switch (kindOf(node)) {
    case "Text":
      return [{ kind: "text", value: String(node.value ?? ""), start, end }];
    case "BoundText":
      return boundText(reading, node.value as AngularExpression, start, end);
    case "Element":
    case "Component":
      return [element(reading, node)];
    case "Template":
      return template(reading, node);
    case "Content":
      return [
        {
          kind: "outlet",
          name: null,
          select: node.selector === undefined || node.selector === "*" ? "default" : node.selector,
          attributes: [],
          fallback: siblings(reading, node.children ?? []),
          start,
          end,
        },
      ];
    case "IfBlock":
      return [
        {
          kind: "if",
          branches: (node.branches ?? []).map(({ expression, expressionAlias, children }): TemplateBranch => {
            const test = expression === null ? null : (parsed(reading, expression) ?? null);
            const inner = siblings(reading, children ?? []);
            return {
              test,
              children:
                expressionAlias == null || test === null
                  ? inner
                  : [
                      {
                        kind: "let",
                        name: identifier(reading, expressionAlias.name),
                        expression: test,
                        children: inner,
                      },
                    ],
            };
          }),
        },
      ];
    case "ForLoopBlock":
      return [loop(reading, node)];
    case "SwitchBlock":
      return [switched(reading, node)];
    case "DeferredBlock":
      return [deferred(reading, node)];
    default:
      return [];
  }
}

function boundText(
  reading: Reading,
  value: AngularExpression,
  start: number,
  end: number,
): readonly TemplateNode[] {
  const { strings = [], expressions = [] } = value.ast ?? {};
  return strings.flatMap((string, i): TemplateNode[] => {
    const expression = expressions[i];
    const nodes: TemplateNode[] = string === "" ? [] : [{ kind: "text", value: string, start, end }];
    if (expression === undefined) return nodes;
    const [from, to] = [expression.sourceSpan.start + reading.base, expression.sourceSpan.end + reading.base];
    return [...nodes, { kind: "value", expression: parsed(reading, expression), start: from, end: to }];
  });
}

function loop(reading: Reading, node: AngularNode): TemplateNode {
  const [start, end] = placed(reading, node.sourceSpan);
  const index = (node.contextVariables ?? []).find(
    ({ name, value }) => value === "$index" && name !== "$index",
  );
  return {
    kind: "each",
    list: node.expression === undefined ? null : parsed(reading, node.expression),
    item: identifier(reading, node.item?.name ?? ""),
    index: index === undefined ? null : identifier(reading, index.name),
    extra: (node.contextVariables ?? []).map(({ name }) => name).filter((name) => name !== index?.name),
    children: siblings(reading, node.children ?? []),
    empty: siblings(reading, node.empty?.children ?? []),
    start,
    end,
  };
}

function switched(reading: Reading, node: AngularNode): TemplateNode {
  const subject = node.expression === undefined ? null : parsed(reading, node.expression);
  const groups =
    node.groups ?? node.cases?.map((one) => ({ ...one, cases: [{ expression: one.expression }] })) ?? [];
  const branches = groups.map(({ cases, children }): TemplateBranch => {
    const [first] = cases;
    const value = first?.expression == null ? null : parsed(reading, first.expression);
    const test =
      value === null || subject === null
        ? null
        : ({
            type: "BinaryExpression",
            operator: "===",
            left: subject,
            right: value,
            start: value.start,
            end: value.end,
          } as Ast.BinaryExpression);
    return { test, children: siblings(reading, children ?? []) };
  });
  // What stands for all others comes last, wherever it is written.
  return {
    kind: "if",
    branches: [
      ...branches.filter(({ test }) => test !== null),
      ...branches.filter(({ test }) => test === null),
    ],
  };
}

/** What comes later, and what stands there until it does, or where it does not. Angular, "Deferrable views". */
function deferred(reading: Reading, node: AngularNode): TemplateNode {
  const branch = (block: AngularNode, name: string): TemplateBranch => {
    const [start] = placed(reading, block.sourceSpan);
    return {
      test: openTest(name, start, start + name.length),
      children: siblings(reading, block.children ?? []),
    };
  };
  return {
    kind: "if",
    branches: [
      branch(node, "@defer"),
      ...(node.loading == null ? [] : [branch(node.loading, "@loading")]),
      ...(node.error == null ? [] : [branch(node.error, "@error")]),
      { test: null, children: siblings(reading, node.placeholder?.children ?? []) },
    ],
  };
}

/** A condition of which nobody knows whether it holds, as it is written. */
const openTest = (name: string, start: number, end: number): Ast.Identifier =>
  ({ type: "Identifier", name, start, end }) as Ast.Identifier;

/** What `*ngIf` and `*ngFor` make of an element, or an `ng-template` that waits to be used. */
function template(reading: Reading, node: AngularNode): readonly TemplateNode[] {
  const written = node.templateAttrs ?? [];
  const inner =
    node.tagName === "ng-template" || written.length === 0 ? [] : siblings(reading, node.children ?? []);
  const bound = (name: string): AngularExpression | null => {
    const found = written.find((attribute) => attribute.name === name)?.value;
    return typeof found === "object" ? found : null;
  };
  const [start, end] = placed(reading, node.sourceSpan);
  const list = bound("ngForOf");
  if (list !== null) {
    const variables = node.variables ?? [];
    const index = variables.find(({ value }) => value === "index");
    return [
      {
        kind: "each",
        list: parsed(reading, list),
        item: identifier(reading, variables.find(({ value }) => value === "$implicit")?.name ?? ""),
        index: index === undefined ? null : identifier(reading, index.name),
        extra: variables
          .filter(({ value }) => value !== "$implicit" && value !== "index")
          .map(({ name }) => name),
        children: inner,
        empty: [],
        start,
        end,
      },
    ];
  }
  const test = bound("ngIf");
  if (test !== null) {
    const otherwise = bound("ngIfElse")?.source?.trim();
    const other = otherwise === undefined ? undefined : reading.named.get(otherwise);
    return [
      {
        kind: "if",
        branches: [
          { test: parsed(reading, test), children: inner },
          ...(other === undefined ? [] : [{ test: null, children: siblings(reading, other.children ?? []) }]),
        ],
      },
    ];
  }
  const outlet = bound("ngTemplateOutlet")?.source?.trim();
  const used = outlet === undefined ? undefined : reading.named.get(outlet);
  if (used !== undefined) return siblings(reading, used.children ?? []);
  if (node.tagName === "ng-template") return [];
  // Whether another directive shows it, nobody here knows.
  const [unknown] = written;
  return unknown === undefined
    ? inner
    : [
        {
          kind: "if",
          branches: [
            { test: openTest(`*${unknown.name}`, ...placed(reading, unknown.sourceSpan)), children: inner },
          ],
        },
      ];
}

function element(reading: Reading, node: AngularNode): TemplateNode {
  const [start] = placed(reading, node.sourceSpan);
  const tag = (node.name ?? "").replace(/^:(?:svg|math):/, "");
  const attributes = [
    ...(node.attributes ?? []).map((attribute) => plain(reading, attribute as Named)),
    ...(node.inputs ?? []).map((a0) => input(reading, a0)),
    ...(node.outputs ?? []).map((a0) => output(reading, a0)),
    ...(node.references ?? []).map(({ name, sourceSpan }): TemplateAttribute => {
      const [from, to] = placed(reading, sourceSpan);
      return { kind: "opaque", name: `#${name}`, start: from, end: to };
    }),
  ];
  const html = attributes.find((attribute) => attribute.kind === "value" && attribute.name === "innerHTML");
  const words = attributes.find(
    (attribute) =>
      attribute.kind === "value" && (attribute.name === "textContent" || attribute.name === "innerText"),
  );
  const content: readonly TemplateNode[] =
    html?.kind === "value"
      ? [{ kind: "html", expression: html.expression, start: html.start, end: html.end }]
      : words?.kind === "value"
        ? [{ kind: "value", expression: words.expression, start: words.start, end: words.end }]
        : siblings(reading, node.children ?? []);
  if (tag === "ng-container") return { kind: "group", children: content };
  return {
    kind: "element",
    tag,
    dynamic: null,
    attributes: attributes.filter((attribute) => attribute !== html && attribute !== words),
    children: content,
    slots: [],
    start,
    startEnd: (node.startSourceSpan ?? node.sourceSpan).end.offset + reading.base,
    end: node.sourceSpan.end.offset + reading.base,
  };
}

function plain(reading: Reading, { name, value, sourceSpan }: Named): TemplateAttribute {
  const [start, end] = placed(reading, sourceSpan);
  return { kind: "text", name, value, start, end };
}

function input(reading: Reading, { name, type, value, sourceSpan }: Bound): TemplateAttribute {
  const [start, end] = placed(reading, sourceSpan);
  if (typeof value === "string") return { kind: "text", name, value, start, end };
  if (type === CLASS)
    return { kind: "toggle", name: "class", token: name, test: parsed(reading, value), start, end };
  const parts = value.ast?.strings === undefined ? null : partsOf(reading, value);
  if (type === STYLE)
    return {
      kind: "parts",
      name: "style",
      parts: [`${name}: `, ...(parts ?? [parsed(reading, value) ?? "inherit"]), "; "],
      start,
      end,
    };
  if (parts !== null) return { kind: "parts", name: attributeName(name), parts, start, end };
  const bare = reading.text.slice(start - reading.base, end - reading.base);
  if (/^\[\(/.test(bare))
    return {
      kind: "model",
      name: name === "ngModel" ? "value" : name,
      expression: parsed(reading, value),
      start,
      end,
    };
  return {
    kind: "value",
    name: type === ATTRIBUTE ? name : attributeName(name),
    expression: parsed(reading, value),
    start,
    end,
  };
}

function partsOf(reading: Reading, value: AngularExpression): readonly (string | Ast.Node)[] {
  const { strings = [], expressions = [] } = value.ast ?? {};
  return strings.flatMap((string, i) => {
    const expression = expressions[i];
    const parsedOf =
      expression === undefined ? null : (parsed(reading, expression) ?? unreadable(reading, expression));
    return parsedOf === null ? [string] : [string, parsedOf];
  });
}

/** An expression that is no script stands for a value that nobody knows. */
function unreadable(reading: Reading, { sourceSpan }: AngularExpression): Ast.Node {
  return {
    type: "Identifier",
    name: "(piped)",
    start: sourceSpan.start + reading.base,
    end: sourceSpan.end + reading.base,
  } as Ast.Identifier;
}

function output(reading: Reading, { name, handler, handlerSpan, sourceSpan }: Output): TemplateAttribute {
  const [start, end] = placed(reading, sourceSpan);
  const code =
    handlerSpan === undefined
      ? (handler.source ?? "")
      : reading.text.slice(handlerSpan.start.offset, handlerSpan.end.offset);
  // `(keydown.enter)` is a handler of a key by its name.
  const [event = name] = name.split(".");
  return {
    kind: "listener",
    event,
    expression: null,
    code: code.replaceAll("$event", "event"),
    start,
    end,
  };
}

function parsed(reading: Reading, value: AngularExpression): Ast.Expression | null {
  const source = value.source ?? reading.text.slice(value.sourceSpan.start, value.sourceSpan.end);
  // A pipe turns a value into another that source does not give.
  if (/(?<!\|)\|(?!\|)/.test(source)) return null;
  const start = value.sourceSpan.start + reading.base;
  // A member may be called by a word that scripts reserve: `for()`.
  return (
    parseValue(source, { start, typescript: true, jsx: false }) ??
    parseValue(`this.${source.trimStart()}`, {
      start: start - "this.".length,
      typescript: true,
      jsx: false,
    })
  );
}

function placed(reading: Reading, { start, end }: Place): readonly [number, number] {
  return [start.offset + reading.base, end.offset + reading.base];
}

function identifier(reading: Reading, name: string): Ast.Identifier {
  return { type: "Identifier", name, start: reading.base, end: reading.base } as Ast.Identifier;
}

/** Properties of elements whose attribute goes by another name. HTML, "reflect". */
const attributeOf: ReadonlyMap<string, string> = new Map([
  ["className", "class"],
  ["htmlFor", "for"],
  ["tabIndex", "tabindex"],
  ["readOnly", "readonly"],
  ["maxLength", "maxlength"],
  ["colSpan", "colspan"],
  ["rowSpan", "rowspan"],
  ["ariaLabel", "aria-label"],
  ["ariaExpanded", "aria-expanded"],
  ["ariaHidden", "aria-hidden"],
  ["ngClass", "class"],
  ["ngStyle", "style"],
]);

const attributeName = (name: string): string => attributeOf.get(name) ?? name;

/** Which node it is: the parser's classes, told by their names as they are bundled, and by what they have otherwise. */
function kindOf(node: AngularNode): string {
  if (node.branches !== undefined) return "IfBlock";
  if (node.contextVariables !== undefined) return "ForLoopBlock";
  if (node.groups !== undefined || node.cases !== undefined) return "SwitchBlock";
  if (node.selector !== undefined) return "Content";
  if (node.templateAttrs !== undefined) return "Template";
  if (node.inputs !== undefined && node.name !== undefined) return "Element";
  if ("triggers" in node) return "DeferredBlock";
  if (node.name !== undefined && node.value !== undefined) return "LetDeclaration";
  if (typeof node.value === "string") return "Text";
  return node.value === undefined ? "Unknown" : "BoundText";
}
