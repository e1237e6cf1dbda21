import { splitAtCommas } from "./split-value.ts";

/** What parts a selector of one component from one for what others render inside it. */
const deepMark = /\s*(?:::ng-deep|::v-deep(?!\()|>>>|\/deep\/|:global(?![(\w-]))\s*/;

/** Other spellings of the functions that leave the scope of a component. */
const spellings: readonly (readonly [written: RegExp, meant: string])[] = [
  [/::v-deep\(/g, ":deep("],
  [/::v-slotted\(/g, ":slotted("],
  [/::v-global\(/g, ":global("],
  // A pseudo-element is one of what the function picks.
  [
    /(:(?:global|deep)\((?:[^()]|\([^()]*\))*?)(::[\w-]+|:(?:before|after|first-line|first-letter))\s*\)/g,
    "$1)$2",
  ],
  // The element of the component itself is around all that it renders; what is asked of it hangs on its use.
  [/^:host(?:\(\s*\))?\s*(?:>\s*|(?=\s))/, ""],
];

/**
 * A selector list of component styles with one spelling for what leaves the component's scope, as the compilers of component
 * formats have it: under names that no browser knows, so that only such styles have them.
 */
export const inOneSpelling = (text: string): string =>
  /:(?:global|deep|slotted|local|host|:?v-|:ng-deep)|>>>|\/deep\//.test(text)
    ? splitAtCommas(text).map(respelt).join(", ")
    : text;

function respelt(selector: string): string {
  const plain = spellings.reduce((done, [written, meant]) => done.replace(written, meant), selector.trim());
  const [before = "", ...after] = plain.split(deepMark);
  const marked = after.length === 0 ? plain : `${before} :global(${after.join(" ").trim() || "*"})`.trim();
  return marked.replace(/(?<!:):(global|deep|slotted|local)\(/g, ":-keel-$1(");
}
