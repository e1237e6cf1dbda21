import { type CompiledStyle, compiledSheet } from "../core/css/compiled-sheet.ts";
import { renamedClasses, scopedSheet } from "../core/css/narrowed-sheet.ts";
import { parseSheet } from "../core/css/parse-sheet.ts";
import type { AppliedSheet, ImportRule, Sheet } from "../core/css/sheet.ts";
import type { Document, ElementNode } from "../core/document/node.ts";
import { attributeTokens } from "../core/document/written.ts";
import { scopeAttribute, stylesOf } from "../readers/composition/component-styles.ts";
import { classSuffix } from "../readers/composition/module-scopes.ts";
import type { SourceModule, StylePart } from "../readers/composition/source-module.ts";
import { leadingToAny } from "./module-keys.ts";

/** Sheets not yet bound to a document. */
export interface ComponentSheets {
  readonly sheets: readonly Sheet[];
  /** Whether every style that the source names was read as it is. */
  readonly known: boolean;
}

const isStyleFile = /\.(?:css|scss|sass|less)$/i;

/** The styles that the components of a project bring along; each sheet is parsed once. */
export class ComponentStyles {
  readonly #modules: ReadonlyMap<string, SourceModule>;
  readonly #parsed = new Map<string, Sheet | null>();
  readonly #known = new Map<string, ComponentSheets>();
  /** What has styles of its own or leads to some: nothing else needs to be looked at. */
  readonly #leading: ReadonlySet<SourceModule>;
  readonly #importsStyles: boolean;
  readonly #everywhere: SourceModule | null;

  /** @param everywhere a stylesheet that every component has, whether it imports it or not */
  constructor(modules: ReadonlyMap<string, SourceModule>, everywhere: SourceModule | null) {
    this.#modules = modules;
    this.#everywhere = everywhere;
    const styled = [...modules.values()].filter(
      (module) => stylesOf(module).length > 0 || this.#missing(module).length > 0,
    );
    this.#importsStyles = styled.some(({ content }) => content.kind === "style");
    this.#leading = new Set([...styled, ...leadingToAny(styled, modules)]);
  }

  /** Those of every module that a component reaches, in the order of imports. */
  of(root: SourceModule): ComponentSheets {
    let known = this.#known.get(root.path);
    if (known === undefined) {
      known = this.#reached(root);
      this.#known.set(root.path, known);
    }
    return known;
  }

  /** Styles that a module names and that were not read. */
  #missing({ imports }: SourceModule): readonly string[] {
    return [...imports].flatMap(([specifier, path]) =>
      isStyleFile.test(specifier) && (path === null || !this.#modules.has(path)) ? [specifier] : [],
    );
  }

  #reached(root: SourceModule): ComponentSheets {
    const sheets: Sheet[] = [];
    let known = true;
    const met = new Set<SourceModule>();
    const visit = (module: SourceModule): void => {
      if (met.has(module) || (!this.#leading.has(module) && module !== this.#everywhere)) return;
      met.add(module);
      if (this.#missing(module).length > 0) known = false;
      for (const path of module.imports.values()) {
        const next = path === null ? undefined : this.#modules.get(path);
        if (next !== undefined) visit(next);
      }
      for (const part of stylesOf(module)) {
        const sheet = this.#sheetOf(module, part);
        if (sheet === null || module.compiled?.get(part.start)?.lacks != null) known = false;
        if (sheet === null) continue;
        sheets.push(sheet);
      }
    };
    // Styles of what leads to a root, such as the file that puts it into the page, hold for it too.
    if (this.#importsStyles)
      for (const above of leadingToAny([root], this.#modules))
        for (const path of above === root ? [] : above.imports.values()) {
          const style = path === null ? undefined : this.#modules.get(path);
          if (style?.content.kind === "style") visit(style);
        }
    if (this.#everywhere !== null) visit(this.#everywhere);
    visit(root);
    return { sheets, known };
  }

  /** Null where it is in a language that could not be compiled. */
  #sheetOf(module: SourceModule, part: StylePart): Sheet | null {
    const key = `${module.path} ${part.start}`;
    let sheet = this.#parsed.get(key);
    if (sheet === undefined) {
      sheet = parsedPart(module, part);
      this.#parsed.set(key, sheet);
    }
    return sheet;
  }
}

function parsedPart(module: SourceModule, part: StylePart): Sheet | null {
  const compiled = module.compiled?.get(part.start);
  if (compiled === undefined && part.language !== "css") return null;
  const isOfComponent = part.scoped || part.module !== null;
  const written =
    compiled === undefined
      ? parseSheet({ file: module.file, text: part.text, start: part.start, isOfComponent })
      : compiledSheet(compiled, module.file, isOfComponent);
  const suffix = part.module === null ? "" : classSuffix(module);
  const sheet = suffix === "" ? written : renamedClasses(written, suffix);
  return part.scoped ? scopedSheet(sheet, scopeAttribute(module)) : sheet;
}

/** The rules of classes that scripts make, for those of a document's elements that have such; each is parsed once. */
export class ScriptSheets {
  readonly #styles: ReadonlyMap<string, CompiledStyle>;
  readonly #parsed = new Map<string, Sheet>();

  constructor(styles: ReadonlyMap<string, CompiledStyle>) {
    this.#styles = styles;
  }

  /** @param elements of the document */
  of(elements: Iterable<ElementNode>): readonly Sheet[] {
    if (this.#styles.size === 0) return [];
    const names = new Set([...elements].flatMap((element) => attributeTokens(element, "class")));
    return [...names].flatMap((name) => this.#sheetOf(name) ?? []);
  }

  #sheetOf(name: string): Sheet | null {
    const style = this.#styles.get(name);
    if (style === undefined) return null;
    let sheet = this.#parsed.get(name);
    if (sheet === undefined) {
      sheet = compiledSheet(style, style.sources[0]?.file ?? "");
      this.#parsed.set(name, sheet);
    }
    return sheet;
  }
}

const noImports: ReadonlyMap<ImportRule, AppliedSheet> = new Map();

export const applied = (sheets: readonly Sheet[], scope: Document): readonly AppliedSheet[] =>
  sheets.map((sheet) => ({ sheet, media: null, scope, imports: noImports }));
