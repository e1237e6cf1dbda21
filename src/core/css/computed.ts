import { type Declared, isWideKeyword } from "./declared.ts";
import type { AppliedBlock } from "./rule-index.ts";
import { expandShorthand } from "./shorthands.ts";
import type { Cascade, CascadedValue, Style } from "./style.ts";
import { properties } from "./tables/properties.ts";
import { acceptsValue, holdsSubstitution } from "./value-syntax.ts";

const unknown: CascadedValue = { text: null, declared: null, block: null, through: [], own: false };

/**
 * The cascaded value of a longhand or custom property for a style, inheritance applied. CSS Cascade 5 §4 and §7;
 * substitution by CSS Variables 1 §3. Works down the ancestors without recursion.
 */
export function cascadedValue(cascade: Cascade, style: Style, property: string): CascadedValue {
  const known = style.values.get(property);
  if (known !== undefined) return known;
  // Ancestors first, as far up as this property is not yet known, so that a deep tree needs no deep stack.
  const chain: Style[] = [];
  const inherits = inheritsByDefault(cascade, property);
  for (
    let ancestor: Style | null = style;
    ancestor !== null && !ancestor.values.has(property);
    ancestor = ancestor.parent
  ) {
    chain.push(ancestor);
    if (!inherits && !mayInherit(ancestor, property)) break;
    if (inherits && declaresPlainly(ancestor, property)) break;
  }
  for (let i = chain.length - 1; i >= 0; i--) {
    const ancestor = chain[i];
    if (ancestor !== undefined)
      ancestor.values.set(
        property,
        resolve(cascade, ancestor, property, candidates(ancestor, property), new Set()),
      );
  }
  return style.values.get(property) ?? unknown;
}

const inheritsByDefault = (cascade: Cascade, property: string): boolean =>
  property.startsWith("--")
    ? (cascade.registered.get(property)?.inherits ?? true)
    : (properties[property]?.inherited ?? false);

const mayInherit = (style: Style, property: string): boolean =>
  style.blocks.some((b) =>
    [b.normal.get(property), b.important?.get(property)].some(
      (d) => d !== undefined && (isWideKeyword(d.text) || holdsSubstitution(d.text)),
    ),
  );

const declaresPlainly = (style: Style, property: string): boolean =>
  style.blocks.some((b) => b.certain && (b.normal.has(property) || b.important?.has(property) === true)) &&
  !mayInherit(style, property);

interface Candidate {
  readonly declared: Declared;
  readonly block: AppliedBlock;
}

/** Declarations of the property, the strongest first. CSS Cascade 5 §6.1: importance turns the order of origins and layers. */
function candidates(style: Style, property: string): readonly Candidate[] {
  const important: Candidate[] = [];
  const normal: Candidate[] = [];
  for (const block of style.blocks) {
    const strong = block.important?.get(property);
    if (strong !== undefined) important.push({ declared: strong, block });
    const weak = block.normal.get(property);
    if (weak !== undefined) normal.push({ declared: weak, block });
  }
  normal.reverse();
  if (important.length === 0) return normal;
  // Stable: what is later in the list wins within one origin and layer.
  important.reverse();
  important.sort(
    ({ block: a }, { block: b }) =>
      Number(b.origin === "user-agent") - Number(a.origin === "user-agent") ||
      Number(isAttached(b)) - Number(isAttached(a)) ||
      (a.layer === b.layer ? 0 : a.layer < b.layer ? -1 : 1),
  );
  return [...important, ...normal];
}

/** Whether it is a style attribute, which beats every sheet of its origin. CSS Cascade 5 §6.1, "element-attached". */
const isAttached = ({ selectorText }: AppliedBlock): boolean => selectorText === "style attribute";

/** Many undecided rules for one property would double the work each time: past so many the value is unknown. */
const MOST_UNDECIDED = 7;

