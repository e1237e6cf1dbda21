var __defProp = Object.defineProperty;
var __getOwnPropNames = Object.getOwnPropertyNames;
var __esm = (fn, res, err) => function __init() {
  if (err) throw err[0];
  try {
    return fn && (res = (0, fn[__getOwnPropNames(fn)[0]])(fn = 0)), res;
  } catch (e) {
    throw err = [e], e;
  }
};
var __export = (target, all) => {
  for (var name in all)
    __defProp(target, name, { get: all[name], enumerable: true });
};

// src/readers/script/parse-script.ts
import { parse, parseExpression } from "@babel/parser";
function parseScript(text, place) {
  try {
    const file = parse(text, optionsFor(place));
    const errors = file.errors ?? [];
    return { program: file.program, errors: errors.map((error) => scriptError(error, place.start)) };
  } catch (error) {
    return { program: nobody, errors: [scriptError(error, place.start)] };
  }
}
function parseValue(text, place) {
  try {
    return parseExpression(text, optionsFor(place));
  } catch {
    return null;
  }
}
function reassignedIn(program) {
  const names = /* @__PURE__ */ new Set();
  const target = (node) => {
    if (node.type === "Identifier") names.add(node.name);
    else if (node.type === "ArrayPattern") for (const item of node.elements) item && target(item);
    else if (node.type === "ObjectPattern")
      for (const item of node.properties) target(item.type === "RestElement" ? item.argument : item.value);
    else if (node.type === "AssignmentPattern") target(node.left);
  };
  everyNode(program, (node) => {
    if (node.type === "AssignmentExpression") target(node.left);
    else if (node.type === "UpdateExpression") target(node.argument);
    return true;
  });
  return names;
}
function everyNode(root, visit) {
  const stack = [root];
  for (let node = stack.pop(); node !== void 0; node = stack.pop()) {
    if (!visit(node)) continue;
    for (const [key, value] of Object.entries(node)) {
      if (key === "loc" || key === "extra") continue;
      if (Array.isArray(value)) {
        for (let i = value.length - 1; i >= 0; i--) if (isNode(value[i])) stack.push(value[i]);
      } else if (isNode(value)) stack.push(value);
    }
  }
}
var nobody, optionsFor, scriptError, isNode;
var init_parse_script = __esm({
  "src/readers/script/parse-script.ts"() {
    "use strict";
    nobody = {
      type: "Program",
      body: [],
      directives: [],
      sourceType: "module"
    };
    optionsFor = ({ start, typescript, jsx }) => ({
      sourceType: "module",
      allowReturnOutsideFunction: true,
      allowAwaitOutsideFunction: true,
      allowUndeclaredExports: true,
      errorRecovery: true,
      attachComment: false,
      startIndex: start,
      startLine: 1,
      startColumn: start,
      plugins: [
        ...typescript ? ["typescript"] : ["flow"],
        ...jsx ? ["jsx"] : [],
        "decorators-legacy",
        "explicitResourceManagement"
      ]
    });
    scriptError = ({ message, pos, loc }, start) => ({
      message: message.replace(/\s*\(\d+:\d+\)$/, ""),
      offset: loc?.index ?? pos ?? start
    });
    isNode = (value) => typeof value === "object" && value !== null && typeof value.type === "string";
  }
});

