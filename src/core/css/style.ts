import type { Rgba } from "../colour/rgba.ts";
import type { ElementNode } from "../document/node.ts";
import type { Declared } from "./declared.ts";
import type { Device } from "./device.ts";
import type { Interaction, Matcher } from "./match.ts";
import type { ActionKind, AppliedBlock } from "./rule-index.ts";
import type { Keyframe } from "./sheet.ts";

/** A value after the cascade and after `var()`: text, and the declarations that gave it. */
export interface CascadedValue {
  /** Null where it cannot be known from source. */
  readonly text: string | null;
  /** The winning declaration; null for an initial value. For an inherited value, the ancestor's. */
  readonly declared: Declared | null;
  readonly block: AppliedBlock | null;
  /** Custom properties it came through, the nearest first. */
  readonly through: readonly { readonly name: string; readonly declared: Declared | null }[];
  /** Whether the element's own style declares it, rather than an ancestor's or nobody. */
  readonly own: boolean;
}

/** A computed colour and what gave it; `colour` is null where it cannot be known. */
export interface ComputedColour {
  readonly colour: Rgba | null;
  readonly value: CascadedValue;
}

/** What inherits as something computed, not as text. */
interface Inherited {
  readonly textColour: ComputedColour;
  /** In CSS pixels; null where it cannot be known. */
  readonly fontSize: number | null;
  /** 1–1000; null where it cannot be known. */
  readonly fontWeight: number | null;
}

/** The cascaded declarations of an element and its place in inheritance. Shared by elements that are styled alike. */
export interface Style {
  readonly parent: Style | null;
  /** Weakest first, by normal importance. CSS Cascade 5 §6. */
  readonly blocks: readonly AppliedBlock[];
  /** Filled as they are asked for, by property. */
  readonly values: Map<string, CascadedValue>;
  readonly colours: Map<string, ComputedColour>;
  readonly known: { -readonly [P in keyof Inherited]?: Inherited[P] };
}

export const newStyle = (parent: Style | null, blocks: readonly AppliedBlock[]): Style => ({
  parent,
  blocks,
  values: new Map(),
  colours: new Map(),
  known: {},
});

/** Works out what inherits from the highest ancestor where it is not known yet down to the style, so that a deep tree needs no deep stack. */
export function downTheAncestors<P extends keyof Inherited>(
  style: Style,
  what: P,
  of: (style: Style, parent: Inherited[P] | null) => Inherited[P],
): Inherited[P] {
  const chain: Style[] = [];
  let ancestor: Style | null = style;
  for (; ancestor !== null && ancestor.known[what] === undefined; ancestor = ancestor.parent)
    chain.push(ancestor);
  let value: Inherited[P] | null = ancestor?.known[what] ?? null;
  for (const one of chain.reverse()) {
    const found: Inherited[P] = of(one, value);
    one.known[what] = found;
    value = found;
  }
  return value as Inherited[P];
}

export interface Cascade {
  /** Whether styles that are not here may hold for what is around the document. */
  readonly isOpenAround: boolean;
  readonly device: Device;
  /** The steps of an animation; empty where no sheet of the element's tree defines it. */
  keyframes(element: ElementNode, name: string): readonly Keyframe[];
  /** Whether some rule or style attribute of the page declares the property. */
  declares(property: string): boolean;
  /** Whether some rule is for the element once it has a class that is named for focus. */
  hasFocusClass(element: ElementNode): boolean;
  /** Whether some rule of the page itself may change something when the user does this on the element. */
  mayReact(element: ElementNode, action: ActionKind): boolean;
  /** The scheme of elements that name none: light, unless the page says in a meta element that it supports dark. */
  readonly pageScheme: "light" | "dark";
  /** The style of an element; null when it is not in the flat tree and so never rendered. */
  style(element: ElementNode, interaction?: Interaction): Style | null;
  /** The style of `::before`, `::after`, `::placeholder` …; null when no rule makes one. */
  pseudoStyle(element: ElementNode, pseudo: string, interaction?: Interaction): Style | null;
  /** Custom properties registered by `@property`. */
  readonly registered: ReadonlyMap<string, { readonly inherits: boolean; readonly initial: string | null }>;
  readonly matcher: Matcher;
}
