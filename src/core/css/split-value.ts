/** Splits a value at top-level white space: parentheses, brackets and strings stay whole. */
export const splitAtSpaces = (text: string): readonly string[] => split(text, null);

/** Splits a value at top-level commas; parts are trimmed. */
export const splitAtCommas = (text: string): readonly string[] => split(text, ",");

/** Splits a value at top-level slashes; parts are trimmed. */
export const splitAtSlashes = (text: string): readonly string[] => split(text, "/");

function split(text: string, separator: string | null): readonly string[] {
  const parts: string[] = [];
  let depth = 0;
  let quote = "";
  let start = 0;
  const take = (end: number) => {
    const part = text.slice(start, end).trim();
    if (part !== "") parts.push(part);
  };
  for (let i = 0; i < text.length; i++) {
    const c = text.charAt(i);
    if (quote !== "") {
      if (c === "\\") i++;
      else if (c === quote) quote = "";
    } else if (c === '"' || c === "'") quote = c;
    else if (c === "(" || c === "[" || c === "{") depth++;
    else if (c === ")" || c === "]" || c === "}") depth--;
    else if (
      depth === 0 &&
      (separator === null
        ? c === " " || c === "\n" || c === "\t" || c === "\r" || c === "\f"
        : c === separator)
    ) {
      take(i);
      start = i + 1;
    }
  }
  take(text.length);
  return parts;
}

/** The name and arguments of `name(arguments)`; null for anything else. */
export function functionCall(text: string): { readonly name: string; readonly argument: string } | null {
  const match = /^([a-z-][\w-]*)\(([\s\S]*)\)$/i.exec(text);
  return match === null ? null : { name: (match[1] ?? "").toLowerCase(), argument: match[2] ?? "" };
}
