import type { ComponentFrame, Hole, Namespace, Span, Written } from "../document/node.ts";
import type { Either } from "./decision.ts";

/** What a component would produce, as far as source tells: a document with decisions still open. */
export interface ComposedTree {
  readonly file: string;
  /** Whether it is a whole page or a piece of one. */
  readonly kind: "document" | "component";
  readonly children: readonly TreeNode[];
}

/**
 * The tree of a component in the page that it will be in, of which nothing is known but its root and body: what styles
 * say of those holds for the component too.
 */
export function inPage(file: string, nodes: readonly TreeNode[]): ComposedTree {
  const isPage = nodes.some((node) => node.kind === "element" && node.tag === "html");
  return isPage
    ? { file, kind: "document", children: nodes }
    : { file, kind: "component", children: [around("html", [around("body", nodes)])] };
}

const around = (tag: string, children: readonly TreeNode[]): TreeElement => ({
  kind: "element",
  tag,
  namespace: "html",
  attributes: [],
  spread: null,
  repeats: false,
  listeners: new Map(),
  children,
  source: null,
  endTag: null,
  components: [],
});

export type TreeNode = TreeElement | TreeText | TreeHole | TreeComment | Either<readonly TreeNode[]>;

/** What an attribute holds; `null` where it is not written at all. */
export type TreeValue = Written | null | Either<TreeValue>;

export interface TreeAttribute {
  readonly name: string;
  readonly value: TreeValue;
  readonly source: Span | null;
}

export interface TreeElement {
  readonly kind: "element";
  readonly tag: string;
  readonly writtenTag?: string;
  readonly isTagGiven?: boolean;
  readonly namespace: Namespace;
  /** Each name once: what is written later has already won. */
  readonly attributes: readonly TreeAttribute[];
  readonly spread: Hole | null;
  readonly repeats: boolean;
  /** The code behind each event, by its name without `on`; "unknown" where anything may listen. */
  readonly listeners: ReadonlyMap<string, ListenerCode> | "unknown";
  readonly children: readonly TreeNode[];
  readonly source: Span | null;
  readonly endTag: Span | null;
  readonly components: readonly ComponentFrame[];
  /** The component writes an attribute over one that its call gives. */
  readonly overwrites?: true;
}

/** A handler: its code as far as it is in source, and whether it is there. */
export interface ListenerCode {
  readonly code: string;
  /** The name of the function that it is; absent where it is written in place. */
  readonly name?: string;
  readonly source: Span | null;
  readonly present: true | Either<boolean>;
}

export interface TreeText {
  readonly kind: "text";
  readonly value: Exclude<TreeValue, null>;
  readonly source: Span | null;
}

export interface TreeComment {
  readonly kind: "comment";
  readonly value: string;
  readonly source: Span | null;
}

export interface TreeHole {
  readonly kind: "hole";
  readonly hole: Hole;
}