// src/readers/vue/vue-template.ts
function vueTemplate(nodes, typescript) {
  const expression = ({ content, loc }) => parseValue(content, { start: loc.start.offset, typescript, jsx: false });
  const pattern = ({ content, loc }) => {
    const made = parseValue(`(${content})=>0`, { start: loc.start.offset - 1, typescript, jsx: false });
    return made?.type === "ArrowFunctionExpression" ? made.params[0] ?? null : null;
  };
  return siblings(nodes);
  function siblings(list) {
    const made = [];
    for (const node of list) {
      const condition = node.type === ELEMENT ? directive(node, "if", "else-if", "else") : null;
      if (condition !== null && condition.name !== "if") {
        const at = made.findLastIndex((one) => one.kind === "if");
        const before = made[at];
        if (before?.kind === "if") {
          const test = condition.exp === void 0 ? null : expression(condition.exp);
          made.splice(at, made.length - at, {
            kind: "if",
            branches: [...before.branches, { test, children: elementNodes(node) }]
          });
          continue;
        }
      }
      if (node.type === ELEMENT && directive(node, "for") !== null) made.push(each(node));
      else if (condition?.name === "if") made.push(branch(node, condition));
      else made.push(...plain2(node));
    }
    return made;
  }
  function plain2(node) {
    const [start, end] = [node.loc.start.offset, node.loc.end.offset];
    switch (node.type) {
      case TEXT:
        return [{ kind: "text", value: String(node.content ?? ""), start, end }];
      case COMMENT:
        return [{ kind: "comment", value: String(node.content ?? ""), start, end }];
      case INTERPOLATION:
        return [{ kind: "value", expression: expression(node.content), start, end }];
      case ELEMENT:
        return elementNodes(node);
      default:
        return [];
    }
  }
  function branch(node, condition) {
    const test = condition.exp === void 0 ? null : expression(condition.exp);
    return { kind: "if", branches: [{ test, children: elementNodes(node) }] };
  }
  function each(node) {
    const found = directive(node, "for");
    const parsed2 = found?.forParseResult;
    const condition = directive(node, "if");
    return {
      kind: "each",
      list: parsed2 === void 0 ? null : expression(parsed2.source),
      item: parsed2?.value === void 0 ? null : pattern(parsed2.value),
      index: parsed2?.key === void 0 ? null : pattern(parsed2.key),
      extra: [],
      children: condition === null ? elementNodes(node) : [branch(node, condition)],
      empty: [],
      start: node.loc.start.offset,
      end: node.loc.end.offset
    };
  }
  function elementNodes(node) {
    const props = node.props ?? [];
    const tag = node.tag ?? "";
    const [start, end] = [node.loc.start.offset, node.loc.end.offset];
    const children = node.children ?? [];
    if (tag === "slot") {
      const name = props.find((prop) => prop.type !== DIRECTIVE && prop.name === "name")?.value?.content ?? null;
      const isOpen = props.some((prop) => prop.type === DIRECTIVE && prop.arg?.content === "name");
      return [
        {
          kind: "outlet",
          name: isOpen ? "(open)" : name,
          attributes: attributes(props.filter((prop) => prop.name !== "name"), false),
          fallback: siblings(children),
          start,
          end
        }
      ];
    }
    if (tag === "template" && directive(node, "slot") === null && !props.some(isPlain)) return siblings(children);
    return [element(node, tag, props, children, start, end)];
  }
  function element(node, tag, props, children, start, end) {
    const is = props.find((prop) => prop.type === DIRECTIVE ? prop.arg?.content === "is" : prop.name === "is");
    const dynamic = tag !== "component" || is === void 0 ? null : is.exp === void 0 ? textNode(is) : expression(is.exp);
    const isComponent = node.tagType === 1;
    const content = contentOf(props);
    const whole = directive(node, "slot");
    const named = children.filter((child) => child.type === ELEMENT && child.tag === "template" && directive(child, "slot") !== null);
    const slots = named.map((child) => slotOf(child));
    const others = siblings(children.filter((child) => !named.includes(child)));
    if (whole !== null && whole.exp !== void 0)
      slots.push({ name: whole.arg?.content ?? "default", given: pattern(whole.exp), children: others });
    return {
      kind: "element",
      tag,
      dynamic,
      attributes: attributes(props.filter((prop) => prop !== is || tag !== "component"), isComponent),
      children: content ?? (whole === null || whole.exp === void 0 ? others : []),
      slots,
      start,
      startEnd: startTagEnd(node, props, start),
      end
    };
  }
  function slotOf(node) {
    const slot = directive(node, "slot");
    return {
      name: slot?.arg?.content ?? "default",
      given: slot?.exp === void 0 ? null : pattern(slot.exp),
      children: siblings(node.children ?? [])
    };
  }
  function contentOf(props) {
    for (const prop of props) {
      if (prop.type !== DIRECTIVE || prop.exp === void 0) continue;
      const [start, end] = [prop.loc.start.offset, prop.loc.end.offset];
      if (prop.name === "text") return [{ kind: "value", expression: expression(prop.exp), start, end }];
      if (prop.name === "html") return [{ kind: "html", expression: expression(prop.exp), start, end }];
    }
    return null;
  }
  function attributes(props, isComponent) {
    return props.flatMap((prop) => {
      const [start, end] = [prop.loc.start.offset, prop.loc.end.offset];
      if (prop.type !== DIRECTIVE)
        return prop.name === "ref" ? [{ kind: "opaque", name: "ref", start, end }] : prop.name === "key" ? [] : [{ kind: "text", name: prop.name, value: prop.value?.content ?? "", start, end }];
      const value = prop.exp === void 0 ? null : expression(prop.exp);
      switch (prop.name) {
        case "bind":
          if (prop.arg === void 0) return [{ kind: "spread", expression: value, start, end }];
          if (!prop.arg.isStatic) return [{ kind: "spread", expression: null, start, end }];
          if (prop.arg.content === "key" || prop.arg.content === "ref") return [];
          return [{ kind: "value", name: prop.arg.content, expression: value ?? sameName(prop.arg), start, end }];
        case "on":
          return prop.arg?.isStatic === true ? [{ kind: "listener", event: prop.arg.content, expression: value, code: codeOf(prop), start, end }] : [{ kind: "opaque", name: "v-on", start, end }];
        case "model":
          return [{ kind: "model", name: isComponent ? prop.arg?.content ?? "modelValue" : "value", expression: value, start, end }];
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
  function sameName({ content, loc }) {
    const name = content.replace(/-(\w)/g, (_, c2) => c2.toUpperCase());
    return parseValue(name, { start: loc.start.offset, typescript, jsx: false });
  }
}
function startTagEnd(node, props, start) {
  const last = Math.max(start + 1 + (node.tag?.length ?? 0), ...props.map((prop) => prop.loc.end.offset));
  const first = node.children?.[0];
  const source = node.loc.source;
  if (source !== void 0) {
    const close = source.indexOf(">", last - start);
    if (close >= 0) return start + close + 1;
  }
  return first === void 0 ? last : Math.min(first.loc.start.offset, node.loc.end.offset);
}
var ELEMENT, TEXT, COMMENT, INTERPOLATION, DIRECTIVE, isPlain, codeOf, directive, textNode;
var init_vue_template = __esm({
  "src/readers/vue/vue-template.ts"() {
    "use strict";
    init_parse_script();
    ELEMENT = 1;
    TEXT = 2;
    COMMENT = 3;
    INTERPOLATION = 5;
    DIRECTIVE = 7;
    isPlain = (prop) => prop.type !== DIRECTIVE;
    codeOf = ({ exp, modifiers }) => exp === void 0 || exp.content.trim() === "" ? (modifiers ?? []).map(({ content }) => content === "prevent" ? "event.preventDefault()" : content === "stop" ? "event.stopPropagation()" : "").join(";") : exp.content;
    directive = (node, ...names) => (node.props ?? []).find((prop) => prop.type === DIRECTIVE && names.includes(prop.name)) ?? null;
    textNode = (prop) => ({ type: "StringLiteral", value: prop.value?.content ?? "", start: prop.loc.start.offset, end: prop.loc.end.offset });
  }
});

// src/readers/vue/read-vue.ts
var read_vue_exports = {};
__export(read_vue_exports, {
  readVue: () => readVue
});
import { parse as parse2 } from "@vue/compiler-sfc";
function readVue(text, file) {
  const { descriptor, errors: found } = parse2(text, { filename: file, sourceMap: false, ignoreEmpty: false });
  const errors = found.map((error) => ({
    message: error.message,
    offset: ("loc" in error ? error.loc?.start.offset : void 0) ?? 0
  }));
  const typescript = [descriptor.script, descriptor.scriptSetup].some((block) => /^tsx?$/.test(block?.lang ?? ""));
  const program = (block) => {
    if (block === null || block.src !== void 0) return null;
    const parsed2 = parseScript(block.content, {
      start: block.loc.start.offset,
      typescript,
      jsx: /x$/.test(block.lang ?? "")
    });
    errors.push(...parsed2.errors);
    return parsed2.program;
  };
  const isSetup = descriptor.scriptSetup !== null;
  const plain2 = program(descriptor.script);
  const setup = program(descriptor.scriptSetup);
  const { template: template2 } = descriptor;
  const nodes = template2?.ast === void 0 || (template2.lang ?? "html") !== "html" ? [] : template2.ast.children;
  const styles = descriptor.styles.flatMap(
    (style) => style.src !== void 0 || (style.lang ?? "css") !== "css" ? [] : [
      {
        text: style.content,
        start: style.loc.start.offset,
        scoped: style.scoped === true,
        module: style.module === void 0 || style.module === false ? null : style.module === true ? "$style" : style.module
      }
    ]
  );
  const outer = [descriptor.script, descriptor.scriptSetup, template2, ...descriptor.styles].flatMap((block) => block?.src ?? []);
  return {
    parts: {
      script: isSetup ? setup : plain2,
      moduleScript: isSetup ? plain2 : null,
      isSetup: isSetup || plain2 === null,
      template: vueTemplate(nodes, typescript),
      styles
    },
    errors,
    // A style in another language is turned into CSS before anybody sees it: its colours are not known.
    imports: [
      ...outer,
      ...descriptor.styles.flatMap((style, i) => (style.lang ?? "css") === "css" ? [] : [`./${file}.${i}.${style.lang}`])
    ]
  };
}
var init_read_vue = __esm({
  "src/readers/vue/read-vue.ts"() {
    "use strict";
    init_parse_script();
    init_vue_template();
  }
});

// src/readers/svelte/svelte-template.ts
function svelteTemplate(fragment, text, typescript) {
  const expression = (node) => {
    const { start, end } = node;
    return parseValue(text.slice(start, end), { start, typescript, jsx: false });
  };
  const pattern = (node) => {
    const { start, end } = node;
    const made = parseValue(`(${text.slice(start, end)})=>0`, { start: start - 1, typescript, jsx: false });
    return made?.type === "ArrowFunctionExpression" ? made.params[0] ?? null : null;
  };
  return nodes(fragment);
  function nodes({ nodes: list }) {
    const at = list.findIndex((node) => node.type === "ConstTag");
    if (at < 0) return list.flatMap(one);
    const found = list[at];
    const [declaration] = found.declaration.declarations;
    const name = pattern(declaration.id);
    const value = expression(declaration.init);
    const rest = nodes({ nodes: list.slice(at + 1) });
    return [
      ...list.slice(0, at).flatMap(one),
      name === null || value === null ? { kind: "group", children: rest } : { kind: "let", name, expression: value, children: rest }
    ];
  }
  function one(node) {
    const { start, end } = node;
    switch (node.type) {
      case "Text":
        return [{ kind: "text", value: node.data, start, end }];
      case "Comment":
        return [{ kind: "comment", value: node.data, start, end }];
      case "ExpressionTag":
        return [{ kind: "value", expression: expression(node.expression), start, end }];
      case "HtmlTag":
        return [{ kind: "html", expression: expression(node.expression), start, end }];
      case "RenderTag": {
        const value = expression(node.expression);
        return value === null ? [] : [{ kind: "render", expression: value, start, end }];
      }
      case "IfBlock":
        return [{ kind: "if", branches: branches(node) }];
      case "EachBlock":
        return [
          {
            kind: "each",
            list: expression(node.expression),
            item: node.context === null ? null : pattern(node.context),
            index: node.index === void 0 ? null : { type: "Identifier", name: node.index, start, end },
            extra: [],
            children: nodes(node.body),
            empty: node.fallback === void 0 ? [] : nodes(node.fallback),
            start,
            end
          }
        ];
      case "KeyBlock":
        return nodes(node.fragment);
      case "AwaitBlock":
        return [
          {
            kind: "if",
            branches: [node.then, node.pending, node.catch].flatMap(
              (branch) => branch == null ? [] : [{ test: expression(node.expression), children: nodes(branch) }]
            )
          }
        ];
      case "SnippetBlock":
        return [
          {
            kind: "snippet",
            name: node.expression.name,
            parameters: node.parameters.flatMap((parameter) => pattern(parameter) ?? []),
            children: nodes(node.body)
          }
        ];
      case "SlotElement":
        return [
          {
            kind: "outlet",
            name: staticText(node.attributes, "name"),
            attributes: attributes(node.attributes, false),
            fallback: nodes(node.fragment),
            start,
            end
          }
        ];
      case "RegularElement":
        return [element(node, node.name, null, false)];
      case "SvelteElement":
        return [element(node, "svelte:element", expression(node.tag), false)];
      case "Component":
        return [element(node, node.name, node.name.includes(".") ? expression(namePlace(node)) : null, true)];
      case "SvelteComponent":
        return [element(node, "svelte:component", expression(node.expression), true)];
      case "SvelteSelf":
        return [element(node, "svelte:self", null, true)];
      case "SvelteFragment":
      case "SvelteBoundary":
        return nodes(node.fragment);
      case "TitleElement":
        return [element(node, "title", null, false)];
      default:
        return [];
    }
  }
  function branches(node) {
    const first = { test: expression(node.test), children: nodes(node.consequent) };
    if (node.alternate === null) return [first];
    const [only] = node.alternate.nodes.filter((inner) => inner.type !== "Text" || inner.data.trim() !== "");
    if (only?.type === "IfBlock" && only.elseif) return [first, ...branches(only)];
    return [first, { test: null, children: nodes(node.alternate) }];
  }
  function namePlace(node) {
    return { start: node.start + 1, end: node.start + 1 + node.name.length };
  }
  function element(node, tag, dynamic, isComponent) {
    const slotted = [];
    const plain2 = [];
    for (const child of node.fragment.nodes) {
      const slot = isComponent && "attributes" in child ? staticText(child.attributes, "slot") : null;
      if (slot === null) plain2.push(child);
      else slotted.push({ name: slot, given: null, children: one(child) });
    }
    return {
      kind: "element",
      tag,
      dynamic,
      attributes: attributes(node.attributes, isComponent),
      children: nodes({ nodes: plain2 }),
      slots: slotted,
      start: node.start,
      startEnd: startTagEnd2(node, text),
      end: node.end
    };
  }
  function attributes(written, isComponent) {
    return written.flatMap((attribute) => {
      const { start, end } = attribute;
      switch (attribute.type) {
        case "Attribute":
          return [plainAttribute(attribute, isComponent)];
        case "SpreadAttribute":
          return [{ kind: "spread", expression: expression(attribute.expression), start, end }];
        case "OnDirective":
          return [
            {
              kind: "listener",
              event: attribute.name,
              expression: attribute.expression === null ? null : expression(attribute.expression),
              code: attribute.expression === null ? "" : codeOf2(attribute.expression),
              start,
              end
            }
          ];
        case "BindDirective":
          return attribute.name === "this" ? [{ kind: "opaque", name: "bind:this", start, end }] : [{ kind: "model", name: attribute.name, expression: expression(attribute.expression), start, end }];
        case "ClassDirective":
          return [{ kind: "toggle", name: "class", token: attribute.name, test: expression(attribute.expression), start, end }];
        case "StyleDirective":
          return attribute.value === true ? [] : [
            {
              kind: "parts",
              name: "style",
              parts: [`${attribute.name}: `, ...partsOf(attribute.value), "; "],
              start,
              end
            }
          ];
        case "LetDirective":
        case "AnimateDirective":
        case "TransitionDirective":
          return [];
        default:
          return [{ kind: "opaque", name: attribute.type, start, end }];
      }
    });
  }
  function plainAttribute(attribute, isComponent) {
    const { name, value, start, end } = attribute;
    if (value === true)
      return isComponent ? { kind: "value", name, expression: { type: "BooleanLiteral", value: true, start, end }, start, end } : { kind: "text", name, value: "", start, end };
    const single = Array.isArray(value) ? value.length === 1 ? value[0] : null : value;
    if (single?.type === "ExpressionTag") {
      const made = expression(single.expression);
      const event = isComponent ? null : /^on([a-z]+)$/.exec(name);
      return event === null ? { kind: "value", name, expression: made, start, end } : { kind: "listener", event: event[1] ?? "", expression: made, code: codeOf2(single.expression), start, end };
    }
    if (single?.type === "Text") return { kind: "text", name, value: single.data, start, end };
    return { kind: "parts", name, parts: partsOf(value), start, end };
  }
  function partsOf(value) {
    const list = Array.isArray(value) ? value : value === true ? [] : [value];
    return list.flatMap((part) => part.type === "Text" ? part.data : expression(part.expression) ?? []);
  }
  function codeOf2(node) {
    const { start, end } = node;
    return text.slice(start, end);
  }
}
function staticText(attributes, name) {
  for (const attribute of attributes) {
    if (attribute.type !== "Attribute" || attribute.name !== name || !Array.isArray(attribute.value)) continue;
    const [first] = attribute.value;
    if (first?.type === "Text") return first.data;
  }
  return null;
}
function startTagEnd2(node, text) {
  const last = node.attributes.reduce((at, attribute) => Math.max(at, attribute.end), node.start + 1);
  const close = text.indexOf(">", last);
  return close < 0 ? node.end : close + 1;
}
var init_svelte_template = __esm({
  "src/readers/svelte/svelte-template.ts"() {
    "use strict";
    init_parse_script();
  }
});

// src/readers/svelte/read-svelte.ts
var read_svelte_exports = {};
__export(read_svelte_exports, {
  readSvelte: () => readSvelte
});
import { parse as parse3 } from "svelte/compiler";
function readSvelte(text) {
  const errors = [];
  const root = parsed(text, errors);
  if (root === null)
    return {
      parts: { script: null, moduleScript: null, isSetup: true, template: [], styles: [] },
      errors,
      imports: []
    };
  const typescript = true;
  const program = (script) => {
    if (script == null) return null;
    const { start, end } = script.content;
    const read = parseScript(text.slice(start, end), { start, typescript: true, jsx: false });
    errors.push(...read.errors);
    return read.program;
  };
  const styles = root.css == null || languageOf(root.css.attributes) !== "css" ? [] : [
    {
      text: root.css.content.styles,
      start: root.css.content.start,
      scoped: true,
      module: null
    }
  ];
  return {
    parts: {
      script: program(root.instance),
      moduleScript: program(root.module),
      isSetup: true,
      template: svelteTemplate(root.fragment, text, typescript),
      styles
    },
    errors,
    imports: root.css != null && styles.length === 0 ? [`./style.${languageOf(root.css.attributes)}`] : []
  };
}
function parsed(text, errors) {
  try {
    return parse3(text, { modern: true });
  } catch (error) {
    const { message, start } = error;
    errors.push({ message: message.split("\n")[0] ?? message, offset: start?.character ?? 0 });
  }
  try {
    return parse3(text, { modern: true, loose: true });
  } catch {
    return null;
  }
}
function languageOf(attributes) {
  for (const attribute of attributes) {
    if (attribute.name !== "lang" || !Array.isArray(attribute.value)) continue;
    const [first] = attribute.value;
    if (first?.type === "Text") return first.data;
  }
  return "css";
}
var init_read_svelte = __esm({
  "src/readers/svelte/read-svelte.ts"() {
    "use strict";
    init_parse_script();
    init_svelte_template();
  }
});

// src/core/findings/problems.ts
var problem = (target, message) => ({ target, message });
var notText = (target) => problem(target, "Not a text file: it holds NUL bytes. Give a page in HTML.");
var emptyFile = (target) => problem(target, "The file is empty: there is nothing to audit.");
var unreadable = (target, reason) => problem(target, `Could not be read (${reason}). Check the permissions of the file.`);
var tooLarge = (target, megabytes, limit) => problem(
  target,
  `${megabytes.toFixed(1)} MB is over the limit of ${limit} MB. Raise it with --max-size ${Math.ceil(megabytes)}.`
);

// src/readers/html/decode.ts
var byteOrderMarks = [
  { bytes: [239, 187, 191], encoding: "utf-8" },
  { bytes: [254, 255], encoding: "utf-16be" },
  { bytes: [255, 254], encoding: "utf-16le" }
];
var PRESCAN_BYTES = 1024;
function decodeText(bytes, file, language) {
  for (const { bytes: mark, encoding } of byteOrderMarks) {
    if (mark.every((byte, i) => bytes[i] === byte)) {
      return textIn(bytes.subarray(mark.length), encoding, file, true);
    }
  }
  const head = String.fromCharCode(...bytes.subarray(0, PRESCAN_BYTES));
  if (bytes.subarray(0, PRESCAN_BYTES).includes(0)) return { ok: false, problem: notText(file) };
  const declared = language === "html" ? declaredInHtml(head) : declaredInCss(head);
  if (declared !== null && isKnown(declared)) {
    return textIn(bytes, /^utf-?16/i.test(declared) ? "utf-8" : declared, file, false);
  }
  try {
    return {
      ok: true,
      value: {
        text: new TextDecoder("utf-8", { fatal: true }).decode(bytes),
        encoding: "utf-8",
        hasByteOrderMark: false
      }
    };
  } catch {
    return textIn(bytes, "windows-1252", file, false);
  }
}
var windows1252 = "\u20AC\x81\u201A\u0192\u201E\u2026\u2020\u2021\u02C6\u2030\u0160\u2039\u0152\x8D\u017D\x8F\x90\u2018\u2019\u201C\u201D\u2022\u2013\u2014\u02DC\u2122\u0161\u203A\u0153\x9D\u017E\u0178";
var withoutControls = (text) => text.replace(/[\u0080-\u009f]/g, (c2) => windows1252[c2.charCodeAt(0) - 128] ?? c2);
function textIn(bytes, encoding, file, hasByteOrderMark) {
  const decoder = new TextDecoder(encoding, { ignoreBOM: true });
  const decoded2 = decoder.decode(bytes);
  const text = decoder.encoding === "windows-1252" ? withoutControls(decoded2) : decoded2;
  if (text.slice(0, PRESCAN_BYTES).includes("\0")) return { ok: false, problem: notText(file) };
  return { ok: true, value: { text, encoding, hasByteOrderMark } };
}
function isKnown(label) {
  try {
    new TextDecoder(label);
    return true;
  } catch {
    return false;
  }
}
function declaredInHtml(head) {
  const withoutComments = head.replace(/<!--[\s\S]*?(?:-->|$)/g, "");
  for (const [tag] of withoutComments.matchAll(/<meta\b[^>]*>/gi)) {
    const found = /\bcharset\s*=\s*["']?\s*([^\s"'/>;]+)/i.exec(tag);
    if (found?.[1] !== void 0) return found[1];
  }
  const xml = /^\s*<\?xml[^>]*\bencoding\s*=\s*["']([^"']+)["']/i.exec(head);
  return xml?.[1] ?? null;
}
var declaredInCss = (head) => /^@charset "([^"]+)";/.exec(head)?.[1] ?? null;

// src/readers/components/load-modules.ts
init_parse_script();

// src/readers/components/resolve-import.ts
import { parse as parseJsonc } from "jsonc-parser";
var endings = [".tsx", ".ts", ".jsx", ".js", ".mts", ".mjs", ".vue", ".svelte", ".json"];
var sourceOf = {
  ".js": [".ts", ".tsx", ".jsx"],
  ".mjs": [".mts"],
  ".jsx": [".tsx"]
};
var ImportResolver = class {
  #files;
  #isFile = /* @__PURE__ */ new Map();
  #paths = /* @__PURE__ */ new Map();
  #packages = /* @__PURE__ */ new Map();
  constructor(files2) {
    this.#files = files2;
  }
  /** The file an import in `from` names; null where it is in no source of the project. */
  async resolve(specifier, from) {
    const bare = specifier.replace(/[?#].*$/, "");
    const folder = parent(from);
    if (/^\.{1,2}(?:\/|$)/.test(bare)) return this.#file(join(folder, bare));
    if (bare.startsWith("/")) return this.#file(bare);
    for (const { folder: base, paths } of await this.#pathsFor(folder))
      for (const [pattern, targets] of paths) {
        const matched = starred(pattern, bare);
        if (matched === null) continue;
        for (const target of targets) {
          const found = await this.#file(join(base, target.replace("*", matched)));
          if (found !== null) return found;
        }
      }
    return this.#workspaceFile(bare, folder);
  }
  async #file(path2) {
    if (path2.includes("/node_modules/")) return null;
    if (await this.#exists(path2)) return path2;
    const ending = /\.[a-z]+$/.exec(path2)?.[0] ?? "";
    for (const other of sourceOf[ending] ?? []) {
      const candidate = path2.slice(0, path2.length - ending.length) + other;
      if (await this.#exists(candidate)) return candidate;
    }
    for (const added of endings) if (await this.#exists(path2 + added)) return path2 + added;
    for (const added of endings) {
      const candidate = `${path2}/index${added}`;
      if (await this.#exists(candidate)) return candidate;
    }
    return null;
  }
  #exists(path2) {
    let known2 = this.#isFile.get(path2);
    if (known2 === void 0) {
      known2 = this.#files.info(path2).then((info) => info?.kind === "file");
      this.#isFile.set(path2, known2);
    }
    return known2;
  }
  async #json(path2) {
    const read = await this.#files.read(path2);
    if (!read.ok) return null;
    const value = parseJsonc(new TextDecoder().decode(read.bytes), [], { allowTrailingComma: true });
    return typeof value === "object" && value !== null ? value : null;
  }
  /** `paths` of the nearest TypeScript configurations, the nearest first. */
  #pathsFor(folder) {
    let known2 = this.#paths.get(folder);
    if (known2 === void 0) {
      known2 = this.#readPaths(folder);
      this.#paths.set(folder, known2);
    }
    return known2;
  }
  async #readPaths(folder) {
    const above = parent(folder);
    const own = [];
    for (const name of ["tsconfig.json", "tsconfig.app.json", "jsconfig.json"]) {
      const map = await this.#pathMap(`${folder}/${name}`, 0);
      if (map !== null) own.push(map);
    }
    return above === folder ? own : [...own, ...await this.#pathsFor(above)];
  }
  async #pathMap(file, depth) {
    const config = await this.#json(file);
    if (config === null || depth > 5) return null;
    const options = config["compilerOptions"];
    const base = join(parent(file), options?.baseUrl ?? ".");
    if (options?.paths !== void 0 || options?.baseUrl !== void 0) {
      const paths = Object.entries(options.paths ?? {}).filter(([, targets]) => Array.isArray(targets));
      return {
        folder: base,
        paths: options.baseUrl === void 0 ? paths : [...paths, ["*", ["*"]]]
      };
    }
    for (const extended of [config["extends"]].flat())
      if (typeof extended === "string" && extended.startsWith(".")) {
        const target = join(parent(file), extended.endsWith(".json") ? extended : `${extended}.json`);
        const map = await this.#pathMap(target, depth + 1);
        if (map !== null) return map;
      }
    return null;
  }
  /** A file of another package of the same workspace, by what its package.json exports. */
  async #workspaceFile(specifier, folder) {
    const [first = "", second = ""] = specifier.split("/");
    const name = first.startsWith("@") ? `${first}/${second}` : first;
    const root = (await this.#workspace(folder)).get(name);
    if (root === void 0) return null;
    const inner = specifier.slice(name.length + 1);
    const manifest = await this.#json(`${root}/package.json`);
    const exported = entryOf(manifest, inner);
    for (const candidate of [
      ...exported,
      ...inner === "" ? ["src/index", "index"] : [inner, `src/${inner}`]
    ]) {
      const found = await this.#file(join(root, candidate));
      if (found !== null && !found.endsWith(".d.ts")) return found;
    }
    return null;
  }
  /** The packages of the workspace that a folder belongs to: their folders by their names. */
  #workspace(folder) {
    let known2 = this.#packages.get(folder);
    if (known2 === void 0) {
      known2 = this.#readWorkspace(folder);
      this.#packages.set(folder, known2);
    }
    return known2;
  }
  async #readWorkspace(folder) {
    const manifest = await this.#json(`${folder}/package.json`);
    const written = manifest?.["workspaces"];
    const listed = Array.isArray(written) ? written : written?.packages;
    const yaml = await this.#files.read(`${folder}/pnpm-workspace.yaml`);
    const globs = Array.isArray(listed) ? listed.map(String) : yaml.ok ? [...new TextDecoder().decode(yaml.bytes).matchAll(/^\s*-\s*["']?([^"'\s#]+)/gm)].map((m2) => m2[1] ?? "") : [];
    if (globs.length > 0) {
      const found = /* @__PURE__ */ new Map();
      const patterns = globs.filter((glob2) => !glob2.startsWith("!")).map((glob2) => `${glob2.replace(/\/$/, "")}/package.json`);
      for (const file of await this.#files.find(patterns, folder)) {
        const name = (await this.#json(file))?.["name"];
        if (typeof name === "string") found.set(name, parent(file));
      }
      return found;
    }
    const above = parent(folder);
    return above === folder ? /* @__PURE__ */ new Map() : this.#workspace(above);
  }
};
function entryOf(manifest, inner) {
  if (manifest === null) return [];
  const found = [];
  const take = (value) => {
    if (typeof value === "string") found.push(value);
    else if (Array.isArray(value)) value.forEach(take);
    else if (typeof value === "object" && value !== null) {
      const conditions = value;
      for (const key of ["source", "development", "svelte", "import", "default", "require"]) if (key in conditions) take(conditions[key]);
    }
  };
  const exported = manifest["exports"];
  if (typeof exported === "object" && exported !== null && !Array.isArray(exported)) {
    const key = inner === "" ? "." : `./${inner}`;
    const table = exported;
    if (key in table) take(table[key]);
    else if (inner === "" && !Object.keys(table).some((name) => name.startsWith("."))) take(table);
  } else take(exported);
  if (inner === "") for (const key of ["source", "svelte", "module", "main"]) take(manifest[key]);
  return found;
}
function starred(pattern, text) {
  const star = pattern.indexOf("*");
  if (star < 0) return pattern === text ? "" : null;
  const [before, after] = [pattern.slice(0, star), pattern.slice(star + 1)];
  return text.length >= before.length + after.length && text.startsWith(before) && text.endsWith(after) ? text.slice(before.length, text.length - after.length) : null;
}
var parent = (path2) => path2.slice(0, Math.max(1, path2.lastIndexOf("/"))) || "/";
function join(folder, relative2) {
  const parts = relative2.startsWith("/") ? [] : folder.split("/");
  for (const part of relative2.split("/")) {
    if (part === "..") parts.pop();
    else if (part !== "." && part !== "") parts.push(part);
  }
  return parts.join("/").startsWith("/") ? parts.join("/") : `/${parts.join("/")}`;
}

// src/readers/components/load-modules.ts
var MEGABYTE = 1024 * 1024;
var LONGEST_SCRIPT = 1e6;
var scriptEnding = /\.(?:[cm]?[jt]sx?)$/i;
var styleEnding = /\.(?:css|scss|sass|less|styl|pcss|postcss)$/i;
async function loadModules(request, files2) {
  const resolver = new ImportResolver(files2);
  const modules = /* @__PURE__ */ new Map();
  const problems = [];
  const unread = /* @__PURE__ */ new Set();
  const entries = new Set(request.entries);
  const met = new Set(request.entries);
  for (let wave = [...met]; wave.length > 0; ) {
    const read = await Promise.all(wave.map((path2) => readModule(path2, entries.has(path2), request, files2)));
    const next = [];
    for (const [i, result] of read.entries()) {
      const path2 = wave[i];
      if ("problem" in result) {
        problems.push(result.problem);
        unread.add(path2);
        continue;
      }
      const imports = /* @__PURE__ */ new Map();
      for (const specifier of result.imports) {
        const target = await resolver.resolve(specifier, path2);
        imports.set(specifier, target);
        if (target !== null && !met.has(target)) {
          met.add(target);
          next.push(target);
        }
      }
      modules.set(path2, { ...result.module, imports });
    }
    wave = next;
  }
  return { modules, problems, unread };
}
async function readModule(path2, isEntry, request, files2) {
  const file = request.shownName(path2);
  const isText = scriptEnding.test(path2) || styleEnding.test(path2) || /\.(?:vue|svelte|html?|json)$/i.test(path2);
  const bare = (content, text2 = "") => ({ module: { path: path2, file, text: text2, content, errors: [] }, imports: [] });
  if (!isText) return bare({ kind: "asset" });
  const info = await files2.info(path2);
  if (info !== null && info.size > request.maxSize * MEGABYTE)
    return { problem: tooLarge(file, info.size / MEGABYTE, request.maxSize) };
  const read = await files2.read(path2);
  if (!read.ok) return { problem: unreadable(file, read.reason) };
  const decoded2 = decodeText(read.bytes, file, "css");
  if (!decoded2.ok) return { problem: decoded2.problem };
  const { text } = decoded2.value;
  if (isEntry && text.trim() === "") return { problem: emptyFile(file) };
  if (styleEnding.test(path2)) return bare({ kind: "style" }, text);
  if (/\.html?$/i.test(path2)) return bare({ kind: "markup" }, text);
  if (/\.json$/i.test(path2)) return bare({ kind: "data", value: jsonOf(text) }, text);
  if (!isEntry && text.length > LONGEST_SCRIPT) return bare({ kind: "asset" }, text);
  if (/\.(?:vue|svelte)$/i.test(path2)) {
    const language = path2.toLowerCase().endsWith(".vue") ? "vue" : "svelte";
    const { parts, errors: errors2, imports } = language === "vue" ? (await Promise.resolve().then(() => (init_read_vue(), read_vue_exports))).readVue(text, file) : (await Promise.resolve().then(() => (init_read_svelte(), read_svelte_exports))).readSvelte(text);
    const scripts = [parts.moduleScript, parts.script].filter((one) => one !== null);
    return {
      module: { path: path2, file, text, content: { kind: "template", language, parts }, errors: errors2 },
      imports: [...scripts.flatMap(importsOf), ...imports]
    };
  }
  const { program, errors } = parseScript(text, {
    start: 0,
    typescript: /\.[cm]?tsx?$/i.test(path2),
    jsx: !/\.[cm]?ts$/i.test(path2)
  });
  return { module: { path: path2, file, text, content: { kind: "script", program }, errors }, imports: importsOf(program) };
}
function jsonOf(text) {
  try {
    return JSON.parse(text);
  } catch {
    return null;
  }
}
function importsOf(program) {
  const found = /* @__PURE__ */ new Set();
  for (const statement of program.body) {
    if (statement.type === "ImportDeclaration" || statement.type === "ExportAllDeclaration") found.add(statement.source.value);
    if (statement.type === "ExportNamedDeclaration" && statement.source != null) found.add(statement.source.value);
  }
  everyNode(program, (node) => {
    const isImport = node.type === "CallExpression" && (node.callee.type === "Import" || node.callee.type === "Identifier" && node.callee.name === "require") || node.type === "ImportExpression";
    if (isImport) {
      const source = node.type === "ImportExpression" ? node.source : node.arguments[0];
      if (source?.type === "StringLiteral") found.add(source.value);
    }
    if (node.type === "Decorator") for (const file of filesOfDecorator(node)) found.add(file);
    return true;
  });
  return [...found];
}
function filesOfDecorator(node) {
  const [argument] = node.expression.type === "CallExpression" ? node.expression.arguments : [];
  if (argument?.type !== "ObjectExpression") return [];
  return argument.properties.flatMap((property) => {
    if (property.type !== "ObjectProperty" || property.key.type !== "Identifier") return [];
    if (!/^(?:templateUrl|styleUrls?)$/.test(property.key.name)) return [];
    const values = property.value.type === "ArrayExpression" ? property.value.elements : [property.value];
    return values.flatMap((value) => value?.type === "StringLiteral" ? [relative(value.value)] : []);
  });
}
var relative = (address) => /^[./]/.test(address) ? address : `./${address}`;

// src/core/worlds/tree.ts
function inPage(file, nodes) {
  const isPage = nodes.some((node) => node.kind === "element" && node.tag === "html");
  return isPage ? { file, kind: "document", children: nodes } : { file, kind: "component", children: [around("html", [around("body", nodes)])] };
}
var around = (tag, children) => ({
  kind: "element",
  tag,
  namespace: "html",
  attributes: [],
  spread: null,
  repeats: false,
  listeners: /* @__PURE__ */ new Map(),
  children,
  source: null,
  endTag: null,
  components: []
});

// src/core/document/shortened.ts
function shortened(text, most) {
  if (text.length <= most) return text;
  const kept = text.slice(0, most - 1);
  return `${/[\ud800-\udbff]$/.test(kept) ? kept.slice(0, -1) : kept}\u2026`;
}

// src/readers/script/value.ts
var known = (value) => ({ kind: "known", value });
var absent = { kind: "known", value: void 0 };
var yes = { kind: "known", value: true };
var no = { kind: "known", value: false };
var objectOf = (properties, rest = null) => ({ kind: "object", properties: new Map(properties), rest });
var listOf = (items) => ({ kind: "list", items });
var native = (name, call2) => ({ kind: "native", name, call: call2 });
function joinedKnown(decision, arms) {
  const [first] = arms;
  return first?.kind === "known" && arms.every((arm) => arm.kind === "known" && arm.value === first.value) ? first : { kind: "either", decision, arms };
}
function keyOf(value) {
  switch (value.kind) {
    case "known":
      return typeof value.value === "string" ? JSON.stringify(value.value) : String(value.value);
    case "unknown":
      return value.id;
    case "text":
      return `\`${value.parts.map((part) => typeof part === "string" ? part : keyOf(part)).join("")}\``;
    case "either":
      return `${value.decision.id}?${value.arms.map(keyOf).join(":")}`;
    case "list":
      return `[${value.items.map(keyOf).join(",")}]`;
    case "object":
      return value.rest === null && value.lazy === void 0 ? `{${[...value.properties].map(([name, item]) => `${name}:${keyOf(item)}`).join(",")}}` : `{${value.rest?.id ?? ""}\u2026}`;
    default:
      return value.kind;
  }
}
var isNullish = (value) => value.kind === "known" && (value.value === null || value.value === void 0);
function truthOf(value) {
  switch (value.kind) {
    case "known":
      return Boolean(value.value);
    case "unknown":
      return value.type === "function" || value.type === "list" ? true : null;
    case "text":
      return value.parts.some((part) => typeof part === "string" && part !== "") ? true : null;
    default:
      return true;
  }
}

// src/readers/script/machine.ts
var DEEPEST_PATH = 7;
function fork(machine, decision, make) {
  const { path: path2 } = machine.state;
  const fixed = path2.get(decision.id);
  if (fixed !== void 0) return make(fixed);
  if (path2.size >= DEEPEST_PATH) return unknownAt(decision.source, "\u2026", `deep ${decision.id}`);
  const arms = decision.arms.map((_, arm) => {
    path2.set(decision.id, arm);
    try {
      return make(arm);
    } finally {
      path2.delete(decision.id);
    }
  });
  return joinedKnown(decision, arms);
}
function lift(machine, value, make) {
  if (value.kind !== "either") return make(value);
  return fork(
    machine,
    value.decision,
    (arm) => lift(machine, value.arms[arm] ?? value.arms[0] ?? { kind: "known", value: void 0 }, make)
  );
}
var unknownAt = (source, text, id, type = "any") => ({ kind: "unknown", id, text, source, type });
function whether(machine, value, truth, at, make) {
  return lift(machine, value, (one) => {
    const holds = truth(one);
    if (holds !== null) return make(holds);
    const decision = {
      id: `so ${one.kind === "unknown" ? one.id : at.id}`,
      arms: [`\`${at.text}\` is so`, `\`${at.text}\` is not so`],
      named: false,
      source: at.source
    };
    return fork(machine, decision, (arm) => make(arm === 0));
  });
}

// src/readers/script/scope.ts
var innerScope = (parent2, self = null) => ({
  parent: parent2,
  bindings: /* @__PURE__ */ new Map(),
  self,
  module: parent2.module
});
var moduleScope = (module) => ({
  parent: null,
  bindings: /* @__PURE__ */ new Map(),
  self: null,
  module
});
var bind = (scope, name, value) => {
  scope.bindings.set(name, { value, make: null, busy: false });
};
var bindLater = (scope, name, make) => {
  scope.bindings.set(name, { value: null, make, busy: false });
};
function bindingOf(scope, name) {
  for (let at = scope; at !== null; at = at.parent) {
    const found = at.bindings.get(name);
    if (found !== void 0) return found;
  }
  return null;
}
function selfOf(scope) {
  for (let at = scope; at !== null; at = at.parent) if (at.self !== null) return at.self;
  return null;
}

// src/readers/script/evaluate.ts
var LONGEST_TEXT = 60;
var spanOf = (node, scope) => ({
  file: scope.module.file,
  start: node.start ?? 0,
  end: node.end ?? 0
});
var textOf = (node, scope) => shortened(scope.module.text.slice(node.start ?? 0, node.end ?? 0).replace(/\s+/g, " "), LONGEST_TEXT);
var placeOf = (node, scope, self = null) => ({
  source: spanOf(node, scope),
  text: textOf(node, scope),
  self
});
var unknownOf = (machine, node, scope) => unknownAt(
  spanOf(node, scope),
  textOf(node, scope),
  `${scope.module.file}:${node.start}@${machine.state.instance}`
);
function evaluate(machine, node, scope) {
  if (machine.state.steps-- <= 0) return unknownOf(machine, node, scope);
  const value = (inner) => machine.evaluate(inner, scope);
  switch (node.type) {
    case "StringLiteral":
    case "NumericLiteral":
    case "BooleanLiteral":
      return known(node.value);
    case "NullLiteral":
      return known(null);
    case "TemplateLiteral":
      return template(machine, node, scope);
    case "Identifier":
      return variable(machine, node, scope);
    case "ThisExpression":
      return selfOf(scope) ?? unknownOf(machine, node, scope);
    case "ParenthesizedExpression":
    case "TSAsExpression":
    case "TSSatisfiesExpression":
    case "TSNonNullExpression":
    case "TSTypeAssertion":
    case "TSInstantiationExpression":
    case "TypeCastExpression":
      return value(node.expression);
    case "ObjectExpression":
      return object(machine, node, scope);
    case "ArrayExpression":
      return array(machine, node, scope);
    case "ArrowFunctionExpression":
    case "FunctionExpression":
    case "FunctionDeclaration":
    case "ObjectMethod":
    case "ClassMethod":
      return functionValue(node, scope);
    case "ClassExpression":
    case "ClassDeclaration":
      return classValue(node, scope);
    case "ConditionalExpression":
      return whether(
        machine,
        value(node.test),
        truthOf,
        questionOf(node.test, scope, machine),
        (holds) => value(holds ? node.consequent : node.alternate)
      );
    case "LogicalExpression":
      return logical(machine, node, scope);
    case "UnaryExpression":
      return unary(machine, node, scope);
    case "BinaryExpression":
      return binary(machine, node, scope);
    case "MemberExpression":
    case "OptionalMemberExpression":
      return member(machine, node, scope);
    case "CallExpression":
    case "OptionalCallExpression":
      return call(machine, node, scope);
    case "NewExpression": {
      const type = value(node.callee);
      return machine.hooks.instantiate(type, args(machine, node.arguments, scope), placeOf(node, scope)) ?? unknownOf(machine, node, scope);
    }
    case "TaggedTemplateExpression":
      return machine.hooks.taggedTemplate(value(node.tag), node, scope) ?? unknownOf(machine, node, scope);
    case "SequenceExpression":
      return node.expressions.map(value).at(-1) ?? absent;
    case "AssignmentExpression":
      return node.operator === "=" ? value(node.right) : unknownOf(machine, node, scope);
    case "JSXElement":
    case "JSXFragment":
      return machine.markup(node, scope);
    case "JSXText":
      return known(node.value);
    case "JSXExpressionContainer":
      return node.expression.type === "JSXEmptyExpression" ? absent : value(node.expression);
    default:
      return unknownOf(machine, node, scope);
  }
}
var functionValue = (node, scope, self = null) => ({
  kind: "function",
  node,
  scope,
  name: "id" in node && node.id ? node.id.name : "",
  self,
  statics: /* @__PURE__ */ new Map()
});
var classValue = (node, scope) => ({
  kind: "class",
  node,
  scope,
  name: node.id?.name ?? "",
  statics: /* @__PURE__ */ new Map()
});
function variable(machine, node, scope) {
  if (node.name === "undefined") return absent;
  const binding = bindingOf(scope, node.name);
  if (binding === null) return machine.hooks.global(node.name) ?? unknownOf(machine, node, scope);
  if (binding.value !== null) return binding.value;
  if (binding.busy || binding.make === null) return unknownOf(machine, node, scope);
  binding.busy = true;
  try {
    binding.value = binding.make();
  } finally {
    binding.busy = false;
  }
  return binding.value;
}
var questionOf = (node, scope, machine) => ({
  text: textOf(node, scope),
  source: spanOf(node, scope),
  id: `${scope.module.file}:${node.start}@${machine.state.instance}`
});
function template(machine, node, scope) {
  const parts = node.quasis.flatMap((quasi, i) => {
    const expression = node.expressions[i];
    const written = known(quasi.value.cooked ?? quasi.value.raw);
    return expression === void 0 ? [written] : [written, machine.evaluate(expression, scope)];
  });
  return concat(machine, parts, () => unknownOf(machine, node, scope));
}
function concat(machine, values, otherwise) {
  const step = (at, so) => {
    const value = values[at];
    if (value === void 0) return textFrom(so);
    return lift(machine, value, (one) => {
      if (one.kind === "known") return step(at + 1, [...so, String(one.value)]);
      if (one.kind === "text") return step(at + 1, [...so, ...one.parts]);
      if (one.kind === "unknown") return step(at + 1, [...so, one]);
      return otherwise();
    });
  };
  return step(0, []);
}
function textFrom(parts) {
  const joined = [];
  for (const part of parts) {
    const last = joined.at(-1);
    if (typeof part === "string" && typeof last === "string") joined[joined.length - 1] = last + part;
    else if (part !== "") joined.push(part);
  }
  if (joined.every((part) => typeof part === "string")) return known(joined.join(""));
  const text = { kind: "text", parts: joined };
  return text;
}
function object(machine, node, scope) {
  let made = { kind: "object", properties: /* @__PURE__ */ new Map(), rest: null };
  for (const property of node.properties) {
    if (property.type === "SpreadElement") {
      made = merged(
        machine,
        made,
        machine.evaluate(property.argument, scope),
        () => unknownOf(machine, property.argument, scope)
      );
      continue;
    }
    const name = propertyName(machine, property, scope);
    const place = property;
    if (name === null) {
      made = merged(machine, made, unknownOf(machine, place, scope), () => unknownOf(machine, place, scope));
      continue;
    }
    const value = property.type === "ObjectMethod" ? property.kind === "method" ? functionValue(property, scope) : unknownOf(machine, property, scope) : machine.evaluate(property.value, scope);
    made = lift(
      machine,
      made,
      (one) => one.kind === "object" ? { ...one, properties: new Map(one.properties).set(name, value) } : one
    );
  }
  return made;
}
function merged(machine, one, two, unknown) {
  return lift(
    machine,
    one,
    (first) => lift(machine, two, (second) => {
      if (first.kind !== "object") return first;
      if (isNullish(second) || second.kind === "known" && typeof second.value !== "string") return first;
      if (second.kind === "object" && second.lazy === void 0)
        return {
          ...first,
          properties: new Map([...first.properties, ...second.properties]),
          rest: second.rest ?? first.rest
        };
      return { kind: "object", properties: /* @__PURE__ */ new Map(), rest: second.kind === "unknown" ? second : unknown() };
    })
  );
}
function propertyName(machine, property, scope) {
  const { key } = property;
  if (property.computed !== true) {
    if (key.type === "Identifier") return key.name;
    if (key.type === "StringLiteral" || key.type === "NumericLiteral") return String(key.value);
    if (key.type === "PrivateName") return `#${key.id.name}`;
  }
  const value = machine.evaluate(key, scope);
  return value.kind === "known" ? String(value.value) : null;
}
function array(machine, node, scope) {
  const items = [];
  for (const element of node.elements) {
    if (element === null) items.push(absent);
    else if (element.type === "SpreadElement") {
      const spread = machine.evaluate(element.argument, scope);
      if (spread.kind === "list") items.push(...spread.items);
      else return unknownOf(machine, node, scope);
    } else items.push(machine.evaluate(element, scope));
  }
  return { kind: "list", items };
}
function logical(machine, node, scope) {
  const left = machine.evaluate(node.left, scope);
  const right = () => machine.evaluate(node.right, scope);
  const question = questionOf(node.left, scope, machine);
  return lift(machine, left, (one) => {
    if (node.operator === "??") {
      if (one.kind === "known") return isNullish(one) ? right() : one;
      return one.kind === "unknown" && one.type === "any" ? whether(
        machine,
        one,
        () => null,
        { ...question, id: `there ${one.id}` },
        (there) => there ? one : right()
      ) : one;
    }
    return whether(machine, one, truthOf, question, (holds) => {
      if (node.operator === "&&") return holds ? right() : falsy(one);
      return holds ? one : right();
    });
  });
}
var falsy = (value) => value.kind === "known" ? value : value.kind === "unknown" && value.type === "number" ? known(0) : known(false);
function unary(machine, node, scope) {
  const argument = machine.evaluate(node.argument, scope);
  switch (node.operator) {
    case "!":
      return whether(
        machine,
        argument,
        truthOf,
        questionOf(node.argument, scope, machine),
        (holds) => known(!holds)
      );
    case "-":
    case "+":
      return lift(
        machine,
        argument,
        (one) => one.kind === "known" ? known(node.operator === "-" ? -Number(one.value) : Number(one.value)) : unknownAt(spanOf(node, scope), textOf(node, scope), `${node.operator}${keyOf(one)}`, "number")
      );
    case "typeof":
      return lift(machine, argument, (one) => {
        const type = typeName(one);
        return type === null ? unknownOf(machine, node, scope) : known(type);
      });
    case "void":
      return absent;
    default:
      return unknownOf(machine, node, scope);
  }
}
function typeName(value) {
  switch (value.kind) {
    case "known":
      return value.value === null ? "object" : typeof value.value;
    case "text":
      return "string";
    case "unknown":
      return value.type === "any" ? null : value.type === "list" ? "object" : value.type;
    case "function":
    case "native":
    case "class":
      return "function";
    default:
      return "object";
  }
}
var operators = {
  "===": (a, b) => a === b,
  "!==": (a, b) => a !== b,
  // biome-ignore lint/suspicious/noDoubleEquals: it is the operator that the source has
  "==": (a, b) => a == b,
  // biome-ignore lint/suspicious/noDoubleEquals: it is the operator that the source has
  "!=": (a, b) => a != b,
  "<": (a, b) => a < b,
  "<=": (a, b) => a <= b,
  ">": (a, b) => a > b,
  ">=": (a, b) => a >= b,
  "-": (a, b) => Number(a) - Number(b),
  "*": (a, b) => Number(a) * Number(b),
  "/": (a, b) => Number(a) / Number(b),
  "%": (a, b) => Number(a) % Number(b)
};
var numeric = /* @__PURE__ */ new Set(["-", "*", "/", "%", "**", "|", "&", "^", "<<", ">>", ">>>"]);
function binary(machine, node, scope) {
  const left = machine.evaluate(node.left, scope);
  const right = machine.evaluate(node.right, scope);
  if (node.operator === "in") return has(machine, node, left, right, scope);
  return lift(
    machine,
    left,
    (a) => lift(machine, right, (b) => {
      if (node.operator === "+") return plus(machine, node, a, b, scope);
      const operate = operators[node.operator];
      if (operate !== void 0 && a.kind === "known" && b.kind === "known") return known(operate(a.value, b.value));
      const isEqual = node.operator === "===" || node.operator === "==";
      const isUnequal = node.operator === "!==" || node.operator === "!=";
      if ((isEqual || isUnequal) && surelyUnequal(a, b)) return known(isUnequal);
      const id = `${keyOf(a)} ${isUnequal ? "===" : node.operator} ${keyOf(b)}`;
      const type = numeric.has(node.operator) ? "number" : "boolean";
      const unknown = unknownAt(spanOf(node, scope), textOf(node, scope), id, type);
      if (!isUnequal) return unknown;
      return whether(
        machine,
        unknown,
        () => null,
        { text: textOf(node, scope).replace("!==", "===").replace("!=", "=="), source: spanOf(node, scope), id },
        (holds) => known(!holds)
      );
    })
  );
}
var surelyUnequal = (a, b) => {
  const made = (value) => value.kind !== "known" && value.kind !== "unknown" && value.kind !== "text";
  return made(a) && b.kind === "known" || made(b) && a.kind === "known";
};
function has(machine, node, name, object2, scope) {
  return lift(
    machine,
    object2,
    (one) => name.kind === "known" && one.kind === "object" && one.rest === null && one.lazy === void 0 ? known(one.properties.has(String(name.value))) : unknownOf(machine, node, scope)
  );
}
function plus(machine, node, a, b, scope) {
  if (a.kind === "known" && b.kind === "known") {
    if (typeof a.value === "number" && typeof b.value === "number") return known(a.value + b.value);
    return known(`${a.value}${b.value}`);
  }
  const isText = (value) => value.kind === "text" || value.kind === "known" && typeof value.value === "string" || value.kind === "unknown" && value.type === "string";
  if (isText(a) || isText(b)) return concat(machine, [a, b], () => unknownOf(machine, node, scope));
  return unknownAt(spanOf(node, scope), textOf(node, scope), `${keyOf(a)} + ${keyOf(b)}`);
}
function member(machine, node, scope) {
  const object2 = machine.evaluate(node.object, scope);
  const key = !node.computed && node.property.type === "Identifier" ? known(node.property.name) : node.property.type === "PrivateName" ? known(`#${node.property.id.name}`) : machine.evaluate(node.property, scope);
  const place = placeOf(node, scope);
  return lift(machine, key, (name) => {
    if (name.kind === "known") return machine.member(object2, String(name.value), place);
    return lift(machine, object2, (one) => indexed(machine, node, one, name, scope));
  });
}
function indexed(machine, node, table, key, scope) {
  if (table.kind === "each") return table.item;
  return unknownAt(spanOf(node, scope), textOf(node, scope), `${keyOf(table)}[${keyOf(key)}]@${machine.state.instance}`);
}
function args(machine, written, scope) {
  const values = [];
  for (const argument of written) {
    if (argument.type === "SpreadElement") {
      const spread = machine.evaluate(argument.argument, scope);
      if (spread.kind === "list") values.push(...spread.items);
      else values.push(unknownOf(machine, argument, scope));
    } else values.push(machine.evaluate(argument, scope));
  }
  return values;
}
function call(machine, node, scope) {
  const { callee } = node;
  if (callee.type === "Import" || callee.type === "Super" || callee.type === "V8IntrinsicIdentifier")
    return unknownOf(machine, node, scope);
  let self = null;
  let called;
  if (callee.type === "MemberExpression" || callee.type === "OptionalMemberExpression") {
    self = machine.evaluate(callee.object, scope);
    called = lift(machine, self, (one) => {
      if (isNullish(one)) return node.type === "OptionalCallExpression" || callee.type === "OptionalMemberExpression" ? absent : unknownOf(machine, node, scope);
      const name = callee.computed ? machine.evaluate(callee.property, scope) : null;
      const property = name === null && callee.property.type === "Identifier" ? callee.property.name : name?.kind === "known" ? String(name.value) : null;
      return property === null ? unknownOf(machine, node, scope) : machine.member(one, property, placeOf(callee, scope));
    });
  } else called = machine.evaluate(callee, scope);
  const given = args(machine, node.arguments, scope);
  return lift(machine, called, (one) => {
    if (isNullish(one)) return absent;
    return machine.call(one, given, placeOf(node, scope, self));
  });
}

// src/readers/script/functions.ts
init_parse_script();
var DEEPEST_CALL = 48;
function callValue(machine, callee, args2, at) {
  return lift(machine, callee, (one) => {
    if (one.kind === "native") return one.call(args2, at);
    if (one.kind === "function") return callFunction(machine, one, args2, at);
    return unknownAt(
      at.source,
      at.text,
      `${keyOf(one)}(${args2.map(keyOf).join(",")})@${at.source.start}@${machine.state.instance}`
    );
  });
}
function callFunction(machine, fn, args2, at) {
  const { state } = machine;
  const { node } = fn;
  if (state.depth >= DEEPEST_CALL || "generator" in node && node.generator === true || "async" in node && node.async === true)
    return unknownAt(at.source, at.text, `${fn.name}()@${at.source.start}@${state.instance}`);
  state.depth++;
  try {
    const scope = innerScope(fn.scope, node.type === "ArrowFunctionExpression" ? null : fn.self ?? at.self);
    for (const [i, parameter] of node.params.entries()) {
      if (parameter.type === "RestElement") {
        bindPattern(machine, parameter.argument, listOf(args2.slice(i)), scope);
        break;
      }
      bindPattern(machine, parameter, args2[i] ?? absent, scope);
    }
    if (node.body.type !== "BlockStatement") return machine.evaluate(node.body, scope);
    return runBody(machine, node.body.body, scope) ?? absent;
  } finally {
    state.depth--;
  }
}
function bindPattern(machine, pattern, value, scope) {
  switch (pattern.type) {
    case "Identifier":
      bind(scope, pattern.name, value);
      return;
    case "TSParameterProperty":
      bindPattern(machine, pattern.parameter, value, scope);
      return;
    case "AssignmentPattern":
      bindPattern(
        machine,
        pattern.left,
        lift(
          machine,
          value,
          (one) => one.kind === "known" && one.value === void 0 ? machine.evaluate(pattern.right, scope) : one
        ),
        scope
      );
      return;
    case "ObjectPattern": {
      const taken = /* @__PURE__ */ new Set();
      for (const property of pattern.properties) {
        if (property.type === "RestElement") {
          bindPattern(machine, property.argument, without(machine, value, taken, placeOf(property, scope)), scope);
          continue;
        }
        const name = propertyName(machine, property, scope);
        if (name !== null) taken.add(name);
        const part = name === null ? unknownOf(machine, property, scope) : machine.member(value, name, placeOf(property.key, scope));
        bindPattern(machine, property.value, part, scope);
      }
      return;
    }
    case "ArrayPattern":
      for (const [i, element] of pattern.elements.entries()) {
        if (element === null) continue;
        if (element.type === "RestElement")
          bindPattern(machine, element.argument, unknownOf(machine, element, scope), scope);
        else bindPattern(machine, element, machine.member(value, String(i), placeOf(element, scope)), scope);
      }
      return;
    default:
  }
}
function without(machine, value, taken, at) {
  return lift(machine, value, (one) => {
    if (one.kind === "object") {
      const left = {
        ...one,
        properties: new Map([...one.properties].filter(([name]) => !taken.has(name)))
      };
      return left;
    }
    if (isNullish(one)) return { kind: "object", properties: /* @__PURE__ */ new Map(), rest: null };
    const rest = unknownAt(at.source, at.text, `${keyOf(one)} rest`);
    return { kind: "object", properties: /* @__PURE__ */ new Map(), rest };
  });
}
function hoist(machine, statements, scope) {
  for (const statement of statements) {
    const declaration = statement.type === "ExportNamedDeclaration" || statement.type === "ExportDefaultDeclaration" ? statement.declaration : statement;
    if (declaration == null) continue;
    if (declaration.type === "FunctionDeclaration" && declaration.id != null)
      bind(scope, declaration.id.name, functionValue(declaration, scope));
    else if (declaration.type === "ClassDeclaration" && declaration.id != null)
      bind(scope, declaration.id.name, classValue(declaration, scope));
    else if (declaration.type === "TSEnumDeclaration") bindEnum(machine, declaration, scope);
  }
}
function bindEnum(machine, node, scope) {
  bindLater(scope, node.id.name, () => {
    let next = 0;
    const properties = /* @__PURE__ */ new Map();
    for (const { id, initializer } of node.members) {
      const value = initializer == null ? { kind: "known", value: next } : machine.evaluate(initializer, scope);
      next = value.kind === "known" && typeof value.value === "number" ? value.value + 1 : next + 1;
      properties.set(id.type === "Identifier" ? id.name : id.value, value);
    }
    return { kind: "object", properties, rest: null };
  });
}
function runBody(machine, statements, scope) {
  hoist(machine, statements, scope);
  return runFrom(machine, statements, 0, scope);
}
function runFrom(machine, statements, from, scope) {
  for (let at = from; at < statements.length; at++) {
    const statement = statements[at];
    if (statement === void 0) break;
    const rest = () => runFrom(machine, statements, at + 1, scope);
    switch (statement.type) {
      case "ReturnStatement":
        return statement.argument == null ? absent : machine.evaluate(statement.argument, scope);
      case "ThrowStatement":
        return { kind: "known", value: null };
      case "BlockStatement": {
        const value = runBody(machine, statement.body, innerScope(scope));
        if (value !== null) return value;
        break;
      }
      case "VariableDeclaration":
        declare(machine, statement, scope);
        break;
      case "IfStatement": {
        const value = runIf(machine, statement, scope, rest);
        if (value !== "went on") return value;
        break;
      }
      case "SwitchStatement": {
        const value = runSwitch(machine, statement, scope, rest);
        if (value !== "went on") return value;
        break;
      }
      case "TryStatement": {
        const value = runBody(machine, statement.block.body, innerScope(scope));
        if (value !== null) return value;
        break;
      }
      case "ExpressionStatement":
        perform(machine, statement.expression, scope);
        break;
      case "ForStatement":
      case "ForOfStatement":
      case "ForInStatement":
      case "WhileStatement":
      case "DoWhileStatement":
        forget(machine, statement, scope);
        break;
      case "LabeledStatement":
        forget(machine, statement, scope);
        break;
      default:
    }
  }
  return null;
}
function initialOf(machine, id, init, scope) {
  if (init == null) return absent;
  const { state } = machine;
  const before = state.declaring;
  const first = id.type === "ArrayPattern" ? id.elements[0] : id;
  state.declaring = first?.type === "Identifier" ? first.name : null;
  try {
    const value = machine.evaluate(init, scope);
    return (value.kind === "function" || value.kind === "class") && value.name === "" && id.type === "Identifier" ? { ...value, name: id.name } : value;
  } finally {
    state.declaring = before;
  }
}
function declare(machine, declaration, scope) {
  for (const { id, init } of declaration.declarations)
    bindPattern(machine, id, initialOf(machine, id, init, scope), scope);
}
var blockOf = (statement) => statement == null ? [] : statement.type === "BlockStatement" ? statement.body : [statement];
function runIf(machine, node, scope, rest) {
  const test = machine.evaluate(node.test, scope);
  const branch = (holds) => runBody(machine, blockOf(holds ? node.consequent : node.alternate), innerScope(scope));
  const truth = test.kind === "either" ? null : truthOf(test);
  if (truth !== null) return branch(truth) ?? "went on";
  return inEachArm(
    scope,
    node,
    rest,
    (make) => whether(machine, test, truthOf, questionAt(machine, node.test, scope), (holds) => make(() => branch(holds)))
  );
}
function runSwitch(machine, node, scope, rest) {
  const subject = machine.evaluate(node.discriminant, scope);
  const tests = node.cases.map((one) => one.test == null ? null : machine.evaluate(one.test, scope));
  const from = (at) => {
    const statements = [];
    for (const one of node.cases.slice(at)) {
      const end = one.consequent.findIndex((statement) => statement.type === "BreakStatement");
      statements.push(...end < 0 ? one.consequent : one.consequent.slice(0, end));
      if (end >= 0) break;
    }
    return runBody(machine, statements, innerScope(scope));
  };
  const fallback = tests.indexOf(null);
  return inEachArm(
    scope,
    node,
    rest,
    (make) => lift(machine, subject, (one) => {
      if (one.kind === "known") {
        const at = tests.findIndex((test) => test?.kind === "known" && test.value === one.value);
        const chosen2 = at < 0 ? fallback : at;
        return make(() => chosen2 < 0 ? null : from(chosen2));
      }
      const decision = {
        id: `case ${keyOf(one)}`,
        arms: node.cases.map(
          ({ test }) => test == null ? `\`${placeOf(node.discriminant, scope).text}\` is none of these` : `\`${placeOf(node.discriminant, scope).text}\` is ${placeOf(test, scope).text}`
        ),
        named: false,
        source: placeOf(node, scope).source
      };
      return decision.arms.length === 0 ? make(() => null) : fork(machine, decision, (arm) => make(() => from(arm)));
    })
  );
}
function inEachArm(scope, node, rest, each) {
  const returns = mayReturn(node);
  const before = snapshot(scope);
  if (returns) {
    return each((branch) => {
      const value = branch() ?? rest() ?? absent;
      restore(before);
      return value;
    });
  }
  const changed = [...before.keys()];
  const values = each((branch) => {
    branch();
    const after = listOf(changed.map((binding) => binding.value ?? absent));
    restore(before);
    return after;
  });
  for (const [i, binding] of changed.entries()) {
    const pick = (value2) => value2.kind === "either" ? { kind: "either", decision: value2.decision, arms: value2.arms.map(pick) } : value2.kind === "list" ? value2.items[i] ?? absent : value2;
    const value = pick(values);
    if (!allSame(value, before.get(binding) ?? absent)) binding.value = value;
  }
  return "went on";
}
var allSame = (value, before) => value.kind === "either" ? value.arms.every((arm) => allSame(arm, before)) : value === before;
function snapshot(scope) {
  const saved = /* @__PURE__ */ new Map();
  for (let at = scope; at !== null && at.parent !== null; at = at.parent)
    for (const binding of at.bindings.values()) if (binding.value !== null) saved.set(binding, binding.value);
  return saved;
}
var restore = (saved) => {
  for (const [binding, value] of saved) binding.value = value;
};
var questionAt = (machine, node, scope) => {
  const { text, source } = placeOf(node, scope);
  return { text, source, id: `${scope.module.file}:${node.start}@${machine.state.instance}` };
};
function mayReturn(node) {
  let found = false;
  everyNode(node, (at) => {
    if (at.type === "ReturnStatement" || at.type === "ThrowStatement") found = true;
    return !/Function|Class|Method/.test(at.type);
  });
  return found;
}
function perform(machine, node, scope) {
  if (node.type === "AssignmentExpression" && node.left.type === "Identifier") {
    const binding = bindingOf(scope, node.left.name);
    if (binding === null) return;
    binding.value = node.operator === "=" ? machine.evaluate(node.right, scope) : unknownOf(machine, node, scope);
    binding.make = null;
  } else if (node.type === "AssignmentExpression" && node.left.type === "MemberExpression" && node.operator === "=" && node.left.object.type === "Identifier") {
    const binding = bindingOf(scope, node.left.object.name);
    const name = propertyName(machine, { key: node.left.property, computed: node.left.computed }, scope);
    if (binding?.value?.kind === "object" && name !== null)
      binding.value = {
        ...binding.value,
        properties: new Map(binding.value.properties).set(name, machine.evaluate(node.right, scope))
      };
  } else if (node.type === "CallExpression" && node.callee.type === "MemberExpression" && node.callee.object.type === "Identifier" && node.callee.property.type === "Identifier" && node.callee.property.name === "push") {
    const binding = bindingOf(scope, node.callee.object.name);
    if (binding?.value?.kind !== "list") return;
    const more = node.arguments.map((one) => machine.evaluate(one, scope));
    binding.value = listOf([...binding.value.items, ...more]);
  }
}
function forget(machine, node, scope) {
  const lose = (name, at) => {
    const binding = bindingOf(scope, name);
    if (binding !== null) binding.value = unknownOf(machine, at, scope);
  };
  everyNode(node, (at) => {
    if (at.type === "AssignmentExpression" && at.left.type === "Identifier") lose(at.left.name, at);
    const called = at.type === "CallExpression" && at.callee.type === "MemberExpression" ? at.callee.object : null;
    if (called?.type === "Identifier") lose(called.name, at);
    return true;
  });
}

// src/readers/script/globals.ts
var numbers = {
  round: Math.round,
  floor: Math.floor,
  ceil: Math.ceil,
  abs: Math.abs,
  min: Math.min,
  max: Math.max,
  trunc: Math.trunc
};
function globalValue(machine, name) {
  switch (name) {
    case "Boolean":
      return native(
        name,
        ([value]) => lift(machine, value ?? known(void 0), (one) => {
          const truth = truthOf(one);
          return truth === null && one.kind === "unknown" ? { ...one, type: "boolean" } : known(truth);
        })
      );
    case "String":
      return native(
        name,
        ([value], at) => lift(
          machine,
          value ?? known(""),
          (one) => one.kind === "known" ? known(String(one.value)) : unknownAt(at.source, at.text, `String ${keyOf(one)}`, "string")
        )
      );
    case "Number":
      return native(
        name,
        ([value], at) => value?.kind === "known" ? known(Number(value.value)) : unknownAt(at.source, at.text, `Number ${keyOf(value ?? known(0))}`, "number")
      );
    case "NaN":
      return known(Number.NaN);
    case "Infinity":
      return known(Number.POSITIVE_INFINITY);
    case "Math":
      return objectOf(
        Object.entries(numbers).map(([method, compute]) => [
          method,
          native(
            method,
            (args2, at) => args2.every((arg) => arg.kind === "known") ? known(compute(...args2.map((arg) => Number(arg.kind === "known" ? arg.value : 0)))) : unknownAt(at.source, at.text, `${method} ${args2.map(keyOf).join()}`, "number")
          )
        ])
      );
    case "Object":
      return objectOf([
        ["keys", ofObject(machine, (properties) => listOf([...properties.keys()].map(known)))],
        ["values", ofObject(machine, (properties) => listOf([...properties.values()]))],
        ["entries", ofObject(machine, (properties) => listOf([...properties].map(([key, value]) => listOf([known(key), value]))))],
        ["freeze", native("freeze", ([value]) => value ?? known(void 0))],
        // What is written on a component changes nothing of what it renders.
        ["assign", native("assign", ([target]) => target ?? known(void 0))]
      ]);
    case "Array":
      return objectOf([
        ["isArray", native("isArray", ([value], at) => value?.kind === "list" || value?.kind === "each" ? known(true) : value?.kind === "known" || value?.kind === "object" || value?.kind === "markup" ? known(false) : unknownAt(at.source, at.text, `isArray ${keyOf(value ?? known(0))}`, "boolean"))],
        ["of", native("of", (items) => listOf(items))],
        ["from", native("from", ([value, fn], at) => arrayFrom(machine, value ?? known(void 0), fn, at))]
      ]);
    default:
      return null;
  }
}
var ofObject = (machine, make) => native(
  "of object",
  ([value], at) => lift(
    machine,
    value ?? known(void 0),
    (one) => one.kind === "object" && one.rest === null && one.lazy === void 0 ? make(one.properties) : unknownAt(at.source, at.text, `entries ${keyOf(one)}`, "list")
  )
);
var LONGEST_MADE = 60;
function arrayFrom(machine, value, fn, at) {
  if (value.kind === "list")
    return fn === void 0 ? value : machine.call(machine.member(value, "map", at), [fn], at);
  const length = value.kind === "object" ? value.properties.get("length") : void 0;
  if (length?.kind !== "known" || typeof length.value !== "number" || length.value > LONGEST_MADE)
    return unknownAt(at.source, at.text, `Array.from ${keyOf(value)}`, "list");
  const items = Array.from({ length: length.value }, () => known(void 0));
  return fn === void 0 ? listOf(items) : machine.call(machine.member(listOf(items), "map", at), [fn], at);
}

// src/readers/script/members.ts
function memberOf(machine, object2, name, at) {
  return lift(machine, object2, (one) => {
    switch (one.kind) {
      case "object": {
        const own = one.properties.get(name) ?? one.lazy?.(name) ?? null;
        if (own !== null) return own;
        return one.rest === null ? objectMethods[name] ?? absent : memberOfUnknown(one.rest, name, at);
      }
      case "list":
        return listMember(machine, one, name, at);
      case "each":
        return eachMember(machine, one, name, at);
      case "text":
        return textMember(one, name, at);
      case "known":
        return typeof one.value === "string" ? stringMember(one.value, name, at) : isNullish(one) ? absent : unknownMember(one, name, at);
      case "unknown":
        return memberOfUnknown(one, name, at);
      case "function":
      case "class":
        return one.statics.get(name) ?? (name === "name" ? known(one.name) : absent);
      case "component":
        return one.component.statics.get(name) ?? absent;
      case "native":
        return one.members?.(name) ?? absent;
      default:
        return unknownMember(one, name, at);
    }
  });
}
var memberOfUnknown = (object2, name, at) => {
  if (object2.members !== void 0) return object2.members(name);
  if (object2.type === "list" || object2.type === "any") {
    const method = unknownListMethods[name];
    if (method !== void 0) return method(object2, at);
  }
  if (object2.type === "string" && textMethods.has(name)) return textNative(object2.id, name, at);
  return unknownMember(object2, name, at);
};
var unknownMember = (object2, name, at) => unknownAt(at.source, at.text, `${keyOf(object2)}.${name}`, name === "length" ? "number" : "any");
var objectMethods = {};
function onItem(machine, fn, item, index, at) {
  const { state } = machine;
  const before = state.instance;
  state.instance = `${before}[${index.kind === "known" ? index.value : "n"}]`;
  try {
    return machine.call(fn, [item, index], at);
  } finally {
    state.instance = before;
  }
}
var LONGEST_LIST = 60;
function listMember(machine, list, name, at) {
  const items = list.items.slice(0, LONGEST_LIST);
  const unknown = (type = "any") => unknownAt(at.source, at.text, `${keyOf(list)}.${name}`, type);
  const each = (fn) => items.map((item, i) => onItem(machine, fn ?? absent, item, known(i), at));
  if (/^\d+$/.test(name)) return list.items[Number(name)] ?? absent;
  switch (name) {
    case "length":
      return known(list.items.length);
    case "map":
      return native(name, ([fn]) => listOf(each(fn)));
    case "flatMap":
      return native(name, ([fn]) => listOf(each(fn).flatMap((one) => one.kind === "list" ? one.items : [one])));
    case "filter":
      return native(name, ([fn], place) => {
        const kept = [];
        for (const [i, test] of each(fn).entries()) {
          const truth = test.kind === "either" ? null : truthOf(test);
          if (truth === null)
            return { kind: "each", item: openItem(machine, list, place), source: unknownAt(place.source, place.text, `${keyOf(list)} filter`, "list") };
          const item = items[i];
          if (truth && item !== void 0) kept.push(item);
        }
        return listOf(kept);
      });
    case "find":
      return native(name, ([fn], place) => {
        for (const [i, test] of each(fn).entries()) {
          const truth = test.kind === "either" ? null : truthOf(test);
          if (truth === null) return unknownAt(place.source, place.text, `${keyOf(list)} ${keyOf(test)} find`);
          if (truth) return items[i] ?? absent;
        }
        return absent;
      });
    case "some":
    case "every":
      return native(name, ([fn], place) => {
        const truths = each(fn).map((test) => test.kind === "either" ? null : truthOf(test));
        if (name === "some" && truths.includes(true)) return known(true);
        if (name === "every" && truths.includes(false)) return known(false);
        return truths.includes(null) ? unknownAt(place.source, place.text, `${keyOf(list)} ${name} ${place.source.start}`, "boolean") : known(name === "every");
      });
    case "includes":
      return native(
        name,
        ([wanted]) => wanted?.kind === "known" && items.every((item) => item.kind === "known") ? known(items.some((item) => item.kind === "known" && item.value === wanted.value)) : unknown("boolean")
      );
    case "join":
      return native(name, ([separator]) => {
        const between = separator?.kind === "known" && separator.value !== void 0 ? String(separator.value) : ",";
        const parts = [];
        for (const [i, item] of items.entries()) {
          if (i > 0) parts.push(between);
          if (item.kind === "known") parts.push(isNullish(item) ? "" : String(item.value));
          else if (item.kind === "text") parts.push(...item.parts);
          else if (item.kind === "unknown") parts.push(item);
          else return unknown("string");
        }
        return parts.every((part) => typeof part === "string") ? known(parts.join("")) : { kind: "text", parts };
      });
    case "slice":
      return native(
        name,
        ([from, to]) => (from === void 0 || from.kind === "known") && (to === void 0 || to.kind === "known") ? listOf(list.items.slice(Number(from?.value ?? 0), to === void 0 || isNullish(to) ? void 0 : Number(to.value))) : unknown("list")
      );
    case "concat":
      return native(name, (more) => listOf([...list.items, ...more.flatMap((one) => one.kind === "list" ? one.items : [one])]));
    case "reverse":
    case "toReversed":
      return native(name, () => listOf([...list.items].reverse()));
    case "sort":
    case "toSorted":
    case "flat":
      return native(name, () => list);
    case "at":
      return native(
        name,
        ([index]) => index?.kind === "known" ? list.items.at(Number(index.value)) ?? absent : unknown()
      );
    case "entries":
      return native(name, () => listOf(list.items.map((item, i) => listOf([known(i), item]))));
    case "keys":
      return native(name, () => listOf(list.items.map((_, i) => known(i))));
    case "values":
      return native(name, () => list);
    case "forEach":
      return native(name, () => absent);
    default:
      return unknown();
  }
}
var openItem = (machine, list, at) => list.items.length === 0 ? absent : fork(
  machine,
  {
    id: `item ${keyOf(list)} ${at.source.start}@${machine.state.instance}`,
    arms: list.items.slice(0, LONGEST_LIST).map((_, i) => `it is item ${i + 1} of \`${at.text}\``),
    named: false,
    source: at.source
  },
  (arm) => list.items[arm] ?? absent
);
function eachMember(machine, list, name, at) {
  const number = unknownAt(at.source, `${at.text} index`, `${list.source.id} index`, "number");
  switch (name) {
    case "map":
    case "flatMap":
      return native(name, ([fn], place) => ({
        ...list,
        item: onItem(machine, fn ?? absent, list.item, number, place)
      }));
    case "filter":
    case "slice":
    case "sort":
    case "toSorted":
    case "reverse":
    case "toReversed":
    case "concat":
      return native(name, () => list);
    default:
      return memberOfUnknown({ ...list.source, type: "any" }, name, at);
  }
}
var itemOf = (list) => ({
  kind: "each",
  item: unknownAt(list.source, `one of ${list.text}`, `${list.id}[]`),
  source: list
});
var unknownListMethods = Object.fromEntries(
  ["map", "flatMap"].map((name) => [
    name,
    (list) => native(name, () => itemOf(list))
  ])
);
var textMethods = /* @__PURE__ */ new Map([
  ["toUpperCase", (text) => text.toUpperCase()],
  ["toLowerCase", (text) => text.toLowerCase()],
  ["toLocaleUpperCase", (text) => text.toUpperCase()],
  ["toLocaleLowerCase", (text) => text.toLowerCase()],
  ["trim", (text) => text.trim()],
  ["toString", (text) => text],
  ["concat", (text, more) => text + more.join("")],
  ["charAt", (text, [at]) => text.charAt(Number(at ?? 0))],
  ["slice", (text, [from, to]) => text.slice(Number(from ?? 0), to === void 0 ? void 0 : Number(to))],
  ["substring", (text, [from, to]) => text.substring(Number(from ?? 0), to === void 0 ? void 0 : Number(to))],
  ["repeat", (text, [times]) => text.repeat(Math.min(100, Math.max(0, Number(times ?? 0))))],
  ["replace", (text, [from, to]) => text.replace(String(from), () => String(to))],
  ["replaceAll", (text, [from, to]) => text.replaceAll(String(from), () => String(to))],
  ["padStart", (text, [length, fill]) => text.padStart(Number(length), fill === void 0 ? " " : String(fill))],
  ["padEnd", (text, [length, fill]) => text.padEnd(Number(length), fill === void 0 ? " " : String(fill))]
]);
var textTests = /* @__PURE__ */ new Map([
  ["includes", (text, what) => text.includes(what)],
  ["startsWith", (text, what) => text.startsWith(what)],
  ["endsWith", (text, what) => text.endsWith(what)]
]);
var textNative = (key, name, at) => native(name, (_, place) => unknownAt(place.source, place.text, `${key}.${name} ${at.source.start}`, "string"));
var textMember = (text, name, at) => textMethods.has(name) ? textNative(keyOf(text), name, at) : unknownMember(text, name, at);
function stringMember(text, name, at) {
  if (name === "length") return known(text.length);
  if (/^\d+$/.test(name)) return known(text[Number(name)]);
  const method = textMethods.get(name);
  const test = textTests.get(name);
  if (method === void 0 && test === void 0 && name !== "split") return unknownMember(known(text), name, at);
  return native(name, (args2, place) => {
    const unknown = unknownAt(place.source, place.text, `${JSON.stringify(text)}.${name}(${args2.map(keyOf)})`);
    const plain2 = [];
    for (const arg of args2) {
      if (arg.kind !== "known" || typeof arg.value === "boolean" || arg.value === null)
        return { ...unknown, type: method === void 0 ? "any" : "string" };
      plain2.push(arg.value);
    }
    if (method !== void 0) return known(method(text, plain2));
    if (test !== void 0) return known(test(text, String(plain2[0])));
    return listOf(text.split(String(plain2[0] ?? "")).map(known));
  });
}

// src/readers/components/component-name.ts
var placeKey = ({ file, start }) => `${file}:${start}`;
var baseName = (file) => {
  const name = file.slice(file.lastIndexOf("/") + 1).replace(/\.[^.]*$/, "");
  return name === "index" || name.startsWith("+") ? file.split("/").at(-2) ?? name : name;
};

// src/readers/components/angular-component.ts
var isAngularClass = (_) => false;
var angularComponent = (..._) => {
  throw new Error("later");
};

// src/readers/components/host-element.ts
var holeOf = ({ text, source }) => ({ hole: text, source, mayBeEmpty: false });
function hostElement(request) {
  const attributes = [];
  for (const { name, value, source } of request.attributes) {
    const written = attributeValue(name, value);
    if (written !== null) attributes.push({ name, value: written, source });
  }
  return {
    kind: "element",
    tag: request.tag,
    ...request.writtenTag === void 0 ? {} : { writtenTag: request.writtenTag },
    namespace: request.namespace,
    attributes,
    spread: request.spread === null ? null : holeOf(request.spread),
    repeats: false,
    listeners: request.mayListen || request.spread !== null ? "unknown" : listenersOf(request.listeners),
    children: request.children,
    source: request.source,
    endTag: request.endTag,
    components: request.components,
    ...request.overwrites === true ? { overwrites: request.overwrites } : {}
  };
}
var saysFalse = (name) => name.startsWith("aria-") || name.startsWith("data-") || /^(?:contenteditable|draggable|spellcheck)$/.test(name);
function attributeValue(name, value) {
  switch (value.kind) {
    case "either":
      return { kind: "either", decision: value.decision, arms: value.arms.map((arm) => attributeValue(name, arm)) };
    case "known":
      if (isNullish(value)) return null;
      if (typeof value.value === "boolean") {
        if (saysFalse(name)) return String(value.value);
        return value.value ? "" : null;
      }
      return String(value.value);
    case "text":
      return value.parts.map((part) => typeof part === "string" ? part : holeOf(part));
    case "unknown":
      return value.type === "function" ? null : holeOf(value);
    default:
      return null;
  }
}
function shownText(value) {
  switch (value.kind) {
    case "known":
      return typeof value.value === "string" || typeof value.value === "number" ? String(value.value) : null;
    case "text":
      return value.parts.map((part) => typeof part === "string" ? part : holeOf(part));
    case "unknown":
      return value.type === "string" || value.type === "number" ? holeOf(value) : null;
    default:
      return null;
  }
}
function listenersOf(written) {
  const listeners = /* @__PURE__ */ new Map();
  for (const [event, { value, source }] of written) {
    const listener = listenerOf(value, source);
    if (listener !== null) listeners.set(event, listener);
  }
  return listeners;
}
function listenerOf(value, source) {
  switch (value.kind) {
    case "known":
      return null;
    case "function":
      return { code: handlerCode(value), source, present: true };
    case "unknown":
      return { code: value.text, source, present: true };
    case "native":
      return { code: value.name, source, present: true };
    case "either": {
      const arms = value.arms.map((arm) => listenerOf(arm, source));
      const some = arms.find((arm) => arm !== null);
      if (some == null) return null;
      return arms.every((arm) => arm !== null) ? { ...some, present: true } : {
        code: some.code,
        source,
        present: { kind: "either", decision: value.decision, arms: value.arms.map((arm) => mayCall(arm)) }
      };
    }
    default:
      return { code: "", source, present: true };
  }
}
var mayCall = (value) => value.kind === "either" ? value.arms.some(mayCall) : value.kind !== "known" && truthOf(value) !== false;
function handlerCode({ node, scope }) {
  const { body } = node;
  const text = scope.module.text;
  const code = body.type === "BlockStatement" ? text.slice((body.start ?? 0) + 1, (body.end ?? 1) - 1) : text.slice(body.start ?? 0, body.end ?? 0);
  const [first] = node.params;
  const name = first?.type === "Identifier" ? first.name : null;
  return name === null ? code.trim() : code.replace(new RegExp(`\\b${name.replaceAll("$", "\\$")}\\b`, "g"), "event").trim();
}
var drawn = /* @__PURE__ */ new Set(["svg"]);
var namespaceOf = (tag, around2) => drawn.has(tag) ? "svg" : tag === "math" ? "math" : around2;

// src/readers/components/jsx-attributes.ts
var jsxAttributeNames = /* @__PURE__ */ new Map([
  ["className", "class"],
  ["htmlFor", "for"],
  ["defaultValue", "value"],
  ["defaultChecked", "checked"],
  ["acceptCharset", "accept-charset"],
  ["httpEquiv", "http-equiv"],
  ["viewBox", "viewBox"],
  ["preserveAspectRatio", "preserveAspectRatio"],
  ["xlinkHref", "xlink:href"],
  ["xmlLang", "xml:lang"],
  ["strokeWidth", "stroke-width"],
  ["strokeLinecap", "stroke-linecap"],
  ["strokeLinejoin", "stroke-linejoin"],
  ["fillRule", "fill-rule"],
  ["clipRule", "clip-rule"],
  ["clipPath", "clip-path"],
  ["fontSize", "font-size"],
  ["fontFamily", "font-family"],
  ["fontWeight", "font-weight"],
  ["textAnchor", "text-anchor"]
]);
var notAttributes = /* @__PURE__ */ new Set([
  "children",
  "key",
  "ref",
  "innerHTML",
  "dangerouslySetInnerHTML",
  "suppressHydrationWarning",
  "suppressContentEditableWarning"
]);

// src/readers/components/style-object.ts
var unitless = new Set(
  "animationIterationCount aspectRatio borderImageOutset borderImageSlice borderImageWidth columnCount columns fillOpacity flex flexGrow flexShrink floodOpacity fontWeight gridArea gridColumn gridColumnEnd gridColumnStart gridRow gridRowEnd gridRowStart lineClamp lineHeight opacity order orphans scale stopOpacity strokeDasharray strokeDashoffset strokeMiterlimit strokeOpacity strokeWidth tabSize widows zIndex zoom".split(
    " "
  )
);
function styleText(machine, value, at) {
  return lift(machine, value, (one) => {
    if (one.kind !== "object") return one;
    if (one.rest !== null) return unknownAt(at.source, at.text, `style ${keyOf(one)}`, "string");
    const step = (left, so) => {
      const [first, ...rest] = left;
      if (first === void 0) return concat(machine, so, () => unknownAt(at.source, at.text, "style", "string"));
      const [name, written] = first;
      return lift(machine, written, (given) => {
        if (isNullish(given) || given.kind === "object") return step(rest, so);
        const suffix = given.kind === "known" && typeof given.value === "number" && given.value !== 0 && !unitless.has(name) && !name.startsWith("--") ? "px" : "";
        return step(rest, [...so, known(`${hyphenated(name)}: `), given, known(`${suffix}; `)]);
      });
    };
    return step([...one.properties], []);
  });
}
var hyphenated = (name) => name.startsWith("--") ? name : name.replace(/[A-Z]/g, (c2) => `-${c2.toLowerCase()}`).replace(/^ms-/, "-ms-");

// src/readers/components/jsx-markup.ts
function markupOf(machine, node, scope) {
  const children = childrenOf(machine, node.children, scope);
  if (node.type === "JSXFragment") return listOf(children);
  const { openingElement } = node;
  const places = /* @__PURE__ */ new Map();
  let props = objectOf([]);
  let key = null;
  let overwrites = false;
  for (const attribute of openingElement.attributes) {
    if (attribute.type === "JSXSpreadAttribute") {
      props = merged(
        machine,
        props,
        machine.evaluate(attribute.argument, scope),
        () => unknownOf(machine, attribute.argument, scope)
      );
      continue;
    }
    const name = attribute.name.type === "JSXNamespacedName" ? `${attribute.name.namespace.name}:${attribute.name.name.name}` : attribute.name.name;
    const value = attribute.value == null ? yes : attribute.value.type === "StringLiteral" ? known(decoded(attribute.value)) : machine.evaluate(attribute.value, scope);
    if (name === "key") {
      key = value;
      continue;
    }
    if (!places.has(name) && props.kind === "object" && saysSomething(props.properties.get(name))) overwrites = true;
    places.set(name, spanOf(attribute, scope));
    props = lift(
      machine,
      props,
      (one) => one.kind === "object" ? { ...one, properties: new Map(one.properties).set(name, value) } : one
    );
  }
  if (children.length > 0)
    props = lift(
      machine,
      props,
      (one) => one.kind === "object" ? {
        ...one,
        properties: new Map(one.properties).set("children", children.length === 1 ? children[0] : listOf(children))
      } : one
    );
  return lift(machine, props, (one) => {
    const markup = {
      kind: "markup",
      type: typeOf(machine, openingElement.name, scope),
      name: nameOf(openingElement.name),
      props: one.kind === "object" ? one : objectOf([]),
      places,
      key,
      source: spanOf(openingElement, scope),
      endTag: node.closingElement == null ? null : spanOf(node.closingElement, scope),
      owner: machine.state.frames,
      instance: machine.state.instance,
      overwrites
    };
    return markup;
  });
}
var saysSomething = (value) => value !== void 0 && !(value.kind === "known" && (value.value === "" || value.value == null));
var decoded = (literal) => literal.value;
function nameOf(name) {
  if (name.type === "JSXIdentifier") return name.name;
  if (name.type === "JSXNamespacedName") return `${name.namespace.name}:${name.name.name}`;
  return `${nameOf(name.object)}.${name.property.name}`;
}
function typeOf(machine, name, scope) {
  if (name.type === "JSXNamespacedName") return known(nameOf(name));
  if (name.type === "JSXMemberExpression")
    return machine.member(typeOf(machine, name.object, scope), name.property.name, placeOf(name, scope));
  if (/^[a-z]/.test(name.name) && !name.name.includes(".")) return known(name.name);
  return machine.evaluate({ ...name, type: "Identifier", name: name.name }, scope);
}
function childrenOf(machine, written, scope) {
  const children = [];
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
function commentIn(scope, child) {
  const text = scope.module.text.slice(child.start ?? 0, child.end ?? 0);
  const match = /^\{\s*\/\*([\s\S]*)\*\/\s*\}$/.exec(text);
  return match === null ? null : { kind: "tree", nodes: [{ kind: "comment", value: match[1] ?? "", source: spanOf(child, scope) }] };
}
var textValue = (value, source) => ({ kind: "tree", nodes: [{ kind: "text", value, source }] });
function foldedLines(text) {
  const lines = text.split(/\r\n|\n|\r/);
  return lines.map((line, i) => {
    let kept = line.replace(/\t/g, " ");
    if (i > 0) kept = kept.replace(/^ +/, "");
    if (i < lines.length - 1) kept = kept.replace(/ +$/, "");
    return kept;
  }).filter((line) => line !== "").join(" ");
}
function nodesOf(composition, value, namespace) {
  const { machine } = composition;
  const inner = (one) => composition.toNodes(one, namespace);
  switch (value.kind) {
    case "either": {
      const fixed = machine.state.path.get(value.decision.id);
      if (fixed !== void 0) return inner(value.arms[fixed] ?? value);
      const arms = value.arms.map((arm, i) => {
        machine.state.path.set(value.decision.id, i);
        try {
          return inner(arm);
        } finally {
          machine.state.path.delete(value.decision.id);
        }
      });
      return arms.every((arm) => arm.length === 0) ? [] : [{ kind: "either", decision: value.decision, arms }];
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
      return value.type === "string" || value.type === "number" ? [{ kind: "text", value: { hole: value.text, source: value.source, mayBeEmpty: false }, source: value.source }] : [{ kind: "hole", hole: { hole: value.text, source: value.source, mayBeEmpty: false } }];
    default: {
      const text = shownText(value);
      return text === null || text === "" ? [] : [{ kind: "text", value: text, source: null }];
    }
  }
}
var repeated = (nodes) => nodes.map(
  (node) => node.kind === "element" ? { ...node, repeats: true } : node.kind === "either" ? { ...node, arms: node.arms.map(repeated) } : node
);
function renderJsx(composition, markup, namespace) {
  const { machine } = composition;
  const { type } = markup;
  if (type.kind === "either") {
    const fixed = machine.state.path.get(type.decision.id);
    const arm = (i) => composition.renderMarkup({ ...markup, type: type.arms[i] ?? type }, namespace);
    if (fixed !== void 0) return arm(fixed);
    return [
      {
        kind: "either",
        decision: type.decision,
        arms: type.arms.map((_, i) => {
          machine.state.path.set(type.decision.id, i);
          try {
            return arm(i);
          } finally {
            machine.state.path.delete(type.decision.id);
          }
        })
      }
    ];
  }
  if (type.kind === "known") return typeof type.value === "string" ? [jsxHost(composition, markup, type.value, null, namespace)] : [];
  const component = composition.componentOf(type);
  if (component !== null)
    return composition.use(component, {
      props: markup.props,
      places: markup.places,
      slots: /* @__PURE__ */ new Map(),
      source: markup.source,
      endTag: markup.endTag,
      owner: markup.owner
    });
  const standIn = composition.standsFor(markup.name);
  if (standIn !== null) return [jsxHost(composition, markup, standIn, markup.name, namespace)];
  if (type.kind === "unknown" && type.id.startsWith("import ")) composition.noteUnknown(markup.name, markup.source);
  const content = markup.props.properties.get("children");
  if (content !== void 0 && content.kind !== "function") composition.addIsland(composition.toNodes(content, namespace));
  return [{ kind: "hole", hole: { hole: `<${markup.name}>`, source: markup.source, mayBeEmpty: true } }];
}
function jsxHost(composition, markup, tag, writtenTag, around2) {
  const { machine } = composition;
  const namespace = namespaceOf(tag, around2);
  const attributes = [];
  const listeners = /* @__PURE__ */ new Map();
  const { properties } = markup.props;
  let inner = properties.get("children") ?? null;
  let children = null;
  for (const [name, value] of properties) {
    const source = markup.places.get(name) ?? null;
    const event = /^on([A-Z]\w*?)(Capture)?$/.exec(name);
    if (event !== null) listeners.set(jsxEvents[event[1] ?? ""] ?? (event[1] ?? "").toLowerCase(), { value, source });
    else if (name === "dangerouslySetInnerHTML") children = rawHtml(composition, value, markup);
    else if (name === "style")
      attributes.push({
        name,
        value: styleText(machine, value, { source: source ?? markup.source, text: "style", self: null }),
        source
      });
    else if (tag === "textarea" && (name === "value" || name === "defaultValue")) inner = value;
    else if (!notAttributes.has(name)) {
      const known2 = jsxAttributeNames.get(name);
      attributes.push({
        name: known2 ?? (namespace === "html" || name.startsWith("aria-") ? name.toLowerCase() : name),
        value,
        source
      });
    }
  }
  return hostElement({
    tag: namespace === "html" ? tag.toLowerCase() : tag,
    ...writtenTag === null ? {} : { writtenTag },
    namespace,
    attributes: lastOfEach(attributes),
    listeners,
    mayListen: properties.has("ref") && listensByScript(composition, markup),
    spread: markup.props.rest,
    children: children ?? (inner === null ? [] : composition.toNodes(inner, tag === "foreignObject" ? "html" : namespace)),
    source: markup.source,
    endTag: markup.endTag,
    components: markup.owner,
    ...markup.overwrites ? { overwrites: true } : {}
  });
}
var jsxEvents = { DoubleClick: "dblclick" };
var lastOfEach = (attributes) => [
  ...new Map(attributes.map((attribute) => [attribute.name, attribute])).values()
];
function listensByScript(composition, { source }) {
  const text = composition.textOf(source.file);
  return text === null || text.includes("addEventListener");
}
function rawHtml(composition, value, { source, instance }) {
  const html = composition.machine.member(value, "__html", { source, text: "__html", self: null });
  return htmlNodes(html, source, instance);
}
function htmlNodes(html, source, instance) {
  if (html.kind === "known") {
    const text = String(html.value ?? "").replace(/<[^>]*>/g, "").trim();
    return text === "" ? [] : [{ kind: "text", value: text, source }];
  }
  return [
    {
      kind: "either",
      decision: {
        id: `html ${source.file}:${source.start}@${instance}`,
        arms: ["the HTML put in here holds words", "the HTML put in here holds no words"],
        named: false,
        source
      },
      arms: [[{ kind: "hole", hole: { hole: "HTML", source, mayBeEmpty: false } }], []]
    }
  ];
}

// src/readers/components/module-scopes.ts
init_parse_script();

// src/readers/components/state-value.ts
function stateValue(machine, first, at) {
  const id = `state ${at.source.file}:${at.source.start}@${machine.state.instance}`;
  const name = machine.state.declaring ?? at.text;
  const open = (text = name, type = "any") => unknownAt(at.source, text, id, type);
  if (first.kind === "list" || first.kind === "each") return open(name, "list");
  if (first.kind !== "known") return first.kind === "text" ? open(name, "string") : open();
  const { value } = first;
  if (typeof value === "string") return open(name, "string");
  if (typeof value === "number") return open(name, "number");
  if (typeof value === "boolean") {
    const decision = {
      id,
      arms: [`\`${name}\` is ${value}`, `\`${name}\` is ${!value}`],
      named: true,
      source: at.source
    };
    return { kind: "either", decision, arms: [first, known(!value)] };
  }
  return {
    kind: "either",
    decision: { id, arms: [`\`${name}\` is there`, `\`${name}\` is not there`], named: false, source: at.source },
    arms: [unknownAt(at.source, name, `${id} there`), first]
  };
}

// src/readers/components/module-scopes.ts
var programsOf = (content) => content.kind === "script" ? [content.program] : content.kind === "template" ? [content.parts.moduleScript, content.parts.script].filter((one) => one !== null) : [];
function makeScope(making, module, programs = programsOf(module.content)) {
  const reassigned = new Set(programs.flatMap((program) => [...reassignedIn(program)]));
  const scope = moduleScope({ file: module.file, text: module.text, reassigned });
  for (const program of programs) bindProgram(making, module, program, scope);
  return scope;
}
function bindProgram(making, module, program, scope) {
  const { machine } = making;
  hoist(machine, program.body, scope);
  for (const statement of program.body) {
    if (statement.type === "ImportDeclaration") bindImports(making, module, statement, scope);
    const declaration = statement.type === "ExportNamedDeclaration" ? statement.declaration : statement.type === "VariableDeclaration" ? statement : null;
    if (declaration?.type === "VariableDeclaration") bindVariables(making, declaration, scope);
  }
  for (const statement of program.body)
    if (statement.type === "ExpressionStatement") writeStatic(making, statement.expression, scope);
}
function bindVariables({ machine }, declaration, scope) {
  for (const { id, init } of declaration.declarations) {
    if (id.type === "Identifier") {
      const changes = declaration.kind !== "const" && scope.module.reassigned.has(id.name) && !isRune(init);
      bindLater(scope, id.name, () => {
        const first = initialOf(machine, id, init, scope);
        if (!changes) return first;
        return stateValue(machine, first, { source: spanOf(id, scope), text: id.name, self: null });
      });
      continue;
    }
    const shared = { names: null };
    const make = (name) => () => {
      if (shared.names === null) {
        shared.names = innerScope(scope);
        bindPattern(machine, id, initialOf(machine, id, init, scope), shared.names);
      }
      return shared.names.bindings.get(name)?.value ?? absent;
    };
    for (const name of namesIn(id)) bindLater(scope, name, make(name));
  }
}
var isRune = (init) => {
  const callee = init?.type === "CallExpression" ? init.callee : null;
  const name = callee?.type === "MemberExpression" ? callee.object : callee;
  return name?.type === "Identifier" && name.name.startsWith("$");
};
function namesIn(pattern) {
  const names = [];
  everyNode(pattern, (node) => {
    if (node.type === "ObjectProperty") {
      names.push(...namesIn(node.value));
      return false;
    }
    if (node.type === "AssignmentPattern") {
      names.push(...namesIn(node.left));
      return false;
    }
    if (node.type === "Identifier") names.push(node.name);
    return node.type !== "Identifier";
  });
  return names;
}
function writeStatic({ machine }, node, scope) {
  if (node.type !== "AssignmentExpression" || node.left.type !== "MemberExpression" || node.left.object.type !== "Identifier" || node.left.property.type !== "Identifier")
    return;
  const target = machine.evaluate(node.left.object, scope);
  const statics = target.kind === "function" || target.kind === "class" ? target.statics : target.kind === "component" ? target.component.statics : null;
  statics?.set(node.left.property.name, machine.evaluate(node.right, scope));
}
function bindImports(making, module, node, scope) {
  const specifier = node.source.value;
  for (const one of node.specifiers) {
    const name = one.type === "ImportDefaultSpecifier" ? "default" : one.type === "ImportNamespaceSpecifier" ? "*" : one.imported.type === "Identifier" ? one.imported.name : one.imported.value;
    bindLater(scope, one.local.name, () => imported(making, module, specifier, name, spanOf(one, scope)));
  }
}
function imported(making, module, specifier, name, source) {
  const path2 = module.imports.get(specifier) ?? null;
  const from = path2 === null ? null : making.moduleAt(path2);
  if (from === null) {
    if (name === "*") {
      const all = {
        ...objectOf([], unknownAt(source, specifier, `import ${specifier}`)),
        lazy: (member2) => making.packageExport(specifier, member2)
      };
      return all;
    }
    return making.packageExport(specifier, name) ?? unknownAt(source, name, `import ${specifier}#${name}`);
  }
  if (name === "*") return namespaceOf2(making, from);
  return exportOf(making, from, name) ?? unknownAt(source, name, `import ${specifier}#${name}`);
}
var namespaceOf2 = (making, module) => ({
  kind: "object",
  properties: /* @__PURE__ */ new Map(),
  rest: null,
  lazy: (name) => exportOf(making, module, name)
});
function exportOf(making, module, name, tried = /* @__PURE__ */ new Set()) {
  if (tried.has(`${module.path} ${name}`)) return null;
  const trail = new Set(tried).add(`${module.path} ${name}`);
  const { content } = module;
  if (content.kind === "data") return name === "default" ? plainValue(content.value) : null;
  if (content.kind === "style") return name === "default" ? classNamesOf(module) : known(`${name}${classSuffix(module)}`);
  if (content.kind === "asset") return name === "default" ? known(module.file) : null;
  if (name === "default") {
    const component = making.fileComponent(module);
    if (component !== null) return component;
  }
  const scope = making.scopeOf(module);
  const { machine } = making;
  for (const statement of programsOf(content).flatMap((program) => program.body)) {
    if (statement.type === "ExportDefaultDeclaration" && name === "default") {
      const { declaration } = statement;
      if ((declaration.type === "FunctionDeclaration" || declaration.type === "ClassDeclaration") && declaration.id != null)
        return machine.evaluate({ ...declaration.id }, scope);
      if (declaration.type === "FunctionDeclaration") return functionValue(declaration, scope);
      if (declaration.type === "ClassDeclaration") return classValue(declaration, scope);
      return machine.evaluate(declaration, scope);
    }
    if (statement.type === "ExportNamedDeclaration") {
      for (const one of statement.specifiers) {
        const exported = one.exported.type === "Identifier" ? one.exported.name : one.exported.value;
        if (exported !== name) continue;
        if (one.type === "ExportNamespaceSpecifier")
          return imported(making, module, statement.source?.value ?? "", "*", spanOf(one, scope));
        if (one.type === "ExportSpecifier" && statement.source != null)
          return reExported(making, module, statement.source.value, one.local.name, trail, spanOf(one, scope));
        if (one.type === "ExportSpecifier") return machine.evaluate(one.local, scope);
      }
      const { declaration } = statement;
      if (declaration != null && scope.bindings.has(name) && declares(declaration, name))
        return machine.evaluate({ type: "Identifier", name, start: declaration.start, end: declaration.end }, scope);
    }
  }
  for (const statement of programsOf(content).flatMap((program) => program.body)) {
    if (statement.type !== "ExportAllDeclaration" || name === "default") continue;
    const path2 = module.imports.get(statement.source.value) ?? null;
    const from = path2 === null ? null : making.moduleAt(path2);
    const found = from === null ? making.packageExport(statement.source.value, name) : exportOf(making, from, name, trail);
    if (found !== null) return found;
  }
  return null;
}
function reExported(making, module, specifier, name, trail, source) {
  const path2 = module.imports.get(specifier) ?? null;
  const from = path2 === null ? null : making.moduleAt(path2);
  const found = from === null ? making.packageExport(specifier, name) : exportOf(making, from, name, trail);
  return found ?? unknownAt(source, name, `import ${specifier}#${name}`);
}
var declares = (declaration, name) => declaration.type === "VariableDeclaration" ? declaration.declarations.some(({ id }) => namesIn(id).includes(name)) : "id" in declaration && declaration.id?.type === "Identifier" && declaration.id.name === name;
function plainValue(value) {
  if (Array.isArray(value)) return listOf(value.map(plainValue));
  if (typeof value === "object" && value !== null)
    return objectOf(Object.entries(value).map(([key, item]) => [key, plainValue(item)]));
  return known(value);
}
var classNamesOf = (module) => ({
  kind: "object",
  properties: /* @__PURE__ */ new Map(),
  rest: null,
  lazy: (name) => known(`${name}${classSuffix(module)}`)
});
var classSuffix = ({ file }) => /\.module\.[a-z]+$/.test(file) ? `@${file.replace(/\s/g, "_")}` : "";
function typeNamesOf(making) {
  const named = (name, module, depth = 0) => {
    if (depth > 8) return null;
    for (const statement of programsOf(module.content).flatMap((program) => program.body)) {
      const declaration = statement.type === "ExportNamedDeclaration" ? statement.declaration : statement;
      if ((declaration?.type === "TSInterfaceDeclaration" || declaration?.type === "TSTypeAliasDeclaration") && declaration.id.name === name)
        return { node: declaration, module };
      const specifiers = statement.type === "ImportDeclaration" || statement.type === "ExportNamedDeclaration" && statement.source != null ? statement.specifiers : [];
      for (const one of specifiers) {
        const [outer, inner] = one.type === "ImportSpecifier" ? [one.local.name, one.imported.type === "Identifier" ? one.imported.name : one.imported.value] : one.type === "ExportSpecifier" ? [one.exported.type === "Identifier" ? one.exported.name : one.exported.value, one.local.name] : [null, ""];
        if (outer !== name) continue;
        const path2 = module.imports.get(statement.source.value) ?? null;
        const from = path2 === null ? null : making.moduleAt(path2);
        return from === null ? null : named(inner, from, depth + 1);
      }
    }
    for (const statement of programsOf(module.content).flatMap((program) => program.body)) {
      if (statement.type !== "ExportAllDeclaration") continue;
      const path2 = module.imports.get(statement.source.value) ?? null;
      const from = path2 === null ? null : making.moduleAt(path2);
      const found = from === null ? null : named(name, from, depth + 1);
      if (found !== null) return found;
    }
    return null;
  };
  return {
    named,
    valueOf: (name, module) => {
      const scope = making.scopeOf(module);
      return scope.bindings.has(name) ? making.machine.evaluate({ type: "Identifier", name, start: 0, end: 0 }, scope) : null;
    }
  };
}

// src/readers/components/class-names.ts
function classNames(machine, values, at) {
  const step = (left, so) => {
    const [first, ...rest] = left;
    if (first === void 0) return known(so.join(" "));
    return lift(machine, first, (one) => {
      if (one.kind === "known")
        return step(rest, one.value && typeof one.value !== "boolean" ? [...so, String(one.value)] : so);
      if (one.kind === "list") return step([...one.items, ...rest], so);
      if (one.kind === "object" && one.rest === null) {
        const held = [...one.properties].map(
          ([name, test]) => lift(machine, test, (value) => {
            const truth = truthOf(value);
            return truth === null ? unknownAt(at.source, at.text, `class ${name} ${keyOf(value)}`, "string") : known(truth ? name : "");
          })
        );
        return step([...held, ...rest], so);
      }
      return unknownAt(at.source, at.text, `classes ${keyOf(one)} ${at.source.start}`, "string");
    });
  };
  return step(values, []);
}

// src/readers/script/type-shape.ts
var anything = { kind: "plain", type: "any" };
var plain = (type) => ({ kind: "plain", type });
var DEEPEST_TYPE = 12;
var transparent = /* @__PURE__ */ new Set(["Readonly", "PropsWithChildren", "NonNullable", "Required", "PropsWithRef", "Simplify"]);
var keywords = {
  TSStringKeyword: plain("string"),
  TSNumberKeyword: plain("number"),
  TSBooleanKeyword: { kind: "literals", values: [true, false], others: null },
  TSNullKeyword: { kind: "literals", values: [null], others: null },
  TSUndefinedKeyword: { kind: "literals", values: [void 0], others: null },
  TSVoidKeyword: { kind: "literals", values: [void 0], others: null },
  TSFunctionType: plain("function")
};
function shapeOf({ node, module }, names, depth = 0) {
  if (depth > DEEPEST_TYPE) return anything;
  const inner = (type) => shapeOf({ node: type, module }, names, depth + 1);
  const keyword = keywords[node.type];
  if (keyword !== void 0) return keyword;
  switch (node.type) {
    case "TSTypeAnnotation":
      return inner(node.typeAnnotation);
    case "TSParenthesizedType":
      return inner(node.typeAnnotation);
    case "TSTypeOperator":
      return node.operator === "keyof" ? keysOf(node.typeAnnotation, module, names) : inner(node.typeAnnotation);
    case "TSLiteralType": {
      const { literal } = node;
      if (literal.type === "StringLiteral" || literal.type === "NumericLiteral" || literal.type === "BooleanLiteral")
        return { kind: "literals", values: [literal.value], others: null };
      if (literal.type === "UnaryExpression" && literal.argument.type === "NumericLiteral")
        return { kind: "literals", values: [-literal.argument.value], others: null };
      return plain("string");
    }
    case "TSUnionType":
      return union(node.types.map(inner));
    case "TSIntersectionType":
      return intersection(node.types.map(inner));
    case "TSArrayType":
      return { kind: "list", item: inner(node.elementType) };
    case "TSTupleType":
      return plain("list");
    case "TSTypeLiteral":
      return members(node.members, inner);
    case "TSInterfaceDeclaration": {
      const own = members(node.body.body, inner);
      const above = (node.extends ?? []).map(inner);
      return above.length === 0 ? own : intersection([...above, own]);
    }
    case "TSExpressionWithTypeArguments":
    case "TSInterfaceHeritage":
      return reference(node, module, names, inner, depth);
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
function members(written, inner) {
  const found = /* @__PURE__ */ new Map();
  let open = false;
  let index = null;
  for (const member2 of written) {
    if (member2.type === "TSIndexSignature") index = member2.typeAnnotation ? inner(member2.typeAnnotation) : anything;
    else if (member2.type === "TSPropertySignature" || member2.type === "TSMethodSignature") {
      const name = member2.key.type === "Identifier" && !member2.computed ? member2.key.name : member2.key.type === "StringLiteral" ? member2.key.value : null;
      if (name === null) open = true;
      else
        found.set(name, {
          optional: member2.optional === true,
          shape: member2.type === "TSMethodSignature" ? plain("function") : member2.typeAnnotation ? inner(member2.typeAnnotation) : anything
        });
    } else open = true;
  }
  return index !== null && found.size === 0 ? { kind: "record", item: index } : { kind: "object", members: found, open: open || index !== null };
}
function reference(node, module, names, inner, depth) {
  const written = node.type === "TSTypeReference" ? node.typeName : node.expression;
  const parameters = typeArguments(node);
  if (written.type !== "Identifier") return anything;
  const [first, second] = parameters;
  if (transparent.has(written.name) && first !== void 0) {
    const shape = inner(first);
    return written.name === "PropsWithChildren" && shape.kind === "object" ? { ...shape, members: new Map([["children", { shape: anything, optional: false }], ...shape.members]) } : shape;
  }
  const found = names.named(written.name, module);
  if (found !== null) return shapeOf(found, names, depth + 1);
  if ((written.name === "Array" || written.name === "ReadonlyArray") && first !== void 0)
    return { kind: "list", item: inner(first) };
  if (written.name === "Record" && first !== void 0 && second !== void 0) return record(inner(first), inner(second));
  if (written.name === "Partial" && first !== void 0) return everyMember(inner(first), (m2) => ({ ...m2, optional: true }));
  if ((written.name === "Omit" || written.name === "Pick") && first !== void 0 && second !== void 0)
    return chosen(inner(first), inner(second), written.name === "Pick");
  return anything;
}
var typeArguments = (node) => {
  const holder = node;
  return holder.typeParameters?.params ?? holder.typeArguments?.params ?? [];
};
function record(keys, item) {
  if (keys.kind !== "literals" || keys.others !== null) return { kind: "record", item };
  return {
    kind: "object",
    members: new Map(keys.values.map((key) => [String(key), { shape: item, optional: false }])),
    open: false
  };
}
function everyMember(shape, change) {
  if (shape.kind !== "object") return shape;
  return { ...shape, members: new Map([...shape.members].map(([name, member2]) => [name, change(member2)])) };
}
function chosen(shape, keys, keep) {
  if (shape.kind !== "object" || keys.kind !== "literals") return shape;
  const named = new Set(keys.values.map(String));
  return {
    ...shape,
    open: shape.open && !keep,
    members: new Map([...shape.members].filter(([name]) => named.has(name) === keep))
  };
}
function union(shapes) {
  const values = [];
  let others = null;
  for (const shape of shapes) {
    if (shape.kind === "literals") {
      for (const value of shape.values) if (!values.includes(value)) values.push(value);
      if (shape.others !== null) others = others === null ? shape.others : anything;
    } else others = others === null ? shape : sameKind(others, shape) ? others : anything;
  }
  if (values.length === 0) return others ?? anything;
  if (others !== null && others.kind === "plain" && others.type === "string") {
    const empty = values.filter((value) => value === void 0 || value === null);
    return empty.length === 0 ? others : { kind: "literals", values: empty, others };
  }
  return { kind: "literals", values, others };
}
var sameKind = (a, b) => a.kind === "plain" && b.kind === "plain" && a.type === b.type;
function intersection(shapes) {
  const all = /* @__PURE__ */ new Map();
  let open = false;
  for (const shape of shapes) {
    if (shape.kind === "object") {
      for (const [name, member2] of shape.members) all.set(name, member2);
      open ||= shape.open;
    } else open = true;
  }
  return { kind: "object", members: all, open };
}
function keysOf(node, module, names) {
  if (node.type === "TSTypeQuery" && node.exprName.type === "Identifier") {
    const value = names.valueOf(node.exprName.name, module);
    if (value?.kind === "object" && value.rest === null && value.properties.size > 0)
      return { kind: "literals", values: [...value.properties.keys()], others: null };
    return plain("string");
  }
  const shape = shapeOf({ node, module }, names);
  return shape.kind === "object" && !shape.open ? { kind: "literals", values: [...shape.members.keys()], others: null } : plain("string");
}
function itemsOf(node, module, names, inner) {
  let object2 = node.objectType;
  while (object2.type === "TSParenthesizedType") object2 = object2.typeAnnotation;
  if (object2.type === "TSTypeQuery" && object2.exprName.type === "Identifier") {
    const value = names.valueOf(object2.exprName.name, module);
    const items = value?.kind === "list" ? value.items : value?.kind === "object" ? [...value.properties.values()] : [];
    const values = items.flatMap((item) => item.kind === "known" ? [item.value] : []);
    return values.length > 0 && values.length === items.length ? { kind: "literals", values, others: null } : anything;
  }
  const shape = inner(object2);
  if (shape.kind === "list") return shape.item;
  const index = inner(node.indexType);
  if (shape.kind === "object" && index.kind === "literals" && index.values.length === 1)
    return shape.members.get(String(index.values[0]))?.shape ?? anything;
  return anything;
}
var MOST_LITERALS = 12;
function openValue(shape, at, optional = false) {
  if (optional) {
    const given = withoutUndefined(shape);
    if (isContent(given)) return openValue(given, at);
    const decision = {
      id: `given ${at.id}`,
      arms: [`\`${at.name}\` is given`, `\`${at.name}\` is not given`],
      named: true,
      source: at.source
    };
    return { kind: "either", decision, arms: [openValue(given, at), absent] };
  }
  switch (shape.kind) {
    case "literals": {
      if (shape.values.length > MOST_LITERALS) return unknownAt(at.source, at.name, at.id);
      const values = [
        ...shape.others === null ? [] : [openValue(shape.others, at)],
        ...shape.values.map(known)
      ];
      if (values.length === 1) return values[0] ?? absent;
      const decision = {
        id: `is ${at.id}`,
        arms: [
          ...shape.others === null ? [] : [`\`${at.name}\` is given`],
          ...shape.values.map(
            (value) => value === void 0 ? `\`${at.name}\` is not given` : `\`${at.name}\` is ${typeof value === "string" ? JSON.stringify(value) : String(value)}`
          )
        ],
        named: true,
        source: at.source
      };
      return joinedKnown(decision, values);
    }
    case "object":
      return {
        kind: "object",
        properties: new Map(
          [...shape.members].map(([name, member2]) => [name, openMember(member2, name, at)])
        ),
        rest: shape.open ? unknownAt(at.source, at.name, at.id) : null
      };
    case "list":
      return {
        kind: "each",
        item: openValue(shape.item, { ...at, name: `one of ${at.name}`, id: `${at.id}[]` }),
        source: unknownAt(at.source, at.name, at.id, "list")
      };
    case "record":
      return {
        ...unknownAt(at.source, at.name, at.id),
        // Whether the table has the key is not in its type.
        members: (name) => {
          const inner = { ...at, name: `${at.name}.${name}`, id: `${at.id}.${name}` };
          return {
            kind: "either",
            decision: {
              id: `there ${inner.id}`,
              arms: [`\`${inner.name}\` is there`, `\`${inner.name}\` is not there`],
              named: false,
              source: at.source
            },
            arms: [openValue(shape.item, inner), absent]
          };
        }
      };
    case "plain":
      return unknownAt(at.source, at.name, at.id, shape.type);
  }
}
var openMember = ({ shape, optional }, name, at) => openValue(shape, { ...at, name, id: `${at.id}.${name}` }, optional);
var isContent = (shape) => shape.kind === "plain" && shape.type === "any";
var withoutUndefined = (shape) => {
  if (shape.kind !== "literals") return shape;
  const values = shape.values.filter((value) => value !== void 0);
  return values.length === 0 && shape.others !== null ? shape.others : { ...shape, values };
};

// src/readers/components/react-component.ts
var anyProps = (source) => objectOf([], unknownAt(source, "props", `props ${source.file}:${source.start}`));
function propsOfShape(shape, source) {
  if (shape?.kind !== "object") return anyProps(source);
  const value = openValue(shape, { name: "props", id: `props ${source.file}:${source.start}`, source });
  return value.kind === "object" ? value : anyProps(source);
}
function functionComponent(composition, fn, name, types, propsType = null) {
  const { machine } = composition;
  const [first] = fn.node.params;
  const source = spanOf(fn.node, fn.scope);
  return {
    name,
    source,
    statics: fn.statics,
    takesProps: first !== void 0,
    render: (call2) => {
      const props = withDefaults(call2.props, fn.statics.get("defaultProps"));
      const value = machine.call(fn, [props, unknownAt(source, "ref", `ref ${call2.instance}`)], {
        source: call2.source,
        text: name,
        self: null
      });
      return composition.toNodes(value, "html");
    },
    openProps: () => {
      const module = composition.moduleOf(fn.scope);
      const written = annotationOf(first) ?? propsType;
      if (module === null || written === null) return anyProps(source);
      return propsOfShape(shapeOf({ node: written, module }, types), source);
    }
  };
}
function annotationOf(parameter) {
  const bare = parameter?.type === "AssignmentPattern" ? parameter.left : parameter;
  return bare !== void 0 && "typeAnnotation" in bare ? bare.typeAnnotation ?? null : null;
}
function withDefaults(props, defaults) {
  if (defaults?.kind !== "object") return props;
  const all = new Map(props.properties);
  for (const [name, value] of defaults.properties) {
    const given = all.get(name);
    if (given === void 0 || given.kind === "known" && given.value === void 0) all.set(name, value);
    else if (given.kind === "either")
      all.set(name, {
        ...given,
        arms: given.arms.map((arm) => arm.kind === "known" && arm.value === void 0 ? value : arm)
      });
  }
  return { ...props, properties: all };
}
var isClassComponent = ({ node }) => {
  const { superClass } = node;
  const name = superClass?.type === "Identifier" ? superClass.name : superClass?.type === "MemberExpression" && superClass.property.type === "Identifier" ? superClass.property.name : "";
  return /Component$/.test(name) && methodOf(node, "render") !== null;
};
var methodOf = (node, name) => {
  for (const member2 of node.body.body)
    if (member2.type === "ClassMethod" && member2.key.type === "Identifier" && member2.key.name === name && !member2.static)
      return member2;
  return null;
};
function classComponent(composition, type, name, types) {
  const { machine } = composition;
  const source = spanOf(type.node, type.scope);
  const render = methodOf(type.node, "render");
  return {
    name,
    source,
    statics: type.statics,
    takesProps: true,
    render: (call2) => {
      if (render === null) return [];
      const props = withDefaults(call2.props, type.statics.get("defaultProps"));
      const self = instanceOf(composition, type, [["props", props]]);
      return composition.toNodes(
        machine.call(functionValue(render, type.scope, self), [], { source: call2.source, text: name, self }),
        "html"
      );
    },
    openProps: () => {
      const module = composition.moduleOf(type.scope);
      const holder = type.node.superTypeParameters;
      const written = holder?.params[0] ?? typeArguments({ typeParameters: holder })[0];
      return module === null || written === void 0 ? anyProps(source) : propsOfShape(shapeOf({ node: written, module }, types), source);
    }
  };
}
function instanceOf(composition, type, given) {
  const { machine } = composition;
  const made = new Map(given);
  const members2 = /* @__PURE__ */ new Map();
  for (const member2 of type.node.body.body) {
    if (!("key" in member2) || "static" in member2 && member2.static) continue;
    const memberName = member2.type === "ClassPrivateProperty" || member2.type === "ClassPrivateMethod" ? `#${member2.key.id.name}` : propertyName(machine, member2, type.scope);
    if (memberName !== null && !members2.has(memberName)) members2.set(memberName, member2);
  }
  const self = {
    kind: "object",
    properties: made,
    rest: unknownAt(spanOf(type.node, type.scope), "this", `this ${machine.state.instance}`),
    lazy: (name) => {
      const known2 = made.get(name);
      if (known2 !== void 0) return known2;
      const member2 = members2.get(name);
      if (member2 === void 0) return null;
      const scope = innerScope(type.scope, self);
      const value = fieldOf(composition, member2, scope, self);
      if (value !== null) made.set(name, value);
      return value;
    }
  };
  return self;
}
function fieldOf({ machine }, member2, scope, self) {
  switch (member2.type) {
    case "ClassMethod":
    case "ClassPrivateMethod":
      if (member2.kind === "get")
        return machine.call(functionValue(member2, scope, self), [], placeOf(member2, scope, self));
      return functionValue(member2, scope, self);
    case "ClassProperty":
    case "ClassPrivateProperty": {
      if (member2.value == null) return null;
      const value = evaluate(machine, member2.value, scope);
      return value.kind === "function" ? { ...value, self } : value;
    }
    default:
      return null;
  }
}
function staticsOf({ machine }, node, scope, into) {
  for (const member2 of node.body.body) {
    if (member2.type === "ClassProperty" && member2.static === true && member2.key.type === "Identifier")
      into.set(member2.key.name, member2.value == null ? absent : machine.evaluate(member2.value, scope));
  }
}

// src/readers/components/packages.ts
function packageExport(composition, specifier, name) {
  const { machine } = composition;
  const bare = specifier.replace(/^npm:/, "");
  if (/^(?:react|preact|preact\/(?:hooks|compat)|react-dom)$/.test(bare)) return reactExport(composition, name);
  if (/^(?:clsx|classnames|clsx\/lite|tailwind-merge)$/.test(bare)) return joinsClasses(machine);
  if (/^(?:styled-components|@emotion\/styled|@emotion\/styled\/base)$/.test(bare) && (name === "default" || name === "styled"))
    return styledFunction(composition);
  if (bare === "vue") return boxes(machine)[name] ?? null;
  if (bare === "@angular/core") return signals(machine)[name] ?? null;
  return null;
}
var passThrough = (composition, name) => ({
  kind: "component",
  component: {
    name,
    source: nowhere,
    statics: /* @__PURE__ */ new Map(),
    takesProps: true,
    isTransparent: true,
    openProps: () => anyProps(nowhere),
    render: ({ props }) => composition.toNodes(props.properties.get("children") ?? absent, "html")
  }
});
var nowhere = { file: "", start: 0, end: 0 };
function reactExport(composition, name) {
  const { machine } = composition;
  const hook = hooks[name];
  if (hook !== void 0) return native(name, (args2, at) => hook(machine, args2, at));
  switch (name) {
    case "Fragment":
    case "StrictMode":
    case "Suspense":
    case "Profiler":
    case "Activity":
      return passThrough(composition, name);
    case "createContext":
      return native(name, ([initial], at) => contextOf(composition, initial ?? absent, at));
    case "useContext":
    case "use":
      return native(name, ([context], at) => contextValue(machine, context ?? absent, at));
    case "memo":
    case "observer":
      return native(name, ([inner]) => inner ?? absent);
    case "forwardRef":
      return native(name, ([inner]) => inner ?? absent);
    case "lazy":
      return native(name, (_, at) => unknownAt(at.source, at.text, `import lazy ${at.source.file}:${at.source.start}`));
    case "createPortal":
      return native(name, ([content]) => content ?? absent);
    case "createElement":
    case "h":
    case "jsx":
      return native(name, (args2, at) => createdMarkup(machine, args2, at));
    case "cloneElement":
      return native(name, ([element, props, ...children], at) => cloned(machine, element ?? absent, props ?? absent, children, at));
    case "Children":
      return objectOf([
        ["map", native("map", ([list, fn], at) => eachChild(machine, list ?? absent, fn ?? absent, at))],
        ["toArray", native("toArray", ([list]) => list?.kind === "list" ? list : listOf(list === void 0 || isNullish(list) ? [] : [list]))],
        ["only", native("only", ([one]) => one ?? absent)],
        ["count", native("count", ([list], at) => list?.kind === "list" ? known(list.items.length) : unknownAt(at.source, at.text, `count ${keyOf(list ?? absent)}`, "number"))]
      ]);
    case "isValidElement":
      return native(
        name,
        ([one], at) => one?.kind === "markup" ? known(true) : one?.kind === "known" ? known(false) : unknownAt(at.source, at.text, `isValidElement ${keyOf(one ?? absent)}`, "boolean")
      );
    case "default":
      return { kind: "native", name: "React", call: () => absent, members: (member2) => reactExport(composition, member2) };
    default:
      return null;
  }
}
var hooks = {
  useState: (machine, [initial], at) => {
    const first = initial?.kind === "function" ? machine.call(initial, [], at) : initial ?? absent;
    return listOf([stateValue(machine, first, at), native("setter", () => absent)]);
  },
  useReducer: (machine, [, initial], at) => listOf([stateValue(machine, initial ?? absent, at), native("dispatch", () => absent)]),
  useMemo: (machine, [make], at) => machine.call(make ?? absent, [], at),
  useCallback: (_, [fn]) => fn ?? absent,
  useEffectEvent: (_, [fn]) => fn ?? absent,
  useId: (machine, _, at) => known(`:${machine.state.instance}${at.source.start}:`),
  useRef: (_, __, at) => objectOf([["current", unknownAt(at.source, at.text, `ref ${at.source.file}:${at.source.start}`)]]),
  useDeferredValue: (_, [value]) => value ?? absent,
  useTransition: (machine, _, at) => listOf([stateValue(machine, known(false), at), native("start", () => absent)]),
  useEffect: () => absent,
  useLayoutEffect: () => absent,
  useInsertionEffect: () => absent,
  useImperativeHandle: () => absent,
  useDebugValue: () => absent
};
function contextOf(composition, initial, at) {
  const { machine } = composition;
  const id = `${at.source.file}:${at.source.start}`;
  const provider = {
    name: "Provider",
    source: at.source,
    statics: /* @__PURE__ */ new Map(),
    takesProps: true,
    isTransparent: true,
    openProps: () => anyProps(at.source),
    render: ({ props }) => {
      const { state } = machine;
      const before = state.contexts;
      state.contexts = [...before, [id, props.properties.get("value") ?? absent]];
      try {
        return composition.toNodes(props.properties.get("children") ?? absent, "html");
      } finally {
        state.contexts = before;
      }
    }
  };
  const consumer = {
    ...provider,
    name: "Consumer",
    render: ({ props }) => composition.toNodes(
      machine.call(props.properties.get("children") ?? absent, [contextById(machine, id, initial, at)], at),
      "html"
    )
  };
  provider.statics.set("Provider", { kind: "component", component: provider });
  provider.statics.set("Consumer", { kind: "component", component: consumer });
  provider.statics.set(CONTEXT, known(id));
  provider.statics.set(INITIAL, initial);
  return { kind: "component", component: provider };
}
var CONTEXT = "(context)";
var INITIAL = "(initial)";
function contextValue(machine, context, at) {
  if (context.kind !== "component")
    return perhaps(machine, `context ${keyOf(context)}`, at);
  const id = context.component.statics.get(CONTEXT);
  return id?.kind === "known" ? contextById(machine, String(id.value), context.component.statics.get(INITIAL) ?? absent, at) : perhaps(machine, "context", at);
}
function contextById(machine, id, initial, at) {
  for (const [of, value] of machine.state.contexts.toReversed()) if (of === id) return value;
  return {
    kind: "either",
    decision: {
      id: `provided ${id}`,
      arms: [`\`${at.text}\` is provided`, `\`${at.text}\` is not provided`],
      named: false,
      source: at.source
    },
    arms: [unknownAt(at.source, at.text, `context ${id}`), initial]
  };
}
var perhaps = (machine, id, at) => unknownAt(at.source, at.text, `${id}@${machine.state.instance}`);
function createdMarkup(machine, [type, props, ...children], at) {
  const given = props?.kind === "object" ? props : objectOf([], props?.kind === "unknown" ? props : null);
  const content = children.length === 0 ? null : children.length === 1 ? children[0] ?? absent : listOf(children);
  return {
    kind: "markup",
    type: type ?? absent,
    name: at.text,
    props: content === null ? given : { ...given, properties: new Map(given.properties).set("children", content) },
    places: /* @__PURE__ */ new Map(),
    key: null,
    source: at.source,
    endTag: null,
    owner: machine.state.frames,
    instance: machine.state.instance,
    overwrites: false
  };
}
function cloned(machine, element, props, children, at) {
  return lift(
    machine,
    element,
    (one) => lift(machine, props, (more) => {
      if (one.kind !== "markup") return one.kind === "known" ? one : unknownAt(at.source, at.text, `clone ${keyOf(one)}`);
      const properties = new Map(one.props.properties);
      if (more.kind === "object") for (const [name, value] of more.properties) properties.set(name, value);
      if (children.length > 0) properties.set("children", children.length === 1 ? children[0] ?? absent : listOf(children));
      const markup = {
        ...one,
        props: {
          ...one.props,
          properties,
          rest: more.kind === "object" ? more.rest ?? one.props.rest : more.kind === "unknown" ? more : one.props.rest
        }
      };
      return markup;
    })
  );
}
function eachChild(machine, list, fn, at) {
  if (list.kind === "list") return listOf(list.items.map((item, i) => machine.call(fn, [item, known(i)], at)));
  if (isNullish(list)) return list;
  if (list.kind === "markup") return machine.call(fn, [list, known(0)], at);
  return unknownAt(at.source, at.text, `children ${keyOf(list)} ${at.source.start}`);
}
var joinsClasses = (machine) => ({
  kind: "native",
  name: "clsx",
  call: (args2, at) => classNames(machine, args2, at),
  members: (name) => name === "default" ? joinsClasses(machine) : null
});
function styledFunction(composition) {
  const of = (inner) => ({
    kind: "native",
    name: "styled",
    call: () => of(inner),
    members: () => native("styled", () => of(inner)),
    tagged: (node, scope) => styledComponent(composition, inner, node, textOf(node.tag, scope), {
      file: scope.module.file,
      start: node.start ?? 0,
      end: node.end ?? 0
    })
  });
  return {
    kind: "native",
    name: "styled",
    call: ([inner]) => of(inner ?? absent),
    members: (name) => of(known(name))
  };
}
function styledComponent(composition, inner, _node, name, source) {
  const style = unknownAt(source, name, `styled ${source.file}:${source.start}`, "string");
  return {
    kind: "component",
    component: {
      name,
      source,
      statics: /* @__PURE__ */ new Map(),
      takesProps: true,
      isTransparent: true,
      openProps: () => anyProps(source),
      render: (call2) => {
        const { as, ...others } = Object.fromEntries(call2.props.properties);
        const properties = new Map(Object.entries(others).filter(([key]) => !key.startsWith("$"))).set("style", style);
        return composition.renderMarkup(
          {
            kind: "markup",
            type: as ?? inner,
            name,
            props: { ...call2.props, properties },
            places: call2.places,
            key: null,
            source: call2.source,
            endTag: call2.endTag,
            owner: call2.frames,
            instance: call2.instance,
            overwrites: false
          },
          "html"
        );
      }
    }
  };
}
var boxed = (value) => ({
  kind: "object",
  properties: /* @__PURE__ */ new Map(),
  rest: null,
  lazy: (name) => name === "value" ? value() : null,
  box: value
});
var boxes = (machine) => {
  const ref = native("ref", ([initial], at) => {
    const state = stateValue(machine, initial ?? absent, at);
    return boxed(() => state);
  });
  const same = native("same", ([value]) => value ?? absent);
  return {
    ref,
    shallowRef: ref,
    customRef: native("customRef", (_, at) => boxed(() => unknownAt(at.source, at.text, `ref ${at.source.start}@${machine.state.instance}`))),
    computed: native("computed", ([make], at) => {
      const memo = { value: null };
      return boxed(() => {
        memo.value ??= make?.kind === "object" ? machine.call(make.properties.get("get") ?? absent, [], at) : machine.call(make ?? absent, [], at);
        return memo.value;
      });
    }),
    reactive: native("reactive", ([value]) => value ?? absent),
    readonly: same,
    toRef: native(
      "toRef",
      ([object2, name], at) => name?.kind === "known" ? boxed(() => machine.member(object2 ?? absent, String(name.value), at)) : object2 ?? absent
    ),
    toRefs: same,
    unref: native("unref", ([value]) => unboxed(value ?? absent)),
    toValue: native("toValue", ([value]) => unboxed(value ?? absent)),
    useId: native("useId", (_, at) => known(`v-${machine.state.instance}${at.source.start}`)),
    useTemplateRef: native("useTemplateRef", (_, at) => boxed(() => unknownAt(at.source, at.text, `ref ${at.source.start}`))),
    defineComponent: same,
    defineAsyncComponent: native("defineAsyncComponent", (_, at) => unknownAt(at.source, at.text, `import async ${at.source.start}`)),
    inject: native("inject", ([name, initial], at) => {
      if (name?.kind === "known") {
        for (const [of, value] of machine.state.contexts.toReversed()) if (of === name.value) return value;
      }
      return {
        kind: "either",
        decision: {
          id: `inject ${keyOf(name ?? absent)}`,
          arms: [`\`${at.text}\` is provided`, `\`${at.text}\` is not provided`],
          named: false,
          source: at.source
        },
        arms: [unknownAt(at.source, at.text, `inject ${keyOf(name ?? absent)}`), initial ?? absent]
      };
    })
  };
};
var unboxed = (value) => value.kind === "object" && value.box !== void 0 ? value.box() : value;
var signals = (machine) => ({
  signal: native("signal", ([initial], at) => {
    const state = stateValue(machine, initial ?? absent, at);
    return {
      kind: "native",
      name: "signal",
      call: () => state,
      members: () => native("set", () => absent)
    };
  }),
  computed: native("computed", ([make], at) => native("computed", () => machine.call(make ?? absent, [], at)))
});

// src/readers/components/react-source.ts
init_parse_script();
function declaredNames(programs) {
  const names = [];
  for (const statement of programs.flatMap((program) => program.body)) {
    const declaration = statement.type === "ExportNamedDeclaration" || statement.type === "ExportDefaultDeclaration" ? statement.declaration : statement;
    if (declaration?.type === "VariableDeclaration") {
      for (const { id } of declaration.declarations) if (id.type === "Identifier") names.push(id.name);
    } else if ((declaration?.type === "FunctionDeclaration" || declaration?.type === "ClassDeclaration") && declaration.id != null)
      names.push(declaration.id.name);
  }
  return names;
}
function mayRender({ node }) {
  let found = false;
  everyNode(node.body, (at) => {
    if (at.type === "JSXElement" || at.type === "JSXFragment") found = true;
    if (at.type === "Identifier" && (at.name === "createElement" || at.name === "cloneElement")) found = true;
    return !found;
  });
  return found;
}
function wrappedPropsTypes(programs) {
  const found = /* @__PURE__ */ new Map();
  const isFunction = (node) => node?.type === "ArrowFunctionExpression" || node?.type === "FunctionExpression";
  for (const program of programs)
    everyNode(program, (node) => {
      if (node.type === "CallExpression") {
        const [fn] = node.arguments;
        const name = node.callee.type === "Identifier" ? node.callee.name : node.callee.type === "MemberExpression" && node.callee.property.type === "Identifier" ? node.callee.property.name : "";
        const types = typeArguments(node);
        const props = name === "forwardRef" ? types[1] : name === "memo" ? types[0] : void 0;
        if (isFunction(fn) && props !== void 0) found.set(fn.start ?? -1, props);
      }
      if (node.type === "VariableDeclarator" && node.id.type === "Identifier" && isFunction(node.init)) {
        const annotation = node.id.typeAnnotation;
        const type = annotation?.type === "TSTypeAnnotation" ? annotation.typeAnnotation : null;
        const [props] = type?.type === "TSTypeReference" ? typeArguments(type) : [];
        if (props !== void 0) found.set(node.init.start ?? -1, props);
      }
      return true;
    });
  return found;
}

// src/readers/components/svelte-component.ts
init_parse_script();

// src/readers/components/component-styles.ts
var stylesOf = ({ content }) => content.kind === "template" ? content.parts.styles : [];
var scopeAttribute = ({ file }) => `data-keel-${file.replace(/[^A-Za-z0-9]/g, "-").toLowerCase()}`;

// src/readers/components/template-render.ts
var TemplateRenderer = class {
  #composition;
  #language;
  constructor(composition, language) {
    this.#composition = composition;
    this.#language = language;
  }
  render(nodes, scope, namespace = "html") {
    const inner = innerScope(scope);
    for (const node of nodes) if (node.kind === "snippet") bind(inner, node.name, this.#snippet(node, inner));
    return nodes.flatMap((node) => this.#node(node, inner, namespace));
  }
  #span = (scope, { start, end }) => ({
    file: scope.module.file,
    start,
    end
  });
  #evaluate(expression, scope, at) {
    if (expression !== null) return this.#composition.machine.evaluate(expression, scope);
    const source = this.#span(scope, at);
    return unknownAt(
      source,
      scope.module.text.slice(at.start, at.end),
      `${source.file}:${at.start}@${this.#composition.machine.state.instance}`,
      "string"
    );
  }
  #node(node, scope, namespace) {
    switch (node.kind) {
      case "text":
        return node.value === "" ? [] : [{ kind: "text", value: node.value, source: this.#span(scope, node) }];
      case "comment":
        return [{ kind: "comment", value: node.value, source: this.#span(scope, node) }];
      case "value":
        return this.#shown(this.#evaluate(node.expression, scope, node), namespace);
      case "html":
        return htmlNodes(
          this.#evaluate(node.expression, scope, node),
          this.#span(scope, node),
          this.#composition.machine.state.instance
        );
      case "if":
        return this.#branches(node.branches, 0, scope, namespace);
      case "each":
        return this.#each(node, scope, namespace);
      case "let": {
        const inner = innerScope(scope);
        const { machine } = this.#composition;
        machine.bindPattern(node.name, machine.evaluate(node.expression, scope), inner);
        return this.render(node.children, inner, namespace);
      }
      case "group":
        return this.render(node.children, scope, namespace);
      case "render":
        return this.#shown(this.#composition.machine.evaluate(node.expression, scope), namespace);
      case "snippet":
        return [];
      case "outlet":
        return this.#outlet(node, scope, namespace);
      case "element":
        return this.#element(node, scope, namespace);
    }
  }
  /** What is shown of a value: in templates a thing that nobody knows is text. */
  #shown(value, namespace) {
    return this.#composition.toNodes(value, namespace);
  }
  #fork(value, text, source, make) {
    const { path: path2 } = this.#composition.machine.state;
    const inArm = (decision2, arm, go) => {
      path2.set(decision2.id, arm);
      try {
        return go();
      } finally {
        path2.delete(decision2.id);
      }
    };
    if (value.kind === "either") {
      const { decision: decision2, arms } = value;
      const fixed2 = path2.get(decision2.id);
      if (fixed2 !== void 0) return this.#fork(arms[fixed2] ?? absent, text, source, make);
      return [
        {
          kind: "either",
          decision: decision2,
          arms: arms.map((arm, i) => inArm(decision2, i, () => this.#fork(arm, text, source, make)))
        }
      ];
    }
    const truth = truthOf(value);
    if (truth !== null) return make(truth);
    const decision = {
      id: `so ${keyOf(value)}`,
      arms: [`\`${text}\` is so`, `\`${text}\` is not so`],
      named: false,
      source
    };
    const fixed = path2.get(decision.id);
    if (fixed !== void 0) return make(fixed === 0);
    return [
      {
        kind: "either",
        decision,
        arms: [inArm(decision, 0, () => make(true)), inArm(decision, 1, () => make(false))]
      }
    ];
  }
  #branches(branches, at, scope, namespace) {
    const branch = branches[at];
    if (branch === void 0) return [];
    const { test, children } = branch;
    if (test === null) return this.render(children, scope, namespace);
    const place = { start: test.start ?? 0, end: test.end ?? 0 };
    return this.#fork(
      this.#evaluate(test, scope, place),
      scope.module.text.slice(place.start, place.end),
      this.#span(scope, place),
      (holds) => holds ? this.render(children, scope, namespace) : this.#branches(branches, at + 1, scope, namespace)
    );
  }
  #each(node, scope, namespace) {
    const { machine } = this.#composition;
    const item = (value, index) => {
      const inner = innerScope(scope);
      if (node.item !== null) machine.bindPattern(node.item, value, inner);
      if (node.index !== null) machine.bindPattern(node.index, index, inner);
      for (const name of node.extra)
        bind(inner, name, name === "$index" ? index : unknownAt(this.#span(scope, node), name, `${name} ${keyOf(index)}`));
      const before = machine.state.instance;
      machine.state.instance = `${before}[${index.kind === "known" ? index.value : "n"}]`;
      try {
        return this.render(node.children, inner, namespace);
      } finally {
        machine.state.instance = before;
      }
    };
    const nodes = (list) => {
      if (list.kind === "either")
        return [{ kind: "either", decision: list.decision, arms: list.arms.map(nodes) }];
      if (list.kind === "list")
        return list.items.length === 0 ? this.render(node.empty, scope, namespace) : list.items.flatMap((value, i) => item(value, known(i)));
      if (list.kind === "known" && typeof list.value === "number")
        return Array.from({ length: Math.min(list.value, 60) }, (_, i) => item(known(i + 1), known(i))).flat();
      if (isNullish(list)) return this.render(node.empty, scope, namespace);
      const source = this.#span(scope, node);
      const index = unknownAt(source, "index", `index ${keyOf(list)}`, "number");
      const one = list.kind === "each" ? list.item : unknownAt(source, "item", `${keyOf(list)}[]`);
      return repeated(item(one, index));
    };
    return nodes(this.#evaluate(node.list, scope, node));
  }
  /** A snippet: markup that is called like a function. It belongs to the component that wrote it. */
  #snippet(node, scope) {
    const { machine } = this.#composition;
    const render = this.#asWritten((args2) => {
      const inner = innerScope(scope);
      node.parameters.forEach((parameter, i) => {
        machine.bindPattern(parameter, args2[i] ?? absent, inner);
      });
      return this.render(node.children, inner);
    });
    return native(node.name, (args2) => ({ kind: "tree", nodes: render(args2) }));
  }
  /** Makes something render later as it would now: with the way to the component that wrote it. */
  #asWritten(render) {
    const { state } = this.#composition.machine;
    const { frames } = state;
    return (given) => {
      const before = state.frames;
      state.frames = frames;
      try {
        return render(given);
      } finally {
        state.frames = before;
      }
    };
  }
  #outlet(node, scope, namespace) {
    const { call: call2 } = this.#language;
    const source = this.#span(scope, node);
    const slot = call2.slots.get(node.name ?? "default");
    const fallback = () => this.render(node.fallback, scope, namespace);
    if (slot === void 0) {
      if (!call2.isAlone) return fallback();
      return [{ kind: "hole", hole: { hole: scope.module.text.slice(node.start, node.end), source, mayBeEmpty: false } }];
    }
    const given = this.#parts(node.attributes, scope);
    const nodes = slot(
      objectOf(
        given.attributes.map(({ name, value }) => [this.#language.propName(name), value]),
        given.spread
      )
    );
    return nodes.length === 0 ? fallback() : nodes;
  }
  #element(element, scope, namespace) {
    const { machine } = this.#composition;
    if (element.dynamic !== null) return this.#dynamic(element, machine.evaluate(element.dynamic, scope), scope, namespace);
    const meaning = this.#language.meaningOf(element, scope);
    switch (meaning.kind) {
      case "host":
        return [this.#host(element, element.tag, scope, namespace)];
      case "pass":
        return this.render(element.children, scope, namespace);
      case "component":
        return this.#use(element, meaning.component, scope);
      case "unknown": {
        const standIn = this.#composition.standsFor(element.tag);
        return standIn === null ? this.#unknown(element, scope) : [this.#host(element, standIn, scope, namespace)];
      }
    }
  }
  /** `<component :is="…">`, `<svelte:element this={…}>`. */
  #dynamic(element, type, scope, namespace) {
    if (type.kind === "either") {
      const { path: path2 } = this.#composition.machine.state;
      const { decision, arms } = type;
      const fixed = path2.get(decision.id);
      if (fixed !== void 0) return this.#dynamic(element, arms[fixed] ?? absent, scope, namespace);
      return [
        {
          kind: "either",
          decision,
          arms: arms.map((arm, i) => {
            path2.set(decision.id, i);
            try {
              return this.#dynamic(element, arm, scope, namespace);
            } finally {
              path2.delete(decision.id);
            }
          })
        }
      ];
    }
    if (isNullish(type)) return [];
    const component = this.#composition.componentOf(type);
    if (component !== null) return this.#use(element, component, scope);
    if (type.kind === "known" && typeof type.value === "string") {
      const named = { ...element, tag: type.value, dynamic: null };
      const meaning = this.#language.meaningOf(named, scope);
      return meaning.kind === "component" ? this.#use(named, meaning.component, scope) : [this.#host(named, type.value, scope, namespace)];
    }
    return this.#unknown(element, scope);
  }
  #unknown(element, scope) {
    const source = { file: scope.module.file, start: element.start, end: element.startEnd };
    this.#composition.noteUnknown(element.tag, source);
    for (const content of [element.children, ...element.slots.map(({ children }) => children)])
      if (content.length > 0) this.#composition.addIsland(this.render(content, scope));
    return [{ kind: "hole", hole: { hole: `<${element.tag}>`, source, mayBeEmpty: true } }];
  }
  #use(element, component, scope) {
    const { machine } = this.#composition;
    const parts = this.#parts(element.attributes, scope);
    const slots = /* @__PURE__ */ new Map();
    const content = (children2, given) => this.#asWritten((values) => {
      const inner = innerScope(scope);
      if (given !== null) machine.bindPattern(given, values, inner);
      return this.render(children2, inner);
    });
    for (const { name, given, children: children2 } of element.slots) slots.set(name, content(children2, given));
    const children = element.children.filter((child) => child.kind !== "snippet");
    if (children.some(isContent2)) slots.set("default", content(children, null));
    const properties = new Map(
      parts.attributes.map(({ name, value }) => [this.#language.propName(name), value])
    );
    const places = /* @__PURE__ */ new Map();
    for (const { name, source } of parts.attributes)
      if (source !== null) places.set(this.#language.propName(name), source);
    for (const [event, { value, source }] of parts.listeners) {
      properties.set(listenerProp(event), value);
      if (source !== null) places.set(listenerProp(event), source);
    }
    if (this.#language.contentIsProp) {
      for (const child of element.children) if (child.kind === "snippet") properties.set(child.name, this.#snippet(child, scope));
      const inner = slots.get("default");
      if (inner !== void 0)
        properties.set("children", native("children", () => ({ kind: "tree", nodes: inner(objectOf([])) })));
    }
    const nodes = this.#composition.use(component, {
      props: objectOf(properties, parts.spread),
      places,
      slots,
      source: { file: scope.module.file, start: element.start, end: element.startEnd },
      endTag: null,
      owner: machine.state.frames
    });
    return this.#language.hostOf === void 0 ? nodes : [this.#language.hostOf(component, element, nodes, parts)];
  }
  #host(element, tag, scope, around2) {
    const namespace = namespaceOf(tag, around2);
    const parts = this.#parts(element.attributes, scope);
    const { scopeAttribute: scopeAttribute2 } = this.#language;
    const inner = element.tag === "foreignObject" ? "html" : namespace;
    const model = tag === "textarea" ? parts.attributes.find(({ name }) => name === "value") : void 0;
    return hostElement({
      tag,
      ...tag === element.tag ? {} : { writtenTag: element.tag },
      namespace,
      attributes: [
        ...parts.attributes.filter(({ name }) => model === void 0 || name !== "value"),
        ...scopeAttribute2 === null ? [] : [{ name: scopeAttribute2, value: known(""), source: null }]
      ],
      listeners: parts.listeners,
      mayListen: parts.mayListen && (this.#composition.textOf(scope.module.file)?.includes("addEventListener") ?? true),
      spread: parts.spread,
      children: model === void 0 ? this.render(element.children, scope, inner) : this.#shown(model.value, inner),
      source: { file: scope.module.file, start: element.start, end: element.startEnd },
      endTag: null,
      components: this.#composition.machine.state.frames,
      ...parts.overwrites ? { overwrites: true } : {}
    });
  }
  /** Attributes in the order they are written: what comes later wins, classes and styles add up. */
  #parts(written, scope) {
    const { machine } = this.#composition;
    const attributes = /* @__PURE__ */ new Map();
    const listeners = /* @__PURE__ */ new Map();
    const spreadNames = /* @__PURE__ */ new Set();
    const classes = [];
    const styles = [];
    let spread = null;
    let mayListen = false;
    let overwrites = false;
    const set = (name, value, source, bySpread = false) => {
      const before = attributes.get(name)?.value;
      if (!bySpread && spreadNames.has(name) && before !== void 0 && !isEmpty(before)) overwrites = true;
      if (bySpread) spreadNames.add(name);
      attributes.set(name, { name, value, source });
    };
    for (const attribute of written) {
      const source = this.#span(scope, attribute);
      const place = { source, text: scope.module.text.slice(source.start, source.end), self: null };
      switch (attribute.kind) {
        case "text":
          if (attribute.name === "class") classes.push({ value: known(attribute.value), source });
          else if (attribute.name === "style") styles.push({ value: known(`${attribute.value};`), source });
          else set(attribute.name, known(attribute.value), source);
          break;
        case "value": {
          const value = this.#evaluate(attribute.expression, scope, attribute);
          if (attribute.name === "class") classes.push({ value, source });
          else if (attribute.name === "style") styles.push({ value: styleText(machine, firstOfList(value), place), source });
          else set(attribute.name, value, source);
          break;
        }
        case "parts": {
          const value = concat(
            machine,
            attribute.parts.map((part) => typeof part === "string" ? known(part) : machine.evaluate(part, scope)),
            () => unknownAt(source, place.text, `${source.file}:${source.start}@${machine.state.instance}`, "string")
          );
          if (attribute.name === "class") classes.push({ value, source });
          else if (attribute.name === "style") styles.push({ value, source });
          else set(attribute.name, value, source);
          break;
        }
        case "spread": {
          const value = this.#evaluate(attribute.expression, scope, attribute);
          const given = value.kind === "either" ? value.arms[0] ?? absent : value;
          if (given.kind === "object") {
            for (const [name, one] of given.properties) {
              const event = /^on(?::|(?=[A-Z]))(\w+)/.exec(name) ?? (this.#language.contentIsProp ? /^on([a-z]+)$/.exec(name) : null);
              if (event !== null) listeners.set((event[1] ?? "").toLowerCase(), { value: one, source });
              else if (name === "class") classes.push({ value: one, source });
              else if (name !== "children") set(name, one, source, true);
            }
            if (given.rest !== null) spread = given.rest;
          } else if (!isNullish(given)) spread = given.kind === "unknown" ? given : unknownAt(source, place.text, `spread ${source.start}`);
          break;
        }
        case "listener":
          listeners.set(attribute.event, { value: this.#handler(attribute, scope), source });
          break;
        case "toggle":
          this.#toggle(attribute, scope, source, classes, styles);
          break;
        case "model":
          set(attribute.name, unknownAt(source, place.text, `model ${source.file}:${source.start}@${machine.state.instance}`), source);
          listeners.set("input", { value: known(void 0), source });
          break;
        case "opaque":
          mayListen = true;
          break;
      }
    }
    const at = (source) => ({ source, text: "class", self: null });
    const [firstClass] = classes;
    if (firstClass !== void 0)
      attributes.set("class", {
        name: "class",
        value: classNames(machine, classes.map(({ value }) => value), at(firstClass.source)),
        source: firstClass.source
      });
    const [firstStyle] = styles;
    if (firstStyle !== void 0)
      attributes.set("style", {
        name: "style",
        value: concat(
          machine,
          styles.map(({ value }) => value),
          () => unknownAt(firstStyle.source, "style", `style ${firstStyle.source.start}`, "string")
        ),
        source: firstStyle.source
      });
    return { attributes: [...attributes.values()], listeners, spread, mayListen, overwrites };
  }
  #handler(attribute, scope) {
    const { expression, code } = attribute;
    const source = this.#span(scope, attribute);
    const inline = unknownAt(source, code, `handler ${source.file}:${source.start}`);
    if (expression === null || !/Function|Identifier/.test(expression.type)) return inline;
    const value = this.#composition.machine.evaluate(expression, scope);
    return value.kind === "object" ? inline : value;
  }
  #toggle(attribute, scope, source, classes, styles) {
    const { machine } = this.#composition;
    const test = this.#evaluate(attribute.test, scope, attribute);
    const chosen2 = (when, text) => lift(machine, test, (one) => {
      const truth = truthOf(one);
      return truth === null ? unknownAt(source, attribute.token, `toggle ${attribute.token} ${keyOf(one)}`, "string") : known(truth === when ? text : "");
    });
    if (attribute.name === "class") classes.push({ value: chosen2(true, attribute.token), source });
    else styles.push({ value: chosen2(false, "display: none;"), source });
  }
};
var listenerProp = (event) => `on${event.slice(0, 1).toUpperCase()}${event.slice(1)}`;
var isEmpty = (value) => value.kind === "known" && (value.value === "" || value.value == null);
var firstOfList = (value) => value.kind === "list" ? value.items[0] ?? absent : value;
var isContent2 = (node) => node.kind === "text" ? node.value.trim() !== "" : node.kind !== "comment" && node.kind !== "snippet";

// src/readers/components/vue-component.ts
init_parse_script();

// src/readers/components/html-tags.ts
var htmlTags = new Set(
  "a abbr address area article aside audio b base bdi bdo blockquote body br button canvas caption cite code col colgroup data datalist dd del details dfn dialog div dl dt em embed fieldset figcaption figure footer form h1 h2 h3 h4 h5 h6 head header hgroup hr html i iframe img input ins kbd label legend li link main map mark menu meta meter nav noscript object ol optgroup option output p param picture pre progress q rp rt ruby s samp script search section select selectedcontent slot small source span strong style sub summary sup table tbody td template textarea tfoot th thead time title tr track u ul var video wbr acronym applet big blink center dir font frame frameset image marquee nobr strike tt svg animate animateMotion animateTransform circle clipPath defs desc ellipse feBlend feColorMatrix feComponentTransfer feComposite feConvolveMatrix feDiffuseLighting feDisplacementMap feDistantLight feDropShadow feFlood feFuncA feFuncB feFuncG feFuncR feGaussianBlur feImage feMerge feMergeNode feMorphology feOffset fePointLight feSpecularLighting feSpotLight feTile feTurbulence filter foreignObject g line linearGradient marker mask metadata mpath path pattern polygon polyline radialGradient rect set stop switch symbol text textPath tspan use view math mi mn mo ms mspace mtext mrow mfrac msqrt mroot msub msup msubsup munder mover munderover mtable mtr mtd".split(" ")
);

// src/readers/components/vue-component.ts
var passes = /* @__PURE__ */ new Set(["Transition", "KeepAlive", "Teleport", "Suspense", "ClientOnly"]);
var camelCase = (name) => name.replace(/-(\w)/g, (_, c2) => c2.toUpperCase());
var pascalCase = (name) => camelCase(`-${name}`);
function vueComponent(composition, making, module, parts, types) {
  const source = wholeOf(module);
  const { script } = parts;
  const declared = once(() => declaredProps(composition, making, module, script, types));
  const inherits = !(script !== null && hasInheritOff(script));
  return {
    name: baseName(module.file),
    source,
    statics: /* @__PURE__ */ new Map(),
    takesProps: script === null ? hasOutlet(parts) : declared().members.size > 0 || declared().open || hasOutlet(parts) || usesModel(script),
    openProps: () => openProps(declared(), source),
    render: (call2) => {
      const { props, attrs } = divided(declared(), call2);
      const scope = innerScope(making.scopeOf({ ...module }));
      const instance = instanceScope(composition, making, module, script, scope, call2, props, attrs, declared());
      return rendered(composition, module, parts, instance, call2, attrs, inherits, () => null);
    }
  };
}
function instanceScope(composition, making, module, script, scope, call2, props, attrs, declared) {
  const { machine } = composition;
  const withDefaults2 = once(() => defaulted(composition, props, declared, scope));
  const defines = [
    ["defineProps", native("defineProps", () => withDefaults2())],
    ["withDefaults", native("withDefaults", () => withDefaults2())],
    ["defineEmits", native("defineEmits", () => native("emit", () => absent))],
    ["defineExpose", native("defineExpose", () => absent)],
    ["defineOptions", native("defineOptions", () => absent)],
    ["defineSlots", native("defineSlots", () => slotsOf(call2))],
    ["useSlots", native("useSlots", () => slotsOf(call2))],
    ["useAttrs", native("useAttrs", () => attrs)],
    [
      "defineModel",
      native("defineModel", ([name], at) => {
        const key = name?.kind === "known" && typeof name.value === "string" ? name.value : "modelValue";
        return boxed(() => call2.props.properties.get(key) ?? unknownAt(at.source, at.text, `model ${key} ${call2.instance}`));
      })
    ]
  ];
  for (const [name, value] of defines) bind(scope, name, value);
  if (script !== null) bindProgram(making, module, script, scope);
  const template2 = innerScope(scope);
  const names = new Set(scope.bindings.keys());
  for (const name of names)
    bindLater(template2, name, () => unboxed(machine.evaluate({ type: "Identifier", name, start: 0, end: 0 }, scope)));
  for (const name of declared.members.keys())
    if (!names.has(name))
      bindLater(template2, name, () => machine.member(withDefaults2(), name, { source: call2.source, text: name, self: null }));
  bindCommon(template2, call2, attrs, () => withDefaults2());
  return template2;
}
var slotsOf = (call2) => call2.isAlone ? objectOf([], unknownAt(call2.source, "$slots", `slots ${call2.instance}`)) : objectOf([...call2.slots.keys()].map((name) => [name, native(name, () => absent)]));
function bindCommon(template2, call2, attrs, props) {
  bind(template2, "$attrs", attrs);
  bind(template2, "$slots", slotsOf(call2));
  bind(template2, "$emit", native("$emit", () => absent));
  bindLater(template2, "$props", props);
}
function rendered(composition, module, parts, scope, call2, attrs, inherits, registered) {
  const { machine } = composition;
  const byName = (name) => {
    for (const candidate of [name, camelCase(name), pascalCase(name)])
      for (let at = scope; at !== null; at = at.parent)
        if (at.bindings.has(candidate))
          return machine.evaluate({ type: "Identifier", name: candidate, start: 0, end: 0 }, scope);
    return null;
  };
  const meaningOf2 = ({ tag }) => {
    if (passes.has(pascalCase(tag))) return { kind: "pass" };
    const isNative = htmlTags.has(tag);
    if (isNative && !/[A-Z-]/.test(tag)) return { kind: "host" };
    const own = registered(tag) ?? (pascalCase(tag) === baseName(module.file) ? fileOf(composition, module) : null);
    if (own !== null) return { kind: "component", component: own };
    const value = tag.includes(".") ? null : byName(tag);
    const component = value === null ? null : composition.componentOf(value);
    if (component !== null) return { kind: "component", component };
    return isNative ? { kind: "host" } : { kind: "unknown" };
  };
  const hasScoped = stylesOf(module).some(({ scoped }) => scoped);
  const renderer = new TemplateRenderer(composition, {
    meaningOf: meaningOf2,
    propName: camelOrAria,
    contentIsProp: false,
    scopeAttribute: hasScoped ? scopeAttribute(module) : null,
    call: call2
  });
  const nodes = renderer.render(parts.template, scope);
  return inherits ? fallThrough(nodes, attrs, call2) : nodes;
}
var camelOrAria = (name) => /^(?:aria|data)-/.test(name) ? name : camelCase(name);
var fileOf = (composition, module) => {
  const value = composition.exported(module.path, "default");
  return value === null ? null : composition.componentOf(value);
};
function fallThrough(nodes, attrs, call2) {
  const roots = nodes.filter((node) => node.kind === "element" || node.kind === "either" || node.kind === "hole");
  if (roots.length !== 1 || attrs.properties.size === 0 && attrs.rest === null) return nodes;
  const put = (node) => {
    if (node.kind === "either") return { ...node, arms: node.arms.map((arm) => fallThrough(arm, attrs, call2)) };
    if (node.kind !== "element") return node;
    const attributes = new Map(node.attributes.map((attribute) => [attribute.name, attribute]));
    const listeners = new Map(node.listeners === "unknown" ? [] : node.listeners);
    for (const [prop, value] of attrs.properties) {
      const source = call2.places.get(prop) ?? null;
      const event = /^on([A-Z].*)$/.exec(prop)?.[1];
      if (event !== void 0) {
        if (value.kind !== "known")
          listeners.set(event.toLowerCase(), { code: "text" in value ? String(value.text) : event, source, present: true });
        continue;
      }
      const name = hyphenated2(prop);
      const written = attributeValue(name, value);
      if (written === null) continue;
      const before = attributes.get(name);
      const joined = name === "class" && typeof before?.value === "string" && typeof written === "string" ? `${before.value} ${written}` : written;
      attributes.set(name, { name, value: joined, source });
    }
    return {
      ...node,
      attributes: [...attributes.values()],
      listeners: node.listeners === "unknown" || attrs.rest !== null ? "unknown" : listeners,
      spread: attrs.rest === null ? node.spread : holeOf(attrs.rest)
    };
  };
  return nodes.map((node) => node === roots[0] ? put(node) : node);
}
var hyphenated2 = (name) => name.replace(/[A-Z]/g, (c2) => `-${c2.toLowerCase()}`);
function divided({ members: members2, booleans }, { props, isAlone, source }) {
  const own = /* @__PURE__ */ new Map();
  const attrs = /* @__PURE__ */ new Map();
  for (const [name, value] of props.properties) {
    const declared = camelCase(name);
    if (members2.has(declared))
      own.set(declared, booleans.has(declared) && value.kind === "known" && value.value === "" ? yes : value);
    else attrs.set(name, value);
  }
  if (!isAlone) {
    for (const name of booleans) if (!own.has(name)) own.set(name, no);
  }
  const rest = isAlone ? unknownAt(source, "$attrs", `attrs ${source.file}:${source.start}`) : props.rest;
  return { props: objectOf(own, isAlone ? null : props.rest), attrs: objectOf(attrs, rest) };
}
function defaulted(composition, props, declared, scope) {
  const { machine } = composition;
  const written = declared.defaults === null ? null : machine.evaluate(declared.defaults, scope);
  const all = new Map(props.properties);
  const names = /* @__PURE__ */ new Set([...declared.inline.keys(), ...written?.kind === "object" ? written.properties.keys() : []]);
  for (const name of names) {
    const node = declared.inline.get(name);
    const value = node !== void 0 ? machine.evaluate(node, scope) : written?.kind === "object" ? written.properties.get(name) : void 0;
    if (value === void 0) continue;
    const given = value.kind === "function" ? machine.call(value, [], placeOf(value.node, scope)) : value;
    const before = all.get(name);
    if (before === void 0 || before.kind === "known" && before.value === void 0) all.set(name, given);
    else if (before.kind === "either")
      all.set(name, { ...before, arms: before.arms.map((arm) => arm.kind === "known" && arm.value === void 0 ? given : arm) });
  }
  return { ...props, properties: all };
}
var openProps = (declared, source) => {
  if (declared.open && declared.members.size === 0) return anyProps(source);
  const at = { name: "props", id: `props ${source.file}:${source.start}`, source };
  return objectOf([...declared.members].map(([name, member2]) => [name, openMember(member2, name, at)]));
};
var nothingDeclared = {
  members: /* @__PURE__ */ new Map(),
  open: false,
  defaults: null,
  inline: /* @__PURE__ */ new Map(),
  booleans: /* @__PURE__ */ new Set()
};
function declaredProps(composition, making, module, script, types) {
  if (script === null) return nothingDeclared;
  let found = nothingDeclared;
  everyNode(script, (node) => {
    if (node.type === "VariableDeclarator" && isCallOf(node.init, "defineProps") && node.id.type === "ObjectPattern") {
      const inline = /* @__PURE__ */ new Map();
      for (const property of node.id.properties)
        if (property.type === "ObjectProperty" && property.key.type === "Identifier" && property.value.type === "AssignmentPattern")
          inline.set(property.key.name, property.value.right);
      found = { ...found, inline };
    }
    if (isCallOf(node, "withDefaults")) found = { ...found, defaults: node.arguments[1] ?? null };
    if (isCallOf(node, "defineProps")) {
      const [type] = typeArguments(node);
      const props = type !== void 0 ? fromType(shapeOf({ node: type, module }, types)) : fromOptions(composition, node.arguments[0] ?? null, making.scopeOf(module));
      found = { ...props, inline: new Map([...props.inline, ...found.inline]), defaults: found.defaults };
    }
    return !/Function/.test(node.type);
  });
  return found;
}
var isCallOf = (node, name) => node?.type === "CallExpression" && node.callee.type === "Identifier" && node.callee.name === name;
function fromType(shape) {
  if (shape.kind !== "object") return { ...nothingDeclared, open: true };
  const booleans = new Set(
    [...shape.members].filter(([, member2]) => isBoolean(member2.shape)).map(([name]) => name)
  );
  return { ...nothingDeclared, members: shape.members, open: shape.open, booleans };
}
var isBoolean = (shape) => shape.kind === "literals" && shape.values.includes(true) && shape.values.includes(false);
function fromOptions({ machine }, written, scope) {
  if (written === null) return nothingDeclared;
  const members2 = /* @__PURE__ */ new Map();
  const inline = /* @__PURE__ */ new Map();
  const booleans = /* @__PURE__ */ new Set();
  if (written.type === "ArrayExpression") {
    for (const one of written.elements)
      if (one?.type === "StringLiteral") members2.set(one.value, { shape: anything, optional: false });
    return { ...nothingDeclared, members: members2 };
  }
  if (written.type !== "ObjectExpression") return { ...nothingDeclared, open: true };
  for (const property of written.properties) {
    if (property.type !== "ObjectProperty") continue;
    const name = propertyName(machine, property, scope);
    if (name === null) continue;
    const options = property.value.type === "ObjectExpression" ? property.value.properties : [];
    const option = (key) => options.find((one) => one.type === "ObjectProperty" && one.key.type === "Identifier" && one.key.name === key)?.value ?? null;
    const type = property.value.type === "ObjectExpression" ? option("type") : property.value;
    const shape = shapeOfRuntimeType(type);
    if (isBoolean(shape)) booleans.add(name);
    const required = option("required");
    const fallback = option("default");
    if (fallback !== null) inline.set(name, fallback);
    const isRequired = required?.type === "BooleanLiteral" && required.value;
    members2.set(name, { shape, optional: !isRequired && !isBoolean(shape) });
  }
  return { ...nothingDeclared, members: members2, inline, booleans };
}
function shapeOfRuntimeType(type) {
  if (type?.type === "TSAsExpression") return shapeOfRuntimeType(type.expression);
  const name = type?.type === "Identifier" ? type.name : "";
  if (name === "String") return { kind: "plain", type: "string" };
  if (name === "Number") return { kind: "plain", type: "number" };
  if (name === "Boolean") return { kind: "literals", values: [true, false], others: null };
  if (name === "Function") return { kind: "plain", type: "function" };
  return anything;
}
function hasInheritOff(script) {
  let off = false;
  everyNode(script, (node) => {
    if (node.type === "ObjectProperty" && node.key.type === "Identifier" && node.key.name === "inheritAttrs" && node.value.type === "BooleanLiteral" && !node.value.value)
      off = true;
    return !off;
  });
  return off;
}
function usesModel(script) {
  let found = false;
  everyNode(script, (node) => {
    found ||= isCallOf(node, "defineModel");
    return !found;
  });
  return found;
}
var hasOutlet = ({ template: template2 }) => JSON.stringify(template2, (key, value) => key === "expression" || key === "test" ? void 0 : value).includes('"kind":"outlet"');
var wholeOf = ({ file, text }) => ({ file, start: 0, end: Math.min(text.length, 1) });
function once(make) {
  const made = { value: null };
  return () => {
    made.value ??= make();
    return made.value;
  };
}
function vueOptionsComponent(composition, making, module, parts) {
  const { machine } = composition;
  const source = wholeOf(module);
  const options = once(() => optionsOf(parts.script));
  const section = (name) => {
    for (const property of options()) {
      if (property.type === "SpreadElement" || property.key.type !== "Identifier" || property.key.name !== name) continue;
      return property.type === "ObjectMethod" ? property : property.value;
    }
    return null;
  };
  const declared = once(() => fromOptions(composition, section("props"), making.scopeOf(module)));
  return {
    name: baseName(module.file),
    source,
    statics: /* @__PURE__ */ new Map(),
    get takesProps() {
      return declared().members.size > 0 || hasOutlet(parts);
    },
    openProps: () => openProps(declared(), source),
    render: (call2) => {
      const scope = making.scopeOf(module);
      const { props, attrs } = divided(declared(), call2);
      const given = defaulted(composition, props, declared(), scope);
      const template2 = innerScope(scope);
      const self = {
        kind: "object",
        properties: /* @__PURE__ */ new Map(),
        rest: unknownAt(source, "this", `this ${call2.instance}`),
        lazy: (name) => {
          const binding = template2.bindings.get(name);
          return binding === void 0 ? null : machine.evaluate({ type: "Identifier", name, start: 0, end: 0 }, template2);
        }
      };
      const state = once(() => returned(section("data")));
      const setup = once(() => returned(section("setup")));
      const returned = (node) => node === null || !/Function|Method/.test(node.type) ? absent : machine.call(functionValue(node, scope, self), [given], placeOf(node, scope, self));
      for (const name of declared().members.keys())
        bindLater(template2, name, () => machine.member(given, name, { source, text: name, self: null }));
      for (const [node, make] of [
        [section("data"), state],
        [section("setup"), setup]
      ])
        for (const name of returnedNames(node))
          bindLater(template2, name, () => unboxed(machine.member(make(), name, { source, text: name, self: null })));
      for (const kind of ["computed", "methods"]) {
        const table2 = section(kind);
        if (table2?.type !== "ObjectExpression") continue;
        for (const property of table2.properties) {
          if (property.type === "SpreadElement" || property.key.type !== "Identifier") continue;
          const fn = property.type === "ObjectMethod" ? property : property.value;
          const value = () => functionValue(fn, scope, self);
          if (!/Function|Method/.test(fn.type)) continue;
          bindLater(
            template2,
            property.key.name,
            () => kind === "methods" ? value() : machine.call(value(), [], placeOf(fn, scope, self))
          );
        }
      }
      bindCommon(template2, call2, attrs, () => given);
      const table = section("components");
      const registered = (name) => {
        if (table?.type !== "ObjectExpression") return null;
        for (const property of table.properties) {
          if (property.type !== "ObjectProperty") continue;
          const key = propertyName(machine, property, scope);
          if (key === null || pascalCase(key) !== pascalCase(name)) continue;
          return composition.componentOf(machine.evaluate(property.value, scope));
        }
        return null;
      };
      const inherits = parts.script === null || !hasInheritOff(parts.script);
      return rendered(composition, module, parts, template2, call2, attrs, inherits, registered);
    }
  };
}
function optionsOf(script) {
  for (const statement of script?.body ?? []) {
    if (statement.type !== "ExportDefaultDeclaration") continue;
    const { declaration } = statement;
    const object2 = declaration.type === "CallExpression" ? declaration.arguments[0] : declaration;
    if (object2?.type === "ObjectExpression") return object2.properties;
  }
  return [];
}
function returnedNames(node) {
  if (node === null) return [];
  const names = [];
  everyNode(node, (at) => {
    const object2 = at.type === "ReturnStatement" ? at.argument : at.type === "ArrowFunctionExpression" && at.body.type === "ObjectExpression" ? at.body : null;
    if (object2?.type === "ObjectExpression") {
      for (const property of object2.properties)
        if (property.type !== "SpreadElement" && property.key.type === "Identifier") names.push(property.key.name);
    }
    return at === node || !/Function|Method/.test(at.type) || at.type === "ArrowFunctionExpression";
  });
  return names;
}

// src/readers/components/svelte-component.ts
function svelteComponent(composition, making, module, parts, types) {
  const source = wholeOf(module);
  const { script } = parts;
  const legacy = script === null ? [] : exportedLets(script);
  const declaration = script === null ? null : propsDeclaration(script);
  return {
    name: baseName(module.file),
    source,
    statics: /* @__PURE__ */ new Map(),
    takesProps: declaration !== null || legacy.length > 0 || hasOutlet(parts),
    openProps: () => {
      const annotation = declaration?.id !== void 0 && "typeAnnotation" in declaration.id ? declaration.id.typeAnnotation : null;
      return annotation == null ? anyProps(source) : propsOfShape(shapeOf({ node: annotation, module }, types), source);
    },
    render: (call2) => {
      const scope = innerScope(making.scopeOf(module));
      const { props } = call2;
      bindRunes(composition, scope, props, call2.instance);
      if (script !== null) bindProgram(making, module, script, scope);
      for (const { name, init } of legacy)
        bindLater(scope, name, () => {
          const given = composition.machine.member(props, name, { source: call2.source, text: name, self: null });
          return given.kind === "known" && given.value === void 0 && init !== null ? composition.machine.evaluate(init, scope) : given;
        });
      const renderer = new TemplateRenderer(composition, {
        meaningOf: (element) => meaningOf(composition, module, scope, element),
        propName: (name) => name,
        contentIsProp: true,
        scopeAttribute: parts.styles.length > 0 ? scopeAttribute(module) : null,
        call: call2
      });
      return renderer.render(parts.template, scope);
    }
  };
}
function meaningOf(composition, module, scope, { tag }) {
  if (tag === "svelte:self") {
    const self = composition.exported(module.path, "default");
    const component2 = self === null ? null : composition.componentOf(self);
    return component2 === null ? { kind: "unknown" } : { kind: "component", component: component2 };
  }
  if (!/^[A-Z]/.test(tag)) return { kind: "host" };
  const value = composition.machine.evaluate({ type: "Identifier", name: tag, start: 0, end: 0 }, scope);
  const component = composition.componentOf(value);
  return component === null ? { kind: "unknown" } : { kind: "component", component };
}
function bindRunes(composition, scope, props, instance) {
  const { machine } = composition;
  const state = native("$state", ([initial], at) => stateValue(machine, initial ?? absent, at));
  const rune = (name, call2, members2 = () => null) => bind(scope, name, { kind: "native", name, call: call2, members: members2 });
  rune("$props", () => props, (name) => name === "id" ? native("id", () => known(`s${instance}`)) : null);
  rune("$state", state.call, (name) => name === "raw" ? state : native("snapshot", ([value]) => value ?? absent));
  rune("$derived", ([value]) => value ?? absent, () => native("by", ([make], at) => machine.call(make ?? absent, [], at)));
  rune("$bindable", ([value]) => value ?? absent);
  rune("$effect", () => absent, () => native("pre", () => absent));
  rune("$inspect", () => absent);
  rune("$host", (_, at) => unknownAt(at.source, at.text, `host ${instance}`));
}
function exportedLets(script) {
  return script.body.flatMap(
    (statement) => statement.type === "ExportNamedDeclaration" && statement.declaration?.type === "VariableDeclaration" && statement.declaration.kind === "let" ? statement.declaration.declarations.flatMap(
      ({ id, init }) => id.type === "Identifier" ? [{ name: id.name, init: init ?? null }] : []
    ) : []
  );
}
function propsDeclaration(script) {
  let found = null;
  everyNode(script, (node) => {
    if (node.type === "VariableDeclarator" && node.init?.type === "CallExpression" && node.init.callee.type === "Identifier" && node.init.callee.name === "$props")
      found = node;
    return found === null;
  });
  return found;
}

// src/readers/components/compose.ts
var MOST_STEPS = 4e5;
var DEEPEST_USE = 40;
function composer({ modules, standsFor }) {
  const byFile = new Map([...modules.values()].map((module) => [module.file, module]));
  const scopes = /* @__PURE__ */ new Map();
  const components = /* @__PURE__ */ new Map();
  const fileComponents = /* @__PURE__ */ new Map();
  const unknown = /* @__PURE__ */ new Map();
  const defined = /* @__PURE__ */ new Map();
  const rendered2 = /* @__PURE__ */ new Set();
  const islands = [];
  const state = {
    path: /* @__PURE__ */ new Map(),
    steps: MOST_STEPS,
    depth: 0,
    declaring: null,
    instance: "",
    frames: [],
    contexts: []
  };
  const machine = {
    state,
    evaluate: (node, scope) => evaluate(machine, node, scope),
    call: (callee, given, at) => callValue(machine, callee, given, at),
    run: (statements, scope) => runBody(machine, statements, scope),
    member: (object2, name, at) => memberOf(machine, object2, name, at),
    bindPattern: (pattern, value, scope) => bindPattern(machine, pattern, value, scope),
    markup: (node, scope) => markupOf(machine, node, scope),
    hooks: {
      global: (name) => globalValue(machine, name),
      taggedTemplate: (tag, node, scope) => tag.kind === "native" ? tag.tagged?.(node, scope) ?? null : null,
      instantiate: () => null
    }
  };
  const moduleAt = (path2) => modules.get(path2) ?? null;
  const scopeOf = (module) => {
    const known2 = scopes.get(module.path);
    if (known2 !== void 0) return known2;
    const scope = makeScope(making, module);
    scopes.set(module.path, scope);
    return scope;
  };
  const composition = {
    machine,
    scopeOf,
    moduleOf: (scope) => byFile.get(scope.module.file) ?? null,
    moduleAt,
    exported: (path2, name) => {
      const module = moduleAt(path2);
      return module === null ? null : exportOf(making, module, name);
    },
    componentOf,
    standsFor: (name) => standsFor.get(name) ?? null,
    toNodes: (value, namespace) => nodesOf(composition, value, namespace),
    renderMarkup: (markup, namespace) => renderJsx(composition, markup, namespace),
    use,
    textOf: (file) => byFile.get(file)?.text ?? null,
    noteUnknown: (name, source) => {
      const uses = unknown.get(name) ?? [];
      if (!uses.some((use2) => placeKey(use2) === placeKey(source))) uses.push(source);
      unknown.set(name, uses);
    },
    addIsland: (nodes) => {
      if (nodes.some((node) => node.kind !== "text")) islands.push(nodes);
    }
  };
  const making = {
    machine,
    moduleAt,
    scopeOf,
    packageExport: (specifier, name) => packageExport(composition, specifier, name),
    fileComponent
  };
  const types = typeNamesOf(making);
  function fileComponent(module) {
    const known2 = fileComponents.get(module.path);
    if (known2 !== void 0) return known2;
    const { content } = module;
    const component = content.kind !== "template" ? null : content.parts.isSetup || content.language === "svelte" || content.parts.script === null ? content.language === "vue" ? vueComponent(composition, making, module, content.parts, types) : svelteComponent(composition, making, module, content.parts, types) : vueOptionsComponent(composition, making, module, content.parts);
    const value = component === null ? null : { kind: "component", component };
    fileComponents.set(module.path, value);
    return value;
  }
  function componentOf(value) {
    if (value.kind === "component") return value.component;
    if (value.kind !== "function" && value.kind !== "class") return null;
    const known2 = components.get(value.node);
    if (known2 !== void 0) return known2;
    const made = value.kind === "function" ? fromFunction(value) : fromClass(value);
    components.set(value.node, made);
    return made;
  }
  function fromFunction(value) {
    const shown = value.statics.get("displayName");
    const name = value.name || (shown?.kind === "known" ? String(shown.value) : baseName(value.scope.module.file));
    return functionComponent(composition, value, name, types, propsTypeFor(value));
  }
  function fromClass(value) {
    const name = value.name || baseName(value.scope.module.file);
    if (isClassComponent(value)) {
      staticsOf(composition, value.node, value.scope, value.statics);
      return classComponent(composition, value, name, types);
    }
    return isAngularClass(value) ? angularComponent(composition, making, value, name, types) : null;
  }
  function propsTypeFor(value) {
    const module = composition.moduleOf(value.scope);
    return module === null ? null : propsTypes(module).get(value.node.start ?? -1) ?? null;
  }
  const propsTypesOf = /* @__PURE__ */ new Map();
  function propsTypes(module) {
    const known2 = propsTypesOf.get(module.path);
    if (known2 !== void 0) return known2;
    const found = wrappedPropsTypes(programsOf(module.content));
    propsTypesOf.set(module.path, found);
    return found;
  }
  function use(component, { owner, ...call2 }) {
    if (state.steps <= 0 || owner.length >= DEEPEST_USE)
      return [{ kind: "hole", hole: { hole: `<${component.name}>`, source: call2.source, mayBeEmpty: true } }];
    const before = { frames: state.frames, instance: state.instance };
    state.frames = component.isTransparent ? owner : [...owner, { name: component.name, source: call2.source, definition: component.source }];
    state.instance = `${before.instance}/${call2.source.file}:${call2.source.start}`;
    note(component);
    try {
      return component.render({ ...call2, frames: state.frames, instance: state.instance, isAlone: false });
    } finally {
      state.frames = before.frames;
      state.instance = before.instance;
    }
  }
  function note(component) {
    if (component.isTransparent) return;
    const key = placeKey(component.source);
    rendered2.add(key);
    const module = byFile.get(component.source.file);
    if (module !== void 0 && !defined.has(key)) defined.set(key, { component, module, name: component.name });
  }
  function compose(found) {
    const { component, module } = found;
    Object.assign(state, {
      path: /* @__PURE__ */ new Map(),
      steps: MOST_STEPS,
      depth: 0,
      declaring: null,
      instance: `/${placeKey(component.source)}`,
      frames: [{ name: component.name, source: component.source, definition: component.source }],
      contexts: []
    });
    rendered2.clear();
    islands.length = 0;
    note(component);
    const children = component.render({
      props: component.openProps(),
      places: /* @__PURE__ */ new Map(),
      slots: /* @__PURE__ */ new Map(),
      source: component.source,
      endTag: null,
      frames: state.frames,
      instance: state.instance,
      isAlone: true
    });
    return {
      found,
      tree: inPage(module.file, children),
      islands: islands.map((nodes) => inPage(module.file, nodes)),
      rendered: new Set(rendered2)
    };
  }
  function componentsOf(module) {
    const found = /* @__PURE__ */ new Map();
    const add = (value, name) => {
      if (value === null) return;
      if (value.kind === "object" && value.lazy === void 0) {
        for (const [member2, one] of value.properties) if (isComponentName(member2)) add(one, member2);
      }
      if (value.kind === "function" && !isComponentName(value.name || name)) return;
      if (value.kind === "function" && !mayRender(value)) return;
      if (value.kind !== "function" && value.kind !== "class" && value.kind !== "component") return;
      const component = componentOf(value);
      if (component === null || component.isTransparent || component.source.file !== module.file || found.has(component)) return;
      found.set(component, { component, module, name: component.name });
    };
    add(fileComponent(module), baseName(module.file));
    for (const name of declaredNames(programsOf(module.content))) {
      const scope = scopeOf(module);
      state.steps = MOST_STEPS;
      if (isComponentName(name) && scope.bindings.has(name))
        add(machine.evaluate({ type: "Identifier", name, start: 0, end: 0 }, scope), name);
    }
    add(exportOf(making, module, "default"), baseName(module.file));
    return [...found.values()];
  }
  return {
    componentsOf,
    compose,
    definedAt: (source) => defined.get(placeKey(source)) ?? null,
    unknownComponents: () => [...unknown].map(([name, uses]) => ({ name, uses })).sort((a, b) => b.uses.length - a.uses.length || (a.name < b.name ? -1 : 1))
  };
}
var isComponentName = (name) => /^[A-Z]/.test(name);

// src/host/node.ts
import { createHash, randomBytes } from "node:crypto";
import { mkdir, readFile, realpath, rename, rm, stat, writeFile } from "node:fs/promises";
import path from "node:path";
import ignore from "ignore";
import { glob } from "tinyglobby";
function reasonOf(error) {
  const code = error instanceof Error && "code" in error ? String(error.code) : "";
  const words = {
    EACCES: "permission denied",
    EPERM: "permission denied",
    EISDIR: "it is a folder",
    ENOTDIR: "a part of the path is no folder",
    ENOENT: "no such file",
    ENOSPC: "the disk is full",
    EROFS: "the file system is read only",
    ELOOP: "its symbolic links go in a circle",
    EMFILE: "too many open files",
    ERR_FS_FILE_TOO_LARGE: "it is too large"
  };
  return words[code] ?? (error instanceof Error ? error.message : String(error));
}
var isMissing = (error) => error instanceof Error && "code" in error && (error.code === "ENOENT" || error.code === "ENOTDIR");
var GitIgnore = class {
  #rules = /* @__PURE__ */ new Map();
  async #rulesOf(folder) {
    let rules = this.#rules.get(folder);
    if (rules === void 0) {
      const text = await readFile(path.join(folder, ".gitignore"), "utf8").catch(() => null);
      rules = text === null ? null : ignore().add(text);
      this.#rules.set(folder, rules);
    }
    return rules;
  }
  async ignores(file, top) {
    for (let folder = path.dirname(file); ; folder = path.dirname(folder)) {
      const rules = await this.#rulesOf(folder);
      if (rules?.ignores(path.relative(folder, file).split(path.sep).join("/")) === true) return true;
      if (folder === top || folder === path.dirname(folder)) return false;
    }
  }
};
async function repositoryRoot(folder) {
  for (let at = folder; ; at = path.dirname(at)) {
    if (await stat(path.join(at, ".git")).then(
      () => true,
      () => false
    ))
      return at;
    if (at === path.dirname(at)) return folder;
  }
}
var files = {
  async info(file) {
    try {
      const found = await stat(file);
      return { kind: found.isFile() ? "file" : found.isDirectory() ? "folder" : "other", size: found.size };
    } catch {
      return null;
    }
  },
  async read(file) {
    try {
      return { ok: true, bytes: await readFile(file) };
    } catch (error) {
      return { ok: false, reason: reasonOf(error), missing: isMissing(error) };
    }
  },
  realPath: (file) => realpath(file).catch(() => null),
  async find(patterns, folder) {
    const found = await glob([...patterns], {
      cwd: folder,
      absolute: true,
      onlyFiles: true,
      dot: false,
      ignore: ["**/node_modules/**", "**/.git/**"],
      followSymbolicLinks: false
    });
    const top = await repositoryRoot(folder);
    const rules = new GitIgnore();
    const kept = [];
    for (const file of found) if (!await rules.ignores(file, top)) kept.push(file);
    return kept.sort((a, b) => a < b ? -1 : a > b ? 1 : 0);
  },
  async writeWhole(file, text) {
    const draft = `${file}.${randomBytes(4).toString("hex")}.part`;
    try {
      await mkdir(path.dirname(file), { recursive: true });
      await writeFile(draft, text, { flag: "wx" });
      await rename(draft, file);
      return null;
    } catch (error) {
      await rm(draft, { force: true }).catch(() => void 0);
      return reasonOf(error);
    }
  }
};
async function standardInput() {
  const chunks = [];
  for await (const chunk of process.stdin) chunks.push(chunk);
  return Buffer.concat(chunks);
}
var nodeHost = () => ({
  files,
  clock: { now: () => /* @__PURE__ */ new Date(), elapsed: () => performance.now() },
  workingDirectory: process.cwd(),
  standardInput,
  hash: (text) => createHash("sha256").update(text).digest("hex").slice(0, 16)
});

// src/core/worlds/world.ts
function decisionsIn(nodes) {
  const found = /* @__PURE__ */ new Map();
  const note = (decision) => {
    if (!found.has(decision.id)) found.set(decision.id, decision);
  };
  const inValue = (value) => {
    if (value === null || typeof value !== "object" || !("kind" in value)) return;
    note(value.decision);
    value.arms.forEach(inValue);
  };
  const visit = (node) => {
    if (node.kind === "either") {
      note(node.decision);
      for (const arm of node.arms) arm.forEach(visit);
    } else if (node.kind === "text") inValue(node.value);
    else if (node.kind === "element") {
      for (const attribute of node.attributes) inValue(attribute.value);
      if (node.listeners !== "unknown") {
        for (const { present } of node.listeners.values()) if (present !== true) note(present.decision);
      }
      node.children.forEach(visit);
    }
  };
  nodes.forEach(visit);
  return [...found.values()];
}

// dbg.test.mjs
var h = nodeHost();
var f = process.argv[2];
var m = await loadModules({ entries: [f], shownName: (p) => p.split("/").pop(), maxSize: 20 }, h.files);
var c = composer({ modules: m.modules, standsFor: /* @__PURE__ */ new Map() });
for (const x of c.componentsOf(m.modules.get(f))) {
  const t = c.compose(x);
  console.log(x.name, JSON.stringify(t.tree.children[0].children[0].children, (k, v) => k === "source" || k === "components" || k == "endTag" ? void 0 : v instanceof Map ? [...v] : v, 1));
  console.log(decisionsIn(t.tree.children));
}
