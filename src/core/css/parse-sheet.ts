import type { SelectorList as SelectorListNode } from "css-tree";
import { tokenTypes } from "css-tree/tokenizer";
import { type DeclarationBlock, DeclarationCollector } from "./declared.ts";
import { compileSelectorList, InvalidSelector, type SelectorList } from "./selector.ts";
import { parsedSelectors } from "./selector-text.ts";
import type { Conditions, ImportRule, Keyframe, Remark, Sheet, SheetItem } from "./sheet.ts";
import { closing, tokensOf } from "./tokens.ts";

/** Which part of a file is CSS: offsets of what is found count from the start of the file. */
export interface StyleText {
  readonly file: string;
  readonly text: string;
  /** Where the text begins in the file. */
  readonly start: number;
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
  at: number;
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
  const items: SheetItem[] = [];
  let anonymousLayers = 0;
  let mayImport = true;
  const selectorCache = new Map<string, SelectorListNode | null>();

  const textBetween = (from: number, to: number) =>
    withoutComments(style.text.slice(tokens.starts[from], tokens.starts[to]));
  const span = (from: number, to: number) => ({
    file: style.file,
    start: style.start + (tokens.starts[from] ?? style.text.length),
    end: style.start + (tokens.starts[to] ?? style.text.length),
  });
  const flush = (block: Block) => {
    if (block.collector === null || block.collector.isEmpty || block.selectors === null) return;
    const { normal, important }: DeclarationBlock = block.collector.take();
    items.push({
      kind: "rule",
      rule: {
        selectors: block.selectors,
        selectorText: block.selectorText,
        normal,
        important,
        conditions: block.conditions,
        layer: block.layer,
        source: span(block.start, block.end),
      },
    });
  };

  /** Index of the token that ends what begins at `from`: a semicolon or `{` outside brackets, or the end of the block. */
  const scan = (from: number, end: number, stopAtSemicolon: boolean): number => {
    for (let i = from; i < end; i++) {
      const type = tokens.types[i];
      if (type === LeftCurlyBracket || (stopAtSemicolon && type === Semicolon)) return i;
      const close = tokens.closes.get(i);
      if (close !== undefined) i = close;
    }
    return end;
  };
  const skipSpace = (from: number, end: number): number => {
    let i = from;
    while (i < end && (tokens.types[i] === WhiteSpace || tokens.types[i] === Comment)) i++;
    return i;
  };

  const stack: Block[] = [
    {
      at: 0,
      end: tokens.types.length,
      selectors: null,
      selectorText: "",
      conditions: null,
      layer: null,
      start: 0,
      collector: null,
    },
  ];
  for (let block = stack.at(-1); block !== undefined; block = stack.at(-1)) {
    block.at = skipSpace(block.at, block.end);
    if (block.at >= block.end) {
      flush(block);
      stack.pop();
      continue;
    }
    const at = block.at;
    const type = tokens.types[at];
    if (type === Semicolon || type === CDO || type === CDC || (type !== undefined && closing.has(type))) {
      block.at++;
      continue;
    }
    if (type === AtKeyword) {
      atRule(block, at);
      continue;
    }
    mayImport = mayImport && block.selectors !== null;
    if (block.collector !== null && type === Ident && declaration(block, at)) continue;
    qualifiedRule(block, at);
  }
  return { file: style.file, items, remarks: style.text.includes("keel:") ? remarks() : [] };

  function remarks(): readonly Remark[] {
    return tokens.types.flatMap((type, i): readonly Remark[] => {
      const written = type === Comment ? style.text.slice(tokens.starts[i], tokens.starts[i + 1]) : "";
      const text = written.replace(/^\/\*|\*\/$/g, "").trim();
      if (!/^keel\s*:/i.test(text)) return [];
      const first = skipSpace(i + 1, tokens.types.length);
      return [{ text, source: span(i, i + 1), covers: span(first, endOfNext(first)) }];
    });
  }

  /** Where the declaration or rule that begins at a token ends. */
  function endOfNext(first: number): number {
    for (let i = first; i < tokens.types.length; i++) {
      const type = tokens.types[i];
      if (type === Semicolon || (type !== undefined && closing.has(type))) return i;
      const close = tokens.closes.get(i);
      if (close !== undefined) {
        if (type === LeftCurlyBracket) return close;
        i = close;
      }
    }
    return tokens.types.length;
  }