/** The value of the strongest of some declarations, the strongest first. CSS Cascade 5 §7.3, `revert` and `revert-layer`. */
function resolve(
  cascade: Cascade,
  style: Style,
  property: string,
  list: readonly Candidate[],
  visiting: Set<string>,
): CascadedValue {
  const [first, ...rest] = list;
  if (first === undefined) return defaulted(cascade, style, property);
  if (list.filter(({ block }) => !block.certain).length > MOST_UNDECIDED) return unknown;
  const among = (others: readonly Candidate[]) => resolve(cascade, style, property, others, visiting);
  if (!first.block.certain) {
    // The rule may apply or not: the value is known only if both ways give the same.
    const without = among(rest);
    const withIt = among([{ ...first, block: { ...first.block, certain: true } }, ...rest]);
    return without.text !== null && without.text === withIt.text ? withIt : unknown;
  }
  const { origin, layer } = first.block;
  switch (first.declared.text.toLowerCase()) {
    case "revert":
      return among(origin === "user-agent" ? [] : list.filter(({ block }) => block.origin === "user-agent"));
    case "revert-layer":
      return among(
        rest.filter(
          ({ block }) =>
            block.layer !== layer || block.origin !== origin || isAttached(block) !== isAttached(first.block),
        ),
      );
    default:
      return valueFrom(cascade, style, property, first, visiting);
  }
}

/** No declaration: the parent's value or the initial one. CSS Cascade 5 §7. */
function defaulted(cascade: Cascade, style: Style, property: string): CascadedValue {
  return inheritsByDefault(cascade, property)
    ? inherited(cascade, style, property)
    : initial(cascade, property);
}

function inherited(cascade: Cascade, style: Style, property: string): CascadedValue {
  if (style.parent === null) return initial(cascade, property);
  const value = cascadedValue(cascade, style.parent, property);
  return value.own ? { ...value, own: false } : value;
}

function initial(cascade: Cascade, property: string): CascadedValue {
  const text = property.startsWith("--")
    ? (cascade.registered.get(property)?.initial ?? "")
    : (properties[property]?.initial ?? "");
  return {
    text: property.startsWith("--") && !cascade.registered.has(property) ? "initial" : text,
    declared: null,
    block: null,
    through: [],
    own: false,
  };
}

