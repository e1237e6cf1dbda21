import type * as Ast from "@babel/types";
import { onceFor } from "../../core/document/once.ts";
import { baseName } from "../composition/component-name.ts";
import type { SourceModule } from "../composition/source-module.ts";
import { everyNode } from "../script/parse-script.ts";
import { pascalCase } from "./vue-names.ts";

/** Under what a module has a component that its template uses and nobody imports. */
export const tagImport = (name: string): string => `<${pascalCase(name)}>`;

/**
 * Gives each Vue file what its template uses without importing it: components that a script registers for the whole app,
 * and those that a build finds by the names of their files. What is meant by several is left out.
 */
export function withRegistered(modules: ReadonlyMap<string, SourceModule>): Map<string, SourceModule> {
  const registered = new Meanings();
  const byFile = new Meanings();
  for (const module of modules.values()) {
    if (module.content.kind === "script" && module.text.includes(".component("))
      for (const [name, path] of registrations(module.content.program, module)) registered.add(name, path);
    if (isVue(module)) for (const name of namesOf(module)) byFile.add(name, module.path);
  }
  return new Map(
    [...modules].map(([path, module]) => {
      if (!isVue(module)) return [path, module];
      const used = [...new Set([...module.text.matchAll(customTag)].map(([, tag = ""]) => pascalCase(tag)))];
      const found = used.flatMap((name): readonly [string, string][] => {
        // A name of one word may be that of a package's component.
        const meant = registered.of(name) ?? (/[a-z\d][A-Z]/.test(name) ? byFile.of(name) : null);
        return meant === null || meant === path ? [] : [[tagImport(name), meant]];
      });
      return found.length === 0
        ? [path, module]
        : [path, { ...module, imports: new Map([...module.imports, ...found]) }];
    }),
  );
}

const isVue = ({ content }: SourceModule): boolean =>
  content.kind === "template" && content.language === "vue";

/** Start tags that may be components by their names. */
const customTag = /<([A-Z]\w*|[a-z]\w*(?:-\w+)+)(?=[\s/>])/g;

/** What names stand for, as far as each stands for one thing. */
class Meanings {
  readonly #paths = new Map<string, string | null>();

  add(name: string, path: string): void {
    const known = this.#paths.get(name);
    this.#paths.set(name, known === undefined || known === path ? path : null);
  }

  of(name: string): string | null {
    return this.#paths.get(name) ?? null;
  }
}

/** The name that a component gives itself, where it is registered by that, and those of its file. */
function namesOf({ file, text }: SourceModule): readonly string[] {
  const given = /^\s*name:\s*["']([A-Za-z][\w-]*)["']/m.exec(text)?.[1];
  return [...new Set([...(given === undefined ? [] : [pascalCase(given)]), ...fileNames(file)])];
}

/**
 * The names by which a build finds a file: its own, and with the folders below `components` before it, without what both
 * say (`components/base/BaseButton.vue` is `BaseButton`).
 */
function fileNames(file: string): readonly string[] {
  const own = pascalCase(baseName(file));
  const folders = file.split("/").slice(0, -1);
  const inside = folders.slice(folders.lastIndexOf("components") + 1).map(pascalCase);
  if (!folders.includes("components")) return [own];
  const last = inside.at(-1) ?? "";
  const prefix = inside.join("");
  return [own, own.startsWith(last) ? `${inside.slice(0, -1).join("")}${own}` : `${prefix}${own}`];
}

/** `app.component("YardCard", Card)`: names with the files that they stand for. */
function registrations(
  program: Ast.Program,
  module: SourceModule,
): readonly (readonly [name: string, path: string])[] {
  return registering(program).flatMap(([name, component]) => {
    const path = component === undefined ? null : pathOf(component, program, module);
    const called = nameOf(name, program, module);
    return path === null || called === null ? [] : [[pascalCase(called), path] as const];
  });
}

/** What the calls of `.component(…)` in a program are given. */
const registering = onceFor((program: Ast.Program): readonly Ast.CallExpression["arguments"][] => {
  const found: Ast.CallExpression["arguments"][] = [];
  everyNode(program, (node) => {
    if (
      node.type === "CallExpression" &&
      node.callee.type === "MemberExpression" &&
      node.callee.property.type === "Identifier" &&
      node.callee.property.name === "component"
    )
      found.push(node.arguments);
    return true;
  });
  return found;
});

/** A text, or the name of an imported component: `Card.name`. */
function nameOf(node: Ast.Node | undefined, program: Ast.Program, module: SourceModule): string | null {
  if (node?.type === "StringLiteral") return node.value;
  if (node?.type !== "MemberExpression") return null;
  const path = pathOf(node.object, program, module);
  return path === null ? null : baseName(path);
}

/** The file that an expression brings: a name that is imported, `import("./Card.vue")`, or a function that gives it. */
function pathOf(node: Ast.Node, program: Ast.Program, module: SourceModule): string | null {
  switch (node.type) {
    case "Identifier":
      for (const statement of program.body)
        if (
          statement.type === "ImportDeclaration" &&
          statement.specifiers.some(
            (one) => one.type === "ImportDefaultSpecifier" && one.local.name === node.name,
          )
        )
          return module.imports.get(statement.source.value) ?? null;
      return null;
    case "ArrowFunctionExpression":
      return pathOf(node.body, program, module);
    case "ImportExpression":
      return node.source.type === "StringLiteral" ? (module.imports.get(node.source.value) ?? null) : null;
    case "CallExpression": {
      const [first] = node.arguments;
      if (first === undefined) return null;
      if (node.callee.type !== "Import") return pathOf(first, program, module);
      return first.type === "StringLiteral" ? (module.imports.get(first.value) ?? null) : null;
    }
    default:
      return null;
  }
}
