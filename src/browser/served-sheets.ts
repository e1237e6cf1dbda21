import { type CompiledStyle, compiledSheet } from "../core/css/compiled-sheet.ts";
import { parseSheet } from "../core/css/parse-sheet.ts";
import type { AppliedSheet, ImportRule, Sheet } from "../core/css/sheet.ts";
import type { Document, ShadowRoot } from "../core/document/node.ts";
import type { LiveElement } from "../engine/live-element.ts";
import type { ServedText } from "./browser-window.ts";

/** How deep stylesheets may import one another. */
const DEEPEST_IMPORT = 16;

/** The stylesheets of a page as they were served, by their addresses. */
export class ServedSheets {
  readonly #texts: ReadonlyMap<string, ServedText>;
  readonly #fileOf: (served: ServedText) => string;
  readonly #compiled: ReadonlyMap<string, CompiledStyle>;
  readonly #sheets = new Map<string, Sheet>();
  /** The text of every stylesheet that was made use of, by the file it is shown as. */
  readonly used = new Map<string, string>();

  /**
   * @param fileOf what a text is shown as: a file of one's own, else its address
   * @param compiled what texts were compiled from, by their addresses
   */
  constructor(
    texts: readonly ServedText[],
    fileOf: (served: ServedText) => string,
    compiled: ReadonlyMap<string, CompiledStyle> = new Map(),
  ) {
    this.#compiled = compiled;
    this.#texts = new Map(texts.map((text) => [text.address, text]));
    this.#fileOf = fileOf;
  }

  /** What a link brings: the text that was served, else the rules that the browser has of it. */
  linked = (link: LiveElement, scope: Document | ShadowRoot): AppliedSheet | null => {
    if (link.href === undefined) return null;
    const media =
      link.attributes.find(({ name }: { readonly name: string }) => name === "media")?.value ?? null;
    const applied = this.#at(link.href, media, scope, []);
    if (applied !== null) return applied;
    const rules: readonly { readonly cssText: string }[] = link.cssRules ?? [];
    const text = rules.map(({ cssText }) => cssText).join("\n");
    return { sheet: this.#parsed(link.href, text), media, scope, imports: new Map() };
  };

  /** The sheet with what it imports. */
  withImports(
    sheet: Sheet,
    base: string,
    media: string | null,
    scope: Document | ShadowRoot,
    within: readonly string[] = [],
  ): AppliedSheet {
    const imports = new Map<ImportRule, AppliedSheet>();
    for (const item of sheet.items) {
      if (item.kind !== "import" || within.length >= DEEPEST_IMPORT) continue;
      const address = addressFrom(item.import.href, base);
      // CSS Cascade 5 §2: a sheet that imports itself, at whatever remove, adds nothing.
      if (address === null || within.includes(address)) continue;
      const imported = this.#at(address, null, scope, within);
      if (imported !== null) imports.set(item.import, imported);
    }
    return { sheet, media, scope, imports };
  }

  #at(
    address: string,
    media: string | null,
    scope: Document | ShadowRoot,
    within: readonly string[],
  ): AppliedSheet | null {
    const served = this.#texts.get(address.replace(/#.*$/, ""));
    if (served === undefined) return null;
    const compiled = this.#compiled.get(served.address);
    if (compiled !== undefined) {
      const sheet = this.#kept(served.address, () =>
        compiledSheet(compiled, compiled.sources[0]?.file ?? address),
      );
      return this.withImports(sheet, address, media, scope, [...within, address]);
    }
    const file = this.#fileOf(served);
    this.used.set(file, served.text);
    return this.withImports(this.#parsed(file, served.text), address, media, scope, [...within, address]);
  }

  #parsed(file: string, text: string): Sheet {
    // Rules that a script changes are another text at the same address.
    return this.#kept(`${file} ${text}`, () => parseSheet({ file, text, start: 0 }));
  }

  #kept(key: string, make: () => Sheet): Sheet {
    const sheet = this.#sheets.get(key) ?? make();
    this.#sheets.set(key, sheet);
    return sheet;
  }
}

/** An address as it is meant where it stands; null for what is none. */
export function addressFrom(href: string, base: string): string | null {
  try {
    return new URL(href, base).href;
  } catch {
    return null;
  }
}
