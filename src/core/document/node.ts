/** A stretch of a source file: UTF-16 offsets, half-open, counted from the start of the decoded text. */
export interface Span {
  readonly file: string;
  readonly start: number;
  readonly end: number;
}

/** A value written in source that the reader could not evaluate: `{label}`, `:alt="x"`. */
export interface Hole {
  readonly hole: string;
  readonly source: Span;
  readonly mayBeEmpty: boolean;
  /** Whether words stand in it rather than elements, as far as source tells. */
  readonly isWords?: boolean;
  /** Whether its name says that it is a picture, and nothing that it is given may be words. */
  readonly isPicture?: boolean;
  /** What the component is called that may add to an element it is given, where a click on that does something already. */
  readonly besideClick?: string;
  /** The same for the same value, wherever it is used; absent where no two are known to be the same. */
  readonly key?: string;
}

/** What stands in the source: text, a hole, or both in turn (`Slip ${n}` keeps its known part). */
export type Written = string | Hole | readonly (string | Hole)[];

export interface Attribute {
  readonly name: string;
  readonly value: Written;
  /** Name and value together, as written; null where no source is known. */
  readonly source: Span | null;
  /** The name of the function whose code a handler is; absent where it is written in place. */
  readonly handler?: string;
}

/** One step of the way from a page to an element: where a component is used (for a root: defined). */
export interface ComponentFrame {
  readonly name: string;
  readonly source: Span;
  /** Where the component is defined. */
  readonly definition: Span;
}

export type Namespace = "html" | "svg" | "math";

export interface ElementNode {
  readonly kind: "element";
  /** Lower case for HTML, as the parser adjusted it for SVG and MathML. */
  readonly tag: string;
  /** The name as written, where the element stands for another by configuration. */
  readonly writtenTag?: string;
  /** Whether a program gives the tag, so that what is written on it is for other tags too. */
  readonly isTagGiven?: boolean;
  readonly namespace: Namespace;
  readonly attributes: ReadonlyMap<string, Attribute>;
  /** `{...rest}`: any attribute might be there. */
  readonly spread: Hole | null;
  /** `sometimes` where a condition decides: `cond && <p/>`, v-if, {#if}. */
  readonly presence: "always" | "sometimes";
  /** Whether list rendering may make it any number of times. */
  readonly repeats: boolean;
  /** Event names without `on`, lower case. */
  readonly listeners: ReadonlySet<string> | "unknown";
  readonly children: readonly Node[];
  readonly shadow: ShadowRoot | null;
  /** The start tag; null for an element that the parser implied. */
  readonly source: Span | null;
  /** The end tag; null when it is missing, implied or void. */
  readonly endTag: Span | null;
  readonly components: readonly ComponentFrame[];
  /** Whether its tag, as written, gives it neither a role nor a state: what it has of them others put there. */
  readonly isPlainTag?: true;
}

/** The tag name as selectors and source have it. */
export const writtenTag = (element: ElementNode): string => element.writtenTag ?? element.tag;

/** Whether it is a custom element that is not defined in source: what it shows and does is not known. */
export const isUndefinedElement = ({ tag, shadow, namespace }: ElementNode): boolean =>
  tag.includes("-") && shadow === null && namespace === "html";

/** Whether something stands right in an element of which source does not tell what it is. */
export const holdsHole = ({ children }: ElementNode): boolean => children.some(({ kind }) => kind === "hole");

export interface TextNode {
  readonly kind: "text";
  readonly value: Written;
  readonly source: Span | null;
}

export interface CommentNode {
  readonly kind: "comment";
  readonly value: string;
  readonly source: Span | null;
}

/** Children that source alone does not give: `{children}`, a slot filled elsewhere. */
export interface HoleNode {
  readonly kind: "hole";
  readonly hole: Hole;
}

export type Node = ElementNode | TextNode | CommentNode | HoleNode;

export interface ShadowRoot {
  readonly mode: "open" | "closed";
  readonly delegatesFocus: boolean;
  readonly children: readonly Node[];
}

/**
 * A whole page, or a piece of one for which page-level questions make no sense. Of a component all is known that its
 * source does; what is around it is told apart where findings are placed.
 */
export interface Document {
  readonly kind: "document" | "fragment" | "component";
  readonly file: string;
  readonly children: readonly Node[];
  /** No doctype, or an old one: class names and ids then match without regard to case. */
  readonly quirks: boolean;
}

/** A tree of its own for ids, selectors and styles. */
export type TreeRoot = Document | ShadowRoot;
