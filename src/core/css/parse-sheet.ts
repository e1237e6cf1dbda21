import type { SelectorList as SelectorListNode } from "css-tree";
import { tokenTypes } from "css-tree/tokenizer";
import { inOneSpelling } from "./component-selectors.ts";
import { type DeclarationBlock, DeclarationCollector } from "./declared.ts";
import { acceptedSelectors, insideScope, type SelectorList } from "./selector.ts";
import { parsedSelectors } from "./selector-text.ts";
import type { Conditions, ImportRule, Keyframe, Remark, Sheet, SheetItem } from "./sheet.ts";
import { closing, type Tokens, tokensOf } from "./tokens.ts";

/** Which part of a file is CSS: offsets of what is found count from the start of the file. */
export interface StyleText {
  readonly file: string;
  readonly text: string;
  /** Where the text begins in the file. */
  readonly start: number;
  /** Whether a compiler of components reads it, and knows selectors that browsers do not. */
  readonly isOfComponent?: boolean;
}

const {
  AtKeyword,
  Comment,
  WhiteSpace,
  Semicolon,
  Colon,
  Ident,
  CDO,
  CDC,
  String: StringToken,
  Url,
  BadString,
} = tokenTypes;
const { LeftCurlyBracket } = tokenTypes;

/** A block being read. `selectors` is what its declarations style: null at the top level and in group rules there. */
interface Block {
  next: number;
  readonly end: number;
  readonly selectors: SelectorList | null;
  readonly selectorText: string;
  readonly conditions: Conditions;
  readonly layer: string | null;
  readonly start: number;
  readonly collector: DeclarationCollector | null;
}

/**
 * Parses a stylesheet into rules and declarations, recovering from errors as browsers do: what cannot be read is
 * dropped up to the next semicolon or block (CSS Syntax 3 §5.4–5.5; nested rules by CSS Nesting 1). Never throws.
 */
export function parseSheet(style: StyleText): Sheet {
  const tokens = tokensOf(style.text);
  const parsing: Parsing = {
    style,
    tokens,
    items: [],
    anonymousLayers: 0,
    mayImport: true,
    isCut: false,
    selectorCache: new Map(),
    stack: [
      {
        next: 0,
        end: tokens.types.length,
        selectors: null,
        selectorText: "",
        conditions: null,
        layer: null,
        start: 0,
        collector: null,
      },
    ],
  };
  for (let block = parsing.stack.at(-1); block !== undefined; block = parsing.stack.at(-1))
    readNext(parsing, block);
  return {
    file: style.file,
    items: parsing.items,
    remarks: style.text.includes("keel:") ? remarks(parsing) : [],
    ...(parsing.isCut ? { isCut: true as const } : {}),
  };
}

/** A stylesheet being parsed. */
interface Parsing {
  readonly style: StyleText;
  readonly tokens: Tokens;
  readonly items: SheetItem[];
  /** The blocks that are open, the innermost last. */
  readonly stack: Block[];
  readonly selectorCache: Map<string, SelectorListNode | null>;
  anonymousLayers: number;
  /** Whether nothing has come yet that ends the imports. */
  mayImport: boolean;
  isCut: boolean;
}

/** How deep blocks may stand in one another. */
const DEEPEST_BLOCK = 64;

/** Reads what comes next in the innermost block, or ends it. */
function readNext(parsing: Parsing, block: Block): void {
  block.next = skipSpace(parsing, block.next, block.end);
  if (block.next >= block.end) {
    flush(parsing, block);
    parsing.stack.pop();
    return;
  }
  const offset = block.next;
  const type = parsing.tokens.types[offset];
  if (type === Semicolon || type === CDO || type === CDC || (type !== undefined && closing.has(type))) {
    block.next++;
    return;
  }
  if (type === AtKeyword) {
    atRule(parsing, block, offset);
    return;
  }
  parsing.mayImport = parsing.mayImport && block.selectors !== null;
  if (block.collector !== null && type === Ident && declaration(parsing, block, offset)) return;
  qualifiedRule(parsing, block, offset);
}

const textBetween = (parsing: Parsing, from: number, to: number) =>
  withoutComments(parsing.style.text.slice(parsing.tokens.starts[from], parsing.tokens.starts[to]));

const span = (parsing: Parsing, from: number, to: number) => ({
  file: parsing.style.file,
  start: parsing.style.start + (parsing.tokens.starts[from] ?? parsing.style.text.length),
  end: parsing.style.start + (parsing.tokens.starts[to] ?? parsing.style.text.length),
});

