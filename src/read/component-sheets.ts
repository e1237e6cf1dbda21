import { renamedClasses, scopedSheet } from "../core/css/narrowed-sheet.ts";
import { parseSheet } from "../core/css/parse-sheet.ts";
import type { AppliedSheet, ImportRule, Sheet } from "../core/css/sheet.ts";
import type { Document } from "../core/document/node.ts";
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

/** Languages that are turned into CSS before anybody sees them: what they say is not known. */
const compiled = /\.(?:scss|sass|less|styl|pcss|postcss)$/i;

const isStyleFile = /\.(?:css|scss|sass|less)$/i;

/** The styles that the components of a project bring along; each sheet is parsed once. */
export class ComponentStyles {
  readonly #modules: ReadonlyMap<string, SourceModule>;
  readonly #parsed = new Map<string, Sheet>();
  readonly #known = new Map<string, ComponentSheets>();
  /** What has styles of its own or leads to some: nothing else needs to be looked at. */
  readonly #leading: ReadonlySet<SourceModule>;
  readonly #importsStyles: boolean;

  constructor(modules: ReadonlyMap<string, SourceModule>) {
    this.#modules = modules;
    const styled = [...modules.values()].filter(
      (module) =>
        module.content.kind === "style" || stylesOf(module).length > 0 || this.#missing(module).length > 0,
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
      if (met.has(module) || !this.#leading.has(module)) return;
      met.add(module);
      if (this.#missing(module).length > 0) known = false;
      for (const path of module.imports.values()) {
        const next = path === null ? undefined : this.#modules.get(path);
        if (next !== undefined) visit(next);
      }
      if (module.content.kind === "style") {
        if (compiled.test(module.path)) known = false;
        else sheets.push(this.#sheetOf(module));
      }
      for (const part of stylesOf(module)) sheets.push(this.#partOf(module, part));
    };
    // Styles of what leads to a root, such as the file that puts it into the page, hold for it too.
    if (this.#importsStyles)
      for (const above of leadingToAny([root], this.#modules))
        for (const path of above === root ? [] : above.imports.values()) {
          const style = path === null ? undefined : this.#modules.get(path);
          if (style?.content.kind === "style") visit(style);
        }
    visit(root);
    return { sheets, known };
  }

  #sheetOf(module: SourceModule): Sheet {
    return this.#once(module.path, () => {
      const sheet = parseSheet({ file: module.file, text: module.text, start: 0 });
      const suffix = classSuffix(module);
      return suffix === "" ? sheet : renamedClasses(sheet, suffix);
    });
  }

  #partOf(module: SourceModule, part: StylePart): Sheet {
    return this.#once(`${module.path} ${part.start}`, () => {
      const written = parseSheet({ file: module.file, text: part.text, start: part.start });
      const sheet = part.module === null ? written : renamedClasses(written, classSuffix(module));
      return part.scoped ? scopedSheet(sheet, scopeAttribute(module)) : sheet;
    });
  }

  #once(key: string, parse: () => Sheet): Sheet {
    let sheet = this.#parsed.get(key);
    if (sheet === undefined) {
      sheet = parse();
      this.#parsed.set(key, sheet);
    }
    return sheet;
  }
}

const noImports: ReadonlyMap<ImportRule, AppliedSheet> = new Map();

export const applied = (sheets: readonly Sheet[], scope: Document): readonly AppliedSheet[] =>
  sheets.map((sheet) => ({ sheet, media: null, scope, imports: noImports }));
