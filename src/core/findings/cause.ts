import type { Span } from "../document/node.ts";

/** What one change would mend at once, wherever it shows: findings with the same cause are shown to people as one. */
export const causeKinds = {
  animation: "an animation, by its name",
  colours: "a text colour on a ground, and the declaration of the text colour",
  dragging: "dragging without another way",
  edge: "the colour of an edge on a ground, and its declaration",
  "element without focus": "one element that takes no focus",
  "ground that is not known": "a ground that hangs on the same thing that is not known",
  handler: "one handler, by its event and its code",
  hover: "a rule that shows something under a pointer",
  id: "one id",
  "imitated headings": "text that looks like a heading, by how it looks",
  "items in an element": "the children of one list",
  "keys of a widget": "the keys of one widget",
  "label that misses": "a label and the field that it is meant for",
  "link colour": "the colour of links in the colour of their text",
  "links of one name": "links that are called the same",
  "links without another cue": "links that only a colour sets apart",
  logotype: "text in a logotype",
  mark: "a focus mark on a ground, and its declaration",
  "name that is lost": "an element that is named by one that is not there",
  "order of a navigation": "a navigation, by the order of its links",
  outline: "the declaration that takes an outline away",
  picture: "a picture without a text alternative",
  "required fields that do not say so": "required fields of one page",
  "same place": "links to one place",
  size: "the declarations of a height and a width",
  "stylesheets that were not read": "stylesheets that were not read",
  "terms in an element": "the terms of one list",
  "title of several pages": "one title",
} as const;

/** A declaration, by where it is written: the same on every page that it styles. */
export interface DeclaredPlace {
  readonly file: string;
  readonly start: number;
}

/** A cause, and all that tells it from others of its kind. */
export interface Cause {
  readonly kind: keyof typeof causeKinds;
  readonly of: readonly (string | number | null | DeclaredPlace)[];
}

/** The same text for the same cause: on all pages where declarations are a part of it, else on one. */
export const causeKey = ({ kind, of }: Cause, page: string): string =>
  JSON.stringify([
    ...(of.some((part) => typeof part === "object" && part !== null) ? [] : [page]),
    kind,
    ...of,
  ]);

/** The place of a declaration, as a part of a cause; null where it has none. */
export const declaredAt = (source: Span | null | undefined): DeclaredPlace | null =>
  source == null ? null : { file: source.file, start: source.start };