const flush = (parsing: Parsing, block: Block) => {
  if (block.collector === null || block.collector.isEmpty || block.selectors === null) return;
  const { normal, important }: DeclarationBlock = block.collector.take();
  parsing.items.push({
    kind: "rule",
    rule: {
      selectors: block.selectors,
      selectorText: block.selectorText,
      normal,
      important,
      conditions: block.conditions,
      layer: block.layer,
      source: span(parsing, block.start, block.end),
    },
  });
};

/** Index of the token that ends what begins at `from`: a semicolon or `{` outside brackets, or the end of the block. */
const scan = (parsing: Parsing, from: number, end: number, stopAtSemicolon: boolean): number => {
  for (let i = from; i < end; i++) {
    const type = parsing.tokens.types[i];
    if (type === LeftCurlyBracket || (stopAtSemicolon && type === Semicolon)) return i;
    const close = parsing.tokens.closes.get(i);
    if (close !== undefined) i = close;
  }
  return end;
};

const skipSpace = (parsing: Parsing, from: number, end: number): number => {
  let i = from;
  while (i < end && (parsing.tokens.types[i] === WhiteSpace || parsing.tokens.types[i] === Comment)) i++;
  return i;
};

function remarks(parsing: Parsing): readonly Remark[] {
  return parsing.tokens.types.flatMap((type, i): readonly Remark[] => {
    const written =
      type === Comment
        ? parsing.style.text.slice(parsing.tokens.starts[i], parsing.tokens.starts[i + 1])
        : "";
    const text = written.replace(/^\/\*|\*\/$/g, "").trim();
    if (!/^keel\s*:/i.test(text)) return [];
    const first = skipSpace(parsing, i + 1, parsing.tokens.types.length);
    return [
      { text, source: span(parsing, i, i + 1), covers: span(parsing, first, endOfNext(parsing, first)) },
    ];
  });
}

/** Where the declaration or rule that begins at a token ends. */
function endOfNext(parsing: Parsing, first: number): number {
  for (let i = first; i < parsing.tokens.types.length; i++) {
    const type = parsing.tokens.types[i];
    if (type === Semicolon || (type !== undefined && closing.has(type))) return i;
    const close = parsing.tokens.closes.get(i);
    if (close !== undefined) {
      if (type === LeftCurlyBracket) return close;
      i = close;
    }
  }
  return parsing.tokens.types.length;
}

