import type { Span } from "../document/node.ts";
import { expandShorthand, isShorthand } from "./shorthands.ts";
import { properties, sameProperty } from "./tables/properties.ts";
import { acceptsValue, holdsSubstitution } from "./value-syntax.ts";

/** One longhand as a rule declares it. */
export interface Declared {
  /** The value as written, trimmed, without `!important`; for a shorthand the part that falls to the longhand. */
  readonly text: string;
  /** Set where a shorthand waits for `var()`: the part is found after substitution. */
  readonly shorthand: string | null;
  /** Name, colon and value as written. */
  readonly source: Span;
  /** The value alone; of a shorthand the part that falls to the longhand, where it can be told apart. */
  readonly valueSource: Span;
  /** False where `valueSource` holds more than this value, and so may not be replaced by another. */
  readonly replaceable: boolean;
  /** The variable of a style language whose value `valueSource` is: it may stand in another file. Absent or null for none. */
  readonly variable?: string | null;
  /** Whether nobody wrote it: a compiler made it of the name of a class. */
  readonly isMade?: boolean;
  /** Where it stands in a `style` attribute, which a component may write as an object or by an expression. */
  readonly inAttribute?: DeclaredInAttribute;
}

export interface DeclaredInAttribute {
  /** The whole attribute. */
  readonly attribute: Span;
  /** The name of the property as the attribute gives it, in CSS. */
  readonly name: string;
}

export interface DeclarationBlock {
  readonly normal: ReadonlyMap<string, Declared>;
  readonly important: ReadonlyMap<string, Declared> | null;
}

const wideKeywords = new Set(["inherit", "initial", "unset", "revert", "revert-layer"]);

export const isWideKeyword = (text: string): boolean => wideKeywords.has(text.toLowerCase());

/** Gathers declarations into longhands; a later one of the same name and importance takes the place of an earlier. */
export class DeclarationCollector {
  #normal = new Map<string, Declared>();
  #important: Map<string, Declared> | null = null;

  get isEmpty(): boolean {
    return this.#normal.size === 0 && this.#important === null;
  }

  /** Adds a declaration as a browser would: an unknown property or invalid value leaves no trace. */
  add(written: string, text: string, important: boolean, source: Span, valueSource: Span): void {
    if (written.startsWith("--")) {
      this.#set(written, { text, shorthand: null, source, valueSource, replaceable: true }, important);
      return;
    }
    const name = written.toLowerCase();
    const property = sameProperty[name] ?? name;
    if (isShorthand(property)) {
      for (const [longhand, part] of expandShorthand(property, text)) {
        const place = holdsSubstitution(text) ? null : placeOfPart(text, part, valueSource);
        const declared = {
          text: part,
          shorthand: holdsSubstitution(text) ? property : null,
          source,
          valueSource: place ?? valueSource,
          replaceable: place !== null,
        };
        this.#set(longhand, declared, important);
      }
      return;
    }
    if (!Object.hasOwn(properties, property)) return;
    if (!isWideKeyword(text) && !acceptsValue(property, text)) return;
    this.#set(property, { text, shorthand: null, source, valueSource, replaceable: true }, important);
  }

  #set(property: string, declared: Declared, important: boolean): void {
    if (important) {
      this.#important ??= new Map();
      this.#important.set(property, declared);
    } else {
      // Deleted first, so that the order of the map stays the order of appearance.
      this.#normal.delete(property);
      this.#normal.set(property, declared);
    }
  }

  take(): DeclarationBlock {
    const block = { normal: this.#normal, important: this.#important };
    this.#normal = new Map();
    this.#important = null;
    return block;
  }
}

/** Where a part of a shorthand stands in the source; null when it stands there more than once, or not as written. */
function placeOfPart(text: string, part: string, whole: Span): Span | null {
  const index = text.indexOf(part);
  const isWritten = whole.end - whole.start === text.length;
  if (!isWritten || index < 0 || text.indexOf(part, index + 1) >= 0) return null;
  return { file: whole.file, start: whole.start + index, end: whole.start + index + part.length };
}
