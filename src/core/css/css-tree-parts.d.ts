// The parts of css-tree that are loaded alone; the package's types describe only the whole.
declare module "css-tree/selector-parser" {
  import type { parse } from "css-tree";

  const parseSelector: typeof parse;
  export default parseSelector;
}

declare module "css-tree/tokenizer" {
  import type { tokenize as tokenizeWhole, tokenTypes as wholeTokenTypes } from "css-tree";
  export const tokenize: typeof tokenizeWhole;
  export const tokenTypes: typeof wholeTokenTypes;
}

declare module "css-tree/parser" {
  import type { parse } from "css-tree";

  const parseCss: typeof parse;
  export default parseCss;
}

declare module "css-tree/walker" {
  import type { walk } from "css-tree";

  const walkCss: typeof walk;
  export default walkCss;
}
