import type { CommentNode, ComponentFrame, Span } from "../core/document/node.ts";
import type { LiveElement } from "./live-element.ts";

/** Where the elements of a window were written. */
export interface Places {
  /** The start tag; null for an element that a script made. */
  tag(element: LiveElement): Span | null;
  /** Whether a start tag that is written somewhere gives neither a role nor a state. */
  isPlainTag(element: LiveElement): boolean;
  endTag(element: LiveElement): Span | null;
  attribute(element: LiveElement, name: string): Span | null;
  /** The start tag, else the nearest place that it comes from. */
  nearest(element: LiveElement): Span | null;
  /** The components that an element came by, the outermost first; empty on a page. */
  components(element: LiveElement): readonly ComponentFrame[];
  /** A comment, where source has it. */
  comment(comment: LiveElement): Span | null;
  /** Comments that speak to the audit and stand before an element in source, and nowhere in the window. */
  remarks(element: LiveElement): readonly CommentNode[];
  /** The same for the same element in every window that shows the same; null where only its way down tells. */
  identity(element: LiveElement): string | null;
}
