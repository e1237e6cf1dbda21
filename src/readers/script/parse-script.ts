import { type ParserOptions, parse, parseExpression } from "@babel/parser";
import type * as Ast from "@babel/types";
import { onceFor } from "../../core/document/once.ts";

/** A script as parsed, as far as it could be. */
export interface ParsedScript {
  readonly program: Ast.Program;
  /** What does not parse: the words of the parser and the offset in the file; empty for most. */
  readonly errors: readonly ScriptError[];
}

export interface ScriptError {
  readonly message: string;
  readonly offset: number;
}

export interface ScriptPlace {
  /** Where the text starts in its file. */
  readonly start: number;
  readonly typescript: boolean;
  readonly jsx: boolean;
}

const nobody: Ast.Program = {
  type: "Program",
  body: [],
  directives: [],
  sourceType: "module",
} as never;

const optionsFor = ({ start, typescript, jsx }: ScriptPlace): ParserOptions => ({
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
    ...(typescript ? (["typescript"] as const) : (["flow"] as const)),
    ...(jsx ? (["jsx"] as const) : []),
    "decorators-legacy",
    "explicitResourceManagement",
  ],
});

/**
 * Parses a script; offsets in its tree are offsets in the file.
 * @throws RangeError when it nests more deeply than the parser can go
 */
export function parseScript(text: string, place: ScriptPlace): ParsedScript {
  try {
    const file = parse(text, optionsFor(place));
    const errors = (file.errors ?? []) as unknown as readonly BabelError[];
    return { program: file.program, errors: errors.map((error) => scriptError(error, place.start)) };
  } catch (error) {
    if (error instanceof RangeError) throw error;
    const found = scriptError(error as BabelError, place.start);
    return { program: parsedBefore(text, found.offset - place.start, place) ?? nobody, errors: [found] };
  }
}

/** How many lines before a fault a script is tried to be cut at. */
const MOST_CUTS = 60;

/** What stands before a fault, up to the last line at which whole statements end. */
function parsedBefore(text: string, fault: number, place: ScriptPlace): Ast.Program | null {
  let offset = Math.min(fault, text.length);
  for (let cuts = 0; cuts < MOST_CUTS; cuts++) {
    offset = text.lastIndexOf("\n", offset - 1);
    if (offset <= 0) return null;
    if (/^[\s})\]]/.test(text.slice(offset + 1, offset + 2))) continue;
    try {
      return parse(text.slice(0, offset), optionsFor(place)).program;
    } catch {
      // The statement goes on: cut earlier.
    }
  }
  return null;
}

/** Parses one expression; null where it is none. */
export function parseValue(text: string, place: ScriptPlace): Ast.Expression | null {
  try {
    return parseExpression(text, optionsFor(place));
  } catch {
    return null;
  }
}

interface BabelError {
  readonly message: string;
  readonly pos?: number;
  readonly loc?: { readonly index?: number };
}

const scriptError = ({ message, pos, loc }: BabelError, start: number): ScriptError => ({
  message: message.replace(/\s*\(\d+:\d+\)$/, ""),
  offset: loc?.index ?? pos ?? start,
});

/** Names of variables that are given another value somewhere in the file. */
export const reassignedIn = onceFor((program: Ast.Node): ReadonlySet<string> => {
  const names = new Set<string>();
  const target = (node: Ast.Node): void => {
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
});

/** Visits every node of a tree, parents first; what is below one is left out where the visit says so. */
export function everyNode(root: Ast.Node, visit: (node: Ast.Node) => boolean): void {
  const stack: Ast.Node[] = [root];
  for (let node = stack.pop(); node !== undefined; node = stack.pop()) {
    if (!visit(node)) continue;
    const parts = node as unknown as Record<string, unknown>;
    // Own properties in the order of the parser, without a list of them: this runs for every node of every file.
    for (const key in parts) {
      const value = parts[key];
      if (typeof value !== "object" || value === null || notChildren.has(key)) continue;
      if (Array.isArray(value)) {
        for (let i = value.length - 1; i >= 0; i--) if (isNode(value[i])) stack.push(value[i]);
      } else if (isNode(value)) stack.push(value);
    }
  }
}

const notChildren = new Set(["loc", "extra", "errors", "comments", "tokens"]);

const isNode = (value: unknown): value is Ast.Node =>
  typeof value === "object" && value !== null && typeof (value as { type?: unknown }).type === "string";
