import type { ElementNode } from "../document/node.ts";
import type { Page } from "../rendering/page.ts";
import type { PresenceMap } from "../rendering/presence.ts";
import type { Role } from "./tables/roles.ts";
import type { TextAlternative } from "./text-collector.ts";

/** State names without `aria-`; numbers for whole and decimal values, words for the rest. */
export type States = Readonly<Record<string, string | number | boolean>>;

export type DescriptionFrom =
  | "aria-describedby"
  | "aria-description"
  | "caption"
  | "value"
  | "title attribute";

export interface Description extends TextAlternative {
  readonly from: DescriptionFrom | null;
}

/** Where a name came from, in the words other programs rely on. */
export type NameFrom =
  | "aria-labelledby"
  | "aria-label"
  | "label element"
  | "alt"
  | "title element"
  | "caption"
  | "legend"
  | "figcaption"
  | "contents"
  | "value"
  | "placeholder"
  | "title attribute"
  | "svg title"
  | "summary";

export interface AccessibleName extends TextAlternative {
  /** Null when there is no name. */
  readonly from: NameFrom | null;
}

export interface ComputedRole {
  /** Null: the element has no role of WAI-ARIA. */
  readonly role: Role | null;
  readonly native: Role | null;
  readonly from: "role attribute" | "element";
  /** Why, in one sentence without a full stop. */
  readonly because: string;
  /** False where the role attribute holds a value that source does not give. */
  readonly certain: boolean;
}

/** What assistive technology is told of each element, worked out when asked and kept for the page. */
export interface Semantics {
  readonly page: Page;
  readonly presence: PresenceMap;
  role(element: ElementNode): ComputedRole;
  name(element: ElementNode): AccessibleName;
  description(element: ElementNode): Description;
  states(element: ElementNode): States;
}
