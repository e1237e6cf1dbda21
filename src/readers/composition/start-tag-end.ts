/**
 * Where a start tag ends that begins at an offset, in markup with expressions in it: braces and quotation marks are
 * skipped whole. Where that comes to no end, at the first `>`.
 */
export function startTagEnd(text: string, start: number): number {
  let depth = 0;
  let quote = "";
  for (let offset = start + 1; offset < text.length; offset++) {
    const c = text[offset] as string;
    if (quote !== "") {
      if (c === "\\" && depth > 0) offset++;
      else if (c === quote) quote = "";
    } else if (c === '"' || c === "'" || (c === "`" && depth > 0)) quote = c;
    else if (c === "{") depth++;
    else if (c === "}") depth--;
    else if (c === ">" && depth <= 0) return offset + 1;
  }
  const first = text.indexOf(">", start);
  return first < 0 ? text.length : first + 1;
}