/** CSS Syntax 3 §5.5.6. False when what stands here is no declaration but the start of a nested rule. */
function declaration(parsing: Parsing, block: Block, offset: number): boolean {
  const colon = skipSpace(parsing, offset + 1, block.end);
  if (parsing.tokens.types[colon] !== Colon) return false;
  const name = unescapeName(
    parsing.style.text.slice(parsing.tokens.starts[offset], parsing.tokens.starts[offset + 1]),
  );
  let end = block.end;
  for (let i = colon + 1; i < block.end; i++) {
    const type = parsing.tokens.types[i];
    if (type === Semicolon) {
      end = i;
      break;
    }
    if (type === LeftCurlyBracket && !name.startsWith("--")) return false;
    const close = parsing.tokens.closes.get(i);
    if (close !== undefined) i = close;
  }
  let last = end;
  while (last > colon + 1 && isSpace(parsing.tokens.types[last - 1])) last--;
  const first = skipSpace(parsing, colon + 1, last);
  const written = textBetween(parsing, first, last).trim();
  const important = /!\s*important$/i.exec(written);
  const text = important === null ? written : written.slice(0, important.index).trim();
  const bad = parsing.tokens.types.slice(first, last).some((t) => t === BadString || t === tokenTypes.BadUrl);
  if (!bad && (text !== "" || name.startsWith("--")) && (important !== null || !/^[^"']*!/.test(text))) {
    const valueSource = span(parsing, first, last);
    block.collector?.add(name, text, important !== null, span(parsing, offset, last), {
      ...valueSource,
      end:
        important === null
          ? valueSource.end
          : valueSource.start +
            trimmedLength(
              parsing.style.text.slice(parsing.tokens.starts[first], parsing.tokens.starts[last]),
            ),
    });
  }
  block.next = end + 1;
  return true;
}

/** CSS Syntax 3 §5.5.3. */
function qualifiedRule(parsing: Parsing, block: Block, offset: number): void {
  const brace = scan(parsing, offset, block.end, block.collector !== null || parsing.stack.length > 1);
  if (brace >= block.end || parsing.tokens.types[brace] !== LeftCurlyBracket) {
    block.next = brace + 1;
    return;
  }
  const close = parsing.tokens.closes.get(brace) ?? block.end;
  block.next = close + 1;
  if (isTooDeep(parsing)) return;
  const selectorText = textBetween(parsing, offset, brace).trim();
  const compiled = compiledSelectors(parsing, selectorText, block.selectors);
  if (compiled === null) return;
  const selectors =
    block.selectors === null && isScoped(block.conditions) ? compiled.map(insideScope) : compiled;
  flush(parsing, block);
  parsing.stack.push({
    next: brace + 1,
    end: Math.min(close, block.end),
    selectors,
    selectorText: selectorText.replace(/\s+/g, " "),
    conditions: block.conditions,
    layer: block.layer,
    start: offset,
    collector: new DeclarationCollector(),
  });
}

/** Whether a block stands deeper than blocks are read; it is passed over then, and that is told. */
function isTooDeep(parsing: Parsing): boolean {
  if (parsing.stack.length <= DEEPEST_BLOCK) return false;
  parsing.isCut = true;
  return true;
}

function compiledSelectors(parsing: Parsing, text: string, parent: SelectorList | null): SelectorList | null {
  const relative = parent !== null;
  const isOfComponent = parsing.style.isOfComponent === true;
  const key = relative ? `&${text}` : text;
  let node = parsing.selectorCache.get(key);
  if (node === undefined) {
    node = parsedSelectors(isOfComponent ? inOneSpelling(text) : text, relative);
    parsing.selectorCache.set(key, node);
  }
  return node === null ? null : acceptedSelectors(node, parent);
}

/** CSS Syntax 3 §5.5.2, then the meaning of each at-rule. Those without bearing on styles are passed over. */
function atRule(parsing: Parsing, block: Block, offset: number): void {
  const name = parsing.style.text
    .slice((parsing.tokens.starts[offset] ?? 0) + 1, parsing.tokens.starts[offset + 1])
    .toLowerCase();
  const end = scan(parsing, offset + 1, block.end, true);
  const opens = parsing.tokens.types[end] === LeftCurlyBracket;
  const close = opens ? Math.min(parsing.tokens.closes.get(end) ?? block.end, block.end) : end;
  block.next = close + 1;
  const prelude = textBetween(parsing, offset + 1, end).trim();
  const enter = (conditions: Conditions, layer: string | null, selectors = block.selectors) => {
    if (isTooDeep(parsing)) return;
    flush(parsing, block);
    parsing.stack.push({
      next: end + 1,
      end: close,
      selectors,
      selectorText: block.selectorText,
      conditions,
      layer,
      start: offset,
      collector: block.selectors === null ? null : new DeclarationCollector(),
    });
  };
  if (name !== "import" && name !== "charset" && name !== "layer") parsing.mayImport = false;
  switch (name) {
    case "media":
    case "supports":
    case "container":
      if (opens) enter({ condition: { kind: name, text: prelude }, outer: block.conditions }, block.layer);
      return;
    case "scope": {
      if (!opens) return;
      const limits = scopeLimits(parsing, prelude);
      if (limits !== null)
        enter(
          { condition: { kind: "scope", ...limits }, outer: block.conditions },
          block.layer,
          scopeRoot(parsing, block),
        );
      return;
    }
    case "layer": {
      const full = (given: string) => (block.layer === null ? given : `${block.layer}.${given}`);
      if (!opens) {
        for (const given of prelude.split(",")) {
          parsing.items.push({ kind: "layer", name: full(given.trim()), conditions: block.conditions });
        }
        return;
      }
      const layer = full(
        prelude === ""
          ? `<${parsing.style.file}:${parsing.style.start}:${++parsing.anonymousLayers}>`
          : prelude,
      );
      parsing.items.push({ kind: "layer", name: layer, conditions: block.conditions });
      enter(block.conditions, layer);
      return;
    }
    case "import":
      if (!opens && parsing.mayImport && block.selectors === null && parsing.stack.length === 1) {
        const found = importRule(parsing, offset, end);
        if (found !== null) parsing.items.push({ kind: "import", import: found });
      }
      return;
    case "keyframes":
    case "-webkit-keyframes":
      if (opens)
        parsing.items.push({
          kind: "keyframes",
          name: prelude.replace(/^(["'])(.*)\1$/, "$2"),
          frames: keyframes({ ...span(parsing, end + 1, close), text: textBetween(parsing, end + 1, close) }),
        });
      return;
    case "property":
      if (opens) propertyRule(parsing, prelude, textBetween(parsing, end + 1, close));
      return;
    default:
  }
}

function propertyRule(parsing: Parsing, name: string, body: string): void {
  const inherits = /(?:^|;)\s*inherits\s*:\s*(true|false)\s*(?:;|$)/i.exec(body)?.[1]?.toLowerCase();
  if (!name.startsWith("--") || inherits === undefined || !/(?:^|;)\s*syntax\s*:/i.test(body)) return;
  const initial = /(?:^|;)\s*initial-value\s*:\s*([^;]*)/i.exec(body)?.[1]?.trim() ?? null;
  parsing.items.push({ kind: "property", name, inherits: inherits === "true", initial });
}

/** CSS Cascade 5 §2: address, then layer, then supports(), then media. */
function importRule(parsing: Parsing, offset: number, end: number): ImportRule | null {
  const first = skipSpace(parsing, offset + 1, end);
  const type = parsing.tokens.types[first];
  const raw = parsing.style.text.slice(parsing.tokens.starts[first], parsing.tokens.starts[first + 1]);
  let href: string;
  let next = first + 1;
  if (type === StringToken) href = raw.slice(1, -1);
  else if (type === Url) href = raw.slice(4, -1).trim();
  else if (type === tokenTypes.Function && raw.toLowerCase() === "url(") {
    next = (parsing.tokens.closes.get(first) ?? end) + 1;
    href = textBetween(parsing, first + 1, next - 1)
      .trim()
      .replace(/^["']|["']$/g, "");
  } else return null;
  let rest = textBetween(parsing, next, end).trim();
  let layer: string | null = null;
  let supports: string | null = null;
  const layerMatch = /^layer(?:\(\s*([\w.-]+)\s*\))?(?=\s|$)/i.exec(rest);
  if (layerMatch !== null) {
    layer =
      layerMatch[1] ??
      `<${parsing.style.file}:${parsing.style.start}:import ${parsing.tokens.starts[offset]}>`;
    rest = rest.slice(layerMatch[0].length).trim();
  }
  if (/^supports\(/i.test(rest)) {
    const close = closingParenthesis(rest, "supports".length);
    supports = rest.slice("supports(".length, close);
    rest = rest.slice(close + 1).trim();
  }
  return { href, layer, supports, media: rest === "" ? null : rest, source: span(parsing, offset, end) };
}

function isScoped(conditions: Conditions): boolean {
  for (let guard = conditions; guard !== null; guard = guard.outer)
    if (guard.condition.kind === "scope") return true;
  return false;
}

/** What `&` is inside a scope that stands in a rule, and what its own declarations are for. CSS Cascade 6 §2.5.3. */
const scopeRoot = (parsing: Parsing, block: Block): SelectorList | null =>
  block.selectors === null ? null : compiledSelectors(parsing, ":where(:scope)", null);

function scopeLimits(
  parsing: Parsing,
  prelude: string,
): { start: SelectorList | null; end: SelectorList | null } | null {
  const match = /^(?:\(([\s\S]*?)\))?\s*(?:to\s*\(([\s\S]*)\))?$/i.exec(prelude);
  if (match === null) return null;
  const compile = (text: string | undefined) =>
    text === undefined ? null : compiledSelectors(parsing, text.trim(), null);
  const start = compile(match[1]);
  const end = compile(match[2])?.map(insideScope) ?? null;
  if ((match[1] !== undefined && start === null) || (match[2] !== undefined && end === null)) return null;
  return { start, end };
}

/** CSS Animations 1 §3: steps of an animation, each with its places and declarations. */
function keyframes(body: StyleText): readonly Keyframe[] {
  return [...body.text.matchAll(/([^{}]+)\{([^{}]*)\}/g)].flatMap(([, places = "", text = ""]) => {
    const offsets = places.split(",").map((place) => {
      const word = place.trim().toLowerCase();
      return word === "from" ? 0 : word === "to" ? 1 : Number.parseFloat(word) / 100;
    });
    if (offsets.some(Number.isNaN)) return [];
    return [{ offsets, declarations: parseStyleAttribute({ ...body, text }).normal }];
  });
}

/** The declarations of a `style` attribute. CSS Style Attributes §3. */
export function parseStyleAttribute(style: StyleText): DeclarationBlock {
  const sheet = parseSheet({ ...style, text: `*{${style.text}\n}`, start: style.start - 2 });
  const item = sheet.items.find((i) => i.kind === "rule");
  return item === undefined ? { normal: new Map(), important: null } : item.rule;
}

function closingParenthesis(text: string, open: number): number {
  let depth = 0;
  for (let i = open; i < text.length; i++) {
    if (text[i] === "(") depth++;
    else if (text[i] === ")" && --depth === 0) return i;
  }
  return text.length;
}

const isSpace = (type: number | undefined): boolean => type === WhiteSpace || type === Comment;
const withoutComments = (text: string): string =>
  text.includes("/*") ? text.replace(/\/\*[\s\S]*?(?:\*\/|$)/g, " ") : text;
const trimmedLength = (text: string): number => text.replace(/\s*!\s*important\s*$/i, "").length;
const unescapeName = (name: string): string => (name.includes("\\") ? name.replace(/\\(.)/gs, "$1") : name);
