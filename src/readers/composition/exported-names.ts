/** What a script exports and imports, read from its text alone: packages export thousands of names, and one is wanted. */

/** Where a name that a script exports is defined: in the script itself, or under a name in what it imports. */
export type DefinedIn =
  | { readonly where: "here" }
  | { readonly where: "there"; readonly specifier: string; readonly name: string };

const NAME = "[\\w$]+";

/** Where an exported name is defined; null where the text does not say. ECMAScript §16.2.3, "Exports". */
export function definitionOf(text: string, name: string): DefinedIn | null {
  for (const [, list = "", , specifier] of text.matchAll(exportLists)) {
    const local = localNameIn(list, name);
    if (local === null) continue;
    if (specifier !== undefined) return { where: "there", specifier, name: local };
    return importedAs(text, local) ?? { where: "here" };
  }
  const exported = escaped(name);
  if (name === "default") {
    const [, local] = new RegExp(`\\bexport\\s+default\\s+(${NAME})\\s*(?:;|\\n|$)`).exec(text) ?? [];
    if (local !== undefined) return importedAs(text, local) ?? { where: "here" };
    return /\bexport\s+default\b/.test(text) ? { where: "here" } : null;
  }
  return new RegExp(
    `\\bexport\\s+(?:async\\s+)?(?:function\\*?|const|let|var|class)\\s+${exported}(?![\\w$])`,
  ).test(text)
    ? { where: "here" }
    : null;
}

const exportLists = /\bexport\s*\{([^}]*)\}(?:\s*(from)\s*["']([^"']+)["'])?/g;

/** The name in the script of what a list such as `a as b, c` calls by another name. */
function localNameIn(list: string, name: string): string | null {
  for (const one of list.split(",")) {
    const [local, as, outer] = one.trim().split(/\s+/);
    if ((as === "as" ? outer : local) === name) return local ?? null;
  }
  return null;
}

/** What a name of a script is imported as; null where it is not imported. */
function importedAs(text: string, local: string): DefinedIn | null {
  const named = escaped(local);
  for (const [, whole, list, specifier] of text.matchAll(imports)) {
    if (whole === local) return { where: "there", specifier: specifier ?? "", name: "default" };
    if (list === undefined || !new RegExp(`(?<![\\w$])${named}(?![\\w$])`).test(list)) continue;
    for (const one of list.split(",")) {
      const [outer, as, inner] = one.trim().split(/\s+/);
      if ((as === "as" ? inner : outer) === local)
        return { where: "there", specifier: specifier ?? "", name: outer ?? "" };
    }
  }
  return null;
}

const imports = new RegExp(
  `\\bimport\\s*(?:(${NAME})\\s*,?\\s*)?(?:\\{([^}]*)\\})?\\s*from\\s*["']([^"']+)["']`,
  "g",
);

/** Scripts that a script exports all of. */
export const exportedWhole = (text: string): readonly string[] =>
  [...text.matchAll(/\bexport\s*\*\s*from\s*["']([^"']+)["']/g)].map(([, specifier = ""]) => specifier);

/**
 * The part of a long script that defines one exported name: its imports, and the declarations at the beginning of lines
 * that the name needs. Null where it is not declared so.
 */
export function declarationOf(text: string, name: string): string | null {
  const declared = new Map<string, string>();
  const starts = [...text.matchAll(declarations)];
  for (const [i, { index, groups }] of starts.entries())
    declared.set(groups?.name ?? "", text.slice(index, starts[i + 1]?.index ?? text.length));
  const local = declared.has(name) ? name : localOf(text, name);
  if (local === null || !declared.has(local)) return null;
  const needed = new Set([local]);
  const parts: string[] = [];
  for (const one of needed) {
    const part = declared.get(one) ?? "";
    parts.push(part.replace(/^export\s+(?:default\s+)?/, ""));
    for (const [word] of part.matchAll(/[\w$]+/g)) if (declared.has(word)) needed.add(word);
    if (needed.size > MOST_DECLARATIONS) return null;
  }
  const imported = text.match(/^import\b.*$/gm) ?? [];
  return [...imported, ...parts, `export { ${local} as ${name} };`].join("\n");
}

const MOST_DECLARATIONS = 20;

const declarations =
  /^(?:export\s+(?:default\s+)?)?(?:(?:async\s+)?function\*?|const|let|var|class)\s+(?<name>[\w$]+)|^export\b/gm;

function localOf(text: string, name: string): string | null {
  for (const [, list = "", , specifier] of text.matchAll(exportLists)) {
    const local = specifier === undefined ? localNameIn(list, name) : null;
    if (local !== null) return local;
  }
  return null;
}

const escaped = (name: string): string => name.replace(/\$/g, "\\$");
