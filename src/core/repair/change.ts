import type { Declared } from "../css/declared.ts";
import type { ElementNode, Span, TextNode } from "../document/node.ts";

/** An element to be put into source. */
export interface Markup {
  readonly tag: string;
  /** Attributes in order; null for one that is there without a value. */
  readonly attributes?: Readonly<Record<string, string | null>>;
  readonly text?: string;
}

/** What is to become of the source, in the terms of the document; how it is written depends on the file. */
export type Change =
  | {
      readonly kind: "set attribute";
      readonly element: ElementNode;
      readonly name: string;
      /** Null for an attribute that is there without a value. */
      readonly value: string | null;
    }
  | { readonly kind: "remove attribute"; readonly element: ElementNode; readonly name: string }
  | {
      readonly kind: "rename class";
      readonly element: ElementNode;
      readonly name: string;
      readonly to: string;
    }
  | {
      readonly kind: "rename attribute";
      readonly element: ElementNode;
      readonly name: string;
      readonly to: string;
    }
  | {
      readonly kind: "copy attribute";
      readonly element: ElementNode;
      readonly name: string;
      readonly to: string;
    }
  | { readonly kind: "rename element"; readonly element: ElementNode; readonly to: string }
  | { readonly kind: "replace text"; readonly source: Span; readonly text: string }
  | { readonly kind: "set declaration"; readonly declared: Declared; readonly text: string }
  | { readonly kind: "remove declaration"; readonly declared: Declared }
  | {
      readonly kind: "insert";
      readonly where: "before" | "first" | "last";
      readonly element: ElementNode;
      readonly markup: Markup;
    }
  | {
      readonly kind: "wrap";
      readonly first: ElementNode | TextNode;
      readonly last: ElementNode | TextNode;
      readonly around: Markup;
    }
  | {
      readonly kind: "take in";
      readonly element: ElementNode;
      readonly next: ElementNode;
    }
  | { readonly kind: "set words"; readonly element: ElementNode; readonly text: string }
  | { readonly kind: "remove element"; readonly element: ElementNode }
  | {
      readonly kind: "add declarations";
      readonly element: ElementNode;
      /** Declarations of CSS by property, for the style attribute; worked out when the change is written. */
      readonly declarations: () => Readonly<Record<string, string>>;
    };

/** Sets an attribute: its value where it stands, else after the others; null for one without a value. */
export const setAttribute = (element: ElementNode, name: string, value: string | null): Change => ({
  kind: "set attribute",
  element,
  name,
  value,
});

/** Takes an attribute away, with the white space before it. */
export const removeAttribute = (element: ElementNode, name: string): Change => ({
  kind: "remove attribute",
  element,
  name,
});

/** Gives an element another class in place of one that it has. */
export const renameClass = (element: ElementNode, name: string, to: string): Change => ({
  kind: "rename class",
  element,
  name,
  to,
});

/** Gives an attribute another name and keeps its value as written. */
export const renameAttribute = (element: ElementNode, name: string, to: string): Change => ({
  kind: "rename attribute",
  element,
  name,
  to,
});

/** Binds a further attribute to the expression that another one is bound to. */
export const copyAttribute = (element: ElementNode, name: string, to: string): Change => ({
  kind: "copy attribute",
  element,
  name,
  to,
});

/** Gives an element another name in its start and its end tag. */
export const renameElement = (element: ElementNode, to: string): Change => ({
  kind: "rename element",
  element,
  to,
});

/** Writes other text in place of a stretch of source, as it is. */
export const replaceText = (source: Span, text: string): Change => ({ kind: "replace text", source, text });

/** Gives a declaration of CSS another value. */
export const setDeclaration = (declared: Declared, text: string): Change => ({
  kind: "set declaration",
  declared,
  text,
});

/** Takes a declaration of CSS away, with the semicolon after it. */
export const removeDeclaration = (declared: Declared): Change => ({ kind: "remove declaration", declared });

/** Puts an element beside another, or into it. */
export const insert = (where: "before" | "first" | "last", element: ElementNode, markup: Markup): Change => ({
  kind: "insert",
  where,
  element,
  markup,
});

/** Puts an element around one node, or several that follow one another in one parent. */
export const wrap = (
  first: ElementNode | TextNode,
  last: ElementNode | TextNode,
  around: Markup,
): Change => ({ kind: "wrap", first, last, around });

/** Puts the element that follows another at once into it, as its last. */
export const takeIn = (element: ElementNode, next: ElementNode): Change => ({
  kind: "take in",
  element,
  next,
});

/** Gives an element words for all its content. */
export const setWords = (element: ElementNode, text: string): Change => ({
  kind: "set words",
  element,
  text,
});

/** Takes an element away with all that is in it. */
export const removeElement = (element: ElementNode): Change => ({ kind: "remove element", element });

/** Adds declarations to the style attribute. */
export const addDeclarations = (
  element: ElementNode,
  declarations: () => Readonly<Record<string, string>>,
): Change => ({ kind: "add declarations", element, declarations });
