import { renamedClasses, scopedSheet } from "../core/css/narrowed-sheet.ts";
import { parseSheet } from "../core/css/parse-sheet.ts";
import type { AppliedSheet, ImportRule, Sheet } from "../core/css/sheet.ts";
import type { Document } from "../core/document/node.ts";
import { scopeAttribute, stylesOf } from "../readers/composition/component-styles.ts";
import { classSuffix } from "../readers/composition/module-scopes.ts";
import type { SourceModule } from "../readers/composition/source-module.ts";
import { leadingTo } from "./module-keys.ts";

/** Sheets not yet bound to a document. */
export interface ComponentSheets {
  readonly sheets: readonly Sheet[];
  /** Whether every style that the source names was read as it is. */
  readonly known: boolean;
}

/** Languages that are turned into CSS before anybody sees them: what they say is not known. */
const compiled = /\.(?:scss|sass|less|styl|pcss|postcss)$/i;

/** The styles that a component brings along: those of every module it reaches, in the order of imports. */
export function sheetsReached(
  root: SourceModule,
  modules: ReadonlyMap<string, SourceModule>,
  parsed: Map<string, Sheet>,
): ComponentSheets {
  const sheets: Sheet[] = [];
  let known = true;
  const met = new Set<string>();
  const visit = (module: SourceModule): void => {
    if (met.has(module.path)) return;
    met.add(module.path);
    for (const [specifier, path] of module.imports) {
      const next = path === null ? undefined : modules.get(path);
      if (next !== undefined) visit(next);
      else if (/\.(?:css|scss|sass|less)$/i.test(specifier)) known = false;
    }
    if (module.content.kind === "style") {
      if (compiled.test(module.path)) known = false;
      else sheets.push(sheetOf(module, parsed));
    }
    for (const part of stylesOf(module)) {
      const key = `${module.path} ${part.start}`;
      let sheet = parsed.get(key);
      if (sheet === undefined) {
        sheet = parseSheet({ file: module.file, text: part.text, start: part.start });
        if (part.module !== null) sheet = renamedClasses(sheet, classSuffix(module));
        if (part.scoped) sheet = scopedSheet(sheet, scopeAttribute(module));
        parsed.set(key, sheet);
      }
      sheets.push(sheet);
    }
  };
  // Styles of what leads to a root, such as the file that puts it into the page, hold for it too.
  for (const above of leadingTo(root, modules))
    for (const path of above.imports.values()) {
      const style = path === null ? undefined : modules.get(path);
      if (style?.content.kind === "style") visit(style);
    }
  visit(root);
  return { sheets, known };
}

function sheetOf(module: SourceModule, parsed: Map<string, Sheet>): Sheet {
  let sheet = parsed.get(module.path);
  if (sheet === undefined) {
    sheet = parseSheet({ file: module.file, text: module.text, start: 0 });
    const suffix = classSuffix(module);
    if (suffix !== "") sheet = renamedClasses(sheet, suffix);
    parsed.set(module.path, sheet);
  }
  return sheet;
}

const noImports: ReadonlyMap<ImportRule, AppliedSheet> = new Map();

export const applied = (sheets: readonly Sheet[], scope: Document): readonly AppliedSheet[] =>
  sheets.map((sheet) => ({ sheet, media: null, scope, imports: noImports }));
