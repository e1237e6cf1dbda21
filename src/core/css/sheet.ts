import type { Document, ShadowRoot, Span } from "../document/node.ts";
import type { Declared } from "./declared.ts";
import type { SelectorList } from "./selector.ts";

/** A stylesheet as parsed, whatever the device: conditions stay with the rules they guard. */
export interface Sheet {
  readonly file: string;
  readonly items: readonly SheetItem[];
  /** Comments that speak to the audit, each with the declaration or rule it stands before. */
  readonly remarks: readonly Remark[];
  /** Whether blocks stood so deep in one another that they were passed over. */
  readonly isCut?: true;
}

/** `/* keel: … *\/` in a stylesheet. */
export interface Remark {
  /** What stands in the comment. */
  readonly text: string;
  readonly source: Span;
  /** The declaration, or the whole rule, after it; empty where nothing follows. */
  readonly covers: Span;
}

export type SheetItem =
  | { readonly kind: "rule"; readonly rule: StyleRule }
  /** `@layer a, b;` or the opening of a layer block: fixes the order of layers. */
  | { readonly kind: "layer"; readonly name: string; readonly conditions: Conditions }
  | { readonly kind: "import"; readonly import: ImportRule }
  | { readonly kind: "keyframes"; readonly name: string; readonly frames: readonly Keyframe[] }
  | {
      readonly kind: "property";
      readonly name: string;
      readonly inherits: boolean;
      readonly initial: string | null;
    };

/** Conditions from the innermost outwards. */
export type Conditions = { readonly condition: Condition; readonly outer: Conditions } | null;

export type Condition =
  | { readonly kind: "media" | "supports" | "container"; readonly text: string }
  | { readonly kind: "scope"; readonly start: SelectorList | null; readonly end: SelectorList | null };

export interface StyleRule {
  readonly selectors: SelectorList;
  readonly selectorText: string;
  readonly normal: ReadonlyMap<string, Declared>;
  readonly important: ReadonlyMap<string, Declared> | null;
  readonly conditions: Conditions;
  /** Full dotted name of the cascade layer; null outside every layer. */
  readonly layer: string | null;
  readonly source: Span;
}

/** One step of an animation. CSS Animations 1 §3. */
export interface Keyframe {
  /** Places in the animation, 0 to 1. */
  readonly offsets: readonly number[];
  readonly declarations: ReadonlyMap<string, Declared>;
}

export interface ImportRule {
  readonly href: string;
  readonly media: string | null;
  readonly supports: string | null;
  /** Name of the layer it is imported into; null without one. */
  readonly layer: string | null;
  readonly source: Span;
}

/** A sheet with its imports resolved, and the tree it styles. */
export interface AppliedSheet {
  readonly sheet: Sheet;
  readonly media: string | null;
  readonly scope: Document | ShadowRoot;
  /** What each `@import` of the sheet brought; absent where the file could not be read. */
  readonly imports: ReadonlyMap<ImportRule, AppliedSheet>;
}