function valueFrom(
  cascade: Cascade,
  style: Style,
  property: string,
  { declared, block }: Candidate,
  visiting: Set<string>,
): CascadedValue {
  const keyword = declared.text.toLowerCase();
  const found = { declared, block, own: true };
  if (keyword === "inherit") return inherited(cascade, style, property);
  if (keyword === "initial") return { ...initial(cascade, property), ...found };
  if (keyword === "unset") return defaulted(cascade, style, property);
  // In `content`, `attr()` is a part of the value and not a substitution: whoever reads it has the element.
  if (!holdsSubstitution(property === "content" ? declared.text.replace(/\battr\(/gi, "(") : declared.text))
    return { text: declared.text, through: [], ...found };

  const through: { name: string; declared: Declared | null }[] = [];
  const substituted = substitute(cascade, style, declared.text, new Set([...visiting, property]), through, 0);
  if (substituted === null) return { ...unknown, declared, block, own: true };
  // Invalid at computed-value time: as if `unset`. CSS Variables 1 §3.1.
  if (substituted === "invalid") return defaulted(cascade, style, property);
  if (property.startsWith("--")) return { text: substituted.text, through, ...found };
  const text =
    declared.shorthand === null
      ? substituted.text.trim()
      : (expandShorthand(declared.shorthand, substituted.text.trim()).find(([l]) => l === property)?.[1] ??
        null);
  if (text === null) return defaulted(cascade, style, property);
  if (property !== "content" && /\battr\(/i.test(text)) return { ...unknown, declared, block, own: true };
  if (isWideKeyword(text))
    return {
      ...valueFrom(
        cascade,
        style,
        property,
        { declared: { ...declared, text, shorthand: null }, block },
        visiting,
      ),
      through,
    };
  if (!acceptsValue(property, text)) return defaulted(cascade, style, property);
  return { text, through, ...found };
}

/** How long a chain of custom properties may be before its value counts as unknown. */
const LONGEST_CHAIN = 64;
/** How long a value may grow by substitution. */
const LONGEST_VALUE = 100_000;

/**
 * Puts custom properties in place of `var()`. Null: not known from source; "invalid": a missing or cyclic property
 * without a fallback.
 */
function substitute(
  cascade: Cascade,
  style: Style,
  text: string,
  visiting: Set<string>,
  through: { name: string; declared: Declared | null }[],
  depth: number,
): { text: string } | "invalid" | null {
  if (depth > LONGEST_CHAIN || text.length > LONGEST_VALUE) return null;
  const start = /\b(var|env)\(/i.exec(text);
  if (start === null) return /\b(?:if|--[\w-]+)\(/i.test(text) ? null : { text };
  const open = start.index + start[0].length;
  let close = open;
  for (let nesting = 1; close < text.length; close++) {
    if (text[close] === "(") nesting++;
    else if (text[close] === ")" && --nesting === 0) break;
  }
  const inside = text.slice(open, close);
  const comma = inside.indexOf(",");
  const name = (comma < 0 ? inside : inside.slice(0, comma)).trim();
  const fallback = comma < 0 ? null : inside.slice(comma + 1).trim();
  // A property that hangs on itself is invalid, whatever it falls back to. CSS Variables 1 §2.3.
  if (visiting.has(name)) return "invalid";
  const value =
    start[1]?.toLowerCase() === "env" ? environment(name) : customProperty(cascade, style, name, visiting);
  let replacement: string;
  if (value === null) return null;
  if (value === "invalid") {
    if (fallback === null) return "invalid";
    const filled = substitute(cascade, style, fallback, visiting, through, depth + 1);
    if (filled === null || filled === "invalid") return filled;
    replacement = filled.text;
  } else {
    replacement = value.text ?? "";
    through.push({ name, declared: value.declared }, ...value.through);
  }
  return substitute(
    cascade,
    style,
    `${text.slice(0, start.index)}${replacement}${text.slice(close + 1)}`,
    visiting,
    through,
    depth + 1,
  );
}

/** What `env()` gives hangs on the device; a name that no browser knows gives nothing. CSS Environment Variables 1 §2. */
const environment = (name: string): "invalid" | null =>
  /^(?:safe-area|titlebar-area|viewport-segment|keyboard-inset|preferred-text-scale)/.test(name)
    ? null
    : "invalid";

function customProperty(
  cascade: Cascade,
  style: Style,
  name: string,
  visiting: Set<string>,
): CascadedValue | "invalid" | null {
  if (!name.startsWith("--")) return "invalid";
  if (visiting.size > LONGEST_CHAIN) return null;
  const known = style.values.get(name);
  // Found where it is declared, then handed down: only the declaring style may see a cycle.
  let ancestor: Style | null = style;
  if (known === undefined && inheritsByDefault(cascade, name)) {
    while (
      ancestor !== null &&
      !ancestor.blocks.some((b) => b.normal.has(name) || b.important?.has(name) === true)
    )
      ancestor = ancestor.parent;
  }
  if (ancestor === null) {
    const registered = cascade.registered.get(name);
    if (registered?.initial != null) return { ...initial(cascade, name) };
    // Of a component the page around it may give what it does not give itself.
    return cascade.isOpenAround ? null : "invalid";
  }
  const value =
    known ??
    (ancestor === style
      ? resolve(cascade, style, name, candidates(style, name), new Set([...visiting, name]))
      : cascadedValue(cascade, ancestor, name));
  if (value.text === null) return null;
  return value.text.toLowerCase() === "initial" ? "invalid" : value;
}
