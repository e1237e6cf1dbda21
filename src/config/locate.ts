import { parse, parseExpression } from "@babel/parser";
import type { Node, ObjectExpression, ObjectProperty } from "@babel/types";

/** A place in a configuration file: 1-based. */
export interface ConfigPlace {
  readonly line: number;
  readonly column: number;
}

/** Where a path of keys stands in a configuration file, as near as it can be followed; null where not at all. */
export function placeOf(text: string, file: string, path: readonly PropertyKey[]): ConfigPlace | null {
  let node: Node | null;
  try {
    node = file.endsWith(".json") ? parseExpression(text) : exported(text);
  } catch {
    return null;
  }
  let place: Node | null = node;
  for (const key of path) {
    node = node === null ? null : step(node, key);
    if (node === null) break;
    place = node;
    if (node.type === "ObjectProperty") node = plain(node.value);
  }
  const start = place?.loc?.start;
  return start === undefined ? null : { line: start.line, column: start.column + 1 };
}

/** What a module exports by default, looked through `defineConfig(…)` and names. */
function exported(text: string): Node | null {
  const { program } = parse(text, { sourceType: "module", plugins: ["typescript"], errorRecovery: true });
  for (const statement of program.body) {
    if (statement.type !== "ExportDefaultDeclaration") continue;
    const value = plain(statement.declaration);
    if (value.type !== "Identifier") return value;
    for (const other of program.body) {
      if (other.type !== "VariableDeclaration") continue;
      for (const { id, init } of other.declarations)
        if (id.type === "Identifier" && id.name === value.name && init != null) return plain(init);
    }
  }
  return null;
}

/** The value behind type assertions and calls that pass it on. */
function plain(node: Node): Node {
  switch (node.type) {
    case "TSAsExpression":
    case "TSSatisfiesExpression":
    case "TSNonNullExpression":
      return plain(node.expression);
    case "CallExpression":
      return node.arguments[0] === undefined ? node : plain(node.arguments[0]);
    default:
      return node;
  }
}

function step(node: Node, key: PropertyKey): Node | null {
  if (node.type === "ArrayExpression" && typeof key === "number") {
    const item = node.elements[key];
    return item == null ? null : plain(item);
  }
  return node.type === "ObjectExpression" ? property(node, String(key)) : null;
}

const property = (node: ObjectExpression, key: string): ObjectProperty | null =>
  node.properties.find(
    (candidate): candidate is ObjectProperty =>
      candidate.type === "ObjectProperty" &&
      ((candidate.key.type === "Identifier" && candidate.key.name === key) ||
        (candidate.key.type === "StringLiteral" && candidate.key.value === key)),
  ) ?? null;
