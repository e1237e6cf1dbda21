import { type Certainty, MAYBE, NO, YES } from "./certainty.ts";
import { selectorList } from "./elements-matching.ts";
import { evaluateCondition } from "./media.ts";
import { isShorthand } from "./shorthands.ts";
import { properties, sameProperty } from "./tables/properties.ts";
import { acceptsValue, holdsSubstitution } from "./value-syntax.ts";

/** Whether an `@supports` condition holds in today's browsers, as far as our own tables tell. CSS Conditional 3 §6. */
export function evaluateSupports(text: string): Certainty {
  return evaluateCondition(text, (leaf) => {
    const selector = /^selector\(([\s\S]*)\)$/i.exec(leaf);
    if (selector !== null) return isSelector(selector[1] ?? "") ? YES : NO;
    if (/^font-(?:tech|format)\(/i.test(leaf)) return MAYBE;
    const declaration = /^(--[\w-]+|[\w-]+)\s*:\s*([\s\S]+)$/.exec(leaf);
    if (declaration === null) return NO;
    const name = (declaration[1] ?? "").toLowerCase();
    const value = (declaration[2] ?? "").trim();
    if (name.startsWith("--") || holdsSubstitution(value)) return YES;
    if (/^-(?:moz|ms|o)-/.test(name) || /(?:^|\s)-(?:moz|ms|o)-/.test(value)) return NO;
    const known = sameProperty[name] ?? name;
    const row = properties[known];
    if (row !== undefined && row.syntax.kind !== "any") return acceptsValue(known, value) ? YES : NO;
    if (known === "display") return acceptsValue(known, value) ? YES : NO;
    return isShorthand(known) || supportedEverywhere.has(known) ? YES : MAYBE;
  });
}

/** Whether a browser takes the text for one selector. CSS Conditional 4 §2.1. */
const isSelector = (text: string): boolean => selectorList(text.trim())?.length === 1;

/** Properties outside our tables that stylesheets often ask for and every current browser has, whatever the usual value. */
const supportedEverywhere = new Set(
  "gap grid-template-columns grid-template-areas grid aspect-ratio object-fit backdrop-filter position scroll-snap-type scroll-behavior accent-color inset transform-style transform filter mask clip-path mix-blend-mode overscroll-behavior font-variation-settings".split(
    " ",
  ),
);
