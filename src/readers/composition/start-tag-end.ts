/**
 * Where a start tag ends that begins at an offset, in markup with expressions in it: braces and quotation marks are
 * skipped whole. Where that comes to no end, at the first `>`.
 */
export function startTagEnd(text: string, start: number): number {
  let depth = 0;
  let quote = "";
  for (let at = start + 1; at < text.length; at++) {
    const c = text[at] as string;
    if (quote !== "") {
      if (c === "\\" && depth > 0) at++;
      else if (c === quote) quote = "";
    } else if (c === '"' || c === "'" || (c === "`" && depth > 0)) quote = c;
    else if (c === "{") depth++;
    else if (c === "}") depth--;
    else if (c === ">" && depth <= 0) return at + 1;
  }
  const first = text.indexOf(">", start);
  return first < 0 ? text.length : first + 1;
}
