import { tokenize, tokenTypes } from "css-tree/tokenizer";

const opening = new Set([
  tokenTypes.LeftCurlyBracket,
  tokenTypes.LeftParenthesis,
  tokenTypes.LeftSquareBracket,
  tokenTypes.Function,
]);
/** Tokens that close what another opened. */
export const closing = new Set([
  tokenTypes.RightCurlyBracket,
  tokenTypes.RightParenthesis,
  tokenTypes.RightSquareBracket,
]);
/** A stylesheet cut into tokens, in parallel lists. CSS Syntax 3 §4. */
export interface Tokens {
  readonly text: string;
  readonly types: readonly number[];
  readonly starts: readonly number[];
  /** For an opening token, the index of the token that closes it; the end of the list when none does. */
  readonly closes: ReadonlyMap<number, number>;
}

export function tokensOf(text: string): Tokens {
  const types: number[] = [];
  const starts: number[] = [];
  tokenize(text, (type, start) => {
    types.push(type);
    starts.push(start);
  });
  starts.push(text.length);
  const closes = new Map<number, number>();
  const open: { start: number; closedBy: number }[] = [];
  for (const [i, type] of types.entries()) {
    if (opening.has(type)) open.push({ start: i, closedBy: closerOf(type) });
    else if (closing.has(type) && open.at(-1)?.closedBy === type) closes.set(open.pop()?.start ?? 0, i);
  }
  for (const { start: at } of open) closes.set(at, types.length);
  return { text, types, starts, closes };
}

function closerOf(opener: number): number {
  if (opener === tokenTypes.LeftCurlyBracket) return tokenTypes.RightCurlyBracket;
  if (opener === tokenTypes.LeftSquareBracket) return tokenTypes.RightSquareBracket;
  return tokenTypes.RightParenthesis;
}