  /** CSS Syntax 3 §5.5.6. False when what stands here is no declaration but the start of a nested rule. */
  function declaration(block: Block, at: number): boolean {
    const colon = skipSpace(at + 1, block.end);
    if (tokens.types[colon] !== Colon) return false;
    const name = unescapeName(style.text.slice(tokens.starts[at], tokens.starts[at + 1]));
    let end = block.end;
    for (let i = colon + 1; i < block.end; i++) {
      const type = tokens.types[i];
      if (type === Semicolon) {
        end = i;
        break;
      }
      if (type === LeftCurlyBracket && !name.startsWith("--")) return false;
      const close = tokens.closes.get(i);
      if (close !== undefined) i = close;
    }
    let last = end;
    while (last > colon + 1 && isSpace(tokens.types[last - 1])) last--;
    const first = skipSpace(colon + 1, last);
    const written = textBetween(first, last).trim();
    const important = /!\s*important$/i.exec(written);
    const text = important === null ? written : written.slice(0, important.index).trim();
    const bad = tokens.types.slice(first, last).some((t) => t === BadString || t === tokenTypes.BadUrl);
    if (!bad && (text !== "" || name.startsWith("--")) && (important !== null || !/^[^"']*!/.test(text))) {
      const valueSource = span(first, last);
      block.collector?.add(name, text, important !== null, span(at, last), {
        ...valueSource,
        end:
          important === null
            ? valueSource.end
            : valueSource.start + trimmedLength(style.text.slice(tokens.starts[first], tokens.starts[last])),
      });
    }
    block.at = end + 1;
    return true;
  }

  /** CSS Syntax 3 §5.5.3. */
  function qualifiedRule(block: Block, at: number): void {
    const brace = scan(at, block.end, block.collector !== null || stack.length > 1);
    if (brace >= block.end || tokens.types[brace] !== LeftCurlyBracket) {
      block.at = brace + 1;
      return;
    }
    const close = tokens.closes.get(brace) ?? block.end;
    block.at = close + 1;
    const selectorText = textBetween(at, brace).trim();
    const selectors = compiledSelectors(selectorText, block.selectors);
    if (selectors === null) return;
    flush(block);
    stack.push({
      at: brace + 1,
      end: Math.min(close, block.end),
      selectors,
      selectorText: selectorText.replace(/\s+/g, " "),
      conditions: block.conditions,
      layer: block.layer,
      start: at,
      collector: new DeclarationCollector(),
    });
  }

  function compiledSelectors(text: string, parent: SelectorList | null): SelectorList | null {
    const relative = parent !== null;
    const key = relative ? `&${text}` : text;
    let node = selectorCache.get(key);
    if (node === undefined) {
      node = parsedSelectors(text, relative);
      selectorCache.set(key, node);
    }
    if (node === null) return null;
    try {
      return compileSelectorList(node, parent);
    } catch (error) {
      if (error instanceof InvalidSelector) return null;
      throw error;
    }
  }

  /** CSS Syntax 3 §5.5.2, then the meaning of each at-rule. Those without bearing on styles are passed over. */
  function atRule(block: Block, at: number): void {
    const name = style.text.slice((tokens.starts[at] ?? 0) + 1, tokens.starts[at + 1]).toLowerCase();
    const end = scan(at + 1, block.end, true);
    const opens = tokens.types[end] === LeftCurlyBracket;
    const close = opens ? Math.min(tokens.closes.get(end) ?? block.end, block.end) : end;
    block.at = close + 1;
    const prelude = textBetween(at + 1, end).trim();
    const enter = (conditions: Conditions, layer: string | null) => {
      flush(block);
      stack.push({
        at: end + 1,
        end: close,
        selectors: block.selectors,
        selectorText: block.selectorText,
        conditions,
        layer,
        start: at,
        collector: block.selectors === null ? null : new DeclarationCollector(),
      });
    };
    if (name !== "import" && name !== "charset" && name !== "layer") mayImport = false;
    switch (name) {
      case "media":
      case "supports":
      case "container":
        if (opens) enter({ condition: { kind: name, text: prelude }, outer: block.conditions }, block.layer);
        return;
      case "scope": {
        if (!opens) return;
        const limits = scopeLimits(prelude);
        if (limits !== null)
          enter({ condition: { kind: "scope", ...limits }, outer: block.conditions }, block.layer);
        return;
      }
      case "layer": {
        const full = (given: string) => (block.layer === null ? given : `${block.layer}.${given}`);
        if (!opens) {
          for (const given of prelude.split(",")) {
            items.push({ kind: "layer", name: full(given.trim()), conditions: block.conditions });
          }
          return;
        }
        const layer = full(prelude === "" ? `<${style.file}:${style.start}:${++anonymousLayers}>` : prelude);
        items.push({ kind: "layer", name: layer, conditions: block.conditions });
        enter(block.conditions, layer);
        return;
      }
      case "import":
        if (!opens && mayImport && block.selectors === null && stack.length === 1) {
          const found = importRule(at, end);
          if (found !== null) items.push({ kind: "import", import: found });
        }
        return;
      case "keyframes":
      case "-webkit-keyframes":
        if (opens)
          items.push({
            kind: "keyframes",
            name: prelude.replace(/^(["'])(.*)\1$/, "$2"),
            frames: keyframes({ ...span(end + 1, close), text: textBetween(end + 1, close) }),
          });
        return;
      case "property":
        if (opens) propertyRule(prelude, textBetween(end + 1, close));
        return;
      default:
    }
  }

  function propertyRule(name: string, body: string): void {
    const inherits = /(?:^|;)\s*inherits\s*:\s*(true|false)\s*(?:;|$)/i.exec(body)?.[1]?.toLowerCase();
    if (!name.startsWith("--") || inherits === undefined || !/(?:^|;)\s*syntax\s*:/i.test(body)) return;
    const initial = /(?:^|;)\s*initial-value\s*:\s*([^;]*)/i.exec(body)?.[1]?.trim() ?? null;
    items.push({ kind: "property", name, inherits: inherits === "true", initial });
  }

  /** CSS Cascade 5 §2: address, then layer, then supports(), then media. */
  function importRule(at: number, end: number): ImportRule | null {
    const first = skipSpace(at + 1, end);
    const type = tokens.types[first];
    const raw = style.text.slice(tokens.starts[first], tokens.starts[first + 1]);
    let href: string;
    let next = first + 1;
    if (type === StringToken) href = raw.slice(1, -1);
    else if (type === Url) href = raw.slice(4, -1).trim();
    else if (type === tokenTypes.Function && raw.toLowerCase() === "url(") {
      next = (tokens.closes.get(first) ?? end) + 1;
      href = textBetween(first + 1, next - 1)
        .trim()
        .replace(/^["']|["']$/g, "");
    } else return null;
    let rest = textBetween(next, end).trim();
    let layer: string | null = null;
    let supports: string | null = null;
    const layerMatch = /^layer(?:\(\s*([\w.-]+)\s*\))?(?=\s|$)/i.exec(rest);
    if (layerMatch !== null) {
      layer = layerMatch[1] ?? `<${style.file}:${style.start}:import ${tokens.starts[at]}>`;
      rest = rest.slice(layerMatch[0].length).trim();
    }
    if (/^supports\(/i.test(rest)) {
      const close = closingParenthesis(rest, "supports".length);
      supports = rest.slice("supports(".length, close);
      rest = rest.slice(close + 1).trim();
    }
    return { href, layer, supports, media: rest === "" ? null : rest, source: span(at, end) };
  }

  function scopeLimits(prelude: string): { start: SelectorList | null; end: SelectorList | null } | null {
    const match = /^(?:\(([\s\S]*?)\))?\s*(?:to\s*\(([\s\S]*)\))?$/i.exec(prelude);
    if (match === null) return null;
    const compile = (text: string | undefined) =>
      text === undefined ? null : compiledSelectors(text.trim(), null);
    const start = compile(match[1]);
    const end = compile(match[2]);
    if ((match[1] !== undefined && start === null) || (match[2] !== undefined && end === null)) return null;
    return { start, end };
  }
}

/** CSS Animations 1 §3: steps of an animation, each with its places and declarations. */
function keyframes(body: StyleText): readonly Keyframe[] {
  return [...body.text.matchAll(/([^{}]+)\{([^{}]*)\}/g)].flatMap(([, places = "", text = ""]) => {
    const at = places.split(",").map((place) => {
      const word = place.trim().toLowerCase();
      return word === "from" ? 0 : word === "to" ? 1 : Number.parseFloat(word) / 100;
    });
    if (at.some(Number.isNaN)) return [];
    return [{ at, declarations: parseStyleAttribute({ ...body, text }).normal }];
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
