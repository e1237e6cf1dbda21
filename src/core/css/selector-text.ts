import type { SelectorList as SelectorListNode } from "css-tree";
import parseCss from "css-tree/selector-parser";

/** How deep selectors may nest in one another before the rule is dropped: a parser's stack is not endless. */
const DEEPEST_SELECTOR = 64;

/** A selector list as parsed, or null for one that is none; `relative` where it may begin with a combinator, inside another rule. */
export function parsedSelectors(text: string, relative: boolean): SelectorListNode | null {
  if (text === "" || nesting(text) > DEEPEST_SELECTOR) return null;
  let failed = false;
  try {
    // In a nested rule a selector may begin with a combinator; the parser takes that only inside `:has()`.
    const node = parseCss(relative ? `:has(${text})` : text, {
      context: "selectorList",
      onParseError: () => {
        failed = true;
      },
    });
    if (failed || node.type !== "SelectorList") return null;
    if (!relative) return node;
    const has = node.children.first;
    const pseudo = has?.type === "Selector" ? has.children.first : null;
    const inner = pseudo?.type === "PseudoClassSelector" ? pseudo.children?.first : null;
    return inner?.type === "SelectorList" ? inner : null;
  } catch {
    return null;
  }
}

function nesting(text: string): number {
  let depth = 0;
  let deepest = 0;
  for (const c of text) {
    if (c === "(") deepest = Math.max(deepest, ++depth);
    else if (c === ")") depth--;
  }
  return deepest;
}
